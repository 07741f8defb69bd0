package types

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var argumentType = &check.Check{
	ID:     "type.argument-type",
	Title:  "a function called with values of types that it does not take",
	Errors: []string{"42883", "ORA-00932", "4078", "Msg 8117", "Msg 8116", "42804"},
	Doc: "PostgreSQL has its functions for certain types, and converts an argument only where nothing is lost: LOWER takes no number, and ROUND to places no " +
		"double precision. The other databases convert the argument.",
	Verdicts:  check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.Postgres)),
	Elsewhere: "the argument is converted where it can be",
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT LOWER(frame_count) FROM hives",
		Good:    "SELECT LOWER(CAST(frame_count AS text)) FROM hives",
		Near: []string{
			"SELECT LOWER(name), LENGTH(name), CONCAT(name, frame_count), COALESCE(frame_count, 0) FROM hives",
			"SELECT SUM(frame_count), MAX(name), STRING_AGG(name, ', ') FROM hives",
			"SELECT DATE_TRUNC('month', moved_on), TO_CHAR(moved_on, 'YYYY'), AGE(moved_on) FROM hives",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT SUM(name) FROM hives",
		Near:    []string{"SELECT COUNT(name) FROM hives"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT ROUND(SQRT(CAST(frame_count AS double precision)), 1) FROM hives",
		Good:    "SELECT ROUND(CAST(SQRT(CAST(frame_count AS double precision)) AS numeric), 1) FROM hives",
		Near:    []string{"SELECT ROUND(CAST(SQRT(frame_count) AS numeric), 1) FROM hives"},
	}},
	On: check.Calls(runArgumentType).In(dialect.In(dialect.Postgres)),
}

func runArgumentType(p *check.Pass, c *syntax.Call) {
	if len(c.Name) != 1 || c.Name[0].Quoted || !p.Tells(c) {
		return
	}
	name := p.FunctionName(c)
	var given []dialect.TypeID
	switch {
	case name == "extract" && len(c.Args) == 1:
		given = []dialect.TypeID{dialect.TextType, p.Exact(c.Args[0])}
	case name == "position", facts.IsPlainCall(c):
		given = p.ExactAll(c.Args)
	default:
		return
	}
	_, o := p.Called(name, given)
	if o != dialect.None && o != dialect.Several || p.Schema.HasRoutine(name) {
		return
	}
	var titles []string
	for _, t := range given[len(given)-len(c.Args):] {
		titles = append(titles, p.TitleOf(t))
	}
	f := check.Finding{
		Span: c.Span(), Certainty: check.Likely, // anyone may add one of the same name
		Message: fmt.Sprintf("%s has no %s for %s", p.Dialect.Title(), strings.ToUpper(name), listed(titles)),
		Why:     "No function of that name takes these types, and none of them is converted unasked.",
		Mends:   castArgument(p, name, c.Args, given),
	}
	if o == dialect.Several {
		f.Message = fmt.Sprintf("%s has several %s for %s, and cannot choose", p.Dialect.Title(), strings.ToUpper(name), listed(titles))
		f.Why = "A cast says which is meant."
	}
	p.Report(f)
}

// castArgument offers the cast of one argument with which the call is taken.
func castArgument(p *check.Pass, name string, args []syntax.Expr, given []dialect.TypeID) []check.Mend {
	if len(given) > len(args) { // EXTRACT, whose unit is no argument
		return []check.Mend{{Title: "take the part of a date, or cast the argument to one", Effect: check.ByHand}}
	}
	for i, arg := range args {
		for _, to := range []dialect.TypeID{dialect.NumericType, dialect.TextType} {
			if given[i] == to || to == dialect.NumericType && !given[i].IsNumber() {
				continue
			}
			tried := slices.Clone(given)
			tried[i] = to
			if _, o := p.Called(name, tried); o == dialect.Found {
				return []check.Mend{{Title: fmt.Sprintf("cast %s to %s", p.Brief(arg), p.TitleOf(to)), Effect: check.NewRows,
					Edits: []text.Edit{check.Replace(arg.Span(), "CAST("+p.Text(arg)+" AS "+p.TitleOf(to)+")")}}}
			}
		}
	}
	return []check.Mend{{Title: "convert the argument, or call another function", Effect: check.ByHand}}
}

func listed(titles []string) string {
	if n := len(titles); n > 1 {
		return strings.Join(titles[:n-1], ", ") + " and " + titles[n-1]
	}
	return strings.Join(titles, "")
}
