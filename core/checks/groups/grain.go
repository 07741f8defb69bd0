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

// tiesOf gives the ties of the sources of a query, as it lists them.
func tiesOf(p *check.Pass, sel *syntax.Select, sources []*bind.Source) []ties {
	all := make([]ties, len(sources))
	tie := func(x syntax.Expr) {
		b, ok := syntax.Unparen(x).(*syntax.Binary)
		equates := ok && b.Op == syntax.OpEqual
		if equates {
			left, ok := syntax.Unparen(b.X).(*syntax.Name)
			right, also := syntax.Unparen(b.Y).(*syntax.Name)
			equates = ok && also && p.Use(left).Source != p.Use(right).Source
		}
		syntax.Inspect(x, func(n syntax.Node) bool {
			if name, ok := n.(*syntax.Name); ok {
				if s := p.Use(name).Source; s != nil && s.Scope == p.Scope(sel) {
					t := &all[s.Index]
					t.equal, t.other = t.equal || equates, t.other || !equates
				}
			}
			return true
		})
	}
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, tie)
	}
	if sel.From != nil {
		syntax.Inspect(sel.From, func(n syntax.Node) bool {
			if j, ok := n.(*syntax.Join); ok {
				syntax.Conjuncts(j.On, tie)
				if len(j.Using) > 0 {
					for i, s := range sources {
						all[i].equal = all[i].equal || j.Right.Span().Contains(s.Node.Span())
					}
				}
			}
			_, query := n.(*syntax.Query)
			return !query
		})
	}
	return all
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
