package clauses

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var aggregateInJoin = &check.Check{
	ID:     "clause.aggregate-in-join",
	Title:  "aggregate in the condition of a join",
	Errors: []string{"42803", "ORA-00934", "1111", "Msg 147"},
	Doc: "ON is asked of single pairs of rows, before anything is grouped, so no aggregate exists there yet. What it is to be compared with is " +
		"worked out in a derived table, or the comparison belongs in HAVING.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id AND SUM(g.weight_kg) > 20",
		Good: "SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id GROUP BY h.hive_id, h.name HAVING SUM(g.weight_kg) > 20",
		Near: []string{
			"SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id GROUP BY h.name HAVING SUM(g.weight_kg) > 20",
			"SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id AND g.weight_kg = (SELECT MAX(weight_kg) FROM harvests)",
			"SELECT h.name FROM hives h JOIN (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) g ON g.hive_id = h.hive_id AND g.kg > 20",
		},
	}},
	On: check.Nodes(func(p *check.Pass, j *syntax.Join) {
		if j.On == nil {
			return
		}
		p.EachAggregate(j.On, func(c *syntax.Call) {
			if belongsOutside(p, c) && p.Dialect.Has(dialect.OuterAggregates) {
				return
			}
			p.Report(check.Finding{
				Span: c.Span(), Context: j.On.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("ON cannot use the aggregate %s", p.Brief(c)),
				Why:     "Rows are joined before they are grouped, so no aggregate is known yet.",
				Mends:   []check.Mend{{Title: "ask it in HAVING, or work it out in a derived table and join that", Effect: check.ByHand}},
			})
		})
	}),
}

var aggregateInGroupBy = &check.Check{
	ID:     "clause.aggregate-in-group-by",
	Title:  "aggregate in GROUP BY",
	Errors: []string{"1111", "42803", "ORA-00934", "1056", "Msg 144"},
	Doc: "Aggregates are worked out for groups, so they cannot say which rows make a group; that holds also for one reached by its alias or its " +
		"position in the list.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id, SUM(weight_kg)",
		Good: "SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id",
		Near: []string{"SELECT SUM(weight_kg) FROM harvests GROUP BY hive_id", "SELECT hive_id FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 3", "SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id, kg",
		Good:    "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id, 2",
		Good:    "SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id",
	}},
	On: check.Nodes(runAggregateInGroupBy),
}

// aggregateNamed gives the aggregate that a name within an expression means by an alias, nil if none.
func aggregateNamed(p *check.Pass, x syntax.Expr) (found *syntax.Call) {
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok && p.Use(name).Status == bind.OutputAlias {
			p.EachAggregate(p.Use(name).Item.X, func(c *syntax.Call) { found = c })
		}
		_, nested := n.(*syntax.Query)
		return !nested && found == nil
	})
	return found
}

func runAggregateInGroupBy(p *check.Pass, g *syntax.GroupBy) {
	sel, ok := p.Parent(g).(*syntax.Select)
	if !ok {
		return
	}
	for i, x := range g.Items {
		var found *syntax.Call
		p.EachAggregate(p.KeyRead(sel, x), func(c *syntax.Call) { found = c })
		if found == nil {
			found = aggregateNamed(p, x)
		}
		if found == nil {
			continue
		}
		f := check.Finding{
			Span: x.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("GROUP BY cannot use the aggregate %s", p.Brief(found)),
			Why:     "Groups are formed first, and an aggregate is computed for each of them afterwards.",
		}
		if len(g.Items) > 1 {
			s := text.Span{Start: g.Items[max(i-1, 0)].Span().End, End: x.Span().End}
			if i == 0 {
				s = text.Span{Start: x.Span().Start, End: g.Items[1].Span().Start}
			}
			f.Mends = []check.Mend{{Title: "drop it from the list", Effect: check.NewRows, Edits: p.Remove(s)}}
		}
		p.Report(f)
	}
}

var nestedAggregate = &check.Check{
	ID:     "clause.nested-aggregate",
	Title:  "aggregate inside an aggregate",
	Errors: []string{"42803", "ORA-00935", "1111", "Msg 130"},
	Doc: "An aggregate works on rows, and an inner aggregate has made groups of them already, so the outer one has nothing to work on. A derived " +
		"table gives it rows. Oracle alone takes one level of nesting in a grouped query.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT MAX(SUM(weight_kg)) FROM harvests",
		Good: "SELECT MAX(kg) FROM (SELECT SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS g",
		Near: []string{
			"SELECT hive_id, SUM(SUM(weight_kg)) OVER (ORDER BY hive_id) FROM harvests GROUP BY hive_id",
			"SELECT SUM((SELECT MAX(g.weight_kg) FROM harvests g WHERE g.hive_id = h.hive_id)) FROM hives h",
		},
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT MAX(SUM(weight_kg)) FROM harvests GROUP BY hive_id"},
	}},
	On: check.Aggregates(func(p *check.Pass, outer *syntax.Call) {
		if sel := p.SelectOf(outer); p.Dialect == dialect.Oracle && sel != nil && sel.GroupBy != nil {
			return
		}
		parts := make([]syntax.Node, 0, len(outer.Args)+1)
		for _, a := range outer.Args {
			parts = append(parts, a)
		}
		if outer.Filter != nil {
			parts = append(parts, outer.Filter)
		}
		for _, part := range parts {
			p.EachAggregate(part, func(inner *syntax.Call) {
				if belongsOutside(p, inner) && p.Dialect.Has(dialect.OuterAggregates) {
					return
				}
				p.Report(check.Finding{
					Span: inner.Span(), Context: outer.Span(), Certainty: check.Certain,
					Message: fmt.Sprintf("%s stands inside the aggregate %s", p.Brief(inner), p.FunctionText(outer)),
					Why:     "Compute the inner aggregate in a derived table; one query aggregates once.",
					Mends:   []check.Mend{{Title: "work the inner aggregate out in a derived table", Effect: check.ByHand}},
				})
			})
		}
	}),
}

var aggregateInWrite = &check.Check{
	ID:       "clause.aggregate-in-write",
	Title:    "aggregate or window function in SET, VALUES or RETURNING",
	Doc:      "SET, VALUES and RETURNING work on single rows; there is no group and no window in them. A subquery gives the value.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "UPDATE hives SET frame_count = MAX(frame_count) WHERE hive_id = 3",
		Good: "UPDATE hives SET frame_count = (SELECT MAX(jars) FROM sales) WHERE hive_id = 3",
		Near: []string{"UPDATE hives SET frame_count = 8 WHERE hive_id = 3", "DELETE FROM hives WHERE frame_count < (SELECT MIN(h.frame_count) FROM hives AS h)", "UPDATE hives SET frame_count = (SELECT COUNT(*) FROM inspections) WHERE hive_id = 3"},
	}, {
		Bad:  "INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) VALUES (MAX(901), 1, 1, '2026-05-01', 3)",
		Good: "INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) VALUES (901, 1, 1, '2026-05-01', 3)",
	}},
	On: check.Aggregates(runAggregateInWrite).And(check.Windows(runAggregateInWrite)),
}

func runAggregateInWrite(p *check.Pass, c *syntax.Call) {
	clause := clauseOf(p, c)
	name := "SET"
	switch at := clause.(type) {
	case *syntax.Assign:
		if n, ok := p.Parent(clause).(*syntax.Update); ok && n.From != nil && p.Dialect == dialect.SQLite {
			return // which makes a query of it
		}
	case *syntax.Values:
		if _, inserted := p.Parent(p.Parent(clause)).(*syntax.Insert); !inserted && p.Dialect == dialect.SQLite && (c.Over != nil || len(at.Rows) == 1) {
			return
		}
		name = "VALUES"
	case *syntax.SelectItem:
		if p.Parent(clause).Kind() == syntax.KindSelect {
			return
		}
		name = "RETURNING"
	default:
		return
	}
	p.Report(check.Finding{
		Span: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s cannot use %s", name, p.Brief(c)),
		Why:     "A write handles one row at a time, so there is no group to aggregate.",
		Mends:   []check.Mend{{Title: "take the value from a subquery", Effect: check.ByHand}},
	})
}

var windowOutside = &check.Check{
	ID:     "clause.window-outside",
	Title:  "window function where rows are still being picked",
	Errors: []string{"42803", "4074", "4016", "42P20", "ORA-30483", "4015", "3593", "Msg 4108"},
	Doc: "Window functions look at the rows that WHERE, GROUP BY and HAVING have left, so none of these can use one, nor can the ON of a join. A " +
		"derived table makes its result a column; some databases have QUALIFY for it.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE ROW_NUMBER() OVER (ORDER BY name) <= 3",
		Good: "SELECT name FROM (SELECT name, ROW_NUMBER() OVER (ORDER BY name) AS n FROM hives) AS h WHERE n <= 3",
		Near: []string{
			"SELECT name FROM hives ORDER BY ROW_NUMBER() OVER (ORDER BY frame_count)",
			"SELECT name, RANK() OVER (ORDER BY frame_count) FROM hives WHERE frame_count > 3",
		},
	}, {
		Bad:  "SELECT apiary_id FROM hives GROUP BY apiary_id HAVING RANK() OVER (ORDER BY COUNT(*)) = 1",
		Good: "SELECT apiary_id FROM (SELECT apiary_id, RANK() OVER (ORDER BY COUNT(*)) AS r FROM hives GROUP BY apiary_id) AS g WHERE r = 1",
	}, {
		Bad:  "SELECT name, SUM(ROW_NUMBER() OVER (ORDER BY frame_count)) AS n FROM hives GROUP BY name",
		Good: "SELECT name, SUM(n) AS n FROM (SELECT name, ROW_NUMBER() OVER (ORDER BY frame_count) AS n FROM hives) AS h GROUP BY name",
		Near: []string{"SELECT name, SUM(COUNT(*)) OVER (ORDER BY name) AS n FROM hives GROUP BY name"},
	}},
	On: check.Windows(func(p *check.Pass, c *syntax.Call) {
		if around := p.AggregateAround(c); around != nil {
			p.Report(check.Finding{
				Span: c.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("the aggregate %s cannot hold the window function %s", p.FunctionText(around), p.FunctionText(c)),
				Why:     "Aggregates are worked out before windows are looked at.",
				Mends:   []check.Mend{{Title: windowMend(p), Effect: check.ByHand}},
			})
			return
		}
		if _, within := p.Enclosing(c, syntax.Kinds(syntax.KindWindow)); within != nil && p.Dialect != dialect.Spark {
			p.Report(check.Finding{
				Span: c.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("a window cannot be made by another: %s", p.FunctionText(c)),
				Why:     "All windows of a query are looked at together.",
				Mends:   []check.Mend{{Title: windowMend(p), Effect: check.ByHand}},
			})
			return
		}
		clause := clauseOf(p, c)
		if clause == nil || !beforeWindows.Has(clause.Kind()) {
			return
		}
		name := keyword(clause)
		p.Report(check.Finding{
			Span: c.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s cannot use the window function %s", name, p.FunctionText(c)),
			Why:     fmt.Sprintf("%s is done before windows are looked at.", name),
			Mends:   []check.Mend{{Title: windowMend(p), Effect: check.ByHand}},
		})
	}).And(check.Names(runWindowAlias, bind.OutputAlias)),
}

// beforeWindows are the clauses that are done before windows are looked at.
var beforeWindows = syntax.Kinds(syntax.KindWhere, syntax.KindJoin, syntax.KindGroupBy, syntax.KindHaving)

// runWindowAlias reports a window function that a clause reaches by its alias.
func runWindowAlias(p *check.Pass, name *syntax.Name) {
	at := clauseOf(p, name)
	if at == nil || !syntax.Kinds(syntax.KindGroupBy, syntax.KindHaving).Has(at.Kind()) { // of WHERE clause.aggregate-in-where tells
		return
	}
	clause := keyword(at)
	found := windowCall(p.Use(name).Item.X)
	if found == nil {
		return
	}
	p.Report(check.Finding{
		Span: name.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s cannot use %s, which is the window function %s", clause, p.Ident(name.Last()), p.FunctionText(found)),
		Why:     fmt.Sprintf("%s is done before windows are looked at.", clause),
		Related: []check.Related{{Span: found.Span(), Message: "the window function"}},
		Mends:   []check.Mend{{Title: windowMend(p), Effect: check.ByHand}},
	})
}

// windowCall gives the first function with OVER of a part of a query, nil if none stands there; those
// of queries within it do not count.
func windowCall(part syntax.Node) (found *syntax.Call) {
	syntax.Inspect(part, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.Call); ok && c.Over != nil && found == nil {
			found = c
		}
		_, nested := n.(*syntax.Query)
		return !nested && found == nil
	})
	return found
}

func windowMend(p *check.Pass) string {
	if p.Dialect == dialect.Spark {
		return "ask it in QUALIFY, or in a query around this one"
	}
	return "name its result in a derived table, and ask it in the query around that"
}

var subqueryInGroupBy = &check.Check{
	ID:    "clause.subquery-in-group-by",
	Title: "subquery in GROUP BY",
	Doc: "SQL Server takes no subquery in GROUP BY. Elsewhere it runs, but the same subquery must stand in the select list again to be seen, and " +
		"few readers expect it.",
	Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.SQLServer)),
	Examples: []check.Example{{
		Bad:  "SELECT COUNT(*) FROM hives h GROUP BY (SELECT colour FROM queens q WHERE q.queen_id = h.queen_id)",
		Good: "SELECT COUNT(*) FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id GROUP BY q.colour",
		Near: []string{"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id", "SELECT (SELECT 1) AS one, COUNT(*) FROM hives GROUP BY apiary_id", "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING COUNT(*) > (SELECT 1)"},
	}},
	On: check.Nodes(func(p *check.Pass, g *syntax.GroupBy) {
		for _, x := range g.Items {
			syntax.Inspect(x, func(n syntax.Node) bool {
				q, ok := n.(*syntax.Subquery)
				if ok {
					p.Report(check.Finding{
						Span: q.Span(), Certainty: check.Certain,
						Message: "GROUP BY holds a subquery",
						Why:     "Name the value in a derived table, or join, and group by the name.",
						Mends:   []check.Mend{{Title: "name the value in a derived table, and group by the name", Effect: check.ByHand}},
					})
				}
				return !ok
			})
		}
	}),
}
