package rows

import (
	"fmt"
	"strconv"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
)

var limitBeforeOrder = &check.Check{
	ID:    "rows.limit-before-order",
	Title: "ROWNUM in WHERE beside ORDER BY",
	Doc: "Oracle gives ROWNUM to rows as they pass WHERE, before ORDER BY sorts them (\"ROWNUM Pseudocolumn\" in its SQL reference). ROWNUM <= 5 takes any five rows and then " +
		"sorts these. FETCH FIRST counts after sorting.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.Oracle)),
	Examples: []check.Example{{
		Dialect: dialect.Oracle,
		Bad:     "SELECT name, frame_count FROM hives WHERE ROWNUM <= 5 ORDER BY frame_count DESC",
		Good:    "SELECT name, frame_count FROM hives ORDER BY frame_count DESC FETCH FIRST 5 ROWS ONLY",
		Near: []string{
			"SELECT name, frame_count FROM hives ORDER BY frame_count DESC FETCH FIRST 5 ROWS ONLY",
			"SELECT name FROM (SELECT name, frame_count FROM hives ORDER BY frame_count DESC) WHERE ROWNUM <= 5",
			"SELECT name FROM hives WHERE apiary_id = 2 AND ROWNUM = 1",
		},
	}},
	On: check.Nodes(runLimitBeforeOrder).With(facts.Ordered).In(dialect.In(dialect.Oracle)),
}

func runLimitBeforeOrder(p *check.Pass, q *syntax.Query) {
	sel, ok := q.Body.(*syntax.Select)
	if !ok || sel.Where == nil || sel.GroupBy != nil || rowsAreOne(p, sel) {
		return
	}
	chain := syntax.AppendConjuncts(nil, sel.Where.Cond)
	for i, c := range chain {
		b, ok := syntax.Unparen(c).(*syntax.Binary)
		if !ok || !b.Op.IsComparison() {
			continue
		}
		n, count, op := b.X, b.Y, b.Op
		if isRowNum(p, count) {
			n, count, op = count, n, op.Flip()
		}
		if !isRowNum(p, n) {
			continue
		}
		if _, isNever := leastRownum(p, c); isNever {
			return // rows.rownum-never tells of it
		}
		f := check.Finding{Span: c.Span(), Context: q.Span(), Certainty: check.Certain,
			Message: "ROWNUM is counted before ORDER BY sorts",
			Why:     "Any rows are taken as they come, and only these are sorted.",
			Related: []check.Related{{Span: q.OrderBy.Span(), Message: "sorted afterwards"}},
		}
		title := "take the first rows after sorting, by FETCH FIRST"
		if _, literal := syntax.Unparen(count).(*syntax.Literal); literal && (op == syntax.OpLessEqual || op == syntax.OpEqual && p.Text(count) == "1") && q.Limit == nil {
			m := check.Mend{Title: title, Effect: check.NewRows, Edits: p.RemoveClause(sel.Where)}
			if len(chain) > 1 {
				m.Edits = p.RemoveConjuncts(chain, func(k int) bool { return k == i })
			}
			m.Edits = append(m.Edits, check.Insert(q.OrderBy.Span().End, p.Break(q.OrderBy.Span().Start, "")+
				p.Word(q.OrderBy.Span().Start, "FETCH FIRST")+" "+p.Text(count)+" "+p.Word(q.OrderBy.Span().Start, "ROWS ONLY")))
			f.Mends = []check.Mend{m}
		} else {
			f.Mends = []check.Mend{{Title: title, Effect: check.ByHand}}
		}
		p.Report(f)
		return
	}
}

func isRowNum(p *check.Pass, x syntax.Expr) bool {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	return ok && len(n.Parts) == 1 && p.Names.String(n.Last().Sym) == "rownum" && p.Use(n).Source == nil
}

var rownumNever = &check.Check{
	ID:    "rows.rownum-never",
	Title: "ROWNUM that no row can have",
	Doc: "Oracle gives ROWNUM 1 to the first row that passes WHERE, and 2 only after a row has been taken (\"ROWNUM Pseudocolumn\" in its SQL reference). ROWNUM > 1 refuses each row as the " +
		"first, so none is ever taken. A later page is asked for with OFFSET and FETCH, or from a query around one that gives ROWNUM a name.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.Oracle)),
	Examples: []check.Example{{
		Dialect: dialect.Oracle,
		Bad:     "SELECT name FROM hives WHERE ROWNUM > 5",
		Near: []string{
			"SELECT name FROM hives WHERE ROWNUM <= 5",
			"SELECT name FROM hives WHERE ROWNUM = 1",
			"SELECT name FROM hives WHERE ROWNUM >= 1",
			"SELECT name FROM (SELECT name, ROWNUM AS n FROM hives) WHERE n > 5",
			"SELECT name FROM hives WHERE ROWNUM BETWEEN 1 AND 20",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT name FROM hives WHERE apiary_id = 2 AND ROWNUM BETWEEN 11 AND 20",
	}},
	On: check.Nodes(runRownumNever).In(dialect.In(dialect.Oracle)),
}

func runRownumNever(p *check.Pass, where *syntax.Where) {
	told := false
	syntax.Conjuncts(where.Cond, func(x syntax.Expr) {
		least, isNever := leastRownum(p, x)
		if !isNever || told {
			return
		}
		told = true
		p.Report(check.Finding{Span: x.Span(), Context: where.Span(), Certainty: check.Certain,
			Message: "no row is found: ROWNUM is 1 until a row has been taken",
			Why:     "Each row is numbered as it passes WHERE, and here the first never does.",
			Mends:   []check.Mend{{Title: fmt.Sprintf("skip the first ones by ORDER BY … OFFSET %d ROWS FETCH NEXT … ROWS ONLY", least-1), Effect: check.ByHand}},
		})
	})
}

// leastRownum gives the least ROWNUM that a condition lets pass, if that is more than 1.
func leastRownum(p *check.Pass, x syntax.Expr) (least int, isNever bool) {
	var bound syntax.Expr
	switch c := syntax.Unparen(x).(type) {
	case *syntax.Binary:
		n, op, count := c.Turned()
		if !isRowNum(p, n) {
			return 0, false
		}
		bound = count
		switch op {
		case syntax.OpGreater:
			least = 1
		case syntax.OpGreaterEqual, syntax.OpEqual:
		default:
			return 0, false
		}
	case *syntax.Between:
		if c.Not || !isRowNum(p, c.X) {
			return 0, false
		}
		bound = c.Low
	}
	l, ok := bound.(*syntax.Literal)
	if !ok || l.Lit != syntax.NumberLiteral {
		return 0, false
	}
	n, err := strconv.Atoi(p.Text(l))
	return least + n, err == nil && least+n > 1
}
