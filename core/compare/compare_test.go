package compare_test

import (
	"context"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/compare"
	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
)

func read(t *testing.T, query string, d dialect.Dialect) compare.Side {
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()+"CREATE TABLE jars (jar_id integer PRIMARY KEY, grams integer, kg integer GENERATED ALWAYS AS (grams / 1000) STORED);"), d)
	queries := run.Read([]byte(query), d, 0, tables)
	require.Len(t, queries, 1)
	f, err := text.NewFile("q.sql", []byte(query))
	require.NoError(t, err)
	return compare.Side{Query: queries[0], File: f}
}

// TestQueries holds what is said of pairs, and on how few rows.
func TestQueries(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		name, old, new string
		dialect        dialect.Dialect
		word           compare.Word
		rows           int // shown, at the most
		part           run.StageKind
	}{
		{"a bound", "SELECT name FROM hives WHERE frame_count > 8", "SELECT name FROM hives WHERE frame_count >= 8", dialect.Postgres, compare.Differ, 1, run.FilterStage},
		{"a NULL", "SELECT name FROM hives WHERE moved_on <> '2026-05-01' OR moved_on = '2026-05-01'", "SELECT name FROM hives", dialect.MariaDB, compare.Differ, 1, run.FilterStage},
		{"a missing partner", "SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id", "SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id", dialect.SQLite, compare.Differ, 1, run.JoinStage},
		{"a double", "SELECT mites FROM inspections", "SELECT DISTINCT mites FROM inspections", dialect.Postgres, compare.Differ, 3, run.DistinctStage},
		{"letter case", "SELECT hive_id FROM hives WHERE name = 'ash'", "SELECT hive_id FROM hives WHERE UPPER(name) = 'ASH'", dialect.Postgres, compare.Differ, 1, run.FilterStage},
		{"letter case does not count", "SELECT hive_id FROM hives WHERE name = 'ash'", "SELECT hive_id FROM hives WHERE UPPER(name) = 'ASH'", dialect.MySQL, compare.NoneFound, 0, 0},
		{"whole numbers", "SELECT hive_id / 2 AS half FROM hives", "SELECT hive_id * 0.5 AS half FROM hives", dialect.SQLServer, compare.Differ, 1, run.ListStage},
		{"whole numbers divide", "SELECT hive_id / 2 AS half FROM hives", "SELECT hive_id * 0.5 AS half FROM hives", dialect.Oracle, compare.NoneFound, 0, 0},
		{"an empty text", "SELECT hive_id FROM hives WHERE name <> ''", "SELECT hive_id FROM hives", dialect.Oracle, compare.Differ, 1, run.FilterStage},
		{"an order", "SELECT hive_id FROM hives ORDER BY hive_id", "SELECT hive_id FROM hives ORDER BY hive_id DESC", dialect.Postgres, compare.Differ, 2, 0},
		{"parameters", "SELECT name FROM hives WHERE moved_on >= $1 AND apiary_id = $2", "SELECT name FROM hives WHERE moved_on > $1 AND apiary_id = $2", dialect.Postgres, compare.Differ, 1, run.FilterStage},
		{"parameters that only have another place", "SELECT name FROM hives WHERE moved_on >= $1 AND apiary_id = $2", "SELECT name FROM hives WHERE $2 = apiary_id AND $1 <= moved_on", dialect.Postgres, compare.Same, 0, 0},
		{"a series", "SELECT n FROM generate_series(1, 3) AS d (n)", "SELECT n FROM generate_series(1, 4) AS d (n)", dialect.Postgres, compare.Differ, 0, 0},
		{"rows that are deleted", "DELETE FROM inspections WHERE mites > 3", "DELETE FROM inspections WHERE mites >= 3", dialect.MySQL, compare.Differ, 1, run.FilterStage},
		{"an order in which rows are deleted", "DELETE FROM inspections WHERE mites > 3 ORDER BY mites", "DELETE FROM inspections WHERE mites > 3 ORDER BY mites DESC", dialect.MySQL, compare.NoneFound, 0, 0},
		{"the first that are deleted", "DELETE FROM inspections ORDER BY inspection_id LIMIT 1", "DELETE FROM inspections ORDER BY inspection_id DESC LIMIT 1", dialect.MySQL, compare.Differ, 2, 0},
		{"values that are written", "UPDATE hives SET frame_count = frame_count / 2", "UPDATE hives SET frame_count = frame_count * 0.5", dialect.SQLite, compare.Differ, 1, run.ListStage},
		{"a merge", "MERGE INTO queens q USING hives h ON h.queen_id = q.queen_id WHEN MATCHED AND h.frame_count > 9 THEN UPDATE SET colour = 'red'",
			"MERGE INTO queens q USING hives h ON h.queen_id = q.queen_id WHEN MATCHED AND h.frame_count >= 9 THEN UPDATE SET colour = 'red'", dialect.SQLServer, compare.Differ, 2, 0},
		{"a column that the database works out", "SELECT jar_id FROM jars WHERE kg > 1", "SELECT jar_id FROM jars WHERE kg >= 1", dialect.Postgres, compare.Unsaid, 0, 0},
		{"beside a column that the database works out", "SELECT jar_id FROM jars WHERE grams > 1", "SELECT jar_id FROM jars WHERE grams >= 1", dialect.Postgres, compare.Differ, 1, run.FilterStage},
		{"layout", "SELECT name FROM hives", "select name -- all\nfrom Hives", dialect.Postgres, compare.Same, 0, 0},
		{"aliases, BETWEEN, NOT, sides and order", "SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id WHERE h.frame_count BETWEEN 2 AND 8 AND NOT (q.bred_in > 2024)",
			"SELECT a.name FROM hives AS a, queens AS b WHERE (2024 >= b.bred_in) AND a.queen_id = b.queen_id AND a.frame_count <= 8 AND a.frame_count >= 2", dialect.Postgres, compare.Same, 0, 0},
		{"parentheses of arithmetic count", "SELECT (frame_count + hive_id) * 2 AS n FROM hives", "SELECT frame_count + hive_id * 2 AS n FROM hives", dialect.Postgres, compare.Differ, 1, run.ListStage},
		{"an outer join is no inner one", "SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id", "SELECT h.name FROM hives h, queens q WHERE q.queen_id = h.queen_id", dialect.Postgres, compare.Differ, 1, 0},
		{"a condition that is told twice", "SELECT name FROM hives WHERE hive_id = 1 OR hive_id = 2 OR hive_id = 1", "SELECT name FROM hives WHERE hive_id = 2 OR hive_id = 1", dialect.Postgres, compare.Same, 0, 0},
		{"a list of choices", "SELECT name FROM hives WHERE hive_id IN (2, 1) AND apiary_id NOT IN (3, 4)", "SELECT name FROM hives WHERE apiary_id <> 4 AND (hive_id = 1 OR hive_id = 2) AND 3 <> apiary_id", dialect.MySQL, compare.Same, 0, 0},
		{"a list with NULL", "SELECT name FROM hives WHERE apiary_id NOT IN (3, NULL)", "SELECT name FROM hives WHERE apiary_id <> 3", dialect.MySQL, compare.Differ, 1, run.FilterStage},
		{"a column of another source", "SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id", "SELECT q.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id", dialect.Postgres, compare.Differ, 2, run.ListStage},
		{"not the same width", "SELECT name FROM hives", "SELECT name, hive_id FROM hives", dialect.Postgres, compare.Differ, 0, 0},
		{"what is not known", "SELECT soundex(name) AS s FROM hives", "SELECT name AS s FROM hives", dialect.Postgres, compare.Unsaid, 0, 0},
	} {
		t.Run(c.name, func(t *testing.T) {
			t.Parallel()
			found := compare.Queries(context.Background(), read(t, c.old, c.dialect), read(t, c.new, c.dialect), nil, compare.Options{Tries: 3000})
			require.Equal(t, c.word, found.Word, "%+v", found.Hunted)
			d := found.Hunted.Difference
			if d == nil {
				require.Zero(t, c.rows)
				return
			}
			rows := 0
			for _, made := range d.Tables {
				rows += len(made.Rows)
			}
			require.LessOrEqual(t, rows, c.rows)
			if c.part != 0 {
				require.NotNil(t, found.Parting)
				step := found.Parting.New
				if step == nil {
					step = found.Parting.Old
				}
				require.Equal(t, c.part, step.Kind)
			}
		})
	}
}

// BenchmarkHunt looks for a difference that there is not, in a thousand databases.
func BenchmarkHunt(b *testing.B) {
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), dialect.Postgres)
	queries := run.Read([]byte(`SELECT h.name, COUNT(*) AS n FROM hives h JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 3 GROUP BY h.name;
SELECT h.name, COUNT(*) AS n FROM hives h JOIN inspections i ON i.hive_id = h.hive_id WHERE NOT i.mites <= 3 GROUP BY h.name;`), dialect.Postgres, 0, tables)
	for b.Loop() {
		h := compare.Hunt(context.Background(), queries[0], queries[1], compare.Options{Tries: 1000})
		require.Nil(b, h.Difference)
		require.Greater(b, h.Tried, 900)
	}
}

// TestRowsThatAreLeftOpenAreShown looks for two results that a database is free to give of one query.
func TestRowsThatAreLeftOpenAreShown(t *testing.T) {
	written := read(t, "SELECT name FROM hives LIMIT 1", dialect.Postgres)
	found := compare.Show(context.Background(), written.Query, read(t, "SELECT name FROM hives ORDER BY hive_id LIMIT 1", dialect.Postgres).Query)
	require.NotNil(t, found.Difference, found.Why)
	d := found.Difference
	require.True(t, d.Either)
	require.Len(t, d.Tables[0].Rows, 2)
	require.NotEmpty(t, compare.Only(d.Old, d.New))
	require.Equal(t, d.Old, d.Meant)
	found = compare.Show(context.Background(), written.Query, written.Query)
	require.True(t, found.Difference.Either)
	require.Empty(t, found.Difference.Meant, "what is meant is open, too")
}

// TestRowsThatEndAQueryAreShown looks for rows on which a query as written ends with an error.
func TestRowsThatEndAQueryAreShown(t *testing.T) {
	found := compare.Show(context.Background(), read(t, "SELECT 10 / frame_count AS x FROM hives", dialect.Postgres).Query,
		read(t, "SELECT 10 / NULLIF(frame_count, 0) AS x FROM hives", dialect.Postgres).Query)
	require.NotNil(t, found.Difference, found.Why)
	require.ErrorContains(t, found.Difference.Stopped, "division by zero")
	require.Len(t, found.Difference.New, 1)
}
