package clauses

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var notAggregate = &check.Check{
	ID:     "clause.not-aggregate",
	Title:  "DISTINCT, FILTER or OVER at a function of one row",
	Errors: []string{"42809", "0A000", "42601", "1064", "1235", "Msg 10762", "Msg 4113"},
	Doc: "DISTINCT and FILTER choose among the rows that an aggregate looks at, and OVER gives it a window. A function such as UPPER looks at one row, and one that " +
		"ranks looks at all of its window.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Text,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT COUNT(UPPER(DISTINCT name)) FROM hives",
		Good:    "SELECT COUNT(DISTINCT UPPER(name)) FROM hives",
		Near: []string{
			"SELECT COUNT(DISTINCT name), COUNT(*) FILTER (WHERE frame_count > 3), STRING_AGG(DISTINCT name, ',') FROM hives",
			"SELECT SUM(frame_count) FILTER (WHERE frame_count > 3) OVER (ORDER BY name) FROM hives",
			"SELECT DISTINCT UPPER(name) FROM hives",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT RANK() FILTER (WHERE frame_count > 3) OVER (ORDER BY name) FROM hives",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT UPPER(name) OVER (ORDER BY name) FROM hives",
		Good:    "SELECT UPPER(name) FROM hives",
	}},
	On: check.Distincts(runNotAggregate).And(check.Windows(func(p *check.Pass, c *syntax.Call) {
		if !c.Distinct { // else it was looked at for that
			runNotAggregate(p, c)
		}
	})),
}

func runNotAggregate(p *check.Pass, c *syntax.Call) {
	if len(c.Name) != 1 || c.Name[0].Quoted || len(p.Stmt.Errors) > 0 {
		return
	}
	f := p.Function(c)
	if !f.Listed || f.Kind != dialect.Scalar && f.Kind != dialect.Ranking || p.Schema.HasRoutine(f.Name) {
		return
	}
	what := ""
	switch {
	case c.Filter != nil:
		what = "FILTER"
	case c.Distinct && p.Dialect != dialect.SQLite: // which passes over it
		what = "DISTINCT"
	case c.Over != nil && f.Kind == dialect.Scalar && p.Dialect != dialect.Spark:
		what = "OVER"
	default:
		return
	}
	p.Report(check.Finding{
		Span: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s takes no %s", strings.ToUpper(f.Name), what),
		Why:     "Only aggregates choose among rows.",
		Mends:   []check.Mend{{Title: "leave it out, or say it at the aggregate around the call", Effect: check.ByHand}},
	})
}
