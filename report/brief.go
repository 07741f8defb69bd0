package report

import (
	"fmt"
	"io"
	"strings"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/core/text"
)

type briefRenderer struct{ w io.Writer }

// NewBrief makes a renderer of one line a finding, as editors and grep read it: path, line, column,
// consequence, check and message, with colons between.
func NewBrief(w io.Writer) Renderer { return briefRenderer{w} }

func (r briefRenderer) File(f *review.File) error {
	var b strings.Builder
	for _, found := range f.Findings {
		at := f.Text.Place(found.Span.Start)
		more := ""
		if found.More > 0 {
			more = fmt.Sprintf(" (and %s more in this statement)", text.Thousands(found.More))
		}
		fmt.Fprintf(&b, "%s:%d:%d: %s: %s: %s%s\n", Visible(f.Text.Path), at.Line, at.Column, found.Consequence, found.Check.ID, Visible(found.Message), more)
	}
	_, err := io.WriteString(r.w, b.String())
	return err
}

func (r briefRenderer) Close(Summary) error { return nil }

// isBrief reports whether a text begins as a line of this report does.
func isBrief(head string) bool {
	line, _, _ := strings.Cut(head, "\n")
	for c := check.Unclear; c <= check.Refused; c++ {
		if strings.Contains(line, ": "+c.String()+": ") {
			return true
		}
	}
	return false
}
