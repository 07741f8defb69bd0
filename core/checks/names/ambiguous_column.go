package names

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var ambiguousColumn = &check.Check{
	ID:     "name.ambiguous-column",
	Title:  "column that several sources have",
	Errors: []string{"42702", "ORA-00918", "1052", "Msg 209"},
	Doc: "A bare column that two sources of one query have does not say which is meant, and databases refuse to guess, " +
		"even where a join makes the two equal. USING and NATURAL make one column of them, and are themselves refused where a side of the join has two " +
		"columns of the name; SQLite takes the first there.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, h.name FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id",
		Good: "SELECT h.hive_id, h.name FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id",
		Near: []string{
			"SELECT hive_id, name FROM hives JOIN inspections USING (hive_id)",
			"SELECT h.hive_id AS hive_id FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY hive_id",
			"SELECT name FROM hives AS h WHERE EXISTS (SELECT 1 FROM inspections WHERE hive_id = h.hive_id)",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT h.hive_id FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY hive_id",
		Good:    "SELECT h.hive_id FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY h.hive_id",
	}, {
		Dialect: dialect.Postgres,
		Near:    []string{"SELECT h.hive_id FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY hive_id"},
	}, {
		NoSchema: true,
		Bad:      "SELECT hive_id FROM hives h, harvests g WHERE h.hive_id = g.hive_id AND g.weight_kg > 20",
		Good:     "SELECT h.hive_id FROM hives h, harvests g WHERE h.hive_id = g.hive_id AND g.weight_kg > 20",
		Near: []string{
			"SELECT name FROM hives h JOIN harvests g ON h.hive_id = g.hive_id",
			"SELECT hive_id FROM hives h NATURAL JOIN harvests g WHERE h.hive_id > 1 AND g.hive_id > 2",
		},
	}, {
		Bad:  "SELECT name FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id",
		Good: "SELECT h.name FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id",
	}, {
		Bad:  "SELECT h.name, g.weight_kg, i.mites FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id JOIN inspections AS i USING (hive_id)",
		Good: "SELECT h.name, g.weight_kg, i.mites FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id JOIN inspections AS i ON h.hive_id = i.hive_id",
		Near: []string{"SELECT h.name, g.weight_kg, i.mites FROM hives AS h JOIN harvests AS g USING (hive_id) JOIN inspections AS i USING (hive_id)"},
	}},
	On: check.Names(runAmbiguousColumn, bind.Ambiguous).And(check.Nodes(runAmbiguousJoin).With(facts.Merging)),
}

func runAmbiguousColumn(p *check.Pass, name *syntax.Name) {
	u := p.Use(name)
	column := p.Ident(name.Last())
	owners := make([]string, len(u.Candidates()))
	for i, s := range u.Candidates() {
		switch owners[i] = p.Ident(s.Name); {
		case s.Name.IsZero() && s.Name.Sym != 0: // the row of ON CONFLICT, which nothing names
			owners[i] = p.Word(name.Span().Start, strings.ToUpper(p.Names.String(s.Name.Sym)))
		case s.Name.IsZero():
			owners[i] = "a query in FROM"
		}
	}
	f := check.Finding{
		Span:      name.Span(),
		Certainty: check.Certain,
		Message:   fmt.Sprintf("%s may be a column of %s", column, check.List(owners, "or")),
		Why:       fmt.Sprintf("Both %s have a column %s, and the database does not choose.", check.List(owners, "and"), column),
	}
	if len(owners) > 2 {
		f.Why = fmt.Sprintf("%s all have a column %s, and the database will not choose.", check.List(owners, "and"), column)
	}
	if len(name.Parts) > 1 || sameNames(owners) || p.Above(name) != nil && p.Above(name).Kind() == syntax.KindOrderItem && len(owners) < 2 {
		f.Why = "Two of them have that name, and the database will not choose."
		f.Mends = []check.Mend{{Title: "give one of them another name", Effect: check.ByHand}}
		p.Report(f)
		return
	}
	equal := equated(p, u, name)
	for i, s := range u.Candidates() {
		if s.Name.IsZero() && s.Name.Sym == 0 {
			f.Mends = append(f.Mends, check.Mend{Title: "give the query in FROM a name", Effect: check.ByHand})
			continue
		}
		effect := check.NewRows
		if equal {
			effect = check.SameRows
			if i > 0 {
				break
			}
		}
		f.Mends = append(f.Mends, check.Mend{
			Title:  fmt.Sprintf("say %s.%s", owners[i], column),
			Effect: effect,
			Edits:  []text.Edit{check.Insert(name.Span().Start, owners[i]+".")},
		})
	}
	p.Report(f)
}

// sameNames reports whether the owners of a column cannot be told apart by name.
func sameNames(owners []string) bool {
	for _, o := range owners {
		if o != owners[0] {
			return false
		}
	}
	return true
}

// equated reports whether inner joins or WHERE make all candidates' columns
// equal, so that either may be named.
func equated(p *check.Pass, u *bind.Use, name *syntax.Name) bool {
	sel, ok := u.Scope.Node.(*syntax.Select)
	if !ok || sel.From == nil || len(u.Candidates()) != 2 || !p.Affords() {
		return false
	}
	for _, s := range u.Candidates() {
		if s.Optional {
			return false
		}
	}
	sym, found := name.Last().Sym, false
	test := func(c syntax.Expr) {
		b, ok := syntax.Unparen(c).(*syntax.Binary)
		if !ok || b.Op != syntax.OpEqual {
			return
		}
		x, xok := b.X.(*syntax.Name)
		y, yok := b.Y.(*syntax.Name)
		if xok && yok && x.Last().Sym == sym && y.Last().Sym == sym {
			a, b := p.Use(x).Source, p.Use(y).Source
			found = found || a == u.Candidates()[0] && b == u.Candidates()[1] || a == u.Candidates()[1] && b == u.Candidates()[0]
		}
	}
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, test)
	}
	for _, t := range sel.From.Tables {
		syntax.Inspect(t, func(n syntax.Node) bool {
			if j, ok := n.(*syntax.Join); ok && j.Type == syntax.InnerJoin {
				syntax.Conjuncts(j.On, test)
			}
			_, derived := n.(*syntax.Derived)
			return !derived
		})
	}
	return found
}
