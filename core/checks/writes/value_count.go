package writes

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/syntax"
	"justlens/core/text"
)

var valueCount = &check.Check{
	ID:       "write.value-count",
	Title:    "another number of values than columns",
	Errors:   []string{"42601", "ORA-00913", "ORA-00947", "1136", "Msg 109", "Msg 110", "Msg 213"},
	Doc:      "INSERT needs a value for each column of its list, and no more. Databases refuse it before anything is written.",
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
	On:    check.Nodes(runValueCount),
}

func runValueCount(p *check.Pass, insert *syntax.Insert) {
	if len(insert.Columns) == 0 || insert.Query == nil || len(p.Stmt.Errors) > 0 {
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
func isSeveral(x syntax.Expr) bool { return isOpen(x) || syntax.IsRow(x) }

// isOpen reports whether what stands in the place of a value is not known.
func isOpen(x syntax.Expr) bool {
	_, bad := x.(*syntax.BadExpr)
	return bad || syntax.IsPut(x)
}

func hasTemplate(sel *syntax.Select) bool {
	return slices.ContainsFunc(sel.Items, func(item *syntax.SelectItem) bool { return isOpen(item.X) })
}
