package compare

import (
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Step is a stage of a query with how many rows it was given and gave.
type Step struct {
	*run.Stage
	In, Out int
	item    syntax.Node // of the select list, at which two part
}

// Partners is not asked for.
func (c counter) Partners(*run.Stage, int) {}

// Asked is not asked for.
func (c counter) Asked(*syntax.Query, []run.Value, [][]run.Value) {}

// Parting is where two queries part: at a step of each, or at one that the other does not have.
type Parting struct {
	Old, New *Step // one may be nil
}

// counter counts the rows of stages.
type counter map[*run.Stage]*Step

func (c counter) Row(s *run.Stage, fate run.Fate, _ []run.Value) {
	step := c[s]
	if step == nil {
		step = &Step{Stage: s}
		c[s] = step
	}
	switch fate {
	case run.Kept, run.Filled:
		step.In++
		step.Out++
	case run.Dropped, run.Unsettled, run.Grouped:
		step.In++
	}
}

// Steps gives the stages of a query with the rows that they were given and gave.
func Steps(q *run.Query, data run.Database) ([]*Step, error) {
	c := counter{}
	if _, err := q.Plan.Trace(data, limits, c); err != nil {
		return nil, err
	}
	var steps []*Step
	for _, s := range q.Plan.Stages() {
		step := c[s]
		if step == nil {
			step = &Step{Stage: s}
		}
		steps = append(steps, step)
	}
	return steps, nil
}

// Parting follows both queries on the rows of a difference, and gives the first step at which they
// part; nil where that cannot be told.
func (d *Difference) Parting(before, after *run.Query) *Parting {
	data := pair{old: before, new: after}.data(d.Made)
	old, err := Steps(before, data)
	if err != nil {
		return nil
	}
	now, err := Steps(after, data)
	if err != nil {
		return nil
	}
	for i, k := 0, 0; i < len(old) || k < len(now); {
		switch {
		case i < len(old) && k < len(now) && alike(before, after, old[i], now[k]):
			if old[i].Out != now[k].Out && old[i].Kind != run.SourceStage {
				return &Parting{old[i], now[k]}
			}
			i, k = i+1, k+1
		case k == len(now) || i < len(old) && !comesAgain(before, after, old[i], now[k:]):
			if k < len(now) && old[i].Kind == now[k].Kind && !comesAgain(after, before, now[k], old[i:]) {
				if p := parted(before, after, old[i], now[k]); p != nil {
					return p
				}
				i, k = i+1, k+1
				continue
			}
			if matters(old[i]) {
				return &Parting{Old: old[i]}
			}
			i++
		default:
			if matters(now[k]) {
				return &Parting{New: now[k]}
			}
			k++
		}
	}
	return nil
}

// parted gives the parting at two steps that stand for each other, nil if they give as many rows.
func parted(before, after *run.Query, a, b *Step) *Parting {
	switch a.Kind {
	case run.SourceStage:
		return nil
	case run.ListStage:
		x, y := listed(a.Node), listed(b.Node)
		for i := range min(len(x), len(y)) {
			if squeezed(before, x[i]) != squeezed(after, y[i]) {
				a.item, b.item = x[i], y[i]
				return &Parting{a, b}
			}
		}
		return nil
	case run.GroupStage, run.SetStage:
		return &Parting{a, b}
	}
	if a.Out == b.Out {
		return nil
	}
	return &Parting{a, b}
}

// listed gives what a SELECT gives out, or an UPDATE assigns.
func listed(n syntax.Node) (list []syntax.Node) {
	switch n := n.(type) {
	case *syntax.Select:
		for _, item := range n.Items {
			list = append(list, item.X)
		}
	case *syntax.Update:
		for _, a := range n.Set {
			list = append(list, a)
		}
	}
	return list
}

// matters reports whether a step that one query has alone changes the rows.
func matters(s *Step) bool {
	switch s.Kind {
	case run.FilterStage, run.HavingStage, run.DistinctStage, run.LimitStage:
		return s.In != s.Out
	case run.OrderStage, run.SourceStage, run.ListStage:
		return false
	}
	return true
}

// alike reports whether two steps are written alike.
func alike(a, b *run.Query, s, t *Step) bool {
	return s.Kind == t.Kind && textOf(a, s) == textOf(b, t)
}

func comesAgain(a, b *run.Query, s *Step, later []*Step) bool {
	for _, t := range later {
		if alike(a, b, s, t) {
			return true
		}
	}
	return false
}

// textOf gives what is written of a step: of a join without what it joins, of a SELECT the list.
func textOf(q *run.Query, s *Step) string {
	squeeze := func(n syntax.Node) string { return squeezed(q, n) }
	switch n := s.Node.(type) {
	case *syntax.Join:
		text := q.Src[n.OpSpan.Start:n.OpSpan.End]
		if n.On != nil {
			return string(text) + " " + squeeze(n.On)
		}
		return string(text)
	case *syntax.Select:
		switch {
		case s.Kind == run.GroupStage && n.GroupBy != nil:
			return squeeze(n.GroupBy)
		case s.Kind == run.ListStage:
			text := ""
			for _, item := range n.Items {
				text += squeeze(item) + ","
			}
			return text
		}
		return ""
	case *syntax.Update:
		text := ""
		for _, a := range n.Set {
			text += squeeze(a) + ","
		}
		return text
	case *syntax.Delete:
		return ""
	case *syntax.Query:
		if n.Limit != nil {
			return squeeze(n.Limit)
		}
		return ""
	case *syntax.SetOp:
		return string(q.Src[n.OpSpan.Start:n.OpSpan.End])
	}
	return squeeze(s.Node)
}

func squeezed(q *run.Query, n syntax.Node) string {
	return schema.Squeeze(q.Src[n.Span().Start:n.Span().End])
}

// Span gives the text to point at for a step.
func (s *Step) Span() text.Span {
	if s.item != nil {
		return s.item.Span()
	}
	return s.Stage.Span()
}
