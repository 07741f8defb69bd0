package report

import (
	"cmp"
	"fmt"
	"io"
	"maps"
	"slices"
	"strconv"
	"strings"

	"github.com/mattn/go-runewidth"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/text"
)

// margin is the column in which what is said of a finding begins; left of it
// stand its consequence, line numbers, and the signs of a mend.
const margin = 9

type textRenderer struct {
	w      io.Writer
	style  Style
	b      strings.Builder
	files  int
	limit  int // of findings, 0 for none
	told   int
	untold int
	silent int // files that are not told of for it

	explained map[check.Effect]bool
}

// NewText makes a renderer for people that tells of as many findings as limit says, 0 for
// all.
func NewText(w io.Writer, s Style, limit int) Renderer {
	return &textRenderer{w: w, style: s, limit: limit, explained: map[check.Effect]bool{}}
}

func (r *textRenderer) File(f *review.File) error {
	if len(f.Findings) == 0 {
		return nil
	}
	r.b.Reset()
	if r.limit > 0 && r.told == r.limit {
		r.silent++
		for _, found := range f.Findings {
			r.untold += 1 + found.More
		}
		return nil
	}
	if r.files > 0 {
		r.line("")
	}
	r.files++
	r.heading(f)
	for _, alike := range kindsOf(worstFirst(f.Findings)) {
		if r.limit > 0 && r.told == r.limit {
			for _, found := range alike {
				r.untold += 1 + found.More
			}
			continue
		}
		r.told++
		r.line("")
		r.finding(f, &alike[0].Finding, alike[0].Object)
		r.evidence(alike[0].Evidence)
		r.more(alike[0].More, alike[0].Check.ID)
		r.others(f, alike)
	}
	_, err := io.WriteString(r.w, r.b.String())
	return err
}

// One shows one finding.
func One(w io.Writer, s Style, f *review.File, found *review.Finding) error {
	r := &textRenderer{w: w, style: s, explained: map[check.Effect]bool{check.SameRows: true, check.NewRows: true, check.ByHand: true}}
	r.line("")
	r.line(r.style.strong(visible(f.Text.Path)))
	r.line("")
	r.finding(f, &found.Finding, found.Object)
	_, err := io.WriteString(w, r.b.String())
	return err
}

// kindsOf puts the findings of one kind together: of one check, of which the same is said. The kinds
// are in the order of their first.
func kindsOf(findings []review.Finding) [][]review.Finding {
	type kind struct {
		check       *check.Check
		consequence check.Consequence
		certainty   check.Certainty
		why         string
	}
	places := map[kind]int{}
	var kinds [][]review.Finding
	for _, found := range findings {
		k := kind{found.Check, found.Consequence, found.Certainty, found.Why}
		at, known := places[k]
		if !known {
			at = len(kinds)
			places[k] = at
			kinds = append(kinds, nil)
		}
		kinds[at] = append(kinds[at], found)
	}
	return kinds
}

// mostAlike is how many others of a kind are told of by a line each.
const mostAlike = 20

// others tells of further findings of a kind by a line each.
func (r *textRenderer) others(f *review.File, alike []review.Finding) {
	first, others := alike[0], alike[1:]
	if len(others) == 0 {
		return
	}
	r.line("")
	r.indented("The same stands at:", "")
	more := 0
	for i := range others {
		found := &others[i]
		if r.limit > 0 && r.told == r.limit {
			r.untold += 1 + found.More
			continue
		}
		r.told++
		more += found.More
		if i >= mostAlike {
			more++
			continue
		}
		at := f.Text.Place(found.Span.Start)
		line := fmt.Sprintf("%*d  column %-4d %s", margin-2, at.Line, at.Column, quoted(f.Text.Slice(found.Span)))
		if found.Object != first.Object && found.Object != "" {
			line += "  in " + visible(found.Object)
		}
		if told := line + "  " + visible(found.Message); found.Message != first.Message && runewidth.StringWidth(told) <= r.style.Width {
			line = told
		}
		r.line(line)
	}
	r.more(more, first.Check.ID)
}

// more tells how many findings of a check are not told of.
func (r *textRenderer) more(n int, id string) {
	if n > 0 {
		r.line("")
		r.indented(fmt.Sprintf("… and %s more of %s.", text.Thousands(n), id), gray)
	}
}

// worstFirst orders the findings of each statement by consequence.
func worstFirst(findings []review.Finding) []review.Finding {
	sorted := slices.Clone(findings)
	slices.SortStableFunc(sorted, func(a, b review.Finding) int {
		return cmp.Or(cmp.Compare(a.Statement, b.Statement), cmp.Compare(b.Consequence, a.Consequence))
	})
	return sorted
}

func (r *textRenderer) line(s string) {
	r.b.WriteString(strings.TrimRight(s, " "))
	r.b.WriteByte('\n')
}

func (r *textRenderer) heading(f *review.File) {
	as := "read as " + f.Dialect.Title()
	if f.Clue != "" {
		as += ", judging by " + f.Clue
	}
	path := visible(f.Text.Path)
	if len(f.Findings) > 3 {
		var s Summary
		s.Add(f)
		as += ": " + r.counts(s)
	}
	r.line(r.style.strong(path) + r.style.paint(fmt.Sprintf("  %s, %s", Count(f.Statements, "statement"), as), gray))
	r.line(r.style.paint(rule[:3*min(r.style.Width, 60)], gray))
}

func (r *textRenderer) finding(f *review.File, found *check.Finding, object string) {
	place := f.Text.Place(found.Span.Start)
	color := consequenceColor[found.Consequence]
	label := strings.ToUpper(found.Consequence.String())
	for i, line := range wrap(visible(found.Message), r.style.Width-margin) {
		head := strings.Repeat(" ", margin)
		if i == 0 {
			head = r.style.bold(fmt.Sprintf("%-*s", margin, label), color)
		}
		r.line(head + r.style.strong(line))
	}
	in := ""
	if object != "" {
		in = " · in " + visible(object)
	}
	r.indented(fmt.Sprintf("line %d, column %d · %s · %s%s", place.Line, place.Column, found.Check.ID, found.Certainty, in), gray)
	r.line("")
	for _, l := range excerpt(f.Text, found.Span) {
		if l.number == 0 {
			r.line(fmt.Sprintf("%*s", margin-2, "…"))
			continue
		}
		before, marked, after := fit(l, r.style.Width-margin)
		if marked != "" {
			marked = r.style.bold(openMark+marked+closeMark, color)
		}
		r.line(r.style.paint(fmt.Sprintf("%*d  ", margin-2, l.number), gray) + before + marked + after)
	}
	r.line("")
	r.indented(visible(found.Why), "")
	r.elsewhere(found, f.Dialect)
	for _, other := range found.Related {
		at := f.Text.Place(other.Span.Start)
		r.indented(fmt.Sprintf("See line %d, column %d, %s: %s.", at.Line, at.Column, quoted(f.Text.Slice(other.Span)), visible(other.Message)), "")
	}
	for _, m := range found.Mends {
		r.mend(f, &m)
	}
}

// quoted gives the beginning of a text of the file on one line, between marks.
func quoted(s string) string {
	const most = 30
	s = visible(strings.Join(strings.Fields(s), " "))
	if r := []rune(s); len(r) > most {
		s = string(r[:most]) + "…"
	}
	return openMark + s + closeMark
}

// elsewhere says in words what comes of a finding on some databases.
func elsewhere(c check.Consequence, names []string) string {
	verb := map[check.Consequence][2]string{
		check.Refused: {"refuses it", "refuse it"}, check.Wrong: {"runs it, with wrong rows", "run it, with wrong rows"},
		check.Slow: {"runs it, but slowly", "run it, but slowly"}, check.Unclear: {"runs it, with right rows", "run it, with right rows"},
		check.Fine: {"takes it as meant", "take it as meant"},
	}[c]
	if len(names) == 1 {
		return names[0] + " " + verb[0]
	}
	return check.List(names, "and") + " " + verb[1]
}

// effects explain the words for what a mend does to the result; each is told where the
// word stands first.
var effects = map[check.Effect]string{
	check.SameRows: "same rows: the result stays as it is, which is proved",
	check.NewRows:  "new rows: the result changes, to what was evidently meant",
	check.ByHand:   "by hand: a sketch or a choice, which only a person can make",
}

// indented writes prose behind the margin.
func (r *textRenderer) indented(prose, color string) {
	for _, line := range wrap(prose, r.style.Width-margin) {
		r.line(strings.Repeat(" ", margin) + r.style.paint(line, color))
	}
}

// elsewhere tells of the databases on which the consequence is another.
func (r *textRenderer) elsewhere(found *check.Finding, here dialect.Dialect) {
	if found.Check.Elsewhere != "" {
		r.indented("Elsewhere: "+found.Check.Elsewhere+".", gray)
		return
	}
	var parts []string
	for c := check.Refused; ; c-- {
		var names []string
		for _, d := range dialect.All() {
			if d != dialect.ANSI && d != here && found.Verdicts[d] == c && c != found.Consequence {
				names = append(names, d.Title())
			}
		}
		if len(names) > 0 {
			parts = append(parts, elsewhere(c, names))
		}
		if c == check.Fine {
			break
		}
	}
	if len(parts) > 0 {
		r.indented("Elsewhere: "+strings.Join(parts, "; ")+".", gray)
	}
}

func (r *textRenderer) mend(f *review.File, m *check.Mend) {
	r.line("")
	lines := changes(f.Text, m.Edits)
	title := "Mend (" + m.Effect.String() + "): " + visible(m.Title)
	wrapped := wrap(title, r.style.Width-margin)
	for _, line := range wrapped {
		r.line(strings.Repeat(" ", margin) + r.style.paint(line, green))
	}
	if !r.explained[m.Effect] {
		r.explained[m.Effect] = true
		r.indented("("+effects[m.Effect]+")", gray)
	}
	for i, l := range lines {
		if i == diffLines {
			r.line(fmt.Sprintf("%*s  (%s more)", margin-2, "…", Count(len(lines)-i, "line")))
			break
		}
		sign, color := "-", red
		if l.added {
			sign, color = "+", green
		}
		for _, part := range folded(l.text, r.style.Width-margin) {
			r.line(r.style.paint(fmt.Sprintf("%*s  %s", margin-2, sign, part), color))
			sign = ""
		}
	}
}

func (r *textRenderer) Close(s Summary) error {
	r.b.Reset()
	if r.files > 0 {
		r.line("")
		r.line(r.style.paint(rule[:3*min(r.style.Width, 60)], gray))
	}
	if r.untold > 0 {
		where := ""
		if r.silent > 0 {
			where = ", " + Count(r.silent, "file") + " among them that are not told of at all"
		}
		r.line(fmt.Sprintf("%s more findings are not shown%s; --limit 0 shows all.", text.Thousands(r.untold), where))
	}
	if s.Files > 0 || len(s.Problems) == 0 {
		r.line(r.totals(s))
	}
	if silent := notTold(s); silent != "" {
		r.line(r.style.paint(silent, gray))
	}
	if passed := passedOver(s.Passed); passed != "" {
		for _, line := range wrap(passed, r.style.Width) {
			r.line(r.style.paint(line, gray))
		}
	}
	if next := r.next(s); next != "" {
		r.line(next)
	}
	_, err := io.WriteString(r.w, r.b.String())
	return err
}

// notTold says in words which findings are not told, "" if there are none.
func notTold(s Summary) string {
	var parts []string
	if s.Accepted > 0 {
		parts = append(parts, fmt.Sprintf("Accepted by comments: %s.", Count(s.Accepted, "finding")))
	}
	if s.Known > 0 {
		parts = append(parts, fmt.Sprintf("Known before: %s.", Count(s.Known, "finding")))
	}
	return strings.Join(parts, " ")
}

// passedOver tells in words what was not reviewed, "" if there is nothing.
func passedOver(p review.Passed) string {
	const named = 6
	var parts []string
	words := slices.SortedFunc(maps.Keys(p.Statements), func(a, b string) int {
		return cmp.Or(cmp.Compare(p.Statements[b], p.Statements[a]), cmp.Compare(a, b))
	})
	total, others := 0, 0
	var kinds []string
	for i, word := range words {
		n := p.Statements[word]
		total += n
		if i >= named {
			others += n
			continue
		}
		kinds = append(kinds, word+" "+text.Thousands(n))
	}
	if others > 0 {
		kinds = append(kinds, "others "+text.Thousands(others))
	}
	if total > 0 {
		parts = append(parts, fmt.Sprintf("%s of kinds that are not reviewed (%s)", Count(total, "statement"), strings.Join(kinds, ", ")))
	}
	if p.Bodies > 0 {
		bodies := "1 body of a routine that was"
		if p.Bodies > 1 {
			bodies = text.Thousands(p.Bodies) + " bodies of routines that were"
		}
		parts = append(parts, bodies+" not read")
	}
	if p.Templates > 0 {
		parts = append(parts, Count(p.Templates, "statement")+" of which a template puts in more than names and values")
	}
	if len(parts) == 0 {
		return ""
	}
	return "Passed over: " + strings.Join(parts, "; ") + "."
}

func (r *textRenderer) totals(s Summary) string {
	read := fmt.Sprintf("%s, %s", Count(s.Files, "file"), Count(s.Statements, "statement"))
	if s.Total() == 0 {
		if len(s.Problems) > 0 {
			return nothingFound + " in what was reviewed: " + read + "; not reviewed: " + strconv.Itoa(len(s.Problems)) + "."
		}
		return nothingFound + ": " + read + "."
	}
	where := "in " + read
	if s.Files > 1 {
		where = fmt.Sprintf("in %d of %s", s.WithFindings, read)
	}
	return r.counts(s) + " " + where + "."
}

// counts says how many findings there are of each consequence.
func (r *textRenderer) counts(s Summary) string {
	var parts []string
	for c := check.Refused; c > check.Fine; c-- {
		if n := s.Findings[c]; n > 0 {
			parts = append(parts, r.style.bold(fmt.Sprintf("%d %s", n, c), consequenceColor[c]))
		}
	}
	return strings.Join(parts, ", ")
}

// next names the command most worth typing now.
func (r *textRenderer) next(s Summary) string {
	if s.Keeping == 0 || s.Next == "" {
		return ""
	}
	mends := "a mend that keeps"
	if s.Keeping > 1 {
		mends = fmt.Sprintf("%d mends that keep", s.Keeping)
	}
	return fmt.Sprintf("Next: %s   shows %s the rows.", visible(s.Next), mends)
}

// Count tells a number of things.
func Count(n int, what string) string {
	if n == 1 {
		return "1 " + what
	}
	if strings.HasSuffix(what, "y") {
		return fmt.Sprintf("%d %sies", n, strings.TrimSuffix(what, "y"))
	}
	return fmt.Sprintf("%d %ss", n, what)
}
