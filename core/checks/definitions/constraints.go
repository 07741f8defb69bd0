package definitions

import (
	"slices"

	"justlens/core/syntax"
)

// eachConstraint calls do with the constraints of a table, first those of its columns, then
// those beside them, which are of no column.
func eachConstraint(n *syntax.CreateTable, do func(*syntax.ColumnDef, *syntax.Constraint)) {
	for _, c := range n.Columns {
		for _, con := range c.Constraints {
			do(c, con)
		}
	}
	for _, con := range n.Constraints {
		do(nil, con)
	}
}

// columnOf gives the column of a name that a table is defined with, nil if there is none.
func columnOf(n *syntax.CreateTable, name syntax.Sym) *syntax.ColumnDef {
	if at := slices.IndexFunc(n.Columns, func(c *syntax.ColumnDef) bool { return c.Name.Sym == name }); at >= 0 {
		return n.Columns[at]
	}
	return nil
}
