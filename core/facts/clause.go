package facts

import (
	"justlens/core/reason"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Clause is a clause that holds a condition.
type Clause struct {
	Node syntax.Node // a Where, Having, Join or Qualify
	Name string      // WHERE, HAVING, ON or QUALIFY
	Cond syntax.Expr
	// Conjuncts are the operands of AND of the whole condition, one if it is no AND.
	Conjuncts *Chain
	// Traits are those of the condition.
	Traits Traits
	// Chains are all chains of AND and OR in the condition, those of queries inside it
	// left aside: the longest first, each before those within it.
	Chains []Chain

	whole Chain // what Conjuncts is where the condition is no AND
}

// Chain is what operands of one AND or OR are joined by it, parentheses round parts of
// the chain looked through.
type Chain struct {
	Op       syntax.Op
	Operands []Condition // in the order of the text, as written
	// Flat tells that no parentheses stand round parts of the chain, so that its operands
	// can be taken away one by one.
	Flat bool
	// Related tells that of some operands reasoning can give anything, Decided that one is
	// made of literals alone, Repeated that two are written alike. None of it is told of a
	// chain longer than LongChain.
	Related, Decided, Repeated bool
}

// Condition is an operand of a chain.
type Condition struct {
	X syntax.Expr // as written
	// Subject is the column of which it may be a predicate, nil if of none.
	Subject *syntax.Name
	// Related tells that reasoning about it can give anything: another operand is about a
	// column of the same name, or it has two bounds itself.
	Related bool

	span      text.Span
	predicate *predicate
}

// predicate is one that was worked out; not ok where a condition is none.
type predicate struct {
	reason.Predicate
	ok bool
}

// LongChain bounds how many operands are held against each other.
const LongChain = 40

// ClauseOf gives the condition of a clause; nil if it has none, or one that compares two
// plain operands, which has no traits. It is valid until the next call.
func (in *Facts) ClauseOf(n syntax.Node) *Clause {
	var cond syntax.Expr
	name := ""
	switch n := n.(type) {
	case *syntax.Where:
		cond, name = n.Cond, "WHERE"
	case *syntax.Having:
		cond, name = n.Cond, "HAVING"
	case *syntax.Join:
		cond, name = n.On, "ON"
	case *syntax.Qualify:
		cond, name = n.Cond, "QUALIFY"
	}
	if b, ok := cond.(*syntax.Binary); cond == nil || ok && b.Op.IsComparison() && b.Op != syntax.OpNotEqual && isPlain(b.X) && isPlain(b.Y) {
		return nil
	}
	c := &in.clause
	*c = Clause{Node: n, Name: name, Cond: cond, Chains: c.Chains[:0]}
	in.conditions.Reset()
	in.predicates.Reset()
	in.chains(c, c.Cond)
	if top, ok := syntax.Unparen(c.Cond).(*syntax.Binary); ok && top.Op == syntax.OpAnd {
		c.Conjuncts = &c.Chains[0]
	} else {
		c.whole = in.chain(syntax.OpAnd, c.Cond)
		c.Conjuncts = &c.whole
	}
	c.Traits = c.traits()
	return c
}

// chains finds the chains in an expression.
func (in *Facts) chains(c *Clause, x syntax.Expr) {
	if b, ok := syntax.Unparen(x).(*syntax.Binary); ok && (b.Op == syntax.OpAnd || b.Op == syntax.OpOr) {
		in.chainAt(c, b)
		return
	}
	if holdsNone(x) {
		return
	}
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Query:
			return false
		case *syntax.Binary:
			if n.Op == syntax.OpAnd || n.Op == syntax.OpOr {
				in.chainAt(c, n)
				return false
			}
		}
		return true
	})
}

// chainAt adds a chain, and those within its operands.
func (in *Facts) chainAt(c *Clause, b *syntax.Binary) {
	at := len(c.Chains)
	c.Chains = append(c.Chains, in.chain(b.Op, b))
	for i := range c.Chains[at].Operands {
		in.chains(c, c.Chains[at].Operands[i].X)
	}
}

// holdsNone reports whether a condition surely holds no chain of its own query.
func holdsNone(x syntax.Expr) bool {
	switch x := x.(type) {
	case *syntax.Name, *syntax.Literal, *syntax.Exists:
		return true
	case *syntax.Binary:
		return x.Op.IsComparison() && isPlain(x.X) && isPlain(x.Y)
	case *syntax.Is:
		return isPlain(x.X) && x.Y == nil
	case *syntax.Between:
		return isPlain(x.X) && isPlain(x.Low) && isPlain(x.High)
	case *syntax.Like:
		return isPlain(x.X) && isPlain(x.Pattern)
	case *syntax.In:
		if !isPlain(x.X) || x.Other != nil || len(x.List) > LongChain {
			return false
		}
		for _, item := range x.List {
			if !isPlain(item) {
				return false
			}
		}
		return true
	case *syntax.Unary:
		return holdsNone(x.X)
	case *syntax.Paren:
		return holdsNone(x.X)
	}
	return false
}

// isPlain reports whether an expression holds no other.
func isPlain(x syntax.Expr) bool {
	switch x.(type) {
	case *syntax.Name, *syntax.Literal:
		return true
	}
	return false
}

func (in *Facts) chain(op syntax.Op, x syntax.Expr) Chain {
	c := Chain{Op: op, Flat: true}
	in.operands(&c, x)
	c.Operands = in.conditions.Take(0)
	if len(c.Operands) <= LongChain {
		in.relate(&c)
	}
	return c
}

// operands goes down the left sides in a loop: a chain may be longer than the stack is
// deep.
func (in *Facts) operands(c *Chain, x syntax.Expr) {
	from := len(in.spine)
	for {
		bare := syntax.Unparen(x)
		b, ok := bare.(*syntax.Binary)
		if !ok || b.Op != c.Op {
			break
		}
		c.Flat = c.Flat && x == bare
		in.spine = append(in.spine, b)
		x = b.X
	}
	in.conditions.Grow(len(in.spine) - from + 1)
	in.conditions.Push(Condition{X: x})
	for len(in.spine) > from {
		b := in.spine[len(in.spine)-1]
		in.spine = in.spine[:len(in.spine)-1]
		in.operands(c, b.Y)
	}
}

// relate holds each operand against those before it.
func (in *Facts) relate(c *Chain) {
	for i := range c.Operands {
		a := &c.Operands[i]
		a.Subject, a.span = reason.Subject(a.X), a.X.Span()
		if a.Subject == nil {
			c.Decided = c.Decided || isLiteral(a.X)
		} else if a.X.Kind() == syntax.KindBetween || a.X.Kind() == syntax.KindParen {
			_, a.Related = syntax.Unparen(a.X).(*syntax.Between)
		}
		for k := range i {
			b := &c.Operands[k]
			if a.Subject != nil && b.Subject != nil && b.Subject.Last().Sym == a.Subject.Last().Sym {
				a.Related, b.Related, c.Related = true, true, true
			}
			if a.span.Len() == b.span.Len() && text.View(in.Src, a.span) == text.View(in.Src, b.span) {
				c.Repeated = true
			}
		}
		c.Related = c.Related || a.Related
	}
}

// isLiteral reports whether a condition is a literal, or a comparison of two.
func isLiteral(x syntax.Expr) bool {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		return true
	case *syntax.Binary:
		return isLiteral(n.X) && isLiteral(n.Y)
	}
	return false
}

// PredicateOf gives the predicate that a condition is, worked out once for all checks.
func (in *Facts) PredicateOf(c *Condition) (reason.Predicate, bool) {
	if c.predicate == nil {
		c.predicate = in.predicates.Next()
		c.predicate.Predicate, c.predicate.ok = reason.Of(in.Info, c.X)
	}
	return c.predicate.Predicate, c.predicate.ok
}
