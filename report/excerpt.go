package report

import (
	"strings"

	"github.com/aymanbagabas/go-udiff"
	"github.com/mattn/go-runewidth"

	"justlens/core/text"
)

// Marks stand round the offending text, so that no colour is needed and tabs
// and wide characters cannot shift it.
const (
	openMark  = "»"
	closeMark = "«"
)

// numbered is a line to show with its 1-based number, 0 for one left out.
type numbered struct {
	number int
	text   string
	// mark is the part of text to mark, as bytes; empty where from == to.
	from, to int
}

// Limits of what is shown of a span or a mend. A change of few lines is shown
// as one block before and one after, which reads better than line by line.
const (
	wholeLines = 10
	shownLines = 7
	diffLines  = 16
	longLine   = 2000 // bytes, from which on only what is near a change is shown
	nearChange = 120
	nearMark   = 1000 // bytes on either side of a mark that may come into sight
)

// excerpt gives the lines of a span; of a long one the first and the last.
func excerpt(f *text.File, s text.Span) []numbered {
	first, last := f.Place(s.Start).Line, f.Place(max(s.Start, s.End-1)).Line
	var lines []numbered
	for n := first; n <= last; n++ {
		if last-first >= shownLines && n == first+shownLines-2 {
			lines = append(lines, numbered{})
			n = last
		}
		line := f.Line(n)
		from, to := max(s.Start, line.Start), min(s.End, line.End)
		near := f.Near(text.Span{Start: from, End: max(to, from)}, line, nearMark) // of a long line what comes into sight is enough
		raw := f.Slice(near)
		if n > first { // the indentation of later lines needs no mark
			from += text.Pos(len(raw) - len(strings.TrimLeft(raw, " \t")))
		}
		before := visible(raw[:from-near.Start])
		inside := visible(before + raw[from-near.Start:max(to, from)-near.Start])
		lines = append(lines, numbered{n, visible(raw), len(before), len(inside)})
	}
	return lines
}

// fit cuts a line to width columns so that its marked part stays in sight.
func fit(l numbered, width int) (before, marked, after string) {
	before, marked, after = l.text[:l.from], l.text[l.from:l.to], l.text[l.to:]
	room := width - runewidth.StringWidth(openMark+closeMark)
	if runewidth.StringWidth(l.text) <= room {
		return before, marked, after
	}
	marked = cut(marked, room*2/3)
	rest := room - runewidth.StringWidth(marked)
	if w := runewidth.StringWidth(before); w > rest/2 {
		keep := max(rest/2, rest-runewidth.StringWidth(after))
		before = cutLeft(before, keep)
	}
	return before, marked, cut(after, max(rest-runewidth.StringWidth(before), 1))
}

// cut leaves the first columns of a text.
func cut(s string, width int) string { return runewidth.Truncate(s, width, "…") }

// cutLeft leaves the last columns of a text.
func cutLeft(s string, width int) string {
	w := runewidth.StringWidth(s)
	if w <= width {
		return s
	}
	return runewidth.TruncateLeft(s, w-width+1, "…")
}

// change is a line of a mend: what was there, or what comes.
type change struct {
	added bool
	text  string
}

// changes gives the lines that edits take away and put in.
func changes(f *text.File, edits []text.Edit) []change {
	if len(edits) == 0 {
		return nil
	}
	span := edits[0].Span
	for _, e := range edits {
		span = span.Join(e.Span)
	}
	first, last := f.Line(f.Place(span.Start).Line), f.Line(f.Place(span.End).Line)
	window := text.Span{Start: first.Start, End: max(last.End, span.End)}
	left, right := "", ""
	if window.Len() > longLine {
		whole := window
		window = f.Near(span, whole, nearChange)
		if window.Start > whole.Start {
			left = "…"
		}
		if window.End < whole.End {
			right = "…"
		}
	}
	local := make([]text.Edit, len(edits))
	for i, e := range edits {
		local[i] = text.Edit{Span: text.Span{Start: e.Span.Start - window.Start, End: e.Span.End - window.Start}, Text: e.Text}
	}
	before := f.Slice(window)
	after, err := text.Apply([]byte(before), local)
	if err != nil {
		return nil
	}
	before = left + before + right
	after = []byte(left + string(after) + right)
	if out := wholeChange(splitLines(before), splitLines(string(after))); len(out) <= wholeLines {
		return out
	}
	var out []change
	before, now := before+"\n", string(after)+"\n"
	diff, err := udiff.ToUnifiedDiff("", "", before, udiff.Lines(before, now), 0)
	if err != nil {
		return nil
	}
	for _, h := range diff.Hunks {
		for _, l := range h.Lines {
			line := strings.TrimRight(l.Content, "\r\n")
			switch l.Kind {
			case udiff.Delete:
				out = append(out, change{false, visible(line)})
			case udiff.Insert:
				out = append(out, change{true, visible(line)})
			}
		}
	}
	return out
}

func splitLines(s string) []string {
	return strings.Split(strings.ReplaceAll(s, "\r\n", "\n"), "\n")
}

// wholeChange gives all lines from the first to the last that differs.
func wholeChange(before, after []string) []change {
	for len(before) > 0 && len(after) > 0 && before[0] == after[0] {
		before, after = before[1:], after[1:]
	}
	for len(before) > 0 && len(after) > 0 && before[len(before)-1] == after[len(after)-1] {
		before, after = before[:len(before)-1], after[:len(after)-1]
	}
	var out []change
	for _, l := range before {
		out = append(out, change{false, visible(l)})
	}
	for _, l := range after {
		out = append(out, change{true, visible(l)})
	}
	return out
}
