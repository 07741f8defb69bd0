package schema

import (
	"maps"
	"slices"
	"strings"

	"justlens/core/dialect"
)

// Schema is a set of tables. It may stand on another, which it never changes;
// a schema that nobody applies statements to may be read by several
// goroutines.
type Schema struct {
	below  *Schema
	tables map[string]*Table // by name in lower case, without its schema
}

// New makes an empty schema that adds to another; below may be nil.
func New(below *Schema) *Schema {
	return &Schema{below: below}
}

// Table finds a table or view by its name; letter case does not matter. It
// gives nil for a name that is unknown or that two schemas have.
func (s *Schema) Table(name string) *Table {
	name = strings.ToLower(name)
	for ; s != nil; s = s.below {
		if t, ok := s.tables[name]; ok {
			return t
		}
	}
	return nil
}

// Tables gives the tables of s and those below it, in the order of names.
func (s *Schema) Tables() []*Table {
	all := map[string]*Table{}
	for ; s != nil; s = s.below {
		for name, t := range s.tables {
			if _, ok := all[name]; !ok {
				all[name] = t
			}
		}
	}
	var list []*Table
	for _, name := range slices.Sorted(maps.Keys(all)) {
		if t := all[name]; t != nil {
			list = append(list, t)
		}
	}
	return list
}

// Len counts the tables that Tables would give.
func (s *Schema) Len() int { return len(s.Tables()) }

func (s *Schema) add(t *Table) {
	if s.tables == nil {
		s.tables = map[string]*Table{}
	}
	key := strings.ToLower(t.Name)
	if old, ok := s.tables[key]; ok && (old == nil || !strings.EqualFold(old.Qualifier, t.Qualifier)) {
		s.tables[key] = nil // two schemas have it: the bare name says neither
		return
	}
	s.tables[key] = t
}

// Table is a table or a view.
type Table struct {
	Name      string // as written, without quotes
	Qualifier string // the schema it was written with, or ""
	IsView    bool
	Columns   []Column
	// Complete tells that Columns are all there are.
	Complete bool
	Keys     []Key
	Foreign  []ForeignKey
	Indexes  []Index
}

// Column is a column of a table.
type Column struct {
	Name    string // as written, without quotes
	Type    Type
	NotNull bool // declared NOT NULL
	Primary bool // part of the primary key
}

// Key is a primary or unique key.
type Key struct {
	Primary bool
	Columns []int // indexes into Table.Columns
}

// ForeignKey says that Columns refer to the References of another table, or
// to its primary key where References is empty.
type ForeignKey struct {
	Columns    []int
	Table      string
	References []string
}

// Index is an index; each part is a column or an expression.
type Index struct {
	Parts []IndexPart
	// Special tells of a method that is no ordered tree: full text, trigram, hash.
	Special bool
}

// IndexPart is a column by its index in Table.Columns, or, with Column -1, an
// expression as [Table.Indexes] keeps it: in lower case, without blanks.
type IndexPart struct {
	Column     int
	Expression string
}

// Column finds a column by name, whatever its letter case; -1 if there is none.
func (t *Table) Column(name string) int {
	for i := range t.Columns {
		if strings.EqualFold(t.Columns[i].Name, name) {
			return i
		}
	}
	return -1
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
	return d != dialect.SQLite || c.Type.Class == Integer && len(t.primary()) == 1
}

func (t *Table) primary() []int {
	for _, k := range t.Keys {
		if k.Primary {
			return k.Columns
		}
	}
	return nil
}

// IsUnique reports whether the columns, in any order, hold a whole key.
func (t *Table) IsUnique(columns []int) bool {
	return slices.ContainsFunc(t.Keys, func(k Key) bool {
		return len(k.Columns) > 0 && !slices.ContainsFunc(k.Columns, func(c int) bool { return !slices.Contains(columns, c) })
	})
}

// LeadsIndex reports whether a key or an ordered index begins with the column.
func (t *Table) LeadsIndex(column int) bool {
	return slices.ContainsFunc(t.Keys, func(k Key) bool { return len(k.Columns) > 0 && k.Columns[0] == column }) ||
		slices.ContainsFunc(t.Indexes, func(i Index) bool {
			return !i.Special && len(i.Parts) > 0 && i.Parts[0].Column == column
		})
}
