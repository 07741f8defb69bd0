package report

import (
	"io"
	"strings"

	"justlens/core/check"
	"justlens/core/review"
)

// Renderer shows a review. File is called once for each text, in order; Close
// once at the end.
type Renderer interface {
	File(*review.File) error
	Close(Summary) error
}

// Summary counts over all files.
type Summary struct {
	Files      int
	Statements int
	// Findings counts by consequence.
	Findings [check.Refused + 1]int
	// WithFindings counts the files that have any.
	WithFindings int
	// Known counts the findings that were known before, which are not told.
	Known int
	// Accepted counts the findings that comments of the texts accept.
	Accepted int
	// Keeping counts the findings that a mend removes without changing rows.
	Keeping int
	// Next is the command by which the mends are shown, "" if there is none.
	Next string
	// Passed counts what was passed over.
	Passed review.Passed
	// Problems tell of what was not reviewed, and why.
	Problems []string
}

// Kinds are the kinds of reports.
var Kinds = []string{"text", "json", "sarif", "junit", "markdown", "html"}

// Options say how reports look.
type Options struct {
	// Limit is how many findings a text report tells of, 0 for all.
	Limit int
	// Brief is for a text report of one line a finding.
	Brief bool
	// Version is that of the program.
	Version string
}

// New makes a renderer of one of [Kinds].
func New(kind string, w io.Writer, style Style, o Options) Renderer {
	version := o.Version
	switch kind {
	case "json":
		return NewJSON(w, version)
	case "sarif":
		return NewSARIF(w, version)
	case "junit":
		return NewJUnit(w)
	case "markdown":
		return NewMarkdown(w)
	case "html":
		return NewHTML(w, version)
	}
	if o.Brief {
		return NewBrief(w)
	}
	return NewText(w, style, o.Limit)
}

// IsOne reports whether a text begins as a report of a kind does.
func IsOne(kind, head string) bool {
	switch kind {
	case "json":
		return strings.HasPrefix(head, `{"version":`)
	case "sarif":
		return strings.Contains(head, sarifSchema) && strings.Contains(head, `"justlens"`)
	case "junit":
		return strings.Contains(head, `<testsuites name="justlens"`)
	case "markdown":
		return strings.HasPrefix(head, markdownHead)
	case "html":
		return strings.Contains(head, `<meta name="generator" content="justlens`)
	}
	return isBrief(head) || strings.HasPrefix(head, nothingFound) || strings.Contains(head, rule[:len(rule)/2])
}

// rule is the line below the heading of a file and before the totals.
var rule = strings.Repeat("─", 60)

const nothingFound = "Nothing found"

// Add counts a file.
func (s *Summary) Add(f *review.File) {
	s.Files++
	s.Statements += f.Statements
	s.Passed.Add(f.Passed)
	for _, a := range f.Accepted {
		s.Accepted += 1 + a.More
	}
	if len(f.Findings) > 0 {
		s.WithFindings++
	}
	for _, found := range f.Findings {
		s.Findings[found.Consequence] += 1 + found.More
		if len(found.Mends) > 0 && found.Mends[0].Effect == check.SameRows && len(found.Mends[0].Edits) > 0 {
			s.Keeping += 1 + found.More
		}
	}
}

// Total counts all findings.
func (s *Summary) Total() int {
	n := 0
	for _, k := range s.Findings {
		n += k
	}
	return n
}

// Worst gives the worst consequence found, [check.Fine] if there is none.
func (s *Summary) Worst() check.Consequence {
	for c := check.Refused; c > check.Fine; c-- {
		if s.Findings[c] > 0 {
			return c
		}
	}
	return check.Fine
}
