package syntaxes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// takesIntervals are the dialects that read INTERVAL before a number or an expression,
// noIntervals those that have none.
var (
	takesIntervals = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark)
	noIntervals    = dialect.In(dialect.SQLite, dialect.SQLServer)
)

// foreignInterval tells INTERVAL where there is none, and where it stands before texts only.
func foreignInterval(p *check.Pass, n *syntax.Interval) {
	_, put := syntax.Unparen(n.Value).(*syntax.Param) // what a program may put in, in quotes
	call := adding(p, n)
	switch {
	case unitOf(p, n) == "" && !isText(n): // the function INTERVAL
	case call != nil && !foreignFunctions[p.FunctionName(call)].has.Has(p.Dialect): // told of the function
	case noIntervals.Has(p.Dialect):
		foreign{p.Brief(n), dialect.Everywhere &^ noIntervals, n.Span(), byHand(addedDays(p.Dialect)), check.Certain}.tell(p)
	case !isText(n) && !put:
		f := foreign{p.Brief(n), takesIntervals, n.Span(), byHand("multiply an interval: n * INTERVAL '1' DAY"), check.Certain}
		if call != nil { // date_add, which PostgreSQL has since 16
			if sum := ownSum(p, call); sum != "" {
				f.mends = replace("write "+sum, call.Span(), sum)
			}
		} else if own := ownInterval(p, n); own != "" {
			f.mends = replace("write "+own, n.Span(), own)
		}
		f.tell(p)
	}
}

// addedDays tells how to add days where INTERVAL is not known.
func addedDays(d dialect.Dialect) string {
	if d == dialect.SQLServer {
		return "write DATEADD(DAY, -7, …) or the like"
	}
	return "write DATETIME(…, '-7 days') or the like"
}

// adding gives the call that adds an interval to a date, or subtracts it; nil if it stands in none.
func adding(p *check.Pass, n *syntax.Interval) *syntax.Call {
	if c, ok := p.Parent(n).(*syntax.Call); ok && len(c.Name) == 1 && signs[p.FunctionName(c)] != "" {
		return c
	}
	return nil
}

// isText reports whether an interval holds a text, as those that PostgreSQL and Oracle read.
func isText(n *syntax.Interval) bool {
	lit, ok := syntax.Unparen(n.Value).(*syntax.Literal)
	return ok && lit.Lit != syntax.NumberLiteral
}

// signs are those of functions that add an interval to a date, or subtract it.
var signs = map[string]string{"date_add": "+", "adddate": "+", "date_sub": "-", "subdate": "-"}

// ownSum writes anew, as the dialect has it, a call that adds or subtracts an interval; "" where that
// cannot be composed.
func ownSum(p *check.Pass, c *syntax.Call) string {
	sign := signs[p.FunctionName(c)]
	if sign == "" || len(c.Args) != 2 || p.HasComment(c.Span()) {
		return ""
	}
	n, ok := c.Args[1].(*syntax.Interval)
	if !ok {
		return ""
	}
	if p.Dialect == dialect.SQLServer {
		added := countOf(p, n)
		if added == "" || !isUnit(p.Dialect, unitOf(p, n)) {
			return ""
		}
		if sign == "-" {
			added = strings.TrimPrefix("-"+added, "--")
		}
		return fmt.Sprintf("DATEADD(%s, %s, %s)", unitOf(p, n), added, p.Text(c.Args[0]))
	}
	own := ownInterval(p, n)
	if own == "" {
		return ""
	}
	sum := p.Text(c.Args[0]) + " " + sign + " " + own
	switch around := p.Parent(c).(type) {
	case *syntax.Binary:
		if !around.Op.IsComparison() {
			return "(" + sum + ")"
		}
	case *syntax.Unary, *syntax.Cast, *syntax.AtZone:
		return "(" + sum + ")"
	}
	return sum
}

// ownInterval writes an interval anew for PostgreSQL and Oracle; "" where that cannot be composed.
func ownInterval(p *check.Pass, n *syntax.Interval) string {
	word, unit, count := p.Word(n.Span().Start, "INTERVAL"), unitOf(p, n), countOf(p, n)
	switch {
	case p.HasComment(n.Span()) || p.Dialect != dialect.Postgres && p.Dialect != dialect.Oracle || !isUnit(p.Dialect, unit):
		return ""
	case isText(n):
		return p.Text(n)
	case p.Dialect == dialect.Oracle && count != "":
		return fmt.Sprintf("%s '%s' %s", word, count, unit)
	case p.Dialect == dialect.Oracle:
		return ""
	case count != "":
		return fmt.Sprintf("%s '%s %s'", word, count, unit)
	}
	factor := p.Text(n.Value)
	if n.Value.Kind() != syntax.KindName && n.Value.Kind() != syntax.KindParen {
		factor = "(" + factor + ")"
	}
	return fmt.Sprintf("%s * %s '1 %s'", factor, word, unit)
}

// isUnit reports whether a dialect has a unit of time that is one word.
func isUnit(d dialect.Dialect, unit string) bool {
	switch strings.ToUpper(unit) {
	case "YEAR", "MONTH", "DAY", "HOUR", "MINUTE", "SECOND":
		return true
	case "WEEK", "MICROSECOND":
		return d != dialect.Oracle
	case "QUARTER":
		return d == dialect.SQLServer
	}
	return false
}

// unitOf gives the unit of an interval as written, "" where it has none.
func unitOf(p *check.Pass, n *syntax.Interval) string {
	return strings.TrimSpace(string(p.Src[n.Value.Span().End:n.Span().End]))
}

// countOf gives the number of an interval as written, its sign with it; "" where it is none.
func countOf(p *check.Pass, n *syntax.Interval) string {
	if isText(n) {
		return ""
	}
	if value := syntax.Unparen(n.Value); syntax.IsConstant(value) {
		return p.Text(value)
	}
	return ""
}
