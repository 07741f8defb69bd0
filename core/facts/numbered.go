package facts

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// Numbered gives the table whose rows a column numbers: that to which foreign keys lead,
// or its own where it is the primary key. It is nil where the schema does not say, or says
// several.
func (in *Facts) Numbered(t *schema.Table, column int) *schema.Table {
	in.renewNumbered()
	known, ok := in.numbered[t]
	if !ok {
		if in.numbered == nil {
			in.numbered = map[*schema.Table][]*schema.Table{}
		}
		known = make([]*schema.Table, len(t.Columns))
		for i := range known {
			known[i] = numbered(in.Schema, t, i, 8)
		}
		in.numbered[t] = known
	}
	return known[column]
}

// renewNumbered forgets what was worked out for an earlier state of the schema.
func (in *Facts) renewNumbered() {
	if in.changes != in.Schema.Changes() || in.numbering != in.Schema {
		clear(in.numbered)
		in.changes, in.numbering = in.Schema.Changes(), in.Schema
	}
}

// mostForeign bounds the foreign keys of a table that are looked through for each column.
const mostForeign = 256

// numbered follows foreign keys from a column to the table whose rows it
// numbers; nil where none or several are to be followed.
func numbered(s *schema.Schema, t *schema.Table, column, depth int) *schema.Table {
	var next *schema.Table
	nextColumn := -1
	if len(t.Foreign) > mostForeign {
		return nil
	}
	for _, f := range t.Foreign {
		if len(f.Columns) != 1 {
			for _, c := range f.Columns {
				if c == column {
					return nil
				}
			}
			continue
		}
		if f.Columns[0] != column {
			continue
		}
		parent := s.Table(f.Qualifier, f.Table)
		if parent == nil || next != nil || depth == 0 {
			return nil
		}
		next = parent
		if len(f.References) == 1 {
			nextColumn = parent.Column(f.References[0])
		} else {
			nextColumn = soleKey(parent)
		}
	}
	switch {
	case next == t:
		return t
	case next != nil && nextColumn >= 0:
		return numbered(s, next, nextColumn, depth-1)
	case next == nil && soleKey(t) == column:
		return t
	}
	return nil
}

// soleKey gives the one column of a primary key, -1 for a wider one or none.
func soleKey(t *schema.Table) int {
	for _, k := range t.Keys {
		if k.Primary && len(k.Columns) == 1 {
			return k.Columns[0]
		}
	}
	return -1
}

// HasKeys reports whether a source is a table of which all columns are known, and a key.
func HasKeys(s *bind.Source) bool {
	t := s.SchemaTable()
	return t != nil && !t.IsView && t.Complete && len(t.Keys) > 0
}

// AllHaveKeys reports whether all sources of a SELECT are such tables.
func (in *Facts) AllHaveKeys(sel *syntax.Select) bool {
	scope := in.Scope(sel)
	return scope != nil && !slices.ContainsFunc(scope.Sources, func(s *bind.Source) bool { return !HasKeys(s) })
}
