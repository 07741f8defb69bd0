package claims

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// operators are those of each server whose precedence is tried.
var operators = map[dialect.Dialect]struct{ infix, prefix, suffix, operands []string }{
	dialect.Postgres: {
		strings.Fields("+ - * / % ^ = <> < > <= >= AND OR AND OR & | # << >> + - *"),
		[]string{"NOT ", "-", "- ", "~", "+"},
		[]string{" IS NULL", " IS NOT NULL", " BETWEEN 1 AND 4", " NOT BETWEEN 0 AND 2", " IN (1, 2)", " IS TRUE", " IS DISTINCT FROM 2", " NOT IN (3)"},
		[]string{"1", "2", "3", "5", "7", "true", "false", "NULL::int", "4"},
	},
	dialect.MariaDB: {
		strings.Fields("+ - * / DIV % MOD ^ & | << >> = <=> <> != < > <= >= AND && OR || XOR LIKE REGEXP"),
		[]string{"NOT ", "-", "~", "! ", "+"},
		[]string{" IS NULL", " IS NOT NULL", " BETWEEN 1 AND 4", " NOT BETWEEN 0 AND 2", " IN (1, 2)", " IS TRUE", " NOT IN (3)", " NOT LIKE 1"},
		[]string{"0", "1", "2", "3", "5", "7", "NULL", "'1'"},
	},
	dialect.SQLite: {
		strings.Fields("+ - * / % || = == <> != < > <= >= IS AND OR & | << >> LIKE GLOB"),
		[]string{"NOT ", "-", "~", "+"},
		[]string{" IS NULL", " NOTNULL", " BETWEEN 1 AND 4", " NOT BETWEEN 0 AND 2", " IN (1, 2)", " IS NOT 2", " NOT IN (3)", " NOT LIKE 1", " COLLATE NOCASE"},
		[]string{"0", "1", "2", "3", "5", "7", "NULL", "'1'"},
	},
}

// TestPrecedenceOnServers generates expressions and asks that the server gives
// for the parentheses of our tree what it gives for the bare form.
func TestPrecedenceOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		r := rand.New(rand.NewPCG(7, uint64(s.dialect)))
		p := syntax.NewParser(syntax.NewNames())
		tried := 0
		for range 30_000 {
			bare := expression(r, s.dialect)
			want, err := s.rows("SELECT " + bare)
			if err != nil {
				continue // of no type the server takes
			}
			src := []byte("SELECT " + bare)
			p.Reset(src, s.dialect)
			stmt := p.Next()
			require.Empty(t, stmt.Errors, bare)
			x := stmt.Node.(*syntax.SelectStmt).Query.Body.(*syntax.Select).Items[0].X
			full := parenthesised(src, x)
			got, err := s.rows("SELECT " + full)
			require.NoError(t, err, "%s is read as %s", bare, full)
			require.Equal(t, want, got, "%s is read as %s", bare, full)
			if tried++; tried == 1500 {
				break
			}
		}
		t.Logf("%d expressions", tried)
		require.GreaterOrEqual(t, tried, 500)
	})
}

// expression gives three to five operands with operators between them.
func expression(r *rand.Rand, d dialect.Dialect) string {
	o := operators[d]
	pick := func(list []string) string { return list[r.IntN(len(list))] }
	var b strings.Builder
	for i := range 3 + r.IntN(3) {
		if i > 0 {
			fmt.Fprintf(&b, " %s ", pick(o.infix))
		}
		if r.IntN(4) == 0 {
			b.WriteString(pick(o.prefix))
		}
		b.WriteString(pick(o.operands))
		if r.IntN(6) == 0 {
			b.WriteString(pick(o.suffix))
		}
	}
	return b.String()
}

// parenthesised writes an expression with parentheses round every operation.
func parenthesised(src []byte, x syntax.Expr) string {
	var operands []syntax.Expr
	syntax.Children(x, func(n syntax.Node) {
		if e, ok := n.(syntax.Expr); ok {
			operands = append(operands, e)
		}
	})
	span := x.Span()
	if len(operands) == 0 {
		return string(src[span.Start:span.End])
	}
	var b strings.Builder
	at := span.Start
	for _, o := range operands {
		b.Write(src[at:o.Span().Start])
		b.WriteString(parenthesised(src, o))
		at = o.Span().End
	}
	b.Write(src[at:span.End])
	return "(" + b.String() + ")"
}
