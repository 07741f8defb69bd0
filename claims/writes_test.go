package claims

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
)

// TestWritesAreLookedAtAsQueries asks that of the sources and conditions of a generated DELETE
// the same is told as of those of a SELECT, which other tests try on servers.
func TestWritesAreLookedAtAsQueries(t *testing.T) {
	t.Parallel()
	tables := schema.New(nil)
	tables.SetWhole()
	tables.Load([]byte(demo.Schema()), dialect.MySQL)
	reviewer := review.New(review.Options{Dialect: dialect.MySQL, Schema: tables, Checks: checks.All(), Certainty: check.Possible})
	told := func(before, rest string) (all []string) {
		f, err := text.NewFile("writes.sql", []byte(before+rest))
		require.NoError(t, err)
		for _, found := range reviewer.Review(f).Findings {
			if at := int(found.Span.Start) - len(before); at >= 0 && found.Check.Family() != "write" && (found.Check.Family() != "join" || found.Check.ID == "join.outer-undone") {
				all = append(all, fmt.Sprintf("%s %s at %d", found.Certainty, found.Check.ID, at))
			}
		}
		return all
	}
	compared := 0
	for seed := range uint64(3000) {
		q := &querySource{Rand: rand.New(rand.NewPCG(seed, 7)), tables: tables.Tables(), dialect: dialect.MariaDB}
		from, columns := q.from(1)
		words := strings.Fields(from)
		if words[0][0] == '(' {
			continue // no table to delete from
		}
		rest := from + q.where(columns, 1)
		want := told("SELECT 1 AS one FROM ", rest)
		compared += len(want)
		require.Equal(t, want, told("DELETE "+words[2]+" FROM ", rest), rest)
	}
	require.Greater(t, compared, 1000)
}
