package maths

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var datePlusNumber = &check.Check{
	ID:    "math.date-plus-number",
	Title: "number added to a date",
	Doc: "MySQL and MariaDB make the date a number, 20260531, and add to that; SQLite takes the year that the text begins with. SQL Server refuses it for date and datetime2, Spark " +
		"for timestamps. On PostgreSQL and Oracle a date plus 1 is the next day.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)).But(check.Refused, dialect.In(dialect.SQLServer, dialect.Spark)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE moved_on + 30 < '2026-06-01'",
		Good:    "SELECT name FROM hives WHERE moved_on + INTERVAL 30 DAY < '2026-06-01'",
		Near: []string{
			"SELECT moved_on + INTERVAL 30 DAY FROM hives",
			"SELECT moved_on + 0 FROM hives",
			"SELECT frame_count + 30 FROM hives",
			"SELECT YEAR(moved_on) - 1 FROM hives",
		},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at > CURRENT_DATE - 7",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at > CURRENT_DATE - INTERVAL 7 DAY",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name, moved_on + 30 AS due FROM hives",
		Good:    "SELECT name, date(moved_on, '+30 days') AS due FROM hives",
		Near:    []string{"SELECT date(moved_on, '+30 days') FROM hives"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name FROM hives WHERE moved_on + 1 = '20260601'",
		Good:    "SELECT name FROM hives WHERE DATEADD(day, 1, moved_on) = '20260601'",
		Near:    []string{"SELECT GETDATE() - 7"},
	}, {
		Dialect: dialect.Spark,
		Bad:     "SELECT inspected_at + 1 FROM inspections",
		Good:    "SELECT inspected_at + INTERVAL 1 DAY FROM inspections",
		Near:    []string{"SELECT moved_on + 1 FROM hives"},
	}},
	On: check.Operators(runDatePlusNumber, syntax.OpAdd, syntax.OpSubtract).In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.SQLServer, dialect.Spark)),
}

func runDatePlusNumber(p *check.Pass, n *syntax.Binary) {
	date, number := n.X, n.Y
	if n.Op == syntax.OpAdd && p.Type(n.Y).Class.HasDay() {
		date, number = n.Y, n.X
	}
	t := p.Type(date)
	if !isDate(p, date, t) || !p.Type(number).Class.IsNumber() || p.Text(number) == "0" || !p.Tells(n) {
		return // + 0 is written to make a number of it
	}
	use := dialect.Add
	if n.Op == syntax.OpSubtract {
		use = dialect.Subtract
	}
	m := p.Dialect.Meets(use, t.Class, p.Type(number).Class)
	if m == (dialect.Meeting{}) || m.As.HasDay() {
		return
	}
	f := check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s reckons with %s as if it were a number", p.Brief(n), p.Brief(date)),
		Why:     nonsense(p.Dialect),
		Mends:   []check.Mend{{Title: "add days", Effect: check.NewRows, Edits: addDays(p, n, date, number)}},
	}
	switch {
	case m.Refused:
		f.Message = fmt.Sprintf("%s has no %s for %s and a number", p.Dialect.Title(), p.BriefOf(n.OpSpan), t.Class.Noun())
		f.Why = "It does not say what the number counts."
	case p.Dialect == dialect.SQLite:
		f.Certainty = check.Likely // the column may hold days or seconds as numbers
	}
	p.Report(f)
}

// isDate reports whether a value is a date as far as the dialect says: on SQL Server none of
// the types that take numbers of days.
func isDate(p *check.Pass, x syntax.Expr, t schema.Type) bool {
	if !t.Class.HasDay() {
		return false
	}
	if p.Dialect == dialect.SQLServer {
		return t.Class == class.Date && t.Name != ""
	}
	return true
}

func nonsense(d dialect.Dialect) string {
	if d == dialect.SQLite {
		return "SQLite reckons with the number that a text begins with, which is the year."
	}
	return d.Title() + " makes it a number of its digits, such as 20260531; behind the end of a month that is no date."
}

// addDays writes a sum with a date as the dialect adds days.
func addDays(p *check.Pass, n *syntax.Binary, date, number syntax.Expr) []text.Edit {
	sign := ""
	if n.Op == syntax.OpSubtract {
		sign = "-"
	}
	whole := func(s string) []text.Edit { return []text.Edit{check.Replace(n.Span(), s)} }
	switch p.Dialect {
	case dialect.SQLServer:
		return whole(fmt.Sprintf("DATEADD(day, %s%s, %s)", sign, p.Parenthesised(number), p.Text(date)))
	case dialect.SQLite:
		function := "date"
		if p.Type(date).Class != class.Date {
			function = "datetime"
		}
		if sign == "" {
			sign = "+"
		}
		if lit, ok := number.(*syntax.Literal); ok {
			return whole(fmt.Sprintf("%s(%s, '%s%s days')", function, p.Text(date), sign, p.Text(lit)))
		}
		return whole(fmt.Sprintf("%s(%s, (%s%s) || ' days')", function, p.Text(date), sign, p.Parenthesised(number)))
	}
	return append(check.Before(number.Span(), p.Word(p.Stmt.Span.Start, "INTERVAL")+" "), check.After(number.Span(), " "+p.Word(p.Stmt.Span.Start, "DAY"))...)
}

var dateDifference = &check.Check{
	ID:    "math.date-difference",
	Title: "date subtracted from a date",
	Doc: "PostgreSQL and Oracle give a number of days, or a span of time. MySQL and MariaDB subtract the digits, so that the first of May is 71 after the 30th of April; SQLite " +
		"subtracts the years; SQL Server refuses it for date.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)).But(check.Refused, dialect.In(dialect.SQLServer)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT t.hive_id, t.treated_on - h.moved_on AS days FROM treatments AS t JOIN hives AS h ON h.hive_id = t.hive_id",
		Good:    "SELECT t.hive_id, DATEDIFF(t.treated_on, h.moved_on) AS days FROM treatments AS t JOIN hives AS h ON h.hive_id = t.hive_id",
		Near: []string{
			"SELECT DATEDIFF(CURRENT_DATE, moved_on) FROM hives",
			"SELECT YEAR(CURRENT_DATE) - YEAR(moved_on) FROM hives",
			"SELECT moved_on - INTERVAL 1 DAY FROM hives",
		},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT MAX(inspected_at) - MIN(inspected_at) AS seconds FROM inspections",
		Good:    "SELECT TIMESTAMPDIFF(SECOND, MIN(inspected_at), MAX(inspected_at)) AS seconds FROM inspections",
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT name, moved_on - '2026-04-30' AS days FROM hives",
		Good:    "SELECT name, DATEDIFF(moved_on, '2026-04-30') AS days FROM hives",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT MAX(treated_on) - MIN(treated_on) AS days FROM treatments",
		Good:    "SELECT julianday(MAX(treated_on)) - julianday(MIN(treated_on)) AS days FROM treatments",
		Near:    []string{"SELECT julianday(MAX(treated_on)) - julianday(MIN(treated_on)) FROM treatments"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT t.treated_on - h.moved_on AS days FROM treatments AS t JOIN hives AS h ON h.hive_id = t.hive_id",
		Good:    "SELECT DATEDIFF(day, h.moved_on, t.treated_on) AS days FROM treatments AS t JOIN hives AS h ON h.hive_id = t.hive_id",
	}},
	On: check.Operators(runDateDifference, syntax.OpSubtract).In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.SQLServer)),
}

func runDateDifference(p *check.Pass, n *syntax.Binary) {
	t, u := p.Type(n.X), p.Type(n.Y)
	if !isDate(p, n.X, t) && !isDate(p, n.Y, u) || !isDate(p, n.X, t) && !isDayText(p, n.X) || !isDate(p, n.Y, u) && !isDayText(p, n.Y) || !p.Tells(n) {
		return
	}
	days := (t.Class == class.Date || !t.Class.HasDay()) && (u.Class == class.Date || !u.Class.HasDay())
	f := check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s subtracts numbers, not dates", p.Brief(n)),
		Why:     p.Dialect.Title() + " makes each a number of its digits, such as 20260501, so that the first of May is 71 after the 30th of April.",
		Mends:   []check.Mend{{Title: "count the time between", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), between(p, n, days))}}},
	}
	switch p.Dialect {
	case dialect.SQLServer:
		f.Message = fmt.Sprintf("SQL Server has no - for %s and %s", t.Class.Noun(), u.Class.Noun())
		f.Why = "It does not say in which unit the difference is counted."
	case dialect.SQLite:
		f.Certainty = check.Likely // the columns may hold days or seconds as numbers
		f.Why = "SQLite subtracts the numbers that the texts begin with, which are the years."
	}
	p.Report(f)
}

// isDayText reports whether an expression is a day in quotes, of which only MySQL and its kin, and SQLite, make no date.
func isDayText(p *check.Pass, x syntax.Expr) bool {
	_, _, ok := p.DayOf(x)
	return ok && p.Dialect != dialect.SQLServer
}

// between writes the time from the right side of a difference to the left one: days between
// dates, seconds between instants.
func between(p *check.Pass, n *syntax.Binary, days bool) string {
	x, y := p.Text(n.X), p.Text(n.Y)
	switch {
	case p.Dialect == dialect.SQLServer:
		return fmt.Sprintf("DATEDIFF(day, %s, %s)", y, x)
	case p.Dialect == dialect.SQLite && days:
		return fmt.Sprintf("julianday(%s) - julianday(%s)", x, y)
	case p.Dialect == dialect.SQLite:
		return fmt.Sprintf("(julianday(%s) - julianday(%s)) * 86400", x, y)
	case days:
		return fmt.Sprintf("DATEDIFF(%s, %s)", x, y)
	}
	return fmt.Sprintf("TIMESTAMPDIFF(SECOND, %s, %s)", y, x)
}
