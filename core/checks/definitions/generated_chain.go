package definitions

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// unchained are the dialects whose generated columns read no other one.
var unchained = dialect.In(dialect.Postgres, dialect.SQLServer, dialect.Oracle)

var generatedChain = &check.Check{
	ID:        "definition.generated-chain",
	Title:     "generated column that reads another one",
	Errors:    []string{"42P17", "ORA-54012", "Msg 1759"},
	Elsewhere: "PostgreSQL, SQL Server and Oracle refuse it, MySQL and MariaDB where the other one stands later, and only Spark and SQLite take that",
	Doc: "PostgreSQL, SQL Server and Oracle work generated columns out from those that are written, in no order, so that one cannot read " +
		"another. MySQL and MariaDB work them out in the order of the columns, so that one can read those before it. The expression is written out in both.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, unchained),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, jars integer GENERATED ALWAYS AS (grams / 500) STORED)",
		Good:    "CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, jars integer GENERATED ALWAYS AS (kg * 1000 / 500) STORED)",
		Near: []string{
			"CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, CHECK (grams > 0))",
			"CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, jars integer GENERATED ALWAYS AS (kg * 2) STORED)",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (kg integer, jars integer GENERATED ALWAYS AS (grams / 500) STORED, grams integer GENERATED ALWAYS AS (kg * 1000) STORED)",
		Good:    "CREATE TABLE colonies (kg integer, jars integer GENERATED ALWAYS AS (kg * 1000 / 500) STORED, grams integer GENERATED ALWAYS AS (kg * 1000) STORED)",
		Near:    []string{"CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, jars integer GENERATED ALWAYS AS (grams / 500) STORED)"},
	}},
	On: check.Nodes(runGeneratedChain).In(unchained | mysqls),
}

func runGeneratedChain(p *check.Pass, n *syntax.CreateTable) {
	if !p.Tells(n) {
		return
	}
	generated := map[syntax.Sym]*syntax.ColumnDef{}
	eachGenerated(n, func(c *syntax.ColumnDef, _ *syntax.Constraint) { generated[c.Name.Sym] = c })
	if len(generated) == 0 {
		return
	}
	why := "Generated columns are worked out from those that are written."
	if mysqls.Has(p.Dialect) {
		why = "Generated columns are worked out in the order in which they stand."
	}
	eachGenerated(n, func(c *syntax.ColumnDef, con *syntax.Constraint) {
		syntax.Inspect(con.X, func(x syntax.Node) bool {
			name, ok := x.(*syntax.Name)
			if !ok {
				return true
			}
			from := generated[name.Last().Sym]
			if from != nil && mysqls.Has(p.Dialect) && from.Name.Span.Start < c.Name.Span.Start {
				return true // worked out before it
			}
			if from != nil && p.Use(name).Column != nil {
				f := check.Finding{
					Span: name.Span(), Context: con.Span(), Certainty: check.Certain, Verdicts: p.Check.Verdicts,
					Message: fmt.Sprintf("%s reads the generated column %s", p.Ident(c.Name), p.Ident(from.Name)),
					Why:     why,
					Related: []check.Related{{Span: from.Span(), Message: "generated here"}},
					Mends:   []check.Mend{{Title: "write the expression of " + p.Ident(from.Name) + " out", Effect: check.ByHand}},
				}
				if from == c {
					f.Message = fmt.Sprintf("%s reads itself", p.Ident(c.Name))
					f.Related, f.Mends[0].Title = nil, "name the columns from which it comes"
				}
				if from == c || from.Name.Span.Start > c.Name.Span.Start {
					f.Verdicts = f.Verdicts.But(check.Refused, mysqls)
				}
				p.Report(f)
			}
			return true
		})
	})
}

func eachGenerated(n *syntax.CreateTable, do func(*syntax.ColumnDef, *syntax.Constraint)) {
	eachConstraint(n, func(c *syntax.ColumnDef, con *syntax.Constraint) {
		if c != nil && con.Type == syntax.GeneratedAs && con.X != nil {
			do(c, con)
		}
	})
}
