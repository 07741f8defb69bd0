package run

import (
	"math"
	"slices"
	"strconv"
	"strings"

	"github.com/shopspring/decimal"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

// queryPlan is a query: its body, sorted and cut off.
type queryPlan struct {
	body    bodyPlan
	columns []output
	order   []sortKey
	// first tells by which columns DISTINCT ON leaves the first row.
	first                  []int
	limit, offset          eval
	ties                   bool
	correlated             bool
	orderStage, limitStage *Stage
}

// bodyPlan is a SELECT, a set operation or VALUES.
type bodyPlan interface {
	rows(base *frame) [][]Value
}

// ctePlan is a common table expression.
type ctePlan struct {
	sym   syntax.Sym
	level int // of the scopes of its query
	width int
	plan  *queryPlan
	memo  int
	// Of a recursion: what begins it, what goes on, and the rows of the last step.
	begin, next bodyPlan
	distinct    bool
	lastMemo    int
	most        eval // how many rows it has at the most, nil without a limit
}

// query compiles a query that stands in a scope, nil for the outermost.
func (c *compiler) query(q *syntax.Query, up *scope) *queryPlan {
	if c.depth++; c.depth > deepest {
		c.stop(q, "a query that is nested so deep")
	}
	outer, reach := c.scope, c.reach
	c.scope, c.reach = up, 1<<30
	defer func() {
		c.depth--
		c.scope, c.reach = outer, min(c.reach, reach)
	}()
	c.with(q.With)
	p := &queryPlan{}
	if q.Procedure.Len() > 0 {
		c.stop(q, "PROCEDURE")
	}
	switch body := q.Body.(type) {
	case *syntax.Select:
		limit := q.Limit
		if body.Top != nil {
			limit = body.Top
		}
		s, order, first := c.selectBody(body, q)
		p.body, p.columns, p.order, p.first = s, s.outputs, order, first
		c.limit(p, limit)
	default:
		p.body, p.columns = c.body(q.Body)
		if q.OrderBy != nil {
			p.order = c.outputKeys(q.OrderBy, p.columns)
		}
		c.limit(p, q.Limit)
	}
	if len(p.order) > 0 {
		p.orderStage = c.stage(OrderStage, q.OrderBy, nil)
	}
	if p.limit != nil || p.offset != nil {
		p.limitStage = c.stage(LimitStage, q, nil)
	}
	level := 0
	if up != nil {
		level = up.level
	}
	p.correlated = c.reach <= level
	return p
}

// outputKeys compiles ORDER BY behind a set operation: names and positions of outputs.
func (c *compiler) outputKeys(o *syntax.OrderBy, columns []output) (keys []sortKey) {
	for _, item := range o.Items {
		column := -1
		switch x := item.X.(type) {
		case *syntax.Literal:
			if at, err := strconv.Atoi(c.Text(x)); err == nil && at >= 1 && at <= len(columns) {
				column = at - 1
			}
		case *syntax.Name:
			if len(x.Parts) == 1 {
				column = slices.IndexFunc(columns, func(o output) bool { return o.sym == x.Last().Sym })
			}
		}
		if column < 0 {
			c.stop(item, "this ORDER BY")
		}
		keys = append(keys, c.sortKey(item, column))
	}
	return keys
}

// limit compiles LIMIT, OFFSET, FETCH and TOP.
func (c *compiler) limit(p *queryPlan, l *syntax.Limit) {
	if l == nil {
		return
	}
	if l.Loose {
		if words := c.word(l.Span()); strings.Contains(words, "percent") {
			c.stop(l, "a limit in percent")
		}
		p.ties = true
	}
	number := func(x syntax.Expr) eval {
		if x == nil {
			return nil
		}
		if name, ok := x.(*syntax.Name); ok && strings.EqualFold(c.Text(name), "all") {
			return nil
		}
		return c.expr(x)
	}
	p.limit, p.offset = number(l.Count), number(l.Offset)
	if l.One {
		p.limit = func(*frame) Value { return OfInt(1) }
	}
}

func (c *compiler) body(b syntax.Body) (bodyPlan, []output) {
	switch n := b.(type) {
	case *syntax.Select:
		s, _, first := c.selectBody(n, nil)
		if n.Top != nil || len(first) > 0 {
			c.stop(n, "TOP or DISTINCT ON in a branch")
		}
		return s, s.outputs
	case *syntax.ParenQuery:
		q := c.query(n.Query, c.scope)
		return q, q.columns
	case *syntax.SetOp:
		return c.setOp(n)
	case *syntax.Values:
		return c.values(n)
	}
	c.stop(b, "this query")
	return nil, nil
}

// values is VALUES.
type values [][]eval

func (v values) rows(base *frame) (rows [][]Value) {
	for _, items := range v {
		row := make([]Value, len(items))
		for i, x := range items {
			row[i] = x(base.up)
		}
		rows = append(rows, row)
	}
	return rows
}

func (c *compiler) values(n *syntax.Values) (bodyPlan, []output) {
	if c.scope == nil { // a frame for its expressions
		c.scope = &scope{bound: &bind.Scope{Node: n}, level: 0}
		defer func() { c.scope = nil }()
	}
	var rows values
	var columns []output
	for _, r := range n.Rows {
		var row []eval
		for _, x := range r.Items {
			row = append(row, c.expr(x))
		}
		rows = append(rows, row)
	}
	if len(rows) > 0 {
		columns = make([]output, len(rows[0]))
	}
	return rows, columns
}

// setOp is a set operation.
type setOp struct {
	op          syntax.SetOperator
	all         bool
	left, right bodyPlan
	width       int
	stage       *Stage
	convert     []func(Value) Value // by column, nil where nothing is to be done
}

func (c *compiler) setOp(n *syntax.SetOp) (bodyPlan, []output) {
	left, columns := c.body(n.Left)
	right, others := c.body(n.Right)
	if len(columns) != len(others) {
		c.stop(n, "branches of different width")
	}
	s := &setOp{op: n.Op, all: n.All, left: left, right: right, width: len(columns), stage: c.stage(SetStage, n, nil)}
	for i := range columns {
		a, _ := c.OutputOf(n.Left, i)
		b, _ := c.OutputOf(n.Right, i)
		s.convert = append(s.convert, c.union(a.Class, b.Class))
	}
	out := make([]output, len(columns))
	for i, o := range columns {
		out[i] = output{sym: o.sym}
	}
	return s, out
}

// union gives what a set operation makes of the values of columns whose types differ.
func (c *compiler) union(a, b class.Class) func(Value) Value {
	if a == b || c.Dialect == dialect.SQLite {
		return nil
	}
	r := c.rules
	text := a == class.Text || b == class.Text
	switch {
	case text && r.isMySQL():
		return func(v Value) Value {
			if v.IsNull() || v.Kind == Text {
				return v
			}
			return OfText(r.written(v))
		}
	case (a == class.Date || b == class.Date) && (a == class.Timestamp || b == class.Timestamp):
		return func(v Value) Value {
			if v.Kind == Date {
				return Value{Kind: Timestamp, n: v.micros()}
			}
			return v
		}
	}
	return nil
}

func (s *setOp) rows(base *frame) [][]Value {
	left, right := s.left.rows(base), s.right.rows(base)
	for _, side := range [][][]Value{left, right} {
		for i, row := range side {
			base.run.step()
			side[i] = row[:s.width]
			for k, convert := range s.convert {
				if convert != nil {
					row[k] = convert(row[k])
				}
			}
		}
	}
	r := base.run.plan.rules
	if s.op == syntax.Union && s.all {
		for _, side := range [][][]Value{left, right} {
			for _, row := range side {
				base.tell(s.stage, Kept, row)
			}
		}
		rows := append(left, right...)
		base.run.hold(len(rows))
		return rows
	}
	counts := map[string]int{}
	if s.op != syntax.Union {
		for _, row := range right {
			counts[string(r.rowKey(nil, row))]++
		}
	}
	var out [][]Value
	seen := map[string][]Value{}
	keep := func(row []Value) {
		key := string(r.rowKey(nil, row))
		keeps := true
		switch s.op {
		case syntax.Intersect:
			if keeps = counts[key] > 0; s.all {
				counts[key]--
			}
		case syntax.Except:
			if keeps = counts[key] <= 0; s.all {
				counts[key]--
			}
		}
		if !s.all {
			first, doubled := seen[key]
			if doubled && !slices.EqualFunc(first, row, Value.Same) {
				base.run.open = true // which of them stays
			}
			keeps = keeps && !doubled
			seen[key] = row
		}
		if !keeps {
			base.tell(s.stage, Dropped, row)
			return
		}
		base.tell(s.stage, Kept, row)
		out = append(out, row)
	}
	for _, row := range left {
		keep(row)
	}
	if s.op == syntax.Union {
		for _, row := range right {
			keep(row)
		}
	}
	return out
}

// with compiles common table expressions.
func (c *compiler) with(w *syntax.With) {
	if w == nil {
		return
	}
	if c.ctes == nil {
		c.ctes = map[*syntax.Query]*ctePlan{}
	}
	level := 1
	if c.scope != nil {
		level = c.scope.level + 1
	}
	for _, cte := range w.CTEs {
		if cte.Query == nil || cte.Extended {
			c.stop(cte, "a common table expression like this")
		}
		p := &ctePlan{sym: cte.Name.Sym, memo: c.memo(), level: level}
		c.ctes[cte.Query] = p
		if op, ok := cte.Query.Body.(*syntax.SetOp); ok && (w.Recursive || c.Dialect.Has(dialect.ImplicitRecursion)) && c.namesItself(cte, op) {
			c.recursion(cte, p, op)
		} else {
			p.plan = c.query(cte.Query, c.scope)
			p.width = len(p.plan.columns)
		}
	}
}

// namesItself reports whether a query names the table it defines.
func (c *compiler) namesItself(cte *syntax.CTE, op *syntax.SetOp) (found bool) {
	syntax.Inspect(op.Right, func(n syntax.Node) bool {
		if t, ok := n.(*syntax.TableRef); ok && len(t.Name) == 1 && t.Name[0].Sym == cte.Name.Sym {
			if src := c.SourceAt(t); src != nil && src.SchemaTable() == nil && src.Query == nil {
				found = true
			}
		}
		return true
	})
	return found
}

func (c *compiler) recursion(cte *syntax.CTE, p *ctePlan, op *syntax.SetOp) {
	limit := cte.Query.Limit
	// SQLite and MySQL end a recursion when there are so many rows (SQLite, "The WITH Clause", 3.1; MySQL 8.4,
	// "WITH (Common Table Expressions)").
	limited := limit != nil && limit.Offset == nil && !limit.Loose && (c.Dialect == dialect.SQLite || c.Dialect == dialect.MySQL)
	if op.Op != syntax.Union || cte.Query.OrderBy != nil || limit != nil && !limited || cte.Query.With != nil {
		c.stop(cte, "a recursion like this")
	}
	if limited {
		p.most = c.expr(limit.Count)
	}
	reach := c.reach
	c.reach = 1 << 30
	begin, columns := c.body(op.Left)
	p.begin, p.width, p.distinct, p.lastMemo = begin, len(columns), !op.All, c.memo()
	c.growing = append(c.growing, p)
	next, others := c.body(op.Right)
	if s, ok := next.(*selectPlan); ok && c.Dialect != dialect.Postgres && (s.distinct || s.groups != nil || len(s.scope.windows) > 0) {
		c.stop(op.Right, "a recursion that groups its rows") // MariaDB goes on with the rows of a step before
	}
	c.growing = c.growing[:len(c.growing)-1]
	if len(others) != len(columns) {
		c.stop(op, "branches of different width")
	}
	p.next = next
	p.plan = &queryPlan{columns: columns, correlated: c.reach < p.level}
	c.reach = min(reach, c.reach)
}

// cteOf gives the common table expression that a table of FROM names, nil if it names none.
func (c *compiler) cteOf(n *syntax.TableRef, src *bind.Source) *ctePlan {
	if src.Query != nil {
		return c.ctes[src.Query]
	}
	if len(n.Name) == 1 {
		for _, p := range slices.Backward(c.growing) {
			if p.sym == n.Name[0].Sym {
				c.reach = min(c.reach, p.level)
				return &ctePlan{width: p.width, lastMemo: p.lastMemo, memo: -1}
			}
		}
	}
	return nil
}

// rows gives the rows of a common table expression, worked out once in a run.
func (p *ctePlan) rows(f *frame) [][]Value {
	if p.memo < 0 { // within the recursion: those of the last step
		rows, _ := f.run.memos[p.lastMemo].([][]Value)
		return rows
	}
	if known, ok := f.run.memos[p.memo].([][]Value); ok && !p.plan.correlated {
		return known
	}
	if p.plan.correlated {
		panic(unknownHere("a common table expression that depends on a row outside"))
	}
	base := &frame{run: f.run}
	var rows [][]Value
	if p.begin == nil {
		rows = p.plan.rows(base)
	} else {
		rows = p.grow(base)
	}
	if rows == nil {
		rows = [][]Value{}
	}
	f.run.memos[p.memo] = rows
	return rows
}

// grow works a recursion out step by step.
func (p *ctePlan) grow(base *frame) (all [][]Value) {
	r := base.run.plan.rules
	seen := map[string]bool{}
	add := func(rows [][]Value) (fresh [][]Value) {
		for _, row := range rows {
			row = row[:p.width]
			if p.distinct {
				key := string(r.rowKey(nil, row))
				if seen[key] {
					continue
				}
				seen[key] = true
			}
			fresh = append(fresh, row)
		}
		all = append(all, fresh...)
		base.run.hold(len(all))
		return fresh
	}
	most := math.MaxInt
	if p.most != nil {
		if v := r.toInt(p.most(base)); v.Kind == Int && v.n >= 0 {
			most = int(v.n)
		}
	}
	last := add(p.begin.rows(base))
	for depth := 0; len(last) > 0 && len(all) < most; depth++ {
		if depth > base.run.limits.Depth {
			panic(TooMuch{strconv.Itoa(base.run.limits.Depth) + " steps of a recursion"})
		}
		base.run.memos[p.lastMemo] = last
		last = add(p.next.rows(base))
	}
	if len(all) > most { // which rows of the last step are left out is open
		for _, row := range last {
			base.run.open = base.run.open || !slices.EqualFunc(row, last[0], Value.Same)
		}
		all = all[:most]
	}
	return all
}

// rows works a query out: its rows, sorted and cut off, without hidden columns.
func (p *queryPlan) rows(base *frame) [][]Value {
	rows := p.body.rows(base)
	run := base.run
	r := run.plan.rules
	if len(p.order) > 0 {
		slices.SortStableFunc(rows, func(a, b []Value) int { return r.byKeys(p.order, a, b) })
	}
	if len(p.first) > 0 {
		rows = p.firsts(run, rows)
	}
	if p.limit != nil || p.offset != nil {
		rows = p.cut(base, rows)
	}
	if p.order != nil {
		for i := 1; i < len(rows) && !run.loose; i++ {
			run.loose = r.byKeys(p.order, rows[i-1], rows[i]) == 0 && !slices.EqualFunc(rows[i-1], rows[i], Value.Same)
		}
	}
	for i, row := range rows {
		if len(row) > len(p.columns) {
			rows[i] = row[:len(p.columns)]
		}
	}
	if r.isMySQL() && p.isStored() {
		for _, row := range rows {
			roundShown(row)
		}
	}
	return rows
}

// isStored reports whether MySQL puts the result into a table of its own, which keeps no more of
// a decimal than is shown.
func (p *queryPlan) isStored() bool {
	s, ok := p.body.(*selectPlan)
	return !ok || s.groups != nil || s.distinct || p.limit != nil
}

// roundShown leaves of decimals what is shown of them.
func roundShown(row []Value) {
	for i, v := range row {
		if v.Kind == Float && v.places > 0 {
			f, _ := decimal.NewFromFloat(v.float()).Round(int32(v.places - 1)).Float64()
			row[i] = OfFloat(f)
		}
		if v.Kind == Decimal && v.places >= 0 {
			shown := v.shown()
			row[i] = Value{Kind: Decimal, d: shown.d, places: int8(shown.places)}
		}
	}
}

// byKeys orders two rows.
func (r *rules) byKeys(keys []sortKey, a, b []Value) int {
	for _, k := range keys {
		r := r
		if k.by != nil {
			r = k.by
		}
		if o := r.orderOf(a[k.column], b[k.column], k.desc, k.nullsFirst); o != 0 {
			return o
		}
	}
	return 0
}

// orderOf orders two values for sorting.
func (r *rules) orderOf(v, w Value, desc, nullsFirst bool) int {
	switch {
	case v.IsNull() && w.IsNull():
		return 0
	case v.IsNull() || w.IsNull():
		if v.IsNull() == nullsFirst {
			return -1
		}
		return 1
	}
	o, _ := r.compare(v, w)
	if desc {
		return -o
	}
	return o
}

// firsts leaves the first of the rows that are alike in the columns of DISTINCT ON.
func (p *queryPlan) firsts(run *running, rows [][]Value) (kept [][]Value) {
	seen := map[string][]Value{}
	r := run.plan.rules
	for _, row := range rows {
		var key []byte
		for _, c := range p.first {
			key = r.appendKey(key, row[c])
		}
		if first, ok := seen[string(key)]; ok {
			if r.byKeys(p.order, first, row) == 0 && !slices.EqualFunc(first, row, Value.Same) {
				run.open = true
			}
			continue
		}
		seen[string(key)] = row
		kept = append(kept, row)
	}
	return kept
}

// cut leaves the rows between offset and limit; where rows on both sides of a border are alike
// for ORDER BY, which of them stay is open.
func (p *queryPlan) cut(base *frame, rows [][]Value) [][]Value {
	run := base.run
	count := func(value eval, otherwise int) int {
		if value == nil {
			return otherwise
		}
		v := value(base)
		if v.IsNull() {
			return otherwise
		}
		n := run.plan.rules.toInt(v)
		if n.n < 0 {
			if run.plan.rules.dialect == dialect.SQLite {
				return otherwise
			}
			panic(Refusal{What: "a row limit below zero"})
		}
		return int(min(n.n, int64(len(rows))))
	}
	from := min(count(p.offset, 0), len(rows))
	to := min(from+count(p.limit, len(rows)), len(rows))
	alike := func(at int) bool {
		return at > 0 && at < len(rows) && run.plan.rules.byKeys(p.order, rows[at-1], rows[at]) == 0
	}
	if p.ties {
		for to > from && alike(to) {
			to++
		}
	}
	for _, at := range []int{from, to} {
		if from == to || !alike(at) {
			continue
		}
		begin, end := at-1, at+1
		for alike(begin) {
			begin--
		}
		for alike(end) {
			end++
		}
		for _, row := range rows[begin:end] {
			if !slices.EqualFunc(rows[begin], row, Value.Same) {
				run.open = true
			}
		}
	}
	if run.trace != nil {
		for i, row := range rows {
			fate := Dropped
			if i >= from && i < to {
				fate = Kept
			}
			base.tell(p.limitStage, fate, row)
		}
	}
	return rows[from:to]
}
