package claims

import (
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
	"justlens/demo"
)

// findings reviews a query as the server's dialect, with the demo's schema.
func findings(t *testing.T, d dialect.Dialect, only []*check.Check, query string) []review.Finding {
	t.Helper()
	s := schema.New(nil)
	s.SetWhole()
	s.Load([]byte(demo.Schema()), d)
	require.Empty(t, s.Problems)
	f, err := text.NewFile("claim.sql", []byte(query))
	require.NoError(t, err)
	run := only
	if only[0].Family() == "acceptance" { // which is about what other checks find
		run = checks.All()
	}
	out := review.New(review.Options{Dialect: d, Schema: s, Checks: run, Certainty: check.Possible}).Review(f)
	require.Empty(t, out.Faults, query)
	return slices.DeleteFunc(out.Findings, func(f review.Finding) bool { return !slices.Contains(only, f.Check) })
}

// runsOn reports whether an example is written so that the server reads it.
func runsOn(e check.Example, d dialect.Dialect) bool {
	return e.Dialect == dialect.ANSI || e.Dialect == d || e.Dialect == dialect.MySQL && d == dialect.MariaDB
}

// beyond lists what single servers cannot read of examples that others can.
var beyond = map[dialect.Dialect][]string{
	dialect.MariaDB: {"IDENTIFIED BY", "ROLLUP (", "generate_series", "LATERAL", "ON CONFLICT", "IS NOT DISTINCT", "RANDOM()", "ANALYZE hives"},
	dialect.SQLite:  {"information_schema", "FETCH FIRST", "ROLLUP (", "generate_series", "LATERAL", "ANALYZE hives"},
}

// tried reports whether a text can be tried on the server as it stands.
func tried(query string, d dialect.Dialect) bool {
	for _, word := range append(beyond[d], "?", "$1", ";;") {
		if strings.Contains(query, word) {
			return false
		}
	}
	parts := statements([]byte(query), d)
	if len(parts) > 1 && d == dialect.MariaDB {
		return false // which undoes no definition
	}
	return !slices.ContainsFunc(parts, func(s string) bool { return strings.Contains(s, "; ") }) // a routine is refused when it runs
}

// TestExamplesOnServers tries that what is said to be refused is refused, that
// everything else runs, and that mends said to keep the rows keep them.
func TestExamplesOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		count := 0
		for _, c := range checks.All() {
			for _, e := range c.Examples {
				if !runsOn(e, s.dialect) {
					continue
				}
				for _, query := range append([]string{e.Bad, e.Good}, e.Near...) {
					if query != "" && tried(query, s.dialect) {
						count++
						tryMends(t, s, query, findings(t, s.dialect, []*check.Check{c}, query))
					}
				}
			}
		}
		require.Greater(t, count, 50)
	})
}

// tryMends asks that the server refuses what is said to be refused and takes
// everything else, that mends run, and that those said to keep the rows do.
func tryMends(t *testing.T, s *server, query string, found []review.Finding) {
	t.Helper()
	before, err := s.rows(query)
	refusals := 0
	for _, f := range found {
		if f.Consequence == check.Refused {
			refusals++
		}
	}
	refused := refusals > 0
	if refused {
		require.Error(t, err, "said to be refused by %s: %s", s.dialect, query)
	} else {
		require.NoError(t, err, "on %s: %s", s.dialect, query)
	}
	for _, f := range found {
		for _, m := range f.Mends {
			if len(m.Edits) == 0 || m.Effect == check.ByHand || refused && (f.Consequence != check.Refused || refusals > 1) {
				continue
			}
			mended, err := text.Apply([]byte(query), m.Edits)
			require.NoError(t, err)
			after, err := s.rows(string(mended))
			require.NoError(t, err, "the mend %q of %s on %s: %s", m.Title, f.Check.ID, s.dialect, mended)
			if varies := containsAny(strings.ToUpper(query), []string{"RANDOM()", "NOW()"}); m.Effect == check.SameRows && !refused && !varies {
				require.Equal(t, before, after, "the mend %q of %s on %s changes the rows: %s", m.Title, f.Check.ID, s.dialect, mended)
			}
		}
	}
}

// unknowable marks statements of case files about things no server has.
var unknowable = []string{"unknown_one", "somewhere", "bees_of", "swarm", "light", "VACUUM", "GRANT", "lenght", "substring(name)", "VARIADIC", " a.hives", "combs"}

// TestCasesOnServers tries the statements of the checks' case files on the
// server whose dialect they are written in.
func TestCasesOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		paths, err := filepath.Glob("../core/checks/testdata/*.sql")
		require.NoError(t, err)
		count := 0
		for _, path := range paths {
			src, err := os.ReadFile(path)
			require.NoError(t, err)
			d, version := writtenIn(t, src)
			if version > 0 || !runsOn(check.Example{Dialect: d}, s.dialect) {
				continue
			}
			for _, stmt := range statements(src, d) {
				if tried(stmt, s.dialect) && !containsAny(stmt, unknowable) {
					count++
					tryStatement(t, s, stmt)
				}
			}
		}
		require.Greater(t, count, 10)
	})
}

func containsAny(s string, parts []string) bool {
	return slices.ContainsFunc(parts, func(p string) bool { return strings.Contains(s, p) })
}

// statements cuts a script into its statements.
func statements(src []byte, d dialect.Dialect) []string {
	var out []string
	p := syntax.NewParser(syntax.NewNames())
	p.Reset(src, d)
	for s := p.Next(); s != nil; s = p.Next() {
		out = append(out, string(src[s.Span.Start:s.Span.End]))
	}
	return out
}

// eachCaseFile calls do with the statements of each case file, and what they are written in.
func eachCaseFile(t *testing.T, do func(d dialect.Dialect, v dialect.Version, statements []string)) {
	paths, err := filepath.Glob("../core/checks/testdata/*.sql")
	require.NoError(t, err)
	for _, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(t, err)
		d, v := writtenIn(t, src)
		do(d, v, statements(src, d))
	}
}

// writtenIn gives the dialect that the first line of a case file names, before its options.
func writtenIn(t *testing.T, src []byte) (dialect.Dialect, dialect.Version) {
	head, _, _ := strings.Cut(strings.TrimPrefix(string(src), "-- dialect: "), "\n")
	name, _, _ := strings.Cut(head, ",")
	d, v, err := dialect.ParseWithVersion(name)
	require.NoError(t, err)
	return d, v
}

// TestDemoQueriesOnServers tries each statement of the demo's queries.
func TestDemoQueriesOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		queries, err := fs.Glob(demo.Files(), "queries/*.sql")
		require.NoError(t, err)
		old, err := fs.Glob(demo.Files(), "queries/old_site/*.sql")
		require.NoError(t, err)
		review, err := fs.Glob(demo.Files(), "queries/code_review/*.sql")
		require.NoError(t, err)
		switch s.dialect {
		case dialect.MariaDB:
			queries = append(queries, old...)
		case dialect.Postgres:
			queries = append(queries, slices.DeleteFunc(review, func(path string) bool { return strings.Contains(path, "move_hives") })...) // routines are refused when they run
		}
		for _, path := range queries {
			data, err := fs.ReadFile(demo.Files(), path)
			require.NoError(t, err)
			for _, stmt := range statements(data, s.dialect) {
				if !(s.dialect == dialect.SQLite && strings.Contains(stmt, "EXTRACT")) {
					tryStatement(t, s, stmt)
				}
			}
		}
	})
}

// tryStatement compares what all checks say of a statement with what the
// server does, and tries its mends.
func tryStatement(t *testing.T, s *server, stmt string) {
	t.Helper()
	tryMends(t, s, stmt, findings(t, s.dialect, checks.All(), stmt))
}
