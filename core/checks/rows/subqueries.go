package rows

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var existsUncorrelated = &check.Check{
	ID:    "rows.exists-uncorrelated",
	Title: "EXISTS that asks nothing of the row outside",
	Doc: "EXISTS is asked for each row outside. If its subquery names no column of that row, the answer is the same for all of them: every row passes, or none. Most likely the " +
		"condition that ties the two is missing.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.mites > 5)",
		Good: "SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.mites > 5 AND i.hive_id = h.hive_id)",
		Near: []string{
			"SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.hive_id = h.hive_id)",
			"SELECT 1 AS found WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.mites > 5)",
			"INSERT INTO keepers (keeper_id, name, joined_on) SELECT b.buyer_id, b.name, '2026-05-01' FROM buyers b WHERE NOT EXISTS (SELECT 1 FROM keepers)",
			"SELECT k.name, EXISTS (SELECT 1 FROM harvests) AS any_harvest FROM keepers k",
		},
	}},
	On: check.Nodes(runExistsUncorrelated),
}

func runExistsUncorrelated(p *check.Pass, e *syntax.Exists) {
	where, _ := p.Enclosing(e, syntax.Kinds(syntax.KindWhere, syntax.KindJoin, syntax.KindHaving))
	outer := p.Nearest(e, bind.Scoped)
	sel, ok := e.Query.Body.(*syntax.Select)
	if where == nil || outer == nil || !ok || sel.From == nil || sel.Where == nil || len(p.Stmt.Errors) > 0 {
		return
	}
	scope := p.Scope(outer)
	if scope == nil || len(scope.Sources) == 0 || scope.Sources[0].Node == nil {
		return
	}
	free := false // it names something else than its own columns and constants
	seen := 0
	syntax.Inspect(e.Query, func(n syntax.Node) bool {
		if seen++; seen > farInside {
			free = true // for all that is known
		}
		switch n := n.(type) {
		case *syntax.Name:
			u := p.Use(n)
			free = free || u.Source == nil || u.Source.Scope == nil || !within(p, e, u.Source)
		case *syntax.Param, *syntax.BadExpr:
			free = true
		case *syntax.Binary:
			x, left := syntax.Unparen(n.X).(*syntax.Name)
			y, right := syntax.Unparen(n.Y).(*syntax.Name)
			free = free || left && right && p.Same(x, y) // null.self-equal tells
		}
		return !free
	})
	if free {
		return
	}
	f := check.Finding{Span: e.Query.Span(), Context: where.Span(), Certainty: check.Possible,
		Message: "this subquery asks the same of every row outside",
		Why:     "It names no column of the query around it, so EXISTS is true of all rows or of none.",
		Mends:   []check.Mend{{Title: "compare with a column of the row outside", Effect: check.ByHand}},
	}
	if on := tieOf(p, scope, p.Scope(sel)); on != "" {
		f.Certainty = check.Likely
		f.Mends = []check.Mend{{Title: "tie it by the foreign key: " + on, Effect: check.NewRows, Edits: p.AddConjunct(sel.Where, sel.Where.Cond, on)}}
	}
	p.Report(f)
}

// farInside is how much of a subquery is looked through.
const farInside = 1000

// within reports whether a source belongs to a query inside a node.
func within(p *check.Pass, n syntax.Node, s *bind.Source) bool {
	return s.Scope.Node != nil && n.Span().Contains(s.Scope.Node.Span())
}

// tieOf writes the only condition by which a foreign key ties a source outside to one inside.
func tieOf(p *check.Pass, outer, inner *bind.Scope) string {
	found := ""
	for _, o := range outer.Sources {
		for _, i := range inner.Sources {
			if o.Name.Sym == i.Name.Sym {
				return "" // the name would be that of the inner one
			}
			for _, pair := range [...][2]*bind.Source{{o, i}, {i, o}} {
				child, parent := p.ForeignKey(pair[0], pair[1])
				if child == "" {
					continue
				}
				if found != "" {
					return ""
				}
				if pair[0] == i {
					child, parent = parent, child
				}
				found = parent + " = " + child
			}
		}
	}
	if found == "" {
		return ""
	}
	x, y, _ := strings.Cut(found, " = ")
	if strings.HasPrefix(x, p.Ident(outer.Sources[0].Name)+".") {
		x, y = y, x
	}
	return x + " = " + y
}

var existsAggregate = &check.Check{
	ID:    "rows.exists-aggregate",
	Title: "EXISTS over an aggregate",
	Doc: "EXISTS asks whether a subquery gives a row. An aggregate without GROUP BY always gives one, even of no rows at all: COUNT gives 0, the others NULL. Such an EXISTS is " +
		"always true, and NOT EXISTS never.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM hives h WHERE EXISTS (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id)",
		Good: "SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.hive_id = h.hive_id)",
		Near: []string{
			"SELECT h.name FROM hives h WHERE EXISTS (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id HAVING COUNT(*) > 3)",
			"SELECT h.name FROM hives h WHERE EXISTS (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id GROUP BY i.keeper_id)",
			"SELECT h.name FROM hives h WHERE (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id) > 0",
		},
	}},
	On: check.Nodes(runExistsAggregate),
}

func runExistsAggregate(p *check.Pass, e *syntax.Exists) {
	sel := e.Query.Select()
	if sel == nil || sel.GroupBy != nil || sel.Having != nil || sel.Qualify != nil || sel.Top != nil || e.Query.Limit != nil || len(sel.Items) == 0 {
		return
	}
	call := p.FirstAggregate(sel)
	if call == nil {
		return
	}
	list := sel.Items[0].Span().Join(sel.Items[len(sel.Items)-1].Span())
	p.Report(check.Finding{
		Span: e.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("EXISTS is always true here: %s gives a row even of no rows", p.Brief(call)),
		Why:     "An aggregate without GROUP BY makes one row of whatever it finds.",
		Mends:   []check.Mend{{Title: "select a constant, so that only rows that are found count", Effect: check.NewRows, Edits: []text.Edit{check.Replace(list, "1")}}},
	})
}

var manyForOne = &check.Check{
	ID:     "rows.many-for-one",
	Title:  "a subquery for one value that can give several rows",
	Errors: []string{"21000", "ORA-01427", "1242", "Msg 512"},
	Doc: "A subquery that stands for a value must give one row at most. As soon as the data has two, most databases stop with an error, perhaps long after the query was written. SQLite " +
		"takes any one of them.",
	Verdicts:  check.Everywhere(check.Wrong),
	Elsewhere: "SQLite takes any one of the rows, the others stop with an error as soon as there are two",
	Needs:     check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.SQLite,
		Bad:     "SELECT h.name, (SELECT i.mites FROM inspections i WHERE i.hive_id = h.hive_id) AS mites FROM hives h",
		Good:    "SELECT h.name, (SELECT MAX(i.mites) FROM inspections i WHERE i.hive_id = h.hive_id) AS mites FROM hives h",
		Near: []string{
			"SELECT h.name, (SELECT a.name FROM apiaries a WHERE a.apiary_id = h.apiary_id) AS apiary FROM hives h",
			"SELECT h.name, (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id) AS visits FROM hives h",
			"SELECT h.name, (SELECT i.mites FROM inspections i WHERE i.hive_id = h.hive_id ORDER BY i.inspected_at DESC LIMIT 1) AS mites FROM hives h",
			"SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)",
		},
	}},
	On: check.Nodes(runManyForOne),
}

func runManyForOne(p *check.Pass, s *syntax.Subquery) {
	sel := s.Query.Select()
	if sel == nil || sel.From == nil || sel.Reshaped || len(sel.Items) != 1 || !isOneValue(p, s) || p.MayBeOneRow(s.Query) || allConstant(sel) || !p.AllHaveKeys(sel) {
		return
	}
	if s.Query.Limit != nil || sel.Top != nil {
		return
	}
	if c, ok := syntax.Unparen(sel.Items[0].X).(*syntax.Call); ok && p.MayAggregate(c) {
		return
	}
	f := check.Finding{Span: s.Span(), Certainty: check.Likely,
		Message: "this subquery may give several rows where one value is needed",
		Why:     fmt.Sprintf("Nothing it asks for picks a single row of %s. As soon as there are two, the database stops with an error.", p.SourceName(p.Scope(sel).Sources[0])),
		Mends:   []check.Mend{{Title: "say which row is meant: a key, an aggregate, or ORDER BY with a row limit", Effect: check.ByHand}},
	}
	if p.Dialect == dialect.SQLite {
		f.Message = "this subquery may give several rows, of which any one is taken"
		f.Why = fmt.Sprintf("Nothing it asks for picks a single row of %s.", p.SourceName(p.Scope(sel).Sources[0]))
	}
	if sel.GroupBy != nil || sel.Having != nil || sel.Distinct || sel.Where == nil || !plainEqualities(sel.Where.Cond) {
		f.Certainty = check.Possible // what it asks for may be met by one row only
	}
	p.Report(f)
}

// isOneValue reports whether a subquery stands where a single value is needed.
func isOneValue(p *check.Pass, s *syntax.Subquery) bool {
	switch n := p.Above(s).(type) {
	case *syntax.SelectItem, *syntax.Assign, *syntax.Case, *syntax.When, *syntax.Between:
		return true
	case *syntax.Binary:
		return n.Op.IsComparison() || n.Op >= syntax.OpAdd && n.Op <= syntax.OpConcat
	case *syntax.Call:
		return p.Function(n).Listed && facts.IsPlainCall(n)
	case *syntax.Control:
		return givesVariable(p, s)
	}
	return false
}

// givesVariable reports whether a subquery is what a variable is set to, or what a routine returns.
func givesVariable(p *check.Pass, s *syntax.Subquery) bool {
	before := p.TokensIn(text.Span{Start: p.Parent(s).Span().Start, End: s.Span().Start})
	for len(before) > 0 && before[len(before)-1].Kind == syntax.LeftParen {
		before = before[:len(before)-1]
	}
	if len(before) == 0 {
		return false
	}
	last := before[len(before)-1]
	written := text.View(p.Src, last.Span)
	return written == "=" || written == ":=" || last.Word() == word.Return
}

// plainEqualities reports whether a condition asks nothing but that columns equal columns or
// constants.
func plainEqualities(cond syntax.Expr) bool {
	ok := true
	syntax.Conjuncts(cond, func(c syntax.Expr) {
		b, binary := syntax.Unparen(c).(*syntax.Binary)
		if !binary || b.Op != syntax.OpEqual {
			ok = false
			return
		}
		for _, x := range [...]syntax.Expr{b.X, b.Y} {
			switch syntax.Unparen(x).Kind() {
			case syntax.KindName, syntax.KindLiteral:
			default:
				ok = false
			}
		}
	})
	return ok
}

var constantSubquery = &check.Check{
	ID:    "rows.constant-subquery",
	Title: "a subquery that gives a constant where a column seems meant",
	Doc: "SELECT 1 belongs into EXISTS, which asks for rows and not for values. As a value such a subquery is 1 whatever it finds, and NULL if it finds nothing. A comparison " +
		"with a column then compares with 1.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM hives h WHERE h.queen_id = (SELECT 1 FROM queens q WHERE q.name = 'Ada')",
		Good: "SELECT h.name FROM hives h WHERE h.queen_id = (SELECT q.queen_id FROM queens q WHERE q.name = 'Ada')",
		Near: []string{
			"SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM queens q WHERE q.queen_id = h.queen_id)",
			"SELECT h.name FROM hives h WHERE (SELECT 1 FROM queens q WHERE q.queen_id = h.queen_id) = 1",
			"SELECT h.name FROM hives h WHERE (SELECT 1 FROM queens q WHERE q.queen_id = h.queen_id) IS NOT NULL",
			"SELECT h.name FROM hives h WHERE h.queen_id = (SELECT 1)",
		},
	}, {
		Bad:  "SELECT h.name FROM hives h WHERE h.queen_id IN (SELECT 1 FROM queens q WHERE q.bred_in = 2025)",
		Good: "SELECT h.name FROM hives h WHERE h.queen_id IN (SELECT q.queen_id FROM queens q WHERE q.bred_in = 2025)",
	}},
	On: check.Comparisons(runConstantCompared).With(facts.QuerySide).And(check.Nodes(runConstantIn)),
}

func runConstantCompared(p *check.Pass, b *syntax.Binary) {
	for _, sides := range [...][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
		s, ok := syntax.Unparen(sides[1]).(*syntax.Subquery)
		if n, column := syntax.Unparen(sides[0]).(*syntax.Name); ok && column {
			constantFor(p, n, s.Query)
		}
	}
}

func runConstantIn(p *check.Pass, in *syntax.In) {
	if n, ok := syntax.Unparen(in.X).(*syntax.Name); ok && in.Query != nil {
		constantFor(p, n, in.Query)
	}
}

func constantFor(p *check.Pass, n *syntax.Name, q *syntax.Query) {
	sel := q.Select()
	if sel == nil || sel.From == nil || len(sel.Items) != 1 {
		return
	}
	l, ok := syntax.Unparen(sel.Items[0].X).(*syntax.Literal)
	if !ok || l.Lit != syntax.NumberLiteral && l.Lit != syntax.TextLiteral {
		return
	}
	f := check.Finding{Span: l.Span(), Context: q.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is compared with %s, whatever the subquery finds", p.Brief(n), p.Brief(l)),
		Why:     "A constant in the list gives that constant for each row; only EXISTS does not look at it.",
	}
	column := ""
	for _, s := range p.Scope(sel).Sources {
		if s.Named(n.Last().Sym) != nil && !s.Name.IsZero() {
			if column != "" {
				column = ""
				break
			}
			column = p.Ident(s.Name) + "." + p.Dialect.Name(p.Names.String(n.Last().Sym), false)
		}
	}
	if column != "" {
		f.Mends = []check.Mend{{Title: "select " + column, Effect: check.NewRows, Edits: []text.Edit{check.Replace(l.Span(), column)}}}
	} else {
		f.Mends = []check.Mend{{Title: "select the column that is meant, or ask EXISTS", Effect: check.ByHand}}
	}
	p.Report(f)
}
