package compare

import (
	"context"

	"justlens/core/run"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Word is what a comparison says of two queries.
type Word uint8

const (
	// Unsaid: the rows could not be worked out.
	Unsaid Word = iota
	// Same: proved from the texts.
	Same
	// NoneFound: no difference on any database that was tried.
	NoneFound
	// Differ: in the columns, or on the rows shown.
	Differ
)

func (w Word) String() string {
	return [...]string{"not compared", "same by reasoning", "no difference found", "differ"}[w]
}

// Comparison is what is known of two queries.
type Comparison struct {
	Old, New Side
	Word     Word
	// Columns tells in sentences how the columns differ.
	Columns []string
	// Hunted is what came of made rows.
	Hunted Hunted
	// Parting is where the two part on the rows of the difference, nil where it cannot be told.
	Parting *Parting
	// Err is why the rows were not compared.
	Err error
	// Of tells which of the two Err is about.
	Of string
}

// Side is one of the two queries, with the text it stands in.
type Side struct {
	*run.Query
	File *text.File
}

// Queries compares two queries over one schema.
func Queries(ctx context.Context, before, after Side, o Options) *Comparison {
	c := &Comparison{Old: before, New: after}
	for _, side := range []struct {
		name string
		Side
	}{{"OLD", before}, {"NEW", after}} {
		if side.Err != nil {
			c.Err, c.Of = side.Err, side.name
			if sameTokens(before.Query, after.Query) {
				c.Word = Same
			}
			return c
		}
	}
	c.Columns = Texts(before.Query, after.Query)
	if len(before.Plan.Columns) != len(after.Plan.Columns) {
		c.Word = Differ
		return c
	}
	if sameTokens(before.Query, after.Query) {
		c.Word = Same
		return c
	}
	c.Hunted = Hunt(ctx, before.Query, after.Query, o)
	switch {
	case c.Hunted.Difference != nil:
		c.Word = Differ
		c.Parting = c.Hunted.Difference.Parting(before.Query, after.Query)
	case c.Hunted.Tried > 0:
		c.Word = NoneFound
	default:
		c.Err = c.Hunted.Err
	}
	return c
}

// sameTokens reports whether two queries are the same but for layout, comments and the letter
// case of bare words.
func sameTokens(a, b *run.Query) bool {
	if len(a.Stmt.Tokens) != len(b.Stmt.Tokens) {
		return false
	}
	for i, t := range a.Stmt.Tokens {
		u := b.Stmt.Tokens[i]
		if t.Kind != u.Kind {
			return false
		}
		if t.Kind == syntax.WordToken {
			if a.Names.String(t.Sym) != b.Names.String(u.Sym) {
				return false
			}
			continue
		}
		if string(a.Src[t.Span.Start:t.Span.End]) != string(b.Src[u.Span.Start:u.Span.End]) {
			return false
		}
	}
	return true
}
