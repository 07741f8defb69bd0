package claims

import (
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
)

// TestWrongExamplesDiffer tries that what is said to give wrong rows gives other rows than its mended
// form, on the rows of the demo. Those that differ only with other rows, or now and then, are
// counted, and may not become more.
func TestWrongExamplesDiffer(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		differ, same := 0, []string(nil)
		for _, c := range checks.All() {
			for _, e := range c.Examples {
				if e.Good == "" || c.Verdicts[s.dialect] != check.Wrong || !runsOn(e, s.dialect) || !strings.HasPrefix(e.Bad, "SELECT") || !tried(e.Bad, s.dialect) || !tried(e.Good, s.dialect) {
					continue
				}
				bad, err := s.rows(e.Bad)
				if err != nil {
					continue // said to be refused on this server
				}
				good, err := s.rows(e.Good)
				require.NoError(t, err, e.Good)
				if slices.Equal(bad, good) {
					same = append(same, c.ID)
				} else {
					differ++
				}
			}
		}
		t.Logf("%d differ, %d do not: %s", differ, len(same), strings.Join(same, " "))
		require.Greater(t, differ, 30)
		require.LessOrEqual(t, len(same), 25)
	})
}
