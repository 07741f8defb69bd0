package run

import (
	"math"
	"strings"
	"unicode"

	"github.com/shopspring/decimal"

	"justlens/core/dialect"
)

// rules are what dialects differ in when a query runs. Sources: PostgreSQL 15, 9 "Functions
// and Operators"; MariaDB 10.11 and MySQL 8.4, "Expression Evaluation", "Type Conversion in
// Expression Evaluation", "Arithmetic Operators"; SQLite, "Datatypes" and "Built-in Scalar SQL
// Functions"; SQL Server, "Operators", "Data type precedence", "SET CONCAT_NULL_YIELDS_NULL";
// Oracle 19c, "Nulls", "Data Conversion"; Spark 3.5, "NULL semantics", "ANSI compliance" (off).
type rules struct {
	dialect dialect.Dialect
	// truthIsNumber: a condition is 1 or 0.
	truthIsNumber bool
	// wholeDivision: a quotient of integers is an integer.
	wholeDivision bool
	// floatDivision: a quotient of integers is a floating number.
	floatDivision bool
	// nullByZero: division by zero is NULL; elsewhere it is refused.
	nullByZero bool
	// foldsCase and padsBlanks: texts are alike whatever their letter case, and the blanks at
	// their ends.
	foldsCase, padsBlanks bool
	// nullsLast: NULLs stand behind the others in ascending order.
	nullsLast bool
	// emptyIsNull: the empty text is NULL.
	emptyIsNull bool
	// concatSkipsNull: || takes NULL for the empty text.
	concatSkipsNull bool
	// onlyRow: a subquery that gives several values is refused; elsewhere its first is taken.
	onlyRow bool
	// extraPlaces is how many digits a quotient has beyond those of what is divided; 0 where
	// the rule is another.
	extraPlaces int32
}

// rulesOf gives the rules of a dialect; the standard has PostgreSQL's.
func rulesOf(d dialect.Dialect) *rules {
	r := &rules{dialect: d, truthIsNumber: d.Has(dialect.TruthIsNumber), onlyRow: true}
	switch d {
	case dialect.SQLite:
		r.wholeDivision, r.nullByZero, r.onlyRow = true, true, false
	case dialect.MySQL, dialect.MariaDB:
		r.nullByZero, r.foldsCase, r.padsBlanks, r.extraPlaces = true, true, d == dialect.MariaDB, 4
	case dialect.SQLServer:
		r.wholeDivision, r.foldsCase, r.padsBlanks = true, true, true
	case dialect.Oracle:
		r.nullsLast, r.emptyIsNull, r.concatSkipsNull = true, true, true
	case dialect.Spark:
		r.floatDivision, r.nullByZero = true, true
	default:
		r.wholeDivision, r.nullsLast = true, true
	}
	return r
}

func (r *rules) isMySQL() bool {
	return r.dialect == dialect.MySQL || r.dialect == dialect.MariaDB
}

// folded gives what is compared of a text.
func (r *rules) folded(s string) string {
	if r.padsBlanks {
		s = strings.TrimRight(s, " ")
	}
	if r.foldsCase {
		for _, c := range s {
			if c >= 'a' && c <= 'z' || c > 127 && r.dialect != dialect.SQLite {
				return strings.Map(r.upper, s)
			}
		}
	}
	return s
}

// upper gives a capital letter; SQLite knows those of ASCII only.
func (r *rules) upper(c rune) rune {
	if c > 127 && r.dialect == dialect.SQLite {
		return c
	}
	return unicode.ToUpper(c)
}

// text makes a text, which may be NULL.
func (r *rules) text(s string) Value {
	if s == "" && r.emptyIsNull {
		return Value{}
	}
	return OfText(s)
}

// truth makes a value of a condition.
func (r *rules) truth(t Truth) Value {
	switch {
	case t == Unsure:
		return Value{}
	case r.truthIsNumber:
		return OfInt(int64(t))
	}
	return OfBool(t == True)
}

// Truth is the value of a condition.
type Truth int8

const (
	False Truth = iota
	True
	Unsure // NULL: neither
)

func (t Truth) String() string { return [...]string{"false", "true", "unknown"}[t] }

func truthOf(b bool) Truth {
	if b {
		return True
	}
	return False
}

func (t Truth) not() Truth {
	switch t {
	case True:
		return False
	case False:
		return True
	}
	return Unsure
}

// truthOfValue takes a value for a condition.
func (r *rules) truthOfValue(v Value) Truth {
	switch v.Kind {
	case Null:
		return Unsure
	case Bool, Int:
		return truthOf(v.n != 0)
	case Decimal:
		return truthOf(!v.d.IsZero())
	case Float:
		return truthOf(v.float() != 0)
	case Text:
		return truthOf(leadingNumber(v.s) != 0)
	}
	return True
}

// compare orders two values that are not NULL, converted to one another as the dialect
// does; ok is false where one cannot be converted and the comparison is unknown.
func (r *rules) compare(a, b Value) (order int, ok bool) {
	if a.Kind == Text && b.Kind == Text {
		return strings.Compare(r.folded(a.s), r.folded(b.s)), true
	}
	if a.isNumber() && b.isNumber() {
		return compareNumbers(a, b), true
	}
	return r.compareMixed(a, b)
}

func (r *rules) compareMixed(a, b Value) (int, bool) {
	if a.Kind == Bool && b.isNumber() {
		a.Kind = Int
	}
	if b.Kind == Bool && a.isNumber() {
		b.Kind = Int
	}
	isDay := func(v Value) bool { return v.Kind == Date || v.Kind == Timestamp }
	switch {
	case a.isNumber() && b.isNumber():
		return compareNumbers(a, b), true
	case isDay(a) && isDay(b):
		return order(a.micros(), b.micros()), true
	case a.Kind == b.Kind && a.Kind == Interval:
		return order(a.length(), b.length()), true
	case a.Kind == b.Kind && a.Kind == Array:
		return r.compareArrays(a.list(), b.list()), true
	case a.Kind == b.Kind && a.Kind == Bytes:
		return strings.Compare(a.s, b.s), true
	case a.Kind == b.Kind:
		return order(a.n, b.n), true
	case r.dialect == dialect.SQLite:
		return order(int64(storage(a)), int64(storage(b))), true
	case r.isMySQL() && isDay(a) && b.isNumber():
		return r.compareDayNumber(a, b), true
	case r.isMySQL() && isDay(b) && a.isNumber():
		return -r.compareDayNumber(b, a), true
	case b.Kind == Text:
		c, ok := r.compareText(b, a)
		return -c, ok
	case a.Kind == Text:
		return r.compareText(a, b)
	}
	panic(unknownHere("a comparison of " + a.Kind.noun() + " with " + b.Kind.noun()))
}

// compareDayNumber orders a date or timestamp with a number, which MySQL and MariaDB take for a date
// where it is one.
func (r *rules) compareDayNumber(day, n Value) int {
	m, ok := dayOfNumber(n)
	switch {
	case ok:
		return order(day.micros(), m.micros())
	case r.dialect == dialect.MariaDB && n.asFloat() < 100_000:
		return 1 // it is the zero date, as a text that is none
	}
	panic(unknownHere("a comparison of a date with the number " + n.String()))
}

// storage orders SQLite's classes of values (SQLite, "Datatypes", 4.1): numbers, text, bytes.
func storage(v Value) int {
	switch v.Kind {
	case Text:
		return 2
	case Bytes:
		return 3
	}
	return 1
}

// compareText compares a text with a value of another kind.
func (r *rules) compareText(text, other Value) (int, bool) {
	switch {
	case r.isMySQL() && other.isNumber():
		return order(leadingNumber(text.s), other.asFloat()), true
	case other.isNumber():
		return compareNumbers(r.toNumber(text), other), true
	case other.Kind == Date || other.Kind == Timestamp:
		return r.compareDayText(text.s, other)
	case other.Kind == Time:
		c, ok := parseClock(text.s)
		if !ok {
			panic(unknownHere("a text beside a time of day"))
		}
		return order(c.n, other.n), true
	}
	panic(unknownHere("a comparison of a text with " + other.Kind.noun()))
}

func (k Kind) noun() string {
	return [...]string{"NULL", "a truth value", "a number", "a number", "a number", "a text", "bytes", "a date", "a time of day", "a timestamp", "an interval", "an array"}[k]
}

// reckon works + - * / % out of two values that are not NULL.
func (r *rules) reckon(op byte, a, b Value) Value {
	if isTemporal(a) || isTemporal(b) {
		return r.reckonDays(op, a, b)
	}
	if op == '+' && a.Kind == Text && b.Kind == Text && r.dialect == dialect.SQLServer {
		return OfText(a.s + b.s)
	}
	a, b = r.operand(a), r.operand(b)
	if a.IsNull() || b.IsNull() {
		return Value{}
	}
	if a.Kind == Float || b.Kind == Float {
		if a.Kind == Float && a.places > 0 || b.Kind == Float && b.places > 0 {
			panic(unknownHere("how many digits this number shows"))
		}
		return r.reckonFloats(op, a.asFloat(), b.asFloat())
	}
	if a.Kind == Int && b.Kind == Int {
		return r.reckonInts(op, a.n, b.n)
	}
	x, y := a.asDecimal(), b.asDecimal()
	switch op {
	case '+':
		return r.exact(x.Add(y), max(a.digits(), b.digits()))
	case '-':
		return r.exact(x.Sub(y), max(a.digits(), b.digits()))
	case '*':
		return r.exact(x.Mul(y), a.digits()+b.digits())
	}
	if y.IsZero() {
		return r.byZero()
	}
	if op == '%' {
		return r.exact(x.Mod(y), max(a.digits(), b.digits()))
	}
	return r.quotient(a, b)
}

// digits is how many digits behind the point a number shows.
func (v Value) digits() int32 {
	if v.Kind != Decimal {
		return 0
	}
	return v.shown().places
}

// exact makes a decimal that shows so many digits, where the database keeps more than it shows.
func (r *rules) exact(d decimal.Decimal, places int32) Value {
	v := OfDecimal(d)
	if r.isMySQL() {
		v.places = int8(min(places, 38))
	}
	return v
}

// operand makes a number of what stands beside an operator of arithmetic.
func (r *rules) operand(v Value) Value {
	switch v.Kind {
	case Bool:
		v.Kind = Int
	case Text:
		return r.toNumber(v)
	case Bytes:
		return r.toNumber(OfText(v.s))
	}
	return v
}

func (r *rules) byZero() Value {
	if r.nullByZero {
		return Value{}
	}
	panic(Refusal{What: "a division by zero"})
}

func (r *rules) reckonFloats(op byte, x, y float64) Value {
	f := 0.0
	switch op {
	case '+':
		f = x + y
	case '-':
		f = x - y
	case '*':
		f = x * y
	default:
		if y == 0 {
			return r.byZero()
		}
		if f = x / y; op == '%' {
			if r.dialect == dialect.SQLite { // both are made integers
				if int64(y) == 0 {
					return Value{}
				}
				return OfFloat(float64(int64(x) % int64(y)))
			}
			f = math.Mod(x, y)
		}
	}
	if math.IsInf(f, 0) || math.IsNaN(f) {
		panic(unknownHere("a number that is too large"))
	}
	return OfFloat(f)
}

func (r *rules) reckonInts(op byte, x, y int64) Value {
	n, fits := x, true
	switch op {
	case '+':
		n = x + y
		fits = (n > x) == (y > 0)
	case '-':
		n = x - y
		fits = (n < x) == (y > 0)
	case '*':
		n = x * y
		fits = x == 0 || n/x == y && !(x == -1 && y == math.MinInt64)
	default:
		if y == 0 {
			return r.byZero()
		}
		if op == '%' {
			return OfInt(x % y)
		}
		switch {
		case r.wholeDivision:
			return OfInt(x / y)
		case r.floatDivision:
			return OfFloat(float64(x) / float64(y))
		}
		return r.quotient(OfInt(x), OfInt(y))
	}
	if !fits {
		panic(unknownHere("a number that is too large"))
	}
	return OfInt(n)
}

// quotient divides two exact numbers, y not zero.
func (r *rules) quotient(a, b Value) Value {
	x, y := a.asDecimal(), b.asDecimal()
	switch {
	case r.floatDivision && a.Kind == Int && b.Kind == Int:
		return OfFloat(a.asFloat() / b.asFloat())
	case r.extraPlaces > 0:
		// MariaDB keeps what it divides in groups of nine digits and shows fewer.
		shown := a.digits() + r.extraPlaces
		kept := groups(a.digits()) + groups(b.digits())
		if extra := r.extraPlaces - (kept - a.digits() - b.digits()); extra > 0 {
			kept += groups(extra)
		}
		q := x.DivRound(y, kept+2)
		return r.exact(q.Truncate(kept), shown)
	case r.dialect == dialect.SQLServer:
		places := max(6, a.digits()+int32(y.NumDigits())+1) // "Precision, scale, and length", for the digits that y has
		return OfDecimal(x.DivRound(y, places+2).Truncate(places))
	case r.dialect == dialect.Oracle:
		return OfDecimal(trimmedZeros(x.DivRound(y, 40-int32(weight(x)-weight(y)))))
	}
	return OfDecimal(x.DivRound(y, quotientPlaces(x, y)))
}

// trimmedZeros gives a decimal without the zeros at its end: Oracle's NUMBER has no scale of its own.
func trimmedZeros(d decimal.Decimal) decimal.Decimal {
	if d.Exponent() >= 0 {
		return d
	}
	s := strings.TrimRight(strings.TrimRight(d.String(), "0"), ".")
	if !strings.Contains(d.String(), ".") {
		s = d.String()
	}
	trimmed, err := decimal.NewFromString(s)
	if err != nil {
		return d
	}
	return trimmed
}

// groups rounds a number of digits up to whole groups of nine.
func groups(digits int32) int32 { return (digits + 8) / 9 * 9 }

func weight(d decimal.Decimal) int { return d.NumDigits() + int(d.Exponent()) }

// quotientPlaces gives how many digits PostgreSQL works a quotient out to
// (numeric.c, select_div_scale: at least 16 significant ones, counted in groups of four).
func quotientPlaces(x, y decimal.Decimal) int32 {
	wx, fx := leading(x)
	wy, fy := leading(y)
	w := wx - wy
	if fx <= fy {
		w--
	}
	return int32(max(16-w*4, int(max(0, -x.Exponent())), int(max(0, -y.Exponent())), 0))
}

// leading gives the weight of the first group of four digits that is not zero, and the group.
func leading(d decimal.Decimal) (group, first int) {
	if d.IsZero() {
		return 0, 0
	}
	f, _ := d.Abs().Float64()
	group = int(math.Floor(math.Log10(f) / 4))
	first = int(f / math.Pow(10, float64(4*group)))
	return group, first
}

func isTemporal(v Value) bool { return v.Kind >= Date && v.Kind <= Interval }

// reckonDays works + - * / out where a date, time or interval is concerned.
func (r *rules) reckonDays(op byte, a, b Value) Value {
	if a.Kind == Interval && b.Kind != Interval && op == '+' && isTemporal(b) {
		a, b = b, a
	}
	isDay := a.Kind == Date || a.Kind == Timestamp
	sign := 1
	if op == '-' {
		sign = -1
	}
	switch plus := op == '+' || op == '-'; {
	case plus && isDay && b.Kind == Interval:
		sum := a.later(b, sign)
		if a.Kind == Date && b.n == 0 && r.dialect != dialect.Postgres && r.dialect != dialect.ANSI {
			return sum.day()
		}
		return sum
	case plus && a.Kind == Date && b.Kind == Int && (r.dialect == dialect.Postgres || r.dialect == dialect.Oracle || r.dialect == dialect.ANSI):
		return Value{Kind: Date, n: a.n + int64(sign)*b.n}
	case op == '+' && a.Kind == Int && b.Kind == Date && (r.dialect == dialect.Postgres || r.dialect == dialect.Oracle || r.dialect == dialect.ANSI):
		return Value{Kind: Date, n: a.n + b.n}
	case op == '-' && a.Kind == Date && b.Kind == Date && (r.dialect == dialect.Postgres || r.dialect == dialect.ANSI || r.dialect == dialect.Oracle):
		return OfInt(a.n - b.n)
	case op == '-' && isDay && (b.Kind == Date || b.Kind == Timestamp) && r.dialect == dialect.Postgres:
		between := a.micros() - b.micros()
		return Value{Kind: Interval, days: int32(between / dayLength), n: between % dayLength}
	case plus && a.Kind == Interval && b.Kind == Interval:
		return Value{Kind: Interval, months: a.months + int32(sign)*b.months, days: a.days + int32(sign)*b.days, n: a.n + int64(sign)*b.n}
	case op == '*' && a.Kind == Interval && b.Kind == Int:
		return Value{Kind: Interval, months: a.months * int32(b.n), days: a.days * int32(b.n), n: a.n * b.n}
	case op == '*' && a.Kind == Int && b.Kind == Interval:
		return r.reckonDays(op, b, a)
	case r.isMySQL() && plus && b.Kind == Interval && a.Kind == Text:
		return r.reckonDays(op, r.dayLike(a), b)
	case r.isMySQL() && a.Kind != Interval && b.Kind != Interval:
		return r.reckon(op, dayNumber(a), dayNumber(b))
	}
	panic(unknownHere("arithmetic with " + a.Kind.noun() + " and " + b.Kind.noun()))
}

// dayNumber gives the number that MySQL takes a date or time for: 20260501, 20260501120000.
func dayNumber(v Value) Value {
	t := v.moment()
	day := int64(t.Year())*10000 + int64(t.Month())*100 + int64(t.Day())
	switch v.Kind {
	case Date:
		return OfInt(day)
	case Timestamp:
		return OfInt(day*1_000_000 + int64(t.Hour())*10000 + int64(t.Minute())*100 + int64(t.Second()))
	case Time:
		return OfInt(v.n/hour*10000 + v.n/minute%60*100 + v.n/second%60)
	}
	return v
}
