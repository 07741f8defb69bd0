package claims

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"path/filepath"
	"slices"
	"sort"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/follow"
	"justlens/core/run"
	"justlens/core/sample"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/demo"
)

// runQueries is how many generated queries are worked out beside each server; JUSTLENS_RUNS=20000
// makes more.
const runQueries = 1500

// TestRunsAsServersDo works generated queries and those of examples and cases out on made rows, and
// has the servers do the same.
func TestRunsAsServersDo(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		f := openFacts(t, s)
		e := &evaluation{t: t, f: f, counts: map[string]int{}, unknown: map[string]int{}, classes: map[string]int{}}
		cases := runCases(t, s.dialect)
		written := append(writtenQueries(t, s), cases...)
		n := runQueries
		if more, err := strconv.Atoi(os.Getenv("JUSTLENS_RUNS")); err == nil {
			n = more
		}
		for _, q := range cases {
			for _, read := range run.Read([]byte(q), s.dialect, 0, f.tables) {
				require.NoError(t, read.Err, q)
			}
		}
		for seed := range uint64(1 + n/250) {
			rng := rand.New(rand.NewPCG(seed, 5))
			made := sample.Tables(f.tables, f.all, sample.Options{Seed: seed, Rows: 6, Dialect: s.dialect})
			f.fill(made)
			e.data = run.Made(made, s.dialect)
			if seed < 12 {
				for _, q := range written {
					e.try(q)
				}
			}
			for range 250 {
				q := querySource{Rand: rng, tables: f.all, dialect: s.dialect}
				e.try(q.query(0))
			}
		}
		t.Logf("%s: %v", s.dialect, e.counts)
		t.Logf("%s, queries by construct: %v", s.dialect, e.classes)
		var names []string
		for name := range e.unknown {
			names = append(names, name)
		}
		sort.Slice(names, func(i, k int) bool { return e.unknown[names[i]] > e.unknown[names[k]] })
		for _, name := range names[:min(len(names), 40)] {
			t.Logf("%6d %s", e.unknown[name], name)
		}
		require.Zero(t, e.counts["differ"])
	})
}

// evaluation compares what the evaluator and a server make of queries.
type evaluation struct {
	t       *testing.T
	f       *trial
	data    run.Database
	counts  map[string]int
	unknown map[string]int
	classes map[string]int // of constructs, of queries that gave the same
}

// classify counts the constructs of a query.
func (e *evaluation) classify(q *syntax.Query) {
	found := map[string]bool{}
	syntax.Inspect(q, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Join:
			found[[]string{"inner join", "left join", "right join", "full join", "cross join", "", "", "", ""}[n.Type]] = true
			if len(n.Using) > 0 || n.Natural {
				found["using"] = true
			}
		case *syntax.Derived:
			found["derived table"] = true
			if n.Lateral {
				found["lateral"] = true
			}
		case *syntax.With:
			found["common table expression"] = true
			if n.Recursive {
				found["with recursive"] = true
			}
		case *syntax.SetOp:
			found["set operation"] = true
		case *syntax.GroupBy:
			found["group by"] = true
			if n.Sets {
				found["grouping sets"] = true
			}
		case *syntax.Having:
			found["having"] = true
		case *syntax.Window:
			found["window"] = true
		case *syntax.Call:
			found["call"] = true
		case *syntax.Case:
			found["case"] = true
		case *syntax.Cast:
			found["cast"] = true
		case *syntax.Exists, *syntax.Subquery, *syntax.Quantified:
			found["subquery"] = true
		case *syntax.In:
			found["in"] = true
		case *syntax.Like:
			found["like"] = true
		case *syntax.OrderBy:
			found["order by"] = true
		case *syntax.Limit:
			found["limit"] = true
		case *syntax.Select:
			if n.Distinct {
				found["distinct"] = true
			}
		case *syntax.Binary:
			if !n.Op.IsComparison() && n.Op != syntax.OpAnd && n.Op != syntax.OpOr {
				found["arithmetic"] = true
			}
		case *syntax.Interval, *syntax.TypedLiteral:
			found["days"] = true
		}
		return true
	})
	for class := range found {
		e.classes[class]++
	}
}

func (e *evaluation) try(query string) {
	if containsAny(query[:6], []string{"UPDATE", "DELETE", "MERGE "}) {
		e.write(query)
		return
	}
	d := e.f.server.dialect
	parser := syntax.NewParser(e.f.names)
	parser.Reset([]byte(query), d)
	stmt := parser.Next()
	sel, ok := stmt.Node.(*syntax.SelectStmt)
	if !ok {
		return
	}
	e.counts["all"]++
	binder := bind.NewBinder(e.f.names)
	binder.Reset([]byte(query), d, e.f.tables)
	in := &facts.Facts{}
	in.Reset(binder.Bind(stmt))
	theirs, refused := e.f.server.values(query)
	plan, err := run.Compile(in, stmt, sel.Query)
	if err == nil && plan.Now {
		e.counts["of this day"]++
		return
	}
	var result *run.Result
	if err == nil {
		result, err = plan.Run(e.data, run.Limits{Rows: 20_000, Steps: 2_000_000})
	}
	var unknown run.Unknown
	var refusal run.Refusal
	switch {
	case errors.As(err, &unknown):
		e.counts["unknown"]++
		if refused == nil {
			e.unknown[unknown.What]++
			if e.unknown[unknown.What] == 1 && os.Getenv("JUSTLENS_SHOW") != "" {
				e.t.Logf("unknown: %v: %s", err, query)
			}
		}
		return
	case refused != nil && (err == nil || errors.As(err, &refusal)):
		e.counts["refused"]++
		return
	case err != nil && errors.As(err, &refusal):
		e.counts["refused here alone"]++
		if e.counts["refused here alone"] < 10 {
			e.t.Logf("refused here alone: %v: %s", err, query)
		}
		return
	case err != nil:
		e.counts["too much"]++
		return
	case refused != nil:
		e.counts["refused there alone"]++
		return
	}
	if result.Open {
		e.counts["open"]++
		return
	}
	ours := make([]string, len(result.Rows))
	for i, row := range result.Rows {
		for _, v := range row {
			ours[i] += canonical(v.String()) + "|"
			if v.IsNull() {
				ours[i] = strings.TrimSuffix(ours[i], "NULL|") + "<nil>|"
			}
		}
	}
	if result.Loose {
		sort.Strings(ours)
		sort.Strings(theirs)
	}
	if slices.Equal(ours, theirs) {
		e.counts["same"]++
		e.classify(sel.Query)
		return
	}
	e.counts["differ"]++
	if e.counts["differ"] < 12 {
		e.t.Errorf("%s\nours   %v\ntheirs %v", query, ours, theirs)
	}
}

// write compares how many rows a statement would touch with how many it touches.
func (e *evaluation) write(query string) {
	read := run.Read([]byte(query), e.f.server.dialect, 0, e.f.tables)
	require.Len(e.t, read, 1)
	require.NoError(e.t, read[0].Err, query)
	result, err := read[0].Plan.Run(e.data, run.Limits{})
	var refusal run.Refusal
	if errors.As(err, &refusal) {
		_, err := e.f.server.rows(query)
		require.Error(e.t, err, query)
		e.counts["refused"]++
		return
	}
	require.NoError(e.t, err, query)
	tx, err := e.f.server.db.Begin()
	require.NoError(e.t, err)
	defer tx.Rollback()
	done, err := tx.Exec(query)
	if err != nil {
		return // a key that others refer to
	}
	n, err := done.RowsAffected()
	require.NoError(e.t, err)
	require.EqualValues(e.t, n, len(result.Rows), query)
	e.counts["writes"]++
}

// TestFollowCountsAsServersDo follows the demo's queries on the demo's rows, and has the servers count
// what each join and condition leaves.
func TestFollowCountsAsServersDo(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		tables := schema.New(nil)
		tables.Load([]byte(demo.Schema()), s.dialect)
		data, err := run.Inserts([]byte(demo.Data()), s.dialect, 0, tables)
		require.NoError(t, err)
		paths, err := filepath.Glob("../demo/files/queries/*.sql")
		require.NoError(t, err)
		more, err := filepath.Glob("../demo/files/queries/*/*.sql")
		require.NoError(t, err)
		queries, counts := 0, 0
		for _, path := range append(paths, more...) {
			src, err := os.ReadFile(path)
			require.NoError(t, err)
			for _, q := range run.Read(src, s.dialect, 0, tables) {
				if q.Err != nil || q.Node == nil {
					continue
				}
				text := string(src[q.Node.Span().Start:q.Node.Span().End])
				theirs, err := s.values(text)
				if err != nil {
					continue // written for another database
				}
				f := follow.Read(q)
				f.Run(data, run.Limits{})
				if _, unknown := f.Err.(run.Unknown); unknown {
					continue
				}
				require.NoError(t, f.Err, text)
				queries++
				if !f.Result.Open {
					require.Len(t, f.Result.Rows, len(theirs), text)
				}
				counts += countSteps(t, s, f)
			}
		}
		t.Logf("%s: %d queries, %d questions", s.dialect, queries, counts)
		require.Greater(t, counts, 20)
	})
}

// countSteps has a server answer the questions that are composed for a query, and holds the counts of
// the evaluator to them.
func countSteps(t *testing.T, s *server, f *follow.Followed) (asked int) {
	var ours []follow.Counts
	for _, step := range f.Steps {
		ours = append(ours, *step.Counts)
	}
	for _, q := range f.Questions() {
		found, err := s.values(q.Query)
		if err != nil {
			return asked // a condition names an alias of the select list
		}
		var n int
		_, err = fmt.Sscanf(found[0], "%d|", &n)
		require.NoError(t, err, "%s: %s", q.Query, found)
		q.Answer(n)
		asked++
	}
	for i, step := range f.Steps {
		theirs, ours := *step.Counts, ours[i]
		slices.SortFunc(theirs.Nulls, func(a, b follow.NullCount) int { return strings.Compare(a.Column, b.Column) })
		slices.SortFunc(ours.Nulls, func(a, b follow.NullCount) int { return strings.Compare(a.Column, b.Column) })
		if step.Kind == run.JoinStage {
			ours.In, theirs.In = 0, 0
		}
		require.Equal(t, ours, theirs, f.Text(f.Node))
	}
	return asked
}

// values gives the rows of a query as the server orders them, in canonical writing.
func (s *server) values(query string) ([]string, error) {
	return s.lines(query, func(v any) string {
		switch v := v.(type) {
		case nil:
			return "<nil>"
		case time.Time:
			return canonical(v.Format("2006-01-02 15:04:05.999999"))
		case float64:
			return canonical(strconv.FormatFloat(v, 'g', -1, 64))
		}
		return canonical(fmt.Sprint(v))
	})
}

// canonical writes a value so that a number is the same however it is written, a day is its first
// moment, and true is 1.
func canonical(s string) string {
	if f, err := strconv.ParseFloat(s, 64); err == nil {
		if f == 0 {
			f = 0 // not -0
		}
		return strconv.FormatFloat(f, 'g', 10, 64)
	}
	if t, err := time.Parse("2006-01-02 15:04:05.999999", s); err == nil {
		return t.Format("2006-01-02 15:04:05.999999")
	}
	if t, err := time.Parse("2006-01-02", s); err == nil {
		return t.Format("2006-01-02 15:04:05.999999")
	}
	switch s {
	case "true":
		return "1"
	case "false":
		return "0"
	}
	return s
}

// leftOpen are queries of which a server gives other rows than it says, each with the reason.
var leftOpen = map[string]string{
	"SELECT name, (SELECT name) AS again FROM hives": "MariaDB remembers what a subquery gave for a text that differs in letter case only",
}

// runCases lists the queries of testdata/run.txt that are for a database.
func runCases(t *testing.T, d dialect.Dialect) (list []string) {
	src, err := os.ReadFile("testdata/run.txt")
	require.NoError(t, err)
	for line := range strings.Lines(string(src)) {
		if on, query, ok := strings.Cut(strings.TrimSpace(line), ": "); ok && !strings.HasPrefix(line, "#") && strings.Contains(on, d.String()[:1]) {
			list = append(list, query)
		}
	}
	require.NotEmpty(t, list)
	return list
}

// writtenQueries lists the queries of examples and cases that a server runs.
func writtenQueries(t *testing.T, s *server) (list []string) {
	seen := map[string]bool{}
	add := func(query string) {
		upper := strings.ToUpper(query)
		if seen[query] || leftOpen[query] != "" || !tried(query, s.dialect) || !containsAny(upper[:min(7, len(upper))], []string{"SELECT", "WITH", "VALUES"}) || containsAny(upper, []string{"RANDOM()", "RAND()", "NOW()", "CURRENT_", "SYSDATE", "CURDATE"}) {
			return
		}
		seen[query] = true
		if _, err := s.rows(query); err == nil {
			list = append(list, query)
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
		if d == s.dialect || d == dialect.ANSI || d == dialect.MySQL && s.dialect == dialect.MariaDB {
			for _, stmt := range statements {
				add(stmt)
			}
		}
	})
	return list
}
