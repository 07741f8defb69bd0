package follow

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/run"
	"justlens/core/syntax"
)

// Tracked are rows of one source whose way through the query is told.
type Tracked struct {
	Source *bind.Source
	rows   map[string]bool // by their columns
	count  int
}

// Track finds the rows of a source that a condition names: the source is the alias or table that
// its columns are qualified with, or the only one that has them. read reads a text of SQL over
// the same tables.
func (f *Followed) Track(condition string, data run.Database, read func(query string) *run.Query) (*Tracked, error) {
	var sources []*bind.Source
	for _, s := range f.Steps {
		for _, p := range s.Sources {
			if p.Source.SchemaTable() != nil && !slices.Contains(sources, p.Source) {
				sources = append(sources, p.Source)
			}
		}
	}
	var names []string
	var why error
	for _, src := range sources {
		t := src.SchemaTable()
		name := f.name(src)
		names = append(names, name)
		from := t.Name
		if t.Qualifier != "" {
			from = t.Qualifier + "." + t.Name
		}
		q := read(fmt.Sprintf("SELECT %s.* FROM %s %s WHERE %s", name, from, name, condition))
		if q == nil || q.Err != nil {
			if q != nil && strings.Contains(strings.ToLower(condition), strings.ToLower(name)+".") {
				why = q.Err
			}
			continue
		}
		result, err := q.Plan.Run(data, run.Limits{})
		if err != nil {
			return nil, fmt.Errorf("--track %q: %w", condition, err)
		}
		tracked := &Tracked{Source: src, rows: map[string]bool{}, count: len(result.Rows)}
		for _, row := range result.Rows {
			tracked.rows[run.RowKey(row)] = true
		}
		return tracked, nil
	}
	if why != nil {
		return nil, fmt.Errorf("--track %q: %w", condition, why)
	}
	return nil, fmt.Errorf("--track %q: it is a condition on columns of one of %s", condition, check.List(names, "or"))
}

// Follow works the query out again, and tells at each step what becomes of the tracked rows.
func (f *Followed) Follow(t *Tracked, data run.Database, limits run.Limits) {
	c := &tracking{f: f, tracked: t, by: map[*run.Stage]*trail{}}
	for _, s := range f.Steps {
		c.by[s.Stage] = &trail{step: s}
	}
	if _, err := f.Plan.Trace(data, limits, c); err != nil {
		return
	}
	for _, s := range f.Steps {
		s.Tracked = c.told(c.by[s.Stage])
	}
}

// tracking is told of every row, and notes what becomes of those that are tracked.
type tracking struct {
	f       *Followed
	tracked *Tracked
	by      map[*run.Stage]*trail
}

// trail is what became of the tracked rows at a step.
type trail struct {
	step                                   *Step
	kept, dropped, unknown, alone, grouped int
	falsely, unknowingly                   []string // the values with which a condition was false, and unknown
}

func (c *tracking) Partners(*run.Stage, int) {}

func (c *tracking) Asked(*syntax.Query, []run.Value, [][]run.Value) {}

func (c *tracking) Row(s *run.Stage, fate run.Fate, row []run.Value) {
	t := c.by[s]
	if t == nil {
		return
	}
	at := -1
	for _, p := range s.Sources {
		if p.Source == c.tracked.Source {
			at = p.At
			if at+p.Width > len(row) || !c.tracked.rows[run.RowKey(row[at:at+p.Width])] {
				return
			}
		}
	}
	if at < 0 || s.Kind == run.SourceStage && s.Node != c.tracked.Source.Node || s.Kind == run.ListStage || s.Kind == run.DistinctStage || s.Kind >= run.SetStage {
		return
	}
	switch fate {
	case run.Kept, run.Filled:
		if s.Kind == run.GroupStage || s.Kind == run.HavingStage {
			return
		}
		t.kept++
	case run.Dropped:
		t.dropped++
		c.example(t, &t.falsely, row)
	case run.Unsettled:
		t.unknown++
		c.example(t, &t.unknowingly, row)
	case run.Alone, run.AloneRight:
		t.alone++
	case run.Grouped:
		t.grouped++
	}
}

// example notes the values with which a condition was not true.
func (c *tracking) example(t *trail, examples *[]string, row []run.Value) {
	if len(*examples) >= 3 {
		return
	}
	var values []string
	c.f.eachColumn(t.step.Stage, func(name *syntax.Name, _ *bind.Use, slot int) {
		if slot < len(row) {
			values = append(values, c.f.Text(name)+" is "+shown(row[slot]))
		}
	})
	if example := check.List(values, "and"); example != "" && !slices.Contains(*examples, example) {
		*examples = append(*examples, example)
	}
}

func shown(v run.Value) string {
	if s := v.String(); v.Kind != run.Text {
		return s
	} else {
		return "'" + s + "'"
	}
}

// told tells what became of the tracked rows at a step.
func (c *tracking) told(t *trail) (told []string) {
	rows := func(n int) string {
		if n == 1 {
			return "1 tracked row"
		}
		return fmt.Sprintf("%d tracked rows", n)
	}
	switch {
	case t.grouped > 0:
		return []string{rows(t.grouped) + " go into groups"}
	case t.step.Kind == run.SourceStage && t.kept > 0:
		return []string{rows(c.tracked.count)}
	}
	if t.kept > 0 {
		told = append(told, rows(t.kept)+" kept")
	}
	if t.dropped > 0 {
		told = append(told, rows(t.dropped)+" dropped, for which it is false"+as(t.falsely))
	}
	if t.unknown > 0 {
		told = append(told, rows(t.unknown)+" dropped, for which it is unknown"+as(t.unknowingly))
	}
	if t.alone > 0 {
		told = append(told, rows(t.alone)+" lost: no partner")
	}
	return told
}

// as gives the values that a condition was worked out with.
func as(examples []string) string {
	if len(examples) == 0 {
		return ""
	}
	return ": " + strings.Join(examples, "; ")
}
