package mend_test

import (
	"flag"
	"io/fs"
	"maps"
	"math/rand/v2"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/mend"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
	"justlens/demo"
)

// FuzzLikely composes what people type by mistake: statements of the tests and the
// demo with words dropped, doubled and moved, names exchanged and quotes forgotten.
// Under every dialect nothing faults in review, schema and mend, every span lies in
// the text, every mend can be applied, and what is mended twice is as what is mended once.
func FuzzLikely(f *testing.F) {
	c := newComposer(f)
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), dialect.ANSI)
	require.Empty(f, tables.Problems)
	for seed := range uint64(64) {
		f.Add(seed, uint8(seed))
	}
	f.Fuzz(func(t *testing.T, seed uint64, d uint8) {
		src := c.compose(rand.New(rand.NewPCG(seed, uint64(d))))
		o := review.Options{Dialect: dialect.Dialect(d % uint8(dialect.Count)), Checks: checks.All()}
		if d/uint8(dialect.Count)%2 == 0 {
			o.Schema = tables
		}
		requireSound(t, src, o)
	})
}

var likely = flag.Int("likely", 500, "how many texts TestLikelySeeds composes")

// TestLikelySeeds is FuzzLikely over the first seeds, the same whenever it runs: what fails
// here fails for everyone.
func TestLikelySeeds(t *testing.T) {
	t.Parallel()
	c := newComposer(t)
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), dialect.ANSI)
	const workers = 4
	for w := range workers {
		t.Run("", func(t *testing.T) {
			t.Parallel()
			for i := 1000 + w; i < 1000+*likely; i += workers { // the first are FuzzLikely's own
				src := c.compose(rand.New(rand.NewPCG(uint64(i), uint64(i>>8))))
				o := review.Options{Dialect: dialect.Dialect(i % int(dialect.Count)), Checks: checks.All()}
				if i/int(dialect.Count)%2 == 0 {
					o.Schema = tables
				}
				requireSound(t, src, o)
			}
		})
	}
}

func requireSound(t *testing.T, src string, o review.Options) {
	defined := schema.New(nil)
	defined.Load([]byte(src), o.Dialect)
	for _, p := range defined.Problems {
		require.False(t, p.Fault, "%s: %s, in\n%s", o.Dialect, p.Message, src)
	}
	again := func(src []byte) ([]review.Finding, error) {
		f, err := text.NewFile("likely.sql", src)
		if err != nil {
			return nil, err
		}
		out := review.New(o).Review(f)
		for _, fault := range out.Faults {
			t.Fatalf("%s: %v, in\n%s", o.Dialect, fault, src)
		}
		for _, found := range out.Findings {
			requireInside(t, f, found.Finding)
		}
		return out.Findings, nil
	}
	for _, effects := range [][]check.Effect{{check.SameRows}, {check.SameRows, check.NewRows}} {
		once, err := mend.Mend([]byte(src), effects, again)
		if err == text.ErrBinary {
			return
		}
		require.NoError(t, err)
		twice, err := mend.Mend(once.Text, effects, again)
		require.NoError(t, err)
		require.Equal(t, string(once.Text), string(twice.Text), "%s, %v, mended twice:\n%s", o.Dialect, effects, src)
	}
}

func requireInside(t *testing.T, f *text.File, found check.Finding) {
	whole := text.Span{End: text.Pos(len(f.Bytes()))}
	if !whole.Contains(found.Span) || !whole.Contains(found.Context) {
		t.Fatalf("%s at %v in %v lies outside the text:\n%s", found.Check.ID, found.Span, found.Context, f.Bytes())
	}
	for _, m := range found.Mends {
		if _, err := text.Apply(f.Bytes(), slices.Clone(m.Edits)); err != nil {
			t.Fatalf("the mend %q of %s cannot be applied: %v, in\n%s", m.Title, found.Check.ID, m.Edits, f.Bytes())
		}
	}
}

// piece is a token with the blanks and comments before it.
type piece struct {
	gap, text string
	kind      syntax.TokenKind
	clause    bool // it begins a clause
}

// composer makes texts from the statements it knows.
type composer struct {
	statements [][]piece
	kinds      map[string][]int // of statements by their first two words
	words      []string         // that kinds has
	names      []piece
}

func newComposer(t testing.TB) *composer {
	c := &composer{}
	for _, pattern := range []string{"../checks/testdata/*.sql", "../../claims/testdata/*.sql", "../../claims/testdata/schema/*.sql", "../schema/testdata/*",
		"../syntax/testdata/*/*.txt", "../syntax/testdata/*/*.txtar", "../syntax/testdata/*/*.sql"} {
		paths, err := filepath.Glob(pattern)
		require.NoError(t, err)
		for _, path := range paths {
			src, err := os.ReadFile(path)
			require.NoError(t, err)
			c.learn(string(src))
		}
	}
	require.NoError(t, fs.WalkDir(demo.Files(), ".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || path == "data.sql" {
			return err
		}
		src, err := fs.ReadFile(demo.Files(), path)
		c.learn(string(src))
		return err
	}))
	for _, k := range checks.All() {
		for _, e := range k.Examples {
			for _, src := range append([]string{e.Bad, e.Good}, e.Near...) {
				c.learn(src)
			}
		}
	}
	require.Greater(t, len(c.statements), 1000)
	c.kinds = map[string][]int{}
	for i, s := range c.statements {
		first := strings.ToUpper(s[0].text + " " + s[1].text)
		if s[0].kind == syntax.WordToken && s[0].text != "" && !strings.HasPrefix(first, "SELECT") {
			c.kinds[first] = append(c.kinds[first], i)
		}
	}
	c.words = slices.Sorted(maps.Keys(c.kinds))
	return c
}

// learn takes the statements of a text, those of a line each if it has no semicolons.
func (c *composer) learn(src string) {
	texts := []string{src}
	if strings.Count(src, ";") < strings.Count(src, "\n")/20 {
		texts = strings.Split(src, "\n")
	}
	p := syntax.NewParser(syntax.NewNames())
	for _, src := range texts {
		p.Reset([]byte(src), dialect.ANSI)
		for stmt := p.Next(); stmt != nil; stmt = p.Next() {
			if pieces := c.pieces(src, stmt.Tokens); len(pieces) > 2 && len(pieces) < 300 {
				c.statements = append(c.statements, pieces)
			}
		}
	}
}

func (c *composer) pieces(src string, tokens []syntax.Token) []piece {
	var pieces []piece
	at := text.Pos(0)
	for i, t := range tokens {
		gap := ""
		if i > 0 {
			gap = src[at:t.Span.Start]
		}
		at = t.Span.End
		p := piece{gap: gap, text: src[t.Span.Start:t.Span.End], kind: t.Kind}
		switch strings.ToUpper(p.text) {
		case "SELECT", "FROM", "WHERE", "GROUP", "HAVING", "ORDER", "LIMIT", "JOIN", "LEFT", "ON", "UNION", "SET", "VALUES", "USING", "WITH", "OVER", "AS", "AND", "OR", "CASE", "WHEN":
			p.clause = true
		default:
			if t.Kind == syntax.WordToken && t.Word() == 0 || t.Kind == syntax.QuotedName {
				c.names = append(c.names, p)
			}
		}
		pieces = append(pieces, p)
	}
	return pieces
}

func (c *composer) compose(r *rand.Rand) string {
	var b strings.Builder
	for range 1 + r.IntN(3) {
		i := r.IntN(len(c.statements))
		if r.IntN(2) == 0 { // else nearly all would be SELECTs
			alike := c.kinds[c.words[r.IntN(len(c.words))]]
			i = alike[r.IntN(len(alike))]
		}
		pieces := slices.Clone(c.statements[i])
		for range r.IntN(5) {
			if len(pieces) > 1 {
				pieces = c.mistake(r, pieces)
			}
		}
		for _, p := range pieces {
			b.WriteString(p.gap)
			b.WriteString(p.text)
		}
		b.WriteString([]string{";\n", ";\n", "\n", ";", "\nGO\n", " "}[r.IntN(6)])
	}
	return b.String()
}

// mistake makes one.
func (c *composer) mistake(r *rand.Rand, ps []piece) []piece {
	i, k := r.IntN(len(ps)), r.IntN(len(ps))
	switch r.IntN(14) {
	case 0: // a word is forgotten
		return slices.Delete(ps, i, i+1)
	case 1: // or written twice
		return slices.Insert(ps, i, piece{gap: " ", text: ps[i].text, kind: ps[i].kind})
	case 2:
		ps[i].text, ps[k].text = ps[k].text, ps[i].text
	case 3:
		if i+1 < len(ps) {
			ps[i].text, ps[i+1].text = ps[i+1].text, ps[i].text
		}
	case 4, 5: // a name of the same statement, or of another
		var names []int
		for n, p := range ps {
			if p.kind == syntax.WordToken || p.kind == syntax.QuotedName {
				names = append(names, n)
			}
		}
		if len(names) > 1 {
			from, to := names[r.IntN(len(names))], names[r.IntN(len(names))]
			ps[to].text = ps[from].text
		}
	case 6:
		ps[i].text = c.names[r.IntN(len(c.names))].text
	case 7: // a quote is forgotten
		for n := range ps {
			at := (i + n) % len(ps)
			if s := ps[at].text; ps[at].kind == syntax.TextToken || ps[at].kind == syntax.QuotedName {
				ps[at].text = []string{s[min(1, len(s)):], s[:max(0, len(s)-1)], strings.Trim(s, "'\"`")}[r.IntN(3)]
				break
			}
		}
	case 8, 9: // a clause is moved, or left out
		starts := []int{len(ps)}
		for n, p := range ps {
			if p.clause {
				starts = append(starts, n)
			}
		}
		slices.Sort(starts)
		n := r.IntN(len(starts))
		if n+1 == len(starts) {
			break
		}
		moved := slices.Clone(ps[starts[n]:starts[n+1]])
		ps = slices.Delete(ps, starts[n], starts[n+1])
		if r.IntN(3) > 0 {
			ps = slices.Insert(ps, min(starts[r.IntN(len(starts))], len(ps)), moved...)
		}
	case 10: // something of another statement is pasted
		other := c.statements[r.IntN(len(c.statements))]
		from := r.IntN(len(other))
		return slices.Insert(ps, i, other[from:min(len(other), from+1+r.IntN(8))]...)
	case 11:
		word := []string{"NOT", "DISTINCT", "*", "(", ")", ",", "AS", "NULL", ".", "AND", "OR", "=", "'", "x'", "--", "/*", "1", "-", "IN", "AS x", "::int", "[1]", "COUNT(*)", "OVER ()", "{{ x }}"}[r.IntN(25)]
		return slices.Insert(ps, i, piece{gap: " ", text: word})
	case 12: // the rest is missing
		return ps[:max(1, i)]
	case 13: // a part is written twice
		i, k = min(i, k), max(i, k)
		if k-i < 30 {
			return slices.Insert(ps, k, slices.Clone(ps[i:k])...)
		}
	}
	return ps
}
