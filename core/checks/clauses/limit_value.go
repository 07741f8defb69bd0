package clauses

import (
	"fmt"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// Dialects by what they take as a row limit.
var (
	mysqls          = dialect.In(dialect.MySQL, dialect.MariaDB)
	wholeLimits     = mysqls | dialect.In(dialect.SQLite, dialect.Spark)
	typedLimits     = mysqls | dialect.In(dialect.SQLite)
	negativeRefused = mysqls | dialect.In(dialect.Postgres, dialect.SQLServer, dialect.Spark)
)

var limitValue = &check.Check{
	ID:     "clause.limit-value",
	Title:  "a row limit that is no number of rows",
	Errors: []string{"2201W", "2201X", "42P10", "42804", "1064", "1327", "Msg 10742", "Msg 10743", "ORA-00904"},
	Doc: "How many rows a query gives is one number, worked out before any row is read: no column, and not less than none. MySQL and MariaDB take a " +
		"number or a parameter as it stands and work nothing out; SQLite takes a negative number for no limit.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Text,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives ORDER BY name LIMIT frame_count",
		Near: []string{
			"SELECT name FROM hives ORDER BY name LIMIT 3 OFFSET 0",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives ORDER BY name LIMIT -1",
		Near:    []string{"SELECT name FROM hives ORDER BY name LIMIT 1 + 1", "SELECT name FROM hives ORDER BY name LIMIT (SELECT COUNT(*) / 2 FROM hives)", "SELECT name FROM hives ORDER BY name LIMIT NULL"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives ORDER BY name LIMIT 10 * 2",
		Near:    []string{"SELECT name FROM hives ORDER BY name LIMIT 20"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM hives ORDER BY name LIMIT 'a'",
		Near:    []string{"SELECT name FROM hives ORDER BY name LIMIT -1", "SELECT name FROM hives ORDER BY name LIMIT '3'"},
	}},
	On: check.Nodes(runLimitValue),
}

func runLimitValue(p *check.Pass, l *syntax.Limit) {
	if len(p.Stmt.Errors) > 0 {
		return
	}
	if !tellNoRowCount(p, l, l.Count) {
		tellNoRowCount(p, l, l.Offset)
	}
}

func tellNoRowCount(p *check.Pass, l *syntax.Limit, x syntax.Expr) bool {
	what, refusedBy := noRowCount(p, l, x)
	if what == "" || !refusedBy.Has(p.Dialect) {
		return false
	}
	verdicts := check.Everywhere(check.Fine).But(check.Refused, refusedBy)
	if _, negative := x.(*syntax.Unary); negative {
		verdicts = verdicts.But(check.Wrong, dialect.In(dialect.Oracle)) // which takes it for none; SQLite for no limit
	}
	p.Report(check.Finding{
		Span: x.Span(), Context: l.Span(), Certainty: check.Certain,
		Verdicts: verdicts,
		Message:  fmt.Sprintf("the row limit takes no %s", what),
		Why:      "It says how many rows, before any of them is read.",
		Mends:    []check.Mend{{Title: "give a number, or a parameter", Effect: check.ByHand}},
	})
	return true
}

// noRowCount says what an expression is that cannot be a row limit everywhere, and which
// databases refuse it; "" where all take it, or what it is cannot be told.
func noRowCount(p *check.Pass, l *syntax.Limit, x syntax.Expr) (what string, refusedBy dialect.Set) {
	switch n := x.(type) {
	case *syntax.Name:
		if isOwnColumn(p, l, n) {
			return "column", dialect.Everywhere
		}
	case *syntax.Literal:
		return noRowLiteral(p, l, n)
	case *syntax.Unary:
		if lit, ok := n.X.(*syntax.Literal); ok && n.Op == syntax.OpNegate && lit.Lit == syntax.NumberLiteral && strings.Trim(p.Text(lit), "0.") != "" {
			return "negative number", negativeRefused
		}
	case *syntax.Param:
		if p.Src[n.Span().Start] == '@' && !n.Put {
			return "variable", mysqls
		}
	case *syntax.Binary, *syntax.Subquery, *syntax.Call, *syntax.Paren:
		return "expression", mysqls
	}
	return "", 0
}

func noRowLiteral(p *check.Pass, l *syntax.Limit, n *syntax.Literal) (what string, refusedBy dialect.Set) {
	switch n.Lit {
	case syntax.NumberLiteral:
		if strings.Contains(p.Text(n), ".") && !l.Loose {
			return "fraction", wholeLimits
		}
	case syntax.NullLiteral:
		return "NULL", typedLimits
	case syntax.TextLiteral:
		if _, err := strconv.Atoi(strings.Trim(p.Text(n), "'")); err == nil {
			return "text", mysqls
		}
		return "text", typedLimits
	}
	return "", 0
}

// isOwnColumn reports whether a name in a row limit is a column of the query itself: of one
// around it a limit may take a value, and in a routine it may be a variable.
func isOwnColumn(p *check.Pass, l *syntax.Limit, n *syntax.Name) bool {
	if n.Last().Sym == 0 || p.Nearest(n, syntax.Kinds(syntax.KindRoutine, syntax.KindControl)) != nil || !p.Tells(n) {
		return false
	}
	q, ok := p.Parent(l).(*syntax.Query)
	if !ok {
		return false
	}
	sel, ok := q.Body.(*syntax.Select)
	if !ok || p.Scope(sel) == nil || p.Scope(sel).Parent != nil {
		return false
	}
	for _, s := range p.Scope(sel).Sources {
		if len(n.Parts) > 1 && s.Name.Sym == n.Qualifier().Sym || len(n.Parts) == 1 && s.Named(n.Last().Sym) != nil {
			return true
		}
	}
	return false
}
