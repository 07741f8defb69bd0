package maths

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var zeroPosition = &check.Check{
	ID:    "math.zero-position",
	Title: "position 0 of a text, whose first letter is at 1",
	Doc: "SUBSTRING counts from 1. PostgreSQL, SQL Server and SQLite begin at 0 one letter too early, so that SUBSTRING(x, 0, 5) gives four letters; MySQL and MariaDB give an empty text; Oracle and Spark take 0 for 1. All were asked " +
		"or say so in their manuals.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Fine, dialect.In(dialect.Oracle, dialect.Spark)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT SUBSTRING(name, 0, 2) AS beginning FROM hives",
		Good:    "SELECT SUBSTRING(name, 1, 2) AS beginning FROM hives",
		Near: []string{
			"SELECT SUBSTRING(name, 1, 5) AS beginning FROM hives",
			"SELECT SUBSTRING(name, 0) AS whole FROM hives",
			"SELECT SUBSTRING(name FROM frame_count FOR 0) AS none FROM hives",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT SUBSTR(name, 0) AS whole FROM hives",
		Good:    "SELECT SUBSTR(name, 1) AS whole FROM hives",
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT SUBSTR(name, 0, 5) AS beginning FROM hives"},
	}},
	On: check.Calls(runZeroPosition, "substring", "substr", "mid").In(dialect.Everywhere &^ dialect.In(dialect.Oracle, dialect.Spark)),
}

func runZeroPosition(p *check.Pass, c *syntax.Call) {
	mysql := p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB
	if len(c.Name) != 1 || len(c.Args) < 2 || len(c.Args) > 3 || len(c.Args) == 2 && !mysql {
		return
	}
	l, ok := syntax.Unparen(c.Args[1]).(*syntax.Literal)
	if !ok || l.Lit != syntax.NumberLiteral || p.Text(l) != "0" {
		return
	}
	f := check.Finding{Span: l.Span(), Context: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s begins before the first letter, and gives one letter fewer", p.Brief(c)),
		Why:     "The first letter is at position 1.",
		Mends:   []check.Mend{{Title: "begin at 1", Effect: check.NewRows, Edits: []text.Edit{check.Replace(l.Span(), "1")}}},
	}
	if mysql {
		f.Message = fmt.Sprintf("%s gives an empty text: there is no position 0", p.Brief(c))
	}
	p.Report(f)
}
