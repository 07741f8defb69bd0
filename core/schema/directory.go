package schema

import (
	"cmp"
	"slices"
	"strings"

	"justlens/core/text"
)

// trait is what tables may be sought by.
type trait uint8

const (
	columnNamed     trait = iota // a column has the name
	constraintNamed              // an index or a key has it
	referringTo                  // a foreign key leads to a table of that last name
	inSchemaNamed                // it stands in a schema of that name
	traitCount
)

// directory tells which tables of a layer may have a trait, by the name in lower case, so that
// not all of them are looked through. It knows what they once had, too: who asks looks again.
type directory struct {
	read    int // how much of the layer's log is in it
	entries map[string]map[*entry]bool
}

// names gives by which names a table has a trait.
func (what trait) names(t *Table) (names []string) {
	switch what {
	case columnNamed:
		for i := range t.Columns {
			names = append(names, t.Columns[i].Name)
		}
	case constraintNamed:
		for i := range t.Indexes {
			names = append(names, t.Indexes[i].Name)
		}
		for i := range t.Keys {
			names = append(names, t.Keys[i].Name)
		}
	case referringTo:
		for i := range t.Foreign {
			names = append(names, t.Foreign[i].Table)
		}
	case inSchemaNamed:
		names = append(names, t.Qualifier)
	}
	return names
}

// having gives the tables of a layer that may have a trait. Layers below are asked by several
// goroutines, and are written to by none: what is given then stays as it is.
func (s *Schema) having(what trait, name string) map[*entry]bool {
	s.asking.Lock()
	defer s.asking.Unlock()
	d := &s.directories[what]
	if d.read < len(s.log) {
		if d.entries == nil {
			d.entries = map[string]map[*entry]bool{}
		}
		seen := map[*entry]bool{}
		for _, e := range s.log[d.read:] {
			if e.table == nil || seen[e] {
				continue
			}
			seen[e] = true
			for _, n := range what.names(e.table) {
				n = strings.ToLower(n)
				if d.entries[n] == nil {
					d.entries[n] = map[*entry]bool{}
				}
				d.entries[n][e] = true
			}
		}
		d.read = len(s.log)
	}
	return d.entries[name]
}

// with goes, in no order, through the tables and views that may have a trait.
func (s *Schema) with(what trait, name string) func(yield func(*Table) bool) {
	return func(yield func(*Table) bool) {
		name := strings.ToLower(name)
		for layer := s; layer != nil; layer = layer.below {
			for e := range layer.having(what, name) {
				if e.table != nil && !s.hides(layer, strings.ToLower(e.table.Name), e.qualifier) && !yield(e.table) {
					return
				}
			}
		}
	}
}

// lose forgets which tables of the layer had a trait that none has any more.
func (s *Schema) lose(what trait, name string) {
	name = strings.ToLower(name)
	s.having(what, name) // reads what is not read yet
	delete(s.directories[what].entries, name)
}

// Owners gives the tables and views that have a column, in the order of their names; none where
// more than most have it.
func (s *Schema) Owners(column string, most int) (owners []*Table) {
	for t := range s.with(columnNamed, column) {
		if t.Column(column) < 0 {
			continue
		}
		if owners = append(owners, t); len(owners) > most {
			return nil
		}
	}
	slices.SortFunc(owners, byName)
	return owners
}

// Children gives the tables that have a foreign key to a table, in the order of their names.
func (s *Schema) Children(t *Table) (children []*Table) {
	for child := range s.with(referringTo, t.Name) {
		if s.refers(child, t) {
			children = append(children, child)
		}
	}
	slices.SortFunc(children, byName)
	return children
}

// IsReferredTo reports whether some table's foreign key leads to one.
func (s *Schema) IsReferredTo(t *Table) bool {
	for child := range s.with(referringTo, t.Name) {
		if s.refers(child, t) {
			return true
		}
	}
	return false
}

func (s *Schema) refers(child, to *Table) bool {
	return slices.ContainsFunc(child.Foreign, func(f ForeignKey) bool { return s.Table(f.Qualifier, f.Table) == to })
}

func byName(a, b *Table) int {
	return cmp.Or(strings.Compare(a.Name, b.Name), strings.Compare(a.Qualifier, b.Qualifier))
}

// mostNear bounds the names that are compared letter by letter; of so many alike none is meant more
// than the others.
const mostNear = 64

// Near gives the names of tables and views for which one may be a slip, sorted within what the text
// makes and within what is given; none of a text that makes more than are looked through each time,
// nor where there are too many.
func (s *Schema) Near(name string) []string {
	s.asking.Lock()
	last := s.near
	s.asking.Unlock()
	if last.name == name && last.changes == s.changes {
		return last.names // a script writes to one table row by row
	}
	last = nearNames{name, s.changes, s.seekNear(name)}
	s.asking.Lock()
	s.near = last
	s.asking.Unlock()
	return last.names
}

// nearNames are what Near gave for a name, after so many changes.
type nearNames struct {
	name    string
	changes int
	names   []string
}

func (s *Schema) seekNear(name string) (names []string) {
	const own, given = 100, 10_000
	shape, reach := text.ShapeOf(name), text.Reach(name)
	for layer := s; layer != nil; layer = layer.below {
		if layer == s && s.live > own || layer.live > given {
			continue
		}
		for _, e := range layer.sorted() {
			if !shape.Within(e.shape, reach) || s.hides(layer, strings.ToLower(e.table.Name), e.qualifier) {
				continue
			}
			if len(names) > 0 && names[len(names)-1] == e.table.Name {
				continue // of several schemas
			}
			if names = append(names, e.table.Name); len(names) > mostNear {
				return nil
			}
		}
	}
	return names
}

// shaped is a table with the shape of its name.
type shaped struct {
	*entry
	shape text.Shape
}

// sorted gives the tables of a layer by their names. It is worked out anew when some were put since.
func (s *Schema) sorted() []shaped {
	s.asking.Lock()
	defer s.asking.Unlock()
	if s.inOrder == nil || s.ordered != s.changes {
		s.inOrder = s.inOrder[:0]
		for _, h := range s.tables {
			for _, e := range h.entries {
				if e.table != nil {
					s.inOrder = append(s.inOrder, shaped{e, text.ShapeOf(e.table.Name)})
				}
			}
		}
		slices.SortFunc(s.inOrder, func(a, b shaped) int { return byName(a.table, b.table) })
		s.ordered = s.changes
	}
	return s.inOrder
}
