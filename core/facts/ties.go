package facts

import (
	"math/bits"

	"justlens/core/bind"
	"justlens/core/reason"
	"justlens/core/syntax"
)

// NamedIn gives the sources of a scope whose columns stand anywhere in a node, queries inside
// it included; ok is false where some name may be a column of the scope and cannot be told,
// the scope has more sources than a set holds, or the node is very large.
func (in *Facts) NamedIn(scope *bind.Scope, n syntax.Node) (s SourceSet, ok bool) {
	ok = len(scope.Sources) <= 64
	seen := 0
	syntax.Inspect(n, func(n syntax.Node) bool {
		if seen++; seen > largeNode {
			ok = false
		}
		switch n := n.(type) {
		case *syntax.OuterMark, *syntax.BadExpr, *syntax.BadTable, *syntax.BadBody:
			ok = ok && n.Kind() == syntax.KindOuterMark
		case *syntax.Star:
			if len(n.Qualifier) == 0 {
				break
			}
			for _, source := range scope.Sources {
				if source.Name.Sym == n.Qualifier[len(n.Qualifier)-1].Sym {
					s |= 1 << source.Index
				}
			}
		case *syntax.Name:
			u := in.Use(n)
			switch {
			case u.Source != nil:
				if u.Source.Scope == scope && u.Source.Index < 64 {
					s |= 1 << u.Source.Index
				}
			case u.Status == bind.Builtin:
				for _, source := range scope.Sources { // a whole row
					if source.Name.Sym == n.Last().Sym {
						s |= 1 << source.Index
					}
				}
			case u.Status != bind.Unbound && u.Status != bind.Variable && u.Status != bind.OutputAlias:
				ok = false
			}
		}
		return ok
	})
	return s, ok
}

// largeNode is how much of a node is looked through for names.
const largeNode = 2000

// Tied gives the groups of sources of a scope that its conditions tie together, each source in
// one of them; ok is false where they cannot be told. A condition ties all sources that it
// names, alone or in a query inside it, and so do USING, an explicit CROSS JOIN, a source that
// looks at others, and equalities with one and the same value.
func (in *Facts) Tied(scope *bind.Scope) (groups []SourceSet, ok bool) {
	if len(scope.Sources) > MaxSources {
		return nil, false
	}
	t := in.untied(scope)
	switch n := scope.Node.(type) {
	case *syntax.Select:
		t.from(n.From)
		t.where(n.Where)
		if n.Qualify != nil {
			t.condition(n.Qualify.Cond)
		}
	case *syntax.Update:
		t.table(n.Table)
		t.from(n.From)
		t.where(n.Where)
	case *syntax.Delete:
		t.from(n.From)
		t.from(n.Using)
		t.where(n.Where)
	default:
		return nil, false
	}
	return t.groups, t.ok && !scope.Natural && !scope.Marked
}

// TiedBy is Tied by the joins of FROM and one condition in the place of WHERE.
func (in *Facts) TiedBy(sel *syntax.Select, cond syntax.Expr) (groups []SourceSet, ok bool) {
	scope := in.Scope(sel)
	if len(scope.Sources) > MaxSources {
		return nil, false
	}
	t := in.untied(scope)
	t.from(sel.From)
	t.condition(cond)
	return t.groups, t.ok && !scope.Natural && !scope.Marked
}

type ties struct {
	in     *Facts
	scope  *bind.Scope
	groups []SourceSet
	values []valued
	ok     bool
}

// valued is a source of which a column equals a value.
type valued struct {
	form   uint64
	source SourceSet
}

// untied gives each source of a scope a group of its own.
func (in *Facts) untied(scope *bind.Scope) ties {
	t := ties{in: in, scope: scope, ok: true}
	for _, s := range scope.Sources {
		t.groups = append(t.groups, 1<<s.Index)
	}
	return t
}

func (t *ties) from(f *syntax.From) {
	if f != nil {
		for _, table := range f.Tables {
			t.table(table)
		}
	}
}

func (t *ties) where(w *syntax.Where) {
	if w != nil {
		t.condition(w.Cond)
	}
}

func (t *ties) table(x syntax.TableExpr) {
	switch n := x.(type) {
	case *syntax.ParenTable:
		t.table(n.Table)
	case *syntax.Join:
		t.table(n.Left)
		t.table(n.Right)
		if n.On != nil {
			t.condition(n.On)
		}
		if len(n.Using) > 0 || n.Natural || n.Type == syntax.CrossJoin || n.On != nil && reason.Constant(t.in.Info, n.On) == reason.True {
			t.tie(t.beneath(n))
		}
	case *syntax.Derived, *syntax.FuncTable:
		if source := t.in.SourceAt(x); source != nil && source.Index < 64 {
			t.named(x, 1<<source.Index)
		}
	}
}

// beneath gives the sources that a part of FROM is made of.
func (t *ties) beneath(x syntax.TableExpr) (s SourceSet) {
	for _, source := range t.scope.Sources {
		if x.Span().Contains(source.Node.Span()) {
			s |= 1 << source.Index
		}
	}
	return s
}

func (t *ties) condition(cond syntax.Expr) {
	syntax.Conjuncts(cond, func(c syntax.Expr) {
		t.named(c, 0)
		b, ok := syntax.Unparen(c).(*syntax.Binary)
		if !ok || b.Op != syntax.OpEqual {
			return
		}
		for _, side := range [...][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
			s, known := t.in.SourcesIn(t.scope, side[0])
			if other, _ := t.in.NamedIn(t.scope, side[1]); !known || other != 0 || bits.OnesCount64(uint64(s)) != 1 {
				continue
			}
			form := t.in.Form(side[1])
			for _, v := range t.values {
				if v.form == form {
					t.tie(v.source | s)
				}
			}
			if len(t.values) < LongChain {
				t.values = append(t.values, valued{form, s})
			}
		}
	})
}

// named ties the sources that a node names, and others.
func (t *ties) named(n syntax.Node, others SourceSet) {
	s, ok := t.in.NamedIn(t.scope, n)
	t.ok = t.ok && ok
	t.tie(s | others)
}

// tie makes one group of all that hold some of the sources.
func (t *ties) tie(s SourceSet) {
	if bits.OnesCount64(uint64(s)) < 2 {
		return
	}
	kept := t.groups[:0]
	for _, g := range t.groups {
		if g&s != 0 {
			s |= g
		} else {
			kept = append(kept, g)
		}
	}
	t.groups = append(kept, s)
}

// Rejects reports whether a condition is not true where all columns of a source are NULL.
func (in *Facts) Rejects(cond syntax.Expr, s *bind.Source) bool {
	return in.rejects(cond, func(n *syntax.Name) bool {
		u := in.Use(n)
		return u.Source == s && !in.isCoalesced(n, u)
	})
}

// ForeignKey writes the two columns, qualified, by which the only foreign key of one column ties a
// child to a parent; empty where there is none, or several.
func (in *Facts) ForeignKey(child, parent *bind.Source) (from, to string) {
	a, b := child.SchemaTable(), parent.SchemaTable()
	if a == nil || b == nil || a == b {
		return "", ""
	}
	for i := range a.Foreign {
		k := &a.Foreign[i]
		if len(k.Columns) != 1 || in.Schema.Table(k.Qualifier, k.Table) != b {
			continue
		}
		column := ""
		if len(k.References) == 1 {
			column = k.References[0]
		} else if key := b.PrimaryKey(); len(key) == 1 {
			column = b.Columns[key[0]].Name
		}
		if column == "" || from != "" {
			return "", ""
		}
		from = in.Ident(child.Name) + "." + in.Dialect.Name(a.Columns[k.Columns[0]].Name, false)
		to = in.Ident(parent.Name) + "." + in.Dialect.Name(column, false)
	}
	return from, to
}
