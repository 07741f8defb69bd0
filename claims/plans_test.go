package claims

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/text"
)

// manyRows fills the demo's tables so that a scan costs more than a search, and indexes their columns.
func manyRows(t *testing.T, s *server) {
	t.Helper()
	run := func(stmt string) {
		_, err := s.db.Exec(stmt)
		require.NoError(t, err, stmt)
	}
	var tables []*schema.Table
	tables = append(tables, demoTables(s.dialect).Tables()...)
	for _, table := range tables {
		for _, c := range table.Columns {
			run(fmt.Sprintf("CREATE INDEX by_%s_%s ON %s (%s)", table.Name, c.Name, table.Name, c.Name))
		}
	}
	numbers := "WITH RECURSIVE n (i) AS (SELECT 1001 UNION ALL SELECT i + 1 FROM n WHERE i < 6000) "
	for _, fill := range []string{
		"queens (queen_id, name, bred_in, colour) SELECT i, %s, 1900 + i %% 130, 'white' FROM n",
		"hives (hive_id, name, apiary_id, keeper_id, queen_id, frame_count, moved_on) SELECT i, %s, 1, 1, i, i %% 40, %s FROM n",
		"inspections (inspection_id, hive_id, keeper_id, inspected_at, mites, temper, remark) SELECT i, i, 1, %[2]s, i %% 30, 1 + i %% 5, %[1]s FROM n",
		"harvests (harvest_id, hive_id, taken_on, weight_kg, moisture) SELECT i, i, %[2]s, i %% 60, 15 FROM n",
		"treatments (treatment_id, hive_id, treated_on, substance, dose_ml) SELECT i, i, %[2]s, %[1]s, 5 FROM n",
	} {
		name, day := "'n' || i", "date '2000-01-01' + i % 9000"
		if s.dialect == dialect.SQLite {
			day = "date('2000-01-01', (i % 9000) || ' days')"
		}
		if strings.Contains(fill, "%s") {
			fill = strings.Replace(strings.Replace(fill, "%s", name, 1), "%s", day, 1)
		}
		fill = strings.NewReplacer("%[1]s", name, "%[2]s", day, "%%", "%").Replace(fill)
		table, query, _ := strings.Cut(fill, " SELECT ")
		if s.dialect == dialect.SQLite {
			run(numbers + "INSERT INTO " + table + " SELECT " + query)
		} else {
			run("INSERT INTO " + table + " " + numbers + "SELECT " + query)
		}
	}
	run("ANALYZE")
}

// cost gives what a plan costs: PostgreSQL's estimate, or of SQLite how many tables are scanned.
func cost(t *testing.T, s *server, query string) (float64, string) {
	t.Helper()
	if s.dialect == dialect.Postgres {
		rows, err := s.db.Query("EXPLAIN " + query)
		require.NoError(t, err, query)
		defer rows.Close()
		total, plan := 0.0, ""
		for rows.Next() {
			var line string
			require.NoError(t, rows.Scan(&line))
			if plan == "" {
				_, rest, _ := strings.Cut(line, "..")
				_, err := fmt.Sscanf(rest, "%f", &total)
				require.NoError(t, err, line)
			}
			plan += line + "\n"
		}
		return total, plan
	}
	rows, err := s.db.Query("EXPLAIN QUERY PLAN " + query)
	require.NoError(t, err, query)
	defer rows.Close()
	scans, plan := 0.0, ""
	for rows.Next() {
		var id, parent, unused int
		var line string
		require.NoError(t, rows.Scan(&id, &parent, &unused, &line))
		if strings.HasPrefix(line, "SCAN") {
			scans++
		}
		plan += line + "\n"
	}
	return scans, plan
}

// clever are the checks of examples that these planners serve by an index all the same (a condition
// moved to WHERE, two indexes joined, one read to a place), so that the check is about others, or
// about what is read besides.
var clever = []string{"group.having-as-where", "index.or-across", "index.deep-offset"}

// unseen are those whose mends spare work that PostgreSQL's estimate does not show.
var unseen = []string{"group.having-as-where", "null.needless-coalesce"}

// TestSlowExamplesCostMore asks for the plans of the examples that are said to be slow, on tables with
// rows and an index on each column: they scan a table, and their mends cost less.
func TestSlowExamplesCostMore(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		if s.dialect == dialect.MariaDB {
			t.Skip("whose plans tell no cost")
		}
		manyRows(t, s)
		scanned, cheaper := 0, 0
		for _, c := range checks.All() {
			for _, e := range c.Examples {
				if e.Bad == "" || !runsOn(e, s.dialect) || !tried(e.Bad, s.dialect) || len(statements([]byte(e.Bad), s.dialect)) > 1 {
					continue
				}
				for _, f := range findings(t, s.dialect, []*check.Check{c}, e.Bad) {
					if f.Consequence != check.Slow {
						continue
					}
					before, plan := cost(t, s, e.Bad)
					if !slices.Contains(clever, c.ID) {
						scanned++
						require.True(t, strings.Contains(plan, "Seq Scan") || strings.Contains(plan, "SCAN"), "%s: %s\n%s", c.ID, e.Bad, plan)
					}
					for _, m := range f.Mends {
						if len(m.Edits) == 0 {
							continue
						}
						mended, err := text.Apply([]byte(e.Bad), m.Edits)
						require.NoError(t, err)
						after, better := cost(t, s, string(mended))
						require.LessOrEqual(t, after, before, "%s: %s\n%s%s", c.ID, mended, plan, better)
						if s.dialect == dialect.Postgres && !slices.Contains(unseen, c.ID) {
							cheaper++
							require.Less(t, after, before, "%s: %s\n%s%s", c.ID, mended, plan, better)
						}
					}
				}
			}
		}
		t.Logf("%s: %d examples scan a table, the mends of %d cost less", s.dialect, scanned, cheaper)
		require.Greater(t, scanned, 10)
	})
}
