package ranges

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var impossibleDate = &check.Check{
	ID:     "range.impossible-date",
	Title:  "a day that there is not",
	Errors: []string{"22008", "22007", "ORA-01839", "1292", "Msg 241", "Msg 242"},
	Doc: "The 30th of February, a 13th month. PostgreSQL, MySQL, SQL Server and Oracle refuse such a date. MariaDB compares with it as if it were a day, and stores it not; " +
		"SQLite keeps any text; a cast gives NULL or a day of the next month.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MariaDB, dialect.SQLite, dialect.Spark)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE moved_on <= '2026-02-30'",
		Good:    "SELECT name FROM hives WHERE moved_on <= '2026-02-28'",
		Near: []string{
			"SELECT name FROM hives WHERE moved_on <= '2028-02-29'",
			"SELECT name FROM hives WHERE name = '2026-02-30'",
			"SELECT hive_id FROM inspections WHERE inspected_at < '2026-12-31 23:59:59'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) VALUES (900, 1, '2026-06-31', 'thymol')",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE moved_on = '2026-06-31'",
		Near:    []string{"SELECT name FROM hives WHERE moved_on = '0000-00-00'"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "UPDATE hives SET moved_on = '2026-13-01' WHERE hive_id = 1",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM hives WHERE moved_on IN ('2025-02-28', '2025-02-29')",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT DATE '2026-04-31' AS day",
	}},
	On: datesThat(isImpossible, runImpossibleDate),
}

// isImpossible reports whether a text that begins with year, month and day names no day.
func isImpossible(value string) bool {
	numbers, widths, ok := parts(value, '-')
	return ok && widths[0] == 4 && widths[1] <= 2 && widths[2] <= 2 && (numbers[2] < 1 || numbers[2] > daysIn(numbers[0], numbers[1]))
}

func runImpossibleDate(p *check.Pass, w written) {
	numbers, widths, _ := parts(w.value, '-')
	year, month, day := numbers[0], numbers[1], numbers[2]
	last := daysIn(year, month)
	if (month == 0 || day == 0) && dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite).Has(p.Dialect) {
		return // which stands for a day that is not known there
	}
	f := check.Finding{
		Span: w.literal.Span(), Certainty: check.Certain, Verdicts: impossible(p.Check, w),
		Message: fmt.Sprintf("%s is no day", p.Brief(w.literal)),
		Why:     fmt.Sprintf("The month has %d days.", last),
		Mends:   []check.Mend{{Title: "write a day that there is", Effect: check.ByHand}},
	}
	if last == 0 {
		f.Why = "A year has twelve months."
	}
	switch {
	case f.Verdicts[p.Dialect] != check.Wrong:
	case w.place.Cast != nil && p.Dialect != dialect.SQLite:
		f.Why += " The cast gives NULL."
	case !w.place.Stored && w.by == syntax.OpEqual:
		f.Why += " No row equals it."
	}
	if w.place.IsOpen() {
		f.Certainty = check.Likely
	}
	if last > 0 && day > last && (w.by == syntax.OpLessEqual || w.by == syntax.OpGreater) && !w.isInstant() {
		start := w.literal.Span().Start + text.Pos(1+widths[0]+1+widths[1]+1)
		f.Mends = []check.Mend{{Title: "write the last day of the month", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(text.Span{Start: start, End: start + text.Pos(widths[2])}, fmt.Sprint(last))}}}
	}
	p.Report(f)
}

// impossible gives the consequence of a date that there is not, by its place: a bound still
// parts the days before it from those behind.
func impossible(c *check.Check, w written) check.Verdicts {
	switch {
	case w.place.Stored:
		return c.Verdicts.But(check.Refused, dialect.In(dialect.MariaDB))
	case w.place.Cast != nil:
		return castVerdicts
	case w.bound:
		return c.Verdicts.But(check.Unclear, dialect.In(dialect.MariaDB, dialect.SQLite))
	}
	return c.Verdicts
}
