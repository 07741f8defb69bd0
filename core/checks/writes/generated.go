package writes

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var generatedColumn = &check.Check{
	ID:     "write.generated-column",
	Title:  "a value for a column that the database works out",
	Errors: []string{"428C9", "1906", "3105", "Msg 271", "ORA-54013", "ORA-54017"},
	Doc: "A generated column always has what its expression gives. A statement that brings a value of its own for it is refused; only DEFAULT may stand there, and on SQLite not even that. " +
		"MariaDB refuses it in its strict mode, which is the usual one.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.Spark)),
	Examples: []check.Example{{
		Bad: "CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer GENERATED ALWAYS AS (grams / 1000) STORED); " +
			"INSERT INTO jars (jar_id, grams, kg) VALUES (1, 2000, 2)",
		Good: "CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer GENERATED ALWAYS AS (grams / 1000) STORED); " +
			"INSERT INTO jars (jar_id, grams) VALUES (1, 2000)",
		Near: []string{
			"CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer GENERATED ALWAYS AS (grams / 1000) STORED); INSERT INTO jars (jar_id, grams) VALUES (1, 2000)",
			"CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer GENERATED ALWAYS AS (grams / 1000) STORED); UPDATE jars SET grams = 3000 WHERE kg = 2",
			"CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer DEFAULT 2); INSERT INTO jars (jar_id, grams, kg) VALUES (1, 2000, 2)",
		},
	}, {
		Bad: "CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer GENERATED ALWAYS AS (grams / 1000) STORED); UPDATE jars SET kg = 2 WHERE jar_id = 1",
	}, {
		Near:    []string{"CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer GENERATED ALWAYS AS (grams / 1000) STORED); INSERT INTO jars (jar_id, grams, kg) VALUES (1, 2000, DEFAULT)"},
		Dialect: dialect.Postgres,
	}},
	On: check.Nodes(runInsertGenerated).And(check.Nodes(runSetGenerated)),
}

func runInsertGenerated(p *check.Pass, n *syntax.Insert) {
	if len(p.Stmt.Errors) > 0 || p.IgnoresErrors(n) {
		return
	}
	t := insertedInto(p, n)
	if t == nil {
		return
	}
	if len(n.Columns) == 0 {
		inOrder(p, n, t)
		return
	}
	for i, id := range n.Columns {
		place := t.Column(p.Names.String(id.Sym))
		if place < 0 || t.Columns[place].Generated == "" || p.Dialect != dialect.SQLite && leavesGenerated(p, n, i) {
			continue
		}
		f := generated(p, n, t, &t.Columns[place], id.Span)
		f.Mends = []check.Mend{{Title: "leave the column and its value out", Effect: check.NewRows, Edits: withoutColumn(n, i)}}
		if len(f.Mends[0].Edits) == 0 {
			f.Mends[0].Effect = check.ByHand
		}
		p.Report(f)
		return
	}
}

// inOrder looks at values without a list of columns: they stand in the order of these. SQLite and
// SQL Server leave out those that they work out.
func inOrder(p *check.Pass, n *syntax.Insert, t *schema.Table) {
	values, ok := queryValues(n)
	if !ok || len(values.Rows) == 0 || !t.Complete || p.Dialect == dialect.SQLite || p.Dialect == dialect.SQLServer {
		return
	}
	items := values.Rows[0].Items
	for i := range t.Columns[:min(len(items), len(t.Columns))] {
		c := &t.Columns[i]
		if c.Generated == "" || leavesGenerated(p, n, i) {
			continue
		}
		f := generated(p, n, t, c, items[i].Span())
		f.Mends = []check.Mend{{Title: fmt.Sprintf("write DEFAULT for %s, or list the columns without it", c.Name), Effect: check.ByHand}}
		p.Report(f)
		return
	}
}

// leavesDefault reports whether every row has DEFAULT for a column of the list.
func leavesDefault(n *syntax.Insert, column int) bool { return allRows(n, column, isDefault) }

// leavesGenerated reports whether every row has for a column what leaves it to the database:
// DEFAULT, and on MariaDB NULL.
func leavesGenerated(p *check.Pass, n *syntax.Insert, column int) bool {
	return allRows(n, column, func(x syntax.Expr) bool { return isDefault(x) || p.Dialect == dialect.MariaDB && isNull(x) })
}

func allRows(n *syntax.Insert, column int, holds func(syntax.Expr) bool) bool {
	values, ok := queryValues(n)
	if !ok {
		return false
	}
	for _, row := range values.Rows {
		if column >= len(row.Items) || !holds(row.Items[column]) {
			return false
		}
	}
	return true
}

func isDefault(x syntax.Expr) bool {
	lit, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok && lit.Lit == syntax.DefaultLiteral
}

// generated makes the finding of a value for a column.
func generated(p *check.Pass, n syntax.Node, t *schema.Table, c *schema.Column, at text.Span) check.Finding {
	f := check.Finding{Span: at, Context: n.Span(), Certainty: required(t),
		Message: fmt.Sprintf("%s of %s is worked out by the database, and takes no value", c.Name, t.Name),
		Why:     fmt.Sprintf("The table declares it as %s.", c.Generated),
	}
	inBody(p, n, &f)
	return f
}

// withoutColumn takes a column out of the list and its values out of the rows of VALUES; nothing
// where the values come from a query, or no other column is left.
func withoutColumn(n *syntax.Insert, column int) (edits []text.Edit) {
	values, ok := queryValues(n)
	if !ok || len(n.Columns) < 2 {
		return nil
	}
	var names []text.Span
	for _, id := range n.Columns {
		names = append(names, id.Span)
	}
	edits = append(edits, text.Edit{Span: element(names, column)})
	for _, row := range values.Rows {
		var items []text.Span
		for _, x := range row.Items {
			items = append(items, x.Span())
		}
		if len(items) != len(names) {
			return nil
		}
		edits = append(edits, text.Edit{Span: element(items, column)})
	}
	return edits
}

// element gives an element of a list with the comma that goes with it.
func element(list []text.Span, i int) text.Span {
	if i > 0 {
		return text.Span{Start: list[i-1].End, End: list[i].End}
	}
	return text.Span{Start: list[0].Start, End: list[1].Start}
}

func runSetGenerated(p *check.Pass, a *syntax.Assign) {
	n, t, c := assigned(p, a)
	if c == nil || c.Generated == "" || p.Dialect != dialect.SQLite && isDefault(a.Value) || p.IgnoresErrors(a) {
		return
	}
	f := generated(p, n, t, c, a.Target.Span())
	f.Mends = []check.Mend{{Title: "leave the assignment out", Effect: check.ByHand}}
	p.Report(f)
}

// assigned gives the column that an assignment of UPDATE sets, with its table; nil where it is
// not known, or a view's.
func assigned(p *check.Pass, a *syntax.Assign) (*syntax.Update, *schema.Table, *schema.Column) {
	n, ok := p.Parent(a).(*syntax.Update)
	if !ok || a.Value == nil {
		return nil, nil, nil
	}
	if c := p.PlaceOf(a.Value).Column; c != nil {
		for _, s := range p.Scope(n).Sources {
			if t := s.SchemaTable(); t != nil && !t.IsView && t.Place(c) >= 0 {
				return n, t, c
			}
		}
	}
	return nil, nil, nil
}
