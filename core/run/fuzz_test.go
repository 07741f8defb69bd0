package run_test

import (
	"errors"
	"testing"

	"justlens/core/dialect"
	"justlens/core/fault"
	"justlens/core/run"
	"justlens/core/sample"
)

// FuzzRun compiles and runs whatever queries a text has, on made rows: what is not known is named, and
// the program has no fault.
func FuzzRun(f *testing.F) {
	for _, query := range []string{
		"SELECT name, COUNT(*) FROM hives GROUP BY name HAVING COUNT(*) > 1 ORDER BY 2 LIMIT 3",
		"WITH RECURSIVE c AS (SELECT 1 AS n UNION ALL SELECT n + 1 FROM c WHERE n < 5) SELECT * FROM c",
		"SELECT h.*, RANK() OVER (PARTITION BY apiary_id ORDER BY frame_count) FROM hives h LEFT JOIN queens q USING (queen_id)",
		"SELECT name FROM hives WHERE (SELECT MAX(mites) FROM inspections i WHERE i.hive_id = hives.hive_id) IN (1, NULL) OR name LIKE '%a_'",
		"UPDATE hives SET frame_count = frame_count / 0 WHERE name = 'x' || 'y'",
		"DELETE FROM sales USING buyers WHERE buyers.buyer_id = sales.buyer_id",
		"SELECT CASE WHEN 1 THEN '2026-01-30' + INTERVAL 1 DAY END, SUBSTRING(name FROM 2), EXTRACT(YEAR FROM moved_on) FROM hives GROUP BY ROLLUP (name)",
		"SELECT DISTINCT ON (1) name FROM hives FULL JOIN (VALUES (1)) AS d (n) ON TRUE UNION SELECT '1' EXCEPT SELECT $1",
		"SELECT name ~ '^[a-m]+(x|y)?$', name SIMILAR TO '%a_', REGEXP_REPLACE(name, '[l-z]+', '-', 'g') FROM hives WHERE name COLLATE \"C\" < 'f' ORDER BY name COLLATE \"C\"",
		"SELECT u.x, array_agg(h.hive_id ORDER BY h.name), (ARRAY[1, 2])[h.hive_id] FROM hives h, unnest(ARRAY[h.hive_id, 7]) WITH ORDINALITY AS u(x, n) WHERE h.hive_id = ANY ('{1,2}') GROUP BY 1, 3",
		"SELECT PERCENTILE_CONT(0.5) WITHIN GROUP (ORDER BY frame_count), (SELECT COUNT(*) FROM queens q WHERE q.queen_id < MAX(h.hive_id)) FROM hives h GROUP BY apiary_id",
		"SELECT generate_series(1, 3), unnest(ARRAY[1]) FROM generate_series('2026-01-01'::date, '2026-02-01', '1 week') AS d",
		"SELECT h.name FROM hives h, queens q WHERE q.queen_id(+) = h.queen_id AND ROWNUM <= 2 AND (h.hive_id, (1, 2)) <> (q.queen_id, (3, NULL))",
		"UPDATE hives h JOIN queens q ON q.queen_id = h.queen_id SET h.name = INSERT(h.name, 2, 1, q.name), h.moved_on = '26-5-1' ORDER BY 1 LIMIT 2",
		"SELECT moved_on > '2026-06-31', moved_on = 20260501, STR_TO_DATE('1/2/2026', '%d/%m/%Y'), STDDEV(frame_count), HEX(name) FROM hives GROUP BY moved_on",
	} {
		f.Add(query, uint8(dialect.Postgres))
		f.Add(query, uint8(dialect.MySQL))
		f.Add(query, uint8(dialect.Oracle))
	}
	labs := map[dialect.Dialect]*lab{}
	for _, d := range dialect.All() {
		labs[d] = newLab(f, d)
	}
	f.Fuzz(func(t *testing.T, query string, of uint8) {
		d := dialect.All()[int(of)%len(dialect.All())]
		l := labs[d]
		data := run.Made(sample.Tables(l.tables, l.tables.Tables(), sample.Options{Seed: 3, Rows: 4, Dialect: d}), d)
		for _, q := range run.Read([]byte(query), d, 0, l.tables) {
			err := q.Err
			if q.Plan != nil {
				_, err = q.Plan.Run(data, run.Limits{Rows: 2000, Steps: 20_000, Depth: 50})
			}
			var caught *fault.Fault
			if errors.As(err, &caught) {
				t.Fatal(err)
			}
		}
	})
}
