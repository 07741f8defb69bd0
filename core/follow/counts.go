package follow

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/run"
	"justlens/core/syntax"
)

// Counts is what a stage did to the rows.
type Counts struct {
	In, Out int
	// False and Unknown are the rows that a condition dropped; Doubles those that were alike.
	False, Unknown int
	// Nulls counts for the columns of a condition how often they were NULL where it was unknown.
	Nulls []NullCount
	// Alone and AloneRight are the rows of a join's sides that were lost without partner, Filled
	// those that stayed without.
	Alone, AloneRight, Filled int
	// Most is how many partners a row of the left side had at the most.
	Most int
	// Asked tells for queries in its expressions what each gave for one of the rows.
	Asked []string
	// Kept and Lost are a few of the rows.
	Kept, Lost [][]run.Value
}

// NullCount is how often a column was NULL.
type NullCount struct {
	Column string
	Count  int
}

// mostExamples is how many rows of a stage are kept to be shown.
const mostExamples = 50

// Run works the query out on rows, and counts.
func (f *Followed) Run(data run.Database, limits run.Limits) {
	if f.Plan == nil {
		return
	}
	c := &counting{f: f, by: map[*run.Stage]*Step{}, asked: map[*syntax.Query]bool{}}
	for _, s := range f.Steps {
		s.Counts = &Counts{}
		c.by[s.Stage] = s
	}
	f.Result, f.Err = f.Plan.Trace(data, limits, c)
	for _, s := range f.Steps {
		if t, ok := s.Node.(*syntax.TableRef); ok && s.Kind == run.SourceStage {
			if src := f.SourceAt(t); src != nil && src.SchemaTable() != nil {
				s.Counts.Out = len(data[src.SchemaTable()]) // however often it was read
				s.Counts.In = s.Counts.Out
			}
		}
	}
}

type counting struct {
	f     *Followed
	by    map[*run.Stage]*Step
	asked map[*syntax.Query]bool // queries of which an example is told
}

// Asked notes what a query that depends on the row gave for the first row for which it gave any.
func (c *counting) Asked(q *syntax.Query, row []run.Value, rows [][]run.Value) {
	if c.asked[q] || len(rows) == 0 {
		return
	}
	for _, s := range c.f.Steps {
		if s.Kind == run.SourceStage || !s.Span.Contains(q.Span()) {
			continue
		}
		c.asked[q] = true
		var values []string
		c.f.outerColumns(q, s.Stage, func(text string, slot int) {
			if slot < len(row) {
				values = append(values, text+" is "+shown(row[slot]))
			}
		})
		gave := fmt.Sprintf("%d rows", len(rows))
		if len(rows) == 1 {
			gave = "1 row"
		}
		if _, exists := c.f.Parent(q).(*syntax.Exists); !exists && len(rows[0]) == 1 {
			gave = shown(rows[0][0])
			for _, row := range rows[1:min(len(rows), 3)] {
				gave += ", " + shown(row[0])
			}
			if len(rows) > 3 {
				gave += ", …"
			}
		}
		if len(values) > 0 {
			s.Counts.Asked = append(s.Counts.Asked, fmt.Sprintf("where %s, it gives %s", check.List(values, "and"), gave))
		}
		return
	}
}

// outerColumns calls do for each column of a stage's sources that a query inside it names.
func (f *Followed) outerColumns(q *syntax.Query, s *run.Stage, do func(text string, slot int)) {
	var seen []string
	syntax.Inspect(q, func(n syntax.Node) bool {
		name, ok := n.(*syntax.Name)
		if !ok {
			return true
		}
		u := f.Use(name)
		for _, p := range s.Sources {
			if u.Status != bind.Resolved || p.Source != u.Source || slices.Contains(seen, f.Text(name)) {
				continue
			}
			if place := u.Source.Place(u.Column); place >= 0 {
				seen = append(seen, f.Text(name))
				do(f.Text(name), p.At+place)
			}
		}
		return true
	})
}

func (c *counting) Partners(s *run.Stage, n int) {
	if step := c.by[s]; step != nil {
		step.Counts.Most = max(step.Counts.Most, n)
	}
}

func (c *counting) Row(s *run.Stage, fate run.Fate, row []run.Value) {
	step := c.by[s]
	if step == nil {
		return
	}
	n := step.Counts
	switch fate {
	case run.Kept:
		n.Out++
		if s.Kind != run.GroupStage {
			n.In++
		}
	case run.Filled:
		n.In++
		n.Out++
		n.Filled++
	case run.Dropped:
		n.In++
		n.False++
	case run.Unsettled:
		n.In++
		n.Unknown++
		c.nulls(step, row)
	case run.Alone:
		n.In++
		n.Alone++
	case run.AloneRight:
		n.AloneRight++
	case run.Grouped:
		n.In++
		return
	}
	switch kept := fate == run.Kept || fate == run.Filled; {
	case kept && len(n.Kept) < mostExamples:
		n.Kept = append(n.Kept, slices.Clone(row))
	case !kept && len(n.Lost) < mostExamples:
		n.Lost = append(n.Lost, slices.Clone(row))
	}
}

// nulls counts the columns of a condition that are NULL in a row for which it is unknown.
func (c *counting) nulls(step *Step, row []run.Value) {
	c.f.eachColumn(step.Stage, func(name *syntax.Name, _ *bind.Use, slot int) {
		text := c.f.Text(name)
		if slot >= len(row) || !row[slot].IsNull() {
			return
		}
		for i := range step.Counts.Nulls {
			if step.Counts.Nulls[i].Column == text {
				step.Counts.Nulls[i].Count++
				return
			}
		}
		step.Counts.Nulls = append(step.Counts.Nulls, NullCount{text, 1})
	})
}

// eachColumn calls do once for each column of the stage's own sources that its condition names, with
// its place in the rows.
func (f *Followed) eachColumn(s *run.Stage, do func(name *syntax.Name, u *bind.Use, slot int)) {
	var seen []string
	syntax.Inspect(s.Node, func(n syntax.Node) bool {
		if n.Kind() == syntax.KindQuery {
			return false
		}
		name, ok := n.(*syntax.Name)
		if !ok {
			return true
		}
		u := f.Use(name)
		if u.Status != bind.Resolved {
			return true
		}
		for _, p := range s.Sources {
			place := u.Source.Place(u.Column)
			if text := f.Text(name); p.Source == u.Source && place >= 0 && !slices.Contains(seen, text) {
				seen = append(seen, text)
				do(name, u, p.At+place)
			}
		}
		return true
	})
}
