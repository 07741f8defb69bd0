package report

import (
	"cmp"
	"fmt"
	"io"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/core/text"
)

// mostMarkdown is how many bytes a Markdown report takes: what a comment on a pull request holds.
const mostMarkdown = 60_000

// markdownHead begins the report.
const markdownHead = "## Just Lens: "

type markdownRenderer struct {
	w     io.Writer
	found []markdownFinding
}

// markdownFinding is a finding as it is written, with what it is sorted by.
type markdownFinding struct {
	consequence check.Consequence
	certainty   check.Certainty
	count       int
	text        string
}

// NewMarkdown makes a renderer for a comment on a change: the worst first, as much as a comment
// holds.
func NewMarkdown(w io.Writer) Renderer { return &markdownRenderer{w: w} }

func (r *markdownRenderer) File(f *review.File) error {
	for i := range f.Findings {
		found := &f.Findings[i]
		r.found = append(r.found, markdownFinding{found.Consequence, found.Certainty, 1 + found.More, markdownOf(f, found)})
	}
	return nil
}

func markdownOf(f *review.File, found *review.Finding) string {
	var b strings.Builder
	at := f.Text.Place(found.Span.Start)
	fmt.Fprintf(&b, "#### %s: %s\n", strings.ToUpper(found.Consequence.String()), inMarkdown(found.Message))
	in := ""
	if found.Object != "" {
		in = ", in " + inMarkdown(found.Object)
	}
	fmt.Fprintf(&b, "%s line %d%s · %s · %s\n", code(f.Text.Path), at.Line, in, code(found.Check.ID), found.Certainty)
	fenced(&b, "sql", func() {
		for _, l := range excerpt(f.Text, found.Span) {
			if l.number == 0 {
				b.WriteString("…\n")
				continue
			}
			before, marked, after := fit(l, 160)
			b.WriteString(strings.TrimRight(before+marked+after, " ") + "\n")
		}
	})
	b.WriteString(inMarkdown(found.Why) + "\n")
	for i := range found.Mends {
		m := &found.Mends[i]
		fmt.Fprintf(&b, "\n**Mend** (%s): %s\n", m.Effect, inMarkdown(m.Title))
		lines := changes(f.Text, m.Edits)
		if len(lines) == 0 {
			continue
		}
		fenced(&b, "diff", func() {
			for k, l := range lines {
				if k == diffLines {
					b.WriteString(" …\n")
					break
				}
				sign := "-"
				if l.added {
					sign = "+"
				}
				b.WriteString(sign + l.text + "\n")
			}
		})
	}
	if found.More > 0 {
		fmt.Fprintf(&b, "\n… and %s more of %s in this statement.\n", text.Thousands(found.More), code(found.Check.ID))
	}
	return b.String()
}

// fenced writes a block of code; a line of it that would end the block is moved from the margin.
func fenced(b *strings.Builder, language string, write func()) {
	b.WriteString("\n```` " + language + "\n")
	from := b.Len()
	write()
	if inside := b.String()[from:]; strings.Contains(inside, "````") {
		whole := b.String()[:from] + strings.ReplaceAll(inside, "````", "` ` ` `")
		b.Reset()
		b.WriteString(whole)
	}
	b.WriteString("````\n\n")
}

// code writes a name as code.
func code(s string) string {
	s = Visible(s)
	if strings.Contains(s, "`") {
		return inMarkdown(s)
	}
	return "`" + s + "`"
}

// inMarkdown writes prose so that no sign of it acts as markup.
func inMarkdown(s string) string {
	s = Visible(s)
	var b strings.Builder
	for _, c := range s {
		if strings.ContainsRune("\\`*_{}[]<>#|~@", c) {
			b.WriteByte('\\')
		}
		b.WriteRune(c)
	}
	return b.String()
}

func (r *markdownRenderer) Close(s Summary) error {
	slices.SortStableFunc(r.found, func(a, b markdownFinding) int {
		return cmp.Or(cmp.Compare(b.consequence, a.consequence), cmp.Compare(b.certainty, a.certainty))
	})
	var b strings.Builder
	b.WriteString(markdownHead + strings.TrimSuffix(plainTotals(s), ".") + "\n\n")
	if silent := notTold(s); silent != "" {
		b.WriteString(silent + "\n\n")
	}
	problems := ""
	for i, p := range s.Problems {
		if len(problems) > mostMarkdown/8 {
			problems += fmt.Sprintf("- and %d more\n", len(s.Problems)-i)
			break
		}
		problems += "- " + inMarkdown(p) + "\n"
	}
	if problems != "" {
		b.WriteString("Not reviewed:\n\n" + problems + "\n")
	}
	told, last := 0, ""
	if passed := passedOver(s.Passed); passed != "" {
		last = inMarkdown(passed) + "\n"
	}
	total := s.Total()
	for _, f := range r.found {
		if b.Len()+len(f.text)+len(last) > mostMarkdown-200 {
			break
		}
		b.WriteString(f.text + "\n")
		told += f.count
	}
	if told < total {
		fmt.Fprintf(&b, "**%s more are not shown here**; the worst stand first.\n\n", text.Thousands(total-told))
	}
	_, err := io.WriteString(r.w, b.String()+last)
	return err
}

// plainTotals says what was found, without colours.
func plainTotals(s Summary) string { return (&textRenderer{}).totals(s) }
