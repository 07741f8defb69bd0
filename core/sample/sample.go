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
	c := condition{src: in.Src}
	noteText := func(x syntax.Expr, text string) {
		u := columnIn(in, x, 0)
		if u == nil {
			return
		}
		if u.Status == bind.Resolved && u.Source.SchemaTable() != nil && u.Column.Index >= 0 {
			list = append(list, Constant{u.Source.SchemaTable(), u.Column.Index, text})
		}
	}
	note := func(x syntax.Expr, others ...syntax.Expr) {
		for _, o := range others {
			if _, isName := syntax.Unparen(o).(*syntax.Name); isName {
				continue
			}
			if v := c.value(o, nil); v.Set {
				noteText(x, v.Text)
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
		case *syntax.Case:
			for _, w := range n.Whens {
				if n.Operand != nil {
					note(n.Operand, w.Cond)
				}
			}
		case *syntax.Call:
			if len(n.Args) == 0 {
				break
			}
			switch in.FunctionName(n) {
			case "coalesce", "ifnull", "nvl", "isnull", "nullif":
				note(n.Args[0], n.Args[1:]...)
			case "left", "substr", "substring": // another text that begins like the first of the usual ones
				noteText(n.Args[0], words[0][:2]+"p")
			}
		case *syntax.Like:
			note(n.X, n.Pattern)
			for _, like := range likenesses(c.value(n.Pattern, nil).Text) {
				noteText(n.X, like)
			}
		}
		return true
	})
	return list
}

// deepestColumn bounds how far a column is followed through derived tables.
const deepestColumn = 20

// columnIn gives what the only column means that an expression hangs on, through derived tables and
// functions of it; nil where there is none, or several.
func columnIn(in *bind.Info, x syntax.Expr, depth int) *bind.Use {
	if depth > deepestColumn {
		return nil
	}
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Name:
		u := in.Use(n)
		if u.Status == bind.Resolved && u.Source.SchemaTable() == nil && u.Column != nil && u.Column.X != nil {
			return columnIn(in, u.Column.X, depth+1)
		}
		return u
	case *syntax.Cast:
		return columnIn(in, n.X, depth+1)
	case *syntax.Collate:
		return columnIn(in, n.X, depth+1)
	case *syntax.Call:
		var only *bind.Use
		for _, x := range n.Args {
			if _, literal := syntax.Unparen(x).(*syntax.Literal); literal {
				continue
			}
			if only != nil {
				return nil
			}
			only = columnIn(in, x, depth+1)
		}
		return only
	}
	return nil
}

// likenesses gives texts that a pattern of LIKE matches, and some that it nearly does.
func likenesses(pattern string) []string {
	if pattern == "" {
		return nil
	}
	fill := func(any, one string) string { return strings.NewReplacer("%", any, "_", one).Replace(pattern) }
	return []string{fill("", "_"), fill("x", "x"), fill("x", ""), "x" + fill("", "x")}
}

// Tables makes rows for tables, parents before their children. The same options
// give the same rows. A table that a row cannot be made for stays empty.
func Tables(s *schema.Schema, tables []*schema.Table, o Options) []Rows {
	return NewMaker(s, tables, o).Make(o.Seed)
}

// Maker makes rows for the same tables again and again. It is not safe for use by several
// goroutines.
type Maker struct {
	schema  *schema.Schema
	options Options
	random  *rand.Rand
	source  *rand.PCG
	writers []*writer // parents before their children
	by      map[*schema.Table]*writer
}

// NewMaker makes a maker of rows for tables and the parents that they refer to.
func NewMaker(s *schema.Schema, tables []*schema.Table, o Options) *Maker {
	if o.Rows == 0 {
		o.Rows = 8
	}
	m := &Maker{schema: s, options: o, source: rand.NewPCG(0, 0), by: map[*schema.Table]*writer{}}
	m.random = rand.New(m.source)
	for _, t := range tables {
		m.add(t)
	}
	return m
}

// Tables lists the tables in the order in which [Maker.Make] gives them.
func (m *Maker) Tables() (list []*schema.Table) {
	for _, w := range m.writers {
		list = append(list, w.table)
	}
	return list
}

// add adds a table behind its parents.
func (m *Maker) add(t *schema.Table) {
	if m.by[t] != nil || t.IsView {
		return
	}
	w := &writer{Maker: m, table: t}
	m.by[t] = w
	for _, f := range t.Foreign {
		parent := m.schema.Table(f.Qualifier, f.Table)
		if parent != nil {
			m.add(parent)
		}
		w.parents = append(w.parents, referenceOf(f, parent))
	}
	w.choose()
	m.writers = append(m.writers, w)
}

// Make makes rows from a seed.
func (m *Maker) Make(seed uint64) []Rows {
	m.source.Seed(seed, 0x6c656e73)
	for _, w := range m.writers {
		w.made = nil
		for i := range w.taken {
			clear(w.taken[i])
		}
	}
	out := make([]Rows, len(m.writers))
	for i, w := range m.writers {
		w.fill()
		out[i] = Rows{w.table, w.made}
	}
	return out
}

// Keeps reports whether rows, in the order in which [Maker.Make] gives the tables, keep all rules
// of their tables.
func (m *Maker) Keeps(made []Rows) bool {
	for i, w := range m.writers {
		w.made = made[i].Rows
		for k := range w.taken {
			clear(w.taken[k])
		}
		for _, row := range w.made {
			if !w.keeps(row) {
				return false
			}
		}
	}
	return true
}

// keeps reports whether a row keeps the rules, beside those that were asked before.
func (w *writer) keeps(row []Value) bool {
	for i, v := range row {
		if !v.Set && w.required[i] {
			return false
		}
	}
	for _, c := range w.checks {
		if c.of(row) == no {
			return false
		}
	}
	for i, f := range w.table.Foreign {
		if !w.refers(row, f, w.parents[i]) {
			return false
		}
	}
	return w.take(row)
}

// refers reports whether a row refers to rows that are there, or to none.
func (w *writer) refers(row []Value, f schema.ForeignKey, r reference) bool {
	if r.parent == nil {
		return true
	}
	for _, c := range f.Columns {
		if !row[c].Set {
			return true
		}
	}
	return slices.ContainsFunc(w.by[r.parent].made, func(parent []Value) bool {
		for i, c := range f.Columns {
			if i >= len(r.columns) || r.columns[i] < 0 || parent[r.columns[i]].key() != row[c].key() {
				return false
			}
		}
		return true
	})
}

// References lists the columns of a table that refer to a column of another.
func (m *Maker) References(from, to *schema.Table, column int) (columns []int) {
	for i, f := range from.Foreign {
		r := m.by[from].parents[i]
		if r.parent != to {
			continue
		}
		for k, c := range r.columns {
			if c == column && k < len(f.Columns) {
				columns = append(columns, f.Columns[k])
			}
		}
	}
	return columns
}

// reference is where a foreign key leads.
type reference struct {
	parent  *schema.Table // nil if it is not known
	columns []int         // of the parent, -1 for one that is not there
}

func referenceOf(f schema.ForeignKey, parent *schema.Table) reference {
	r := reference{parent: parent}
	if parent == nil {
		return r
	}
	for _, name := range f.References {
		r.columns = append(r.columns, parent.Column(name))
	}
	if len(f.References) == 0 {
		r.columns = parent.PrimaryKey()
	}
	return r
}

// writer makes the rows of one table.
type writer struct {
	*Maker
	table    *schema.Table
	values   [][]Value // by column: those to choose from
	required []bool    // by column
	checks   []condition
	keys     [][]int
	taken    []map[string]bool // by key
	parents  []reference       // by foreign key
	made     [][]Value
	entries  []string // of the row in hand, by key
}

// choose finds the values to choose from, and the rules.
func (w *writer) choose() {
	t := w.table
	w.checks = conditionsOf(t, w.options.Dialect)
	for i, c := range t.Columns {
		w.values = append(w.values, usual(c.Type))
		w.required = append(w.required, t.IsRequired(i, w.options.Dialect))
	}
	add := func(column int, text string) {
		typ := t.Columns[column].Type
		w.values[column] = append(w.values[column], neighbours(Of(typ.Class, text), typ)...)
	}
	for _, c := range w.checks {
		c.constants(add)
	}
	for _, c := range w.options.Constants {
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
}

// fill makes the table's rows.
func (w *writer) fill() {
	if w.random.IntN(8) == 0 {
		return // an empty table
	}
	n, width := 1+w.random.IntN(w.options.Rows), len(w.table.Columns)
	room := make([]Value, n*width)
	w.made = make([][]Value, 0, n)
	for range n {
		row := room[:width:width]
		for range 20 {
			if w.row(row) {
				w.made = append(w.made, row)
				room = room[width:]
				break
			}
			clear(row)
		}
	}
}

// row makes one row of an empty one, and reports whether it keeps the rules of the table.
func (w *writer) row(row []Value) bool {
	for i := range w.table.Columns {
		c, required := &w.table.Columns[i], w.required[i]
		switch {
		case c.Generated != "":
		case len(w.values[i]) == 0 && required:
			return false
		case len(w.values[i]) == 0, !required && w.random.IntN(4) == 0:
		case c.Primary && c.Type.Class == class.Integer && w.random.IntN(2) == 0:
			row[i] = number(c.Type, float64(1+w.random.IntN(2*w.options.Rows))) // enough to go round
		default:
			row[i] = w.values[i][w.random.IntN(len(w.values[i]))]
		}
	}
	for i, f := range w.table.Foreign {
		if !w.refer(row, f, w.parents[i]) {
			return false
		}
	}
	for _, c := range w.checks {
		if c.of(row) == no {
			return false
		}
	}
	return w.take(row)
}

// refer makes the columns of a foreign key those of some row of the parent, or
// NULL where they may be.
func (w *writer) refer(row []Value, f schema.ForeignKey, r reference) bool {
	if r.parent == nil {
		return true
	}
	for _, c := range f.Columns {
		if !row[c].Set {
			return true // it refers to nothing
		}
	}
	if len(r.columns) != len(f.Columns) || slices.Contains(r.columns, -1) {
		return false
	}
	if made := w.by[r.parent].made; len(made) > 0 {
		// Of a few parents many are chosen often, so that some stay without children.
		from := made[w.random.IntN(1+w.random.IntN(len(made)))]
		for i, c := range f.Columns {
			row[c] = from[r.columns[i]]
		}
		return true
	}
	for _, c := range f.Columns {
		if !w.required[c] {
			row[c] = Value{}
			return true
		}
	}
	return false
}

// take enters the row's keys, unless another row has one of them.
func (w *writer) take(row []Value) bool {
	entries := w.entries[:0]
	for i, k := range w.keys {
		var buffer [64]byte
		entry, null := buffer[:0], false
		for _, c := range k {
			null = null || !row[c].Set
			entry = append(append(entry, row[c].key()...), 0)
		}
		if null {
			entries = append(entries, "")
			continue
		}
		if w.taken[i][string(entry)] {
			return false
		}
		entries = append(entries, string(entry))
	}
	w.entries = entries
	for i, e := range entries {
		if e != "" {
			w.taken[i][e] = true
		}
	}
	return true
}
