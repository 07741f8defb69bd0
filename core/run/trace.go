package run

import (
	"justlens/core/bind"
	"justlens/core/syntax"
	"justlens/core/text"
)

// StageKind tells the stages of a query apart.
type StageKind uint8

const (
	SourceStage   StageKind = iota // a table, derived table or common table expression is read
	JoinStage                      // two sides are joined
	FilterStage                    // one condition of WHERE
	GroupStage                     // rows become groups
	HavingStage                    // one condition of HAVING
	WindowStage                    // window functions are worked out
	ListStage                      // the select list is worked out
	DistinctStage                  // rows that are alike become one
	SetStage                       // a set operation
	OrderStage                     // rows are sorted
	LimitStage                     // rows are cut off
)

// Stage is a step of a query.
type Stage struct {
	Kind StageKind
	// Node is what it works out: the table, the join, the condition, the clause.
	Node syntax.Node
	// Select is the SELECT it belongs to, nil for a set operation's.
	Select *syntax.Select
	// Scope is that of Select, nil without one.
	Scope *bind.Scope
	// Sources are those that the rows hold from here on, with the places of their columns.
	Sources []Place
}

// Span gives the text to point at: of a join its keyword and the right side, of a SELECT's list all of
// it.
func (s *Stage) Span() text.Span {
	switch n := s.Node.(type) {
	case *syntax.Select:
		switch {
		case s.Kind == GroupStage && n.GroupBy != nil:
			return n.GroupBy.Span()
		case len(n.Items) > 0:
			return n.Items[0].Span().Join(n.Items[len(n.Items)-1].Span())
		}
	case *syntax.Join:
		return text.Span{Start: n.OpSpan.Start, End: n.Span().End}
	case *syntax.SetOp:
		return n.OpSpan
	case *syntax.Query:
		if n.Limit != nil {
			return n.Limit.Span()
		}
	}
	return s.Node.Span()
}

// IsQualify reports whether a filter is a condition of QUALIFY.
func (s *Stage) IsQualify() bool {
	return s.Kind == FilterStage && s.Select != nil && s.Select.Qualify != nil && s.Select.Qualify.Span().Contains(s.Node.Span())
}

// Place is where the columns of a source are in the rows of a stage.
type Place struct {
	Source *bind.Source
	At     int // of the first
	Width  int
}

// Fate is what becomes of a row at a stage.
type Fate uint8

const (
	Kept       Fate = iota
	Dropped         // by a condition that is false, as a double, by a limit
	Unsettled       // dropped by a condition that is unknown
	Alone           // a row of the left side that is lost: it has no partner
	AloneRight      // a row of the right side that is lost
	Filled          // a row of one side that is kept without partner
	Grouped         // a row that goes into a group
)

// Tracer is told of every row at every stage. The row is valid during the call.
type Tracer interface {
	Row(s *Stage, fate Fate, row []Value)
	// Partners tells how many rows of the right side of a join a row of the left side met.
	Partners(s *Stage, n int)
	// Asked tells what a query in an expression gave for a row.
	Asked(q *syntax.Query, row []Value, rows [][]Value)
}

// Stages lists the stages of a plan in the order in which they are worked.
func (p *Plan) Stages() []*Stage { return p.stages }

// stage adds a stage.
func (c *compiler) stage(kind StageKind, n syntax.Node, sel *syntax.Select) *Stage {
	s := &Stage{Kind: kind, Node: n, Select: sel}
	if c.inner > 0 {
		return s // of a subquery in an expression
	}
	if c.scope != nil {
		s.Scope = c.scope.bound
		for _, p := range c.scope.sources {
			s.Sources = append(s.Sources, Place{p.source, p.at, p.len})
		}
	}
	c.plan.stages = append(c.plan.stages, s)
	return s
}

func (f *frame) tell(s *Stage, fate Fate, row []Value) {
	if t := f.run.trace; t != nil {
		t.Row(s, fate, row)
	}
}
