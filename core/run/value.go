package run

import (
	"encoding/binary"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"github.com/shopspring/decimal"
)

// Kind is what a value is.
type Kind uint8

const (
	Null Kind = iota
	Bool
	Int
	Decimal
	Float
	Text
	Bytes
	Date
	Time
	Timestamp
	Interval
	Array
)

// Value is a value of a row. The zero Value is NULL. Values are compared with
// [Value.Same], not with ==.
type Value struct {
	Kind Kind
	// places is how many digits of a decimal are shown where the database keeps more, -1 for all of
	// them; of a floating number one more than that, 0 for all.
	places int8
	months int32 // of an interval
	days   int32 // of an interval
	// n is 0 or 1 of a truth value, the number of an integer, the bits of a float, days
	// since 1970 of a date, microseconds of a time, since 1970 of a timestamp.
	n int64
	s string
	d decimal.Decimal
	// items are those of an array.
	items *[]Value
}

// IsNull reports whether the value is NULL.
func (v Value) IsNull() bool { return v.Kind == Null }

// OfInt makes an integer.
func OfInt(n int64) Value { return Value{Kind: Int, n: n} }

// OfBool makes a truth value.
func OfBool(b bool) Value {
	if b {
		return Value{Kind: Bool, n: 1}
	}
	return Value{Kind: Bool}
}

// OfFloat makes a floating number.
func OfFloat(f float64) Value { return Value{Kind: Float, n: int64(math.Float64bits(f))} }

// OfDecimal makes an exact number.
func OfDecimal(d decimal.Decimal) Value { return Value{Kind: Decimal, d: d, places: -1} }

// OfText makes a text.
func OfText(s string) Value { return Value{Kind: Text, s: s} }

func (v Value) float() float64 { return math.Float64frombits(uint64(v.n)) }

// isNumber reports whether the value is a number of any kind.
func (v Value) isNumber() bool { return v.Kind >= Int && v.Kind <= Float }

// asFloat gives a number, or the 0 or 1 of a truth value, as a float.
func (v Value) asFloat() float64 {
	switch v.Kind {
	case Float:
		return v.float()
	case Decimal:
		f, _ := v.d.Float64()
		return f
	}
	return float64(v.n)
}

// asDecimal gives an integer or exact number as a decimal.
func (v Value) asDecimal() decimal.Decimal {
	switch v.Kind {
	case Decimal:
		return v.d
	case Float:
		return decimal.NewFromFloat(v.float())
	}
	return decimal.New(v.n, 0)
}

// String writes the value as a report shows it: NULL, 12, 3.50, 2026-05-01; text bare.
func (v Value) String() string {
	switch v.Kind {
	case Null:
		return "NULL"
	case Bool:
		return strconv.FormatBool(v.n != 0)
	case Int:
		return strconv.FormatInt(v.n, 10)
	case Decimal:
		return v.shown().String()
	case Float:
		return formatFloat(v.float())
	case Text:
		return v.s
	case Bytes:
		return fmt.Sprintf("%x", v.s)
	case Date:
		return dayOf(v.n).Format(dayForm)
	case Time:
		return clock(v.n)
	case Timestamp:
		return stamp(v.n)
	case Array:
		return v.array()
	}
	return v.span()
}

// shown gives a decimal with the digits that are shown of it.
func (v Value) shown() fixed {
	if v.places >= 0 && -v.d.Exponent() != int32(v.places) {
		return fixed{v.d.Round(int32(v.places)), int32(v.places)}
	}
	return fixed{v.d, max(0, -v.d.Exponent())}
}

// fixed is a decimal with the digits that are written of it.
type fixed struct {
	d      decimal.Decimal
	places int32
}

func (f fixed) String() string { return f.d.StringFixed(f.places) }

func formatFloat(f float64) string {
	if f == math.Trunc(f) && math.Abs(f) < 1e15 {
		return strconv.FormatFloat(f, 'f', -1, 64)
	}
	return strconv.FormatFloat(f, 'g', -1, 64)
}

// Same reports whether two values are one and the same in a result: numbers by their
// value, text letter by letter, NULL with NULL.
func (v Value) Same(o Value) bool {
	if v.isNumber() && o.isNumber() {
		return compareNumbers(v, o) == 0
	}
	if v.Kind == Array && o.Kind == Array {
		return slices.EqualFunc(v.list(), o.list(), Value.Same)
	}
	return v.Kind == o.Kind && v.n == o.n && v.s == o.s && v.months == o.months && v.days == o.days
}

// compareNumbers orders two numbers of any kinds.
func compareNumbers(a, b Value) int {
	switch {
	case a.Kind == Int && b.Kind == Int:
		return order(a.n, b.n)
	case a.Kind == Float || b.Kind == Float:
		return order(a.asFloat(), b.asFloat())
	}
	return a.asDecimal().Cmp(b.asDecimal())
}

func order[T int64 | float64 | int32](a, b T) int {
	switch {
	case a < b:
		return -1
	case a > b:
		return 1
	}
	return 0
}

// appendKey writes what is alike of two values that group, join and count as one.
func (r *rules) appendKey(key []byte, v Value) []byte {
	switch v.Kind {
	case Null:
		return append(key, 0)
	case Int, Bool:
		return appendInt(append(key, 1), v.n)
	case Float:
		f := v.float()
		if f == math.Trunc(f) && math.Abs(f) < 1<<53 {
			return appendInt(append(key, 1), int64(f))
		}
		return appendInt(append(key, 2), v.n)
	case Decimal:
		if v.d.IsInteger() && weight(v.d) < 18 {
			return appendInt(append(key, 1), v.d.IntPart())
		}
		f, exact := v.d.Float64()
		if exact {
			return appendInt(append(key, 2), int64(math.Float64bits(f)))
		}
		s := strings.TrimRight(v.d.StringFixed(max(1, -v.d.Exponent())), "0")
		return append(append(append(key, 3), s...), 0)
	case Text, Bytes:
		return append(append(append(key, 4), r.folded(v.s)...), 0)
	case Date:
		return appendInt(append(key, 5), v.n*dayLength)
	case Timestamp:
		return appendInt(append(key, 5), v.n)
	case Interval:
		return appendInt(append(key, 6), v.length())
	case Array:
		return r.rowKey(appendInt(append(key, 7), int64(len(v.list()))), v.list())
	}
	return appendInt(append(key, byte(v.Kind)+8), v.n)
}

func appendInt(key []byte, n int64) []byte { return binary.BigEndian.AppendUint64(key, uint64(n)) }

// RowKey writes what is the same of two rows of a result: numbers by their value, text letter
// by letter.
func RowKey(row []Value) string {
	exact := &rules{}
	var key []byte
	for _, v := range row {
		if v.Kind == Float { // sums differ in their last digits by the order of the rows
			f, _ := strconv.ParseFloat(strconv.FormatFloat(v.float(), 'g', 12, 64), 64)
			v = OfFloat(f)
		}
		key = exact.appendKey(key, v)
	}
	return string(key)
}
