package logic

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/facts"
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
	On: check.Clauses(runRedundant).With(facts.Chained),
}

func runRedundant(p *check.Pass, c *facts.Clause) {
	chain := c.Conjuncts
	operands := chain.Operands
	if len(operands) < 2 || len(operands) > facts.LongChain || !chain.Flat || !chain.Related && !chain.Repeated {
		return
	}
	for i := range operands {
		if !operands[i].Related {
			continue
		}
		q, ok := p.PredicateOf(&operands[i])
		if ok && q.NeverTrue() {
			return // logic.always-false tells of it
		}
		for k := range i {
			if before, also := predicateOf(p, &operands[k]); ok && also && q.Excludes(p.Info, before) {
				return
			}
		}
	}
	for i := range operands {
		for k := range i {
			drop, by := implied(p, &operands[i], &operands[k])
			if drop == nil || thinksOfNull(drop.X, by.X) {
				continue
			}
			p.Report(check.Finding{
				Span: drop.X.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("%s follows from %s", p.Brief(drop.X), p.Brief(by.X)),
				Why:     "Drop it: every row that meets the other condition meets this one.",
				Related: []check.Related{{Span: by.X.Span(), Message: "this says it already"}},
				Mends: []check.Mend{{Title: "drop it", Effect: check.SameRows,
					Edits: p.RemoveOperands(operands, func(at int) bool { return &operands[at] == drop })}},
			})
			return
		}
	}
}

// predicateOf gives the predicate of a condition that is related to another.
func predicateOf(p *check.Pass, c *facts.Condition) (q reason.Predicate, ok bool) {
	if !c.Related {
		return q, false
	}
	return p.PredicateOf(c)
}

// implied gives of two conditions the one that the other implies; nil if neither does.
func implied(p *check.Pass, later, earlier *facts.Condition) (drop, by *facts.Condition) {
	q, ok := predicateOf(p, later)
	r, also := predicateOf(p, earlier)
	switch {
	case !ok || !also:
		if p.Text(later.X) == p.Text(earlier.X) && steady(later.X) {
			return later, earlier
		}
	case r.Implies(p.Info, q):
		return later, earlier
	case q.Implies(p.Info, r):
		return earlier, later
	}
	return nil, nil
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
	On: check.Clauses(runOrChain).With(facts.Either),
}

func runOrChain(p *check.Pass, c *facts.Clause) {
	for i := range c.Chains {
		if chain := &c.Chains[i]; chain.Op == syntax.OpOr && len(chain.Operands) > 2 {
			valuesByOr(p, chain.Operands)
		}
	}
}

func valuesByOr(p *check.Pass, operands []facts.Condition) {
	first, last := operands[0].X, operands[len(operands)-1].X
	column, _ := sameColumn(p, first)
	if column == nil || p.HasComment(first.Span().Join(last.Span())) { // which may be why they stand apart
		return
	}
	var list []string
	for i := range operands {
		c, v := sameColumn(p, operands[i].X)
		if c == nil || !p.Same(column, c) {
			return
		}
		list = append(list, p.Text(v))
	}
	// The chain itself, with what parentheses stand round parts of it.
	var root syntax.Node = first
	for !root.Span().Contains(last.Span()) {
		root = p.Parent(root)
	}
	whole := root.Span()
	p.Report(check.Finding{
		Span: whole, Certainty: check.Certain,
		Message: fmt.Sprintf("%d values of %s are joined by OR", len(list), p.Brief(column)),
		Why:     "IN says the same, and needs no parentheses when another condition is added.",
		Mends: []check.Mend{{Title: "write IN", Effect: check.SameRows, Edits: []text.Edit{check.Replace(whole,
			fmt.Sprintf("%s %s (%s)", p.Text(column), p.Word(first.Span().End+1, "IN"), strings.Join(list, ", ")))}}},
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
		Near: []string{"SELECT name FROM hives WHERE NOT (moved_on IS NULL)", "SELECT name FROM hives WHERE NOT (apiary_id = 1)", "SELECT name FROM hives WHERE apiary_id <> 1"},
	}, {
		Bad:  "SELECT name FROM hives WHERE NOT (moved_on IS NOT NULL)",
		Good: "SELECT name FROM hives WHERE moved_on IS NULL",
	}},
	On: check.Nodes(func(p *check.Pass, not *syntax.Unary) {
		if not.Op != syntax.OpNot {
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
			Mends: []check.Mend{p.Keeping(check.Mend{Title: "say it without either", Effect: check.SameRows,
				Edits: []text.Edit{check.Replace(not.Span(), p.Guarded(not, written))}})},
		})
	}),
}
