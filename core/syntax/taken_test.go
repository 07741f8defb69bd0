package syntax_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// TestTaken reads testdata/taken, a file a dialect with a statement a line that
// the database reads: one statement without an error.
func TestTaken(t *testing.T) {
	t.Parallel()
	paths, err := filepath.Glob("testdata/taken/*.sql")
	require.NoError(t, err)
	require.NotEmpty(t, paths)
	p := syntax.NewParser(syntax.NewNames())
	for _, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(t, err)
		d, err := dialect.Parse(strings.TrimSuffix(filepath.Base(path), ".sql"))
		require.NoError(t, err)
		for line := range strings.Lines(string(src)) {
			if strings.HasPrefix(line, "--") {
				continue
			}
			p.Reset([]byte(line), d)
			count := 0
			for s := p.Next(); s != nil; s = p.Next() {
				count++
				for _, e := range s.Errors {
					t.Errorf("%s: expected %s, found %s, at %.40s, in %s", path, e.Expected, e.Found, line[e.Span.Start:], line)
				}
			}
			assert.Equal(t, 1, count, line)
		}
	}
}
