package cli

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"
)

func TestReplaceFile(t *testing.T) {
	t.Parallel()
	path := filepath.Join(t.TempDir(), "hives.sql")
	require.NoError(t, os.WriteFile(path, []byte("SELECT 1;"), 0o640))
	var s spool
	require.ErrorIs(t, s.replaceFile(path, []byte("what was read"), []byte("SELECT 3;")), errChanged)
	require.NoError(t, s.replaceFile(path, []byte("SELECT 1;"), []byte("SELECT 2;")))
	s.end()
	require.ErrorIs(t, s.replaceFile(path, []byte("SELECT 2;"), []byte("SELECT 3;")), errEnded)
	now, err := os.ReadFile(path)
	require.NoError(t, err)
	require.Equal(t, "SELECT 2;", string(now))
	entries, err := os.ReadDir(filepath.Dir(path))
	require.NoError(t, err)
	require.Len(t, entries, 1)
}
