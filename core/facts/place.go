package facts

import (
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// Place is what the place of an expression asks of its value: a comparison that of the other
// side's type, a column that of its own.
type Place struct {
	// Type has the class Unknown where it is not known.
	Type schema.Type
	// Beside is what the value is compared with, nil where it is none.
	Beside syntax.Expr
	// Column is what the value is stored in, nil where it is none that is known.
	Column *schema.Column
	// Stored tells of a value that is written to a table.
	Stored bool
	// Cast is the type that the value is made, nil where it is none.
	Cast *syntax.TypeName
}

// PlaceOf gives the place of an expression; the zero Place where nothing is asked of it.
func (in *Facts) PlaceOf(x syntax.Expr) Place {
	var below syntax.Node = x
	above := in.Parent(x)
	for above != nil && above.Kind() == syntax.KindParen {
		below, above = above, in.Parent(above)
	}
	switch n := above.(type) {
	case *syntax.Binary:
		if n.Op.IsComparison() {
			return in.beside(other(n, below))
		}
	case *syntax.Between:
		if syntax.Node(n.X) != below {
			return in.beside(n.X)
		}
	case *syntax.In:
		if syntax.Node(n.X) != below {
			return in.beside(n.X)
		}
	case *syntax.Cast:
		return Place{Type: in.Schema.TypeOf(n.Type, in.Src, in.Dialect), Cast: n.Type}
	case *syntax.TypedLiteral:
		return Place{Type: in.Schema.TypeOf(n.Type, in.Src, in.Dialect), Cast: n.Type}
	case *syntax.Assign:
		return in.assigned(n, n.Target)
	case *syntax.Constraint:
		if c, ok := in.Parent(n).(*syntax.ColumnDef); ok && n.Type == syntax.DefaultValue {
			t := in.Schema.TypeOf(c.Type, in.Src, in.Dialect)
			return Place{Type: t, Column: &schema.Column{Name: in.Ident(c.Name), Type: t}, Stored: true}
		}
	case *syntax.Row:
		if a, ok := in.Parent(n).(*syntax.Assign); ok {
			return in.inRow(a, n, below)
		}
		return in.inserted(n, below)
	}
	return Place{}
}

func other(n *syntax.Binary, side syntax.Node) syntax.Expr {
	if syntax.Node(n.X) == side {
		return n.Y
	}
	return n.X
}

func (in *Facts) beside(x syntax.Expr) Place { return Place{Type: in.Type(x), Beside: x} }

// stored gives the place that a column of a table is, numbered from 0.
func stored(t *schema.Table, column int) Place {
	p := Place{Stored: true}
	if t != nil && !t.IsView && 0 <= column && column < len(t.Columns) {
		p.Column = &t.Columns[column]
		p.Type = p.Column.Type
	}
	return p
}

// assigned gives the place of a value of SET.
func (in *Facts) assigned(a *syntax.Assign, to syntax.Expr) Place {
	name, ok := to.(*syntax.Name)
	t := in.target(in.Parent(a))
	if !ok || t == nil {
		return Place{Stored: ok}
	}
	return stored(t, t.Column(in.Names.String(name.Last().Sym)))
}

// Targets gives the tables' columns that an INSERT fills, in the order of its values; a
// column that is not known is nil. The list is valid until another INSERT is asked for.
func (in *Facts) Targets(n *syntax.Insert) []*schema.Column {
	t := in.target(n)
	if t == nil || t.IsView {
		return nil
	}
	if in.targetsOf == n {
		return in.targets
	}
	in.targets, in.targetsOf = in.targets[:0], n
	source := in.SourceAt(n.Table)
	for _, c := range n.Columns {
		place := -1
		if column := source.Named(c.Sym); column != nil {
			place = column.Index
		}
		in.targets = append(in.targets, stored(t, place).Column)
	}
	if len(n.Columns) == 0 && t.Complete && in.fills(t, given(n)) {
		for i := range t.Columns {
			in.targets = append(in.targets, &t.Columns[i])
		}
	}
	return in.targets
}

// given counts the values of the first row of an INSERT, none of one that selects.
func given(n *syntax.Insert) int {
	if n.Query != nil {
		if values, ok := n.Query.Body.(*syntax.Values); ok && len(values.Rows) > 0 {
			return len(values.Rows[0].Items)
		}
	}
	return 0
}

// inRow gives the place of a value of SET (a, b) = (x, y).
func (in *Facts) inRow(a *syntax.Assign, row *syntax.Row, item syntax.Node) Place {
	targets, ok := a.Target.(*syntax.Row)
	if !ok {
		return Place{}
	}
	for i, x := range row.Items {
		if syntax.Node(x) == item && i < len(targets.Items) {
			return in.assigned(a, targets.Items[i])
		}
	}
	return Place{}
}

// inserted gives the place of a value in a row of INSERT.
func (in *Facts) inserted(row *syntax.Row, item syntax.Node) Place {
	values, ok := in.Parent(row).(*syntax.Values)
	if !ok {
		return Place{}
	}
	query, ok := in.Parent(values).(*syntax.Query)
	if !ok {
		return Place{}
	}
	insert, ok := in.Parent(query).(*syntax.Insert)
	if !ok {
		return Place{}
	}
	t := in.target(insert)
	for i, x := range row.Items {
		switch {
		case syntax.Node(x) != item:
		case len(insert.Columns) == 0:
			if t != nil && !in.fills(t, len(row.Items)) {
				return Place{Stored: true}
			}
			return stored(t, i)
		case i < len(insert.Columns) && t != nil:
			return stored(t, t.Column(in.Names.String(insert.Columns[i].Sym)))
		default:
			return Place{Stored: true}
		}
	}
	return Place{}
}

// fills reports whether values without a list of columns are for the first ones of a table:
// PostgreSQL takes fewer than there are, and elsewhere there may be columns that are not
// seen.
func (in *Facts) fills(t *schema.Table, values int) bool {
	return values == len(t.Columns) || values < len(t.Columns) && in.Dialect == dialect.Postgres
}

// target gives the table that a statement writes to, nil where that is not known.
func (in *Facts) target(n syntax.Node) *schema.Table {
	var table syntax.TableExpr
	switch n := n.(type) {
	case *syntax.Insert:
		table = n.Table
	case *syntax.Update:
		table = n.Table
	case *syntax.MergeBranch:
		if merge, ok := in.Parent(n).(*syntax.Merge); ok {
			table = merge.Target
		}
	}
	ref, ok := table.(*syntax.TableRef)
	if !ok || ref == nil {
		return nil
	}
	if s := in.SourceAt(ref); s != nil {
		return s.SchemaTable()
	}
	return nil
}

// IsDated reports whether a place surely asks for a date, with a time of day or not.
func (p Place) IsDated() bool { return p.Type.Class.HasDay() }

// IsOpen reports whether nothing is known of what a place asks for.
func (p Place) IsOpen() bool { return p.Type.Class == class.Unknown }
