package syntax_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// TestLongChains walks chains of operators, joins and unions that are longer than a
// stack is deep.
func TestLongChains(t *testing.T) {
	t.Parallel()
	const n = 300_000
	for _, text := range []string{
		"SELECT 1" + strings.Repeat("+1", n),
		"SELECT 1 FROM hives" + strings.Repeat(" NATURAL JOIN hives", n),
		"SELECT 1" + strings.Repeat(" UNION SELECT 1", n),
	} {
		p := syntax.NewParser(syntax.NewNames())
		p.Reset([]byte(text), dialect.Postgres)
		stmt := p.Next()
		require.Empty(t, stmt.Errors)
		parents := make([]syntax.Node, stmt.Nodes+1)
		syntax.Link(stmt.Node, parents)
		walked := 0
		syntax.Walk(stmt.Node, func(node syntax.Node, kind syntax.Kind) {
			walked++
			require.True(t, node.Kind() == kind && (parents[node.ID()] != nil) == (node != syntax.Node(stmt.Node)))
		})
		require.Greater(t, walked, n)
	}
	p := syntax.NewParser(syntax.NewNames())
	p.Reset([]byte("SELECT a+b*c-d+(e-f-g)"), dialect.Postgres)
	names := ""
	syntax.Inspect(p.Next().Node, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			names += string("SELECT a+b*c-d+(e-f-g)"[name.Span().Start])
		}
		return true
	})
	require.Equal(t, "abcdefg", names, "in the order of the text")
}
