package review

import (
	"bytes"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/fault"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Accepted is a finding that the author accepts, with the reason.
type Accepted struct {
	Finding
	Reason string
}

// acceptance is one with what it covers.
type acceptance struct {
	check.Acceptance
	covers text.Span
}

// accept takes out of what was found in a text what its comments accept, and lets the checks
// judge these comments. Findings that are less certain than is asked for were sought as well,
// so that a comment is known to be needed.
func (r *Reviewer) accept(out *File, wanted check.Certainty) {
	var all []acceptance
	if f := fault.Guard("reading acceptances", func() { all = r.acceptances(out) }); f != nil {
		out.Faults = append(out.Faults, Fault{text.Span{}, f})
	}
	r.pass.CheckNames = nil
	for _, c := range r.options.Acceptable {
		r.pass.CheckNames = append(r.pass.CheckNames, c.ID)
	}
	used := make([][]bool, len(all))
	for i := range all {
		used[i] = make([]bool, len(all[i].Names))
	}
	kept := out.Findings[:0]
	var near []int // the acceptances that a finding may be covered by; both are in the order of the text
	next := 0
	for _, found := range out.Findings {
		for ; next < len(all) && all[next].covers.Start <= found.Span.End; next++ {
			near = append(near, next)
		}
		near = slices.DeleteFunc(near, func(i int) bool { return all[i].covers.End < found.Span.Start })
		if reason, ok := r.acceptedBy(all, near, used, found.Finding); ok {
			out.Accepted = append(out.Accepted, Accepted{found, reason})
		} else if found.Certainty >= wanted && !(found.Check.OnRequest && wanted > check.Possible) {
			kept = append(kept, found)
		}
	}
	out.Findings = kept
	r.found = r.found[:0]
	for i := range all {
		for k := range all[i].Names {
			name := &all[i].Names[k]
			name.Unknown = !slices.Contains(r.pass.CheckNames, name.Name)
			name.Idle = !used[i][k] && slices.ContainsFunc(r.options.Checks, func(c *check.Check) bool { return c.ID == name.Name })
		}
		r.judge(&all[i].Acceptance, wanted)
	}
	if len(r.found) > 0 {
		for i := range r.found {
			r.found[i].Statement = statementAt(out, r.found[i].Span.Start)
			r.found[i].Of, r.found[i].Fingerprint = r.found[i].Context, commentPrint(out.Text.Bytes(), r.found[i].Context)
		}
		out.Findings = append(out.Findings, r.found...)
		slices.SortStableFunc(out.Findings, func(a, b Finding) int { return int(a.Span.Start) - int(b.Span.Start) })
		slices.SortStableFunc(out.Findings, func(a, b Finding) int { return a.Statement - b.Statement })
	}
}

// judge lets checks look at an acceptance.
func (r *Reviewer) judge(a *check.Acceptance, wanted check.Certainty) {
	r.pass.Begin(&syntax.Statement{Span: a.Span})
	for _, c := range r.options.Checks {
		for i := range c.On {
			if h := &c.On[i]; h.Event == check.OnAcceptance {
				r.pass.Check = c
				h.Accept(&r.pass, a)
			}
		}
	}
	r.found = slices.DeleteFunc(r.found, func(f Finding) bool { return f.Certainty < wanted })
}

// statementAt gives the number of the statement of the last finding before a place.
func statementAt(out *File, at text.Pos) int {
	n := 0
	for _, f := range out.Findings {
		if f.Span.Start <= at {
			n = max(n, f.Statement)
		}
	}
	return n
}

// acceptedBy gives the reason for which a finding is accepted.
func (r *Reviewer) acceptedBy(all []acceptance, near []int, used [][]bool, f check.Finding) (reason string, ok bool) {
	for _, i := range near {
		a := &all[i]
		if a.Reason == "" && !r.options.ReasonOptional || !touches(a.covers, f.Span) {
			continue
		}
		for k, name := range a.Names {
			if name.Name == f.Check.ID {
				used[i][k], ok, reason = true, true, a.Reason
			}
		}
	}
	return reason, ok
}

// touches reports whether a finding begins or ends in what is covered.
func touches(covers, s text.Span) bool {
	return covers.Start <= s.Start && s.Start < covers.End || covers.Start < s.End && s.End <= covers.End
}

// acceptances reads the comments of a text that accept findings, and what each covers: its line
// where text stands before it, else the statement or clause behind it.
func (r *Reviewer) acceptances(out *File) []acceptance {
	src := out.Text.Bytes()
	p := syntax.NewParser(syntax.NewNames())
	p.ResetTo(src, out.Dialect, r.version)
	var list []acceptance
	add := func(comments []text.Span, stmt *syntax.Statement) {
		from := len(list)
		for _, c := range comments {
			a, ok := check.ParseAcceptance(src, c)
			if !ok {
				continue
			}
			line := lineAt(src, c.Start)
			covers := line
			if stmt != nil && len(list)-from < mostInside && len(bytes.TrimSpace(src[line.Start:c.Start])) == 0 {
				covers = behind(src, stmt, c.End)
			}
			list = append(list, acceptance{a, covers})
		}
	}
	for stmt := p.Next(); stmt != nil; stmt = p.Next() {
		add(stmt.Comments, stmt)
	}
	add(p.LastComments(), nil)
	slices.SortStableFunc(list, func(a, b acceptance) int { return int(a.covers.Start) - int(b.covers.Start) })
	return list
}

// mostInside is for how many acceptances of a statement the clause behind them is sought; further ones
// count for their line.
const mostInside = 200

// behind gives the statement or clause that begins behind a comment of its own line, and the line
// on which it begins.
func behind(src []byte, stmt *syntax.Statement, comment text.Pos) text.Span {
	if comment <= stmt.Span.Start {
		return stmt.Span
	}
	next := slices.IndexFunc(stmt.Tokens, func(t syntax.Token) bool { return t.Span.Start >= comment })
	if next < 0 {
		return lineAt(src, stmt.Span.End)
	}
	covers := lineAt(src, stmt.Tokens[next].Span.Start)
	for next < len(stmt.Tokens)-1 && isJoining(src, stmt.Tokens[next]) {
		next++
	}
	at := stmt.Tokens[next].Span.Start
	var largest text.Span
	syntax.Inspect(stmt.Node, func(n syntax.Node) bool {
		s := n.Span()
		if s.Start == at && s.Len() > largest.Len() {
			largest = s
		}
		return s.Start <= at && at < s.End
	})
	if !largest.IsEmpty() {
		covers = covers.Join(largest)
	}
	return covers
}

// isJoining reports whether a token stands between conditions, items or tables.
func isJoining(src []byte, t syntax.Token) bool {
	switch strings.ToUpper(string(src[t.Span.Start:t.Span.End])) {
	case "AND", "OR", "ON", ",", "JOIN", "LEFT", "RIGHT", "FULL", "INNER", "OUTER", "CROSS", "UNION", "ALL", "EXCEPT", "INTERSECT":
		return true
	}
	return false
}

// lineAt gives the line round a place.
func lineAt(src []byte, at text.Pos) text.Span {
	start := bytes.LastIndexByte(src[:at], '\n') + 1
	end := len(src)
	if i := bytes.IndexByte(src[at:], '\n'); i >= 0 {
		end = int(at) + i
	}
	return text.Span{Start: text.Pos(start), End: text.Pos(end)}
}
