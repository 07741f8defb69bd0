package checks_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
)

// reviewed gives the findings of one check on an example.
func reviewed(t *testing.T, c *check.Check, e check.Example, query string) []review.Finding {
	t.Helper()
	o := review.Options{Dialect: e.Dialect, Version: e.Version, Checks: []*check.Check{c}, Certainty: check.Possible}
	if !e.NoSchema {
		o.Schema = schema.New(nil)
		o.Schema.SetWhole()
		o.Schema.Load([]byte(demo.Schema()), e.Dialect)
		require.Empty(t, o.Schema.Problems)
	}
	f, err := text.NewFile("example.sql", []byte(query))
	require.NoError(t, err)
	return review.New(o).Review(f).Findings
}

func TestExamples(t *testing.T) {
	t.Parallel()
	for _, c := range checks.All() {
		for _, e := range c.Examples {
			t.Run(c.ID+"/"+e.Dialect.String(), func(t *testing.T) {
				t.Parallel()
				if e.Bad != "" {
					found := reviewed(t, c, e, e.Bad)
					require.Len(t, found, 1, "bad: %s", e.Bad)
					require.Equal(t, c.OnRequest, found[0].Certainty == check.Possible, "shown only on request: %s", e.Bad)
					requireMend(t, found[0], e)
					require.Empty(t, reviewed(t, c, e, e.Good), "good: %s", e.Good)
				}
				for _, near := range e.Near {
					require.Empty(t, reviewed(t, c, e, near), "near miss: %s", near)
				}
			})
		}
	}
}

// requireMend asks that the first mend that can be typed in gives the good form.
func requireMend(t *testing.T, f review.Finding, e check.Example) {
	t.Helper()
	if len(f.Mends) == 0 || len(f.Mends[0].Edits) == 0 {
		return
	}
	out, err := text.Apply([]byte(e.Bad), f.Mends[0].Edits)
	require.NoError(t, err)
	require.Equal(t, e.Good, string(out))
}
