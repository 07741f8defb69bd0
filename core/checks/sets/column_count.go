package sets

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/syntax"
)

var columnCount = &check.Check{
	ID:     "set.column-count",
	Title:  "branches of different width",
	Errors: []string{"42601", "ORA-01789", "1222", "Msg 205"},
	Doc: "All branches of a set operation give their columns one below the other, so they must have as many. A star counts as the columns that " +
		"its table is known to have.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives UNION ALL SELECT name, colour FROM queens",
		Good: "SELECT name FROM hives UNION ALL SELECT name FROM queens",
		Near: []string{"SELECT name FROM hives UNION ALL SELECT name FROM queens", "SELECT name, hive_id FROM hives UNION SELECT name, queen_id FROM queens", "SELECT name, apiary_id FROM hives UNION ALL SELECT name, queen_id FROM queens"},
	}, {
		Bad:  "SELECT * FROM hives EXCEPT SELECT * FROM queens",
		Good: "SELECT hive_id FROM hives EXCEPT SELECT queen_id FROM queens",
		Near: []string{"SELECT * FROM hives WHERE hive_id = 1 UNION ALL SELECT * FROM hives WHERE hive_id = 2"},
	}},
	On: check.Nodes(func(p *check.Pass, op *syntax.SetOp) {
		left, ok := p.Width(op.Left)
		right, also := p.Width(op.Right)
		if !ok || !also || left == right {
			return
		}
		p.Report(check.Finding{
			Span: op.OpSpan, Certainty: check.Certain,
			Message: fmt.Sprintf("%s before %s, %s behind", columns(left), string(p.Src[op.OpSpan.Start:op.OpSpan.End]), columns(right)),
			Why:     "All branches of a set operation need the same number of columns.",
			Mends:   []check.Mend{{Title: "select as many columns in both, in the same order", Effect: check.ByHand}},
		})
	}),
}

func columns(n int) string {
	if n == 1 {
		return "1 column"
	}
	return fmt.Sprintf("%d columns", n)
}
