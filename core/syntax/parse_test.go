package syntax_test

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
	"justlens/core/syntax"
)

var update = flag.Bool("update", false, "rewrite the expected dumps")

// TestParse compares trees with testdata/parse: an archive a grammar area,
// each case a file `name.dialect.sql` followed by its dump `name.dialect.tree`.
func TestParse(t *testing.T) {
	t.Parallel()
	paths, err := filepath.Glob("testdata/parse/*.txtar")
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
			got := dump(t, name, f.Data)
			out = append(out, f, txtar.File{Name: name + ".tree", Data: []byte(got)})
			if !*update {
				require.Equal(t, want[name+".tree"], got, "%s: %s", path, f.Name)
			}
		}
		if *update {
			archive.Files = out
			require.NoError(t, os.WriteFile(path, txtar.Format(archive), 0o644))
		}
	}
}

// dump parses text under the dialect that its name ends with.
func dump(t *testing.T, name string, src []byte) string {
	t.Helper()
	d, err := dialect.Parse(name[strings.LastIndex(name, ".")+1:])
	require.NoError(t, err)
	var b strings.Builder
	p := syntax.NewParser(syntax.NewNames())
	p.Reset(src, d)
	for s := p.Next(); s != nil; s = p.Next() {
		syntax.Dump(&b, src, s.Node)
		for _, e := range s.Errors {
			fmt.Fprintf(&b, "! %d: expected %s, found %s at %d\n", e.Kind, e.Expected, e.Found, e.Span.Start)
		}
	}
	return b.String()
}
