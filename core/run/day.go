package run

import (
	"fmt"
	"strconv"
	"strings"
	"time"
)

const (
	dayForm   = "2006-01-02"
	second    = int64(1_000_000) // in microseconds
	minute    = 60 * second
	hour      = 60 * minute
	dayLength = 24 * hour
)

// OfDay makes a date.
func OfDay(t time.Time) Value { return Value{Kind: Date, n: floorDiv(t.Unix(), 86400)} }

// OfTime makes a timestamp.
func OfTime(t time.Time) Value { return Value{Kind: Timestamp, n: t.UnixMicro()} }

func dayOf(days int64) time.Time { return time.Unix(days*86400, 0).UTC() }

func floorDiv(a, b int64) int64 {
	q := a / b
	if a%b < 0 {
		q--
	}
	return q
}

// moment gives a date or timestamp as a time.
func (v Value) moment() time.Time {
	if v.Kind == Date {
		return dayOf(v.n)
	}
	return time.UnixMicro(v.n).UTC()
}

// micros gives a date or timestamp as microseconds since 1970.
func (v Value) micros() int64 {
	if v.Kind == Date {
		return v.n * dayLength
	}
	return v.n
}

// day gives the date of a date or timestamp.
func (v Value) day() Value { return Value{Kind: Date, n: floorDiv(v.micros(), dayLength)} }

func clock(micros int64) string {
	s := fmt.Sprintf("%02d:%02d:%02d", micros/hour, micros/minute%60, micros/second%60)
	return s + fraction(micros)
}

func fraction(micros int64) string {
	f := micros % second
	if f < 0 {
		f += second
	}
	if f == 0 {
		return ""
	}
	return strings.TrimRight(fmt.Sprintf(".%06d", f), "0")
}

func stamp(micros int64) string {
	return time.UnixMicro(micros).UTC().Format("2006-01-02 15:04:05") + fraction(micros)
}

// length gives an interval as microseconds, a month as thirty days.
func (v Value) length() int64 { return (int64(v.months)*30+int64(v.days))*dayLength + v.n }

// span writes an interval: 1 year 2 mons 3 days 04:05:06.
func (v Value) span() string {
	var parts []string
	part := func(n int64, one string) {
		if n == 0 {
			return
		}
		if n != 1 {
			one += "s"
		}
		parts = append(parts, strconv.FormatInt(n, 10)+" "+one)
	}
	part(int64(v.months/12), "year")
	part(int64(v.months%12), "mon")
	part(int64(v.days), "day")
	if v.n != 0 || len(parts) == 0 {
		if v.n < 0 {
			parts = append(parts, "-"+clock(-v.n))
		} else {
			parts = append(parts, clock(v.n))
		}
	}
	return strings.Join(parts, " ")
}

// later adds an interval to a date or timestamp; a day that the month does not have
// becomes its last.
func (v Value) later(by Value, sign int) Value {
	t := v.moment()
	if by.months != 0 {
		t = addMonths(t, sign*int(by.months))
	}
	t = t.AddDate(0, 0, sign*int(by.days))
	return Value{Kind: Timestamp, n: t.UnixMicro() + int64(sign)*by.n}
}

func addMonths(t time.Time, n int) time.Time {
	y, m, d := t.Date()
	first := time.Date(y, m+time.Month(n), 1, 0, 0, 0, 0, time.UTC)
	last := first.AddDate(0, 1, -1).Day()
	return time.Date(first.Year(), first.Month(), min(d, last), t.Hour(), t.Minute(), t.Second(), t.Nanosecond(), time.UTC)
}

// parseClock reads a time of day.
func parseClock(s string) (v Value, ok bool) {
	for _, form := range []string{"15:04:05.999999", "15:04"} {
		if t, err := time.Parse(form, strings.TrimSpace(s)); err == nil {
			return Value{Kind: Time, n: int64(t.Hour())*hour + int64(t.Minute())*minute + int64(t.Second())*second + int64(t.Nanosecond()/1000)}, true
		}
	}
	return Value{}, false
}

// intervalOf makes an interval of a number of a unit, in lower case; ok is false for a
// unit that is none.
func intervalOf(n float64, unit string) (v Value, ok bool) {
	v = Value{Kind: Interval}
	switch unit = strings.TrimSuffix(unit, "s"); unit {
	case "year":
		v.months = int32(12 * n)
	case "quarter":
		v.months = int32(3 * n)
	case "month", "mon":
		v.months = int32(n)
	case "week":
		v.days = int32(7 * n)
	case "day":
		v.days = int32(n)
	case "hour":
		v.n = int64(n * float64(hour))
	case "minute", "min":
		v.n = int64(n * float64(minute))
	case "second", "sec":
		v.n = int64(n * float64(second))
	default:
		return Value{}, false
	}
	return v, true
}

// parseInterval reads an interval as in '1 day', '2 months 3 days', '01:30:00'.
func parseInterval(s string) (sum Value, ok bool) {
	fields := strings.Fields(strings.ToLower(s))
	sum = Value{Kind: Interval}
	for len(fields) > 0 {
		if c, isClock := parseClock(fields[0]); isClock && strings.Contains(fields[0], ":") {
			sum.n += c.n
			fields = fields[1:]
			continue
		}
		if len(fields) < 2 {
			return Value{}, false
		}
		n, err := strconv.ParseFloat(fields[0], 64)
		if err != nil || n != float64(int64(n)) {
			return Value{}, false
		}
		part, known := intervalOf(n, fields[1])
		if !known {
			return Value{}, false
		}
		sum.months, sum.days, sum.n = sum.months+part.months, sum.days+part.days, sum.n+part.n
		fields = fields[2:]
	}
	return sum, true
}

// part gives a field of a date, timestamp, time or interval by its unit; ok is false for
// a unit that is not known.
func (v Value) part(unit string) (n float64, ok bool) {
	if v.Kind == Interval {
		switch unit {
		case "year":
			return float64(v.months / 12), true
		case "month":
			return float64(v.months % 12), true
		case "day":
			return float64(v.days), true
		case "hour":
			return float64(v.n / hour), true
		case "minute":
			return float64(v.n / minute % 60), true
		case "second":
			return float64(v.n%minute) / float64(second), true
		case "epoch":
			return float64(v.length()) / float64(second), true
		}
		return 0, false
	}
	if v.Kind == Time {
		switch unit {
		case "hour":
			return float64(v.n / hour), true
		case "minute":
			return float64(v.n / minute % 60), true
		case "second":
			return float64(v.n%minute) / float64(second), true
		}
		return 0, false
	}
	t := v.moment()
	switch unit {
	case "year":
		return float64(t.Year()), true
	case "month":
		return float64(t.Month()), true
	case "day":
		return float64(t.Day()), true
	case "quarter":
		return float64((t.Month()-1)/3 + 1), true
	case "hour":
		return float64(t.Hour()), true
	case "minute":
		return float64(t.Minute()), true
	case "second":
		return float64(t.Second()) + float64(t.Nanosecond())/1e9, true
	case "dow":
		return float64(t.Weekday()), true
	case "isodow":
		return float64((int(t.Weekday())+6)%7 + 1), true
	case "doy":
		return float64(t.YearDay()), true
	case "week", "isoweek":
		_, w := t.ISOWeek()
		return float64(w), true
	case "isoyear":
		y, _ := t.ISOWeek()
		return float64(y), true
	case "epoch":
		return float64(v.micros()) / float64(second), true
	}
	return 0, false
}

// truncated gives the beginning of the unit that a date or timestamp falls into.
func (v Value) truncated(unit string) (Value, bool) {
	t := v.moment()
	y, m, d := t.Date()
	switch unit {
	case "year":
		m, d = 1, 1
	case "quarter":
		m, d = (m-1)/3*3+1, 1
	case "month":
		d = 1
	case "week":
		d -= (int(t.Weekday()) + 6) % 7
	case "day":
	case "hour":
		return OfTime(t.Truncate(time.Hour)), true
	case "minute":
		return OfTime(t.Truncate(time.Minute)), true
	case "second":
		return OfTime(t.Truncate(time.Second)), true
	default:
		return Value{}, false
	}
	return OfTime(time.Date(y, m, d, 0, 0, 0, 0, time.UTC)), true
}
