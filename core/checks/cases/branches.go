package cases

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/reason"
	"justlens/core/syntax"
	"justlens/core/text"
)

// mostBranches is how many branches of a CASE are held against each other.
const mostBranches = 40

var unreachable = &check.Check{
	ID:       "case.unreachable",
	Title:    "WHEN that an earlier one always takes",
	Doc:      "CASE takes the first WHEN that holds. Where all values for which one holds are taken before, it is never reached, and its result never comes. Mostly the narrower condition has to stand first.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad: "SELECT CASE WHEN frame_count > 3 THEN 'small' WHEN frame_count > 8 THEN 'large' ELSE 'none' END AS size FROM hives",
		Near: []string{
			"SELECT CASE WHEN frame_count > 8 THEN 'large' WHEN frame_count > 3 THEN 'small' ELSE 'none' END AS size FROM hives",
			"SELECT CASE WHEN frame_count > 3 AND apiary_id = 1 THEN 'small' WHEN frame_count > 8 THEN 'large' END AS size FROM hives",
			"SELECT CASE frame_count WHEN 3 THEN 'small' WHEN 8 THEN 'large' END AS size FROM hives",
		},
	}, {
		Bad: "SELECT CASE colour WHEN 'blue' THEN 1 WHEN 'red' THEN 2 WHEN 'blue' THEN 3 END AS mark FROM queens",
	}},
	On: check.Nodes(runUnreachable),
}

func runUnreachable(p *check.Pass, c *syntax.Case) {
	if len(c.Whens) < 2 || len(c.Whens) > mostBranches {
		return
	}
	if c.Operand != nil {
		sameWhens(p, c)
		return
	}
	for i, w := range c.Whens {
		subject := reason.Subject(w.Cond)
		for _, earlier := range c.Whens[:i] {
			if p.Same(w.Cond, earlier.Cond) || subject != nil && impliedBy(p, w.Cond, subject, earlier.Cond) {
				tellUnreachable(p, c, w, earlier)
				return
			}
		}
	}
}

// impliedBy reports whether an earlier condition about the same column holds wherever a later one does.
func impliedBy(p *check.Pass, later syntax.Expr, subject *syntax.Name, earlier syntax.Expr) bool {
	if other := reason.Subject(earlier); other == nil || other.Last().Sym != subject.Last().Sym {
		return false
	}
	q, ok := reason.Of(p.Info, later)
	r, also := reason.Of(p.Info, earlier)
	return ok && also && !q.NeverTrue() && q.Implies(p.Info, r)
}

// sameWhens looks for a constant that is asked for twice.
func sameWhens(p *check.Pass, c *syntax.Case) {
	for i, w := range c.Whens {
		if _, ok := syntax.Unparen(w.Cond).(*syntax.Literal); !ok {
			continue
		}
		for k := range i {
			if p.Same(w.Cond, c.Whens[k].Cond) {
				tellUnreachable(p, c, w, c.Whens[k])
				return
			}
		}
	}
}

func tellUnreachable(p *check.Pass, c *syntax.Case, w, earlier *syntax.When) {
	p.Report(check.Finding{Span: w.Cond.Span(), Context: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is never reached: an earlier WHEN takes all of it", p.Brief(w.Cond)),
		Why:     "CASE takes the first WHEN that holds.",
		Related: []check.Related{{Span: earlier.Cond.Span(), Message: "this one"}},
		Mends:   []check.Mend{{Title: "put the narrower condition first, or leave one of the two out", Effect: check.ByHand}},
	})
}

var noElse = &check.Check{
	ID:        "case.no-else",
	Title:     "a CASE without ELSE whose result is worked on",
	Doc:       "A CASE without ELSE is NULL where no WHEN holds. Arithmetic with NULL is NULL, and a comparison with it is never true, so these rows drop out silently. ELSE says what they are.",
	Verdicts:  check.Everywhere(check.Unclear),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE frame_count > CASE WHEN apiary_id = 1 THEN 8 WHEN apiary_id = 2 THEN 10 END",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count > CASE WHEN apiary_id = 1 THEN 8 ELSE 10 END",
			"SELECT COUNT(CASE WHEN frame_count > 8 THEN 1 END) AS large FROM hives",
			"SELECT CASE WHEN frame_count > 8 THEN 'large' END AS size FROM hives",
		},
	}, {
		Bad: "SELECT frame_count + CASE WHEN apiary_id = 1 THEN 2 END AS x FROM hives",
	}},
	On: check.Nodes(runNoElse),
}

func runNoElse(p *check.Pass, c *syntax.Case) {
	if c.Else != nil || len(c.Whens) == 0 || !p.Wants(check.Possible) {
		return
	}
	b, ok := p.Above(c).(*syntax.Binary)
	if !ok || !(b.Op.IsComparison() || b.Op >= syntax.OpAdd && b.Op <= syntax.OpConcat) || p.AggregateAround(c) != nil {
		return
	}
	if truthTest(p, b) {
		return
	}
	p.Report(check.Finding{Span: c.Span(), Context: b.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("%s is NULL where no WHEN holds", p.Brief(b)),
		Why:     "A CASE without ELSE gives NULL for the other rows.",
		Mends:   []check.Mend{{Title: "say in ELSE what the other rows are", Effect: check.ByHand}},
	})
}

var sameResult = &check.Check{
	ID:       "case.same-result",
	Title:    "a CASE whose branches all give the same",
	Doc:      "Where all branches and ELSE give the same value, the conditions decide nothing. One of the results was most likely forgotten when it was copied.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad: "SELECT CASE WHEN frame_count > 8 THEN 'large' ELSE 'large' END AS size FROM hives",
		Near: []string{
			"SELECT CASE WHEN frame_count > 8 THEN 'large' ELSE 'small' END AS size FROM hives",
			"SELECT CASE WHEN frame_count > 8 THEN 'large' END AS size FROM hives",
			"SELECT CASE WHEN frame_count > 8 THEN 'large' WHEN frame_count > 5 THEN 'large' ELSE 'small' END AS size FROM hives",
		},
	}},
	On: check.Nodes(runSameResult),
}

func runSameResult(p *check.Pass, c *syntax.Case) {
	if c.Else == nil || len(c.Whens) == 0 {
		return
	}
	for _, w := range c.Whens {
		if !p.Same(w.Then, c.Else) {
			return
		}
	}
	if isVolatile(p, c.Else) {
		return
	}
	p.Report(check.Finding{Span: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("every branch gives %s", p.Brief(c.Else)),
		Why:     "The conditions decide nothing.",
		Mends:   []check.Mend{{Title: "correct the result that is wrong, or write the value alone", Effect: check.ByHand}},
	})
}

func isVolatile(p *check.Pass, x syntax.Expr) (found bool) {
	syntax.Inspect(x, func(n syntax.Node) bool {
		c, ok := n.(*syntax.Call)
		found = found || ok && dialect.Function(p.FunctionName(c)) == dialect.Volatile
		return !found
	})
	return found
}

var truth = &check.Check{
	ID:       "case.truth-test",
	Title:    "a condition made a number, and compared with it",
	Doc:      "CASE WHEN c THEN 1 ELSE 0 END = 1 asks whether c is true, and so does c alone. The CASE hides the condition from the reader and from every index.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE CASE WHEN frame_count > 8 THEN 1 ELSE 0 END = 1",
		Good: "SELECT name FROM hives WHERE frame_count > 8",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count > 8",
			"SELECT name FROM hives WHERE CASE WHEN frame_count > 8 THEN 1 ELSE 0 END = queen_id",
			"SELECT name FROM hives WHERE CASE WHEN frame_count > 8 THEN 1 WHEN frame_count < 3 THEN 2 ELSE 0 END = 1",
			"SELECT CASE WHEN frame_count > 8 THEN 1 ELSE 0 END AS large FROM hives",
		},
	}},
	On: check.Operators(runTruth, syntax.OpEqual, syntax.OpNotEqual).With(facts.LiteralSide | facts.CaseSide),
}

// truthTest reports whether a comparison asks whether the condition of a CASE holds.
func truthTest(p *check.Pass, b *syntax.Binary) bool {
	_, _, _, ok := asked(p, b)
	return ok
}

// asked takes a comparison of a CASE of one WHEN with one of its two results apart.
func asked(p *check.Pass, b *syntax.Binary) (c *syntax.Case, value *syntax.Literal, then bool, ok bool) {
	c, isCase := syntax.Unparen(b.X).(*syntax.Case)
	value, literal := syntax.Unparen(b.Y).(*syntax.Literal)
	if !isCase {
		c, isCase = syntax.Unparen(b.Y).(*syntax.Case)
		value, literal = syntax.Unparen(b.X).(*syntax.Literal)
	}
	if !isCase || !literal || len(c.Whens) != 1 || c.Operand != nil || c.Else == nil || b.Op != syntax.OpEqual && b.Op != syntax.OpNotEqual {
		return nil, nil, false, false
	}
	x, y := c.Whens[0].Then, c.Else
	if _, constant := syntax.Unparen(x).(*syntax.Literal); !constant {
		return nil, nil, false, false
	}
	if _, constant := syntax.Unparen(y).(*syntax.Literal); !constant || p.Same(x, y) {
		return nil, nil, false, false
	}
	switch {
	case p.Same(x, value):
		return c, value, b.Op == syntax.OpEqual, true
	case p.Same(y, value):
		return c, value, b.Op == syntax.OpNotEqual, true
	}
	return nil, nil, false, false
}

func runTruth(p *check.Pass, b *syntax.Binary) {
	c, _, then, ok := asked(p, b)
	if !ok {
		return
	}
	cond := c.Whens[0].Cond
	f := check.Finding{Span: b.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("this asks whether %s holds", p.Brief(cond)),
		Why:     "The CASE makes a number of the condition, and the comparison makes a condition of the number.",
	}
	if !then {
		f.Message = fmt.Sprintf("this asks whether %s does not hold", p.Brief(cond))
	}
	m := check.Mend{Title: "write the condition alone", Effect: check.SameRows, Edits: []text.Edit{check.Replace(b.Span(), p.Text(cond))}}
	if !then || !p.IsConjunct(b) || p.HasComment(b.Span()) {
		m.Effect, m.Edits = check.ByHand, nil
	} else if x, binary := cond.(*syntax.Binary); binary && !x.Op.IsComparison() {
		m.Edits[0].Text = "(" + m.Edits[0].Text + ")"
	}
	f.Mends = []check.Mend{m}
	p.Report(f)
}

var decode = &check.Check{
	ID:    "case.decode",
	Title: "DECODE in the place of CASE",
	Doc: "DECODE(x, a, b, c, d, e) is CASE x WHEN a THEN b WHEN c THEN d ELSE e END, told by position. Unlike CASE it takes NULL for equal to NULL, and gives the type of its first result. PL/SQL refuses it outside a " +
		"SQL statement.",
	Verdicts:  check.Everywhere(check.Fine).But(check.Unclear, dialect.In(dialect.Oracle)),
	OnRequest: true,
	Examples: []check.Example{{
		Dialect: dialect.Oracle,
		Bad:     "SELECT name, DECODE(temper, 1, 'calm', 5, 'wild', 'so so') AS temper FROM inspections i JOIN hives h ON h.hive_id = i.hive_id",
		Good:    "SELECT name, CASE temper WHEN 1 THEN 'calm' WHEN 5 THEN 'wild' ELSE 'so so' END AS temper FROM inspections i JOIN hives h ON h.hive_id = i.hive_id",
		Near: []string{
			"SELECT name, CASE frame_count WHEN 1 THEN 'one' ELSE 'more' END AS frames FROM hives",
			"SELECT NVL(village, 'none') AS village FROM keepers",
			"SELECT COALESCE(village, name) AS village FROM keepers",
		},
	}},
	On: check.Calls(runDecode, "decode").In(dialect.In(dialect.Oracle)),
}

func runDecode(p *check.Pass, c *syntax.Call) {
	if len(c.Args) < 3 || !facts.IsPlainCall(c) || !p.Wants(check.Possible) {
		return
	}
	at := c.Span().Start
	var b strings.Builder
	b.WriteString(p.Word(at, "CASE") + " " + p.Text(c.Args[0]))
	literal := true
	i := 1
	for ; i+1 < len(c.Args); i += 2 {
		l, ok := syntax.Unparen(c.Args[i]).(*syntax.Literal)
		literal = literal && ok && l.Lit != syntax.NullLiteral
		b.WriteString(" " + p.Word(at, "WHEN") + " " + p.Text(c.Args[i]) + " " + p.Word(at, "THEN") + " " + p.Text(c.Args[i+1]))
	}
	if i < len(c.Args) {
		b.WriteString(" " + p.Word(at, "ELSE") + " " + p.Text(c.Args[i]))
	}
	b.WriteString(" " + p.Word(at, "END"))
	m := check.Mend{Title: "write CASE", Effect: check.NewRows, Edits: []text.Edit{check.Replace(c.Span(), b.String())}}
	if !literal || p.HasComment(c.Span()) {
		m.Effect, m.Edits = check.ByHand, nil // it finds NULL, which CASE does not
	}
	p.Report(check.Finding{Span: c.Span(), Certainty: check.Possible,
		Message: "DECODE tells by position what is compared and what is given",
		Why:     "CASE says it in words, and all databases read it.",
		Mends:   []check.Mend{m},
	})
}
