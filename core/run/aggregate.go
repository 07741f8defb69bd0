package run

import (
	"math"
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

// aggregate is one aggregate of a SELECT, or a column that is no key.
type aggregate struct {
	slot     int
	call     *syntax.Call
	args     []eval
	filter   cond
	distinct bool
	order    []orderedBy
	name     string
	from     int    // the place in the row of a bare column
	joined   string // what stands between the texts of STRING_AGG
	fraction eval   // of PERCENTILE_CONT and PERCENTILE_DISC
	ordered  bool   // it sorts the values that it is given
	whole    bool   // AVG of integers is an integer
	picks    bool   // MIN or MAX, from whose row bare columns are taken
}

type orderedBy struct {
	value eval
	sortKey
}

// aggregateCall compiles an aggregate over the rows of the SELECT at hand.
func (c *compiler) aggregateCall(n *syntax.Call, name string) eval {
	sc := c.scope
	up, owner := c.rowsOf(n)
	if owner != nil {
		sc = owner
	}
	if !sc.grouped || sc.inAggregate {
		c.stop(n, "an aggregate here")
	}
	if owner != nil {
		at := c.scope
		c.scope, c.reach = owner, min(c.reach, owner.level)
		defer func() { c.scope = at }()
		return outward(up, c.aggregateCall(n, name))
	}
	a := &aggregate{call: n, name: name, slot: sc.extras, distinct: n.Distinct}
	sc.extras++
	if name == "grouping" {
		return c.groupingCall(n)
	}
	c.arguments(a, n)
	sc.aggs = append(sc.aggs, a)
	slot := a.slot
	return func(f *frame) Value { return f.extra[slot] }
}

// rowsOf gives the query around whose rows an aggregate is over, and how many queries further out it
// is: the nearest one that its columns are of; nil where that is the query at hand.
func (c *compiler) rowsOf(n *syntax.Call) (up int, nearest *scope) {
	up = math.MaxInt
	reach := c.reach
	defer func() { c.reach = reach }()
	syntax.Inspect(n, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			if u := c.Use(name); u.Source != nil {
				if far, at, owner := c.find(u.Source); at != nil && far < up {
					up, nearest = far, owner
				}
			}
		}
		return true
	})
	if nearest == c.scope {
		return 0, nil
	}
	return up, nearest
}

// groupingCall compiles GROUPING (x, …): the bits of the keys that a row's set leaves out.
func (c *compiler) groupingCall(n *syntax.Call) eval {
	var keys []int
	for _, x := range n.Args {
		at := slices.IndexFunc(c.scope.keys, func(k syntax.Expr) bool { return c.Same(syntax.Unparen(k), syntax.Unparen(x)) })
		if at < 0 {
			c.stop(x, "GROUPING of what is no key")
		}
		keys = append(keys, at)
	}
	sets := c.scope.extras // the number of the set is kept behind
	c.scope.bare = append(c.scope.bare, &aggregate{from: -1, slot: sets})
	c.scope.extras++
	p := c.scope.groups
	return func(f *frame) Value {
		bits := int64(0)
		set := f.extra[sets].n
		for _, k := range keys {
			bits <<= 1
			if p.sets != nil && !p.sets[set][k] {
				bits |= 1
			}
		}
		return OfInt(bits)
	}
}

// arguments compiles what an aggregate is given.
func (c *compiler) arguments(a *aggregate, n *syntax.Call) {
	sc := c.scope
	grouped := sc.inAggregate
	sc.inAggregate = true
	defer func() { sc.inAggregate = grouped }()
	if n.WithinGroup && a.name != "listagg" && a.name != "string_agg" && a.name != "mode" && !strings.HasPrefix(a.name, "percentile_") {
		c.stop(n, "WITHIN GROUP")
	}
	args := n.Args
	switch a.name {
	case "count", "count_big":
		if n.Star {
			args = nil
		}
		if len(args) > 1 && !(a.distinct && c.rules.isMySQL()) {
			c.stop(n, "COUNT of several values")
		}
		a.name = "count"
	case "sum", "avg", "min", "max", "total", "any_value", "bool_and", "bool_or", "every",
		"stddev", "stddev_samp", "stdev", "stddev_pop", "stdevp", "std", "variance", "var_samp", "var", "var_pop", "varp":
		if len(args) != 1 {
			c.stop(n, "this aggregate")
		}
		if a.name == "avg" && c.Dialect == dialect.SQLServer && c.Type(args[0]).Class == class.Integer {
			a.whole = true
		}
	case "string_agg", "group_concat", "listagg":
		c.joining(a, n)
		args = args[:1]
	case "array_agg":
		if !c.rules.isPostgres() || len(args) != 1 {
			c.stop(n, "the aggregate ARRAY_AGG")
		}
	case "percentile_cont", "percentile_disc", "mode":
		args = c.ordered(a, n)
	default:
		c.stop(n, "the aggregate %s", strings.ToUpper(a.name))
	}
	for _, x := range args {
		if _, star := x.(*syntax.Star); star {
			continue
		}
		a.args = append(a.args, c.expr(x))
	}
	if n.Filter != nil {
		a.filter = c.cond(n.Filter)
	}
	for _, item := range n.OrderBy {
		if a.ordered {
			break
		}
		a.order = append(a.order, orderedBy{c.expr(item.X), c.sortKey(item, 0)})
	}
	a.picks = c.Dialect == dialect.SQLite && (a.name == "min" || a.name == "max")
}

// joining finds what stands between the texts.
func (c *compiler) joining(a *aggregate, n *syntax.Call) {
	switch {
	case a.name == "group_concat" && c.rules.isMySQL():
		if len(n.Args) != 1 {
			c.stop(n, "GROUP_CONCAT of several values")
		}
		a.joined = ","
		words := c.Text(n)
		if at := strings.LastIndex(strings.ToLower(words), "separator"); at >= 0 {
			rest := strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(words[at+len("separator"):]), ")"))
			if len(rest) < 2 || rest[0] != '\'' || strings.ContainsAny(rest[1:len(rest)-1], `'\`) {
				c.stop(n, "this separator")
			}
			a.joined = rest[1 : len(rest)-1]
		}
	case len(n.Args) == 1 && a.name != "string_agg":
		if a.name == "group_concat" {
			a.joined = ","
		}
	case len(n.Args) == 2:
		lit, ok := syntax.Unparen(n.Args[1]).(*syntax.Literal)
		if !ok || lit.Lit != syntax.TextLiteral {
			c.stop(n, "a separator that is no plain text")
		}
		a.joined = c.textOf(lit)
	default:
		c.stop(n, "this aggregate")
	}
}

// state is what an aggregate has of the rows so far.
type state struct {
	count   int64
	sum     Value
	best    Value
	list    []listed
	seen    map[string]bool
	floats  []float64
	places  int32 // of the numbers in floats
	float   bool  // one of them was a floating number
	changed bool  // MIN or MAX was replaced by the last row
}

type listed struct {
	value Value
	keys  []Value
}

// add takes a row in.
func (a *aggregate) add(s *state, f *frame) {
	s.changed = false
	if a.filter != nil && a.filter(f) != True {
		return
	}
	r := f.run.plan.rules
	var v Value
	if len(a.args) == 1 {
		if v = a.args[0](f); v.IsNull() && a.name != "array_agg" {
			return
		}
	}
	if a.distinct && len(a.args) > 0 {
		var key []byte
		for _, x := range a.args {
			w := x(f)
			if w.IsNull() && a.name != "array_agg" {
				return
			}
			key = r.appendKey(key, w)
		}
		if s.seen == nil {
			s.seen = map[string]bool{}
		}
		if s.seen[string(key)] {
			return
		}
		s.seen[string(key)] = true
	}
	s.count++
	f.run.at = a.call
	switch a.name {
	case "sum", "avg", "total":
		v = r.operand(v)
		if s.count == 1 {
			s.sum = v
		} else {
			s.sum = r.reckon('+', s.sum, v)
		}
	case "min", "max":
		if s.count == 1 {
			s.best, s.changed = v, true
			return
		}
		o, ok := r.compare(v, s.best)
		if ok && (o < 0) == (a.name == "min") && o != 0 {
			s.best, s.changed = v, true
		}
		if o == 0 && !v.Same(s.best) {
			f.run.open = true // alike but for letter case
		}
	case "any_value":
		if s.count == 1 {
			s.best = v
		} else if !v.Same(s.best) {
			f.run.open = true
		}
	case "bool_and", "every":
		if t := r.truthOfValue(v); s.count == 1 || t == False {
			s.best = r.truth(t)
		}
	case "bool_or":
		if t := r.truthOfValue(v); s.count == 1 || t == True {
			s.best = r.truth(t)
		}
	case "percentile_cont", "percentile_disc", "mode":
		if s.count == 1 && a.fraction != nil {
			s.best = a.fraction(f)
		}
		s.list = append(s.list, listed{value: v, keys: []Value{v}})
	case "string_agg", "group_concat", "listagg", "array_agg":
		l := listed{value: v}
		for _, o := range a.order {
			l.keys = append(l.keys, o.value(f))
		}
		s.list = append(s.list, l)
	case "count":
	default:
		v = r.operand(v)
		s.floats, s.places = append(s.floats, v.asFloat()), max(s.places, v.digits())
		if v.Kind == Float {
			s.float = true
		}
	}
}

// result gives what came of the rows.
func (a *aggregate) result(s *state, run *running) Value {
	r := run.plan.rules
	run.at = a.call
	switch a.name {
	case "count":
		return OfInt(s.count)
	case "total":
		if s.count == 0 {
			return OfFloat(0)
		}
		return OfFloat(s.sum.asFloat())
	}
	if s.count == 0 {
		return Value{}
	}
	switch a.name {
	case "sum":
		if r.isMySQL() && s.sum.Kind == Int {
			return r.exact(s.sum.asDecimal(), 0)
		}
		return s.sum
	case "avg":
		return r.average(s.sum, s.count, a.whole)
	case "min", "max", "any_value", "bool_and", "bool_or", "every":
		return s.best
	case "string_agg", "group_concat", "listagg":
		return a.join(s, run)
	case "array_agg":
		return ofArray(a.inOrder(s, run))
	case "percentile_cont", "percentile_disc", "mode":
		return a.ofOrdered(s, run)
	}
	return a.spread(s, r)
}

func (r *rules) average(sum Value, count int64, whole bool) Value {
	switch {
	case sum.Kind == Float || r.dialect == dialect.SQLite:
		return OfFloat(sum.asFloat() / float64(count))
	case whole:
		return OfInt(sum.n / count)
	case r.dialect == dialect.Spark && sum.Kind == Int:
		return OfFloat(sum.asFloat() / float64(count))
	case !sum.isNumber():
		panic(unknownHere("an average of " + sum.Kind.noun()))
	}
	return r.quotient(OfDecimal(sum.asDecimal()), OfInt(count))
}

func (a *aggregate) join(s *state, run *running) Value {
	var parts []string
	for _, v := range a.inOrder(s, run) {
		parts = append(parts, run.plan.rules.written(v))
	}
	return OfText(strings.Join(parts, a.joined))
}

// inOrder gives the values of a list as ORDER BY sorts them.
func (a *aggregate) inOrder(s *state, run *running) (values []Value) {
	r := run.plan.rules
	byOrder := func(x, y listed) int {
		for i, o := range a.order {
			if at := r.orderOf(x.keys[i], y.keys[i], o.desc, o.nullsFirst); at != 0 {
				return at
			}
		}
		return 0
	}
	slices.SortStableFunc(s.list, byOrder)
	for i, l := range s.list {
		if i > 0 && byOrder(s.list[i-1], l) == 0 && !l.value.Same(s.list[i-1].value) {
			run.open = true // which of them stands first
		}
		values = append(values, l.value)
	}
	return values
}

// ordered compiles what an aggregate over sorted values is given: the fraction, and the values, which
// WITHIN GROUP sorts (SQL standard, "ordered set function").
func (c *compiler) ordered(a *aggregate, n *syntax.Call) (values []syntax.Expr) {
	if c.rules.isMySQL() || !n.WithinGroup || len(n.OrderBy) != 1 || a.distinct || len(n.Args) > 1 || (len(n.Args) == 0) != (a.name == "mode") {
		c.stop(n, "the aggregate %s", strings.ToUpper(a.name))
	}
	if len(n.Args) == 1 {
		a.fraction = c.expr(n.Args[0])
	}
	a.ordered = true
	a.order = []orderedBy{{sortKey: c.sortKey(n.OrderBy[0], 0)}}
	return []syntax.Expr{n.OrderBy[0].X}
}

// ofOrdered gives the value at a fraction of the sorted values, or that which comes most often.
func (a *aggregate) ofOrdered(s *state, run *running) Value {
	r := run.plan.rules
	values := a.inOrder(s, run)
	if a.name == "mode" {
		best, most := Value{}, 0
		for i := 0; i < len(values); {
			k := i + 1
			for k < len(values) && r.orderOf(values[i], values[k], false, false) == 0 {
				k++
			}
			if k-i == most {
				run.open = true // which of them comes first
			}
			if k-i > most {
				best, most = values[i], k-i
			}
			i = k
		}
		return best
	}
	if !s.best.isNumber() || s.best.asFloat() < 0 || s.best.asFloat() > 1 {
		panic(unknownHere("this fraction"))
	}
	p, n := s.best.asFloat(), len(values)
	if a.name == "percentile_disc" {
		return values[max(0, int(math.Ceil(p*float64(n)-1e-9))-1)]
	}
	at := p * float64(n-1)
	low, high := values[int(math.Floor(at))], values[int(math.Ceil(at))]
	if !low.isNumber() || !high.isNumber() {
		panic(unknownHere("a value between " + low.Kind.noun()))
	}
	return OfFloat(low.asFloat() + (high.asFloat()-low.asFloat())*(at-math.Floor(at)))
}

// spread gives a variance or standard deviation.
//
// STDDEV and VARIANCE are those of a sample, on MySQL and MariaDB those of all there is ("Aggregate
// Functions"); MariaDB shows four digits more of them than the numbers have.
func (a *aggregate) spread(s *state, r *rules) Value {
	n := float64(len(s.floats))
	sample := a.name == "stddev_samp" || a.name == "stdev" || a.name == "var_samp" || a.name == "var" || (a.name == "variance" || a.name == "stddev") && !r.isMySQL()
	mean := 0.0
	for _, f := range s.floats {
		mean += f / n
	}
	squares := 0.0
	for _, f := range s.floats {
		squares += (f - mean) * (f - mean)
	}
	if sample {
		if n < 2 {
			return Value{}
		}
		n--
	}
	v := OfFloat(squares / n)
	if !strings.HasPrefix(a.name, "var") {
		v = OfFloat(math.Sqrt(squares / n))
	}
	if r.dialect == dialect.MariaDB && !s.float {
		v.places = int8(s.places + 4 + 1)
	}
	return v
}
