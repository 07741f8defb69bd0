package schema

import (
	"slices"
	"strings"
)

// What statements say that are passed over, by their first words.

// firstWord gives the word that a statement begins with, in small letters.
func firstWord(statement string) string {
	words := strings.Fields(strings.ToLower(statement[:min(len(statement), 20)]))
	if len(words) == 0 {
		return ""
	}
	return words[0]
}

// leaves reports whether a statement goes to another database or schema.
func leaves(statement string) bool {
	words := strings.Fields(strings.ToLower(statement[:min(len(statement), 60)]))
	if len(words) == 0 {
		return false
	}
	switch words[0] {
	case "use", "connect":
		return true
	}
	return (words[0] == "set" || words[0] == "alter") && slices.ContainsFunc(words[1:], func(w string) bool {
		return strings.HasPrefix(w, "search_path") || w == "schema" || strings.HasPrefix(w, "current_schema")
	})
}

// undo takes back what was done to tables since the last COMMIT, in so far as nothing that
// it did is certain any more.
func (a applier) undo() {
	a.schema.forget()
	for _, c := range a.schema.changed {
		if t := a.schema.Table(c.qualifier, c.name); t != nil {
			a.leaveOpen(t)
		} else {
			a.schema.putRelation(c.name) // dropped, and there again
		}
	}
	a.schema.changed = nil
}

// createsConversion reports whether a statement is CREATE OPERATOR or CREATE CAST.
func createsConversion(statement string) bool {
	words := strings.Fields(statement[:min(len(statement), 40)])
	return len(words) > 1 && strings.EqualFold(words[0], "create") && (strings.EqualFold(words[1], "operator") || strings.EqualFold(words[1], "cast"))
}

// setsNumbers tells what SET IDENTITY_INSERT t ON, or OFF, says (SQL Server).
func setsNumbers(statement string) (on, ok bool) {
	if len(statement) > 400 { // longer than it can be
		return false, false
	}
	words := strings.Fields(strings.ToUpper(statement))
	ok = len(words) > 3 && words[0] == "SET" && words[1] == "IDENTITY_INSERT"
	return ok && words[len(words)-1] == "ON", ok
}
