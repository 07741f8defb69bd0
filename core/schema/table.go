package schema

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
)

// Table is a table or a view.
type Table struct {
	Name      string // as written, without quotes
	Qualifier string // the schema it was written with, or ""
	Quoted    bool   // the name is found only in quotes
	IsView    bool
	Temporary bool
	// OtherCase tells that it took the place of a table whose name differs from its own
	// by letter case, which the database may have kept beside it.
	OtherCase bool
	Columns   []Column
	// Complete tells that Columns are all there are.
	Complete bool
	// HasChildren tells that other tables inherit from it: it gives their rows as well, for which its keys do
	// not hold.
	HasChildren bool
	Parents     []Parent
	// Model is the table whose columns it was made with, by LIKE or SELECT *; "" for none.
	Model string
	// Gathered tells that the table is known from another text of the same run.
	Gathered bool
	Keys     []Key
	Foreign  []ForeignKey
	Checks   []Check
	Indexes  []Index
	// Query is the text of a view's query.
	Query string
	// Rows is about how many rows a server says the table has, 0 where nobody does.
	Rows int64

	places map[string]int // of the columns of a wide table, by name in lower case; nil if not made
}

// Parent names a table whose columns another has inherited.
type Parent struct {
	Qualifier, Name string
	Quoted          bool
}

// Column is a column of a table.
type Column struct {
	Name      string // as written, without quotes
	Quoted    bool   // the name is found only in quotes
	Type      Type
	NotNull   bool   // declared NOT NULL, or numbered by the database
	Primary   bool   // part of the primary key
	Default   string // the expression's text, "" for none
	Generated string // the expression's text, "" for an ordinary column
	Stored    bool   // of a generated column
	Identity  bool   // numbered by the database
	Always    bool   // of an identity: it takes no other value
	Hidden    bool   // SELECT * does not give it, and INSERT without a list does not fill it
	Collation string
	Comment   string
}

// Key is a primary or unique key.
type Key struct {
	Name    string // "" where none was given
	Primary bool
	Columns []int // indexes into Table.Columns
}

// ForeignKey says that Columns refer to the References of another table, or
// to its primary key where References is empty.
type ForeignKey struct {
	Name       string
	Columns    []int
	Qualifier  string // of Table, or ""
	Table      string
	References []string
	// OnDelete and OnUpdate are in upper case, "" for the default.
	OnDelete, OnUpdate string
}

// Check is a condition that every row keeps.
type Check struct {
	Name    string
	Text    string  // of the condition, without the outer parentheses
	Columns []int   // those it names
	Bounds  *Bounds // what it lets in, nil where that is not plain
}

// Index is an index; each part is a column or an expression.
type Index struct {
	Name   string
	Unique bool
	Parts  []IndexPart
	// Method is the kind of index in lower case where it is not the usual one.
	Method string
	// Special tells of a method that is no ordered tree: full text, trigram, hash.
	Special bool
	// Where is the text of a partial index's condition.
	Where string
}

// IndexPart is a column by its index in Table.Columns, or, with Column -1, an
// expression as [Squeeze] writes it.
type IndexPart struct {
	Column     int
	Expression string
	// Text is the expression as written.
	Text string
	Desc bool
}

// UserType is an enumeration or a domain.
type UserType struct {
	Name      string
	Qualifier string
	Values    []string // of an enumeration
	Base      Type     // of a domain
	NotNull   bool
	Check     string // of a domain, on VALUE
}

// Column finds a column by name, whatever its letter case; -1 if there is none.
func (t *Table) Column(name string) int {
	if t.places != nil {
		if i, ok := t.places[strings.ToLower(name)]; ok {
			return i
		}
		return -1
	}
	for i := range t.Columns {
		if strings.EqualFold(t.Columns[i].Name, name) {
			return i
		}
	}
	return -1
}

// Place gives the place of one of the table's own columns, -1 if it is none of them.
func (t *Table) Place(c *Column) int {
	if i := t.Column(c.Name); i >= 0 && &t.Columns[i] == c {
		return i
	}
	for i := range t.Columns { // another may differ in letter case
		if &t.Columns[i] == c {
			return i
		}
	}
	return -1
}

// wide is how many columns are looked through one by one.
const wide = 32

// append adds a column behind the others.
func (t *Table) append(c Column) {
	t.Columns = append(t.Columns, c)
	if t.places == nil {
		t.place()
		return
	}
	name := strings.ToLower(c.Name)
	if _, ok := t.places[name]; !ok {
		t.places[name] = len(t.Columns) - 1
	}
}

// place notes the places of the columns of a wide table.
func (t *Table) place() {
	if len(t.Columns) <= wide {
		return
	}
	t.places = make(map[string]int, len(t.Columns))
	for i, c := range slices.Backward(t.Columns) {
		t.places[strings.ToLower(c.Name)] = i
	}
}

// IsRequired reports whether the column cannot be NULL in the table. A primary
// key implies it, but for SQLite, where only INTEGER PRIMARY KEY does
// (SQLite, "CREATE TABLE", 3.5: PRIMARY KEY allows NULLs otherwise).
func (t *Table) IsRequired(column int, d dialect.Dialect) bool {
	c := &t.Columns[column]
	if c.NotNull {
		return true
	}
	if !c.Primary {
		return false
	}
	return d != dialect.SQLite || c.Type.Class == class.Integer && len(t.PrimaryKey()) == 1
}

// PrimaryKey gives the columns of the primary key, nil if there is none.
func (t *Table) PrimaryKey() []int {
	for _, k := range t.Keys {
		if k.Primary {
			return k.Columns
		}
	}
	return nil
}

// IsUnique reports whether the columns, in any order, hold a whole key.
func (t *Table) IsUnique(columns []int) bool {
	return !t.HasChildren && slices.ContainsFunc(t.Keys, func(k Key) bool {
		return len(k.Columns) > 0 && !slices.ContainsFunc(k.Columns, func(c int) bool { return !slices.Contains(columns, c) })
	})
}

// HasKeyOf reports whether all columns of some key, or of an index that is unique over the
// whole table, are among those that has holds.
func (t *Table) HasKeyOf(has func(column int) bool) bool {
	if t.HasChildren {
		return false
	}
	for _, k := range t.Keys {
		if len(k.Columns) > 0 && !slices.ContainsFunc(k.Columns, func(c int) bool { return !has(c) }) {
			return true
		}
	}
	for _, index := range t.Indexes {
		if index.Unique && index.Where == "" && len(index.Parts) > 0 &&
			!slices.ContainsFunc(index.Parts, func(p IndexPart) bool { return p.Column < 0 || !has(p.Column) }) {
			return true
		}
	}
	return false
}

// IsKeyPart reports whether a key, or a unique index, may hold the column.
func (t *Table) IsKeyPart(column int) bool {
	return slices.ContainsFunc(t.Keys, func(k Key) bool { return slices.Contains(k.Columns, column) }) ||
		slices.ContainsFunc(t.Indexes, func(i Index) bool { return i.Unique })
}

// HasQuoted reports whether some column is found only in quotes.
func (t *Table) HasQuoted() bool {
	return slices.ContainsFunc(t.Columns, func(c Column) bool { return c.Quoted })
}

// mostIndexes bounds the keys and indexes of a table, which are looked through for each condition.
const mostIndexes = 256

// hasRoom reports whether one index more is kept; of a table with more, not all is known.
func (t *Table) hasRoom() bool { return len(t.Keys)+len(t.Indexes) < mostIndexes }

// LeadsIndex reports whether a key or an ordered index begins with the column.
func (t *Table) LeadsIndex(column int) bool {
	return slices.ContainsFunc(t.Keys, func(k Key) bool { return len(k.Columns) > 0 && k.Columns[0] == column }) ||
		slices.ContainsFunc(t.Indexes, func(i Index) bool {
			return !i.Special && len(i.Parts) > 0 && i.Parts[0].Column == column
		})
}

// clone gives a copy whose lists can be changed.
func (t *Table) clone() *Table {
	c := *t
	c.Columns, c.Keys, c.Foreign = slices.Clone(t.Columns), slices.Clone(t.Keys), slices.Clone(t.Foreign)
	c.Checks, c.Indexes, c.Parents = slices.Clone(t.Checks), slices.Clone(t.Indexes), slices.Clone(t.Parents)
	c.places = nil
	return &c
}
