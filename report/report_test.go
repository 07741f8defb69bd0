package report_test

import (
	"bytes"
	"io/fs"
	"os"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/text"
	"justlens/demo"
	"justlens/report"
)

// rendered gives a report of the demo's queries, of one that is nested too deep, and of
// one with many findings of a kind.
func rendered(t *testing.T, kind string, limit int) string {
	t.Helper()
	var b bytes.Buffer
	r := report.New(kind, &b, report.Style{Width: 80}, limit, "0")
	var s report.Summary
	show := func(path, src string) {
		f, err := text.NewFile(path, []byte(src))
		require.NoError(t, err)
		out := review.New(review.Options{Auto: true, Certainty: check.Possible, Checks: checks.All(), Most: 5}).Review(f)
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
	show("deep.sql", "SELECT "+strings.Repeat("(", 20_000))
	show("many.sql", "SELECT 1 FROM hives WHERE a = NULL"+strings.Repeat(" OR a = NULL", 30)+"; SELECT '\x1b\u202e\x7f' FROM hives WHERE a = NULL")
	s.Problems = []string{"missing.sql: no such file or folder"}
	s.Next = "justlens mend queries"
	require.NoError(t, r.Close(s))
	return b.String()
}

// TestJSONReportFollowsItsSchema validates a report by docs/report.schema.json.
func TestJSONReportFollowsItsSchema(t *testing.T) {
	t.Parallel()
	source, err := os.ReadFile("../docs/report.schema.json")
	require.NoError(t, err)
	document, err := jsonschema.UnmarshalJSON(bytes.NewReader(source))
	require.NoError(t, err)
	c := jsonschema.NewCompiler()
	require.NoError(t, c.AddResource("report.json", document))
	schema, err := c.Compile("report.json")
	require.NoError(t, err)
	out := rendered(t, "json", 0)
	instance, err := jsonschema.UnmarshalJSON(strings.NewReader(out))
	require.NoError(t, err)
	require.NoError(t, schema.Validate(instance))
	for _, key := range []string{`"more":26`, `"unread":1`, `"clue":"`, `"problems":["missing.sql`} {
		require.Contains(t, out, key)
	}
	require.NotContains(t, out, "\x7f")
	require.NotContains(t, out, "\u202e")
}

func TestTextReport(t *testing.T) {
	t.Parallel()
	out := rendered(t, "text", 0)
	for _, part := range []string{
		"… and 26 more of null.equals in this statement.", "<1B>", "Next: justlens mend queries",
		"Elsewhere: ", "(new rows: the result changes, to what was evidently meant)",
	} {
		require.Contains(t, out, part)
	}
	for _, effect := range []string{"(same rows: ", "(new rows: ", "(by hand: "} {
		require.Equal(t, 1, strings.Count(out, effect), "a word is explained once")
	}
	require.NotContains(t, out, "\x1b")
	require.True(t, report.IsOne("text", out) && !report.IsOne("json", out) && report.IsOne("json", rendered(t, "json", 0)))
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
