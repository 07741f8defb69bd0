package run

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// cond compiles a condition.
func (c *compiler) cond(x syntax.Expr) cond {
	if r := c.collating(compares(x)...); r != nil {
		by := c.by
		defer func() { c.by = by }()
		c.by = r
	}
	switch n := x.(type) {
	case *syntax.Paren:
		return c.cond(n.X)
	case *syntax.Unary:
		if n.Op == syntax.OpNot {
			is := c.cond(n.X)
			return func(f *frame) Truth { return is(f).not() }
		}
	case *syntax.Binary:
		switch n.Op {
		case syntax.OpAnd, syntax.OpOr:
			return c.chain(n)
		case syntax.OpXor:
			a, b := c.cond(n.X), c.cond(n.Y)
			return func(f *frame) Truth {
				t, u := a(f), b(f)
				if t == Unsure || u == Unsure {
					return Unsure
				}
				return truthOf(t != u)
			}
		case syntax.OpNullSafeEqual:
			return c.distinct(n.X, n.Y, true)
		}
		if n.Op.IsComparison() {
			return c.comparison(n)
		}
		if is := c.tilde(n); is != nil {
			return is
		}
	case *syntax.Is:
		return c.is(n)
	case *syntax.Between:
		return c.between(n)
	case *syntax.In:
		return c.in(n)
	case *syntax.Like:
		return c.like(n)
	case *syntax.Exists:
		q := c.subquery(n.Query, 0)
		return func(f *frame) Truth { return truthOf(len(q(f)) > 0) }
	}
	value, r := c.expr(x), c.rules
	return func(f *frame) Truth { return r.truthOfValue(value(f)) }
}

// chain compiles a chain of AND or of OR, which may be long.
func (c *compiler) chain(n *syntax.Binary) cond {
	var parts []cond
	var spine []*syntax.Binary
	at := syntax.Expr(n)
	for {
		b, ok := at.(*syntax.Binary)
		if !ok || b.Op != n.Op {
			break
		}
		spine = append(spine, b)
		at = b.X
	}
	parts = append(parts, c.cond(at))
	for _, b := range slices.Backward(spine) {
		parts = append(parts, c.cond(b.Y))
	}
	decides := truthOf(n.Op == syntax.OpOr)
	return anyOf(parts, decides)
}

// anyOf gives what decides as soon as one part does, else unknown if one is, else the opposite.
func anyOf(parts []cond, decides Truth) cond {
	return func(f *frame) Truth {
		result := decides.not()
		for _, is := range parts {
			switch t := is(f); t {
			case decides:
				return decides
			case Unsure:
				result = Unsure
			}
		}
		return result
	}
}

// test gives what a comparison says of an order.
func test(op syntax.Op) func(order int) bool {
	switch op {
	case syntax.OpEqual:
		return func(o int) bool { return o == 0 }
	case syntax.OpNotEqual:
		return func(o int) bool { return o != 0 }
	case syntax.OpLess:
		return func(o int) bool { return o < 0 }
	case syntax.OpLessEqual:
		return func(o int) bool { return o <= 0 }
	case syntax.OpGreater:
		return func(o int) bool { return o > 0 }
	}
	return func(o int) bool { return o >= 0 }
}

func (c *compiler) comparison(n *syntax.Binary) cond {
	if q, ok := syntax.Unparen(n.Y).(*syntax.Quantified); ok {
		return c.quantified(n, q)
	}
	x, isRow := syntax.Unparen(n.X).(*syntax.Row)
	y, beside := syntax.Unparen(n.Y).(*syntax.Row)
	switch q, ok := syntax.Unparen(n.Y).(*syntax.Subquery); {
	case isRow && ok:
		return c.rowOf(n, x, q.Query)
	case isRow && beside:
		return c.compare(n, n.Op, x, y)
	case beside:
		if q, ok := syntax.Unparen(n.X).(*syntax.Subquery); ok {
			return c.rowOf(n, y, q.Query)
		}
	}
	if isRow || beside {
		c.stop(n, "this comparison of rows")
	}
	return c.compare(n, n.Op, n.X, n.Y)
}

// compare compiles a comparison of two expressions.
func (c *compiler) compare(at syntax.Node, op syntax.Op, x, y syntax.Expr) cond {
	if row, ok := syntax.Unparen(x).(*syntax.Row); ok {
		if other, ok := syntax.Unparen(y).(*syntax.Row); ok {
			return c.rowComparison(at, op, row, other)
		}
	}
	a, b := c.pair(x, y)
	return c.compared(at, op, a, b)
}

func (c *compiler) compared(at syntax.Node, op syntax.Op, a, b eval) cond {
	r, holds := c.comparing(), test(op)
	equality := op == syntax.OpEqual
	return func(f *frame) Truth {
		v := a(f)
		if v.Kind == Null {
			return Unsure
		}
		w := b(f)
		if w.Kind == Null {
			return Unsure
		}
		if v.Kind == Int && w.Kind == Int {
			if equality {
				return truthOf(v.n == w.n)
			}
			return truthOf(holds(order(v.n, w.n)))
		}
		f.run.at = at
		o, ok := r.compare(v, w)
		if !ok {
			return Unsure
		}
		return truthOf(holds(o))
	}
}

// pair compiles two expressions that are compared, each made what the other asks for.
func (c *compiler) pair(x, y syntax.Expr) (a, b eval) {
	a, b = c.typed(x, y), c.typed(y, x)
	if c.Dialect == dialect.SQLite {
		return c.withAffinity(a, c.affinity(x), c.affinity(y)), c.withAffinity(b, c.affinity(y), c.affinity(x))
	}
	return a, b
}

// typed compiles an expression beside another: bare text has the other's type
// (PostgreSQL, 10.2 "Operators": a literal of unknown type is taken for the other's).
func (c *compiler) typed(x, beside syntax.Expr) eval {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.TextLiteral || !c.rules.isPostgres() {
		return c.expr(x)
	}
	return c.as(x, c.Type(beside))
}

// as compiles an expression that is to be of a type.
func (c *compiler) as(x syntax.Expr, t schema.Type) eval {
	value, r := c.expr(x), c.rules
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.TextLiteral || t.Class == class.Unknown || t.Class == class.Text || t.Class == class.Other || t.Class == class.TimestampTZ {
		return value
	}
	if !r.isPostgres() {
		return value
	}
	c.at = x
	if len(t.Values) > 0 {
		return value
	}
	made := r.convert(value(nil), schema.Type{Class: t.Class})
	return func(*frame) Value { return made }
}

// affinity gives the affinity of an expression (SQLite, "Datatypes", 3.2 and 3.3).
func (c *compiler) affinity(x syntax.Expr) affinity {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Name:
		if c.ColumnOf(n) != nil {
			return affinityOf(c.ColumnOf(n).Type)
		}
		if u := c.Use(n); u.Column != nil && u.Column.X != nil {
			return c.affinity(u.Column.X)
		}
	case *syntax.Cast:
		return affinityOf(c.Schema.TypeOf(n.Type, c.Src, c.Dialect))
	case *syntax.Collate:
		return c.affinity(n.X)
	case *syntax.Subquery:
		if s := n.Query.Select(); s != nil && len(s.Items) == 1 {
			return c.affinity(s.Items[0].X)
		}
	}
	return noAffinity
}

// withAffinity applies the affinity that a comparison gives an operand (SQLite, "Datatypes",
// 4.2): numeric beside a number's, text beside a text's if it has none of its own.
func (c *compiler) withAffinity(value eval, own, other affinity) eval {
	isNumeric := func(a affinity) bool { return a == numericAffinity || a == realAffinity }
	switch {
	case isNumeric(other) && !isNumeric(own):
		return func(f *frame) Value {
			v := value(f)
			if v.Kind == Text {
				return asStored(v)
			}
			return v
		}
	case other == textAffinity && own == noAffinity:
		r := c.rules
		return func(f *frame) Value {
			v := value(f)
			if v.isNumber() {
				return OfText(r.written(v))
			}
			return v
		}
	}
	return value
}

// distinct compiles IS [NOT] DISTINCT FROM, and <=> with same.
func (c *compiler) distinct(x, y syntax.Expr, same bool) cond {
	if row, ok := syntax.Unparen(x).(*syntax.Row); ok {
		return c.rowsDistinct(row, y, same)
	}
	a, b := c.pair(x, y)
	r := c.comparing()
	return func(f *frame) Truth {
		v, w := a(f), b(f)
		if v.IsNull() || w.IsNull() {
			return truthOf((v.IsNull() && w.IsNull()) == same)
		}
		o, ok := r.compare(v, w)
		return truthOf((ok && o == 0) == same)
	}
}

func (c *compiler) is(n *syntax.Is) cond {
	switch n.Test {
	case syntax.IsNull:
		if row, ok := syntax.Unparen(n.X).(*syntax.Row); ok {
			return c.rowIsNull(n, row)
		}
		value, not := c.expr(n.X), n.Not
		return func(f *frame) Truth { return truthOf((value(f).Kind == Null) != not) }
	case syntax.IsTrue, syntax.IsFalse, syntax.IsUnknown:
		is, not := c.cond(n.X), n.Not
		wanted := map[syntax.IsKind]Truth{syntax.IsTrue: True, syntax.IsFalse: False, syntax.IsUnknown: Unsure}[n.Test]
		return func(f *frame) Truth { return truthOf((is(f) == wanted) != not) }
	case syntax.IsDistinctFrom:
		return c.distinct(n.X, n.Y, n.Not)
	}
	if c.Dialect == dialect.SQLite && n.Y != nil {
		return c.distinct(n.X, n.Y, !n.Not)
	}
	c.stop(n, "this test with IS")
	return nil
}

func (c *compiler) between(n *syntax.Between) cond {
	low, high := c.compare(n, syntax.OpGreaterEqual, n.X, n.Low), c.compare(n, syntax.OpLessEqual, n.X, n.High)
	within := both(low, high)
	if n.Symmetric {
		turned := both(c.compare(n, syntax.OpLessEqual, n.X, n.Low), c.compare(n, syntax.OpGreaterEqual, n.X, n.High))
		within = either(within, turned)
	}
	if !n.Not {
		return within
	}
	return func(f *frame) Truth { return within(f).not() }
}

func both(a, b cond) cond { return anyOf([]cond{a, b}, False) }

func either(a, b cond) cond { return anyOf([]cond{a, b}, True) }

func (c *compiler) in(n *syntax.In) cond {
	var found cond
	var items []cond
	switch {
	case n.Query != nil:
		found = c.among(n, n.X, n.Query)
	case n.Other != nil:
		c.stop(n, "this IN")
	default:
		for _, x := range n.List {
			var is cond
			if row, ok := syntax.Unparen(n.X).(*syntax.Row); ok {
				other, isRow := syntax.Unparen(x).(*syntax.Row)
				if !isRow || len(other.Items) != len(row.Items) {
					c.stop(x, "a row in a list")
				}
				is = c.rowsEqual(n, row.Items, other.Items)
			} else {
				a, b := c.typed(n.X, x), c.typed(x, n.X)
				if c.Dialect == dialect.SQLite { // the items of a list have no affinity
					b = c.withAffinity(b, noAffinity, c.affinity(n.X))
				}
				is = c.compared(n, syntax.OpEqual, a, b)
			}
			items = append(items, is)
		}
		found = anyOf(items, True)
	}
	if !n.Not {
		return found
	}
	return func(f *frame) Truth { return found(f).not() }
}

// among compiles whether a value or row is among those of a query.
func (c *compiler) among(n syntax.Node, x syntax.Expr, query *syntax.Query) cond {
	items := []syntax.Expr{x}
	if row, ok := syntax.Unparen(x).(*syntax.Row); ok {
		items = row.Items
	}
	return c.amongThese(n, items, query, c.subquery(query, len(items)))
}

// amongThese compiles whether items are among the rows of a query, as q gives them.
func (c *compiler) amongThese(n syntax.Node, items []syntax.Expr, query *syntax.Query, q func(*frame) [][]Value) cond {
	if s := query.Select(); s != nil && len(s.Items) == len(items) {
		values := make([]eval, len(items))
		theirs := make([]func(Value) Value, len(items))
		for i, x := range items {
			y := s.Items[i].X
			values[i] = c.expr(x)
			theirs[i] = func(v Value) Value { return v }
			if _, star := y.(*syntax.Star); !star && c.Dialect == dialect.SQLite {
				own, other := c.affinity(x), c.affinity(y)
				values[i] = c.withAffinity(values[i], own, other)
				if own != other {
					convert := c.withAffinity(func(f *frame) Value { return f.row[0] }, other, own)
					theirs[i] = func(v Value) Value { return convert(&frame{row: []Value{v}}) }
				}
			}
		}
		return c.amongRows(n, values, theirs, q)
	}
	values := make([]eval, len(items))
	for i, x := range items {
		values[i] = c.expr(x)
	}
	return c.amongRows(n, values, nil, q)
}

func (c *compiler) amongRows(at syntax.Node, values []eval, theirs []func(Value) Value, q func(*frame) [][]Value) cond {
	r := c.comparing()
	return func(f *frame) Truth {
		rows := q(f)
		if len(rows) == 0 {
			return False
		}
		var buffer [4]Value
		mine := buffer[:0]
		for _, v := range values {
			mine = append(mine, v(f))
		}
		result := False
		f.run.at = at
		for _, row := range rows {
			f.run.step()
			t := True
			for i, v := range mine {
				w := row[i]
				if theirs != nil {
					w = theirs[i](w)
				}
				if v.IsNull() || w.IsNull() {
					t = Unsure
					continue
				}
				o, ok := r.compare(v, w)
				if ok && o != 0 {
					t = False
					break
				}
				if !ok {
					t = Unsure
				}
			}
			if t == True {
				return True
			}
			if t == Unsure {
				result = Unsure
			}
		}
		return result
	}
}

// rowsEqual compiles the equality of two rows.
func (c *compiler) rowsEqual(at syntax.Node, xs, ys []syntax.Expr) cond {
	var all []cond
	for i := range xs {
		all = append(all, c.compare(at, syntax.OpEqual, xs[i], ys[i]))
	}
	return anyOf(all, False)
}

// rowIsNull compiles ROW (…) IS [NOT] NULL: every item is, or every item is not (SQL standard, "null
// predicate").
func (c *compiler) rowIsNull(n *syntax.Is, row *syntax.Row) cond {
	if !c.rules.isPostgres() {
		c.stop(row, "a test of a row for NULL")
	}
	var values []eval
	for _, x := range row.Items {
		values = append(values, c.expr(x))
	}
	not := n.Not
	return func(f *frame) Truth {
		for _, value := range values {
			if (value(f).Kind == Null) == not {
				return False
			}
		}
		return True
	}
}

// rowOf compiles the comparison of a row with the only row of a query.
func (c *compiler) rowOf(n *syntax.Binary, row *syntax.Row, query *syntax.Query) cond {
	if n.Op != syntax.OpEqual && n.Op != syntax.OpNotEqual {
		c.stop(n, "this comparison of rows")
	}
	width, rows, only := len(row.Items), c.subquery(query, len(row.Items)), c.rules.onlyRow
	is := c.amongThese(n, row.Items, query, func(f *frame) [][]Value {
		switch found := rows(f); {
		case len(found) == 0: // it stands for a row of NULLs
			return [][]Value{make([]Value, width)}
		case len(found) > 1 && only:
			panic(Refusal{What: "the subquery gives several rows where one is needed", Span: query.Span()})
		case len(found) > 1:
			f.run.open = true // which of them comes first is open
			return found[:1]
		default:
			return found
		}
	})
	if n.Op == syntax.OpEqual {
		return is
	}
	return func(f *frame) Truth { return is(f).not() }
}

// rowsDistinct compiles IS [NOT] DISTINCT FROM of rows.
func (c *compiler) rowsDistinct(row *syntax.Row, y syntax.Expr, same bool) cond {
	other, ok := syntax.Unparen(y).(*syntax.Row)
	if !ok || len(row.Items) != len(other.Items) {
		c.stop(row, "this comparison of rows")
	}
	var all []cond
	for i := range row.Items {
		all = append(all, c.distinct(row.Items[i], other.Items[i], true))
	}
	alike := anyOf(all, False)
	return func(f *frame) Truth { return truthOf((alike(f) == True) == same) }
}

func (c *compiler) rowComparison(n syntax.Node, op syntax.Op, x, y *syntax.Row) cond {
	if len(x.Items) != len(y.Items) {
		c.stop(n, "this comparison of rows")
	}
	equal := c.rowsEqual(n, x.Items, y.Items)
	switch op {
	case syntax.OpEqual:
		return equal
	case syntax.OpNotEqual:
		return func(f *frame) Truth { return equal(f).not() }
	}
	// The first items that differ decide.
	var parts []cond
	var orders []cond
	for i := range x.Items {
		parts = append(parts, c.compare(n, syntax.OpEqual, x.Items[i], y.Items[i]))
		orders = append(orders, c.compare(n, op, x.Items[i], y.Items[i]))
	}
	return func(f *frame) Truth {
		for i, same := range parts {
			switch t := same(f); {
			case t == Unsure:
				return Unsure
			case t == False || i == len(parts)-1:
				return orders[i](f)
			}
		}
		return Unsure
	}
}

func (c *compiler) quantified(n *syntax.Binary, q *syntax.Quantified) cond {
	if q.Query == nil {
		return c.anyElement(n, q)
	}
	if row, ok := syntax.Unparen(n.X).(*syntax.Row); ok {
		is := c.among(n, row, q.Query)
		switch {
		case n.Op == syntax.OpEqual && !q.All:
			return is
		case n.Op == syntax.OpNotEqual && q.All:
			return func(f *frame) Truth { return is(f).not() }
		}
		c.stop(n, "this comparison of rows")
	}
	rows, value, r, holds := c.subquery(q.Query, 1), c.expr(n.X), c.comparing(), test(n.Op)
	return func(f *frame) Truth {
		result := truthOf(q.All)
		v := value(f)
		for _, row := range rows(f) {
			f.run.step()
			t := Unsure
			if !v.IsNull() && !row[0].IsNull() {
				f.run.at = n
				if o, ok := r.compare(v, row[0]); ok {
					t = truthOf(holds(o))
				}
			}
			switch {
			case t == truthOf(!q.All):
				return t
			case t == Unsure:
				result = Unsure
			}
		}
		return result
	}
}

// like compiles LIKE and ILIKE.
func (c *compiler) like(n *syntax.Like) cond {
	r := c.rules
	switch n.Op {
	case syntax.OpLike, syntax.OpILike:
	case syntax.OpRegexp:
		if c.Dialect == dialect.SQLite {
			c.stop(n, "REGEXP, which is a function that a program gives")
		}
		return c.matched(n, c.expr(n.X), c.expr(n.Pattern), c.comparing().foldsCase, n.Not, sharedForm)
	case syntax.OpSimilarTo:
		if n.Escape != nil {
			c.stop(n.Escape, "this ESCAPE")
		}
		return c.matched(n, c.expr(n.X), c.expr(n.Pattern), false, n.Not, similarForm)
	case syntax.OpGlob:
		return c.matched(n, c.expr(n.X), c.expr(n.Pattern), false, n.Not, globForm)
	default:
		c.stop(n, "the pattern match %s", strings.ToUpper(c.word(n.OpSpan)))
	}
	escape := rune(0)
	if r.isPostgres() || r.isMySQL() || c.Dialect == dialect.Spark {
		escape = '\\'
	}
	if n.Escape != nil {
		lit, ok := syntax.Unparen(n.Escape).(*syntax.Literal)
		if !ok || lit.Lit != syntax.TextLiteral {
			c.stop(n.Escape, "this ESCAPE")
		}
		if s := []rune(c.textOf(lit)); len(s) == 1 {
			escape = s[0]
		} else if len(s) == 0 {
			escape = 0
		} else {
			c.stop(n.Escape, "this ESCAPE")
		}
	}
	fold := n.Op == syntax.OpILike || c.comparing().foldsCase || c.Dialect == dialect.SQLite
	sets := c.Dialect == dialect.SQLServer
	text, pattern, not := c.expr(n.X), c.expr(n.Pattern), n.Not
	setPatterns := &patterns{fold: fold}
	return func(f *frame) Truth {
		v, p := text(f), pattern(f)
		if v.IsNull() || p.IsNull() {
			return Unsure
		}
		if v.Kind != Text && r.isPostgres() {
			panic(unknownHere("LIKE on " + v.Kind.noun()))
		}
		s, like := r.written(v), r.written(p)
		if sets && strings.Contains(like, "[") {
			if escape != 0 && strings.ContainsRune(like, escape) {
				panic(unknownHere("a set in a pattern with ESCAPE"))
			}
			return truthOf(setPatterns.of(like, setForm).MatchString(subject(s)) != not)
		}
		if fold {
			s, like = strings.ToLower(s), strings.ToLower(like)
		}
		return truthOf(matches([]rune(s), []rune(like), escape) != not)
	}
}

// matches reports whether a text matches a pattern of LIKE, in steps as many as both are long,
// multiplied.
func matches(s, p []rune, escape rune) bool {
	i, k := 0, 0
	star, mark := -1, 0 // the last %, and from where on it was tried to end
	for i < len(s) {
		width := 1
		literal := k < len(p) && p[k] == escape && escape != 0 && k+1 < len(p)
		if literal {
			width = 2
		}
		switch {
		case k < len(p) && !literal && p[k] == '%':
			star, mark = k, i
			k++
			continue
		case k < len(p) && (p[k+width-1] == s[i] || !literal && p[k] == '_'):
			i++
			k += width
			continue
		case star < 0:
			return false
		}
		mark++
		i, k = mark, star+1
	}
	for k < len(p) && p[k] == '%' {
		k++
	}
	return k == len(p)
}
