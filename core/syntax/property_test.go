package syntax_test

import (
	"io/fs"
	"path/filepath"
	"strings"
	"testing"
	"unicode"

	"github.com/rogpeppe/go-internal/txtar"
	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
	"justlens/demo"
)

// seeds gives texts to try properties on: the demo and the parse cases.
func seeds(t testing.TB) []string {
	var all []string
	err := fs.WalkDir(demo.Files(), ".", func(path string, d fs.DirEntry, err error) error {
		if err == nil && !d.IsDir() {
			var data []byte
			data, err = fs.ReadFile(demo.Files(), path)
			all = append(all, string(data))
		}
		return err
	})
	require.NoError(t, err)
	paths, err := filepath.Glob("testdata/parse/*.txtar")
	require.NoError(t, err)
	for _, path := range paths {
		archive, err := txtar.ParseFile(path)
		require.NoError(t, err)
		for _, f := range archive.Files {
			if strings.HasSuffix(f.Name, ".sql") {
				all = append(all, string(f.Data))
			}
		}
	}
	return all
}

// requireProperties parses a text and asks what must hold of any text: tokens
// and comments lie in order and leave out nothing but blanks, every node lies
// in its parent, statements follow each other.
func requireProperties(t testing.TB, p *syntax.Parser, src string, d dialect.Dialect) {
	p.Reset([]byte(src), d)
	end := text.Pos(0)
	for s := p.Next(); s != nil; s = p.Next() {
		holds(t, s.Span.Start >= end && s.Span.End <= text.Pos(len(src)), "statements in order", s.Span)
		end = s.Span.End
		at := s.Span.Start
		comments := s.Comments
		for _, tok := range s.Tokens {
			for len(comments) > 0 && comments[0].End <= tok.Span.Start {
				if comments[0].Start >= at {
					requireBlank(t, src[at:comments[0].Start])
					at = comments[0].End
				}
				comments = comments[1:]
			}
			holds(t, tok.Span.End > tok.Span.Start, "a token has text", tok.Span)
			holds(t, tok.Span.Start >= at, "tokens in order", tok.Span)
			requireBlank(t, src[at:tok.Span.Start])
			at = tok.Span.End
		}
		requireNested(t, s.Node, s.Nodes)
	}
}

// holds is require.True without its cost, for what is asked of every token.
func holds(t testing.TB, ok bool, what string, where text.Span) {
	if !ok {
		t.Fatalf("%s: %v", what, where)
	}
}

func requireBlank(t testing.TB, gap string) {
	for _, r := range gap {
		if !unicode.IsSpace(r) && !unicode.Is(unicode.Cf, r) { // of no width
			t.Fatalf("only blanks lie between tokens, not %q", gap)
		}
	}
}

func requireNested(t testing.TB, n syntax.Node, nodes int) {
	holds(t, n.ID() > 0 && int(n.ID()) <= nodes, "a node has a number", n.Span())
	syntax.Children(n, func(c syntax.Node) {
		if !n.Span().Contains(c.Span()) {
			t.Fatalf("%s %v lies outside %s %v", c.Kind(), c.Span(), n.Kind(), n.Span())
		}
		requireNested(t, c, nodes)
	})
}

func TestProperties(t *testing.T) {
	t.Parallel()
	p := syntax.NewParser(syntax.NewNames())
	for _, src := range seeds(t) {
		for _, d := range dialect.All() {
			requireProperties(t, p, src, d)
		}
	}
}

// TestPrefixes cuts every text short at every byte.
func TestPrefixes(t *testing.T) {
	t.Parallel()
	p := syntax.NewParser(syntax.NewNames())
	for _, src := range seeds(t) {
		src = src[:min(len(src), 3000)]
		for i := range src {
			p.Reset([]byte(src[:i]), dialect.All()[i%int(dialect.Count)])
			for p.Next() != nil {
			}
		}
	}
}

func TestNestingIsBounded(t *testing.T) {
	t.Parallel()
	cases := map[string]string{
		"parentheses": "SELECT " + strings.Repeat("(", 20_000),
		"subqueries":  strings.Repeat("SELECT * FROM (", 20_000),
		"joins":       "SELECT * FROM " + strings.Repeat("(a JOIN ", 20_000),
		"not":         "SELECT " + strings.Repeat("NOT ", 20_000) + "a",
		"case":        "SELECT " + strings.Repeat("CASE WHEN ", 20_000),
		"calls":       "SELECT " + strings.Repeat("f(", 20_000),
		"unions":      "SELECT 1" + strings.Repeat(" UNION (SELECT 1", 20_000),
	}
	for name, src := range cases {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			p := syntax.NewParser(syntax.NewNames())
			p.Reset([]byte(src+"; SELECT 2"), dialect.ANSI)
			s := p.Next()
			require.Len(t, s.Errors, 1)
			require.Equal(t, syntax.DeepError, s.Errors[0].Kind)
			require.Empty(t, p.Next().Errors, "the next statement is read")
		})
	}
}

func FuzzParse(f *testing.F) {
	for i, src := range seeds(f) {
		f.Add(src[:min(len(src), 1500)], uint8(i))
	}
	p := syntax.NewParser(syntax.NewNames())
	f.Fuzz(func(t *testing.T, src string, d uint8) {
		requireProperties(t, p, src, dialect.Dialect(d%uint8(dialect.Count)))
	})
}
