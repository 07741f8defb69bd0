package report

import (
	"fmt"
	"io"

	"justlens/database"
)

// Plans shows two plans side by side in short: how each table is read, and what it all costs.
func Plans(w io.Writer, s Style, before, after database.Plan) error {
	r := &comparedText{style: s}
	r.line("")
	for i, p := range []database.Plan{before, after} {
		label := []string{"PLANS", ""}[i]
		head := []string{"OLD", "NEW"}[i]
		if p.Cost > 0 {
			head += fmt.Sprintf(", cost %.0f", p.Cost)
		}
		r.label(label, blue, head)
		for _, line := range accessOf(p) {
			r.indented("  " + Visible(line))
		}
	}
	switch {
	case before.Cost > 0 && after.Cost > 2*before.Cost:
		r.indented(fmt.Sprintf("NEW costs %.1f times as much: %s", after.Cost/before.Cost, whatCosts(after)))
	case after.Cost > 0 && before.Cost > 2*after.Cost:
		r.indented(fmt.Sprintf("OLD costs %.1f times as much: %s", before.Cost/after.Cost, whatCosts(before)))
	}
	_, err := io.WriteString(w, r.b.String())
	return err
}

// PlanLines tells of a plan in lines: what it costs, and how each table is read.
func PlanLines(p database.Plan) (lines []string) {
	if p.Cost > 0 {
		lines = append(lines, fmt.Sprintf("cost %.0f", p.Cost))
	}
	return append(lines, accessOf(p)...)
}

func accessOf(p database.Plan) (lines []string) {
	for _, a := range p.Access {
		line := "reads all of " + a.Table
		if a.Index != "" {
			line = fmt.Sprintf("looks %s up by %s", a.Table, a.Index)
		}
		if a.Rows > 0 {
			line += fmt.Sprintf(", %s expected", Count(int(a.Rows), "row"))
		}
		lines = append(lines, line)
	}
	return lines
}

// whatCosts names the table of which the most rows are read.
func whatCosts(p database.Plan) string {
	most := database.Access{}
	for _, a := range p.Access {
		if a.Rows >= most.Rows {
			most = a
		}
	}
	if most.Table == "" {
		return "no table is read"
	}
	return Visible("most rows are read of " + most.Table)
}
