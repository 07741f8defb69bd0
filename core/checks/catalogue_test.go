package checks_test

import (
	"fmt"
	"os"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
)

const cataloguePath = "../../docs/catalogue.md"

// TestCatalogue keeps the list of checks that exist in docs/catalogue.md, and the list of
// those that are planned free of them.
func TestCatalogue(t *testing.T) {
	t.Parallel()
	data, err := os.ReadFile(cataloguePath)
	require.NoError(t, err)
	_, planned, ok := strings.Cut(string(data), "\n## Planned\n")
	require.True(t, ok, "the catalogue has a part Planned")
	var b strings.Builder
	b.WriteString("# The catalogue of checks\n\nWhat Just Lens finds, and what it is to find one day. A check's ID never changes its meaning once it is released. " +
		"`justlens guide CHECK` tells more of each.\nWhich consequence a check has on each database stands there, too; here is the worst.\n\n## Checks that exist\n")
	known := map[string]bool{}
	for _, f := range checks.Families {
		fmt.Fprintf(&b, "\n### %s: %s\n| check | finds | consequence | needs |\n|---|---|---|---|\n", f.Name, f.About)
		for _, c := range checks.All() {
			if c.Family() != f.Name {
				continue
			}
			known[c.ID] = true
			needs := ""
			if c.Needs == check.Schema {
				needs = "schema"
			}
			fmt.Fprintf(&b, "| %s | %s | %s | %s |\n", c.ID, c.Title, c.Verdicts.Worst(), needs)
		}
	}
	for _, id := range regexp.MustCompile(`(?m)^\| ([a-z]+\.[a-z-]+) `).FindAllStringSubmatch(planned, -1) {
		require.False(t, known[id[1]], "%s exists and is still planned", id[1])
	}
	requireGolden(t, cataloguePath, b.String()+"\n## Planned\n"+planned)
}
