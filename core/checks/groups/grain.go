package groups

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/syntax"
)

// aggregatesOf calls f for each aggregate over the rows of a SELECT, in its list,
// HAVING and ORDER BY.
func aggregatesOf(p *check.Pass, sel *syntax.Select, f func(*syntax.Call)) {
	for _, item := range sel.Items {
		p.EachAggregate(item, f)
	}
	if sel.Having != nil {
		p.EachAggregate(sel.Having, f)
	}
	if q := p.OwnQuery(sel); q != nil && q.OrderBy != nil {
		p.EachAggregate(q.OrderBy, f)
	}
}

// sourcesIn lists the sources of a scope whose columns an expression names; ok is
// false where some name cannot be told, or belongs to another query.
func sourcesIn(p *check.Pass, scope *bind.Scope, x syntax.Expr) (sources []*bind.Source, ok bool) {
	ok = true
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Query:
			ok = false
		case *syntax.Name:
			u := p.Use(n)
			if u.Status != bind.Resolved || u.Source.Scope != scope {
				ok = false
			} else if !slices.Contains(sources, u.Source) {
				sources = append(sources, u.Source)
			}
		}
		return ok
	})
	return sources, ok
}

// isKnown reports whether the keys of a source are known, so that what they do not
// tell apart may repeat.
func isKnown(s *bind.Source) bool {
	if t := s.SchemaTable(); t != nil {
		return !t.IsView && t.Complete && len(t.Keys) > 0
	}
	_, derived := s.Node.(*syntax.Derived)
	return derived && s.Complete
}

// ties tells how the conditions of a query bind a source to the others.
type ties struct {
	equal bool // a column of it equals one of another source
	other bool // something else is asked of it, which may pick one row of several
}

func tiesOf(p *check.Pass, sel *syntax.Select, s *bind.Source) (t ties) {
	look := func(x syntax.Expr) {
		switch names := sidesOf(p, x, s); names {
		case untied:
		case tied:
			t.equal = true
		case more:
			t.other = true
		}
	}
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, look)
	}
	if sel.From != nil {
		syntax.Inspect(sel.From, func(n syntax.Node) bool {
			if j, ok := n.(*syntax.Join); ok {
				syntax.Conjuncts(j.On, look)
				t.equal = t.equal || len(j.Using) > 0 && j.Right.Span().Contains(s.Node.Span())
			}
			_, query := n.(*syntax.Query)
			return !query
		})
	}
	return t
}

type tie uint8

const (
	untied tie = iota // the condition does not mention the source
	tied              // it equates a column of it with one of another
	more              // it says something else
)

func sidesOf(p *check.Pass, x syntax.Expr, s *bind.Source) tie {
	mentioned := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			mentioned = mentioned || p.Use(name).Source == s
		}
		return !mentioned
	})
	if !mentioned {
		return untied
	}
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual {
		return more
	}
	left, ok := syntax.Unparen(b.X).(*syntax.Name)
	right, also := syntax.Unparen(b.Y).(*syntax.Name)
	if !ok || !also || p.Use(left).Source == p.Use(right).Source {
		return more
	}
	return tied
}

// called gives the name of a source for a sentence: its table's, or its alias where
// the table stands in FROM twice or is none.
func called(p *check.Pass, s *bind.Source) string {
	t := s.SchemaTable()
	if t == nil {
		return p.Ident(s.Name)
	}
	for _, other := range s.Scope.Sources {
		if other != s && other.SchemaTable() == t {
			return p.Ident(s.Name)
		}
	}
	return t.Name
}

// keyColumn gives a column of a source that no row of its table lacks: that of a
// single primary key before others. It is written as the query would.
func keyColumn(p *check.Pass, s *bind.Source) string {
	t := s.SchemaTable()
	if t == nil || s.Name.IsZero() {
		return ""
	}
	found := -1
	for i := range t.Columns {
		if t.IsRequired(i, p.Dialect) && (found < 0 || t.Columns[i].Primary && !t.Columns[found].Primary) {
			found = i
		}
	}
	if found < 0 {
		return ""
	}
	return p.Ident(s.Name) + "." + p.Dialect.Name(t.Columns[found].Name, t.Columns[found].Quoted)
}

// plainKeys gives the keys of a plain GROUP BY; ok is false where some cannot be told.
func plainKeys(p *check.Pass, sel *syntax.Select) (keys []syntax.Expr, ok bool) {
	if sel.GroupBy == nil || len(sel.GroupBy.Items) == 0 {
		return nil, sel.GroupBy == nil
	}
	g := groupingOf(p, sel)
	if g.unclear || sel.GroupBy.Sets {
		return nil, false
	}
	for _, x := range sel.GroupBy.Items {
		if n, ok := syntax.Unparen(x).(*syntax.Name); ok {
			if st := p.Use(n).Status; st != bind.Resolved && st != bind.OutputAlias {
				return nil, false
			}
		}
	}
	return g.keys, true
}
