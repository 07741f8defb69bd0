package report

import (
	"fmt"
	"io"
	"strings"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
)

// GuidePage writes the checks of a family as a page of Markdown.
func GuidePage(w io.Writer, f checks.Family, of []*check.Check) error {
	var b strings.Builder
	fmt.Fprintf(&b, "# %s: %s\n\nWritten from the checks themselves; `justlens guide %s` tells the same.\n", f.Name, f.About, f.Name)
	for _, c := range of {
		fmt.Fprintf(&b, "\n## %s\n\n**%s.** %s\n\n", c.ID, strings.ToUpper(c.Title[:1])+c.Title[1:], c.Doc)
		for _, line := range consequencesOf(c, Style{Width: 200}) {
			fmt.Fprintf(&b, "- %s\n", strings.Join(strings.Fields(line), " "))
		}
		if answers := answersOf(c); answers != "" {
			fmt.Fprintf(&b, "- Answered by: %s\n", answers)
		}
		if c.OnRequest {
			b.WriteString("- Shown only with `--certainty possible`\n")
		}
		for _, e := range c.Examples {
			pageExample(&b, e)
		}
	}
	_, err := io.WriteString(w, b.String())
	return err
}

func pageExample(b *strings.Builder, e check.Example) {
	on := ""
	if e.Dialect != dialect.ANSI {
		on = " on " + e.Dialect.Title()
	}
	block := func(label string, queries ...string) {
		fmt.Fprintf(b, "\n%s%s:\n\n```sql\n", label, on)
		for _, query := range queries {
			b.WriteString(shortened(query) + "\n")
		}
		b.WriteString("```\n")
	}
	if e.Bad != "" {
		block("Found", e.Bad)
	}
	if e.Good != "" {
		block("Mended", e.Good)
	}
	if len(e.Near) > 0 {
		block("Not reported", e.Near...)
	}
}
