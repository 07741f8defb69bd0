package logic

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/syntax"
	"justlens/core/text"
)

var notScope = &check.Check{
	ID:    "logic.not-scope",
	Title: "NOT before one of several conditions",
	Doc: "NOT reaches to the next AND or OR and no further, which a reader has to know to tell what it denies. The negated operator leaves no doubt, " +
		"and means the same for NULL.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE NOT apiary_id = 1 AND keeper_id = 2",
		Good: "SELECT name FROM hives WHERE apiary_id <> 1 AND keeper_id = 2",
		Near: []string{
			"SELECT name FROM hives WHERE NOT (apiary_id = 1 AND keeper_id = 2)",
			"SELECT name FROM hives WHERE NOT apiary_id = 1",
			"SELECT name FROM hives WHERE NOT (apiary_id = 1) AND keeper_id = 2",
			"SELECT name FROM hives WHERE NOT EXISTS (SELECT 1 FROM queens) AND keeper_id = 2",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE NOT name LIKE 'A%' OR keeper_id = 2",
		Good: "SELECT name FROM hives WHERE name NOT LIKE 'A%' OR keeper_id = 2",
		Near: []string{"SELECT name FROM hives WHERE keeper_id = 2 OR NOT name LIKE 'A%'", "SELECT name FROM hives WHERE keeper_id = 2 AND NOT name = 'A' AND apiary_id = 1"},
	}},
	On: check.Nodes(func(p *check.Pass, not *syntax.Unary) {
		if not.Op != syntax.OpNot {
			return
		}
		beside, ok := p.Parent(not).(*syntax.Binary)
		if !ok || beside.Op != syntax.OpAnd && beside.Op != syntax.OpOr || beside.X != syntax.Expr(not) {
			return // behind another operand nobody takes it for a negation of all
		}
		written := negated(p, not.X, p.Word(not.Span().Start, "NOT"))
		if written == "" {
			return
		}
		p.Report(check.Finding{
			Span: not.Span(), Context: beside.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("NOT applies to %s only", p.Brief(not.X)),
			Why:     "What stands behind the next AND or OR is not negated.",
			Mends: []check.Mend{p.Keeping(check.Mend{Title: "negate the operator", Effect: check.SameRows,
				Edits: []text.Edit{check.Replace(not.Span(), written)}})},
		})
	}),
}

// denials maps a comparison to the one that is true where it is false.
var denials = map[syntax.Op]string{
	syntax.OpEqual: "<>", syntax.OpLess: ">=", syntax.OpLessEqual: ">", syntax.OpGreater: "<=", syntax.OpGreaterEqual: "<",
}

// negated writes the negation of a bare condition by its operator; "" for one
// that has no such operator, or has it already.
func negated(p *check.Pass, x syntax.Expr, not string) string {
	var tested syntax.Expr
	switch x := x.(type) {
	case *syntax.Binary:
		_, quantified := x.Y.(*syntax.Quantified)
		if op := denials[x.Op]; op != "" && !quantified {
			return p.Text(x.X) + " " + op + " " + p.Text(x.Y)
		}
	case *syntax.Like:
		if !x.Not {
			tested = x.X
		}
	case *syntax.In:
		if !x.Not {
			tested = x.X
		}
	case *syntax.Between:
		if !x.Not {
			tested = x.X
		}
	}
	if tested == nil {
		return ""
	}
	rest := string(p.Src[tested.Span().End:x.Span().End])
	return p.Text(tested) + " " + not + " " + strings.TrimSpace(rest)
}
