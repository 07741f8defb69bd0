package bind

import (
	"strconv"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// Output is a column that a query gives out: an expression, or by a star a column of a
// source.
type Output struct {
	Sym   syntax.Sym // its name, 0 for what has none
	Place int32      // among the columns of Source, from 0
	// X is the expression; of a star's column that of the query behind its source, nil
	// where there is none.
	X      syntax.Expr
	Source *Source // of a star's column, nil for an expression
}

// query binds a query and gives its output columns, and whether they are all.
func (b *Binder) query(q *syntax.Query, outer *Scope, ctes *cteScope) ([]Output, bool) {
	ctes = b.with(q.With, outer, ctes)
	columns, complete := b.body(q.Body, outer, ctes)
	if q.Limit != nil && outer != nil {
		b.rowLimit(q.Limit, outer)
	} else if q.Limit != nil {
		b.rowLimit(q.Limit, b.limitScope(q, ctes))
	}
	if q.OrderBy != nil {
		scope := b.orderScope(q, outer, ctes)
		at := b.all(scope, inOrderBy)
		for _, item := range q.OrderBy.Items {
			b.expr(item.X, at)
		}
	}
	return columns, complete
}

// limitScope gives the scope of the row limit of an outermost query, which sees nothing.
func (b *Binder) limitScope(q *syntax.Query, ctes *cteScope) *Scope {
	s := b.scopes.Next()
	*s = Scope{Node: q, ctes: ctes, Index: -1, Sources: s.Sources[:0], Merged: s.Merged[:0], Joined: s.Joined[:0], Calls: s.Calls[:0], Bare: s.Bare[:0]}
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

func (b *Binder) body(n syntax.Body, outer *Scope, ctes *cteScope) ([]Output, bool) {
	switch n := n.(type) {
	case *syntax.Select:
		return b.selectBody(n, outer, ctes)
	case *syntax.SetOp:
		return b.setOperations(n, outer, ctes)
	case *syntax.ParenQuery:
		return b.query(n.Query, outer, ctes)
	case *syntax.Values:
		at := b.all(b.open(n, outer, ctes), inSelect)
		for _, row := range n.Rows {
			for _, x := range row.Items {
				b.expr(x, at)
			}
		}
		return b.valuesOutputs(n)
	}
	return nil, false
}

// setOperations binds a chain of set operations from the left, in a loop: it may be longer
// than the stack is deep.
func (b *Binder) setOperations(last *syntax.SetOp, outer *Scope, ctes *cteScope) ([]Output, bool) {
	from := len(b.spine)
	var first syntax.Body = last
	for op := last; op != nil; op, _ = first.(*syntax.SetOp) {
		b.spine = append(b.spine, op)
		first = op.Left
	}
	columns, complete := b.body(first, outer, ctes)
	columns = b.outputs.Copy(columns)
	for i := range columns {
		columns[i].X = nil // what a branch says of NULL does not hold for the whole
	}
	for len(b.spine) > from {
		op := b.spine[len(b.spine)-1].(*syntax.SetOp)
		b.spine = b.spine[:len(b.spine)-1]
		if ctes != nil && ctes.anchor == op {
			ctes.columns, ctes.complete = columns, complete && !ctes.extended
		}
		b.body(op.Right, outer, ctes)
	}
	return columns, complete
}

// valuesOutputs names the columns of VALUES as the database does, if it does.
func (b *Binder) valuesOutputs(n *syntax.Values) ([]Output, bool) {
	if len(n.Rows) == 0 {
		return nil, false
	}
	mark := b.outputs.Mark()
	for i := range n.Rows[0].Items {
		b.outputs.Push(Output{Sym: b.valueName(i)})
	}
	return b.outputs.Take(mark), true
}

// valueName gives the name of a column of VALUES, numbered from 0; 0 where the database
// gives it none.
func (b *Binder) valueName(i int) syntax.Sym {
	prefix, first := "", 0
	switch b.info.Dialect {
	case dialect.Postgres, dialect.SQLite, dialect.ANSI:
		prefix, first = "column", 1
	case dialect.MySQL:
		prefix = "column_"
	case dialect.Spark:
		prefix, first = "col", 1
	default:
		return 0
	}
	for len(b.valueNames) <= i {
		b.valueNames = append(b.valueNames, b.info.Names.Intern([]byte(prefix+strconv.Itoa(len(b.valueNames)+first))))
	}
	return b.valueNames[i]
}

func (b *Binder) selectBody(n *syntax.Select, outer *Scope, ctes *cteScope) ([]Output, bool) {
	s := b.open(n, outer, ctes)
	b.from(n.From, s)
	listed := b.all(s, inSelect)
	for _, x := range n.DistinctOn {
		b.expr(x, listed)
	}
	for _, item := range n.Items {
		b.expr(item.X, listed)
	}
	if n.Where != nil {
		b.expr(n.Where.Cond, b.all(s, inWhere))
	}
	if n.GroupBy != nil {
		at := b.all(s, inGroupBy)
		for _, x := range n.GroupBy.Items {
			b.expr(x, at)
		}
	}
	if n.Having != nil {
		b.expr(n.Having.Cond, b.all(s, inHaving))
	}
	for _, w := range n.Windows {
		b.visit(w, listed)
	}
	if n.Qualify != nil {
		b.expr(n.Qualify.Cond, b.all(s, inOrderBy))
	}
	s.Outputs, s.Listed = b.listOutputs(n, s)
	return s.Outputs, s.Listed
}

// mostListed bounds the columns of a select list that stars may give: no database lets more through
// but Spark. mostStarred bounds those of a statement, else stars upon stars would double them
// at each step. What stars would give beyond is not known.
const (
	mostListed  = schema.MostColumns
	mostStarred = 16 * mostListed
)

// listOutputs lists the output columns, stars expanded as far as known.
func (b *Binder) listOutputs(n *syntax.Select, s *Scope) ([]Output, bool) {
	mark, complete := b.outputs.Mark(), true
	b.starRoom = min(mostListed, mostStarred-b.starred)
	b.outputs.Grow(len(n.Items))
	for _, item := range n.Items {
		star, ok := item.X.(*syntax.Star)
		if f, isField := item.X.(*syntax.Field); isField && f.Star {
			complete = false // as many columns as the value has fields
			continue
		}
		complete = complete && !syntax.IsPut(item.X)
		if !ok {
			b.outputs.Push(Output{Sym: b.outputSym(item), X: item.X})
			continue
		}
		known := b.expand(star, s)
		complete = complete && known && item.Span() == star.Span() // no EXCEPT (…) behind it
	}
	return b.outputs.Take(mark), complete
}

// expand lists the columns that a star stands for, as far as they are known, and reports
// whether these are all.
func (b *Binder) expand(star *syntax.Star, s *Scope) bool {
	if len(star.Qualifier) == 0 {
		var listed map[syntax.Sym]bool
		if s.Natural || len(s.Merged) > 0 {
			listed = make(map[syntax.Sym]bool, len(s.Merged))
			for _, merged := range s.Merged {
				listed[merged] = false
			}
		}
		complete := listed == nil
		for _, src := range s.Sources {
			complete = b.columnsOf(src, s.Natural, listed) && complete
		}
		return complete
	}
	name := star.Qualifier[len(star.Qualifier)-1].Sym
	found, complete := false, len(s.Merged) == 0 && !s.Natural
	sources := s.Sources
	if first := s.Own(name); first != nil && len(s.Sources) > shortList { // no two are looked for in a long list
		sources = s.Sources[first.Index : first.Index+1]
	}
	for _, src := range sources {
		if src.Name.Sym == name {
			found, complete = true, b.columnsOf(src, false, nil) && complete
		}
	}
	if !found && s.Parent != nil { // a row of the query around
		if src, _ := s.Parent.source(name); src != nil {
			return b.columnsOf(src, false, nil)
		}
	}
	return found && complete
}

// columnsOf lists the columns of a source, but for those that a join has made one with a
// column listed before: all of one name if it ties by name, else those that are listed, with
// whether they have come. It reports whether these are all.
func (b *Binder) columnsOf(src *Source, byName bool, listed map[syntax.Sym]bool) bool {
	count := max(len(src.names), len(src.Columns))
	if count > b.starRoom {
		return false
	}
	b.starRoom -= count
	b.starred += count
	b.held += count
	push := func(o Output) {
		if listed != nil {
			came, merged := listed[o.Sym]
			if came {
				return
			}
			if merged || byName {
				listed[o.Sym] = true
			}
		}
		b.outputs.Push(o)
	}
	for i, name := range src.names {
		push(Output{Sym: name, Source: src, Place: int32(i)})
	}
	if src.names == nil {
		for i, c := range src.Columns {
			push(Output{Sym: c.Sym, X: c.X, Source: src, Place: int32(i)})
		}
	}
	return src.Complete
}

// outputSym gives the name of an output column: its alias, or that of the column or the
// field that it is; 0 for a computed column, which databases name as they like.
func (b *Binder) outputSym(item *syntax.SelectItem) syntax.Sym {
	if !item.Alias.IsZero() {
		return item.Alias.Sym
	}
	switch x := item.X.(type) {
	case *syntax.Name:
		return x.Last().Sym
	case *syntax.Field:
		if b.info.Dialect != dialect.SQLServer { // there it may be a method, whose value has no name
			return x.Name.Sym
		}
	}
	if b.info.Dialect == dialect.Postgres {
		sym, _ := b.ownName(item.X)
		return sym
	}
	return 0
}

// ownName gives the name by which PostgreSQL calls a computed column (PostgreSQL,
// "SELECT List": a function's name, or a name made up, ?column? for most), 0 for one
// made up and for one named after its type. A weak name gives way to that of a type.
func (b *Binder) ownName(x syntax.Expr) (name syntax.Sym, weak bool) {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Name:
		return n.Last().Sym, false
	case *syntax.Field:
		return n.Name.Sym, false
	case *syntax.Subscript:
		return b.ownName(n.X)
	case *syntax.Call:
		if name := n.Name[len(n.Name)-1].Sym; name != syntax.Sym(word.Trim) { // which is BTRIM, LTRIM or RTRIM
			return name, false
		}
	case *syntax.Collate:
		return b.ownName(n.X)
	case *syntax.Case:
		if n.Else != nil {
			if name, weak := b.ownName(n.Else); name != 0 && !weak {
				return name, false
			}
		}
		return syntax.Sym(word.Case), true
	case *syntax.Cast:
		if name, weak := b.ownName(n.X); !weak {
			return name, false
		}
	case *syntax.Exists:
		return syntax.Sym(word.Exists), false
	case *syntax.Array:
		return syntax.Sym(word.Array), false
	case *syntax.Row:
		return syntax.Sym(word.Row), false
	case *syntax.Subquery:
		if sel := n.Query.Select(); sel != nil && len(sel.Items) == 1 {
			if alias := sel.Items[0].Alias; !alias.IsZero() {
				return alias.Sym, false
			}
			return b.ownName(sel.Items[0].X)
		}
	}
	return 0, false
}
