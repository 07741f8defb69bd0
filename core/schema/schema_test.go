package schema_test

import (
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/rogpeppe/go-internal/txtar"
	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/schema"
)

var update = flag.Bool("update", false, "rewrite what is expected")

// TestSchemas reads testdata: in each archive a script `name.dialect.sql` is
// followed by `name.dialect.want`, what is then known, printed, and a line for
// each thing that could not be applied. What is printed, read again, is the same.
func TestSchemas(t *testing.T) {
	t.Parallel()
	paths, err := filepath.Glob("testdata/*.txtar")
	require.NoError(t, err)
	require.NotEmpty(t, paths)
	for _, path := range paths {
		archive, err := txtar.ParseFile(path)
		require.NoError(t, err)
		want := map[string]string{}
		for _, f := range archive.Files {
			want[f.Name] = string(f.Data)
		}
		var out []txtar.File
		for _, f := range archive.Files {
			name, isInput := strings.CutSuffix(f.Name, ".sql")
			if !isInput {
				continue
			}
			got := known(t, name, f.Data)
			out = append(out, f, txtar.File{Name: name + ".want", Data: []byte(got)})
			if !*update {
				require.Equal(t, want[name+".want"], got, "%s: %s", path, f.Name)
			}
		}
		if *update {
			archive.Files = out
			require.NoError(t, os.WriteFile(path, txtar.Format(archive), 0o644))
		}
	}
}

func known(t *testing.T, name string, src []byte) string {
	t.Helper()
	d, err := dialect.Parse(name[strings.LastIndex(name, ".")+1:])
	require.NoError(t, err)
	s := schema.New(nil)
	s.Load(src, d)
	var b strings.Builder
	require.NoError(t, s.Print(&b, d))
	again := schema.New(nil)
	again.Load([]byte(b.String()), d)
	require.Empty(t, again.Problems, b.String())
	var twice strings.Builder
	require.NoError(t, again.Print(&twice, d))
	require.Equal(t, b.String(), twice.String())
	for _, p := range s.Problems {
		line := 1 + strings.Count(string(src[:p.Span.Start]), "\n")
		fmt.Fprintf(&b, "! line %d: %s\n", line, p.Message)
	}
	return b.String()
}

func TestTableIsFoundByItsQualifier(t *testing.T) {
	t.Parallel()
	s := schema.New(nil)
	s.Load([]byte("CREATE TABLE north.hives (a int); CREATE TABLE south.hives (b int); CREATE TABLE public.queens (c int);"), dialect.Postgres)
	require.Equal(t, "a", s.Table("north", "HIVES").Columns[0].Name)
	require.Equal(t, "b", s.Table("south", "hives").Columns[0].Name)
	require.Nil(t, s.Table("", "hives"), "two schemas have it")
	require.Nil(t, s.Table("west", "hives"))
	require.NotNil(t, s.Table("", "queens"))
	s.Search([]string{"south", "north"})
	require.Equal(t, "b", s.Table("", "hives").Columns[0].Name)

	above := schema.New(s)
	above.Load([]byte("DROP TABLE south.hives; CREATE TEMPORARY TABLE queens (d int);"), dialect.Postgres)
	require.Equal(t, "a", above.Table("", "hives").Columns[0].Name)
	require.Equal(t, "b", s.Table("south", "hives").Columns[0].Name, "what lies below stays as it is")
}
