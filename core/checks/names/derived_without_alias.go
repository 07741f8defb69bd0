package names

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var derivedWithoutAlias = &check.Check{
	ID:     "name.derived-without-alias",
	Title:  "derived table without a name",
	Errors: []string{"42601", "1248", "1064", "Msg 102"},
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

// unnamedDerived are the dialects whose derived tables need no name.
var unnamedDerived = dialect.In(dialect.SQLite, dialect.Oracle, dialect.Spark)

func runDerivedWithoutAlias(p *check.Pass, d *syntax.Derived) {
	if !d.Alias.IsZero() {
		return
	}
	f := check.Finding{
		Span: start(d.Span()), Context: d.Span(), Certainty: check.Certain,
		Message: "this derived table has no name",
		Why:     "Every source of FROM needs a name on MySQL, MariaDB, SQL Server and PostgreSQL before 16.",
		Mends:   []check.Mend{{Title: "give it a name", Effect: check.ByHand}},
	}
	if name := freeName(p, d); name != "" {
		f.Mends = []check.Mend{{Title: "give it a name", Effect: check.SameRows, Edits: []text.Edit{check.Insert(d.Span().End, p.As(d.Span().Start)+name)}}}
	}
	if unnamedDerived.Has(p.Dialect) {
		f.Certainty = check.Possible // it only matters elsewhere
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

// calledInstead gives the qualifiers of the query that no source answers to.
func calledInstead(p *check.Pass, sel *syntax.Select) (names []string) {
	within := syntax.Node(sel)
	if q := p.OwnQuery(sel); q != nil {
		within = q
	}
	syntax.Inspect(within, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok && len(name.Parts) > 1 && p.Use(name).Status == bind.NoSource && p.Use(name).Scope == p.Scope(sel) {
			if text := p.Ident(name.Qualifier()); !slices.Contains(names, text) {
				names = append(names, text)
			}
		}
		return true
	})
	return names
}

// hasUnnamed reports whether another source than the derived table has no name.
func hasUnnamed(scope *bind.Scope, d syntax.Node) bool {
	return slices.ContainsFunc(scope.Sources, func(s *bind.Source) bool { return s.Name.Sym == 0 && syntax.Node(s.Node) != d })
}

// freeName gives the name that the query uses for it, or else a short one that no source
// has; "" where several may be meant.
func freeName(p *check.Pass, n syntax.Node) string {
	if !p.Affords() {
		return ""
	}
	sel := p.SelectOf(p.Parent(n))
	if sel != nil {
		switch names := calledInstead(p, sel); {
		case len(names) == 1 && !hasUnnamed(p.Scope(sel), n):
			return names[0]
		case len(names) > 0:
			return "" // which of them is meant cannot be told
		}
	}
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
