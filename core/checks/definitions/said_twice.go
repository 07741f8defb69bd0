package definitions

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

// strictColumns are the databases that refuse a column of which two things are said at once.
var strictColumns = dialect.In(dialect.Postgres, dialect.SQLServer, dialect.Oracle)

var saidTwice = &check.Check{
	ID:     "definition.said-twice",
	Title:  "column of which two things are said at once",
	Errors: []string{"42601", "1067", "ORA-02258", "Msg 8148"},
	Doc: "A column takes NULL or does not, has one default, and takes its value either from a default or from an expression, a sequence or the counter of the table. " +
		"PostgreSQL, SQL Server and Oracle refuse what contradicts itself; MySQL, MariaDB and SQLite mostly go by what stands last.",
	Elsewhere: "MySQL, MariaDB and SQLite take some of it, and go by what stands last",
	Verdicts:  check.Everywhere(check.Unclear).But(check.Refused, strictColumns),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) NOT NULL NULL)",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) NOT NULL, spot varchar(9) NULL)",
			"CREATE TABLE colonies (colony_id integer NOT NULL PRIMARY KEY, hue varchar(9) NOT NULL DEFAULT 'red')",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id serial DEFAULT 3, hue varchar(9))",
		Good:    "CREATE TABLE colonies (colony_id serial, hue varchar(9))",
		Near:    []string{"CREATE TABLE colonies (colony_id serial NOT NULL, hue varchar(9) DEFAULT 'red')"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "CREATE TABLE colonies (kg integer, grams integer DEFAULT 0 GENERATED ALWAYS AS (kg * 1000) STORED)",
		Good:    "CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED)",
		Near:    []string{"CREATE TABLE colonies (kg integer DEFAULT 0, grams integer NOT NULL GENERATED ALWAYS AS (kg * 1000) STORED)"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (colony_id integer AUTO_INCREMENT PRIMARY KEY DEFAULT 1)",
		Good:    "CREATE TABLE colonies (colony_id integer AUTO_INCREMENT PRIMARY KEY)",
		Near:    []string{"CREATE TABLE colonies (colony_id integer AUTO_INCREMENT PRIMARY KEY, hue varchar(9) NULL)"},
	}},
	On: check.Nodes(runSaidTwice).In(dialect.Everywhere &^ dialect.In(dialect.ANSI, dialect.Spark)),
}

func runSaidTwice(p *check.Pass, c *syntax.ColumnDef) {
	if len(c.Constraints) == 0 || !p.Tells(c) {
		return
	}
	var first, source, null *syntax.Constraint // the first default, what makes the values, NULL
	for _, con := range c.Constraints {
		switch con.Type {
		case syntax.DefaultValue:
			if first != nil {
				tellTwice(p, c, con, first, fmt.Sprintf("%s has a second default", p.Ident(c.Name)), strictColumns)
				return
			}
			first = con
		case syntax.GeneratedAs, syntax.IdentityValue:
			source = con
		case syntax.NullAllowed:
			null = con
		}
	}
	if null != nil && (c.NotNull || source != nil && source.Type == syntax.IdentityValue && strictColumns.Has(p.Dialect)) {
		tellTwice(p, c, null, nil, fmt.Sprintf("%s is NULL by one word, and NOT NULL by another", p.Ident(c.Name)), strictColumns)
	}
	if first == nil {
		return
	}
	switch {
	case source == nil:
		if p.Dialect == dialect.Postgres && c.Type != nil && len(c.Type.Parts) == 1 && strings.HasSuffix(p.Names.String(c.Type.Parts[0].Sym), "serial") {
			tellTwice(p, c, first, nil, fmt.Sprintf("%s is numbered by its type, and has a default", p.Ident(c.Name)), strictColumns)
		}
	case source.Type == syntax.GeneratedAs:
		tellTwice(p, c, first, source, fmt.Sprintf("%s is worked out, and has a default", p.Ident(c.Name)), strictColumns|mysqls|dialect.In(dialect.SQLite))
	case p.Dialect != dialect.SQLite && !strings.EqualFold(text.View(p.Src, first.X.Span()), "NULL"):
		tellTwice(p, c, first, source, fmt.Sprintf("%s is numbered, and has a default", p.Ident(c.Name)), strictColumns|mysqls)
	}
}

// tellTwice reports what says something else of a column than earlier words do. Refused are the
// databases that refuse it.
func tellTwice(p *check.Pass, c *syntax.ColumnDef, at, other *syntax.Constraint, message string, refused dialect.Set) {
	f := check.Finding{
		Span: at.Span(), Context: c.Span(), Certainty: check.Certain, Message: message,
		Verdicts: check.Everywhere(check.Unclear).But(check.Refused, refused),
		Why:      "Both cannot hold.",
		Mends:    []check.Mend{{Title: "keep one of them", Effect: check.ByHand}},
	}
	if at.Type == syntax.DefaultValue && (other == nil || other.Type != syntax.DefaultValue) {
		f.Mends = []check.Mend{{Title: "leave the default out", Effect: check.NewRows, Edits: p.RemoveClause(at)}}
	}
	if other != nil {
		f.Related = []check.Related{{Span: other.Span(), Message: "the other"}}
	}
	p.Report(f)
}
