package reason_test

import (
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/reason"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/demo"
)

// TestPredicates reads testdata/predicates.txt: two conditions and what holds of them, or
// one and what it is by itself.
func TestPredicates(t *testing.T) {
	t.Parallel()
	data, err := os.ReadFile("testdata/predicates.txt")
	require.NoError(t, err)
	count := 0
	for line := range strings.Lines(string(data)) {
		conditions, want, ok := strings.Cut(strings.TrimSpace(line), " --> ")
		if !ok || strings.HasPrefix(line, "#") {
			continue
		}
		count++
		require.Equal(t, want, relation(t, conditions), conditions)
	}
	require.Greater(t, count, 50)
}

func relation(t *testing.T, conditions string) string {
	t.Helper()
	first, second, two := strings.Cut(conditions, " | ")
	if !two {
		second = first
	}
	src := []byte("SELECT 1 FROM inspections JOIN harvests ON 1 = 1 WHERE (" + first + ") AND (" + second + ")")
	names := syntax.NewNames()
	parser, binder := syntax.NewParser(names), bind.NewBinder(names)
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), dialect.Postgres)
	parser.Reset(src, dialect.Postgres)
	stmt := parser.Next()
	require.Empty(t, stmt.Errors, conditions)
	binder.Reset(src, dialect.Postgres, tables)
	in := binder.Bind(stmt)
	where := stmt.Node.(*syntax.SelectStmt).Query.Body.(*syntax.Select).Where.Cond.(*syntax.Binary)
	if truth := reason.Constant(in, where.X); truth != reason.Undecided {
		return map[reason.Truth]string{reason.True: "constantly true", reason.False: "constantly false"}[truth]
	}
	p, ok := reason.Of(in, where.X)
	q, also := reason.Of(in, where.Y)
	if !ok || !also {
		return "no predicate"
	}
	var said []string
	say := func(holds bool, what string) {
		if holds {
			said = append(said, what)
		}
	}
	if !two {
		say(p.NeverTrue(), "never true")
		say(p.AlwaysTrue(true), "true of every value")
		say(p.AlwaysTrue(false), "always true")
	} else {
		say(p.Excludes(in, q), "excludes")
		say(p.Implies(in, q), "implies")
		say(q.Implies(in, p), "is implied")
		both, ok := p.Or(in, q)
		say(ok && both.AlwaysTrue(true), "covers")
	}
	if len(said) == 0 {
		return "nothing"
	}
	return strings.Join(said, ", ")
}
