package claims

import (
	"context"
	"os"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/compare"
	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
)

// keptTries is how many made databases each mend is tried on; JUSTLENS_KEPT=400 tries more.
const keptTries = 40

// TestSameRowsAreKeptOnMadeRows works the mends of all examples and cases that are said to keep the
// rows out beside what they mend, in every dialect, on made rows.
func TestSameRowsAreKeptOnMadeRows(t *testing.T) {
	tries := keptTries
	if more, err := strconv.Atoi(os.Getenv("JUSTLENS_KEPT")); err == nil {
		tries = more
	}
	trials, mends, unknown := 0, 0, 0
	ids := map[string]bool{}
	seen := map[string]bool{}
	for _, q := range casesOfAll(t) {
		tables := schema.New(nil)
		tables.Load([]byte(demo.Schema()), q.dialect)
		for _, f := range findings(t, q.dialect, checks.All(), q.text) {
			for _, m := range f.Mends {
				if m.Effect != check.SameRows || len(m.Edits) == 0 {
					continue
				}
				mended, err := text.Apply([]byte(q.text), m.Edits)
				require.NoError(t, err)
				key := q.dialect.String() + q.text + string(mended)
				if seen[key] {
					continue
				}
				seen[key] = true
				before, after := run.Read([]byte(q.text), q.dialect, 0, tables), run.Read(mended, q.dialect, 0, tables)
				if len(before) != 1 || len(after) != 1 || before[0].Err != nil || after[0].Err != nil || len(before[0].Plan.Columns) != len(after[0].Plan.Columns) {
					unknown++
					continue
				}
				h := compare.Hunt(context.Background(), before[0], after[0], compare.Options{Tries: tries, Seed: 77})
				trials += h.Tried
				mends++
				ids[f.Check.ID] = true
				if h.Difference != nil {
					t.Errorf("%s on %s changes the rows:\n%s\n%s\n%v\n%v\n%v", f.Check.ID, q.dialect, q.text, mended, h.Difference.Tables, h.Difference.Old, h.Difference.New)
				}
			}
		}
	}
	t.Logf("%d trials of %d mends of %d checks, %d mends could not be worked out", trials, mends, len(ids), unknown)
	require.Greater(t, trials, 10_000)
}

type caseQuery struct {
	dialect dialect.Dialect
	text    string
}

// casesOfAll lists the queries of examples and case files, each in its dialect, those of no dialect in
// several.
func casesOfAll(t *testing.T) (list []caseQuery) {
	add := func(d dialect.Dialect, query string) {
		upper := strings.ToUpper(query)
		if !containsAny(upper[:min(7, len(upper))], []string{"SELECT", "WITH", "VALUES", "UPDATE", "DELETE"}) {
			return
		}
		if d != dialect.ANSI {
			list = append(list, caseQuery{d, query})
			return
		}
		for _, d := range []dialect.Dialect{dialect.Postgres, dialect.MySQL, dialect.SQLite, dialect.SQLServer, dialect.Oracle, dialect.Spark} {
			list = append(list, caseQuery{d, query})
		}
	}
	for _, c := range checks.All() {
		for _, e := range c.Examples {
			if e.Version == 0 && !e.NoSchema {
				add(e.Dialect, e.Bad)
			}
		}
	}
	eachCaseFile(t, func(d dialect.Dialect, v dialect.Version, statements []string) {
		if v == 0 {
			for _, stmt := range statements {
				add(d, stmt)
			}
		}
	})
	return list
}
