package names

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var duplicateOutput = &check.Check{
	ID:     "name.duplicate-output",
	Title:  "two columns of one name",
	Errors: []string{"42701", "1060", "ORA-00957", "Msg 2705", "Msg 8156"},
	Doc: "A table or view cannot have two columns of one name; in a derived table or common table expression most databases refuse " +
		"them, too, and PostgreSQL as soon as the doubled name is used. At the top level the query runs, but many client libraries keep only one " +
		"of the two.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "CREATE VIEW pairs AS SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id",
		Good: "CREATE VIEW pairs AS SELECT h.name, q.name AS q_name FROM hives h JOIN queens q ON q.queen_id = h.queen_id",
		Near: []string{
			"CREATE VIEW pairs (hive, queen) AS SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id",
			"CREATE VIEW pairs AS SELECT h.name, q.name AS queen FROM hives h JOIN queens q ON q.queen_id = h.queen_id",
			"SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT 1 FROM (SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id) AS x",
		Good:    "SELECT 1 FROM (SELECT h.name, q.name AS q_name FROM hives h JOIN queens q ON q.queen_id = h.queen_id) AS x",
	}, {
		Dialect: dialect.Postgres,
		Near:    []string{"SELECT 1 FROM (SELECT h.name, q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id) AS x"},
	}, {
		Bad:  "CREATE TABLE swarms (swarm_id integer, seen_on date, hive_id integer, seen_on date)",
		Near: []string{"CREATE TABLE swarms (swarm_id integer, seen_on date, hive_id integer, caught_on date)"},
	}},
	On: check.Nodes(runDuplicateOutput).And(check.Nodes(twiceInTable)).And(check.Nodes(twiceInView)).And(check.Nodes(twiceInCTE)),
}

func twiceInTable(p *check.Pass, n *syntax.CreateTable) {
	names := make([]syntax.Ident, 0, len(n.Columns))
	for _, c := range n.Columns {
		names = append(names, c.Name)
	}
	listedTwice(p, names, "the table "+p.Ident(n.Name[len(n.Name)-1]))
}

func twiceInView(p *check.Pass, n *syntax.CreateView) {
	listedTwice(p, n.Columns, "the view "+p.Ident(n.Name[len(n.Name)-1]))
}

// twiceInCTE is about the dialects that ask at once; the others ask where the name is used.
func twiceInCTE(p *check.Pass, n *syntax.CTE) {
	if asksTwice(p.Dialect) {
		listedTwice(p, n.Columns, "the common table expression "+p.Ident(n.Name))
	}
}

// listedTwice reports a name that a list of columns has twice.
func listedTwice(p *check.Pass, names []syntax.Ident, where string) {
	if len(names) < 2 || len(p.Stmt.Errors) > 0 {
		return
	}
	first := make(map[syntax.Sym]syntax.Ident, len(names))
	for _, name := range names {
		earlier, listed := first[name.Sym]
		if !listed || name.Sym == 0 { // which a template puts in
			first[name.Sym] = name
			continue
		}
		p.Report(check.Finding{
			Span: name.Span, Certainty: check.Certain, Verdicts: check.Everywhere(check.Refused),
			Message: fmt.Sprintf("%s has two columns %s", where, p.Ident(name)),
			Why:     "Each column there needs a name of its own.",
			Related: []check.Related{{Span: earlier.Span, Message: "the first of them"}},
			Mends:   []check.Mend{{Title: "give one of them another name, or drop it", Effect: check.ByHand}},
		})
		return
	}
}

// asksTwice reports whether a dialect refuses a common table expression with two columns of one
// name even where the name is not used.
func asksTwice(d dialect.Dialect) bool {
	return !dialect.In(dialect.Postgres, dialect.ANSI, dialect.Oracle, dialect.SQLite).Has(d)
}

func runDuplicateOutput(p *check.Pass, sel *syntax.Select) {
	if !namedOutput(p, sel) {
		return
	}
	first := map[syntax.Sym]*syntax.SelectItem{}
	for _, item := range sel.Items {
		name := outputName(item)
		if name.IsZero() || name.Sym == 0 { // which a template puts in
			continue
		}
		if first[name.Sym] == nil {
			first[name.Sym] = item
		} else {
			earlier, where := first[name.Sym], madeOf(p, p.OwnQuery(sel))
			f := check.Finding{
				Span: item.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("%s has two columns %s", where, p.Ident(name)),
				Why:     "Each column there needs a name of its own.",
				Related: []check.Related{{Span: earlier.Span(), Message: "the first of them"}},
			}
			if n, ok := item.X.(*syntax.Name); ok && item.Alias.IsZero() && len(n.Parts) > 1 {
				alias := p.Names.String(n.Qualifier().Sym) + "_" + p.Names.String(n.Last().Sym)
				f.Mends = []check.Mend{{Title: "name it " + alias, Effect: check.NewRows,
					Edits: []text.Edit{check.Insert(item.Span().End, " "+p.Word(sel.Span().Start, "AS")+" "+alias)}}}
			}
			p.Report(f)
		}
	}
}

// outputName gives the name of an output column as written.
func outputName(item *syntax.SelectItem) syntax.Ident {
	if !item.Alias.IsZero() {
		return item.Alias
	}
	if n, ok := item.X.(*syntax.Name); ok {
		return n.Last()
	}
	return syntax.Ident{}
}

// namedOutput reports whether a SELECT's columns become named columns, where each name
// may come once.
func namedOutput(p *check.Pass, sel *syntax.Select) bool {
	q := p.OwnQuery(sel)
	if q == nil || !becomes(p, q) {
		return false
	}
	switch p.Parent(q).(type) {
	case *syntax.Derived: // PostgreSQL asks only where the name is used
		return p.Dialect != dialect.Postgres && p.Dialect != dialect.ANSI
	case *syntax.CTE:
		return asksTwice(p.Dialect) || p.Dialect == dialect.SQLite
	}
	return true
}

// becomes reports whether a query's columns become those of something else, by the names
// that the query gives them.
func becomes(p *check.Pass, q *syntax.Query) bool {
	switch n := p.Parent(q).(type) {
	case *syntax.CreateView:
		return len(n.Columns) == 0
	case *syntax.CreateTable:
		return len(n.Columns) == 0
	case *syntax.Derived:
		return len(n.Columns) == 0
	case *syntax.CTE:
		return len(n.Columns) == 0
	}
	return false
}

// madeOf says for a sentence what is made of a query's columns.
func madeOf(p *check.Pass, q *syntax.Query) string {
	switch n := p.Parent(q).(type) {
	case *syntax.CreateView:
		return "the view " + p.Ident(n.Name[len(n.Name)-1])
	case *syntax.CreateTable:
		return "the table " + p.Ident(n.Name[len(n.Name)-1])
	case *syntax.Derived:
		return "the derived table " + p.Ident(n.Alias)
	case *syntax.CTE:
		return "the common table expression " + p.Ident(n.Name)
	}
	return "the result"
}
