package report

import (
	"encoding/xml"
	"fmt"
	"io"

	"justlens/core/review"
	"justlens/core/text"
)

// The XML in the style of JUnit: a suite for each file, a case for each finding, which has failed,
// and one that has passed for a file without any.
type (
	junitSuites struct {
		XMLName  xml.Name     `xml:"testsuites"`
		Name     string       `xml:"name,attr"`
		Tests    int          `xml:"tests,attr"`
		Failures int          `xml:"failures,attr"`
		Errors   int          `xml:"errors,attr"`
		Suites   []junitSuite `xml:"testsuite"`
	}
	junitSuite struct {
		Name     string      `xml:"name,attr"`
		Tests    int         `xml:"tests,attr"`
		Failures int         `xml:"failures,attr"`
		Errors   int         `xml:"errors,attr"`
		Skipped  int         `xml:"skipped,attr"`
		Cases    []junitCase `xml:"testcase"`
	}
	junitCase struct {
		Name    string        `xml:"name,attr"`
		Class   string        `xml:"classname,attr"`
		File    string        `xml:"file,attr,omitempty"`
		Line    int           `xml:"line,attr,omitempty"`
		Failure *junitFailure `xml:"failure,omitempty"`
		Error   *junitFailure `xml:"error,omitempty"`
		Skipped *junitSkipped `xml:"skipped,omitempty"`
	}
	junitFailure struct {
		Message string `xml:"message,attr"`
		Type    string `xml:"type,attr"`
		Text    string `xml:",chardata"`
	}
	junitSkipped struct {
		Message string `xml:"message,attr"`
	}
)

type junitRenderer struct {
	w      io.Writer
	suites junitSuites
}

// NewJUnit makes a renderer of XML in the style of JUnit, as pipelines read it.
func NewJUnit(w io.Writer) Renderer {
	return &junitRenderer{w: w, suites: junitSuites{Name: "justlens"}}
}

func (r *junitRenderer) File(f *review.File) error {
	path := visible(f.Text.Path)
	suite := junitSuite{Name: path}
	for i := range f.Findings {
		found := &f.Findings[i]
		c := junitCaseOf(f, found)
		c.Failure = &junitFailure{visible(found.Message), found.Consequence.String(), junitText(f, found)}
		suite.Failures++
		suite.Cases = append(suite.Cases, c)
	}
	for i := range f.Accepted {
		c := junitCaseOf(f, &f.Accepted[i].Finding)
		c.Skipped = &junitSkipped{visible("accepted: " + f.Accepted[i].Reason)}
		suite.Skipped++
		suite.Cases = append(suite.Cases, c)
	}
	if len(suite.Cases) == 0 {
		suite.Cases = []junitCase{{Name: "nothing found", Class: path, File: path}}
	}
	r.add(suite)
	return nil
}

func (r *junitRenderer) add(suite junitSuite) {
	suite.Tests = len(suite.Cases)
	r.suites.Tests += suite.Tests
	r.suites.Failures += suite.Failures
	r.suites.Errors += suite.Errors
	r.suites.Suites = append(r.suites.Suites, suite)
}

func junitCaseOf(f *review.File, found *review.Finding) junitCase {
	at := f.Text.Place(found.Span.Start)
	return junitCase{Name: fmt.Sprintf("%s, line %d, column %d", found.Check.ID, at.Line, at.Column), Class: visible(f.Text.Path), File: visible(f.Text.Path), Line: at.Line}
}

// junitText tells of a finding what stands below its message.
func junitText(f *review.File, found *review.Finding) string {
	at := f.Text.Place(found.Span.Start)
	out := fmt.Sprintf("%s:%d:%d %s, %s\n%s\n%s", visible(f.Text.Path), at.Line, at.Column, found.Consequence, found.Certainty, quoted(f.Text.Slice(found.Span)), visible(found.Why))
	for _, m := range found.Mends {
		out += "\nMend (" + m.Effect.String() + "): " + visible(m.Title)
	}
	if found.More > 0 {
		out += fmt.Sprintf("\n… and %s more of %s in this statement", text.Thousands(found.More), found.Check.ID)
	}
	return out
}

func (r *junitRenderer) Close(s Summary) error {
	if len(s.Problems) > 0 {
		suite := junitSuite{Name: "what could not be reviewed", Errors: len(s.Problems)}
		for _, p := range s.Problems {
			suite.Cases = append(suite.Cases, junitCase{Name: visible(p), Class: "justlens", Error: &junitFailure{Message: visible(p), Type: "not reviewed"}})
		}
		r.add(suite)
	}
	if _, err := io.WriteString(r.w, xml.Header); err != nil {
		return err
	}
	e := xml.NewEncoder(r.w)
	e.Indent("", " ")
	if err := e.Encode(r.suites); err != nil {
		return err
	}
	_, err := io.WriteString(r.w, "\n")
	return err
}
