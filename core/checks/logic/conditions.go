package logic

import (
	"justlens/core/check"
	"justlens/core/syntax"
)

// conditionKinds are the nodes that hold a whole condition.
var conditionKinds = syntax.Kinds(syntax.KindWhere, syntax.KindHaving, syntax.KindJoin, syntax.KindQualify)

// conditionOf gives the condition of a clause, and what the clause is called.
func conditionOf(n syntax.Node) (syntax.Expr, string) {
	switch n := n.(type) {
	case *syntax.Where:
		return n.Cond, "WHERE"
	case *syntax.Having:
		return n.Cond, "HAVING"
	case *syntax.Join:
		return n.On, "ON"
	case *syntax.Qualify:
		return n.Cond, "QUALIFY"
	}
	return nil, ""
}

// chains calls f with each chain of operands that AND, or OR, joins in a
// condition, the longest first; a chain has two operands at least.
func chains(x syntax.Expr, op syntax.Op, f func([]syntax.Expr)) {
	if x == nil {
		return
	}
	syntax.Inspect(x, func(n syntax.Node) bool {
		b, ok := n.(*syntax.Binary)
		if _, query := n.(*syntax.Query); query {
			return false
		}
		if !ok || b.Op != op {
			return true
		}
		operands := operandsOf(b, op, nil)
		f(operands)
		for _, o := range operands {
			chains(o, op, f)
		}
		return false
	})
}

// operandsOf lists the operands of a chain as written, parentheses round parts of
// the same chain looked through.
func operandsOf(x syntax.Expr, op syntax.Op, out []syntax.Expr) []syntax.Expr {
	if b, ok := syntax.Unparen(x).(*syntax.Binary); ok && b.Op == op {
		return operandsOf(b.Y, op, operandsOf(b.X, op, out))
	}
	return append(out, x)
}

// flat reports whether no parentheses stand round parts of a chain, so that its
// operands can be taken away one by one.
func flat(x syntax.Expr, op syntax.Op) bool {
	b, ok := x.(*syntax.Binary)
	if !ok {
		p, paren := x.(*syntax.Paren)
		if !paren {
			return true
		}
		inner, chain := syntax.Unparen(p).(*syntax.Binary)
		return !chain || inner.Op != op
	}
	return b.Op != op || flat(b.X, op) && flat(b.Y, op)
}

// longChain bounds how many operands are held against each other.
const longChain = 40

// copiesStructure reports whether a query only makes an empty table, as CREATE
// TABLE … AS SELECT … WHERE 1 = 0 does.
func copiesStructure(p *check.Pass, n syntax.Node) bool {
	for at := n; at != nil; at = p.Parent(at) {
		switch at.(type) {
		case *syntax.CreateTable, *syntax.CreateView:
			return true
		}
	}
	sel := p.SelectOf(n)
	return sel != nil && !sel.IntoSpan.IsEmpty()
}
