package joins

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var noCondition = &check.Check{
	ID:     "join.no-condition",
	Title:  "JOIN without ON or USING",
	Errors: []string{"42601", "ORA-00905", "Msg 102"},
	Doc: "A join needs a condition that says which rows belong together. PostgreSQL, SQL Server and Oracle refuse one without. MySQL, MariaDB, SQLite and " +
		"Spark join every row with every row. Where that is meant, CROSS JOIN says so.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, bareJoin),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT h.name, a.name FROM hives h JOIN apiaries a WHERE h.hive_id = 1",
		Good:    "SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE h.hive_id = 1",
		Near: []string{
			"SELECT h.name, a.name FROM hives h CROSS JOIN apiaries a WHERE h.hive_id = 1",
			"SELECT h.name, a.altitude_m FROM hives h JOIN apiaries a USING (apiary_id)",
			"SELECT h.name FROM hives h JOIN apiaries a JOIN keepers k ON k.keeper_id = a.keeper_id ON a.apiary_id = h.apiary_id",
			"SELECT h.name FROM hives h NATURAL JOIN harvests g",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT h.name, a.name FROM hives h JOIN apiaries a WHERE h.frame_count > 8",
		Good:    "SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE h.frame_count > 8",
		Near: []string{
			"SELECT h.name, a.name FROM hives h JOIN apiaries a WHERE h.apiary_id = a.apiary_id",
			"SELECT h.name, a.name FROM hives h JOIN apiaries a WHERE a.apiary_id = 2",
		},
	}},
	On: check.Nodes(runNoCondition).With(facts.Unconditional),
}

// bareJoin are the databases that take JOIN without a condition.
var bareJoin = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark)

func runNoCondition(p *check.Pass, j *syntax.Join) {
	if j.Type != syntax.InnerJoin || j.On != nil || len(j.Using) > 0 || j.Natural || len(p.Stmt.Errors) > 0 || j.OpSpan.Len() == 0 {
		return
	}
	f := check.Finding{Span: j.OpSpan, Context: j.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s has no condition", p.BriefOf(j.OpSpan)),
		Why:     "Say behind ON which rows belong together, or CROSS JOIN where every row is to meet every row.",
	}
	if bareJoin.Has(p.Dialect) {
		scope := scopeOf(p, j)
		if scope == nil {
			return
		}
		groups, ok := p.Tied(scope)
		right := p.SourcesOf(j.Right)
		if !ok || len(right) == 0 || oneGroup(groups, p.SourcesOf(j)) || areFixed(p, scope, right) || areFixed(p, scope, p.SourcesOf(j.Left)) {
			return
		}
		f.Certainty = check.Likely
		f.Message = fmt.Sprintf("nothing ties %s to the rest, so each of its rows meets every row", p.SourceName(right[0]))
	}
	if on := keyCondition(p, j); on != "" {
		f.Mends = []check.Mend{{Title: "join by the foreign key: " + on, Effect: check.NewRows,
			Edits: []text.Edit{check.Insert(j.Right.Span().End, " "+p.Word(j.OpSpan.Start, "ON")+" "+on)}}}
	} else {
		f.Mends = []check.Mend{{Title: "write the condition behind ON, or say CROSS JOIN", Effect: check.ByHand}}
	}
	p.Report(f)
}

// scopeOf gives the scope whose FROM a table expression stands in.
func scopeOf(p *check.Pass, t syntax.TableExpr) *bind.Scope {
	around := p.Nearest(t, bind.Scoped)
	if around == nil {
		return nil
	}
	return p.Scope(around)
}

// oneGroup reports whether all sources are in one group.
func oneGroup(groups []facts.SourceSet, sources []*bind.Source) bool {
	for _, g := range groups {
		if len(sources) > 0 && g.Has(sources[0]) {
			for _, s := range sources {
				if !g.Has(s) {
					return false
				}
			}
			return true
		}
	}
	return false
}

// areFixed reports whether some sources give one row together, at most: then whoever meets
// them is not repeated. Functions and lists of values count too, which are joined for each
// of their rows on purpose.
func areFixed(p *check.Pass, scope *bind.Scope, sources []*bind.Source) bool {
	sel, ok := scope.Node.(*syntax.Select)
	for _, s := range sources {
		switch {
		case isMadeUp(s), s.SchemaTable() == nil && isPicked(p, scope, s):
		case s.Query != nil && p.MayBeOneRow(s.Query):
		case ok && p.Given(sel).Row(s):
		default:
			return false
		}
	}
	return len(sources) > 0
}

// isPicked reports whether a column of a source equals a value that is none of the scope's own,
// which may pick a single row.
func isPicked(p *check.Pass, scope *bind.Scope, s *bind.Source) (found bool) {
	visit := func(c syntax.Expr) {
		b, ok := syntax.Unparen(c).(*syntax.Binary)
		if !ok || b.Op != syntax.OpEqual {
			return
		}
		x, _ := p.NamedIn(scope, b.X)
		y, _ := p.NamedIn(scope, b.Y)
		found = found || (x|y).Has(s) && (x == 0 || y == 0)
	}
	if sel, ok := scope.Node.(*syntax.Select); ok {
		for _, t := range sel.From.Tables {
			conditionsOf(t, visit)
		}
		if sel.Where != nil {
			syntax.Conjuncts(sel.Where.Cond, visit)
		}
	}
	return found
}

// conditionsOf calls f for each condition of the joins of a part of FROM.
func conditionsOf(t syntax.TableExpr, f func(syntax.Expr)) {
	syntax.Inspect(t, func(n syntax.Node) bool {
		if j, ok := n.(*syntax.Join); ok {
			syntax.Conjuncts(j.On, f)
		}
		return n.Kind() != syntax.KindQuery
	})
}

// isMadeUp reports whether a source is a function, or a query that reads no table.
func isMadeUp(s *bind.Source) bool {
	if s.Node == nil || s.Node.Kind() == syntax.KindFuncTable {
		return true
	}
	if s.Query == nil {
		return false
	}
	reads := false
	syntax.Inspect(s.Query, func(n syntax.Node) bool {
		if n.Kind() == syntax.KindTableRef {
			reads = true
		}
		return !reads
	})
	return !reads
}

// keyCondition writes the condition by which a foreign key ties the two sides of a join,
// "" where none does, or several do.
func keyCondition(p *check.Pass, j *syntax.Join) string {
	return oneKey(p, p.SourcesOf(j.Left), p.SourcesOf(j.Right))
}

// foreignKey writes the condition that a child's only foreign key of one column to a parent asks
// for, "" if there is none.
func foreignKey(p *check.Pass, child, parent *bind.Source) string {
	if from, to := p.ForeignKey(child, parent); from != "" {
		return to + " = " + from
	}
	return ""
}

var selfCondition = &check.Check{
	ID:    "join.self-condition",
	Title: "ON that does not tie the joined source",
	Doc: "ON says which rows of the joined source belong to a row so far. A condition that names one side only, or compares a column with itself, lets " +
		"every row of one side meet every row of the other that passes.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = a.apiary_id",
		Good: "SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id",
		Near: []string{
			"SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.altitude_m > 900 WHERE h.apiary_id = a.apiary_id",
			"SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = 2",
			"SELECT h.name, x.most FROM hives h JOIN (SELECT MAX(mites) AS most FROM inspections) AS x ON h.frame_count > 3",
			"SELECT h.name, a.name FROM hives h JOIN apiaries a ON 1 = 1",
		},
	}, {
		NoSchema: true,
		Bad:      "SELECT h.name, a.name, k.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id JOIN keepers k ON a.keeper_id = h.keeper_id",
		Good:     "SELECT h.name, a.name, k.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id JOIN keepers k ON k.keeper_id = h.keeper_id",
	}},
	On: check.Nodes(runSelfCondition),
}

func runSelfCondition(p *check.Pass, j *syntax.Join) {
	if j.On == nil || j.Type > syntax.FullJoin || tiesSides(p, j, j.On) {
		return
	}
	scope := scopeOf(p, j)
	if scope == nil {
		return
	}
	left, right := p.SourcesOf(j.Left), p.SourcesOf(j.Right)
	named, ok := p.NamedIn(scope, j.On)
	if !ok || named == 0 || len(left) == 0 || len(right) == 0 {
		return
	}
	if named.HasAny(left) && named.HasAny(right) {
		return
	}
	if p.AggregateIn(j.On) != nil {
		return // clause.aggregate-in-join tells
	}
	groups, ok := p.Tied(scope)
	if !ok || oneGroup(groups, append([]*bind.Source{left[len(left)-1]}, right...)) || areFixed(p, scope, right) || areFixed(p, scope, left) {
		return
	}
	for _, s := range append(left, right...) {
		if !isPlain(s) {
			return
		}
	}
	f := check.Finding{Span: j.On.Span(), Context: j.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("ON never names %s, so each of its rows meets every row", p.SourceName(right[0])),
		Why:     "The condition holds or fails for all rows of the joined table alike.",
		Related: []check.Related{{Span: j.Right.Span(), Message: "joined here"}},
	}
	if named.HasAny(right) {
		f.Message = fmt.Sprintf("ON names only %s, so its rows meet every row of the others", p.SourceName(right[0]))
		f.Why = "The condition chooses rows of the joined table, and says nothing of those that they belong to."
	}
	if on := keyCondition(p, j); on != "" {
		f.Mends = []check.Mend{{Title: "join by the foreign key: " + on, Effect: check.NewRows, Edits: []text.Edit{check.Replace(j.On.Span(), on)}}}
		if chosen := !isSelfEqual(p, j.On); chosen && named.HasAny(right) {
			f.Mends[0].Edits = []text.Edit{check.Insert(j.On.Span().Start, on+" "+p.Word(j.OpSpan.Start, "AND")+" ")}
			if _, plain := j.On.(*syntax.Binary); plain && hasOr(j.On) {
				f.Mends[0].Edits = []text.Edit{check.Insert(j.On.Span().Start, on+" "+p.Word(j.OpSpan.Start, "AND")+" ("), check.Insert(j.On.Span().End, ")")}
			}
		}
	} else {
		f.Mends = []check.Mend{{Title: "compare a column of each side", Effect: check.ByHand}}
	}
	p.Report(f)
}

// tiesSides reports at a glance whether a condition equates a column of each side of a join.
func tiesSides(p *check.Pass, j *syntax.Join, x syntax.Expr) bool {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	if !ok {
		return false
	}
	if b.Op == syntax.OpAnd {
		return tiesSides(p, j, b.X) || tiesSides(p, j, b.Y)
	}
	n, ok := b.X.(*syntax.Name)
	m, also := b.Y.(*syntax.Name)
	if !ok || !also || b.Op != syntax.OpEqual {
		return false
	}
	s, t := p.Use(n).Source, p.Use(m).Source
	return s != nil && t != nil && s.Node != nil && t.Node != nil && j.Right.Span().Contains(s.Node.Span()) != j.Right.Span().Contains(t.Node.Span())
}

// isPlain reports whether a source is a table or a query, whose rows are not made for each row
// before it.
func isPlain(s *bind.Source) bool {
	switch n := s.Node.(type) {
	case *syntax.TableRef:
		return true
	case *syntax.Derived:
		return !n.Lateral
	}
	return false
}

func isSelfEqual(p *check.Pass, x syntax.Expr) bool {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	return ok && b.Op == syntax.OpEqual && p.Same(b.X, b.Y)
}

func hasOr(x syntax.Expr) bool {
	b, ok := x.(*syntax.Binary)
	return ok && b.Op == syntax.OpOr
}

var orCondition = &check.Check{
	ID:    "join.or-condition",
	Title: "OR between the ties of a join",
	Doc: "A join by one equality can be made by a hash, a merge or an index. With OR between two ties most databases compare every row with " +
		"every row. Two joins put together by UNION are served by an index each.",
	Verdicts:  check.Everywhere(check.Slow),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id = h.keeper_id OR k.mentor_id = h.keeper_id",
		Near: []string{
			"SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id = h.keeper_id AND (k.village = 'Oakham' OR k.village IS NULL)",
			"SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id = h.keeper_id WHERE k.village = 'Oakham' OR h.frame_count > 9",
			"SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id = h.keeper_id AND k.mentor_id = h.queen_id",
		},
	}},
	On: check.Nodes(runOrCondition).With(facts.Alternative),
}

func runOrCondition(p *check.Pass, j *syntax.Join) {
	b, ok := syntax.Unparen(j.On).(*syntax.Binary)
	if j.On == nil || !ok || b.Op != syntax.OpOr || !p.Wants(check.Possible) || !ties(p, b.X) || !ties(p, b.Y) {
		return
	}
	p.Report(check.Finding{
		Span: b.Span(), Context: j.Span(), Certainty: check.Possible,
		Message: "two ways to belong together, joined by OR, are mostly found by comparing every row with every row",
		Why:     "No hash, merge or index serves both sides of OR at once.",
		Mends:   []check.Mend{{Title: "join once for each way, and put the results together by UNION", Effect: check.ByHand}},
	})
}

// ties reports whether a condition, or one of an AND, equates columns of two sources.
func ties(p *check.Pass, x syntax.Expr) bool {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	if !ok {
		return false
	}
	if b.Op == syntax.OpAnd {
		return ties(p, b.X) || ties(p, b.Y)
	}
	n, ok := syntax.Unparen(b.X).(*syntax.Name)
	m, also := syntax.Unparen(b.Y).(*syntax.Name)
	return ok && also && b.Op == syntax.OpEqual && p.Use(n).Source != nil && p.Use(m).Source != nil && p.Use(n).Source != p.Use(m).Source
}
