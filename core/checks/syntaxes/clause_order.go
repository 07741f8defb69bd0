package syntaxes

import (
	"cmp"
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var clauseOrder = &check.Check{
	ID:     "syntax.clause-order",
	Title:  "clauses out of order",
	Errors: []string{"42601", "ORA-00933", "1064", "Msg 156"},
	Doc: "A query's clauses have one order: FROM, WHERE, GROUP BY, HAVING, ORDER BY, row limit. " +
		"A database refuses any other, but for Oracle, which takes HAVING before GROUP BY.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT keeper_id, COUNT(*) FROM hives HAVING COUNT(*) > 2 GROUP BY keeper_id",
		Good: "SELECT keeper_id, COUNT(*) FROM hives GROUP BY keeper_id HAVING COUNT(*) > 2",
		Near: []string{
			"SELECT keeper_id, COUNT(*) FROM hives WHERE apiary_id = 1 GROUP BY keeper_id HAVING COUNT(*) > 2 ORDER BY keeper_id LIMIT 3",
			"SELECT keeper_id FROM (SELECT keeper_id FROM hives ORDER BY keeper_id LIMIT 3) AS h WHERE keeper_id > 1",
		},
	}, {
		Bad:  "SELECT name FROM hives ORDER BY name WHERE apiary_id = 2",
		Good: "SELECT name FROM hives WHERE apiary_id = 2 ORDER BY name",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT keeper_id FROM hives GROUP BY keeper_id WHERE apiary_id = 2",
		Good:    "SELECT keeper_id FROM hives WHERE apiary_id = 2 GROUP BY keeper_id",
		Near:    []string{"SELECT keeper_id, COUNT(*) FROM hives HAVING COUNT(*) > 2 GROUP BY keeper_id"},
	}},
	On: check.Nodes(runClauseOrder),
}

// placed is a clause with its name.
type placed struct {
	name string
	node syntax.Node
}

func runClauseOrder(p *check.Pass, sel *syntax.Select) {
	var room [6]placed
	clauses := inOrder(p, sel, room[:0])
	for i := range clauses {
		if i > 0 && clauses[i].node.Span().Start < clauses[i-1].node.Span().Start {
			tellOrder(p, clauses)
			return
		}
	}
}

// tellOrder reports the first clause of the text that stands before one it belongs
// behind. The clauses are in the order in which they belong.
func tellOrder(p *check.Pass, clauses []placed) {
	inText := slices.SortedFunc(slices.Values(clauses), func(a, b placed) int {
		return cmp.Compare(a.node.Span().Start, b.node.Span().Start)
	})
	for i, c := range inText {
		last := -1
		for k := i + 1; k < len(inText); k++ {
			if slices.Index(clauses, inText[k]) < slices.Index(clauses, c) {
				last = k
			}
		}
		if last < 0 {
			continue
		}
		after := inText[last]
		verdicts := p.Check.Verdicts
		if c.name == "HAVING" && after.name == "GROUP BY" {
			verdicts = verdicts.But(check.Fine, dialect.With(dialect.HavingFirst))
		}
		p.Report(check.Finding{
			Span:      c.node.Span(),
			Certainty: check.Certain,
			Verdicts:  verdicts,
			Message:   fmt.Sprintf("%s stands before %s", c.name, after.name),
			Why:       fmt.Sprintf("%s belongs behind %s, and the database reads the clauses in no other order.", c.name, after.name),
			Related:   []check.Related{{Span: after.node.Span(), Message: "it belongs behind this"}},
			Mends:     []check.Mend{reorder(p, clauses, inText, i, last)},
		})
		return
	}
}

// reorder moves a clause behind another, or, where that is not enough, puts each
// clause in the place where one of the same rank stands.
func reorder(p *check.Pass, clauses, inText []placed, from, to int) check.Mend {
	for _, c := range clauses {
		if end := c.node.Span().End; p.EndBefore(end) != end {
			return check.Mend{Title: "put the clauses in order", Effect: check.ByHand} // its end is missing
		}
	}
	for i := range inText[1:] {
		if inText[i].node.Span().End > inText[i+1].node.Span().Start {
			return check.Mend{Title: "put the clauses in order", Effect: check.ByHand} // one stands within another, LIMIT 5 FROM hives OFFSET 2
		}
	}
	rest := slices.Delete(slices.Clone(inText), from, from+1)
	if slices.Equal(slices.Insert(rest, to, inText[from]), clauses) {
		return check.Mend{
			Title:  fmt.Sprintf("move %s behind %s", inText[from].name, inText[to].name),
			Effect: check.NewRows,
			Edits:  move(p, inText[from].node, inText[from+1].node, inText[to].node),
		}
	}
	m := check.Mend{Title: "put the clauses in order", Effect: check.NewRows}
	for i, c := range inText {
		if c != clauses[i] {
			m.Edits = append(m.Edits, check.Replace(c.node.Span(), p.Text(clauses[i].node)))
		}
	}
	return m
}

// inOrder lists the clauses in the order in which they belong.
func inOrder(p *check.Pass, s *syntax.Select, clauses []placed) []placed {
	if s.From != nil {
		clauses = append(clauses, placed{"FROM", s.From})
	}
	if s.Where != nil {
		clauses = append(clauses, placed{"WHERE", s.Where})
	}
	if s.GroupBy != nil {
		clauses = append(clauses, placed{"GROUP BY", s.GroupBy})
	}
	if s.Having != nil {
		clauses = append(clauses, placed{"HAVING", s.Having})
	}
	if q := p.OwnQuery(s); q != nil {
		if q.OrderBy != nil {
			clauses = append(clauses, placed{"ORDER BY", q.OrderBy})
		}
		if q.Limit != nil {
			clauses = append(clauses, placed{"the row limit", q.Limit})
		}
	}
	return clauses
}

// move takes a clause out, with what lies between it and the next one, and
// puts it behind another with the break that stood before it.
func move(p *check.Pass, clause, next, after syntax.Node) []text.Edit {
	edits := p.Remove(text.Span{Start: clause.Span().Start, End: next.Span().Start})
	return append(edits, check.Insert(after.Span().End, p.Break(clause.Span().Start, "")+p.Text(clause)))
}
