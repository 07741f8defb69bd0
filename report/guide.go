package report

import (
	"fmt"
	"io"
	"strings"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/compare"
	"justlens/core/dialect"
)

// GuideList writes the checks family by family, one a line.
func GuideList(w io.Writer, s Style, families []checks.Family, all []*check.Check) error {
	var b strings.Builder
	for i, f := range families {
		if i > 0 {
			b.WriteByte('\n')
		}
		fmt.Fprintf(&b, "%s  %s\n", s.strong(f.Name), s.paint(f.About, gray))
		for _, c := range all {
			if c.Family() == f.Name {
				worst := c.Verdicts.Worst()
				label := s.paint(fmt.Sprintf("%-8s", worst), consequenceColor[worst])
				fmt.Fprintf(&b, "  %s %-34s %s\n", label, c.ID, c.Title)
			}
		}
	}
	fmt.Fprintf(&b, "\nMore of one: justlens guide %s\n", all[len(all)-1].ID)
	_, err := io.WriteString(w, b.String())
	return err
}

// Show gives what is seen of an example on rows, nil where there is nothing to see.
type Show func(c *check.Check, e check.Example) *compare.Evidence

// GuideCheck writes one check in full, with the rows on which an example and its mended form part.
func GuideCheck(w io.Writer, s Style, c *check.Check, show Show) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%s  %s\n\n", s.strong(c.ID), c.Title)
	for _, line := range wrap(c.Doc, s.Width) {
		b.WriteString(line + "\n")
	}
	b.WriteByte('\n')
	for _, line := range consequencesOf(c, s) {
		b.WriteString(line + "\n")
	}
	if answers := answersOf(c); answers != "" {
		for i, line := range wrap(answers, s.Width-13) {
			label := ""
			if i == 0 {
				label = "Answered by:"
			}
			fmt.Fprintf(&b, "%-13s%s\n", label, line)
		}
	}
	if c.Needs == check.Schema {
		b.WriteString("More certain with --schema SOURCE.\n")
	}
	if c.OnRequest {
		b.WriteString("Shown only with --certainty possible.\n")
	}
	if c.Family() != "acceptance" {
		fmt.Fprintf(&b, "Accepted by a comment, on its line or above the clause or statement:\n  -- lens: accept %s because REASON\n", c.ID)
	}
	for _, e := range c.Examples {
		example(&b, s, e, show(c, e))
	}
	_, err := io.WriteString(w, b.String())
	return err
}

// consequencesOf gives a line for each consequence with its databases.
func consequencesOf(c *check.Check, s Style) []string {
	var lines []string
	for k := check.Refused; ; k-- {
		var names []string
		for _, d := range dialect.All() {
			if d != dialect.ANSI && c.Verdicts[d] == k {
				names = append(names, d.Title())
			}
		}
		if len(names) > 0 {
			where := strings.Join(names, ", ")
			if len(names) == int(dialect.Count)-1 {
				where = "everywhere"
			}
			for i, line := range wrap(where, s.Width-13) {
				label := ""
				if i == 0 {
					label = strings.ToUpper(k.String()[:1]) + k.String()[1:] + ":"
				}
				lines = append(lines, s.paint(fmt.Sprintf("%-13s", label), consequenceColor[k])+line)
			}
		}
		if k == check.Fine {
			return lines
		}
	}
}

// longExample is how many bytes of an example are shown whole.
const longExample = 600

// shortened takes the middle out of a very long example.
func shortened(query string) string {
	if len(query) <= longExample {
		return query
	}
	return query[:longExample/4] + " … " + query[len(query)-longExample/8:]
}

func example(b *strings.Builder, s Style, e check.Example, seen *compare.Evidence) {
	heading := "Example"
	if e.Dialect != dialect.ANSI {
		heading += " on " + e.Dialect.Title()
		if e.Version > 0 {
			heading += " " + e.Version.String()
		}
	}
	if e.NoSchema {
		heading += ", without a schema"
	}
	fmt.Fprintf(b, "\n%s\n", s.strong(heading))
	sql := func(label, query, color string) {
		query = shortened(query)
		for i, line := range wrap(query, s.Width-16) {
			if i > 0 {
				label = ""
			}
			b.WriteString("  " + s.paint(fmt.Sprintf("%-13s ", label), color) + line + "\n")
		}
	}
	if e.Bad != "" {
		sql("found", e.Bad, red)
		sql("mended", e.Good, green)
	}
	if seen != nil && seen.Difference != nil {
		b.WriteByte('\n')
		for _, line := range s.seen(seen, s.Width-16) {
			b.WriteString(strings.TrimRight(strings.Repeat(" ", 16)+line, " ") + "\n")
		}
		b.WriteByte('\n')
	}
	for _, near := range e.Near {
		if near != e.Good {
			sql("not reported", near, gray)
		}
	}
}
