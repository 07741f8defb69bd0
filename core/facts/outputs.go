package facts

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/syntax"
)

// SourceSet is a set of the first 64 sources of a scope, by [bind.Source.Index].
type SourceSet uint64

// Has reports whether a source is in the set.
func (s SourceSet) Has(source *bind.Source) bool { return source.Index < 64 && s>>source.Index&1 != 0 }

// HasAny reports whether one of some sources is in the set.
func (s SourceSet) HasAny(sources []*bind.Source) bool { return slices.ContainsFunc(sources, s.Has) }

// Of lists the sources of the set.
func (s SourceSet) Of(scope *bind.Scope) (list []*bind.Source) {
	for _, source := range scope.Sources {
		if s.Has(source) {
			list = append(list, source)
		}
	}
	return list
}

// SourcesIn gives the sources of a scope whose columns an expression names; ok is false
// where some name cannot be told or belongs to another query.
func (in *Facts) SourcesIn(scope *bind.Scope, x syntax.Expr) (s SourceSet, ok bool) {
	if n, plain := x.(*syntax.Name); plain {
		return in.sourceOf(scope, n)
	}
	ok = true
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Query:
			ok = false
		case *syntax.Name:
			one, known := in.sourceOf(scope, n)
			s, ok = s|one, ok && known
		}
		return ok
	})
	return s, ok
}

func (in *Facts) sourceOf(scope *bind.Scope, n *syntax.Name) (SourceSet, bool) {
	u := in.Use(n)
	if u.Status != bind.Resolved || u.Source.Scope != scope || u.Source.Index >= MaxSources {
		return 0, false
	}
	return 1 << u.Source.Index, true
}

// Origin gives the expression of the derived table or common table expression
// that a column comes from, nil if it comes from no single one.
func (in *Facts) Origin(n *syntax.Name) syntax.Expr {
	u := in.Use(n)
	if u.Status != bind.Resolved || u.Source.Query == nil {
		return nil
	}
	sel, ok := u.Source.Query.Body.(*syntax.Select)
	place := u.Source.Place(u.Column)
	if !ok || place < 0 {
		return nil
	}
	outputs, ok := in.outputs(sel)
	if !ok || place >= len(outputs) || outputs[place].Source != nil {
		return nil
	}
	return outputs[place].X
}

// Position reads a whole number that may stand for a column of the select list.
func (in *Facts) Position(n *syntax.Literal) (int, bool) {
	if n.Lit != syntax.NumberLiteral {
		return 0, false
	}
	value := 0
	for _, c := range in.Text(n) {
		if c < '0' || c > '9' || value > 100_000 {
			return 0, false
		}
		value = value*10 + int(c-'0')
	}
	return value, true
}

// outputs lists the output columns of a SELECT; ok is false where a star stands
// for columns that are not known.
func (in *Facts) outputs(sel *syntax.Select) (list []bind.Output, ok bool) {
	scope := in.Scope(sel)
	if scope == nil || !scope.Listed {
		return nil, false
	}
	return scope.Outputs, true
}

// farBranch is how many branches of a set operation are looked back.
const farBranch = 500

// Width counts the columns that a query's body gives; ok is false where a star
// stands for columns that are not known.
func (in *Facts) Width(b syntax.Body) (width int, ok bool) {
	switch b := b.(type) {
	case *syntax.Select:
		outputs, ok := in.outputs(b)
		return len(outputs), ok && len(outputs) > 0
	case *syntax.SetOp:
		// The first branch tells, unless that is too far to look.
		for range farBranch {
			left, ok := b.Left.(*syntax.SetOp)
			if !ok {
				return in.Width(b.Left)
			}
			b = left
		}
		return in.Width(b.Right)
	case *syntax.ParenQuery:
		return in.Width(b.Query.Body)
	case *syntax.Values:
		if len(b.Rows) > 0 {
			return len(b.Rows[0].Items), !slices.ContainsFunc(b.Rows[0].Items, syntax.IsSeveral)
		}
	}
	return 0, false
}
