package indexes

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
)

var functionOnColumn = &check.Check{
	ID:    "index.function-on-column",
	Title: "function around the column that is searched",
	Doc: "An index keeps the values of a column, not what a function makes of them, so the database works the function out for every row. " +
		"Years and days can be asked for as a range of the bare column, from the first instant up to, and without, the first instant after it. " +
		"An index on the expression itself serves it too. SQL Server looks through a cast to DATE, MariaDB from 11.1 through YEAR and DATE.",
	Verdicts: check.Everywhere(check.Slow),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MySQL,
		Bad:     "SELECT hive_id FROM inspections WHERE YEAR(inspected_at) = 2026",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= '2026-01-01' AND inspected_at < '2027-01-01'",
		Near: []string{
			"SELECT YEAR(inspected_at) FROM inspections WHERE inspected_at >= '2026-01-01'",
			"SELECT hive_id FROM inspections WHERE hive_id = ABS(-3)",
			"SELECT hive_id FROM inspections WHERE inspected_at >= '2026-01-01' AND YEAR(inspected_at) = 2026",
			"SELECT YEAR(inspected_at) FROM inspections GROUP BY YEAR(inspected_at) HAVING MAX(YEAR(inspected_at)) > 2024",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT hive_id FROM inspections WHERE mites > 3 OR DATE(inspected_at) = '2026-12-31'",
		Good:    "SELECT hive_id FROM inspections WHERE mites > 3 OR (inspected_at >= '2026-12-31' AND inspected_at < '2027-01-01')",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections WHERE EXTRACT(YEAR FROM inspected_at) >= 2025",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= '2025-01-01'",
		Near: []string{
			"CREATE TABLE swarms (swarm_id integer PRIMARY KEY, place text); CREATE INDEX ON swarms (UPPER(place)); " +
				"SELECT swarm_id FROM swarms AS s WHERE UPPER(s.place) = 'OAK'",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT hive_id FROM inspections WHERE TRUNC(inspected_at) = DATE '2026-02-28'",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= DATE '2026-02-28' AND inspected_at < DATE '2026-03-01'",
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT hive_id FROM inspections WHERE YEAR(inspected_at) BETWEEN 2024 AND 2025",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= '20240101' AND inspected_at < '20260101'",
		Near:    []string{"SELECT hive_id FROM inspections WHERE CAST(inspected_at AS date) = '20260501'"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM harvests WHERE taken_on::text LIKE '2026-05%'",
		Good:    "SELECT hive_id FROM harvests WHERE taken_on >= '2026-05-01' AND taken_on < '2026-06-01'",
		Near:    []string{"SELECT hive_id FROM harvests WHERE taken_on::text LIKE '%-05-%'"},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT hive_id FROM inspections WHERE YEAR(inspected_at) IN (2023, 2025)",
	}},
	On: check.Operators(compared, syntax.OpEqual, syntax.OpLess, syntax.OpLessEqual, syntax.OpGreater, syntax.OpGreaterEqual).With(facts.FunctionSide).And(check.Nodes(ranged)).And(check.Nodes(listed)).And(check.Nodes(matched)),
}

var filters = syntax.Kinds(syntax.KindWhere, syntax.KindJoin)

// comparison is a condition with the function on its left side.
type comparison struct {
	node     syntax.Expr
	function syntax.Expr
	op       syntax.Op // OpNone for BETWEEN, OpOther for IN and LIKE
	values   []syntax.Expr
}

func compared(p *check.Pass, n *syntax.Binary) {
	if !mayWrap(n.X) && !mayWrap(n.Y) {
		return
	}
	if place, _ := p.Enclosing(n, filters); place != nil && !judge(p, place, comparison{n, n.X, n.Op, []syntax.Expr{n.Y}}) {
		judge(p, place, comparison{n, n.Y, n.Op.Flip(), []syntax.Expr{n.X}})
	}
}

func ranged(p *check.Pass, n *syntax.Between) {
	if n.Not || n.Symmetric || !mayWrap(n.X) {
		return
	}
	if place, _ := p.Enclosing(n, filters); place != nil {
		judge(p, place, comparison{n, n.X, syntax.OpNone, []syntax.Expr{n.Low, n.High}})
	}
}

func listed(p *check.Pass, n *syntax.In) {
	if n.Not || n.Query != nil || len(n.List) == 0 || !mayWrap(n.X) {
		return
	}
	if place, _ := p.Enclosing(n, filters); place != nil {
		judge(p, place, comparison{n, n.X, syntax.OpOther, n.List})
	}
}

// matched looks at a pattern whose beginning an index could serve.
func matched(p *check.Pass, n *syntax.Like) {
	pattern, ok := syntax.Unparen(n.Pattern).(*syntax.Literal)
	if n.Not || n.Op > syntax.OpILike || !ok || pattern.Lit != syntax.TextLiteral || !mayWrap(n.X) || strings.ContainsAny(p.Text(pattern)[:2], "%_") {
		return
	}
	if place, _ := p.Enclosing(n, filters); place != nil {
		judge(p, place, comparison{n, n.X, syntax.OpOther, []syntax.Expr{n.Pattern}})
	}
}

// mayWrap reports whether an expression may be a function of a column.
func mayWrap(x syntax.Expr) bool {
	switch syntax.Unparen(x).Kind() {
	case syntax.KindCall, syntax.KindCast:
		return true
	}
	return false
}

// judge reports a comparison whose left side is a function of a column, and
// tells whether it is one.
func judge(p *check.Pass, place syntax.Node, c comparison) bool {
	column := columnInside(p, c.function)
	if column == nil {
		return false
	}
	u := p.Use(column)
	if u.Outer || u.Source == nil || u.Source.Query != nil || dependsOn(p, c.values, u.Source) || hasIndexOn(p, u, c.function) || isBoundedBeside(p, place, c.node, column) {
		return true
	}
	name := p.Text(column)
	f := check.Finding{
		Span:      c.function.Span(),
		Context:   place.Span(),
		Certainty: certainty(p, u),
		Verdicts:  verdicts(p, c.function),
		Message:   fmt.Sprintf("%s hides %s from its index", oneLine(p, c.function), name),
		Why:       fmt.Sprintf("Compare the bare column: an index on %s holds its values, not the function's, so every row is read.", name),
	}
	if mend, ok := beginningMend(p, c, column); ok {
		f.Mends = append(f.Mends, mend)
	} else if mend, ok := rangeMend(p, c, u, column); ok {
		f.Mends = append(f.Mends, mend)
	} else {
		f.Mends = append(f.Mends, check.Mend{Title: "compare the bare column, or index the expression", Effect: check.ByHand})
	}
	p.Report(f)
	return true
}

// longCondition is a length in bytes up to which each condition is compared with each.
const longCondition = 8 << 10

// isBoundedBeside reports whether another condition of WHERE bounds the bare column, so that an index finds
// the rows of which the function is then asked.
func isBoundedBeside(p *check.Pass, place, condition syntax.Node, column *syntax.Name) bool {
	where, ok := place.(*syntax.Where)
	if !ok || where.Span().Len() > longCondition {
		return false
	}
	found := false
	syntax.Conjuncts(where.Cond, func(x syntax.Expr) {
		switch n := syntax.Unparen(x).(type) {
		case *syntax.Binary:
			found = found || syntax.Node(n) != condition && n.Op.IsComparison() && n.Op != syntax.OpNotEqual && (p.Same(n.X, column) || p.Same(n.Y, column))
		case *syntax.Between:
			found = found || !n.Not && p.Same(n.X, column)
		case *syntax.In:
			found = found || !n.Not && p.Same(n.X, column)
		}
	})
	return found
}

func verdicts(p *check.Pass, function syntax.Expr) check.Verdicts {
	v := p.Check.Verdicts
	if cast, ok := function.(*syntax.Cast); ok && castsToDate(p, cast) {
		v = v.But(check.Fine, dialect.In(dialect.SQLServer))
	}
	return v
}

// columnInside finds the column that a function wraps; nil for what is no
// function of a column.
func columnInside(p *check.Pass, x syntax.Expr) *syntax.Name {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Call:
		if x.Over != nil || p.IsAggregate(x) || dialect.Function(p.FunctionName(x)) != dialect.Scalar {
			return nil
		}
		for _, a := range x.Args {
			if n := columnOf(p, a); n != nil {
				return n
			}
		}
	case *syntax.Cast:
		return columnOf(p, x.X)
	}
	return nil
}

func columnOf(p *check.Pass, x syntax.Expr) *syntax.Name {
	if n, ok := syntax.Unparen(x).(*syntax.Name); ok {
		if s := p.Use(n).Status; s == bind.Resolved || s == bind.Assumed {
			return n
		}
		return nil
	}
	return columnInside(p, x)
}

// dependsOn reports whether the other side of a comparison needs the same row.
func dependsOn(p *check.Pass, values []syntax.Expr, src *bind.Source) bool {
	found := false
	for _, v := range values {
		syntax.Inspect(v, func(n syntax.Node) bool {
			if name, ok := n.(*syntax.Name); ok {
				u := p.Use(name)
				found = found || u.Source == src || u.Source == nil && u.Status != bind.Builtin && u.Status != bind.Unbound
			}
			return !found
		})
	}
	return found
}

// certainty is certain where the schema has an index that goes unused; where
// it has none on the column, or there is no schema, the finding is only worth a look.
func certainty(p *check.Pass, u *bind.Use) check.Certainty {
	t := u.Source.SchemaTable()
	switch {
	case t == nil || t.IsView || u.Column == nil || u.Column.Index < 0, !t.LeadsIndex(u.Column.Index):
		return check.Possible
	case p.Dialect == dialect.MariaDB:
		return check.Likely // newer versions look through some functions
	}
	return check.Certain
}

// hasIndexOn reports whether the schema has an index on the expression.
func hasIndexOn(p *check.Pass, u *bind.Use, x syntax.Expr) bool {
	t := u.Source.SchemaTable()
	if t == nil {
		return false
	}
	expression := schema.Squeeze([]byte(unqualified(p, x)))
	for _, index := range t.Indexes {
		for _, part := range index.Parts {
			if part.Column < 0 && part.Expression == expression {
				return true
			}
		}
	}
	return false
}

// unqualified gives the text of an expression with bare column names.
func unqualified(p *check.Pass, x syntax.Expr) string {
	var b strings.Builder
	at := x.Span().Start
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok && len(name.Parts) > 1 {
			b.Write(p.Src[at:name.Span().Start])
			at = name.Last().Span.Start
		}
		return true
	})
	b.Write(p.Src[at:x.Span().End])
	return b.String()
}

func oneLine(p *check.Pass, x syntax.Expr) string {
	return strings.Join(strings.Fields(p.Text(x)), " ")
}
