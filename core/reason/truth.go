package reason

import (
	"justlens/core/bind"
	"justlens/core/syntax"
)

// NeverTrue reports whether no value of the column makes the condition true.
func (p Predicate) NeverTrue() bool { return p.known && p.holds.isEmpty() && !p.holdsNull }

// AlwaysTrue reports whether every value makes the condition true; with NULL left
// aside if butNull.
func (p Predicate) AlwaysTrue(butNull bool) bool {
	return p.known && p.holds.isEverything() && (butNull || p.holdsNull)
}

// Implies reports whether p is true only where q is, so that q adds nothing to it.
func (p Predicate) Implies(in *bind.Info, q Predicate) bool {
	a, b, ok := together(in, p, q)
	return ok && (p.known || q.known) && a.holds.within(b.holds) && (!p.holdsNull || q.holdsNull)
}

// Excludes reports whether no value makes both true.
func (p Predicate) Excludes(in *bind.Info, q Predicate) bool {
	both, ok := and(in, p, q)
	return ok && both.NeverTrue()
}

// And and Or join two predicates of one column; ok is false where they are of two.
func (p Predicate) And(in *bind.Info, q Predicate) (Predicate, bool) { return and(in, p, q) }
func (p Predicate) Or(in *bind.Info, q Predicate) (Predicate, bool)  { return or(in, p, q) }

// Truth is the value of a condition without columns.
type Truth uint8

const (
	Undecided Truth = iota
	True
	False
)

// Constant decides a comparison of two literals, and the words TRUE and FALSE.
func Constant(in *bind.Info, x syntax.Expr) Truth {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		switch n.Lit {
		case syntax.TrueLiteral:
			return True
		case syntax.FalseLiteral:
			return False
		}
	case *syntax.Binary:
		a, ok := literal(in, n.X)
		b, also := literal(in, n.Y)
		if !ok || !also {
			break
		}
		s, ok := values(n.Op, numbers, b)
		if !ok {
			break
		}
		if s.intersect(single(numbers, a)).isEmpty() {
			return False
		}
		return True
	}
	return Undecided
}

func literal(in *bind.Info, x syntax.Expr) (value, bool) {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.NumberLiteral {
		return value{}, false
	}
	v, _, ok := number(in.Text(n))
	return v, ok
}
