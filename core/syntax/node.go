package syntax

import "justlens/core/text"

// Node is a part of the tree of one statement. Nodes live in slabs that the
// parser reuses: they are gone once the next statement is parsed.
type Node interface {
	Kind() Kind
	// Span runs from the first to the last token of the node.
	Span() text.Span
	// ID numbers the nodes of a statement from 1, for tables beside the tree.
	ID() int32
}

// Expr is a scalar or truth expression.
type Expr interface {
	Node
	exprNode()
}

// TableExpr is what may stand in FROM.
type TableExpr interface {
	Node
	tableNode()
}

// Body is what may stand on either side of UNION.
type Body interface {
	Node
	bodyNode()
}

// Stmt is a whole statement.
type Stmt interface {
	Node
	stmtNode()
}

// node is embedded in all nodes.
type node struct {
	span text.Span
	id   int32
}

func (n *node) Span() text.Span { return n.span }
func (n *node) ID() int32       { return n.id }

// Ident is one part of a name as written.
type Ident struct {
	Span   text.Span
	Sym    Sym
	Quoted bool
}

// IsZero reports that there is no name.
func (i Ident) IsZero() bool { return i.Span.IsEmpty() }

//go:generate go run ./internal/nodegen

// KindSet is a set of kinds.
type KindSet [2]uint64

// Kinds makes a set.
func Kinds(ks ...Kind) KindSet {
	var s KindSet
	for _, k := range ks {
		s[k>>6] |= 1 << (k & 63)
	}
	return s
}

// Has reports whether k is in the set.
func (s KindSet) Has(k Kind) bool { return s[k>>6]>>(k&63)&1 != 0 }
