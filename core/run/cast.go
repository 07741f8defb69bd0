package run

import (
	"math"
	"strconv"
	"strings"
	"unicode/utf8"

	"github.com/shopspring/decimal"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
)

// leadingNumber gives the number that a text begins with, 0 if it begins with none, as
// MySQL and SQLite read it.
func leadingNumber(s string) float64 {
	f, _ := strconv.ParseFloat(numberPrefix(s), 64)
	return f
}

// numberPrefix gives the part of a text, from its beginning, that is a number.
func numberPrefix(s string) string {
	s = strings.TrimLeft(s, " \t\n\r")
	end, digits, point, i := 0, false, false, 0
	if i < len(s) && (s[i] == '-' || s[i] == '+') {
		i++
	}
	for ; i < len(s); i++ {
		switch c := s[i]; {
		case c >= '0' && c <= '9':
			digits = true
		case c == '.' && !point:
			point = true
		case (c == 'e' || c == 'E') && digits:
			j := i + 1
			if j < len(s) && (s[j] == '-' || s[j] == '+') {
				j++
			}
			if j == len(s) || s[j] < '0' || s[j] > '9' {
				return s[:end]
			}
			for j < len(s) && s[j] >= '0' && s[j] <= '9' {
				j++
			}
			return s[:j]
		default:
			return s[:end]
		}
		if digits {
			end = i + 1
		}
	}
	return s[:end]
}

// parseNumber reads a text that is a number as a whole.
func parseNumber(s string) (Value, bool) {
	s = strings.TrimSpace(s)
	if n, err := strconv.ParseInt(s, 10, 64); err == nil {
		return OfInt(n), true
	}
	if s == "" || numberPrefix(s) != s {
		return Value{}, false
	}
	if strings.ContainsAny(s, "eE") {
		f, err := strconv.ParseFloat(s, 64)
		return OfFloat(f), err == nil
	}
	d, err := decimal.NewFromString(s)
	return OfDecimal(d), err == nil
}

// toNumber makes a number of a text that stands where one is needed.
func (r *rules) toNumber(v Value) Value {
	if v.Kind != Text {
		return v
	}
	if r.isMySQL() {
		return OfFloat(leadingNumber(v.s))
	}
	if r.dialect == dialect.SQLite {
		return numeric(numberPrefix(v.s))
	}
	n, ok := parseNumber(v.s)
	switch {
	case ok:
		return n
	case r.dialect == dialect.Spark:
		return Value{}
	case isOddNumber(v.s):
		panic(unknownHere("the text '" + v.s + "' as a number"))
	}
	panic(Refusal{What: "the text '" + v.s + "' is no number"})
}

// isOddNumber reports whether a text may be one of the numbers that are written with letters:
// NaN, Infinity, 0x1F, $5.
func isOddNumber(s string) bool {
	s = strings.ToLower(strings.TrimLeft(strings.TrimSpace(s), "+-"))
	return strings.HasPrefix(s, "nan") || strings.HasPrefix(s, "inf") || strings.HasPrefix(s, "0x") || strings.HasPrefix(s, "$")
}

// numeric reads a number as SQLite does: an integer, or a floating number.
func numeric(s string) Value {
	if n, err := strconv.ParseInt(s, 10, 64); err == nil {
		return OfInt(n)
	}
	f, _ := strconv.ParseFloat(s, 64)
	if s == "" {
		return OfInt(0)
	}
	return OfFloat(f)
}

// Convert makes a value of a type of what a cast or a column is given; nothing that the
// type cannot hold.
func (r *rules) convert(v Value, t schema.Type) Value {
	if v.IsNull() {
		return v
	}
	switch t.Class {
	case class.Integer:
		return r.toInt(v)
	case class.Decimal:
		return r.toDecimal(v, t)
	case class.Float:
		if v.Kind == Text {
			v = r.toNumber(v)
		}
		if v.isNumber() || v.Kind == Bool {
			if t.Word() == "real" && r.dialect == dialect.Postgres {
				return OfFloat(float64(float32(v.asFloat())))
			}
			return OfFloat(v.asFloat())
		}
	case class.Text:
		return r.toText(v, t)
	case class.Boolean:
		return r.toTruth(v)
	case class.Date, class.Timestamp:
		return r.toDay(v, t.Class)
	case class.Time:
		if v.Kind == Text {
			if c, ok := parseClock(v.s); ok {
				return c
			}
		}
		if v.Kind == Timestamp {
			n := v.n % dayLength
			if n < 0 {
				n += dayLength
			}
			return Value{Kind: Time, n: n}
		}
		if v.Kind == Time {
			return v
		}
	case class.Interval:
		if v.Kind == Interval {
			return v
		}
		if i, ok := parseInterval(v.s); ok && v.Kind == Text {
			return i
		}
	}
	panic(unknownHere("a conversion of " + v.Kind.noun() + " to " + cmpName(t)))
}

func cmpName(t schema.Type) string {
	if t.Name != "" {
		return t.Name
	}
	return t.Class.String()
}

func (r *rules) toInt(v Value) Value {
	switch v.Kind {
	case Int:
		return v
	case Bool:
		return OfInt(v.n)
	case Decimal:
		d := v.d
		if r.truncates() {
			d = d.Truncate(0)
		}
		return OfInt(d.Round(0).IntPart())
	case Float:
		switch {
		case r.truncates():
			return OfInt(int64(v.float()))
		case r.isMySQL():
			return OfInt(int64(math.Round(v.float())))
		}
		return OfInt(int64(math.RoundToEven(v.float())))
	case Text:
		switch {
		case r.isMySQL():
			p := numberPrefix(v.s)
			if i := strings.IndexAny(p, ".eE"); i >= 0 {
				p = p[:i]
			}
			n, _ := strconv.ParseInt(p, 10, 64)
			return OfInt(n)
		case r.dialect == dialect.SQLite:
			return OfInt(int64(leadingNumber(v.s)))
		}
		n := r.toNumber(v)
		if n.Kind == Decimal && (r.dialect == dialect.Postgres || r.dialect == dialect.SQLServer) {
			panic(Refusal{What: "the text '" + v.s + "' is no integer"})
		}
		if n.Kind == Null {
			return n
		}
		return r.toInt(n)
	case Date, Timestamp:
		if r.isMySQL() {
			return dayNumber(v)
		}
	}
	panic(unknownHere("a conversion of " + v.Kind.noun() + " to an integer"))
}

// truncates reports whether a number that is made an integer loses its fraction instead of being
// rounded (SQLite, "CAST expressions"; SQL Server, "CAST and CONVERT": truncates; Spark, "CAST").
func (r *rules) truncates() bool {
	return r.dialect == dialect.SQLite || r.dialect == dialect.SQLServer || r.dialect == dialect.Spark
}

func (r *rules) toDecimal(v Value, t schema.Type) Value {
	if v.Kind == Bool {
		v.Kind = Int
	}
	if v.Kind == Text {
		if r.isMySQL() {
			d, err := decimal.NewFromString(numberPrefix(v.s))
			if err != nil {
				d = decimal.Zero
			}
			v = OfDecimal(d)
		} else {
			v = r.toNumber(v)
		}
	}
	if v.IsNull() {
		return v
	}
	if !v.isNumber() {
		panic(unknownHere("a conversion of " + v.Kind.noun() + " to a number"))
	}
	if r.dialect == dialect.SQLite {
		if v.Kind == Float && v.float() == math.Trunc(v.float()) && math.Abs(v.float()) < 1<<51 {
			return OfInt(int64(v.float()))
		}
		return v
	}
	length := t.Length
	if length == 0 && (r.isMySQL() || r.dialect == dialect.Spark) {
		length = 10
	}
	if length == 0 {
		if v.Kind == Float { // fifteen significant digits are taken of it
			f, _ := strconv.ParseFloat(strconv.FormatFloat(v.float(), 'g', 15, 64), 64)
			return OfDecimal(decimal.NewFromFloat(f))
		}
		return OfDecimal(v.asDecimal())
	}
	d := v.asDecimal().Round(int32(t.Scale))
	if d.Exponent() > int32(-t.Scale) {
		d = d.Add(decimal.New(0, int32(-t.Scale)))
	}
	if weight(d.Abs()) > length-t.Scale && !d.IsZero() {
		if r.isMySQL() || r.dialect == dialect.Spark {
			panic(unknownHere("a number beyond " + cmpName(t)))
		}
		panic(Refusal{What: "the number " + v.String() + " does not fit " + cmpName(t)})
	}
	return r.exact(d, int32(t.Scale))
}

func (r *rules) toText(v Value, t schema.Type) Value {
	s := ""
	switch {
	case v.Kind == Bool && r.dialect != dialect.Postgres && r.dialect != dialect.Spark && r.dialect != dialect.ANSI:
		s = strconv.FormatInt(v.n, 10)
	default:
		s = r.written(v)
	}
	if n := t.Length; n > 0 && r.dialect != dialect.SQLite && utf8.RuneCountInString(s) > n {
		s = string([]rune(s)[:n])
	}
	if w := t.Word(); (w == "char" || w == "character" || w == "bpchar" || w == "nchar") && t.Length > 0 && !r.isMySQL() && r.dialect != dialect.SQLite {
		panic(unknownHere("text that is filled with blanks"))
	}
	return r.text(s)
}

// written gives a value as the text that the database makes of it.
func (r *rules) written(v Value) string {
	switch {
	case v.Kind == Float && r.dialect == dialect.SQLite:
		s := strconv.FormatFloat(v.float(), 'g', 15, 64)
		if !strings.ContainsAny(s, ".e") {
			s += ".0"
		}
		return s
	case v.Kind == Bool && r.truthIsNumber:
		return strconv.FormatInt(v.n, 10)
	case r.dialect == dialect.Oracle && (v.Kind == Date || v.Kind == Timestamp), r.dialect == dialect.SQLServer && v.Kind == Timestamp:
		panic(unknownHere("a date as text, which settings or its type decide")) // Oracle, "NLS_DATE_FORMAT"; SQL Server, "CAST and CONVERT"
	}
	return v.String()
}

func (r *rules) toTruth(v Value) Value {
	switch v.Kind {
	case Bool:
		return v
	case Text:
		switch strings.ToLower(strings.TrimSpace(v.s)) {
		case "t", "true", "yes", "y", "on", "1":
			return r.truth(True)
		case "f", "false", "no", "n", "off", "0":
			return r.truth(False)
		}
		panic(Refusal{What: "the text '" + v.s + "' is neither true nor false"})
	case Int:
		return r.truth(truthOf(v.n != 0))
	}
	panic(unknownHere("a conversion of " + v.Kind.noun() + " to a truth value"))
}

func (r *rules) toDay(v Value, c class.Class) Value {
	switch v.Kind {
	case Date:
		if c == class.Timestamp {
			return Value{Kind: Timestamp, n: v.n * dayLength}
		}
		return v
	case Timestamp:
		if c == class.Date {
			return v.day()
		}
		return v
	case Text:
		if r.dialect == dialect.SQLite { // which keeps the text
			return v
		}
		return r.toDay(r.dayLike(v), c)
	case Null:
		return v
	}
	panic(unknownHere("a conversion of " + v.Kind.noun() + " to a date"))
}

// Held makes of a value what a column of a type holds of it: on SQLite by the affinity of the
// declared type (SQLite, "Datatypes", 3).
func (r *rules) held(v Value, t schema.Type) Value {
	if r.dialect != dialect.SQLite {
		made := r.convert(v, t)
		if made.IsNull() && !v.IsNull() && !r.emptyIsNull { // in strict mode
			panic(Refusal{What: "the text '" + v.s + "' is no " + cmpName(t)})
		}
		return made
	}
	if v.Kind == Date || v.Kind == Time || v.Kind == Timestamp {
		v = OfText(v.String())
	}
	switch affinityOf(t) {
	case textAffinity:
		if v.isNumber() {
			return OfText(r.written(v))
		}
	case numericAffinity:
		return asStored(v)
	case realAffinity:
		if v = asStored(v); v.Kind == Int {
			return OfFloat(float64(v.n))
		}
	}
	return v
}

// asStored gives a value as a column of numeric affinity stores it: text that is a number
// becomes one, a whole floating number an integer.
func asStored(v Value) Value {
	switch v.Kind {
	case Bool:
		return OfInt(v.n)
	case Text:
		n, ok := parseNumber(v.s)
		if !ok {
			return v
		}
		return asStored(n)
	case Decimal:
		return asStored(OfFloat(v.asFloat()))
	case Float:
		if f := v.float(); f == math.Trunc(f) && math.Abs(f) < 1<<51 {
			return OfInt(int64(f))
		}
	}
	return v
}

type affinity uint8

const (
	noAffinity affinity = iota
	textAffinity
	numericAffinity
	realAffinity
)

// affinityOf gives the affinity of a declared type (SQLite, "Datatypes", 3.1).
func affinityOf(t schema.Type) affinity {
	name := strings.ToUpper(t.Name)
	has := func(words ...string) bool {
		for _, w := range words {
			if strings.Contains(name, w) {
				return true
			}
		}
		return false
	}
	switch {
	case has("INT"):
		return numericAffinity
	case has("CHAR", "CLOB", "TEXT"):
		return textAffinity
	case has("BLOB"), name == "":
		return noAffinity
	case has("REAL", "FLOA", "DOUB"):
		return realAffinity
	}
	return numericAffinity
}
