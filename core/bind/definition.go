package bind

import (
	"slices"

	"justlens/core/syntax"
)

// Definitions are the nodes of which a scope holds the one table that is defined, changed or
// indexed: what its keys, conditions and generated columns name are columns of it.
var Definitions = syntax.Kinds(syntax.KindCreateTable, syntax.KindAlterTable, syntax.KindCreateIndex)

func (b *Binder) createTable(n *syntax.CreateTable) {
	if n.Query != nil {
		b.query(n.Query, nil, nil)
	}
	if len(n.Name) == 0 || !slices.ContainsFunc(n.Columns, func(c *syntax.ColumnDef) bool { return asksRow(c.Constraints) }) && !asksRow(n.Constraints) {
		return
	}
	s, src := b.defined(n, n.Name)
	src.Complete = n.Query == nil && n.Like == nil && !n.Inherits && n.PartitionOf == nil && len(n.Columns) > 0 && !b.partial
	for _, c := range n.Columns {
		src.Complete = src.Complete && c.Name.Sym != 0 // which a template puts in
		src.add(Column{Sym: c.Name.Sym, Index: -1})
	}
	for _, c := range n.Columns {
		b.constraints(c.Constraints, s)
	}
	b.constraints(n.Constraints, s)
}

func (b *Binder) alterTable(n *syntax.AlterTable) {
	if len(n.Name) == 0 || !slices.ContainsFunc(n.Actions, func(a *syntax.AlterAction) bool {
		return a.Constraint != nil && isAsked(a.Constraint) || a.Column != nil && asksRow(a.Column.Constraints)
	}) {
		return
	}
	s, src := b.defined(n, n.Name)
	b.describeSource(src, n.Name)
	for _, a := range n.Actions {
		if a.Column != nil {
			src.add(Column{Sym: a.Column.Name.Sym, Index: -1})
		}
		if !a.To.IsZero() {
			src.add(Column{Sym: a.To.Sym, Index: -1})
		}
	}
	for _, a := range n.Actions {
		if a.Column != nil {
			b.constraints(a.Column.Constraints, s)
		}
		if a.Constraint != nil {
			b.constraints([]*syntax.Constraint{a.Constraint}, s)
		}
	}
}

// createIndex binds the expressions of an index; its bare columns are no expressions.
func (b *Binder) createIndex(n *syntax.CreateIndex) {
	if len(n.Table) == 0 || n.Where == nil && !slices.ContainsFunc(n.Items, isComputed) {
		return
	}
	s, src := b.defined(n, n.Table)
	b.describeSource(src, n.Table)
	for _, item := range n.Items {
		if isComputed(item) {
			b.expr(item.X, b.stand(s, visible{0, 1}, inWhere))
		}
	}
	if n.Where != nil {
		b.expr(n.Where.Cond, b.stand(s, visible{0, 1}, inWhere))
	}
}

func isComputed(item *syntax.OrderItem) bool {
	_, column := syntax.Unparen(item.X).(*syntax.Name)
	return !column
}

// defined opens the scope of a definition, whose one source is the table.
func (b *Binder) defined(n syntax.Node, name []syntax.Ident) (*Scope, *Source) {
	s, src := b.open(n, nil, nil), b.source(nil, name[len(name)-1])
	b.add(s, src, nil)
	return s, src
}

// mostDescribed bounds the tables whose columns are looked up anew for each change, else a text
// that adds one column after the other would look up all of them each time.
const mostDescribed = 128

// describeSource gives a source the columns that the schema knows of its table.
func (b *Binder) describeSource(src *Source, name []syntax.Ident) {
	if b.schema == nil {
		return
	}
	qualifier := ""
	if len(name) > 1 {
		qualifier = b.info.Names.String(name[len(name)-2].Sym)
	}
	if t := b.schema.Table(qualifier, b.info.Names.String(name[len(name)-1].Sym)); t != nil && len(t.Columns) <= mostDescribed {
		f := b.describe(t)
		src.table, src.Complete, src.names, src.Quoted = f.table, f.table.Complete && !b.partial, f.names, f.quoted
	}
}

// asksRow reports whether a constraint asks something of each row's columns.
func asksRow(list []*syntax.Constraint) bool { return slices.ContainsFunc(list, isAsked) }

func isAsked(c *syntax.Constraint) bool {
	return c.X != nil && (c.Type == syntax.CheckKey || c.Type == syntax.GeneratedAs)
}

func (b *Binder) constraints(list []*syntax.Constraint, s *Scope) {
	for _, c := range list {
		if isAsked(c) {
			b.expr(c.X, b.stand(s, visible{0, 1}, inWhere))
		}
	}
}
