package cli

import (
	"strings"
	"testing"
	"unicode/utf8"

	"github.com/stretchr/testify/require"
)

func TestFencedSQL(t *testing.T) {
	t.Parallel()
	for _, c := range []struct{ name, src, want string }{
		{"a block", "a\n```sql\nSELECT 1\n```\nb", " \n      \nSELECT 1\n;  \n "},
		{"another language", "```go\nSELECT 1\n```\n", "     \n        \n   \n"},
		{"tildes, and backticks in them", "~~~ SQL\nSELECT '```'\n~~~\n", "       \nSELECT '```'\n;  \n"},
		{"a longer fence holds a shorter", "````sql\n```\nSELECT 1\n````\n", "       \n```\nSELECT 1\n;   \n"},
		{"never closed", "```sql\nSELECT 1\n", "      \nSELECT 1\n"},
		{"no block", "SELECT 1", "        "},
		{"two fences on a line open none", "``` sql ``` \nSELECT 1\n", "            \n        \n"},
		{"line ends of Windows", "```sql\r\nSELECT 1\r\n```\r\n", "      \r\nSELECT 1\r\n;  \r\n"},
		{"attributes", "```{.sql}\nSELECT 1\n```", "         \nSELECT 1\n;  "},
	} {
		require.Equal(t, c.want, string(fencedSQL([]byte(c.src))), c.name)
	}
}

// FuzzFencedSQL holds every byte that stays to its place.
func FuzzFencedSQL(f *testing.F) {
	f.Add("a\n```sql\nSELECT 1\n```\n")
	f.Add("~~~~ pgsql\n~~~\n~~~~~\n")
	f.Fuzz(func(t *testing.T, src string) {
		out := string(fencedSQL([]byte(src)))
		require.Len(t, out, len(src))
		if !utf8.ValidString(src) {
			return
		}
		require.Equal(t, strings.Count(src, "\n"), strings.Count(out, "\n"))
		for i := range len(out) {
			require.True(t, out[i] == src[i] || out[i] == ' ' || out[i] == ';')
		}
	})
}

func TestReadDiff(t *testing.T) {
	t.Parallel()
	c := changed{lines: map[string][]lines{}}
	c.read("diff --git a/a.sql b/a.sql\n--- a/a.sql\n+++ b/a.sql\n@@ -3 +3,2 @@ FROM\n-x\n+y\n+z\n@@ -9,2 +10,0 @@\n-gone\n-gone\n" +
		"diff --git a/old.sql b/new.sql\n--- a/old.sql\n+++ \"b/n\\303\\251w.sql\"\n@@ -1 +1 @@\n-a\n+++ b/of.sql\n" +
		"--- a/gone.sql\n+++ /dev/null\n@@ -1,2 +0,0 @@\n-a\n-b\n")
	require.Equal(t, []lines{{3, 4}, {10, 11}}, c.lines["a.sql"])
	require.Equal(t, []lines{{1, 1}}, c.lines["néw.sql"])
	require.NotContains(t, c.lines, "gone.sql")
}

func TestSchemaSource(t *testing.T) {
	t.Parallel()
	for path, want := range map[string]string{
		"schema.sql": "schema.sql", "db/bees_schema.sql": "db/bees_schema.sql", "db/migrations/001/a.sql": "db/migrations", "DDL/a.sql": "DDL", "queries/a.sql": "", "tables.sql": "tables.sql",
	} {
		require.Equal(t, want, schemaSource(path), path)
	}
}
