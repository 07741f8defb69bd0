package report

import (
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
	// Keeping counts the findings that a mend removes without changing rows.
	Keeping int
	// Paths are those the user named, for the command to type next.
	Paths []string
}

// Add counts a file.
func (s *Summary) Add(f *review.File) {
	s.Files++
	s.Statements += f.Statements
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
