package bind

import (
	"slices"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// Apart reports whether no two rows of a query agree in all of some output
// columns, numbered from 0, NULL taken for one value.
func (in *Info) Apart(q *syntax.Query, outputs ...int) bool {
	states := make([]state, 0, 8)
	for _, i := range outputs {
		for len(states) <= i {
			states = append(states, varies)
		}
		states[i] = same
	}
	defer in.ask()()
	return in.apart(q, states, 0)
}

// OneRow reports whether a query gives one row at most.
func (in *Info) OneRow(q *syntax.Query) bool {
	defer in.ask()()
	return in.apart(q, nil, 0)
}

// apart reports whether no two rows of a query agree in the outputs that states
// tells of.
func (in *Info) apart(q *syntax.Query, states []state, depth int) bool {
	if depth > maxDerivation || in.isTired() {
		return false
	}
	if q.Limit != nil && in.isOne(q.Limit) {
		return true
	}
	return in.bodyApart(q.Body, states, depth)
}

func (in *Info) isOne(l *syntax.Limit) bool {
	if l.Count == nil {
		return false
	}
	n, ok := syntax.Unparen(l.Count).(*syntax.Literal)
	return ok && !l.Loose && in.Text(n) == "1"
}

func (in *Info) bodyApart(body syntax.Body, states []state, depth int) bool {
	switch b := body.(type) {
	case *syntax.Select:
		return in.selectApart(b, states, depth)
	case *syntax.ParenQuery:
		return in.apart(b.Query, states, depth+1)
	case *syntax.Values:
		return len(b.Rows) == 1
	case *syntax.SetOp:
		if !b.All {
			if width := in.width(b); width > 0 && width <= len(states) && !slices.Contains(states[:width], varies) {
				return true
			}
		}
		switch b.Op {
		case syntax.Intersect:
			return in.bodyApart(b.Left, states, depth+1) || in.bodyApart(b.Right, states, depth+1)
		case syntax.Except:
			return in.bodyApart(b.Left, states, depth+1)
		}
	}
	return false
}

// width counts the outputs of a query's body, 0 where they are not known.
func (in *Info) width(body syntax.Body) int {
	switch b := body.(type) {
	case *syntax.Select:
		outputs, _ := in.outputs(b)
		return len(outputs)
	case *syntax.SetOp:
		return in.width(b.Left)
	case *syntax.ParenQuery:
		return in.width(b.Query.Body)
	}
	return 0
}

// position is an output column: an expression, or by a star a column of a source.
type position struct {
	x      syntax.Expr
	source *Source
	place  int
}

// outputs lists the output columns of a SELECT; ok is false where a star stands
// for columns that are not known.
func (in *Info) outputs(sel *syntax.Select) (list []position, ok bool) {
	scope := in.Scope(sel)
	if scope == nil {
		return nil, false
	}
	for _, item := range sel.Items {
		star, isStar := item.X.(*syntax.Star)
		if f, isField := item.X.(*syntax.Field); isField && f.Star {
			return nil, false
		}
		if !isStar {
			list = append(list, position{x: item.X})
			continue
		}
		if len(scope.Merged) > 0 || scope.Natural || item.Span() != star.Span() {
			return nil, false
		}
		for _, s := range scope.Sources {
			if len(star.Qualifier) > 0 && star.Qualifier[len(star.Qualifier)-1].Sym != s.Name.Sym {
				continue
			}
			if !s.Complete {
				return nil, false
			}
			for i := range s.width() {
				list = append(list, position{source: s, place: i})
			}
		}
	}
	return list, true
}

func (in *Info) selectApart(sel *syntax.Select, states []state, depth int) bool {
	if sel.Top != nil && in.isOne(sel.Top) {
		return true
	}
	outputs, ok := in.outputs(sel)
	if !ok {
		return false
	}
	at := func(i int) state {
		if i < len(states) {
			return states[i]
		}
		return varies
	}
	if sel.Distinct && len(sel.DistinctOn) == 0 && len(states) >= len(outputs) && !slices.Contains(states[:len(outputs)], varies) {
		return true
	}
	for _, o := range outputs {
		if o.x != nil && in.mayRepeat(o.x) {
			return false
		}
	}
	f := in.fixed(sel, depth)
	for i, o := range outputs {
		switch {
		case at(i) == varies:
		case o.x != nil:
			f.give(o.x, at(i))
		default:
			f.mark(o.source.index, o.place, at(i))
		}
	}
	f.settle()
	if len(sel.DistinctOn) > 0 && !slices.ContainsFunc(sel.DistinctOn, func(x syntax.Expr) bool { return !f.Value(x) }) {
		return true
	}
	if sel.GroupBy != nil {
		return !sel.GroupBy.Sets && !sel.GroupBy.All &&
			!slices.ContainsFunc(sel.GroupBy.Items, func(x syntax.Expr) bool { return !f.groupKey(x) })
	}
	if in.Aggregates(sel) {
		return true
	}
	for i, o := range outputs {
		if at(i) > varies && o.x != nil && in.numbersRows(o.x, f) {
			return true
		}
	}
	return f.Rows()
}

// groupKey reports whether a key of GROUP BY, or what its position names, is fixed.
func (f *Fixed) groupKey(x syntax.Expr) bool {
	meant := f.in.KeyMeant(f.sel, x)
	if n, ok := syntax.Unparen(x).(*syntax.Literal); ok && n.Lit == syntax.NumberLiteral && meant == x {
		return false // a number that is no position
	}
	return f.Value(meant)
}

// numbersRows reports whether an output is ROW_NUMBER() over a partition that is
// fixed: then it tells the rows apart.
func (in *Info) numbersRows(x syntax.Expr, f *Fixed) bool {
	c, ok := syntax.Unparen(x).(*syntax.Call)
	return ok && c.Over != nil && c.Over.Name.IsZero() && c.Over.Base.IsZero() && in.FunctionName(c) == "row_number" &&
		!slices.ContainsFunc(c.Over.Partition, func(x syntax.Expr) bool { return !f.Value(x) })
}

// mayRepeat reports whether an output may give several rows for one, as functions
// that return sets do.
func (in *Info) mayRepeat(x syntax.Expr) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.Call); ok && dialect.Function(in.FunctionName(c)) == dialect.UnknownFunction {
			found = true
		}
		_, query := n.(*syntax.Query)
		return !query && !found
	})
	return found
}

// Aggregates reports whether the select list or HAVING of a SELECT aggregates its
// rows; an aggregate over columns of a query around it is not its own.
func (in *Info) Aggregates(sel *syntax.Select) bool {
	found := false
	look := func(c *syntax.Call) { found = found || in.ownAggregate(c, in.Scope(sel)) }
	for _, item := range sel.Items {
		in.EachAggregate(item.X, look)
	}
	if sel.Having != nil {
		in.EachAggregate(sel.Having.Cond, look)
	}
	return found
}

func (in *Info) ownAggregate(c *syntax.Call, scope *Scope) bool {
	names, own := 0, false
	syntax.Inspect(c, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			names++
			u := in.Use(name)
			own = own || u.Scope == scope && !u.Outer
		}
		return true
	})
	return own || names == 0
}
