package rows

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// rowless are the dialects that know a row as an operand of comparisons only. The others
// have it as a value.
var rowless = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Oracle)

var rowWidth = &check.Check{
	ID:    "rows.row-width",
	Title: "row where one value stands, or of another width than what it is compared with",
	Doc: "A row such as (1, 8) has two values. It is compared with a row or subquery of as many. PostgreSQL and Spark select rows and sort by them, too; MySQL, MariaDB, " +
		"SQLite and Oracle take one value there.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.SQLServer)),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE (hive_id, frame_count) = (1, 8, 0)",
		Good: "SELECT name FROM hives WHERE (hive_id, frame_count) = (1, 8)",
		Near: []string{
			"SELECT name FROM hives WHERE (hive_id, frame_count) IN ((1, 8), (2, 9))",
			"SELECT name FROM hives WHERE (hive_id, frame_count) = (SELECT 1, 8)",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE (hive_id, frame_count) IN ((1, 8), (2, 9, 0))",
		Good: "SELECT name FROM hives WHERE (hive_id, frame_count) IN ((1, 8), (2, 9))",
	}, {
		Bad:  "SELECT name FROM hives WHERE (hive_id, frame_count) = (SELECT hive_id, weight_kg, taken_on FROM harvests WHERE harvest_id = 1)",
		Good: "SELECT name FROM hives WHERE (hive_id, frame_count) = (SELECT hive_id, weight_kg FROM harvests WHERE harvest_id = 1)",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT (hive_id, name) FROM hives",
		Good:    "SELECT hive_id, name FROM hives",
		Near:    []string{"SELECT (hive_id), (name) FROM hives"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT apiary_id, COUNT(*) FROM hives GROUP BY (apiary_id, frame_count)",
		Good:    "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id, frame_count",
	}},
	On: check.Nodes(runRowWidth),
}

// comparesCase reports whether a WHEN holds what the operand of CASE is compared with, which on
// SQLite may be rows ("Row Values", 2.1).
func comparesCase(p *check.Pass, w *syntax.When) bool {
	c, ok := p.Parent(w).(*syntax.Case)
	return ok && c.Operand != nil
}

func runRowWidth(p *check.Pass, row *syntax.Row) {
	if p.Dialect == dialect.SQLServer || !p.Tells(row) { // which has no rows in expressions
		return
	}
	switch around := p.Above(row).(type) {
	case *syntax.Binary:
		other := around.Y
		if syntax.Unparen(around.Y) == syntax.Expr(row) {
			other = around.X
		}
		if q, ok := syntax.Unparen(around.Y).(*syntax.Quantified); ok && q.Query != nil && around.Op.IsComparison() && !quantifiesRows(p.Dialect, around.Op, q) {
			p.Report(check.Finding{
				Span: row.Span(), Context: around.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.MySQL, dialect.MariaDB)),
				Message: fmt.Sprintf("%s compares a row with a subquery by = ANY and <> ALL only", p.Dialect.Title()),
				Why:     "They are IN and NOT IN. For any other comparison one value has to stand on each side.",
				Mends:   []check.Mend{{Title: "compare one value, or the columns one by one in EXISTS", Effect: check.ByHand}},
			})
		} else if !around.Op.IsComparison() && around.Op != syntax.OpNullSafeEqual && isReckoning(around.Op) && valueOnly.Has(p.Dialect) {
			tellRow(p, row)
		} else if around.Op.IsComparison() && (syntax.Unparen(around.X) == syntax.Expr(row) || !isRow(other)) { // of two rows the first tells
			compareWidth(p, row, other)
		}
	case *syntax.In:
		if syntax.Unparen(around.X) == syntax.Expr(row) {
			for _, x := range around.List {
				compareWidth(p, row, x)
			}
			if around.Query != nil {
				if width, ok := p.Width(around.Query.Body); ok && width == len(row.Items) {
					compareNested(p, row, around.Query)
				}
			}
		}
	case *syntax.Row:
		if values, ok := p.Parent(around).(*syntax.Values); ok && valueOnly.Has(p.Dialect) && !countTells(p, values, around) {
			tellRow(p, row)
		}
	case *syntax.Between:
		if first := syntax.Unparen(around.X) == syntax.Expr(row) || !isRow(around.X); first && (p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB) {
			tellRow(p, row)
		}
	case *syntax.SelectItem, *syntax.Where, *syntax.Having, *syntax.OrderItem, *syntax.GroupBy, *syntax.When, *syntax.Is:
		if is, test := around.(*syntax.Is); test && is.Y != nil {
			if syntax.Unparen(is.X) == syntax.Expr(row) {
				compareWidth(p, row, is.Y)
			} else if !isRow(is.X) { // of two rows the first tells
				compareWidth(p, row, is.X)
			}
			return
		}
		if !rowless.Has(p.Dialect) {
			return
		}
		if _, grouped := around.(*syntax.GroupBy); grouped && p.Dialect == dialect.Oracle {
			return
		}
		if when, ok := around.(*syntax.When); ok && p.Dialect == dialect.SQLite && comparesCase(p, when) {
			return
		}
		if _, test := around.(*syntax.Is); test && p.Dialect == dialect.Oracle {
			return
		}
		tellRow(p, row)
	case *syntax.Call:
		if f := p.Function(around); valueOnly.Has(p.Dialect) && f.Listed && f.Name != "row" && len(row.Items) > 1 {
			tellRow(p, row)
		}
	case *syntax.TableRef:
		if valueOnly.Has(p.Dialect) {
			tellRow(p, row)
		}
	}
}

// countTells reports whether the values of an INSERT are as many as write.value-count tells of.
func countTells(p *check.Pass, values *syntax.Values, row *syntax.Row) bool {
	q := p.Parent(values)
	if q == nil {
		return false
	}
	insert, ok := p.Parent(q).(*syntax.Insert)
	return ok && len(p.Targets(insert)) > 0 && len(p.Targets(insert)) != len(row.Items)
}

// quantifiesRows reports whether a row may be compared with ANY or ALL of a subquery: MySQL and
// MariaDB, as tried, take there what is IN and NOT IN, and nothing else.
func quantifiesRows(d dialect.Dialect, op syntax.Op, q *syntax.Quantified) bool {
	if d != dialect.MySQL && d != dialect.MariaDB {
		return true
	}
	return op == syntax.OpEqual && !q.All || op == syntax.OpNotEqual && q.All
}

func tellRow(p *check.Pass, row *syntax.Row) {
	p.Report(check.Finding{
		Span: row.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Fine).But(check.Refused, rowless),
		Message: fmt.Sprintf("a row of %d values stands where one value is needed", len(row.Items)),
		Why:     "Without the parentheses the values stand for themselves, each alone.",
		Mends:   []check.Mend{{Title: "leave the parentheses out", Effect: check.ByHand}},
	})
}

func isReckoning(op syntax.Op) bool {
	return syntax.OpAdd <= op && op <= syntax.OpModulo || op == syntax.OpBitAnd || op == syntax.OpBitOr || op == syntax.OpBitXor || op == syntax.OpShift
}

// valueOnly are the dialects whose operators and functions take no row, as MariaDB 10.11 and
// SQLite answer.
var valueOnly = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)

// compareWidth reports an operand that has not as many values as the row it is compared with.
func compareWidth(p *check.Pass, row *syntax.Row, other syntax.Expr) {
	width, at := 1, other.Span()
	switch x := syntax.Unparen(other).(type) {
	case *syntax.Row:
		width = len(x.Items)
		if width == len(row.Items) {
			if p.Dialect == dialect.Postgres {
				return // which compares rows within rows when it runs
			}
			for i := range row.Items {
				if inner, ok := syntax.Unparen(row.Items[i]).(*syntax.Row); ok {
					compareWidth(p, inner, x.Items[i])
				} else if inner, ok := syntax.Unparen(x.Items[i]).(*syntax.Row); ok {
					compareWidth(p, inner, row.Items[i])
				}
			}
			return
		}
	case *syntax.Subquery:
		w, ok := p.Width(x.Query.Body)
		if !ok {
			return
		}
		if width = w; width == len(row.Items) {
			compareNested(p, row, x.Query)
		}
	case *syntax.Literal:
		if x.Lit == syntax.NullLiteral {
			return
		}
	case *syntax.TypedLiteral:
	case *syntax.Name:
		if !valueOnly.Has(p.Dialect) || p.Use(x).Status != bind.Resolved {
			return // a column may be of a composite type
		}
	default:
		return
	}
	if width == len(row.Items) {
		return
	}
	p.Report(check.Finding{
		Span: at, Certainty: check.Certain,
		Message: fmt.Sprintf("%s here, %d in the row it is compared with", values(width), len(row.Items)),
		Why:     "A row is compared value by value with one of the same width.",
		Related: []check.Related{{Span: row.Span(), Message: "compared with this"}},
		Mends:   []check.Mend{{Title: "write as many values on both sides", Effect: check.ByHand}},
	})
}

// compareNested reports a row within a row that is compared with one column of a query.
func compareNested(p *check.Pass, row *syntax.Row, q *syntax.Query) {
	sel := q.Select()
	if !valueOnly.Has(p.Dialect) || sel == nil {
		return
	}
	for i, x := range row.Items {
		inner, ok := syntax.Unparen(x).(*syntax.Row)
		if !ok {
			continue
		}
		f := check.Finding{
			Span: inner.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s here, 1 in the column it is compared with", values(len(inner.Items))),
			Why:     "A row is compared value by value with one of the same width.",
			Mends:   []check.Mend{{Title: "write as many values on both sides", Effect: check.ByHand}},
		}
		if i < len(sel.Items) {
			f.Related = []check.Related{{Span: sel.Items[i].Span(), Message: "compared with this"}}
		}
		p.Report(f)
		return
	}
}

func isRow(x syntax.Expr) bool {
	_, ok := syntax.Unparen(x).(*syntax.Row)
	return ok
}

func values(n int) string {
	if n == 1 {
		return "1 value"
	}
	return fmt.Sprintf("%d values", n)
}
