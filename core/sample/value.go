package sample

import (
	"strconv"
	"strings"
	"time"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
)

// Value is a value of a column. The zero Value is NULL.
type Value struct {
	Class class.Class
	// Text is the value as a cast to text shows it: 12, 3.50, 2026-05-01.
	Text string
	Set  bool // not NULL
}

// Of makes a value that is not NULL.
func Of(c class.Class, text string) Value { return Value{c, text, true} }

// Literal writes the value for a database.
func (v Value) Literal(d dialect.Dialect) string {
	switch {
	case !v.Set:
		return "NULL"
	case v.Class.IsNumber():
		return v.Text
	case v.Class == class.Boolean:
		if d == dialect.Oracle || d == dialect.SQLServer {
			return map[string]string{"true": "1", "false": "0"}[v.Text]
		}
		return v.Text
	case v.Class == class.Binary:
		if d == dialect.Postgres {
			return `'\x` + v.Text + "'"
		}
		return "x'" + v.Text + "'"
	}
	text := strings.ReplaceAll(v.Text, "'", "''")
	if d.Has(dialect.BackslashEscapes) {
		text = strings.ReplaceAll(text, `\`, `\\`)
	}
	if d == dialect.Oracle && v.Class.HasDay() {
		if v.Class == class.Date {
			return "DATE '" + text + "'"
		}
		return "TIMESTAMP '" + text + "'"
	}
	return "'" + text + "'"
}

// key gives what tells the value from others wherever letter case, blanks at the
// end and ways to write a number do not count.
func (v Value) key() string {
	if v.Class == class.Integer {
		return v.Text
	}
	if f, err := strconv.ParseFloat(v.Text, 64); err == nil {
		return strconv.FormatFloat(f, 'g', -1, 64)
	}
	return strings.ToLower(strings.TrimRight(v.Text, " "))
}

const (
	dayForm     = "2006-01-02"
	instantForm = "2006-01-02 15:04:05"
)

// neighbours gives the values next to one: those that a condition with the wrong
// operator or bound takes for it.
func neighbours(v Value, t schema.Type) []Value {
	switch t.Class {
	case class.Integer, class.Decimal, class.Float:
		f, err := strconv.ParseFloat(v.Text, 64)
		if err != nil {
			return nil
		}
		step := 1.0
		for range min(t.Scale, 3) {
			step /= 10
		}
		return []Value{number(t, f-step), number(t, f), number(t, f+step)}
	case class.Date, class.Timestamp, class.TimestampTZ:
		at, err := time.Parse(dayForm, v.Text[:min(len(v.Text), len(dayForm))])
		if err != nil {
			return nil
		}
		list := []Value{instant(t.Class, at.AddDate(0, 0, -1)), instant(t.Class, at), instant(t.Class, at.Add(12*time.Hour)), instant(t.Class, at.AddDate(0, 0, 1))}
		if exact, err := time.Parse(instantForm, v.Text); err == nil && exact != at && t.Class != class.Date {
			list = append(list, instant(t.Class, exact), instant(t.Class, exact.Add(time.Millisecond/2)), instant(t.Class, exact.Add(time.Second/2)), instant(t.Class, exact.Add(time.Second)))
		}
		return list
	case class.Text:
		return []Value{fitted(t, v.Text), fitted(t, v.Text+"x")}
	}
	return nil
}

func number(t schema.Type, f float64) Value {
	switch t.Class {
	case class.Integer:
		return Of(t.Class, strconv.FormatInt(int64(f), 10))
	case class.Decimal:
		return Of(t.Class, strconv.FormatFloat(f, 'f', t.Scale, 64))
	}
	return Of(t.Class, strconv.FormatFloat(f, 'f', -1, 64))
}

func instant(c class.Class, at time.Time) Value {
	if c == class.Date {
		return Of(c, at.Format(dayForm))
	}
	return Of(c, at.Format(instantForm+".999999"))
}

// fitted cuts a text to the length of its type, in characters.
func fitted(t schema.Type, s string) Value {
	if r := []rune(s); t.Length > 0 && len(r) > t.Length {
		s = string(r[:t.Length])
	}
	return Of(class.Text, s)
}

var words = []string{"ash", "Ash", "box", "cob", "dun", "elm", ""}

var firstDay = time.Date(2026, 1, 30, 0, 0, 0, 0, time.UTC)

// Usual gives a few values of a type, none for a type that nothing here can make.
func Usual(t schema.Type) []Value { return usual(t) }

// usual gives a few values of a type, none for a type that nothing here can make.
func usual(t schema.Type) []Value {
	var list []Value
	switch {
	case len(t.Values) > 0:
		for _, v := range t.Values {
			list = append(list, Of(class.Text, v))
		}
		return list
	case t.Class == class.Text:
		for _, w := range words {
			list = append(list, fitted(t, w))
		}
	case t.Class == class.Integer, t.Class == class.Decimal, t.Class == class.Float:
		for _, f := range []float64{0, 1, 2, 3, 4, 7} {
			list = append(list, number(t, f))
		}
		if !t.Unsigned {
			list = append(list, number(t, -1))
		}
		if t.Class != class.Integer && (t.Scale > 0 || t.Class == class.Float) {
			list = append(list, number(t, 0.5), number(t, 2.5))
		}
	case t.Class.HasDay():
		for _, hours := range []int{0, 12, 24, 48, 24 * 31, -24 * 30} {
			list = append(list, instant(t.Class, firstDay.Add(time.Duration(hours)*time.Hour)))
		}
	case t.Class == class.Boolean:
		list = append(list, Of(t.Class, "true"), Of(t.Class, "false"))
	case t.Class == class.Time:
		list = append(list, Of(t.Class, "00:00:00"), Of(t.Class, "12:30:00"), Of(t.Class, "23:59:59"))
	case t.Class == class.Binary:
		list = append(list, Of(t.Class, "00"), Of(t.Class, "ff"))
	}
	return list
}

// Simple gives values of a type from the simplest on, for the row of a number from 0: another for
// each of the first rows.
func Simple(t schema.Type, row int) []Value {
	switch {
	case len(t.Values) > 0, t.Class == class.Boolean:
		return usual(t)
	case t.Class.IsNumber():
		return []Value{number(t, float64(row+1)), number(t, 1), number(t, 2), number(t, 3), number(t, 10)}
	case t.Class == class.Text:
		plain := []string{"ash", "box", "cob", "dun", "elm"}
		return []Value{fitted(t, plain[row%len(plain)]), fitted(t, "ash"), fitted(t, "box")}
	case t.Class.HasDay():
		return []Value{instant(t.Class, firstDay), instant(t.Class, firstDay.AddDate(0, 0, 1))}
	}
	return usual(t)
}
