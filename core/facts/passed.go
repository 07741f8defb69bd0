package facts

import (
	"justlens/core/bind"
	"justlens/core/syntax"
)

// passed calls f for each condition that every row of a SELECT has met before it
// is grouped: those of WHERE and of the inner joins that no outer join may undo.
func (in *Facts) passed(sel *syntax.Select, f func(syntax.Expr)) {
	if scope := in.Scope(sel); scope == nil || scope.Marked {
		return // Oracle's (+) makes outer joins of conditions
	}
	if sel.From != nil {
		for _, t := range sel.From.Tables {
			in.passedJoins(t, f)
		}
	}
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, f)
	}
}

func (in *Facts) passedJoins(t syntax.TableExpr, f func(syntax.Expr)) {
	switch t := t.(type) {
	case *syntax.ParenTable:
		in.passedJoins(t.Table, f)
	case *syntax.Join:
		switch t.Type {
		case syntax.InnerJoin, syntax.CrossJoin, syntax.CrossApply:
			in.passedJoins(t.Left, f)
			in.passedJoins(t.Right, f)
			syntax.Conjuncts(t.On, f)
		case syntax.LeftJoin, syntax.OuterApply, syntax.SemiJoin, syntax.AntiJoin:
			in.passedJoins(t.Left, f)
		case syntax.RightJoin:
			in.passedJoins(t.Right, f)
		}
	}
}

// rejects reports whether a condition is not true where the columns for which is
// holds are all NULL.
func (in *Facts) rejects(cond syntax.Expr, is func(*syntax.Name) bool) bool {
	switch c := syntax.Unparen(cond).(type) {
	case *syntax.Is:
		switch c.Test {
		case syntax.IsNull, syntax.IsUnknown:
			return c.Not && (strict(c.X, is) || in.unknown(c.X, is))
		case syntax.IsTrue, syntax.IsFalse:
			return !c.Not && (strict(c.X, is) || in.unknown(c.X, is))
		}
		return false
	case *syntax.Binary:
		switch c.Op {
		case syntax.OpAnd:
			return in.rejects(c.X, is) || in.rejects(c.Y, is)
		case syntax.OpOr:
			return in.rejects(c.X, is) && in.rejects(c.Y, is)
		}
		if q, ok := c.Y.(*syntax.Quantified); ok {
			return c.Op.IsComparison() && !q.All && strict(c.X, is)
		}
	case *syntax.Between:
		if !c.Not && !c.Symmetric && (strict(c.Low, is) || strict(c.High, is)) {
			return true // one of its two comparisons is unknown
		}
	case *syntax.In:
		if c.Query != nil {
			return !c.Not && strict(c.X, is) // NOT IN no rows is true even of NULL
		}
	}
	return in.unknown(cond, is)
}

// unknown reports whether a condition is unknown where the columns are NULL.
func (in *Facts) unknown(cond syntax.Expr, is func(*syntax.Name) bool) bool {
	switch c := syntax.Unparen(cond).(type) {
	case *syntax.Binary:
		switch {
		case c.Op == syntax.OpAnd || c.Op == syntax.OpOr:
			return in.unknown(c.X, is) && in.unknown(c.Y, is)
		case c.Op.IsComparison():
			if _, ok := c.Y.(*syntax.Quantified); !ok {
				return strict(c.X, is) || strict(c.Y, is)
			}
		}
	case *syntax.Unary:
		return c.Op == syntax.OpNot && in.unknown(c.X, is)
	case *syntax.Between:
		return strict(c.X, is)
	case *syntax.Like:
		return strict(c.X, is) || strict(c.Pattern, is)
	case *syntax.In:
		return len(c.List) > 0 && strict(c.X, is)
	}
	return false
}

// strict reports whether an expression is NULL where the columns are.
func strict(x syntax.Expr, is func(*syntax.Name) bool) bool {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Name:
		return is(x)
	case *syntax.Binary:
		return x.Op >= syntax.OpAdd && x.Op <= syntax.OpModulo && (strict(x.X, is) || strict(x.Y, is))
	case *syntax.Unary:
		return (x.Op == syntax.OpNegate || x.Op == syntax.OpPositive) && strict(x.X, is)
	case *syntax.Cast:
		return strict(x.X, is)
	case *syntax.Collate:
		return strict(x.X, is)
	}
	return false
}

// IsThere reports whether the conditions of a SELECT keep an outer join from
// filling a source with NULLs.
func (in *Facts) IsThere(sel *syntax.Select, s *bind.Source) bool {
	return !s.Optional || in.anyPassed(sel, func(n *syntax.Name) bool { return in.Use(n).Source == s })
}

// OthersReject reports whether other conditions of a SELECT than one keep the NULLs of a column away.
func (in *Facts) OthersReject(sel *syntax.Select, column *syntax.Name, but syntax.Expr) bool {
	u, found := in.Use(column), false
	in.passed(sel, func(c syntax.Expr) {
		found = found || c != but && in.rejects(c, func(n *syntax.Name) bool {
			v := in.Use(n)
			return v.Source == u.Source && v.Column == u.Column && !in.isCoalesced(n, v)
		})
	})
	return found
}

// JoinsReject reports whether an inner join of a SELECT keeps the rows away in which a source is filled
// with NULLs.
func (in *Facts) JoinsReject(sel *syntax.Select, s *bind.Source) (found bool) {
	if sel.From == nil {
		return false
	}
	for _, t := range sel.From.Tables {
		in.passedJoins(t, func(c syntax.Expr) { found = found || in.Rejects(c, s) })
	}
	return found
}
