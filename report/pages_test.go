package report_test

import (
	"bytes"
	"flag"
	"os"
	"path/filepath"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/report"
)

var updatePages = flag.Bool("update-pages", false, "rewrite docs/checks")

// TestPagesAreFresh holds docs/checks to the checks: a page a family, and no other.
func TestPagesAreFresh(t *testing.T) {
	t.Parallel()
	want := []string{}
	for _, f := range checks.Families {
		of := slices.DeleteFunc(checks.All(), func(c *check.Check) bool { return c.Family() != f.Name })
		var page bytes.Buffer
		require.NoError(t, report.GuidePage(&page, f, of))
		path := filepath.Join("..", "docs", "checks", f.Name+".md")
		want = append(want, path)
		if *updatePages {
			require.NoError(t, os.WriteFile(path, page.Bytes(), 0o666))
		}
		have, err := os.ReadFile(path)
		require.NoError(t, err)
		require.Equal(t, page.String(), string(have), "%s is stale: go test ./report -update-pages", path)
	}
	have, err := filepath.Glob("../docs/checks/*")
	require.NoError(t, err)
	require.ElementsMatch(t, want, have)
}
