package facts

import (
	"slices"
	"strconv"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// maxExact bounds how deep expressions are looked into for their exact types, mostColumns how many
// columns of queries are in a statement: set operations of one query with itself double them.
const (
	maxExact    = 200
	mostColumns = 400_000
)

// placeOf spreads the names of types over the places that they are kept in (FNV-1a).
func placeOf(name string) uint32 {
	h := uint32(2166136261)
	for i := range len(name) {
		h = (h ^ uint32(name[i])) * 16777619
	}
	return h % keptTypes
}

// exactTypes holds the exact types that were worked out of a statement's expressions, and
// what operators and functions made of types before.
type exactTypes struct {
	of        []uint8 // by the number of the expression: its type's number and one more, 0 if not asked
	operators map[operatorKey]found
	calls     map[callKey]found
	// written are the types as they stand in texts and schemas, each in a place of
	// its own as long as no other takes it.
	written [keptTypes]struct {
		name string
		id   dialect.TypeID
	}
	stack   []dialect.TypeID
	columns int           // of queries that were looked into in the statement
	results []syntax.Expr // of the CASE expressions of the statement that were asked for
}

type operatorKey struct {
	name        string
	left, right dialect.TypeID
}

type callKey struct {
	name string
	n    uint8
	args [4]dialect.TypeID
}

type found struct {
	result  dialect.TypeID
	outcome dialect.Outcome
}

// mostCached bounds what is kept of operators and calls, keptTypes what is of types.
const (
	mostCached = 4096
	keptTypes  = 256
)

func (t *exactTypes) reset() { t.of, t.results, t.columns = t.of[:0], t.results[:0], 0 }

// Exact gives the type of an expression by the number that the dialect's type system has
// for it: [dialect.UnknownType] for a text or NULL whose place decides it, and
// [dialect.OpenType] where it is not known, as for all dialects whose type system is not.
func (in *Facts) Exact(x syntax.Expr) dialect.TypeID {
	if !in.Dialect.HasTypes() || x == nil {
		return dialect.OpenType
	}
	return exact{in}.of(x, 0)
}

// Declared gives the exact type of a column or a cast.
func (in *Facts) Declared(t schema.Type) dialect.TypeID {
	if !in.Dialect.HasTypes() {
		return dialect.OpenType
	}
	return exact{in}.declared(&t)
}

// Assigns tells whether a value of a type is stored in a column of another.
func (in *Facts) Assigns(from, to dialect.TypeID) dialect.Outcome {
	if from == dialect.OpenType || to == dialect.OpenType {
		return dialect.Open
	}
	if from == to || from == dialect.UnknownType || from.IsNumber() && to.IsNumber() {
		return dialect.Found
	}
	types := in.Dialect.Types()
	return in.opened(types.Assigns(types.Name(from), types.Name(to)))
}

// Casts tells whether there is a cast from a type to another.
func (in *Facts) Casts(from, to dialect.TypeID) dialect.Outcome {
	if o := in.Assigns(from, to); o != dialect.None {
		return o
	}
	types := in.Dialect.Types()
	return types.Casts(types.Name(from), types.Name(to))
}

// Operator gives the type and the outcome of an operator between two types, of which the
// left one is [dialect.OpenType] for one that stands before its operand.
func (in *Facts) Operator(name string, left, right dialect.TypeID) (dialect.TypeID, dialect.Outcome) {
	if right == dialect.OpenType {
		return dialect.OpenType, dialect.Open
	}
	known := &in.exact
	key := operatorKey{name, left, right}
	if f, ok := known.operators[key]; ok {
		return f.result, in.opened(f.outcome)
	}
	types := in.Dialect.Types()
	result, o := types.Operator(name, types.Name(left), types.Name(right))
	if known.operators == nil || len(known.operators) > mostCached {
		known.operators = map[operatorKey]found{}
	}
	key.name = strings.Clone(name)
	known.operators[key] = found{types.ID(result), o}
	return types.ID(result), in.opened(o)
}

// opened gives an outcome by the database's own rules as it is where an operator or cast was
// created, which may take what they do not.
func (in *Facts) opened(o dialect.Outcome) dialect.Outcome {
	if o == dialect.None && in.Schema.AddsConversions() {
		return dialect.Open
	}
	return o
}

// Infix is Operator for one that has operands on both sides.
func (in *Facts) Infix(name string, left, right dialect.TypeID) (dialect.TypeID, dialect.Outcome) {
	if left == dialect.OpenType {
		return dialect.OpenType, dialect.Open
	}
	switch name {
	case "=", "<>", "<", "<=", ">", ">=":
		if dialect.QuickCompare(left, right) {
			return dialect.BoolType, dialect.Found
		}
	case "+", "-", "*", "/":
		if t, ok := dialect.QuickReckon(left, right); ok {
			return t, dialect.Found
		}
	}
	return in.Operator(name, left, right)
}

// Called gives the type and the outcome of a call with arguments of some types.
func (in *Facts) Called(name string, args []dialect.TypeID) (dialect.TypeID, dialect.Outcome) {
	if name == "trim" {
		name = "btrim" // as the catalogs call it
	}
	key := callKey{name: name, n: uint8(min(len(args), 255))}
	if copy(key.args[:], args) < len(args) {
		key.n = 0 // too many to be kept
	}
	for _, arg := range args {
		if arg == dialect.OpenType {
			return dialect.OpenType, dialect.Open
		}
	}
	known := &in.exact
	if f, ok := known.calls[key]; ok && (key.n > 0 || len(args) == 0) {
		return f.result, in.opened(f.outcome)
	}
	types := in.Dialect.Types()
	names := make([]string, len(args))
	for i, arg := range args {
		names[i] = types.Name(arg)
	}
	result, set, o := types.Call(name, names)
	f := found{types.ID(result), o}
	if set {
		f.result = dialect.OpenType
	}
	if key.n > 0 || len(args) == 0 {
		if known.calls == nil || len(known.calls) > mostCached {
			known.calls = map[callKey]found{}
		}
		known.calls[key] = f
	}
	return f.result, in.opened(f.outcome)
}

// exact works out types by the rules of a type system.
type exact struct{ in *Facts }

func (e exact) of(x syntax.Expr, depth int) dialect.TypeID {
	if x == nil || depth > maxExact {
		return dialect.OpenType
	}
	x = syntax.Unparen(x)
	id := int(x.ID())
	if known := e.in.exact.of; id < len(known) && known[id] > 0 {
		return dialect.TypeID(known[id] - 1)
	}
	t := e.work(x, depth+1)
	for len(e.in.exact.of) <= id {
		e.in.exact.of = append(e.in.exact.of, 0)
	}
	e.in.exact.of[id] = uint8(t) + 1
	return t
}

func (e exact) work(x syntax.Expr, depth int) dialect.TypeID {
	switch n := x.(type) {
	case *syntax.Literal:
		return e.literal(n)
	case *syntax.TypedLiteral:
		return e.written(n.Type)
	case *syntax.Cast:
		return e.written(n.Type)
	case *syntax.Interval:
		return e.named("interval")
	case *syntax.Collate:
		return e.of(n.X, depth)
	case *syntax.Is, *syntax.Between, *syntax.In, *syntax.Like, *syntax.Exists:
		return dialect.BoolType
	case *syntax.Name:
		return e.name(n, depth)
	case *syntax.Unary:
		return e.unary(n, depth)
	case *syntax.Binary:
		if n.Op == syntax.OpAnd || n.Op == syntax.OpOr {
			return dialect.BoolType
		}
		t, _ := e.in.Infix(e.in.OperatorText(n), e.of(n.X, depth), e.of(n.Y, depth))
		return t
	case *syntax.Case:
		return e.common(e.in.Results(n), depth)
	case *syntax.AtZone:
		switch t := e.of(n.X, depth); t {
		case dialect.TimestampType:
			return dialect.TimestampTZType
		case dialect.TimestampTZType, dialect.DateType:
			return dialect.TimestampType
		case dialect.OpenType, dialect.UnknownType:
		default:
			if t == e.named("time") || t == e.named("timetz") {
				return e.named("timetz")
			}
		}
	case *syntax.Call:
		return e.call(n, depth)
	case *syntax.Subquery:
		return e.output(n.Query.Body, 0, depth)
	case *syntax.Param:
		switch place := e.in.paramPlace(n); {
		case place.Beside != nil:
			if t := e.of(place.Beside, depth); t != dialect.UnknownType {
				return t
			}
		case !place.IsOpen():
			return e.declared(&place.Type)
		}
	}
	return dialect.OpenType
}

// OperatorText gives an operator by the name that the type system has for it.
func (in *Facts) OperatorText(n *syntax.Binary) string {
	s := text.View(in.Src, n.OpSpan)
	if s == "!=" {
		return "<>"
	}
	return s
}

func (e exact) literal(n *syntax.Literal) dialect.TypeID {
	written := e.in.Text(n)
	switch n.Lit {
	case syntax.NullLiteral:
		return dialect.UnknownType
	case syntax.TrueLiteral, syntax.FalseLiteral:
		return dialect.BoolType
	case syntax.TextLiteral:
		if written != "" && (written[0] == '\'' || written[0] == '$' || written[0]|0x20 == 'e') {
			return dialect.UnknownType
		}
	case syntax.NumberLiteral:
		if isShortWhole(written) {
			return dialect.Int4Type
		}
		if strings.ContainsAny(written, ".eE") {
			return dialect.NumericType
		}
		switch i, err := strconv.ParseInt(written, 10, 64); {
		case err != nil:
			if strings.Trim(written, "0123456789") == "" {
				return dialect.NumericType
			}
		case i < 1<<31:
			return dialect.Int4Type
		default:
			return dialect.Int8Type
		}
	}
	return dialect.OpenType
}

// isShortWhole reports whether a number is written with at most nine digits and nothing else.
func isShortWhole(s string) bool {
	for i := range len(s) {
		if s[i] < '0' || s[i] > '9' {
			return false
		}
	}
	return len(s) <= 9
}

// written gives the type that stands in the text, [dialect.OpenType] for one of the user's.
func (e exact) written(t *syntax.TypeName) dialect.TypeID {
	if t == nil {
		return dialect.OpenType
	}
	of := e.in.Schema.TypeOf(t, e.in.Src, e.in.Dialect)
	return e.declared(&of)
}

func (e exact) declared(t *schema.Type) dialect.TypeID {
	if t.Values != nil || t.Name == "" {
		return dialect.OpenType
	}
	kept := &e.in.exact.written[placeOf(t.Name)]
	if kept.name != t.Name {
		types := e.in.Dialect.Types()
		kept.name, kept.id = strings.Clone(t.Name), types.ID(types.Canonical(t.Name))
	}
	return kept.id
}

func (e exact) name(n *syntax.Name, depth int) dialect.TypeID {
	u := e.in.Use(n)
	switch {
	case u.Status == bind.OutputAlias:
		return e.settled(e.of(u.Item.X, depth))
	case u.Status == bind.Variable:
		if t := e.in.variableType(n); t.Name != "" {
			return e.declared(&t)
		}
		return dialect.OpenType
	case u.Status != bind.Resolved || u.Column == nil:
		return dialect.OpenType
	}
	s := u.Column.Source
	place := s.Place(u.Column)
	switch {
	case place < 0:
	case s.SchemaTable() != nil && !s.SchemaTable().IsView:
		return e.declared(&s.SchemaTable().Columns[place].Type)
	case s.Query != nil:
		return e.output(s.Query.Body, place, depth)
	}
	return dialect.OpenType
}

// settled gives the type of an output: a literal that nothing decided is a text.
func (e exact) settled(t dialect.TypeID) dialect.TypeID {
	if t == dialect.UnknownType {
		return dialect.TextType
	}
	return t
}

// output gives the type of a column that a query gives.
func (e exact) output(body syntax.Body, i, depth int) dialect.TypeID {
	t, _ := e.column(body, i, depth)
	return e.settled(t)
}

// column gives the type of a column of a branch, which may be a literal whose type another
// branch decides, and the expression that it is, nil where it is none of the branch's own.
// (PostgreSQL's manual, "UNION, CASE, and Related Constructs")
func (e exact) column(body syntax.Body, i, depth int) (dialect.TypeID, syntax.Expr) {
	if e.in.exact.columns++; depth > maxExact || e.in.exact.columns > mostColumns {
		return dialect.OpenType, nil
	}
	switch b := body.(type) {
	case *syntax.Select:
		outputs, ok := e.in.outputs(b)
		switch {
		case !ok || i >= len(outputs):
		case outputs[i].Source == nil:
			x := outputs[i].X
			t := e.of(x, depth+1)
			if _, bare := syntax.Unparen(x).(*syntax.Literal); !bare {
				t = e.settled(t)
			}
			return t, x
		case outputs[i].Source.SchemaTable() != nil && !outputs[i].Source.SchemaTable().IsView:
			return e.declared(&outputs[i].Source.SchemaTable().Columns[outputs[i].Place].Type), nil
		case outputs[i].Source.Query != nil:
			return e.output(outputs[i].Source.Query.Body, int(outputs[i].Place), depth+1), nil
		}
	case *syntax.ParenQuery:
		return e.column(b.Query.Body, i, depth+1)
	case *syntax.SetOp:
		left, _ := e.column(b.Left, i, depth+1)
		right, _ := e.column(b.Right, i, depth+1)
		return e.both(left, right), nil
	case *syntax.Values:
		t := dialect.UnknownType
		for _, row := range b.Rows {
			if i >= len(row.Items) || len(b.Rows) > maxExact {
				return dialect.OpenType, nil
			}
			if of := e.of(row.Items[i], depth+1); t != of {
				t = e.both(t, of)
			}
		}
		return e.settled(t), nil
	}
	return dialect.OpenType, nil
}

// both gives the type of a column that holds values of two types, settled.
func (e exact) both(a, b dialect.TypeID) dialect.TypeID {
	if a == dialect.OpenType || b == dialect.OpenType {
		return dialect.OpenType
	}
	switch dialect.UnknownType {
	case a:
		return e.settled(b)
	case b:
		return a
	}
	if a == b {
		return a
	}
	types := e.in.Dialect.Types()
	t, _ := types.Common([]string{types.Name(a), types.Name(b)})
	return types.ID(t)
}

// ExactOutput gives the exact type of a column of a branch of a set operation, numbered from
// 0, and the expression that it is, nil where it is none of the branch's own.
func (in *Facts) ExactOutput(body syntax.Body, i int) (dialect.TypeID, syntax.Expr) {
	return exact{in}.column(body, i, 0)
}

// CommonType gives the type of a column that holds values of two types, dialect.OpenType where
// they have none in common.
func (in *Facts) CommonType(a, b dialect.TypeID) dialect.TypeID { return exact{in}.both(a, b) }

func (e exact) unary(n *syntax.Unary, depth int) dialect.TypeID {
	switch n.Op {
	case syntax.OpNot:
		return dialect.BoolType
	case syntax.OpNegate, syntax.OpPositive, syntax.OpComplement:
		t := e.of(n.X, depth)
		if n.Op != syntax.OpComplement && t.IsNumber() {
			return t
		}
		t, _ = e.in.Operator(text.View(e.in.Src, n.OpSpan), dialect.OpenType, t)
		return t
	}
	return dialect.OpenType
}

// Common gives the type of a value that may be any of some expressions, and whether they go
// together.
func (in *Facts) Common(xs []syntax.Expr) (dialect.TypeID, dialect.Outcome) {
	if !in.Dialect.HasTypes() {
		return dialect.OpenType, dialect.Open
	}
	return exact{in}.together(xs, 0)
}

func (e exact) common(xs []syntax.Expr, depth int) dialect.TypeID {
	t, _ := e.together(xs, depth)
	return t
}

func (e exact) together(xs []syntax.Expr, depth int) (dialect.TypeID, dialect.Outcome) {
	ids := e.all(xs, depth)
	same := dialect.UnknownType
	for _, id := range ids {
		switch {
		case id == dialect.OpenType:
			return id, dialect.Open
		case same == dialect.UnknownType:
			same = id
		case id != same && id != dialect.UnknownType:
			types := e.in.Dialect.Types()
			names := make([]string, len(ids))
			for i, id := range ids {
				names[i] = types.Name(id)
			}
			t, o := types.Common(names)
			return types.ID(t), e.in.opened(o)
		}
	}
	return e.settled(same), dialect.Found
}

// all gives the types of some expressions, those from the first that is not known on left
// open. It stands on a stack, and is valid until what is below it is asked for.
func (e exact) all(xs []syntax.Expr, depth int) []dialect.TypeID {
	known := &e.in.exact
	mark := len(known.stack)
	open := false
	for _, x := range xs {
		t := dialect.OpenType
		if !open {
			t = e.of(x, depth)
			open = t == dialect.OpenType
		}
		known.stack = append(known.stack, t)
	}
	types := known.stack[mark:]
	known.stack = known.stack[:mark]
	return types
}

func (e exact) named(name string) dialect.TypeID { return e.in.Dialect.Types().ID(name) }

func (e exact) call(c *syntax.Call, depth int) dialect.TypeID {
	if len(c.Name) > 1 || c.Name[0].Quoted {
		return dialect.OpenType
	}
	name := e.in.FunctionName(c)
	switch name {
	case "coalesce", "greatest", "least":
		return e.common(c.Args, depth)
	case "nullif":
		if len(c.Args) == 2 {
			if t := e.of(c.Args[0], depth); t != dialect.UnknownType {
				return t
			}
			return e.settled(e.of(c.Args[1], depth)) // which the literal is compared with
		}
		return dialect.OpenType
	case "count":
		return dialect.Int8Type
	case "current_date":
		return dialect.DateType
	case "current_timestamp":
		return dialect.TimestampTZType
	case "localtimestamp":
		return dialect.TimestampType
	case "current_time":
		return e.named("timetz")
	case "localtime":
		return e.named("time")
	case "extract":
		return dialect.NumericType
	case "position":
		return dialect.Int4Type
	}
	if !IsPlainCall(c) {
		return dialect.OpenType
	}
	t, _ := e.in.Called(name, e.all(c.Args, depth))
	return t
}

// IsPlainCall reports whether the arguments of a call are a list of values and nothing else.
func IsPlainCall(c *syntax.Call) bool {
	if c.Star || c.WithinGroup || c.Unit.Sym != 0 {
		return false
	}
	for _, x := range c.Args {
		switch x.(type) {
		case *syntax.NamedArg, *syntax.Star:
			return false
		}
	}
	return true
}

// ExactAll gives the exact types of some expressions.
func (in *Facts) ExactAll(xs []syntax.Expr) []dialect.TypeID {
	if !in.Dialect.HasTypes() {
		return make([]dialect.TypeID, len(xs))
	}
	return exact{in}.all(xs, 0)
}

// Results gives the values that a CASE may have, that of ELSE last.
func (in *Facts) Results(n *syntax.Case) []syntax.Expr {
	mark := len(in.exact.results)
	for _, w := range n.Whens {
		in.exact.results = append(in.exact.results, w.Then)
	}
	if n.Else != nil {
		in.exact.results = append(in.exact.results, n.Else)
	}
	return slices.Clip(in.exact.results[mark:])
}

// TitleOf gives a type's name as people write it, "a literal" for one whose place decides it.
func (in *Facts) TitleOf(t dialect.TypeID) string {
	if t == dialect.UnknownType {
		return "a literal"
	}
	types := in.Dialect.Types()
	return types.Title(types.Name(t))
}

// TypeIs says behind "is" of what type a value is.
func (in *Facts) TypeIs(t dialect.TypeID) string {
	if t == dialect.UnknownType {
		return "a literal"
	}
	return "of type " + in.TitleOf(t)
}
