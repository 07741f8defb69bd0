package schema

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

func (a applier) alterTable(n *syntax.AlterTable) {
	old := a.find(n.Name)
	if old == nil && len(n.Name) > 0 {
		a.schema.stranger(a.text(n.Name[len(n.Name)-1]), n.Actions)
	}
	if old == nil {
		changes := slices.ContainsFunc(n.Actions, func(action *syntax.AlterAction) bool { return action.Action != syntax.OtherAction })
		if len(n.Name) > 0 && !n.IfExists && changes { // a sequence may get another owner like a table
			a.schema.problem(n.Name[len(n.Name)-1].Span, "no table %s to change", a.text(n.Name[len(n.Name)-1]))
		}
		return
	}
	t := a.schema.own(old)
	for _, action := range a.ordered(n.Actions) {
		if action.Action == syntax.RenameTable {
			a.schema.remove(t)
			a.referTo(t.Name, a.text(action.To))
			t.Name, t.Quoted = a.text(action.To), a.exact(action.To)
			continue
		}
		switch action.Action {
		case syntax.InheritTable:
			a.follow(t, slices.DeleteFunc([]syntax.Ident{action.Name, action.To}, func(id syntax.Ident) bool { return id.IsZero() }))
		case syntax.AttachPartition:
			a.schema.divide(t)
		case syntax.PartitionToTable:
			made := t.clone()
			made.Name, made.Quoted = a.text(action.To), a.exact(action.To)
			a.schema.put(made)
		case syntax.TableToPartition:
			if gone := a.find([]syntax.Ident{action.To}); gone != nil {
				a.schema.remove(gone)
			}
		default:
			a.alter(t, action)
		}
	}
	a.schema.put(t)
}

// ordered gives the actions of a statement in the order in which they are done: PostgreSQL
// drops first, then changes types, then adds columns (AlterTablePass in its tablecmds.c).
func (a applier) ordered(actions []*syntax.AlterAction) []*syntax.AlterAction {
	if a.schema.dialect != dialect.Postgres || len(actions) < 2 {
		return actions
	}
	pass := func(n *syntax.AlterAction) int {
		switch n.Action {
		case syntax.DropColumn, syntax.DropConstraint, syntax.DropNotNull, syntax.DropIdentity, syntax.DropExpression:
			return 0
		case syntax.SetType:
			return 1
		case syntax.AddColumn:
			return 2
		}
		return 3
	}
	return slices.SortedStableFunc(slices.Values(actions), func(a, b *syntax.AlterAction) int { return pass(a) - pass(b) })
}

// referTo lets the foreign keys that refer to a table follow its new name.
func (a applier) referTo(old, name string) {
	for _, t := range slices.Collect(a.schema.with(referringTo, old)) {
		for i, f := range t.Foreign {
			if strings.EqualFold(f.Table, old) {
				changed := t.clone()
				changed.Foreign[i].Table = name
				a.schema.put(changed)
				t = changed
			}
		}
	}
}

// alter applies one action to a table that may be changed.
func (a applier) alter(t *Table, n *syntax.AlterAction) {
	switch n.Action {
	case syntax.AddColumn:
		a.addColumn(t, n)
	case syntax.OtherAction:
		if endsChecking(a.span(n.Span())) {
			t.Checks = nil
		}
	case syntax.AddConstraint:
		a.tableConstraint(t, n.Constraint)
	case syntax.DropColumn:
		if i := a.mustHave(t, n); i >= 0 {
			t.dropColumn(i)
		}
	case syntax.DropConstraint:
		t.dropConstraint(a.text(n.Name), a.schema.dialect)
	case syntax.DropPrimaryKey:
		for i := range t.Columns {
			if t.Columns[i].Primary {
				t.Columns[i].leaveKey(a.schema.dialect)
			}
		}
		t.Keys = slices.DeleteFunc(t.Keys, func(k Key) bool { return k.Primary })
	case syntax.RenameColumn:
		if i := a.mustHave(t, n); i >= 0 {
			t.Columns[i].Name, t.Columns[i].Quoted = a.text(n.To), a.exact(n.To)
			t.places = nil
		}
	case syntax.RenameConstraint:
		t.renameConstraint(a.text(n.Name), a.text(n.To))
	case syntax.ChangeColumn:
		if i := a.mustHave(t, n); i >= 0 && n.Column != nil {
			primary := t.Columns[i].Primary
			t.Columns[i], t.places = a.column(n.Column), nil
			t.Columns[i].Primary = primary
			a.columnConstraints(t, n.Column, i)
			a.place(t, i, n)
		}
	case syntax.ModifyColumn:
		if i := a.mustHave(t, n); i >= 0 && n.Column != nil {
			a.modify(&t.Columns[i], n.Column)
			a.columnConstraints(t, n.Column, i)
		}
	case syntax.SetType, syntax.SetNotNull, syntax.DropNotNull, syntax.SetDefault, syntax.DropDefault,
		syntax.NumberAlways, syntax.NumberByDefault, syntax.DropIdentity, syntax.DropExpression:
		if i := a.mustHave(t, n); i >= 0 {
			a.alterColumn(&t.Columns[i], n)
		}
	}
}

func (a applier) alterColumn(c *Column, n *syntax.AlterAction) {
	if n.Type != nil {
		c.Type = a.typeOf(n.Type, a.schema.dialect)
	}
	switch n.Action {
	case syntax.SetNotNull:
		c.NotNull = true
	case syntax.DropNotNull:
		if c.NotNull = false; isSerial(c.Type) { // a sequence for a default is left of it
			c.Type.Name, c.Identity, c.Default = unnumbered(c.Type.Name), false, "nextval('')"
		}
	case syntax.SetDefault, syntax.DropDefault:
		if c.Default = ""; n.X != nil && c.Generated == "" && (!c.Identity || isSerial(c.Type)) {
			c.Default = a.expr(n.X)
		}
		if isSerial(c.Type) { // whose sequence was a default
			c.Type.Name, c.Identity = unnumbered(c.Type.Name), false
		}
	case syntax.NumberAlways, syntax.NumberByDefault:
		c.Identity, c.Always, c.NotNull = true, n.Action == syntax.NumberAlways, true
	case syntax.DropIdentity:
		c.Identity, c.Always = isSerial(c.Type), false // which has a sequence and is none
	case syntax.DropExpression:
		c.Generated, c.Stored = "", false
	}
}

// modify takes over what a definition says of a column; the rest stays (Oracle, "ALTER TABLE",
// modify_col_properties).
func (a applier) modify(c *Column, n *syntax.ColumnDef) {
	said := a.column(n)
	if n.Type != nil {
		c.Type = said.Type
	}
	c.NotNull = c.NotNull || said.NotNull
	for _, con := range n.Constraints {
		switch con.Type {
		case syntax.NullAllowed:
			c.NotNull = false
		case syntax.DefaultValue:
			c.Default = said.Default
		case syntax.GeneratedAs:
			c.Generated, c.Stored = said.Generated, said.Stored
		case syntax.IdentityValue:
			c.Identity, c.Always = true, said.Always
		}
	}
}

func (a applier) addColumn(t *Table, n *syntax.AlterAction) {
	if n.Column.Name.Sym == 0 { // what a template puts in
		t.Complete = false
		return
	}
	c := a.column(n.Column)
	if t.Column(c.Name) >= 0 {
		if !n.IfExists {
			a.schema.problem(n.Name.Span, "%s has a column %s already", t.Name, c.Name)
		}
		return
	}
	t.append(c)
	a.columnConstraints(t, n.Column, len(t.Columns)-1)
	a.place(t, len(t.Columns)-1, n)
}

// place puts a column first, or behind another, where that is said.
func (a applier) place(t *Table, column int, n *syntax.AlterAction) {
	switch {
	case n.First:
		t.moveColumn(column, 0)
	case !n.After.IsZero():
		if before := t.Column(a.text(n.After)); before >= 0 && before != column {
			if before > column {
				before--
			}
			t.moveColumn(column, before+1)
		}
	}
}

// mustHave finds the column that an action is about, or tells that there is none.
func (a applier) mustHave(t *Table, n *syntax.AlterAction) int {
	i := t.Column(a.text(n.Name))
	if i < 0 && t.Complete && !n.IfExists {
		a.schema.problem(n.Name.Span, "%s has no column %s", t.Name, a.text(n.Name))
		delete(a.schema.created, t) // what else the statement says may not have come about
	}
	return i
}

// mostColumns bounds the tables that are kept up to date column by column; no database takes
// as many (MySQL 4096, PostgreSQL 1600).
const mostColumns = 1 << 13

// dropColumn takes a column away, with the keys and indexes that hold it.
func (t *Table) dropColumn(column int) {
	if len(t.Columns) > mostColumns {
		t.Complete = false
		return
	}
	t.Columns = slices.Delete(t.Columns, column, column+1)
	t.renumber(func(i int) int {
		switch {
		case i == column:
			return -1
		case i > column:
			return i - 1
		}
		return i
	})
}

// moveColumn gives a column another place among the others.
func (t *Table) moveColumn(from, to int) {
	moved := t.Columns[from]
	t.Columns = slices.Insert(slices.Delete(t.Columns, from, from+1), to, moved)
	t.renumber(func(i int) int {
		if i == from {
			return to
		}
		if i > from {
			i--
		}
		if i >= to {
			i++
		}
		return i
	})
}

// renumber lets keys, indexes and checks follow columns to their new places; what holds one
// that has none, -1, goes.
func (t *Table) renumber(place func(int) int) {
	// moved gives the list with the new places, nil if it holds a column that has none.
	moved := func(list []int) []int {
		out := make([]int, len(list))
		for i, column := range list {
			if out[i] = place(column); out[i] < 0 {
				return nil
			}
		}
		return out
	}
	var keys []Key
	for _, k := range t.Keys {
		if k.Columns = moved(k.Columns); k.Columns != nil {
			keys = append(keys, k)
		}
	}
	var foreign []ForeignKey
	for _, f := range t.Foreign {
		if f.Columns = moved(f.Columns); f.Columns != nil {
			foreign = append(foreign, f)
		}
	}
	var indexes []Index
	for _, index := range t.Indexes {
		parts, kept := slices.Clone(index.Parts), true
		for i := range parts {
			if parts[i].Column >= 0 {
				parts[i].Column = place(parts[i].Column)
				kept = kept && parts[i].Column >= 0
			}
		}
		if index.Parts = parts; kept {
			indexes = append(indexes, index)
		}
	}
	var checks []Check
	for _, c := range t.Checks {
		if columns := moved(c.Columns); columns != nil {
			c.Columns = columns
			checks = append(checks, c)
		}
	}
	t.Keys, t.Foreign, t.Indexes, t.Checks = keys, foreign, indexes, checks
	t.places = nil
}

// dropConstraint drops what has the name: a key, a foreign key, a check or an index.
func (t *Table) dropConstraint(name string, d dialect.Dialect) {
	for _, k := range t.Keys {
		if k.Primary && (strings.EqualFold(k.Name, name) || k.Name == "" && strings.EqualFold(t.unnamedKey(d), name)) {
			for _, c := range k.Columns {
				t.Columns[c].leaveKey(d)
			}
		}
	}
	t.Keys = slices.DeleteFunc(t.Keys, func(k Key) bool {
		return strings.EqualFold(k.Name, name) || k.Primary && k.Name == "" && strings.EqualFold(t.unnamedKey(d), name)
	})
	t.Foreign = slices.DeleteFunc(t.Foreign, func(f ForeignKey) bool { return strings.EqualFold(f.Name, name) })
	t.Checks = slices.DeleteFunc(t.Checks, func(c Check) bool { return strings.EqualFold(c.Name, name) })
	t.Indexes = slices.DeleteFunc(t.Indexes, func(i Index) bool { return strings.EqualFold(i.Name, name) })
}

// endsChecking reports whether an action lets rows in that do not meet a condition: ALTER CHECK …
// NOT ENFORCED, NOCHECK CONSTRAINT, DISABLE CONSTRAINT.
func endsChecking(action string) bool {
	action = strings.ToLower(action)
	return strings.Contains(action, "not enforced") ||
		strings.Contains(action, "constraint") && (strings.Contains(action, "nocheck") || strings.Contains(action, "disable"))
}

// unnamedKey gives the name of a primary key that got none: MySQL and MariaDB call each PRIMARY.
func (t *Table) unnamedKey(d dialect.Dialect) string {
	if d.Has(dialect.ExecutedComments) {
		return "PRIMARY"
	}
	return t.Name + "_pkey"
}

// leaveKey takes a column out of the primary key. PostgreSQL, MySQL and MariaDB have made it
// NOT NULL, which it stays.
func (c *Column) leaveKey(d dialect.Dialect) {
	c.Primary = false
	c.NotNull = c.NotNull || d == dialect.Postgres || d.Has(dialect.ExecutedComments)
}

func (t *Table) renameConstraint(old, name string) {
	for i := range t.Keys {
		if strings.EqualFold(t.Keys[i].Name, old) {
			t.Keys[i].Name = name
		}
	}
	for i := range t.Foreign {
		if strings.EqualFold(t.Foreign[i].Name, old) {
			t.Foreign[i].Name = name
		}
	}
	for i := range t.Indexes {
		if strings.EqualFold(t.Indexes[i].Name, old) {
			t.Indexes[i].Name = name
		}
	}
}

func (a applier) drop(n *syntax.Drop) {
	what := strings.ToLower(a.text(n.What))
	for _, ref := range n.Tables {
		if len(ref.Name) == 0 {
			continue
		}
		last := a.text(ref.Name[len(ref.Name)-1])
		switch what {
		case "table", "tables", "view":
			t := a.find(ref.Name)
			if t != nil && t.IsView != (what == "view") {
				for _, other := range a.schema.named(last) { // a temporary table hides a view of its name
					if other.IsView == (what == "view") {
						t = other
					}
				}
			}
			if t == nil {
				a.schema.stranger(last, nil)
				if !n.IfExists && !a.schema.isEmpty() {
					a.schema.problem(ref.Span(), "no %s %s to drop", what, last)
				}
				continue
			}
			a.schema.remove(t)
			if t.HasChildren || a.schema.isDivided(t) || dropsMore(a.span(n.Span())) {
				a.schema.forget()
			}
		case "type", "domain":
			if a.schema.Type(last) != nil {
				a.schema.putType(last, nil)
			}
		case "index":
			a.dropIndex(last, n.On)
		}
	}
}

// dropsMore reports whether DROP takes what depends on the table with it.
func dropsMore(statement string) bool {
	const word = "cascade"
	return len(statement) > len(word) && strings.EqualFold(statement[len(statement)-len(word):], word)
}

func (a applier) dropIndex(name string, on []syntax.Ident) {
	tables := a.schema.with(constraintNamed, name)
	if t := a.find(on); t != nil {
		tables = func(yield func(*Table) bool) { yield(t) }
	}
	var holders []*Table
	for t := range tables {
		if slices.ContainsFunc(t.Indexes, func(i Index) bool { return strings.EqualFold(i.Name, name) }) ||
			slices.ContainsFunc(t.Keys, func(k Key) bool { return k.Name != "" && strings.EqualFold(k.Name, name) }) {
			holders = append(holders, t)
		}
	}
	for _, t := range holders {
		changed := t.clone()
		changed.dropConstraint(name, a.schema.dialect)
		a.schema.put(changed)
	}
	if len(on) == 0 {
		a.schema.lose(constraintNamed, name)
	}
}
