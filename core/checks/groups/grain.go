package groups

import (
	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
)

// isKnown reports whether the keys of a source are known, so that what they do not
// tell apart may repeat.
func isKnown(p *check.Pass, s *bind.Source) bool {
	if s.SchemaTable() != nil {
		return facts.HasKeys(s)
	}
	if s.Query == nil || !s.Complete {
		return false
	}
	if _, derived := s.Node.(*syntax.Derived); derived {
		return true
	}
	sel, ok := s.Query.Body.(*syntax.Select)
	if !ok {
		return false
	}
	sources := p.Scope(sel).Sources // a common table expression over one table
	return len(sources) == 1 && sources[0].SchemaTable() != nil && isKnown(p, sources[0])
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
