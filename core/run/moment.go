package run

import (
	"strconv"
	"strings"
	"time"

	"justlens/core/dialect"
)

// moment reads a text that stands for a date, or a date and time, as the dialect does; ok is false
// for one that is none. What settings decide, or is not known, ends the run.
func (r *rules) moment(s string) (v Value, ok bool) {
	if r.dialect == dialect.SQLite && strings.HasPrefix(s, " ") {
		return Value{}, false
	}
	if v, ok := isoMoment(s); ok {
		return v, true
	}
	day, clock, _ := cutMoment(s)
	parts, separators := dateParts(day)
	switch {
	case r.dialect == dialect.SQLite:
		return r.sqliteMoment(s)
	case r.isMySQL():
		f, ok := mySQLFields(s)
		if !ok {
			return Value{}, false
		}
		return f.value()
	case len(parts) == 3 && len(parts[0]) == 4: // 2026/5/1, 2026.05.01
		if separators == "--" || r.isPostgres() {
			return withClock(parts[0], parts[1], parts[2], clock)
		}
	case len(parts) == 1 && len(day) == 8 && (r.isPostgres() || r.dialect == dialect.SQLServer): // 20260501
		return withClock(day[:4], day[4:6], day[6:], clock)
	case len(parts) == 3 && len(parts[2]) == 4 && r.isPostgres() && separators != "..":
		// By the usual DateStyle, in which the month comes first (PostgreSQL 15, 20.11.2).
		return withClock(parts[2], parts[0], parts[1], clock)
	case len(parts) == 2 && r.isPostgres():
		return Value{}, false
	}
	if r.dialect == dialect.Spark && len(parts) != 1 {
		return Value{}, false
	}
	panic(unknownHere("the text '" + s + "' as a date"))
}

// isoMoment reads YYYY-MM-DD, and a time behind it.
func isoMoment(s string) (v Value, ok bool) {
	s = strings.TrimSpace(s)
	if t, err := time.Parse(dayForm, s); err == nil {
		return OfDay(t), true
	}
	if len(s) <= len(dayForm) {
		return Value{}, false
	}
	for _, form := range []string{"2006-01-02 15:04:05.999999", "2006-01-02 15:04", "2006-01-02T15:04:05.999999", "2006-01-02T15:04"} {
		if t, err := time.Parse(form, s); err == nil {
			return OfTime(t), true
		}
	}
	return Value{}, false
}

// cutMoment divides a text at the blank or T behind its date.
func cutMoment(s string) (day, clock string, both bool) {
	s = strings.TrimSpace(s)
	if i := strings.IndexAny(s, " T"); i > 0 {
		return s[:i], s[i+1:], true
	}
	return s, "", false
}

// dateParts gives the numbers of a date and what stands between them; nil where it has other parts.
func dateParts(day string) (parts []string, separators string) {
	at := 0
	for i := 0; i <= len(day); i++ {
		if i < len(day) && day[i] >= '0' && day[i] <= '9' {
			continue
		}
		if i == at {
			return nil, ""
		}
		parts = append(parts, day[at:i])
		if i < len(day) {
			if !strings.ContainsRune("-/.", rune(day[i])) {
				return nil, ""
			}
			separators += day[i : i+1]
		}
		at = i + 1
	}
	return parts, separators
}

// withClock makes a date, or a timestamp where a time of day stands, too; ok is false for a day that
// does not exist.
func withClock(year, month, day, clock string) (v Value, ok bool) {
	t, err := time.Parse("2006-1-2", year+"-"+strings.TrimPrefix(month, "0")+"-"+strings.TrimPrefix(day, "0"))
	if err != nil {
		return Value{}, false
	}
	if clock == "" {
		return OfDay(t), true
	}
	c, ok := parseClock(clock)
	if !ok {
		panic(unknownHere("the time '" + clock + "'"))
	}
	return Value{Kind: Timestamp, n: OfDay(t).micros() + c.n}, true
}

// sqliteMoment reads what else is a moment there: a day up to 31 in any month, a time of day (SQLite,
// "Date And Time Functions", 2).
func (r *rules) sqliteMoment(s string) (v Value, ok bool) {
	day, _, both := cutMoment(s)
	parts, separators := dateParts(day)
	switch {
	case separators == "--" && len(parts) == 3 && len(parts[0]) == 4 && len(parts[1]) == 2 && len(parts[2]) == 2 && parts[1] <= "12" && parts[2] <= "31" && parts[1] > "00" && parts[2] > "00":
		panic(unknownHere("the day " + day))
	case strings.ContainsAny(s, ":+Z") || strings.EqualFold(s, "now") || len(parts) == 1 || len(parts) == 2 && separators == ".":
		if !both && len(parts) == 1 && len(day) == 8 {
			return Value{}, false // a Julian day beyond what is one
		}
		panic(unknownHere("the moment '" + s + "'"))
	}
	return Value{}, false
}

// fields are the numbers of a date and time as MySQL and MariaDB read them ("String and Numeric
// Literals in Date and Time Context"), which may be those of no day.
type fields struct {
	year, month, day int
	clock            int64 // in microseconds
	timed            bool
}

// mySQLFields reads a text; ok is false for one that has no date at its beginning.
func mySQLFields(s string) (f fields, ok bool) {
	day, clock, both := cutMoment(s)
	parts, _ := dateParts(day)
	number := func(s string) int { n, _ := strconv.Atoi(s); return n }
	switch {
	case len(parts) == 1 && (len(day) == 8 || len(day) == 14):
		f.year, f.month, f.day, day = number(day[:4]), number(day[4:6]), number(day[6:8]), day[8:]
	case len(parts) == 1 && (len(day) == 6 || len(day) == 12):
		f.year, f.month, f.day, day = century(number(day[:2])), number(day[2:4]), number(day[4:6]), day[6:]
	case len(parts) == 3:
		f.year, f.month, f.day, day = number(parts[0]), number(parts[1]), number(parts[2]), ""
		if len(parts[0]) <= 2 {
			f.year = century(f.year)
		}
		if len(parts[0]) > 4 || len(parts[1]) > 2 || len(parts[2]) > 2 {
			return fields{}, false
		}
	case len(parts) > 0:
		return fields{}, false
	case day != "" && day[0] >= '0' && day[0] <= '9':
		panic(unknownHere("the text '" + s + "' as a date"))
	default:
		return fields{}, false
	}
	if len(day) == 6 {
		clock, both = day[:2]+":"+day[2:4]+":"+day[4:], true
	}
	if both && clock != "" {
		c, ok := looseClock(clock)
		if !ok {
			panic(unknownHere("the time '" + clock + "'"))
		}
		f.clock, f.timed = c, true
	}
	return f, f.month <= 12 && f.day <= 31
}

// looseClock reads hours, minutes and seconds of one or two digits.
func looseClock(s string) (micros int64, ok bool) {
	parts := strings.Split(s, ":")
	if len(parts) < 2 {
		return 0, false
	}
	for i, p := range parts {
		if len(p) == 1 {
			parts[i] = "0" + p
		}
	}
	c, ok := parseClock(strings.Join(parts, ":"))
	return c.n, ok
}

func century(year int) int {
	if year < 70 {
		return 2000 + year
	}
	return 1900 + year
}

// value gives the date; ok is false where there is no such day.
func (f fields) value() (v Value, ok bool) {
	if f.month == 0 || f.day == 0 {
		panic(unknownHere("a date whose month or day is 0"))
	}
	t := time.Date(f.year, time.Month(f.month), f.day, 0, 0, 0, 0, time.UTC)
	if t.Day() != f.day {
		return Value{}, false
	}
	if f.timed {
		return Value{Kind: Timestamp, n: OfDay(t).micros() + f.clock}, true
	}
	return OfDay(t), true
}

// packed gives a number by which MariaDB orders dates and times, days that do not exist among them.
func (f fields) packed() int64 {
	return int64((f.year*13+f.month)*32+f.day)*dayLength + f.clock
}

// packed is that of a date or timestamp.
func packed(v Value) int64 {
	t := v.moment()
	return fields{year: t.Year(), month: int(t.Month()), day: t.Day(), clock: v.micros() - v.day().micros()}.packed()
}

// compareDayText orders a text with a date or timestamp; ok is false where that is unknown.
func (r *rules) compareDayText(text string, other Value) (o int, ok bool) {
	if r.dialect == dialect.MariaDB {
		// A text that is no date is the zero date; a day that its month does not have stands behind those
		// that it has (seen on 10.11).
		f, ok := mySQLFields(text)
		if !ok {
			f = fields{}
		}
		return order(f.packed(), packed(other)), true
	}
	m, ok := r.moment(text)
	switch {
	case !ok && r.dialect == dialect.Spark: // which makes it NULL
		return 0, false
	case !ok:
		panic(noDate(text))
	}
	return order(m.micros(), other.micros()), true
}

func noDate(s string) Refusal { return Refusal{What: "the text '" + s + "' is no date"} }

// dayOfNumber gives the date that MySQL and MariaDB take a number for: 20260501, 260501.
func dayOfNumber(n Value) (v Value, ok bool) {
	whole := n.asDecimal().Truncate(0)
	if whole.NumDigits() > 14 || whole.NumDigits() < 6 {
		return Value{}, false
	}
	f, ok := mySQLFields(whole.String())
	if !ok {
		return Value{}, false
	}
	return f.value()
}
