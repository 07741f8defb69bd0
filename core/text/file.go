package text

import (
	"bytes"
	"errors"
	"slices"
	"unicode/utf8"
)

// MaxSize is the size in bytes of the largest file that can be read: a Pos
// has 31 bits.
const MaxSize = 1<<31 - 1

// Errors of [NewFile].
var (
	ErrTooLarge = errors.New("larger than 2 GB")
	ErrBinary   = errors.New("binary data, not SQL text; text in UTF-16 needs its byte order mark")
)

// File is the text of one file. It is immutable but for its line table, which
// is made when first asked for; it must not be shared between goroutines.
type File struct {
	Path     string
	src      []byte // UTF-8, or whatever single-byte encoding the file is in
	encoding encoding
	lines    []Pos // starts of lines

	// Of one long line, how many characters stand before every so many bytes.
	long  int // its index, 0-based; meant only where marks are
	marks []mark
}

// mark tells how many characters of a line stand before a position.
type mark struct {
	at     Pos
	before int
}

// markEvery is how many bytes lie between marks.
const markEvery = 1024

// NewFile takes the bytes of a file. It does not copy them; the caller must
// leave them alone. It returns [ErrTooLarge] or [ErrBinary] where there is no
// text to read.
func NewFile(path string, src []byte) (*File, error) {
	if len(src) > MaxSize {
		return nil, ErrTooLarge
	}
	stored := encodingOf(src)
	src = stored.decode(src)
	if isBinary(src) {
		return nil, ErrBinary
	}
	return &File{Path: path, src: src, encoding: stored}, nil
}

// isBinary looks at the first bytes only: text has no run of control
// characters, but one stray NUL does not make a script binary.
func isBinary(src []byte) bool {
	head := src[:min(len(src), 4096)]
	control := 0
	for _, c := range head {
		if c < ' ' && c != '\t' && c != '\n' && c != '\r' && c != '\f' && c != '\v' && c != 0x1b {
			control++
		}
	}
	return control*20 > len(head)
}

// Bytes gives the whole text, decoded if it is stored in UTF-16. The caller
// must not change it. All positions are into these bytes; [File.Stored] gives
// those in the file.
func (f *File) Bytes() []byte { return f.src }

// Slice gives the text of a span, clipped to the file.
func (f *File) Slice(s Span) string {
	start := min(max(int(s.Start), 0), len(f.src))
	end := min(max(int(s.End), start), len(f.src))
	return string(f.src[start:end])
}

// Place is a position for people.
type Place struct {
	Offset int // 0-based bytes of the file as stored
	Line   int // 1-based
	Column int // 1-based, in Unicode characters
}

// Place finds line and column of a position. A position past the end counts
// as the end of the file.
func (f *File) Place(p Pos) Place {
	f.index()
	p = min(max(p, 0), Pos(len(f.src)))
	line, exact := slices.BinarySearch(f.lines, p)
	if !exact {
		line--
	}
	start := f.lines[line]
	column := 1 + f.characters(line, start, p)
	if line == 0 && column > 1 && bytes.HasPrefix(f.src, bom) {
		column--
	}
	return Place{Offset: f.Stored(p), Line: line + 1, Column: column}
}

// characters counts the characters between the start of a line and a position in it.
// In a long line it begins at the nearest mark.
func (f *File) characters(line int, start, p Pos) int {
	if p-start < 4*markEvery {
		return utf8.RuneCount(f.src[start:p])
	}
	if len(f.marks) == 0 || f.long != line {
		f.long, f.marks = line, f.marks[:0]
		end := Pos(len(f.src))
		if line+1 < len(f.lines) {
			end = f.lines[line+1]
		}
		last := mark{start, 0}
		for last.at < end {
			f.marks = append(f.marks, last)
			next := min(last.at+markEvery, end)
			for next < end && !utf8.RuneStart(f.src[next]) {
				next++
			}
			last = mark{next, last.before + utf8.RuneCount(f.src[last.at:next])}
		}
	}
	i, exact := slices.BinarySearchFunc(f.marks, p, func(m mark, p Pos) int { return int(m.at) - int(p) })
	if !exact {
		i--
	}
	return f.marks[i].before + utf8.RuneCount(f.src[f.marks[i].at:p])
}

// LineCount gives the number of lines; an empty file has one.
func (f *File) LineCount() int {
	f.index()
	return len(f.lines)
}

// Line gives the span of a line by its 1-based number, without its line end and
// without a byte order mark.
func (f *File) Line(n int) Span {
	f.index()
	if n < 1 || n > len(f.lines) {
		return Span{}
	}
	start, end := f.lines[n-1], Pos(len(f.src))
	if n < len(f.lines) {
		end = f.lines[n]
	}
	if n == 1 && bytes.HasPrefix(f.src, bom) {
		start += Pos(len(bom))
	}
	for end > start && (f.src[end-1] == '\n' || f.src[end-1] == '\r') {
		end--
	}
	return Span{start, end}
}

// Near widens a span by some bytes on either side, to the borders of characters, but
// not beyond the span within.
func (f *File) Near(s, within Span, more int) Span {
	start, end := max(s.Start-Pos(more), within.Start), min(s.End+Pos(more), within.End)
	for start > within.Start && !utf8.RuneStart(f.src[start]) {
		start--
	}
	for end < within.End && !utf8.RuneStart(f.src[end]) {
		end++
	}
	return Span{start, end}
}

var bom = []byte{0xEF, 0xBB, 0xBF}

// index finds the starts of lines, which end in LF, CR LF or a lone CR.
func (f *File) index() {
	if f.lines != nil {
		return
	}
	f.lines = append(make([]Pos, 0, 1+len(f.src)/40), 0)
	if bytes.IndexByte(f.src, '\r') < 0 {
		for i := 0; ; {
			k := bytes.IndexByte(f.src[i:], '\n')
			if k < 0 {
				return
			}
			i += k + 1
			f.lines = append(f.lines, Pos(i))
		}
	}
	for i, c := range f.src {
		if c == '\n' || c == '\r' && (i+1 == len(f.src) || f.src[i+1] != '\n') {
			f.lines = append(f.lines, Pos(i+1))
		}
	}
}
