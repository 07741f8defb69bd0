package ranges

import (
	"fmt"
	"time"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var lastDay = &check.Check{
	ID:    "range.last-day",
	Title: "range of instants whose last day ends at its first instant",
	Doc: "A date beside a column with a time of day stands for its midnight: BETWEEN '2026-05-01' AND '2026-05-31' ends as the 31st begins, and what happened during that day is " +
		"left out. A range that ends before the next day has no such gap, whatever the fractions of a second.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at BETWEEN '2026-05-01' AND '2026-05-31'",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= '2026-05-01' AND inspected_at < '2026-06-01'",
		Near: []string{
			"SELECT hive_id FROM inspections WHERE inspected_at >= '2026-05-01' AND inspected_at < '2026-06-01'",
			"SELECT harvest_id FROM harvests WHERE taken_on BETWEEN '2026-05-01' AND '2026-05-31'",
			"SELECT hive_id FROM inspections WHERE inspected_at BETWEEN '2026-05-01 00:00:00' AND '2026-05-31 23:59:59'",
			"SELECT hive_id FROM inspections WHERE CAST(inspected_at AS date) BETWEEN '2026-05-01' AND '2026-05-31'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections AS i WHERE i.inspected_at <= DATE '2026-05-31'",
		Good:    "SELECT hive_id FROM inspections AS i WHERE i.inspected_at < DATE '2026-06-01'",
		Near:    []string{"SELECT hive_id FROM inspections AS i WHERE i.inspected_at < DATE '2026-05-31' OR i.inspected_at > '2026-05-31'"},
	}},
	On: check.Nodes(runLastDay).And(check.Operators(runLastBound, syntax.OpLessEqual, syntax.OpGreaterEqual).With(facts.TextSide)),
}

func runLastDay(p *check.Pass, n *syntax.Between) {
	f, next := endsEarly(p, n, n.X, n.High)
	if f == nil || n.Symmetric {
		return
	}
	column, low := p.Text(n.X), p.Text(n.Low)
	condition := grouped(p, n, halfOpen(p, column, low, next))
	if n.Not {
		condition = fmt.Sprintf("%s < %s %s %s >= %s", column, low, p.Word(p.Stmt.Span.Start, "OR"), column, next)
		if around, ok := p.Parent(n).(*syntax.Binary); ok && around.Op != syntax.OpOr {
			condition = "(" + condition + ")"
		}
		condition = p.Guarded(n, condition)
	}
	f.Mends[0].Edits = []text.Edit{check.Replace(n.Span(), condition)}
	p.Report(*f)
}

func runLastBound(p *check.Pass, n *syntax.Binary) {
	column, high, sign := n.X, n.Y, "<"
	if n.Op == syntax.OpGreaterEqual {
		column, high, sign = n.Y, n.X, ">"
	}
	f, next := endsEarly(p, n, column, high)
	if f == nil {
		return
	}
	f.Mends[0].Edits = []text.Edit{check.Replace(n.OpSpan, sign), check.Replace(high.Span(), next)}
	if sign == ">" { // the bound stands first
		f.Mends[0].Edits[0], f.Mends[0].Edits[1] = f.Mends[0].Edits[1], f.Mends[0].Edits[0]
	}
	p.Report(*f)
}

var instantEqualsDay = &check.Check{
	ID:    "range.instant-equals-day",
	Title: "instant compared with a day, which is its midnight",
	Doc: "A column with a time of day equals a date only at midnight; SQLite, which compares texts, finds nothing at all. The whole day is what lies from its first instant up to, " +
		"and without, the first of the next day.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at = '2026-05-01'",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= '2026-05-01' AND inspected_at < '2026-05-02'",
		Near: []string{
			"SELECT harvest_id FROM harvests WHERE taken_on = '2026-05-01'",
			"SELECT hive_id FROM inspections WHERE inspected_at = '2026-05-01 08:30'",
			"SELECT hive_id FROM inspections WHERE CAST(inspected_at AS date) = '2026-05-01'",
			"SELECT harvest_id FROM harvests WHERE taken_on = CURRENT_DATE",
			"SELECT hive_id FROM inspections WHERE inspected_at >= CURRENT_DATE",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at = CURRENT_DATE",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= CURRENT_DATE AND inspected_at < CURRENT_DATE + 1",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT harvest_id FROM harvests WHERE taken_on = NOW()",
		Good:    "SELECT harvest_id FROM harvests WHERE taken_on = CURRENT_DATE",
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT treatment_id FROM treatments WHERE treated_on = GETDATE()",
		Good:    "SELECT treatment_id FROM treatments WHERE treated_on = CAST(GETDATE() AS date)",
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT harvest_id FROM harvests WHERE taken_on = TRUNC(SYSDATE)"},
	}},
	On: check.Operators(func(p *check.Pass, n *syntax.Binary) {
		if !isWholeDay(p, n, n.X, n.Y) && !isWholeDay(p, n, n.Y, n.X) && !equalsClock(p, n, n.X, n.Y) {
			equalsClock(p, n, n.Y, n.X)
		}
	}, syntax.OpEqual).With(facts.NameSide),
}

// equalsClock reports an equality of a column and what the clock says, if the one has a time of day and
// the other has none, or both have one, which are hardly ever the same.
func equalsClock(p *check.Pass, n *syntax.Binary, column, value syntax.Expr) bool {
	name, ok := syntax.Unparen(column).(*syntax.Name)
	if !ok || p.Use(name).Status != bind.Resolved {
		return false
	}
	clock := p.ClockOf(value)
	if clock == facts.NoClock || !p.Tells(column) {
		return false
	}
	f := check.Finding{Span: n.Span(), Certainty: check.Likely}
	switch of := p.Type(column).Class; {
	case of == class.Date && clock == facts.Now && p.Dialect != dialect.Oracle:
		f.Message = fmt.Sprintf("%s is a day, and %s equals it only at midnight", p.Brief(column), p.Brief(value))
		f.Why = "The time of day is compared, too."
		f.Mends = []check.Mend{{Title: "compare with today", Effect: check.NewRows, Edits: []text.Edit{check.Replace(value.Span(), today(p, value))}}}
	case (of == class.Timestamp || of == class.TimestampTZ) && clock == facts.Today:
		f.Message = fmt.Sprintf("%s has a time of day, and equals %s only at midnight", p.Brief(column), p.Brief(value))
		f.Why = "The rest of the day is left out."
		f.Mends = []check.Mend{wholeOfToday(p, n, column, p.Text(value))}
	case (of == class.Timestamp || of == class.TimestampTZ || of == class.Date) && clock == facts.Now:
		if p.Dialect == dialect.Postgres {
			f.Certainty = check.Possible // now() is the beginning of the transaction, which rows may keep
		}
		f.Message = fmt.Sprintf("%s equals %s in this very instant only", p.Brief(column), p.Brief(value))
		f.Why = "The time of day is compared, too."
		f.Mends = []check.Mend{wholeOfToday(p, n, column, today(p, value))}
	default:
		return false
	}
	p.Report(f)
	return true
}

// wholeOfToday asks for all of today's instants.
func wholeOfToday(p *check.Pass, n *syntax.Binary, column syntax.Expr, today string) check.Mend {
	next := today + " + 1"
	switch p.Dialect {
	case dialect.ANSI:
		next = today + " + INTERVAL '1' DAY"
	case dialect.MySQL, dialect.MariaDB:
		next = today + " + INTERVAL 1 DAY"
	case dialect.SQLServer:
		next = "DATEADD(day, 1, " + today + ")"
	case dialect.Spark:
		next = "date_add(" + today + ", 1)"
	case dialect.SQLite:
		next = "date('now', '+1 day')"
	}
	condition := halfOpen(p, p.Text(column), today, next)
	return check.Mend{Title: "ask for the whole day", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), grouped(p, n, condition))}}
}

// today gives the day of an instant that is read off the clock.
func today(p *check.Pass, now syntax.Expr) string {
	switch p.Dialect {
	case dialect.SQLServer:
		return "CAST(" + p.Text(now) + " AS date)"
	case dialect.Oracle:
		return "TRUNC(" + p.Text(now) + ")"
	case dialect.Spark:
		return "current_date()"
	case dialect.SQLite:
		return "date('now')"
	}
	return p.Word(p.Stmt.Span.Start, "CURRENT_DATE")
}

// instantAndDay gives the day that a value is, if the column beside it has a time of day.
func instantAndDay(p *check.Pass, column, value syntax.Expr) (day time.Time, typed, ok bool) {
	if _, ok := syntax.Unparen(column).(*syntax.Name); !ok || !mayBeDay(value) || !p.Tells(column) {
		return day, false, false
	}
	of := p.Type(column).Class
	if of != class.Timestamp && of != class.TimestampTZ {
		return day, false, false
	}
	return p.DayOf(value)
}

// mayBeDay reports whether a value is a text as long as a day, or a literal with its type.
func mayBeDay(x syntax.Expr) bool {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		return n.Lit == syntax.TextLiteral && n.Span().Len() == len("'2026-05-01'")
	case *syntax.TypedLiteral:
		return true
	}
	return false
}

// dayLiteral writes a day as the author wrote the one beside it.
func dayLiteral(p *check.Pass, day time.Time, typed bool) string {
	if typed {
		return "DATE '" + day.Format(time.DateOnly) + "'"
	}
	return p.Dialect.Day(day.Format(time.DateOnly))
}

// halfOpen asks for what lies from one bound up to, and without, another.
func halfOpen(p *check.Pass, x, low, next string) string {
	return fmt.Sprintf("%s >= %s %s %s < %s", x, low, p.Word(p.Stmt.Span.Start, "AND"), x, next)
}

// grouped puts a chain of ANDs in parentheses where an operator around it is not AND.
func grouped(p *check.Pass, n syntax.Node, condition string) string {
	if around, ok := p.Parent(n).(*syntax.Binary); ok && around.Op == syntax.OpOr {
		return "(" + condition + ")"
	}
	return p.Guarded(n, condition)
}

// endsEarly makes a finding of an upper bound that is a day, of a column with a time of day, with
// a mend whose edits are still to come, and gives the next day as it is to be written; nil where
// it is none. One that is the first of a month is mostly the end of what lies before it.
func endsEarly(p *check.Pass, n, column, high syntax.Expr) (f *check.Finding, next string) {
	day, typed, ok := instantAndDay(p, column, high)
	if !ok {
		return nil, ""
	}
	certainty := check.Likely
	if day.Day() == 1 {
		certainty = check.Possible
	}
	return &check.Finding{
		Span: n.Span(), Certainty: certainty,
		Message: fmt.Sprintf("the range ends as %s begins, and %s has a time of day", p.Brief(high), p.Brief(column)),
		Why:     "Rows from later on that day are left out.",
		Mends:   []check.Mend{{Title: "end before the next day", Effect: check.NewRows}},
	}, dayLiteral(p, day.AddDate(0, 0, 1), typed)
}

// isWholeDay reports an equality of a column with a time of day and a day.
func isWholeDay(p *check.Pass, n *syntax.Binary, column, value syntax.Expr) bool {
	day, typed, ok := instantAndDay(p, column, value)
	if !ok {
		return false
	}
	name := p.Text(column)
	condition := halfOpen(p, name, dayLiteral(p, day, typed), dayLiteral(p, day.AddDate(0, 0, 1), typed))
	f := check.Finding{
		Span: n.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s has a time of day, and equals %s only at midnight", p.Brief(column), p.Brief(value)),
		Why:     "The rest of the day is left out.",
		Mends:   []check.Mend{{Title: "ask for the whole day", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), grouped(p, n, condition))}}},
	}
	p.Report(f)
	return true
}
