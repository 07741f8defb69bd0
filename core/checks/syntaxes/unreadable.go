package syntaxes

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/syntax"
)

var unreadable = &check.Check{
	ID:    "syntax.unreadable",
	Title: "text that cannot be read as SQL",
	Doc: "The statement stops making sense at this place, so a database would refuse it before running anything. " +
		"Clauses that can be read all the same are reviewed, and so are the other statements.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE",
		Good: "SELECT name FROM hives WHERE hive_id = 1",
		Near: []string{"SELECT name FROM hives WHERE hive_id = 1", "SELECT name FROM hives;;", "ANALYZE hives"},
	}, {
		Bad:  "SELECT name FROM WHERE hive_id = 1",
		Good: "SELECT name FROM hives WHERE hive_id = 1",
	}},
	On: check.Errors(runUnreadable, syntax.UnexpectedError),
}

func runUnreadable(p *check.Pass, e syntax.Error) {
	message := fmt.Sprintf("%s cannot stand here", shorten(e.Found))
	if e.Expected != "" {
		message = fmt.Sprintf("expected %s, found %s", e.Expected, shorten(e.Found))
	}
	p.Report(check.Finding{
		Span: e.Span, Certainty: check.Certain,
		Message: message,
		Why:     "The database stops reading here. Look at the word before it, too.",
	})
}

// shorten keeps a long token from filling the line.
func shorten(s string) string {
	const most = 40
	if r := []rune(s); len(r) > most {
		return string(r[:most]) + "…"
	}
	return s
}
