package claims

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/reason"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// reasonCases is how many predicates each server is asked.
const reasonCases = 105_000

// TestReasonOnServers generates predicates of one column and asks the server for
// which of the rows of a table each is true. What reasoning says of one, or of
// two side by side, must agree.
func TestReasonOnServers(t *testing.T) {
	for _, d := range []dialect.Dialect{dialect.Postgres, dialect.SQLite} {
		t.Run(d.String(), func(t *testing.T) {
			s := open(t, d)
			const table = "CREATE TEMPORARY TABLE points (x decimal(8,2), w varchar(10), d date)"
			_, err := s.db.Exec(table)
			require.NoError(t, err)
			tables := schema.New(nil)
			tables.Load([]byte(table), d)
			columns := map[string][]string{
				"x": {"NULL", "-1", "0", "0.5", "1", "1.5", "2", "2.5", "3", "3.5", "4", "5", "99"},
				"w": {"NULL", "'ash'", "'Ash'", "'box'", "'cob'", "'dun'", "''", "'zz'"},
				"d": {"NULL", "'2025-12-31'", "'2026-01-01'", "'2026-01-02'", "'2026-01-03'", "'2026-01-04'", "'2026-02-01'"},
			}
			r := rand.New(rand.NewPCG(11, uint64(d)))
			tried, yes := 0, 0
			for tried < reasonCases {
				column := []string{"x", "x", "w", "d"}[r.IntN(4)]
				if column == "d" && d == dialect.SQLite {
					column = "x" // which has no dates
				}
				batch := make([]string, 300)
				for i := range batch {
					batch[i] = predicateText(r, column, 2)
				}
				truths := s.truths(t, column, columns[column], batch)
				yes += agree(t, d, tables, batch, truths)
				tried += len(batch)
			}
			t.Logf("%d predicates, %d answers of yes", tried, yes)
			require.Greater(t, yes, tried/10)
		})
	}
}

// predicateText writes a condition on a column.
func predicateText(r *rand.Rand, column string, depth int) string {
	constant := func() string {
		switch column {
		case "w":
			return []string{"'ash'", "'box'", "'cob'", "'dun'", "'Ash'"}[r.IntN(5)]
		case "d":
			return fmt.Sprintf("DATE '2026-01-0%d'", 1+r.IntN(4))
		}
		return []string{"0", "1", "2", "3", "4", "1.5", "2.5", "-1"}[r.IntN(8)]
	}
	if depth > 0 {
		switch r.IntN(6) {
		case 0, 1:
			return fmt.Sprintf("(%s) AND (%s)", predicateText(r, column, depth-1), predicateText(r, column, depth-1))
		case 2, 3:
			return fmt.Sprintf("(%s) OR (%s)", predicateText(r, column, depth-1), predicateText(r, column, depth-1))
		case 4:
			return fmt.Sprintf("NOT (%s)", predicateText(r, column, depth-1))
		}
	}
	op := []string{"=", "<>", "<", "<=", ">", ">="}[r.IntN(6)]
	if column == "w" {
		op = []string{"=", "<>"}[r.IntN(2)]
	}
	switch r.IntN(8) {
	case 0:
		return column + " IS NULL"
	case 1:
		return column + " IS NOT NULL"
	case 2:
		return fmt.Sprintf("%s IN (%s, %s)", column, constant(), constant())
	case 3:
		return fmt.Sprintf("%s NOT IN (%s, %s)", column, constant(), constant())
	case 4:
		if column != "w" {
			return fmt.Sprintf("%s BETWEEN %s AND %s", column, constant(), constant())
		}
	case 5:
		return fmt.Sprintf("%s %s %s", constant(), op, column)
	}
	return fmt.Sprintf("%s %s %s", column, op, constant())
}

// truths gives for each predicate the rows that it is true for.
func (s *server) truths(t *testing.T, column string, values, batch []string) [][]bool {
	t.Helper()
	_, err := s.db.Exec("DELETE FROM points")
	require.NoError(t, err)
	for _, v := range values {
		_, err := s.db.Exec(fmt.Sprintf("INSERT INTO points (%s) VALUES (%s)", column, v))
		require.NoError(t, err)
	}
	var list []string
	for _, p := range batch {
		list = append(list, fmt.Sprintf("CASE WHEN %s THEN 1 ELSE 0 END", p))
	}
	rows, err := s.db.Query("SELECT " + strings.Join(list, ", ") + " FROM points")
	require.NoError(t, err)
	defer rows.Close()
	out := make([][]bool, len(batch))
	for rows.Next() {
		values, into := make([]int, len(batch)), make([]any, len(batch))
		for i := range values {
			into[i] = &values[i]
		}
		require.NoError(t, rows.Scan(into...))
		for i, v := range values {
			out[i] = append(out[i], v == 1)
		}
	}
	require.NoError(t, rows.Err())
	return out
}

// agree holds the answers against the truths and counts those of yes.
func agree(t *testing.T, d dialect.Dialect, tables *schema.Schema, batch []string, truths [][]bool) int {
	t.Helper()
	src := []byte("SELECT 1 FROM points WHERE " + strings.Join(batch, " UNION SELECT 1 FROM points WHERE "))
	parser := syntax.NewParser(syntax.NewNames())
	names := syntax.NewNames()
	parser = syntax.NewParser(names)
	parser.Reset(src, d)
	stmt := parser.Next()
	require.Empty(t, stmt.Errors)
	binder := bind.NewBinder(names)
	binder.Reset(src, d, tables)
	in := binder.Bind(stmt)
	var found []reason.Predicate
	var known []int
	n := 0
	syntax.Inspect(stmt.Node, func(node syntax.Node) bool {
		if w, ok := node.(*syntax.Where); ok {
			if p, ok := reason.Of(in, w.Cond); ok {
				found, known = append(found, p), append(known, n)
			}
			n++
		}
		return true
	})
	require.Equal(t, len(batch), n)
	yes := 0
	all := func(rows []bool, want bool) bool {
		for _, v := range rows {
			if v != want {
				return false
			}
		}
		return true
	}
	for i, p := range found {
		text, rows := batch[known[i]], truths[known[i]]
		if p.NeverTrue() {
			yes++
			require.True(t, all(rows, false), "%s is said to be never true: %s", d, text)
		}
		if p.AlwaysTrue(false) {
			yes++
			require.True(t, all(rows, true), "%s is said to be always true: %s", d, text)
		} else if p.AlwaysTrue(true) {
			yes++
			require.True(t, all(rows[1:], true), "%s is said to be true but for NULL: %s", d, text)
		}
		if i == 0 {
			continue
		}
		q, other := found[i-1], truths[known[i-1]]
		if p.Implies(in, q) {
			yes++
			for k := range rows {
				require.False(t, rows[k] && !other[k], "%s: %s is said to imply %s", d, text, batch[known[i-1]])
			}
		}
		if p.Excludes(in, q) {
			yes++
			for k := range rows {
				require.False(t, rows[k] && other[k], "%s: %s is said to exclude %s", d, text, batch[known[i-1]])
			}
		}
	}
	return yes
}
