package rows

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var subqueryWidth = &check.Check{
	ID:     "rows.subquery-width",
	Title:  "subquery with another number of columns than its place takes",
	Errors: []string{"42601", "ORA-00913", "1241", "Msg 116", "42P10", "4002"},
	Doc: "A subquery that stands for a value gives one column, and one behind IN as many as stand before it. EXISTS alone does not care. A list of " +
		"names behind a common table expression or derived table has as many names as its query has columns.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE hive_id IN (SELECT hive_id, weight_kg FROM harvests)",
		Good: "SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)",
		Near: []string{
			"SELECT name, (SELECT COUNT(*) FROM harvests) AS n FROM hives",
			"WITH heavy (hive) AS (SELECT hive_id FROM harvests) SELECT hive FROM heavy",
			"SELECT name FROM hives h WHERE EXISTS (SELECT hive_id, weight_kg FROM harvests g WHERE g.hive_id = h.hive_id)",
			"SELECT name FROM hives WHERE (hive_id, frame_count) IN (SELECT hive_id, weight_kg FROM harvests)",
		},
	}, {
		Bad:  "SELECT name, (SELECT taken_on, weight_kg FROM harvests g WHERE g.harvest_id = 1) FROM hives",
		Good: "SELECT name, (SELECT weight_kg FROM harvests g WHERE g.harvest_id = 1) FROM hives",
	}, {
		Bad:  "WITH heavy (hive, kg) AS (SELECT hive_id FROM harvests) SELECT hive FROM heavy",
		Good: "WITH heavy (hive) AS (SELECT hive_id FROM harvests) SELECT hive FROM heavy",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE frame_count > ALL (SELECT mites, temper FROM inspections)",
		Good:    "SELECT name FROM hives WHERE frame_count > ALL (SELECT mites FROM inspections)",
		Near:    []string{"SELECT name FROM hives WHERE (hive_id, frame_count) = ANY (SELECT hive_id, mites FROM inspections)"},
	}, {
		Bad:  "SELECT name FROM hives WHERE hive_id IN (SELECT * FROM harvests)",
		Good: "SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)",
	}},
	On: check.Kinds(runSubqueryWidth, syntax.KindSubquery, syntax.KindIn, syntax.KindCTE, syntax.KindQuantified, syntax.KindCreateView),
}

func runSubqueryWidth(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.In:
		if n.Query == nil {
			return
		}
		if want, ok := width(n.X); ok {
			report(p, n.Query, want, "IN compares %")
		}
	case *syntax.Quantified:
		b, ok := p.Above(n).(*syntax.Binary)
		if !ok || n.Query == nil || !b.Op.IsComparison() || syntax.Unparen(b.Y) != syntax.Expr(n) {
			return
		}
		if want, ok := width(b.X); ok {
			report(p, n.Query, want, "ANY or ALL compares %")
		}
	case *syntax.Subquery:
		switch around := p.Above(n).(type) {
		case *syntax.Binary, *syntax.Row, *syntax.Quantified, *syntax.In, *syntax.Is, *syntax.Between:
			in, listed := around.(*syntax.In)
			if listed && in.Query != nil {
				return
			}
			if alone := listed && syntax.Unparen(in.X) != syntax.Expr(n) && elementsAlone.Has(p.Dialect); !alone && !mustBeOne(p, n, around) && rowWise(p, n, around) {
				return
			}
		case *syntax.Call:
			if name := p.FunctionName(around); name != "coalesce" && name != "sum" && name != "max" && name != "min" && name != "count" && name != "avg" {
				return // EXISTS, ARRAY and their kin
			}
		case *syntax.Case:
			if p.Dialect == dialect.SQLite && syntax.Unparen(around.Operand) == syntax.Expr(n) {
				return
			}
		case *syntax.Assign:
			if _, row := around.Target.(*syntax.Row); row {
				return
			}
		}
		report(p, n.Query, 1, "a subquery that stands for a value gives one column")
	case *syntax.CTE:
		if n.Query != nil {
			namesEach(p, n.Query, n.Name, n.Columns)
		}
	case *syntax.CreateView:
		if n.Query != nil && len(n.Name) > 0 && len(p.Stmt.Errors) == 0 && p.Dialect != dialect.SQLite { // which asks when the view is used
			namesEach(p, n.Query, n.Name[len(n.Name)-1], n.Columns)
		}
	}
}

// namesEach reports a list of names that is longer or shorter than what its query gives.
func namesEach(p *check.Pass, q *syntax.Query, name syntax.Ident, columns []syntax.Ident) {
	width, ok := p.Width(q.Body)
	if !ok || len(columns) == 0 || width == len(columns) || width > len(columns) && p.ShortNames() {
		return
	}
	p.Report(check.Finding{
		Span: name.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("%s for the %s of %s", names(len(columns)), count(width), p.Ident(name)),
		Why:     "Each column of the query gets one name of the list.",
		Mends:   []check.Mend{{Title: "name each column", Effect: check.ByHand}},
	})
}

// width counts the values that an operand of a comparison holds; ok is false where they cannot
// be counted.
func width(x syntax.Expr) (n int, ok bool) {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Row:
		return len(x.Items), !slices.ContainsFunc(x.Items, syntax.IsPut)
	case *syntax.Subquery, *syntax.Star, *syntax.Param, *syntax.BadExpr:
		return 0, false
	}
	return 1, true
}

// rowWise reports whether a comparison is of whole rows, of which each side may
// be a subquery.
func rowWise(p *check.Pass, n *syntax.Subquery, around syntax.Node) bool {
	row := false
	syntax.Children(around, func(c syntax.Node) {
		if x, ok := c.(syntax.Expr); ok {
			switch other := syntax.Unparen(x).(type) {
			case *syntax.Row:
				row = true
			case *syntax.Subquery:
				row = row || other != n
			case *syntax.Quantified, *syntax.Param, *syntax.BadExpr:
				row = true
			}
		}
	})
	_, inRow := around.(*syntax.Row)
	if _, values := p.Parent(around).(*syntax.Values); values {
		return false
	}
	return row || inRow
}

// mustBeOne reports whether a subquery gives one column even where a row stands beside it:
// PostgreSQL, as tried, takes one of several columns on the right side of a comparison or BETWEEN alone.
func mustBeOne(p *check.Pass, n *syntax.Subquery, around syntax.Node) bool {
	if p.Dialect != dialect.Postgres {
		return false
	}
	switch around := around.(type) {
	case *syntax.Binary:
		return !around.Op.IsComparison() || syntax.Unparen(around.Y) != syntax.Expr(n)
	case *syntax.Between:
		return syntax.Unparen(around.X) == syntax.Expr(n)
	}
	return true
}

// elementsAlone are the dialects, as tried, in which a subquery that is an element of a list behind
// IN gives one value even where rows are compared.
var elementsAlone = dialect.In(dialect.Postgres, dialect.SQLite)

// report tells of a query that gives another number of columns than is wanted; % stands for that in why.
func report(p *check.Pass, q *syntax.Query, want int, why string) {
	width, ok := p.Width(q.Body)
	if !ok || width == want {
		return
	}
	p.Report(check.Finding{
		Span: q.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("this subquery has %s, where %s is needed", count(width), count(want)),
		Why:     "In its place " + strings.ReplaceAll(why, "%", count(want)) + ".",
		Mends:   []check.Mend{{Title: "select what is to be compared, and nothing else", Effect: check.ByHand}},
	})
}

func count(n int) string {
	if n == 1 {
		return "1 column"
	}
	return fmt.Sprintf("%d columns", n)
}

func names(n int) string {
	if n == 1 {
		return "1 name"
	}
	return fmt.Sprintf("%d names", n)
}
