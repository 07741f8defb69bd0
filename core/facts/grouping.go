package facts

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// Grouping is what a SELECT groups by.
type Grouping struct {
	// Keys are the grouped expressions, aliases and positions replaced by what they mean.
	// Where a name may be a column or an alias, both are there.
	Keys []syntax.Expr
	// Unclear tells that some key could not be told.
	Unclear bool

	in     *Facts
	byForm map[uint64][]syntax.Expr // of many keys, made when first asked for
	plain  int                      // items of the select list, from the first on, that are known to be no star
}

// fewKeys is how many keys are compared one by one.
const fewKeys = 16

// GroupingOf gives what a SELECT groups by.
func (in *Facts) GroupingOf(sel *syntax.Select) *Grouping {
	s := in.ofSelect(sel)
	if s == nil {
		return &Grouping{in: in}
	}
	if g := &s.grouping; !s.isGrouped {
		s.isGrouped = true
		*g = Grouping{in: in, Keys: g.Keys[:0]}
		if sel.GroupBy != nil {
			g.Unclear = sel.GroupBy.All
			for _, x := range sel.GroupBy.Items {
				g.add(sel, x)
			}
		}
	}
	return &s.grouping
}

// starBefore reports whether one of the first n items of the list is a star, so that
// positions count other columns.
func (g *Grouping) starBefore(sel *syntax.Select, n int) bool {
	for ; g.plain < n; g.plain++ {
		if _, star := sel.Items[g.plain].X.(*syntax.Star); star {
			return true
		}
	}
	return false
}

func (g *Grouping) add(sel *syntax.Select, x syntax.Expr) {
	in := g.in
	switch n := syntax.Unparen(x).(type) {
	case *syntax.GroupingSet:
		for _, item := range n.Items {
			g.add(sel, item)
		}
		return
	case *syntax.Row:
		for _, item := range n.Items {
			g.add(sel, item)
		}
		return
	case *syntax.Literal:
		if i, ok := in.Position(n); ok && g.starBefore(sel, min(i, len(sel.Items))) {
			g.Unclear = true // it counts the columns that the star stands for
			return
		}
		if item := in.ItemAt(sel, n); item != nil {
			g.Keys = append(g.Keys, item.X)
			return
		}
	case *syntax.Name:
		u := in.Use(n)
		switch {
		case u.Status == bind.OutputAlias:
			g.Keys = append(g.Keys, u.Item.X)
		case u.Status == bind.Unclear || u.Status == bind.Variable || u.Status == bind.Assumed:
			// It may be a column, or an alias of the list.
			if item := in.Scope(sel).Item(n.Last().Sym); item != nil {
				g.Keys = append(g.Keys, item.X)
			}
		}
	case *syntax.BadExpr, *syntax.Param, *syntax.Subquery:
		g.Unclear = true
	}
	g.Keys = append(g.Keys, x)
}

// Holds reports whether an expression is one of the keys.
func (g *Grouping) Holds(x syntax.Expr) bool {
	keys := g.Keys
	if len(keys) > fewKeys {
		if g.byForm == nil {
			g.byForm = make(map[uint64][]syntax.Expr, len(keys))
			for _, k := range keys {
				form := g.in.Form(k)
				g.byForm[form] = append(g.byForm[form], k)
			}
		}
		keys = g.byForm[g.in.Form(x)]
	}
	for _, k := range keys {
		if g.in.Same(k, x) {
			return true
		}
	}
	return false
}

// Grouped reports whether an expression is worked out from keys alone, and so
// has one value a group. Aggregates, subqueries and volatile functions are not.
func (g *Grouping) Grouped(x syntax.Expr) bool {
	if g.Holds(x) {
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
		ok = n.Over == nil && len(n.Name) == 1 && g.in.Function(n).Kind == dialect.Scalar
	}
	syntax.Children(x, func(c syntax.Node) {
		switch c := c.(type) {
		case syntax.Expr:
			ok = ok && g.Grouped(c)
		case *syntax.When:
			ok = ok && g.Grouped(c.Cond) && g.Grouped(c.Then)
		}
	})
	return ok
}

// ItemAt gives the item of the select list at the position that a literal is, counted
// from 1; nil if it is none. Not all databases read positions in GROUP BY, as
// [dialect.GroupByPosition] tells; those that do not refuse them or make one group.
func (in *Facts) ItemAt(sel *syntax.Select, n *syntax.Literal) *syntax.SelectItem {
	const far = 100 // no further is looked for what a template puts in
	if i, ok := in.Position(n); ok && i >= 1 && i <= len(sel.Items) && !slices.ContainsFunc(sel.Items[:min(i, far)], putsItem) {
		return sel.Items[i-1]
	}
	return nil
}

func putsItem(item *syntax.SelectItem) bool { return syntax.IsPut(item.X) }

// ReadsPositions reports whether a number in GROUP BY is a position: in the dialect, or, where
// nobody has said which database it is, in each that takes the text.
func ReadsPositions(d dialect.Dialect) bool {
	return d.Has(dialect.GroupByPosition) || d == dialect.ANSI
}

// KeyRead gives the expression that the database reads in a key of GROUP BY: a position
// counts only where it is one.
func (in *Facts) KeyRead(sel *syntax.Select, x syntax.Expr) syntax.Expr {
	_, literal := syntax.Unparen(x).(*syntax.Literal)
	if literal && !ReadsPositions(in.Dialect) {
		return x
	}
	return in.KeyMeant(sel, x)
}

// KeyMeant gives the expression that a key of GROUP BY or ORDER BY means by a position or
// alias.
func (in *Facts) KeyMeant(sel *syntax.Select, x syntax.Expr) syntax.Expr {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		if item := in.ItemAt(sel, n); item != nil {
			return item.X
		}
	case *syntax.Name:
		if u := in.Use(n); u.Status == bind.OutputAlias {
			return u.Item.X
		}
	}
	return x
}

// PlainKeys gives the keys of a plain GROUP BY; ok is false where some cannot be told.
func (in *Facts) PlainKeys(sel *syntax.Select) (keys []syntax.Expr, ok bool) {
	if sel.GroupBy == nil || len(sel.GroupBy.Items) == 0 {
		return nil, sel.GroupBy == nil
	}
	g := in.GroupingOf(sel)
	if g.Unclear || sel.GroupBy.Sets {
		return nil, false
	}
	for _, x := range sel.GroupBy.Items {
		if n, ok := syntax.Unparen(x).(*syntax.Name); ok {
			if st := in.Use(n).Status; st != bind.Resolved && st != bind.OutputAlias {
				return nil, false
			}
		}
	}
	return g.Keys, true
}

// mayTellApart reports whether a key may hold a key of a table, as far as can be seen at
// once.
func (in *Facts) mayTellApart(keys []syntax.Expr) bool {
	for _, k := range keys {
		n, ok := syntax.Unparen(k).(*syntax.Name)
		if !ok {
			continue
		}
		u := in.Use(n)
		if u.Column == nil {
			continue
		}
		t := u.Source.SchemaTable()
		if t == nil || u.Column.Index < 0 || t.IsKeyPart(u.Column.Index) {
			return true
		}
	}
	return false
}

// GroupsAreRows reports whether text and schema prove that each group of a plain GROUP BY
// is a single row, although the query has several.
func (in *Facts) GroupsAreRows(sel *syntax.Select) bool {
	s := in.ofSelect(sel)
	if s == nil || in.Schema == nil || sel.From == nil || len(in.Scope(sel).Sources) == 0 {
		return false
	}
	if !s.askedRows {
		s.askedRows = true
		keys, ok := in.PlainKeys(sel)
		s.rows = ok && in.mayTellApart(keys) && in.fixedBy(s, sel).mayReach(keys) && in.Given(sel, keys...).Rows() && !in.Given(sel).Rows()
	}
	return s.rows
}

// HasKey reports whether an expression is written among the keys of GROUP BY.
func (in *Facts) HasKey(g *syntax.GroupBy, x syntax.Expr) bool {
	return slices.ContainsFunc(g.Items, func(key syntax.Expr) bool { return in.Same(key, x) })
}
