package checks_test

import (
	"fmt"
	"slices"
	"strings"
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
		fill(o.Schema)
	}
	if c.Family() == "acceptance" { // which is about what other checks find
		o.Checks = checks.All()
	}
	f, err := text.NewFile("example.sql", []byte(query))
	require.NoError(t, err)
	return slices.DeleteFunc(whole(t, review.New(o), f), func(f review.Finding) bool { return f.Check != c })
}

// whole gives what a reviewer finds in a text. No check may fail on it: the guard round
// each would only leave its findings out.
func whole(t *testing.T, r *review.Reviewer, f *text.File) []review.Finding {
	t.Helper()
	out := r.Review(f)
	require.Empty(t, out.Faults, "%s", f.Bytes())
	return out.Findings
}

// TestDeclarations holds every check to what it says of itself.
func TestDeclarations(t *testing.T) {
	t.Parallel()
	seen := map[string]bool{}
	for _, c := range checks.All() {
		t.Run(c.ID, func(t *testing.T) {
			require.Regexp(t, `^[a-z]+\.[a-z]+(-[a-z]+)*$`, c.ID)
			require.True(t, slices.ContainsFunc(checks.Families, func(f checks.Family) bool { return f.Name == c.Family() }), "its family is listed")
			require.False(t, seen[c.ID], "its ID is its own")
			seen[c.ID] = true
			require.NotEmpty(t, c.Title)
			require.NotRegexp(t, `\.$`, c.Title, "a title is no sentence")
			require.Regexp(t, `(?s)^[A-Z0-9s].*\.$`, c.Doc, "the documentation is sentences")
			require.NotEqual(t, check.Fine, c.Verdicts.Worst(), "some database minds")
			require.NotEmpty(t, c.On, "it is called")
			bad, near := 0, 0
			for _, e := range c.Examples {
				if near += len(e.Near); e.Bad != "" {
					bad++
				}
			}
			require.NotZero(t, bad, "an example of the defect")
			require.GreaterOrEqual(t, near, 3, "three near misses")
			if c.Needs == check.Schema {
				requireLessWithoutSchema(t, c)
			}
		})
	}
}

// requireLessWithoutSchema asks that a check which needs a schema is silent without one,
// or no more certain than with it, and less so in one of its examples at least.
func requireLessWithoutSchema(t *testing.T, c *check.Check) {
	t.Helper()
	less := false
	for _, e := range c.Examples {
		if e.Bad == "" || e.NoSchema {
			continue
		}
		with := reviewed(t, c, e, e.Bad)
		e.NoSchema = true
		without := reviewed(t, c, e, e.Bad)
		less = less || len(without) < len(with)
		for i, f := range without {
			require.LessOrEqual(t, f.Certainty, with[min(i, len(with)-1)].Certainty, e.Bad)
			less = less || f.Certainty < with[min(i, len(with)-1)].Certainty
		}
	}
	require.True(t, less, "it does not need the schema")
}

// TestExamplesSay what they are to say, in testdata/examples.found.
func TestExamplesSay(t *testing.T) {
	t.Parallel()
	var b strings.Builder
	for _, c := range checks.All() {
		for _, e := range c.Examples {
			if e.Bad == "" {
				continue
			}
			fmt.Fprintf(&b, "%s %s\n", e.Dialect, strings.Join(strings.Fields(e.Bad), " "))
			f, err := text.NewFile("example.sql", []byte(e.Bad))
			require.NoError(t, err)
			for _, found := range reviewed(t, c, e, e.Bad) {
				tell(&b, f, found)
			}
		}
	}
	requireGolden(t, "testdata/examples.found", b.String())
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
