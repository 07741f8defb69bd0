package syntax

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"justlens/core/dialect"
	"justlens/core/text"
)

// mixed gives about size bytes of statements of many kinds.
func mixed(size int) []byte {
	const statement = `-- round %[1]d of the season
SELECT h.hive_id, h.name, COUNT(i.inspection_id) AS rounds, AVG(i.mites) AS mites
FROM hives AS h
LEFT JOIN inspections AS i ON i.hive_id = h.hive_id AND i.inspected_at >= '2026-01-01'
WHERE h.apiary_id IN (1, 2, %[1]d) AND (h.moved_on IS NULL OR h.moved_on < '2026-05-01')
GROUP BY h.hive_id, h.name
HAVING COUNT(i.inspection_id) > 3
ORDER BY mites DESC, h.name;
INSERT INTO harvests (harvest_id, hive_id, taken_on, weight_kg) VALUES (%[1]d, 7, '2026-07-14', 12.75);
UPDATE hives SET moved_on = '2026-04-%[1]d', frame_count = frame_count + 2 WHERE hive_id = %[1]d;
`
	var b strings.Builder
	for i := 1; b.Len() < size; i++ {
		fmt.Fprintf(&b, statement, i)
	}
	return []byte(b.String())
}

// floor is a plain tokenizer by byte classes into a reused slice, without
// names, comments or operators of several bytes: what scanning costs at the least.
func floor(src []byte, tokens []Token) []Token {
	for i := 0; i < len(src); {
		start, c := i, src[i]
		class := classes[c] & classMask
		switch class {
		case blankClass:
			i++
			continue
		case wordClass, digitClass:
			for i < len(src) && classes[src[i]]&inWord != 0 {
				i++
			}
		case quoteClass:
			i++
			for i < len(src) && src[i] != c {
				i++
			}
			i++
		default:
			i++
		}
		tokens = append(tokens, Token{Kind: TokenKind(class), Span: text.Span{Start: text.Pos(start), End: text.Pos(i)}})
	}
	return tokens
}

var sink int

// BenchmarkFloor, BenchmarkScan and BenchmarkParse run on the same bytes; the
// ratio of their MB/s is what counts.
func BenchmarkFloor(b *testing.B) {
	src := mixed(1 << 20)
	tokens := make([]Token, 0, len(src)/3)
	b.SetBytes(int64(len(src)))
	b.ReportAllocs()
	for b.Loop() {
		tokens = floor(src, tokens[:0])
		sink += len(tokens)
	}
}

func BenchmarkScan(b *testing.B) {
	src := mixed(1 << 20)
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

func BenchmarkParse(b *testing.B) {
	src := mixed(1 << 20)
	p := NewParser(NewNames())
	b.SetBytes(int64(len(src)))
	b.ReportAllocs()
	for b.Loop() {
		p.Reset(src, dialect.Postgres)
		for p.Next() != nil {
			sink++
		}
	}
}

// BenchmarkFractions gives how much of the floor's speed scanning and parsing
// keep: each by its fastest of many short turns, taken in alternation, so that
// what else the machine does falls on all of them.
func BenchmarkFractions(b *testing.B) {
	src := mixed(1 << 18)
	tokens := make([]Token, 0, len(src)/3)
	s := scanner{names: NewNames()}
	p := NewParser(NewNames())
	turns := [3]func(){
		func() { tokens = floor(src, tokens[:0]) },
		func() {
			s.reset(src, dialect.Postgres)
			for s.pos < len(src) {
				s.tokens = s.tokens[:0]
				s.fill()
			}
		},
		func() {
			p.Reset(src, dialect.Postgres)
			for p.Next() != nil {
				sink++
			}
		},
	}
	best := [3]time.Duration{time.Hour, time.Hour, time.Hour}
	for b.Loop() {
		for i, turn := range turns {
			start := time.Now()
			turn()
			best[i] = min(best[i], time.Since(start))
		}
	}
	b.ReportMetric(float64(best[0])/float64(best[1]), "scan/floor")
	b.ReportMetric(float64(best[0])/float64(best[2]), "parse/floor")
}

func BenchmarkNewNames(b *testing.B) {
	for b.Loop() {
		NewNames()
	}
}
