package logic

import (
	"bytes"
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/reason"
	"justlens/core/syntax"
	"justlens/core/text"
)

var redundant = &check.Check{
	ID:    "logic.redundant",
	Title: "condition that another implies",
	Doc: "What one condition asks, another beside it asks already, so it keeps no further row out and only makes the reader wonder. It may be left of " +
		"a change that meant something else.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE frame_count > 5 AND frame_count > 3",
		Good: "SELECT name FROM hives WHERE frame_count > 5",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count > 5 AND frame_count < 9",
			"SELECT name FROM hives WHERE frame_count > 5 AND keeper_id > 3",
			"SELECT name FROM hives WHERE frame_count <> 5 AND frame_count IS NOT NULL",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2 AND apiary_id = 1",
		Good: "SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2",
	}, {
		Bad:  "SELECT name FROM hives WHERE frame_count IS NOT NULL AND frame_count > 5",
		Good: "SELECT name FROM hives WHERE frame_count > 5",
	}},
	Kinds: conditionKinds,
	Run:   runRedundant,
}

func runRedundant(p *check.Pass, n syntax.Node) {
	cond, _ := conditionOf(n)
	if cond == nil || !flat(cond, syntax.OpAnd) {
		return
	}
	if n := countOperands(cond, syntax.OpAnd); n < 2 || n > longChain {
		return
	}
	chain := operandsOf(cond, syntax.OpAnd)
	var room [8]bool
	marks := related(chain, room[:])
	if marks == nil && !repeats(p, chain) {
		return
	}
	predicates := make([]*reason.Predicate, len(chain))
	for i, x := range chain {
		if marks == nil || !marks[i] {
			continue
		}
		if q, ok := reason.Of(p.Info, x); ok {
			if q.NeverTrue() {
				return // logic.always-false tells of it
			}
			predicates[i] = &q
		}
	}
	for i := range chain {
		for k := range i {
			if predicates[i] != nil && predicates[k] != nil && predicates[i].Excludes(p.Info, *predicates[k]) {
				return
			}
		}
	}
	for i := range chain {
		for k := range i {
			drop, by := -1, -1
			switch {
			case predicates[i] == nil || predicates[k] == nil:
				if p.Text(chain[i]) == p.Text(chain[k]) && steady(chain[i]) {
					drop, by = i, k
				}
			case predicates[k].Implies(p.Info, *predicates[i]):
				drop, by = i, k
			case predicates[i].Implies(p.Info, *predicates[k]):
				drop, by = k, i
			}
			if drop < 0 || thinksOfNull(chain[drop], chain[by]) {
				continue
			}
			p.Report(check.Finding{
				Span: chain[drop].Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("%s follows from %s", p.Brief(chain[drop]), p.Brief(chain[by])),
				Why:     "Drop it: every row that meets the other condition meets this one.",
				Related: []check.Related{{Span: chain[by].Span(), Message: "this says it already"}},
				Mends: []check.Mend{{Title: "drop it", Effect: check.SameRows,
					Edits: p.RemoveConjuncts(chain, func(at int) bool { return at == drop })}},
			})
			return
		}
	}
}

// thinksOfNull reports whether a condition is the IS NOT NULL beside a negated
// one, which tells the reader that rows with NULL are to be left out.
func thinksOfNull(c, beside syntax.Expr) bool {
	if is, ok := syntax.Unparen(c).(*syntax.Is); !ok || is.Test != syntax.IsNull || !is.Not {
		return false
	}
	switch b := syntax.Unparen(beside).(type) {
	case *syntax.Binary:
		return b.Op == syntax.OpNotEqual
	case *syntax.In:
		return b.Not
	case *syntax.Like:
		return b.Not
	case *syntax.Between:
		return b.Not
	}
	return false
}

// repeats reports whether two operands are written alike.
func repeats(p *check.Pass, chain []syntax.Expr) bool {
	for i, x := range chain {
		for _, y := range chain[:i] {
			a, b := x.Span(), y.Span()
			if a.Len() == b.Len() && bytes.Equal(p.Src[a.Start:a.End], p.Src[b.Start:b.End]) {
				return true
			}
		}
	}
	return false
}

// steady reports whether an expression gives the same each time it is asked.
func steady(x syntax.Expr) bool {
	ok := true
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n.(type) {
		case *syntax.Call, *syntax.Query, *syntax.Param, *syntax.BadExpr:
			ok = false
		}
		return ok
	})
	return ok
}

var orChain = &check.Check{
	ID:    "logic.or-chain",
	Title: "equalities of one column joined by OR",
	Doc: "Three or more equalities of one column joined by OR say what IN says in one line, and IN cannot be torn apart by an AND that is written " +
		"beside it later.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2 OR apiary_id = 3",
		Good: "SELECT name FROM hives WHERE apiary_id IN (1, 2, 3)",
		Near: []string{
			"SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2",
			"SELECT name FROM hives WHERE apiary_id = 1 OR keeper_id = 2 OR hive_id = 3",
			"SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2 OR apiary_id > 3",
		},
	}},
	Kinds: conditionKinds,
	Run:   runOrChain,
}

func runOrChain(p *check.Pass, n syntax.Node) {
	cond, _ := conditionOf(n)
	chains(cond, syntax.OpOr, func(operands []syntax.Expr) {
		if len(operands) < 3 || p.HasComment(operands[0].Span().Join(operands[len(operands)-1].Span())) {
			return
		}
		var column syntax.Expr
		var list []string
		for _, x := range operands {
			c, v := sameColumn(p, x)
			if c == nil || column != nil && !p.Same(column, c) {
				return
			}
			if column == nil {
				column = c
			}
			list = append(list, p.Text(v))
		}
		// The chain itself, with what parentheses stand round parts of it.
		var root syntax.Node = operands[0]
		for !root.Span().Contains(operands[len(operands)-1].Span()) {
			root = p.Parent(root)
		}
		whole := root.Span()
		p.Report(check.Finding{
			Span: whole, Certainty: check.Certain,
			Message: fmt.Sprintf("%d values of %s are joined by OR", len(list), p.Brief(column)),
			Why:     "IN says the same, and needs no parentheses when another condition is added.",
			Mends: []check.Mend{{Title: "write IN", Effect: check.SameRows, Edits: []text.Edit{check.Replace(whole,
				fmt.Sprintf("%s %s (%s)", p.Text(column), p.Word(operands[0].Span().End+1, "IN"), strings.Join(list, ", ")))}}},
		})
	})
}

var doubleNegative = &check.Check{
	ID:       "logic.double-negative",
	Title:    "NOT of a negation",
	Doc:      "NOT (a <> b) is a = b, and NOT (x IS NOT NULL) is x IS NULL, also for NULL. The bare form is read at once.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE NOT (apiary_id <> 1)",
		Good: "SELECT name FROM hives WHERE apiary_id = 1",
		Near: []string{"SELECT name FROM hives WHERE NOT (apiary_id = 1)", "SELECT name FROM hives WHERE apiary_id <> 1"},
	}, {
		Bad:  "SELECT name FROM hives WHERE NOT (moved_on IS NOT NULL)",
		Good: "SELECT name FROM hives WHERE moved_on IS NULL",
	}},
	Kinds: syntax.Kinds(syntax.KindUnary),
	Run: func(p *check.Pass, n syntax.Node) {
		not := n.(*syntax.Unary)
		if not.Op != syntax.OpNot || p.HasComment(not.Span()) {
			return
		}
		written := ""
		switch x := syntax.Unparen(not.X).(type) {
		case *syntax.Binary:
			if x.Op == syntax.OpNotEqual {
				written = p.Text(x.X) + " = " + p.Text(x.Y)
			}
		case *syntax.Is:
			if x.Test == syntax.IsNull && x.Not {
				written = p.Text(x.X) + " " + p.Word(not.Span().Start, "IS") + " " + p.Word(not.Span().Start, "NULL")
			}
		case *syntax.Unary:
			if x.Op == syntax.OpNot && isTruth(x.X) {
				inner := syntax.Unparen(x.X)
				written = p.Text(inner)
				if b, ok := inner.(*syntax.Binary); ok && !b.Op.IsComparison() {
					written = "(" + written + ")"
				}
			}
		}
		if written == "" {
			return
		}
		p.Report(check.Finding{
			Span: not.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s is a double negation", p.Brief(not)),
			Why:     "The two negations cancel each other, for NULL as well.",
			Mends: []check.Mend{{Title: "say it without either", Effect: check.SameRows,
				Edits: []text.Edit{check.Replace(not.Span(), p.Guarded(not, written))}}},
		})
	},
}
