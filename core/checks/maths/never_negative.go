package maths

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var neverNegative = &check.Check{
	ID:    "math.never-negative",
	Title: "a length, position or count compared with what it can never be",
	Doc: "A position in a text is counted from 1, and 0 says that nothing was found; lengths and counts begin at 0. None of them is ever below 0, so a test for -1, or >= 0, asks nothing. It is a habit of languages that count from 0 " +
		"and give -1.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect:  dialect.SQLite,
		NoSchema: true,
		Bad:      "SELECT name FROM hives WHERE INSTR(name, 'oak') >= 0",
		Good:     "SELECT name FROM hives WHERE INSTR(name, 'oak') > 0",
		Near: []string{
			"SELECT name FROM hives WHERE INSTR(name, 'oak') > 0",
			"SELECT name FROM hives WHERE INSTR(name, 'oak') = 0",
			"SELECT name FROM hives WHERE LENGTH(name) >= 1",
			"SELECT name FROM hives WHERE ABS(frame_count) >= 0",
		},
	}, {
		NoSchema: true,
		Bad:      "SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(queen_id) >= 0",
	}, {
		Dialect:  dialect.Postgres,
		NoSchema: true,
		Bad:      "SELECT name FROM hives WHERE POSITION('oak' IN name) <> -1",
		Good:     "SELECT name FROM hives WHERE POSITION('oak' IN name) > 0",
	}},
	On: check.Comparisons(runNeverNegative).With(facts.FunctionSide),
}

// finds tells which functions give a position; the others here give a length or a count.
var finds = map[string]bool{
	"instr": true, "charindex": true, "locate": true, "position": true, "strpos": true, "patindex": true, "find_in_set": true,
	"length": false, "len": false, "char_length": false, "character_length": false, "octet_length": false, "datalength": false, "count": false,
}

func runNeverNegative(p *check.Pass, b *syntax.Binary) {
	x, op, y := b.Turned()
	c, ok := syntax.Unparen(x).(*syntax.Call)
	if !ok || len(c.Name) != 1 || c.Over != nil || !syntax.IsConstant(y) {
		return
	}
	position, known := finds[p.FunctionName(c)]
	negative := false
	value := syntax.Unparen(y)
	if u, minus := value.(*syntax.Unary); minus {
		negative, value = u.Op == syntax.OpNegate, syntax.Unparen(u.X)
	}
	l, ok := value.(*syntax.Literal)
	if !known || !ok || l.Lit != syntax.NumberLiteral {
		return
	}
	zero := p.Text(l) == "0"
	if !zero && !negative {
		return
	}
	always := false
	switch op {
	case syntax.OpGreaterEqual:
		always = true
	case syntax.OpGreater, syntax.OpNotEqual:
		if zero {
			return
		}
		always = true
	case syntax.OpLess:
	case syntax.OpLessEqual, syntax.OpEqual:
		if zero {
			return
		}
	}
	f := check.Finding{Span: b.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is never below 0, so this is never true", p.Brief(c)),
		Why:     "Lengths and counts begin at 0.",
		Mends:   []check.Mend{{Title: "compare with what it can be", Effect: check.ByHand}},
	}
	if always {
		f.Message = fmt.Sprintf("%s is never below 0, so this is always true", p.Brief(c))
	}
	if position {
		f.Why = "What is not found has position 0, and the first letter 1."
		sign := " > 0"
		if !always {
			sign = " = 0"
		}
		f.Mends = []check.Mend{{Title: "compare with 0:" + sign, Effect: check.NewRows, Edits: []text.Edit{check.Replace(b.Span(), p.Text(c)+sign)}}}
	}
	p.Report(f)
}
