package names

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var aliasShadowsColumn = &check.Check{
	ID:    "name.alias-shadows-column",
	Title: "an alias that is a column's name, too",
	Doc: "GROUP BY looks at the columns of the tables before it looks at the aliases of the select list. An alias that equals a column is passed over there: the query groups " +
		"by the column as it is, not by what the alias stands for, and gives several rows that look alike. Inside an expression of ORDER BY it is the same.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT UPPER(name) AS name, COUNT(*) AS n FROM hives GROUP BY name",
		Good: "SELECT UPPER(name) AS name, COUNT(*) AS n FROM hives GROUP BY UPPER(name)",
		Near: []string{
			"SELECT UPPER(name) AS upper_name, COUNT(*) AS n FROM hives GROUP BY name",
			"SELECT h.name AS name, COUNT(*) AS n FROM hives AS h GROUP BY name",
			"SELECT UPPER(name) AS name FROM hives ORDER BY name",
			"SELECT apiary_id, MAX(frame_count) AS frame_count FROM hives GROUP BY apiary_id",
			"SELECT UPPER(h.name) AS name, COUNT(*) AS n FROM hives AS h GROUP BY h.name",
		},
	}, {
		Bad:  "SELECT UPPER(name) AS name FROM hives ORDER BY LENGTH(name)",
		Good: "SELECT UPPER(name) AS name FROM hives ORDER BY LENGTH(hives.name)",
	}},
	On: check.Names(runAliasShadowsColumn, bind.Resolved).Bare(),
}

func runAliasShadowsColumn(p *check.Pass, name *syntax.Name) {
	u := p.Use(name)
	if u.Outer {
		return
	}
	sel, ok := u.Scope.Node.(*syntax.Select)
	if !ok {
		return
	}
	item := u.Scope.Item(name.Last().Sym)
	if item == nil || p.Same(item.X, name) || item.Span().Contains(name.Span()) {
		return
	}
	if column, ok := syntax.Unparen(item.X).(*syntax.Name); ok && column.Last().Sym == name.Last().Sym {
		return
	}
	f := check.Finding{
		Span: name.Span(), Certainty: check.Likely,
		Related: []check.Related{{Span: item.Span(), Message: "the alias"}},
	}
	source := p.Ident(u.Source.Name)
	qualify := check.Mend{Title: "say that the column is meant", Effect: check.SameRows, Edits: []text.Edit{check.Insert(name.Span().Start, source+".")}}
	switch around := p.Above(name).(type) {
	case *syntax.GroupBy:
		if holdsCall(p, item.X) {
			return
		}
		f.Context = around.Span()
		f.Message = fmt.Sprintf("%s groups by the column of %s, not by %s", p.Brief(name), source, p.Brief(item.X))
		f.Why = "GROUP BY prefers columns to aliases, so rows that look alike come out as several."
		f.Mends = []check.Mend{{Title: "group by the expression", Effect: check.NewRows, Edits: []text.Edit{check.Replace(name.Span(), p.Text(item.X))}}, qualify}
	default:
		clause, below := p.Enclosing(name, syntax.Kinds(syntax.KindOrderBy))
		if clause == nil || below == syntax.Node(name) || p.OwnQuery(sel) == nil || p.OwnQuery(sel).OrderBy != clause || p.AggregateAround(name) != nil {
			return
		}
		if key, ok := below.(*syntax.OrderItem); !ok || syntax.Unparen(key.X) == syntax.Expr(name) || p.Dialect == dialect.Spark {
			return
		}
		f.Context = clause.Span()
		f.Verdicts = check.Everywhere(check.Unclear)
		f.Message = fmt.Sprintf("%s is the column of %s here, not the alias", p.Brief(name), source)
		f.Why = "Bare, ORDER BY would take the alias; inside an expression it takes the column."
		f.Mends = []check.Mend{qualify}
	}
	if source == "" {
		f.Mends = []check.Mend{{Title: "rename the alias", Effect: check.ByHand}}
	}
	p.Report(f)
}

// holdsCall reports whether an expression holds an aggregate or window function.
func holdsCall(p *check.Pass, x syntax.Expr) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		c, ok := n.(*syntax.Call)
		found = found || ok && (c.Over != nil || p.IsAggregate(c))
		return !found
	})
	return found
}
