package cli

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/mend"
	"justlens/core/review"
	"justlens/core/run"
	"justlens/core/text"
)

// longestPlain is the length in bytes of a statement up to which it is made plain.
const longestPlain = 16 << 10

// plain gives a query with every mend that is proved to keep its rows, and tells of these; nil where
// one could not be made.
func plain(q *run.Query) (made *run.Query, told []string) {
	if q.Stmt.Span.Len() > longestPlain {
		return nil, nil
	}
	reviewer := review.New(review.Options{Dialect: q.Dialect, Schema: q.Schema, Checks: checks.All()})
	result, err := mend.Mend(q.Src[q.Stmt.Span.Start:q.Stmt.Span.End], []check.Effect{check.SameRows}, func(src []byte) ([]review.Finding, error) {
		file, err := text.NewFile("query", src)
		if err != nil {
			return nil, err
		}
		return reviewer.Review(file).Findings, nil
	})
	if err != nil {
		return nil, nil
	}
	for _, m := range result.Mends {
		if m.Fate == mend.Applied {
			told = append(told, fmt.Sprintf("%s (%s: %s)", m.Finding.Message, m.Finding.Check.ID, m.Mend.Title))
		}
	}
	if made = run.ReadAt(result.Text, q.Dialect, 0, 0, q.Schema); made == nil || made.Err != nil {
		return nil, nil
	}
	return made, told
}
