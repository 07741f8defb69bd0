package review_test

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
)

// FuzzReview reviews any text: nothing panics, every span lies in the text, and
// every mend can be applied to it.
func FuzzReview(f *testing.F) {
	paths, err := filepath.Glob("../checks/testdata/*.sql")
	require.NoError(f, err)
	for i, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(f, err)
		f.Add(string(src[:min(len(src), 1500)]), uint8(i))
	}
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), dialect.ANSI)
	require.Empty(f, tables.Problems)
	var reviewers []*review.Reviewer
	for _, d := range dialect.All() {
		reviewers = append(reviewers, review.New(review.Options{Dialect: d, Schema: tables, Checks: checks.All()}))
	}
	f.Fuzz(func(t *testing.T, src string, d uint8) {
		file, err := text.NewFile("fuzz.sql", []byte(src))
		if err != nil {
			return
		}
		out := reviewers[int(d)%len(reviewers)].Review(file)
		for _, found := range out.Findings {
			requireInside(t, file, found.Finding)
		}
	})
}

func requireInside(t *testing.T, f *text.File, found check.Finding) {
	whole := text.Span{End: text.Pos(len(f.Bytes()))}
	if !whole.Contains(found.Span) || !whole.Contains(found.Context) {
		t.Fatalf("%s at %v in %v lies outside the text of %d bytes", found.Check.ID, found.Span, found.Context, len(f.Bytes()))
	}
	for _, m := range found.Mends {
		if _, err := text.Apply(f.Bytes(), append([]text.Edit(nil), m.Edits...)); err != nil {
			t.Fatalf("the mend %q of %s cannot be applied: %v", m.Title, found.Check.ID, m.Edits)
		}
	}
}
