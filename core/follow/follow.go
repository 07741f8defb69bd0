package follow

import (
	"justlens/core/run"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Step is one step of a query.
type Step struct {
	*run.Stage
	Span text.Span // what to point at
	// Does tells in sentences what it does.
	Does []string
	// Left and Right name the sides of a join.
	Left, Right string
	// Counts is what it did to rows, nil where none were followed.
	Counts *Counts
	// Tracked is what it did to the rows that are tracked, "" where it met none.
	Tracked []string
}

// Followed is a query with its steps.
type Followed struct {
	*run.Query
	Steps []*Step
	// Columns tells of the result's columns.
	Columns []string
	// Result is what the query gives, nil where no rows were followed, or Err says why.
	Result *run.Result
	Err    error
}

// Read reads a query: its steps, and what each does.
func Read(q *run.Query) *Followed {
	f := &Followed{Query: q}
	if q.Plan == nil {
		f.Err = q.Err
		return f
	}
	for _, s := range q.Plan.Stages() {
		if f.isJoined(s) {
			continue // the join tells of it
		}
		step := &Step{Stage: s, Span: s.Span(), Does: f.reading(s)}
		if s.Kind == run.JoinStage {
			step.Left, step.Right = f.sides(s)
		}
		f.Steps = append(f.Steps, step)
	}
	f.Columns = f.columns()
	return f
}

// isJoined reports whether a stage only reads a table that a join names on its right side.
func (f *Followed) isJoined(s *run.Stage) bool {
	if s.Kind != run.SourceStage {
		return false
	}
	src := f.SourceAt(s.Node.(syntax.TableExpr))
	join, ok := f.Parent(s.Node).(*syntax.Join)
	return ok && join.Right == s.Node && src != nil && src.SchemaTable() != nil
}
