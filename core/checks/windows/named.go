package windows

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

var namedWindow = &check.Check{
	ID:     "window.named",
	Title:  "a named window that is changed, or defined twice",
	Errors: []string{"42P20", "4010", "4011", "4012", "4013", "3581", "3582", "3583", "3591"},
	Doc: "OVER (w ORDER BY …) starts from the window w and may add an order to it, and a frame. What w has already cannot be given again, its rows cannot be " +
		"parted anew, and a window with a frame can only be used as it is, by OVER w.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Text,
	Examples: []check.Example{{
		Bad:  "SELECT RANK() OVER (w ORDER BY name) AS place FROM hives WINDOW w AS (PARTITION BY apiary_id ORDER BY frame_count)",
		Good: "SELECT RANK() OVER (w ORDER BY name) AS place FROM hives WINDOW w AS (PARTITION BY apiary_id)",
		Near: []string{
			"SELECT RANK() OVER w AS place FROM hives WINDOW w AS (PARTITION BY apiary_id ORDER BY frame_count)",
			"SELECT SUM(frame_count) OVER (w ROWS 1 PRECEDING) AS n FROM hives WINDOW w AS (ORDER BY name)",
			"SELECT SUM(frame_count) OVER w AS n FROM hives WINDOW w AS (ORDER BY name ROWS 1 PRECEDING)",
		},
	}, {
		Bad:  "SELECT SUM(frame_count) OVER (w) AS n FROM hives WINDOW w AS (ORDER BY name ROWS 1 PRECEDING)",
		Good: "SELECT SUM(frame_count) OVER w AS n FROM hives WINDOW w AS (ORDER BY name ROWS 1 PRECEDING)",
	}, {
		Bad:  "SELECT SUM(frame_count) OVER (w PARTITION BY apiary_id) AS n FROM hives WINDOW w AS (ORDER BY name)",
		Good: "SELECT SUM(frame_count) OVER (PARTITION BY apiary_id ORDER BY name) AS n FROM hives",
	}},
	On: check.Nodes(runNamedWindow),
}

// mostWindows bounds how many named windows of a query are looked through.
const mostWindows = 64

func runNamedWindow(p *check.Pass, w *syntax.Window) {
	sel := p.SelectOf(w)
	if sel == nil || len(sel.Windows) > mostWindows || len(p.Stmt.Errors) > 0 {
		return
	}
	if _, defined := p.Parent(w).(*syntax.Select); defined {
		tellDefinedTwice(p, sel, w)
	}
	if w.Base.IsZero() {
		return
	}
	var base *syntax.Window
	for _, other := range sel.Windows {
		if other != w && other.Name.Sym == w.Base.Sym {
			base = other
		}
	}
	if base == nil {
		return // name.unknown-alias tells
	}
	name := p.Ident(w.Base)
	f := check.Finding{Span: w.Span(), Certainty: check.Certain, Related: []check.Related{{Span: base.Span(), Message: name + " is defined here"}},
		Mends: []check.Mend{{Title: "write a window of its own", Effect: check.ByHand}}}
	switch {
	case len(w.Partition) > 0:
		f.Message = fmt.Sprintf("the rows of %s cannot be parted anew", name)
		f.Why = "A window that starts from another has its PARTITION BY, or none."
	case len(w.OrderBy) > 0 && len(base.OrderBy) > 0:
		f.Message = fmt.Sprintf("%s has an order already", name)
		f.Why = "A window that starts from another keeps its ORDER BY."
	case !base.Frame.IsEmpty():
		f.Message = fmt.Sprintf("%s has a frame, and cannot be changed", name)
		f.Why = "In parentheses a window starts from another, which may have no frame."
		if over, _, ok := p.FirstTokens(w); ok && over.Word() == word.Over && len(w.OrderBy) == 0 && w.Frame.IsEmpty() {
			inner := text.Span{Start: over.Span.End, End: w.Span().End}
			f.Mends = []check.Mend{{Title: "use it as it is", Effect: check.NewRows, Edits: []text.Edit{check.Replace(inner, " "+name)}}}
		}
	default:
		return
	}
	p.Report(f)
}

// tellDefinedTwice reports the second of two windows of one name; SQLite takes the first of them.
func tellDefinedTwice(p *check.Pass, sel *syntax.Select, w *syntax.Window) {
	for _, other := range sel.Windows {
		if other == w {
			return
		}
		if other.Name.Sym != w.Name.Sym || w.Name.IsZero() || other.Name.Quoted != w.Name.Quoted {
			continue // in quotes letter case may tell them apart
		}
		p.Report(check.Finding{
			Span: w.Name.Span, Context: w.Span(), Certainty: check.Certain,
			Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.SQLite)),
			Message:  fmt.Sprintf("the window %s is defined twice", p.Ident(w.Name)),
			Why:      "OVER could mean either.",
			Related:  []check.Related{{Span: other.Span(), Message: "defined here"}},
			Mends:    []check.Mend{{Title: "give one of them another name, or drop it", Effect: check.ByHand}},
		})
		return
	}
}
