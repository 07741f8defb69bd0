package facts

import (
	"fmt"
	"strings"
	"time"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
	"justlens/core/text"
)

// BareDay is a day that is written as numbers with signs between them, without quotes.
type BareDay struct {
	Year, Month, Day int
	// Padded tells that a number has a zero before it, as only dates have.
	Padded bool
	// Twice tells that day and month may stand either way round.
	Twice bool
}

// ISO gives the day as year, month and day; "" where it can be read in two ways.
func (d BareDay) ISO() string {
	if d.Twice {
		return ""
	}
	return fmt.Sprintf("%04d-%02d-%02d", d.Year, d.Month, d.Day)
}

// DayWithoutQuotes reads an expression such as 2026-05-01 or 05/01/2026 as a day; false for
// what is none, or has blanks in it.
func (in *Facts) DayWithoutQuotes(x syntax.Expr) (d BareDay, ok bool) {
	n, is := x.(*syntax.Binary)
	if !is || n.Op != syntax.OpSubtract && n.Op != syntax.OpDivide {
		return d, false
	}
	left, is := n.X.(*syntax.Binary)
	if !is || left.Op != n.Op || n.Span().Len() > len("2026-05-01") {
		return d, false
	}
	var numbers, widths [3]int
	for i, part := range []syntax.Expr{left.X, left.Y, n.Y} {
		lit, is := part.(*syntax.Literal)
		if !is || lit.Lit != syntax.NumberLiteral {
			return d, false
		}
		for _, c := range []byte(text.View(in.Src, lit.Span())) {
			if c < '0' || c > '9' {
				return d, false
			}
			numbers[i] = numbers[i]*10 + int(c-'0')
			widths[i]++
		}
		d.Padded = d.Padded || widths[i] == 2 && numbers[i] < 10
	}
	if int(n.Span().Len()) != widths[0]+widths[1]+widths[2]+2 {
		return d, false
	}
	switch {
	case widths[0] == 4:
		d.Year, d.Month, d.Day = numbers[0], numbers[1], numbers[2]
	case widths[2] == 4 && numbers[0] > 12:
		d.Year, d.Month, d.Day = numbers[2], numbers[1], numbers[0]
	case widths[2] == 4:
		d.Year, d.Month, d.Day = numbers[2], numbers[0], numbers[1]
		d.Twice = d.Day <= 12 && d.Day != d.Month
	}
	return d, d.Year >= 1000 && d.Month >= 1 && d.Month <= 12 && d.Day >= 1 && d.Day <= 31
}

// DayOfDigits reads a number of eight digits as year, month and day.
func DayOfDigits(s string) (iso string, ok bool) {
	day, err := time.Parse("20060102", s)
	return day.Format(time.DateOnly), err == nil
}

// DayOf reads '2026-05-01' and DATE '2026-05-01', which is typed.
func (in *Facts) DayOf(x syntax.Expr) (day time.Time, typed, ok bool) {
	x = syntax.Unparen(x)
	if t, is := x.(*syntax.TypedLiteral); is {
		if !strings.EqualFold(in.Text(t.Type), "date") {
			return day, false, false
		}
		x, typed = t.Value, true
	}
	lit, is := x.(*syntax.Literal)
	if !is || lit.Lit != syntax.TextLiteral {
		return day, false, false
	}
	day, err := time.Parse(time.DateOnly, strings.Trim(in.Text(lit), "'"))
	return day, typed, err == nil
}

// Clock is what an expression reads off the database's clock.
type Clock uint8

const (
	NoClock Clock = iota
	Today         // the day that it is
	Now           // this instant
)

// ClockOf tells what an expression reads off the clock. The CURRENT_DATE of Oracle has a time of day
// ("CURRENT_DATE" in its SQL reference).
func (in *Facts) ClockOf(x syntax.Expr) Clock {
	name := ""
	var args []syntax.Expr
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Name:
		if len(n.Parts) == 1 && !n.Parts[0].Quoted && in.Use(n).Status == bind.Builtin {
			name = in.Names.String(n.Parts[0].Sym)
		}
	case *syntax.Call:
		if len(n.Name) == 1 && n.Over == nil && len(n.Args) <= 1 {
			name, args = in.FunctionName(n), n.Args
		}
	case *syntax.Cast:
		if in.Dialect != dialect.Oracle && in.Type(n).Class == class.Date && in.ClockOf(n.X) != NoClock {
			return Today
		}
	}
	switch name {
	case "now", "current_timestamp", "localtimestamp", "sysdate", "systimestamp", "getdate", "getutcdate", "sysdatetime", "utc_timestamp",
		"clock_timestamp", "statement_timestamp", "transaction_timestamp":
		return Now
	case "current_date", "curdate", "utc_date":
		if in.Dialect == dialect.Oracle {
			return Now
		}
		return Today
	case "date", "datetime", "trunc":
		switch {
		case len(args) != 1:
		case in.Dialect == dialect.SQLite && name != "trunc" && in.Text(args[0]) == "'now'":
			return map[string]Clock{"date": Today, "datetime": Now}[name]
		case name != "datetime" && in.ClockOf(args[0]) != NoClock:
			return Today
		}
	}
	return NoClock
}

// FromClock tells on which side of what the clock says an expression lies: -1 before it, 0 at it, 1 after it,
// as NOW() - INTERVAL 7 DAY and DATEADD(day, -7, GETDATE()) do; ok is false for what is none of these.
func (in *Facts) FromClock(x syntax.Expr) (side int, ok bool) {
	if in.ClockOf(x) != NoClock {
		return 0, true
	}
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Binary:
		if n.Op != syntax.OpAdd && n.Op != syntax.OpSubtract || in.ClockOf(n.X) == NoClock {
			return 0, false
		}
		if side = in.spanSign(n.Y); n.Op == syntax.OpSubtract {
			side = -side
		}
		return side, side != 0
	case *syntax.Call:
		if in.FunctionName(n) != "dateadd" && in.FunctionName(n) != "date_add" && in.FunctionName(n) != "date_sub" || len(n.Args) < 2 || in.ClockOf(n.Args[len(n.Args)-1]) == NoClock && in.ClockOf(n.Args[0]) == NoClock {
			return 0, false
		}
		amount := n.Args[1]
		if in.FunctionName(n) == "dateadd" {
			amount = n.Args[len(n.Args)-2]
		}
		if side = in.spanSign(amount); in.FunctionName(n) == "date_sub" {
			side = -side
		}
		return side, side != 0
	}
	return 0, false
}

// spanSign gives the sign of a number, or of a span of time, that is written out; 0 for what is none.
func (in *Facts) spanSign(x syntax.Expr) int {
	sign := 1
	x = syntax.Unparen(x)
	if i, ok := x.(*syntax.Interval); ok {
		x = syntax.Unparen(i.Value)
	}
	if u, ok := x.(*syntax.Unary); ok && u.Op == syntax.OpNegate {
		x, sign = syntax.Unparen(u.X), -1
	}
	l, ok := x.(*syntax.Literal)
	if !ok || l.Lit != syntax.NumberLiteral && l.Lit != syntax.TextLiteral {
		return 0
	}
	value := strings.Trim(in.Text(l), "' ")
	if value == "" || value[0] < '1' || value[0] > '9' || strings.ContainsAny(value, "-+") {
		return 0
	}
	return sign
}
