package windows

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

var frameBounds = &check.Check{
	ID:     "window.frame-bounds",
	Title:  "a frame that cannot be",
	Errors: []string{"42P20", "22013", "4014", "4017", "4019", "1064", "42601", "3584", "3585", "3586", "ORA-00907", "Msg 4193"},
	Doc: "A frame runs from an earlier row to a later one, by offsets that are not negative; RANGE with an offset measures from the one value that the window is " +
		"ordered by. MariaDB takes no frame for functions that rank.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Text,
	Examples: []check.Example{{
		Bad:  "SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN CURRENT ROW AND 1 PRECEDING) AS kg FROM harvests",
		Good: "SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN 1 PRECEDING AND CURRENT ROW) AS kg FROM harvests",
		Near: []string{
			"SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN 3 PRECEDING AND 1 PRECEDING) AS kg FROM harvests",
			"SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN UNBOUNDED PRECEDING AND UNBOUNDED FOLLOWING) AS kg FROM harvests",
			"SELECT SUM(weight_kg) OVER (RANGE BETWEEN UNBOUNDED PRECEDING AND CURRENT ROW) AS kg FROM harvests",
		},
	}, {
		Bad:  "SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS 2 FOLLOWING) AS kg FROM harvests",
		Good: "SELECT SUM(weight_kg) OVER (ORDER BY taken_on ROWS BETWEEN CURRENT ROW AND 2 FOLLOWING) AS kg FROM harvests",
	}, {
		Bad:  "SELECT SUM(weight_kg) OVER (RANGE BETWEEN 1 PRECEDING AND CURRENT ROW) AS kg FROM harvests",
		Good: "SELECT SUM(weight_kg) OVER (ORDER BY harvest_id RANGE BETWEEN 1 PRECEDING AND CURRENT ROW) AS kg FROM harvests",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT RANK() OVER (ORDER BY taken_on ROWS UNBOUNDED PRECEDING) AS place FROM harvests",
		Good:    "SELECT RANK() OVER (ORDER BY taken_on) AS place FROM harvests",
	}},
	On: check.Nodes(runFrameBounds),
}

// bound is where a frame begins or ends, from the first row on.
type bound uint8

const (
	fromFirst bound = iota // UNBOUNDED PRECEDING
	before                 // n PRECEDING
	current
	behind // n FOLLOWING
	toLast // UNBOUNDED FOLLOWING
)

// edge is a bound as written; negative tells that its offset is.
type edge struct {
	at       bound
	negative bool
}

// framesNoRank are the dialects in which functions that rank take no frame.
var framesNoRank = dialect.In(dialect.MariaDB, dialect.SQLServer, dialect.Oracle)

// endsBefore are the dialects that take a frame which begins behind the row and ends before it,
// and find it empty.
var endsBefore = dialect.In(dialect.MariaDB)

func runFrameBounds(p *check.Pass, w *syntax.Window) {
	if w.Frame.IsEmpty() || len(p.Stmt.Errors) > 0 {
		return
	}
	unit, start, end, ok := frameOf(p, w)
	if !ok {
		return
	}
	f := check.Finding{Span: w.Frame, Context: w.Span(), Certainty: check.Certain}
	offset := start.at == before || start.at == behind || end.at == before || end.at == behind
	switch {
	case start.at == toLast || end.at == fromFirst:
		f.Message = "the frame begins behind all rows, or ends before them"
		f.Why = "UNBOUNDED FOLLOWING can only end a frame, and UNBOUNDED PRECEDING only begin one."
	case start.at > end.at:
		f.Message = "the frame ends before it begins"
		f.Why = "Its first bound lies behind its second; without BETWEEN a frame ends with the current row."
		if start.at == behind && end.at == before {
			f.Verdicts = check.Everywhere(check.Refused).But(check.Wrong, endsBefore)
		}
	case start.negative || end.negative:
		f.Message = "a frame has no negative offset"
		f.Why = "PRECEDING and FOLLOWING say the direction; the offset says how far."
	case unit == word.Range && offset && len(w.OrderBy) != 1 && w.Base.IsZero():
		f.Message = fmt.Sprintf("RANGE with an offset measures from one value, and %s", orderedBy(len(w.OrderBy)))
		f.Why = "The offset is added to what the window is ordered by."
		f.Mends = []check.Mend{{Title: "order the window by one value, or count rows with ROWS", Effect: check.ByHand}}
	default:
		if c, ok := p.Parent(w).(*syntax.Call); ok && framesNoRank.Has(p.Dialect) && ranks(p.FunctionName(c)) {
			f.Message = fmt.Sprintf("%s takes no frame", strings.ToUpper(p.FunctionName(c)))
			f.Why = "It looks at the whole partition."
			f.Verdicts = check.Everywhere(check.Fine).But(check.Refused, framesNoRank)
			f.Mends = []check.Mend{{Title: "leave the frame out", Effect: check.NewRows, Edits: p.Remove(text.Span{Start: p.EndBefore(w.Frame.Start), End: w.Frame.End})}}
			break
		}
		return
	}
	if f.Mends == nil {
		f.Mends = []check.Mend{{Title: "say from which row to which later one the frame runs", Effect: check.ByHand}}
	}
	p.Report(f)
}

func orderedBy(keys int) string {
	if keys == 0 {
		return "this window has no order"
	}
	return fmt.Sprintf("this window is ordered by %d", keys)
}

func ranks(function string) bool {
	switch function {
	case "row_number", "rank", "dense_rank", "percent_rank", "cume_dist", "ntile":
		return true
	}
	return false
}

// frameOf reads the unit of a frame and its bounds; without BETWEEN it ends with the current row.
// It is not ok where something else stands there.
func frameOf(p *check.Pass, w *syntax.Window) (unit word.Word, start, end edge, ok bool) {
	first, _, ok := p.FirstTokensIn(w.Frame)
	if !ok {
		return
	}
	unit, ok, end = first.Word(), false, edge{at: current}
	var begun syntax.Token // the first of a bound
	depth := 0
	for _, t := range p.TokensIn(w.Frame) {
		switch {
		case t.Kind == syntax.LeftParen:
			depth++
		case t.Kind == syntax.RightParen:
			depth--
		}
		if depth > 0 || t == first || t.Word() == word.Between || t.Word() == word.And && begun.Span.IsEmpty() {
			continue
		}
		if t.Word() == word.Exclude {
			break
		}
		if begun.Span.IsEmpty() {
			begun = t
		}
		e := edge{negative: begun.Kind == syntax.Minus}
		unbounded := begun.Word() == word.Unbounded
		switch t.Word() {
		case word.Row:
			e.at = current
		case word.Preceding:
			if e.at = before; unbounded {
				e.at = fromFirst
			}
		case word.Following:
			if e.at = behind; unbounded {
				e.at = toLast
			}
		default:
			continue
		}
		if begun = (syntax.Token{}); ok {
			end = e
			break
		}
		start, ok = e, true
	}
	return unit, start, end, ok
}
