package facts

import (
	"slices"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// Apart reports whether no two rows of a query agree in all of some output
// columns, numbered from 0, NULL taken for one value.
func (in *Facts) Apart(q *syntax.Query, outputs ...int) bool {
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
func (in *Facts) OneRow(q *syntax.Query) bool {
	defer in.ask()()
	return in.apart(q, nil, 0)
}

// MayBeOneRow reports whether a query gives one row at most unless a function that it calls
// returns a set: of one that no table knows, that is not to be expected.
func (in *Facts) MayBeOneRow(q *syntax.Query) bool {
	sel := q.Select()
	return sel != nil && sel.GroupBy == nil && in.Aggregates(sel) || in.OneRow(q)
}

// apart reports whether no two rows of a query agree in the outputs that states
// tells of.
func (in *Facts) apart(q *syntax.Query, states []state, depth int) bool {
	if depth > maxDerivation || in.isTired() {
		return false
	}
	if q.Limit != nil && in.isOne(q.Limit) {
		return true
	}
	return in.bodyApart(q.Body, states, depth)
}

func (in *Facts) isOne(l *syntax.Limit) bool {
	if l.Count == nil {
		return l.One && !l.Loose
	}
	n, ok := syntax.Unparen(l.Count).(*syntax.Literal)
	return ok && !l.Loose && in.Text(n) == "1"
}

func (in *Facts) bodyApart(body syntax.Body, states []state, depth int) bool {
	switch b := body.(type) {
	case *syntax.Select:
		return in.selectApart(b, states, depth)
	case *syntax.ParenQuery:
		return in.apart(b.Query, states, depth+1)
	case *syntax.Values:
		return len(b.Rows) == 1
	case *syntax.SetOp:
		if !b.All {
			if width, _ := in.Width(b); width > 0 && width <= len(states) && !slices.Contains(states[:width], varies) {
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

func (in *Facts) selectApart(sel *syntax.Select, states []state, depth int) bool {
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
		if o.Source == nil && in.mayRepeat(o.X) {
			return false
		}
	}
	f := in.fixed(sel, depth)
	for i, o := range outputs {
		switch {
		case at(i) == varies:
		case o.Source == nil:
			f.give(o.X, at(i))
		default:
			f.mark(o.Source.Index, int(o.Place), at(i))
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
		if at(i) > varies && o.Source == nil && in.numbersRows(o.X, f) {
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
func (in *Facts) numbersRows(x syntax.Expr, f *Fixed) bool {
	c, ok := syntax.Unparen(x).(*syntax.Call)
	return ok && c.Over != nil && c.Over.Name.IsZero() && c.Over.Base.IsZero() && in.FunctionName(c) == "row_number" &&
		!slices.ContainsFunc(c.Over.Partition, func(x syntax.Expr) bool { return !f.Value(x) })
}

// mayRepeat reports whether an output may give several rows for one, as functions
// that return sets do.
func (in *Facts) mayRepeat(x syntax.Expr) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.Call); ok {
			switch dialect.Function(in.FunctionName(c)) {
			case dialect.UnknownFunction:
				found = true
			case dialect.Aggregate:
				return false // which takes no sets
			}
		}
		_, query := n.(*syntax.Query)
		return !query && !found
	})
	return found
}

// RowsApart reports whether no two rows of a branch of a set operation, or of a query's body, agree
// in all their columns.
func (in *Facts) RowsApart(body syntax.Body) bool {
	width, ok := in.Width(body)
	if !ok {
		return false
	}
	states := make([]state, width)
	for i := range states {
		states[i] = same
	}
	defer in.ask()()
	return in.bodyApart(body, states, 0)
}
