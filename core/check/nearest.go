package check

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/text"
)

// mostCandidates bounds the names that one is compared with, else a statement of many unknown
// names and many columns would compare each with all.
const mostCandidates = 1000

// mostSearches bounds the findings of a statement for which the statement is looked through once
// more to say what may be meant; of so many, few are read.
const mostSearches = 50

// Affords reports whether one finding more may look through the statement for a way out.
func (p *Pass) Affords() bool {
	p.searches++
	return p.searches <= mostSearches
}

// OfferNearest asks for the candidate that a name resembles, offers to write it in the place
// of the finding, and gives it; "" if there is none.
func (p *Pass) OfferNearest(f *Finding, name string, candidates []string) string {
	if len(candidates) > mostCandidates || !p.Affords() {
		return ""
	}
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

// ColumnNames lists the columns of a source as far as they are known, none of one that has too
// many to be offered.
func (p *Pass) ColumnNames(s *bind.Source) []string {
	syms := s.ColumnSyms()
	if len(syms) > mostCandidates {
		return nil
	}
	var out []string
	for _, sym := range syms {
		if sym != 0 {
			out = append(out, p.Names.String(sym))
		}
	}
	return out
}
