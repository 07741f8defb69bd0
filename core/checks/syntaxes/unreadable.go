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
		"The rest of the statement is not reviewed; the other statements are.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name, FROM hives",
		Good: "SELECT name FROM hives",
		Near: []string{"SELECT name FROM hives;;", "ANALYZE hives"},
	}, {
		Bad:  "SELECT COUNT(* FROM hives",
		Good: "SELECT COUNT(*) FROM hives",
	}},
	Statement: runUnreadable,
}

func runUnreadable(p *check.Pass) {
	for _, e := range p.Stmt.Errors {
		f := check.Finding{Span: e.Span, Certainty: check.Certain}
		switch e.Kind {
		case syntax.DeepError:
			f.Message = "nested too deeply to be read"
			f.Why = "Queries and expressions are read to a depth of 400; what lies deeper is not reviewed."
		case syntax.UnclosedError:
			f.Message = fmt.Sprintf("the quote %s is never closed", e.Found)
			f.Why = "Everything behind it would belong to the text or name that it opens, so the statement is refused."
		default:
			f.Message = fmt.Sprintf("expected %s, found %s", e.Expected, shorten(e.Found))
			f.Why = "No database can read on from here, so the statement is refused; the slip may stand just before."
		}
		p.Report(f)
	}
}

// shorten keeps a long token from filling the line.
func shorten(s string) string {
	const most = 40
	if r := []rune(s); len(r) > most {
		return string(r[:most]) + "…"
	}
	return s
}
