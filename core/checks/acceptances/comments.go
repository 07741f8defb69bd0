package acceptances

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/text"
)

var idle = &check.Check{
	ID:    "acceptance.idle",
	Title: "acceptance of what is not found",
	Doc: "A comment that accepts findings of a check counts for its line where text stands before it, else for the statement or clause behind it. Where the check finds nothing there the comment " +
		"has outlived its cause, and would hide the next finding without anybody having judged it.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE queen_id IS NULL -- lens: accept null.equals because it was like this before",
		Good: "SELECT name FROM hives WHERE queen_id IS NULL",
		Near: []string{
			"SELECT name FROM hives WHERE queen_id = NULL -- lens: accept null.equals because no rows are wanted here",
			"-- lens: accept null.equals because no rows are wanted here\nSELECT name\nFROM hives\nWHERE queen_id = NULL",
			"SELECT name\nFROM hives\n-- lens: accept null.equals because no rows are wanted here\nWHERE hive_id > 3 AND\nqueen_id = NULL",
			"SELECT name FROM hives WHERE queen_id = NULL /* lens: accept null.equals because no rows are wanted here */",
			"SELECT name FROM hives -- a lens: accept it",
		},
	}},
	On: check.Acceptances(func(p *check.Pass, a *check.Acceptance) {
		for _, n := range a.Names {
			if !n.Idle || a.Reason == "" {
				continue
			}
			f := check.Finding{
				Span: n.Span, Context: a.Span, Certainty: check.Certain,
				Message: fmt.Sprintf("nothing of %s is found here to accept", n.Name),
				Why:     "Left standing, the comment hides the next finding without anybody having judged it.",
			}
			m := check.Mend{Title: "drop the comment", Effect: check.SameRows}
			if len(a.Names) > 1 {
				m = check.Mend{Title: "drop the name from the comment", Effect: check.ByHand}
			} else {
				m.Edits = []text.Edit{check.Replace(withBlanks(p.Src, a.Span), "")}
			}
			f.Mends = []check.Mend{m}
			p.Report(f)
		}
	}),
}

// withBlanks gives the span of a comment with the blanks before it, or its whole line where it
// stands alone.
func withBlanks(src []byte, s text.Span) text.Span {
	start, end := int(s.Start), int(s.End)
	for start > 0 && (src[start-1] == ' ' || src[start-1] == '\t') {
		start--
	}
	if start == 0 || src[start-1] == '\n' {
		for end < len(src) && (src[end] == ' ' || src[end] == '\t' || src[end] == '\r') {
			end++
		}
		if end < len(src) && src[end] == '\n' {
			end++
		}
	}
	return text.Span{Start: text.Pos(start), End: text.Pos(end)}
}

var withoutReason = &check.Check{
	ID:       "acceptance.without-reason",
	Title:    "acceptance without a reason",
	Doc:      "A comment that accepts a finding says why, behind the word because. Without a reason it accepts nothing: the next reader could not tell whether it still holds.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE hive_id > 1 -- lens: accept null.equals",
		Good: "SELECT name FROM hives WHERE hive_id > 1",
		Near: []string{
			"SELECT name FROM hives WHERE queen_id = NULL -- lens: accept null.equals because no rows are wanted here",
			"SELECT name FROM hives -- accept null.equals",
			"SELECT name, 'lens: accept null.equals' AS note FROM hives",
		},
	}},
	On: check.Acceptances(func(p *check.Pass, a *check.Acceptance) {
		if a.Reason != "" || a.Unread || p.ReasonOptional {
			return
		}
		p.Report(check.Finding{
			Span: a.Span, Certainty: check.Certain,
			Message: "the acceptance gives no reason, and so accepts nothing",
			Why:     "Say behind because why the finding is fine here.",
			Mends:   []check.Mend{{Title: "add because, and the reason", Effect: check.ByHand}},
		})
	}),
}

var unread = &check.Check{
	ID:    "acceptance.unread",
	Title: "acceptance that cannot be understood",
	Doc: "A comment that begins with lens: is addressed to the review, and reads: lens: accept CHECK because REASON. Several checks are separated by commas. One that names no check that there is, " +
		"or goes on in another way, accepts nothing.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE queen_id = NULL -- lens: accept null.equal because no rows are wanted here",
		Good: "SELECT name FROM hives WHERE queen_id = NULL -- lens: accept null.equals because no rows are wanted here",
		Near: []string{
			"SELECT name FROM hives WHERE queen_id = NULL -- lens: accept null.equals because no rows are wanted here",
			"SELECT name FROM hives -- under the lens",
			"SELECT name FROM hives -- a comment on lens: it is broken",
		},
	}, {
		Bad: "SELECT name FROM hives WHERE hive_id > 1 -- lens: ignore null.equals",
	}},
	On: check.Acceptances(func(p *check.Pass, a *check.Acceptance) {
		if a.Unread {
			p.Report(check.Finding{
				Span: a.Span, Certainty: check.Certain,
				Message: "this comment is addressed to the review, and cannot be understood",
				Why:     "It reads: lens: accept CHECK because REASON.",
				Mends:   []check.Mend{{Title: "write lens: accept, a check, because and the reason", Effect: check.ByHand}},
			})
			return
		}
		for _, n := range a.Names {
			if !n.Unknown {
				continue
			}
			f := check.Finding{
				Span: n.Span, Context: a.Span, Certainty: check.Certain,
				Message: fmt.Sprintf("there is no check %s to accept", n.Name),
				Why:     "justlens guide lists the checks.",
				Mends:   []check.Mend{{Title: "name a check", Effect: check.ByHand}},
			}
			if near := text.Nearest(strings.ToLower(n.Name), p.CheckNames); near != "" {
				f.Why = fmt.Sprintf("Did you mean %s?", near)
				f.Mends = []check.Mend{{Title: "write " + near, Effect: check.SameRows, Edits: []text.Edit{check.Replace(n.Span, near)}}}
			}
			p.Report(f)
		}
	}),
}
