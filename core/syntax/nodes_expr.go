package syntax

import "justlens/core/text"

// The declarations below are read by nodegen, which writes kinds, slabs and
// the walk. A comment `node: expr` and the like names the interface.

// Name is a column, or any other name of one to four parts.
//
// node: expr
type Name struct {
	node
	Parts []Ident
}

// Last gives the part that names the thing itself.
func (n *Name) Last() Ident { return n.Parts[len(n.Parts)-1] }

// Qualifier gives the part before the last, or the zero Ident.
func (n *Name) Qualifier() Ident {
	if len(n.Parts) < 2 {
		return Ident{}
	}
	return n.Parts[len(n.Parts)-2]
}

// Star is * or t.*.
//
// node: expr
type Star struct {
	node
	Qualifier []Ident
}

// LiteralKind tells literals apart.
type LiteralKind uint8

const (
	NumberLiteral LiteralKind = iota
	TextLiteral
	NullLiteral
	TrueLiteral
	FalseLiteral
	DefaultLiteral
)

// Literal is a constant; its text is that of its span.
//
// node: expr
type Literal struct {
	node
	Lit LiteralKind
}

// TypedLiteral is DATE '2026-05-01' and its kin.
//
// node: expr
type TypedLiteral struct {
	node
	Type  *TypeName
	Value Expr
}

// Interval is INTERVAL '1' DAY and its kin.
//
// node: expr
type Interval struct {
	node
	Value Expr
}

// Param is a placeholder or a variable.
//
// node: expr
type Param struct {
	node
	// Put tells that a template puts text in here, which may be one value, several or none.
	Put bool
}

// Unary is a prefix operator: NOT, -, +, ~, !, PRIOR and the like.
//
// node: expr
type Unary struct {
	node
	Op     Op
	OpSpan text.Span
	X      Expr
}

// Binary is an infix operator.
//
// node: expr
type Binary struct {
	node
	Op     Op
	OpSpan text.Span
	X, Y   Expr
}

// IsKind tells the IS tests apart.
type IsKind uint8

const (
	IsNull IsKind = iota
	IsTrue
	IsFalse
	IsUnknown
	IsDistinctFrom
	IsOther // IS JSON, IS NAN, SQLite's IS b, …
)

// Is is X IS [NOT] …
//
// node: expr
type Is struct {
	node
	Not  bool
	Test IsKind
	X    Expr
	Y    Expr // of IS DISTINCT FROM and IS b
}

// Between is X [NOT] BETWEEN Low AND High.
//
// node: expr
type Between struct {
	node
	Not       bool
	Symmetric bool
	X         Expr
	Low, High Expr
}

// In is X [NOT] IN (List) or (Query).
//
// node: expr
type In struct {
	node
	Not   bool
	X     Expr
	List  []Expr
	Query *Query
	Other Expr // IN table, IN UNNEST(…), IN ?
}

// Like is X [NOT] LIKE Pattern and its kin.
//
// node: expr
type Like struct {
	node
	Not     bool
	Op      MatchOp
	X       Expr
	OpSpan  text.Span
	Pattern Expr
	Escape  Expr
}

// MatchOp tells the kin of LIKE apart.
type MatchOp uint8

const (
	OpLike MatchOp = iota
	OpILike
	OpSimilarTo
	OpRegexp
	OpGlob
	OpMatch
	OpSoundsLike
)

// Exists is EXISTS (Query).
//
// node: expr
type Exists struct {
	node
	Query *Query
}

// Quantified is ANY (…) or ALL (…) on the right of a comparison.
//
// node: expr
type Quantified struct {
	node
	All   bool
	Query *Query
	X     Expr // an array
}

// Case is CASE [Operand] WHEN … END.
//
// node: expr
type Case struct {
	node
	Operand Expr
	Whens   []*When
	Else    Expr
}

// When is one branch of a CASE.
//
// node:
type When struct {
	node
	Cond, Then Expr
}

// Cast is CAST(X AS Type), X::Type, CONVERT(Type, X) and the like.
//
// node: expr
type Cast struct {
	node
	Try    bool // NULL where the value does not fit
	X      Expr
	Type   *TypeName
	Format Expr
}

// TypeName is a type with its arguments.
//
// node:
type TypeName struct {
	node
	Array bool
	Parts []Ident
	Args  []Expr
}

// Call is a function call; special keyword forms (EXTRACT, TRIM, SUBSTRING …)
// have their operands as arguments.
//
// node: expr
type Call struct {
	node
	Distinct    bool
	Star        bool // COUNT(*)
	WithinGroup bool
	Name        []Ident
	Args        []Expr
	OrderBy     []*OrderItem // inside the parentheses or WITHIN GROUP
	Filter      Expr
	Over        *Window
	Unit        Ident // of EXTRACT(YEAR FROM x), or the like
}

// Window is what follows OVER, or a definition of the WINDOW clause.
//
// node:
type Window struct {
	node
	Name      Ident // defined or referred to
	Base      Ident
	Partition []Expr
	OrderBy   []*OrderItem
	Frame     text.Span // empty where no frame is written
}

// Paren is an expression in parentheses.
//
// node: expr
type Paren struct {
	node
	X Expr
}

// Row is (a, b) or ROW(a, b).
//
// node: expr
type Row struct {
	node
	Items []Expr
}

// Subquery is a query as a value.
//
// node: expr
type Subquery struct {
	node
	Query *Query
}

// Array is ARRAY[…] and the like.
//
// node: expr
type Array struct {
	node
	Items []Expr
	Query *Query
}

// Subscript is X[…].
//
// node: expr
type Subscript struct {
	node
	X     Expr
	Items []Expr
}

// Field is (X).name, or a method of a value.
//
// node: expr
type Field struct {
	node
	X    Expr
	Name Ident
	Star bool
}

// Collate is X COLLATE name.
//
// node: expr
type Collate struct {
	node
	X    Expr
	Name []Ident
}

// AtZone is X AT TIME ZONE Zone.
//
// node: expr
type AtZone struct {
	node
	X, Zone Expr
}

// NamedArg is name => X in a call.
//
// node: expr
type NamedArg struct {
	node
	Name Ident
	X    Expr
}

// OuterMark is Oracle's x(+).
//
// node: expr
type OuterMark struct {
	node
	X Expr
}

// BadExpr stands for what could not be read.
//
// node: expr
type BadExpr struct {
	node
}
