package clauses

import (
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var limitInIn = &check.Check{
	ID:       "clause.limit-in-in",
	Title:    "row limit in a subquery of IN, ANY or ALL",
	Errors:   []string{"1235"},
	Doc:      "MySQL and MariaDB take no LIMIT in a subquery behind IN, ANY or ALL (\"Restrictions on Subqueries\" in MySQL's manual). A derived table around it may have one.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.MySQL, dialect.MariaDB)),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests ORDER BY weight_kg DESC LIMIT 3)",
		Good:    "SELECT name FROM hives WHERE hive_id IN (SELECT * FROM (SELECT hive_id FROM harvests ORDER BY weight_kg DESC LIMIT 3) AS few)",
		Near: []string{
			"SELECT name FROM hives WHERE hive_id = (SELECT hive_id FROM harvests ORDER BY weight_kg DESC LIMIT 1)",
			"SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)",
			"SELECT name FROM hives WHERE hive_id IN (SELECT * FROM (SELECT hive_id FROM harvests ORDER BY weight_kg DESC LIMIT 3) AS few)",
		},
	}},
	On: check.Kinds(runLimitInIn, syntax.KindIn, syntax.KindQuantified).In(dialect.In(dialect.MySQL, dialect.MariaDB)),
}

func runLimitInIn(p *check.Pass, n syntax.Node) {
	var q *syntax.Query
	switch n := n.(type) {
	case *syntax.In:
		q = n.Query
	case *syntax.Quantified:
		q = n.Query
	}
	if q == nil || !q.Limit.Counts() {
		return
	}
	start := q.Span().Start
	p.Report(check.Finding{Span: q.Limit.Span(), Context: n.Span(), Certainty: check.Certain,
		Message: "no row limit may stand in this subquery",
		Why:     p.Dialect.Title() + " does not limit the rows of a subquery behind IN, ANY or ALL.",
		Mends: []check.Mend{{Title: "put a derived table around it", Effect: check.NewRows, Edits: []text.Edit{
			check.Insert(start, p.Word(start, "SELECT")+" * "+p.Word(start, "FROM")+" ("), check.Insert(q.Span().End, ") "+p.Word(start, "AS")+" few")}}},
	})
}
