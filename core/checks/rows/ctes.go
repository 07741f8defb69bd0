package rows

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unusedCTE = &check.Check{
	ID:       "rows.unused-cte",
	Title:    "a common table expression that nothing reads",
	Doc:      "A common table expression is a named query. One that nothing reads does nothing. Most likely something reads another table in its place, or it was left behind.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "WITH heavy AS (SELECT hive_id FROM harvests WHERE weight_kg > 20), calm AS (SELECT hive_id FROM inspections WHERE temper < 2) SELECT h.name FROM hives h JOIN calm c ON c.hive_id = h.hive_id",
		Good: "WITH calm AS (SELECT hive_id FROM inspections WHERE temper < 2) SELECT h.name FROM hives h JOIN calm c ON c.hive_id = h.hive_id",
		Near: []string{
			"WITH heavy AS (SELECT hive_id FROM harvests WHERE weight_kg > 20) SELECT h.name FROM hives h JOIN heavy c ON c.hive_id = h.hive_id",
			"WITH heavy AS (SELECT hive_id FROM harvests), twice AS (SELECT hive_id FROM heavy GROUP BY hive_id HAVING COUNT(*) > 1) SELECT hive_id FROM twice",
			"WITH heavy AS (SELECT hive_id FROM harvests) SELECT h.name FROM hives h WHERE h.hive_id IN (SELECT hive_id FROM heavy)",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "WITH heavy AS (SELECT hive_id FROM harvests) SELECT name FROM hives",
		Good:    "SELECT name FROM hives",
		Near:    []string{"WITH gone AS (DELETE FROM treatments WHERE hive_id = 999 RETURNING hive_id) SELECT name FROM hives"},
	}},
	On: check.Nodes(runUnusedCTE),
}

func runUnusedCTE(p *check.Pass, w *syntax.With) {
	if len(p.Stmt.Errors) > 0 {
		return
	}
	unread, read := unreadOf(p, w)
	if !slices.Contains(unread, true) {
		return
	}
	named := namedOf(p, w, unread)
	roots := 0 // those that nothing reads at all
	for i := range w.CTEs {
		unread[i] = unread[i] && !named[i]
		if unread[i] && !read[i] {
			roots++
		}
	}
	for i, c := range w.CTEs {
		if !unread[i] || read[i] || effect(p, c.Query) != nil {
			continue // of an effect rows.unread-effect tells
		}
		f := check.Finding{Span: c.Name.Span, Context: c.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("nothing reads %s", p.Ident(c.Name)),
			Why:     "A common table expression that is not read does nothing.",
		}
		m := check.Mend{Title: "leave it out", Effect: check.SameRows}
		switch {
		case p.HasComment(w.Span()):
			m.Effect = check.ByHand
		case !slices.Contains(read, true):
			m.Edits = withoutCTEs(p, w, func(k int) bool { return k == i })
		case roots == 1: // what only it reads goes with it
			m.Edits = withoutCTEs(p, w, func(k int) bool { return unread[k] })
			for k, other := range w.CTEs {
				if k != i && unread[k] && len(f.Related) < 5 {
					f.Related = append(f.Related, check.Related{Span: other.Name.Span, Message: "this is read by it alone"})
				}
			}
		default:
			m.Effect = check.ByHand
		}
		f.Mends = []check.Mend{m}
		p.Report(f)
		if len(w.CTEs) > manyCTEs {
			return
		}
	}
}

// manyCTEs is from how many on only the first that nothing reads is told of.
const manyCTEs = 100

// withoutCTEs takes some queries out of WITH, and all of it where none is left.
func withoutCTEs(p *check.Pass, w *syntax.With, drop func(int) bool) (edits []text.Edit) {
	last := -1 // of those that stay
	for i := range w.CTEs {
		if !drop(i) {
			last = i
		}
	}
	if last < 0 {
		return p.Remove(text.Span{Start: w.Span().Start, End: follows(p, w.Span().End)})
	}
	for i, c := range w.CTEs {
		switch {
		case !drop(i):
		case i < last:
			edits = append(edits, p.Remove(text.Span{Start: c.Span().Start, End: w.CTEs[i+1].Span().Start})...)
		default:
			edits = append(edits, p.Remove(text.Span{Start: w.CTEs[i-1].Span().End, End: c.Span().End})...)
		}
	}
	return edits
}

// unreadOf tells of each query of WITH whether nothing reads it, or only what nothing reads itself.
// read tells of those that something reads, which is not read itself.
func unreadOf(p *check.Pass, w *syntax.With) (unread, read []bool) {
	unread, read = make([]bool, len(w.CTEs)), make([]bool, len(w.CTEs))
	if len(w.CTEs) == 1 && isRead(p, w.CTEs[0]) {
		return unread, read
	}
	index := map[*syntax.Query]int{}
	for i, c := range w.CTEs {
		if c.Query != nil {
			index[c.Query], unread[i] = i, true
		}
	}
	readers := make([][]int, len(w.CTEs)) // of each, those that it reads
	var found []int                       // read by what is no query of WITH
	for _, scope := range p.Scopes {
		for _, s := range scope.Sources {
			i, ok := index[s.Query]
			if !ok || s.Query == nil {
				continue
			}
			reader := cteAround(w, scope.Node)
			switch {
			case reader == i: // by itself
			case reader < 0 || w.CTEs[reader].Query == nil:
				found = append(found, i)
			default:
				read[i] = true
				readers[reader] = append(readers[reader], i)
			}
		}
	}
	for len(found) > 0 {
		i := found[len(found)-1]
		found = found[:len(found)-1]
		if unread[i] {
			unread[i] = false
			found = append(found, readers[i]...)
		}
	}
	return unread, read
}

// isRead reports whether a query outside of it reads a common table expression.
func isRead(p *check.Pass, c *syntax.CTE) bool {
	for _, scope := range p.Scopes {
		for _, s := range scope.Sources {
			if s.Query != nil && s.Query == c.Query && !(scope.Node != nil && c.Span().Contains(scope.Node.Span())) {
				return true
			}
		}
	}
	return false
}

// follows gives the start of the token behind a position.
func follows(p *check.Pass, at text.Pos) text.Pos {
	for _, t := range p.Stmt.Tokens {
		if t.Span.Start >= at {
			return t.Span.Start
		}
	}
	return at
}

// cteAround gives the query of WITH in which a node stands, by its place; -1 for none.
func cteAround(w *syntax.With, n syntax.Node) int {
	if n == nil {
		return -1
	}
	at, found := slices.BinarySearchFunc(w.CTEs, n.Span().Start, func(c *syntax.CTE, pos text.Pos) int { return int(c.Span().Start) - int(pos) })
	if !found {
		at--
	}
	if at < 0 || !w.CTEs[at].Span().Contains(n.Span()) {
		return -1
	}
	return at
}

// namedOf tells of each query of WITH whether a table of the statement has its name although it was
// not found to be it, those that nothing reads left aside.
func namedOf(p *check.Pass, w *syntax.With, unread []bool) []bool {
	named := make([]bool, len(w.CTEs))
	index := map[syntax.Sym]int{}
	for i, c := range w.CTEs {
		if first, twice := index[c.Name.Sym]; twice {
			named[i], named[first] = true, true // name.duplicate-alias tells
		}
		index[c.Name.Sym] = i
	}
	above := p.Parent(w)
	if above == nil {
		return named
	}
	syntax.Inspect(above, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.CTE); ok {
			if i := cteAround(w, c); i >= 0 && w.CTEs[i] == c && unread[i] {
				return false
			}
		}
		if t, ok := n.(*syntax.TableRef); ok && len(t.Name) == 1 {
			if i, ok := index[t.Name[0].Sym]; ok && cteAround(w, t) != i {
				named[i] = true
			}
		}
		return true
	})
	return named
}

// effect gives a call in a query of a function that may do something, nil if there is none.
func effect(p *check.Pass, q *syntax.Query) (found *syntax.Call) {
	syntax.Inspect(q, func(n syntax.Node) bool {
		c, ok := n.(*syntax.Call)
		if ok && found == nil && (acts(p.FunctionName(c)) || !p.Function(c).Listed && dialect.Function(p.FunctionName(c)) == dialect.UnknownFunction && isOutput(p, c)) {
			found = c
		}
		return found == nil
	})
	return found
}

// isOutput reports whether a call is a whole output column, as one that is made for what it does.
func isOutput(p *check.Pass, c *syntax.Call) bool {
	_, ok := p.Above(c).(*syntax.SelectItem)
	return ok
}

func acts(function string) bool {
	switch function {
	case "nextval", "setval", "set_config", "pg_notify", "pg_advisory_lock", "pg_terminate_backend", "pg_cancel_backend", "pg_sleep", "dblink_exec", "lo_unlink":
		return true
	}
	return false
}

var unreadEffect = &check.Check{
	ID:    "rows.unread-effect",
	Title: "a function called in a common table expression that nothing reads",
	Doc: "PostgreSQL works out a SELECT of WITH only as far as something reads it (\"WITH Queries\" in its manual), and so do the others. A function that is called there for what it does " +
		"is never called. Only INSERT, UPDATE and DELETE of WITH run in any case on PostgreSQL.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "WITH told AS (SELECT pg_notify('hives', 'moved')) SELECT name FROM hives",
		Good:    "WITH told AS (SELECT pg_notify('hives', 'moved') AS done) SELECT h.name FROM hives h LEFT JOIN told t ON t.done IS NULL",
		Near: []string{
			"WITH heavy AS (SELECT hive_id, UPPER('a') AS a FROM harvests) SELECT name FROM hives",
			"WITH told AS (SELECT pg_notify('hives', 'moved') AS done) SELECT done FROM told",
			"WITH gone AS (DELETE FROM treatments WHERE hive_id = 999 RETURNING hive_id) SELECT name FROM hives",
		},
	}},
	On: check.Nodes(runUnreadEffect),
}

func runUnreadEffect(p *check.Pass, w *syntax.With) {
	if len(p.Stmt.Errors) > 0 || len(w.CTEs) > manyCTEs {
		return
	}
	unread, _ := unreadOf(p, w)
	if !slices.Contains(unread, true) {
		return
	}
	named := namedOf(p, w, make([]bool, len(w.CTEs)))
	for i, c := range w.CTEs {
		if !unread[i] || named[i] {
			continue
		}
		call := effect(p, c.Query)
		if call == nil {
			continue
		}
		p.Report(check.Finding{
			Span: call.Span(), Context: c.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("%s is never called: nothing reads %s", p.FunctionText(call), p.Ident(c.Name)),
			Why:     "A SELECT of WITH is worked out only as far as something reads it.",
			Mends:   []check.Mend{{Title: fmt.Sprintf("read %s, or call the function in a statement of its own", p.Ident(c.Name)), Effect: check.ByHand}},
		})
	}
}
