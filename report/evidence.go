package report

import (
	"slices"
	"strings"

	"justlens/core/compare"
	"justlens/core/dialect"
)

// evidence shows the rows on which a query as written and as meant part.
func (r *textRenderer) evidence(e *compare.Evidence) {
	if e == nil {
		return
	}
	r.line("")
	if e.Plans != nil {
		for _, line := range r.style.planned(e) {
			r.line(strings.Repeat(" ", margin) + line)
		}
		return
	}
	if e.Difference == nil {
		r.indented("Not shown on rows: "+e.Why+".", gray)
		return
	}
	for _, line := range r.style.seen(e, r.style.Width-margin-len(unmarked)) {
		r.line(strings.Repeat(" ", margin) + line)
	}
}

// planned gives the lines of both plans.
func (s Style) planned(e *compare.Evidence) (lines []string) {
	if slices.Equal(e.Plans[0], e.Plans[1]) {
		return []string{"The database plans both alike: there the mend makes nothing faster."}
	}
	for i, title := range []string{"Planned as written", "Planned as mended"} {
		lines = append(lines, s.strong(title))
		for _, step := range e.Plans[i] {
			lines = append(lines, unmarked+Visible(step))
		}
	}
	return lines
}

// seen gives the lines of evidence: the rows, and both results.
func (s Style) seen(e *compare.Evidence, width int) []string {
	d := e.Difference
	as := ""
	if how := workedOutAs(e.Written.Dialect); how != "" {
		as = s.paint(", "+how, gray)
	}
	lines := []string{s.strong("Seen on empty tables") + as}
	if len(d.Tables) > 0 {
		lines[0] = s.strong("Seen on") + as
		for _, line := range s.madeTables(d, width) {
			lines = append(lines, unmarked+line)
		}
	}
	for _, g := range d.Given {
		lines = append(lines, unmarked+"with "+g.Name+" = "+Visible(g.Value.String()))
	}
	lines = append(lines, "")
	if d.Stopped != nil {
		lines = append(lines, unmarked+s.strong("as written:")+" "+Visible(d.Stopped.Error()))
		return append(lines, s.result("as meant:", e.Meant, d.New, d.New, false, width)...)
	}
	if d.Either {
		lines = append(lines, s.result("as written, it may give:", e.Written, d.Old, d.New, false, width)...)
		lines = append(lines, s.result("or as well:", e.Written, d.New, d.Old, false, width)...)
		return append(lines, s.result("as meant:", e.Meant, d.Meant, d.Meant, false, width)...)
	}
	lines = append(lines, s.result("as written:", e.Written, d.Old, d.New, d.Order, width)...)
	return append(lines, s.result("as meant:", e.Meant, d.New, d.Old, d.Order, width)...)
}

// workedOutAs says by whose rules a query is worked out whose dialect is not known; "" for one whose
// dialect is.
func workedOutAs(d dialect.Dialect) string {
	if d == dialect.ANSI {
		return "worked out as PostgreSQL does"
	}
	return ""
}

// jsonEvidence is what is seen of a finding on rows.
type jsonEvidence struct {
	Reason string      `json:"reason,omitempty"`
	Tables []jsonTable `json:"tables,omitempty"`
	// Both are there where rows are shown, though they may be empty.
	Written *[][]*string `json:"written,omitempty"`
	Meant   *[][]*string `json:"meant,omitempty"`
	// Stops is the error with which the query as written ends on these rows.
	Stops string `json:"stops,omitempty"`
	// OrWritten is another result that the database is free to give of the query as written.
	OrWritten *[][]*string `json:"orWritten,omitempty"`
	// Plans are those of a database, as written and as mended, in lines.
	Plans *[2][]string `json:"plans,omitempty"`
}

func evidenceOf(e *compare.Evidence) *jsonEvidence {
	switch {
	case e == nil:
		return nil
	case e.Plans != nil:
		return &jsonEvidence{Plans: e.Plans}
	case e.Difference == nil:
		return &jsonEvidence{Reason: e.Why}
	}
	written, meant := dataOf(e.Difference.Old), dataOf(e.Difference.New)
	out := &jsonEvidence{Written: &written, Meant: &meant}
	if d := e.Difference; d.Stopped != nil {
		out.Written, out.Stops = nil, d.Stopped.Error()
	} else if d.Either {
		other, meant := meant, dataOf(d.Meant)
		out.OrWritten, out.Meant = &other, &meant
	}
	for _, t := range e.Difference.Tables {
		out.Tables = append(out.Tables, tableOf(t, e.Difference.Used[t.Table]))
	}
	return out
}
