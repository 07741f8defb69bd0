package known_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/known"
)

func TestReadTellsWhatIsWrong(t *testing.T) {
	t.Parallel()
	for src, want := range map[string]string{
		"":                                 "it is no list",
		"{\n\n":                            "it is no list",
		"{\n,":                             "line 2 is no JSON",
		`{"version": 2, "findings": []}`:   "it is of version 2, and this program reads 1",
		`{"bees": 1}`:                      "it is no list",
		`{"version": 1, "findings": [{}]}`: "is damaged",
		`{"version": 1, "findings": [{"path": "a.sql", "check": "null.equals", "statement": "xyz", "count": 1, "message": ""}]}`: "what is known of null.equals in a.sql is damaged",
		`{"version": 1, "findings": [{"path": "a.sql", "check": "null.equals", "statement": "1f", "count": 0, "message": ""}]}`:  "is damaged",
	} {
		_, err := known.Read([]byte(src))
		require.ErrorContains(t, err, want, src)
	}
}

// TestDrop takes out what is known as often as it is, and tells of the rest as many as are wanted.
func TestDrop(t *testing.T) {
	t.Parallel()
	one, other := &check.Check{ID: "a.one"}, &check.Check{ID: "a.other"}
	found := func(c *check.Check, print review.Fingerprint, statement int) review.Finding {
		return review.Finding{Finding: check.Finding{Check: c, Message: c.ID}, Fingerprint: print, Statement: statement}
	}
	var f known.File
	f.Add("b.sql", []review.Finding{found(one, 1, 0), found(one, 1, 0), found(other, 2, 1)})
	src, err := f.Bytes()
	require.NoError(t, err)
	again, err := known.Read(src)
	require.NoError(t, err)
	require.Equal(t, f.Findings, again.Findings)
	file := &review.File{Findings: []review.Finding{
		found(one, 1, 0), found(one, 1, 1), found(one, 1, 2), found(one, 1, 2), found(one, 1, 2), found(other, 1, 3), found(other, 2, 4),
	}}
	require.Equal(t, 3, again.Known().Drop(file, 2))
	var left []int
	for _, found := range file.Findings {
		left = append(left, found.Statement, found.More)
	}
	require.Equal(t, []int{2, 0, 2, 1, 3, 0}, left)
}
