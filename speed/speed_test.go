package speed_test

import (
	"runtime"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
	"justlens/demo"
	"justlens/speed"
)

var texts = map[string]func(int) []byte{"season": speed.Season, "mixed": speed.Mixed}

func bees() *schema.Schema {
	tables := schema.New(nil)
	tables.SetWhole()
	tables.Load([]byte(demo.Schema()), dialect.Postgres)
	return tables
}

func reviewer(chosen []*check.Check) *review.Reviewer {
	return review.New(review.Options{Dialect: dialect.Postgres, Schema: bees(), Certainty: check.Likely, Checks: chosen})
}

// TestNoFaultIsFound with the texts, so that what is measured is reading and looking.
func TestNoFaultIsFound(t *testing.T) {
	t.Parallel()
	for name, fill := range texts {
		f, err := text.NewFile(name+".sql", fill(20_000))
		require.NoError(t, err)
		out := reviewer(checks.All()).Review(f)
		for _, found := range out.Findings {
			t.Errorf("%s: line %d: %s: %s", name, f.Place(found.Span.Start).Line, found.Check.ID, found.Message)
		}
		require.Empty(t, out.Faults)
	}
}

// stages are what is measured, each with all that it needs before it.
type stages struct {
	src    []byte
	tokens []syntax.Token
	parser *syntax.Parser
	batch  []*syntax.Statement
	binder *bind.Binder
	tables *schema.Schema
	review *review.Reviewer
}

func prepare(src []byte, chosen []*check.Check) *stages {
	names := syntax.NewNames()
	return &stages{src: src, parser: syntax.NewParser(names), binder: bind.NewBinder(names), tables: bees(), review: reviewer(chosen)}
}

func (s *stages) floor() { s.tokens = speed.Floor(s.src, s.tokens[:0]) }

// each reads the statements batch by batch, as a review does, and calls f for each batch.
func (s *stages) each(f func([]*syntax.Statement)) {
	s.parser.Reset(s.src, dialect.Postgres)
	for first := s.parser.Next(); first != nil; first = s.parser.Next() {
		s.batch = append(s.batch[:0], first)
		for stmt := first; stmt.Span.End-first.Span.Start < 16*1024; {
			if stmt = s.parser.More(); stmt == nil {
				break
			}
			s.batch = append(s.batch, stmt)
		}
		f(s.batch)
	}
}

func (s *stages) parse() { s.each(func([]*syntax.Statement) {}) }

func (s *stages) bind() {
	s.binder.Reset(s.src, dialect.Postgres, s.tables)
	s.each(func(batch []*syntax.Statement) {
		for _, stmt := range batch {
			s.binder.Bind(stmt)
		}
	})
}

func (s *stages) whole() {
	if f, err := text.NewFile("text.sql", s.src); err == nil {
		s.review.Review(f)
	}
}

// BenchmarkRatios gives what each stage keeps of the floor's speed, on one core: each by
// the fastest of many short turns, taken in alternation, so that what else the machine
// does falls on all of them.
func BenchmarkRatios(b *testing.B) {
	defer runtime.GOMAXPROCS(runtime.GOMAXPROCS(1))
	for name, fill := range texts {
		b.Run(name, func(b *testing.B) {
			s := prepare(fill(1<<18), checks.All())
			best := fastest(b, s.floor, s.parse, s.bind, s.whole)
			b.ReportMetric(best[0]/best[1], "parse/floor")
			b.ReportMetric((best[2]-best[1])/best[1], "binding/parsing")
			b.ReportMetric(best[0]/best[2], "bound/floor")
			b.ReportMetric(best[0]/best[3], "review/floor")
		})
	}
}

// BenchmarkChecks gives what each check costs in the whole review, in hundredths of it:
// what is saved by leaving it out. What it shares with others is not in it.
func BenchmarkChecks(b *testing.B) {
	defer runtime.GOMAXPROCS(runtime.GOMAXPROCS(1))
	src := speed.Mixed(1 << 17)
	all := checks.All()
	with := prepare(src, all)
	for i, c := range all {
		b.Run(c.ID, func(b *testing.B) {
			without := prepare(src, append(append([]*check.Check(nil), all[:i]...), all[i+1:]...))
			best := fastest(b, with.whole, without.whole)
			b.ReportMetric(100*(best[0]-best[1])/best[0], "%")
		})
	}
}

// fastest gives the shortest time of each turn in nanoseconds.
func fastest(b *testing.B, turns ...func()) []float64 {
	best := make([]float64, len(turns))
	for b.Loop() {
		for i, turn := range turns {
			start := time.Now()
			turn()
			if took := float64(time.Since(start)); best[i] == 0 || took < best[i] {
				best[i] = took
			}
		}
	}
	b.ReportMetric(0, "ns/op")
	return best
}

func BenchmarkReview(b *testing.B) {
	for name, fill := range texts {
		b.Run(name, func(b *testing.B) {
			s := prepare(fill(1<<20), checks.All())
			b.SetBytes(int64(len(s.src)))
			b.ReportAllocs()
			for b.Loop() {
				s.whole()
			}
		})
	}
}

func BenchmarkBind(b *testing.B) {
	s := prepare(speed.Mixed(1<<18), nil)
	for b.Loop() {
		s.bind()
	}
}
