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

// TestRefused reads testdata/refused, a file a dialect with a statement a line
// that the database refuses, the place to report between marks.
func TestRefused(t *testing.T) {
	t.Parallel()
	eachStatement(t, "testdata/refused/*.txt", "#", func(p *syntax.Parser, d dialect.Dialect, path, line string) {
		before, rest, _ := strings.Cut(line, "»")
		marked, after, found := strings.Cut(rest, "«")
		require.True(t, found, line)
		p.Reset([]byte(before+marked+after), d)
		s := p.Next()
		require.NotNil(t, s, line)
		if !assert.NotEmpty(t, s.Errors, "%s: nothing reported in %s", path, line) {
			return
		}
		e := s.Errors[0]
		if marked == "" { // the last token before
			assert.Equal(t, len(strings.TrimSpace(before)), int(e.Span.End), "%s: %s (expected %s)", path, line, e.Expected)
			return
		}
		assert.Equal(t, len(before), int(e.Span.Start), "%s: %s (expected %s)", path, line, e.Expected)
	})
}

// eachStatement calls f for each line of some files, each named after its
// dialect, but for those that begin with the mark of a comment and empty ones.
func eachStatement(t *testing.T, pattern, comment string, f func(p *syntax.Parser, d dialect.Dialect, path, line string)) {
	t.Helper()
	paths, err := filepath.Glob(pattern)
	require.NoError(t, err)
	require.NotEmpty(t, paths)
	p := syntax.NewParser(syntax.NewNames())
	for _, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(t, err)
		d, err := dialect.Parse(strings.TrimSuffix(filepath.Base(path), filepath.Ext(path)))
		require.NoError(t, err)
		for line := range strings.Lines(string(src)) {
			if line = strings.TrimSpace(line); line != "" && !strings.HasPrefix(line, comment) {
				f(p, d, path, line)
			}
		}
	}
}
