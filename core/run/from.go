package run

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// tablePlan gives the rows of a table of FROM: each sets its columns in the row of the frame
// and calls yield.
type tablePlan interface {
	each(f *frame, yield func())
}

// table compiles a table of FROM, and gives the places in the row from which on, and up to
// which, its columns are.
func (c *compiler) table(t syntax.TableExpr) (plan tablePlan, from, to int) {
	from = c.scope.width
	switch n := t.(type) {
	case *syntax.TableRef:
		plan = c.tableRef(n)
	case *syntax.Derived:
		plan = c.derived(n)
	case *syntax.Join:
		plan = c.join(n)
	case *syntax.FuncTable:
		plan = c.tableFunction(n)
	case *syntax.ParenTable:
		if !n.Alias.IsZero() {
			c.stop(n, "a join with an alias")
		}
		plan, _, _ = c.table(n.Table)
	default:
		c.stop(t, "this table")
	}
	return plan, from, c.scope.width
}

// mostColumns bounds the columns of all tables of a SELECT.
const mostColumns = 4 * schema.MostColumns

// add puts a source's columns behind those that the row has.
func (c *compiler) add(s *bind.Source, width int) (at int) {
	what, most := "", 0
	switch {
	case len(c.scope.sources) >= facts.MaxSources:
		what, most = "tables", facts.MaxSources
	case c.scope.width+width > mostColumns:
		what, most = "columns", mostColumns
	}
	if most > 0 {
		u := unknownHere(fmt.Sprintf("a query of more than %d %s", most, what))
		if s.Node != nil {
			u.Span = s.Node.Span()
		}
		panic(u)
	}
	at = c.scope.width
	c.scope.sources = append(c.scope.sources, place{s, at, width})
	c.scope.width += width
	return at
}

// scan reads rows that lie ready, or are worked out.
type scan struct {
	at, width int
	rows      func(*frame) [][]Value
	stage     *Stage
}

func (s *scan) each(f *frame, yield func()) {
	to := f.row[s.at : s.at+s.width]
	for _, row := range s.rows(f) {
		f.run.step()
		copy(to, row)
		f.tell(s.stage, Kept, f.row)
		yield()
	}
}

func (s *scan) null(f *frame) { clear(f.row[s.at : s.at+s.width]) }

func (c *compiler) tableRef(n *syntax.TableRef) tablePlan {
	src := c.SourceAt(n)
	if src == nil || n.History || len(n.Times) > 0 {
		c.stop(n, "the table %s", c.Text(n))
	}
	if t := src.SchemaTable(); t != nil {
		if t.IsView {
			return c.view(n, src, t)
		}
		if t.HasChildren {
			c.stop(n, "the table %s, which gives the rows of tables that inherit from it, too", t.Name)
		}
		if !t.Complete {
			c.stop(n, "the table %s, of which not all columns are known", t.Name)
		}
		return c.baseTable(n, src, t)
	}
	if cte := c.cteOf(n, src); cte != nil {
		at := c.add(src, cte.width)
		return &scan{at, cte.width, cte.rows, c.stage(SourceStage, n, c.selectOf())}
	}
	if name := n.Name[len(n.Name)-1]; c.Names.String(name.Sym) == "dual" && (c.Dialect == dialect.Oracle || c.rules.isMySQL()) {
		return &scan{c.add(src, 1), 1, func(*frame) [][]Value { return [][]Value{{OfText("X")}} }, c.stage(SourceStage, n, c.selectOf())}
	}
	panic(Unknown{What: "the table " + c.Ident(n.Name[len(n.Name)-1]), Span: n.Span(), Table: true})
}

func (c *compiler) baseTable(n syntax.Node, src *bind.Source, t *schema.Table) tablePlan {
	if !slices.Contains(c.plan.Tables, t) {
		c.plan.Tables = append(c.plan.Tables, t)
		c.plan.Used[t] = make([]bool, len(t.Columns))
	}
	at := c.add(src, len(t.Columns))
	return &scan{at, len(t.Columns), func(f *frame) [][]Value { return f.run.data[t] }, c.stage(SourceStage, n, c.selectOf())}
}

// deepestView bounds how many views stand on one another.
const deepestView = 8

// view compiles a view as a plan of its own, which is worked out once in a run.
func (c *compiler) view(n *syntax.TableRef, src *bind.Source, t *schema.Table) tablePlan {
	q := viewQuery(c.Names, t.Query, c.Dialect, c.Schema, c.views+1)
	if q == nil || q.Plan == nil || q.Err != nil || len(q.Plan.Columns) != len(t.Columns) || c.views >= deepestView {
		c.stop(n, "the view %s", t.Name)
	}
	for _, u := range q.Plan.Tables {
		if !slices.Contains(c.plan.Tables, u) {
			c.plan.Tables = append(c.plan.Tables, u)
			c.plan.Used[u] = make([]bool, len(u.Columns))
		}
		for i, used := range q.Plan.Used[u] {
			c.plan.Used[u][i] = c.plan.Used[u][i] || used
		}
	}
	c.plan.Now = c.plan.Now || q.Plan.Now
	if q.Plan.Generated != "" {
		c.plan.Generated = q.Plan.Generated
	}
	at, memo := c.add(src, len(t.Columns)), c.memo()
	rows := func(f *frame) [][]Value {
		if known, ok := f.run.memos[memo].([][]Value); ok {
			return known
		}
		of := &running{plan: q.Plan, data: f.run.data, limits: f.run.limits, steps: f.run.steps, memos: make([]any, q.Plan.memos), now: f.run.now}
		rows := q.Plan.query.rows(&frame{run: of})
		f.run.steps, f.run.open = of.steps, f.run.open || of.open
		if rows == nil {
			rows = [][]Value{}
		}
		f.run.memos[memo] = rows
		return rows
	}
	return &scan{at, len(t.Columns), rows, c.stage(SourceStage, n, c.selectOf())}
}

// selectOf gives the SELECT that is being compiled.
func (c *compiler) selectOf() *syntax.Select {
	s, _ := c.scope.bound.Node.(*syntax.Select)
	return s
}

func (c *compiler) derived(n *syntax.Derived) tablePlan {
	src := c.SourceAt(n)
	if src == nil {
		c.stop(n, "this derived table")
	}
	plan := c.query(n.Query, c.scope)
	width := len(plan.columns)
	at := c.add(src, width)
	stage := c.stage(SourceStage, n, c.selectOf())
	if plan.correlated {
		return &scan{at, width, func(f *frame) [][]Value { return plan.rows(&frame{run: f.run, up: f}) }, stage}
	}
	memo := c.memo()
	return &scan{at, width, func(f *frame) [][]Value { return f.once(memo, plan) }, stage}
}

// once works a query out that depends on no row, and keeps its rows for the run.
func (f *frame) once(memo int, plan *queryPlan) [][]Value {
	if known, ok := f.run.memos[memo].([][]Value); ok {
		return known
	}
	rows := plan.rows(&frame{run: f.run, up: f})
	if rows == nil {
		rows = [][]Value{}
	}
	f.run.memos[memo] = rows
	return rows
}

// join is a join of two tables by nested loops, or by a table of keys where ON compares
// columns of the two sides.
type join struct {
	kind            syntax.JoinType
	left, right     tablePlan
	from, mid, to   int // the places of the left side's columns, and of the right's
	on              cond
	keys            []keyPair
	keyMemo         int
	rightCorrelated bool
	stage           *Stage
}

// keyPair are two expressions that a join compares for equality, one of each side.
type keyPair struct{ left, right eval }

// fewRows is up to how many rows are looked through rather than put into a table of keys.
const fewRows = 24

func (c *compiler) join(n *syntax.Join) tablePlan {
	left, from, mid := c.table(n.Left)
	reach := c.reach
	c.reach = 1 << 30
	right, _, to := c.table(n.Right)
	j := &join{kind: n.Type, left: left, right: right, from: from, mid: mid, to: to}
	j.rightCorrelated = c.reach <= c.scope.level
	c.reach = min(c.reach, reach)
	switch n.Type {
	case syntax.SemiJoin, syntax.AntiJoin:
		c.stop(n, "a semi-join")
	case syntax.OuterApply:
		j.kind = syntax.LeftJoin
	case syntax.CrossApply:
		j.kind = syntax.InnerJoin
	}
	switch {
	case n.On != nil:
		j.on = c.cond(n.On)
		if !j.rightCorrelated {
			c.joinKeys(j, n.On)
		}
	case n.Natural || len(n.Using) > 0:
		j.on = c.using(n, j)
	}
	j.keyMemo = c.memo()
	j.stage = c.stage(JoinStage, n, c.selectOf())
	return j
}

// joinKeys finds the equalities of ON that compare a value of the left side with one of the
// right, whose keys can be looked up.
func (c *compiler) joinKeys(j *join, on syntax.Expr) {
	for _, x := range syntax.AppendConjuncts(nil, on) {
		b, ok := syntax.Unparen(x).(*syntax.Binary)
		if !ok || b.Op != syntax.OpEqual {
			continue
		}
		l, r := c.sideOf(b.X, j), c.sideOf(b.Y, j)
		// Values of one class only: what conversion a comparison makes keys do not show.
		t, u := c.Type(b.X), c.Type(b.Y)
		if t.Class != u.Class && !(t.Class.IsNumber() && u.Class.IsNumber()) || t.Class == class.Unknown || c.affinity(b.X) != c.affinity(b.Y) {
			continue
		}
		switch {
		case l == 1 && r == 2:
			j.keys = append(j.keys, keyPair{c.expr(b.X), c.expr(b.Y)})
		case l == 2 && r == 1:
			j.keys = append(j.keys, keyPair{c.expr(b.Y), c.expr(b.X)})
		}
	}
}

// sideOf tells which side of a join the columns of an expression belong to: 1 the left, 2 the
// right, 0 neither or both.
func (c *compiler) sideOf(x syntax.Expr, j *join) int {
	name, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return 0
	}
	u := c.Use(name)
	if u.Status != bind.Resolved || u.Outer {
		return 0
	}
	for _, p := range c.scope.sources {
		if p.source == u.Source {
			if p.at >= j.mid {
				return 2
			}
			if p.at >= j.from {
				return 1
			}
		}
	}
	return 0
}

// using compiles USING (…) and NATURAL: an equality for each name, and the columns made one.
func (c *compiler) using(n *syntax.Join, j *join) cond {
	var names []syntax.Sym
	if n.Natural {
		for _, sym := range c.visibleSyms(j.from, j.mid) {
			if sym != 0 && slices.Contains(c.visibleSyms(j.mid, j.to), sym) && !slices.Contains(names, sym) {
				names = append(names, sym)
			}
		}
	}
	for _, id := range n.Using {
		names = append(names, id.Sym)
	}
	var all cond
	for _, sym := range names {
		left, right := c.columnAt(n, sym, j.from, j.mid), c.columnAt(n, sym, j.mid, j.to)
		is := c.compared(n, syntax.OpEqual, left, right)
		if all == nil {
			all = is
		} else {
			all = both(all, is)
		}
		value := left
		switch n.Type {
		case syntax.RightJoin:
			value = right
		case syntax.FullJoin:
			value = func(f *frame) Value {
				if v := left(f); v.Kind != Null {
					return v
				}
				return right(f)
			}
		}
		m := mergedColumn{sym: sym, value: value, left: j.from}
		if i := slices.IndexFunc(c.scope.merged, func(m mergedColumn) bool { return m.sym == sym }); i >= 0 {
			c.scope.merged[i] = m
		} else {
			c.scope.merged = append(c.scope.merged, m)
		}
	}
	return all
}

// visibleSyms lists the columns' names of the sources between two places.
func (c *compiler) visibleSyms(from, to int) (syms []syntax.Sym) {
	for _, p := range c.scope.sources {
		if p.at >= from && p.at < to {
			syms = append(syms, p.source.ColumnSyms()...)
		}
	}
	return syms
}

// columnAt gives a column by its name among the sources between two places.
func (c *compiler) columnAt(n syntax.Node, sym syntax.Sym, from, to int) eval {
	for _, m := range c.scope.merged {
		if m.sym == sym && m.left >= from && m.left < to {
			return m.value
		}
	}
	for _, p := range c.scope.sources {
		if p.at < from || p.at >= to {
			continue
		}
		if i := slices.Index(p.source.ColumnSyms(), sym); i >= 0 && i < p.len {
			c.use(p.source, i)
			slot := p.at + i
			return func(f *frame) Value { return f.row[slot] }
		}
	}
	c.stop(n, "the column %s of a join", strings.ToLower(c.Names.String(sym)))
	return nil
}

// hashed are the rows of the right side of a join, and where they are by key.
type hashed struct {
	rows  [][]Value
	byKey map[string][]int32
}

// rightRows works the right side out once for each run, or for each row if it depends on it.
func (j *join) rightRows(f *frame) *hashed {
	if !j.rightCorrelated {
		if h, ok := f.run.memos[j.keyMemo].(*hashed); ok {
			return h
		}
	}
	h := &hashed{}
	j.right.each(f, func() {
		h.rows = append(h.rows, slices.Clone(f.row[j.mid:j.to]))
		f.run.hold(len(h.rows))
	})
	if len(j.keys) > 0 && len(h.rows) > fewRows {
		h.byKey = make(map[string][]int32, len(h.rows))
		for i, row := range h.rows {
			copy(f.row[j.mid:j.to], row)
			if key, ok := j.key(f, false); ok {
				h.byKey[string(key)] = append(h.byKey[string(key)], int32(i))
			}
		}
	}
	if !j.rightCorrelated {
		f.run.memos[j.keyMemo] = h
	}
	return h
}

// key gives the key of the row of one side; ok is false where a part of it is NULL.
func (j *join) key(f *frame, left bool) (key []byte, ok bool) {
	for _, k := range j.keys {
		value := k.right
		if left {
			value = k.left
		}
		v := value(f)
		if v.IsNull() {
			return nil, false
		}
		key = f.run.plan.rules.appendKey(key, v)
	}
	return key, true
}

func (j *join) each(f *frame, yield func()) {
	var matched []bool
	keepsRight := j.kind == syntax.RightJoin || j.kind == syntax.FullJoin
	keepsLeft := j.kind == syntax.LeftJoin || j.kind == syntax.FullJoin
	marks := keepsRight || f.run.trace != nil && !j.rightCorrelated
	right := f.row[j.mid:j.to]
	j.left.each(f, func() {
		h := j.rightRows(f)
		if marks && matched == nil {
			matched = make([]bool, len(h.rows))
		}
		found := 0
		try := func(i int) {
			f.run.step()
			copy(right, h.rows[i])
			if j.on != nil && j.on(f) != True {
				return
			}
			found++
			if marks {
				matched[i] = true
			}
			f.tell(j.stage, Kept, f.row)
			yield()
		}
		if h.byKey != nil {
			if key, ok := j.key(f, true); ok {
				for _, i := range h.byKey[string(key)] {
					try(int(i))
				}
			}
		} else {
			for i := range h.rows {
				try(i)
			}
		}
		if t := f.run.trace; t != nil {
			t.Partners(j.stage, found)
		}
		if found > 0 {
			return
		}
		clear(right)
		if !keepsLeft {
			f.tell(j.stage, Alone, f.row)
			return
		}
		f.tell(j.stage, Filled, f.row)
		yield()
	})
	if !marks {
		return
	}
	h := j.rightRows(f)
	clear(f.row[j.from:j.mid])
	for i, row := range h.rows {
		if matched != nil && matched[i] {
			continue
		}
		copy(right, row)
		if !keepsRight {
			f.tell(j.stage, AloneRight, f.row)
			continue
		}
		f.tell(j.stage, Filled, f.row)
		yield()
	}
}

// from compiles FROM: the tables between its commas, each with every row of those before.
func (c *compiler) from(n *syntax.From) tablePlan {
	if n == nil {
		return single{}
	}
	return c.cross(n.Tables)
}

// cross compiles tables each of whose rows meets every row of those before.
func (c *compiler) cross(tables []syntax.TableExpr) (all tablePlan) {
	for i, t := range tables {
		from := 0
		reach := c.reach
		c.reach = 1 << 30
		plan, mid, to := c.table(t)
		correlated := c.reach <= c.scope.level
		c.reach = min(c.reach, reach)
		if i == 0 {
			all = plan
			continue
		}
		all = &join{kind: syntax.CrossJoin, left: all, right: plan, from: from, mid: mid, to: to, keyMemo: c.memo(), rightCorrelated: correlated,
			stage: c.stage(JoinStage, t, c.selectOf())}
	}
	return all
}

// single is a SELECT without FROM: one row of no columns.
type single struct{}

func (single) each(_ *frame, yield func()) { yield() }
