package facts_test

import (
	"fmt"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
)

// TestQueryFacts reads testdata/queries.txt: a query, and what is known of its outermost
// SELECT: the chains of WHERE, the aggregates, the keys of GROUP BY, the width.
func TestQueryFacts(t *testing.T) {
	t.Parallel()
	data, err := os.ReadFile("testdata/queries.txt")
	require.NoError(t, err)
	d := dialect.Postgres
	for _, block := range strings.Split(string(data), "\n\n") {
		query, want, ok := strings.Cut(strings.TrimSpace(block), "\n")
		if name, is := strings.CutPrefix(query, "# dialect: "); is {
			d, err = dialect.Parse(name)
			require.NoError(t, err)
		}
		if strings.HasPrefix(query, "#") {
			continue
		}
		require.True(t, ok, query)
		require.Equal(t, strings.TrimSpace(want), queryFacts(t, query, d), query)
	}
}

func queryFacts(t *testing.T, query string, d dialect.Dialect) string {
	t.Helper()
	in, q := ask(t, query, d)
	sel := q.Body.(*syntax.Select)
	var lines []string
	if sel.Where != nil {
		lines = append(lines, clauseFacts(in, sel.Where)...)
	}
	for _, a := range in.AggregatesOf(sel) {
		lines = append(lines, fmt.Sprintf("aggregate in %s: %s", []string{"list", "HAVING", "ORDER BY"}[a.Clause], in.Text(a.Call)))
	}
	if g := in.GroupingOf(sel); sel.GroupBy != nil {
		line := "keys:"
		for _, k := range g.Keys {
			line += " " + in.Text(k)
		}
		lines = append(lines, line+map[bool]string{true: " (unclear)"}[g.Unclear]+map[bool]string{true: " (single rows)"}[in.GroupsAreRows(sel)])
	}
	if width, ok := in.Width(sel); ok {
		lines = append(lines, fmt.Sprint("width: ", width))
	}
	if len(lines) == 0 {
		return "nothing"
	}
	return strings.Join(lines, "\n")
}

func clauseFacts(in *facts.Facts, where *syntax.Where) (lines []string) {
	c := in.ClauseOf(where)
	if c == nil {
		return []string{"a plain comparison"}
	}
	for _, chain := range c.Chains {
		line := map[syntax.Op]string{syntax.OpAnd: "AND:", syntax.OpOr: "OR:"}[chain.Op]
		for i := range chain.Operands {
			o := &chain.Operands[i]
			line += fmt.Sprintf(" [%s]%s", in.Text(o.X), map[bool]string{true: " related"}[o.Related])
		}
		for _, mark := range []struct {
			holds bool
			name  string
		}{{!chain.Flat, "nested"}, {chain.Decided, "decided"}, {chain.Repeated, "repeated"}} {
			if mark.holds {
				line += " " + mark.name
			}
		}
		lines = append(lines, line)
	}
	return append(lines, fmt.Sprint("conjuncts: ", len(c.Conjuncts.Operands)))
}
