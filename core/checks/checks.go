// Package checks lists the families of checks. A family is a folder, a check
// a file in it; a new check is its file and a line in its family's list.
package checks

import (
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/checks/acceptances"
	"justlens/core/checks/cases"
	"justlens/core/checks/clauses"
	"justlens/core/checks/definitions"
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
	"justlens/core/checks/safety"
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
		maths.Checks, matches.Checks, ranges.Checks, indexes.Checks, joins.Checks, sets.Checks, cases.Checks, windows.Checks, rows.Checks, types.Checks, writes.Checks,
		definitions.Checks, safety.Checks, acceptances.Checks)
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
	{"definition", "what tables, keys and indexes cannot be"},
	{"safety", "what lets strangers in, or hides an error"},
	{"acceptance", "comments that accept findings"},
}

// Family is a group of checks.
type Family struct{ Name, About string }

// Answering gives the checks that explain what a database answered: an SQLSTATE as 42803 or a
// number as 1055, ORA-00979 or Msg 8120, in any letter case, with or without the words round it.
func Answering(answer string) []*check.Check {
	answer = plainAnswer(answer)
	return slices.DeleteFunc(All(), func(c *check.Check) bool {
		return !slices.ContainsFunc(c.Errors, func(e string) bool { return plainAnswer(e) == answer })
	})
}

// plainAnswer brings the ways in which an answer is copied into one.
func plainAnswer(answer string) string {
	answer = strings.ToUpper(strings.NewReplacer(":", " ", ",", " ", "(", " ", ")", " ").Replace(answer))
	words := slices.DeleteFunc(strings.Fields(answer), func(w string) bool { return w == "ERROR" || w == "SQLSTATE" || w == "CODE" })
	if len(words) > 1 && words[0] == "MSG" {
		return words[0] + " " + words[1]
	}
	if len(words) == 0 {
		return ""
	}
	if digits, oracle := strings.CutPrefix(words[0], "ORA-"); oracle {
		return "ORA-" + strings.TrimLeft(digits, "0")
	}
	return words[0]
}
