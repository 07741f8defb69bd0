package bind

import (
	"strconv"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
)

// output is a column that a query gives out.
type output struct {
	sym syntax.Sym
	x   syntax.Expr
}

// query binds a query and gives its output columns, and whether they are all.
func (b *Binder) query(q *syntax.Query, outer *Scope, ctes *cteScope) ([]output, bool) {
	ctes = b.with(q.With, outer, ctes)
	columns, complete := b.body(q.Body, outer, ctes)
	if q.Limit != nil && outer != nil {
		b.rowLimit(q.Limit, outer)
	} else if q.Limit != nil {
		b.rowLimit(q.Limit, b.limitScope(q, ctes))
	}
	if q.OrderBy != nil {
		scope := b.orderScope(q, outer, ctes)
		for _, item := range q.OrderBy.Items {
			b.expr(item.X, scope, inOrderBy)
		}
	}
	return columns, complete
}

// limitScope gives the scope of the row limit of an outermost query, which sees nothing.
func (b *Binder) limitScope(q *syntax.Query, ctes *cteScope) *Scope {
	s := b.scopes.Next()
	*s = Scope{Node: q, ctes: ctes, Sources: s.Sources[:0], Merged: s.Merged[:0]}
	return s
}

// orderScope gives what ORDER BY sees: the scope of the SELECT, or, after a
// set operation, a scope whose names are not looked up.
func (b *Binder) orderScope(q *syntax.Query, outer *Scope, ctes *cteScope) *Scope {
	if s, ok := q.Body.(*syntax.Select); ok {
		return b.info.Scope(s)
	}
	return b.unclear(q, outer, ctes)
}

func (b *Binder) body(n syntax.Body, outer *Scope, ctes *cteScope) ([]output, bool) {
	switch n := n.(type) {
	case *syntax.Select:
		return b.selectBody(n, outer, ctes)
	case *syntax.SetOp:
		columns, complete := b.body(n.Left, outer, ctes)
		b.body(n.Right, outer, ctes)
		for i := range columns {
			columns[i].x = nil // what a branch says of NULL does not hold for the whole
		}
		return columns, complete
	case *syntax.ParenQuery:
		return b.query(n.Query, outer, ctes)
	case *syntax.Values:
		scope := b.open(n, outer, ctes)
		for _, row := range n.Rows {
			for _, x := range row.Items {
				b.expr(x, scope, inSelect)
			}
		}
		return b.valuesOutputs(n)
	}
	return nil, false
}

// valuesOutputs names the columns of VALUES as the database does, if it does.
func (b *Binder) valuesOutputs(n *syntax.Values) ([]output, bool) {
	if len(n.Rows) == 0 {
		return nil, false
	}
	mark := len(b.stack)
	for i := range n.Rows[0].Items {
		o := output{}
		switch b.info.Dialect {
		case dialect.Postgres, dialect.SQLite, dialect.ANSI:
			o.sym = b.info.Names.Intern([]byte("column" + strconv.Itoa(i+1)))
		case dialect.MySQL:
			o.sym = b.info.Names.Intern([]byte("column_" + strconv.Itoa(i)))
		}
		b.stack = append(b.stack, o)
	}
	return b.take(mark), true
}

func (b *Binder) selectBody(n *syntax.Select, outer *Scope, ctes *cteScope) ([]output, bool) {
	s := b.open(n, outer, ctes)
	b.from(n.From, s)
	for _, x := range n.DistinctOn {
		b.expr(x, s, inSelect)
	}
	for _, item := range n.Items {
		b.expr(item.X, s, inSelect)
	}
	if n.Where != nil {
		b.expr(n.Where.Cond, s, inWhere)
	}
	if n.GroupBy != nil {
		for _, x := range n.GroupBy.Items {
			b.expr(x, s, inGroupBy)
		}
	}
	if n.Having != nil {
		b.expr(n.Having.Cond, s, inHaving)
	}
	for _, w := range n.Windows {
		b.visit(w, s, visible{0, 1 << 30}, inSelect)
	}
	if n.Qualify != nil {
		b.expr(n.Qualify.Cond, s, inOrderBy)
	}
	return b.listOutputs(n, s)
}

// take gives the outputs that were pushed since mark.
func (b *Binder) take(mark int) []output {
	columns := b.outputs.Copy(b.stack[mark:])
	b.stack = b.stack[:mark]
	return columns
}

// listOutputs lists the output columns, stars expanded as far as known.
func (b *Binder) listOutputs(n *syntax.Select, s *Scope) ([]output, bool) {
	mark, complete := len(b.stack), true
	for _, item := range n.Items {
		star, ok := item.X.(*syntax.Star)
		if f, isField := item.X.(*syntax.Field); isField && f.Star {
			complete = false // as many columns as the value has fields
			continue
		}
		if !ok {
			b.stack = append(b.stack, output{b.outputSym(item), item.X})
			continue
		}
		complete = complete && item.Span() == star.Span() // no EXCEPT (…) behind it
		for _, src := range s.Sources {
			if len(star.Qualifier) > 0 && star.Qualifier[len(star.Qualifier)-1].Sym != src.Name.Sym {
				continue
			}
			complete = complete && src.Complete && len(s.Merged) == 0 && !s.Natural
			for _, name := range src.names {
				b.stack = append(b.stack, output{sym: name})
			}
			if src.names == nil {
				for _, c := range src.Columns {
					b.stack = append(b.stack, output{sym: c.Sym, x: c.X})
				}
			}
		}
	}
	return b.take(mark), complete
}

// outputSym gives the name of an output column: its alias or its column's name; 0
// for a computed column, which databases name as they like.
func (b *Binder) outputSym(item *syntax.SelectItem) syntax.Sym {
	if !item.Alias.IsZero() {
		return item.Alias.Sym
	}
	if n, ok := item.X.(*syntax.Name); ok {
		return n.Last().Sym
	}
	if b.info.Dialect == dialect.Postgres {
		return b.ownName(item.X)
	}
	return 0
}

// ownName gives the name by which PostgreSQL calls a computed column (PostgreSQL,
// "SELECT List": a function's name, or a name made up, ?column? for most), 0 for one
// made up.
func (b *Binder) ownName(x syntax.Expr) syntax.Sym {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Name:
		return n.Last().Sym
	case *syntax.Call:
		return n.Name[len(n.Name)-1].Sym
	case *syntax.Collate:
		return b.ownName(n.X)
	case *syntax.Case:
		if n.Else != nil {
			if sym := b.ownName(n.Else); sym != 0 {
				return sym
			}
		}
		return syntax.Sym(word.Case)
	case *syntax.Cast:
		if sym := b.ownName(n.X); sym != 0 {
			return sym
		}
	case *syntax.Exists:
		return syntax.Sym(word.Exists)
	}
	return 0
}
