package claims

import (
	"fmt"
	"math/rand/v2"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/schema"
)

// changes are statements that change tables, by the dialect: a line each, in which c stands for
// a column and t for the type of one.
func changes(t *testing.T, d dialect.Dialect) []string {
	data, err := os.ReadFile("testdata/schema/changes." + d.String() + ".txt")
	require.NoError(t, err)
	return strings.Split(strings.TrimSpace(string(data)), "\n")
}

// TestChangesAsServersMakeThem makes scripts of changes, leaves out what the server refuses,
// and asks that the text and the server tell the same of the tables in the end.
func TestChangesAsServersMakeThem(t *testing.T) {
	for _, d := range []dialect.Dialect{dialect.Postgres, dialect.MariaDB, dialect.SQLite} {
		t.Run(d.String(), func(t *testing.T) {
			s := newShelf(t, d)
			random := rand.New(rand.NewPCG(1, uint64(d)))
			pool := changes(t, d)
			taken := map[string]int{}
			for range scripts() {
				s.fill(t, "DROP TABLE IF EXISTS boxes;\nDROP TABLE IF EXISTS hives")
				script := []string{"CREATE TABLE hives (a integer NOT NULL, b varchar(20) DEFAULT 'x', c integer)"}
				s.fill(t, script[0])
				for range 14 {
					line := pool[random.IntN(len(pool))]
					stmt := filled(line, random)
					if _, err := s.db.Exec(stmt); err == nil {
						script = append(script, stmt)
						taken[line]++
					}
				}
				told := schema.New(nil)
				told.Load([]byte(strings.Join(script, ";\n")+";"), d)
				require.Equal(t, outline(s.read(t)), outline(told), "%s\n%s", strings.Join(script, ";\n"), told.Problems)
			}
			for _, line := range pool {
				require.Positive(t, taken[line], "the server takes it now and then: %s", line)
			}
		})
	}
}

// scripts is how many there are of each dialect; JUSTLENS_CHANGES tells otherwise.
func scripts() int {
	if n, err := strconv.Atoi(os.Getenv("JUSTLENS_CHANGES")); err == nil {
		return n
	}
	return 150
}

// filled puts columns and types into a template.
func filled(line string, random *rand.Rand) string {
	words := strings.Fields(line)
	for i, w := range words {
		bare := strings.Trim(w, "(),")
		switch bare {
		case "$c":
			words[i] = strings.Replace(w, bare, string("abcdef"[random.IntN(6)]), 1)
		case "$t":
			words[i] = strings.Replace(w, bare, []string{"integer", "bigint", "varchar(30)", "date"}[random.IntN(4)], 1)
		}
	}
	return strings.Join(words, " ")
}

// outline writes what is said of tables, as far as checks build on it.
func outline(s *schema.Schema) string {
	var tables []string
	for _, t := range s.Tables() {
		if len(t.Columns) == 0 {
			continue // which PostgreSQL allows
		}
		var lines, keys []string
		for i, c := range t.Columns {
			filled := c.Identity || c.Default != "" && c.Default != "NULL"
			lines = append(lines, fmt.Sprintf("%s %s required %t filled %t always %t generated %t",
				strings.ToLower(c.Name), c.Type.Class.Noun(), t.IsRequired(i, dialect.MariaDB), filled, c.Always, c.Generated != ""))
		}
		named := func(columns []int) string {
			var names []string
			for _, c := range columns {
				if c < 0 {
					return "of an expression"
				}
				names = append(names, t.Columns[c].Name)
			}
			slices.Sort(names)
			return strings.Join(names, " ")
		}
		for _, k := range t.Keys {
			keys = append(keys, "key "+named(k.Columns))
		}
		for _, i := range t.Indexes {
			var columns []int
			for _, part := range i.Parts {
				columns = append(columns, part.Column)
			}
			if i.Unique {
				keys = append(keys, "key "+named(columns))
			} else {
				keys = append(keys, "index "+named(columns))
			}
		}
		slices.Sort(keys)
		tables = append(tables, t.Name+"\n"+strings.Join(append(lines, slices.Compact(keys)...), "\n"))
	}
	slices.Sort(tables)
	return strings.Join(tables, "\n")
}
