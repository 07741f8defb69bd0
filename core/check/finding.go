package check

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/text"
)

// Consequence is what comes of a defect; worse is greater.
type Consequence uint8

const (
	Fine    Consequence = iota // nothing: the database takes it as meant
	Unclear                    // right rows today, easy to misread or to break
	Slow                       // right rows, needless work
	Wrong                      // other rows or values than the text tells a reader
	Refused                    // the database will not run it
)

var consequences = []string{"fine", "unclear", "slow", "wrong", "refused"}

func (c Consequence) String() string { return consequences[c] }

// ParseConsequence reads refused, wrong, slow or unclear.
func ParseConsequence(s string) (Consequence, error) {
	for c := Unclear; c <= Refused; c++ {
		if strings.EqualFold(s, c.String()) {
			return c, nil
		}
	}
	return 0, fmt.Errorf("unknown consequence %q: choose refused, wrong, slow or unclear", s)
}

// Certainty is how sure a finding is; surer is greater.
type Certainty uint8

const (
	Possible Certainty = iota // worth a look
	Likely                    // the usual reading says so
	Certain                   // follows from text and schema
)

var certainties = []string{"possible", "likely", "certain"}

func (c Certainty) String() string { return certainties[c] }

// ParseCertainty reads certain, likely or possible.
func ParseCertainty(s string) (Certainty, error) {
	for i, name := range certainties {
		if strings.EqualFold(s, name) {
			return Certainty(i), nil
		}
	}
	return 0, fmt.Errorf("unknown certainty %q: choose certain, likely or possible", s)
}

// Effect is what a mend does to the result.
type Effect uint8

const (
	SameRows Effect = iota // proved not to change any result
	NewRows                // changes the result to what was evidently meant
	ByHand                 // a sketch, or a choice that a person must make
)

var effects = []string{"same rows", "new rows", "by hand"}

func (e Effect) String() string { return effects[e] }

// Finding is one defect at one place.
type Finding struct {
	Check *Check
	// Span is the offending text.
	Span text.Span
	// Context is the clause or statement to show around it.
	Context text.Span
	// Message is one line that names this query's tables and columns, without
	// a final period.
	Message string
	// Why says in a sentence or two what happens.
	Why string
	// Consequence is that of the dialect under review.
	Consequence Consequence
	Certainty   Certainty
	// Verdicts is the consequence on each database.
	Verdicts Verdicts
	Related  []Related
	// Mends are alternatives, the best first; at most one is applied.
	Mends []Mend
}

// Related points at another place that explains a finding.
type Related struct {
	Span    text.Span
	Message string
}

// Mend is a change that removes a finding.
type Mend struct {
	// Title is a verb phrase: "move the condition to WHERE".
	Title  string
	Effect Effect
	// Edits are against the text as read; none where the mend is only told.
	Edits []text.Edit
}

// Largest sizes of what a finding holds: a statement may be one line of megabytes.
const (
	mostText    = 2000      // bytes of a sentence
	mostRelated = 20        // other places
	mostEdits   = 64 * 1024 // bytes of a mend's texts, and of what says where they go
	editSize    = 24
)

// bound cuts what is too long to be read. A mend that is too long is left out.
func (f *Finding) bound() {
	f.Message, f.Why = cut(f.Message), cut(f.Why)
	f.Related = f.Related[:min(len(f.Related), mostRelated)]
	for i := range f.Related {
		f.Related[i].Message = cut(f.Related[i].Message)
	}
	f.Mends = slices.DeleteFunc(f.Mends, func(m Mend) bool { return m.size() > mostEdits })
	for i := range f.Mends {
		f.Mends[i].Title = cut(f.Mends[i].Title)
	}
}

func (m Mend) size() int {
	n := 0
	for _, e := range m.Edits {
		n += len(e.Text) + editSize
	}
	return n
}

func cut(s string) string {
	if len(s) <= mostText {
		return s
	}
	return strings.ToValidUTF8(s[:mostText], "") + "…"
}
