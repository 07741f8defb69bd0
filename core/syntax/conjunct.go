package syntax

// Unparen strips parentheses.
func Unparen(x Expr) Expr {
	for {
		p, ok := x.(*Paren)
		if !ok {
			return x
		}
		x = p.X
	}
}

// Conjuncts calls f for each condition that AND joins at the top of x, in the
// order of the text, looking through parentheses.
func Conjuncts(x Expr, f func(Expr)) {
	if x == nil {
		return
	}
	if b, ok := Unparen(x).(*Binary); ok && b.Op == OpAnd {
		Conjuncts(b.X, f)
		Conjuncts(b.Y, f)
		return
	}
	f(x)
}

// BareConjuncts is Conjuncts that stops at parentheses: each span is that of
// a whole operand of the chain of ANDs as written.
func BareConjuncts(x Expr, f func(Expr)) {
	if b, ok := x.(*Binary); ok && b.Op == OpAnd {
		BareConjuncts(b.X, f)
		BareConjuncts(b.Y, f)
		return
	}
	if x != nil {
		f(x)
	}
}

// AppendConjuncts adds the operands that BareConjuncts gives to a list.
func AppendConjuncts(list []Expr, x Expr) []Expr {
	if b, ok := x.(*Binary); ok && b.Op == OpAnd {
		return AppendConjuncts(AppendConjuncts(list, b.X), b.Y)
	}
	if x == nil {
		return list
	}
	return append(list, x)
}

// Inspect calls f for n and what is below it, in the order of the text as far
// as the declarations of the nodes follow it; f tells whether to go down.
func Inspect(n Node, f func(Node) bool) {
	if Chained(n) != nil {
		inspectChain(n, f)
		return
	}
	if f(n) {
		Children(n, func(c Node) { Inspect(c, f) })
	}
}

// inspectChain inspects operators that hang on each other by their left operands, of
// which there may be more than the stack is deep.
func inspectChain(n Node, f func(Node) bool) {
	var room [16]Node
	spine := room[:0]
	for {
		part := Chained(n)
		if part == nil {
			Inspect(n, f)
			break
		}
		if !f(n) {
			break
		}
		spine = append(spine, n)
		n = part
	}
	for i := len(spine) - 1; i >= 0; i-- {
		part := Chained(spine[i])
		Children(spine[i], func(c Node) {
			if c != part {
				Inspect(c, f)
			}
		})
	}
}
