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
var Kinds = []string{"text", "json"}

// New makes a renderer of one of [Kinds]. A text report tells of as many findings as limit
// says, 0 for all; version is that of the program.
func New(kind string, w io.Writer, style Style, limit int, version string) Renderer {
	if kind == "json" {
		return NewJSON(w, version)
	}
	return NewText(w, style, limit)
}

// IsOne reports whether a text begins as a report of a kind does.
func IsOne(kind, head string) bool {
	if kind == "json" {
		return strings.HasPrefix(head, `{"version":`)
	}
	return strings.HasPrefix(head, nothingFound) || strings.Contains(head, rule[:len(rule)/2])
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
