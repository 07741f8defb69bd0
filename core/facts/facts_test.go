package facts_test

import (
	"fmt"
	"os"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/demo"
)

// TestFacts reads testdata/facts.txt: a query, behind --> what is known of each of
// its output columns (! never NULL, ? can be NULL, . not told, with the class of
// the type), and the least sets of columns that tell its rows apart.
func TestFacts(t *testing.T) {
	t.Parallel()
	data, err := os.ReadFile("testdata/facts.txt")
	require.NoError(t, err)
	d := dialect.Postgres
	count := 0
	for line := range strings.Lines(string(data)) {
		line = strings.TrimSpace(line)
		if name, ok := strings.CutPrefix(line, "# dialect: "); ok {
			d, err = dialect.Parse(name)
			require.NoError(t, err)
		}
		query, want, ok := strings.Cut(line+" ", " -->")
		if !ok || strings.HasPrefix(line, "#") {
			continue
		}
		count++
		require.Equal(t, strings.TrimSpace(want), known(t, query, d), query)
	}
	require.Greater(t, count, 40)
}

var classes = map[class.Class]string{
	class.Unknown: "-", class.Integer: "integer", class.Decimal: "decimal", class.Float: "float", class.Text: "text", class.Date: "date",
	class.Timestamp: "timestamp", class.Interval: "interval", class.Boolean: "boolean",
}

// ask gives the facts of a query on the demo's tables, and its tree.
func ask(t *testing.T, query string, d dialect.Dialect) (*facts.Facts, *syntax.Query) {
	t.Helper()
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), d)
	names := syntax.NewNames()
	parser := syntax.NewParser(names)
	parser.Reset([]byte(query), d)
	stmt := parser.Next()
	require.Empty(t, stmt.Errors, query)
	binder := bind.NewBinder(names)
	binder.Reset([]byte(query), d, tables)
	in := new(facts.Facts)
	in.Reset(binder.Bind(stmt))
	return in, stmt.Node.(*syntax.SelectStmt).Query
}

func known(t *testing.T, query string, d dialect.Dialect) string {
	t.Helper()
	in, q := ask(t, query, d)
	var out []string
	width := len(q.Body.(*syntax.Select).Items)
	for i := range width {
		mark := map[facts.Answer]string{facts.No: "!", facts.Yes: "?", facts.Unknown: "."}[in.OutputNullable(q, i)]
		out = append(out, classes[in.OutputType(q, i).Class]+mark)
	}
	var keys [][]int
	for set := range 1 << width {
		var columns []int
		for i := range width {
			if set>>i&1 != 0 {
				columns = append(columns, i)
			}
		}
		wider := func(k []int) bool {
			return !slices.ContainsFunc(k, func(c int) bool { return !slices.Contains(columns, c) })
		}
		if !slices.ContainsFunc(keys, wider) && in.Apart(q, columns...) {
			keys = append(keys, columns)
		}
	}
	for _, k := range keys {
		out = append(out, fmt.Sprint("key", k))
	}
	return strings.Join(out, " ")
}

// TestQuestionsEnd asks of a query that uses each column of the next one within it
// twice, sixty deep: followed to its end the answer would take longer than a life.
func TestQuestionsEnd(t *testing.T) {
	t.Parallel()
	query := "SELECT hive_id AS a FROM hives"
	for range 60 {
		query = "SELECT d.a + COALESCE(d.a, d.a) AS a FROM (" + query + ") AS d"
	}
	require.Equal(t, "-.", known(t, query, dialect.Postgres))
}

// TestManyJoins asks for the keys of a query with more joins than conclusions are
// drawn for.
func TestManyJoins(t *testing.T) {
	t.Parallel()
	query := "SELECT h.hive_id FROM hives AS h"
	for i := range 100 {
		query += fmt.Sprintf(" LEFT JOIN queens AS q%d ON q%d.queen_id = h.queen_id", i, i)
	}
	require.Equal(t, "integer!", known(t, query, dialect.Postgres))
	require.Equal(t, "integer! key[0]", known(t, query[:strings.Index(query, " LEFT JOIN queens AS q60")], dialect.Postgres))
}
