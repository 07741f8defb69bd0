package joins

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
)

var typesDiffer = &check.Check{
	ID:    "join.types-differ",
	Title: "columns of different types tied",
	Doc: "Where a column of texts is tied to one of numbers, the texts are made numbers, row by row: an index on them does not serve. MySQL and MariaDB take '7 frames' for 7, SQL " +
		"Server and Oracle stop with an error at the first text that is no number, PostgreSQL refuses the comparison.",
	Verdicts: check.Everywhere(check.Slow).But(check.Refused, dialect.In(dialect.Postgres)).But(check.Unclear, dialect.In(dialect.ANSI)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT h.name FROM hives AS h JOIN queens AS q ON q.colour = h.queen_id",
		Good:    "SELECT h.name FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id",
		Near: []string{
			"SELECT h.name FROM hives AS h JOIN queens AS q ON q.name = h.name",
			"SELECT g.weight_kg FROM harvests AS g JOIN hives AS h ON h.frame_count = g.weight_kg",
			"SELECT i.mites FROM inspections AS i JOIN hives AS h ON h.moved_on = i.inspected_at",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT a.name FROM apiaries AS a, hives AS h WHERE a.name = h.frame_count",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT a.name FROM apiaries a JOIN hives h ON h.moved_on = a.altitude_m",
	}},
	On: check.Operators(runTypesDiffer, syntax.OpEqual).With(facts.Columns).In(dialect.Everywhere &^ dialect.In(dialect.ANSI, dialect.Postgres)),
}

func runTypesDiffer(p *check.Pass, n *syntax.Binary) {
	x, ok := syntax.Unparen(n.X).(*syntax.Name)
	y, also := syntax.Unparen(n.Y).(*syntax.Name)
	if !ok || !also {
		return
	}
	u, v := p.Use(x), p.Use(y)
	if u.Status != bind.Resolved || v.Status != bind.Resolved || u.Source == v.Source || !p.Tells(n) {
		return
	}
	a, b := p.Type(x).Class, p.Type(y).Class
	m := p.Dialect.Meets(dialect.Compare, a, b)
	if m == (dialect.Meeting{}) || a == b || a.HasDay() && b.HasDay() {
		return
	}
	f := check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is %s, and %s is %s", p.Brief(x), a.Noun(), p.Brief(y), b.Noun()),
		Mends:   []check.Mend{{Title: "compare columns of one type, or cast the one without an index", Effect: check.ByHand}},
	}
	converted := x
	if m.As.IsNumber() && a.IsNumber() || m.As == a {
		converted = y
	}
	switch {
	case m.Refused:
		f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(p.Dialect))
		f.Why = fmt.Sprintf("%s converts neither to the other.", p.Dialect.Title())
	case m.As == a || m.As == b || m.As.IsNumber():
		f.Why = fmt.Sprintf("Each value of %s is made %s to be compared, so that an index on it does not serve.", p.Brief(converted), m.As.Noun())
		if p.Dialect.Invalid(m.As) == dialect.InvalidPrefix {
			f.Why += " A text counts by the number that it begins with."
		} else if p.Dialect.Invalid(m.As) == dialect.InvalidRefused {
			f.Why += " The first text that is none stops the query with an error."
		}
	case p.Dialect == dialect.SQLite && (a == class.Text || b == class.Text):
		return // a date is a text there
	default:
		f.Why = fmt.Sprintf("Both are made %s to be compared, so that no index serves.", m.As.Noun())
	}
	p.Report(f)
}
