package compare

import (
	"context"

	"justlens/core/fault"
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
	// Reasons are what was left out of OLD and of NEW until they were proved to be the same.
	Reasons [2][]string
	// Hunted is what came of made rows.
	Hunted Hunted
	// OnRows is what both give on real rows, nil where none were asked for.
	OnRows *OnRows
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
//
// Real rows come as data, nil for none.
func Queries(ctx context.Context, before, after Side, data run.Database, o Options) *Comparison {
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
	if Proved(before.Query, after.Query) {
		c.Word = Same
		return c
	}
	if data != nil {
		c.OnRows = both(before.Query, after.Query, data)
	}
	if o.Tries >= 0 {
		c.Hunted = Hunt(ctx, before.Query, after.Query, o)
	}
	switch {
	case c.Hunted.Difference == nil && c.OnRows != nil && c.OnRows.Differ():
		c.Word = Differ
	case c.Hunted.Difference == nil && o.Tries < 0 && c.OnRows != nil:
		if c.Err = c.OnRows.Err; c.Err == nil {
			c.Word = NoneFound
		}
	case c.Hunted.Difference != nil:
		c.Word = Differ
		fault.Guard("finding where two queries part", func() {
			c.Parting = c.Hunted.Difference.Parting(before.Query, after.Query)
		})
	case c.Hunted.Tried > 0:
		c.Word = NoneFound
		if c.plainlySame(o) {
			c.Word = Same
		}
	default:
		c.Err = c.Hunted.Err
	}
	return c
}

// plainlySame reports whether the queries are proved to give the same rows once what keeps them is left
// out of both.
func (c *Comparison) plainlySame(o Options) bool {
	if o.Plain == nil {
		return false
	}
	before, old := o.Plain(c.Old.Query)
	after, now := o.Plain(c.New.Query)
	if before == nil || after == nil || !Proved(before, after) {
		return false
	}
	c.Reasons = [2][]string{old, now}
	return true
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

// Proved reports whether two queries give the same rows, as can be told from their texts.
func Proved(a, b *run.Query) bool { return sameTokens(a, b) || sameForm(a, b) }

// OnRows is what two queries give on real rows.
type OnRows struct {
	Old, New [][]run.Value
	// Open tells that the dialect leaves the rows of one of them open.
	Open bool
	Err  error
}

// both runs both queries on rows.
func both(before, after *run.Query, data run.Database) *OnRows {
	p := pair{old: before, new: after}
	for _, t := range after.Plan.Tables {
		if u := p.twin(t); u != nil && u != t {
			data[t] = data[u]
		}
	}
	a, err := before.Plan.Run(data, run.Limits{})
	if err != nil {
		return &OnRows{Err: err}
	}
	b, err := after.Plan.Run(data, run.Limits{})
	if err != nil {
		return &OnRows{Err: err}
	}
	return &OnRows{Old: a.Rows, New: b.Rows, Open: a.Open || b.Open}
}

// Pair is a row of OLD and a row of NEW that stand for the same thing; one may be missing.
type Pair struct{ Old, New []run.Value }

// Pairs puts the rows that only one result has together by the columns that tell the rows of both
// apart, if such are known, in the order of OLD and then of NEW.
func (o *OnRows) Pairs(before, after *run.Query) (pairs []Pair) {
	key := keyOf(before, after)
	places := map[string]int{}
	name := func(row []run.Value) string {
		var values []run.Value
		for _, i := range key {
			values = append(values, row[i])
		}
		return run.RowKey(values)
	}
	for _, row := range Only(o.Old, o.New) {
		if len(key) > 0 {
			places[name(row)] = len(pairs)
		}
		pairs = append(pairs, Pair{Old: row})
	}
	for _, row := range Only(o.New, o.Old) {
		if at, ok := places[name(row)]; ok && len(key) > 0 && pairs[at].New == nil {
			pairs[at].New = row
			continue
		}
		pairs = append(pairs, Pair{New: row})
	}
	return pairs
}

// keyOf gives the fewest columns, one or two, by which the rows of both results are told apart; nil
// where none are known.
func keyOf(before, after *run.Query) []int {
	if before.Node == nil || after.Node == nil {
		return nil
	}
	return run.FewestApart(len(before.Plan.Columns), func(columns ...int) bool {
		return before.Apart(before.Node, columns...) && after.Apart(after.Node, columns...)
	})
}

// Differ reports whether the rows are not the same.
func (o *OnRows) Differ() bool {
	return o.Err == nil && !o.Open && (len(Only(o.Old, o.New)) > 0 || len(Only(o.New, o.Old)) > 0)
}
