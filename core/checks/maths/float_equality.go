package maths

import (
	"fmt"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
)

var floatEquality = &check.Check{
	ID:    "math.float-equality",
	Title: "approximate number compared for equality",
	Doc: "A number of single precision holds 0.1 as 0.10000000149. PostgreSQL, MySQL, MariaDB and Spark compare it in double precision, where 0.1 is another number: they are never " +
		"equal. What is worked out of approximate numbers differs in the last digits from what it was to be.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE scales (hive_id integer, kilos real); SELECT hive_id FROM scales WHERE kilos = 0.1",
		Near: []string{
			"CREATE TABLE scales (hive_id integer, kilos real); SELECT hive_id FROM scales WHERE kilos = 0.5 OR kilos > 0.1 OR kilos = 12 OR kilos = '0.1'",
			"CREATE TABLE scales (hive_id integer, kilos double precision); SELECT hive_id FROM scales WHERE kilos = 0.1",
			"SELECT harvest_id FROM harvests WHERE weight_kg = 0.1",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE scales (hive_id integer, kilos float); SELECT hive_id FROM scales WHERE kilos IN (10, 10.2)",
		Near:    []string{"CREATE TABLE scales (hive_id integer, kilos double); SELECT hive_id FROM scales WHERE kilos IN (10, 10.2)"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE scales (hive_id integer, kilos double precision, tare double precision); SELECT hive_id FROM scales WHERE kilos - tare = 0.3",
		Near:    []string{"CREATE TABLE scales (hive_id integer, kilos double precision, tare double precision); SELECT hive_id FROM scales WHERE kilos = tare OR kilos - tare > 0.3"},
	}},
	On: check.Operators(runFloatEquality, syntax.OpEqual, syntax.OpNotEqual).With(facts.LiteralSide).And(check.Nodes(func(p *check.Pass, n *syntax.In) {
		for _, x := range n.List {
			if equalsFloat(p, n.X, x, n) {
				return
			}
		}
	})),
}

func runFloatEquality(p *check.Pass, n *syntax.Binary) {
	if !equalsFloat(p, n.X, n.Y, n) {
		equalsFloat(p, n.Y, n.X, n)
	}
}

// equalsFloat reports an approximate number that is compared with a fraction.
func equalsFloat(p *check.Pass, x, fraction syntax.Expr, n syntax.Node) bool {
	lit, ok := syntax.Unparen(fraction).(*syntax.Literal)
	if !ok || lit.Lit != syntax.NumberLiteral || !strings.ContainsAny(p.Text(lit), ".eE") {
		return false
	}
	t := p.Type(x)
	if t.Class != class.Float || !p.Tells(n) {
		return false
	}
	value, err := strconv.ParseFloat(p.Text(lit), 64)
	if err != nil || float64(float32(value)) == value { // which holds it exactly
		return false
	}
	f := check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s never equals %s exactly", p.Brief(x), p.Brief(lit)),
		Why: fmt.Sprintf("%s has single precision and holds the nearest number to %s, which is %s; the comparison is made in double precision.",
			p.Brief(x), p.Brief(lit), strconv.FormatFloat(float64(float32(value)), 'g', 12, 64)),
		Mends: []check.Mend{{Title: "compare with two bounds, or keep the number as a decimal", Effect: check.ByHand}},
	}
	_, isName := syntax.Unparen(x).(*syntax.Name)
	switch {
	case isName && isSingle(p.Dialect, t):
	case isComputed(x):
		f.Certainty = check.Likely
		f.Message = fmt.Sprintf("%s is worked out of approximate numbers, and compared exactly with %s", p.Brief(x), p.Brief(lit))
		f.Why = "The last digits differ, so that numbers which should be equal are not."
	default:
		return false
	}
	p.Report(f)
	return true
}

// isSingle reports whether a column has single precision, and the dialect compares it with
// a fraction in double precision: SQL Server, Oracle and SQLite do not (Transact-SQL reference,
// "Data type precedence"; Oracle's, "Numeric Precedence").
func isSingle(d dialect.Dialect, t schema.Type) bool {
	name := t.Word()
	switch d {
	case dialect.Postgres:
		return name == "real" || name == "float4" || name == "float" && 0 < t.Length && t.Length <= 24
	case dialect.MySQL, dialect.MariaDB:
		return name == "float" && t.Length <= 24
	case dialect.Spark:
		return name == "float" || name == "real"
	}
	return false
}

// isComputed reports whether a value is a sum, difference, product or quotient.
func isComputed(x syntax.Expr) bool {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	return ok && b.Op >= syntax.OpAdd && b.Op <= syntax.OpModulo
}
