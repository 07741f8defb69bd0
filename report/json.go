package report

import (
	"bufio"
	"encoding/json"
	"fmt"
	"io"
	"sort"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/text"
)

// JSONVersion is the version of the JSON report; it grows when a reader of
// the old form would be misled by the new.
const JSONVersion = 1

// jsonFile is what stands of a file before its findings.
type jsonFile struct {
	Path       string      `json:"path"`
	Dialect    string      `json:"dialect"`
	Clue       string      `json:"clue,omitempty"`
	Statements int         `json:"statements"`
	Unread     int         `json:"unread,omitempty"`
	Passed     *jsonPassed `json:"passedOver,omitempty"`
}

// jsonAccepted is a finding that a comment of the text accepts.
type jsonAccepted struct {
	Check       string   `json:"check"`
	Consequence string   `json:"consequence"`
	Message     string   `json:"message"`
	Span        jsonSpan `json:"span"`
	Reason      string   `json:"reason"`
}

// jsonPassed is what was passed over in a file: statements by their first word, bodies of
// routines, and statements that can be read only with what a template puts in.
type jsonPassed struct {
	Statements map[string]int `json:"statements"`
	Bodies     int            `json:"bodies"`
	Templates  int            `json:"templates,omitempty"`
}

type jsonFinding struct {
	Check       string        `json:"check"`
	Consequence string        `json:"consequence"`
	Certainty   string        `json:"certainty"`
	Message     string        `json:"message"`
	Why         string        `json:"why"`
	Span        jsonSpan      `json:"span"`
	Dialects    jsonVerdicts  `json:"dialects"`
	Related     []jsonRelated `json:"related"`
	Mends       []jsonMend    `json:"mends"`
	More        int           `json:"more,omitempty"`
	Object      string        `json:"object,omitempty"`
	Evidence    *jsonEvidence `json:"evidence,omitempty"`
}

type jsonSpan struct {
	Start jsonPlace `json:"start"`
	End   jsonPlace `json:"end"`
}

type jsonPlace struct {
	Offset int `json:"offset"`
	Line   int `json:"line"`
	Column int `json:"column"`
}

type jsonRelated struct {
	Span    jsonSpan `json:"span"`
	Message string   `json:"message"`
}

type jsonMend struct {
	Title  string     `json:"title"`
	Effect string     `json:"effect"`
	Edits  []jsonEdit `json:"edits"`
}

type jsonEdit struct {
	Start int    `json:"start"`
	End   int    `json:"end"`
	Text  string `json:"text"`
}

type jsonSummary struct {
	Refused int `json:"refused"`
	Wrong   int `json:"wrong"`
	Slow    int `json:"slow"`
	Unclear int `json:"unclear"`
}

// jsonVerdicts keeps the dialects in their fixed order.
type jsonVerdicts check.Verdicts

// MarshalJSON writes the verdicts as an object.
func (v jsonVerdicts) MarshalJSON() ([]byte, error) {
	out := []byte{'{'}
	for _, d := range dialect.All() {
		if d > 0 {
			out = append(out, ',')
		}
		out = append(out, '"')
		out = append(out, d.String()...)
		out = append(out, `":"`...)
		out = append(out, v[d].String()...)
		out = append(out, '"')
	}
	return append(out, '}'), nil
}

type jsonRenderer struct {
	w       io.Writer
	version string
	files   int
}

// NewJSON makes a renderer of the JSON report, documented by the JSON Schema
// in docs/report.schema.json. It writes each file as it comes, one a line.
func NewJSON(w io.Writer, version string) Renderer { return &jsonRenderer{w: w, version: version} }

// head begins the report.
func (r *jsonRenderer) head() string {
	return fmt.Sprintf(`{"version":%d,"program":"justlens %s","files":[`, JSONVersion, r.version)
}

func (r *jsonRenderer) File(f *review.File) error {
	w := bufio.NewWriter(r.w)
	if r.files++; r.files == 1 {
		w.WriteString(r.head() + "\n")
	} else {
		w.WriteString(",\n")
	}
	about := jsonFile{Path: f.Text.Path, Dialect: f.Dialect.String(), Clue: f.Clue, Statements: f.Statements, Unread: len(f.Unread) + len(f.Faults)}
	if passed := f.Passed; len(passed.Statements) > 0 || passed.Bodies > 0 || passed.Templates > 0 {
		about.Passed = &jsonPassed{passed.Statements, passed.Bodies, passed.Templates}
		if passed.Statements == nil {
			about.Passed.Statements = map[string]int{}
		}
	}
	line, err := marshal(about)
	if err != nil {
		return err
	}
	w.WriteString(strings.TrimSuffix(line, "}") + `,"findings":[`)
	err = writeEach(w, f.Findings, func(found *review.Finding) any {
		out := jsonOf(f.Text, &found.Finding)
		out.Evidence = evidenceOf(found.Evidence)
		out.More, out.Object = found.More, found.Object
		return out
	})
	if err != nil {
		return err
	}
	w.WriteString("]")
	if len(f.Accepted) > 0 {
		w.WriteString(`,"accepted":[`)
		err := writeEach(w, f.Accepted, func(a *review.Accepted) any {
			return jsonAccepted{a.Check.ID, a.Consequence.String(), a.Message, spanOf(f.Text, a.Span), a.Reason}
		})
		if err != nil {
			return err
		}
		w.WriteString("]")
	}
	w.WriteString("}")
	return w.Flush()
}

// writeEach writes the elements of an array one by one, for there may be very many.
func writeEach[T any](w *bufio.Writer, elements []T, of func(*T) any) error {
	for i := range elements {
		line, err := marshal(of(&elements[i]))
		if err != nil {
			return err
		}
		if i > 0 {
			w.WriteByte(',')
		}
		if _, err := w.WriteString(line); err != nil {
			return err
		}
	}
	return nil
}

func (r *jsonRenderer) Close(s Summary) error {
	start := "\n"
	if r.files == 0 {
		start = r.head()
	}
	line, err := marshal(jsonSummary{s.Findings[check.Refused], s.Findings[check.Wrong], s.Findings[check.Slow], s.Findings[check.Unclear]})
	if err != nil {
		return err
	}
	problems, err := marshal(append([]string{}, s.Problems...))
	if err != nil {
		return err
	}
	_, err = io.WriteString(r.w, start+`],"problems":`+problems+`,"summary":`+line+"}\n")
	return err
}

// marshal writes SQL's < and > as they are, and no line end.
func marshal(v any) (string, error) {
	var b strings.Builder
	e := json.NewEncoder(&b)
	e.SetEscapeHTML(false)
	err := e.Encode(v)
	return escaped(strings.TrimSuffix(b.String(), "\n")), err
}

// escaped writes by their numbers the characters that JSON allows but that would act
// on a terminal that the report is shown on. They stand only within texts.
func escaped(s string) string {
	if strings.IndexFunc(s, isHidden) < 0 {
		return s
	}
	var b strings.Builder
	for _, r := range s {
		if isHidden(r) && r != '\n' {
			fmt.Fprintf(&b, "\\u%04x", r)
		} else {
			b.WriteRune(r)
		}
	}
	return b.String()
}

func jsonOf(f *text.File, found *check.Finding) jsonFinding {
	out := jsonFinding{
		Check:       found.Check.ID,
		Consequence: found.Consequence.String(),
		Certainty:   found.Certainty.String(),
		Message:     found.Message,
		Why:         found.Why,
		Span:        spanOf(f, found.Span),
		Dialects:    jsonVerdicts(found.Verdicts),
		Related:     []jsonRelated{},
		Mends:       []jsonMend{},
	}
	for _, r := range found.Related {
		out.Related = append(out.Related, jsonRelated{spanOf(f, r.Span), r.Message})
	}
	for _, m := range found.Mends {
		mend := jsonMend{Title: m.Title, Effect: m.Effect.String(), Edits: []jsonEdit{}}
		for _, e := range m.Edits {
			mend.Edits = append(mend.Edits, jsonEdit{f.Stored(e.Span.Start), f.Stored(e.Span.End), e.Text})
		}
		sort.SliceStable(mend.Edits, func(i, k int) bool { return mend.Edits[i].Start < mend.Edits[k].Start })
		out.Mends = append(out.Mends, mend)
	}
	return out
}

func spanOf(f *text.File, s text.Span) jsonSpan {
	return jsonSpan{placeOf(f, s.Start), placeOf(f, s.End)}
}

func placeOf(f *text.File, p text.Pos) jsonPlace {
	at := f.Place(p)
	return jsonPlace{at.Offset, at.Line, at.Column}
}
