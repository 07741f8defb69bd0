package bind_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/demo"
)

// eachBound binds the statements of the checks' case files.
func eachBound(t *testing.T, f func(*bind.Info, *syntax.Statement)) {
	t.Helper()
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), dialect.Postgres)
	names := syntax.NewNames()
	p, b := syntax.NewParser(names), bind.NewBinder(names)
	paths, err := filepath.Glob("../checks/testdata/*.sql")
	require.NoError(t, err)
	require.NotEmpty(t, paths)
	deep := "SELECT " + strings.Repeat("CASE WHEN a = 1 THEN (", 200) + "a" + strings.Repeat(") END", 200) +
		" FROM t WHERE " + strings.Repeat("EXISTS (SELECT 1 FROM u WHERE a = 1 AND ", 100) + "b = 1" + strings.Repeat(")", 100)
	sources := [][]byte{[]byte(deep)}
	for _, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(t, err)
		sources = append(sources, src)
	}
	for _, src := range sources {
		p.Reset(src, dialect.Postgres)
		b.Reset(src, dialect.Postgres, tables)
		for stmt := p.Next(); stmt != nil; stmt = p.Next() {
			f(b.Bind(stmt), stmt)
		}
	}
}

// TestFormOfWhatIsTheSame holds that expressions which are the same have one form, and
// that few others share it.
func TestFormOfWhatIsTheSame(t *testing.T) {
	same, shared := 0, 0
	eachBound(t, func(in *bind.Info, stmt *syntax.Statement) {
		var all []syntax.Expr
		syntax.Inspect(stmt.Node, func(n syntax.Node) bool {
			if x, ok := n.(syntax.Expr); ok && len(all) < 60 {
				all = append(all, x)
			}
			return true
		})
		for i, x := range all {
			for _, y := range all[:i] {
				equal := in.Form(x) == in.Form(y)
				if in.Same(x, y) {
					same++
					require.True(t, equal, "%s and %s", in.Text(x), in.Text(y))
				} else if equal {
					shared++
				}
			}
		}
	})
	require.Greater(t, same, 200)
	require.Less(t, shared, same)
}

// TestClimbing finds what a climb step by step finds, however deep.
func TestClimbing(t *testing.T) {
	sought := []syntax.KindSet{
		syntax.Kinds(syntax.KindWhere, syntax.KindSelectItem, syntax.KindJoin), syntax.Kinds(syntax.KindCall), syntax.Kinds(syntax.KindCase, syntax.KindBinary),
	}
	climbs := 0
	eachBound(t, func(in *bind.Info, stmt *syntax.Statement) {
		syntax.Inspect(stmt.Node, func(n syntax.Node) bool {
			for _, kinds := range sought {
				climbs++
				var found, below, beyond syntax.Node
				inQuery := true
				for at, p := n, in.Parent(n); p != nil && beyond == nil; at, p = p, in.Parent(p) {
					if kinds.Has(p.Kind()) {
						beyond = p
						if inQuery {
							found, below = p, at
						}
					}
					inQuery = inQuery && p.Kind() != syntax.KindQuery
				}
				gotFound, gotBelow := in.Enclosing(n, kinds)
				require.True(t, gotFound == found && gotBelow == below, "%T of %s", n, in.Text(n))
				require.True(t, in.Nearest(n, kinds) == beyond, "%T of %s", n, in.Text(n))
			}
			return true
		})
	})
	require.Greater(t, climbs, 10_000)
}
