package mend_test

import (
	"bytes"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/mend"
	"justlens/core/review"
	"justlens/core/text"
)

// letters finds fault with letters by rules: each says which letter is found, what it is
// mended to, and how. A line is a statement.
type letters map[byte]struct {
	check  *check.Check
	with   string
	effect check.Effect
}

var (
	plain = &check.Check{ID: "name.letter"}
	other = &check.Check{ID: "name.other"}
	mild  = &check.Check{ID: "name.mild"}
	wrong = &check.Check{ID: "syntax.wrong"}
)

func (l letters) review(src []byte) ([]review.Finding, error) {
	var found []review.Finding
	statement := 0
	for i, c := range src {
		if c == '\n' {
			statement++
		}
		rule, ok := l[c]
		if !ok {
			continue
		}
		span := text.Span{Start: text.Pos(i), End: text.Pos(i + 1)}
		f := check.Finding{Check: rule.check, Span: span, Consequence: check.Wrong, Certainty: check.Certain}
		switch rule.check {
		case wrong:
			f.Consequence = check.Refused
		case mild:
			f.Consequence = check.Unclear
		}
		if rule.with != "" {
			f.Mends = []check.Mend{{Title: "mend", Effect: rule.effect, Edits: []text.Edit{check.Replace(span, rule.with)}}}
		}
		found = append(found, review.Finding{Finding: f, Statement: statement})
	}
	return found, nil
}

func TestMend(t *testing.T) {
	t.Parallel()
	same, changed := check.SameRows, check.NewRows
	cases := []struct {
		name, src, want    string
		rules              letters
		applied, withdrawn int
	}{
		{"all at once", "a b\na", "x b\nx", letters{'a': {plain, "x", same}}, 2, 0},
		{"not of another effect", "a", "a", letters{'a': {plain, "x", changed}}, 0, 0},
		{"round after round", "a", "c", letters{'a': {plain, "b", same}, 'b': {mild, "c", same}}, 2, 0},
		{"what brings something worse is withdrawn", "a", "a", letters{'a': {plain, "z", same}, 'z': {other, "", same}}, 0, 1},
		{"the finding must go", "a", "a", letters{'a': {plain, "a ", same}}, 0, 1},
		{"one statement does not cost another", "a\nb\na", "x\nb\nx", letters{'a': {plain, "x", same}, 'b': {plain, "z", same}, 'z': {other, "", same}}, 2, 1},
		{"of one statement what holds is kept", "ba", "bx", letters{'a': {plain, "x", same}, 'b': {other, "z", same}, 'z': {other, "", same}}, 1, 1},
		{"places that touch wait for their turn", "aa", "xx", letters{'a': {plain, "x", same}}, 2, 0},
		{"what stays unreadable has no rows to keep", "s t", "s t", letters{'s': {wrong, "x", same}, 't': {wrong, "", same}}, 0, 1},
		{"unless all of it becomes readable", "s  s", "x  x", letters{'s': {wrong, "x", same}}, 2, 0},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			t.Parallel()
			out, err := mend.Mend([]byte(c.src), []check.Effect{same}, c.rules.review)
			require.NoError(t, err)
			require.Equal(t, c.want, string(out.Text))
			require.Equal(t, c.applied, out.Count(mend.Applied))
			require.Equal(t, c.withdrawn, out.Count(mend.Withdrawn))
			left, err := c.rules.review(out.Text)
			require.NoError(t, err)
			require.Equal(t, left, out.Left)
		})
	}
}

// TestManyMends needs as many reviews as rounds, not as mends, though one of them does
// not hold.
func TestManyMends(t *testing.T) {
	t.Parallel()
	rules := letters{'a': {plain, "x", check.SameRows}, 'b': {plain, "z", check.SameRows}, 'z': {other, "", check.SameRows}}
	src := append(bytes.Repeat([]byte("a\n"), 5000), "b\n"...)
	reviews := 0
	out, err := mend.Mend(src, []check.Effect{check.SameRows}, func(src []byte) ([]review.Finding, error) {
		reviews++
		return rules.review(src)
	})
	require.NoError(t, err)
	require.Equal(t, 5000, out.Count(mend.Applied))
	require.LessOrEqual(t, reviews, 10)
}
