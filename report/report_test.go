package report_test

import (
	"bytes"
	"context"
	"encoding/xml"
	"io/fs"
	"os"
	"slices"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
	"justlens/report"
)

// rendered gives a report of the demo's queries, of one that is nested too deep, and of
// one with many findings of a kind.
func rendered(t *testing.T, kind string, limit int) string {
	t.Helper()
	var b bytes.Buffer
	r := report.New(kind, &b, report.Style{Width: 80}, report.Options{Limit: limit, Version: "0"})
	var s report.Summary
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), dialect.Postgres)
	show := func(path, src string) {
		f, err := text.NewFile(path, []byte(src))
		require.NoError(t, err)
		out := review.New(review.Options{Auto: true, Certainty: check.Possible, Checks: checks.All(), Most: 5}).Review(f)
		out.Show(context.Background(), review.Options{Schema: tables})
		s.Add(out)
		require.NoError(t, r.File(out))
	}
	require.NoError(t, fs.WalkDir(demo.Files(), "queries", func(path string, d fs.DirEntry, err error) error {
		if err == nil && !d.IsDir() {
			var src []byte
			src, err = fs.ReadFile(demo.Files(), path)
			show(path, string(src))
		}
		return err
	}))
	show("accepted.sql", "SELECT 1 FROM hives WHERE a = NULL -- lens: accept null.equals because \"no\" rows & no <others>")
	show("deep.sql", "SELECT "+strings.Repeat("(", 20_000))
	show("many.sql", "SELECT 1 FROM hives WHERE a = NULL"+strings.Repeat(" OR a = NULL", 30)+"; SELECT '\x1b\u202e\x7f' FROM hives WHERE a = NULL")
	s.Problems = []string{"missing.sql: no such file or folder"}
	s.Next = "justlens mend queries"
	require.NoError(t, r.Close(s))
	return b.String()
}

// requireFollows validates a JSON text by a schema.
func requireFollows(t *testing.T, path, out string) {
	t.Helper()
	source, err := os.ReadFile(path)
	require.NoError(t, err)
	document, err := jsonschema.UnmarshalJSON(bytes.NewReader(source))
	require.NoError(t, err)
	c := jsonschema.NewCompiler()
	require.NoError(t, c.AddResource("report.json", document))
	schema, err := c.Compile("report.json")
	require.NoError(t, err)
	instance, err := jsonschema.UnmarshalJSON(strings.NewReader(out))
	require.NoError(t, err)
	require.NoError(t, schema.Validate(instance))
}

// TestJSONReportFollowsItsSchema validates a report by docs/report.schema.json.
func TestJSONReportFollowsItsSchema(t *testing.T) {
	t.Parallel()
	out := rendered(t, "json", 0)
	requireFollows(t, "../docs/report.schema.json", out)
	for _, key := range []string{`"more":26`, `"unread":1`, `"clue":"`, `"problems":["missing.sql`, `"written":[`, `"reason":"`} {
		require.Contains(t, out, key)
	}
	require.NotContains(t, out, "\x7f")
	require.NotContains(t, out, "\u202e")
}

// TestSARIFReportFollowsTheStandard validates a report by the schema of SARIF 2.1.0, errata 01, of
// OASIS.
func TestSARIFReportFollowsTheStandard(t *testing.T) {
	t.Parallel()
	out := rendered(t, "sarif", 0)
	requireFollows(t, "testdata/sarif-2.1.0.schema.json", out)
	for _, part := range []string{`"kind": "inSource"`, `"justification": "\"no\" rows & no <others>"`, `"executionSuccessful": false`, `"checkAndStatement/v1"`, `"fixes"`, `"relatedLocations"`} {
		require.Contains(t, out, part)
	}
	require.NotContains(t, out, "\u202e")
}

// TestJUnitReport reads the XML again: what it counts is what stands in it.
func TestJUnitReport(t *testing.T) {
	t.Parallel()
	type suite struct {
		Tests    int `xml:"tests,attr"`
		Failures int `xml:"failures,attr"`
		Errors   int `xml:"errors,attr"`
		Cases    []struct {
			Failure *string `xml:"failure"`
			Error   *string `xml:"error"`
			Skipped *string `xml:"skipped"`
		} `xml:"testcase"`
	}
	var all struct {
		suite
		Suites []suite `xml:"testsuite"`
	}
	out := rendered(t, "junit", 0)
	require.NoError(t, xml.Unmarshal([]byte(out), &all))
	sum, skipped := suite{}, 0
	for _, s := range all.Suites {
		failures, errors := 0, 0
		for _, c := range s.Cases {
			failures += len(slices.DeleteFunc([]*string{c.Failure}, isNil))
			errors += len(slices.DeleteFunc([]*string{c.Error}, isNil))
			skipped += len(slices.DeleteFunc([]*string{c.Skipped}, isNil))
		}
		require.Equal(t, []int{len(s.Cases), failures, errors}, []int{s.Tests, s.Failures, s.Errors})
		sum.Tests, sum.Failures, sum.Errors = sum.Tests+s.Tests, sum.Failures+s.Failures, sum.Errors+s.Errors
	}
	require.Equal(t, []int{sum.Tests, sum.Failures, sum.Errors}, []int{all.Tests, all.Failures, all.Errors})
	require.Equal(t, []int{1, 1}, []int{all.Errors, skipped})
	require.Greater(t, all.Failures, 60)
	require.NotContains(t, out, "\x1b")
}

func isNil(s *string) bool { return s == nil }

func TestMarkdownReport(t *testing.T) {
	t.Parallel()
	out := rendered(t, "markdown", 0)
	many := manyFindings(t, "markdown")
	require.Less(t, len(many), 60_000)
	require.True(t, strings.Contains(many, "more are not shown here") && !strings.Contains(out, "more are not shown here"))
	require.Contains(t, out, "missing.sql: no such file or folder")
	at := 0
	for _, worse := range []string{"#### REFUSED: ", "#### WRONG: "} {
		next := strings.Index(out, worse)
		require.GreaterOrEqual(t, next, at, "the worst stand first")
		at = strings.LastIndex(out, worse)
	}
	require.NotContains(t, out, "\x1b")
}

func TestHTMLReport(t *testing.T) {
	t.Parallel()
	out := rendered(t, "html", 0)
	require.NotContains(t, out, "<others>")
	require.NotContains(t, out, "http://")
	require.NotContains(t, out, "https://")
	require.NotContains(t, out, "\x1b")
	require.Contains(t, out, "Accepted by comments: 1 finding.")
	require.Equal(t, strings.Count(out, "<article"), strings.Count(out, "</article>"))
}

func TestReportsAreKnown(t *testing.T) {
	t.Parallel()
	for _, kind := range report.Kinds {
		out := rendered(t, kind, 0)
		for _, other := range report.Kinds {
			require.Equal(t, kind == other, report.IsOne(other, out[:4096]), "%s as %s", kind, other)
		}
	}
}

func TestTextReport(t *testing.T) {
	t.Parallel()
	out := rendered(t, "text", 0)
	for _, part := range []string{
		"… and 26 more of null.equals.", "The same stands at:", "<1B>", "Next: justlens mend queries",
		"Elsewhere: ", "(new rows: the result changes, to what was evidently meant)",
	} {
		require.Contains(t, out, part)
	}
	for _, effect := range []string{"(same rows: ", "(new rows: ", "(by hand: "} {
		require.Equal(t, 1, strings.Count(out, effect), "a word is explained once")
	}
	require.NotContains(t, out, "\x1b")
	limited := rendered(t, "text", 3)
	require.Contains(t, limited, "more findings are not shown")
	require.Less(t, len(limited), len(out)/4)
}

func TestVisible(t *testing.T) {
	t.Parallel()
	for s, want := range map[string]string{
		"plain é蜂": "plain é蜂", "a\x1b[31m": "a<1B>[31m", "a\tb": "a   b", "\x9b31m": "<9B>31m", "\u202eabc": "<U+202E>abc",
		"\ufeffa": "<U+FEFF>a", "a\u200bb\u00ad": "a<U+200B>b<AD>", "a\nb": "a b", "\x00\x7f": "<00><7F>",
	} {
		require.Equal(t, want, report.Visible(s))
	}
	require.Equal(t, dialect.Count, dialect.Dialect(len(check.Verdicts{})))
}
