package schema

import (
	"cmp"
	"slices"
	"strings"
	"sync"

	"justlens/core/dialect"
	"justlens/core/text"
)

// Schema is a set of tables, views and types. It may stand on another, which it
// never changes; a schema that nobody applies statements to may be read by
// several goroutines.
type Schema struct {
	below   *Schema
	dialect dialect.Dialect
	tables  map[string]*homonyms // by last name in lower case
	live    int                  // how many of them are not dropped
	types   map[string]*UserType
	// routines are functions and procedures by last name in lower case.
	routines map[string]bool
	// relations are what FROM takes besides tables and views, and tables of which no more is
	// known, by last name in lower case.
	relations map[string]bool
	unseen    Unseen
	path      []string // search path, nil for the usual one
	// conversions tells that an operator or a cast was created.
	conversions bool
	// givenNumbers tells that SET IDENTITY_INSERT is ON.
	givenNumbers bool
	whole        bool
	changes      int
	copied       int             // columns that tables and views got from others
	made         map[*Table]bool // tables that the text itself made or emptied
	created      map[*Table]bool // those of them that it made
	opened       bool            // all tables were opened once
	fresh        []*Table        // that were put since then
	divided      map[string]bool // tables that have others for parts, by last name in lower case
	changed      []place         // of tables that were put or removed since the last COMMIT
	away         away
	// Problems tell of what could not be applied.
	Problems []Problem
	// strangers are tables, by last name in lower case, that were changed and are not there.
	strangers []string

	// log holds the places in which tables were put, the directories what it tells of them.
	log         []*entry
	directories [traitCount]directory
	inOrder     []shaped // as of so many changes
	ordered     int
	near        nearNames
	asking      sync.Mutex
}

// Problem is a place in DDL text that could not be read or applied.
type Problem struct {
	Span    text.Span
	Message string
	Fault   bool // of the program itself
}

// place is where a table is found, both in lower case.
type place struct{ qualifier, name string }

// entry is a table, or with a nil Table one that was dropped, so that one of the
// same name further below is hidden.
type entry struct {
	qualifier string // in lower case
	table     *Table
}

// homonyms are the places of one last name, in the order in which they came.
type homonyms struct {
	entries []*entry
	by      map[string]*entry // by qualifier, nil of a few
	live    int               // how many tables are in them
}

// few is up to how many places of one name are looked through one by one: databases that keep a
// schema for each of those who use them have thousands.
const few = 16

// at gives the place of a qualifier in lower case, nil if there is none; h may be nil.
func (h *homonyms) at(qualifier string) *entry {
	if h == nil {
		return nil
	}
	if h.by != nil {
		return h.by[qualifier]
	}
	for _, e := range h.entries {
		if e.qualifier == qualifier {
			return e
		}
	}
	return nil
}

func (h *homonyms) add(e *entry) {
	h.entries = append(h.entries, e)
	if h.by == nil && len(h.entries) > few {
		h.by = map[string]*entry{}
		for _, one := range h.entries {
			h.by[one.qualifier] = one
		}
	} else if h.by != nil {
		h.by[e.qualifier] = e
	}
}

// New makes an empty schema that adds to another; below may be nil.
func New(below *Schema) *Schema {
	s := &Schema{below: below}
	if below != nil {
		s.dialect, s.path, s.whole = below.dialect, below.path, below.whole
	}
	return s
}

// usualPath is where unqualified names are looked for if nothing else is said.
var usualPath = []string{"", "public", "dbo", "main", "temp"}

// qualified finds a table by its schema among those of one name. What the text itself makes
// without one stands in a schema that is looked in as a rule, whatever other texts tell of that.
func qualified(candidates []*Table, qualifier string) *Table {
	var named, bare *Table
	for _, t := range candidates {
		if named == nil && strings.EqualFold(t.Qualifier, qualifier) {
			named = t
		}
		if t.Qualifier == "" && !t.Gathered {
			bare = t
		}
	}
	usual := slices.ContainsFunc(usualPath, func(s string) bool { return strings.EqualFold(s, qualifier) })
	switch {
	case named != nil && named.Gathered && bare != nil && usual:
		return bare
	case named == nil && len(candidates) == 1 && candidates[0].Qualifier == "" && !isBuiltIn(qualifier):
		return candidates[0]
	}
	return named
}

// isBuiltIn reports whether a schema holds the database's own tables and views, and no others.
func isBuiltIn(name string) bool {
	switch strings.ToLower(name) {
	case "information_schema", "performance_schema", "pg_catalog":
		return true
	}
	return false
}

// Table finds a table or view by its name, and the schema it is qualified with
// or "". Letter case does not matter. It gives nil for a name that is unknown or
// that several schemas have.
func (s *Schema) Table(qualifier, name string) *Table {
	if t, ok := s.only(name); ok && (t == nil || !t.Temporary && (qualifier == "" || strings.EqualFold(t.Qualifier, qualifier))) {
		return t
	}
	if s.countOf(name) > few {
		return s.amongMany(strings.ToLower(name), qualifier)
	}
	candidates := s.named(name)
	for _, t := range candidates {
		if t.Temporary && (qualifier == "" || strings.EqualFold(t.Qualifier, qualifier)) {
			return t
		}
	}
	if len(candidates) == 0 {
		return nil
	}
	if qualifier != "" {
		return qualified(candidates, qualifier)
	}
	if len(candidates) == 1 {
		return candidates[0]
	}
	path := s.path
	if path == nil {
		path = usualPath
	}
	for _, where := range path {
		for _, t := range candidates {
			if strings.EqualFold(t.Qualifier, where) {
				return t
			}
		}
	}
	return nil
}

// countOf counts the places of a name.
func (s *Schema) countOf(name string) (count int) {
	name = strings.ToLower(name)
	for ; s != nil; s = s.below {
		if h := s.tables[name]; h != nil {
			count += len(h.entries)
		}
	}
	return count
}

// amongMany is Table for a name, in lower case, that many schemas have.
func (s *Schema) amongMany(name, qualifier string) *Table {
	in := func(qualifier string) *Table {
		for layer := s; layer != nil; layer = layer.below {
			if e := layer.tables[name].at(strings.ToLower(qualifier)); e != nil {
				return e.table
			}
		}
		return nil
	}
	if t := in(temporary); t != nil && (qualifier == "" || strings.EqualFold(t.Qualifier, qualifier)) {
		return t
	}
	if qualifier != "" {
		named := in(qualifier)
		if bare := in(""); named != nil && bare != nil {
			return qualified([]*Table{named, bare}, qualifier)
		}
		return named
	}
	path := s.path
	if path == nil {
		path = usualPath
	}
	for _, where := range path {
		if t := in(where); t != nil {
			return t
		}
	}
	live := 0
	for layer := s; layer != nil; layer = layer.below {
		if h := layer.tables[name]; h != nil {
			live += h.live
		}
	}
	if live == 1 { // all others are dropped
		for _, t := range s.named(name) {
			return t
		}
	}
	return nil
}

// only finds the one table of a name, nil if there is none; ok is false where
// there are several, or some were dropped.
func (s *Schema) only(name string) (t *Table, ok bool) {
	name = strings.ToLower(name)
	for ; s != nil; s = s.below {
		h := s.tables[name]
		if h == nil {
			continue
		}
		if t != nil || len(h.entries) > 1 || h.entries[0].table == nil {
			return nil, false
		}
		t = h.entries[0].table
	}
	return t, true
}

// Changes counts what was added, changed and dropped, so that what was looked up can
// be kept as long as it stays the same.
func (s *Schema) Changes() int { return s.changes }

// Search sets where unqualified names are looked for; nil is the usual path.
func (s *Schema) Search(path []string) {
	s.path = path
	s.changes++
}

// SetWhole tells that the schema holds all tables there are, so that one that it
// does not have is none.
func (s *Schema) SetWhole() { s.whole = true }

// SetRows tells about how many rows a table has.
func (s *Schema) SetRows(qualifier, name string, rows int64) {
	if t := s.Table(qualifier, name); t != nil {
		t.Rows = rows
	}
}

// GivesNumbers reports whether the text has said that an identity may be given its numbers.
func (s *Schema) GivesNumbers() bool { return s.givenNumbers }

// IsWhole reports whether a table that the schema does not have is none.
func (s *Schema) IsWhole() bool { return s.whole }

// For sets the dialect in which statements are applied.
func (s *Schema) For(d dialect.Dialect) *Schema {
	s.dialect = d
	return s
}

// named gives the tables of a last name, the nearest first.
func (s *Schema) named(name string) []*Table {
	name = strings.ToLower(name)
	var found []*Table
	for layer := s; layer != nil; layer = layer.below {
		h := layer.tables[name]
		if h == nil {
			continue
		}
		for _, e := range h.entries {
			if e.table != nil && !s.hides(layer, name, e.qualifier) {
				found = append(found, e.table)
			}
		}
	}
	return found
}

// HasQualifier reports whether a table is in the schema of the name, or it is one in
// which tables are without being told.
func (s *Schema) HasQualifier(name string) bool {
	path := s.path
	if path == nil {
		path = usualPath
	}
	if slices.ContainsFunc(path, func(p string) bool { return strings.EqualFold(p, name) }) {
		return true
	}
	for t := range s.with(inSchemaNamed, name) {
		if strings.EqualFold(t.Qualifier, name) {
			return true
		}
	}
	return false
}

// Tables gives the tables and views of s and those below it, in the order of
// their qualified names.
func (s *Schema) Tables() []*Table {
	seen := map[string]bool{}
	var all []*Table
	for ; s != nil; s = s.below {
		for name, h := range s.tables {
			for _, e := range h.entries {
				if key := e.qualifier + "." + name; !seen[key] {
					seen[key] = true
					if e.table != nil {
						all = append(all, e.table)
					}
				}
			}
		}
	}
	slices.SortFunc(all, func(a, b *Table) int {
		return cmp.Or(strings.Compare(a.Qualifier, b.Qualifier), strings.Compare(strings.ToLower(a.Name), strings.ToLower(b.Name)))
	})
	return all
}

// all goes through the tables and views of s and those below it, in no order.
func (s *Schema) all(yield func(*Table) bool) {
	for layer := s; layer != nil; layer = layer.below {
		if layer.live == 0 {
			continue
		}
		for name, h := range layer.tables {
			for _, e := range h.entries {
				if e.table != nil && !s.hides(layer, name, e.qualifier) && !yield(e.table) {
					return
				}
			}
		}
	}
}

// hides reports whether a layer above another has the name, or dropped it.
func (s *Schema) hides(layer *Schema, name, qualifier string) bool {
	for ; s != layer; s = s.below {
		if s.tables[name].at(qualifier) != nil {
			return true
		}
	}
	return false
}

func (s *Schema) isEmpty() bool {
	for range s.all {
		return false
	}
	return true
}

// Types gives the enumerations and domains in the order of their names.
func (s *Schema) Types() []*UserType {
	seen := map[string]bool{}
	var all []*UserType
	for ; s != nil; s = s.below {
		for name, t := range s.types {
			if !seen[name] {
				seen[name] = true
				if t != nil {
					all = append(all, t)
				}
			}
		}
	}
	slices.SortFunc(all, func(a, b *UserType) int { return strings.Compare(a.Name, b.Name) })
	return all
}

// Type finds an enumeration or domain by its last name.
func (s *Schema) Type(name string) *UserType {
	name = strings.ToLower(name)
	for ; s != nil; s = s.below {
		if t, ok := s.types[name]; ok {
			return t
		}
	}
	return nil
}

// HasRoutine reports whether a function or procedure of the name, in lower case, was
// created.
func (s *Schema) HasRoutine(name string) bool {
	for ; s != nil; s = s.below {
		if s.routines[name] {
			return true
		}
	}
	return false
}

// Unseen tells whether there may be tables that nothing names.
type Unseen uint8

const (
	// NoneUnseen: all tables are known.
	NoneUnseen Unseen = iota
	// MaybeUnseen: a procedure was called, which may make some.
	MaybeUnseen
	// SurelyUnseen: some were made whose names do not stand there, as by IMPORT FOREIGN SCHEMA.
	SurelyUnseen
)

// Unseen tells whether there may be tables that nothing names.
func (s *Schema) Unseen() Unseen {
	most := NoneUnseen
	for ; s != nil; s = s.below {
		most = max(most, s.unseen)
	}
	return most
}

// HasRelation reports whether FROM takes the name, in lower case, though no table or view of
// it is known: a sequence, a synonym, a table that a text made of text makes.
func (s *Schema) HasRelation(name string) bool {
	for ; s != nil; s = s.below {
		if s.relations[name] {
			return true
		}
	}
	return false
}

func (s *Schema) putRelation(name string) {
	if s.relations == nil {
		s.relations = map[string]bool{}
	}
	s.relations[strings.ToLower(name)] = true
}

// AddsConversions reports whether an operator or a cast was created, so that values may go
// together which by the database's own rules do not.
func (s *Schema) AddsConversions() bool {
	for ; s != nil; s = s.below {
		if s.conversions {
			return true
		}
	}
	return false
}

func (s *Schema) putRoutine(name string) {
	if s.routines == nil {
		s.routines = map[string]bool{}
	}
	s.routines[strings.ToLower(name)] = true
}

// HasTables reports whether any table was ever made, be it dropped since.
func (s *Schema) HasTables() bool {
	for ; s != nil; s = s.below {
		if len(s.tables) > 0 {
			return true
		}
	}
	return false
}

// Len counts the tables that Tables would give.
func (s *Schema) Len() int { return len(s.Tables()) }

// put adds a table, or replaces the one of its name.
func (s *Schema) put(t *Table) {
	if t.places == nil {
		t.place()
	}
	s.set(placeOf(t), t.Name, t)
	if s.opened {
		s.fresh = append(s.fresh, t)
	}
}

// Makes reports whether the text to which the schema belongs made or emptied the table, so that
// it has no rows but those that the text gives it.
func (s *Schema) Makes(t *Table) bool { return s.made[t] }

// Creates reports whether the text to which the schema belongs creates the table, so that what
// it has at each statement is known.
func (s *Schema) Creates(t *Table) bool { return s.created[t] }

func (s *Schema) create(t *Table) {
	if s.created == nil {
		s.created = map[*Table]bool{}
	}
	s.created[t] = true
}

// forget takes it that the tables created so far may be gone, or may be those of another place.
func (s *Schema) forget() { s.created = nil }

// divide notes that a table has others for its parts, which go with it.
func (s *Schema) divide(t *Table) {
	if s.divided == nil {
		s.divided = map[string]bool{}
	}
	s.divided[strings.ToLower(t.Name)] = true
}

func (s *Schema) isDivided(t *Table) bool { return s.divided[strings.ToLower(t.Name)] }

func (s *Schema) make(t *Table) {
	if s.made == nil {
		s.made = map[*Table]bool{}
	}
	s.made[t] = true
}

// own gives a table that may be changed before it is put: the one found if it is the
// schema's own, else a copy.
func (s *Schema) own(t *Table) *Table {
	if e := s.tables[strings.ToLower(t.Name)].at(strings.ToLower(placeOf(t))); e != nil && e.table == t {
		return t
	}
	return t.clone()
}

// remove hides the table of a name; a temporary one uncovers that which it hid.
func (s *Schema) remove(t *Table) { s.set(placeOf(t), t.Name, nil) }

// placeOf gives the qualifier under which a table is kept: temporary tables have
// a place of their own, before all others.
func placeOf(t *Table) string {
	if t.Temporary {
		return temporary
	}
	return t.Qualifier
}

const temporary = "temporary"

func (s *Schema) set(qualifier, name string, t *Table) {
	s.changes++
	if s.tables == nil {
		s.tables = map[string]*homonyms{}
	}
	name, qualifier = strings.ToLower(name), strings.ToLower(qualifier)
	s.changed = append(s.changed, place{qualifier, name})
	h := s.tables[name]
	if h == nil {
		h = &homonyms{}
		s.tables[name] = h
	}
	e := h.at(qualifier)
	if e == nil {
		e = &entry{qualifier: qualifier}
		h.add(e)
	}
	if t != nil && e.table != nil && e.table.Name != t.Name {
		t.OtherCase = true
	}
	switch {
	case e.table == nil && t != nil:
		h.live++
		s.live++
	case e.table != nil && t == nil:
		h.live--
		s.live--
	}
	e.table = t
	if t != nil {
		s.log = append(s.log, e)
	}
}

// erase takes all tables of a last name, in lower case, away, as if there never had been one.
func (s *Schema) erase(name string) {
	h := s.tables[name]
	if h == nil {
		return
	}
	for _, e := range h.entries {
		e.table = nil // for the directories
	}
	s.live -= h.live
	delete(s.tables, name)
}

// MostColumns bounds the columns that a table, a view or a select list may get by the stars and copies of
// others: no database lets more through but Spark. mostCopied bounds those of a schema, else each
// short statement that names a wide table would make as many. What there would be beyond is not known.
const (
	MostColumns = 4096
	mostCopied  = 200_000
)

// copies reports whether so many columns may be added to those that a table has, by copying.
func (s *Schema) copies(has, added int) bool {
	if has+added > MostColumns || s.copied+added > mostCopied {
		return false
	}
	s.copied += added
	return true
}
