package checks_test

import (
	"bytes"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/mend"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
)

var update = flag.Bool("update", false, "rewrite the mended texts")

// TestCases reviews testdata/*.sql with every check. A finding is expected
// where a line ends in `-- want "its.check"`, and nowhere else. Beside each
// file lies what all mends together make of it, as name.mended.
func TestCases(t *testing.T) {
	t.Parallel()
	paths, err := filepath.Glob("testdata/*.sql")
	require.NoError(t, err)
	require.NotEmpty(t, paths)
	for _, path := range paths {
		t.Run(filepath.Base(path), func(t *testing.T) {
			t.Parallel()
			src, err := os.ReadFile(path)
			require.NoError(t, err)
			o := caseOptions(t, src)
			require.Equal(t, wanted(src), found(t, o, src))
			requireMended(t, o, path, src)
		})
	}
}

// TestEveryCheckHasCases asks for a file named after each check.
func TestEveryCheckHasCases(t *testing.T) {
	t.Parallel()
	for _, c := range checks.All() {
		require.FileExists(t, filepath.Join("testdata", c.ID+".sql"))
	}
}

// caseOptions reads the first line: `-- dialect: postgres`, or postgres@14, with `, no schema`
// behind it where the demo's tables are not to be known, and `, possible` where
// findings of that certainty count.
func caseOptions(t *testing.T, src []byte) review.Options {
	t.Helper()
	head, _, _ := bytes.Cut(src, []byte("\n"))
	setting, ok := strings.CutPrefix(string(head), "-- dialect: ")
	require.True(t, ok, "the first line names the dialect")
	setting, possible := strings.CutSuffix(setting, ", possible")
	name, bare := strings.CutSuffix(setting, ", no schema")
	d, v, err := dialect.ParseWithVersion(name)
	require.NoError(t, err)
	o := review.Options{Dialect: d, Version: v, Certainty: check.Likely, Checks: checks.All()}
	if possible {
		o.Certainty = check.Possible
	}
	if !bare {
		o.Schema = schema.New(nil)
		o.Schema.SetWhole()
		o.Schema.Load([]byte(demo.Schema()), d)
		require.Empty(t, o.Schema.Problems)
	}
	return o
}

// wanted lists "line: check" for each expectation, in order.
func wanted(src []byte) []string {
	var out []string
	for i, line := range strings.Split(string(src), "\n") {
		_, wants, ok := strings.Cut(line, "-- want ")
		if !ok {
			continue
		}
		for _, want := range strings.Fields(wants) {
			out = append(out, fmt.Sprintf("%d: %s", i+1, strings.Trim(want, `"`)))
		}
	}
	slices.Sort(out)
	return out
}

func found(t *testing.T, o review.Options, src []byte) []string {
	t.Helper()
	f, err := text.NewFile("case.sql", src)
	require.NoError(t, err)
	var out []string
	for _, finding := range review.New(o).Review(f).Findings {
		out = append(out, fmt.Sprintf("%d: %s", f.Place(finding.Span.Start).Line, finding.Check.ID))
	}
	slices.Sort(out)
	return out
}

// requireMended applies all mends, twice: the second time nothing is left.
func requireMended(t *testing.T, o review.Options, path string, src []byte) {
	t.Helper()
	again := func(src []byte) ([]review.Finding, error) {
		f, err := text.NewFile("case.sql", src)
		if err != nil {
			return nil, err
		}
		return review.New(o).Review(f).Findings, nil
	}
	effects := []check.Effect{check.SameRows, check.NewRows}
	result, err := mend.Mend(src, effects, again)
	require.NoError(t, err)
	require.Zero(t, result.Count(mend.Withdrawn), "every mend holds")
	golden := strings.TrimSuffix(path, ".sql") + ".mended"
	if *update {
		require.NoError(t, os.WriteFile(golden, result.Text, 0o644))
	}
	want, err := os.ReadFile(golden)
	require.NoError(t, err)
	require.Equal(t, string(want), string(result.Text))
	second, err := mend.Mend(result.Text, effects, again)
	require.NoError(t, err)
	require.Equal(t, string(result.Text), string(second.Text), "mending twice is mending once")
}
