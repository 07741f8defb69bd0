package run

import (
	"slices"
	"strings"

	"github.com/shopspring/decimal"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// deepest bounds the nesting of expressions that are compiled.
const deepest = 500

// expr compiles an expression.
//
// What is not known of it ends a run, not the compilation: the rest of the query can be read.
func (c *compiler) expr(x syntax.Expr) (value eval) {
	if c.depth++; c.depth > deepest {
		c.stop(x, "an expression that is nested so deep")
	}
	depth, scope, inner, by := c.depth, c.scope, c.inner, c.by
	c.by = nil
	var inAggregate bool
	if scope != nil {
		inAggregate = scope.inAggregate
	}
	defer func() {
		c.depth, c.by = depth-1, by
		if e := recover(); e != nil {
			unknown, ok := e.(Unknown)
			if !ok {
				panic(e)
			}
			unknown = c.placed(unknown)
			c.scope, c.inner = scope, inner
			if scope != nil {
				scope.inAggregate = inAggregate
			}
			if c.plan.Unknown == nil {
				c.plan.Unknown = &unknown
			}
			value = func(*frame) Value { panic(unknown) }
		}
	}()
	c.at = x
	if c.scope != nil && c.scope.grouped && !c.scope.inAggregate {
		if value := c.groupKey(x); value != nil {
			return value
		}
	}
	r := c.rules
	switch n := x.(type) {
	case *syntax.Paren:
		return c.expr(n.X)
	case *syntax.Literal:
		v := c.literal(n)
		return func(*frame) Value { return v }
	case *syntax.TypedLiteral:
		return c.typedLiteral(n)
	case *syntax.Interval:
		return c.interval(n)
	case *syntax.Name:
		return c.name(n)
	case *syntax.Unary:
		return c.unary(n)
	case *syntax.Binary:
		return c.binary(n)
	case *syntax.Is, *syntax.Between, *syntax.In, *syntax.Like, *syntax.Exists:
		is := c.cond(x)
		return func(f *frame) Value { return r.truth(is(f)) }
	case *syntax.Case:
		return c.caseOf(n)
	case *syntax.Cast:
		return c.cast(n)
	case *syntax.Call:
		return c.call(n)
	case *syntax.Subquery:
		return c.scalar(n)
	case *syntax.Collate:
		if by == nil {
			c.stop(n, "a collation here")
		}
		return c.expr(n.X)
	case *syntax.Param:
		return c.param(n)
	case *syntax.OuterMark:
		return c.expr(n.X)
	case *syntax.Array:
		return c.array(n)
	case *syntax.Subscript:
		return c.subscript(n)
	case *syntax.Row:
		c.stop(n, "a row as a value")
	}
	c.stop(x, "this expression")
	return nil
}

// textOf gives the text of a literal; pieces that stand behind one another are one.
func (c *compiler) textOf(n *syntax.Literal) string {
	s := c.Text(n)
	if len(s) > 2 && (s[0] == 'N' || s[0] == 'n') {
		s = s[1:]
	}
	if at := n.Span().Start; len(s) < 2 || s[0] != '\'' && s[0] != '"' || at > 0 && s == c.Text(n) && isWordByte(c.Src[at-1]) {
		c.stop(n, "a text written like this")
	}
	quote, escapes := s[0], c.Dialect.Has(dialect.BackslashEscapes)
	var b strings.Builder
	for i, within := 0, false; i < len(s); i++ {
		switch at := s[i]; {
		case at == quote && within && i+1 < len(s) && s[i+1] == quote:
			b.WriteByte(quote)
			i++
		case at == quote:
			within = !within
		case !within:
			if !strings.ContainsRune(" \t\r\n", rune(at)) {
				c.stop(n, "a text written like this")
			}
		case at == '\\' && escapes && i+1 < len(s):
			i++
			b.WriteString(escaped(s[i]))
		default:
			b.WriteByte(at)
		}
	}
	return b.String()
}

func isWordByte(c byte) bool {
	return c == '&' || c == '_' || c >= '0' && c <= '9' || c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z'
}

// escaped gives what a backslash and a letter behind it stand for.
func escaped(c byte) string {
	switch c {
	case 'n':
		return "\n"
	case 't':
		return "\t"
	case '%', '_': // they stay escaped, for patterns
		return `\` + string(c)
	}
	return string(c)
}

func (c *compiler) literal(n *syntax.Literal) Value {
	switch n.Lit {
	case syntax.NumberLiteral:
		v, ok := parseNumber(strings.ReplaceAll(c.Text(n), "_", ""))
		if !ok {
			c.stop(n, "the number %s", c.Text(n))
		}
		switch {
		case v.Kind == Decimal && c.Dialect == dialect.SQLite:
			return OfFloat(v.asFloat())
		case v.Kind == Float && c.rules.isPostgres():
			return OfDecimal(decimal.NewFromFloat(v.float()))
		case v.Kind == Decimal:
			return c.rules.exact(v.d, max(0, -v.d.Exponent()))
		}
		return v
	case syntax.TextLiteral:
		return c.rules.text(c.textOf(n))
	case syntax.TrueLiteral:
		return c.rules.truth(True)
	case syntax.FalseLiteral:
		return c.rules.truth(False)
	case syntax.NullLiteral:
		return Value{}
	}
	c.stop(n, "%s as a value", c.Text(n))
	return Value{}
}

func (c *compiler) typedLiteral(n *syntax.TypedLiteral) eval {
	t := c.Schema.TypeOf(n.Type, c.Src, c.Dialect)
	lit, ok := syntax.Unparen(n.Value).(*syntax.Literal)
	if !ok {
		c.stop(n, "a literal of this type")
	}
	v := c.literal(lit)
	if v.Kind != Text {
		c.stop(n, "a literal of this type")
	}
	if t.Class == class.TimestampTZ {
		t.Class = class.Timestamp
	}
	if t.Class == class.Date || t.Class == class.Timestamp {
		m, ok := c.rules.moment(v.s)
		if !ok {
			panic(Refusal{What: noDate(v.s).What, Span: n.Span()})
		}
		made := c.rules.toDay(m, t.Class)
		return func(*frame) Value { return made }
	}
	made := c.rules.convert(v, t)
	return func(*frame) Value { return made }
}

// interval compiles INTERVAL '1' DAY, INTERVAL 1 DAY and INTERVAL '1 day'.
func (c *compiler) interval(n *syntax.Interval) eval {
	span := n.Span()
	span.Start = n.Value.Span().End
	unit := strings.TrimSpace(c.word(span))
	value := c.expr(n.Value)
	if unit == "" {
		return func(f *frame) Value {
			v := value(f)
			i, ok := parseInterval(v.s)
			if !ok || v.Kind != Text {
				panic(Unknown{What: "this interval", Span: n.Span()})
			}
			return i
		}
	}
	if strings.Contains(unit, " ") || strings.Contains(unit, "_") {
		c.stop(n, "an interval of %s", unit)
	}
	r := c.rules
	return func(f *frame) Value {
		v := r.toNumber(value(f))
		if v.IsNull() {
			return v
		}
		i, ok := intervalOf(v.asFloat(), unit)
		if !ok || v.asFloat() != float64(int64(v.asFloat())) {
			panic(Unknown{What: "an interval of " + v.String() + " " + unit, Span: n.Span()})
		}
		return i
	}
}

// find gives where a source's columns are: how many queries further out, and from which
// place in a row.
func (c *compiler) find(s *bind.Source) (up int, at *place, owner *scope) {
	for sc := c.scope; sc != nil; sc = sc.up {
		for i := range sc.sources {
			if sc.sources[i].source == s {
				c.reach = min(c.reach, sc.level)
				return up, &sc.sources[i], sc
			}
		}
		up++
	}
	return 0, nil, nil
}

func (c *compiler) name(n *syntax.Name) eval {
	u := c.Use(n)
	switch u.Status {
	case bind.Resolved:
	case bind.OutputAlias:
		if u.Item == nil {
			break
		}
		return c.expr(u.Item.X)
	case bind.Builtin:
		if c.isRownum(n) {
			return c.rownum(n)
		}
		if value := c.rowName(n, u); value != nil {
			return value
		}
		if value := c.builtin(n); value != nil {
			return value
		}
	}
	if s := c.Text(n); u.Status == bind.Unclear && s[0] == '"' && c.Dialect == dialect.SQLite && len(n.Parts) == 1 {
		// A name in double quotes that no source has is a text (SQLite, "Quirks", 8).
		v := OfText(strings.ReplaceAll(s[1:len(s)-1], `""`, `"`))
		return func(*frame) Value { return v }
	}
	if u.Status != bind.Resolved {
		c.stop(n, "the name %s", c.Text(n))
	}
	up, at, owner := c.find(u.Source)
	if at == nil {
		c.stop(n, "the column %s", c.Text(n))
	}
	if len(n.Parts) == 1 {
		for _, m := range owner.merged {
			if m.sym == n.Last().Sym {
				if owner.grouped && !owner.inAggregate {
					c.stop(n, "a column that a join made of two, beside groups")
				}
				return outward(up, m.value)
			}
		}
	}
	place := u.Source.Place(u.Column)
	if _, function := u.Source.Node.(*syntax.FuncTable); function && place < 0 {
		place = slices.Index(u.Source.Columns, u.Column)
	}
	if place < 0 || place >= at.len {
		c.stop(n, "the column %s", c.Text(n))
	}
	c.use(u.Source, place)
	return c.slot(up, at.at+place, owner)
}

// rowName gives the only column of a function in FROM, which its alias stands for; nil for other names.
func (c *compiler) rowName(n *syntax.Name, u *bind.Use) eval {
	if u.Source == nil {
		return nil
	}
	if t, ok := u.Source.Node.(*syntax.FuncTable); !ok || t.Ordinality {
		return nil
	}
	up, at, owner := c.find(u.Source)
	if at == nil || at.len != 1 {
		return nil
	}
	return c.slot(up, at.at, owner)
}

// use notes that a column is named.
func (c *compiler) use(s *bind.Source, place int) {
	if used := c.plan.Used[s.SchemaTable()]; place < len(used) {
		used[place] = true
		if column := &s.SchemaTable().Columns[place]; column.Generated != "" {
			c.plan.Generated = column.Name
		}
	}
}

// slot gives the value at a place of a row, so many queries further out.
func (c *compiler) slot(up, slot int, owner *scope) eval {
	if owner.grouped && !owner.inAggregate {
		return outward(up, c.bareColumn(owner, slot))
	}
	switch up {
	case 0:
		return func(f *frame) Value { return f.row[slot] }
	case 1:
		return func(f *frame) Value { return f.up.row[slot] }
	}
	return outward(up, func(f *frame) Value { return f.row[slot] })
}

// outward works an expression out in a query further out.
func outward(up int, value eval) eval {
	if up == 0 {
		return value
	}
	return func(f *frame) Value {
		for range up {
			f = f.up
		}
		return value(f)
	}
}

// builtin compiles a name that is a value of the database's own.
func (c *compiler) builtin(n *syntax.Name) eval {
	if len(n.Parts) != 1 {
		return nil
	}
	return c.present(c.word(n.Span()))
}

// present gives the value of a function for the moment at hand, nil for one that is none.
func (c *compiler) present(name string) eval {
	text := c.Dialect == dialect.SQLite
	made := func(v func(*frame) Value) eval {
		return func(f *frame) Value {
			if value := v(f); !text {
				return value
			} else {
				return OfText(value.String())
			}
		}
	}
	switch name {
	case "current_date", "curdate":
		c.plan.Now = true
		return made(func(f *frame) Value { return OfDay(f.run.now) })
	case "current_timestamp", "now", "localtimestamp", "getdate", "sysdatetime", "systimestamp", "sysdate":
		c.plan.Now = true
		return made(func(f *frame) Value { return OfTime(f.run.now) })
	}
	return nil
}

func (c *compiler) unary(n *syntax.Unary) eval {
	r := c.rules
	switch n.Op {
	case syntax.OpNot:
		is := c.cond(n)
		return func(f *frame) Value { return r.truth(is(f)) }
	case syntax.OpPositive:
		return c.expr(n.X)
	case syntax.OpNegate:
		value := c.expr(n.X)
		return func(f *frame) Value {
			v := value(f)
			if v.Kind == Int {
				return OfInt(-v.n)
			}
			if v.IsNull() {
				return v
			}
			if v.Kind == Interval {
				return Value{Kind: Interval, months: -v.months, days: -v.days, n: -v.n}
			}
			f.run.at = n
			return r.reckon('-', OfInt(0), v)
		}
	}
	c.stop(n, "the operator %s", c.Text(n)[:n.OpSpan.Len()])
	return nil
}

var reckoned = map[syntax.Op]byte{syntax.OpAdd: '+', syntax.OpSubtract: '-', syntax.OpMultiply: '*', syntax.OpDivide: '/', syntax.OpModulo: '%'}

func (c *compiler) binary(n *syntax.Binary) eval {
	r := c.rules
	if n.Op.IsComparison() || n.Op == syntax.OpAnd || n.Op == syntax.OpOr || n.Op == syntax.OpXor || n.Op == syntax.OpNullSafeEqual {
		is := c.cond(n)
		return func(f *frame) Value { return r.truth(is(f)) }
	}
	if n.Op == syntax.OpConcat {
		c.withoutZone(n.X, n.Y)
		x, y := c.expr(n.X), c.expr(n.Y)
		return func(f *frame) Value {
			f.run.at = n
			return r.concat(x(f), y(f))
		}
	}
	if n.Op == syntax.OpIntegerDivide {
		x, y := c.expr(n.X), c.expr(n.Y)
		return func(f *frame) Value {
			v, w := r.operand(x(f)), r.operand(y(f))
			if v.Kind != Int || w.Kind != Int {
				if v.IsNull() || w.IsNull() {
					return Value{}
				}
				panic(Unknown{What: "a whole quotient of such numbers", Span: n.Span()})
			}
			if w.n == 0 {
				return r.byZero()
			}
			return OfInt(v.n / w.n)
		}
	}
	if value := c.bits(n); value != nil {
		return value
	}
	if value := c.arrayOperator(n); value != nil {
		return value
	}
	if is := c.tilde(n); is != nil {
		return func(f *frame) Value { return r.truth(is(f)) }
	}
	if n.Op == syntax.OpPower && c.rules.isPostgres() {
		x, y := c.expr(n.X), c.expr(n.Y)
		return func(f *frame) Value {
			v, w := x(f), y(f)
			if v.IsNull() || w.IsNull() {
				return Value{}
			}
			f.run.at = n
			return power(r, []Value{v, w})
		}
	}
	op := reckoned[n.Op]
	if op == 0 {
		c.stop(n, "the operator %s", c.word(n.OpSpan))
	}
	x, y := c.typed(n.X, n.Y), c.typed(n.Y, n.X)
	return func(f *frame) Value {
		v := x(f)
		if v.IsNull() {
			return v
		}
		w := y(f)
		if w.IsNull() {
			return w
		}
		f.run.at = n
		return r.reckon(op, v, w)
	}
}

// bits compiles the operators that work on the bits of integers, nil for others.
func (c *compiler) bits(n *syntax.Binary) eval {
	var work func(x, y int64) int64
	switch written := c.word(n.OpSpan); {
	case n.Op == syntax.OpBitAnd:
		work = func(x, y int64) int64 { return x & y }
	case n.Op == syntax.OpBitOr:
		work = func(x, y int64) int64 { return x | y }
	case n.Op == syntax.OpBitXor, written == "^" && (c.rules.isMySQL() || c.Dialect == dialect.SQLServer || c.Dialect == dialect.Spark), written == "#" && c.rules.isPostgres():
		work = func(x, y int64) int64 { return x ^ y }
	case written == "<<":
		work = func(x, y int64) int64 { return x << y }
	case written == ">>":
		work = func(x, y int64) int64 { return x >> y }
	default:
		return nil
	}
	x, y, r, shifts := c.expr(n.X), c.expr(n.Y), c.rules, n.Op == syntax.OpShift
	return func(f *frame) Value {
		v, w := r.operand(x(f)), r.operand(y(f))
		if r.isMySQL() && v.isNumber() && w.isNumber() {
			v, w = r.toInt(v), r.toInt(w)
		}
		switch {
		case v.IsNull() || w.IsNull():
			return Value{}
		case v.Kind != Int || w.Kind != Int || shifts && (v.n < 0 || w.n < 0 || w.n > 31):
			panic(Unknown{What: "the bits of such numbers", Span: n.Span()})
		}
		bits := work(v.n, w.n)
		if bits < 0 && r.isMySQL() { // which counts them without a sign
			return r.exact(decimal.NewFromUint64(uint64(bits)), 0)
		}
		return OfInt(bits)
	}
}

// concat joins two texts.
func (r *rules) concat(v, w Value) Value {
	if v.Kind == Array || w.Kind == Array {
		return r.joinArrays(v, w)
	}
	if v.IsNull() || w.IsNull() {
		switch {
		case !r.concatSkipsNull:
			return Value{}
		case v.IsNull():
			v = OfText("")
			if w.IsNull() {
				return Value{}
			}
		default:
			w = OfText("")
		}
	}
	if v.Kind == Date || v.Kind == Timestamp || w.Kind == Date || w.Kind == Timestamp {
		if !r.isPostgres() && r.dialect != dialect.SQLite && r.dialect != dialect.Spark {
			panic(unknownHere("a date as text"))
		}
	}
	return r.text(r.written(v) + r.written(w))
}

// common gives the type to which values that stand for one another are made, and whether there
// is one to which numbers are widened.
func (c *compiler) common(x syntax.Expr) schema.Type {
	t := c.Type(x)
	if c.Dialect == dialect.SQLite {
		return schema.Type{}
	}
	return t
}

// alternative compiles an expression that may be the value of another, of a type in common.
func (c *compiler) alternative(x syntax.Expr, t schema.Type) eval {
	value, r := c.as(x, t), c.rules
	switch {
	case t.Class == class.Decimal && !r.isMySQL():
		return func(f *frame) Value {
			if v := value(f); v.Kind != Int {
				return v
			} else {
				return OfDecimal(v.asDecimal())
			}
		}
	case t.Class == class.Float:
		return func(f *frame) Value {
			if v := value(f); !v.isNumber() {
				return v
			} else {
				return OfFloat(v.asFloat())
			}
		}
	case t.Class == class.Timestamp && !r.isMySQL():
		return func(f *frame) Value {
			if v := value(f); v.Kind != Date {
				return v
			} else {
				return Value{Kind: Timestamp, n: v.micros()}
			}
		}
	case t.Class == class.Text && r.isMySQL():
		return func(f *frame) Value {
			if v := value(f); v.IsNull() || v.Kind == Text {
				return v
			} else {
				return OfText(r.written(v))
			}
		}
	}
	return value
}

func (c *compiler) caseOf(n *syntax.Case) eval {
	type branch struct {
		when cond
		then eval
	}
	t := c.common(n)
	var branches []branch
	for _, w := range n.Whens {
		b := branch{then: c.alternative(w.Then, t)}
		if n.Operand != nil {
			b.when = c.compare(w, syntax.OpEqual, n.Operand, w.Cond)
		} else {
			b.when = c.cond(w.Cond)
		}
		branches = append(branches, b)
	}
	otherwise := func(*frame) Value { return Value{} }
	if n.Else != nil {
		otherwise = c.alternative(n.Else, t)
	}
	return func(f *frame) Value {
		for i := range branches {
			if branches[i].when(f) == True {
				return branches[i].then(f)
			}
		}
		return otherwise(f)
	}
}

func (c *compiler) cast(n *syntax.Cast) eval {
	if n.Format != nil {
		c.stop(n, "this conversion")
	}
	if n.Type.Array {
		return c.castArray(n)
	}
	t := c.Schema.TypeOf(n.Type, c.Src, c.Dialect)
	value, r := c.expr(n.X), c.rules
	if t.Class == class.TimestampTZ { // in the zone of the session, which is taken to be UTC
		t.Class = class.Timestamp
	}
	if t.Class == class.Text {
		c.withoutZone(n.X)
	}
	if t.Class == class.Unknown || len(t.Values) > 0 {
		c.stop(n, "a conversion to %s", c.Text(n.Type))
	}
	if t.Class == class.Text && r.dialect == dialect.SQLServer && t.Length == 0 && t.Word() != "text" {
		t.Length = 30
	}
	sqlite := c.Dialect == dialect.SQLite
	return func(f *frame) (made Value) {
		v := value(f)
		if v.IsNull() {
			return v
		}
		f.run.at = n
		if sqlite {
			return r.sqliteCast(v, t)
		}
		if n.Try {
			defer func() {
				if e := recover(); e != nil {
					if _, refused := e.(Refusal); !refused {
						panic(e)
					}
					made = Value{}
				}
			}()
		}
		return r.convert(v, t)
	}
}

// withoutZone ends the compilation at a moment with a time zone that becomes a text.
func (c *compiler) withoutZone(xs ...syntax.Expr) {
	for _, x := range xs {
		if c.Type(x).Class == class.TimestampTZ {
			c.stop(x, "a moment with its time zone as a text")
		}
	}
}

// sqliteCast converts to the affinity of a type (SQLite, "CAST expressions").
func (r *rules) sqliteCast(v Value, t schema.Type) Value {
	switch affinityOf(t) {
	case textAffinity:
		return OfText(r.written(v))
	case realAffinity:
		return OfFloat(r.toNumber(v).asFloat())
	case noAffinity:
		panic(unknownHere("a conversion to bytes"))
	}
	if strings.Contains(strings.ToUpper(t.Name), "INT") {
		return r.toInt(v)
	}
	return asStored(r.toNumber(v))
}

// scalar compiles a subquery that stands for a value.
func (c *compiler) scalar(n *syntax.Subquery) eval {
	q, only := c.subquery(n.Query, 1), c.rules.onlyRow
	return func(f *frame) Value {
		rows := q(f)
		if len(rows) > 1 {
			if only {
				panic(Refusal{What: "the subquery gives several rows where one value is needed", Span: n.Span()})
			}
			if len(rows) > 1 {
				f.run.open = true // which of them comes first is open
			}
		}
		if len(rows) == 0 {
			return Value{}
		}
		return rows[0][0]
	}
}

// subquery compiles a query inside an expression, of so many columns, 0 for any number. One that does not
// depend on the row is worked out once.
func (c *compiler) subquery(q *syntax.Query, width int) func(*frame) [][]Value {
	c.inner++
	plan := c.query(q, c.scope)
	c.inner--
	if width > 0 && len(plan.columns) != width {
		c.stop(q, "a subquery of %d columns here", len(plan.columns))
	}
	if plan.correlated {
		return func(f *frame) [][]Value {
			rows := plan.rows(&frame{run: f.run, up: f})
			if t := f.run.trace; t != nil {
				t.Asked(q, f.row, rows)
			}
			return rows
		}
	}
	memo := c.memo()
	return func(f *frame) [][]Value { return f.once(memo, plan) }
}
