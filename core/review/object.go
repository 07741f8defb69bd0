package review

import (
	"strings"

	"justlens/core/syntax"
	"justlens/core/text"
)

// manyCTEs is how many common table expressions of a statement are told apart.
const manyCTEs = 200

// placeIn tells of findings in a statement what they stand in: the view or routine that it
// makes, and the common table expression.
func placeIn(stmt *syntax.Statement, src []byte, found []Finding) {
	whole := objectOf(stmt.Node, src)
	var ctes []*syntax.CTE // each before those within it
	if !stmt.Cut {
		syntax.Walk(stmt.Node, func(n syntax.Node, k syntax.Kind) {
			if k == syntax.KindCTE && len(ctes) < manyCTEs {
				ctes = append(ctes, n.(*syntax.CTE))
			}
		})
	}
	for i := range found {
		found[i].Object = whole
		for k := len(ctes) - 1; k >= 0; k-- {
			if c := ctes[k]; c.Span().Contains(found[i].Span) && c.Name.Span != found[i].Span {
				cte := "CTE " + text.View(src, c.Name.Span)
				found[i].Object = strings.TrimPrefix(whole+", "+cte, ", ")
				break
			}
		}
	}
}

// objectOf names what a statement makes, "" for nothing that has a name of its own.
func objectOf(n syntax.Stmt, src []byte) string {
	switch n := n.(type) {
	case *syntax.CreateView:
		return named("view", n.Name, src)
	case *syntax.Routine:
		return named(strings.ToLower(text.View(src, n.Keyword)), n.Name, src)
	}
	return ""
}

func named(what string, name []syntax.Ident, src []byte) string {
	if len(name) == 0 {
		return ""
	}
	return what + " " + text.View(src, name[0].Span.Join(name[len(name)-1].Span))
}
