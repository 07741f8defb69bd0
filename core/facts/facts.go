package facts

import (
	"justlens/core/bind"
	"justlens/core/schema"
	"justlens/core/slab"
	"justlens/core/syntax"
)

// Facts is what is known of one statement beyond its names. It is valid until the
// next call of [Facts.Reset].
type Facts struct {
	*bind.Info
	asking    int // questions of types, NULLs and keys that are being answered
	steps     int // of the outermost of them
	patience  int // how many it may take
	worked    int // steps of all questions on the statement
	functions functions
	exact     exactTypes

	numbered  map[*schema.Table][]*schema.Table // by column, as long as the schema stays as it is
	numbering *schema.Schema                    // the schema of numbered
	changes   int                               // of it when they were begun

	// What one statement needs, used again for the next.
	fixedPool  slab.Pool[Fixed]
	selects    []*selectFacts // by Scope.Index, as far as asked for
	selectPool slab.Pool[selectFacts]
	clause     Clause
	conditions slab.Builder[Condition]
	spine      []*syntax.Binary
	predicates slab.Pool[predicate]
	targets    []*schema.Column // of the INSERT asked for last
	targetsOf  *syntax.Insert
}

// selectFacts is what was worked out of one SELECT.
type selectFacts struct {
	aggregated bool
	aggregates []Aggregate
	isGrouped  bool
	grouping   Grouping
	fixed      *Fixed // nothing given, not settled
	askedRows  bool
	rows       bool
}

// Reset begins with another bound statement.
func (in *Facts) Reset(info *bind.Info) {
	in.Info = info
	in.asking, in.steps, in.worked, in.patience = 0, 0, 0, maxSteps
	in.exact.reset()
	in.targetsOf = nil
	in.fixedPool.Reset()
	in.selectPool.Reset()
	in.selects = append(in.selects[:0], make([]*selectFacts, len(info.Scopes))...)
	in.functions.reset(info.Names, info.Dialect)
}

// ofSelect gives what is kept of a SELECT, nil for one that was not bound.
func (in *Facts) ofSelect(sel *syntax.Select) *selectFacts {
	scope := in.Scope(sel)
	if scope == nil {
		return nil
	}
	if s := in.selects[scope.Index]; s != nil {
		return s
	}
	s := in.selectPool.Next()
	*s = selectFacts{aggregates: s.aggregates[:0], grouping: Grouping{Keys: s.grouping.Keys[:0]}}
	in.selects[scope.Index] = s
	return s
}

// maxSteps bounds the work on one question: derived tables that use each column of
// the next twice would double it at every step. fewSteps does so in a statement on which more than
// mostWorked were made.
const (
	maxSteps   = 20_000
	fewSteps   = 200
	mostWorked = 1_000_000
)

// ask begins a question; what it gives ends it.
func (in *Facts) ask() func() {
	if in.asking == 0 {
		in.worked += in.steps
		if in.steps, in.patience = 0, maxSteps; in.worked > mostWorked {
			in.patience = fewSteps
		}
	}
	in.asking++
	return func() { in.asking-- }
}

// isTired reports whether a question has been worked on long enough to leave it open.
func (in *Facts) isTired() bool {
	in.steps++
	return in.steps > in.patience
}
