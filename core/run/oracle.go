package run

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
)

// markedFrom compiles FROM and WHERE of a SELECT with (+): a condition with the mark is that of an
// outer join, which fills the columns of the marked table where nothing meets it (Oracle 19c, "Joins",
// "Outer Joins"). It gives the conditions that are none of a join.
func (c *compiler) markedFrom(n *syntax.Select) (all tablePlan, rest []syntax.Expr) {
	if n.From == nil || n.Where == nil {
		c.stop(n, "this (+)")
	}
	type source struct {
		table  syntax.TableExpr
		on     []syntax.Expr
		needs  []*bind.Source // those that stand on the other side of its conditions
		marked bool
		placed bool
	}
	sources := map[*bind.Source]*source{}
	var order []*source
	for _, t := range n.From.Tables {
		src := c.SourceAt(t)
		if src == nil {
			c.stop(t, "a join beside (+)")
		}
		s := &source{table: t}
		sources[src] = s
		order = append(order, s)
	}
	for _, x := range syntax.AppendConjuncts(nil, n.Where.Cond) {
		marked, others := c.markedIn(x)
		if len(marked) == 0 {
			rest = append(rest, x)
			continue
		}
		s := sources[marked[0]]
		if len(marked) > 1 || s == nil || slices.Contains(others, marked[0]) {
			c.stop(x, "this (+)")
		}
		s.marked, s.on, s.needs = true, append(s.on, x), append(s.needs, others...)
	}
	stand := func(s *source) {
		reach := c.reach
		c.reach = 1 << 30
		plan, mid, to := c.table(s.table)
		correlated := c.reach <= c.scope.level
		c.reach = min(c.reach, reach)
		s.placed = true
		if all == nil {
			all = plan
			return
		}
		j := &join{kind: syntax.CrossJoin, left: all, right: plan, mid: mid, to: to, keyMemo: c.memo(), rightCorrelated: correlated, stage: c.stage(JoinStage, s.table, n)}
		if s.marked {
			j.kind = syntax.LeftJoin
			var on []cond
			for _, x := range s.on {
				on = append(on, c.cond(x))
			}
			j.on = anyOf(on, False)
		}
		all = j
	}
	for _, s := range order {
		if !s.marked {
			stand(s)
		}
	}
	for range order {
		for _, s := range order {
			if !s.placed && all != nil && !slices.ContainsFunc(s.needs, func(src *bind.Source) bool { return sources[src] != nil && !sources[src].placed }) {
				stand(s)
			}
		}
	}
	if slices.ContainsFunc(order, func(s *source) bool { return !s.placed }) {
		c.stop(n.Where, "(+) in a circle")
	}
	slices.SortFunc(c.scope.sources, func(a, b place) int { return int(a.source.Node.Span().Start) - int(b.source.Node.Span().Start) })
	return all, rest
}

// markedIn gives the sources whose columns a condition marks with (+), and those of its other columns.
func (c *compiler) markedIn(x syntax.Expr) (marked, others []*bind.Source) {
	var look func(n syntax.Node, list *[]*bind.Source)
	look = func(n syntax.Node, list *[]*bind.Source) {
		syntax.Inspect(n, func(n syntax.Node) bool {
			switch n := n.(type) {
			case *syntax.OuterMark:
				look(n.X, &marked)
				return false
			case *syntax.Name:
				if u := c.Use(n); u.Source != nil && !slices.Contains(*list, u.Source) {
					*list = append(*list, u.Source)
				}
			}
			return true
		})
	}
	look(x, &others)
	return marked, others
}

// rownum compiles ROWNUM: the number that a row gets when it has passed the other conditions (Oracle
// 19c, "ROWNUM Pseudocolumn").
func (c *compiler) rownum(n *syntax.Name) eval {
	sc := c.scope
	if sc == nil || sc.grouped && !sc.inAggregate {
		c.stop(n, "ROWNUM here")
	}
	if sc.rownum == 0 {
		sc.width++
		sc.rownum = sc.width
	}
	slot := sc.rownum - 1
	return func(f *frame) Value { return f.row[slot] }
}

// names reports whether an expression names ROWNUM of the query at hand.
func (c *compiler) namesRownum(x syntax.Node) (found bool) {
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Query:
			return false
		case *syntax.Name:
			found = found || c.isRownum(n)
		}
		return true
	})
	return found
}

func (c *compiler) isRownum(n *syntax.Name) bool {
	return c.Dialect == dialect.Oracle && len(n.Parts) == 1 && word.Word(n.Last().Sym) == word.Rownum && c.Use(n).Status == bind.Builtin
}

// lastRownum puts the conditions on ROWNUM behind the others, whose rows it numbers.
func (c *compiler) lastRownum(conditions []syntax.Expr) []syntax.Expr {
	if c.Dialect == dialect.Oracle {
		slices.SortStableFunc(conditions, func(a, b syntax.Expr) int {
			return order(asInt(c.namesRownum(a)), asInt(c.namesRownum(b)))
		})
	}
	return conditions
}

func asInt(b bool) int64 {
	if b {
		return 1
	}
	return 0
}

// numbering numbers the rows that pass WHERE.
type numbering struct {
	passed, failed int
}

// pass tests a row as the next one.
func (n *numbering) pass(f *frame, p *selectPlan) bool {
	f.row[p.scope.rownum-1] = OfInt(int64(n.passed + 1))
	if !passes(f, p.where[:p.unnumbered]) {
		return false
	}
	if passes(f, p.where[p.unnumbered:]) {
		n.passed++
		return true
	}
	n.failed++
	return false
}

// settle tells that which rows have which number is open, unless a sorted derived table gave them.
func (n *numbering) settle(f *frame, p *selectPlan) {
	if n.passed > 0 && (n.failed > 0 || p.showsRownum && n.passed > 1) && (!p.sorted || f.run.loose) {
		f.run.open = true
	}
}

// isSorted reports whether the rows of FROM come in an order that Oracle keeps for ROWNUM: those of one
// derived table with ORDER BY.
func isSorted(n *syntax.From) bool {
	if n == nil || len(n.Tables) != 1 {
		return false
	}
	d, ok := n.Tables[0].(*syntax.Derived)
	return ok && d.Query.OrderBy != nil
}
