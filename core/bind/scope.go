package bind

import (
	"slices"

	"justlens/core/schema"
	"justlens/core/slab"
	"justlens/core/syntax"
)

// Source is a table, view, derived table or common table expression as it
// stands in one FROM.
type Source struct {
	Node    syntax.TableExpr
	Name    syntax.Ident // what a column is qualified with: the alias or the table's name
	Columns []*Column    // as far as they are used
	// Complete tells that all columns are known; without it only those are
	// that the text teaches.
	Complete bool
	// Optional tells that an outer join may fill the source with NULLs.
	Optional bool
	// Unknown tells of a table that a schema which holds all tables does not have.
	Unknown bool
	// Quoted tells that some column of the table was created in quotes.
	Quoted bool
	// Later tells that the name is that of a common table expression that is
	// defined further on.
	Later bool
	// firstOfTwins tells that of two columns of one name the first is meant.
	firstOfTwins bool
	// namedByType tells that a column without an alias may be called as its type is.
	namedByType bool
	// Scope is the scope the source belongs to.
	Scope *Scope

	table *schema.Table
	// Query is that of a derived table or common table expression.
	Query *syntax.Query
	// names are those of the table's columns, of which Columns holds those used.
	names   []syntax.Sym
	columns *slab.Slab[Column]
	// byName indexes the first of many columns, as many of Columns as indexed says, and
	// places the names.
	byName  map[syntax.Sym]*Column
	indexed int
	places  map[syntax.Sym]int
	// Index is its place in Scope.Sources.
	Index int
}

// Column is a column of a source.
type Column struct {
	Sym syntax.Sym
	// number is its place in Source.Columns.
	number int32
	Source *Source
	// Index is the column's place in the schema's table, -1 if there is none.
	Index int
	// X is the expression of the derived table or CTE behind the source.
	X syntax.Expr
}

// Scope is what a SELECT, UPDATE, DELETE or INSERT sees.
type Scope struct {
	Node   syntax.Node
	Index  int    // in Info.Scopes, -1 for one that is not listed there
	Parent *Scope // the query around a subquery
	// Sources are those of FROM, in the order of the text.
	Sources []*Source
	// Merged are the columns that USING makes one.
	Merged []syntax.Sym
	// Joined are the names that USING (…) AS gives to them.
	Joined []syntax.Sym
	// Natural tells of a NATURAL JOIN, which merges whatever names agree.
	Natural bool
	// Coalesced tells that merged columns may come from the right side of a join.
	Coalesced bool
	// Marked tells of outer joins by Oracle's (+), of which Optional knows nothing.
	Marked bool
	// Listed tells that Outputs are all there are, no star standing for columns that are
	// not known.
	Listed bool
	// limit is how many of the parent's sources a lateral query sees, those before it; -1
	// where it sees all.
	limit int32

	// Calls are those of the scope's own expressions, not of queries inside them, clause
	// by clause, within a clause in the order of the text.
	Calls []*syntax.Call
	// Bare are the names without a qualifier that stand in the scope's own expressions, of
	// whatever meaning, in the same order.
	Bare []*syntax.Name
	// Outputs are the columns that a SELECT gives out.
	Outputs []Output

	ctes *cteScope
	// aliases index the written aliases of a long select list.
	aliases map[syntax.Sym]*syntax.SelectItem
	// outputs index the names of a long select list.
	outputs map[syntax.Sym]*syntax.SelectItem
	// byName indexes the first of many sources, as many as named says.
	byName map[syntax.Sym]*Source
	named  int
}

// shortList is a length up to which lists are searched from end to end.
const shortList = 16

// Item finds the first output column with a written alias; nil if there is none.
func (sc *Scope) Item(sym syntax.Sym) *syntax.SelectItem {
	sel, ok := sc.Node.(*syntax.Select)
	if !ok {
		return nil
	}
	if len(sel.Items) <= shortList {
		for _, item := range sel.Items {
			if item.Alias.Sym == sym && !item.Alias.IsZero() {
				return item
			}
		}
		return nil
	}
	if sc.aliases == nil {
		sc.aliases = map[syntax.Sym]*syntax.SelectItem{}
		for _, item := range sel.Items {
			if _, ok := sc.aliases[item.Alias.Sym]; !ok && !item.Alias.IsZero() {
				sc.aliases[item.Alias.Sym] = item
			}
		}
	}
	return sc.aliases[sym]
}

// Named finds a column of the source by name.
func (s *Source) Named(sym syntax.Sym) *Column {
	if len(s.Columns)+len(s.names) > manyColumns {
		return s.namedOfMany(sym)
	}
	for _, c := range s.Columns {
		if c.Sym == sym {
			return c
		}
	}
	for i, name := range s.names {
		if name == sym {
			return s.add(Column{Sym: sym, Index: i})
		}
	}
	return nil
}

// manyColumns is how many columns are looked through one by one.
const manyColumns = 256

func (s *Source) namedOfMany(sym syntax.Sym) *Column {
	s.index()
	if c := s.byName[sym]; c != nil {
		return c
	}
	if i, ok := s.places[sym]; ok {
		return s.add(Column{Sym: sym, Index: i})
	}
	return nil
}

// index brings the maps of many columns up to date.
func (s *Source) index() {
	if s.byName == nil {
		s.byName, s.places = map[syntax.Sym]*Column{}, make(map[syntax.Sym]int, len(s.names))
		for i, name := range slices.Backward(s.names) {
			s.places[name] = i
		}
	}
	for ; s.indexed < len(s.Columns); s.indexed++ {
		c := s.Columns[s.indexed]
		if _, ok := s.byName[c.Sym]; !ok {
			s.byName[c.Sym] = c
		}
	}
}

// Brings counts the columns of a name that are known; of many columns, only the first.
func (s *Source) Brings(sym syntax.Sym) (count int) {
	if len(s.Columns)+len(s.names) > manyColumns {
		s.index()
		if _, ok := s.places[sym]; ok || s.names == nil && s.byName[sym] != nil {
			return 1
		}
		return 0
	}
	for _, own := range s.ColumnSyms() {
		if own == sym {
			count++
		}
	}
	return count
}

// Place gives a column's place among those of the table or query behind the
// source, -1 if it is not known.
func (s *Source) Place(c *Column) int {
	switch {
	case c == nil:
		return -1
	case s.table != nil:
		return c.Index
	case !s.Complete || c.Source != s:
		return -1
	}
	return int(c.number)
}

// isAnonymous reports whether a name in quotes, or any if the database names after the
// type or the function, may be what the database calls a column without a name, or what a
// template puts in.
func (s *Source) isAnonymous(id syntax.Ident) bool {
	if s.table != nil || !s.Complete {
		return false
	}
	for _, c := range s.Columns {
		if c.Sym != 0 {
			continue
		}
		if _, ok := c.X.(*syntax.Name); ok {
			return true // which a template puts in
		}
		if id.Quoted || s.namedByType && isNamedByType(c.X) {
			return true
		}
	}
	return false
}

// isNamedByType reports whether PostgreSQL names a column after a type, or by another name
// of a function.
func isNamedByType(x syntax.Expr) bool {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Collate:
		return isNamedByType(n.X)
	case *syntax.Cast, *syntax.TypedLiteral, *syntax.Interval, *syntax.AtZone, *syntax.Call, *syntax.Subquery:
		return true
	}
	return false
}

// Width counts the columns that Place numbers.
func (s *Source) Width() int {
	if s.table != nil {
		return len(s.table.Columns)
	}
	return len(s.Columns)
}

func (s *Source) add(c Column) *Column {
	added := s.columns.Next()
	*added = c
	added.Source, added.number = s, int32(len(s.Columns))
	s.Columns = append(s.Columns, added)
	return added
}

// column gives the column of a qualified use, which teaches one of a source whose columns
// are not all known; nil where there is none.
func (s *Source) column(sym syntax.Sym) *Column {
	c := s.Named(sym)
	if c == nil && !s.Complete {
		c = s.add(Column{Sym: sym, Index: -1})
	}
	return c
}

// MostNested bounds how many queries around one are looked at for a name: few databases nest as many.
const MostNested = 64

// source finds a source by its name, here or in a query around.
func (sc *Scope) source(sym syntax.Sym) (*Source, bool) {
	at := sc
	for depth := 0; at != nil && depth <= MostNested; at, depth = at.Parent, depth+1 {
		if s := at.Own(sym); s != nil {
			return s, at != sc
		}
	}
	return nil, false
}

// names reports whether a source of the scope, or of a query around, has the name.
func (sc *Scope) names(sym syntax.Sym) bool {
	s, _ := sc.source(sym)
	return s != nil
}

// hasJoined reports whether a join by USING has the name, here or in a query around.
func (sc *Scope) hasJoined(sym syntax.Sym) bool {
	at := sc
	for depth := 0; at != nil && depth <= MostNested; at, depth = at.Parent, depth+1 {
		if slices.Contains(at.Joined, sym) {
			return true
		}
	}
	return false
}

// Own finds the first source of the scope itself by its name.
func (sc *Scope) Own(sym syntax.Sym) *Source {
	if len(sc.Sources) <= shortList {
		for _, s := range sc.Sources {
			if s.Name.Sym == sym {
				return s
			}
		}
		return nil
	}
	if sc.byName == nil {
		sc.byName = map[syntax.Sym]*Source{}
	}
	for ; sc.named < len(sc.Sources); sc.named++ { // more may have come since
		s := sc.Sources[sc.named]
		if _, ok := sc.byName[s.Name.Sym]; !ok {
			sc.byName[s.Name.Sym] = s
		}
	}
	return sc.byName[sym]
}

// nameWithin finds a source by its name among those that are visible.
func (sc *Scope) nameWithin(sym syntax.Sym, v visible) *Source {
	for _, s := range sc.Sources[v.from:min(v.to, len(sc.Sources))] {
		if s.Name.Sym == sym {
			return s
		}
	}
	return nil
}

// twin finds another source of the same scope and name.
func (sc *Scope) twin(s *Source) *Source {
	if s == nil || s.Scope == nil || len(s.Scope.Sources) > 64 {
		return nil
	}
	for _, other := range s.Scope.Sources {
		if other != s && other.Name.Sym == s.Name.Sym {
			return other
		}
	}
	return nil
}

// doubled reports whether two columns of the source have the name.
func (s *Source) doubled(sym syntax.Sym) bool {
	if s.table != nil || len(s.Columns) > 64 || s.firstOfTwins {
		return false
	}
	count := 0
	for _, c := range s.Columns {
		if c.Sym == sym {
			count++
		}
	}
	return count > 1
}

func (sc *Scope) Merges(sym syntax.Sym) bool {
	for _, m := range sc.Merged {
		if m == sym {
			return true
		}
	}
	return sc.Natural
}

// visible is the part of a scope's sources that a name can see: all of them,
// or those of one join for its ON.
type visible struct{ from, to int }

// mostSources bounds of how many sources a column without a qualifier is looked for; no
// database takes as many.
const mostSources = 256

// lookup finds an unqualified column in one scope.
func (sc *Scope) lookup(id syntax.Ident, v visible) Use {
	sym := id.Sym
	var first *Column
	var others []*Source // that have it besides the first
	open := 0
	var only *Source
	if len(sc.Sources) > mostSources {
		return Use{Status: Unclear}
	}
	for _, s := range sc.Sources[v.from:min(v.to, len(sc.Sources))] {
		if c := s.Named(sym); c != nil {
			if first == nil {
				first = c
			} else {
				others = append(others, s)
			}
			if s.doubled(sym) {
				others = append(others, s)
			}
		} else if !s.Complete || s.isAnonymous(id) {
			open++
			only = s
		}
	}
	switch {
	case first != nil && (len(others) == 0 || sc.Merges(sym)):
		return Use{Status: Resolved, Source: first.Source, Column: first}
	case first != nil:
		candidates := append([]*Source{first.Source}, others...)
		return Use{Status: Ambiguous, candidates: &candidates}
	case open == 1:
		return Use{Status: Assumed, Source: only}
	case open > 1:
		return Use{Status: Unclear}
	}
	return Use{Status: Missing}
}

// lookupOut finds an unqualified column here or in the queries around.
func (sc *Scope) lookupOut(id syntax.Ident, v visible) Use {
	u := sc.lookup(id, v)
	if u.Status != Missing && u.Status != Assumed {
		return u
	}
	depth := 0
	for inner, at := sc, sc.Parent; at != nil; inner, at = at, at.Parent {
		if depth++; depth > MostNested {
			return Use{Status: Unclear}
		}
		if _, ok := at.Node.(*syntax.Control); ok {
			break // no query, but variables around it
		}
		v := visible{0, len(at.Sources)}
		if inner.limit >= 0 {
			v.to = int(inner.limit)
		}
		outer := at.lookup(id, v)
		switch {
		case outer.Status == Missing:
		case u.Status == Assumed:
			return Use{Status: Unclear} // the inner source may have it, so may an outer one
		default:
			outer.Outer = true
			return outer
		}
	}
	return u
}

// ColumnSyms lists the names of the source's columns as far as they are known, 0
// for one without a name.
func (s *Source) ColumnSyms() []syntax.Sym {
	if s.names != nil {
		return s.names
	}
	syms := make([]syntax.Sym, len(s.Columns))
	for i, c := range s.Columns {
		syms[i] = c.Sym
	}
	return syms
}
