package report

import (
	"fmt"
	"io"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/checks"
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

// Run gives the rows of a query over the demo's tables, on SQLite.
type Run func(query string) (rows [][]string, err error)

// GuideCheck writes one check in full. With run it shows the rows in which an example and its mended
// form differ.
func GuideCheck(w io.Writer, s Style, c *check.Check, run Run) error {
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
		here := run
		if c.Verdicts[dialect.SQLite] != check.Wrong || e.Dialect != dialect.ANSI && e.Dialect != dialect.SQLite {
			here = nil
		}
		example(&b, s, e, here)
	}
	_, err := io.WriteString(w, b.String())
	return err
}

// difference shows what an example and its mended form give, where both run and differ.
func difference(b *strings.Builder, s Style, e check.Example, run Run) {
	if !isQuery(e.Bad) || !isQuery(e.Good) {
		return
	}
	found, err := run(e.Bad)
	if err != nil {
		return
	}
	mended, err := run(e.Good)
	if err != nil || slices.EqualFunc(found, mended, slices.Equal) {
		return
	}
	outcome(b, s, "found", red, found, mended)
	outcome(b, s, "mended", green, mended, found)
}

func isQuery(query string) bool {
	return strings.HasPrefix(query, "SELECT ") || strings.HasPrefix(query, "WITH ")
}

// mostRows is how many rows of a result are shown.
const mostRows = 4

// outcome tells how many rows a query gives, and shows those that the other does not give.
func outcome(b *strings.Builder, s Style, label, color string, rows, other [][]string) {
	count := fmt.Sprintf("gives %d rows on the demo's tables", len(rows))
	switch len(rows) {
	case 0:
		count = "gives no row on the demo's tables"
	case 1:
		count = "gives 1 row on the demo's tables"
	}
	left := map[string]int{}
	for _, row := range other {
		left[strings.Join(row, "  ")]++
	}
	var own []string
	for _, row := range rows {
		line := strings.Join(row, "  ")
		if left[line]--; left[line] < 0 {
			own = append(own, line)
		}
	}
	if len(own) > 0 && len(own) < len(rows) {
		count += ", among them"
	} else if len(own) > 0 {
		count += ":"
	}
	b.WriteString("  " + s.paint(fmt.Sprintf("%-13s ", label), color) + count + "\n")
	for i, line := range own {
		if i == mostRows {
			fmt.Fprintf(b, "%16s…\n", "")
			break
		}
		fmt.Fprintf(b, "%16s%s\n", "", line)
	}
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

func example(b *strings.Builder, s Style, e check.Example, run Run) {
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
	if run != nil {
		difference(b, s, e, run)
	}
	for _, near := range e.Near {
		if near != e.Good {
			sql("not reported", near, gray)
		}
	}
}
