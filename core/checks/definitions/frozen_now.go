package definitions

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var frozenNow = &check.Check{
	ID:    "definition.frozen-now",
	Title: "DEFAULT 'now', which is the time of the definition",
	Doc: "PostgreSQL reads the text 'now' as a time when it reads the definition (\"Date/Time Input\", special values), so that each row gets the instant at which the table was created. now() is worked out for each row, " +
		"CURRENT_DATE likewise.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.Postgres)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id integer PRIMARY KEY, seen timestamp DEFAULT 'now')",
		Good:    "CREATE TABLE colonies (colony_id integer PRIMARY KEY, seen timestamp DEFAULT now())",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, seen timestamp DEFAULT now())",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue text DEFAULT 'now')",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, seen timestamp DEFAULT ('now'::text)::timestamp)",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, seen date DEFAULT '2026-05-01')",
		},
	}},
	On: check.Nodes(runFrozenNow).In(dialect.In(dialect.Postgres)),
}

func runFrozenNow(p *check.Pass, c *syntax.ColumnDef) {
	if c.Type == nil || !p.Tells(c) || !p.Schema.TypeOf(c.Type, p.Src, p.Dialect).Class.HasDay() {
		return
	}
	for _, con := range c.Constraints {
		if con.Type != syntax.DefaultValue || con.X == nil {
			continue
		}
		x := con.X
		if cast, ok := syntax.Unparen(x).(*syntax.Cast); ok && p.Type(cast).Class.HasDay() { // as a text it is read with each row
			x = cast.X
		}
		l, ok := syntax.Unparen(x).(*syntax.Literal)
		if !ok || l.Lit != syntax.TextLiteral {
			continue
		}
		meant := map[string]string{"now": "now()", "today": "CURRENT_DATE", "tomorrow": "CURRENT_DATE + 1", "yesterday": "CURRENT_DATE - 1"}[strings.ToLower(strings.Trim(p.Text(l), "' "))]
		if meant == "" {
			continue
		}
		p.Report(check.Finding{
			Span: con.X.Span(), Context: c.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("every row gets the time at which %s was defined", p.Ident(c.Name)),
			Why:     fmt.Sprintf("%s is read as a time once, with the definition.", p.Text(l)),
			Mends:   []check.Mend{{Title: "write " + meant, Effect: check.NewRows, Edits: []text.Edit{check.Replace(con.X.Span(), meant)}}},
		})
	}
}
