package syntax_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// TestScriptsAreRead reads testdata/read, a file a dialect with what its
// scripts hold, without an error.
func TestScriptsAreRead(t *testing.T) {
	t.Parallel()
	paths, err := filepath.Glob("testdata/read/*.sql")
	require.NoError(t, err)
	require.Len(t, paths, 6)
	for _, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(t, err)
		d, err := dialect.Parse(strings.TrimSuffix(filepath.Base(path), ".sql"))
		require.NoError(t, err)
		p := syntax.NewParser(syntax.NewNames())
		p.Reset(src, d)
		statements := 0
		for s := p.Next(); s != nil; s = p.Next() {
			statements++
			for _, e := range s.Errors {
				t.Errorf("%s: expected %s, found %s, in %.80s", path, e.Expected, e.Found, src[e.Span.Start:])
			}
		}
		require.Greater(t, statements, 3, path)
	}
}

// TestGuess tells the dialects of the same scripts from their text.
func TestGuess(t *testing.T) {
	t.Parallel()
	names := syntax.NewNames()
	for _, d := range []dialect.Dialect{dialect.Postgres, dialect.SQLite, dialect.SQLServer, dialect.Oracle, dialect.Spark} {
		src, err := os.ReadFile("testdata/read/" + d.String() + ".sql")
		require.NoError(t, err)
		got, clue := syntax.Guess(src, names)
		require.Equal(t, d.String(), got.String(), "by %s", clue)
		require.Contains(t, clue, " on line ")
	}
	got, clue := syntax.Guess([]byte("SELECT name FROM hives WHERE hive_id = 1"), names)
	require.Equal(t, dialect.ANSI, got)
	require.Empty(t, clue)
}
