package review_test

import (
	"context"
	"errors"
	"fmt"
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
	ID: "name.faulty", Verdicts: check.Everywhere(check.Wrong),
	On: check.Nodes(func(p *check.Pass, n *syntax.TableRef) {
		p.Report(check.Finding{Span: n.Span(), Certainty: check.Certain, Message: "a table"})
		if p.Text(n) == "swarms" {
			var none []int
			none[0]++
		}
	}),
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

// TestRefusalsOfDatabasesThatAreNotKnown are less certain where one takes the statement, and
// only possible where the database has no dialect here.
func TestRefusalsOfDatabasesThatAreNotKnown(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		path string
		auto bool
		want []check.Certainty
	}{
		{"hives.sql", false, []check.Certainty{check.Certain, check.Certain, check.Certain}},
		{"hives.sql", true, []check.Certainty{check.Likely, check.Certain, check.Certain}},
		{"hives.cockroach.sql", true, []check.Certainty{check.Possible, check.Possible, check.Certain}},
	} {
		f, err := text.NewFile(c.path, []byte("SELECT name FROM hives HAVING COUNT(*) > 1 GROUP BY name;\nSELECT name FROM;\nSELECT name FROM hives WHERE moved_on = NULL;"))
		require.NoError(t, err)
		r := review.New(review.Options{Auto: c.auto, Certainty: check.Possible, Checks: checks.All()})
		var got []check.Certainty
		for _, found := range r.Review(f).Findings {
			if id := found.Check.ID; id == "syntax.clause-order" || id == "syntax.unreadable" || id == "null.equals" {
				got = append(got, found.Certainty)
			}
		}
		require.Equal(t, c.want, got, c.path)
	}
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

// TestLargeTextInPieces gives what one reviewer gives of the whole, also where pieces are
// guessed wrongly: within texts, comments, routines, and behind definitions.
func TestLargeTextInPieces(t *testing.T) {
	t.Parallel()
	plain := "-- round\nSELECT name FROM hives WHERE moved_on = NULL;\nUPDATE hives SET frame_count = 9 WHERE hive_id = 7;\n"
	odd := map[string]string{
		"nothing odd":     "",
		"a text":          "INSERT INTO queens (name) VALUES ('it ends;\nSELECT name FROM hives;\n" + strings.Repeat("x;\nselect 1;\n", 60_000) + "');\n",
		"a comment":       "/* it ends;\n" + strings.Repeat("select 1;\n", 60_000) + "*/\n",
		"a line comment":  strings.Repeat("-- select;\n", 90_000),
		"a table":         "CREATE TABLE swarms (swarm_id integer);\nSELECT swarm_id, place FROM swarms;\n",
		"an open quote":   "SELECT 'it is;\n",
		"open brackets":   "SELECT name FROM hives WHERE (hive_id = 1;\n",
		"another mark":    "DELIMITER //\nSELECT 1;\nSELECT name FROM hives WHERE moved_on = NULL//\n" + strings.Repeat("select 1;\n", 60_000) + "//\nDELIMITER ;\n",
		"a routine":       "CREATE PROCEDURE tidy() BEGIN\n" + strings.Repeat("UPDATE hives SET frame_count = NULL = 1;\n", 20_000) + "END;\n",
		"broken sentence": "SELECT FROM WHERE;\n",
	}
	for name, middle := range odd {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			src := []byte(strings.Repeat(plain, 4_000) + middle + strings.Repeat(plain, 6_000))
			for _, d := range []dialect.Dialect{dialect.Postgres, dialect.MariaDB} {
				o := review.Options{Dialect: d, Certainty: check.Likely, Checks: checks.All(), Most: review.Told}
				var outs []*review.File
				for _, jobs := range []int{1, 3} {
					in := review.Input{Path: "round.sql", Read: func() ([]byte, error) { return src, nil }}
					require.NoError(t, review.Run(t.Context(), []review.Input{in}, o, jobs, func(out review.Outcome) error {
						outs = append(outs, out.File)
						return out.Err
					}))
				}
				require.Equal(t, outs[0].Statements, outs[1].Statements)
				require.Equal(t, outs[0].Unread, outs[1].Unread)
				require.Len(t, outs[1].Findings, len(outs[0].Findings))
				for i := range outs[0].Findings {
					a, b := &outs[0].Findings[i], &outs[1].Findings[i]
					require.True(t, a.Span == b.Span && a.Statement == b.Statement && a.Message == b.Message && a.Check == b.Check, "%v %v", a.Message, b.Message)
				}
			}
		})
	}
}

// TestRunEndsEarly where whoever takes the outcomes says so, or the context is done.
func TestRunEndsEarly(t *testing.T) {
	t.Parallel()
	var inputs []review.Input
	for i := range 40 {
		inputs = append(inputs, review.Input{Path: fmt.Sprint(i), Read: func() ([]byte, error) {
			if i == 3 {
				return nil, errors.New("no such hive")
			}
			return []byte("SELECT name FROM hives WHERE a = NULL;"), nil
		}})
	}
	for _, jobs := range []int{1, 3} {
		var paths []string
		stop := errors.New("enough")
		take := func(out review.Outcome) error {
			paths = append(paths, out.Path)
			require.Equal(t, out.Path == "3", out.Err != nil, "an input that cannot be read costs itself only")
			if len(paths) == 6 {
				return stop
			}
			return nil
		}
		only := review.Options{Checks: nullChecks()}
		require.ErrorIs(t, review.Run(t.Context(), inputs, only, jobs, take), stop)
		require.Equal(t, []string{"0", "1", "2", "3", "4", "5"}, paths, "in the order of the inputs")
		done, cancel := context.WithCancel(t.Context())
		cancel()
		require.ErrorIs(t, review.Run(done, inputs, only, jobs, func(review.Outcome) error { return nil }), context.Canceled)
		require.NoError(t, review.Run(t.Context(), nil, only, jobs, take))
	}
}

// TestNamesAreRenewed when a reviewer has met more than is worth keeping: what it says
// later is the same.
func TestNamesAreRenewed(t *testing.T) {
	t.Parallel()
	r := review.New(review.Options{Dialect: dialect.Postgres, Certainty: check.Likely, Checks: checks.All()})
	src := "SELECT COUNT(DISTINCT *), SUM(DISTINCT kg) FROM hives h WHERE h.a = NULL AND x.b = 1"
	before := ids(r.Review(file(t, src)))
	var b strings.Builder
	for i := range 70_000 {
		fmt.Fprintf(&b, "SELECT f%[1]d(c%[1]d) FROM hives;\n", i)
	}
	r.Review(file(t, b.String()))
	require.Equal(t, before, ids(r.Review(file(t, src))))
	require.Len(t, before, 4)
}
