package groups

import (
	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/syntax"
)

// grouping is what a SELECT groups by, aliases and positions replaced by
// their expressions.
type grouping struct {
	keys []syntax.Expr
	// byForm finds keys, made when first asked for.
	byForm map[uint64][]syntax.Expr
	// unclear tells that some key could not be told.
	unclear bool
	// plain counts the items of the select list, from the first on, that are known to be no star.
	plain int
}

// starBefore reports whether one of the first n items of the list is a star, so that
// positions count other columns.
func (g *grouping) starBefore(s *syntax.Select, n int) bool {
	for ; g.plain < n; g.plain++ {
		if _, star := s.Items[g.plain].X.(*syntax.Star); star {
			return true
		}
	}
	return false
}

func groupingOf(p *check.Pass, s *syntax.Select) grouping {
	var g grouping
	if s.GroupBy == nil {
		return g
	}
	g.unclear = s.GroupBy.All
	for _, x := range s.GroupBy.Items {
		g.add(p, s, x)
	}
	return g
}

func (g *grouping) add(p *check.Pass, s *syntax.Select, x syntax.Expr) {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.GroupingSet:
		for _, item := range n.Items {
			g.add(p, s, item)
		}
		return
	case *syntax.Row:
		for _, item := range n.Items {
			g.add(p, s, item)
		}
		return
	case *syntax.Literal:
		if i, ok := p.Position(n); ok && i >= 1 && i <= len(s.Items) {
			g.keys = append(g.keys, s.Items[i-1].X)
			g.unclear = g.unclear || g.starBefore(s, i)
			return
		}
	case *syntax.Name:
		u := p.Use(n)
		switch {
		case u.Status == bind.OutputAlias:
			g.keys = append(g.keys, u.Item.X)
		case u.Status == bind.Unclear || u.Status == bind.Assumed:
			// It may be a column, or an alias of the list.
			if item := p.Scope(s).Item(n.Last().Sym); item != nil {
				g.keys = append(g.keys, item.X)
			}
		}
	case *syntax.BadExpr, *syntax.Param, *syntax.Subquery:
		g.unclear = true
	}
	g.keys = append(g.keys, x)
}

// holds reports whether an expression is one of the keys.
func (g *grouping) holds(p *check.Pass, x syntax.Expr) bool {
	if g.byForm == nil {
		g.byForm = make(map[uint64][]syntax.Expr, len(g.keys))
		for _, k := range g.keys {
			form := p.Form(k)
			g.byForm[form] = append(g.byForm[form], k)
		}
	}
	for _, k := range g.byForm[p.Form(x)] {
		if p.Same(k, x) {
			return true
		}
	}
	return false
}

// grouped reports whether an expression is worked out from keys alone, and so
// has one value a group. Aggregates, subqueries and volatile functions are not.
func (g *grouping) grouped(p *check.Pass, x syntax.Expr) bool {
	if g.holds(p, x) {
		return true
	}
	ok := true
	switch n := x.(type) {
	case *syntax.Name, *syntax.Star, *syntax.Subquery, *syntax.Exists, *syntax.Quantified, *syntax.BadExpr, *syntax.Param:
		_, param := n.(*syntax.Param)
		return param
	case *syntax.In:
		ok = n.Query == nil
	case *syntax.Call:
		ok = isPlainFunction(p, n)
	}
	syntax.Children(x, func(c syntax.Node) {
		switch c := c.(type) {
		case syntax.Expr:
			ok = ok && g.grouped(p, c)
		case *syntax.When:
			ok = ok && g.grouped(p, c.Cond) && g.grouped(p, c.Then)
		}
	})
	return ok
}
