package logic

import (
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

// copiesStructure reports whether a query only makes an empty table, as CREATE
// TABLE … AS SELECT … WHERE 1 = 0 does: what is never true names no column.
func copiesStructure(p *check.Pass, c *facts.Clause, never text.Span) bool {
	makes := false
	switch p.Stmt.Node.(type) {
	case *syntax.SelectStmt, *syntax.Insert, *syntax.Update, *syntax.Delete:
	default:
		makes = p.Nearest(c.Node, syntax.Kinds(syntax.KindCreateTable, syntax.KindCreateView)) != nil
	}
	if sel := p.SelectOf(c.Node); !makes && (sel == nil || sel.IntoSpan.IsEmpty()) {
		return false
	}
	names := false
	syntax.Inspect(c.Node, func(n syntax.Node) bool {
		name, ok := n.(*syntax.Name)
		names = names || ok && never.Contains(name.Span()) && p.Use(name).Source != nil
		return !names
	})
	return !names
}
