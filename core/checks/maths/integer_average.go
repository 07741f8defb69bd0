package maths

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

var integerAverage = &check.Check{
	ID:    "math.integer-average",
	Title: "average of whole numbers, which is a whole number",
	Doc: "SQL Server's AVG has the type of what it averages: of whole numbers it is a whole number, and the fraction is cut off. The other databases give " +
		"the fraction.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.SQLServer)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "SELECT apiary_id, AVG(frame_count) FROM hives GROUP BY apiary_id",
		Good:    "SELECT apiary_id, AVG(frame_count * 1.0) FROM hives GROUP BY apiary_id",
		Near: []string{
			"SELECT hive_id, AVG(weight_kg) FROM harvests GROUP BY hive_id",
			"SELECT apiary_id, AVG(CAST(frame_count AS decimal(8, 2))) FROM hives GROUP BY apiary_id",
			"SELECT apiary_id, SUM(frame_count) FROM hives GROUP BY apiary_id",
		},
	}},
	On: check.Calls(runIntegerAverage, "avg").In(dialect.In(dialect.SQLServer)),
}

// (Transact-SQL reference, "AVG", return types)
func runIntegerAverage(p *check.Pass, c *syntax.Call) {
	if len(c.Args) != 1 || p.Type(c.Args[0]).Class != class.Integer || !p.Tells(c) {
		return
	}
	edits := check.After(c.Args[0].Span(), " * 1.0")
	if b, ok := c.Args[0].(*syntax.Binary); ok && b.Op != syntax.OpMultiply && b.Op != syntax.OpDivide {
		edits = append(check.Before(b.Span(), "("), check.After(b.Span(), ") * 1.0")...)
	}
	p.Report(check.Finding{
		Span: c.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is a whole number, since %s is one", p.Brief(c), p.Brief(c.Args[0])),
		Why:     "The digits behind the point are cut off.",
		Mends:   []check.Mend{{Title: "average fractions", Effect: check.NewRows, Edits: edits}},
	})
}
