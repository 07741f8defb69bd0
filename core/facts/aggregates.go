package facts

import (
	"justlens/core/bind"
	"justlens/core/syntax"
)

// Aggregate is an aggregate over the rows of a SELECT.
type Aggregate struct {
	Call   *syntax.Call
	Clause AggregateClause
}

// AggregateClause is where an aggregate stands.
type AggregateClause uint8

const (
	InList AggregateClause = iota
	InHaving
	InOrderBy
)

// AggregatesOf lists the aggregates in the list, HAVING and ORDER BY of a SELECT, not
// those of queries inside it or of other aggregates' arguments.
func (in *Facts) AggregatesOf(sel *syntax.Select) []Aggregate {
	s := in.ofSelect(sel)
	if s == nil {
		return nil
	}
	if !s.aggregated {
		s.aggregated = true
		in.findAggregates(sel, s)
	}
	return s.aggregates
}

func (in *Facts) findAggregates(sel *syntax.Select, s *selectFacts) {
	calls := in.Scope(sel).Calls
	if len(calls) == 0 || len(sel.Items) == 0 {
		return
	}
	list := sel.Items[0].Span().Join(sel.Items[len(sel.Items)-1].Span())
	var order *syntax.OrderBy
	if q := in.OwnQuery(sel); q != nil {
		order = q.OrderBy
	}
	for _, c := range calls {
		if !in.IsAggregate(c) {
			continue
		}
		a := Aggregate{Call: c}
		switch at := c.Span(); {
		case list.Contains(at):
		case sel.Having != nil && sel.Having.Span().Contains(at):
			a.Clause = InHaving
		case order != nil && order.Span().Contains(at):
			a.Clause = InOrderBy
		default:
			continue
		}
		// A call comes before those among its arguments.
		if n := len(s.aggregates); n > 0 && s.aggregates[n-1].Call.Span().Contains(c.Span()) {
			continue
		}
		s.aggregates = append(s.aggregates, a)
	}
}

// FirstAggregate gives the first aggregate in the list or HAVING of a SELECT, nil if
// there is none.
func (in *Facts) FirstAggregate(sel *syntax.Select) *syntax.Call {
	for _, a := range in.AggregatesOf(sel) {
		if a.Clause != InOrderBy {
			return a.Call
		}
	}
	return nil
}

// Aggregates reports whether the select list or HAVING of a SELECT aggregates its
// rows; an aggregate over columns of a query around it is not its own.
func (in *Facts) Aggregates(sel *syntax.Select) bool {
	for _, a := range in.AggregatesOf(sel) {
		if a.Clause != InOrderBy && in.ownAggregate(a.Call, in.Scope(sel)) {
			return true
		}
	}
	return false
}

// EachAggregate calls f for each aggregate in an expression or clause, not for those
// of queries inside it or of other aggregates' arguments.
func (in *Facts) EachAggregate(n syntax.Node, f func(*syntax.Call)) {
	syntax.Inspect(n, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.Call); ok && in.IsAggregate(c) {
			f(c)
			return false
		}
		return n.Kind() != syntax.KindQuery
	})
}

// AggregateIn gives the first aggregate in an expression or clause, nil if there is none.
func (in *Facts) AggregateIn(n syntax.Node) (found *syntax.Call) {
	syntax.Inspect(n, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.Call); ok && found == nil && in.IsAggregate(c) {
			found = c
		}
		return found == nil && n.Kind() != syntax.KindQuery
	})
	return found
}

// AggregateAround gives the aggregate among whose arguments an expression stands, nil
// if there is none in the same query.
func (in *Facts) AggregateAround(n syntax.Node) *syntax.Call {
	around, _ := in.Enclosing(n, syntax.Kinds(syntax.KindCall))
	for around != nil {
		if c := around.(*syntax.Call); in.IsAggregate(c) {
			return c
		}
		around, _ = in.Enclosing(around, syntax.Kinds(syntax.KindCall))
	}
	return nil
}

func (in *Facts) ownAggregate(c *syntax.Call, scope *bind.Scope) bool {
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
