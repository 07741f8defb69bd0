package clauses

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var aliasInWhere = &check.Check{
	ID:     "clause.alias-in-where",
	Title:  "output alias in WHERE or ON",
	Errors: []string{"42703", "ORA-00904", "1054", "Msg 207"},
	Doc: "WHERE and ON are worked out before the select list, so the names given there do not exist yet. " +
		"SQLite alone looks them up all the same.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.With(dialect.AliasInWhere)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, weight_kg * 1000 AS grams FROM harvests WHERE grams > 500",
		Good: "SELECT hive_id, weight_kg * 1000 AS grams FROM harvests WHERE (weight_kg * 1000) > 500",
		Near: []string{
			"SELECT hive_id, weight_kg * 1000 AS moisture FROM harvests WHERE moisture > 18",
			"SELECT hive_id, weight_kg * 1000 AS grams FROM harvests ORDER BY grams",
			"SELECT grams FROM (SELECT weight_kg * 1000 AS grams FROM harvests) AS h WHERE grams > 500",
		},
	}, {
		NoSchema: true,
		Bad:      "SELECT hive_id, weight_kg * 1000 AS grams FROM harvests WHERE grams > 500",
		Good:     "SELECT hive_id, weight_kg * 1000 AS grams FROM harvests WHERE (weight_kg * 1000) > 500",
		Near: []string{
			"SELECT h.hive_id, UPPER(h.name) AS name FROM hives h WHERE name = 'Ling'",
			"SELECT COALESCE(moved_on, '2026-01-01') AS moved_on FROM hives WHERE moved_on > '2026-02-01'",
		},
	}, {
		Dialect: dialect.SQLite,
		Near:    []string{"SELECT hive_id, weight_kg * 1000 AS grams FROM harvests WHERE grams > 500"},
	}},
	On: check.Names(runAliasInWhere, bind.OutputAlias, bind.Missing, bind.Assumed, bind.Unclear, bind.Variable, bind.NoSource).Bare(),
}

var whereOrJoin = syntax.Kinds(syntax.KindWhere, syntax.KindJoin)

func runAliasInWhere(p *check.Pass, name *syntax.Name) {
	u := p.Use(name)
	if u.Outer {
		return
	}
	place, _ := p.Enclosing(name, whereOrJoin)
	sel := p.SelectOf(name)
	if place == nil || sel == nil || u.Scope != p.Scope(sel) {
		return
	}
	item := itemNamed(p, sel, name)
	if item == nil || mentions(item.X, name.Last().Sym) {
		return
	}
	if _, constant := item.X.(*syntax.Literal); constant && u.Status != bind.Missing {
		return // a constant in the place of a column is named like it
	}
	clause := "WHERE"
	if place.Kind() == syntax.KindJoin {
		clause = "ON"
	}
	f := check.Finding{
		Span:      name.Span(),
		Context:   place.Span(),
		Certainty: certaintyOf(u, item),
		Message:   fmt.Sprintf("%s cannot see the alias %s", clause, p.Brief(name)),
		Why: fmt.Sprintf("%s is worked out before the select list, where %s is named, and no column of that name is known.",
			clause, p.Text(name)),
		Related: []check.Related{{Span: item.Span(), Message: "named here"}},
		Mends:   substitute(p, name, item),
	}
	p.Report(f)
}

// certaintyOf tells how sure it is that a name can only be the alias of an output.
func certaintyOf(u *bind.Use, item *syntax.SelectItem) check.Certainty {
	if u.Status == bind.Missing {
		return check.Certain
	}
	if _, renamed := syntax.Unparen(item.X).(*syntax.Name); renamed {
		return check.Possible // the table may have columns of both names
	}
	return check.Likely
}

// itemNamed finds the output column that the select list gives the name; nil for one that
// a routine has declared.
func itemNamed(p *check.Pass, sel *syntax.Select, name *syntax.Name) *syntax.SelectItem {
	item := p.Scope(sel).Item(name.Last().Sym)
	if item != nil && isDeclared(p, name) {
		return nil
	}
	return item
}

// isDeclared reports whether the routine around a name declares it.
func isDeclared(p *check.Pass, name *syntax.Name) bool {
	r, ok := p.Nearest(name, syntax.Kinds(syntax.KindRoutine)).(*syntax.Routine)
	return ok && slices.ContainsFunc(r.Declared, func(id syntax.Ident) bool { return id.Sym == name.Last().Sym })
}

// mentions reports whether an expression uses a column of the name: then such
// a column exists, and WHERE means it.
func mentions(x syntax.Expr, sym syntax.Sym) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok && name.Last().Sym == sym {
			found = true
		}
		return !found
	})
	return found
}

// substitute offers the expression in the place of its alias, where WHERE may
// hold it.
func substitute(p *check.Pass, name *syntax.Name, item *syntax.SelectItem) []check.Mend {
	allowed := true
	syntax.Inspect(item.X, func(n syntax.Node) bool {
		if call, ok := n.(*syntax.Call); ok && (call.Over != nil || p.IsAggregate(call)) {
			allowed = false
		}
		return allowed
	})
	if !allowed {
		return []check.Mend{{Title: "compare it in HAVING, or in a query around this one", Effect: check.ByHand}}
	}
	return []check.Mend{{
		Title:  "write the expression itself",
		Effect: check.NewRows,
		Edits:  []text.Edit{check.Replace(name.Span(), p.Parenthesised(item.X))},
	}}
}
