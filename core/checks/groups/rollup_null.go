package groups

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/syntax"
	"justlens/core/text"
)

var rollupNull = &check.Check{
	ID:    "group.rollup-null",
	Title: "a total of ROLLUP that cannot be told from a group without a value",
	Doc: "ROLLUP, CUBE and GROUPING SETS put NULL into the columns of which a row is the total. If the column itself may be NULL, its rows make a group of their own, and COALESCE(x, 'total') calls both a total. GROUPING(x) is 1 " +
		"for the totals only.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT COALESCE(village, 'all') AS village, COUNT(*) AS n FROM keepers GROUP BY ROLLUP (village)",
		Good: "SELECT CASE WHEN GROUPING(village) = 1 THEN 'all' ELSE village END AS village, COUNT(*) AS n FROM keepers GROUP BY ROLLUP (village)",
		Near: []string{
			"SELECT CASE WHEN GROUPING(village) = 1 THEN 'all' ELSE village END AS village, COUNT(*) AS n FROM keepers GROUP BY ROLLUP (village)",
			"SELECT COALESCE(name, 'all') AS name, COUNT(*) AS n FROM keepers GROUP BY ROLLUP (name)",
			"SELECT COALESCE(village, 'none') AS village, COUNT(*) AS n FROM keepers GROUP BY village",
			"SELECT COALESCE(k.village, 'all') AS village, COUNT(*) AS n FROM keepers k WHERE k.village IS NOT NULL GROUP BY ROLLUP (k.village)",
		},
	}},
	On: check.Calls(runRollupNull, "coalesce", "ifnull", "nvl", "isnull"),
}

func runRollupNull(p *check.Pass, c *syntax.Call) {
	if len(c.Args) < 2 {
		return
	}
	n, ok := syntax.Unparen(c.Args[0]).(*syntax.Name)
	sel := p.SelectOf(c)
	if !ok || sel == nil || sel.GroupBy == nil || !sel.GroupBy.Sets {
		return
	}
	column := p.ColumnOf(n)
	if _, item := p.Above(c).(*syntax.SelectItem); !item || column == nil || column.NotNull || column.Primary || p.AggregateAround(c) != nil || rejected(p, sel, n) {
		return
	}
	grouped := false
	syntax.Inspect(sel.GroupBy, func(x syntax.Node) bool {
		if name, ok := x.(*syntax.Name); ok {
			grouped = grouped || p.Same(name, n)
		}
		return !grouped
	})
	if !grouped {
		return
	}
	f := check.Finding{Span: c.Span(), Context: sel.GroupBy.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("rows without %s get the same name as the total", p.Brief(n)),
		Why:     fmt.Sprintf("%s may be NULL itself, and the total has NULL in its place.", p.Brief(n)),
		Mends:   []check.Mend{{Title: "ask GROUPING(" + p.Text(n) + ") whether it is the total", Effect: check.ByHand}},
	}
	if len(c.Args) == 2 && !p.HasComment(c.Span()) {
		at := sel.Span().Start
		f.Mends[0] = check.Mend{Title: f.Mends[0].Title, Effect: check.NewRows, Edits: []text.Edit{check.Replace(c.Span(), fmt.Sprintf("%s %s(%s) = 1 %s %s %s %s %s",
			p.Word(at, "CASE WHEN"), p.Word(at, "GROUPING"), p.Text(n), p.Word(at, "THEN"), p.Text(c.Args[1]), p.Word(at, "ELSE"), p.Text(n), p.Word(at, "END")))}}
	}
	p.Report(f)
}

// rejected reports whether a condition keeps rows away in which a column is NULL.
func rejected(p *check.Pass, sel *syntax.Select, n *syntax.Name) (found bool) {
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, func(c syntax.Expr) {
			syntax.Inspect(c, func(x syntax.Node) bool {
				name, ok := x.(*syntax.Name)
				found = found || ok && p.Same(name, n)
				return !found
			})
		})
	}
	return found
}
