package run_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/sample"
)

// BenchmarkRun runs a query of three joins and a GROUP BY on a made database of six tables with up
// to eight rows.
func BenchmarkRun(b *testing.B) {
	l := newLab(b, dialect.Postgres)
	plan := l.compile(b, `SELECT k.name, COUNT(*) AS inspections, SUM(i.mites) AS mites FROM keepers k
JOIN apiaries a ON a.keeper_id = k.keeper_id JOIN hives h ON h.apiary_id = a.apiary_id JOIN inspections i ON i.hive_id = h.hive_id
WHERE i.temper > 1 GROUP BY k.name HAVING COUNT(*) > 0 ORDER BY k.name`)
	data := run.Made(sample.Tables(l.tables, l.tables.Tables(), sample.Options{Seed: 4, Rows: 8, Dialect: dialect.Postgres}), dialect.Postgres)
	b.ReportAllocs()
	for b.Loop() {
		_, err := plan.Run(data, run.Limits{})
		require.NoError(b, err)
	}
	b.ReportMetric(float64(b.N)/b.Elapsed().Seconds(), "runs/s")
}

// BenchmarkHashJoin joins ten thousand rows with ten thousand by an equality.
func BenchmarkHashJoin(b *testing.B) {
	l := newLab(b, dialect.Postgres)
	plan := l.compile(b, "SELECT COUNT(*) AS n FROM hives h JOIN inspections i ON i.hive_id = h.hive_id")
	data := run.Database{}
	for _, t := range plan.Tables {
		for i := range int64(10_000) {
			row := make([]run.Value, len(t.Columns))
			row[0], row[1] = run.OfInt(i), run.OfInt(i)
			data[t] = append(data[t], row)
		}
	}
	for b.Loop() {
		result, err := plan.Run(data, run.Limits{})
		require.NoError(b, err)
		require.Equal(b, "10000", fmt.Sprint(result.Rows[0][0]))
	}
}
