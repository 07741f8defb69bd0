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

var update = flag.Bool("update", false, "rewrite what is found and the mended texts")

// TestCases reviews testdata/*.sql with every check, or those of which the file says it
// is about them. A finding is expected where a line ends in `-- want "its.check"`, and
// nowhere else. Beside each file lie, as name.found, what each finding says and of what
// text, and, as name.mended, what all mends together make of the file.
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
			lines, told := found(t, o, src)
			require.Equal(t, wanted(src), lines)
			requireGolden(t, strings.TrimSuffix(path, ".sql")+".found", told)
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
// behind it where the demo's tables are not to be known, `, many rows` where they are large, and `, possible` where
// findings of that certainty count. A second line `-- checks: null.equals, join.comma`
// tells which checks the file is about, where it is not about all.
func caseOptions(t *testing.T, src []byte) review.Options {
	t.Helper()
	head, rest, _ := bytes.Cut(src, []byte("\n"))
	setting, ok := strings.CutPrefix(string(head), "-- dialect: ")
	require.True(t, ok, "the first line names the dialect")
	setting, possible := strings.CutSuffix(setting, ", possible")
	setting, large := strings.CutSuffix(setting, ", many rows")
	name, bare := strings.CutSuffix(setting, ", no schema")
	d, v, err := dialect.ParseWithVersion(name)
	require.NoError(t, err)
	o := review.Options{Dialect: d, Version: v, Certainty: check.Likely, Checks: checks.All()}
	if possible {
		o.Certainty = check.Possible
	}
	second, _, _ := bytes.Cut(rest, []byte("\n"))
	if about, ok := strings.CutPrefix(string(second), "-- checks: "); ok {
		chosen := strings.Split(about, ", ")
		o.Checks = slices.DeleteFunc(o.Checks, func(c *check.Check) bool { return !slices.Contains(chosen, c.ID) })
		require.Len(t, o.Checks, len(chosen), "the file is about checks that exist")
	}
	if !bare {
		o.Schema = schema.New(nil)
		o.Schema.SetWhole()
		o.Schema.Load([]byte(demo.Schema()), d)
		require.Empty(t, o.Schema.Problems)
		if large {
			fill(o.Schema)
		}
	}
	return o
}

// fill tells that every table has many rows.
func fill(s *schema.Schema) {
	for _, t := range s.Tables() {
		s.SetRows(t.Qualifier, t.Name, 120_000)
	}
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

// found lists "line: check" of each finding, and tells of each in full.
func found(t *testing.T, o review.Options, src []byte) (lines []string, told string) {
	t.Helper()
	f, err := text.NewFile("case.sql", src)
	require.NoError(t, err)
	var b strings.Builder
	for _, finding := range whole(t, review.New(o), f) {
		at := f.Place(finding.Span.Start)
		lines = append(lines, fmt.Sprintf("%d: %s", at.Line, finding.Check.ID))
		fmt.Fprintf(&b, "%d:%d ", at.Line, at.Column)
		tell(&b, f, finding)
	}
	slices.Sort(lines)
	return lines, b.String()
}

// tell writes all that a finding says.
func tell(b *strings.Builder, f *text.File, finding review.Finding) {
	of := func(s text.Span) string { return strings.Join(strings.Fields(string(f.Bytes()[s.Start:s.End])), " ") }
	at := func(p text.Pos) string { return fmt.Sprintf("%d:%d", f.Place(p).Line, f.Place(p).Column) }
	fmt.Fprintf(b, "%s: %s, %s, of »%s«\n", finding.Check.ID, finding.Consequence, finding.Certainty, of(finding.Span))
	fmt.Fprintf(b, "\t%s\n\t%s\n", finding.Message, finding.Why)
	if v := finding.Verdicts; v.Differ() {
		b.WriteString("\ton")
		for _, d := range dialect.All() {
			fmt.Fprintf(b, " %s %s", d, v[d])
		}
		b.WriteString("\n")
	}
	for _, r := range finding.Related {
		fmt.Fprintf(b, "\tbeside %s »%s«: %s\n", at(r.Span.Start), of(r.Span), r.Message)
	}
	for _, m := range finding.Mends {
		fmt.Fprintf(b, "\tmend, %s: %s\n", m.Effect, m.Title)
		for _, e := range m.Edits {
			fmt.Fprintf(b, "\t\t%s-%s »%s« %q\n", at(e.Span.Start), at(e.Span.End), of(e.Span), e.Text)
		}
	}
}

func requireGolden(t *testing.T, path, got string) {
	t.Helper()
	if *update {
		require.NoError(t, os.WriteFile(path, []byte(got), 0o644))
	}
	want, err := os.ReadFile(path)
	require.NoError(t, err)
	require.Equal(t, string(want), got)
}

// requireMended applies all mends, twice: the second time nothing is left.
func requireMended(t *testing.T, o review.Options, path string, src []byte) {
	t.Helper()
	again := func(src []byte) ([]review.Finding, error) {
		f, err := text.NewFile("case.sql", src)
		if err != nil {
			return nil, err
		}
		return whole(t, review.New(o), f), nil
	}
	effects := []check.Effect{check.SameRows, check.NewRows}
	result, err := mend.Mend(src, effects, again)
	require.NoError(t, err)
	require.Zero(t, result.Count(mend.Withdrawn), "every mend holds")
	requireGolden(t, strings.TrimSuffix(path, ".sql")+".mended", string(result.Text))
	second, err := mend.Mend(result.Text, effects, again)
	require.NoError(t, err)
	require.Equal(t, string(result.Text), string(second.Text), "mending twice is mending once")
}

// TestLikely reviews the texts of testdata/likely.txt, each as the line before it says: a
// dialect, perhaps a version, perhaps without the tables. They are everyday statements with words dropped, exchanged and pasted, chosen
// from many thousands because each shows a difference that a change of the checks makes.
// What is found and mended lies beside them.
func TestLikely(t *testing.T) {
	t.Parallel()
	data, err := os.ReadFile("testdata/likely.txt")
	require.NoError(t, err)
	reviewers := map[string]*review.Reviewer{}
	var b strings.Builder
	for _, part := range strings.Split("\n"+string(data), "\n== ")[1:] {
		name, src, _ := strings.Cut(part, "\n")
		d := name
		if reviewers[d] == nil {
			reviewers[d] = review.New(caseOptions(t, []byte("-- dialect: "+name+", possible\n")))
		}
		again := func(src []byte) ([]review.Finding, error) {
			f, err := text.NewFile("likely.sql", src)
			if err != nil {
				return nil, err
			}
			return whole(t, reviewers[d], f), nil
		}
		f, err := text.NewFile("likely.sql", []byte(src))
		require.NoError(t, err)
		fmt.Fprintf(&b, "== %s\n%s\n", name, src)
		for _, finding := range whole(t, reviewers[d], f) {
			at := f.Place(finding.Span.Start)
			fmt.Fprintf(&b, "%d:%d ", at.Line, at.Column)
			tell(&b, f, finding)
		}
		mended, err := mend.Mend([]byte(src), []check.Effect{check.SameRows, check.NewRows}, again)
		require.NoError(t, err)
		if string(mended.Text) != src {
			fmt.Fprintf(&b, "-- mended\n%s\n", mended.Text)
		}
	}
	requireGolden(t, "testdata/likely.found", b.String())
}
