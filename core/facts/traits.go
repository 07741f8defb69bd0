package facts

import (
	"slices"

	"justlens/core/syntax"
)

// Traits are what can be seen of a node at a glance. A check that asks for some is not
// called where they are missing.
type Traits uint64

const (
	// Of a SELECT, and as far as they have sources of UPDATE, DELETE, INSERT and MERGE.

	Grouped     Traits = 1 << iota // it has GROUP BY
	Filtered                       // it has HAVING
	Aggregating                    // it aggregates rows
	Several                        // it has two sources at least; of VALUES: two rows
	Optional                       // an outer join may fill a source with NULLs
	BareNames                      // names without a qualifier stand in it
	ByCommas                       // FROM lists its sources by commas
	Strange                        // a source is no known table, or one that is defined later
	Marked                         // an alias of its list is written with AS
	Distinct                       // it drops rows that are alike
	Ordered                        // of a query: it has ORDER BY
	Limited                        // of a query: it has a row limit
	Locking                        // of a query: it locks what it gives
	Elaborate                      // of INSERT and UPDATE: they write to more than bare columns
	Aliased                        // of an item of a list: it has an alias

	// Of a join.

	Unconditional // it is an inner one and has no condition
	Natural       // it ties by whatever names agree
	Merging       // it makes one column of two, by USING or by NATURAL
	OneSided      // an outer one, whose ON is several conditions
	Alternative   // its ON is an OR

	// Of an operator; parentheses count as any operand.

	LiteralSide // a side is a literal
	TextSide    // a side is a text in quotes, or a literal of a type that one is
	Literals    // both sides are
	NameSide    // a side is a name
	Columns     // both sides are names
	FunctionSide
	QuerySide
	NullSide   // a side is NULL
	CaseSide   // a side is a CASE
	Calculated // a side is an operator
	NestedLeft // the left side is an operator
	TwoSigns   // it is written by two characters

	// Of a condition.

	Related   // two operands of a chain are about one column, or one has two bounds
	Decidable // Related, or an operand of a chain is made of literals alone
	Repeated  // two operands of AND are written alike
	Chained   // AND joins two operands at least
	Either    // OR joins three operands at least
	Negated   // an operand of AND is <> or has NOT
)

// TraitsOf gives the traits of a node.
func (in *Facts) TraitsOf(n syntax.Node) (t Traits) {
	switch n := n.(type) {
	case *syntax.Select:
		return in.ofQuery(n) | in.ofSources(n)
	case *syntax.Update:
		return in.ofSources(n) | when(slices.ContainsFunc(n.Set, isElaborate), Elaborate)
	case *syntax.Insert:
		return in.ofSources(n) | when(slices.ContainsFunc(n.Columns, func(id syntax.Ident) bool { return id.Sym == 0 }) || slices.ContainsFunc(n.Conflict, isElaborate), Elaborate)
	case *syntax.Delete, *syntax.Merge:
		return in.ofSources(n)
	case *syntax.Values:
		return when(len(n.Rows) > 1, Several)
	case *syntax.Join:
		return ofJoin(n)
	case *syntax.Query:
		return when(n.OrderBy != nil, Ordered) | when(n.Limit != nil, Limited) | when(!n.Lock.IsEmpty(), Locking)
	case *syntax.SelectItem:
		return when(!n.Alias.IsZero(), Aliased)
	}
	return 0
}

// isElaborate reports whether an assignment names more than a bare column.
func isElaborate(a *syntax.Assign) bool {
	name, ok := a.Target.(*syntax.Name)
	return !ok || len(name.Parts) > 1
}

func when(holds bool, t Traits) Traits {
	if holds {
		return t
	}
	return 0
}

func ofJoin(j *syntax.Join) Traits {
	if j.On == nil {
		return when(j.Natural, Natural|Merging) | when(len(j.Using) > 0, Merging) | when(j.Type == syntax.InnerJoin && !j.Natural && len(j.Using) == 0, Unconditional)
	}
	b, ok := j.On.(*syntax.Binary)
	if !ok {
		return Alternative
	}
	return when(b.Op == syntax.OpAnd && (j.Type == syntax.LeftJoin || j.Type == syntax.RightJoin), OneSided) | when(b.Op == syntax.OpOr, Alternative)
}

func (in *Facts) ofQuery(sel *syntax.Select) Traits {
	t := when(sel.Distinct, Distinct) | when(sel.GroupBy != nil, Grouped) | when(sel.Having != nil, Filtered) | when(sel.From != nil && len(sel.From.Tables) > 1, ByCommas) |
		when(len(in.AggregatesOf(sel)) > 0, Aggregating)
	for _, item := range sel.Items {
		if item.As {
			return t | Marked
		}
	}
	return t
}

func (in *Facts) ofSources(n syntax.Node) Traits {
	scope := in.Scope(n)
	if scope == nil {
		return 0
	}
	t := when(len(scope.Sources) > 1, Several) | when(len(scope.Bare) > 0, BareNames)
	for _, s := range scope.Sources {
		t |= when(s.Optional, Optional) | when(s.Unknown || s.Later, Strange)
	}
	return t
}

// sideTraits are those that an operand gives to its operator, by its kind.
var sideTraits = [syntax.KindCount]Traits{
	syntax.KindLiteral:      LiteralSide,
	syntax.KindTypedLiteral: TextSide,
	syntax.KindName:         NameSide,
	syntax.KindCall:         FunctionSide,
	syntax.KindCast:         FunctionSide,
	syntax.KindSubquery:     QuerySide,
	syntax.KindQuantified:   QuerySide,
	syntax.KindRow:          TextSide,
	syntax.KindCase:         CaseSide,
	syntax.KindBinary:       Calculated,
	syntax.KindParen:        LiteralSide | TextSide | Literals | NameSide | Columns | FunctionSide | QuerySide | NullSide | CaseSide | Calculated | NestedLeft,
}

func literalTraits(x syntax.Expr) Traits {
	n, ok := x.(*syntax.Literal)
	if !ok {
		return 0
	}
	return when(n.Lit == syntax.TextLiteral, TextSide) | when(n.Lit == syntax.NullLiteral, NullSide)
}

// OperatorTraits gives the traits of an operator.
func OperatorTraits(b *syntax.Binary) Traits {
	x, y := b.X.Kind(), b.Y.Kind()
	t := sideTraits[x] | sideTraits[y] | when(b.OpSpan.Len() == 2, TwoSigns) | when(x == syntax.KindBinary, NestedLeft)
	if t&LiteralSide != 0 {
		t |= literalTraits(b.X) | literalTraits(b.Y)
	}
	if x == y {
		t |= when(x == syntax.KindLiteral, Literals) | when(x == syntax.KindName, Columns)
	}
	return t
}

// traits gives the traits of a clause's condition.
func (c *Clause) traits() (t Traits) {
	for i := range c.Chains {
		chain := &c.Chains[i]
		t |= when(chain.Related, Related|Decidable) | when(chain.Decided, Decidable) | when(chain.Op == syntax.OpOr && len(chain.Operands) > 2, Either)
	}
	t |= when(c.Conjuncts.Related, Related|Decidable) | when(len(c.Conjuncts.Operands) > 1, Chained) | when(c.Conjuncts.Repeated, Repeated)
	for i := range c.Conjuncts.Operands {
		switch x := syntax.Unparen(c.Conjuncts.Operands[i].X).(type) {
		case *syntax.Binary:
			t |= when(x.Op == syntax.OpNotEqual, Negated)
		case *syntax.Unary:
			t |= when(x.Op == syntax.OpNot, Negated)
		case *syntax.In:
			t |= when(x.Not, Negated)
		case *syntax.Like:
			t |= when(x.Not, Negated)
		case *syntax.Between:
			t |= when(x.Not, Negated)
		}
	}
	return t
}
