package nulls

import (
	"fmt"
	"strings"
	"unicode/utf8"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
	"justlens/core/text"
)

var cutReplacement = &check.Check{
	ID:    "null.cut-replacement",
	Title: "a replacement for NULL that is cut to the length of the column",
	Doc: "SQL Server's ISNULL gives a value of the type of its first argument, and cuts the second to that (\"ISNULL\" in its reference). Of a varchar(10) and a replacement of 16 letters 10 letters are left. COALESCE takes the type " +
		"that holds both.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.SQLServer)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name, ISNULL(colour, 'yellow and white') AS colour FROM queens",
		Good:    "SELECT name, COALESCE(colour, 'yellow and white') AS colour FROM queens",
		Near: []string{
			"SELECT name, ISNULL(colour, 'white') AS colour FROM queens",
			"SELECT name, COALESCE(colour, 'yellow and white') AS colour FROM queens",
			"SELECT ISNULL(remark, 'nothing to be said') AS remark FROM inspections",
		},
	}},
	On: check.Calls(runCutReplacement, "isnull").In(dialect.In(dialect.SQLServer)),
}

func runCutReplacement(p *check.Pass, c *syntax.Call) {
	if len(c.Args) != 2 || len(c.Name) != 1 || !p.Tells(c) {
		return
	}
	column, isName := syntax.Unparen(c.Args[0]).(*syntax.Name)
	l, isLiteral := syntax.Unparen(c.Args[1]).(*syntax.Literal)
	if !isName || !isLiteral || l.Lit != syntax.TextLiteral {
		return
	}
	of := p.Type(column)
	value := strings.TrimSuffix(strings.TrimLeft(p.Text(l), "Nn"), "'")
	long := utf8.RuneCountInString(value) - 1 - strings.Count(value[1:], "''")
	if of.Class != class.Text || of.Length == 0 || long <= of.Length {
		return
	}
	name := c.Name[0].Span
	p.Report(check.Finding{
		Span: l.Span(), Context: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s has %d characters, and ISNULL keeps the first %d: as many as %s holds", p.Brief(l), long, of.Length, p.Brief(column)),
		Why:     "ISNULL gives the type of its first argument.",
		Mends:   []check.Mend{{Title: "write COALESCE, which keeps them all", Effect: check.NewRows, Edits: []text.Edit{check.Replace(name, p.Word(name.Start, "COALESCE"))}}},
	})
}
