package run

import (
	"math"
	"slices"
	"strconv"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

// groupPlan makes groups of rows.
type groupPlan struct {
	keys  []eval
	sets  [][]bool // which keys count, for each grouping set; nil without sets
	scope *scope
	whole bool // without GROUP BY: one group of all rows
	stage *Stage
}

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

// group is a group of rows while it is made.
type group struct {
	row    []Value
	keys   []Value
	states []*state
	bare   []bareState
	set    int
	size   int
}

type bareState struct {
	first Value
	any   bool
	loose bool // rows of the group have different values
}

func (c *compiler) group(n *syntax.Select) *groupPlan {
	p := &groupPlan{scope: c.scope, whole: n.GroupBy == nil}
	if n.GroupBy != nil {
		if n.GroupBy.All {
			c.stop(n.GroupBy, "GROUP BY ALL")
		}
		sets := [][]int{{}}
		for _, x := range n.GroupBy.Items {
			sets = crossed(sets, c.setsOf(n, p, x))
			if len(sets) > mostSets {
				c.stop(n.GroupBy, "so many grouping sets")
			}
		}
		if n.GroupBy.Sets {
			p.sets = c.chosenSets(n, p, sets)
		}
		c.scope.extras = len(p.keys)
	}
	p.stage = c.stage(GroupStage, n, n)
	return p
}

// mostSets bounds how many grouping sets a GROUP BY has.
const mostSets = 128

// crossed joins each set of keys with each (SQL standard, "group by clause").
func crossed(a, b [][]int) (sets [][]int) {
	for _, x := range a {
		for _, y := range b {
			sets = append(sets, slices.Concat(x, y))
		}
	}
	return sets
}

// setsOf gives the sets of keys that an item of GROUP BY stands for, and adds its keys: one of itself, a
// row's all together, those of ROLLUP, CUBE and GROUPING SETS.
func (c *compiler) setsOf(n *syntax.Select, p *groupPlan, x syntax.Expr) (sets [][]int) {
	switch g := syntax.Unparen(x).(type) {
	case *syntax.Row:
		var keys []int
		for _, x := range g.Items {
			keys = append(keys, c.addKey(p, c.keyOf(n, x)))
		}
		return [][]int{keys}
	case *syntax.GroupingSet:
		var items [][][]int
		for _, x := range g.Items {
			items = append(items, c.setsOf(n, p, x))
		}
		switch words := strings.ToLower(c.Text(g)); {
		case strings.HasPrefix(words, "("):
			return [][]int{{}}
		case strings.HasPrefix(words, "grouping"):
			return slices.Concat(items...)
		case strings.HasPrefix(words, "rollup"):
			for k := len(items); k >= 0; k-- {
				sets = append(sets, joinedKeys(items[:k]))
			}
			return sets
		case strings.HasPrefix(words, "cube") && len(items) < 7:
			for bits := (1 << len(items)) - 1; bits >= 0; bits-- {
				var some [][][]int
				for i, item := range items {
					if bits>>i&1 == 1 {
						some = append(some, item)
					}
				}
				sets = append(sets, joinedKeys(some))
			}
			return sets
		}
		c.stop(g, "this grouping set")
	case *syntax.Call:
		if name := c.FunctionName(g); name == "rollup" || name == "cube" {
			c.stop(g, "%s", strings.ToUpper(name))
		}
	}
	return [][]int{{c.addKey(p, c.keyOf(n, x))}}
}

// joinedKeys gives the keys of items of ROLLUP or CUBE together.
func joinedKeys(items [][][]int) (keys []int) {
	for _, item := range items {
		keys = append(keys, item[0]...)
	}
	return keys
}

// chosenSets tells for each set which keys count.
func (c *compiler) chosenSets(n *syntax.Select, p *groupPlan, sets [][]int) (chosen [][]bool) {
	if len(sets) == 1 { // WITH ROLLUP behind the keys
		if !strings.HasSuffix(c.word(n.GroupBy.Span()), "rollup") {
			if !strings.Contains(c.word(n.GroupBy.Span()), "grouping") {
				c.stop(n.GroupBy, "this GROUP BY")
			}
		} else {
			keys := sets[0]
			if len(keys) > len(p.keys) {
				c.stop(n.GroupBy, "a key that is given twice") // MariaDB fills one of them with what it has at hand
			}
			sets = nil
			for k := len(keys); k >= 0; k-- {
				sets = append(sets, keys[:k])
			}
		}
	}
	for _, keys := range sets {
		set := make([]bool, len(p.keys))
		for _, k := range keys {
			set[k] = true
		}
		chosen = append(chosen, set)
	}
	return chosen
}

func (c *compiler) addKey(p *groupPlan, x syntax.Expr) int {
	for i, k := range c.scope.keys {
		if c.Same(k, x) && !c.mergedOnce(syntax.Unparen(k), syntax.Unparen(x)) {
			return i
		}
	}
	p.keys = append(p.keys, c.expr(x))
	c.scope.keys = append(c.scope.keys, x)
	return len(p.keys) - 1
}

// keyOf gives what an item of GROUP BY stands for: a position or alias of the list, or itself.
func (c *compiler) keyOf(n *syntax.Select, x syntax.Expr) syntax.Expr {
	switch k := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		if at, err := strconv.Atoi(c.Text(k)); err == nil && k.Lit == syntax.NumberLiteral && c.Dialect.Has(dialect.GroupByPosition) {
			if at < 1 || at > len(n.Items) {
				c.stop(k, "this position")
			}
			for _, item := range n.Items[:at] {
				if _, star := item.X.(*syntax.Star); star {
					c.stop(k, "a position behind a star")
				}
			}
			return n.Items[at-1].X
		}
	case *syntax.Name:
		if u := c.Use(k); u.Status == bind.OutputAlias && u.Item != nil {
			return u.Item.X
		}
	}
	return x
}

// groupKey gives the value of an expression that is a key of GROUP BY, nil if it is none.
func (c *compiler) groupKey(x syntax.Expr) eval {
	x = syntax.Unparen(x)
	for i, k := range c.scope.keys {
		if c.Same(syntax.Unparen(k), x) && !c.mergedOnce(syntax.Unparen(k), x) {
			if _, constant := x.(*syntax.Literal); constant {
				return nil
			}
			return func(f *frame) Value { return f.extra[i] }
		}
	}
	return nil
}

// mergedOnce reports whether of two names one is the column that a join made of two, and the
// other one of these.
func (c *compiler) mergedOnce(x, y syntax.Expr) bool {
	a, ok := x.(*syntax.Name)
	b, also := y.(*syntax.Name)
	return ok && also && len(a.Parts) != len(b.Parts) && slices.ContainsFunc(c.scope.merged, func(m mergedColumn) bool { return m.sym == a.Last().Sym })
}

// bareColumn gives a column behind GROUP BY: a key, or the value of any row of the group.
func (c *compiler) bareColumn(owner *scope, slot int) eval {
	for i, k := range owner.keys {
		name, ok := syntax.Unparen(k).(*syntax.Name)
		if !ok {
			continue
		}
		if u := c.Use(name); u.Status == bind.Resolved {
			for _, p := range owner.sources {
				if p.source == u.Source && p.at+u.Source.Place(u.Column) == slot {
					return func(f *frame) Value { return f.extra[i] }
				}
			}
		}
	}
	for _, b := range owner.bare {
		if b.from == slot {
			at := b.slot
			return func(f *frame) Value { return f.extra[at] }
		}
	}
	b := &aggregate{from: slot, slot: owner.extras}
	owner.bare = append(owner.bare, b)
	owner.extras++
	at := b.slot
	return func(f *frame) Value { return f.extra[at] }
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

// run makes the groups of the rows that filter lets through, and passes them on.
func (p *groupPlan) run(f *frame, filter func(func(*frame)), pass func(*frame)) {
	r := f.run.plan.rules
	byKey := map[string]*group{}
	var groups []*group
	var buffer []byte
	fresh := func(set int) *group {
		g := &group{keys: make([]Value, len(p.keys)), states: make([]*state, len(p.scope.aggs)), bare: make([]bareState, len(p.scope.bare)), set: set}
		for i := range g.states {
			g.states[i] = &state{}
		}
		groups = append(groups, g)
		f.run.hold(len(groups))
		return g
	}
	sets := p.sets
	if sets == nil {
		sets = [][]bool{nil}
	}
	if p.whole {
		byKey[""] = fresh(0)
	}
	keys := make([]Value, len(p.keys))
	filter(func(f *frame) {
		f.tell(p.stage, Grouped, f.row)
		for i, k := range p.keys {
			keys[i] = k(f)
		}
		for number, set := range sets {
			buffer = buffer[:0]
			if len(sets) > 1 {
				buffer = append(buffer, byte(number))
			}
			for i, v := range keys {
				if set == nil || set[i] {
					buffer = r.appendKey(buffer, v)
				}
			}
			g := byKey[string(buffer)]
			if g == nil {
				g = fresh(number)
				byKey[string(buffer)] = g
			}
			p.take(g, f, keys, set)
		}
	})
	for number, set := range p.sets { // a set without keys has a group of no rows, too
		if !slices.Contains(set, true) && !slices.ContainsFunc(groups, func(g *group) bool { return g.set == number }) && (r.isPostgres() || r.dialect == dialect.SQLServer) {
			fresh(number)
		}
	}
	for _, g := range groups {
		p.give(g, f, pass)
	}
}

// take puts a row into a group.
func (p *groupPlan) take(g *group, f *frame, keys []Value, set []bool) {
	if g.size++; g.size == 1 {
		g.row = slices.Clone(f.row)
		for i, v := range keys {
			if set == nil || set[i] {
				g.keys[i] = v
			}
		}
	} else {
		for i, v := range keys {
			if (set == nil || set[i]) && v.Kind == Text && v.s != g.keys[i].s {
				f.run.open = true // alike but for letter case
			}
		}
	}
	picked := 0
	for i, a := range p.scope.aggs {
		a.add(g.states[i], f)
		if a.picks && g.states[i].changed {
			picked++
		}
	}
	picking := 0
	for _, a := range p.scope.aggs {
		if a.picks {
			picking++
		}
	}
	for i, b := range p.scope.bare {
		if b.from < 0 {
			continue
		}
		s, v := &g.bare[i], f.row[b.from]
		switch {
		case picking == 1: // SQLite takes them from the row of the MIN or MAX
			if picked == 1 || !s.any {
				s.first, s.any = v, true
			}
		case !s.any:
			s.first, s.any = v, true
		case !v.Same(s.first):
			s.loose = true
		}
	}
}

// give passes a group on as a row.
func (p *groupPlan) give(g *group, f *frame, pass func(*frame)) {
	out := &frame{run: f.run, up: f.up, row: g.row, extra: make([]Value, p.scope.extras)}
	if out.row == nil {
		out.row = make([]Value, p.scope.width)
	}
	copy(out.extra, g.keys)
	for i, a := range p.scope.aggs {
		out.extra[a.slot] = a.result(g.states[i], f.run)
	}
	for i, b := range p.scope.bare {
		if b.from < 0 {
			out.extra[b.slot] = OfInt(int64(g.set))
			continue
		}
		out.extra[b.slot] = g.bare[i].first
		if g.bare[i].loose {
			f.run.open = true
		}
	}
	f.tell(p.stage, Kept, out.row)
	pass(out)
}
