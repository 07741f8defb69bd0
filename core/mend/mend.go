package mend

import (
	"slices"

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
}

// Result is a text after its mends.
type Result struct {
	Text  []byte
	Mends []Mended
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
const maxRounds = 10

// Mend applies to a text the best mend of each finding whose effect is one of
// those wanted, round after round until nothing more is offered. review reviews
// a text under the dialect of the first.
func Mend(src []byte, wanted []check.Effect, review func([]byte) ([]review.Finding, error)) (Result, error) {
	result := Result{Text: src}
	findings, err := review(src)
	if err != nil {
		return result, err
	}
	withdrawn := map[string]bool{}
	for range maxRounds {
		chosen := choose(findings, wanted, withdrawn, result.Text)
		if len(chosen) == 0 {
			break
		}
		round, next, err := applyAll(result.Text, findings, chosen, review)
		if err != nil {
			return result, err
		}
		progress := false
		for _, m := range round.Mends {
			switch m.Fate {
			case Applied:
				progress = true
			case Withdrawn:
				withdrawn[key(m, result.Text)] = true
			case Conflicting:
				continue
			}
			result.Mends = append(result.Mends, m)
		}
		if !progress {
			break
		}
		result.Text, findings = round.Text, next
	}
	return result, nil
}

func key(m Mended, src []byte) string {
	return m.Finding.Check.ID + "\x00" + string(src[m.Finding.Span.Start:m.Finding.Span.End])
}

// choose takes the best mend of each finding if its effect is wanted, once
// where several findings share it. A lesser mend is never taken in its place:
// parentheses "as read" would hide that something else was meant.
func choose(findings []review.Finding, wanted []check.Effect, withdrawn map[string]bool, src []byte) []Mended {
	var chosen []Mended
	for _, f := range findings {
		if len(f.Mends) == 0 || len(f.Mends[0].Edits) == 0 || !slices.Contains(wanted, f.Mends[0].Effect) {
			continue
		}
		m := Mended{Finding: f.Finding, Mend: f.Mends[0]}
		if !withdrawn[key(m, src)] && !slices.ContainsFunc(chosen, func(c Mended) bool { return slices.Equal(c.Mend.Edits, m.Mend.Edits) }) {
			chosen = append(chosen, m)
		}
	}
	return chosen
}

// applyAll applies what can be merged. If the outcome does not hold, it
// applies the mends one by one and withdraws those that do not.
func applyAll(src []byte, findings []review.Finding, chosen []Mended, again func([]byte) ([]review.Finding, error)) (Result, []review.Finding, error) {
	edits := merge(chosen)
	out, err := text.Apply(src, edits)
	if err != nil {
		return Result{}, nil, err
	}
	next, err := again(out)
	if err != nil {
		return Result{}, nil, err
	}
	if holds(findings, next, chosen) {
		return Result{Text: out, Mends: chosen}, next, nil
	}
	// One at a time: the first that holds is applied, the others wait for the
	// next round, when their places have moved.
	for i := range chosen {
		if chosen[i].Fate == Conflicting {
			continue
		}
		out, err := text.Apply(src, slices.Clone(chosen[i].Mend.Edits))
		if err != nil {
			return Result{}, nil, err
		}
		next, err := again(out)
		if err != nil {
			return Result{}, nil, err
		}
		if holds(findings, next, chosen[i:i+1]) {
			for k := i + 1; k < len(chosen); k++ {
				chosen[k].Fate = Conflicting
			}
			return Result{Text: out, Mends: chosen}, next, nil
		}
		chosen[i].Fate = Withdrawn
	}
	return Result{Text: src, Mends: chosen}, findings, nil
}

// merge collects the edits of the mends, each whole or not at all; of two that
// touch the same place the earlier wins. Mends come in the order of the text.
func merge(chosen []Mended) []text.Edit {
	var edits []text.Edit
	for i := range chosen {
		if slices.ContainsFunc(chosen[i].Mend.Edits, func(e text.Edit) bool { return touches(edits, e) }) {
			chosen[i].Fate = Conflicting
			continue
		}
		edits = append(edits, chosen[i].Mend.Edits...)
	}
	return edits
}

func touches(edits []text.Edit, e text.Edit) bool {
	return slices.ContainsFunc(edits, func(x text.Edit) bool {
		return x.Span == e.Span || x.Span.Start <= e.Span.End && e.Span.Start <= x.Span.End
	})
}

// holds reports whether the applied findings are gone and nothing that is
// refused or wrong has come.
func holds(before, after []review.Finding, applied []Mended) bool {
	counts := map[*check.Check]int{}
	for _, f := range before {
		counts[f.Check]++
	}
	for _, m := range applied {
		if m.Fate == Applied {
			counts[m.Finding.Check]--
		}
	}
	for _, f := range after {
		counts[f.Check]--
		if counts[f.Check] < 0 && (f.Consequence >= check.Wrong || isApplied(f.Check, applied)) {
			return false
		}
	}
	return true
}

func isApplied(c *check.Check, applied []Mended) bool {
	return slices.ContainsFunc(applied, func(m Mended) bool { return m.Fate == Applied && m.Finding.Check == c })
}
