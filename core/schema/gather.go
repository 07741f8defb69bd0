package schema

import (
	"bytes"
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// Gatherer collects what the texts of one run tell of tables, as evidence for each other:
// keys, types and what may be NULL. It is never the whole truth: a table that no text makes
// may be there all the same, and so may further columns.
type Gatherer struct {
	schema *Schema
	// doubtful are the last names, in lower case, of tables of which texts tell different
	// things, or that one text changes and another makes.
	doubtful map[string]bool
	names    *syntax.Names
	parser   *syntax.Parser
}

// NewGatherer makes one that knows nothing.
func NewGatherer() *Gatherer {
	g := &Gatherer{schema: New(nil), doubtful: map[string]bool{}}
	g.renew()
	return g
}

func (g *Gatherer) renew() {
	g.names = syntax.NewNames()
	g.parser = syntax.NewParser(g.names)
	g.parser.OnlyDefinitions()
}

// Guess is [syntax.Weigh].
func (g *Gatherer) Guess(path string, src []byte) syntax.Weighed {
	return syntax.Weigh(path, src, g.names)
}

// Add takes in what a text defines.
func (g *Gatherer) Add(src []byte, d dialect.Dialect) {
	if g.names.IsFull() {
		g.renew()
	}
	one := New(nil)
	one.loadBy(g.parser, src, d)
	one.Settle()
	for _, name := range one.strangers {
		g.doubtful[name] = g.doubtful[name] || len(one.named(name)) == 0 // else it was only dropped before it is made
	}
	for _, t := range one.Tables() {
		if t.Temporary {
			continue
		}
		t.Complete, t.Gathered = false, true
		known := g.schema.tables[strings.ToLower(t.Name)].at(strings.ToLower(t.Qualifier))
		switch {
		case known == nil:
			g.schema.put(t)
		case !alike(known.table, t):
			g.doubtful[strings.ToLower(t.Name)] = true
		}
	}
	for name := range one.routines {
		g.schema.putRoutine(name)
	}
}

// SpeaksOfTables reports whether a text may make or change tables, as far as can be seen
// without reading it: most texts of a run do not.
func SpeaksOfTables(src []byte) bool {
	small, large := nextByte(src, 0, 'a'), nextByte(src, 0, 'A') // of TABLE
	for {
		at := min(small, large)
		switch {
		case at == len(src):
			return false
		case at >= 1 && at+4 <= len(src) && bytes.EqualFold(src[at-1:at+4], []byte("table")) && follows(src[:at-1]):
			return true
		case at == small: // each letter is sought once, whichever is the rarer
			small = nextByte(src, at+1, 'a')
		default:
			large = nextByte(src, at+1, 'A')
		}
	}
}

// nextByte gives the place of a byte from a place on, the length of the text if there is none.
func nextByte(src []byte, from int, c byte) int {
	if i := bytes.IndexByte(src[from:], c); i >= 0 {
		return from + i
	}
	return len(src)
}

// follows reports whether one of the words that stand before TABLE stands shortly before.
func follows(before []byte) bool {
	line := bytes.ToLower(before[max(0, len(before)-40):])
	for _, word := range [...]string{"create", "alter", "drop"} {
		if bytes.Contains(line, []byte(word)) {
			return true
		}
	}
	return false
}

// Schema gives what all texts agree in. Nothing may be added afterwards.
func (g *Gatherer) Schema() *Schema {
	for name, doubt := range g.doubtful {
		if doubt {
			g.schema.erase(name)
		}
	}
	return g.schema
}

// alike reports whether two definitions of a table say the same, as far as reasoning rests
// on it.
func alike(a, b *Table) bool {
	return a.IsView == b.IsView &&
		slices.EqualFunc(a.Columns, b.Columns, func(x, y Column) bool {
			return strings.EqualFold(x.Name, y.Name) && x.NotNull == y.NotNull && x.Type.Class == y.Type.Class && x.Collation == y.Collation
		}) &&
		slices.EqualFunc(a.Keys, b.Keys, func(x, y Key) bool { return x.Primary == y.Primary && slices.Equal(x.Columns, y.Columns) })
}

// stranger notes that a text changes a table which it does not make, unless it only adds
// to it.
func (s *Schema) stranger(name string, actions []*syntax.AlterAction) {
	added := func(a *syntax.AlterAction) bool {
		return a.Action == syntax.AddColumn || a.Action == syntax.AddConstraint
	}
	if len(actions) == 0 || slices.ContainsFunc(actions, func(a *syntax.AlterAction) bool { return !added(a) }) {
		s.strangers = append(s.strangers, strings.ToLower(name))
	}
}
