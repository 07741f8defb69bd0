package clauses

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var recursion = &check.Check{
	ID:     "clause.recursion",
	Title:  "recursion in a form that the database does not work out",
	Errors: []string{"42P19", "0A000", "1235", "4005", "4008", "3573", "3574", "3575", "3576", "3577", "ORA-32039", "ORA-32040", "ORA-32044", "Msg 252", "Msg 253", "Msg 460", "Msg 462", "Msg 465", "Msg 467"},
	Doc: "A recursive query begins with a branch that does not name it; UNION adds the branch that does. That branch is run again and again, each time on the rows that came new, " +
		"so it may name the query once, in FROM, and must not need all of its rows at once: no aggregate, no subquery that reads it, no outer join that fills it with NULLs. Which of these a " +
		"database takes nevertheless differs; PostgreSQL, MariaDB and SQLite were asked, the others are told by their documentation.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.Spark)),
	Examples: []check.Example{{
		Bad: "WITH RECURSIVE line AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, q.mother_id FROM queens AS q JOIN line AS l ON l.queen_id = q.mother_id " +
			"JOIN line AS m ON m.queen_id = q.queen_id) SELECT queen_id FROM line",
		Near: []string{
			"WITH RECURSIVE line AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, q.mother_id FROM queens AS q JOIN line AS l ON l.queen_id = q.mother_id) SELECT queen_id FROM line",
			"WITH RECURSIVE line AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, q.mother_id FROM line AS l LEFT JOIN queens AS q ON l.queen_id = q.mother_id WHERE q.queen_id IS NOT NULL) SELECT queen_id FROM line",
			"WITH RECURSIVE line AS (SELECT queen_id FROM queens) SELECT COUNT(*) AS n FROM line",
			"WITH RECURSIVE hives AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM hives WHERE n < 5) SELECT MAX(n) AS most FROM hives",
		},
	}, {
		Bad:  "WITH RECURSIVE c (n) AS (SELECT 1 UNION ALL SELECT MAX(n) + 1 FROM c WHERE n < 5) SELECT n FROM c",
		Good: "WITH RECURSIVE c (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c WHERE n < 5) SELECT n FROM c",
	}, {
		Dialect: dialect.Postgres,
		Bad: "WITH RECURSIVE line AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, l.mother_id FROM queens AS q LEFT JOIN line AS l ON l.queen_id = q.mother_id) " +
			"SELECT queen_id FROM line",
		Good: "WITH RECURSIVE line AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, l.mother_id FROM queens AS q JOIN line AS l ON l.queen_id = q.mother_id) " +
			"SELECT queen_id FROM line",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "WITH RECURSIVE c (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c WHERE n < 5 LIMIT 3) SELECT n FROM c",
		Good:    "WITH RECURSIVE c (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c WHERE n < 5) SELECT n FROM c",
	}, {
		Dialect: dialect.SQLite,
		Near: []string{
			"WITH RECURSIVE c (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM c WHERE n < 5 ORDER BY 1 LIMIT 3) SELECT n FROM c",
			"WITH RECURSIVE line AS (SELECT queen_id, mother_id FROM queens WHERE mother_id IS NULL UNION SELECT q.queen_id, l.mother_id FROM queens AS q LEFT JOIN line AS l ON l.queen_id = q.mother_id WHERE l.queen_id > 0) SELECT queen_id FROM line",
		},
	}},
	On: check.Nodes(runRecursion),
}

// Who refuses what: the standard ("query expression"), PostgreSQL 15 ("WITH Queries" and as tried), MariaDB 10.11 and SQLite as tried,
// MySQL ("Recursive Common Table Expressions"), SQL Server ("Guidelines for defining and using
// recursive common table expressions"), Oracle ("Recursive Subquery Factoring").
var (
	noAnchor       = dialect.In(dialect.ANSI, dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.SQLite)
	anchorFirst    = dialect.In(dialect.Postgres, dialect.MySQL, dialect.SQLite, dialect.SQLServer, dialect.Oracle)
	onlyLast       = dialect.In(dialect.Postgres)
	unionOnly      = dialect.In(dialect.ANSI, dialect.Postgres, dialect.MySQL, dialect.SQLite, dialect.SQLServer, dialect.Oracle)
	onceOnly       = dialect.In(dialect.ANSI, dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.SQLServer, dialect.Oracle)
	notInSubquery  = onceOnly
	notInDerived   = dialect.In(dialect.SQLite)
	notOptional    = dialect.In(dialect.ANSI, dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Oracle)
	noAggregate    = onceOnly
	noGrouping     = dialect.In(dialect.MySQL, dialect.SQLite, dialect.SQLServer, dialect.Oracle)
	noWindow       = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)
	noDistinct     = dialect.In(dialect.MySQL, dialect.SQLServer, dialect.Oracle)
	noOrderOrLimit = dialect.In(dialect.Postgres, dialect.MariaDB)
)

func runRecursion(p *check.Pass, w *syntax.With) {
	if !w.Recursive && !p.Dialect.Has(dialect.ImplicitRecursion) || !p.Tells(w) {
		return
	}
	if outer := p.Nearest(w, syntax.Kinds(syntax.KindWith)); outer != nil && p.Nearest(outer, syntax.Kinds(syntax.KindWith)) != nil {
		return // of what is nested deeper the walk would look at all again
	}
	for _, c := range w.CTEs {
		if c.Query == nil || !w.Recursive && c.Query.Body.Kind() != syntax.KindSetOp {
			continue // without the word the name means a table
		}
		if r := recursionOf(p, c); len(r.references) > 0 {
			r.judge()
		}
	}
}

// recurs reports whether a common table expression names itself.
func recurs(p *check.Pass, c *syntax.CTE) bool {
	w, ok := p.Parent(c).(*syntax.With)
	if !ok || !w.Recursive && !p.Dialect.Has(dialect.ImplicitRecursion) {
		return false
	}
	return len(recursionOf(p, c).references) > 0
}

// recursionOf finds where a common table expression names itself.
func recursionOf(p *check.Pass, c *syntax.CTE) *recursive {
	r := &recursive{p: p, cte: c, branches: branchesOf(c.Query.Body)}
	r.collect()
	return r
}

// recursive is a common table expression that names itself.
type recursive struct {
	p          *check.Pass
	cte        *syntax.CTE
	branches   []branch
	references []reference
}

// branch is one of the queries of a chain of set operations, and the operation before it.
type branch struct {
	body syntax.Body
	op   *syntax.SetOp
}

func branchesOf(body syntax.Body) []branch {
	var list []branch
	for {
		op, ok := body.(*syntax.SetOp)
		if !ok {
			break
		}
		list, body = append(list, branch{op.Right, op}), op.Left
	}
	list = append(list, branch{body: body})
	slices.Reverse(list)
	return list
}

// reference is a place where the query names itself.
type reference struct {
	ref      *syntax.TableRef
	branch   int
	subquery bool           // within a subquery that stands for a value or a condition
	derived  bool           // within a derived table
	optional *syntax.Join   // an outer join that fills it with NULLs
	sel      *syntax.Select // whose FROM names it
}

// collect finds where the query names itself.
func (r *recursive) collect() {
	syntax.Inspect(r.cte.Query, func(n syntax.Node) bool {
		if q, ok := n.(*syntax.Query); ok && q.With != nil && namesAgain(q.With, r.cte.Name.Sym) {
			return false
		}
		if ref, ok := n.(*syntax.TableRef); ok && len(ref.Name) == 1 && ref.Name[0].Sym == r.cte.Name.Sym {
			r.references = append(r.references, r.placed(ref))
		}
		return true
	})
}

// namesAgain reports whether a WITH clause gives the name to another query.
func namesAgain(w *syntax.With, sym syntax.Sym) bool {
	return slices.ContainsFunc(w.CTEs, func(c *syntax.CTE) bool { return c.Name.Sym == sym })
}

// placed tells how a reference stands in the query.
func (r *recursive) placed(ref *syntax.TableRef) reference {
	at := reference{ref: ref}
	for i, b := range r.branches {
		if b.body.Span().Contains(ref.Span()) {
			at.branch = i
		}
	}
	var below syntax.Node = ref
	for n := r.p.Parent(ref); n != nil && n != syntax.Node(r.cte.Query); below, n = n, r.p.Parent(n) {
		switch n := n.(type) {
		case *syntax.Join:
			left := below == syntax.Node(n.Left)
			if n.Type == syntax.FullJoin || n.Type == syntax.LeftJoin && !left || n.Type == syntax.RightJoin && left {
				at.optional = n
			}
		case *syntax.Select:
			if at.sel == nil {
				at.sel = n
			}
		case *syntax.Derived, *syntax.CTE:
			at.derived = true
		case *syntax.Subquery, *syntax.In, *syntax.Quantified, *syntax.Exists:
			at.subquery = true
		}
	}
	return at
}

// judge reports the first rule that the query breaks.
func (r *recursive) judge() {
	name := r.p.Ident(r.cte.Name)
	first := r.references[0]
	last := len(r.branches) - 1
	held := make([]int, len(r.branches)) // how often a branch names the query
	for _, ref := range r.references {
		held[ref.branch]++
	}
	switch {
	case !slices.Contains(held, 0) || last == 0:
		r.tell(noAnchor, first.ref.Span(), fmt.Sprintf("%s has no branch to begin with", name), "Each branch reads the query itself. One that does not has to come first, and UNION adds the rows that are found from it.")
	case held[0] > 0:
		r.tell(anchorFirst, first.ref.Span(), fmt.Sprintf("the first branch of %s reads it already", name), "The rows to begin with come from the first branch, so that it cannot read what is not there yet.")
	default:
		for _, ref := range r.references {
			if r.reference(ref, name, held) {
				return
			}
		}
		r.order(name)
	}
}

// reference reports what is wrong with a place where the query names itself.
func (r *recursive) reference(at reference, name string, held []int) bool {
	p, last := r.p, len(r.branches)-1
	op := r.branches[at.branch].op
	span := at.ref.Span()
	switch {
	case op != nil && op.Op != syntax.Union && unionOnly.Has(p.Dialect):
		return r.tell(unionOnly, op.OpSpan, fmt.Sprintf("the branch that reads %s is not added by UNION", name), "Rows are found step by step and added; none can be taken away again.")
	case at.branch < last && onlyLast.Has(p.Dialect):
		return r.tell(onlyLast, span, fmt.Sprintf("a branch before the last reads %s", name), "PostgreSQL takes all before the last UNION for the rows to begin with. Put the branches that read the query into one derived table behind it.")
	case at.subquery && notInSubquery.Has(p.Dialect):
		return r.tell(notInSubquery, span, fmt.Sprintf("a subquery reads %s while it is being worked out", name), "Each step sees the rows that came new, not all of them. The query may be read in FROM only.")
	case held[at.branch] > 1 && onceOnly.Has(p.Dialect) && r.both(at):
		return r.tell(onceOnly, span, fmt.Sprintf("%s is read twice in one branch", name), "Each step has the rows that came new once.")
	case at.derived && notInDerived.Has(p.Dialect):
		return r.tell(notInDerived, span, fmt.Sprintf("a derived table reads %s while it is being worked out", name), "SQLite lets the branch read it in its own FROM only.")
	case at.optional != nil && notOptional.Has(p.Dialect):
		return r.tell(notOptional, at.optional.OpSpan, fmt.Sprintf("an outer join fills %s with NULLs while it is being worked out", name), "Which rows find no partner is not known before all rows are there.")
	}
	return at.sel != nil && r.whole(at.sel, name)
}

// both reports whether a reference is not the first of its branch, as each sees them: only
// PostgreSQL is known to look into derived tables.
func (r *recursive) both(at reference) bool {
	seen := 0
	for _, other := range r.references {
		if other.branch != at.branch || other.derived && r.p.Dialect != dialect.Postgres {
			continue
		}
		if seen++; other.ref == at.ref {
			return seen > 1
		}
	}
	return false
}

// whole reports what in the branch needs all of its rows at once.
func (r *recursive) whole(sel *syntax.Select, name string) bool {
	p := r.p
	const why = "Each step sees the rows that came new, not all of them. Work it out in the query that reads the result."
	for _, a := range p.AggregatesOf(sel) {
		if noAggregate.Has(p.Dialect) {
			return r.tell(noAggregate, a.Call.Span(), fmt.Sprintf("the branch that reads %s aggregates its rows", name), why)
		}
	}
	if sel.GroupBy != nil && noGrouping.Has(p.Dialect) {
		return r.tell(noGrouping, sel.GroupBy.Span(), fmt.Sprintf("the branch that reads %s groups its rows", name), why)
	}
	if at, ok := p.DistinctWord(sel); sel.Distinct && ok && noDistinct.Has(p.Dialect) {
		return r.tell(noDistinct, at, fmt.Sprintf("the branch that reads %s has DISTINCT", name), "UNION without ALL drops what has been found already.")
	}
	if !noWindow.Has(p.Dialect) {
		return false
	}
	for _, item := range sel.Items {
		if window := windowCall(item); window != nil {
			return r.tell(noWindow, window.Span(), fmt.Sprintf("the branch that reads %s has a window function", name), why)
		}
	}
	return false
}

// order reports ORDER BY or a row limit of the whole recursion.
func (r *recursive) order(name string) {
	q := r.cte.Query
	switch {
	case q.Limit != nil && !q.Limit.Span().IsEmpty():
		r.tell(noOrderOrLimit, q.Limit.Span(), fmt.Sprintf("%s has a row limit", name), "The rows are found step by step. Limit them in the query that reads the result.")
	case q.OrderBy != nil:
		r.tell(noOrderOrLimit, q.OrderBy.Span(), fmt.Sprintf("%s has ORDER BY", name), "The rows are found step by step. Sort them in the query that reads the result.")
	}
}

func (r *recursive) tell(refuse dialect.Set, at text.Span, message, why string) bool {
	if refuse.Has(r.p.Dialect) {
		r.p.Report(check.Finding{
			Span: at, Context: r.cte.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Fine).But(check.Refused, refuse),
			Message: message, Why: why,
			Related: []check.Related{{Span: r.cte.Name.Span, Message: "the recursive query"}},
			Mends:   []check.Mend{{Title: "write the branch so that it joins the query once, row by row", Effect: check.ByHand}},
		})
		return true
	}
	return false
}
