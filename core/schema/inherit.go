package schema

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
)

// What a table has from another: by LIKE, as its part, as its child.

// copyLike takes over of a table what LIKE copies besides names and types: all on MySQL and
// MariaDB, on PostgreSQL NOT NULL and what INCLUDING names ("CREATE TABLE" of their documentation).
func (a applier) copyLike(t, old *Table, n *syntax.CreateTable) {
	has := func(w word.Word) bool {
		return a.schema.dialect.Has(dialect.ExecutedComments) ||
			slices.ContainsFunc(n.Including, func(id syntax.Ident) bool { return word.Word(id.Sym) == w || word.Word(id.Sym) == word.All })
	}
	if has(word.Indexes) {
		t.Keys, t.Indexes = slices.Clone(old.Keys), slices.Clone(old.Indexes)
	}
	if has(word.Constraints) {
		t.Checks = slices.Clone(old.Checks)
	}
	if a.schema.dialect != dialect.Postgres {
		return
	}
	for i := range t.Keys { // which get names of their own
		t.Keys[i].Name = ""
	}
	for i := range t.Indexes {
		t.Indexes[i].Name = ""
	}
	for i := range t.Columns {
		c := &t.Columns[i]
		if isSerial(c.Type) {
			c.Type.Name, c.Identity = unnumbered(c.Type.Name), has(word.Defaults)
		} else if !has(word.Identity) {
			c.Identity, c.Always = false, false
		}
		if !has(word.Defaults) {
			c.Default = ""
		}
		if !has(word.Generated) {
			c.Generated, c.Stored = "", false
		}
		c.NotNull = c.NotNull || c.Primary
		c.Primary = c.Primary && has(word.Indexes)
	}
}

// takePart makes a table a part of another: it has its columns, conditions and keys (PostgreSQL
// 15, 5.11 "Table Partitioning").
func (a applier) takePart(t, whole *Table) {
	a.schema.divide(whole)
	if !a.copyColumns(t, whole) {
		return
	}
	t.Keys, t.Checks, t.Indexes = slices.Clone(whole.Keys), slices.Clone(whole.Checks), slices.Clone(whole.Indexes)
	for i := range t.Keys { // which get names of their own
		t.Keys[i].Name = ""
	}
	for i := range t.Indexes {
		t.Indexes[i].Name = ""
	}
}

// inherit takes the columns and conditions of parent tables over, whose keys hold for their own rows only
// (PostgreSQL 15, 5.10 "Inheritance").
func (a applier) inherit(t *Table, n *syntax.CreateTable) {
	t.Complete = len(n.Parents) > 0
	for _, name := range n.Parents {
		parent := a.follow(t, name)
		if parent == nil || !a.schema.copies(len(t.Columns), len(parent.Columns)) {
			t.Complete = false
			continue
		}
		t.Complete = t.Complete && parent.Complete
		places := make([]int, len(parent.Columns))
		for i, c := range parent.Columns {
			c.NotNull, c.Primary, c.Identity = c.NotNull || c.Primary, false, c.Identity && isSerial(c.Type)
			if at := t.Column(c.Name); at >= 0 {
				places[i], t.Columns[at] = at, merged(t.Columns[at], c)
				continue
			}
			places[i] = len(t.Columns)
			t.append(c)
		}
		for _, c := range parent.Checks {
			columns := make([]int, len(c.Columns))
			for i, at := range c.Columns {
				columns[i] = places[at]
			}
			c.Columns = columns
			if c.Name == "" { // it has the name that the parent's has
				c.Name = parent.Name + "_check"
				if len(columns) == 1 {
					c.Name = parent.Name + "_" + t.Columns[columns[0]].Name + "_check"
				}
			}
			t.Checks = append(t.Checks, c)
		}
	}
}

// follow makes a table a child of another, nil where nothing is known of that.
func (a applier) follow(t *Table, name []syntax.Ident) (parent *Table) {
	found := a.find(name)
	if found == nil {
		return nil
	}
	parent = a.schema.own(found)
	parent.HasChildren = true
	a.schema.put(parent)
	t.Parents = append(t.Parents, Parent{parent.Qualifier, parent.Name, parent.Quoted})
	return parent
}

// merged gives the column that a parent's and one of the same name are together, which a part
// of a table names without its type.
func merged(parent, c Column) Column {
	if c.Type.Name == "" {
		parent.NotNull = parent.NotNull || c.NotNull
		if c.Default != "" {
			parent.Default = c.Default
		}
		return parent
	}
	c.NotNull = c.NotNull || parent.NotNull
	if c.Default == "" {
		c.Default, c.Identity = parent.Default, c.Identity || parent.Identity
	}
	return c
}

// isSerial reports whether a column has a sequence for its default, by its type.
func isSerial(t Type) bool { return strings.Contains(strings.ToLower(t.Name), "serial") }

// unnumbered gives the type that a serial one is without its sequence.
func unnumbered(serial string) string {
	switch strings.ToLower(serial) {
	case "bigserial", "serial8":
		return "bigint"
	case "smallserial", "serial2":
		return "smallint"
	}
	return "integer"
}
