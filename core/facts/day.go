package facts

import (
	"fmt"
	"strings"
	"time"

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
