package ranges

import (
	"fmt"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unquotedDate = &check.Check{
	ID:    "range.unquoted-date",
	Title: "date without quotes, which is a sum of numbers",
	Doc: "2026-05-01 without quotes is 2026 minus 5 minus 1, which is 2020. PostgreSQL, SQL Server, Oracle and Spark refuse to compare a date with a number; MySQL and " +
		"MariaDB take the number for a date that there is not, and SQLite finds every text greater than it.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE moved_on > 2026-05-01",
		Good:    "SELECT name FROM hives WHERE moved_on > '2026-05-01'",
		Near: []string{
			"SELECT name FROM hives WHERE moved_on > '2026-05-01'",
			"SELECT name FROM hives WHERE frame_count > 2026-5-1",
			"SELECT name FROM hives WHERE frame_count > 2026 - 05 - 01",
			"SELECT 2026-13-41 AS x",
			"SELECT frame_count-10-1 AS spare FROM hives",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT harvest_id FROM harvests WHERE taken_on BETWEEN 2026-05-01 AND CURRENT_DATE",
		Good:    "SELECT harvest_id FROM harvests WHERE taken_on BETWEEN '2026-05-01' AND CURRENT_DATE",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT harvest_id FROM harvests WHERE taken_on IN ('2026-04-01', 2026-05-01)",
		Good:    "SELECT harvest_id FROM harvests WHERE taken_on IN ('2026-04-01', '2026-05-01')",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT harvest_id FROM harvests WHERE taken_on >= 2026-05-01",
		Good:    "SELECT harvest_id FROM harvests WHERE taken_on >= DATE '2026-05-01'",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "CREATE TABLE swarms (swarm_id integer, seen_on date); SELECT swarm_id FROM swarms WHERE seen_on = 05/01/2026",
	}},
	On: check.Operators(runUnquotedDate, syntax.OpSubtract, syntax.OpDivide).With(facts.LiteralSide | facts.NestedLeft),
}

func runUnquotedDate(p *check.Pass, n *syntax.Binary) {
	day, ok := p.DayWithoutQuotes(n)
	if !ok || !p.Tells(n) {
		return
	}
	place := p.PlaceOf(n)
	certainty := check.Likely
	switch {
	case place.IsDated():
		certainty = check.Certain
	case !place.IsOpen(), place.Beside == nil && !place.Stored, !day.Padded && day.Year < 1950:
		return
	case !day.Padded:
		certainty = check.Possible
	}
	f := check.Finding{
		Span: n.Span(), Certainty: certainty,
		Message: fmt.Sprintf("%s without quotes is %s", p.Brief(n), sumOf(p, n)),
		Why:     "A date is written in quotes; the bare numbers are reckoned with.",
	}
	if place.Stored {
		f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.MySQL, dialect.MariaDB))
	}
	if iso := day.ISO(); iso != "" {
		f.Mends = []check.Mend{{Title: "write the date", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), p.Dialect.Day(iso))}}}
	} else {
		f.Mends = []check.Mend{{Title: "write the date as year, month and day in quotes", Effect: check.ByHand}}
	}
	p.Report(f)
}

// sumOf says what comes of the numbers.
func sumOf(p *check.Pass, n *syntax.Binary) string {
	sign, what := "-", "a subtraction"
	if n.Op == syntax.OpDivide {
		return "a division"
	}
	result := 0
	for i, part := range strings.Split(text.View(p.Src, n.Span()), sign) {
		v, _ := strconv.Atoi(part)
		if i == 0 {
			result = v
		} else {
			result -= v
		}
	}
	return fmt.Sprintf("%s, %d", what, result)
}
