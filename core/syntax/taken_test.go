package syntax_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// TestTaken reads testdata/taken, a file a dialect with a statement a line that
// the database reads: one statement without an error.
func TestTaken(t *testing.T) {
	t.Parallel()
	eachStatement(t, "testdata/taken/*.sql", "--", func(p *syntax.Parser, d dialect.Dialect, path, line string) {
		p.Reset([]byte(line), d)
		count := 0
		for s := p.Next(); s != nil; s = p.Next() {
			count++
			for _, e := range s.Errors {
				t.Errorf("%s: expected %s, found %s, at %.40s, in %s", path, e.Expected, e.Found, line[e.Span.Start:], line)
			}
		}
		assert.Equal(t, 1, count, line)
	})
}
