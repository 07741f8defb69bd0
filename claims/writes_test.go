package claims

import (
	"fmt"
	"math/rand/v2"
	"slices"
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

// told gives what is told of a part of a text, but for the families and checks that are about
// what stands around it.
func told(t *testing.T, r *review.Reviewer, before, part, after string, around ...string) (all []string) {
	t.Helper()
	f, err := text.NewFile("part.sql", []byte(before+part+after))
	require.NoError(t, err)
	for _, found := range r.Review(f).Findings {
		from, to := int(found.Span.Start)-len(before), int(found.Span.End)-len(before)
		inside := 0 <= from && to <= len(part)
		if !inside && found.Check.Family() != "syntax" || slices.Contains(around, found.Check.ID) || slices.Contains(around, found.Check.Family()) {
			continue
		}
		all = append(all, fmt.Sprintf("%s %s at %d", found.Certainty, found.Check.ID, from))
	}
	return all
}

func demoReviewer(d dialect.Dialect) (*review.Reviewer, []*schema.Table) {
	tables := schema.New(nil)
	tables.SetWhole()
	tables.Load([]byte(demo.Schema()), d)
	return review.New(review.Options{Dialect: d, Schema: tables, Checks: checks.All(), Certainty: check.Likely}), tables.Tables()
}

// TestWritesAreLookedAtAsQueries asks that of the sources and conditions of a generated DELETE
// the same is told as of those of a SELECT, which other tests try on servers.
func TestWritesAreLookedAtAsQueries(t *testing.T) {
	t.Parallel()
	reviewer, tables := demoReviewer(dialect.MySQL)
	compared := 0
	for seed := range uint64(3000) {
		q := &querySource{Rand: rand.New(rand.NewPCG(seed, 7)), tables: tables, dialect: dialect.MariaDB}
		from, columns := q.from(1)
		words := strings.Fields(from)
		if words[0][0] == '(' {
			continue // no table to delete from
		}
		rest := from + q.where(columns, 1)
		others := []string{"write", "join.unused", "join.preserved-filter", "join.undone-by-join", "join.self-condition"} // of a SELECT only
		want := told(t, reviewer, "SELECT 1 AS one FROM ", rest, "", others...)
		compared += len(want)
		require.Equal(t, want, told(t, reviewer, "DELETE "+words[2]+" FROM ", rest, "", others...), rest)
	}
	require.Greater(t, compared, 1000)
}

// TestQueriesAreLookedAtWhereverTheyStand asks that of a generated query the same is told by
// itself and as a part of other statements, as testdata/wraps.txt has them: a dialect and a
// statement with @ for the query.
func TestQueriesAreLookedAtWhereverTheyStand(t *testing.T) {
	t.Parallel()
	for _, line := range lines(t, "testdata/wraps.txt", "--") {
		name, wrap, _ := strings.Cut(line, " ")
		d, err := dialect.Parse(name)
		require.NoError(t, err)
		before, after, found := strings.Cut(wrap, "@")
		require.True(t, found, line)
		reviewer, tables := demoReviewer(d)
		compared := 0
		for seed := range uint64(150) {
			q := &querySource{Rand: rand.New(rand.NewPCG(seed, 7)), tables: tables, dialect: dialect.MariaDB}
			query := q.query(1)
			others := []string{"name.duplicate-output", "rows.exists-uncorrelated"}
			if strings.Contains(wrap, "EXISTS") {
				others = append(others, "join.outer-undone", "join.undone-by-join") // it asks for rows with a partner
			}
			want := told(t, reviewer, "", query, "", others...)
			compared += len(want)
			require.Equal(t, want, told(t, reviewer, before, query, after, others...), "%s\n%s", line, query)
		}
		require.Greater(t, compared, 100)
	}
}
