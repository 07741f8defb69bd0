package run

import (
	"slices"
	"strconv"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// output is a column of a query's result.
type output struct {
	sym   syntax.Sym
	value eval                   // of a SELECT
	x     syntax.Expr            // the expression, nil for a column of a star
	set   func(*frame) [][]Value // of a function that gives rows, in place of value
}

// selectPlan is one SELECT.
type selectPlan struct {
	from    tablePlan
	scope   *scope
	where   []step
	groups  *groupPlan // nil without
	having  []step
	qualify []step // conditions on windows
	outputs []output
	hidden  []eval // sort keys that are no output
	// distinct leaves one of the rows that are alike in the outputs.
	distinct bool
	list     *Stage
	once     *Stage // DISTINCT
	sets     bool   // a function of the list gives several rows for one
	windows  *Stage
	// Of ROWNUM: how many conditions do not name it, whether the list shows it, and whether the rows come
	// sorted.
	unnumbered          int
	showsRownum, sorted bool
}

// step is one condition of WHERE or HAVING.
type step struct {
	cond  cond
	stage *Stage
}

// selectBody compiles a SELECT; the order keys of its query that are no outputs become hidden
// columns.
func (c *compiler) selectBody(n *syntax.Select, q *syntax.Query) (*selectPlan, []sortKey, []int) {
	bound := c.Scope(n)
	if bound == nil || n.Reshaped || !n.IntoSpan.IsEmpty() {
		c.stop(n, "this SELECT")
	}
	level := 1
	if c.scope != nil {
		level = c.scope.level + 1
	}
	sc := &scope{bound: bound, up: c.scope, level: level}
	c.scope = sc
	defer func() { c.scope = sc.up }()

	p := &selectPlan{scope: sc, distinct: n.Distinct && len(n.DistinctOn) == 0}
	var conditions []syntax.Expr
	if bound.Marked {
		p.from, conditions = c.markedFrom(n)
	} else {
		p.from = c.from(n.From)
		if n.Where != nil {
			conditions = syntax.AppendConjuncts(nil, n.Where.Cond)
		}
	}
	c.where(p, conditions, n)
	aggregates := c.FirstAggregate(n) != nil || q != nil && q.OrderBy != nil && c.AggregateIn(q.OrderBy) != nil
	if n.GroupBy != nil || aggregates {
		sc.groups = c.group(n)
		p.groups, sc.grouped = sc.groups, true
	}
	if n.Having != nil {
		if p.groups == nil && !c.rules.isMySQL() {
			sc.groups = c.group(n)
			p.groups, sc.grouped = sc.groups, true
		}
		if p.groups != nil && p.groups.sets != nil && c.rules.isMySQL() {
			c.stop(n.Having, "HAVING behind ROLLUP") // MariaDB takes a key declared NOT NULL for never NULL there
		}
		p.having = c.steps(n.Having.Cond, HavingStage, n)
	}
	sc.inList = true
	p.outputs = c.outputs(n)
	p.sets = slices.ContainsFunc(p.outputs, func(o output) bool { return o.set != nil })
	if n.Qualify != nil {
		p.qualify = c.steps(n.Qualify.Cond, FilterStage, n)
	}
	var order []sortKey
	if q != nil && q.OrderBy != nil {
		order = c.orderKeys(q.OrderBy, p)
	}
	var on []int
	for _, x := range n.DistinctOn {
		on = append(on, c.listed(x, p))
	}
	if len(sc.windows) > 0 {
		p.windows = c.stage(WindowStage, n, n)
	}
	p.list = c.stage(ListStage, n, n)
	if p.distinct {
		p.once = c.stage(DistinctStage, n, n)
	}
	return p, order, on
}

// steps compiles the conditions that AND joins, one by one.
func (c *compiler) steps(x syntax.Expr, kind StageKind, n *syntax.Select) (steps []step) {
	for _, x := range syntax.AppendConjuncts(nil, x) {
		steps = append(steps, c.step(x, kind, n))
	}
	return steps
}

func (c *compiler) step(x syntax.Expr, kind StageKind, n *syntax.Select) step {
	is := c.cond(x)
	return step{is, c.stage(kind, x, n)}
}

// where compiles the conditions of WHERE, one by one; n is nil for a statement that writes.
func (c *compiler) where(p *selectPlan, conditions []syntax.Expr, n *syntax.Select) {
	for _, x := range c.lastRownum(conditions) {
		if !c.namesRownum(x) {
			p.unnumbered++
		}
		p.where = append(p.where, c.step(x, FilterStage, n))
	}
	if n != nil {
		p.sorted = isSorted(n.From)
		for _, item := range n.Items {
			p.showsRownum = p.showsRownum || c.Dialect == dialect.Oracle && c.namesRownum(item)
		}
	}
}

// outputs compiles the select list, stars spread out.
func (c *compiler) outputs(n *syntax.Select) (list []output) {
	for _, item := range n.Items {
		star, ok := item.X.(*syntax.Star)
		if !ok {
			o := output{sym: c.outputName(item), x: item.X, set: c.setOf(item.X)}
			if o.set == nil {
				o.value = c.expr(item.X)
			}
			list = append(list, o)
			continue
		}
		if item.Span() != star.Span() {
			c.stop(item, "a star without some columns")
		}
		var qualifier syntax.Sym
		if k := len(star.Qualifier); k > 0 {
			qualifier = star.Qualifier[k-1].Sym
		}
		list = append(list, c.spread(item, qualifier)...)
	}
	return list
}

// spread gives the columns that a star stands for: those that a join made one first (SQL
// standard, "query specification").
func (c *compiler) spread(at syntax.Node, qualifier syntax.Sym) (list []output) {
	sc := c.scope
	if qualifier == 0 {
		for _, m := range sc.merged {
			value := m.value
			if sc.grouped {
				c.stop(at, "a star beside groups")
			}
			list = append(list, output{sym: m.sym, value: value})
		}
		if len(sc.merged) > 1 || len(sc.merged) == 1 && len(sc.sources) > 2 {
			c.stop(at, "the order of the columns that a join makes one")
		}
	}
	for _, p := range sc.sources {
		if qualifier != 0 && p.source.Name.Sym != qualifier {
			continue
		}
		syms := p.source.ColumnSyms()
		for i := range p.len {
			sym := syntax.Sym(0)
			if i < len(syms) {
				sym = syms[i]
			}
			if qualifier == 0 && slices.ContainsFunc(sc.merged, func(m mergedColumn) bool { return m.sym == sym }) {
				continue
			}
			c.use(p.source, i)
			list = append(list, output{sym: sym, value: c.slot(0, p.at+i, sc)})
		}
	}
	if len(list) == 0 {
		c.stop(at, "this star")
	}
	return list
}

func (c *compiler) outputName(item *syntax.SelectItem) syntax.Sym {
	if !item.Alias.IsZero() {
		return item.Alias.Sym
	}
	if n, ok := item.X.(*syntax.Name); ok {
		return n.Last().Sym
	}
	return 0
}

// sortKey is a column of the rows to sort by.
type sortKey struct {
	column     int
	desc       bool
	nullsFirst bool
	by         *rules // of a collation, nil without
}

func (c *compiler) sortKey(item *syntax.OrderItem, column int) sortKey {
	k := sortKey{column: column, desc: item.Desc, nullsFirst: c.rules.nullsLast == item.Desc}
	if item.Nulls {
		rest := c.word(item.Span())
		k.nullsFirst = len(rest) > 5 && rest[len(rest)-5:] == "first"
	}
	return k
}

// orderKeys compiles ORDER BY of a SELECT.
func (c *compiler) orderKeys(o *syntax.OrderBy, p *selectPlan) (keys []sortKey) {
	for _, item := range o.Items {
		x, by := c.collated(item.X)
		k := c.sortKey(item, c.listed(x, p))
		k.by = by
		keys = append(keys, k)
	}
	return keys
}

// listed gives the output column that a position stands for, or else that an expression is.
func (c *compiler) listed(x syntax.Expr, p *selectPlan) int {
	lit, ok := x.(*syntax.Literal)
	if !ok || lit.Lit != syntax.NumberLiteral {
		return c.outputFor(x, p)
	}
	at, err := strconv.Atoi(c.Text(lit))
	if err != nil || at < 1 || at > len(p.outputs) {
		c.stop(lit, "this position")
	}
	return at - 1
}

// outputFor gives the output column that an expression of ORDER BY or DISTINCT ON is, or a
// hidden one of its own.
func (c *compiler) outputFor(x syntax.Expr, p *selectPlan) int {
	if name, ok := syntax.Unparen(x).(*syntax.Name); ok {
		if u := c.Use(name); u.Status == bind.OutputAlias && u.Item != nil {
			for i, o := range p.outputs {
				if o.x == u.Item.X {
					return i
				}
			}
		}
		if c.Dialect.Has(dialect.OrderByOutputName) && len(name.Parts) == 1 {
			for i, o := range p.outputs {
				if o.sym == name.Last().Sym {
					return i
				}
			}
		}
	}
	for i, o := range p.outputs {
		if o.x != nil && c.Same(o.x, x) {
			return i
		}
	}
	p.hidden = append(p.hidden, c.expr(x))
	return len(p.outputs) + len(p.hidden) - 1
}

// rows works a SELECT out: its output columns and behind them the hidden ones.
func (p *selectPlan) rows(base *frame) [][]Value {
	f := &frame{run: base.run, up: base.up, row: make([]Value, p.scope.width)}
	var kept []frame // of windows, which see all rows
	var out [][]Value
	var seen map[string][]Value
	if p.distinct {
		seen = map[string][]Value{}
	}
	give := func(f *frame, sets [][][]Value, at int) {
		row := make([]Value, 0, len(p.outputs)+len(p.hidden))
		for i := range p.outputs {
			switch o := &p.outputs[i]; {
			case o.set == nil:
				row = append(row, o.value(f))
			case at < len(sets[i]):
				row = append(row, sets[i][at][0])
			default:
				row = append(row, Value{})
			}
		}
		f.tell(p.list, Kept, row)
		if seen != nil {
			key := string(f.run.plan.rules.rowKey(nil, row))
			if first, ok := seen[key]; ok {
				f.tell(p.once, Dropped, row)
				if len(p.hidden) > 0 || !slices.EqualFunc(first, row, Value.Same) {
					f.run.open = true // which of them stays
				}
				return
			}
			seen[key] = row
			f.tell(p.once, Kept, row)
		}
		for _, h := range p.hidden {
			row = append(row, h(f))
		}
		out = append(out, row)
		f.run.hold(len(out))
	}
	list := func(f *frame) {
		if !passes(f, p.qualify) {
			return
		}
		if !p.sets {
			give(f, nil, 0)
			return
		}
		sets, most := make([][][]Value, len(p.outputs)), 0
		for i := range p.outputs {
			if set := p.outputs[i].set; set != nil {
				sets[i] = set(f)
				most = max(most, len(sets[i]))
			}
		}
		for at := range most {
			give(f, sets, at)
		}
	}
	pass := func(f *frame) {
		if !passes(f, p.having) {
			return
		}
		if len(p.scope.windows) == 0 {
			list(f)
			return
		}
		extra := make([]Value, p.scope.extras)
		copy(extra, f.extra)
		kept = append(kept, frame{run: f.run, up: f.up, row: slices.Clone(f.row), extra: extra})
		f.run.hold(len(kept))
	}
	filter := func(next func(*frame)) {
		if p.scope.rownum > 0 {
			numbers := &numbering{}
			p.from.each(f, func() {
				if numbers.pass(f, p) {
					next(f)
				}
			})
			numbers.settle(f, p)
			return
		}
		p.from.each(f, func() {
			if !passes(f, p.where) {
				return
			}
			next(f)
		})
	}
	if p.groups != nil {
		p.groups.run(f, filter, pass)
	} else {
		filter(pass)
	}
	if len(p.scope.windows) > 0 {
		for _, w := range p.scope.windows {
			w.run(kept)
		}
		for i := range kept {
			f.tell(p.windows, Kept, kept[i].row)
			list(&kept[i])
		}
	}
	return out
}

// passes reports whether a row meets all conditions, and tells of each that it was asked.
func passes(f *frame, steps []step) bool {
	for i := range steps {
		s := &steps[i]
		fate := Kept
		switch s.cond(f) {
		case False:
			fate = Dropped
		case Unsure:
			fate = Unsettled
		}
		f.tell(s.stage, fate, f.row)
		if fate != Kept {
			return false
		}
	}
	return true
}

// rowKey writes what is alike of two rows that count as one.
func (r *rules) rowKey(key []byte, row []Value) []byte {
	for _, v := range row {
		key = r.appendKey(key, v)
	}
	return key
}
