// Package checks lists the families of checks. A family is a folder, a check
// a file in it; a new check is its file and a line in its family's list.
package checks

import (
	"slices"

	"justlens/core/check"
	"justlens/core/checks/cases"
	"justlens/core/checks/clauses"
	"justlens/core/checks/groups"
	"justlens/core/checks/indexes"
	"justlens/core/checks/joins"
	"justlens/core/checks/logic"
	"justlens/core/checks/matches"
	"justlens/core/checks/maths"
	"justlens/core/checks/names"
	"justlens/core/checks/nulls"
	"justlens/core/checks/ranges"
	"justlens/core/checks/rows"
	"justlens/core/checks/sets"
	"justlens/core/checks/syntaxes"
	"justlens/core/checks/types"
	"justlens/core/checks/windows"
	"justlens/core/checks/writes"
)

// All gives every check, family by family in the order in which a reviewer
// asks: can it be read, what is visible, what is meant, what comes out.
func All() []*check.Check {
	return slices.Concat(syntaxes.Checks, clauses.Checks, names.Checks, groups.Checks, nulls.Checks, logic.Checks,
		maths.Checks, matches.Checks, ranges.Checks, indexes.Checks, joins.Checks, sets.Checks, cases.Checks, windows.Checks, rows.Checks, types.Checks, writes.Checks)
}

// Families maps each family to what it is about.
var Families = []Family{
	{"syntax", "can it be read at all"},
	{"clause", "what is visible where"},
	{"name", "which column is meant"},
	{"group", "aggregation and its grain"},
	{"null", "three-valued logic"},
	{"logic", "AND, OR, NOT"},
	{"math", "order of operations and numbers"},
	{"match", "LIKE and text comparison"},
	{"range", "BETWEEN, bounds and dates"},
	{"index", "conditions an index cannot serve"},
	{"join", "joins that multiply or lose rows"},
	{"set", "UNION and its kin"},
	{"case", "CASE and its branches"},
	{"window", "functions with OVER"},
	{"rows", "the shape of the result"},
	{"type", "values that cannot be there"},
	{"write", "what INSERT, UPDATE and DELETE do to rows"},
}

// Family is a group of checks.
type Family struct{ Name, About string }
