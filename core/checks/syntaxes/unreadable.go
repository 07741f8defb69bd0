package syntaxes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unreadable = &check.Check{
	ID:     "syntax.unreadable",
	Title:  "text that cannot be read as SQL",
	Errors: []string{"42601", "ORA-00933", "ORA-00936", "1064", "Msg 102", "Msg 156"},
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
	On: check.Errors(runUnreadable, syntax.UnexpectedError).And(check.Errors(runEscape, syntax.EscapeError)),
}

func runUnreadable(p *check.Pass, e syntax.Error) {
	message := fmt.Sprintf("%s cannot stand here", shorten(e.Found))
	if e.Expected != "" {
		message = fmt.Sprintf("expected %s, found %s", e.Expected, shorten(e.Found))
	}
	f := check.Finding{
		Span: e.Span, Certainty: check.Certain,
		Message: message,
		Why:     "The database stops reading here. Look at the word before it, too.",
	}
	if p.Dialect == dialect.ANSI && !standsNowhere(p, e) {
		f.Certainty = check.Likely
		f.Why += " If a database takes it, say which with --dialect."
	}
	p.Report(f)
}

// standsNowhere reports whether a text of no known database breaks off at what none of them could
// have there: no word, or one that nearly all reserve.
func standsNowhere(p *check.Pass, e syntax.Error) bool {
	tokens := p.TokensIn(e.Span)
	if len(tokens) == 0 || tokens[0].Kind != syntax.WordToken || strings.HasPrefix(e.Found, "the end") {
		return true
	}
	reserved := dialect.ReservedIn(tokens[0].Word())
	return reserved.Has(dialect.Postgres) && reserved.Has(dialect.MySQL) && reserved.Has(dialect.SQLServer) && reserved.Has(dialect.Oracle)
}

// runEscape tells of 'it\'s' where a backslash escapes nothing.
func runEscape(p *check.Pass, e syntax.Error) {
	mend := check.Mend{Title: "write the quote twice", Effect: check.NewRows}
	// On the same line: further on quotes may open what they close here.
	for at := e.Span.Start; at+1 < p.Stmt.Span.End && p.Src[at] != '\n'; at++ {
		if p.Src[at] == '\\' && p.Src[at+1] == '\'' {
			mend.Edits = append(mend.Edits, check.Replace(text.Span{Start: at, End: at + 1}, "'"))
			at++
		}
	}
	f := check.Finding{
		Span: e.Span, Certainty: check.Certain,
		Message: "the text ends at this quote: the backslash does not escape it",
		Why:     "Write a quote inside a text twice.",
		Mends:   []check.Mend{mend},
	}
	if len(e.Found) > len(`\'`) {
		f.Message = "the text does not end here: the backslash escapes nothing"
		f.Why = "Two quotes stand for one inside the text, which goes on to the next quote. Write a quote inside a text twice, and one to end it."
	}
	p.Report(f)
}

// shorten keeps a long token from filling the line.
func shorten(s string) string {
	const most = 40
	if r := []rune(s); len(r) > most {
		return string(r[:most]) + "…"
	}
	return s
}
