package run

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"
	"unicode"
	"unicode/utf8"

	"github.com/shopspring/decimal"

	"justlens/core/dialect"
)

// function is a scalar function: in which dialects, of how many arguments, and what it gives.
// One that does not take NULL gives NULL where an argument is NULL.
type function struct {
	in        dialect.Set
	min, max  int
	takesNull bool
	work      func(*rules, []Value) Value
}

var (
	everywhere  = dialect.In(dialect.All()...)
	mySQL       = dialect.In(dialect.MySQL, dialect.MariaDB)
	butSQLite   = everywhere &^ dialect.In(dialect.SQLite)
	butServer   = everywhere &^ dialect.In(dialect.SQLServer)
	postgres    = dialect.In(dialect.Postgres, dialect.ANSI)
	onlySQLite  = dialect.In(dialect.SQLite)
	onlyServer  = dialect.In(dialect.SQLServer)
	withLeft    = dialect.In(dialect.Postgres, dialect.ANSI, dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Spark)
	withInstr   = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Oracle, dialect.Spark)
	withPadding = dialect.In(dialect.Postgres, dialect.ANSI, dialect.MySQL, dialect.MariaDB, dialect.Oracle, dialect.Spark)
	withParts   = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Spark)
)

// functionNamed gives a scalar function by its name, in lower case.
func functionNamed(name string) (f function, ok bool) {
	for _, of := range []map[string]function{functions, textFunctions, dayFunctions, numberFunctions} {
		if f, ok = of[name]; ok {
			return f, true
		}
	}
	return f, false
}

// functions are the scalar functions by name.
var functions = map[string]function{
	"upper":            {in: everywhere, min: 1, max: 1, work: ofText(strings.ToUpper)},
	"ucase":            {in: mySQL, min: 1, max: 1, work: ofText(strings.ToUpper)},
	"lower":            {in: everywhere, min: 1, max: 1, work: ofText(strings.ToLower)},
	"lcase":            {in: mySQL, min: 1, max: 1, work: ofText(strings.ToLower)},
	"length":           {in: butServer, min: 1, max: 1, work: length},
	"len":              {in: onlyServer, min: 1, max: 1, work: func(r *rules, a []Value) Value { return letters(strings.TrimRight(r.written(a[0]), " ")) }},
	"char_length":      {in: postgres | mySQL | dialect.In(dialect.Spark), min: 1, max: 1, work: func(r *rules, a []Value) Value { return letters(r.written(a[0])) }},
	"character_length": {in: postgres | mySQL, min: 1, max: 1, work: func(r *rules, a []Value) Value { return letters(r.written(a[0])) }},
	"reverse":          {in: withLeft, min: 1, max: 1, work: ofText(reversed)},
	"initcap":          {in: postgres | dialect.In(dialect.Oracle), min: 1, max: 1, work: ofText(titled)},
	"ltrim":            {in: everywhere, min: 1, max: 2, work: trimmed(strings.TrimLeft)},
	"rtrim":            {in: everywhere, min: 1, max: 2, work: trimmed(strings.TrimRight)},
	"btrim":            {in: postgres, min: 1, max: 2, work: trimmed(strings.Trim)},
	"replace":          {in: everywhere, min: 3, max: 3, work: replaced},
	"substr":           {in: butServer, min: 2, max: 3, work: substring},
	"substring":        {in: everywhere &^ dialect.In(dialect.Oracle), min: 2, max: 3, work: substring},
	"mid":              {in: mySQL, min: 3, max: 3, work: substring},
	"left":             {in: withLeft, min: 2, max: 2, work: func(r *rules, a []Value) Value { return side(r, a, true) }},
	"right":            {in: withLeft, min: 2, max: 2, work: func(r *rules, a []Value) Value { return side(r, a, false) }},
	"lpad":             {in: withPadding, min: 2, max: 3, work: func(r *rules, a []Value) Value { return padded(r, a, true) }},
	"rpad":             {in: withPadding, min: 2, max: 3, work: func(r *rules, a []Value) Value { return padded(r, a, false) }},
	"repeat":           {in: postgres | mySQL, min: 2, max: 2, work: repeated},
	"position":         {in: postgres | mySQL, min: 2, max: 2, work: func(r *rules, a []Value) Value { return found(r, a[1], a[0]) }},
	"strpos":           {in: postgres, min: 2, max: 2, work: func(r *rules, a []Value) Value { return found(r, a[0], a[1]) }},
	"instr":            {in: withInstr, min: 2, max: 2, work: func(r *rules, a []Value) Value { return found(r, a[0], a[1]) }},
	"locate":           {in: mySQL, min: 2, max: 2, work: func(r *rules, a []Value) Value { return found(r, a[1], a[0]) }},
	"charindex":        {in: onlyServer, min: 2, max: 2, work: func(r *rules, a []Value) Value { return found(r, a[1], a[0]) }},
	"concat":           {in: everywhere, min: 1, max: -1, takesNull: true, work: concatenated},
	"concat_ws":        {in: everywhere &^ dialect.In(dialect.Oracle), min: 2, max: -1, takesNull: true, work: joinedWith},
	"split_part":       {in: postgres, min: 3, max: 3, work: splitPart},
	"ascii":            {in: postgres | mySQL, min: 1, max: 1, work: func(r *rules, a []Value) Value { return firstLetter(r.written(a[0])) }},

	"array_length":    {in: postgres, min: 2, max: 2, work: lengthOfArray},
	"cardinality":     {in: postgres, min: 1, max: 1, work: cardinality},
	"array_position":  {in: postgres, min: 2, max: 2, takesNull: true, work: positionInArray},
	"array_append":    {in: postgres, min: 2, max: 2, takesNull: true, work: appendedArray},
	"array_remove":    {in: postgres, min: 2, max: 2, takesNull: true, work: withoutElement},
	"array_to_string": {in: postgres, min: 2, max: 3, takesNull: true, work: arrayText},
	"string_to_array": {in: postgres, min: 2, max: 2, work: textArray},

	"abs":      {in: everywhere, min: 1, max: 1, work: absolute},
	"sign":     {in: everywhere, min: 1, max: 1, work: signOf},
	"round":    {in: everywhere, min: 1, max: 2, work: rounded},
	"ceil":     {in: butServer, min: 1, max: 1, work: whole(math.Ceil, decimal.Decimal.Ceil)},
	"ceiling":  {in: everywhere &^ dialect.In(dialect.Oracle), min: 1, max: 1, work: whole(math.Ceil, decimal.Decimal.Ceil)},
	"floor":    {in: everywhere, min: 1, max: 1, work: whole(math.Floor, decimal.Decimal.Floor)},
	"trunc":    {in: postgres | dialect.In(dialect.Oracle, dialect.SQLite), min: 1, max: 2, work: cutOff},
	"truncate": {in: mySQL, min: 2, max: 2, work: cutOff},
	"mod":      {in: butServer &^ dialect.In(dialect.SQLite), min: 2, max: 2, work: func(r *rules, a []Value) Value { return r.reckon('%', a[0], a[1]) }},
	"power":    {in: everywhere, min: 2, max: 2, work: power},
	"pow":      {in: postgres | mySQL | onlySQLite, min: 2, max: 2, work: power},
	"sqrt":     {in: everywhere, min: 1, max: 1, work: root},

	"year":        {in: withParts, min: 1, max: 1, work: field("year")},
	"month":       {in: withParts, min: 1, max: 1, work: field("month")},
	"day":         {in: withParts, min: 1, max: 1, work: field("day")},
	"dayofmonth":  {in: mySQL, min: 1, max: 1, work: field("day")},
	"quarter":     {in: mySQL | dialect.In(dialect.Spark), min: 1, max: 1, work: field("quarter")},
	"hour":        {in: mySQL | dialect.In(dialect.Spark), min: 1, max: 1, work: field("hour")},
	"minute":      {in: mySQL | dialect.In(dialect.Spark), min: 1, max: 1, work: field("minute")},
	"dayofyear":   {in: mySQL, min: 1, max: 1, work: field("doy")},
	"dayofweek":   {in: mySQL, min: 1, max: 1, work: func(r *rules, a []Value) Value { return plus(field("dow")(r, a), 1) }},
	"weekday":     {in: mySQL, min: 1, max: 1, work: func(r *rules, a []Value) Value { return plus(field("isodow")(r, a), -1) }},
	"date":        {in: mySQL | onlySQLite | postgres, min: 1, max: -1, work: onlyDay},
	"datetime":    {in: onlySQLite, min: 1, max: -1, work: textMoment},
	"julianday":   {in: onlySQLite, min: 1, max: 1, work: julianDay},
	"strftime":    {in: onlySQLite, min: 2, max: 2, work: formatted},
	"date_format": {in: mySQL | dialect.In(dialect.Spark), min: 2, max: 2, work: dateFormat},
	"to_char":     {in: postgres | dialect.In(dialect.Oracle), min: 2, max: 2, work: toChar},
	"last_day":    {in: mySQL | dialect.In(dialect.Oracle, dialect.Spark), min: 1, max: 1, work: lastDay},
	"add_months":  {in: dialect.In(dialect.Oracle, dialect.Spark), min: 2, max: 2, work: addedMonths},
}

func ofText(f func(string) string) func(*rules, []Value) Value {
	return func(r *rules, a []Value) Value { return r.text(f(r.written(a[0]))) }
}

func letters(s string) Value { return OfInt(int64(utf8.RuneCountInString(s))) }

func length(r *rules, a []Value) Value {
	s := r.written(a[0])
	if r.isMySQL() { // in bytes
		return OfInt(int64(len(s)))
	}
	return letters(s)
}

func reversed(s string) string {
	runes := []rune(s)
	for i, j := 0, len(runes)-1; i < j; i, j = i+1, j-1 {
		runes[i], runes[j] = runes[j], runes[i]
	}
	return string(runes)
}

func titled(s string) string {
	within := false
	return strings.Map(func(c rune) rune {
		is := unicode.IsLetter(c) || unicode.IsDigit(c)
		defer func() { within = is }()
		if is && !within {
			return unicode.ToUpper(c)
		}
		return unicode.ToLower(c)
	}, s)
}

func trimmed(f func(s, set string) string) func(*rules, []Value) Value {
	return func(r *rules, a []Value) Value {
		set := " "
		if len(a) > 1 {
			if r.isMySQL() {
				panic(unknownHere("this function of two values"))
			}
			set = r.written(a[1])
		}
		return r.text(f(r.written(a[0]), set))
	}
}

func replaced(r *rules, a []Value) Value {
	s, old := r.written(a[0]), r.written(a[1])
	if old == "" {
		return r.text(s)
	}
	if r.foldsCase && !r.isMySQL() {
		panic(unknownHere("REPLACE whatever the letter case"))
	}
	return r.text(strings.ReplaceAll(s, old, r.written(a[2])))
}

// substring: positions count from 1. One before the text counts from its end in MySQL, SQLite,
// Oracle and Spark; in PostgreSQL and SQL Server the part before the text is empty.
func substring(r *rules, a []Value) Value {
	s := []rune(r.written(a[0]))
	from, n := int(r.toInt(a[1]).n), len(s)
	long := n + 1
	if len(a) > 2 {
		long = int(r.toInt(a[2]).n)
	}
	if r.isPostgres() || r.dialect == dialect.SQLServer {
		if long < 0 {
			panic(Refusal{What: "a substring of a length below zero"})
		}
		to := n + 1
		if len(a) > 2 {
			to = from + long
		}
		from, to = max(from, 1), min(to, n+1)
		if to <= from {
			return r.text("")
		}
		return r.text(string(s[from-1 : to-1]))
	}
	if r.dialect == dialect.SQLite && (from == 0 || long < 0 || from < -n) {
		panic(unknownHere("a substring that begins before the text"))
	}
	if from == 0 {
		if r.isMySQL() {
			return OfText("")
		}
		from = 1
	}
	if from < 0 {
		from = n + from + 1
	}
	if from < 1 || from > n || long <= 0 {
		return r.text("")
	}
	return r.text(string(s[from-1 : min(n, from-1+min(long, n))]))
}

func side(r *rules, a []Value, left bool) Value {
	s, n := []rune(r.written(a[0])), int(r.toInt(a[1]).n)
	if n < 0 {
		if !r.isPostgres() {
			if r.isMySQL() {
				return OfText("")
			}
			panic(Refusal{What: "a length below zero"})
		}
		n = max(0, len(s)+n)
	}
	n = min(n, len(s))
	if left {
		return r.text(string(s[:n]))
	}
	return r.text(string(s[len(s)-n:]))
}

func padded(r *rules, a []Value, left bool) Value {
	s, n, fill := []rune(r.written(a[0])), int(r.toInt(a[1]).n), []rune(" ")
	if len(a) > 2 {
		fill = []rune(r.written(a[2]))
	}
	if n < 0 || n > 10_000 {
		panic(unknownHere("so long a text"))
	}
	if n <= len(s) || len(fill) == 0 {
		if r.isMySQL() && n > len(s) {
			return OfText("")
		}
		return r.text(string(s[:min(n, len(s))]))
	}
	var pad []rune
	for len(pad) < n-len(s) {
		pad = append(pad, fill[len(pad)%len(fill)])
	}
	if left {
		return r.text(string(pad) + string(s))
	}
	return r.text(string(s) + string(pad))
}

func repeated(r *rules, a []Value) Value {
	n := r.toInt(a[1]).n
	if n > 10_000 {
		panic(unknownHere("so long a text"))
	}
	return r.text(strings.Repeat(r.written(a[0]), int(max(0, n))))
}

// found gives where a text contains another, from 1; 0 if it does not.
func found(r *rules, in, what Value) Value {
	s, part := r.written(in), r.written(what)
	if r.foldsCase {
		s, part = strings.ToLower(s), strings.ToLower(part)
	}
	at := strings.Index(s, part)
	if at < 0 {
		return OfInt(0)
	}
	return letters(s[:at] + "x")
}

// concatenated: MySQL and Spark give NULL if one is NULL, the others leave it out.
func concatenated(r *rules, a []Value) Value {
	var b strings.Builder
	for _, v := range a {
		if v.IsNull() {
			if r.isMySQL() || r.dialect == dialect.Spark {
				return v
			}
			continue
		}
		b.WriteString(r.written(v))
	}
	return r.text(b.String())
}

func joinedWith(r *rules, a []Value) Value {
	if a[0].IsNull() {
		return Value{}
	}
	var parts []string
	for _, v := range a[1:] {
		if !v.IsNull() {
			parts = append(parts, r.written(v))
		}
	}
	return r.text(strings.Join(parts, r.written(a[0])))
}

func splitPart(r *rules, a []Value) Value {
	parts, n := strings.Split(r.written(a[0]), r.written(a[1])), int(r.toInt(a[2]).n)
	if n == 0 || a[1].s == "" {
		panic(unknownHere("this SPLIT_PART"))
	}
	if n < 0 {
		n = len(parts) + n + 1
	}
	if n < 1 || n > len(parts) {
		return OfText("")
	}
	return OfText(parts[n-1])
}

func firstLetter(s string) Value {
	c, _ := utf8.DecodeRuneInString(s)
	if s == "" {
		c = 0
	}
	if c > 127 {
		panic(unknownHere("a letter beyond ASCII"))
	}
	return OfInt(int64(c))
}

func absolute(r *rules, a []Value) Value {
	v := r.operand(a[0])
	switch v.Kind {
	case Int:
		if v.n < 0 {
			return OfInt(-v.n)
		}
		return v
	case Decimal:
		return r.exact(v.d.Abs(), v.digits())
	case Float:
		return OfFloat(math.Abs(v.float()))
	}
	panic(unknownHere("ABS of " + v.Kind.noun()))
}

func signOf(r *rules, a []Value) Value {
	v := r.operand(a[0])
	if !v.isNumber() {
		panic(unknownHere("SIGN of " + v.Kind.noun()))
	}
	return OfInt(int64(compareNumbers(v, OfInt(0))))
}

// rounded rounds half away from zero; PostgreSQL and MySQL round half of a floating number to
// the even neighbour.
func rounded(r *rules, a []Value) Value {
	v, places := r.operand(a[0]), int32(0)
	if len(a) > 1 {
		places = int32(r.toInt(a[1]).n)
	}
	switch v.Kind {
	case Int:
		if places >= 0 {
			if r.dialect == dialect.SQLite {
				return OfFloat(float64(v.n))
			}
			return v
		}
		if r.dialect == dialect.SQLite {
			return OfFloat(float64(v.n))
		}
		return OfInt(v.asDecimal().Round(places).IntPart())
	case Decimal:
		shown := max(0, places)
		d := v.d.Round(places)
		return r.exact(d, min(shown, max(v.digits(), 0)))
	case Float:
		f := v.float()
		switch {
		case r.dialect == dialect.SQLite:
			d, err := decimal.NewFromString(OfFloat(f).String())
			if err != nil {
				panic(unknownHere("a rounding like this"))
			}
			f, _ := d.Round(max(0, places)).Float64()
			return OfFloat(f)
		case places == 0:
			return OfFloat(math.RoundToEven(f))
		}
		if r.isPostgres() {
			panic(Refusal{What: "ROUND of a floating number to places"})
		}
		scale := math.Pow(10, float64(places))
		return OfFloat(math.RoundToEven(f*scale) / scale)
	}
	panic(unknownHere("ROUND of " + v.Kind.noun()))
}

func whole(f func(float64) float64, d func(decimal.Decimal) decimal.Decimal) func(*rules, []Value) Value {
	return func(r *rules, a []Value) Value {
		v := r.operand(a[0])
		switch v.Kind {
		case Int:
			return v
		case Decimal:
			return r.exact(d(v.d), 0)
		case Float:
			return OfFloat(f(v.float()))
		}
		panic(unknownHere("rounding of " + v.Kind.noun()))
	}
}

func cutOff(r *rules, a []Value) Value {
	v, places := r.operand(a[0]), int32(0)
	if len(a) > 1 {
		places = int32(r.toInt(a[1]).n)
	}
	if places < 0 {
		panic(unknownHere("cutting off before the point"))
	}
	switch v.Kind {
	case Int:
		return v
	case Decimal:
		return r.exact(v.d.Truncate(places), min(places, v.digits()))
	case Float:
		if places == 0 {
			return OfFloat(math.Trunc(v.float()))
		}
	}
	if (v.Kind == Date || v.Kind == Timestamp) && len(a) == 1 && r.dialect == dialect.Oracle {
		return OfTime(v.moment().Truncate(24 * time.Hour))
	}
	panic(unknownHere("cutting off " + v.Kind.noun()))
}

func power(r *rules, a []Value) Value {
	x, y := r.operand(a[0]), r.operand(a[1])
	if (x.Kind == Decimal || y.Kind == Decimal) && !r.isMySQL() {
		panic(unknownHere("a power of exact numbers"))
	}
	f := math.Pow(x.asFloat(), y.asFloat())
	if math.IsNaN(f) || math.IsInf(f, 0) {
		panic(unknownHere("a power like this"))
	}
	return OfFloat(f)
}

func root(r *rules, a []Value) Value {
	v := r.operand(a[0])
	if v.Kind == Decimal && r.isPostgres() {
		panic(unknownHere("a root of an exact number"))
	}
	if v.asFloat() < 0 {
		if r.isMySQL() || r.dialect == dialect.SQLite {
			return Value{}
		}
		panic(Refusal{What: "the root of a number below zero"})
	}
	return OfFloat(math.Sqrt(v.asFloat()))
}

func field(unit string) func(*rules, []Value) Value {
	return func(r *rules, a []Value) Value {
		v := r.dayLike(a[0])
		if v.IsNull() {
			return v
		}
		n, ok := v.part(unit)
		if !ok || v.Kind < Date {
			panic(unknownHere("the " + unit + " of " + v.Kind.noun()))
		}
		return OfInt(int64(n))
	}
}

func plus(v Value, n int64) Value {
	if v.IsNull() {
		return v
	}
	return OfInt(v.n + n)
}

func onlyDay(r *rules, a []Value) Value {
	v := r.dayLike(a[0])
	if len(a) > 1 && !v.IsNull() {
		if r.dialect != dialect.SQLite {
			panic(unknownHere("DATE of several values"))
		}
		v = modified(v, a[1:])
	}
	switch {
	case v.IsNull():
		if r.dialect != dialect.SQLite {
			panic(unknownHere("the text '" + a[0].s + "' as a date"))
		}
		return v
	case v.Kind != Date && v.Kind != Timestamp:
		panic(unknownHere("the date of " + v.Kind.noun()))
	case r.dialect == dialect.SQLite:
		return OfText(v.day().String())
	}
	return v.day()
}

func textMoment(r *rules, a []Value) Value {
	v := r.dayLike(a[0])
	if v.IsNull() {
		return v
	}
	if v.Kind != Date && v.Kind != Timestamp {
		panic(unknownHere("a time of " + v.Kind.noun()))
	}
	v = modified(v, a[1:])
	return OfText(v.moment().Format("2006-01-02 15:04:05"))
}

func julianDay(r *rules, a []Value) Value {
	v := r.dayLike(a[0])
	if v.IsNull() {
		return v
	}
	if v.Kind != Date && v.Kind != Timestamp {
		panic(unknownHere("a day of " + v.Kind.noun()))
	}
	return OfFloat(2440587.5 + float64(v.micros()/1000)/float64(dayLength/1000))
}

// formatted writes a date by a pattern of % and letters that SQLite and MySQL share.
func formatted(r *rules, a []Value) Value {
	v := r.dayLike(a[1])
	if v.IsNull() || v.Kind != Date && v.Kind != Timestamp {
		if v.IsNull() {
			return v
		}
		panic(unknownHere("a format of " + v.Kind.noun()))
	}
	t := v.moment()
	isoYear, isoWeek := t.ISOWeek()
	var b strings.Builder
	pattern := r.written(a[0])
	for i := 0; i < len(pattern); i++ {
		if pattern[i] != '%' || i+1 == len(pattern) {
			b.WriteByte(pattern[i])
			continue
		}
		i++
		form := map[byte]string{'Y': "2006", 'm': "01", 'd': "02", 'H': "15", 'S': "05"}[pattern[i]]
		switch {
		case pattern[i] == '%':
			form = "%"
		case r.isMySQL() && pattern[i] == 'i', r.dialect == dialect.SQLite && pattern[i] == 'M':
			form = "04"
		case pattern[i] == 'j':
			fmt.Fprintf(&b, "%03d", t.YearDay())
			continue
		case !r.isMySQL() && pattern[i] == 'w':
			fmt.Fprintf(&b, "%d", t.Weekday())
			continue
		case r.isMySQL() && strings.IndexByte("WaMecT", pattern[i]) >= 0:
			form = map[byte]string{'W': "Monday", 'a': "Mon", 'M': "January", 'e': "2", 'c': "1", 'T': "15:04:05"}[pattern[i]]
		case r.isMySQL() && pattern[i] == 'x':
			fmt.Fprintf(&b, "%04d", isoYear)
			continue
		case r.isMySQL() && pattern[i] == 'v':
			fmt.Fprintf(&b, "%02d", isoWeek)
			continue
		case r.isMySQL() && pattern[i] == 'y':
			form = "06"
		case r.isMySQL() && pattern[i] == 'b':
			form = "Jan"
		case form == "":
			panic(unknownHere("the format %" + pattern[i:i+1]))
		}
		b.WriteString(t.Format(form))
	}
	return r.text(b.String())
}

func dateFormat(r *rules, a []Value) Value {
	if r.dialect == dialect.Spark {
		return lettered(r, a)
	}
	return formatted(r, []Value{a[1], a[0]})
}

// letterForms are the runs of letters that formats of Java and .NET share, as Go has them.
var letterForms = map[string]string{
	"yyyy": "2006", "yy": "06", "MMMM": "January", "MMM": "Jan", "MM": "01", "M": "1", "dd": "02", "d": "2", "HH": "15", "hh": "03", "h": "3", "mm": "04", "m": "4",
	"ss": "05", "s": "5",
}

// lettered writes a date by runs of letters, as Spark's date_format and SQL Server's FORMAT do.
func lettered(r *rules, a []Value) Value {
	v := a[0]
	if v.Kind != Date && v.Kind != Timestamp {
		panic(unknownHere("a format of " + v.Kind.noun()))
	}
	t := v.moment()
	var b strings.Builder
	for pattern := r.written(a[1]); pattern != ""; {
		n := len(pattern) - len(strings.TrimLeft(pattern, pattern[:1]))
		letters := pattern[:n]
		pattern = pattern[n:]
		form, known := letterForms[letters]
		switch {
		case known:
			b.WriteString(t.Format(form))
		case r.dialect == dialect.Spark && strings.Trim(letters, "D") == "":
			fmt.Fprintf(&b, "%0*d", n, t.YearDay())
		case r.dialect == dialect.SQLServer && strings.Trim(letters, "YD") == "", strings.Trim(letters, " -/.:") == "":
			b.WriteString(letters)
		default:
			panic(unknownHere("the format " + letters))
		}
	}
	return r.text(b.String())
}

// charForm is a pattern of TO_CHAR.
type charForm struct {
	pattern string
	write   func(t time.Time) string
}

// isName reports whether a pattern writes a name, in the letter case in which it is written itself.
func (f charForm) isName() bool {
	return strings.ToUpper(f.pattern) != f.pattern || f.pattern == "MON" || f.pattern == "MONTH" || f.pattern == "DY" || f.pattern == "DAY"
}

// charForms are the patterns of TO_CHAR that PostgreSQL and Oracle share, the longer ones first.
var charForms = []charForm{
	{"IYYY", func(t time.Time) string { y, _ := t.ISOWeek(); return fmt.Sprintf("%04d", y) }},
	{"YYYY", func(t time.Time) string { return t.Format("2006") }},
	{"HH24", func(t time.Time) string { return t.Format("15") }},
	{"HH12", func(t time.Time) string { return t.Format("03") }},
	{"HH", func(t time.Time) string { return t.Format("03") }},
	{"AM", func(t time.Time) string { return t.Format("PM") }},
	{"PM", func(t time.Time) string { return t.Format("PM") }},
	{"IW", func(t time.Time) string { _, w := t.ISOWeek(); return fmt.Sprintf("%02d", w) }},
	{"WW", func(t time.Time) string { return fmt.Sprintf("%02d", (t.YearDay()-1)/7+1) }},
	{"MONTH", func(t time.Time) string { return strings.ToUpper(fmt.Sprintf("%-9s", t.Format("January"))) }},
	{"DAY", func(t time.Time) string { return strings.ToUpper(fmt.Sprintf("%-9s", t.Format("Monday"))) }},
	{"Month", func(t time.Time) string { return fmt.Sprintf("%-9s", t.Format("January")) }},
	{"FMMonth", func(t time.Time) string { return t.Format("January") }},
	{"Mon", func(t time.Time) string { return t.Format("Jan") }},
	{"MON", func(t time.Time) string { return strings.ToUpper(t.Format("Jan")) }},
	{"Day", func(t time.Time) string { return fmt.Sprintf("%-9s", t.Format("Monday")) }},
	{"FMDay", func(t time.Time) string { return t.Format("Monday") }},
	{"DDD", func(t time.Time) string { return fmt.Sprintf("%03d", t.YearDay()) }},
	{"Dy", func(t time.Time) string { return t.Format("Mon") }},
	{"DY", func(t time.Time) string { return strings.ToUpper(t.Format("Mon")) }},
	{"FMMM", func(t time.Time) string { return t.Format("1") }},
	{"FMDD", func(t time.Time) string { return t.Format("2") }},
	{"Q", func(t time.Time) string { return fmt.Sprintf("%d", (t.Month()+2)/3) }},
	{"YY", func(t time.Time) string { return t.Format("06") }},
	{"MM", func(t time.Time) string { return t.Format("01") }},
	{"DD", func(t time.Time) string { return t.Format("02") }},
	{"MI", func(t time.Time) string { return t.Format("04") }},
	{"SS", func(t time.Time) string { return t.Format("05") }},
}

func hasPrefixFold(s, prefix string) bool {
	return len(s) >= len(prefix) && strings.EqualFold(s[:len(prefix)], prefix)
}

// toChar writes a date by the patterns that PostgreSQL and Oracle share.
func toChar(r *rules, a []Value) Value {
	v := a[0]
	if v.Kind != Date && v.Kind != Timestamp {
		panic(unknownHere("TO_CHAR of " + v.Kind.noun()))
	}
	pattern := r.written(a[1])
	var b strings.Builder
	for rest := pattern; rest != ""; {
		at := slices.IndexFunc(charForms, func(f charForm) bool {
			return strings.HasPrefix(rest, f.pattern) || !f.isName() && hasPrefixFold(rest, f.pattern)
		})
		quoted, behind, ends := "", "", false
		if rest[0] == '"' {
			quoted, behind, ends = strings.Cut(rest[1:], `"`)
		}
		switch {
		case ends:
			b.WriteString(quoted)
			rest = behind
		case at >= 0:
			b.WriteString(charForms[at].write(v.moment()))
			rest = rest[len(charForms[at].pattern):]
		case strings.ContainsRune("-/: .,;_", rune(rest[0])):
			b.WriteByte(rest[0])
			rest = rest[1:]
		default:
			panic(unknownHere("the format " + pattern))
		}
	}
	return r.text(b.String())
}

// modified applies SQLite's modifiers to a moment: '+30 days', 'start of month'.
func modified(v Value, modifiers []Value) Value {
	for _, m := range modifiers {
		t := v.moment()
		y, month, d := t.Date()
		words := strings.Fields(strings.ToLower(m.s))
		switch {
		case len(words) == 2 && words[0] != "start":
			n, err := strconv.Atoi(words[0])
			unit := strings.TrimSuffix(words[1], "s")
			by := map[string]time.Duration{"hour": time.Hour, "minute": time.Minute, "second": time.Second}[unit]
			switch {
			case err != nil:
				panic(unknownHere("the modifier " + m.s))
			case by != 0:
				t = t.Add(time.Duration(n) * by)
			case unit == "day":
				t = t.AddDate(0, 0, n)
			case unit == "month":
				t = t.AddDate(0, n, 0)
			case unit == "year":
				t = t.AddDate(n, 0, 0)
			default:
				panic(unknownHere("the modifier " + m.s))
			}
		case len(words) == 3 && words[0] == "start" && words[2] == "month":
			t = time.Date(y, month, 1, 0, 0, 0, 0, time.UTC)
		case len(words) == 3 && words[0] == "start" && words[2] == "year":
			t = time.Date(y, 1, 1, 0, 0, 0, 0, time.UTC)
		case len(words) == 3 && words[0] == "start" && words[2] == "day":
			t = time.Date(y, month, d, 0, 0, 0, 0, time.UTC)
		default:
			panic(unknownHere("the modifier " + m.s))
		}
		v = OfTime(t)
	}
	return v
}

func lastDay(r *rules, a []Value) Value {
	v := r.dayLike(a[0])
	if v.IsNull() {
		return v
	}
	t := v.moment()
	return OfDay(addMonths(t, 1).AddDate(0, 0, -addMonths(t, 1).Day()))
}

func addedMonths(r *rules, a []Value) Value {
	v := r.dayLike(a[0])
	if v.IsNull() || v.Kind != Date && v.Kind != Timestamp {
		panic(unknownHere("months added to " + v.Kind.noun()))
	}
	t := v.moment()
	if t.Day() == addMonths(t, 1).AddDate(0, 0, -addMonths(t, 1).Day()).Day() && t.Day() < 31 {
		panic(unknownHere("months added to the last day of one"))
	}
	return OfDay(addMonths(t, int(r.toInt(a[1]).n)))
}
