package report

import (
	"bytes"
	"cmp"
	_ "embed"
	"fmt"
	"html/template"
	"io"
	"maps"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/core/text"
)

// pageText is the template of the report: one file, with its style and script, that asks no network
// for anything.
//
//go:embed page.html
var pageText string

// htmlPage is what the template shows.
type htmlPage struct {
	Version      string
	Totals       string
	Consequences []htmlCount
	Families     []htmlCount
	Files        []htmlFile
	Problems     []string
	Passed       string
	Silent       string
}

type htmlCount struct {
	Name  string
	Count int
}

type htmlFile struct {
	Path    string
	Facts   string
	Blocks  []htmlBlock
	Unshown int
}

// htmlBlock is a run of lines with the findings that begin on its first line.
type htmlBlock struct {
	Gap      int // how many lines are left out before it
	Lines    []htmlLine
	Findings []htmlFinding
}

type htmlLine struct {
	Number int
	Parts  []htmlPart
}

// htmlPart is a piece of a line; Consequence is that of the worst finding about it, "" if none is.
type htmlPart struct{ Text, Consequence string }

type htmlFinding struct {
	Check, Family, Consequence, Certainty, Message, Why, Place, Object string
	More                                                               string
	Related                                                            []string
	Mends                                                              []htmlMend
	Seen                                                               string // on rows, as lines; "" without
}

type htmlMend struct {
	Title, Effect string
	Lines         []htmlChange
}

type htmlChange struct{ Sign, Text string }

type htmlRenderer struct {
	w     io.Writer
	page  htmlPage
	kinds map[string]int
}

// NewHTML makes a renderer of one page for a browser.
func NewHTML(w io.Writer, version string) Renderer {
	return &htmlRenderer{w: w, page: htmlPage{Version: version}, kinds: map[string]int{}}
}

// How much of a text is shown round what was found.
const (
	linesAround   = 2
	shortGap      = 4  // lines that are shown all the same
	shortFile     = 60 // lines of a text that is shown whole
	linesOfSpan   = 25
	bytesOfLine   = 600
	bytesBefore   = 120
	marksOfOneRow = 60
)

func (r *htmlRenderer) File(f *review.File) error {
	if len(f.Findings) == 0 {
		return nil
	}
	as := "read as " + f.Dialect.Title()
	if f.Clue != "" {
		as += ", judging by " + f.Clue
	}
	out := htmlFile{Path: Visible(f.Text.Path), Facts: fmt.Sprintf("%s, %s", Count(f.Statements, "statement"), as)}
	byLine, about := map[int][]*review.Finding{}, map[int][]*review.Finding{} // that begin on a line; that are about some of it
	show := map[int]bool{}
	for i := range f.Findings {
		found := &f.Findings[i]
		r.kinds[found.Check.Family()] += 1 + found.More
		first, last := f.Text.Place(found.Span.Start).Line, f.Text.Place(max(found.Span.Start, found.Span.End-1)).Line
		byLine[first] = append(byLine[first], found)
		for n := max(1, first-linesAround); n <= min(last, first+linesOfSpan)+linesAround && n <= f.Text.LineCount(); n++ {
			show[n] = true
			if first <= n && n <= last {
				about[n] = append(about[n], found)
			}
		}
	}
	lines := f.Text.LineCount()
	for lines > 0 && len(bytes.TrimSpace(f.Text.Bytes()[f.Text.Line(lines).Start:])) == 0 {
		lines-- // what follows the last line is none
	}
	shown := 0
	for _, n := range withShortGaps(show, lines) {
		if len(out.Blocks) == 0 || len(byLine[n]) > 0 || n != shown+1 {
			out.Blocks = append(out.Blocks, htmlBlock{Gap: n - shown - 1})
		}
		block := &out.Blocks[len(out.Blocks)-1]
		shown = n
		block.Lines = append(block.Lines, htmlLine{n, partsOf(f.Text, n, about[n])})
		here := byLine[n]
		slices.SortStableFunc(here, func(a, b *review.Finding) int { return cmp.Compare(b.Consequence, a.Consequence) })
		for _, found := range here {
			block.Findings = append(block.Findings, htmlOf(f, found))
		}
	}
	r.page.Files = append(r.page.Files, out)
	return nil
}

// withShortGaps gives the numbers of the lines to show, in order: all of a short text, and the few
// between two others.
func withShortGaps(show map[int]bool, lines int) []int {
	numbers := make([]int, 0, len(show))
	if lines <= shortFile {
		for n := 1; n <= lines; n++ {
			numbers = append(numbers, n)
		}
		return numbers
	}
	before := 0
	for _, n := range slices.Sorted(maps.Keys(show)) {
		if n > lines {
			break
		}
		if n-before <= shortGap {
			for between := before + 1; between < n; between++ {
				numbers = append(numbers, between)
			}
		}
		numbers, before = append(numbers, n), n
	}
	return numbers
}

// partsOf cuts a line where what was found begins and ends.
func partsOf(f *text.File, n int, about []*review.Finding) []htmlPart {
	line := f.Line(n)
	spans := about[:min(len(about), marksOfOneRow)]
	left, right := "", ""
	if line.Len() > bytesOfLine {
		whole := line
		near := text.Span{Start: line.Start, End: line.Start}
		if len(spans) > 0 {
			near = text.Span{Start: max(line.Start, spans[0].Span.Start), End: max(line.Start, spans[0].Span.Start)}
		}
		line = f.Near(near, whole, bytesBefore)
		line.End = min(whole.End, f.Near(text.Span{Start: line.Start, End: line.Start}, whole, bytesOfLine).End)
		if line.Start > whole.Start {
			left = "…"
		}
		if line.End < whole.End {
			right = "…"
		}
	}
	cuts := []text.Pos{line.Start, line.End}
	indent := line.Start + text.Pos(line.Len()-len(bytes.TrimLeft(f.Bytes()[line.Start:line.End], " \t")))
	for _, s := range spans {
		cuts = append(cuts, min(max(s.Span.Start, indent), line.End), min(max(s.Span.End, line.Start), line.End))
	}
	slices.Sort(cuts)
	cuts = slices.Compact(cuts)
	var parts []htmlPart
	add := func(s, consequence string) {
		if s == "" {
			return
		}
		if last := len(parts) - 1; last >= 0 && parts[last].Consequence == consequence {
			parts[last].Text += s
			return
		}
		parts = append(parts, htmlPart{s, consequence})
	}
	add(left, "")
	for i := 1; i < len(cuts); i++ {
		worst := check.Fine
		for _, s := range spans {
			if s.Span.Start < cuts[i] && s.Span.End > cuts[i-1] && cuts[i] > indent {
				worst = max(worst, s.Consequence)
			}
		}
		name := ""
		if worst > check.Fine {
			name = worst.String()
		}
		add(visible(f.Slice(text.Span{Start: cuts[i-1], End: cuts[i]})), name)
	}
	add(right, "")
	return parts
}

func htmlOf(f *review.File, found *review.Finding) htmlFinding {
	at := f.Text.Place(found.Span.Start)
	out := htmlFinding{
		Check: found.Check.ID, Family: found.Check.Family(), Consequence: found.Consequence.String(), Certainty: found.Certainty.String(),
		Message: Visible(found.Message), Why: Visible(found.Why), Place: fmt.Sprintf("line %d, column %d", at.Line, at.Column), Object: Visible(found.Object),
	}
	if found.More > 0 {
		out.More = fmt.Sprintf("… and %s more of it in this statement.", text.Thousands(found.More))
	}
	for _, other := range found.Related {
		place := f.Text.Place(other.Span.Start)
		out.Related = append(out.Related, fmt.Sprintf("See line %d, column %d, %s: %s.", place.Line, place.Column, quoted(f.Text.Slice(other.Span)), Visible(other.Message)))
	}
	switch e := found.Evidence; {
	case e == nil:
	case e.Plans != nil:
		out.Seen = strings.Join(Style{}.planned(e), "\n")
	case e.Difference != nil:
		out.Seen = strings.Join(Style{}.seen(e, maxWidth), "\n")
	}
	for i := range found.Mends {
		m := &found.Mends[i]
		mend := htmlMend{Title: Visible(m.Title), Effect: m.Effect.String()}
		for k, l := range changes(f.Text, m.Edits) {
			if k == diffLines {
				mend.Lines = append(mend.Lines, htmlChange{" ", "…"})
				break
			}
			sign := "-"
			if l.added {
				sign = "+"
			}
			mend.Lines = append(mend.Lines, htmlChange{sign, strings.TrimRight(l.text, " ")})
		}
		out.Mends = append(out.Mends, mend)
	}
	return out
}

func (r *htmlRenderer) Close(s Summary) error {
	p := &r.page
	p.Totals, p.Passed, p.Silent = plainTotals(s), passedOver(s.Passed), notTold(s)
	for c := check.Refused; c > check.Fine; c-- {
		p.Consequences = append(p.Consequences, htmlCount{c.String(), s.Findings[c]})
	}
	for name, n := range r.kinds {
		p.Families = append(p.Families, htmlCount{name, n})
	}
	slices.SortFunc(p.Families, func(a, b htmlCount) int { return cmp.Or(cmp.Compare(b.Count, a.Count), cmp.Compare(a.Name, b.Name)) })
	for _, problem := range s.Problems {
		p.Problems = append(p.Problems, Visible(problem))
	}
	page, err := template.New("page").Parse(pageText) // here, for other commands need it not
	if err != nil {
		return err
	}
	return page.Execute(r.w, p)
}
