package claims

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/text"
)

// mendTrials is how many generated queries are reviewed for each server.
var mendTrials = map[dialect.Dialect]int{dialect.SQLite: 6000, dialect.Postgres: 3000, dialect.MariaDB: 3000}

// TestMendsOnGeneratedRows reviews generated queries on generated rows: what is said
// to be refused the server refuses, and a mend that is said to keep the rows does.
func TestMendsOnGeneratedRows(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		f := openFacts(t, s)
		reviewer := review.New(review.Options{Dialect: s.dialect, Schema: f.tables, Checks: checks.All(), Certainty: check.Possible})
		tried, mended, refused := 0, map[string]int{}, 0
		for seed := uint64(1000); tried < mendTrials[s.dialect]; seed++ {
			f.refill(seed)
			q := &querySource{Rand: rand.New(rand.NewPCG(seed, 9)), tables: f.all, dialect: s.dialect}
			for range 200 {
				query := q.query(2)
				tried++
				if strings.Contains(query, "LIMIT") || strings.Contains(query, "ROW_NUMBER") {
					continue // which rows come out may depend on chance
				}
				file, err := text.NewFile("query.sql", []byte(query))
				require.NoError(t, err)
				for _, found := range reviewer.Review(file).Findings {
					before, err := s.rows(query)
					if found.Consequence == check.Refused && found.Certainty > check.Possible {
						refused++
						require.Error(t, err, "%s says that %s refuses %s", found.Check.ID, s.dialect, query)
					}
					if err != nil {
						break // at run time, perhaps
					}
					for _, m := range found.Mends {
						if m.Effect != check.SameRows || len(m.Edits) == 0 {
							continue
						}
						out, err := text.Apply([]byte(query), slices.Clone(m.Edits))
						require.NoError(t, err)
						after, err := s.rows(string(out))
						require.NoError(t, err, "the mend %q of %s on %s: %s", m.Title, found.Check.ID, s.dialect, out)
						require.Equal(t, before, after, "the mend %q of %s on %s changes the rows of %s to those of %s", m.Title, found.Check.ID, s.dialect, query, out)
						mended[found.Check.ID]++
					}
				}
			}
		}
		t.Logf("%d queries, %d findings of refused; mends that keep the rows: %v", tried, refused, mended)
		require.GreaterOrEqual(t, len(mended), 3)
	})
}
