package clauses

import (
	"justlens/core/check"
	"justlens/core/syntax"
)

// clauseKinds are the parts of a query in one of which each of its expressions stands.
var clauseKinds = syntax.Kinds(syntax.KindWhere, syntax.KindJoin, syntax.KindGroupBy, syntax.KindHaving, syntax.KindQualify,
	syntax.KindOrderBy, syntax.KindSelectItem, syntax.KindAssign, syntax.KindValues, syntax.KindLimit, syntax.KindWindow)

// clauseOf gives the clause of its own query in which an expression stands.
func clauseOf(p *check.Pass, n syntax.Node) syntax.Node {
	clause, _ := p.Enclosing(n, clauseKinds)
	return clause
}

// keyword gives the words that begin a clause, "" for other parts of a query.
func keyword(clause syntax.Node) string {
	switch clause.(type) {
	case *syntax.Where:
		return "WHERE"
	case *syntax.Join:
		return "ON"
	case *syntax.GroupBy:
		return "GROUP BY"
	case *syntax.Having:
		return "HAVING"
	case *syntax.OrderBy:
		return "ORDER BY"
	}
	return ""
}

// inWindow reports whether a node stands inside OVER (…).
func inWindow(p *check.Pass, n syntax.Node) bool {
	window, _ := p.Enclosing(n, syntax.Kinds(syntax.KindWindow))
	return window != nil
}
