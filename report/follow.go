package report

import (
	"encoding/json"
	"fmt"
	"io"
	"strings"

	"github.com/mattn/go-runewidth"

	"justlens/core/follow"
	"justlens/core/review"
	"justlens/core/run"
	"justlens/core/text"
)

// Follow is a followed query with the text it stands in, and what was found there.
type Follow struct {
	*follow.Followed
	File     *text.File
	Findings []review.Finding // of the query
	// Rows names the rows it was followed on, "" for none.
	Rows string
	// Counted tells that the database counted the rows of its steps itself.
	Counted bool
}

// stepMargin is how many columns of the screen the number of a step takes.
const stepMargin = 4

// FollowedText tells people of a followed query. stage chooses one step, from 1, whose rows are
// shown; 0 tells of all.
func FollowedText(w io.Writer, s Style, f Follow, stage, limit int) error {
	r := &followText{style: s, f: f}
	if stage > 0 {
		r.stage(stage, limit)
	} else {
		r.all()
	}
	_, err := io.WriteString(w, r.b.String())
	return err
}

type followText struct {
	style Style
	b     strings.Builder
	f     Follow
}

func (r *followText) line(s string) { r.b.WriteString(strings.TrimRight(s, " ") + "\n") }

func (r *followText) indented(prose, color string) {
	for _, line := range wrap(Visible(prose), r.style.Width-stepMargin) {
		r.line(strings.Repeat(" ", stepMargin) + r.style.paint(line, color))
	}
}

func (r *followText) heading() {
	at := r.f.File.Place(r.f.Stmt.Span.Start)
	head := fmt.Sprintf("%s:%d", r.f.File.Path, at.Line)
	rest := r.f.Dialect.Title()
	if how := workedOutAs(r.f.Dialect); how != "" && r.f.Rows != "" {
		rest += ", " + how
	}
	if r.f.Rows != "" {
		rest += ", rows of " + r.f.Rows
	}
	if r.f.Counted {
		rest += ", counted there"
	}
	r.line(r.style.strong(Visible(head)) + "  " + r.style.paint(Visible(rest), gray))
	r.line("")
}

func (r *followText) all() {
	r.heading()
	if r.f.Plan == nil {
		r.indented(fmt.Sprintf("Not followed%s: %v.", placeOfError(r.f.File, r.f.Err), r.f.Err), yellow)
		return
	}
	found := foundAt(r.f)
	for i, s := range r.f.Steps {
		r.step(i+1, s, found[i+1])
	}
	r.line("")
	r.line(r.style.strong("The result"))
	for _, c := range r.f.Columns {
		r.indented(c, "")
	}
	switch {
	case r.f.Err != nil:
		r.line("")
		r.indented(fmt.Sprintf("Not worked out on rows%s: %v.", placeOfError(r.f.File, r.f.Err), r.f.Err), yellow)
	case r.f.Result != nil:
		r.line("")
		r.result(r.f.Result.Rows, mostShown)
		if r.f.Result.Open {
			r.indented("The database leaves it open which rows it gives: others may come, too.", gray)
		}
	}
}

func (r *followText) result(rows [][]run.Value, most int) {
	if len(rows) == 0 {
		r.indented("no rows", "")
		return
	}
	var cells [][]string
	for _, row := range rows[:min(len(rows), most)] {
		cells = append(cells, valuesOf(row))
	}
	for _, line := range grid(headingsOf(r.f.Query), cells, r.style.Width-stepMargin) {
		r.line(strings.Repeat(" ", stepMargin) + line)
	}
	if more := len(rows) - most; more > 0 {
		r.indented(fmt.Sprintf("and %s more", Count(more, "row")), gray)
	}
}

// step tells of one step: its text with the count of its rows, what it does, and what was found.
func (r *followText) step(number int, s *follow.Step, found []*review.Finding) {
	count := countOf(s)
	text := clauseOf(r.f, s)
	room := r.style.Width - stepMargin - runewidth.StringWidth(count) - 2
	text = cut(text, room)
	pad := strings.Repeat(" ", max(0, r.style.Width-stepMargin-runewidth.StringWidth(text)-runewidth.StringWidth(count)))
	r.line(r.style.paint(fmt.Sprintf("%*d  ", stepMargin-2, number), gray) + r.style.strong(text) + pad + r.style.bold(count, blue))
	reading := ""
	if s.Counts != nil {
		reading = gray // what happened stands out
	}
	for _, does := range s.Does {
		r.indented(does, reading)
	}
	for _, told := range happened(s) {
		r.indented(told, green)
	}
	for _, told := range s.Tracked {
		r.indented("→ "+told, magenta)
	}
	for _, f := range found {
		at := r.f.File.Place(f.Span.Start)
		r.indented(fmt.Sprintf("%s line %d, column %d: %s (%s)", strings.ToUpper(f.Consequence.String()), at.Line, at.Column, f.Message, f.Check.ID), consequenceColor[f.Consequence])
	}
}

// foundAt gives the findings by the number of the step at which they bite.
func foundAt(f Follow) map[int][]*review.Finding {
	found := map[int][]*review.Finding{}
	for i := range f.Findings {
		number := stepOf(f, f.Findings[i].Span)
		found[number] = append(found[number], &f.Findings[i])
	}
	return found
}

// stepOf gives the number of the step at which a finding bites: the narrowest whose text holds it.
func stepOf(f Follow, at text.Span) int {
	best, width := len(f.Steps), 1<<30
	for i, s := range f.Steps {
		if s.Span.Contains(at) && s.Span.Len() < width {
			best, width = i+1, s.Span.Len()
		}
	}
	return best
}

// clauseOf writes the text of a step with the keyword of its clause.
func clauseOf(f Follow, s *follow.Step) string {
	text := strings.Join(strings.Fields(Visible(f.File.Slice(s.Span))), " ")
	switch s.Kind {
	case run.SourceStage:
		return "FROM " + text
	case run.FilterStage:
		if s.IsQualify() {
			return "QUALIFY " + text
		}
		return "WHERE " + text
	case run.HavingStage:
		return "HAVING " + text
	case run.ListStage:
		if s.Select == nil {
			return "what is written"
		}
		return "SELECT " + text
	case run.DistinctStage:
		return "DISTINCT"
	case run.WindowStage:
		return "windows"
	case run.GroupStage:
		if strings.HasPrefix(strings.ToUpper(text), "GROUP BY") {
			return text
		}
		return "all rows into one"
	}
	return text
}

// countOf writes how many rows a step gave, of how many.
func countOf(s *follow.Step) string {
	c := s.Counts
	if c == nil {
		return ""
	}
	switch s.Kind {
	case run.FilterStage, run.HavingStage, run.DistinctStage, run.LimitStage:
		return fmt.Sprintf("%d of %d", c.Out, c.In)
	case run.GroupStage:
		return Count(c.Out, "group")
	case run.OrderStage:
		return ""
	}
	return Count(c.Out, "row")
}

// happened tells what became of the rows.
func happened(s *follow.Step) (told []string) {
	c := s.Counts
	if c == nil {
		return nil
	}
	told = append(told, c.Asked...)
	switch s.Kind {
	case run.FilterStage, run.HavingStage:
		if c.False > 0 {
			told = append(told, fmt.Sprintf("false for %d", c.False))
		}
		if c.Unknown > 0 {
			line := fmt.Sprintf("unknown for %d", c.Unknown)
			for i, n := range c.Nulls {
				if i == 0 {
					line += ": "
				} else {
					line += ", "
				}
				line += n.Column + " is NULL"
				if n.Count != c.Unknown {
					line += fmt.Sprintf(" in %d", n.Count)
				}
			}
			told = append(told, line)
		}
	case run.JoinStage:
		if c.Alone > 0 {
			told = append(told, fmt.Sprintf("%s of %s lost: no partner", Count(c.Alone, "row"), s.Left))
		}
		if c.AloneRight > 0 {
			told = append(told, fmt.Sprintf("%s of %s without partner", Count(c.AloneRight, "row"), s.Right))
		}
		if c.Filled > 0 {
			told = append(told, fmt.Sprintf("%s kept without partner, filled with NULL", Count(c.Filled, "row")))
		}
		if c.Most > 1 {
			told = append(told, fmt.Sprintf("a row comes up to %d times", c.Most))
		}
	case run.GroupStage:
		told = append(told, "of "+Count(c.In, "row"))
	case run.DistinctStage, run.SetStage:
		if c.False > 0 {
			told = append(told, fmt.Sprintf("%s left out", Count(c.False, "row")))
		}
	}
	return told
}

// stage shows the rows of one step.
func (r *followText) stage(number, limit int) {
	r.heading()
	s := r.f.Steps[number-1]
	r.step(number, s, foundAt(r.f)[number])
	if s.Counts == nil {
		return
	}
	show := func(title string, rows [][]run.Value) {
		if len(rows) == 0 {
			return
		}
		r.line("")
		r.line(strings.Repeat(" ", stepMargin) + r.style.strong(title))
		headings, cells := stageRows(r.f, s, rows[:min(len(rows), limit)])
		for _, line := range grid(headings, cells, r.style.Width-stepMargin) {
			r.line(strings.Repeat(" ", stepMargin) + line)
		}
	}
	show("kept", s.Counts.Kept)
	show("lost", s.Counts.Lost)
}

// stageRows gives the columns of a stage's rows that the query names.
func stageRows(f Follow, s *follow.Step, rows [][]run.Value) (headings []string, cells [][]string) {
	if s.Kind == run.ListStage || s.Kind == run.DistinctStage || s.Kind >= run.SetStage {
		for _, row := range rows {
			cells = append(cells, valuesOf(row[:min(len(row), len(f.Plan.Columns))]))
		}
		return headingsOf(f.Query), cells
	}
	var slots []int
	for _, p := range s.Sources {
		syms := p.Source.ColumnSyms()
		used := f.Plan.Used[p.Source.SchemaTable()]
		for i := range p.Width {
			if len(used) > 0 && !used[i] {
				continue
			}
			name := fmt.Sprint(i + 1)
			if i < len(syms) && syms[i] != 0 {
				name = f.Names.String(syms[i])
			}
			if !p.Source.Name.IsZero() {
				name = f.Ident(p.Source.Name) + "." + name
			}
			headings, slots = append(headings, name), append(slots, p.At+i)
		}
	}
	for _, row := range rows {
		var values []run.Value
		for _, slot := range slots {
			values = append(values, row[slot])
		}
		cells = append(cells, valuesOf(values))
	}
	return headings, cells
}

type jsonFollowed struct {
	Path    string      `json:"path"`
	At      jsonPlace   `json:"at"`
	Dialect string      `json:"dialect"`
	Rows    string      `json:"rows,omitempty"`
	Reason  string      `json:"reason,omitempty"`
	Steps   []jsonStep  `json:"steps"`
	Columns []string    `json:"columns"`
	Result  [][]*string `json:"result,omitempty"`
	Open    bool        `json:"open,omitempty"`
}

type jsonStep struct {
	Text    string      `json:"text"`
	Span    jsonSpan    `json:"span"`
	Does    []string    `json:"does"`
	Counts  *jsonCounts `json:"counts,omitempty"`
	Tracked []string    `json:"tracked,omitempty"`
}

type jsonCounts struct {
	In         int `json:"in"`
	Out        int `json:"out"`
	False      int `json:"false"`
	Unknown    int `json:"unknown"`
	Alone      int `json:"alone"`
	AloneRight int `json:"aloneRight"`
	Filled     int `json:"filled"`
	Most       int `json:"most"`
}

// FollowedJSON is the document of followed queries.
type FollowedJSON struct {
	Version  string         `json:"version"`
	Followed []jsonFollowed `json:"followed"`
}

// Add adds a query, of which nothing else is kept.
func (d *FollowedJSON) Add(f Follow) {
	out := jsonFollowed{Path: f.File.Path, At: placeOf(f.File, f.Stmt.Span.Start), Dialect: f.Dialect.String(), Rows: f.Rows, Steps: []jsonStep{}, Columns: append([]string{}, f.Columns...)}
	if f.Err != nil {
		out.Reason = f.Err.Error()
	}
	for _, s := range f.Steps {
		step := jsonStep{Text: clauseOf(f, s), Span: spanOf(f.File, s.Span), Does: s.Does, Tracked: s.Tracked}
		if c := s.Counts; c != nil {
			step.Counts = &jsonCounts{c.In, c.Out, c.False, c.Unknown, c.Alone, c.AloneRight, c.Filled, c.Most}
		}
		out.Steps = append(out.Steps, step)
	}
	if f.Result != nil {
		out.Result, out.Open = dataOf(f.Result.Rows), f.Result.Open
	}
	d.Followed = append(d.Followed, out)
}

// Write writes the document.
func (d *FollowedJSON) Write(w io.Writer) error {
	e := json.NewEncoder(w)
	e.SetEscapeHTML(false)
	e.SetIndent("", "  ")
	return e.Encode(d)
}
