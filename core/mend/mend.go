package mend

import (
	"slices"
	"sort"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/core/text"
)

// Fate tells what became of a mend.
type Fate uint8

const (
	// Applied: the text holds the mend.
	Applied Fate = iota
	// Conflicting: an earlier mend changes the same place; a later round may
	// have taken it up again.
	Conflicting
	// Withdrawn: with it the text would not read, the finding would stay, or a
	// worse one would come.
	Withdrawn
)

// Mended is a mend with what became of it.
type Mended struct {
	Finding check.Finding
	Mend    check.Mend
	Fate    Fate

	statement int
}

// Result is a text after its mends.
type Result struct {
	Text  []byte
	Mends []Mended
	// Left are the findings in the text after its mends.
	Left []review.Finding
}

// Count gives the number of mends with a fate.
func (r Result) Count(f Fate) int {
	n := 0
	for _, m := range r.Mends {
		if m.Fate == f {
			n++
		}
	}
	return n
}

// maxRounds bounds how often a mended text is looked at for more to mend.
const maxRounds = 40

// Mend applies to a text the best mend of each finding whose effect is one of
// those wanted, round after round until nothing more is offered. review reviews
// a text under the dialect of the first.
func Mend(src []byte, wanted []check.Effect, review func([]byte) ([]review.Finding, error)) (Result, error) {
	return Picked(src, wanted, review, nil)
}

// Pick decides whether a mend of a text is to be applied. It is asked again of one that could not
// be applied at once, and of one that it has declined.
type Pick func(src []byte, f review.Finding, m check.Mend) bool

// Picked is Mend of those mends that pick chooses, all of them where it is nil.
func Picked(src []byte, wanted []check.Effect, review func([]byte) ([]review.Finding, error), pick Pick) (Result, error) {
	result := Result{Text: src}
	findings, err := review(src)
	if err != nil {
		return result, err
	}
	r := round{wanted: wanted, review: review, pick: pick}
	// What was withdrawn is tried again when everything else is mended, so that a
	// second run finds nothing to do that the first did not.
	withdrawn, settled := map[string]bool{}, false
	var left []Mended
	for range maxRounds {
		r.src, r.findings = result.Text, findings
		chosen := r.choose(withdrawn)
		if len(chosen) == 0 {
			if settled || len(withdrawn) == 0 {
				break
			}
			withdrawn, settled, left = map[string]bool{}, true, nil
			continue
		}
		text, next, err := r.apply(chosen)
		if err != nil {
			return result, err
		}
		progress := false
		for _, m := range chosen {
			switch m.Fate {
			case Applied:
				progress = true
				result.Mends = append(result.Mends, m)
			case Withdrawn:
				withdrawn[key(m, result.Text)] = true
				left = append(left, m)
			}
		}
		if progress {
			result.Text, findings, settled = text, next, false
		}
	}
	result.Mends, result.Left = append(result.Mends, left...), findings
	return result, nil
}

func key(m Mended, src []byte) string {
	return m.Finding.Check.ID + "\x00" + string(src[m.Finding.Span.Start:m.Finding.Span.End])
}

// round is one look at a text: what was found in it, and how to look again.
type round struct {
	src      []byte
	findings []review.Finding
	wanted   []check.Effect
	review   func([]byte) ([]review.Finding, error)
	pick     Pick
}

// choose takes the best mend of each finding if its effect is wanted, once
// where several findings share it. A lesser mend is never taken in its place:
// parentheses "as read" would hide that something else was meant.
func (r *round) choose(withdrawn map[string]bool) []Mended {
	var chosen []Mended
	statement := 0 // where the mends of the statement in hand begin
	for i, f := range r.findings {
		if i > 0 && f.Statement != r.findings[i-1].Statement {
			statement = len(chosen)
		}
		if len(f.Mends) == 0 || len(f.Mends[0].Edits) == 0 || !slices.Contains(r.wanted, f.Mends[0].Effect) {
			continue
		}
		m := Mended{Finding: f.Finding, Mend: f.Mends[0], statement: f.Statement}
		near := chosen[max(statement, len(chosen)-nearby):]
		if !withdrawn[key(m, r.src)] && !slices.ContainsFunc(near, func(c Mended) bool { return slices.Equal(c.Mend.Edits, m.Mend.Edits) }) && (r.pick == nil || r.pick(r.src, f, m.Mend)) {
			chosen = append(chosen, m)
		}
	}
	return chosen
}

// nearby is how many mends before one are looked at for being the same.
const nearby = 100

// apply applies what can be merged. Where the outcome of a statement does not hold, of
// its mends the first is tried alone and the others wait for the next round; where that
// does not hold either it is withdrawn. It sets the fate of each.
func (r *round) apply(chosen []Mended) ([]byte, []review.Finding, error) {
	merge(chosen)
	for {
		var edits []text.Edit
		for _, m := range chosen {
			if m.Fate == Applied {
				edits = append(edits, m.Mend.Edits...)
			}
		}
		out, err := text.Apply(r.src, edits)
		if err != nil || len(edits) == 0 {
			return r.src, r.findings, err
		}
		next, err := r.review(out)
		if err != nil {
			return nil, nil, err
		}
		failed := r.failed(next, chosen)
		if len(failed) == 0 {
			return out, next, nil
		}
		retract(chosen, failed)
	}
}

// retract takes back mends of the statements that failed: of several all but the first,
// else the one. Where none of them has any, as where a definition was mended, half of
// all are taken back.
func retract(chosen []Mended, failed map[int]bool) {
	applied := map[int][]int{} // by statement
	var all []int
	for i, m := range chosen {
		if m.Fate == Applied {
			applied[m.statement] = append(applied[m.statement], i)
			all = append(all, i)
		}
	}
	drop := func(mine []int, keep int) {
		if len(mine) == 1 {
			chosen[mine[0]].Fate = Withdrawn
			return
		}
		for _, i := range mine[keep:] {
			chosen[i].Fate = Conflicting
		}
	}
	found := false
	for statement := range failed {
		if mine := applied[statement]; len(mine) > 0 {
			found = true
			drop(mine, 1)
		}
	}
	if !found {
		drop(all, len(all)/2)
	}
}

// merge marks the mends that touch the place of an earlier one of their statement: a
// mend is applied whole or not at all. Mends come in the order of the text.
func merge(chosen []Mended) {
	var edits []text.Edit // of the statement in hand, in order
	for i := range chosen {
		if i > 0 && chosen[i].statement != chosen[i-1].statement {
			edits = edits[:0]
		}
		if slices.ContainsFunc(chosen[i].Mend.Edits, func(e text.Edit) bool { return touches(edits, e) }) {
			chosen[i].Fate = Conflicting
			continue
		}
		for _, e := range chosen[i].Mend.Edits {
			edits = slices.Insert(edits, behind(edits, e.Span.Start), e)
		}
	}
}

// behind gives the index of the first edit that begins behind a position.
func behind(edits []text.Edit, at text.Pos) int {
	return sort.Search(len(edits), func(i int) bool { return edits[i].Span.Start > at })
}

// touches reports whether an edit touches one of a list in order that do not touch each
// other, but for those of one mend.
func touches(edits []text.Edit, e text.Edit) bool {
	for i := behind(edits, e.Span.End) - 1; i >= 0; i-- {
		if edits[i].Span.End >= e.Span.Start {
			return true
		}
		if edits[i].Span.End < e.Span.Start {
			break
		}
	}
	return false
}

// failed gives the statements in which an applied finding is not gone, or something
// refused or wrong has come, or that a mend which promises the same rows leaves
// unreadable: of a text that does not run no rows are kept. A mend that changes the number of
// statements moves the findings behind it, which then count as come.
func (r *round) failed(after []review.Finding, chosen []Mended) map[int]bool {
	type place struct {
		statement int
		check     *check.Check
	}
	counts := map[place]int{}
	mended := map[place]bool{}
	promised := map[int]bool{} // statements that were unreadable, and are said to be mended
	for _, f := range r.findings {
		counts[place{f.Statement, f.Check}]++
	}
	for _, m := range chosen {
		if m.Fate != Applied {
			continue
		}
		at := place{m.statement, m.Finding.Check}
		counts[at]--
		mended[at] = true
		if m.Mend.Effect == check.SameRows && isUnreadable(m.Finding) {
			promised[m.statement] = true
		}
	}
	failed := map[int]bool{}
	for _, f := range after {
		at := place{f.Statement, f.Check}
		counts[at]--
		if counts[at] < 0 && (f.Consequence >= check.Wrong || mended[at]) || promised[f.Statement] && isUnreadable(f.Finding) {
			failed[f.Statement] = true
		}
	}
	return failed
}

// isUnreadable reports whether a finding tells that the text of a statement cannot be read.
func isUnreadable(f check.Finding) bool {
	return f.Check.Family() == "syntax" && f.Consequence == check.Refused
}
