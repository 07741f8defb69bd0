package review

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// TestPiecesHold of a text of plain statements: what one reviewer reads again because a guess
// did not hold is found too, only later.
func TestPiecesHold(t *testing.T) {
	t.Parallel()
	src := []byte(strings.Repeat("-- round\nSELECT name FROM hives;\n;\nUPDATE hives SET frame_count = 9 WHERE hive_id = 7;\n", 20_000))
	for _, d := range dialect.All() {
		r, tables := New(Options{Dialect: d}), schema.New(nil)
		r.open(src, d, tables)
		pieces := r.cut(0, 4)
		require.Len(t, pieces, 4)
		for _, p := range pieces {
			r.piece(&p, d, tables, src, syntax.Modes{})
			require.True(t, p.holds, "%s: bytes %d to %d", d, p.from, p.to)
		}
	}
}
