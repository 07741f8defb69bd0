package ranges

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var dayMonth = &check.Check{
	ID:    "range.day-month",
	Title: "date whose day and month can be taken for each other",
	Doc: "The text '03/04/2026' is the third of April or the fourth of March, by a setting of the server or the session; '31/12/2026' is refused where the month is read first. MySQL, " +
		"MariaDB, SQLite and Spark read dates that begin with the year only: the text is no date there. A date such as '2026-04-03' is read alike everywhere.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Refused, dialect.In(dialect.MySQL, dialect.Oracle, dialect.ANSI)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE moved_on = '03/04/2026'",
		Near: []string{
			"SELECT name FROM hives WHERE moved_on = '2026/04/03'",
			"SELECT name FROM hives WHERE name = '03/04/2026'",
			"SELECT name FROM hives WHERE moved_on = '04/04/2026'",
			"SELECT name FROM hives WHERE moved_on = TO_DATE('03/04/2026', 'DD/MM/YYYY')",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE moved_on >= '31/12/2025'",
		Good:    "SELECT name FROM hives WHERE moved_on >= '2025-12-31'",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE moved_on BETWEEN '13.04.2026' AND '2026-05-01'",
		Good:    "SELECT name FROM hives WHERE moved_on BETWEEN '2026-04-13' AND '2026-05-01'",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM hives WHERE moved_on < '4/13/2026'",
		Good:    "SELECT name FROM hives WHERE moved_on < '2026-04-13'",
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name FROM hives WHERE moved_on = '03-04-2026'",
	}},
	On: datesThat(isDayMonth, runDayMonth),
}

// isDayMonth reports whether a text begins with a day and a month before the year.
func isDayMonth(value string) bool {
	if value[1] != '/' && value[1] != '.' && value[1] != '-' && value[2] != '/' && value[2] != '.' && value[2] != '-' {
		return false
	}
	_, ok := readDayMonth(value)
	return ok
}

func runDayMonth(p *check.Pass, w written) {
	first, _ := readDayMonth(w.value)
	second := reading{first.year, first.day, first.month}
	byYear := dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark).Has(p.Dialect)
	certainty := check.Likely
	switch {
	case w.place.IsOpen():
		certainty = check.Possible
	case byYear && p.Dialect != dialect.SQLite:
		certainty = check.Certain
	}
	f := check.Finding{Span: w.literal.Span(), Certainty: certainty, Verdicts: p.Check.Verdicts}
	both := first.isDay() && second.isDay()
	switch {
	case !first.isDay() && !second.isDay():
		f.Message = fmt.Sprintf("%s is no day, whichever of day and month is read first", p.Brief(w.literal))
		f.Why = "No month has that many days, or there is no such month."
		f.Certainty = max(f.Certainty, check.Likely)
		f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLServer))
		f.Mends = []check.Mend{{Title: "write a day that there is, with the year first", Effect: check.ByHand}}
	case both && first == second && !byYear:
		return
	case byYear:
		f.Message = fmt.Sprintf("%s is no date to %s, and %s is one", p.Brief(w.literal), p.Dialect.Title(), w.holder(p))
		f.Why = "It reads dates that begin with the year."
		if p.Dialect == dialect.SQLite {
			f.Message = fmt.Sprintf("%s is compared as a text, and %s is a date", p.Brief(w.literal), w.holder(p))
			f.Why = "Texts that begin with the day or the month do not sort as time, and equal no date that begins with the year."
		}
	case both:
		f.Message = fmt.Sprintf("%s is %s or %s", p.Brief(w.literal), first.words(), second.words())
		f.Why = "Which one is a setting of the session."
	default:
		f.Message = fmt.Sprintf("%s is a date only where the %s is read first", p.Brief(w.literal), orderOf(first))
		f.Why = "Which is read first is a setting of the session; with the other one the text is refused."
		if p.Dialect == dialect.Postgres {
			f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.Postgres))
			if first.isDay() { // as by default
				return
			}
		}
	}
	if w.place.Stored {
		f.Verdicts = f.Verdicts.But(check.Refused, dialect.In(dialect.MariaDB))
	}
	for i, r := range []reading{first, second} { // none of them is one where the text is no day
		if r.isDay() && !(i == 1 && r == first) {
			f.Mends = append(f.Mends, check.Mend{Title: "say " + r.words(), Effect: check.NewRows, Edits: []text.Edit{w.rewritten(p, r)}})
		}
	}
	if len(f.Mends) == 2 { // a choice that a person must make
		f.Mends = []check.Mend{{Title: fmt.Sprintf("write %s or %s", p.Dialect.Day(first.iso()), p.Dialect.Day(second.iso())), Effect: check.ByHand}}
	}
	p.Report(f)
}

// rewritten puts a date that begins with the year in the place of the text, and keeps what
// follows it.
func (w written) rewritten(p *check.Pass, r reading) text.Edit {
	if _, typed := p.Above(w.literal).(*syntax.TypedLiteral); !typed && !strings.ContainsAny(w.value, " T") {
		return check.Replace(w.literal.Span(), p.Dialect.Day(r.iso()))
	}
	start := w.literal.Span().Start + 1
	end := len(w.value)
	if i := strings.IndexAny(w.value, " T"); i >= 0 {
		end = i
	}
	return check.Replace(text.Span{Start: start, End: start + text.Pos(end)}, r.iso())
}

// reading is one way to read a date.
type reading struct{ year, month, day int }

// readDayMonth reads a text with the month first.
func readDayMonth(s string) (reading, bool) {
	numbers, widths, ok := parts(s, s[strings.IndexAny(s, "-/.")])
	if !ok || widths[2] != 4 || widths[0] > 2 || widths[1] > 2 || numbers[2] < 1000 {
		return reading{}, false
	}
	return reading{numbers[2], numbers[0], numbers[1]}, true
}

func (r reading) isDay() bool { return r.day >= 1 && r.day <= daysIn(r.year, r.month) }

func (r reading) iso() string { return fmt.Sprintf("%04d-%02d-%02d", r.year, r.month, r.day) }

var months = [...]string{"", "January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"}

func (r reading) words() string { return fmt.Sprintf("%d %s %d", r.day, months[r.month], r.year) }

// orderOf says which part of a date stands first, by its reading with the month first.
func orderOf(first reading) string {
	if first.isDay() {
		return "month"
	}
	return "day"
}
