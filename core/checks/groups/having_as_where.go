package groups

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var havingAsWhere = &check.Check{
	ID:    "group.having-as-where",
	Title: "condition in HAVING that WHERE could test",
	Doc: "A condition on grouped columns alone gives the same answer for every row of a group. In HAVING it is asked after all rows " +
		"were read and grouped; in WHERE it keeps them out from the start, and an index may serve it.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Bad:  "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id > 2",
		Good: "SELECT apiary_id, COUNT(*) FROM hives WHERE apiary_id > 2 GROUP BY apiary_id",
		Near: []string{
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING COUNT(*) > 2",
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING apiary_id > COUNT(*)",
			"SELECT COUNT(*) FROM hives HAVING 1 = 1",
			"SELECT apiary_id, keeper_id, COUNT(*) FROM hives GROUP BY ROLLUP (apiary_id, keeper_id) HAVING apiary_id > 2",
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id HAVING RANDOM() < 0.5",
			"SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id HAVING apiary_id IN (SELECT apiary_id FROM apiaries)",
		},
	}, {
		Bad:  "SELECT keeper_id, COUNT(*) FROM hives WHERE apiary_id = 1 GROUP BY keeper_id HAVING COUNT(*) > 1 AND keeper_id <> 4",
		Good: "SELECT keeper_id, COUNT(*) FROM hives WHERE apiary_id = 1 AND keeper_id <> 4 GROUP BY keeper_id HAVING COUNT(*) > 1",
		Near: []string{"SELECT keeper_id, COUNT(*) FROM hives GROUP BY keeper_id HAVING COUNT(*) > 1 OR keeper_id = 4"},
	}, {
		Dialect: dialect.MySQL,
		Near:    []string{"SELECT keeper_id AS k, COUNT(*) AS n FROM hives GROUP BY keeper_id HAVING n > 1"},
	}},
	On: check.Nodes(runHavingAsWhere).With(facts.Grouped | facts.Filtered),
}

func runHavingAsWhere(p *check.Pass, s *syntax.Select) {
	if s.GroupBy.Sets || s.GroupBy.All || len(s.GroupBy.Items) == 0 || s.From == nil {
		return
	}
	if !s.InOrder() {
		return // syntax.clause-order comes first
	}
	if b, ok := s.Having.Cond.(*syntax.Binary); ok && b.Op.IsComparison() && aggregates(p, b.X) {
		return // the usual test of a group
	}
	g := p.GroupingOf(s)
	chain := syntax.AppendConjuncts(nil, s.Having.Cond)
	movable := make([]bool, len(chain))
	count := 0
	for i, c := range chain {
		if canMoveToWhere(p, g, c) {
			movable[i] = true
			count++
		}
	}
	if count == 0 {
		return
	}
	mend := check.Mend{
		Title:  "move the condition to WHERE",
		Effect: check.SameRows,
		Edits:  toWhere(p, s, chain, func(i int) bool { return movable[i] }, count == len(chain)),
	}
	for i, c := range chain {
		if !movable[i] {
			continue
		}
		p.Report(check.Finding{
			Span:      c.Span(),
			Context:   s.Having.Span(),
			Certainty: check.Certain,
			Message:   fmt.Sprintf("HAVING tests %s, which WHERE could test", p.Brief(c)),
			Why:       "It uses grouped columns only. In WHERE it leaves the rows out before they are grouped, which is less work.",
			Mends:     []check.Mend{mend},
		})
	}
}

func aggregates(p *check.Pass, x syntax.Expr) bool {
	c, ok := x.(*syntax.Call)
	return ok && p.IsAggregate(c)
}

// canMoveToWhere reports whether a condition gives for each row of a group the
// answer it gives for the group, and means the same names in WHERE.
func canMoveToWhere(p *check.Pass, g *facts.Grouping, c syntax.Expr) bool {
	columns, ok := 0, true
	syntax.Inspect(c, func(n syntax.Node) bool {
		if name, isName := n.(*syntax.Name); isName {
			u := p.Use(name)
			columns++
			ok = ok && (u.Status == bind.Resolved || u.Status == bind.Assumed && p.Scope(p.SelectOf(c)).Item(name.Last().Sym) == nil) && !u.Outer
		}
		return ok
	})
	return ok && columns > 0 && g.Grouped(c)
}

// toWhere moves the conditions of HAVING that move holds to WHERE.
func toWhere(p *check.Pass, s *syntax.Select, chain []syntax.Expr, move func(int) bool, all bool) []text.Edit {
	var edits []text.Edit
	if all {
		edits = p.RemoveClause(s.Having)
	} else {
		edits = p.RemoveConjuncts(chain, move)
	}
	var moved []string
	for i, c := range chain {
		if move(i) {
			moved = append(moved, movedText(p, c))
		}
	}
	start := s.Having.Span().Start
	and := p.Word(start, "AND")
	condition := strings.Join(moved, " "+and+" ")
	if s.Where != nil {
		return append(edits, p.AddConjunct(s.Where, s.Where.Cond, condition)...)
	}
	return append(edits, p.NewClause(s.From, s.GroupBy, p.Word(start, "WHERE")+" "+condition))
}

// movedText gives a condition as an operand of AND.
func movedText(p *check.Pass, c syntax.Expr) string {
	if b, ok := c.(*syntax.Binary); ok && (b.Op == syntax.OpOr || b.Op == syntax.OpXor) {
		return "(" + p.Text(c) + ")"
	}
	return p.Text(c)
}
