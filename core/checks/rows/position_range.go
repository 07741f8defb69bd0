package rows

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var positionRange = &check.Check{
	ID:       "rows.position-range",
	Title:    "position beyond the select list",
	Doc:      "A whole number in ORDER BY, and on most databases in GROUP BY, stands for a column of the select list, which does not have as many.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives ORDER BY 2",
		Good: "SELECT name FROM hives ORDER BY 1",
		Near: []string{"SELECT name, frame_count FROM hives ORDER BY 2", "SELECT * FROM hives ORDER BY 3", "SELECT name FROM hives ORDER BY 1 + 4"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT apiary_id, COUNT(*) FROM hives GROUP BY 3",
		Good:    "SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1",
	}, {
		Bad:  "SELECT * FROM hives ORDER BY 9",
		Good: "SELECT * FROM hives ORDER BY 7",
	}},
	On: check.Kinds(runPositionRange, syntax.KindOrderBy, syntax.KindGroupBy),
}

func runPositionRange(p *check.Pass, n syntax.Node) {
	var keys []syntax.Expr
	var body syntax.Body
	clause := "ORDER BY"
	switch n := n.(type) {
	case *syntax.OrderBy:
		q, ok := p.Parent(n).(*syntax.Query)
		if !ok {
			return
		}
		body = q.Body
		for _, item := range n.Items {
			keys = append(keys, item.X)
		}
	case *syntax.GroupBy:
		sel, ok := p.Parent(n).(*syntax.Select)
		if !ok || !p.Dialect.Has(dialect.GroupByPosition) {
			return
		}
		body, keys, clause = sel, n.Items, "GROUP BY"
	}
	for _, x := range keys {
		lit, ok := x.(*syntax.Literal)
		if !ok {
			continue
		}
		position, ok := p.Position(lit)
		width, known := p.Width(body)
		if ok && known && (position < 1 || position > width) {
			p.Report(check.Finding{
				Span: x.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("%s %d, and the list has %s", clause, position, count(width)),
				Why:     "The number stands for a column of the select list, counted from 1.",
				Mends:   []check.Mend{{Title: "name the column instead", Effect: check.ByHand}},
			})
		}
	}
}
