package review

import (
	"context"

	"justlens/core/check"
	"justlens/core/compare"
	"justlens/core/fault"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/core/text"
)

// mostEvidence is for how many findings of a file rows are looked for.
const mostEvidence = 100

// longestShown is the length in bytes of a statement up to which it is worked out.
const longestShown = 256 << 10

// Show looks for rows on which the queries of a file's wrong findings part from what was meant,
// as their mends have it. It changes the findings.
func (f *File) Show(ctx context.Context, o Options) {
	tables := run.WithTables(f.Text.Bytes(), f.Dialect, o.Schema)
	shown := 0
	for i := range f.Findings {
		found := &f.Findings[i]
		if found.Consequence != check.Wrong || ctx.Err() != nil {
			continue
		}
		for _, m := range found.Mends {
			if m.Effect == check.SameRows || len(m.Edits) == 0 {
				continue
			}
			if shown++; shown > mostEvidence {
				found.Evidence = &compare.Evidence{Why: "rows are looked for at the first hundred of a file"}
				break
			}
			e := compare.Evidence{Why: "a fault of justlens itself"}
			fault.Guard("looking for evidence", func() { e = f.evidence(ctx, found, m, o, tables) })
			if found.Evidence == nil || e.Difference != nil {
				found.Evidence = &e
			}
			if e.Difference != nil {
				break
			}
		}
	}
}

// evidence compares the statement of a finding with what a mend makes of it.
func (f *File) evidence(ctx context.Context, found *Finding, m check.Mend, o Options, tables *schema.Schema) compare.Evidence {
	src := f.Text.Bytes()
	mended, err := text.Apply(src, m.Edits)
	if err != nil {
		return compare.Evidence{Why: "the mend cannot be applied"}
	}
	for _, e := range m.Edits {
		if e.Span.Start < found.Of.Start {
			return compare.Evidence{Why: "the mend changes another statement"}
		}
	}
	if found.Of.Len() > longestShown {
		return compare.Evidence{Why: "the statement is too long to be worked out"}
	}
	at := int(found.Of.Start)
	return compare.Show(ctx, run.ReadAt(src, f.Dialect, o.Version, at, tables), run.ReadAt(mended, f.Dialect, o.Version, at, tables))
}
