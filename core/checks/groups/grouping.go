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
	// unclear tells that some key could not be told.
	unclear bool
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
			for _, item := range s.Items[:i] {
				_, star := item.X.(*syntax.Star)
				g.unclear = g.unclear || star
			}
			return
		}
	case *syntax.Name:
		u := p.Use(n)
		switch {
		case u.Status == bind.OutputAlias:
			g.keys = append(g.keys, u.Item.X)
		case u.Status == bind.Unclear || u.Status == bind.Assumed:
			// It may be a column, or an alias of the list.
			for _, item := range s.Items {
				if !item.Alias.IsZero() && item.Alias.Sym == n.Last().Sym {
					g.keys = append(g.keys, item.X)
				}
			}
		}
	case *syntax.BadExpr, *syntax.Param, *syntax.Subquery:
		g.unclear = true
	}
	g.keys = append(g.keys, x)
}

// holds reports whether an expression is one of the keys.
func (g *grouping) holds(p *check.Pass, x syntax.Expr) bool {
	for _, k := range g.keys {
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
