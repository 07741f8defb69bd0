package ranges

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

const textSide = facts.TextSide

var dateAsText = &check.Check{
	ID:    "range.date-as-text",
	Title: "a date made a text whose letters do not sort as time does",
	Doc: "TO_CHAR, DATE_FORMAT, FORMAT and strftime make texts, and texts are compared letter by letter. '02.01.2026' comes before '31.12.2025', for 0 comes before 3. Compare and sort the date itself, and format what is " +
		"shown.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM harvests WHERE TO_CHAR(taken_on, 'DD.MM.YYYY') > '01.05.2026'",
		Good:    "SELECT hive_id FROM harvests WHERE taken_on > '2026-05-01'",
		Near: []string{
			"SELECT hive_id FROM harvests WHERE TO_CHAR(taken_on, 'YYYY-MM-DD') > '2026-05-01'",
			"SELECT hive_id FROM harvests WHERE TO_CHAR(taken_on, 'DD.MM.YYYY') = '01.05.2026'",
			"SELECT TO_CHAR(taken_on, 'DD.MM.YYYY') AS day FROM harvests ORDER BY taken_on",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT hive_id, taken_on FROM harvests ORDER BY strftime('%d.%m.%Y', taken_on)",
		Good:    "SELECT hive_id, taken_on FROM harvests ORDER BY taken_on",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT MAX(DATE_FORMAT(taken_on, '%m/%Y')) AS last FROM harvests",
		Good:    "SELECT DATE_FORMAT(MAX(taken_on), '%m/%Y') AS last FROM harvests",
	}},
	On: check.Comparisons(runDateCompared).With(facts.FunctionSide).And(check.Nodes(runDateBetween)).And(check.Nodes(runDateOrdered)).And(check.Aggregates(runDateExtreme, "min", "max")),
}

func runDateCompared(p *check.Pass, b *syntax.Binary) {
	if b.Op == syntax.OpEqual || b.Op == syntax.OpNotEqual {
		return
	}
	for _, x := range [...]syntax.Expr{b.X, b.Y} {
		if format, ok := unsorted(p, x); ok {
			tellUnsorted(p, x, b, format, "compared")
			return
		}
	}
}

func runDateBetween(p *check.Pass, n *syntax.Between) {
	if format, ok := unsorted(p, n.X); ok {
		tellUnsorted(p, n.X, n, format, "compared")
	}
}

func runDateOrdered(p *check.Pass, item *syntax.OrderItem) {
	if format, ok := unsorted(p, item.X); ok {
		tellUnsorted(p, item.X, item, format, "sorted")
	}
}

func runDateExtreme(p *check.Pass, c *syntax.Call) {
	if len(c.Args) == 1 {
		if format, ok := unsorted(p, c.Args[0]); ok {
			tellUnsorted(p, c.Args[0], c, format, "compared")
		}
	}
}

func tellUnsorted(p *check.Pass, x syntax.Expr, around syntax.Node, format, what string) {
	f := check.Finding{Span: x.Span(), Context: around.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("the date is %s as a text, day or month first: %s", what, format),
		Why:     "Texts are compared letter by letter, so a day of January comes before one of last December.",
		Mends:   []check.Mend{{Title: "compare the date itself, and format only what is shown", Effect: check.ByHand}},
	}
	if what == "sorted" {
		f.Mends[0].Title = "sort by the date itself, and format only what is shown"
	}
	p.Report(f)
}

// unsorted gives the format by which an expression makes a text of a date, if its letters do not
// sort as time does: it has a year, and something of the date stands before it.
func unsorted(p *check.Pass, x syntax.Expr) (format string, ok bool) {
	c, isCall := syntax.Unparen(x).(*syntax.Call)
	if !isCall {
		return "", false
	}
	parts, l := formatOf(p, c)
	if l == nil || !strings.Contains(parts, "y") || parts[0] == 'y' {
		return "", false
	}
	return p.Text(l), true
}

// formatOf gives the parts of a date that a call formats, as [dateFormat.dateParts] does; nil where it
// formats none.
func formatOf(p *check.Pass, c *syntax.Call) (parts string, format *syntax.Literal) {
	f, ok := formatIn(p, c)
	if !ok || f.reads {
		return "", nil
	}
	return f.dateParts(), f.literal
}

var weekYear = &check.Check{
	ID:    "range.week-year",
	Title: "the calendar's year beside the ISO week",
	Doc: "An ISO week belongs to the year in which its Thursday lies. The last days of December may be in week 1, and the first of January in week 52 or 53. Beside the calendar's year such a day lands a year away from the " +
		"rest of its week. Each database has a year that belongs to the week.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT TO_CHAR(taken_on, 'YYYY-IW') AS week, SUM(weight_kg) AS kg FROM harvests GROUP BY TO_CHAR(taken_on, 'IYYY-IW'), taken_on",
		Good:    "SELECT TO_CHAR(taken_on, 'IYYY-IW') AS week, SUM(weight_kg) AS kg FROM harvests GROUP BY TO_CHAR(taken_on, 'IYYY-IW'), taken_on",
		Near: []string{
			"SELECT TO_CHAR(taken_on, 'IYYY-IW') AS week FROM harvests",
			"SELECT TO_CHAR(taken_on, 'YYYY-MM') AS month FROM harvests",
			"SELECT TO_CHAR(taken_on, 'YYYY-WW') AS week FROM harvests",
			"SELECT EXTRACT(ISOYEAR FROM taken_on) AS year, EXTRACT(WEEK FROM taken_on) AS week FROM harvests",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT EXTRACT(YEAR FROM taken_on) AS year, EXTRACT(WEEK FROM taken_on) AS week, SUM(weight_kg) AS kg FROM harvests GROUP BY EXTRACT(YEAR FROM taken_on), EXTRACT(WEEK FROM taken_on)",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT DATE_FORMAT(taken_on, '%Y-%v') AS week FROM harvests",
		Good:    "SELECT DATE_FORMAT(taken_on, '%x-%v') AS week FROM harvests",
	}},
	On: check.Calls(runWeekFormat, "to_char", "date_format", "strftime").And(check.Nodes(runWeekGroup).With(facts.Grouped)),
}

func runWeekFormat(p *check.Pass, c *syntax.Call) {
	parts, l := formatOf(p, c)
	if l == nil || !strings.Contains(parts, "w") || !strings.Contains(parts, "y") || strings.ContainsAny(parts, "imd") {
		return
	}
	m := check.Mend{Title: "write the year of the week", Effect: check.ByHand}
	format := p.Text(l)
	mended := format
	switch p.FunctionName(c) {
	case "to_char":
		for _, pair := range [...][2]string{{"YYYY", "IYYY"}, {"yyyy", "iyyy"}} {
			mended = strings.Replace(mended, pair[0], pair[1], 1)
		}
	case "date_format":
		year := "%x"
		if strings.Contains(format, "%V") {
			year = "%X"
		}
		mended = strings.Replace(mended, "%Y", year, 1)
	case "strftime":
		mended = strings.Replace(mended, "%Y", "%G", 1)
	}
	if mended != format {
		m = check.Mend{Title: m.Title + ": " + mended, Effect: check.NewRows, Edits: []text.Edit{check.Replace(l.Span(), mended)}}
	}
	tellWeek(p, l, c, m)
}

func tellWeek(p *check.Pass, at, around syntax.Node, m check.Mend) {
	p.Report(check.Finding{Span: at.Span(), Context: around.Span(), Certainty: check.Likely, Mends: []check.Mend{m},
		Message: "the calendar's year stands beside the ISO week",
		Why:     "The days round New Year land a year away from the rest of their week.",
	})
}

func runWeekGroup(p *check.Pass, sel *syntax.Select) {
	var year, week *syntax.Call
	for _, x := range sel.GroupBy.Items {
		c, ok := syntax.Unparen(p.KeyMeant(sel, x)).(*syntax.Call)
		if !ok || len(c.Args) == 0 {
			continue
		}
		switch unit := unitOf(p, c); unit {
		case "year":
			year = c
		case "week", "isoweek":
			week = c
		case "month", "quarter", "day", "isoyear":
			return
		}
	}
	if year == nil || week == nil || !p.Same(year.Args[len(year.Args)-1], week.Args[len(week.Args)-1]) {
		return
	}
	m := check.Mend{Title: "group by the year of the week", Effect: check.ByHand}
	if p.Dialect == dialect.Postgres {
		m.Title += ": EXTRACT(ISOYEAR FROM …)"
	}
	tellWeek(p, year, sel.GroupBy, m)
}

// unitOf gives the part of a date that a call extracts, where a week is one of ISO's.
func unitOf(p *check.Pass, c *syntax.Call) string {
	unit := strings.ToLower(p.Ident(c.Unit))
	switch name := p.FunctionName(c); {
	case name == "extract" || name == "date_part" && !c.Unit.IsZero():
		if unit == "week" && p.Dialect != dialect.Postgres && p.Dialect != dialect.Spark {
			return "" // counted otherwise
		}
		return unit
	case name == "year" || name == "month" || name == "quarter":
		return name
	case name == "weekofyear":
		return "week"
	}
	return ""
}
