package review

import (
	"bytes"
	"slices"
	"sync"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// A large text goes to several workers in pieces. Where a piece ends is a guess: behind a
// semicolon at the end of a line that a plain statement follows. It holds if the piece
// can be read by itself without an error to its very end and holds plain statements only:
// then a reader who came from the beginning of the text would have stood there between two
// statements, too, and knows no other tables behind it. Where the guess does not hold, the
// text is read on by one reviewer to where it may be guessed again.
const (
	largeText = 1 << 20
	pieceSize = 256 << 10
	// mostAlone bounds how much one reviewer reads before others are asked again.
	mostAlone = 64 * pieceSize
)

// piece is a part of a text, with what was found in it.
type piece struct {
	from, to int // bytes; 0-based, to is behind the last
	file     File
	holds    bool
}

// large reviews a text with several workers.
func (r *Reviewer) large(out *File, workers int) {
	src := r.text
	helpers := []*Reviewer{}
	alone := pieceSize
	r.modes = syntax.Modes{}
	for at := 0; at < len(src); {
		pieces := r.cut(at, 4*workers)
		for len(helpers) < min(workers, len(pieces)) {
			helper := New(r.options)
			helper.version, helper.pass.Database = r.version, r.pass.Database
			helpers = append(helpers, helper)
		}
		r.spread(helpers, pieces, out.Dialect)
		for i := range pieces {
			p := &pieces[i]
			if !p.holds {
				at = r.onward(out, p.from, p.from+alone)
				alone = min(2*alone, mostAlone)
				break
			}
			out.join(&p.file)
			at, alone = p.to, pieceSize
		}
		if len(pieces) == 0 {
			at = r.onward(out, at, len(src))
		}
	}
}

// spread lets each helper review pieces in turn.
func (r *Reviewer) spread(helpers []*Reviewer, pieces []piece, d dialect.Dialect) {
	var wait sync.WaitGroup
	for k, h := range helpers {
		wait.Go(func() {
			for i := k; i < len(pieces); i += len(helpers) {
				h.piece(&pieces[i], d, r.tables, r.text, r.modes)
			}
		})
	}
	wait.Wait()
}

// cut guesses where up to most pieces of the text end, the first of which begins at a
// position; none if it cannot be told.
func (r *Reviewer) cut(at, most int) (pieces []piece) {
	for len(pieces) < most && at < len(r.text) {
		to := boundary(r.text, at+pieceSize)
		if to < 0 {
			break
		}
		pieces = append(pieces, piece{from: at, to: to})
		at = to
	}
	return pieces
}

// boundary gives the first place from a position on where a statement seems to end and
// another to begin, -1 if there is none within some pieces.
func boundary(src []byte, from int) int {
	end := min(len(src), from+4*pieceSize)
	for from < end {
		i := bytes.Index(src[from:end], []byte(";\n"))
		if i < 0 {
			return -1
		}
		from += i + 1
		for _, word := range plainWords {
			if next := src[from+1:]; len(next) > len(word) && bytes.EqualFold(next[:len(word)], word) {
				return from
			}
		}
	}
	return -1
}

var plainWords = [][]byte{[]byte("insert "), []byte("select "), []byte("update "), []byte("delete "), []byte("with "), []byte("-- ")}

// piece reviews a piece as if the text ended behind it, and tells whether the guess holds.
func (r *Reviewer) piece(p *piece, d dialect.Dialect, tables *schema.Schema, src []byte, m syntax.Modes) {
	r.open(src[:p.to], d, tables)
	r.parser.ResetAt(src[:p.to], d, r.version, p.from)
	r.parser.Resume(m)
	for r.more = true; r.more; {
		if r.read(); slices.ContainsFunc(r.batch, func(s *syntax.Statement) bool { return !isPlain(s) }) {
			return
		}
		r.examineBatch(&p.file)
	}
	if p.holds = r.parser.IsBetween() && len(r.faults) == 0; p.holds {
		p.file.Findings, p.file.Faults = r.findings(), slices.Clone(r.faults)
	}
}

// isPlain reports whether a statement was read without an error and neither defines anything
// nor calls what may.
func isPlain(s *syntax.Statement) bool {
	if len(s.Errors) > 0 || s.Cut || !s.Connects.IsEmpty() {
		return false
	}
	switch n := s.Node.(type) {
	case *syntax.Insert, *syntax.Update, *syntax.Merge:
		return true
	case *syntax.Delete:
		return !schema.EmptiesTable(n)
	case *syntax.SelectStmt:
		sel, ok := n.Query.Body.(*syntax.Select)
		return ok && sel.IntoSpan.IsEmpty() && len(sel.Into) == 0 && !schema.Calls(n)
	}
	return false
}

// onward reviews the text from a position on, to where between two statements the other is
// passed, and gives that place.
func (r *Reviewer) onward(out *File, from, to int) int {
	r.found, r.faults = r.found[:0], r.faults[:0]
	r.parser.ResetAt(r.text, out.Dialect, r.version, from)
	r.parser.Resume(r.modes)
	part := File{}
	at := len(r.text)
	for r.more = true; r.more; {
		r.read()
		r.examineBatch(&part)
		if end := r.parser.Position(); r.more && end >= to && r.parser.IsBetween() {
			at = end
			break
		}
	}
	r.modes = r.parser.Modes()
	part.Findings, part.Faults = r.findings(), slices.Clone(r.faults)
	out.join(&part)
	return at
}

// join adds what was found in a part of the text behind what was found before it.
func (f *File) join(part *File) {
	for i := range part.Findings {
		part.Findings[i].Statement += f.Statements
	}
	f.Statements += part.Statements
	f.Findings = append(f.Findings, part.Findings...)
	f.Unread = append(f.Unread, part.Unread...)
	f.Passed.Add(part.Passed)
	f.Faults = append(f.Faults, part.Faults...)
}
