package speed

import (
	_ "embed"
	"strconv"
	"strings"
)

//go:embed testdata/season.sql
var season string

//go:embed testdata/mixed.sql
var mixed string

// Season gives at least size bytes of three short statements over and over, with which
// no check finds fault.
func Season(size int) []byte { return fill(season, size) }

// Mixed gives at least size bytes of statements of many kinds, of some 430 bytes each:
// joins, derived tables, correlated subqueries, common table expressions, CASE, windows,
// unions, writes. No check finds fault with them.
func Mixed(size int) []byte { return fill(mixed, size) }

// fill repeats a text with the number of the round in place of each #.
func fill(round string, size int) []byte {
	var b strings.Builder
	for i := 1; b.Len() < size; i++ {
		b.WriteString(strings.ReplaceAll(round, "#", strconv.Itoa(i)))
	}
	return []byte(b.String())
}
