package text

import (
	"cmp"
	"slices"
	"unsafe"
)

// Pos is a 0-based byte offset into one file.
type Pos int32

// Span is the half-open range of bytes [Start, End) of one file.
// The zero Span is empty and stands at the start of the file.
type Span struct {
	Start, End Pos
}

// Len gives the length in bytes.
func (s Span) Len() int { return int(s.End - s.Start) }

// IsEmpty reports whether the span holds no byte.
func (s Span) IsEmpty() bool { return s.End <= s.Start }

// Contains reports whether all of t lies within s.
func (s Span) Contains(t Span) bool { return s.Start <= t.Start && t.End <= s.End }

// Overlaps reports whether s and t share a byte.
func (s Span) Overlaps(t Span) bool { return s.Start < t.End && t.Start < s.End }

// Within reports whether one of several spans, which share no byte and stand in the order of
// their starts, contains s.
func Within(spans []Span, s Span) bool {
	after, _ := slices.BinarySearchFunc(spans, s.Start, func(one Span, start Pos) int { return cmp.Compare(one.Start, start+1) })
	return after > 0 && spans[after-1].Contains(s)
}

// Join gives the smallest span that contains both.
func (s Span) Join(t Span) Span {
	return Span{min(s.Start, t.Start), max(s.End, t.End)}
}

// Clipped gives the text of a span, cut at the ends of src.
func Clipped(src []byte, s Span) string {
	start := min(max(int(s.Start), 0), len(src))
	return string(src[start:min(max(int(s.End), start), len(src))])
}

// View gives the text of a span of src without a copy: it holds src, which must not
// change. The span must lie in src.
func View(src []byte, s Span) string {
	if s.IsEmpty() {
		return ""
	}
	part := src[s.Start:s.End]
	return unsafe.String(&part[0], len(part))
}
