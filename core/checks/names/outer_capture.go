package names

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/syntax"
	"justlens/core/text"
)

var outerCapture = &check.Check{
	ID:    "name.outer-capture",
	Title: "bare column of the query around",
	Doc: "A bare column that no source of a subquery has is taken from the query around it, and nobody says so. Where it is what the subquery " +
		"gives back, the condition compares a column with itself; elsewhere it only hides from the reader that the subquery is correlated.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE queen_id IN (SELECT queen_id FROM inspections)",
		Near: []string{
			"SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM inspections)",
			"SELECT name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections AS i WHERE i.hive_id = h.hive_id)",
			"SELECT name, (SELECT name) AS again FROM hives",
		},
	}, {
		Bad:  "SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections AS i WHERE i.mites > frame_count)",
		Good: "SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections AS i WHERE i.mites > h.frame_count)",
		Near: []string{"SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections AS i WHERE i.mites > h.frame_count)"},
	}, {
		Bad: "SELECT h.apiary_id FROM hives AS h GROUP BY h.apiary_id HAVING (SELECT MAX(frame_count) FROM inspections AS i WHERE i.inspection_id = 1) > 10",
	}},
	On: check.Names(runOuterCapture, bind.Resolved).Bare(),
}

func runOuterCapture(p *check.Pass, name *syntax.Name) {
	u := p.Use(name)
	if !u.Outer || u.Source.Name.IsZero() {
		return
	}
	if !p.TellsNames(u.Scope) {
		return // it may be a variable of the routine
	}
	if u.Scope.Node.Kind() == syntax.KindInsert {
		return // ON DUPLICATE KEY sees what the query behind INSERT reads
	}
	if table, _ := p.Enclosing(name, syntax.Kinds(syntax.KindFuncTable)); table != nil {
		return // it can be of no other query
	}
	// The subqueries between the name and its source must all have tables.
	for at := u.Scope; at != u.Source.Scope; at = at.Parent {
		if at == nil || len(at.Sources) == 0 {
			return
		}
	}
	column, owner := p.Text(name), p.Ident(u.Source.Name)
	f := check.Finding{
		Span: name.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("the subquery uses %s of the outer table %s", column, owner),
		Related: []check.Related{{Span: u.Source.Node.Span(), Message: "the outer table"}},
	}
	if within := p.SelectOf(name); within != nil && givesBack(p, within, name) {
		f.Certainty = check.Likely
		f.Why = fmt.Sprintf("%s no such column, so the subquery gives back the outer row's own %s for each of its rows.", has(p, u.Scope.Sources), column)
		f.Mends = []check.Mend{{Title: "name a column of the subquery's own table", Effect: check.ByHand}}
		p.Report(f)
		return
	}
	if c, ok := p.Above(name).(*syntax.Call); ok && p.IsAggregate(c) {
		f.Certainty = check.Likely
		f.Why = fmt.Sprintf("%s no such column, so %s is taken over the rows of the outer query, not those of the subquery.", has(p, u.Scope.Sources), p.Brief(c))
		f.Mends = []check.Mend{{Title: "name a column of the subquery's own table", Effect: check.ByHand}}
		p.Report(f)
		return
	}
	f.Verdicts = check.Everywhere(check.Unclear)
	f.Why = fmt.Sprintf("%s no such column; only who knows the tables sees that the subquery is correlated.", has(p, u.Scope.Sources))
	if !hidden(u) {
		f.Mends = []check.Mend{{Title: fmt.Sprintf("say %s.%s", owner, column), Effect: check.SameRows,
			Edits: []text.Edit{check.Insert(name.Span().Start, owner+".")}}}
	}
	p.Report(f)
}

// givesBack reports whether a name is all that a subquery selects for a
// comparison or a value.
func givesBack(p *check.Pass, sel *syntax.Select, name *syntax.Name) bool {
	q := p.OwnQuery(sel)
	if q == nil || len(sel.Items) != 1 || syntax.Unparen(sel.Items[0].X) != syntax.Expr(name) {
		return false
	}
	switch p.Parent(q).(type) {
	case *syntax.In, *syntax.Quantified, *syntax.Subquery:
		return true
	}
	return false
}

// hidden reports whether a source nearer to the name has the name of the
// column's own, so that a qualifier would not reach it.
func hidden(u *bind.Use) bool {
	for at := u.Scope; at != u.Source.Scope; at = at.Parent {
		for _, s := range at.Sources {
			if s.Name.Sym == u.Source.Name.Sym {
				return true
			}
		}
	}
	return false
}
