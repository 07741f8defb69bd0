package types

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var literal = &check.Check{
	ID:    "type.literal",
	Title: "text that is no number compared with a column of numbers",
	Doc: "A text in quotes beside a number is converted to one. Where it is none, PostgreSQL, SQL Server and Oracle stop with an error; MySQL and MariaDB take the " +
		"digits that it begins with, or 0, so that rows with 0 are found; on SQLite and Spark it equals no number.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE frame_count = 'ten'",
		Good:    "SELECT name FROM hives WHERE frame_count = 10",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count = '10'",
			"SELECT name FROM hives WHERE frame_count IN (' 8 ', '-1', '+9')",
			"SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id WHERE g.weight_kg > '1.5e1'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE frame_count IN (8, '')",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE frame_count > 'few'",
		Near:    []string{"SELECT name FROM hives WHERE name > 'few' AND frame_count > '8'"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM hives WHERE frame_count < 'many'",
		Near:    []string{"SELECT name FROM hives WHERE frame_count < '10'"},
	}},
	On: check.Kinds(runLiteral, syntax.KindIn, syntax.KindBetween).And(check.Comparisons(runLiteralComparison).With(facts.TextSide)).
		And(check.Nodes(func(p *check.Pass, n *syntax.Case) { mustBeOf(p, p.Results(n)) }).In(dialect.In(dialect.Postgres))).
		And(check.Calls(runLiteralTogether, "coalesce", "greatest", "least").In(dialect.In(dialect.Postgres))),
}

func runLiteralComparison(p *check.Pass, n *syntax.Binary) {
	if !mustBeNumber(p, n.X, n.Y) {
		mustBeNumber(p, n.Y, n.X)
	}
}

func runLiteralTogether(p *check.Pass, c *syntax.Call) {
	if facts.IsPlainCall(c) {
		mustBeOf(p, c.Args)
	}
}

// mustBeOf reports the first literal that is no value of the type that PostgreSQL gives to
// several that one of them may be.
func mustBeOf(p *check.Pass, xs []syntax.Expr) {
	common, o := p.Common(xs)
	if o != dialect.Found {
		return
	}
	of := slices.IndexFunc(xs, func(x syntax.Expr) bool { return p.Exact(x) == common })
	if of < 0 {
		return
	}
	for _, x := range xs {
		if mustBeNumber(p, xs[of], x) {
			return
		}
	}
}

func runLiteral(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.In:
		for _, x := range n.List {
			if mustBeNumber(p, n.X, x) {
				return
			}
		}
	case *syntax.Between:
		if !mustBeNumber(p, n.X, n.Low) {
			mustBeNumber(p, n.X, n.High)
		}
	}
}

// mustBeNumber reports a text that is compared with a column of numbers and is none.
func mustBeNumber(p *check.Pass, column, x syntax.Expr) bool {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.TextLiteral {
		return false
	}
	name := syntax.Unparen(column)
	if p.Dialect == dialect.Postgres {
		switch t := p.Exact(name); {
		case t.IsDay():
			return mustBeDay(p, name, n)
		case !t.IsNumber():
			return false // of a domain, or of another type of the user's
		}
	} else if !isNumberColumn(p, name) {
		return false
	}
	written := text.View(p.Src, n.Span())
	if len(written) < 2 || written[0] != '\'' || strings.ContainsAny(written[1:len(written)-1], `'\`) {
		return false
	}
	value := strings.TrimSpace(written[1 : len(written)-1])
	if value == "" && p.Dialect == dialect.Oracle || !p.Tells(n) { // where '' is NULL
		return false
	}
	if isNumber(value) {
		return mustBeWhole(p, name, n, value)
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is no number, and %s holds numbers", p.Brief(n), p.Brief(column)),
		Why:     becomes(p.Dialect, value),
		Mends:   []check.Mend{{Title: "write a number, or compare another column", Effect: check.ByHand}},
	})
	return true
}

func isNumberColumn(p *check.Pass, x syntax.Expr) bool {
	_, ok := x.(*syntax.Name)
	return ok && p.Type(x).Class.IsNumber()
}

// mustBeWhole reports a fraction that PostgreSQL is to read as a whole number.
func mustBeWhole(p *check.Pass, column syntax.Expr, n *syntax.Literal, value string) bool {
	switch p.Exact(column) {
	case dialect.Int2Type, dialect.Int4Type, dialect.Int8Type:
	default:
		return false
	}
	if strings.Trim(value, "0123456789+-") == "" {
		return false
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLServer)),
		Message: fmt.Sprintf("%s is no whole number, and %s holds whole numbers", p.Brief(n), p.Brief(column)),
		Why:     becomes(p.Dialect, value),
		Mends:   []check.Mend{{Title: "leave the quotes out", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), value)}}},
	})
	return true
}

// mustBeDay reports a text without a digit that PostgreSQL is to read as a day.
func mustBeDay(p *check.Pass, column syntax.Expr, n *syntax.Literal) bool {
	written := text.View(p.Src, n.Span())
	if len(written) < 2 || written[0] != '\'' || strings.ContainsAny(written, "0123456789\\") || !p.Tells(n) {
		return false
	}
	switch strings.ToLower(strings.TrimSpace(strings.Trim(written, "'"))) {
	case "now", "today", "tomorrow", "yesterday", "epoch", "infinity", "-infinity", "+infinity":
		return false
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark)),
		Message: fmt.Sprintf("%s is no day, and %s is one", p.Brief(n), p.Brief(column)),
		Why:     becomes(p.Dialect, ""),
		Mends:   []check.Mend{{Title: "write a day, or compare something else", Effect: check.ByHand}},
	})
	return true
}

// isNumber reports whether all databases read a text as a number; the words for numbers
// without end count as such.
func isNumber(s string) bool {
	if strings.Trim(s, "0123456789+-.eE") != "" {
		s = strings.ToLower(strings.TrimLeft(s, "+-"))
		return s == "nan" || s == "inf" || s == "infinity"
	}
	_, err := strconv.ParseFloat(s, 64)
	return err == nil || strings.Trim(s, "0123456789") == "" && s != ""
}

// becomes says what a database makes of a text that is no number.
func becomes(d dialect.Dialect, value string) string {
	switch d {
	case dialect.Postgres:
		return "PostgreSQL reads the text as a value of the other side's type before it runs the query, and refuses it."
	case dialect.MySQL, dialect.MariaDB:
		return fmt.Sprintf("%s takes it for %s, and compares with that.", d.Title(), beginning(value))
	case dialect.SQLite:
		return "On SQLite a text equals no number, and is greater than all of them."
	case dialect.Spark:
		return "Spark takes it for NULL, so that the comparison is never true; with its ANSI mode it stops with an error."
	}
	return "The conversion fails when the query runs."
}

// beginning gives the number that a text begins with, 0 where it does with none.
func beginning(value string) string {
	for end := len(value); end > 0; end-- {
		if _, err := strconv.ParseFloat(value[:end], 64); err == nil && isNumber(value[:end]) {
			return value[:end]
		}
	}
	return "0"
}
