package report

import (
	"encoding/json"
	"fmt"
	"io"
	"strings"

	"justlens/core/check"
	"justlens/core/compare"
	"justlens/core/run"
	"justlens/core/sample"
	"justlens/core/text"
)

// mostShown is how many rows of a result are shown.
const mostShown = 10

// Compared tells people of a comparison.
func Compared(w io.Writer, s Style, c *compare.Comparison) error {
	r := &comparedText{style: s}
	r.comparison(c)
	_, err := io.WriteString(w, r.b.String())
	return err
}

type comparedText struct {
	style Style
	b     strings.Builder
}

func (r *comparedText) line(s string) { r.b.WriteString(strings.TrimRight(s, " ") + "\n") }

// label writes what a part tells of in the margin, and the part's first line.
func (r *comparedText) label(name, color, prose string) {
	for i, line := range wrap(prose, r.style.Width-margin) {
		if i > 0 {
			name = ""
		}
		r.line(r.style.bold(fmt.Sprintf("%-*s", margin-1, name), color) + " " + line)
	}
}

func (r *comparedText) indented(lines ...string) {
	for _, line := range lines {
		r.line(strings.Repeat(" ", margin) + line)
	}
}

func (r *comparedText) comparison(c *compare.Comparison) {
	as := c.Old.Dialect.Title()
	if how := workedOutAs(c.Old.Dialect); how != "" {
		as += ", " + how
	}
	r.line(r.style.strong(sidesOf(c)) + "  " + r.style.paint(as, gray))
	r.line("")
	for i, told := range c.Columns {
		label := "COLUMNS"
		if i > 0 {
			label = ""
		}
		r.label(label, yellow, told)
	}
	if c.OnRows != nil {
		r.onRows(c)
		if c.Hunted.Difference != nil {
			r.line("")
		}
	}
	switch {
	case c.Err != nil:
		r.label("UNSAID", yellow, fmt.Sprintf("%s%s", c.Of, reasonOf(c)))
	case c.Word == compare.Same:
		r.same(c)
	case c.Word == compare.NoneFound && c.Hunted.Tried == 0:
	case c.Word == compare.NoneFound:
		r.label("NONE", green, fmt.Sprintf("No difference found in %s made databases.%s", text.Thousands(c.Hunted.Tried), leftOver(c.Hunted)))
	case c.Hunted.Difference != nil:
		r.difference(c, c.Hunted.Difference)
	case c.OnRows != nil:
		if c.Hunted.Tried > 0 {
			r.label("MADE", gray, fmt.Sprintf("No difference in %s made databases.", text.Thousands(c.Hunted.Tried)))
		}
	default:
		r.label("DIFFER", red, "The columns are not the same; rows were not compared.")
	}
}

// same tells why two queries give the same rows.
func (r *comparedText) same(c *compare.Comparison) {
	const cannot = "The same rows, by reasoning: what differs in the texts (layout, aliases, the order of conditions and the like) cannot change them."
	if len(c.Reasons[0])+len(c.Reasons[1]) == 0 {
		r.label("SAME", green, cannot)
		return
	}
	r.label("SAME", green, fmt.Sprintf("The same rows, by reasoning; nor was a difference found in %s made databases. These changes, which keep the rows, make one query of both:", text.Thousands(c.Hunted.Tried)))
	for i, name := range []string{"OLD", "NEW"} {
		for _, reason := range c.Reasons[i] {
			r.label("", gray, name+": "+Visible(reason))
		}
	}
}

// onRows tells what both give on real rows, and shows those that differ, - as OLD has them and + as NEW
// has them.
func (r *comparedText) onRows(c *compare.Comparison) {
	o := c.OnRows
	if o.Err != nil {
		r.label("ROWS", yellow, fmt.Sprintf("Not compared on the rows: %v.", o.Err))
		return
	}
	counts := fmt.Sprintf("OLD gives %s, NEW %s", Count(len(o.Old), "row"), Count(len(o.New), "row"))
	pairs := o.Pairs(c.Old.Query, c.New.Query)
	switch {
	case o.Open:
		r.label("ROWS", yellow, counts+". The database leaves it open which, so they are not compared.")
		return
	case len(pairs) == 0:
		r.label("ROWS", green, counts+": the same.")
		return
	}
	differ := Count(len(pairs), "row") + " differ"
	if len(pairs) == 1 {
		differ += "s"
	}
	r.label("ROWS", red, counts+"; "+differ+":")
	r.line("")
	var cells [][]string
	var signs []string
	for _, p := range pairs[:min(len(pairs), mostShown)] {
		if p.Old != nil {
			cells, signs = append(cells, valuesOf(p.Old)), append(signs, "-")
		}
		if p.New != nil {
			cells, signs = append(cells, valuesOf(p.New)), append(signs, "+")
		}
	}
	for i, line := range grid(headingsOf(c.Old.Query), cells, r.style.Width-margin) {
		if i == 0 {
			r.indented(line)
			continue
		}
		color := red
		if signs[i-1] == "+" {
			color = green
		}
		r.line(r.style.paint(fmt.Sprintf("%*s  %s", margin-2, signs[i-1], line), color))
	}
	if more := len(pairs) - mostShown; more > 0 {
		r.indented(fmt.Sprintf("and %d more", more))
	}
}

// sidesOf names both queries by their places.
func sidesOf(c *compare.Comparison) string {
	name := func(s compare.Side) string {
		at := s.File.Place(s.Stmt.Span.Start)
		return fmt.Sprintf("%s:%d", s.File.Path, at.Line)
	}
	return Visible("OLD " + name(c.Old) + "  NEW " + name(c.New))
}

// reasonOf says why the rows were not compared.
func reasonOf(c *compare.Comparison) string {
	side := c.Old
	if c.Of == "NEW" {
		side = c.New
	}
	if c.Of == "" {
		return fmt.Sprintf("The rows were not compared: %v.", c.Err)
	}
	return fmt.Sprintf("%s: %v. The rows were not compared.", placeOfError(side.File, c.Err), c.Err)
}

// placeOfError gives the place that an error of a run is about.
func placeOfError(f *text.File, err error) string {
	span, ok := run.SpanOf(err)
	if !ok {
		return ""
	}
	at := f.Place(span.Start)
	return fmt.Sprintf(", line %d, column %d, %s", at.Line, at.Column, quoted(f.Slice(span)))
}

// leftOver tells on how many databases nothing could be said.
func leftOver(h compare.Hunted) string {
	var parts []string
	if h.Open > 0 {
		parts = append(parts, fmt.Sprintf(" On %s more the dialect leaves the rows open.", text.Thousands(h.Open)))
	}
	if h.Stopped > 0 {
		parts = append(parts, fmt.Sprintf(" On %s more one of them ends with an error.", text.Thousands(h.Stopped)))
	}
	return strings.Join(parts, "")
}

func (r *comparedText) difference(c *compare.Comparison, d *compare.Difference) {
	what := "They give other rows"
	if d.Order {
		what = "They give the same rows in another order"
	}
	var parts []string
	for _, t := range d.Tables {
		parts = append(parts, Count(len(t.Rows), "row")+" of "+t.Table.Name)
	}
	where := "where all tables are empty"
	for _, g := range d.Given {
		parts = append(parts, g.Name+" = "+Visible(g.Value.String()))
	}
	if len(parts) > 0 {
		where = "with " + check.List(parts, "and")
	}
	r.label("DIFFER", red, fmt.Sprintf("%s %s:", what, where))
	if len(d.Tables) > 0 {
		r.line("")
		r.indented(r.style.madeTables(d, r.style.Width-margin)...)
	}
	r.line("")
	r.results(r.style.result("OLD gives", c.Old.Query, d.Old, d.New, d.Order, r.style.Width-margin))
	r.line("")
	r.results(r.style.result("NEW gives", c.New.Query, d.New, d.Old, d.Order, r.style.Width-margin))
	if c.Parting != nil {
		r.line("")
		r.parting(c)
	}
}

// results writes the lines of a result, which begin with two columns for their mark.
func (r *comparedText) results(lines []string) {
	for _, line := range lines {
		r.line(strings.Repeat(" ", margin-len(unmarked)) + line)
	}
}

// madeTables shows the tables of a difference.
func (s Style) madeTables(d *compare.Difference, width int) (lines []string) {
	for i, t := range d.Tables {
		if i > 0 {
			lines = append(lines, "")
		}
		headings, rows := shownRows(t, d.Used[t.Table])
		lines = append(lines, s.strong(Visible(t.Table.Name)))
		lines = append(lines, grid(headings, rows, width)...)
	}
	return lines
}

// shownRows gives the columns that matter of made rows.
func shownRows(t sample.Rows, used []bool) (headings []string, rows [][]string) {
	for i, c := range t.Table.Columns {
		if used[i] {
			headings = append(headings, c.Name)
		}
	}
	for _, row := range t.Rows {
		var line []string
		for i, v := range row {
			if used[i] {
				line = append(line, madeText(v))
			}
		}
		rows = append(rows, line)
	}
	return headings, rows
}

// madeText writes a made value for people.
func madeText(v sample.Value) string {
	switch {
	case !v.Set:
		return "NULL"
	case v.Text == "":
		return "''"
	}
	return v.Text
}

// What stands before a line of a result: whether the other gives such a row, too.
const (
	unmarked = "  "
	marked   = "> "
)

// result shows what a query gives; rows that the other does not give are marked.
func (s Style) result(title string, q *run.Query, rows, others [][]run.Value, order bool, width int) []string {
	if len(rows) == 0 {
		return []string{unmarked + s.strong(title) + " no rows"}
	}
	lines := []string{unmarked + s.strong(title)}
	only := map[string]int{}
	if !order {
		for _, row := range compare.Only(rows, others) {
			only[run.RowKey(row)]++
		}
	}
	var cells [][]string
	var marks []bool
	for _, row := range rows[:min(len(rows), mostShown)] {
		cells = append(cells, valuesOf(row))
		key := run.RowKey(row)
		marks = append(marks, only[key] > 0)
		only[key]--
	}
	for i, line := range grid(headingsOf(q), cells, width) {
		if i > 0 && marks[i-1] {
			line = s.paint(marked+line, red)
		} else {
			line = unmarked + line
		}
		lines = append(lines, line)
	}
	if more := len(rows) - mostShown; more > 0 {
		lines = append(lines, unmarked+fmt.Sprintf("and %d more", more))
	}
	return lines
}

func headingsOf(q *run.Query) []string {
	headings := make([]string, len(q.Plan.Columns))
	for i, name := range q.Plan.Columns {
		if headings[i] = name; name == "" {
			headings[i] = fmt.Sprintf("(%d)", i+1)
		}
	}
	return headings
}

func valuesOf(row []run.Value) []string {
	values := make([]string, len(row))
	for i, v := range row {
		if values[i] = v.String(); values[i] == "" {
			values[i] = "''"
		}
	}
	return values
}

// parting tells at which clause the two part.
func (r *comparedText) parting(c *compare.Comparison) {
	p := c.Parting
	tell := func(name string, side compare.Side, step *compare.Step) {
		span := step.Span()
		at := side.File.Place(span.Start)
		r.indented(cut(fmt.Sprintf("%s line %d, column %d  %s", name, at.Line, at.Column, quoted(side.File.Slice(span))), r.style.Width-margin))
		if step.Kind != run.ListStage {
			r.indented("    " + stepCounts(step))
		}
	}
	r.label("PART AT", yellow, partingWord(p))
	if p.Old != nil {
		tell("OLD", c.Old, p.Old)
	}
	if p.New != nil {
		tell("NEW", c.New, p.New)
	}
}

func partingWord(p *compare.Parting) string {
	step, alone := p.New, ""
	switch {
	case p.Old == nil:
		alone = ", which OLD does not have"
	case p.New == nil:
		step, alone = p.Old, ", which NEW does not have"
	}
	return stageNoun(step.Kind) + alone
}

func stageNoun(k run.StageKind) string {
	return [...]string{"what FROM reads", "a join", "a condition of WHERE", "GROUP BY", "a condition of HAVING", "a window", "the select list", "DISTINCT",
		"a set operation", "ORDER BY", "the row limit"}[k]
}

func stepCounts(s *compare.Step) string {
	if s.Kind == run.JoinStage || s.Kind == run.SetStage {
		return "gives " + Count(s.Out, "row")
	}
	if s.Kind == run.GroupStage {
		return "makes " + Count(s.Out, "group") + " of " + Count(s.In, "row")
	}
	return fmt.Sprintf("keeps %d of %s", s.Out, Count(s.In, "row"))
}

// jsonComparison is a comparison as data.
type jsonComparison struct {
	Old     jsonSide        `json:"old"`
	New     jsonSide        `json:"new"`
	Dialect string          `json:"dialect"`
	Word    string          `json:"word"`
	Columns []string        `json:"columns"`
	Tried   int             `json:"tried"`
	Open    int             `json:"open"`
	Stopped int             `json:"stopped"`
	Order   bool            `json:"order,omitempty"`
	Tables  []jsonTable     `json:"tables,omitempty"`
	Reason  string          `json:"reason,omitempty"`
	Left    *jsonLeft       `json:"leftOut,omitempty"`
	Parting *jsonParting    `json:"parting,omitempty"`
	Script  []string        `json:"script,omitempty"`
	OnRows  *jsonTwoResults `json:"onRows,omitempty"`
	Results *jsonTwoResults `json:"results,omitempty"`
}

// jsonLeft is what was left out of each side, with its rows kept, until both were one query.
type jsonLeft struct {
	Old []string `json:"old"`
	New []string `json:"new"`
}

type jsonSide struct {
	Path string    `json:"path"`
	At   jsonPlace `json:"at"`
}

type jsonTable struct {
	Name    string      `json:"name"`
	Columns []string    `json:"columns"`
	Rows    [][]*string `json:"rows"`
}

type jsonTwoResults struct {
	Old [][]*string `json:"old"`
	New [][]*string `json:"new"`
}

type jsonParting struct {
	Stage string `json:"stage"`
	Old   *int   `json:"oldRows"`
	New   *int   `json:"newRows"`
}

// ComparedJSON writes comparisons as one document.
func ComparedJSON(w io.Writer, version string, all []*compare.Comparison) error {
	list := make([]jsonComparison, len(all))
	for i, c := range all {
		list[i] = comparisonOf(c)
	}
	e := json.NewEncoder(w)
	e.SetEscapeHTML(false)
	e.SetIndent("", "  ")
	return e.Encode(struct {
		Version     string           `json:"version"`
		Comparisons []jsonComparison `json:"comparisons"`
	}{version, list})
}

func comparisonOf(c *compare.Comparison) jsonComparison {
	side := func(s compare.Side) jsonSide { return jsonSide{s.File.Path, placeOf(s.File, s.Stmt.Span.Start)} }
	out := jsonComparison{Old: side(c.Old), New: side(c.New), Dialect: c.Old.Dialect.String(), Word: c.Word.String(), Columns: append([]string{}, c.Columns...),
		Tried: c.Hunted.Tried, Open: c.Hunted.Open, Stopped: c.Hunted.Stopped}
	if c.Err != nil {
		out.Reason = c.Err.Error()
	}
	if len(c.Reasons[0])+len(c.Reasons[1]) > 0 {
		out.Left = &jsonLeft{append([]string{}, c.Reasons[0]...), append([]string{}, c.Reasons[1]...)}
	}
	if o := c.OnRows; o != nil && o.Err == nil {
		out.OnRows = &jsonTwoResults{dataOf(o.Old), dataOf(o.New)}
	}
	if d := c.Hunted.Difference; d != nil {
		out.Order = d.Order
		for _, t := range d.Tables {
			out.Tables = append(out.Tables, tableOf(t, d.Used[t.Table]))
		}
		for _, t := range d.Made {
			out.Script = append(out.Script, t.Insert(c.Old.Dialect))
		}
		out.Results = &jsonTwoResults{dataOf(d.Old), dataOf(d.New)}
	}
	if p := c.Parting; p != nil {
		out.Parting = &jsonParting{Stage: partingWord(p)}
		if p.Old != nil {
			out.Parting.Old = &p.Old.Out
		}
		if p.New != nil {
			out.Parting.New = &p.New.Out
		}
	}
	return out
}

func tableOf(t sample.Rows, used []bool) jsonTable {
	out := jsonTable{Name: t.Table.Name}
	for i, c := range t.Table.Columns {
		if used[i] {
			out.Columns = append(out.Columns, c.Name)
		}
	}
	for _, row := range t.Rows {
		var values []*string
		for i, v := range row {
			if used[i] && v.Set {
				values = append(values, &v.Text)
			} else if used[i] {
				values = append(values, nil)
			}
		}
		out.Rows = append(out.Rows, values)
	}
	return out
}

func dataOf(rows [][]run.Value) [][]*string {
	out := make([][]*string, len(rows))
	for i, row := range rows {
		for _, v := range row {
			if v.IsNull() {
				out[i] = append(out[i], nil)
				continue
			}
			s := v.String()
			out[i] = append(out[i], &s)
		}
	}
	return out
}
