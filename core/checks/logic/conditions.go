package logic

import (
	"justlens/core/check"
	"justlens/core/reason"
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
		operands := operandsOf(b, op)
		f(operands)
		for _, o := range operands {
			chains(o, op, f)
		}
		return false
	})
}

// operandsOf lists the operands of a chain as written, parentheses round parts of
// the same chain looked through.
func operandsOf(x syntax.Expr, op syntax.Op) []syntax.Expr {
	return appendOperands(x, op, make([]syntax.Expr, 0, countOperands(x, op)))
}

func appendOperands(x syntax.Expr, op syntax.Op, out []syntax.Expr) []syntax.Expr {
	if b, ok := syntax.Unparen(x).(*syntax.Binary); ok && b.Op == op {
		return appendOperands(b.Y, op, appendOperands(b.X, op, out))
	}
	return append(out, x)
}

func countOperands(x syntax.Expr, op syntax.Op) int {
	if b, ok := syntax.Unparen(x).(*syntax.Binary); ok && b.Op == op {
		return countOperands(b.X, op) + countOperands(b.Y, op)
	}
	return 1
}

// related reports for each operand of a chain whether reasoning about it can give
// anything: another is about a column of the same name, or it has two bounds itself.
func related(operands []syntax.Expr, marks []bool) []bool {
	marks = marks[:0]
	any := false
	for i, x := range operands {
		s := reason.Subject(x)
		mark := false
		if s != nil {
			_, mark = syntax.Unparen(x).(*syntax.Between)
			for k, y := range operands {
				if k == i || mark {
					continue
				}
				other := reason.Subject(y)
				mark = other != nil && other.Last().Sym == s.Last().Sym
			}
		}
		any = any || mark
		marks = append(marks, mark)
	}
	if !any {
		return nil
	}
	return marks
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
	if p.Nearest(n, syntax.Kinds(syntax.KindCreateTable, syntax.KindCreateView)) != nil {
		return true
	}
	sel := p.SelectOf(n)
	return sel != nil && !sel.IntoSpan.IsEmpty()
}
