package report

import (
	"strings"

	"github.com/mattn/go-runewidth"
)

// grid writes rows under headings; values that are numbers stand to the right. A line is cut
// where it is wider than width.
func grid(headings []string, rows [][]string, width int) (lines []string) {
	widths := make([]int, len(headings))
	right := make([]bool, len(headings))
	for i, h := range headings {
		widths[i] = runewidth.StringWidth(h)
		right[i] = len(rows) > 0
	}
	for _, row := range rows {
		for i, v := range row {
			widths[i] = max(widths[i], min(runewidth.StringWidth(v), widestValue))
			right[i] = right[i] && (v == "NULL" || strings.Trim(v, "-0123456789.") == "" && v != "")
		}
	}
	line := func(cells []string) string {
		var b strings.Builder
		for i, v := range cells {
			v = runewidth.Truncate(Visible(v), widestValue, "…")
			if i > 0 {
				b.WriteString("  ")
			}
			if right[i] {
				b.WriteString(runewidth.FillLeft(v, widths[i]))
			} else {
				b.WriteString(runewidth.FillRight(v, widths[i]))
			}
		}
		return cut(strings.TrimRight(b.String(), " "), width)
	}
	lines = append(lines, line(headings))
	for _, row := range rows {
		lines = append(lines, line(row))
	}
	return lines
}

// widestValue is how many columns of the screen a value may take.
const widestValue = 32
