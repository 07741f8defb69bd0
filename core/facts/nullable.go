package facts

import (
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

// Answer is what is known of a question: unknown unless text and schema prove
// yes or no.
type Answer uint8

const (
	Unknown Answer = iota
	No
	Yes
)

// maxDerivation bounds how many derived tables are looked through.
const maxDerivation = 32

// Nullable reports whether an expression can be NULL where it stands: in a row
// that its SELECT gives out, after WHERE and joins, or, within those, in a row
// that they look at. Yes means that nothing keeps it from being NULL, not that
// some row has one.
func (in *Facts) Nullable(x syntax.Expr) Answer {
	defer in.ask()()
	return in.nullable(x, 0)
}

// OutputNullable reports whether an output column of a query, numbered from 0,
// can be NULL.
func (in *Facts) OutputNullable(q *syntax.Query, i int) Answer {
	defer in.ask()()
	return in.outputNullable(q.Body, i, 0)
}

func (in *Facts) nullable(x syntax.Expr, depth int) Answer {
	if depth > maxDerivation || in.isTired() {
		return Unknown
	}
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		return in.nullableLiteral(n)
	case *syntax.TypedLiteral, *syntax.Exists, *syntax.Interval:
		return No
	case *syntax.Is:
		if n.Test != syntax.IsOther {
			return No
		}
	case *syntax.Name:
		return in.nullableName(n, depth)
	case *syntax.Call:
		return in.nullableCall(n, depth)
	case *syntax.Case:
		return in.nullableCase(n, depth)
	case *syntax.Cast:
		return in.nullableCast(n, depth)
	case *syntax.Collate:
		return in.nullable(n.X, depth+1)
	case *syntax.Unary:
		if n.Op == syntax.OpNot || n.Op == syntax.OpPositive || n.Op == syntax.OpNegate && in.Type(n.X).Class.IsNumber() {
			return in.nullable(n.X, depth+1)
		}
	case *syntax.Between:
		return in.allOf(depth, n.X, n.Low, n.High)
	case *syntax.Like:
		if n.Op == syntax.OpLike && n.Escape == nil {
			return in.allOf(depth, n.X, n.Pattern)
		}
	case *syntax.In:
		if n.Query == nil && n.Other == nil {
			if in.nullable(n.X, depth+1) == No && in.allOf(depth, n.List...) == No {
				return No
			}
		}
	case *syntax.Binary:
		return in.nullableBinary(n, depth)
	case *syntax.Subquery:
		return in.nullableSubquery(n.Query, depth)
	}
	return Unknown
}

func (in *Facts) nullableLiteral(n *syntax.Literal) Answer {
	switch n.Lit {
	case syntax.NullLiteral:
		return Yes
	case syntax.DefaultLiteral:
		return Unknown
	case syntax.TextLiteral:
		if in.Dialect == dialect.Oracle && in.Text(n) == "''" {
			return Yes
		}
	}
	return No
}

// allOf is the answer for what is NULL as soon as one part is, and only then.
func (in *Facts) allOf(depth int, parts ...syntax.Expr) Answer {
	answer := No
	for _, x := range parts {
		switch in.nullable(x, depth+1) {
		case Yes:
			return Yes
		case Unknown:
			answer = Unknown
		}
	}
	return answer
}

func (in *Facts) nullableBinary(n *syntax.Binary, depth int) Answer {
	if _, ok := n.Y.(*syntax.Quantified); ok {
		return Unknown
	}
	switch {
	case n.Op == syntax.OpNullSafeEqual:
		return No
	case n.Op.IsComparison(), n.Op == syntax.OpConcat && in.Dialect != dialect.Oracle:
		return in.allOf(depth, n.X, n.Y)
	case n.Op == syntax.OpAnd, n.Op == syntax.OpOr:
		if in.allOf(depth, n.X, n.Y) == No {
			return No
		}
	case n.Op == syntax.OpAdd, n.Op == syntax.OpSubtract, n.Op == syntax.OpMultiply:
		answer := in.allOf(depth, n.X, n.Y)
		a, b := in.Type(n.X).Class, in.Type(n.Y).Class
		// Days may run out of the calendar, and on SQLite floats become NULL when they are no number.
		if answer == No && (!a.IsNumber() || !b.IsNumber() || in.Dialect == dialect.SQLite && max(a, b) > class.Decimal) {
			return Unknown
		}
		return answer
	case n.Op == syntax.OpDivide, n.Op == syntax.OpModulo, n.Op == syntax.OpIntegerDivide:
		answer := in.allOf(depth, n.X, n.Y)
		if answer == No && !(in.Type(n.X).Class.IsNumber() && in.isNonzero(n.Y)) {
			return Unknown // by zero it is NULL on some
		}
		return answer
	}
	return Unknown
}

// isNonzero reports whether an expression is a number as written, and not zero.
func (in *Facts) isNonzero(x syntax.Expr) bool {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok && n.Lit == syntax.NumberLiteral && strings.ContainsAny(in.Text(n), "123456789") && !strings.ContainsAny(in.Text(n), "eExX")
}

func (in *Facts) nullableCast(n *syntax.Cast, depth int) Answer {
	answer := in.nullable(n.X, depth+1)
	if answer != No {
		return answer
	}
	switch in.Dialect {
	case dialect.Postgres, dialect.SQLite, dialect.SQLServer:
		if !n.Try {
			return No
		}
	}
	return Unknown
}

// nullableSubquery reports on a query as a value: NULL where it has no row.
func (in *Facts) nullableSubquery(q *syntax.Query, depth int) Answer {
	sel, ok := q.Body.(*syntax.Select)
	if !ok || len(sel.Items) != 1 || sel.GroupBy != nil || sel.Having != nil || q.Limit != nil || sel.Top != nil || sel.Qualify != nil || sel.Reshaped {
		return Unknown
	}
	if !in.Aggregates(sel) {
		if sel.From == nil && sel.Where == nil {
			return in.nullable(sel.Items[0].X, depth+1)
		}
		return Unknown
	}
	return in.nullable(sel.Items[0].X, depth+1)
}

// isRowID reports whether a name is the address of a row of the only table in sight, which
// every row has.
func (in *Facts) isRowID(n *syntax.Name, scope *bind.Scope) bool {
	if scope == nil || len(scope.Sources) != 1 || scope.Sources[0].SchemaTable() == nil || scope.Sources[0].SchemaTable().IsView {
		return false
	}
	if len(n.Parts) > 1 && n.Qualifier().Sym != scope.Sources[0].Name.Sym {
		return false
	}
	switch in.Names.String(n.Last().Sym) {
	case "rowid":
		return in.Dialect == dialect.Oracle || in.Dialect == dialect.SQLite
	case "ctid":
		return in.Dialect == dialect.Postgres
	}
	return false
}

func (in *Facts) nullableName(n *syntax.Name, depth int) Answer {
	u := in.Use(n)
	if u.Status == bind.OutputAlias {
		return in.nullable(u.Item.X, depth+1)
	}
	if u.Status == bind.Builtin && in.isRowID(n, u.Scope) {
		return No
	}
	if u.Source == nil || u.Source.Scope == nil || u.Status != bind.Resolved && u.Status != bind.Assumed || in.isCoalesced(n, u) || u.Source.Scope.Marked {
		return Unknown
	}
	sel, _ := u.Source.Scope.Node.(*syntax.Select)
	if sel == nil { // a write's own
		answer := in.ofColumn(u.Column, depth)
		if answer == No && u.Source.Optional {
			return Unknown
		}
		return answer
	}
	beforeGroups := sel.From != nil && in.within(n, sel.From) || sel.Where != nil && in.within(n, sel.Where)
	if !beforeGroups && in.mayBlank(n, sel) {
		return Unknown
	}
	if sel.From != nil && in.within(n, sel.From) {
		// Where a condition of a join looks at it, it may not be filled with NULLs yet.
		if answer := in.ofColumn(u.Column, depth); answer != No || !u.Source.Optional {
			return answer
		}
		return Unknown
	}
	if sel.Where == nil || !in.within(n, sel.Where) {
		is := func(m *syntax.Name) bool { return in.Same(n, m) }
		if in.anyPassed(sel, is) {
			return No
		}
	}
	answer := in.ofColumn(u.Column, depth)
	if !u.Source.Optional {
		return answer
	}
	if answer == No && (sel.Where == nil || !in.within(n, sel.Where)) && in.anyPassed(sel, func(m *syntax.Name) bool { return in.Use(m).Source == u.Source }) {
		return No
	}
	if answer == No {
		return Yes
	}
	return answer
}

// anyPassed reports whether a condition that every row has met keeps the columns
// for which is holds from being NULL together.
func (in *Facts) anyPassed(sel *syntax.Select, is func(*syntax.Name) bool) bool {
	found := false
	own := func(n *syntax.Name) bool {
		u := in.Use(n)
		return u.Source != nil && u.Source.Scope != nil && !in.isCoalesced(n, u) && is(n)
	}
	in.passed(sel, func(c syntax.Expr) { found = found || in.rejects(c, own) })
	return found
}

// mayBlank reports whether a query may put NULL in the place of a column that it
// gives out: in the totals of ROLLUP and its kin, and where a query that
// aggregates no rows has a bare column.
func (in *Facts) mayBlank(n *syntax.Name, sel *syntax.Select) bool {
	if sel.GroupBy != nil {
		return sel.GroupBy.Sets
	}
	if !in.Aggregates(sel) {
		return false
	}
	for p := in.Parent(n); p != nil && p != syntax.Node(sel); p = in.Parent(p) {
		if c, ok := p.(*syntax.Call); ok && in.IsAggregate(c) {
			return false
		}
	}
	return true
}

// ofColumn reports whether a column can be NULL in the table or query it comes from.
func (in *Facts) ofColumn(c *bind.Column, depth int) Answer {
	if c == nil {
		return Unknown
	}
	s := c.Source
	switch place := s.Place(c); {
	case place < 0:
	case s.SchemaTable() != nil && s.SchemaTable().IsView:
	case s.SchemaTable() != nil:
		if s.SchemaTable().IsRequired(place, in.Dialect) {
			return No
		}
		return Yes
	case s.Query != nil:
		return in.outputNullable(s.Query.Body, place, depth+1)
	}
	return Unknown
}

func (in *Facts) outputNullable(body syntax.Body, i, depth int) Answer {
	if depth > maxDerivation || in.isTired() {
		return Unknown
	}
	switch b := body.(type) {
	case *syntax.Select:
		outputs, ok := in.outputs(b)
		switch {
		case !ok || i >= len(outputs):
		case outputs[i].Source == nil:
			return in.nullable(outputs[i].X, depth+1)
		default:
			return in.starNullable(b, outputs[i], depth)
		}
	case *syntax.ParenQuery:
		return in.outputNullable(b.Query.Body, i, depth+1)
	case *syntax.SetOp:
		left, right := in.outputNullable(b.Left, i, depth+1), Unknown
		if b.Op == syntax.Except {
			return left
		}
		right = in.outputNullable(b.Right, i, depth+1)
		if b.Op == syntax.Intersect {
			if left == No || right == No {
				return No
			}
			return min(left, right)
		}
		if left == Yes || right == Yes {
			return Yes
		}
		return min(left, right)
	case *syntax.Values:
		answer := No
		for _, row := range b.Rows {
			if i >= len(row.Items) {
				return Unknown
			}
			switch in.nullable(row.Items[i], depth+1) {
			case Yes:
				return Yes
			case Unknown:
				answer = Unknown
			}
		}
		return answer
	}
	return Unknown
}

// starNullable reports on an output column that a star stands for.
func (in *Facts) starNullable(sel *syntax.Select, o bind.Output, depth int) Answer {
	scope := in.Scope(sel)
	if scope.Marked || sel.GroupBy != nil || in.Aggregates(sel) {
		return Unknown
	}
	of := func(m *syntax.Name) bool {
		u := in.Use(m)
		return u.Source == o.Source && u.Status == bind.Resolved && o.Source.Place(u.Column) == int(o.Place)
	}
	if in.anyPassed(sel, of) {
		return No
	}
	answer := Unknown
	switch s := o.Source; {
	case s.SchemaTable() != nil && s.SchemaTable().IsView:
	case s.SchemaTable() != nil:
		answer = Yes
		if s.SchemaTable().IsRequired(int(o.Place), in.Dialect) {
			answer = No
		}
	case s.Query != nil:
		answer = in.outputNullable(s.Query.Body, int(o.Place), depth+1)
	}
	if answer == No && o.Source.Optional && !in.anyPassed(sel, func(m *syntax.Name) bool { return in.Use(m).Source == o.Source }) {
		return Yes
	}
	return answer
}

func (in *Facts) nullableCall(n *syntax.Call, depth int) Answer {
	name := in.FunctionName(n)
	if len(n.Name) != 1 {
		return Unknown
	}
	if dialect.Function(name) == dialect.Aggregate && in.Dialect.IsAggregate(name, len(n.Args)) {
		return in.nullableAggregate(n, name, depth)
	}
	switch dialect.NullsOf(name) {
	case dialect.NeverNull:
		return No
	case dialect.FirstValue:
		if in.Dialect == dialect.SQLServer && name == "isnull" || name != "isnull" {
			answer := Yes
			for _, a := range n.Args {
				switch in.nullable(a, depth+1) {
				case No:
					return No
				case Unknown:
					answer = Unknown
				}
			}
			return answer
		}
		return No // ISNULL(x) as a test
	case dialect.MayMakeNull:
		return Yes
	case dialect.StrictText:
		if in.Dialect == dialect.Oracle {
			return Unknown // an empty text is NULL
		}
		return in.allOf(depth, n.Args...)
	case dialect.StrictNumber:
		answer := in.allOf(depth, n.Args...)
		for _, a := range n.Args {
			if answer == No && !in.Type(a).Class.IsNumber() {
				return Unknown
			}
		}
		return answer
	}
	return Unknown
}

// nullableAggregate reports on an aggregate, over groups or as a window: NULL where
// there is no value to aggregate.
func (in *Facts) nullableAggregate(n *syntax.Call, name string, depth int) Answer {
	switch name {
	case "count", "count_big", "total", "regr_count", "approx_count_distinct", "count_if":
		return No
	case "sum", "min", "max", "avg":
	default:
		return Unknown
	}
	if len(n.Args) != 1 || n.Over != nil && !(n.Over.Frame.IsEmpty() && n.Over.Name.IsZero() && n.Over.Base.IsZero()) {
		return Unknown
	}
	argument := in.nullable(n.Args[0], depth+1)
	sel := in.SelectOf(n)
	switch {
	case argument != No || sel == nil || n.Filter != nil:
		if argument == Yes {
			return Yes
		}
		return Unknown
	case n.Over != nil: // the frame holds the row itself
		return No
	case sel.GroupBy == nil || len(sel.GroupBy.Items) == 0:
		return Yes // of no rows
	case sel.GroupBy.Sets:
		return Unknown // the total of no rows
	}
	if !in.ownAggregate(n, in.Scope(sel)) {
		return Unknown
	}
	return No
}

func (in *Facts) nullableCase(n *syntax.Case, depth int) Answer {
	if n.Else == nil {
		return Yes
	}
	answer := in.nullable(n.Else, depth+1)
	for _, w := range n.Whens {
		switch in.nullable(w.Then, depth+1) {
		case Yes:
			return Yes
		case Unknown:
			if answer == No {
				answer = Unknown
			}
		}
	}
	return answer
}

func (in *Facts) within(n, above syntax.Node) bool { return above.Span().Contains(n.Span()) }
