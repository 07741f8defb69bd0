package bind

import (
	"hash/maphash"
	"sort"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Status tells how much is known of a use of a name.
type Status uint8

const (
	// Unbound is a name that was not looked up: a target of SET, a type, a unit.
	Unbound Status = iota
	// Resolved is a column whose source is known.
	Resolved
	// Assumed is a column of the only source that could have it, though that
	// source's columns are not known.
	Assumed
	// Ambiguous is a column that several sources have.
	Ambiguous
	// OutputAlias is the name of an output column of the same query.
	OutputAlias
	// Builtin is a value of the database's own, or a whole row.
	Builtin
	// Missing is a name that no source can have.
	Missing
	// NoSource is a qualified name whose qualifier no source has.
	NoSource
	// Unclear is a name that cannot be told.
	Unclear
	// Variable is a name within a routine that no source has.
	Variable
	// Statuses is how many there are.
	Statuses
)

// Use is what one name in the text means.
type Use struct {
	Status Status
	// Outer tells that the source belongs to a query around this one.
	Outer  bool
	Scope  *Scope  // where the name stands
	Source *Source // for Resolved and Assumed
	Column *Column // for Resolved
	// Item is the output column of an OutputAlias.
	Item *syntax.SelectItem

	candidates *[]*Source
}

// Candidates are the sources that an ambiguous name may mean, the one in which a name is
// missing, or the one whose column a variable hides.
func (u *Use) Candidates() []*Source {
	if u.candidates == nil {
		return nil
	}
	return *u.candidates
}

// Info is what is known of one statement. It is valid until the next call of
// [Binder.Bind].
type Info struct {
	Dialect dialect.Dialect
	Names   *syntax.Names
	Src     []byte
	Scopes  []*Scope // in the order in which they were opened
	// Schema holds the tables known, nil if none are.
	Schema *schema.Schema

	// places are by node number: of a name that in uses, 0 if it was not looked up; of a
	// node that opened a scope one more than that in Scopes.
	places    []int32
	uses      []Use // the first is the zero Use
	parents   []syntax.Node
	forms     []uint64 // by node number, as far as asked for
	seed      maphash.Seed
	comments  []text.Span // of the statement, which expressions that are the same need not share
	enclosing enclosing
	climbs    map[climb]map[int32]reached
}

// shortClimb is how far up the tree is climbed without looking for one who climbed
// there before.
const shortClimb = 16

// climb is a question of [Info.seek]: which kinds are sought, and whether beyond the
// query.
type climb struct {
	kinds  syntax.KindSet
	beyond bool
}

// reached is where a climb ended: the node found, and the node below it on the way.
type reached struct{ found, below syntax.Node }

// seek gives the nearest node above n that is of one of the kinds, and the node below
// it on the way from n. A statement may be nested thousands deep, and each of its nodes
// asks: some nodes on a long way remember where it led.
func (in *Info) seek(n syntax.Node, c climb) (end reached) {
	var known map[int32]reached
	var passed []int32
	at := n
	for steps := 0; ; steps++ {
		if steps >= shortClimb {
			if known == nil {
				known = in.climbed(c)
			}
			if r, ok := known[at.ID()]; ok {
				end = r
				break
			}
			if steps%shortClimb == 0 {
				passed = append(passed, at.ID())
			}
		}
		above := in.Parent(at)
		if above == nil {
			break
		}
		if c.kinds.Has(above.Kind()) {
			end = reached{above, at}
			break
		}
		if !c.beyond && above.Kind() == syntax.KindQuery {
			break
		}
		at = above
	}
	if len(passed) > 1 { // a short way to a remembered one is soon gone again
		for _, id := range passed {
			known[id] = end
		}
	}
	return end
}

// climbed gives what is remembered of climbs of a sort.
func (in *Info) climbed(c climb) map[int32]reached {
	if in.climbs == nil {
		in.climbs = map[climb]map[int32]reached{}
	}
	if in.climbs[c] == nil {
		in.climbs[c] = map[int32]reached{}
	}
	return in.climbs[c]
}

// SourceAt gives the source that a table of FROM is, nil if it is none.
func (in *Info) SourceAt(t syntax.TableExpr) *Source {
	around := in.Nearest(t, Scoped)
	if around == nil || in.Scope(around) == nil {
		return nil
	}
	// In the order of the text, but for those that stand for no table of it.
	sources, at := in.Scope(around).Sources, t.Span().Start
	if len(sources) > shortList {
		sources = sources[max(0, sort.Search(len(sources), func(i int) bool { return sources[i].Node != nil && sources[i].Node.Span().Start >= at })-1):]
	}
	for _, s := range sources {
		if s.Node == t {
			return s
		}
	}
	return nil
}

// Scoped are the nodes whose FROM, or tables to write to, make a scope.
var Scoped = syntax.Kinds(syntax.KindSelect, syntax.KindUpdate, syntax.KindDelete, syntax.KindInsert, syntax.KindMerge)

// Use gives what a name means; the zero Use if it was not looked up.
func (in *Info) Use(n *syntax.Name) *Use { return &in.uses[in.places[n.ID()]] }

// Parent gives the node above, nil for the statement.
func (in *Info) Parent(n syntax.Node) syntax.Node { return in.parents[n.ID()] }

// Above gives the nearest node above that is no parenthesis.
func (in *Info) Above(n syntax.Node) syntax.Node {
	above := in.Parent(n)
	for above != nil && above.Kind() == syntax.KindParen {
		above = in.Parent(above)
	}
	return above
}

// Scope gives the scope that a Select, Update, Delete or Insert opened.
func (in *Info) Scope(n syntax.Node) *Scope {
	if i := in.places[n.ID()]; i > 0 && n.Kind() != syntax.KindName {
		return in.Scopes[i-1]
	}
	return nil
}

// Text gives the text of a node as written. It holds Src.
func (in *Info) Text(n syntax.Node) string { return text.View(in.Src, n.Span()) }

// Ident gives a name as written, quotes included.
func (in *Info) Ident(id syntax.Ident) string { return text.View(in.Src, id.Span) }

// FunctionName gives the last part of a called name in lower case.
func (in *Info) FunctionName(c *syntax.Call) string {
	if len(c.Name) == 0 {
		return ""
	}
	return in.Names.String(c.Name[len(c.Name)-1].Sym)
}

// Enclosing gives the nearest node above n that is of one of the kinds, and
// the node below it on the way from n. It stops at the query around n, so
// that what lies outside a subquery is not found.
func (in *Info) Enclosing(n syntax.Node, kinds syntax.KindSet) (found, below syntax.Node) {
	if last := &in.enclosing; last.n != n || last.kinds != kinds { // several checks ask the same in turn
		*last = enclosing{n: n, kinds: kinds}
		last.reached = in.seek(n, climb{kinds: kinds})
	}
	return in.enclosing.found, in.enclosing.below
}

// enclosing is a question of [Info.Enclosing] with its answer.
type enclosing struct {
	reached
	n     syntax.Node
	kinds syntax.KindSet
}

// Nearest gives the nearest node above n that is of one of the kinds, in whatever query;
// nil if there is none.
func (in *Info) Nearest(n syntax.Node, kinds syntax.KindSet) syntax.Node {
	return in.seek(n, climb{kinds, true}).found
}

// SelectOf gives the SELECT in one of whose clauses n stands, ORDER BY and the
// row limit included; nil where there is none.
func (in *Info) SelectOf(n syntax.Node) *syntax.Select {
	if n == nil || n.Kind() != syntax.KindSelect && n.Kind() != syntax.KindQuery {
		n = in.Nearest(n, selects)
	}
	switch n := n.(type) {
	case *syntax.Select:
		return n
	case *syntax.Query:
		s, _ := n.Body.(*syntax.Select)
		return s
	}
	return nil
}

var selects = syntax.Kinds(syntax.KindSelect, syntax.KindQuery)

// QueryOf gives the query whose body the SELECT is, or of which it is a
// branch of a set operation.
func (in *Info) QueryOf(s *syntax.Select) *syntax.Query {
	q, _ := in.Nearest(s, syntax.Kinds(syntax.KindQuery)).(*syntax.Query)
	return q
}

// OwnQuery gives the query whose whole body the SELECT is, nil for a branch
// of a set operation.
func (in *Info) OwnQuery(s *syntax.Select) *syntax.Query {
	q, _ := in.Parent(s).(*syntax.Query)
	return q
}

// SchemaTable gives the schema's table behind a source, nil if there is none.
func (s *Source) SchemaTable() *schema.Table { return s.table }
