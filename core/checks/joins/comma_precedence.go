package joins

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var commaPrecedence = &check.Check{
	ID:     "join.comma-precedence",
	Title:  "ON names a source that stands before a comma",
	Errors: []string{"42P01", "1054", "ORA-00904", "Msg 4104"},
	Doc: "JOIN binds tighter than the comma. In FROM a, b JOIN c ON … the join is that of b and c, and its ON sees these two only. Most databases " +
		"refuse a column of a there. SQLite reads commas and JOIN in one row, and takes it.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM hives h, apiaries a JOIN keepers k ON k.keeper_id = h.keeper_id WHERE a.apiary_id = h.apiary_id",
		Good: "SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id JOIN keepers k ON k.keeper_id = h.keeper_id",
		Near: []string{
			"SELECT h.name FROM hives h, apiaries a JOIN keepers k ON k.keeper_id = a.keeper_id WHERE a.apiary_id = h.apiary_id",
			"SELECT h.name FROM apiaries a, hives h JOIN keepers k ON k.keeper_id = h.keeper_id WHERE a.apiary_id = h.apiary_id",
			"SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id = h.keeper_id, apiaries a WHERE a.apiary_id = h.apiary_id",
		},
	}, {
		Dialect: dialect.SQLite,
		Near:    []string{"SELECT h.name FROM hives h, apiaries a JOIN keepers k ON k.keeper_id = h.keeper_id WHERE a.apiary_id = h.apiary_id"},
	}},
	On: check.Names(runCommaPrecedence, bind.NoSource),
}

func runCommaPrecedence(p *check.Pass, n *syntax.Name) {
	scope := p.Use(n).Scope
	if scope == nil || !p.Tells(n) {
		return
	}
	if s := scope.Own(n.Qualifier().Sym); s != nil && s.Node != nil {
		name, where := p.Ident(s.Name), "before"
		if s.Node.Span().Start > n.Span().Start {
			where = "behind"
		}
		p.Report(check.Finding{
			Span: n.Qualifier().Span, Certainty: check.Certain,
			Message: fmt.Sprintf("ON cannot see %s from here", name),
			Why:     "JOIN binds tighter than the comma, so a join sees only the tables between its commas.",
			Related: []check.Related{{Span: s.Node.Span(), Message: fmt.Sprintf("%s stands %s the comma", name, where)}},
			Mends:   []check.Mend{{Title: fmt.Sprintf("join all tables by JOIN, %s before it is named", name), Effect: check.ByHand}},
		})
	}
}
