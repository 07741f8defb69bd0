package schema

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

func (a applier) createView(n *syntax.CreateView) {
	if len(n.Name) == 0 {
		return
	}
	t := a.named(n.Name)
	t.IsView, t.Query = true, string(a.src[n.Query.Span().Start:n.Query.Span().End])
	a.queryColumns(t, n.Query, n.Columns)
	a.schema.create(t)
	a.schema.put(t)
}

// queryColumns adds the columns that a query gives, as far as its own text and
// the tables it names tell.
func (a applier) queryColumns(t *Table, q *syntax.Query, names []syntax.Ident) {
	own := len(t.Columns)
	columns, complete := a.outputs(q.Body)
	t.Columns = append(t.Columns, columns...)
	t.Complete = complete
	for i, id := range names {
		if own+i < len(t.Columns) {
			t.Columns[own+i].Name, t.Columns[own+i].Quoted = a.text(id), a.exact(id)
		} else {
			t.Columns = append(t.Columns, Column{Name: a.text(id), Quoted: a.exact(id)})
		}
	}
	t.Complete = t.Complete || len(names) > 0
}

// copyColumns gives a table that has none the columns of another, unless these are too many.
func (a applier) copyColumns(t, of *Table) bool {
	if !a.schema.copies(0, len(of.Columns)) {
		return false
	}
	t.Columns, t.Complete = slices.Clone(of.Columns), of.Complete
	return true
}

// merge takes the columns from a place on, which a query gives, and the declared ones before it for one
// where they have the same name: it is declared so, and stands where the query has it (MySQL, "CREATE
// TABLE ... SELECT Statement").
func (t *Table) merge(own int) {
	declared := map[string]int{}
	for i := range own {
		declared[strings.ToLower(t.Columns[i].Name)] = i
	}
	places := make([]int, len(t.Columns)) // new places by old ones
	for i := range places {
		places[i] = -1
	}
	for i := own; i < len(t.Columns); i++ {
		if at, ok := declared[strings.ToLower(t.Columns[i].Name)]; ok && places[at] < 0 {
			t.Columns[i], places[at] = t.Columns[at], i
		}
	}
	var columns []Column
	for i := range t.Columns {
		if i < own && places[i] >= 0 {
			continue // it stands with the query's
		}
		places[i] = len(columns)
		columns = append(columns, t.Columns[i])
	}
	for i := range own {
		if places[i] >= own {
			places[i] = places[places[i]]
		}
	}
	t.Columns = columns
	t.renumber(func(i int) int { return places[i] })
}

// releaseCopies lets the columns of a table that a query makes take NULLs, where the database
// copies types only.
func (a applier) releaseCopies(t *Table) {
	switch a.schema.dialect {
	case dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Oracle:
		return // which copy NOT NULL
	}
	for i := range t.Columns {
		c := &t.Columns[i]
		c.NotNull = false
		if a.schema.dialect == dialect.SQLite && c.Type.Name != "" && c.Type.Class != class.Integer && c.Type.Class != class.Text && c.Type.Class != class.Float {
			c.Type = Type{Name: "NUM"} // of a type only the affinity is left
		}
	}
}

// outputs gives the columns of a query's body with the types that plain columns
// of named tables have, and whether they are all.
func (a applier) outputs(b syntax.Body) ([]Column, bool) {
	switch b := b.(type) {
	case *syntax.SetOp:
		return a.outputs(b.Left)
	case *syntax.ParenQuery:
		return a.outputs(b.Query.Body)
	case *syntax.Select:
		return a.selectOutputs(b)
	}
	return nil, false
}

func (a applier) selectOutputs(s *syntax.Select) ([]Column, bool) {
	sources := a.sources(s.From)
	var columns []Column
	complete := true
	for _, item := range s.Items {
		switch x := syntax.Unparen(item.X).(type) {
		case *syntax.Star:
			expanded, all := a.star(x, sources)
			columns, complete = append(columns, expanded...), complete && all
			continue
		case *syntax.Name:
			c := a.sourceColumn(x, sources)
			c.Name, c.Quoted = a.text(x.Last()), a.exact(x.Last())
			columns = append(columns, c)
		case *syntax.Field:
			columns = append(columns, Column{})
			complete = complete && !x.Star
		default:
			columns = append(columns, Column{})
			complete = complete && !item.Alias.IsZero()
		}
		if last := &columns[len(columns)-1]; !item.Alias.IsZero() {
			last.Name, last.Quoted = a.text(item.Alias), a.exact(item.Alias)
		}
	}
	return columns, complete && len(s.Items) > 0
}

// source is a table of FROM under the name by which it is called there. An
// outer join may fill it with NULLs if it is optional.
type source struct {
	name     string
	table    *Table
	optional bool
}

// sources lists the tables of FROM; one that is no named table is nil.
func (a applier) sources(f *syntax.From) []source {
	if f == nil {
		return nil
	}
	var out []source
	var visit func(t syntax.TableExpr, optional bool)
	visit = func(t syntax.TableExpr, optional bool) {
		switch t := t.(type) {
		case *syntax.TableRef:
			id := t.Name[len(t.Name)-1]
			if !t.Alias.IsZero() {
				id = t.Alias
			}
			s := source{a.text(id), a.find(t.Name), optional}
			if len(t.Columns) > 0 {
				s.table = nil
			}
			out = append(out, s)
		case *syntax.Join:
			visit(t.Left, optional || t.Type == syntax.RightJoin || t.Type == syntax.FullJoin)
			visit(t.Right, optional || t.Type == syntax.LeftJoin || t.Type == syntax.FullJoin || t.Type == syntax.OuterApply)
			if len(t.Using) > 0 || t.Natural {
				out = append(out, source{}) // merged columns come in another order
			}
		case *syntax.ParenTable:
			visit(t.Table, optional)
		default:
			out = append(out, source{})
		}
	}
	for _, t := range f.Tables {
		visit(t, false)
	}
	return out
}

func (a applier) star(x *syntax.Star, sources []source) ([]Column, bool) {
	var columns []Column
	found := false
	for _, s := range sources {
		if len(x.Qualifier) > 0 && !strings.EqualFold(s.name, a.text(x.Qualifier[len(x.Qualifier)-1])) {
			continue
		}
		if s.table == nil || !s.table.Complete {
			return nil, false
		}
		if !a.schema.copies(len(columns), len(s.table.Columns)) {
			return nil, false
		}
		found = true
		for i := range s.table.Columns {
			columns = append(columns, s.copyOf(i, a.schema.dialect))
		}
	}
	return columns, found
}

// sourceColumn gives what the table of a name tells of it.
func (a applier) sourceColumn(x *syntax.Name, sources []source) Column {
	var found Column
	count := 0
	for _, s := range sources {
		if len(x.Parts) > 1 && !strings.EqualFold(s.name, a.text(x.Qualifier())) {
			continue
		}
		if s.table == nil {
			return Column{} // it may be that one's
		}
		if i := s.table.Column(a.text(x.Last())); i >= 0 {
			found = s.copyOf(i, a.schema.dialect)
			count++
		}
	}
	if count != 1 {
		return Column{}
	}
	return found
}

// copyOf gives a column as a query passes it on.
func (s source) copyOf(i int, d dialect.Dialect) Column {
	c := s.table.Columns[i]
	copied := Column{Name: c.Name, Quoted: c.Quoted, Type: c.Type, NotNull: !s.optional && s.table.IsRequired(i, d), Collation: c.Collation}
	if d.Has(dialect.ExecutedComments) { // MySQL and MariaDB
		if copied.Default = c.Default; c.Identity {
			copied.Default = "0"
		}
	}
	return copied
}

// selectInto adds the table that SELECT … INTO makes.
func (a applier) selectInto(n *syntax.SelectStmt) bool {
	s, ok := n.Query.Body.(*syntax.Select)
	if !ok || len(s.Into) != 1 || a.schema.dialect.Has(dialect.ExecutedComments) || a.schema.dialect == dialect.Oracle {
		return false
	}
	name, ok := s.Into[0].(*syntax.Name)
	if !ok {
		return false
	}
	t := a.named(name.Parts)
	t.Temporary = strings.HasPrefix(t.Name, "#")
	a.queryColumns(t, n.Query, nil)
	a.releaseCopies(t)
	a.schema.put(t)
	return true
}
