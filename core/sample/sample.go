package sample

import (
	"math/rand/v2"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// Options say what rows to make.
type Options struct {
	Seed uint64
	// Rows is the greatest number of rows of a table; 8 if it is 0.
	Rows    int
	Dialect dialect.Dialect
	// Constants are values that a query holds against columns.
	Constants []Constant
}

// Constant is a value that a query holds against a column.
type Constant struct {
	Table  *schema.Table
	Column int
	Text   string
}

// Rows are the rows of one table, each with a value for every column.
type Rows struct {
	Table *schema.Table
	Rows  [][]Value
}

// Insert writes the rows as one statement, "" where there are none. Columns that
// the database works out are left to it.
func (r Rows) Insert(d dialect.Dialect) string {
	if len(r.Rows) == 0 {
		return ""
	}
	var b strings.Builder
	b.WriteString("INSERT INTO ")
	if r.Table.Qualifier != "" {
		b.WriteString(d.Name(r.Table.Qualifier, r.Table.Quoted) + ".")
	}
	b.WriteString(d.Name(r.Table.Name, r.Table.Quoted) + " (")
	var columns []int
	for i, c := range r.Table.Columns {
		if c.Generated != "" {
			continue
		}
		if len(columns) > 0 {
			b.WriteString(", ")
		}
		columns = append(columns, i)
		b.WriteString(d.Name(c.Name, c.Quoted))
	}
	b.WriteString(") VALUES ")
	for i, row := range r.Rows {
		if i > 0 {
			b.WriteString(", ")
		}
		for k, c := range columns {
			if k == 0 {
				b.WriteString("(")
			} else {
				b.WriteString(", ")
			}
			b.WriteString(row[c].Literal(d))
		}
		b.WriteString(")")
	}
	return b.String()
}

// ConstantsOf lists the constants that a statement holds against columns of tables.
func ConstantsOf(in *bind.Info, n syntax.Node) []Constant {
	var list []Constant
	note := func(x syntax.Expr, others ...syntax.Expr) {
		name, ok := syntax.Unparen(x).(*syntax.Name)
		if !ok {
			return
		}
		u := in.Use(name)
		if u.Status != bind.Resolved || u.Source.SchemaTable() == nil || u.Column.Index < 0 {
			return
		}
		c := condition{src: in.Src}
		for _, o := range others {
			if _, isName := syntax.Unparen(o).(*syntax.Name); isName {
				continue
			}
			if v := c.value(o, nil); v.Set {
				list = append(list, Constant{u.Source.SchemaTable(), u.Column.Index, v.Text})
			}
		}
	}
	syntax.Inspect(n, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Binary:
			if n.Op.IsComparison() {
				note(n.X, n.Y)
				note(n.Y, n.X)
			}
		case *syntax.Between:
			note(n.X, n.Low, n.High)
		case *syntax.In:
			note(n.X, n.List...)
		case *syntax.Like:
			note(n.X, n.Pattern)
		}
		return true
	})
	return list
}

// Tables makes rows for tables, parents before their children. The same options
// give the same rows. A table that a row cannot be made for stays empty.
func Tables(s *schema.Schema, tables []*schema.Table, o Options) []Rows {
	if o.Rows == 0 {
		o.Rows = 8
	}
	g := &generator{schema: s, options: o, random: rand.New(rand.NewPCG(o.Seed, 0x6c656e73)), made: map[*schema.Table]*Rows{}}
	for _, t := range tables {
		g.table(t)
	}
	out := make([]Rows, len(g.order))
	for i, r := range g.order {
		out[i] = *r
	}
	return out
}

type generator struct {
	schema  *schema.Schema
	options Options
	random  *rand.Rand
	made    map[*schema.Table]*Rows
	order   []*Rows
}

// table makes the rows of a table, those of its parents first.
func (g *generator) table(t *schema.Table) {
	if g.made[t] != nil || t.IsView {
		return
	}
	r := &Rows{Table: t}
	g.made[t] = r
	for _, f := range t.Foreign {
		if parent := g.schema.Table(f.Qualifier, f.Table); parent != nil {
			g.table(parent)
		}
	}
	g.order = append(g.order, r)
	w := g.writer(t)
	if g.random.IntN(8) == 0 {
		return // an empty table
	}
	for range 1 + g.random.IntN(g.options.Rows) {
		for range 20 {
			if row, ok := w.row(); ok {
				r.Rows = append(r.Rows, row)
				break
			}
		}
	}
}

// writer makes the rows of one table.
type writer struct {
	*generator
	table  *schema.Table
	values [][]Value // by column: those to choose from
	checks []condition
	keys   [][]int
	taken  []map[string]bool // by key
}

func (g *generator) writer(t *schema.Table) *writer {
	w := &writer{generator: g, table: t, checks: conditionsOf(t, g.options.Dialect)}
	for _, c := range t.Columns {
		w.values = append(w.values, usual(c.Type))
	}
	add := func(column int, text string) {
		typ := t.Columns[column].Type
		w.values[column] = append(w.values[column], neighbours(Of(typ.Class, text), typ)...)
	}
	for _, c := range w.checks {
		c.constants(add)
	}
	for _, c := range g.options.Constants {
		if c.Table == t {
			add(c.Column, c.Text)
		}
	}
	for _, k := range t.Keys {
		w.keys = append(w.keys, k.Columns)
	}
	for _, index := range t.Indexes {
		var columns []int
		for _, p := range index.Parts {
			columns = append(columns, p.Column)
		}
		if index.Unique && !slices.Contains(columns, -1) {
			w.keys = append(w.keys, columns) // of a partial one, too: it asks more than is needed
		}
	}
	for range w.keys {
		w.taken = append(w.taken, map[string]bool{})
	}
	return w
}

// row makes one row; ok is false if it breaks a rule of the table.
func (w *writer) row() (row []Value, ok bool) {
	row = make([]Value, len(w.table.Columns))
	for i, c := range w.table.Columns {
		required := w.table.IsRequired(i, w.options.Dialect)
		switch {
		case c.Generated != "":
		case len(w.values[i]) == 0 && required:
			return nil, false
		case len(w.values[i]) == 0, !required && w.random.IntN(4) == 0:
		case c.Primary && c.Type.Class == class.Integer && w.random.IntN(2) == 0:
			row[i] = number(c.Type, float64(1+w.random.IntN(2*w.options.Rows))) // enough to go round
		default:
			row[i] = w.values[i][w.random.IntN(len(w.values[i]))]
		}
	}
	for _, f := range w.table.Foreign {
		if !w.refer(row, f) {
			return nil, false
		}
	}
	for _, c := range w.checks {
		if c.of(row) == no {
			return nil, false
		}
	}
	return row, w.take(row)
}

// refer makes the columns of a foreign key those of some row of the parent, or
// NULL where they may be.
func (w *writer) refer(row []Value, f schema.ForeignKey) bool {
	parent := w.schema.Table(f.Qualifier, f.Table)
	if parent == nil {
		return true
	}
	for _, c := range f.Columns {
		if !row[c].Set {
			return true // it refers to nothing
		}
	}
	var references []int
	for _, name := range f.References {
		references = append(references, parent.Column(name))
	}
	for _, k := range parent.Keys {
		if k.Primary && len(f.References) == 0 {
			references = k.Columns
		}
	}
	if len(references) != len(f.Columns) || slices.Contains(references, -1) {
		return false
	}
	if made := w.made[parent]; made != nil && len(made.Rows) > 0 {
		// Of a few parents many are chosen often, so that some stay without children.
		from := made.Rows[w.random.IntN(1+w.random.IntN(len(made.Rows)))]
		for i, c := range f.Columns {
			row[c] = from[references[i]]
		}
		return true
	}
	for _, c := range f.Columns {
		if !w.table.IsRequired(c, w.options.Dialect) {
			row[c] = Value{}
			return true
		}
	}
	return false
}

// take enters the row's keys, unless another row has one of them.
func (w *writer) take(row []Value) bool {
	entries := make([]string, len(w.keys))
	for i, k := range w.keys {
		var b strings.Builder
		null := false
		for _, c := range k {
			null = null || !row[c].Set
			b.WriteString(row[c].key() + "\x00")
		}
		if null {
			continue
		}
		entries[i] = b.String()
		if w.taken[i][entries[i]] {
			return false
		}
	}
	for i, e := range entries {
		if e != "" {
			w.taken[i][e] = true
		}
	}
	return true
}
