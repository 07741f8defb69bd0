package facts

import (
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// Type gives the type of an expression; its Class is Unknown where text and schema
// do not tell. On SQLite, where any column may hold any value, it is the type
// that the declarations promise.
func (in *Facts) Type(x syntax.Expr) schema.Type {
	defer in.ask()()
	return in.typeOf(x, 0)
}

func (in *Facts) typeOf(x syntax.Expr, depth int) schema.Type {
	if x == nil || depth > maxDerivation || in.isTired() {
		return schema.Type{}
	}
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		return in.literalType(n)
	case *syntax.TypedLiteral:
		return in.Schema.TypeOf(n.Type, in.Src, in.Dialect)
	case *syntax.Interval:
		return of(class.Interval)
	case *syntax.Name:
		return in.nameType(n, depth)
	case *syntax.Cast:
		return in.Schema.TypeOf(n.Type, in.Src, in.Dialect)
	case *syntax.Collate:
		return in.typeOf(n.X, depth+1)
	case *syntax.Is, *syntax.Between, *syntax.In, *syntax.Like, *syntax.Exists:
		return in.truth()
	case *syntax.Unary:
		switch n.Op {
		case syntax.OpNot:
			return in.truth()
		case syntax.OpNegate, syntax.OpPositive:
			if t := in.typeOf(n.X, depth+1); t.Class.IsNumber() {
				return of(t.Class)
			}
		}
	case *syntax.Binary:
		return in.binaryType(n, depth)
	case *syntax.Case:
		t := unified{of: in, depth: depth + 1}
		for _, w := range n.Whens {
			t.add(w.Then)
		}
		t.add(n.Else)
		return t.Type
	case *syntax.Call:
		return in.callType(n, depth)
	case *syntax.Subquery:
		return in.outputType(n.Query.Body, 0, depth+1)
	case *syntax.Param:
		return in.paramPlace(n).Type
	}
	return schema.Type{}
}

// paramPlace gives the place of a parameter, by which databases and their clients give it a type;
// the zero Place for one that stands beside another, and for variables, which have their own.
func (in *Facts) paramPlace(n *syntax.Param) Place {
	switch in.Src[n.Span().Start] {
	case '$', '?', ':':
	default:
		return Place{}
	}
	if b, ok := in.Above(n).(*syntax.Binary); ok && isParam(b.X) && isParam(b.Y) {
		return Place{}
	}
	return in.PlaceOf(n)
}

func isParam(x syntax.Expr) bool {
	_, ok := syntax.Unparen(x).(*syntax.Param)
	return ok
}

// common gives the type of a value that may be any of some expressions; those that
// are NULL, or not there, say nothing of it.
func (in *Facts) common(xs []syntax.Expr, depth int) schema.Type {
	t := unified{of: in, depth: depth + 1}
	for _, x := range xs {
		t.add(x)
	}
	return t.Type
}

// unified is the type that some expressions have in common.
type unified struct {
	schema.Type
	of    *Facts
	depth int
	any   bool
}

func (t *unified) add(x syntax.Expr) {
	switch {
	case isNull(x):
	case !t.any:
		t.Type, t.any = t.of.typeOf(x, t.depth), true
	default:
		t.Type = t.of.unify(t.Type, t.of.typeOf(x, t.depth))
	}
}

func of(c class.Class) schema.Type { return schema.Type{Class: c} }

// isNull reports whether an expression is the word NULL or is not there.
func isNull(x syntax.Expr) bool {
	if x == nil {
		return true
	}
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok && n.Lit == syntax.NullLiteral
}

// truth gives the type of conditions.
func (in *Facts) truth() schema.Type {
	if in.Dialect.Has(dialect.TruthIsNumber) {
		return of(class.Integer)
	}
	return of(class.Boolean)
}

func (in *Facts) literalType(n *syntax.Literal) schema.Type {
	written := in.Text(n)
	switch n.Lit {
	case syntax.TrueLiteral, syntax.FalseLiteral:
		return in.truth()
	case syntax.TextLiteral:
		if strings.HasPrefix(written, "'") {
			return of(class.Text)
		}
	case syntax.NumberLiteral:
		switch {
		case strings.ContainsAny(written, "xXbBoO_"):
		case strings.ContainsAny(written, "eE"):
			if in.Dialect == dialect.Postgres || in.Dialect == dialect.Oracle {
				return of(class.Decimal)
			}
			return of(class.Float)
		case strings.Contains(written, "."):
			if in.Dialect == dialect.SQLite {
				return of(class.Float)
			}
			return decimalLiteral(written)
		case len(written) < 19:
			return of(class.Integer)
		}
	}
	return schema.Type{}
}

// decimalLiteral gives the digits of a number with a point, as MySQL and SQL Server count them:
// not a zero alone before it.
func decimalLiteral(written string) schema.Type {
	before, behind, _ := strings.Cut(written, ".")
	return schema.Type{Class: class.Decimal, Length: max(1, len(strings.TrimLeft(before, "0"))+len(behind)), Scale: len(behind)}
}

func (in *Facts) nameType(n *syntax.Name, depth int) schema.Type {
	u := in.Use(n)
	switch u.Status {
	case bind.OutputAlias:
		return in.typeOf(u.Item.X, depth+1)
	case bind.Resolved:
		return in.columnTypeAt(u.Column, depth)
	case bind.Variable:
		return in.variableType(n)
	}
	return schema.Type{}
}

func (in *Facts) columnType(c *bind.Column) schema.Type { return in.columnTypeAt(c, 0) }

func (in *Facts) columnTypeAt(c *bind.Column, depth int) schema.Type {
	s := c.Source
	place := s.Place(c)
	switch {
	case place < 0:
	case s.SchemaTable() != nil:
		return s.SchemaTable().Columns[place].Type
	case s.Query != nil:
		return in.outputType(s.Query.Body, place, depth+1)
	}
	return schema.Type{}
}

// ColumnOf gives the schema's column that an expression is, nil if it is none.
func (in *Facts) ColumnOf(x syntax.Expr) *schema.Column {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return nil
	}
	u := in.Use(n)
	if u.Status != bind.Resolved || u.Source.SchemaTable() == nil || u.Column.Index < 0 {
		return nil
	}
	return &u.Source.SchemaTable().Columns[u.Column.Index]
}

// storedColumn is ColumnOf that sees through derived tables, common table expressions and views
// of a single SELECT.
func (in *Facts) storedColumn(x syntax.Expr) *schema.Column {
	var s *bind.Source // where it is not an expression but a column that a star stands for
	place := 0
	for range maxDerivation {
		if s == nil {
			n, ok := syntax.Unparen(x).(*syntax.Name)
			if !ok {
				return nil
			}
			u := in.Use(n)
			if u.Status == bind.OutputAlias {
				x = u.Item.X
				continue
			}
			if u.Status != bind.Resolved {
				return nil
			}
			s, place = u.Source, u.Source.Place(u.Column)
		}
		if t := s.SchemaTable(); t != nil && 0 <= place && place < len(t.Columns) {
			return &t.Columns[place]
		}
		if s.Query == nil || s.Query.Select() == nil {
			return nil
		}
		outputs, ok := in.outputs(s.Query.Select())
		if !ok || place < 0 || place >= len(outputs) {
			return nil
		}
		x, s, place = outputs[place].X, outputs[place].Source, int(outputs[place].Place)
	}
	return nil
}

// OutputOf gives the type of a column of a branch of a set operation, numbered from 0, and the
// expression that it is, nil where it is none of the branch's own.
func (in *Facts) OutputOf(body syntax.Body, i int) (t schema.Type, x syntax.Expr) {
	defer in.ask()()
	for {
		paren, ok := body.(*syntax.ParenQuery)
		if !ok {
			break
		}
		body = paren.Query.Body
	}
	if sel, ok := body.(*syntax.Select); ok {
		if outputs, ok := in.outputs(sel); ok && i < len(outputs) {
			x = outputs[i].X
		}
	}
	return in.outputType(body, i, 0), x
}

// OutputType gives the type of an output column of a query, numbered from 0.
func (in *Facts) OutputType(q *syntax.Query, i int) schema.Type {
	defer in.ask()()
	return in.outputType(q.Body, i, 0)
}

func (in *Facts) outputType(body syntax.Body, i, depth int) schema.Type {
	if depth > maxDerivation || in.isTired() {
		return schema.Type{}
	}
	switch b := body.(type) {
	case *syntax.Select:
		outputs, ok := in.outputs(b)
		switch {
		case !ok || i >= len(outputs):
		case outputs[i].Source == nil:
			return in.typeOf(outputs[i].X, depth+1)
		default:
			s := outputs[i].Source
			if s.SchemaTable() != nil {
				return s.SchemaTable().Columns[outputs[i].Place].Type
			}
			if s.Query != nil {
				return in.outputType(s.Query.Body, int(outputs[i].Place), depth+1)
			}
		}
	case *syntax.ParenQuery:
		return in.outputType(b.Query.Body, i, depth+1)
	case *syntax.SetOp:
		return in.unify(in.outputType(b.Left, i, depth+1), in.outputType(b.Right, i, depth+1))
	case *syntax.Values:
		var items []syntax.Expr
		for _, row := range b.Rows {
			if i >= len(row.Items) {
				return schema.Type{}
			}
			items = append(items, row.Items[i])
		}
		return in.common(items, depth)
	}
	return schema.Type{}
}

// unify gives the type that values of two types have in one column.
func (in *Facts) unify(a, b schema.Type) schema.Type {
	switch {
	case a.Class == b.Class:
		if (a.Class == class.Other || a.Class == class.Own) && a.Name != b.Name {
			return schema.Type{}
		}
		return schema.Type{Class: a.Class, Name: sharedName(a, b)}
	case a.Class.IsNumber() && b.Class.IsNumber():
		return of(max(a.Class, b.Class)) // in the order Integer, Decimal, Float
	}
	switch m := in.Dialect.Meets(dialect.Together, a.Class, b.Class); m.As {
	case class.Other:
	case class.Own:
		return schema.Type{Class: class.Own, Name: ownName(a, b)}
	default:
		return of(m.As)
	}
	return schema.Type{}
}

// ownName gives the name of that of two types which is one of its own.
func ownName(a, b schema.Type) string {
	if a.Class == class.Own {
		return a.Name
	}
	return b.Name
}

// sharedName gives the name of types of their own, by which they are told apart.
func sharedName(a, b schema.Type) string {
	if a.Class == class.Own && a.Name == b.Name {
		return a.Name
	}
	return ""
}

func (in *Facts) binaryType(n *syntax.Binary, depth int) schema.Type {
	switch {
	case n.Op.IsComparison(), n.Op == syntax.OpAnd, n.Op == syntax.OpOr, n.Op == syntax.OpXor, n.Op == syntax.OpNullSafeEqual:
		return in.truth()
	case n.Op == syntax.OpConcat:
		if in.Dialect.Has(dialect.PipesAreOr) {
			return in.truth()
		}
		return of(class.Text)
	case n.Op < syntax.OpAdd || n.Op > syntax.OpModulo:
		return schema.Type{}
	}
	t, u := in.typeOf(n.X, depth+1), in.typeOf(n.Y, depth+1)
	a, b := t.Class, u.Class
	if in.Dialect.Has(dialect.AnyIsNumber) && a != class.Interval && b != class.Interval {
		a, b = asNumber(a), asNumber(b)
	}
	if a.IsNumber() && b.IsNumber() {
		return in.arithmetic(n, max(a, b), t, u)
	}
	if in.Dialect == dialect.SQLite || n.Op != syntax.OpAdd && n.Op != syntax.OpSubtract {
		return schema.Type{}
	}
	use := dialect.Subtract
	if n.Op == syntax.OpAdd {
		use = dialect.Add
	}
	return of(in.Dialect.Meets(use, a, b).As)
}

// asNumber gives the class of the number that MySQL and MariaDB make of a value to reckon with
// it: a date or a time is its digits, a text the number that it begins with.
func asNumber(c class.Class) class.Class {
	switch c {
	case class.Date, class.Timestamp, class.TimestampTZ, class.Time, class.Boolean:
		return class.Integer
	case class.Text:
		return class.Float
	}
	return c
}

// arithmetic gives the type of a number worked out from numbers, of which the widest
// is of the class.
func (in *Facts) arithmetic(n *syntax.Binary, widest class.Class, t, u schema.Type) schema.Type {
	switch n.Op {
	case syntax.OpIntegerDivide:
		return of(class.Integer)
	case syntax.OpDivide:
		if widest == class.Integer && !in.Dialect.Has(dialect.IntegerDivision) {
			widest = class.Decimal
		}
		if in.Dialect == dialect.Spark && t.Class == class.Integer && u.Class == class.Integer {
			widest = class.Float
		}
	case syntax.OpModulo:
		if in.Dialect == dialect.SQLite {
			return schema.Type{} // it makes whole numbers of both
		}
	}
	if widest != class.Decimal {
		return of(widest)
	}
	a, b := in.digits(n.X, t), in.digits(n.Y, u)
	var d dialect.Decimal
	switch {
	case a.Precision == 0 || b.Precision == 0:
	case n.Op == syntax.OpAdd, n.Op == syntax.OpSubtract:
		d = in.Dialect.Sum(a, b)
	case n.Op == syntax.OpMultiply:
		d = in.Dialect.Product(a, b)
	case n.Op == syntax.OpDivide:
		d = in.Dialect.Quotient(a, b)
	}
	return schema.Type{Class: class.Decimal, Length: d.Precision, Scale: d.Scale}
}

// digits gives the digits of a number, none where they are not known.
func (in *Facts) digits(x syntax.Expr, t schema.Type) dialect.Decimal {
	switch t.Class {
	case class.Decimal:
		return dialect.Decimal{Precision: t.Length, Scale: t.Scale}
	case class.Integer:
		if lit, ok := syntax.Unparen(x).(*syntax.Literal); ok {
			return dialect.Decimal{Precision: int(lit.Span().Len())}
		}
		return dialect.Decimal{Precision: dialect.IntegerDigits(t.Word())}
	}
	return dialect.Decimal{}
}

func (in *Facts) callType(n *syntax.Call, depth int) schema.Type {
	if len(n.Name) != 1 {
		return schema.Type{}
	}
	name := in.FunctionName(n)
	arg := func(i int) schema.Type {
		if i < len(n.Args) {
			return in.typeOf(n.Args[i], depth+1)
		}
		return schema.Type{}
	}
	switch dialect.ResultOf(name) {
	case dialect.GivesInteger:
		return of(class.Integer)
	case dialect.GivesText:
		for i := range n.Args {
			if c := arg(i).Class; c == class.Binary || c.IsOwn() || isNull(n.Args[i]) {
				return schema.Type{} // bytes, or text
			}
		}
		return of(class.Text)
	case dialect.GivesFirst:
		return arg(0)
	case dialect.GivesCommon:
		return in.common(n.Args, depth)
	case dialect.GivesSum:
		return in.sumType(name, arg(0).Class)
	case dialect.GivesDate:
		if in.Dialect.Has(dialect.TextDates) {
			return of(class.Text)
		}
		return of(class.Date)
	case dialect.GivesShape:
		if in.Dialect.Has(dialect.AnyIsNumber) {
			return of(class.Shape)
		}
	case dialect.GivesFloat:
		if in.Dialect.Has(dialect.AnyIsNumber) {
			return of(class.Float)
		}
	case dialect.GivesInstant:
		switch in.Dialect {
		case dialect.SQLite:
			return of(class.Text)
		case dialect.ANSI, dialect.Postgres:
			return of(class.TimestampTZ)
		}
		return of(class.Timestamp)
	}
	return schema.Type{}
}

// sumType gives the type of SUM and AVG. PostgreSQL adds bigint up as numeric, the
// smaller integers as bigint.
func (in *Facts) sumType(name string, c class.Class) schema.Type {
	if !c.IsNumber() {
		return schema.Type{}
	}
	if c == class.Integer {
		switch {
		case in.Dialect == dialect.SQLite && name == "avg":
			return of(class.Float)
		case in.Dialect == dialect.SQLServer, in.Dialect == dialect.SQLite:
			return of(class.Integer)
		case in.Dialect == dialect.Postgres && name == "sum":
			return schema.Type{} // by the width, which is not always known
		case in.Dialect == dialect.Spark:
			if name == "avg" {
				return of(class.Float)
			}
			return of(class.Integer)
		}
		return of(class.Decimal)
	}
	if in.Dialect == dialect.SQLite && name == "avg" {
		return of(class.Float)
	}
	return of(c)
}
