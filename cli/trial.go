package cli

import (
	"context"
	"fmt"

	"justlens/core/check"
	"justlens/core/compare"
	"justlens/core/review"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/core/text"
)

// trial tries mends that are said to keep the rows on made rows before they are shown.
type trial struct {
	path    string
	options *review.Options
	known   map[string]bool // what was found, by check and text
	told    []string

	src    []byte // of which tables are known
	tables *schema.Schema
}

// trialTries is how many made databases a mend is tried on, longestTried the length in bytes of a
// statement up to which it is.
const (
	trialTries   = 50
	longestTried = 64 << 10
)

// keeps reports whether no made rows show that a mend changes the result. A mend that is not said to
// keep the rows, or whose statement cannot be worked out, is not tried.
func (t *trial) keeps(src []byte, f review.Finding, m check.Mend) bool {
	if m.Effect != check.SameRows || f.Of.Len() > longestTried {
		return true
	}
	key := f.Check.ID + "\x00" + m.Title + "\x00" + string(src[f.Of.Start:f.Of.End])
	kept, known := t.known[key]
	if !known {
		if t.known == nil {
			t.known = map[string]bool{}
		}
		kept = t.try(src, f, m)
		t.known[key] = kept
	}
	return kept
}

// try works the statement of a finding out as it is and as mended, and tells of a difference.
func (t *trial) try(src []byte, f review.Finding, m check.Mend) bool {
	mended, err := text.Apply(src, m.Edits)
	if err != nil {
		return true // which the mending itself tells
	}
	o := t.options
	if t.tables == nil || len(src) != len(t.src) || &src[0] != &t.src[0] {
		t.src, t.tables = src, run.WithTables(src, o.Dialect, o.Schema)
	}
	before, after := run.ReadAt(src, o.Dialect, o.Version, int(f.Of.Start), t.tables), run.ReadAt(mended, o.Dialect, o.Version, int(f.Of.Start), t.tables)
	if before == nil || after == nil || before.Err != nil || after.Err != nil || len(before.Plan.Columns) != len(after.Plan.Columns) {
		return true
	}
	if h := compare.Hunt(context.Background(), before, after, compare.Options{Tries: trialTries, Seed: 1}); h.Difference == nil {
		return true
	}
	line := 1
	if file, err := text.NewFile(t.path, src); err == nil {
		line = file.Place(f.Span.Start).Line
	}
	t.told = append(t.told, fmt.Sprintf("%s, line %d: withdrawn, as on made rows it changes the result: %s (%s); please report", t.path, line, m.Title, f.Check.ID))
	return false
}
