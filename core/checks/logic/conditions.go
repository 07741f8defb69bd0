package logic

import (
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
)

// copiesStructure reports whether a query only makes an empty table, as CREATE
// TABLE … AS SELECT … WHERE 1 = 0 does.
func copiesStructure(p *check.Pass, c *facts.Clause) bool {
	switch p.Stmt.Node.(type) {
	case *syntax.SelectStmt, *syntax.Insert, *syntax.Update, *syntax.Delete:
	default:
		if p.Nearest(c.Node, syntax.Kinds(syntax.KindCreateTable, syntax.KindCreateView)) != nil {
			return true
		}
	}
	sel := p.SelectOf(c.Node)
	return sel != nil && !sel.IntoSpan.IsEmpty()
}
