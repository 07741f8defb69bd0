package run

import (
	"strings"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// call compiles a call of a function.
func (c *compiler) call(n *syntax.Call) eval {
	name := c.FunctionName(n)
	if len(n.Name) != 1 {
		c.stop(n, "the function %s", strings.ToUpper(name))
	}
	switch {
	case n.Over != nil:
		return c.window(n)
	case c.IsAggregate(n):
		return c.aggregateCall(n, name)
	}
	if len(n.Args) == 0 {
		if value := c.present(name); value != nil {
			return value
		}
	}
	if value := c.special(n, name); value != nil {
		return value
	}
	f, ok := functionNamed(name)
	if !ok || !f.in.Has(c.Dialect) || len(n.Args) < f.min || f.max >= 0 && len(n.Args) > f.max {
		c.stop(n, "the function %s", strings.ToUpper(name))
	}
	var args []eval
	for _, x := range n.Args {
		args = append(args, c.expr(x))
	}
	r, work, strict := c.rules, f.work, !f.takesNull
	return func(f *frame) Value {
		var buffer [4]Value
		values := buffer[:0]
		for _, a := range args {
			v := a(f)
			if strict && v.Kind == Null {
				return v
			}
			values = append(values, v)
		}
		f.run.at = n
		return work(r, values)
	}
}

// special compiles the functions that do not work all their arguments out, or whose arguments
// are more than values.
func (c *compiler) special(n *syntax.Call, name string) eval {
	r := c.rules
	args := n.Args
	t := c.common(n)
	alternatives := func() (list []eval) {
		for _, x := range args {
			list = append(list, c.alternative(x, t))
		}
		return list
	}
	switch name {
	case "coalesce", "ifnull", "nvl":
		list := alternatives()
		return func(f *frame) Value {
			for _, a := range list {
				if v := a(f); v.Kind != Null {
					return v
				}
			}
			return Value{}
		}
	case "isnull":
		if len(args) == 2 && c.Dialect == dialect.SQLServer {
			list := alternatives()
			return func(f *frame) Value {
				if v := list[0](f); v.Kind != Null {
					return v
				}
				return list[1](f)
			}
		}
		if len(args) == 1 && r.isMySQL() {
			value := c.expr(args[0])
			return func(f *frame) Value { return r.truth(truthOf(value(f).Kind == Null)) }
		}
	case "nvl2":
		if len(args) == 3 {
			test, list := c.expr(args[0]), alternatives()
			return func(f *frame) Value {
				if test(f).Kind != Null {
					return list[1](f)
				}
				return list[2](f)
			}
		}
	case "nullif":
		if len(args) == 2 {
			value, same := c.as(args[0], c.Type(args[1])), c.compare(n, syntax.OpEqual, args[0], args[1])
			return func(f *frame) Value {
				if same(f) == True {
					return Value{}
				}
				return value(f)
			}
		}
	case "if", "iif":
		if len(args) == 3 && (name == "if") == (r.isMySQL() || c.Dialect == dialect.Spark) {
			is, then, otherwise := c.cond(args[0]), c.alternative(args[1], t), c.alternative(args[2], t)
			return func(f *frame) Value {
				if is(f) == True {
					return then(f)
				}
				return otherwise(f)
			}
		}
	case "decode":
		if c.Dialect == dialect.Oracle && len(args) >= 3 {
			return c.decode(n)
		}
	case "extract":
		if len(args) == 1 && !n.Unit.IsZero() {
			return c.extract(n, strings.Trim(c.word(n.Unit.Span), "'"), args[0])
		}
	case "date_part", "datepart":
		if len(args) == 2 {
			unit := strings.Trim(c.word(args[0].Span()), "'")
			return c.extract(n, unit, args[1])
		}
	case "date_trunc":
		if len(args) == 2 && (r.isPostgres() || c.Dialect == dialect.Spark) {
			unit, value := strings.Trim(c.word(args[0].Span()), "'"), c.expr(args[1])
			return func(f *frame) Value {
				v := value(f)
				if v.IsNull() {
					return v
				}
				t, ok := v.truncated(unit)
				if !ok || v.Kind != Date && v.Kind != Timestamp {
					panic(Unknown{What: "this unit", Span: n.Span()})
				}
				return t
			}
		}
	case "date_add", "date_sub", "adddate", "subdate":
		if len(args) == 2 && r.isMySQL() {
			value, by := c.expr(args[0]), c.expr(args[1])
			op := byte('+')
			if strings.Contains(name, "sub") {
				op = '-'
			}
			return func(f *frame) Value {
				v, b := r.dayLike(value(f)), by(f)
				if v.IsNull() || b.IsNull() {
					return Value{}
				}
				if b.Kind == Int {
					b = Value{Kind: Interval, days: int32(b.n)}
				}
				f.run.at = n
				return r.reckon(op, v, b)
			}
		}
	case "dateadd", "datediff", "timestampdiff":
		if len(args) == 3 {
			return c.withUnit(n, name, c.word(args[0].Span()), args[1], args[2])
		}
		if name == "datediff" && len(args) == 2 && (r.isMySQL() || c.Dialect == dialect.Spark) {
			a, b := c.expr(args[0]), c.expr(args[1])
			return func(f *frame) Value {
				v, w := r.dayLike(a(f)), r.dayLike(b(f))
				if v.IsNull() || w.IsNull() {
					return Value{}
				}
				return OfInt(v.day().n - w.day().n)
			}
		}
	case "age":
		if len(args) == 1 && r.isPostgres() {
			c.plan.Now = true
			value := c.expr(args[0])
			return func(f *frame) Value { return age(r, []Value{OfDay(f.run.now), value(f)}) }
		}
	case "regexp_like", "regexp_replace", "regexp_substr":
		return c.regexpCall(n, name)
	case "substring":
		if len(args) == 2 {
			return c.substringOf(n)
		}
	case "trim":
		return c.trim(n)
	case "min", "max": // SQLite's of several values
		if c.Dialect == dialect.SQLite && len(args) > 1 {
			return c.extreme(n, name == "max", true)
		}
	case "greatest", "least":
		if len(args) > 1 && c.Dialect != dialect.SQLite {
			return c.extreme(n, name == "greatest", !r.isPostgres() && c.Dialect != dialect.Spark && c.Dialect != dialect.SQLServer)
		}
	}
	return nil
}

// dayLike makes a date or timestamp of a text that stands where one is needed; of one that is none
// NULL, or a refusal.
func (r *rules) dayLike(v Value) Value {
	if v.Kind != Text {
		return v
	}
	m, ok := r.moment(v.s)
	if !ok && !r.isMySQL() && r.dialect != dialect.SQLite && r.dialect != dialect.Spark {
		panic(noDate(v.s))
	}
	return m
}

func (c *compiler) decode(n *syntax.Call) eval {
	args := n.Args
	t := c.common(n)
	var tests []cond
	var values []eval
	i := 1
	for ; i+1 < len(args); i += 2 {
		tests = append(tests, c.distinct(args[0], args[i], true)) // NULL matches NULL
		values = append(values, c.alternative(args[i+1], t))
	}
	otherwise := func(*frame) Value { return Value{} }
	if i < len(args) {
		otherwise = c.alternative(args[i], t)
	}
	return func(f *frame) Value {
		for i, is := range tests {
			if is(f) == True {
				return values[i](f)
			}
		}
		return otherwise(f)
	}
}

func (c *compiler) extract(n *syntax.Call, unit string, x syntax.Expr) eval {
	value, r := c.expr(x), c.rules
	return func(f *frame) Value {
		v := r.dayLike(value(f))
		if v.IsNull() {
			return v
		}
		if v.Kind < Date {
			panic(Unknown{What: "a field of " + v.Kind.noun(), Span: n.Span()})
		}
		if r.isMySQL() && unit == "week" {
			return weekNumber(r, []Value{v})
		}
		k, ok := v.part(unit)
		if !ok {
			panic(Unknown{What: "the field " + unit, Span: n.Span()})
		}
		if k == float64(int64(k)) || r.isMySQL() { // which cuts the fraction of a second off
			return OfInt(int64(k))
		}
		return OfFloat(k)
	}
}

// withUnit compiles DATEADD, DATEDIFF and TIMESTAMPDIFF, whose first argument is a unit.
func (c *compiler) withUnit(n *syntax.Call, name, unit string, x, y syntax.Expr) eval {
	a, b, r := c.expr(x), c.expr(y), c.rules
	return func(f *frame) Value {
		v, w := a(f), r.dayLike(b(f))
		if name != "dateadd" {
			v = r.dayLike(v)
		}
		if v.IsNull() || w.IsNull() {
			return Value{}
		}
		switch name {
		case "dateadd":
			i, ok := intervalOf(v.asFloat(), unit)
			if !ok {
				panic(Unknown{What: "the unit " + unit, Span: n.Span()})
			}
			return r.reckon('+', w, i)
		case "datediff": // borders of the unit that lie between
			from, to := v.moment(), w.moment()
			switch unit {
			case "day", "dd", "d":
				return OfInt(w.day().n - v.day().n)
			case "month", "mm", "m":
				return OfInt(int64(to.Year()-from.Year())*12 + int64(to.Month()-from.Month()))
			case "year", "yy", "yyyy":
				return OfInt(int64(to.Year() - from.Year()))
			}
		case "timestampdiff": // whole units
			micros := w.micros() - v.micros()
			switch unit {
			case "second":
				return OfInt(micros / second)
			case "minute":
				return OfInt(micros / minute)
			case "hour":
				return OfInt(micros / hour)
			case "day":
				return OfInt(micros / dayLength)
			case "month", "year", "quarter":
				months := wholeMonths(v, w)
				return OfInt(months / map[string]int64{"month": 1, "quarter": 3, "year": 12}[unit])
			}
		}
		panic(Unknown{What: "the unit " + unit, Span: n.Span()})
	}
}

// wholeMonths counts the whole months between two moments.
func wholeMonths(v, w Value) int64 {
	sign := int64(1)
	if w.micros() < v.micros() {
		v, w, sign = w, v, -1
	}
	from, to := v.moment(), w.moment()
	months := int64(to.Year()-from.Year())*12 + int64(to.Month()-from.Month())
	rest := func(v Value) int64 {
		t := v.moment()
		return int64(t.Day())*dayLength + v.micros() - v.day().micros()
	}
	if rest(w) < rest(v) {
		months--
	}
	return sign * months
}

// trim compiles TRIM in all its forms.
func (c *compiler) trim(n *syntax.Call) eval {
	words := strings.Fields(strings.TrimLeft(strings.TrimPrefix(c.word(n.Span()), "trim"), " ("))
	left, right := true, true
	if len(words) > 0 {
		left, right = words[0] != "trailing", words[0] != "leading"
	}
	r := c.rules
	var from, what eval
	switch {
	case len(n.Args) == 1:
		from = c.expr(n.Args[0])
	case len(n.Args) == 2 && c.Dialect == dialect.SQLite:
		from, what = c.expr(n.Args[0]), c.expr(n.Args[1])
	case len(n.Args) == 2:
		what, from = c.expr(n.Args[0]), c.expr(n.Args[1])
		if strings.Contains(c.Text(n), ",") { // PostgreSQL's TRIM (x, characters)
			what, from = from, what
		}
	default:
		c.stop(n, "this TRIM")
	}
	return func(f *frame) Value {
		v, cut := from(f), OfText(" ")
		if what != nil {
			cut = what(f)
		}
		if v.IsNull() || cut.IsNull() {
			return Value{}
		}
		s, set := r.written(v), r.written(cut)
		if r.isMySQL() && len(set) > 1 { // a whole text is cut off, not a set of characters
			for left && strings.HasPrefix(s, set) {
				s = s[len(set):]
			}
			for right && strings.HasSuffix(s, set) {
				s = s[:len(s)-len(set)]
			}
			return r.text(s)
		}
		if left {
			s = strings.TrimLeft(s, set)
		}
		if right {
			s = strings.TrimRight(s, set)
		}
		return r.text(s)
	}
}

// extreme compiles GREATEST and LEAST; nulls tells that one NULL makes the whole NULL.
func (c *compiler) extreme(n *syntax.Call, greatest, nulls bool) eval {
	t, r := c.common(n), c.rules
	var list []eval
	for _, x := range n.Args {
		list = append(list, c.alternative(x, t))
	}
	return func(f *frame) Value {
		var best Value
		for _, a := range list {
			v := a(f)
			if v.IsNull() {
				if nulls {
					return v
				}
				continue
			}
			if best.IsNull() {
				best = v
				continue
			}
			f.run.at = n
			if o, ok := r.compare(v, best); ok && o != 0 && (o > 0) == greatest {
				best = v
			}
		}
		return best
	}
}
