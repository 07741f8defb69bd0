package bind_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// TestStarsAreBounded doubles the columns of a query at each step: what there would be beyond is not
// known, and no name counts as missing for that.
func TestStarsAreBounded(t *testing.T) {
	for _, c := range []struct {
		steps, columns int
		missing        bool
	}{{0, 1, true}, {5, 32, true}, {12, 4096, true}, {13, 4096, false}, {60, 4096, false}} {
		src := []byte("SELECT jars FROM " + strings.Repeat("(SELECT d.*, d.* FROM ", c.steps) + "(SELECT 1 AS a) AS d" + strings.Repeat(") AS d", c.steps))
		names := syntax.NewNames()
		parser := syntax.NewParser(names)
		parser.Reset(src, dialect.Postgres)
		stmt := parser.Next()
		binder := bind.NewBinder(names)
		binder.Reset(src, dialect.Postgres, nil)
		in := binder.Bind(stmt)
		sel := stmt.Node.(*syntax.SelectStmt).Query.Body.(*syntax.Select)
		source := in.SourceAt(sel.From.Tables[0])
		assert.LessOrEqual(t, len(source.Columns), c.columns, fmt.Sprint(c.steps, " steps"))
		assert.Equal(t, c.missing, in.Use(sel.Items[0].X.(*syntax.Name)).Status == bind.Missing, fmt.Sprint(c.steps, " steps"))
		assert.Equal(t, c.missing, source.Complete, fmt.Sprint(c.steps, " steps"))
	}
}
