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

// IsCondition reports whether an expression is true or false by its operator.
func IsCondition(x Expr) bool {
	switch n := Unparen(x).(type) {
	case *Binary:
		return n.Op.IsComparison() || n.Op == OpAnd || n.Op == OpOr
	case *Is, *In, *Between, *Like, *Exists:
		return true
	case *Unary:
		return n.Op == OpNot
	}
	return false
}

// SetsVariable reports whether an output gives a variable its value, as SQL Server's SELECT @n = name does.
func SetsVariable(x Expr) bool {
	b, ok := x.(*Binary)
	if !ok || b.Op != OpEqual {
		return false
	}
	_, variable := b.X.(*Param)
	return variable
}

// IsGiven reports whether an expression is a literal other than NULL.
func IsGiven(x Expr) bool {
	l, ok := Unparen(x).(*Literal)
	return ok && l.Lit != NullLiteral
}

// Operands calls f for each operand that an operator joins at the top of x, in the order of
// the text, looking through parentheses; before is the operator in front of it, nil in front
// of the first.
func Operands(x Expr, op Op, f func(x Expr, before *Binary)) { operands(x, op, true, nil, f) }

// BareOperands is Operands that stops at parentheses: each span is that of a whole operand
// of the chain as written.
func BareOperands(x Expr, op Op, f func(x Expr, before *Binary)) { operands(x, op, false, nil, f) }

// operands goes down the left sides in a loop: a chain may be longer than the stack is deep.
func operands(x Expr, op Op, within bool, before *Binary, f func(Expr, *Binary)) {
	var room [16]*Binary
	spine := room[:0]
	for b := joined(x, op, within); b != nil; b = joined(x, op, within) {
		spine = append(spine, b)
		x = b.X
	}
	for f(x, before); len(spine) > 0; spine = spine[:len(spine)-1] {
		last := spine[len(spine)-1]
		operands(last.Y, op, within, last, f)
	}
}

// joined gives an expression as two operands of an operator, nil if it is none.
func joined(x Expr, op Op, within bool) *Binary {
	if within {
		x = Unparen(x)
	}
	if b, ok := x.(*Binary); ok && b.Op == op {
		return b
	}
	return nil
}

// Conjuncts calls f for each condition that AND joins at the top of x, in the
// order of the text, looking through parentheses.
func Conjuncts(x Expr, f func(Expr)) {
	if x != nil {
		Operands(x, OpAnd, func(x Expr, _ *Binary) { f(x) })
	}
}

// BareConjuncts is Conjuncts that stops at parentheses.
func BareConjuncts(x Expr, f func(Expr)) {
	if x != nil {
		BareOperands(x, OpAnd, func(x Expr, _ *Binary) { f(x) })
	}
}

// AppendConjuncts adds the operands that BareConjuncts gives to a list.
func AppendConjuncts(list []Expr, x Expr) []Expr {
	BareConjuncts(x, func(x Expr) { list = append(list, x) })
	return list
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
