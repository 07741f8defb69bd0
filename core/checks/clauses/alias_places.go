package clauses

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var aliasInHaving = &check.Check{
	ID:    "clause.alias-in-having",
	Title: "output alias in HAVING",
	Doc: "HAVING is asked before the select list is worked out. MySQL, MariaDB, SQLite, Spark and Oracle since version 23 look the alias up all " +
		"the same; the other databases refuse it.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.With(dialect.AliasInHaving)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING kg > 20",
		Good: "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 20",
		Near: []string{"SELECT hive_id FROM harvests GROUP BY hive_id HAVING hive_id > 3", "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 20"},
	}, {
		Dialect: dialect.MariaDB,
		Near:    []string{"SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING kg > 20"},
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING kg > 20"},
	}, {
		Dialect: dialect.Oracle, Version: dialect.At(19, 0, 0),
		Bad:  "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING kg > 20",
		Good: "SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 20",
	}},
	On: check.Names(func(p *check.Pass, name *syntax.Name) {
		if groupsSeeAliases(p) {
			return
		}
		reportAlias(p, name, syntax.KindHaving, "HAVING", "HAVING is asked before the select list is worked out")
	}, untold...).Bare(),
}

// groupsSeeAliases reports whether GROUP BY and HAVING know the names of the select list as
// Oracle's do since 23, says its manual; what the version is when none is named is open.
func groupsSeeAliases(p *check.Pass) bool {
	return p.MayBe(dialect.Oracle, dialect.At(23, 0, 0))
}

var aliasInGroupBy = &check.Check{
	ID:    "clause.alias-in-group-by",
	Title: "output alias in GROUP BY",
	Doc: "SQL Server and Oracle before version 23 group before they know the names of the select list. PostgreSQL, MySQL, MariaDB, SQLite and " +
		"Spark look the alias up.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.SQLServer, dialect.Oracle)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "SELECT YEAR(taken_on) AS y, SUM(weight_kg) FROM harvests GROUP BY y",
		Good:    "SELECT YEAR(taken_on) AS y, SUM(weight_kg) FROM harvests GROUP BY YEAR(taken_on)",
		Near:    []string{"SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id ORDER BY kg", "SELECT hive_id AS hive, SUM(weight_kg) FROM harvests GROUP BY hive_id"},
	}, {
		Dialect: dialect.Postgres,
		Near:    []string{"SELECT EXTRACT(YEAR FROM taken_on) AS y, SUM(weight_kg) FROM harvests GROUP BY y"},
	}},
	On: check.Names(func(p *check.Pass, name *syntax.Name) {
		if groupsSeeAliases(p) {
			return
		}
		reportAlias(p, name, syntax.KindGroupBy, "GROUP BY", "GROUP BY is done before the select list is worked out")
	}, untold...).Bare(),
}

var aliasInSelect = &check.Check{
	ID:    "clause.alias-in-select",
	Title: "output alias used beside it",
	Doc: "All expressions of a select list are worked out side by side, so none sees the name that another is given there. Spark since 3.4 lets " +
		"later ones see earlier names.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.With(dialect.AliasInSelect)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT weight_kg * 1000 AS grams, grams / 12 AS jars FROM harvests",
		Good: "SELECT weight_kg * 1000 AS grams, (weight_kg * 1000) / 12 AS jars FROM harvests",
		Near: []string{
			"SELECT weight_kg * 1000 AS grams FROM harvests ORDER BY grams",
			"SELECT weight_kg * 1000 AS moisture, moisture / 12 AS dry FROM harvests",
			"SELECT g.grams, g.grams / 12 AS jars FROM (SELECT weight_kg * 1000 AS grams FROM harvests) AS g",
		},
	}},
	On: check.Names(func(p *check.Pass, name *syntax.Name) {
		reportAlias(p, name, syntax.KindSelectItem, "the select list", "The expressions of a select list are worked out side by side")
	}, untold...).Bare(),
}

var aliasInOrderExpression = &check.Check{
	ID:    "clause.alias-in-order-expression",
	Title: "output alias inside an expression of ORDER BY",
	Doc: "ORDER BY takes an alias by itself, but inside a longer expression PostgreSQL, SQL Server and others look for columns only. SQLite, " +
		"MySQL, MariaDB, Oracle and Spark take it.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.ANSI, dialect.Postgres, dialect.SQLServer)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY grams * 2",
		Good:    "SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY (weight_kg * 1000) * 2",
		Near: []string{
			"SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY grams",
			"SELECT hive_id, weight_kg * 1000 AS moisture FROM harvests ORDER BY moisture * 2",
		},
	}, {
		Dialect: dialect.SQLite,
		Near:    []string{"SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY grams * 2"},
	}},
	On: check.Names(func(p *check.Pass, name *syntax.Name) {
		if _, direct := p.Above(name).(*syntax.OrderItem); !direct {
			reportAlias(p, name, syntax.KindOrderBy, "an expression of ORDER BY", "Inside an expression ORDER BY looks for columns only")
		}
	}, untold...).Bare(),
}

// untold are the names that may mean an alias that cannot be seen.
var untold = []bind.Status{bind.Missing, bind.Assumed, bind.Unclear, bind.Variable}

// reportAlias reports a bare name in a clause that no source has and that only
// the select list defines.
func reportAlias(p *check.Pass, name *syntax.Name, kind syntax.Kind, clause, why string) {
	u := p.Use(name)
	if u.Outer {
		return
	}
	place := clauseOf(p, name)
	sel := p.SelectOf(name)
	if place == nil || place.Kind() != kind || sel == nil || u.Scope != p.Scope(sel) {
		return
	}
	if _, window := p.Parent(place).(*syntax.Window); window {
		return
	}
	item := itemNamed(p, sel, name)
	if item == nil || mentions(item.X, name.Last().Sym) || item.Span().Contains(name.Span()) {
		return
	}
	f := check.Finding{
		Span: name.Span(), Context: place.Span(), Certainty: certaintyOf(u, item),
		Message: fmt.Sprintf("%s cannot see the alias %s", clause, p.Brief(name)),
		Why:     fmt.Sprintf("%s, and no column of that name is known.", why),
		Related: []check.Related{{Span: item.Span(), Message: "named here"}},
	}
	if kind == syntax.KindOrderBy && p.Dialect.Has(dialect.ExecutedComments) {
		grouped := false
		p.EachAggregate(item.X, func(*syntax.Call) { grouped = true })
		if grouped { // of which MySQL and MariaDB let an expression use no alias
			f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.With(dialect.ExecutedComments))
		}
	}
	_, whole := p.Above(name).(*syntax.GroupBy)
	if kind == syntax.KindGroupBy && !whole && p.Dialect == dialect.Postgres {
		f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.Postgres)) // which takes it by itself only
	}
	written := p.Parenthesised(item.X)
	if kind == syntax.KindGroupBy {
		written = p.Text(item.X)
	}
	holds := false
	p.EachAggregate(item.X, func(*syntax.Call) { holds = true })
	switch {
	case kind == syntax.KindGroupBy && holds:
		f.Mends = []check.Mend{{Title: "group by what the aggregate is worked out from", Effect: check.ByHand}}
	case kind == syntax.KindGroupBy && !whole:
		f.Mends = []check.Mend{{Title: "select what is grouped by, or group by what is selected", Effect: check.ByHand}}
	default:
		f.Mends = []check.Mend{{Title: "write the expression itself", Effect: check.NewRows, Edits: []text.Edit{check.Replace(name.Span(), written)}}}
	}
	p.Report(f)
}
