package indexes

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// fewRows is how many rows are read from end to end as quickly as they are found by an index.
const fewRows = 10_000

var noneServes = &check.Check{
	ID:    "index.none-serves",
	Title: "an equality on a large table that no index begins with",
	Doc: "A condition finds its rows by an index that begins with its column. Without one all rows of the table are read, in a correlated subquery once for each row of the query around. " +
		"How many rows a table has is known where the schema is read from a database; of small tables nothing is said.",
	Verdicts: check.Everywhere(check.Slow),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE apiary_id = 2",
		Near: []string{
			"SELECT name FROM hives WHERE hive_id = 2",
			"SELECT name FROM hives WHERE apiary_id = 2 AND hive_id IN (3, 4)",
			"SELECT h.name FROM inspections i JOIN hives h ON h.hive_id = i.hive_id WHERE h.apiary_id = 2",
			"CREATE INDEX hives_by_apiary ON hives (apiary_id, name); SELECT name FROM hives WHERE apiary_id = 2",
		},
	}, {
		Bad: "SELECT a.name, (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) AS n FROM apiaries a",
	}},
	On: check.Nodes(runNoneServes),
}

func runNoneServes(p *check.Pass, where *syntax.Where) {
	scope := p.Scope(p.Parent(where))
	if scope == nil || !slices.ContainsFunc(scope.Sources, isLarge) {
		return
	}
	var asked []*bind.Source // one index for all conditions on a source is told of once
	syntax.Conjuncts(where.Cond, func(x syntax.Expr) {
		n, correlated := soughtBy(p, x)
		if n == nil || len(asked) == mostSources || slices.Contains(asked, p.Use(n).Source) {
			return
		}
		source := p.Use(n).Source
		t, column := source.SchemaTable(), p.Use(n).Column.Index
		if !isLarge(source) || t.Columns[column].Type.Class == class.Boolean || len(t.Columns[column].Type.Values) > 0 {
			return
		}
		if asked = append(asked, source); isReached(p, where, source) {
			return
		}
		f := check.Finding{Span: x.Span(), Context: where.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("no index of %s begins with %s, and it has about %s rows", t.Name, t.Columns[column].Name, text.Thousands(int(t.Rows))),
			Why:     "All of them are read to find those that meet the condition.",
			Mends: []check.Mend{{Effect: check.ByHand, Title: fmt.Sprintf("create an index: CREATE INDEX %s ON %s (%s)", p.Dialect.Name(t.Name+"_by_"+t.Columns[column].Name, false),
				p.Dialect.Name(t.Name, t.Quoted), p.Dialect.Name(t.Columns[column].Name, t.Columns[column].Quoted))}},
		}
		if correlated {
			f.Why = "All of them are read, and again for each row of the query around unless the database makes a join of it."
		}
		if _, ok := p.Parent(where).(*syntax.Select); !ok {
			f.Certainty = check.Possible // a script may well be run once
		}
		p.Report(f)
	})
}

func isLarge(s *bind.Source) bool {
	t := s.SchemaTable()
	return t != nil && t.Rows >= fewRows
}

// mostSources bounds how many sources of a query are looked at.
const mostSources = 16

// soughtBy gives the column of a table of the query that an equality finds rows by, and
// whether a query around gives the value.
func soughtBy(p *check.Pass, x syntax.Expr) (n *syntax.Name, correlated bool) {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual {
		return nil, false
	}
	for _, side := range [2][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
		n, ok := syntax.Unparen(side[0]).(*syntax.Name)
		if !ok {
			continue
		}
		u := p.Use(n)
		if u.Source == nil || u.Outer || u.Source.SchemaTable() == nil || u.Source.SchemaTable().IsView || u.Column == nil || u.Column.Index < 0 {
			continue
		}
		if isConstant(side[1]) {
			return n, false
		}
		if other, ok := syntax.Unparen(side[1]).(*syntax.Name); ok && p.Use(other).Status == bind.Resolved && p.Use(other).Outer {
			return n, true
		}
	}
	return nil, false
}

// mayServe reports whether some index, of whatever kind, may find rows by a column.
func mayServe(t *schema.Table, column int) bool {
	return t.LeadsIndex(column) || slices.ContainsFunc(t.Indexes, func(i schema.Index) bool {
		return slices.ContainsFunc(i.Parts, func(part schema.IndexPart) bool {
			return part.Column < 0 || i.Special && part.Column == column
		})
	})
}

// isReached reports whether WHERE or a join asks for a column of the source that an index may
// find rows by.
func isReached(p *check.Pass, where *syntax.Where, source *bind.Source) bool {
	reached := false
	look := func(n syntax.Node) {
		syntax.Inspect(n, func(n syntax.Node) bool {
			if name, ok := n.(*syntax.Name); ok {
				u := p.Use(name)
				reached = reached || u.Source == source && u.Column != nil && u.Column.Index >= 0 && mayServe(source.SchemaTable(), u.Column.Index)
			}
			return !reached
		})
	}
	look(where.Cond)
	switch n := p.Parent(where).(type) {
	case *syntax.Select:
		if n.From != nil {
			look(n.From)
		}
	case *syntax.Update:
		if n.From != nil {
			look(n.From)
		}
		look(n.Table)
	case *syntax.Delete:
		for _, from := range []*syntax.From{n.From, n.Using} {
			if from != nil {
				look(from)
			}
		}
	}
	return reached
}
