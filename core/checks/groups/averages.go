package groups

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var averageOfAverages = &check.Check{
	ID:    "group.average-of-averages",
	Title: "an average of averages",
	Doc: "Averages of groups weigh the same in their average, however many rows each stands for, so it is not the average of the rows. The same holds of an " +
		"average of ratios. Divide the sum of all by the count of all.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT AVG(d.kg) AS kg FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d",
		Good: "SELECT SUM(d.kg) / SUM(d.n) AS kg FROM (SELECT hive_id, SUM(weight_kg) AS kg, COUNT(*) AS n FROM harvests GROUP BY hive_id) AS d",
		Near: []string{
			"SELECT AVG(d.kg) AS kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d",
			"SELECT MAX(d.kg) AS kg FROM (SELECT hive_id, AVG(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d",
			"SELECT AVG(weight_kg) AS kg FROM harvests",
			"SELECT AVG(d.kg) AS kg FROM (SELECT AVG(weight_kg) AS kg FROM harvests) AS d",
		},
	}, {
		Bad: "WITH d AS (SELECT hive_id, SUM(weight_kg) / COUNT(*) AS kg FROM harvests GROUP BY hive_id) SELECT AVG(d.kg) AS kg FROM d",
	}},
	On: check.Calls(func(p *check.Pass, c *syntax.Call) {
		if len(c.Args) != 1 || c.Over != nil {
			return
		}
		name, ok := syntax.Unparen(c.Args[0]).(*syntax.Name)
		if !ok {
			return
		}
		inner := p.Origin(name)
		if inner == nil || !isAverage(p, inner) {
			return
		}
		if sel := p.SelectOf(inner); sel != nil && sel.GroupBy == nil && !correlated(p, sel) {
			return // the average of one row
		}
		p.Report(check.Finding{
			Span: c.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("%s averages what is an average already", p.Brief(c)),
			Why:     "Each group counts the same, however many rows it has.",
			Related: []check.Related{{Span: inner.Span(), Message: "the average of a group"}},
			Mends:   []check.Mend{{Title: "give out the sum and the count, and divide their sums", Effect: check.ByHand}},
		})
	}, "avg"),
}

// isAverage reports whether an expression is an average of a group: AVG, or a sum
// divided by a count.
func isAverage(p *check.Pass, x syntax.Expr) bool {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Call:
		if p.FunctionName(n) == "round" && len(n.Args) > 0 {
			return isAverage(p, n.Args[0])
		}
		return p.FunctionName(n) == "avg" && p.IsAggregate(n)
	case *syntax.Binary:
		if n.Op != syntax.OpDivide {
			return false
		}
		a, ok := syntax.Unparen(n.X).(*syntax.Call)
		b, also := syntax.Unparen(n.Y).(*syntax.Call)
		return ok && also && p.IsAggregate(a) && p.IsAggregate(b) && p.FunctionName(a) == "sum"
	}
	return false
}

var sumEmpty = &check.Check{
	ID:    "group.sum-empty",
	Title: "the sum of no rows in a calculation",
	Doc: "SUM, AVG, MIN and MAX of no rows are NULL, not 0, and NULL makes what is worked out from it NULL, and what is compared with it unknown. " +
		"COALESCE says what the sum of nothing is.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad: "SELECT h.name, h.frame_count - (SELECT SUM(s.jars) FROM sales AS s WHERE s.harvest_id = h.hive_id) AS rest FROM hives AS h",
		Good: "SELECT h.name, h.frame_count - (SELECT COALESCE(SUM(s.jars), 0) FROM sales AS s WHERE s.harvest_id = h.hive_id) AS rest " +
			"FROM hives AS h",
		Near: []string{
			"SELECT h.name, h.frame_count - COALESCE((SELECT SUM(s.jars) FROM sales AS s WHERE s.harvest_id = h.hive_id), 0) AS rest FROM hives AS h",
			"SELECT h.name, h.frame_count - (SELECT COUNT(*) FROM sales AS s WHERE s.harvest_id = h.hive_id) AS rest FROM hives AS h",
			"SELECT h.name, (SELECT SUM(s.jars) FROM sales AS s WHERE s.harvest_id = h.hive_id) AS sold FROM hives AS h",
			"SELECT h.name FROM hives AS h WHERE h.frame_count > (SELECT AVG(b.frame_count) FROM hives AS b)",
		},
	}},
	On: check.Nodes(runSumEmpty),
}

func runSumEmpty(p *check.Pass, n *syntax.Subquery) {
	q := n.Query
	sel, ok := q.Body.(*syntax.Select)
	if !ok || len(sel.Items) != 1 || sel.GroupBy != nil || sel.Where == nil {
		return
	}
	c, ok := syntax.Unparen(sel.Items[0].X).(*syntax.Call)
	if !ok || !p.IsAggregate(c) || len(c.Args) != 1 {
		return
	}
	switch p.FunctionName(c) {
	case "sum", "avg", "min", "max":
	default:
		return
	}
	around, ok := p.Above(n).(*syntax.Binary)
	if !ok || !correlated(p, sel) {
		return
	}
	f := check.Finding{
		Span: n.Span(), Context: around.Span(),
		Message: fmt.Sprintf("%s is NULL where the subquery finds no row", p.Brief(c)),
	}
	switch {
	case around.Op >= syntax.OpAdd && around.Op <= syntax.OpModulo:
		f.Certainty = check.Possible
		f.Why = "A calculation with NULL gives NULL."
		if p.FunctionName(c) == "sum" {
			f.Certainty = check.Likely
			f.Mends = []check.Mend{{Title: "let the sum of nothing be 0", Effect: check.NewRows,
				Edits: []text.Edit{check.Insert(c.Span().Start, p.Word(c.Span().Start, "COALESCE")+"("), check.Insert(c.Span().End, ", 0)")}}}
		}
	case around.Op.IsComparison():
		if b, ok := p.Above(n).(*syntax.Binary); ok && b.Op == syntax.OpEqual && p.FunctionName(c) != "sum" {
			return // x = (SELECT MAX(x) …) asks for the row that has it
		}
		f.Certainty = check.Possible
		f.Why = "The comparison is unknown then, and the row is left out."
	default:
		return
	}
	if f.Mends == nil {
		f.Mends = []check.Mend{{Title: "say by COALESCE what it is of no rows", Effect: check.ByHand}}
	}
	p.Report(f)
}

// correlated reports whether a subquery names columns of a query around it.
func correlated(p *check.Pass, sel *syntax.Select) bool {
	found := false
	syntax.Inspect(sel, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			u := p.Use(name)
			found = found || u.Outer && u.Scope == p.Scope(sel)
		}
		return !found
	})
	return found
}

var filterOutside = &check.Check{
	ID:    "group.filter-outside",
	Title: "a derived table only to filter its groups",
	Doc: "HAVING filters groups where they are made. A query around, that only asks for some of the groups, makes the reader look for what else it " +
		"might do.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT d.hive_id, d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 50",
		Good: "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 50",
		Near: []string{
			"SELECT d.hive_id, d.kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d",
			"SELECT h.name, d.kg FROM hives AS h JOIN (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d ON d.hive_id = h.hive_id WHERE d.kg > 50",
			"SELECT d.kg, COUNT(*) AS n FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 50 GROUP BY d.kg",
			"SELECT d.hive_id, ROUND(d.kg, 1) AS kg FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d WHERE d.kg > 50",
		},
	}},
	On: check.Nodes(runFilterOutside),
}

func runFilterOutside(p *check.Pass, where *syntax.Where) {
	sel, ok := p.Parent(where).(*syntax.Select)
	if !ok || sel.GroupBy != nil || sel.Having != nil || sel.Distinct || sel.From == nil || len(sel.From.Tables) != 1 || len(sel.Windows) > 0 {
		return
	}
	derived, ok := sel.From.Tables[0].(*syntax.Derived)
	if !ok || derived.Query.With != nil || derived.Query.Limit != nil || len(derived.Columns) > 0 {
		return
	}
	inner, ok := derived.Query.Body.(*syntax.Select)
	if !ok || inner.GroupBy == nil || inner.GroupBy.Sets || inner.Top != nil || inner.Distinct || len(inner.Windows) > 0 || len(inner.DistinctOn) > 0 {
		return
	}
	for _, item := range sel.Items {
		switch item.X.(type) {
		case *syntax.Star, *syntax.Name:
		default:
			return
		}
	}
	// The condition names the derived table's columns alone, an aggregate among them.
	var edits []text.Edit
	aggregated, plain := false, true
	syntax.Inspect(where.Cond, func(n syntax.Node) bool {
		if call, ok := n.(*syntax.Call); ok && call.Over != nil {
			plain = false // clause.window-outside tells
		}
		switch n := n.(type) {
		case *syntax.Query:
			plain = false
		case *syntax.Name:
			x := p.Origin(n)
			if x == nil || p.Use(n).Outer || hasWindow(x) {
				plain = false
				return false
			}
			syntax.Inspect(x, func(n syntax.Node) bool {
				c, ok := n.(*syntax.Call)
				aggregated = aggregated || ok && p.IsAggregate(c)
				return true
			})
			edits = append(edits, check.Replace(n.Span(), p.Parenthesised(x)))
		}
		return plain
	})
	if !plain || !aggregated {
		return
	}
	p.Report(check.Finding{
		Span: where.Span(), Context: sel.Span(), Certainty: check.Certain,
		Message: "the outer query only filters the groups of the derived table",
		Why:     "HAVING filters groups in the query that makes them.",
		Related: []check.Related{{Span: inner.GroupBy.Span(), Message: "the groups"}},
		Mends: []check.Mend{{Title: fmt.Sprintf("say %s %s behind GROUP BY, and drop the outer query", p.Word(where.Span().Start, "HAVING"),
			p.EditedText(where.Cond, edits)), Effect: check.ByHand}},
	})
}

func hasWindow(x syntax.Expr) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		c, ok := n.(*syntax.Call)
		found = found || ok && c.Over != nil
		return !found
	})
	return found
}

var latestTie = &check.Check{
	ID:    "group.latest-tie",
	Title: "the latest row, of which there may be several",
	Doc: "A row is picked by its greatest date. Two rows of the same date are both the latest, and both come out, unless a key holds the date. " +
		"ROW_NUMBER() over an order that ends in the key picks one.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT g.hive_id, g.weight_kg FROM harvests AS g WHERE g.taken_on = (SELECT MAX(x.taken_on) FROM harvests AS x WHERE x.hive_id = g.hive_id)",
		Good: "SELECT d.hive_id, d.weight_kg FROM (SELECT hive_id, weight_kg, ROW_NUMBER() OVER (PARTITION BY hive_id ORDER BY taken_on DESC, harvest_id DESC) AS n " +
			"FROM harvests) AS d WHERE d.n = 1",
		Near: []string{
			"SELECT g.hive_id FROM harvests AS g WHERE g.harvest_id = (SELECT MAX(x.harvest_id) FROM harvests AS x)",
			"SELECT h.name FROM hives AS h WHERE h.hive_id = (SELECT MAX(x.hive_id) FROM hives AS x WHERE x.apiary_id = h.apiary_id)",
			"SELECT g.hive_id FROM harvests AS g WHERE g.taken_on > (SELECT MAX(x.taken_on) FROM harvests AS x WHERE x.hive_id = g.hive_id)",
		},
	}},
	On: check.Operators(runLatestTie, syntax.OpEqual).With(facts.QuerySide),
}

func runLatestTie(p *check.Pass, b *syntax.Binary) {
	name, ok := syntax.Unparen(b.X).(*syntax.Name)
	sub, also := syntax.Unparen(b.Y).(*syntax.Subquery)
	if !ok || !also {
		return
	}
	inner, ok := sub.Query.Body.(*syntax.Select)
	if !ok || len(inner.Items) != 1 || inner.GroupBy != nil || p.Scope(inner) == nil || len(p.Scope(inner).Sources) != 1 {
		return
	}
	c, ok := syntax.Unparen(inner.Items[0].X).(*syntax.Call)
	if !ok || len(c.Args) != 1 || p.FunctionName(c) != "max" && p.FunctionName(c) != "min" {
		return
	}
	column, ok := syntax.Unparen(c.Args[0]).(*syntax.Name)
	if !ok {
		return
	}
	u, v := p.Use(name), p.Use(column)
	if u.Status != bind.Resolved || v.Status != bind.Resolved || u.Outer || u.Source.SchemaTable() == nil ||
		u.Source.SchemaTable() != v.Source.SchemaTable() || u.Column.Index != v.Column.Index || !u.Source.SchemaTable().Complete {
		return
	}
	sel, ok := u.Source.Scope.Node.(*syntax.Select)
	if !ok || sel.Where == nil {
		return
	}
	// What the subquery fixes of its row by the outer one is the same in all that tie.
	fixed := []syntax.Expr{name}
	if inner.Where != nil {
		syntax.Conjuncts(inner.Where.Cond, func(x syntax.Expr) {
			if e, ok := syntax.Unparen(x).(*syntax.Binary); ok && e.Op == syntax.OpEqual {
				for _, side := range []syntax.Expr{e.X, e.Y} {
					if m, ok := syntax.Unparen(side).(*syntax.Name); ok && p.Use(m).Source == u.Source {
						fixed = append(fixed, m)
					}
				}
			}
		})
	}
	if p.Given(sel, fixed...).Row(u.Source) {
		return
	}
	p.Report(check.Finding{
		Span: b.Span(), Context: sel.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("rows that tie for the %s %s all come out", map[string]string{"max": "greatest", "min": "least"}[p.FunctionName(c)], p.Brief(column)),
		Why:     fmt.Sprintf("No key of %s prevents two rows from having the same value.", u.Source.SchemaTable().Name),
		Mends:   []check.Mend{{Title: "number the rows by ROW_NUMBER() in an order that ends in a key, and take the first", Effect: check.ByHand}},
	})
}
