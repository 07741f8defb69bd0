package claims

import (
	"context"
	"fmt"
	"math/rand/v2"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/compare"
	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/sample"
	"justlens/core/syntax"
	"justlens/core/text"
)

// mutantPairs is how many pairs of a query and a mutant the hunt is tried on, mutantFillings how
// many large databases PostgreSQL tries; JUSTLENS_MUTANTS=200 tries as many.
const (
	mutantPairs    = 200
	mutantFillings = 25
)

// TestHuntFindsWhatServersFind has the hunt look for differences between queries and mutants of
// them, where PostgreSQL finds some on large made databases.
func TestHuntFindsWhatServersFind(t *testing.T) {
	s := open(t, dialect.Postgres)
	f := openFacts(t, s)
	fillings := mutantFillings
	if more, err := strconv.Atoi(os.Getenv("JUSTLENS_MUTANTS")); err == nil {
		fillings = more
	}
	pairs := mutatedPairs(f)
	differs := make([]bool, len(pairs))
	for seed := range uint64(fillings) {
		f.fill(sample.Tables(f.tables, f.all, sample.Options{Seed: 1000 + seed, Rows: 40, Dialect: s.dialect, Constants: pairs[seed%uint64(len(pairs))].constants}))
		for i, p := range pairs {
			if differs[i] {
				continue
			}
			a, err := s.values(p.query)
			b, also := s.values(p.mutant)
			if err == nil && also == nil {
				slices.Sort(a)
				slices.Sort(b)
				differs[i] = !slices.Equal(a, b)
			}
		}
	}
	there, here, both := 0, 0, 0
	var shown []int
	for i, p := range pairs {
		require.False(t, differs[i] && compare.Proved(p.old, p.new), "they are said to give the same rows: %s\n%s", p.query, p.mutant)
		h := compare.Hunt(context.Background(), p.old, p.new, compare.Options{Seed: 1})
		require.False(t, h.Difference != nil && compare.Proved(p.old, p.new), "they are said to give the same rows: %s\n%s", p.query, p.mutant)
		if differs[i] {
			there++
		}
		if h.Difference == nil {
			if differs[i] {
				t.Logf("not found (%d tried, %d open, %d stopped): %s\n%s", h.Tried, h.Open, h.Stopped, p.query, p.mutant)
			}
			continue
		}
		here++
		rows := 0
		for _, made := range h.Difference.Tables {
			rows += len(made.Rows)
		}
		shown = append(shown, rows)
		if differs[i] {
			both++
		}
		f.fill(withAll(h.Difference.Made, f))
		a, err := s.values(p.query)
		require.NoError(t, err, p.query)
		b, err := s.values(p.mutant)
		require.NoError(t, err, p.mutant)
		if !h.Difference.Order {
			slices.Sort(a)
			slices.Sort(b)
		}
		require.NotEqual(t, a, b, "PostgreSQL sees no difference: %s\n%s\n%v", p.query, p.mutant, h.Difference.Made)
	}
	slices.Sort(shown)
	t.Logf("of %d pairs PostgreSQL finds %d to differ on %d large databases, the hunt %d of these and %d in all; the median of the rows shown is %d", len(pairs), there, fillings, both, here, shown[len(shown)/2])
	require.GreaterOrEqual(t, both*100, there*98)
	require.LessOrEqual(t, shown[len(shown)/2], 4)
}

// withAll gives made rows with the tables that have none.
func withAll(made []sample.Rows, f *trial) []sample.Rows {
	all := slices.Clone(sample.NewMaker(f.tables, f.all, sample.Options{}).Make(0))
	for i := range all {
		all[i].Rows = nil
		for _, m := range made {
			if m.Table == all[i].Table {
				all[i].Rows = m.Rows
			}
		}
	}
	return all
}

// mutated is a query, a mutant of it, and both bound.
type mutated struct {
	query, mutant string
	old, new      *run.Query
	constants     []sample.Constant
}

// mutatedPairs generates queries that the server runs, and mutants that it runs, too.
func mutatedPairs(f *trial) (pairs []mutated) {
	rng := rand.New(rand.NewPCG(3, 9))
	kinds := map[string]int{}
	for len(pairs) < mutantPairs {
		q := querySource{Rand: rng, tables: f.all, dialect: f.server.dialect}
		query := q.query(1)
		kind, mutant := mutate(query, f.server.dialect, rng)
		if mutant == "" || kinds[kind] > mutantPairs/4 {
			continue
		}
		p := mutated{query: query, mutant: mutant}
		read := func(text string) *run.Query {
			read := run.Read([]byte(text), f.server.dialect, 0, f.tables)
			if len(read) != 1 || read[0].Err != nil || len(read[0].Plan.Tables) == 0 {
				return nil
			}
			if _, err := f.server.values(text); err != nil {
				return nil
			}
			return read[0]
		}
		if p.old, p.new = read(query), read(mutant); p.old == nil || p.new == nil || len(p.old.Plan.Columns) != len(p.new.Plan.Columns) {
			continue
		}
		kinds[kind]++
		p.constants = append(sample.ConstantsOf(p.old.Info, p.old.Stmt.Node), sample.ConstantsOf(p.new.Info, p.new.Stmt.Node)...)
		pairs = append(pairs, p)
	}
	f.t.Logf("%v", kinds)
	return pairs
}

// mutate changes one place of a query: "" where it has none of the chosen kind.
func mutate(query string, d dialect.Dialect, rng *rand.Rand) (kind, mutant string) {
	parser := syntax.NewParser(syntax.NewNames())
	parser.Reset([]byte(query), d)
	stmt := parser.Next()
	type change struct {
		kind string
		edit text.Edit
	}
	var changes []change
	add := func(kind string, s text.Span, with string) {
		changes = append(changes, change{kind, text.Edit{Span: s, Text: with}})
	}
	of := func(n syntax.Node) string { return query[n.Span().Start:n.Span().End] }
	syntax.Inspect(stmt.Node, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Binary:
			swapped := map[string]string{"<": "<=", "<=": "<", ">": ">=", ">=": ">", "=": "<>", "<>": "=", "+": "-", "-": "+"}
			written := query[n.OpSpan.Start:n.OpSpan.End]
			switch {
			case n.Op == syntax.OpAnd:
				add("dropped conjunct", n.Span(), of(n.X))
				add("dropped conjunct", n.Span(), of(n.Y))
				add("OR for AND", n.OpSpan, "OR")
				if or, ok := n.X.(*syntax.Paren); ok {
					if b, ok := or.X.(*syntax.Binary); ok && b.Op == syntax.OpOr { // (a OR b) AND c becomes a OR (b AND c)
						add("moved parenthesis", n.Span(), fmt.Sprintf("(%s OR (%s AND %s))", of(b.X), of(b.Y), of(n.Y)))
					}
				}
			case n.Op == syntax.OpOr:
				add("AND for OR", n.OpSpan, "AND")
			case swapped[written] != "":
				add("other operator", n.OpSpan, swapped[written])
			}
		case *syntax.Join:
			kinds := map[string]string{"LEFT JOIN": "JOIN", "JOIN": "LEFT JOIN", "RIGHT JOIN": "JOIN", "FULL JOIN": "LEFT JOIN"}
			if other := kinds[query[n.OpSpan.Start:n.OpSpan.End]]; other != "" {
				add("other join", n.OpSpan, other)
			}
		case *syntax.SetOp:
			kinds := map[string]string{"UNION": "UNION ALL", "UNION ALL": "UNION", "INTERSECT": "EXCEPT", "EXCEPT": "INTERSECT"}
			add("other set operation", n.OpSpan, kinds[query[n.OpSpan.Start:n.OpSpan.End]])
		case *syntax.Select:
			if n.Distinct {
				add("no DISTINCT", text.Span{Start: n.Span().Start, End: n.Items[0].Span().Start}, "SELECT ")
			}
			if n.Where != nil && n.GroupBy == nil {
				add("no WHERE", n.Where.Span(), "")
			}
			if n.Having != nil {
				add("no HAVING", n.Having.Span(), "")
			}
		case *syntax.Call:
			if n.Star && n.Over == nil {
				for _, name := range []string{"t1.name", "t1.keeper_id", "t1.mites", "t1.queen_id"} {
					add("COUNT of a column", n.Span(), "COUNT("+name+")")
				}
			}
		case *syntax.Is:
			if n.Test == syntax.IsNull {
				add("other test of NULL", n.Span(), map[bool]string{true: of(n.X) + " IS NULL", false: of(n.X) + " IS NOT NULL"}[n.Not])
			}
		case *syntax.In:
			if n.Not {
				add("no NOT", n.Span(), strings.Replace(of(n), " NOT IN ", " IN ", 1))
			} else {
				add("NOT", n.Span(), strings.Replace(of(n), " IN ", " NOT IN ", 1))
			}
		}
		return true
	})
	if len(changes) == 0 {
		return "", ""
	}
	c := changes[rng.IntN(len(changes))]
	out, err := text.Apply([]byte(query), []text.Edit{c.edit})
	if err != nil {
		return "", ""
	}
	return c.kind, string(out)
}
