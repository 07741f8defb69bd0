package syntax

import "justlens/core/dialect"

// Op is an operator of [Unary] and [Binary] nodes.
type Op uint8

const (
	OpNone Op = iota
	OpOr
	OpXor
	OpAnd
	OpNot
	OpEqual
	OpNotEqual
	OpNullSafeEqual
	OpLess
	OpLessEqual
	OpGreater
	OpGreaterEqual
	OpAdd
	OpSubtract
	OpMultiply
	OpDivide
	OpIntegerDivide
	OpModulo
	OpPower
	OpConcat
	OpBitAnd
	OpBitOr
	OpBitXor
	OpShift
	OpArrow
	OpAssign
	OpNegate
	OpPositive
	OpComplement
	OpPrior
	OpOther
)

// IsComparison reports whether the operator is one of = <> < <= > >=.
func (o Op) IsComparison() bool {
	return o == OpEqual || o == OpNotEqual || OpLess <= o && o <= OpGreaterEqual
}

// Turned gives the sides of a comparison so that a constant which stands first is the second,
// and the operator that says the same.
func (b *Binary) Turned() (x Expr, op Op, y Expr) {
	if b.Op.IsComparison() && IsConstant(b.X) {
		return b.Y, b.Op.Flip(), b.X
	}
	return b.X, b.Op, b.Y
}

// IsConstant reports whether an expression is a literal, with a type or a sign before it or
// without.
func IsConstant(x Expr) bool {
	switch x := Unparen(x).(type) {
	case *Literal, *TypedLiteral:
		return true
	case *Unary:
		_, ok := Unparen(x.X).(*Literal)
		return ok && (x.Op == OpNegate || x.Op == OpPositive)
	}
	return false
}

// Flip gives the operator that says the same with the sides exchanged.
func (o Op) Flip() Op {
	switch o {
	case OpLess:
		return OpGreater
	case OpLessEqual:
		return OpGreaterEqual
	case OpGreater:
		return OpLess
	case OpGreaterEqual:
		return OpLessEqual
	}
	return o
}

// infix tells for a token that may be an operator which one it is and how it
// binds; pipesOr decides what || means.
func infix(k TokenKind, pipesOr bool) (Op, dialect.Operator) {
	switch k {
	case Equal, DoubleEqual:
		return OpEqual, dialect.Equality
	case NotEqual:
		return OpNotEqual, dialect.Equality
	case NullSafeEqual:
		return OpNullSafeEqual, dialect.Equality
	case Less:
		return OpLess, dialect.Comparison
	case LessEqual:
		return OpLessEqual, dialect.Comparison
	case Greater:
		return OpGreater, dialect.Comparison
	case GreaterEqual:
		return OpGreaterEqual, dialect.Comparison
	case Plus:
		return OpAdd, dialect.Plus
	case Minus:
		return OpSubtract, dialect.Plus
	case Asterisk:
		return OpMultiply, dialect.Times
	case Slash:
		return OpDivide, dialect.Times
	case Percent:
		return OpModulo, dialect.Times
	case Caret:
		return OpPower, dialect.Power
	case Pipes:
		if pipesOr {
			return OpOr, dialect.Or
		}
		return OpConcat, dialect.Concat
	case Ampersands:
		if pipesOr {
			return OpAnd, dialect.And
		}
		return OpOther, dialect.Other
	case BitwiseOr:
		return OpBitOr, dialect.BitOr
	case BitwiseAnd:
		return OpBitAnd, dialect.BitAnd
	case BitwiseXor:
		return OpBitXor, dialect.BitXor
	case ShiftOperator:
		return OpShift, dialect.Shift
	case ArrowOperator:
		return OpArrow, dialect.Arrow
	case AssignOperator:
		return OpAssign, dialect.Assignment
	case OtherOperator, Tilde:
		return OpOther, dialect.Other
	}
	return OpNone, dialect.NoOperator
}
