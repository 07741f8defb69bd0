package nulls

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var testOnRequired = &check.Check{
	ID:    "null.test-on-required",
	Title: "IS NULL asked of what is never NULL",
	Doc: "A column that is declared NOT NULL is never NULL, unless an outer join fills it. IS NULL is then always false, and a branch or a row that waits for it " +
		"never comes. IS NOT NULL is always true, and keeps nothing away.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE frame_count IS NULL",
		Near: []string{
			"SELECT name FROM hives WHERE queen_id IS NULL",
			"SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.inspection_id IS NULL",
			"SELECT a.name FROM apiaries a WHERE (SELECT MIN(h.frame_count) FROM hives h WHERE h.apiary_id = a.apiary_id) IS NULL",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE frame_count IS NOT NULL AND apiary_id = 2",
		Good: "SELECT name FROM hives WHERE apiary_id = 2",
	}},
	On: check.Nodes(runTestOnRequired),
}

func runTestOnRequired(p *check.Pass, n *syntax.Is) {
	x, ok := syntax.Unparen(n.X).(*syntax.Name)
	if !ok || n.Test != syntax.IsNull {
		return
	}
	u := p.Use(x)
	if u.Source == nil || p.Nullable(x) != facts.No {
		return
	}
	if c := p.ColumnOf(x); c != nil && (p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB) && (c.Identity || isDay(c.Type.Class)) {
		return // IS NULL finds the day 0000-00-00 there, and the number given last (MariaDB, "IS NULL")
	}
	f := check.Finding{Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is never NULL, so this is always false", p.Brief(x)),
		Why:     fmt.Sprintf("%s declares it NOT NULL, and no outer join fills it with NULLs.", p.SourceName(u.Source)),
		Mends:   []check.Mend{{Title: "leave out what waits for it, or ask for the value that is meant", Effect: check.ByHand}},
	}
	if isGathered(p, x) {
		f.Certainty = check.Possible
	}
	switch c := p.ColumnOf(x); {
	case c != nil && c.NotNull && !u.Source.Optional && u.Source.SchemaTable() != nil:
	case u.Source.SchemaTable() != nil || u.Source.Unknown:
		f.Why = "A condition that each row here has met, in ON or in WHERE, lets none through in which it is NULL."
	default:
		f.Why = fmt.Sprintf("%s gives it without NULLs, or a condition that each row here has met lets none through.", p.SourceName(u.Source))
	}
	if n.Not {
		f.Verdicts = check.Everywhere(check.Unclear)
		f.Message = fmt.Sprintf("%s is never NULL, so this is always true", p.Brief(x))
		f.Mends = leaveOut(p, n)
	}
	p.Report(f)
}

// leaveOut takes an operand that is always true out of the chain of ANDs of its clause.
func leaveOut(p *check.Pass, n *syntax.Is) []check.Mend {
	m := check.Mend{Title: "leave it out", Effect: check.ByHand}
	where, ok := p.Nearest(n, conditions).(*syntax.Where)
	if !ok {
		return []check.Mend{m}
	}
	chain := syntax.AppendConjuncts(nil, where.Cond)
	at := slices.IndexFunc(chain, func(c syntax.Expr) bool { return c == syntax.Expr(n) })
	switch {
	case at < 0:
		return []check.Mend{m}
	case len(chain) == 1:
		m.Edits = p.RemoveClause(where)
	default:
		m.Edits = p.RemoveConjuncts(chain, func(i int) bool { return i == at })
	}
	m.Effect = check.SameRows
	return []check.Mend{m}
}

func isDay(c class.Class) bool { return c == class.Date || c == class.Timestamp }

var selfEqual = &check.Check{
	ID:    "null.self-equal",
	Title: "a column compared with itself",
	Doc: "The condition x = x is true of every row but those where x is NULL. Inside a subquery a bare name binds to the nearest table, so what looks like a comparison of two tables " +
		"may be one of a column with itself: then the subquery is not tied to the row outside at all.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT a.name FROM apiaries a WHERE EXISTS (SELECT 1 FROM hives h WHERE h.apiary_id = apiary_id)",
		Good: "SELECT a.name FROM apiaries a WHERE EXISTS (SELECT 1 FROM hives h WHERE h.apiary_id = a.apiary_id)",
		Near: []string{
			"SELECT a.name FROM apiaries a WHERE EXISTS (SELECT 1 FROM hives h WHERE h.apiary_id = a.apiary_id)",
			"SELECT h.name FROM hives h JOIN hives o ON o.hive_id = h.hive_id",
			"SELECT hive_id = hive_id AS same FROM hives WHERE hive_id = 3",
		},
	}, {
		NoSchema: true,
		Bad:      "SELECT h.name FROM hives h WHERE h.queen_id = h.queen_id",
		Good:     "SELECT h.name FROM hives h WHERE h.queen_id IS NOT NULL",
	}},
	On: check.Operators(runSelfEqual, syntax.OpEqual, syntax.OpNotEqual).With(facts.Columns),
}

func runSelfEqual(p *check.Pass, b *syntax.Binary) {
	x, _ := syntax.Unparen(b.X).(*syntax.Name)
	y, _ := syntax.Unparen(b.Y).(*syntax.Name)
	if x == nil || y == nil || x.Last().Sym != y.Last().Sym || !p.Same(x, y) {
		return
	}
	u := p.Use(x)
	where, _ := p.Enclosing(b, conditions)
	if (len(x.Parts) == 1 || len(y.Parts) == 1) && !p.TellsNames(u.Scope) {
		return // name.variable-hides-column tells
	}
	if u.Source == nil || where == nil || u.Source.Scope.Merges(x.Last().Sym) {
		return
	}
	if j, ok := where.(*syntax.Join); ok && b == syntax.Unparen(j.On) {
		return // join.self-condition tells
	}
	f := check.Finding{Span: b.Span(), Context: where.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("both sides are %s of %s", p.Names.String(x.Last().Sym), p.SourceName(u.Source)),
		Why:     "A column equals itself in every row in which it is not NULL.",
	}
	bare := x
	if len(y.Parts) == 1 {
		bare = y
	}
	if outer := outerOwner(p, u, x.Last().Sym); outer != nil && len(x.Parts) != len(y.Parts) {
		name := p.Ident(outer.Name) + "." + p.Text(bare)
		f.Why = fmt.Sprintf("The bare name binds to the nearest table. %s has a column of the name as well.", p.SourceName(outer))
		f.Mends = []check.Mend{{Title: "say " + name, Effect: check.NewRows, Edits: []text.Edit{check.Replace(bare.Span(), name)}}}
		p.Report(f)
		return
	}
	switch {
	case b.Op == syntax.OpNotEqual:
		f.Why = "A column never differs from itself, and of NULL nothing is known, so no row passes."
		f.Mends = []check.Mend{{Title: "compare with the column that is meant", Effect: check.ByHand}}
	default:
		test := p.Word(where.Span().Start, "IS NOT NULL")
		f.Mends = []check.Mend{{Title: "compare with the column that is meant", Effect: check.ByHand}}
		if p.IsConjunct(b) && p.Nullable(x) != facts.No {
			f.Mends = append(f.Mends, check.Mend{Title: "say " + test, Effect: check.SameRows, Edits: []text.Edit{check.Replace(b.Span(), p.Text(b.X)+" "+test)}})
		}
	}
	p.Report(f)
}

// outerOwner gives the source of a query around that has a column of the name.
func outerOwner(p *check.Pass, u *bind.Use, sym syntax.Sym) *bind.Source {
	for scope := u.Source.Scope.Parent; scope != nil; scope = scope.Parent {
		for _, s := range scope.Sources {
			if s.Named(sym) != nil && !s.Name.IsZero() {
				return s
			}
		}
	}
	return nil
}

var caseWhenNull = &check.Check{
	ID:       "null.case-when-null",
	Title:    "WHEN NULL in a CASE that compares",
	Doc:      "CASE x WHEN v compares x = v. A comparison with NULL is never true, so WHEN NULL is never taken, not even where x is NULL. CASE WHEN x IS NULL asks for it.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name, CASE queen_id WHEN NULL THEN 'none' ELSE 'one' END AS queen FROM hives",
		Good: "SELECT name, CASE WHEN queen_id IS NULL THEN 'none' ELSE 'one' END AS queen FROM hives",
		Near: []string{
			"SELECT name, CASE WHEN queen_id IS NULL THEN 'none' ELSE 'one' END AS queen FROM hives",
			"SELECT name, CASE queen_id WHEN 1 THEN NULL ELSE 'one' END AS queen FROM hives",
			"SELECT name, CASE COALESCE(queen_id, 0) WHEN 0 THEN 'none' ELSE 'one' END AS queen FROM hives",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT CASE colour WHEN 'blue' THEN 1 WHEN NULL THEN 2 END AS mark FROM queens",
		Good:    "SELECT CASE WHEN colour = 'blue' THEN 1 WHEN colour IS NULL THEN 2 END AS mark FROM queens",
	}},
	On: check.Nodes(runCaseWhenNull),
}

func runCaseWhenNull(p *check.Pass, c *syntax.Case) {
	if c.Operand == nil {
		return
	}
	for _, w := range c.Whens {
		if !isNull(w.Cond) {
			continue
		}
		f := check.Finding{Span: w.Cond.Span(), Context: c.Span(), Certainty: check.Certain,
			Message: "WHEN NULL is never taken",
			Why:     fmt.Sprintf("It asks %s = NULL, which is never true.", p.Brief(c.Operand)),
		}
		if x, ok := c.Operand.(*syntax.Name); ok && !p.HasComment(text.Span{Start: c.Span().Start, End: c.Whens[0].Span().Start}) {
			edits := []text.Edit{check.Replace(text.Span{Start: p.EndBefore(x.Span().Start), End: x.Span().End}, "")}
			for _, other := range c.Whens {
				test := p.Text(x) + " = " + p.Parenthesised(other.Cond)
				if isNull(other.Cond) {
					test = p.Text(x) + " " + p.Word(c.Span().Start, "IS NULL")
				}
				edits = append(edits, check.Replace(other.Cond.Span(), test))
			}
			f.Mends = []check.Mend{{Title: "ask " + p.Brief(x) + " IS NULL", Effect: check.NewRows, Edits: edits}}
		} else {
			f.Mends = []check.Mend{{Title: "write CASE WHEN … IS NULL", Effect: check.ByHand}}
		}
		p.Report(f)
		return
	}
}
