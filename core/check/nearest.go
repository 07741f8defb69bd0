package check

import (
	"fmt"

	"justlens/core/text"
)

// OfferNearest asks for the candidate that a name resembles, offers to write it in the place
// of the finding, and gives it; "" if there is none.
func (p *Pass) OfferNearest(f *Finding, name string, candidates []string) string {
	near := text.Nearest(name, candidates)
	if near != "" {
		f.Why = fmt.Sprintf("Did you mean %s?", near)
		written := p.Dialect.Name(near, false)
		if c := p.Src[f.Span.Start]; c == '`' || c == '[' {
			written = p.Dialect.Quote(near)
		}
		f.Mends = []Mend{{Title: "write " + near, Effect: NewRows, Edits: []text.Edit{Replace(f.Span, written)}}}
	}
	return near
}
