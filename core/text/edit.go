package text

import (
	"bytes"
	"cmp"
	"errors"
	"slices"
)

// Edit replaces the bytes of a span by Text. An empty span inserts.
type Edit struct {
	Span Span
	Text string
}

// ErrEdits is returned by [Apply] for edits that overlap or lie outside the text.
var ErrEdits = errors.New("edits overlap or lie outside the text")

// SortEdits puts edits in order of position; insertions come before a
// replacement that begins at the same place. Equal positions keep their order.
func SortEdits(edits []Edit) {
	slices.SortStableFunc(edits, func(a, b Edit) int {
		return cmp.Or(cmp.Compare(a.Span.Start, b.Span.Start), cmp.Compare(a.Span.End, b.Span.End))
	})
}

// Apply gives the text after the edits, which it sorts. The source is left
// as it is.
func Apply(src []byte, edits []Edit) ([]byte, error) {
	SortEdits(edits)
	var out bytes.Buffer
	at := Pos(0)
	for _, e := range edits {
		if e.Span.Start < at || e.Span.End < e.Span.Start || int(e.Span.End) > len(src) {
			return nil, ErrEdits
		}
		out.Write(src[at:e.Span.Start])
		out.WriteString(e.Text)
		at = e.Span.End
	}
	out.Write(src[at:])
	return out.Bytes(), nil
}
