package clauses

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var endlessRecursion = &check.Check{
	ID:     "clause.endless-recursion",
	Title:  "recursion that nothing ends",
	Errors: []string{"3636", "Msg 530"},
	Doc: "A recursive query ends with a step that finds no row. Where each row that came new gives another one, there is no such step: the branch has no WHERE, or it ties each row to itself. SQL Server stops " +
		"after 100 steps with an error, MySQL after 1000, Spark after 100; MariaDB stops after 1000 and gives the rows that it has; the others go on until something runs out. A row limit behind the query ends it on those that " +
		"work out no more rows than are asked for, so nothing is told beside one.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Refused, dialect.In(dialect.SQLServer, dialect.MySQL, dialect.Spark)),
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "WITH c (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c) SELECT n FROM c",
		Near: []string{
			"WITH c (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c WHERE n < 5) SELECT n FROM c",
			"WITH c (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c) SELECT TOP (10) n FROM c",
			"WITH line AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION ALL SELECT q.queen_id, q.mother_id FROM queens AS q JOIN line AS l ON l.queen_id = q.mother_id) SELECT queen_id FROM line",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad: "WITH line AS (SELECT queen_id, mother_id FROM queens WHERE queen_id = 7 UNION ALL SELECT q.queen_id, q.mother_id FROM queens AS q JOIN line AS l ON l.queen_id = q.queen_id) " +
			"SELECT queen_id FROM line",
		Near: []string{
			"WITH line AS (SELECT queen_id, mother_id FROM queens WHERE queen_id = 7 UNION ALL SELECT q.queen_id, q.mother_id FROM queens AS q JOIN line AS l ON l.mother_id = q.queen_id) SELECT queen_id FROM line",
			"WITH line AS (SELECT queen_id, 1 AS step FROM queens WHERE queen_id = 7 UNION ALL SELECT q.queen_id, l.step + 1 FROM queens AS q JOIN line AS l ON l.queen_id = q.queen_id AND l.step < 5) SELECT queen_id FROM line",
		},
	}},
	On: check.Nodes(runEndless),
}

func runEndless(p *check.Pass, w *syntax.With) {
	q, ok := p.Parent(w).(*syntax.Query)
	if !ok || !w.Recursive && !p.Dialect.Has(dialect.ImplicitRecursion) || !p.Tells(w) {
		return
	}
	asked, limited := false, false
	for _, c := range w.CTEs {
		if c.Query == nil || c.Extended || c.Query.Limit != nil || c.Query.Body.Kind() != syntax.KindSetOp {
			continue
		}
		r := recursionOf(p, c)
		if len(r.references) != 1 {
			continue
		}
		at, last := r.references[0], r.branches[len(r.branches)-1]
		sel, ok := last.body.(*syntax.Select)
		if !ok || at.sel != sel || at.derived || at.subquery || !last.op.All || sel.GroupBy != nil || sel.Having != nil || sel.Distinct || sel.Top != nil || sel.Reshaped {
			continue
		}
		if !asked {
			asked, limited = true, isLimited(q)
		}
		if !limited {
			r.endless(sel, at)
		}
	}
}

// isLimited reports whether a query, or one within it, takes some of its rows only.
func isLimited(q *syntax.Query) bool {
	found := false
	syntax.Inspect(q, func(n syntax.Node) bool {
		found = found || n.Kind() == syntax.KindLimit
		return !found
	})
	return found
}

// endless reports a branch of which each step gives rows again.
func (r *recursive) endless(sel *syntax.Select, at reference) {
	p, name := r.p, r.p.Ident(r.cte.Name)
	f := check.Finding{Context: sel.Span(), Certainty: check.Certain, Why: "It ends with a step that finds nothing new, and there is none."}
	sources := p.Scope(sel).Sources
	switch conditions, inner := conditionsOf(sel); {
	case !inner:
		return
	case len(sources) == 1 && len(conditions) == 0 && !mayGiveRows(p, sel):
		f.Span = at.ref.Span()
		f.Message = fmt.Sprintf("nothing ends the recursion: each row of %s gives another", name)
		f.Mends = []check.Mend{{Title: "say in WHERE how far it goes", Effect: check.ByHand}}
	case len(sources) == 2 && len(conditions) == 1 && r.tiesToItself(sel, conditions[0], at):
		f.Span, f.Certainty = conditions[0].Span(), check.Likely
		f.Message = fmt.Sprintf("nothing ends the recursion: each row of %s is tied to itself", name)
		f.Mends = []check.Mend{{Title: "tie each row to its parent, or to its children", Effect: check.ByHand}}
	default:
		return
	}
	p.Report(f)
}

// conditionsOf lists the conditions of ON and WHERE; inner is false where a join is none of the inner ones.
func conditionsOf(sel *syntax.Select) (list []syntax.Expr, inner bool) {
	inner = true
	for _, t := range sel.From.Tables {
		syntax.Inspect(t, func(n syntax.Node) bool {
			if j, ok := n.(*syntax.Join); ok {
				inner = inner && (j.Type == syntax.InnerJoin || j.Type == syntax.CrossJoin) && !j.Natural && len(j.Using) == 0
				list = syntax.AppendConjuncts(list, j.On)
			}
			_, derived := n.(*syntax.Derived)
			return !derived
		})
	}
	if sel.Where != nil {
		list = syntax.AppendConjuncts(list, sel.Where.Cond)
	}
	return list, inner
}

// mayGiveRows reports whether an output may give several rows, or none, as UNNEST does, or names what is not there.
func mayGiveRows(p *check.Pass, sel *syntax.Select) bool {
	found := false
	for _, item := range sel.Items {
		syntax.Inspect(item, func(n syntax.Node) bool {
			switch n := n.(type) {
			case *syntax.Call:
				found = found || dialect.Function(p.FunctionName(n)) != dialect.Scalar
			case *syntax.Name:
				found = found || p.Use(n).Status == bind.Missing
			}
			return !found
		})
	}
	return found
}

// tiesToItself reports whether a condition finds the row of the other source that the recursive one is
// of, and gives it again: l.queen_id = q.queen_id, where queen_id of the query is q's.
func (r *recursive) tiesToItself(sel *syntax.Select, cond syntax.Expr, at reference) bool {
	p := r.p
	b, ok := syntax.Unparen(cond).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual {
		return false
	}
	x, left := syntax.Unparen(b.X).(*syntax.Name)
	y, right := syntax.Unparen(b.Y).(*syntax.Name)
	if !left || !right {
		return false
	}
	if !isOf(p, x, at.ref) {
		x, y = y, x
	}
	place := r.placeOf(x)
	if !isOf(p, x, at.ref) || isOf(p, y, at.ref) || place < 0 || place >= len(sel.Items) {
		return false
	}
	given := syntax.Unparen(sel.Items[place].X)
	return p.Same(given, y) || p.Same(given, x)
}

func isOf(p *check.Pass, n *syntax.Name, ref *syntax.TableRef) bool {
	u := p.Use(n)
	return u.Status == bind.Resolved && u.Source != nil && u.Source.Node == syntax.Node(ref)
}

// placeOf gives the place of a column among those of the query, from 0; -1 where it cannot be told.
func (r *recursive) placeOf(n *syntax.Name) int {
	sym := n.Last().Sym
	for i, c := range r.cte.Columns {
		if c.Sym == sym {
			return i
		}
	}
	first, ok := r.branches[0].body.(*syntax.Select)
	if !ok || len(r.cte.Columns) > 0 {
		return -1
	}
	for i, item := range first.Items {
		switch x := item.X.(type) {
		case *syntax.Star:
			return -1
		case *syntax.Name:
			if item.Alias.IsZero() && x.Last().Sym == sym {
				return i
			}
		}
		if item.Alias.Sym == sym {
			return i
		}
	}
	return -1
}
