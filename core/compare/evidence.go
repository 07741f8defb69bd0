package compare

import (
	"context"
	"errors"

	"justlens/core/run"
)

// Evidence is what is seen of a finding on rows: a database on which the query as written and the
// query as meant part.
type Evidence struct {
	Written, Meant *run.Query
	Difference     *Difference // nil where none is shown
	// Why says why nothing is shown, as the rest of a sentence.
	Why string
	// Plans are those of a database, as written and as meant, in lines; nil where none was asked.
	Plans *[2][]string
}

// evidenceTries is how many made databases are tried for the evidence of one finding, evidenceWork
// how many rows of them are looked at.
const (
	evidenceTries = 3000
	evidenceWork  = 2_000_000
)

// Show looks for rows on which two queries part.
func Show(ctx context.Context, written, meant *run.Query) Evidence {
	e := Evidence{Written: written, Meant: meant}
	var damaged run.Damaged
	for _, q := range []*run.Query{written, meant} {
		switch {
		case q == nil:
			e.Why = "only queries are worked out"
			return e
		case errors.As(q.Err, &damaged):
			e.Why = "it cannot be read"
			return e
		case q.Err != nil:
			e.Why = q.Err.Error()
			return e
		}
	}
	h := Hunt(ctx, written, meant, Options{Tries: evidenceTries, Work: evidenceWork, Seed: 1, CountOnly: len(written.Plan.Columns) != len(meant.Plan.Columns)})
	if h.Difference == nil && h.Open > 0 {
		h.Difference = Hunt(ctx, written, meant, Options{Tries: evidenceTries, Work: evidenceWork, Seed: 1, either: true}).Difference
	}
	if h.Difference == nil && h.Stopped > 0 {
		h.Difference = Hunt(ctx, written, meant, Options{Tries: evidenceTries, Work: evidenceWork, Seed: 1, stops: true}).Difference
	}
	switch e.Difference = h.Difference; {
	case h.Difference != nil:
	case h.Tried > 0 && h.Open > h.Tried/10:
		e.Why = "where they may part, the database leaves it open which rows it gives"
	case h.Tried > 0 && h.Stopped > h.Tried/2:
		e.Why = h.Stop.Error()
	case h.Tried > 0:
		e.Why = "no made rows show a difference"
	case h.Err != nil:
		e.Why = h.Err.Error()
	default:
		e.Why = "the database leaves it open which rows it gives"
	}
	return e
}
