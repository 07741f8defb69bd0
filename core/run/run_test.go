package run_test

import (
	"errors"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/demo"
)

// lab has the demo's tables and compiles queries over them.
type lab struct {
	dialect dialect.Dialect
	tables  *schema.Schema
	names   *syntax.Names
}

func newLab(tb testing.TB, d dialect.Dialect) *lab {
	l := &lab{d, schema.New(nil), syntax.NewNames()}
	l.tables.SetWhole()
	l.tables.Load([]byte(demo.Schema()), d)
	require.Empty(tb, l.tables.Problems)
	return l
}

func (l *lab) try(query string) (*run.Plan, error) {
	parser := syntax.NewParser(l.names)
	parser.Reset([]byte(query), l.dialect)
	stmt := parser.Next()
	binder := bind.NewBinder(l.names)
	binder.Reset([]byte(query), l.dialect, l.tables)
	in := &facts.Facts{}
	in.Reset(binder.Bind(stmt))
	return run.Compile(in, stmt, stmt.Node.(*syntax.SelectStmt).Query)
}

func (l *lab) compile(tb testing.TB, query string) *run.Plan {
	plan, err := l.try(query)
	require.NoError(tb, err)
	return plan
}

// answer gives the rows of a query without tables, or what stopped it.
func (l *lab) answer(query string) string {
	plan, err := l.try(query)
	if err == nil {
		var result *run.Result
		if result, err = plan.Run(nil, run.Limits{}); err == nil {
			if result.Open {
				return "open"
			}
			var lines []string
			for _, row := range result.Rows {
				var values []string
				for _, v := range row {
					values = append(values, v.String())
				}
				lines = append(lines, strings.Join(values, "|"))
			}
			return strings.Join(lines, " / ")
		}
	}
	var refusal run.Refusal
	if errors.As(err, &refusal) {
		return "refused"
	}
	return "unknown"
}

// TestDialects holds what SQL Server, Oracle and Spark, which do not run here, differ in, to the
// behaviour that their manuals document: testdata/dialects.txt has a query a line, and what each
// gives.
func TestDialects(t *testing.T) {
	paths, err := filepath.Glob("testdata/*.txt")
	require.NoError(t, err)
	tried := 0
	for _, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(t, err)
		d := dialect.ANSI
		for line := range strings.Lines(string(src)) {
			line = strings.TrimSpace(line)
			if name, ok := strings.CutPrefix(line, "# dialect: "); ok {
				d, err = dialect.Parse(name)
				require.NoError(t, err)
			}
			query, want, ok := strings.Cut(line, " => ")
			if !ok || strings.HasPrefix(line, "#") {
				continue
			}
			tried++
			assert.Equal(t, want, newLab(t, d).answer(query), "%s: %s", d, query)
		}
	}
	require.Greater(t, tried, 50)
}
