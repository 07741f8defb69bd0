package follow_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/follow"
	"justlens/core/run"
	"justlens/core/schema"
)

const tables = `CREATE TABLE hives (hive_id integer PRIMARY KEY, name varchar(40) NOT NULL, queen_id integer);
CREATE TABLE queens (queen_id integer PRIMARY KEY, colour varchar(10));
CREATE TABLE inspections (inspection_id integer PRIMARY KEY, hive_id integer NOT NULL, mites integer);
INSERT INTO hives VALUES (1, 'Ash', 1), (2, 'Box', NULL), (3, 'Cob', 1);
INSERT INTO queens VALUES (1, 'blue'), (2, NULL);
INSERT INTO inspections VALUES (1, 1, 7), (2, 1, 2), (3, 2, NULL), (4, 3, 1);`

// TestSteps holds what is said of steps, and what they count.
func TestSteps(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		query  string
		step   int // from 0
		does   string
		counts follow.Counts // In, Out, False, Unknown, Alone, AloneRight, Filled, Most
	}{
		{"SELECT h.name FROM hives h", 0, "reads hives: one row for each hive_id", follow.Counts{In: 3, Out: 3}},
		{"SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id", 1, "meets one row of q at the most", follow.Counts{In: 3, Out: 2, Alone: 1, AloneRight: 1, Most: 1}},
		{"SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id", 1, "every column of q may be NULL", follow.Counts{In: 3, Out: 3, AloneRight: 1, Filled: 1, Most: 1}},
		{"SELECT h.name FROM hives h JOIN inspections i ON i.hive_id = h.hive_id", 1, "once for every row of i that it meets", follow.Counts{In: 4, Out: 4, Most: 2}},
		{"SELECT h.name FROM hives h RIGHT JOIN queens q USING (queen_id)", 1, "a row of q without partner stays", follow.Counts{In: 4, Out: 3, Alone: 1, Filled: 1, Most: 1}},
		{"SELECT hive_id FROM inspections WHERE mites > 1 AND hive_id < 3", 1, "where mites is NULL it is unknown", follow.Counts{In: 4, Out: 2, False: 1, Unknown: 1}},
		{"SELECT hive_id FROM inspections WHERE mites IS NULL", 1, "keeps the rows for which it is true", follow.Counts{In: 4, Out: 1, False: 3}},
		{"SELECT hive_id, COUNT(*) AS n FROM inspections GROUP BY hive_id", 1, "one row for each hive_id", follow.Counts{In: 4, Out: 3}},
		{"SELECT mites, COUNT(*) AS n FROM inspections GROUP BY mites", 1, "the rows whose mites is NULL make a group as well", follow.Counts{In: 4, Out: 4}},
		{"SELECT COUNT(*) AS n FROM inspections HAVING COUNT(*) > 9", 2, "keeps the groups", follow.Counts{In: 1, Out: 0, False: 1}},
		{"SELECT DISTINCT queen_id FROM hives", 2, "rows that are alike", follow.Counts{In: 3, Out: 2, False: 1}},
		{"SELECT name FROM hives UNION SELECT name FROM hives", 4, "rows that are alike come once", follow.Counts{In: 6, Out: 3, False: 3}},
		{"SELECT name FROM hives ORDER BY name LIMIT 2", 3, "the first rows of the order", follow.Counts{In: 3, Out: 2, False: 1}},
		{"SELECT name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.hive_id = h.hive_id)", 1, "the query in EXISTS of inspections is worked out for each row, with its h.hive_id", follow.Counts{In: 3, Out: 3}},
		{"SELECT name FROM hives h WHERE h.hive_id IN (SELECT hive_id FROM inspections WHERE mites > 3)", 1, "the query in IN of inspections is worked out once", follow.Counts{In: 3, Out: 1, False: 2}},
		{"SELECT name, (SELECT MAX(mites) FROM inspections i WHERE i.hive_id = h.hive_id) AS m FROM hives h", 1, "the query for a value of inspections is worked out for each row, with its h.hive_id", follow.Counts{In: 3, Out: 3}},
		{"DELETE FROM inspections WHERE mites < 3", 1, "keeps the rows", follow.Counts{In: 4, Out: 2, False: 1, Unknown: 1}},
	} {
		s := schema.New(nil)
		s.Load([]byte(tables), dialect.Postgres)
		data, err := run.Inserts([]byte(tables), dialect.Postgres, 0, s)
		require.NoError(t, err)
		queries := run.Read([]byte(c.query), dialect.Postgres, 0, s)
		require.Len(t, queries, 1)
		f := follow.Read(queries[0])
		f.Run(data, run.Limits{})
		require.NoError(t, f.Err, c.query)
		step := f.Steps[c.step]
		require.Contains(t, strings.Join(step.Does, "\n"), c.does, c.query)
		got := *step.Counts
		got.Kept, got.Lost, got.Nulls, got.Asked = nil, nil, nil, nil
		require.Equal(t, c.counts, got, c.query)
	}
}

// TestColumnsAndExamples holds what is said of a result, and of a query in an expression.
func TestColumnsAndExamples(t *testing.T) {
	t.Parallel()
	s := schema.New(nil)
	s.Load([]byte(tables), dialect.Postgres)
	data, err := run.Inserts([]byte(tables), dialect.Postgres, 0, s)
	require.NoError(t, err)
	for query, want := range map[string][]string{
		"SELECT hive_id, name FROM hives":                                               {"hive_id, integer, never NULL", "name, text, never NULL", "one row for each hive_id"},
		"SELECT queen_id FROM hives":                                                    {"queen_id, integer, may be NULL", "rows may be alike"},
		"SELECT COUNT(*) AS n FROM hives":                                               {"n, integer, never NULL", "one row at the most"},
		"SELECT DISTINCT name, queen_id FROM hives":                                     {"name, text, never NULL", "queen_id, integer, may be NULL", "one row for each name and queen_id"},
		"SELECT hive_id, mites, COUNT(*) AS n FROM inspections GROUP BY hive_id, mites": {"hive_id, integer, never NULL", "mites, integer, may be NULL", "n, integer, never NULL", "one row for each hive_id and mites"},
	} {
		require.Equal(t, want, follow.Read(run.Read([]byte(query), dialect.Postgres, 0, s)[0]).Columns, query)
	}
	f := follow.Read(run.Read([]byte("SELECT name FROM hives h WHERE 1 < (SELECT MAX(mites) FROM inspections i WHERE i.hive_id = h.hive_id)"), dialect.Postgres, 0, s)[0])
	f.Run(data, run.Limits{})
	require.NoError(t, f.Err)
	require.Equal(t, []string{"where h.hive_id is 1, it gives 7"}, f.Steps[1].Counts.Asked)
}
