package writes

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var everyRow = &check.Check{
	ID:    "write.every-row",
	Title: "UPDATE or DELETE without WHERE",
	Doc: "Without WHERE every row of the table is changed or deleted. Where that is meant, a condition such as WHERE 1 = 1 tells the reader so. Within a script, and of an UPDATE that works each new " +
		"value out of the old row, it is told on request only.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad: "UPDATE hives SET frame_count = 8",
		Near: []string{
			"UPDATE hives SET frame_count = 8 WHERE hive_id = 7",
			"DELETE FROM sales WHERE 1 = 1",
			"UPDATE hives SET frame_count = (SELECT MAX(h.frame_count) FROM hives h) WHERE 1 = 1",
		},
	}, {
		NoSchema: true,
		Bad:      "DELETE FROM sales",
	}},
	On: check.Nodes(runUpdateAll).And(check.Nodes(runDeleteAll)),
}

func runUpdateAll(p *check.Pass, n *syntax.Update) {
	if n.Where != nil || n.From != nil || n.Limit != nil || p.Scope(n) == nil || len(p.Scope(n).Sources) != 1 || isPassing(p, p.Scope(n).Sources[0]) {
		return
	}
	certainty := check.Likely
	for _, a := range n.Set {
		if _, ok := syntax.Unparen(a.Value).(*syntax.Literal); !ok {
			certainty = check.Possible
		}
	}
	tellEveryRow(p, n, certainty, "changed")
}

func runDeleteAll(p *check.Pass, n *syntax.Delete) {
	if n.Where != nil || n.Using != nil || n.Limit != nil || p.Scope(n) == nil || len(p.Scope(n).Sources) != 1 || isPassing(p, p.Scope(n).Sources[0]) {
		return
	}
	tellEveryRow(p, n, check.Likely, "deleted")
}

func tellEveryRow(p *check.Pass, n syntax.Node, certainty check.Certainty, what string) {
	name := p.SourceName(p.Scope(n).Sources[0])
	if !p.IsLone() || len(p.Stmt.Errors) > 0 {
		certainty = check.Possible // a script may well empty a table and fill it again
	}
	first, _, ok := p.FirstTokens(n)
	if !ok {
		return
	}
	p.Report(check.Finding{
		Span: first.Span, Context: n.Span(), Certainty: certainty,
		Message: fmt.Sprintf("every row of %s is %s: there is no WHERE", name, what),
		Why:     "If that is meant, WHERE 1 = 1 tells the next reader so.",
		Mends:   []check.Mend{{Title: "say which rows are meant", Effect: check.ByHand}},
	})
}

// isPassing reports whether a table lives for the session only, or a query stands in its place.
func isPassing(p *check.Pass, s *bind.Source) bool {
	ref, ok := s.Node.(*syntax.TableRef)
	if !ok {
		return true
	}
	name := p.Ident(ref.Name[len(ref.Name)-1])
	t := s.SchemaTable()
	return t != nil && t.Temporary || strings.HasPrefix(name, "#") || strings.HasPrefix(name, "@") || s.Query != nil
}

var targetUnconnected = &check.Check{
	ID:    "write.target-unconnected",
	Title: "UPDATE or DELETE whose other tables are not tied to the target",
	Doc: "UPDATE … FROM and DELETE … USING join the target with other tables. If no condition ties it to them, every row of the target meets their rows, and all of it is changed or deleted as soon as there is one " +
		"such row. Naming the target a second time under an alias makes another table of it.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "UPDATE hives SET frame_count = 8 FROM hives h WHERE h.hive_id = 7",
		Good:    "UPDATE hives SET frame_count = 8 WHERE hive_id = 7",
		Near: []string{
			"UPDATE hives SET frame_count = 8 FROM apiaries a WHERE a.apiary_id = hives.apiary_id AND a.altitude_m > 700",
			"DELETE FROM treatments USING hives h WHERE h.hive_id = treatments.hive_id AND h.frame_count < 2",
			"UPDATE hives SET frame_count = x.most FROM (SELECT MAX(frame_count) AS most FROM hives) AS x WHERE hives.hive_id = 7",
			"UPDATE hives SET frame_count = 8 WHERE hive_id IN (SELECT hive_id FROM harvests)",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "DELETE FROM treatments USING hives h WHERE h.frame_count < 2",
		Good:    "DELETE FROM treatments USING hives h WHERE h.frame_count < 2 AND treatments.hive_id = h.hive_id",
	}},
	On: check.Kinds(runTargetUnconnected, syntax.KindUpdate, syntax.KindDelete).With(facts.Several).In(dialect.In(dialect.Postgres, dialect.SQLite)),
}

func runTargetUnconnected(p *check.Pass, n syntax.Node) {
	scope := p.Scope(n)
	if len(p.Stmt.Errors) > 0 {
		return
	}
	groups, ok := p.Tied(scope)
	if !ok || len(groups) < 2 {
		return
	}
	target := scope.Sources[0]
	for _, g := range groups {
		if !g.Has(target) {
			continue
		}
		if len(g.Of(scope)) > 1 {
			return
		}
	}
	for _, s := range scope.Sources[1:] {
		if s.Name.Sym == target.Name.Sym {
			return // name.duplicate-alias tells
		}
		if _, ok := s.Node.(*syntax.TableRef); !ok || s.Query != nil {
			return // what is not a table may have one row
		}
	}
	if !needsTie(p, n, target) {
		return
	}
	other := scope.Sources[1]
	f := check.Finding{Span: target.Node.Span(), Context: n.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("nothing ties %s to %s, so every row of it meets them", p.Ident(target.Name), p.Ident(other.Name)),
		Why:     "All of the target is changed as soon as the other table has a row that passes.",
		Related: []check.Related{{Span: other.Node.Span(), Message: "this is another table, tied to nothing"}},
	}
	if t := target.SchemaTable(); t != nil && t == other.SchemaTable() {
		f.Why = fmt.Sprintf("%s is a second copy of the table; a condition on it says nothing of the rows that are changed.", p.Ident(other.Name))
		f.Related[0].Message = "a second copy of the target"
		f.Mends = []check.Mend{{Title: "leave the second copy out, or tie it by the key", Effect: check.ByHand}}
	} else {
		f.Mends = []check.Mend{{Title: "say which rows belong together", Effect: check.ByHand}}
	}
	p.Report(f)
}

// needsTie reports whether no condition of its own picks rows of the target.
func needsTie(p *check.Pass, n syntax.Node, target *bind.Source) bool {
	var where *syntax.Where
	switch n := n.(type) {
	case *syntax.Update:
		where = n.Where
	case *syntax.Delete:
		where = n.Where
	}
	if where == nil {
		return true
	}
	named, ok := p.NamedIn(p.Scope(n), where.Cond)
	return ok && !named.Has(target)
}

var targetInSubquery = &check.Check{
	ID:     "write.target-in-subquery",
	Title:  "UPDATE or DELETE that reads its own target in a subquery",
	Errors: []string{"1093"},
	Doc: "MySQL refuses an UPDATE or DELETE whose subquery reads the table that is being changed (\"Restrictions on Subqueries\" in its manual). A derived table around the subquery makes it read first. " +
		"MariaDB and the others take it.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.MySQL)),
	Examples: []check.Example{{
		Dialect: dialect.MySQL,
		Bad:     "UPDATE treatments SET dose_ml = 3 WHERE hive_id IN (SELECT hive_id FROM treatments WHERE dose_ml > 9)",
		Good:    "UPDATE treatments SET dose_ml = 3 WHERE hive_id IN (SELECT * FROM (SELECT hive_id FROM treatments WHERE dose_ml > 9) AS seen)",
		Near: []string{
			"UPDATE treatments SET dose_ml = 3 WHERE hive_id IN (SELECT hive_id FROM harvests WHERE weight_kg > 9)",
			"DELETE FROM treatments WHERE hive_id IN (SELECT * FROM (SELECT hive_id FROM treatments WHERE dose_ml > 9) AS seen)",
			"UPDATE treatments SET dose_ml = 3 WHERE hive_id = 3",
		},
	}},
	On: check.Kinds(runTargetInSubquery, syntax.KindUpdate, syntax.KindDelete).In(dialect.In(dialect.MySQL)),
}

func runTargetInSubquery(p *check.Pass, n syntax.Node) {
	scope := p.Scope(n)
	if scope == nil || len(scope.Sources) != 1 {
		return
	}
	target, ok := scope.Sources[0].Node.(*syntax.TableRef)
	if !ok {
		return
	}
	syntax.Inspect(n, func(inner syntax.Node) bool {
		switch inner := inner.(type) {
		case *syntax.Derived, *syntax.With:
			return false
		case *syntax.TableRef:
			sel, inQuery := p.Nearest(inner, bind.Scoped).(*syntax.Select)
			if !inQuery || inner == target || len(inner.Name) != 1 || inner.Name[0].Sym != target.Name[len(target.Name)-1].Sym {
				return true
			}
			q := p.OwnQuery(sel)
			if q == nil {
				return true
			}
			f := check.Finding{Span: inner.Span(), Context: q.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("the subquery reads %s, which is being changed", p.Ident(inner.Name[0])),
				Why:     "MySQL does not read a table in a subquery of the statement that changes it.",
				Related: []check.Related{{Span: target.Span(), Message: "the target"}},
				Mends:   []check.Mend{{Title: "put a derived table around it, which is read first", Effect: check.ByHand}},
			}
			if isAlone(p, q, sel) {
				f.Mends = []check.Mend{{Title: "put a derived table around it, which is read first", Effect: check.SameRows, Edits: []text.Edit{
					check.Insert(q.Span().Start, p.Word(q.Span().Start, "SELECT")+" * "+p.Word(q.Span().Start, "FROM")+" ("),
					check.Insert(q.Span().End, ") "+p.Word(q.Span().Start, "AS")+" seen")}}}
			}
			p.Report(f)
		}
		return true
	})
}

// isAlone reports whether a query names nothing of those around it.
func isAlone(p *check.Pass, q *syntax.Query, sel *syntax.Select) bool {
	alone := len(sel.Items) == 1
	syntax.Inspect(q, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			u := p.Use(name)
			alone = alone && u.Source != nil && u.Source.Scope.Node != nil && q.Span().Contains(u.Source.Scope.Node.Span())
		}
		return alone
	})
	return alone
}
