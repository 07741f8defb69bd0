package review_test

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
	"justlens/demo"
)

// season gives about size bytes of statements that no check finds fault with.
func season(size int) []byte {
	const statement = `-- round %[1]d of the season
SELECT h.hive_id, h.name, COUNT(i.inspection_id) AS rounds, AVG(i.mites) AS mites
FROM hives AS h
LEFT JOIN inspections AS i ON i.hive_id = h.hive_id AND i.inspected_at >= '2026-01-01'
WHERE h.apiary_id IN (1, 2, %[1]d) AND (h.moved_on IS NULL OR h.moved_on < '2026-05-01')
GROUP BY h.hive_id, h.name
HAVING COUNT(i.inspection_id) > 3
ORDER BY mites DESC, h.name;
INSERT INTO harvests (harvest_id, hive_id, taken_on, weight_kg) VALUES (%[1]d, 7, '2026-07-14', 12.75);
UPDATE hives SET moved_on = '2026-04-11', frame_count = frame_count + 2 WHERE hive_id = %[1]d;
`
	var b strings.Builder
	for i := 1; b.Len() < size; i++ {
		fmt.Fprintf(&b, statement, i)
	}
	return []byte(b.String())
}

func bees() *schema.Schema {
	tables := schema.New(nil)
	tables.SetWhole()
	tables.Load([]byte(demo.Schema()), dialect.Postgres)
	return tables
}

func BenchmarkReview(b *testing.B) {
	src := season(1 << 20)
	r := review.New(review.Options{Dialect: dialect.Postgres, Schema: bees(), Certainty: check.Likely, Checks: checks.All()})
	b.SetBytes(int64(len(src)))
	b.ReportAllocs()
	for b.Loop() {
		f, err := text.NewFile("season.sql", src)
		if err != nil {
			b.Fatal(err)
		}
		if found := r.Review(f).Findings; len(found) > 0 {
			b.Fatal(found[0].Message)
		}
	}
}

// BenchmarkBinding gives what binding costs beside parsing, and the whole review
// beside both: each by its fastest of many turns, taken in alternation.
func BenchmarkBinding(b *testing.B) {
	src := season(1 << 17)
	tables := bees()
	names := syntax.NewNames()
	p, binder := syntax.NewParser(names), bind.NewBinder(names)
	r := review.New(review.Options{Dialect: dialect.Postgres, Schema: tables, Certainty: check.Likely, Checks: checks.All()})
	turns := [3]func(){
		func() {
			p.Reset(src, dialect.Postgres)
			for p.Next() != nil {
			}
		},
		func() {
			p.Reset(src, dialect.Postgres)
			binder.Reset(src, dialect.Postgres, tables)
			for stmt := p.Next(); stmt != nil; stmt = p.Next() {
				binder.Bind(stmt)
			}
		},
		func() {
			f, err := text.NewFile("season.sql", src)
			if err == nil {
				r.Review(f)
			}
		},
	}
	best := [3]time.Duration{time.Hour, time.Hour, time.Hour}
	for b.Loop() {
		for i, turn := range turns {
			start := time.Now()
			turn()
			best[i] = min(best[i], time.Since(start))
		}
	}
	b.ReportMetric(float64(best[1]-best[0])/float64(best[0]), "binding/parsing")
	b.ReportMetric(float64(best[2])/float64(best[0]), "review/parsing")
}
