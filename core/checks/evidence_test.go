package checks_test

import (
	"context"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/checks"
	"justlens/core/compare"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/demo"
)

// TestWrongExamplesAreShown looks for rows on which the examples of wrong checks and their mended
// forms part.
func TestWrongExamplesAreShown(t *testing.T) {
	shown, all := 0, 0
	for _, c := range checks.All() {
		for _, e := range c.Examples {
			d, ok := c.RunsWrong(e)
			if !ok || e.NoSchema || e.Good == "" {
				continue
			}
			tables := schema.New(nil)
			tables.Load([]byte(demo.Schema()), d)
			read := func(query string) *run.Query {
				all := run.Read([]byte(query), d, e.Version, tables)
				if len(all) == 0 {
					return nil
				}
				return all[len(all)-1]
			}
			all++
			found := compare.Show(context.Background(), read(e.Bad), read(e.Good))
			if found.Difference != nil {
				shown++
				continue
			}
			t.Logf("%s on %s: %s\n  %s\n  %s", c.ID, d, found.Why, e.Bad, e.Good)
		}
	}
	t.Logf("%d of %d shown", shown, all)
	require.Greater(t, shown, all*9/10)
}
