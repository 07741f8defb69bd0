package maths

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

var integerDivision = &check.Check{
	ID:    "math.integer-division",
	Title: "whole number divided by a whole number, which drops the fraction",
	Doc: "On PostgreSQL, SQL Server and SQLite 7 / 2 is 3. MySQL, MariaDB, Oracle and Spark give 3.5. Where the quotient is then rounded to places, made a percentage, " +
		"compared with a fraction, or is one of counts, a fraction was meant; elsewhere it is told on request.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, truncating),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT apiary_id, COUNT(queen_id) / COUNT(*) FROM hives GROUP BY apiary_id",
		Good:    "SELECT apiary_id, COUNT(queen_id) * 1.0 / COUNT(*) FROM hives GROUP BY apiary_id",
		Near: []string{
			"SELECT apiary_id, SUM(weight_kg) / COUNT(*) FROM harvests g JOIN hives h ON h.hive_id = g.hive_id GROUP BY apiary_id",
			"SELECT name FROM hives WHERE frame_count / 2 = 5",
			"SELECT FLOOR(COUNT(queen_id) / COUNT(*)) FROM hives",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name, ROUND(frame_count / hive_id, 2) FROM hives",
		Good:    "SELECT name, ROUND(frame_count * 1.0 / hive_id, 2) FROM hives",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name, frame_count / hive_id * 100 FROM hives",
		Good:    "SELECT name, frame_count * 1.0 / hive_id * 100 FROM hives",
		Near:    []string{"SELECT name, frame_count * 100 / hive_id FROM hives"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT SUM(jars) / COUNT(*) AS jars_a_sale FROM sales",
		Good:    "SELECT SUM(jars) * 1.0 / COUNT(*) AS jars_a_sale FROM sales",
		Near:    []string{"SELECT SUM(price) / COUNT(*) AS price FROM sales"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT ROUND(frame_count * 100 / hive_id, 1) AS share FROM hives",
		Good:    "SELECT ROUND(frame_count * 100 * 1.0 / hive_id, 1) AS share FROM hives",
	}},
	On: check.Operators(runIntegerDivision, syntax.OpDivide).In(truncating),
}

// truncating are the dialects whose / between whole numbers gives a whole number
// (PostgreSQL's manual, "Mathematical Functions and Operators"; Transact-SQL reference, "/
// (Division)"; "SQL Language Expressions" of SQLite's documentation).
var truncating = dialect.In(dialect.Postgres, dialect.SQLServer, dialect.SQLite)

func runIntegerDivision(p *check.Pass, n *syntax.Binary) {
	if !isInteger(p, n.X) || !isInteger(p, n.Y) || !p.Tells(n) {
		return
	}
	certainty := check.Possible
	why := "The digits behind the point are cut off."
	switch {
	case isLiteral(n.X) && isLiteral(n.Y):
	case dropsOnPurpose(p, n) && !isRounded(p, n):
		return
	case wantsFraction(p, n):
		certainty = check.Likely
		why = "The digits behind the point are cut off before the rest is worked out."
	case p.AggregateIn(n.X) != nil && p.AggregateIn(n.Y) != nil:
		certainty = check.Likely
		why = "The digits behind the point are cut off, so that a share below 1 becomes 0."
	}
	if !p.Wants(certainty) {
		return
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: certainty,
		Message: fmt.Sprintf("%s divides whole numbers and gives a whole number", p.Brief(n)),
		Why:     why,
		Mends:   []check.Mend{{Title: "reckon with fractions", Effect: check.NewRows, Edits: check.After(n.X.Span(), " * 1.0")}},
	})
}

// isInteger reports whether an expression gives a whole number, sums by their exact type.
func isInteger(p *check.Pass, x syntax.Expr) bool {
	of := p.Type(x).Class
	return of == class.Integer || of == class.Unknown && p.Exact(x).IsInteger()
}

// isRounded reports whether a quotient is rounded to some digits behind the point.
func isRounded(p *check.Pass, n *syntax.Binary) bool {
	c, ok := p.Above(n).(*syntax.Call)
	return ok && p.FunctionName(c) == "round" && len(c.Args) == 2 && syntax.Unparen(c.Args[0]) == syntax.Expr(n)
}

func isLiteral(x syntax.Expr) bool {
	_, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok
}

// dropsOnPurpose reports whether a quotient is rounded down, compared with a whole number,
// or made of what was multiplied before.
func dropsOnPurpose(p *check.Pass, n *syntax.Binary) bool {
	if x, ok := syntax.Unparen(n.X).(*syntax.Binary); ok && x.Op == syntax.OpMultiply && (isLiteral(x.X) || isLiteral(x.Y)) {
		return true // 100 * a / b is of whole percents
	}
	switch around := p.Above(n).(type) {
	case *syntax.Call:
		switch p.FunctionName(around) {
		case "floor", "trunc", "truncate", "int", "ceil", "ceiling":
			return true
		}
	case *syntax.Binary:
		return around.Op.IsComparison() && (isWhole(p, around.X) || isWhole(p, around.Y))
	case *syntax.Cast:
		return strings.Contains(strings.ToLower(p.Text(around.Type)), "int")
	}
	return false
}

func isWhole(p *check.Pass, x syntax.Expr) bool {
	return isLiteral(x) && p.Type(x).Class == class.Integer
}

// wantsFraction reports whether what is done with a quotient makes sense of a fraction alone.
func wantsFraction(p *check.Pass, n *syntax.Binary) bool {
	switch around := p.Above(n).(type) {
	case *syntax.Call:
		return isRounded(p, n)
	case *syntax.Cast:
		of := p.Type(around).Class
		return of == class.Decimal || of == class.Float
	case *syntax.Binary:
		other := around.Y
		if syntax.Unparen(around.Y) == syntax.Expr(n) {
			other = around.X
		}
		lit, ok := syntax.Unparen(other).(*syntax.Literal)
		if !ok || lit.Lit != syntax.NumberLiteral {
			return false
		}
		switch {
		case around.Op == syntax.OpMultiply:
			return p.Text(lit) == "100" || strings.Contains(p.Text(lit), ".")
		case around.Op.IsComparison():
			return strings.Trim(p.Text(lit), "0123456789") == "." && strings.Trim(p.Text(lit)[strings.IndexByte(p.Text(lit), '.')+1:], "0") != ""
		}
	}
	return false
}
