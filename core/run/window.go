package run

import (
	"slices"
	"strconv"
	"strings"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// windowPlan is one call of a window function.
type windowPlan struct {
	slot      int
	call      *syntax.Call
	name      string
	args      []eval
	agg       *aggregate // of an aggregate over a window
	partition []eval
	order     []orderedBy
	frame     windowFrame
	rules     *rules
	sorted    []Value // the keys of the partition in hand, where there is one
}

// windowFrame is the part of a partition that a row sees.
type windowFrame struct {
	unit     string // rows, range or groups
	from, to bound
}

// bound is an end of a frame: so many rows, or with RANGE so much of the key, before (negative) or
// behind the row at hand.
type bound struct {
	unbounded bool
	far       bool // a distance is written
	offset    int
}

// window compiles a call with OVER.
func (c *compiler) window(n *syntax.Call) eval {
	sc := c.scope
	w := &windowPlan{call: n, name: c.FunctionName(n), slot: sc.extras}
	if sc.inAggregate || !sc.inList {
		c.stop(n, "a window function here")
	}
	sc.extras++
	if n.Distinct || strings.Contains(c.word(n.Span()), " nulls ") && strings.Contains(c.word(n.Span()), "ignore") {
		c.stop(n, "this window function")
	}
	over := c.definition(n.Over)
	if over == nil {
		c.stop(n.Over, "this window")
	}
	for _, x := range over.partition {
		w.partition = append(w.partition, c.expr(x))
	}
	for _, item := range over.order {
		if lit, ok := item.X.(*syntax.Literal); ok {
			c.stop(lit, "a window ordered by a value")
		}
		w.order = append(w.order, orderedBy{c.expr(item.X), c.sortKey(item, 0)})
	}
	w.frame = c.frameOf(n, over)
	switch w.name {
	case "row_number", "rank", "dense_rank", "percent_rank", "cume_dist", "ntile", "lag", "lead", "first_value", "last_value", "nth_value":
		for _, x := range n.Args {
			w.args = append(w.args, c.expr(x))
		}
		if n.Filter != nil {
			c.stop(n, "FILTER of a window function")
		}
	case "count", "sum", "avg", "min", "max", "total", "count_big":
		w.agg = &aggregate{call: n, name: w.name}
		if w.name == "count_big" {
			w.agg.name = "count"
		}
		if len(n.Args) > 1 {
			c.stop(n, "this window function")
		}
		if len(n.Args) == 1 && !n.Star {
			if _, star := n.Args[0].(*syntax.Star); !star {
				w.agg.args = []eval{c.expr(n.Args[0])}
			}
		}
		if n.Filter != nil {
			w.agg.filter = c.cond(n.Filter)
		}
		w.agg.whole = w.name == "avg" && c.Dialect == dialect.SQLServer && c.Type(n.Args[0]).Class == 1
	default:
		c.stop(n, "the window function %s", strings.ToUpper(w.name))
	}
	sc.windows = append(sc.windows, w)
	slot := w.slot
	return func(f *frame) Value { return f.extra[slot] }
}

// defined is a window with what it takes over from a named one.
type defined struct {
	partition []syntax.Expr
	order     []*syntax.OrderItem
	frame     string
}

// definition gives a window's parts, nil for one whose name is not defined.
func (c *compiler) definition(w *syntax.Window) *defined {
	named := func(id syntax.Ident) *defined {
		for _, other := range c.selectOf().Windows {
			if other != w && other.Name.Sym == id.Sym {
				return c.definition(other)
			}
		}
		return nil
	}
	d := &defined{partition: w.Partition, order: w.OrderBy, frame: c.word(w.Frame)}
	base := w.Base
	if base.IsZero() && !slices.Contains(c.selectOf().Windows, w) {
		base = w.Name
	}
	if !base.IsZero() {
		from := named(base)
		if from == nil {
			return nil
		}
		if len(from.partition) > 0 {
			d.partition = from.partition
		}
		if len(from.order) > 0 {
			d.order = from.order
		}
		if d.frame == "" {
			d.frame = from.frame
		}
	}
	return d
}

// frameOf reads a frame; without one it is all rows, or with ORDER BY those up to the peers of
// the row at hand (SQL standard, "window clause").
func (c *compiler) frameOf(n *syntax.Call, d *defined) windowFrame {
	words := strings.Fields(d.frame)
	if len(words) == 0 {
		if len(d.order) == 0 {
			return windowFrame{"rows", bound{unbounded: true}, bound{unbounded: true}}
		}
		return windowFrame{"range", bound{unbounded: true}, bound{}}
	}
	f := windowFrame{unit: words[0]}
	words = words[1:]
	read := func() (b bound) {
		defer func() { words = words[2:] }()
		switch {
		case len(words) < 2:
		case words[0] == "unbounded":
			return bound{unbounded: true}
		case words[0] == "current":
			return bound{}
		default:
			k, err := strconv.Atoi(words[0])
			if err == nil && (f.unit == "rows" || f.unit == "range" && len(d.order) == 1) {
				if words[1] == "preceding" {
					k = -k
				}
				return bound{offset: k, far: true}
			}
		}
		c.stop(n.Over, "this frame")
		return bound{}
	}
	if words[0] == "between" {
		words = words[1:]
		f.from = read()
		words = words[1:]
		f.to = read()
	} else {
		f.from = read()
	}
	if len(words) > 0 || f.unit == "groups" {
		c.stop(n.Over, "this frame")
	}
	return f
}

// run works the function out for all rows of its SELECT.
func (w *windowPlan) run(rows []frame) {
	if len(rows) == 0 {
		return
	}
	r := rows[0].run.plan.rules
	parts := map[string][]int{}
	var order []string
	for i := range rows {
		var key []byte
		for _, p := range w.partition {
			key = r.appendKey(key, p(&rows[i]))
		}
		if _, ok := parts[string(key)]; !ok {
			order = append(order, string(key))
		}
		parts[string(key)] = append(parts[string(key)], i)
	}
	for _, key := range order {
		w.part(rows, parts[key])
	}
}

// part works the function out for one partition.
func (w *windowPlan) part(rows []frame, part []int) {
	run := rows[part[0]].run
	r := run.plan.rules
	keys := make(map[int][]Value, len(part))
	for _, i := range part {
		for _, o := range w.order {
			keys[i] = append(keys[i], o.value(&rows[i]))
		}
	}
	compare := func(a, b int) int {
		for k, o := range w.order {
			if at := r.orderOf(keys[a][k], keys[b][k], o.desc, o.nullsFirst); at != 0 {
				return at
			}
		}
		return 0
	}
	slices.SortStableFunc(part, compare)
	if len(w.order) == 1 {
		w.rules, w.sorted = r, w.sorted[:0]
		for _, i := range part {
			w.sorted = append(w.sorted, keys[i][0])
		}
	}
	// peers: where the rows that are alike for ORDER BY begin and end.
	begin, end := make([]int, len(part)), make([]int, len(part))
	for i := range part {
		if i > 0 && compare(part[i-1], part[i]) == 0 {
			begin[i] = begin[i-1]
		} else {
			begin[i] = i
		}
	}
	for i := len(part) - 1; i >= 0; i-- {
		if i < len(part)-1 && begin[i+1] == begin[i] {
			end[i] = end[i+1]
		} else {
			end[i] = i + 1
		}
	}
	tied := false
	for i := range part {
		tied = tied || end[i]-begin[i] > 1
	}
	ties := func() { run.open = run.open || tied } // which of the peers stands before which
	if w.agg != nil {
		w.overFrames(rows, part, begin, end)
		return
	}
	n, dense := len(part), 0
	for i, at := range part {
		f := &rows[at]
		run.step()
		if begin[i] == i {
			dense++
		}
		var v Value
		switch w.name {
		case "row_number":
			ties()
			v = OfInt(int64(i + 1))
		case "rank":
			v = OfInt(int64(begin[i] + 1))
		case "dense_rank":
			v = OfInt(int64(dense))
		case "percent_rank":
			v = OfFloat(0)
			if n > 1 {
				v = OfFloat(float64(begin[i]) / float64(n-1))
			}
		case "cume_dist":
			v = OfFloat(float64(end[i]) / float64(n))
		case "ntile":
			ties()
			v = ntile(w.args[0](f), i, n)
		case "lag", "lead":
			ties()
			v = w.neighbour(rows, part, i)
		case "first_value", "last_value", "nth_value":
			from, to := w.bounds(i, n, begin, end)
			if w.frame.unit == "rows" || w.name != "first_value" || begin[i] != i {
				ties()
			}
			pick := from
			if w.name == "last_value" {
				pick = to - 1
			}
			if w.name == "nth_value" {
				pick = from + int(w.args[1](f).n) - 1
			}
			if pick >= from && pick < to {
				v = w.args[0](&rows[part[pick]])
			}
		}
		f.extra[w.slot] = v
	}
}

func ntile(buckets Value, i, n int) Value {
	k := int(buckets.n)
	if buckets.IsNull() || k < 1 {
		panic(Refusal{What: "NTILE of no groups"})
	}
	size, more := n/k, n%k
	if i < more*(size+1) {
		return OfInt(int64(i/(size+1) + 1))
	}
	return OfInt(int64(more + (i-more*(size+1))/max(size, 1) + 1))
}

// neighbour gives the value of LAG or LEAD.
func (w *windowPlan) neighbour(rows []frame, part []int, i int) Value {
	f := &rows[part[i]]
	by := 1
	if len(w.args) > 1 {
		v := w.args[1](f)
		if v.Kind != Int {
			panic(unknownHere("this distance"))
		}
		by = int(v.n)
	}
	if w.name == "lag" {
		by = -by
	}
	if at := i + by; at >= 0 && at < len(part) {
		return w.args[0](&rows[part[at]])
	}
	if len(w.args) > 2 {
		return w.args[2](f)
	}
	return Value{}
}

// bounds gives from which row of a partition to before which a row's frame goes.
func (w *windowPlan) bounds(i, n int, begin, end []int) (from, to int) {
	from, to = 0, n
	peers := w.frame.unit == "range"
	switch {
	case w.frame.from.unbounded:
	case peers && w.frame.from.far:
		from, _ = w.within(i, w.frame.from.offset, begin, end)
	case peers:
		from = begin[i]
	default:
		from = min(max(0, i+w.frame.from.offset), n)
	}
	switch {
	case w.frame.to.unbounded:
	case peers && w.frame.to.far:
		_, to = w.within(i, w.frame.to.offset, begin, end)
	case peers:
		to = end[i]
	default:
		to = max(min(n, i+w.frame.to.offset+1), 0)
	}
	return from, max(from, to)
}

// within gives the first row of a partition whose key is not before a distance from that of a row,
// and the one behind the last whose key is not beyond it (SQL standard, "window clause", RANGE).
func (w *windowPlan) within(i, offset int, begin, end []int) (from, to int) {
	r, o := w.rules, w.order[0]
	v := w.sorted[i]
	if v.IsNull() {
		return begin[i], end[i]
	}
	if !v.isNumber() {
		panic(Unknown{What: "a distance from " + v.Kind.noun(), Span: w.call.Over.Span()})
	}
	if o.desc {
		offset = -offset
	}
	target := r.reckon('+', v, OfInt(int64(offset)))
	from = len(w.sorted)
	for k, key := range w.sorted {
		if key.IsNull() {
			continue
		}
		at := r.orderOf(key, target, o.desc, o.nullsFirst)
		if at >= 0 {
			from = min(from, k)
		}
		if at <= 0 {
			to = k + 1
		}
	}
	return from, to
}

// overFrames works an aggregate out over the frame of each row.
func (w *windowPlan) overFrames(rows []frame, part, begin, end []int) {
	run := rows[part[0]].run
	n := len(part)
	lastFrom, lastTo := -1, -1
	var last Value
	for i, at := range part {
		from, to := w.bounds(i, n, begin, end)
		if w.frame.unit == "rows" && len(w.order) > 0 && !(w.frame.from.unbounded && w.frame.to.unbounded) && end[i]-begin[i] > 1 {
			run.open = true // which of the peers stands before which
		}
		if w.frame.unit == "rows" && len(w.order) == 0 && !(w.frame.from.unbounded && w.frame.to.unbounded) && n > 1 {
			run.open = true
		}
		if from != lastFrom || to != lastTo {
			s := &state{}
			for k := from; k < to; k++ {
				run.step()
				w.agg.add(s, &rows[part[k]])
			}
			last, lastFrom, lastTo = w.agg.result(s, run), from, to
		}
		rows[at].extra[w.slot] = last
	}
}
