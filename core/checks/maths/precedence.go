package maths

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var precedence = &check.Check{
	ID:    "math.precedence",
	Title: "a sum beside a product that the blanks group the other way",
	Doc: "Multiplication and division come before addition and subtraction, whatever the blanks say. Where they are set so that a sum looks like one thing, a+b * c, it is most likely meant as one, " +
		"and so is a sum of which only the last term is divided by their number.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT weight_kg+moisture * 2 AS x FROM harvests",
		Good: "SELECT (weight_kg+moisture) * 2 AS x FROM harvests",
		Near: []string{
			"SELECT weight_kg + moisture*2 AS x FROM harvests",
			"SELECT weight_kg + moisture * 2 AS x FROM harvests",
			"SELECT (weight_kg+moisture) * 2 AS x FROM harvests",
			"SELECT weight_kg+moisture*2 AS x FROM harvests",
			"SELECT weight_kg +moisture * 2 AS x FROM harvests",
		},
	}},
	On: check.Operators(runPrecedence, syntax.OpAdd, syntax.OpSubtract),
}

func runPrecedence(p *check.Pass, b *syntax.Binary) {
	product, ok := b.Y.(*syntax.Binary)
	if !ok || product.Op != syntax.OpMultiply && product.Op != syntax.OpDivide && product.Op != syntax.OpModulo {
		return
	}
	f := check.Finding{Span: b.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is worked out first, before the %s behind %s", p.Brief(product), p.BriefOf(b.OpSpan), p.Brief(b.X)),
		Why:     "Multiplication and division come before addition and subtraction.",
	}
	switch {
	case isTight(p, b) && isWide(p, product):
		f.Why += " The blanks group it the other way."
	case product.Op == syntax.OpDivide && countsTerms(p, b, product):
		f.Certainty = check.Possible
		f.Why += " Only the last term is divided."
	default:
		return
	}
	sum := text.Span{Start: b.X.Span().Start, End: product.X.Span().End}
	f.Mends = []check.Mend{{Title: "group the sum", Effect: check.NewRows, Edits: []text.Edit{check.Insert(sum.Start, "("), check.Insert(sum.End, ")")}}}
	p.Report(f)
}

// isTight reports whether an operator has no blanks beside it.
func isTight(p *check.Pass, b *syntax.Binary) bool {
	return b.X.Span().End == b.OpSpan.Start && b.OpSpan.End == b.Y.Span().Start
}

// isWide reports whether an operator has a blank on both sides.
func isWide(p *check.Pass, b *syntax.Binary) bool {
	return b.X.Span().End < b.OpSpan.Start && b.OpSpan.End < b.Y.Span().Start
}

// countsTerms reports whether a sum of columns ends in a division by the number of its terms.
func countsTerms(p *check.Pass, b *syntax.Binary, quotient *syntax.Binary) bool {
	l, ok := quotient.Y.(*syntax.Literal)
	if _, name := quotient.X.(*syntax.Name); !ok || !name || b.Op != syntax.OpAdd {
		return false
	}
	terms := 2
	x := b.X
	for {
		sum, ok := x.(*syntax.Binary)
		if !ok || sum.Op != syntax.OpAdd {
			break
		}
		terms++
		x = sum.X
	}
	_, name := x.(*syntax.Name)
	return name && p.Text(l) == fmt.Sprint(terms)
}

var divideByZero = &check.Check{
	ID:     "math.divide-by-zero",
	Title:  "division by what is zero, or can be",
	Errors: []string{"22012", "ORA-01476", "1365", "Msg 8134"},
	Doc: "PostgreSQL, SQL Server, Oracle and Spark stop with an error at a division by zero, and all rows are lost with it. MySQL, MariaDB and SQLite give NULL. NULLIF(x, 0) makes NULL of the zero on all of " +
		"them. Of a difference, a count or a sum that may be zero it is told on request.",
	Verdicts:  check.Everywhere(check.Wrong),
	Elsewhere: "PostgreSQL, SQL Server, Oracle and Spark stop with an error, the others give NULL",
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name, frame_count / 0 AS x FROM hives",
		Near: []string{
			"SELECT name, frame_count / 10 AS x FROM hives",
			"SELECT name, frame_count / NULLIF(queen_id, 0) AS x FROM hives",
			"SELECT name, frame_count / 0.5 AS x FROM hives",
			"SELECT SUM(weight_kg) / COUNT(*) AS x FROM harvests",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT jars / NULLIF(0, price) AS x FROM sales",
		Good:    "SELECT jars / NULLIF(price, 0) AS x FROM sales",
	}},
	On: check.Operators(runDivideByZero, syntax.OpDivide, syntax.OpModulo, syntax.OpIntegerDivide),
}

func runDivideByZero(p *check.Pass, b *syntax.Binary) {
	y := syntax.Unparen(b.Y)
	if l, ok := y.(*syntax.Literal); ok {
		if l.Lit != syntax.NumberLiteral || strings.Trim(p.Text(l), "0.") != "" {
			return
		}
		f := check.Finding{Span: b.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s divides by zero", p.Brief(b)),
			Why:     "The database stops with an error here, and no row comes back.",
			Mends:   []check.Mend{{Title: "divide by what is meant", Effect: check.ByHand}},
		}
		if givesNull.Has(p.Dialect) {
			f.Why = "The result is NULL."
		}
		p.Report(f)
		return
	}
	if turnedNullif(p, y) {
		c := y.(*syntax.Call)
		p.Report(check.Finding{Span: y.Span(), Context: b.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s is 0 or NULL, whatever %s is", p.Brief(y), p.Brief(c.Args[1])),
			Why:     "NULLIF gives its first argument, and NULL where the second is the same.",
			Mends:   []check.Mend{{Title: "put the value first", Effect: check.NewRows, Edits: p.Swap(c.Args[0], c.Args[1])}},
		})
		return
	}
	if givesNull.Has(p.Dialect) || !p.Wants(check.Possible) || !mayBeZero(p, y) || isAsked(p, b) {
		return
	}
	p.Report(check.Finding{Span: b.Y.Span(), Context: b.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("%s may be zero", p.Brief(y)),
		Why:     "Most databases stop with an error at a division by zero.",
		Mends: []check.Mend{{Title: "make NULL of a zero", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(b.Y.Span(), p.Word(p.Stmt.Span.Start, "NULLIF")+"("+p.Text(y)+", 0)")}}},
	})
}

// turnedNullif reports whether a divisor is NULLIF(0, x).
func turnedNullif(p *check.Pass, x syntax.Expr) bool {
	c, ok := x.(*syntax.Call)
	if !ok || len(c.Args) != 2 || p.FunctionName(c) != "nullif" {
		return false
	}
	l, ok := syntax.Unparen(c.Args[0]).(*syntax.Literal)
	return ok && l.Lit == syntax.NumberLiteral && strings.Trim(p.Text(l), "0.") == "" && !syntax.IsConstant(c.Args[1])
}

var givesNull = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)

// mayBeZero reports whether a divisor is one of those that often are zero: a difference of columns,
// a sum, the count of a column.
func mayBeZero(p *check.Pass, x syntax.Expr) bool {
	switch n := x.(type) {
	case *syntax.Binary:
		_, left := syntax.Unparen(n.X).(*syntax.Name)
		_, right := syntax.Unparen(n.Y).(*syntax.Name)
		return n.Op == syntax.OpSubtract && left && right && p.Type(n).Class.IsNumber()
	case *syntax.Call:
		name := p.FunctionName(n)
		return n.Over == nil && (name == "sum" || name == "count" && !n.Star && len(n.Args) == 1 && p.Nullable(n.Args[0]) != facts.No)
	}
	return false
}

// isAsked reports whether a division stands in a CASE, which most likely asks for its divisor.
func isAsked(p *check.Pass, b *syntax.Binary) bool {
	for n := p.Parent(b); n != nil; n = p.Parent(n) {
		switch n.Kind() {
		case syntax.KindCase:
			return true
		case syntax.KindQuery:
			return false
		}
	}
	return false
}

var caret = &check.Check{
	ID:       "math.caret",
	Title:    "^ as a power where it is exclusive or",
	Doc:      "PostgreSQL reads 3 ^ 2 as 9. MySQL, MariaDB, SQL Server and Spark read it as the exclusive or of bits, and give 1. POWER(x, y) is the power on all of them.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Spark)),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name, frame_count ^ 2 AS square FROM hives",
		Good:    "SELECT name, POWER(frame_count, 2) AS square FROM hives",
		Near: []string{
			"SELECT name, POWER(frame_count, 2) AS square FROM hives",
			"SELECT name, frame_count ^ hive_id AS bits FROM hives",
			"SELECT name, frame_count ^ 0x0F AS bits FROM hives",
			"SELECT name, frame_count ^ 255 AS bits FROM hives",
		},
	}, {
		Dialect: dialect.Postgres,
		Near:    []string{"SELECT name, frame_count ^ 2 AS square FROM hives"},
	}},
	On: check.Operators(runCaret, syntax.OpPower, syntax.OpBitXor).In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Spark)),
}

func runCaret(p *check.Pass, b *syntax.Binary) {
	y, ok := syntax.Unparen(b.Y).(*syntax.Literal)
	if !ok || p.Text(b)[b.OpSpan.Start-b.Span().Start] != '^' {
		return
	}
	switch p.Text(y) {
	case "2", "3", "0.5", "1.5":
	default:
		return
	}
	if x, ok := syntax.Unparen(b.X).(*syntax.Literal); ok && x.Lit == syntax.NumberLiteral && p.Text(x) == "1" {
		return
	}
	p.Report(check.Finding{Span: b.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is the exclusive or of bits, not a power", p.Brief(b)),
		Why:     fmt.Sprintf("%s has no sign for the power.", p.Dialect.Title()),
		Mends: []check.Mend{{Title: "call POWER", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(b.Span(), p.Word(p.Stmt.Span.Start, "POWER")+"("+p.Text(syntax.Unparen(b.X))+", "+p.Text(y)+")")}}},
	})
}
