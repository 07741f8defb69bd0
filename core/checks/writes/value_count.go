package writes

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var valueCount = &check.Check{
	ID:     "write.value-count",
	Title:  "another number of values than columns",
	Errors: []string{"42601", "ORA-00913", "ORA-00947", "1136", "Msg 109", "Msg 110", "Msg 213"},
	Doc: "INSERT needs a value for each column of its list, and no more; SET (a, b) needs two, and all rows of VALUES have as many. Databases refuse it " +
		"before anything is written.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ash', 2024, 'red')",
		Good: "INSERT INTO queens (queen_id, name, bred_in, colour) VALUES (901, 'Ash', 2024, 'red')",
		Near: []string{
			"INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ash', 2024), (902, 'Elm', 2025)",
			"INSERT INTO queens (queen_id, name, bred_in) SELECT q.* FROM (SELECT 901 AS queen_id, 'Ash' AS name, 2024 AS bred_in) AS q",
			"INSERT INTO queens (queen_id, name, bred_in) SELECT queen_id + 900, name, bred_in FROM queens",
		},
	}, {
		Bad:  "INSERT INTO queens (queen_id, name, bred_in, colour) SELECT queen_id + 900, name, bred_in FROM queens",
		Good: "INSERT INTO queens (queen_id, name, bred_in) SELECT queen_id + 900, name, bred_in FROM queens",
	}},
	Needs: check.Text,
	On:    check.Nodes(runValueCount).And(check.Nodes(runRowCount).With(facts.Several)).And(check.Nodes(runAssignCount).With(facts.Elaborate).In(dialect.With(dialect.RowAssignment))),
}

// runRowCount holds the rows of VALUES against the first of them.
func runRowCount(p *check.Pass, values *syntax.Values) {
	if len(values.Rows) < 2 || len(p.Stmt.Errors) > 0 {
		return
	}
	if query, ok := p.Parent(values).(*syntax.Query); ok {
		if insert, ok := p.Parent(query).(*syntax.Insert); ok && len(insert.Columns) > 0 {
			return // each row is held against the list
		}
	}
	first := values.Rows[0]
	for _, row := range values.Rows[1:] {
		if len(row.Items) == len(first.Items) || slices.ContainsFunc(row.Items, isSeveral) || slices.ContainsFunc(first.Items, isSeveral) {
			continue
		}
		p.Report(check.Finding{
			Span: row.Span(), Context: values.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s, where the first row has %d", check.Counted(len(row.Items), "value"), len(first.Items)),
			Why:     "All rows of VALUES have as many values.",
			Related: []check.Related{{Span: first.Span(), Message: check.Counted(len(first.Items), "value")}},
			Mends:   []check.Mend{{Title: "add what is missing, or drop what is too many", Effect: check.ByHand}},
		})
		return
	}
}

// runAssignCount holds what several columns are set to at once against them.
func runAssignCount(p *check.Pass, n *syntax.Update) {
	for _, a := range n.Set {
		if target, ok := a.Target.(*syntax.Row); ok && a.Value != nil && len(p.Stmt.Errors) == 0 {
			holdAssigned(p, a, target)
		}
	}
}

// holdAssigned holds the values of one assignment against its columns.
func holdAssigned(p *check.Pass, a *syntax.Assign, target *syntax.Row) {
	given := 1
	switch v := a.Value.(type) {
	case *syntax.Row:
		if given = len(v.Items); slices.ContainsFunc(v.Items, isSeveral) {
			return
		}
	case *syntax.Subquery:
		width, known := p.Width(v.Query.Body)
		if given = width; !known {
			return
		}
	case *syntax.Paren, *syntax.Literal:
	default:
		return
	}
	if given != len(target.Items) {
		p.Report(check.Finding{
			Span: a.Value.Span(), Context: a.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s for %s", check.Counted(given, "value"), check.Counted(len(target.Items), "column")),
			Why:     "Each column of the list gets one value.",
			Related: []check.Related{{Span: target.Span(), Message: check.Counted(len(target.Items), "column")}},
			Mends:   []check.Mend{{Title: "add what is missing, or drop what is too many", Effect: check.ByHand}},
		})
	}
}

func runValueCount(p *check.Pass, insert *syntax.Insert) {
	if insert.Query == nil || len(p.Stmt.Errors) > 0 {
		return
	}
	if len(insert.Columns) == 0 {
		countUnlisted(p, insert)
		return
	}
	if values, ok := insert.Query.Body.(*syntax.Values); ok {
		for _, row := range values.Rows {
			if len(row.Items) > 0 && len(row.Items) != len(insert.Columns) && !slices.ContainsFunc(row.Items, isSeveral) {
				tellCount(p, insert, row.Span(), len(row.Items), "value")
				return
			}
		}
		return
	}
	if sel, ok := insert.Query.Body.(*syntax.Select); ok && hasTemplate(sel) {
		return
	}
	width, ok := p.Width(insert.Query.Body)
	if _, several := insert.Query.Body.(*syntax.SetOp); ok && !several && width != len(insert.Columns) {
		tellCount(p, insert, insert.Query.Span(), width, "column")
	}
}

// countUnlisted holds the values of an INSERT without a list against the columns of its table.
// PostgreSQL and Spark fill those that are left over with their defaults.
func countUnlisted(p *check.Pass, insert *syntax.Insert) {
	source := p.SourceAt(insert.Table)
	if insert.Table == nil || source == nil || source.SchemaTable() == nil {
		return
	}
	t := source.SchemaTable()
	if !t.Complete || t.IsView || slices.ContainsFunc(t.Columns, func(c schema.Column) bool {
		return c.Generated != "" || c.Identity && p.Dialect == dialect.SQLServer || c.Hidden
	}) {
		return
	}
	width, at := 0, insert.Query.Span()
	if values, ok := insert.Query.Body.(*syntax.Values); !ok {
		sel, plain := insert.Query.Body.(*syntax.Select)
		if !plain || hasTemplate(sel) {
			return
		}
		if width, ok = p.Width(sel); !ok {
			return
		}
	} else if row := values.Rows[0]; len(row.Items) == 0 || slices.ContainsFunc(row.Items, isSeveral) {
		return
	} else {
		width, at = len(row.Items), row.Span()
	}
	columns := len(t.Columns)
	if width == columns || width < columns && dialect.In(dialect.Postgres, dialect.Spark).Has(p.Dialect) {
		return
	}
	p.Report(check.Finding{
		Span: at, Context: insert.Span(), Certainty: required(t),
		Verdicts: check.Everywhere(check.Refused).But(check.Fine, fillsRest(width < columns)),
		Message:  fmt.Sprintf("%s for the %d columns of %s", check.Counted(width, "value"), columns, t.Name),
		Why:      "Without a list of columns each column gets one value.",
		Mends:    []check.Mend{{Title: "name the columns that get a value", Effect: check.ByHand}},
	})
}

// fillsRest gives the dialects that fill the columns for which there is no value.
func fillsRest(fewer bool) dialect.Set {
	if fewer {
		return dialect.In(dialect.Postgres, dialect.Spark)
	}
	return 0
}

func tellCount(p *check.Pass, insert *syntax.Insert, at text.Span, given int, what string) {
	list := insert.Columns[0].Span.Join(insert.Columns[len(insert.Columns)-1].Span)
	p.Report(check.Finding{
		Span: at, Context: insert.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s for %s", check.Counted(given, what), check.Counted(len(insert.Columns), "column")),
		Why:     "Give each column of the list one value.",
		Related: []check.Related{{Span: list, Message: check.Counted(len(insert.Columns), "column")}},
		Mends:   []check.Mend{{Title: "add what is missing, or drop what is too many", Effect: check.ByHand}},
	})
}

// isSeveral reports whether a value of VALUES may stand for several.
func isSeveral(x syntax.Expr) bool { return isOpen(x) || syntax.IsSeveral(x) }

// isOpen reports whether what stands in the place of a value is not known.
func isOpen(x syntax.Expr) bool {
	_, bad := x.(*syntax.BadExpr)
	return bad || syntax.IsPut(x)
}

func hasTemplate(sel *syntax.Select) bool {
	return slices.ContainsFunc(sel.Items, func(item *syntax.SelectItem) bool { return isOpen(item.X) })
}
