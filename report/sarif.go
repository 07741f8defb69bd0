package report

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/url"
	"path/filepath"
	"strings"
	"unicode/utf8"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/core/text"
)

// The log of SARIF 2.1.0, an open standard of OASIS, as far as it is filled here.
type (
	sarifLog struct {
		Schema  string     `json:"$schema"`
		Version string     `json:"version"`
		Runs    []sarifRun `json:"runs"`
	}
	sarifRun struct {
		Tool        sarifTool         `json:"tool"`
		ColumnKind  string            `json:"columnKind"`
		Invocations []sarifInvocation `json:"invocations"`
		Results     []sarifResult     `json:"results"`
	}
	sarifTool struct {
		Driver sarifDriver `json:"driver"`
	}
	sarifDriver struct {
		Name    string      `json:"name"`
		Version string      `json:"version"`
		Rules   []sarifRule `json:"rules"`
	}
	sarifRule struct {
		ID               string       `json:"id"`
		ShortDescription sarifText    `json:"shortDescription"`
		FullDescription  sarifText    `json:"fullDescription"`
		Help             sarifText    `json:"help"`
		Properties       sarifOfRules `json:"properties"`
	}
	sarifOfRules struct {
		Tags     []string     `json:"tags"`
		Dialects jsonVerdicts `json:"dialects"`
	}
	sarifText struct {
		Text     string `json:"text"`
		Markdown string `json:"markdown,omitempty"`
	}
	sarifInvocation struct {
		ExecutionSuccessful bool                `json:"executionSuccessful"`
		Notifications       []sarifNotification `json:"toolExecutionNotifications,omitempty"`
	}
	sarifNotification struct {
		Level   string    `json:"level"`
		Message sarifText `json:"message"`
	}
	sarifResult struct {
		RuleID       string             `json:"ruleId"`
		RuleIndex    int                `json:"ruleIndex"`
		Level        string             `json:"level"`
		Message      sarifText          `json:"message"`
		Locations    []sarifLocation    `json:"locations"`
		Related      []sarifLocation    `json:"relatedLocations,omitempty"`
		Fixes        []sarifFix         `json:"fixes,omitempty"`
		Suppressions []sarifSuppression `json:"suppressions,omitempty"`
		Fingerprints map[string]string  `json:"partialFingerprints"`
		Properties   sarifOfResult      `json:"properties"`
	}
	sarifOfResult struct {
		Consequence string `json:"consequence"`
		Certainty   string `json:"certainty"`
		Dialect     string `json:"dialect"`
		Object      string `json:"object,omitempty"`
		More        int    `json:"more,omitempty"`
	}
	sarifLocation struct {
		ID       int           `json:"id,omitempty"`
		Physical sarifPhysical `json:"physicalLocation"`
		Message  *sarifText    `json:"message,omitempty"`
	}
	sarifPhysical struct {
		Artifact sarifArtifact `json:"artifactLocation"`
		Region   sarifRegion   `json:"region"`
	}
	sarifArtifact struct {
		URI string `json:"uri"`
	}
	sarifRegion struct {
		StartLine   int        `json:"startLine"`
		StartColumn int        `json:"startColumn"`
		EndLine     int        `json:"endLine"`
		EndColumn   int        `json:"endColumn"`
		ByteOffset  int        `json:"byteOffset"`
		ByteLength  int        `json:"byteLength"`
		Snippet     *sarifText `json:"snippet,omitempty"`
	}
	sarifFix struct {
		Description sarifText     `json:"description"`
		Changes     []sarifChange `json:"artifactChanges"`
	}
	sarifChange struct {
		Artifact     sarifArtifact      `json:"artifactLocation"`
		Replacements []sarifReplacement `json:"replacements"`
	}
	sarifReplacement struct {
		Deleted  sarifRegion `json:"deletedRegion"`
		Inserted sarifText   `json:"insertedContent"`
	}
	sarifSuppression struct {
		Kind          string `json:"kind"`
		Justification string `json:"justification,omitempty"`
	}
)

const sarifSchema = "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json"

// sarifLevels are the standard's words for consequences.
var sarifLevels = map[check.Consequence]string{check.Refused: "error", check.Wrong: "error", check.Slow: "warning", check.Unclear: "note"}

type sarifRenderer struct {
	w       io.Writer
	version string
	rules   map[*check.Check]int
	list    []sarifRule
	results []sarifResult
	seen    map[string]int // fingerprints
}

// NewSARIF makes a renderer of the open standard SARIF 2.1.0. What comments of the text accept is
// given as suppressed.
func NewSARIF(w io.Writer, version string) Renderer {
	return &sarifRenderer{w: w, version: version, rules: map[*check.Check]int{}, list: []sarifRule{}, results: []sarifResult{}, seen: map[string]int{}}
}

func (r *sarifRenderer) File(f *review.File) error {
	for i := range f.Findings {
		r.results = append(r.results, r.result(f, &f.Findings[i]))
	}
	for i := range f.Accepted {
		result := r.result(f, &f.Accepted[i].Finding)
		result.Suppressions = []sarifSuppression{{"inSource", f.Accepted[i].Reason}}
		r.results = append(r.results, result)
	}
	return nil
}

func (r *sarifRenderer) result(f *review.File, found *review.Finding) sarifResult {
	out := sarifResult{
		RuleID: found.Check.ID, RuleIndex: r.rule(found.Check), Level: sarifLevels[found.Consequence],
		Message:    sarifText{Text: found.Message + ". " + found.Why},
		Locations:  []sarifLocation{{Physical: physical(f.Text, found.Span, true)}},
		Properties: sarifOfResult{found.Consequence.String(), found.Certainty.String(), f.Dialect.String(), found.Object, found.More},
	}
	print := fmt.Sprintf("%s:%016x", found.Check.ID, uint64(found.Fingerprint))
	r.seen[print]++
	out.Fingerprints = map[string]string{"checkAndStatement/v1": fmt.Sprintf("%s:%d", print, r.seen[print])}
	for i, other := range found.Related {
		out.Related = append(out.Related, sarifLocation{ID: i + 1, Physical: physical(f.Text, other.Span, false), Message: &sarifText{Text: other.Message}})
	}
	for _, m := range found.Mends {
		if len(m.Edits) == 0 {
			continue
		}
		change := sarifChange{Artifact: artifact(f.Text)}
		for _, e := range m.Edits {
			change.Replacements = append(change.Replacements, sarifReplacement{region(f.Text, e.Span), sarifText{Text: e.Text}})
		}
		out.Fixes = append(out.Fixes, sarifFix{sarifText{Text: m.Title + " (" + m.Effect.String() + ")"}, []sarifChange{change}})
	}
	return out
}

// rule gives the place of a check among the rules.
func (r *sarifRenderer) rule(c *check.Check) int {
	if i, known := r.rules[c]; known {
		return i
	}
	i := len(r.list)
	r.rules[c] = i
	help := sarifText{Text: c.Doc, Markdown: c.Doc}
	for _, e := range c.Examples {
		if e.Bad != "" {
			help.Markdown += "\n\n```sql\n" + e.Bad + "\n```"
			if e.Good != "" {
				help.Markdown += "\n\nMended:\n\n```sql\n" + e.Good + "\n```"
			}
			break
		}
	}
	r.list = append(r.list, sarifRule{c.ID, sarifText{Text: c.Title}, sarifText{Text: c.Doc}, help, sarifOfRules{[]string{c.Family()}, jsonVerdicts(c.Verdicts)}})
	return i
}

func artifact(f *text.File) sarifArtifact {
	path := filepath.ToSlash(f.Path)
	u := url.URL{Path: path}
	if strings.HasPrefix(path, "/") {
		u.Scheme = "file"
	}
	return sarifArtifact{u.String()}
}

func physical(f *text.File, s text.Span, withText bool) sarifPhysical {
	at := sarifPhysical{artifact(f), region(f, s)}
	const most = 400 // bytes
	if withText && s.Len() <= most && utf8.ValidString(f.Slice(s)) {
		at.Region.Snippet = &sarifText{Text: f.Slice(s)}
	}
	return at
}

func region(f *text.File, s text.Span) sarifRegion {
	from, to := f.Place(s.Start), f.Place(s.End)
	return sarifRegion{from.Line, from.Column, to.Line, to.Column, from.Offset, to.Offset - from.Offset, nil}
}

func (r *sarifRenderer) Close(s Summary) error {
	run := sarifRun{
		Tool: sarifTool{sarifDriver{"justlens", r.version, r.list}}, ColumnKind: "unicodeCodePoints",
		Invocations: []sarifInvocation{{ExecutionSuccessful: len(s.Problems) == 0}}, Results: r.results,
	}
	for _, p := range s.Problems {
		run.Invocations[0].Notifications = append(run.Invocations[0].Notifications, sarifNotification{"error", sarifText{Text: p}})
	}
	var b bytes.Buffer
	e := json.NewEncoder(&b)
	e.SetEscapeHTML(false)
	e.SetIndent("", " ")
	if err := e.Encode(sarifLog{sarifSchema, "2.1.0", []sarifRun{run}}); err != nil {
		return err
	}
	_, err := io.WriteString(r.w, escaped(b.String()))
	return err
}
