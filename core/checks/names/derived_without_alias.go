package names

import (
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var derivedWithoutAlias = &check.Check{
	ID:    "name.derived-without-alias",
	Title: "derived table without a name",
	Doc: "A query in FROM needs a name on MySQL, MariaDB, SQL Server, and PostgreSQL before version 16. Elsewhere it runs, but its columns cannot " +
		"be qualified.",
	Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.SQLServer)),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT heavy FROM (SELECT MAX(weight_kg) AS heavy FROM harvests)",
		Good:    "SELECT heavy FROM (SELECT MAX(weight_kg) AS heavy FROM harvests) AS d",
		Near: []string{
			"SELECT name FROM hives",
			"SELECT heavy FROM (SELECT MAX(weight_kg) AS heavy FROM harvests) d",
			"SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)",
		},
	}, {
		Dialect: dialect.Postgres, Version: dialect.At(15, 0, 0),
		Bad:  "SELECT heavy FROM (SELECT MAX(weight_kg) AS heavy FROM harvests) WHERE heavy > 3",
		Good: "SELECT heavy FROM (SELECT MAX(weight_kg) AS heavy FROM harvests) AS d WHERE heavy > 3",
	}},
	On: check.Nodes(runDerivedWithoutAlias),
}

func runDerivedWithoutAlias(p *check.Pass, d *syntax.Derived) {
	if !d.Alias.IsZero() {
		return
	}
	f := check.Finding{
		Span: start(d.Span()), Context: d.Span(), Certainty: check.Certain,
		Message: "this derived table has no name",
		Why:     "Every source of FROM needs a name on MySQL, MariaDB, SQL Server and PostgreSQL before 16.",
		Mends: []check.Mend{{Title: "give it a name", Effect: check.SameRows,
			Edits: []text.Edit{check.Insert(d.Span().End, p.As(d.Span().Start)+freeName(p, d))}}},
	}
	if p.Dialect == dialect.Postgres {
		f.Certainty = check.Likely
		if p.Version > 0 {
			f.Certainty = check.Certain
		}
		if p.Version >= dialect.At(16, 0, 0) {
			f.Verdicts = p.Check.Verdicts.But(check.Unclear, dialect.In(dialect.Postgres))
		}
	}
	p.Report(f)
}

// start gives the opening parenthesis of a derived table.
func start(s text.Span) text.Span { return text.Span{Start: s.Start, End: s.Start + 1} }

// freeName gives a short name that no source of the query has.
func freeName(p *check.Pass, n syntax.Node) string {
	sel := p.SelectOf(p.Parent(n))
	for _, name := range []string{"d", "e", "f", "g"} {
		taken := false
		if sel != nil {
			for _, s := range p.Scope(sel).Sources {
				taken = taken || s.Name.Sym != 0 && p.Names.String(s.Name.Sym) == name
			}
		}
		if !taken {
			return name
		}
	}
	return "derived"
}
