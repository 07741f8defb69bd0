package syntax

import (
	"bytes"
	"os"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
)

var sink int

// BenchmarkScan measures the scanner alone; package speed measures the stages behind it,
// and all of them against a floor.
func BenchmarkScan(b *testing.B) {
	round, err := os.ReadFile("../../speed/testdata/mixed.sql")
	require.NoError(b, err)
	src := bytes.Repeat(round, 200)
	s := scanner{names: NewNames()}
	b.SetBytes(int64(len(src)))
	b.ReportAllocs()
	for b.Loop() {
		s.reset(src, dialect.Postgres)
		for s.pos < len(src) {
			s.tokens = s.tokens[:0]
			s.fill()
			sink += len(s.tokens)
		}
	}
}

func BenchmarkNewNames(b *testing.B) {
	for b.Loop() {
		NewNames()
	}
}
