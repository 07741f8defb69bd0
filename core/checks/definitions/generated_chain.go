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
	Elsewhere: "PostgreSQL, SQL Server and Oracle refuse it, the others take it",
	Doc: "PostgreSQL, SQL Server and Oracle work generated columns out from those that are written, in no order, so that one cannot read " +
		"another. The expression is written out in both.",
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
		Near:    []string{"CREATE TABLE colonies (kg integer, grams integer GENERATED ALWAYS AS (kg * 1000) STORED, jars integer GENERATED ALWAYS AS (grams / 500) STORED)"},
	}},
	On: check.Nodes(runGeneratedChain).In(unchained),
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
	eachGenerated(n, func(c *syntax.ColumnDef, con *syntax.Constraint) {
		syntax.Inspect(con.X, func(x syntax.Node) bool {
			name, ok := x.(*syntax.Name)
			if !ok {
				return true
			}
			if from := generated[name.Last().Sym]; from != nil && p.Use(name).Column != nil {
				f := check.Finding{
					Span: name.Span(), Context: con.Span(), Certainty: check.Certain,
					Message: fmt.Sprintf("%s reads the generated column %s", p.Ident(c.Name), p.Ident(from.Name)),
					Why:     "Generated columns are worked out from those that are written.",
					Related: []check.Related{{Span: from.Span(), Message: "generated here"}},
					Mends:   []check.Mend{{Title: "write the expression of " + p.Ident(from.Name) + " out", Effect: check.ByHand}},
				}
				if from == c {
					f.Message = fmt.Sprintf("%s reads itself", p.Ident(c.Name))
					f.Related, f.Mends[0].Title = nil, "name the columns from which it comes"
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
