package claims

import (
	"maps"
	"math/rand/v2"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/sample"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// fillings is how many sets of rows each mend is tried on; JUSTLENS_FILLINGS=2000 makes more.
var fillings = map[dialect.Dialect]int{dialect.SQLite: 60, dialect.Postgres: 20, dialect.MariaDB: 20}

// kept is a query and what a mend that keeps the rows makes of it.
type kept struct{ check, query, mended string }

// TestSameRowsArePromised tries the mends that are said to keep the rows, of all examples and cases,
// on rows made for them: with NULLs, rows that are alike, empty tables, and the values that the
// queries compare with, and their neighbours.
func TestSameRowsArePromised(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		f := openFacts(t, s)
		pairs := keptPairs(t, s)
		constants := constantsOf(pairs, f.all, s.dialect)
		n := fillings[s.dialect]
		if more, err := strconv.Atoi(os.Getenv("JUSTLENS_FILLINGS")); err == nil {
			n = more
		}
		trials := map[string]int{}
		for seed := range uint64(n) {
			r := rand.New(rand.NewPCG(seed, 11))
			var some []sample.Constant
			for range 40 {
				some = append(some, constants[r.IntN(len(constants))])
			}
			f.fill(sample.Tables(f.tables, f.all, sample.Options{Seed: seed, Rows: 6, Dialect: s.dialect, Constants: some}))
			for _, p := range pairs {
				before, err := s.rows(p.query)
				if err != nil {
					continue // as where a subquery gives several rows
				}
				after, err := s.rows(p.mended)
				require.NoError(t, err, "%s on %s: %s", p.check, s.dialect, p.mended)
				require.Equal(t, before, after, "a mend of %s on %s changes the rows, with seed %d: %s\n%s", p.check, s.dialect, seed, p.query, p.mended)
				trials[p.check]++
			}
		}
		total, least := 0, n*len(pairs)
		for _, k := range trials {
			total, least = total+k, min(least, k)
		}
		t.Logf("%s: %d mends of %d checks that keep the rows, %d trials, at least %d a check: %v", s.dialect, len(pairs), len(trials), total, least, slices.Sorted(maps.Keys(trials)))
		require.Greater(t, len(trials), 20)
	})
}

// keptPairs lists the mends of examples and cases that are said to keep the rows, of queries that
// the server runs and whose rows no chance decides.
func keptPairs(t *testing.T, s *server) []kept {
	var pairs []kept
	seen := map[kept]bool{}
	add := func(query string) {
		upper := strings.ToUpper(query)
		if !tried(query, s.dialect) || containsAny(query, unknowable) || !containsAny(upper[:min(7, len(upper))], []string{"SELECT", "WITH", "VALUES"}) ||
			containsAny(upper, []string{"RANDOM()", "NOW()", "CURRENT_", "LIMIT", "FETCH", "ROW_NUMBER", "STRING_AGG", "GROUP_CONCAT", "ARRAY_AGG"}) {
			return
		}
		if _, err := s.rows(query); err != nil {
			return
		}
		for _, f := range findings(t, s.dialect, checks.All(), query) {
			for _, m := range f.Mends {
				if m.Effect != check.SameRows || len(m.Edits) == 0 {
					continue
				}
				mended, err := text.Apply([]byte(query), m.Edits)
				require.NoError(t, err)
				if p := (kept{f.Check.ID, query, string(mended)}); !seen[p] {
					seen[p] = true
					pairs = append(pairs, p)
				}
			}
		}
	}
	for _, c := range checks.All() {
		for _, e := range c.Examples {
			if runsOn(e, s.dialect) {
				for _, query := range append([]string{e.Bad, e.Good}, e.Near...) {
					add(query)
				}
			}
		}
	}
	eachCaseFile(t, func(d dialect.Dialect, _ dialect.Version, statements []string) {
		if runsOn(check.Example{Dialect: d}, s.dialect) {
			for _, stmt := range statements {
				add(stmt)
			}
		}
	})
	return pairs
}

// constantsOf gives the literals of queries as values for the columns that can hold them.
func constantsOf(pairs []kept, tables []*schema.Table, d dialect.Dialect) []sample.Constant {
	numbers, texts := map[string]bool{}, map[string]bool{}
	for _, p := range pairs {
		parser := syntax.NewParser(syntax.NewNames())
		parser.Reset([]byte(p.query), d)
		for stmt := parser.Next(); stmt != nil; stmt = parser.Next() {
			for _, t := range stmt.Tokens {
				written := p.query[t.Span.Start:t.Span.End]
				switch {
				case t.Kind == syntax.NumberToken && len(written) < 6:
					numbers[written] = true
				case t.Kind == syntax.TextToken && len(written) < 20 && !strings.Contains(written[1:len(written)-1], "'"):
					texts[written] = true
				}
			}
		}
	}
	var out []sample.Constant
	for _, table := range tables {
		for i, c := range table.Columns {
			from := texts
			if c.Type.Class.IsNumber() {
				from = numbers
			} else if c.Type.Class != class.Text {
				continue
			}
			for _, written := range slices.Sorted(maps.Keys(from)) {
				if c.Type.Class == class.Decimal && len(written) > 3 {
					continue // beyond decimal(4,1)
				}
				out = append(out, sample.Constant{Table: table, Column: i, Text: written})
			}
		}
	}
	return out
}
