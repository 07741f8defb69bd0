package review_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/syntax"
	"justlens/core/text"
)

func file(t *testing.T, src string) *text.File {
	t.Helper()
	f, err := text.NewFile("hives.sql", []byte(src))
	require.NoError(t, err)
	return f
}

// faulty is a check that fails on statements that name swarms, after it reported.
var faulty = &check.Check{
	ID: "name.faulty", Verdicts: check.Everywhere(check.Wrong), Kinds: syntax.Kinds(syntax.KindTableRef),
	Run: func(p *check.Pass, n syntax.Node) {
		p.Report(check.Finding{Span: n.Span(), Certainty: check.Certain, Message: "a table"})
		if p.Text(n) == "swarms" {
			var none []int
			none[0]++
		}
	},
}

func ids(out *review.File) (found []string) {
	for _, f := range out.Findings {
		found = append(found, f.Check.ID)
	}
	return found
}

// TestFaultCostsOneCheck of one statement: what the others find, and the statements
// behind it, are there.
func TestFaultCostsOneCheck(t *testing.T) {
	t.Parallel()
	r := review.New(review.Options{Dialect: dialect.Postgres, Certainty: check.Likely, Checks: append(checks.All(), faulty)})
	out := r.Review(file(t, "SELECT name FROM hives;\nSELECT name FROM swarms WHERE moved_on = NULL;\nSELECT name FROM queens;"))
	require.Equal(t, []string{"name.faulty", "null.equals", "name.faulty"}, ids(out))
	require.Equal(t, 3, out.Statements)
	require.Len(t, out.Faults, 1)
	require.Equal(t, "the check name.faulty", out.Faults[0].Doing)
	require.Contains(t, out.Faults[0].Place, "review_test")
	require.Equal(t, 2, out.Text.Place(out.Faults[0].Span.Start).Line)
	again := r.Review(file(t, "SELECT name FROM hives;"))
	require.Empty(t, again.Faults, "the next text knows nothing of it")
}

func TestFindingsOfOneCheckAreToldToANumber(t *testing.T) {
	t.Parallel()
	src := "SELECT name FROM hives WHERE a = NULL" + strings.Repeat(" OR a = NULL", 99) + ";\nSELECT name FROM hives WHERE a = NULL"
	only := review.Options{Certainty: check.Likely, Checks: nullChecks(), Most: 50}
	out := review.New(only).Review(file(t, src))
	require.Len(t, out.Findings, 51)
	require.Equal(t, 50, out.Findings[49].More)
	require.Zero(t, out.Findings[50].More, "each statement is counted for itself")
	only.Most = 0
	require.Len(t, review.New(only).Review(file(t, src)).Findings, 101)
}

func nullChecks() (chosen []*check.Check) {
	for _, c := range checks.All() {
		if c.ID == "null.equals" {
			chosen = append(chosen, c)
		}
	}
	return chosen
}

// TestWhatIsNestedTooDeepIsNotReviewed and is told so.
func TestWhatIsNestedTooDeepIsNotReviewed(t *testing.T) {
	t.Parallel()
	for name, deep := range map[string]string{
		"parentheses": "SELECT " + strings.Repeat("(", 20_000) + "1" + strings.Repeat(")", 20_000),
		"a chain":     "SELECT 1" + strings.Repeat("+1", 1<<20+1),
	} {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			out := review.New(review.Options{Checks: checks.All()}).Review(file(t, deep+";\nSELECT name FROM hives WHERE a = NULL;"))
			require.Len(t, out.Unread, 1)
			require.Contains(t, ids(out), "null.equals")
			require.Empty(t, out.Faults)
		})
	}
}

func TestFindingsHaveALargestSize(t *testing.T) {
	t.Parallel()
	columns := strings.TrimSuffix(strings.Repeat("frame_count, ", 20_000), ", ")
	out := review.New(review.Options{Dialect: dialect.Postgres, Checks: checks.All()}).Review(file(t,
		"SELECT "+columns+", COUNT(*) FROM hives GROUP BY "+strings.ReplaceAll(columns, "frame_count", "apiary_id")+";"))
	require.NotEmpty(t, out.Findings)
	for _, f := range out.Findings {
		require.LessOrEqual(t, len(f.Message)+len(f.Why), 4100)
		require.LessOrEqual(t, len(f.Related), 20)
		for _, m := range f.Mends {
			size := 0
			for _, e := range m.Edits {
				size += len(e.Text)
			}
			require.LessOrEqual(t, size, 64*1024)
		}
	}
}
