package clauses

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var aggregateInWhere = &check.Check{
	ID:     "clause.aggregate-in-where",
	Title:  "aggregate in WHERE",
	Errors: []string{"42803", "ORA-00934", "1111", "Msg 147"},
	Doc: "WHERE looks at one row at a time, before rows are grouped, so no aggregate exists there yet. " +
		"HAVING looks at the groups. Every database refuses it.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT hive_id FROM inspections WHERE temper > 2 AND COUNT(*) > 3 GROUP BY hive_id",
		Good: "SELECT hive_id FROM inspections WHERE temper > 2 GROUP BY hive_id HAVING COUNT(*) > 3",
		Near: []string{
			"SELECT hive_id FROM inspections GROUP BY hive_id HAVING COUNT(*) > 3",
			"SELECT hive_id FROM inspections WHERE mites > (SELECT AVG(mites) FROM inspections)",
			"SELECT keeper_id FROM hives AS h GROUP BY keeper_id HAVING EXISTS (SELECT 1 FROM keepers AS k WHERE k.keeper_id = MAX(h.keeper_id))",
		},
	}, {
		Bad:  "SELECT hive_id, SUM(weight_kg) FROM harvests WHERE SUM(weight_kg) > 100 GROUP BY hive_id",
		Good: "SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id HAVING SUM(weight_kg) > 100",
	}},
	On: check.Aggregates(runAggregateInWhere).And(check.Names(aliasOfAggregate, bind.OutputAlias)),
}

var whereKinds = syntax.Kinds(syntax.KindWhere)

func runAggregateInWhere(p *check.Pass, call *syntax.Call) {
	found, _ := p.Enclosing(call, whereKinds)
	where, ok := found.(*syntax.Where)
	if !ok || p.Dialect.Has(dialect.OuterAggregates) && belongsOutside(p, call) {
		return
	}
	f := check.Finding{
		Span:      call.Span(),
		Context:   where.Span(),
		Certainty: check.Certain,
		Message:   fmt.Sprintf("WHERE cannot use the aggregate %s", p.Brief(call)),
		Why: fmt.Sprintf("WHERE picks single rows before they are grouped, so %s is not known yet; HAVING tests groups.",
			p.Text(call)),
	}
	if belongsOutside(p, call) {
		f.Mends = []check.Mend{{Title: "work the aggregate out in a query of its own", Effect: check.ByHand}}
	} else if sel, ok := p.Parent(where).(*syntax.Select); ok {
		f.Mends = moveToHaving(p, sel, where, call)
	}
	p.Report(f)
}

// aliasOfAggregate reports an alias in WHERE, where SQLite sees it, that stands
// for an aggregate or a window function.
func aliasOfAggregate(p *check.Pass, name *syntax.Name) {
	u := p.Use(name)
	if u.Item == nil {
		return
	}
	if where, _ := p.Enclosing(name, whereKinds); where == nil {
		return
	}
	found := false
	syntax.Inspect(u.Item.X, func(n syntax.Node) bool {
		call, ok := n.(*syntax.Call)
		found = found || ok && (p.IsAggregate(call) || call.Over != nil)
		_, query := n.(*syntax.Query)
		return !query
	})
	if found {
		p.Report(check.Finding{
			Span: name.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("WHERE cannot use %s, which is %s", p.Brief(name), p.Brief(u.Item.X)),
			Why:     "WHERE picks single rows before they are put together, so their sum, or their place among others, does not exist there yet.",
			Related: []check.Related{{Span: u.Item.Span(), Message: "named here"}},
			Mends:   []check.Mend{{Title: "ask it in HAVING, or in a query around this one", Effect: check.ByHand}},
		})
	}
}

// belongsOutside reports whether an aggregate in a subquery is over columns of
// a query around it only: then it is that query's, and its place is judged there.
func belongsOutside(p *check.Pass, call *syntax.Call) bool {
	names, outer := 0, 0
	for _, a := range call.Args {
		syntax.Inspect(a, func(n syntax.Node) bool {
			if name, ok := n.(*syntax.Name); ok {
				names++
				if p.Use(name).Outer {
					outer++
				}
			}
			return true
		})
	}
	if names == 0 && p.Dialect.Has(dialect.ExecutedComments) {
		// MySQL and MariaDB take COUNT(*) in WHERE of a subquery for the query around it.
		sel := p.SelectOf(call)
		return sel != nil && p.Scope(sel).Parent != nil
	}
	return names > 0 && names == outer
}

// moveToHaving offers to move the condition that holds the aggregate.
func moveToHaving(p *check.Pass, sel *syntax.Select, where *syntax.Where, call *syntax.Call) []check.Mend {
	chain := syntax.AppendConjuncts(nil, where.Cond)
	holds := func(i int) bool { return chain[i].Span().Contains(call.Span()) }
	var condition string
	var moved syntax.Expr
	for i := range chain {
		if holds(i) {
			condition, moved = p.Text(chain[i]), chain[i]
		}
	}
	if !sel.InOrder() || !oneValueAGroup(p, sel, moved) {
		return []check.Mend{{Title: "put the part with the aggregate into HAVING", Effect: check.ByHand}}
	}
	mend := check.Mend{Title: "move the condition to HAVING", Effect: check.NewRows}
	if len(chain) == 1 {
		mend.Edits = p.RemoveClause(where)
	} else {
		mend.Edits = p.RemoveConjuncts(chain, holds)
	}
	start := where.Span().Start
	switch {
	case sel.Having != nil:
		mend.Edits = append(mend.Edits, p.AddConjunct(sel.Having, sel.Having.Cond, condition)...)
	case sel.GroupBy != nil:
		mend.Edits = append(mend.Edits, p.NewClause(sel.GroupBy, where, p.Word(start, "HAVING")+" "+condition))
	case len(chain) == 1:
		mend.Edits = []text.Edit{check.Replace(where.Span(), p.Word(start, "HAVING")+" "+p.Text(where.Cond))}
	default:
		mend.Edits = append(mend.Edits, p.NewClause(where, where, p.Word(start, "HAVING")+" "+condition))
	}
	return []check.Mend{mend}
}

// oneValueAGroup reports whether HAVING could hold a condition: its columns
// are grouped, or inside an aggregate.
func oneValueAGroup(p *check.Pass, sel *syntax.Select, condition syntax.Expr) bool {
	ok := true
	syntax.Inspect(condition, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Call:
			return !p.IsAggregate(n)
		case *syntax.Name:
			ok = ok && sel.GroupBy != nil && p.HasKey(sel.GroupBy, n)
		}
		return ok
	})
	return ok
}
