package groups

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/syntax"
)

var singleton = &check.Check{
	ID:    "group.singleton",
	Title: "groups of one row",
	Doc: "Where GROUP BY holds a key of the rows, each group is one row: COUNT(*) is 1, and SUM, MIN and MAX give the value itself. The grouping says " +
		"nothing, or a key stands in it by mistake.",
	Verdicts: check.Everywhere(check.Unclear),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, MAX(frame_count) AS frames FROM hives GROUP BY hive_id",
		Good: "SELECT hive_id, frame_count AS frames FROM hives",
		Near: []string{
			"SELECT apiary_id, MAX(frame_count) AS frames FROM hives GROUP BY apiary_id",
			"SELECT h.hive_id, COUNT(g.harvest_id) AS n FROM hives AS h LEFT JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.hive_id",
			"SELECT name, COUNT(*) AS n FROM hives GROUP BY name",
		},
	}},
	On: check.Nodes(func(p *check.Pass, n *syntax.GroupBy) {
		sel := singletons(p, n)
		if sel == nil || len(p.Scope(sel).Sources) > 1 && surplus(p, sel) != nil {
			return // group.nested-too-fine tells
		}
		p.Report(check.Finding{
			Span: n.Span(), Context: sel.Span(), Certainty: check.Certain,
			Message: "each group is a single row",
			Why:     "The grouped columns hold a key, so every group has one row and there is nothing to aggregate.",
			Mends:   []check.Mend{{Title: "group by less, or drop GROUP BY and the aggregates", Effect: check.ByHand}},
		})
	}),
}

var nestedTooFine = &check.Check{
	ID:    "group.nested-too-fine",
	Title: "grouped by the key of a joined table",
	Doc: "One column of GROUP BY is the key of the finest table, so that each group is a single row, although the other columns group. Often it stands " +
		"there only because the select list names it.",
	Verdicts: check.Everywhere(check.Unclear),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad: "SELECT h.hive_id, g.harvest_id, SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id " +
			"GROUP BY h.hive_id, g.harvest_id",
		Good: "SELECT h.hive_id, SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.hive_id",
		Near: []string{
			"SELECT h.hive_id, COUNT(*) AS n FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.hive_id",
			"SELECT h.hive_id, SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.hive_id, h.name",
			"SELECT h.hive_id, g.taken_on, SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.hive_id, g.taken_on",
		},
	}},
	On: check.Nodes(func(p *check.Pass, n *syntax.GroupBy) {
		sel := singletons(p, n)
		if sel == nil || len(p.Scope(sel).Sources) < 2 {
			return
		}
		key := surplus(p, sel)
		if key == nil {
			return
		}
		p.Report(check.Finding{
			Span: key.Span(), Context: sel.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("with %s each group is a single row", p.Brief(key)),
			Why:     "It is different in every row, so there is nothing to aggregate.",
			Mends:   []check.Mend{{Title: fmt.Sprintf("group without %s", p.Brief(key)), Effect: check.ByHand}},
		})
	}),
}

// singletons gives the SELECT of a GROUP BY whose groups are single rows; nil
// where they are not, or nothing is aggregated.
func singletons(p *check.Pass, g *syntax.GroupBy) *syntax.Select {
	sel, ok := p.Parent(g).(*syntax.Select)
	if !ok || len(p.AggregatesOf(sel)) == 0 || !p.GroupsAreRows(sel) {
		return nil // of GROUP BY without aggregates group.without-aggregate tells
	}
	return sel
}

// surplus finds a written key that alone makes each group a single row, and without which
// the others would group.
func surplus(p *check.Pass, sel *syntax.Select) syntax.Expr {
	items := sel.GroupBy.Items
	if len(items) < 2 {
		return nil
	}
	for i, x := range items {
		rest := make([]syntax.Expr, 0, len(items))
		for k, other := range items {
			if k != i {
				rest = append(rest, p.KeyMeant(sel, other))
			}
		}
		if !p.Given(sel, rest...).Rows() && p.Given(sel, p.KeyMeant(sel, x)).Rows() {
			return x
		}
	}
	return nil
}
