package writes

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var caseErases = &check.Check{
	ID:       "write.case-erases",
	Title:    "SET by a CASE without ELSE",
	Doc:      "A CASE without ELSE is NULL where no WHEN holds. In SET that erases the column in all rows the CASE does not speak of. ELSE with the column itself leaves them as they are.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "UPDATE queens SET colour = CASE WHEN bred_in = 2025 THEN 'blue' WHEN bred_in = 2026 THEN 'white' END",
		Good: "UPDATE queens SET colour = CASE WHEN bred_in = 2025 THEN 'blue' WHEN bred_in = 2026 THEN 'white' ELSE colour END",
		Near: []string{
			"UPDATE queens SET colour = CASE WHEN bred_in = 2025 THEN 'blue' ELSE colour END",
			"UPDATE queens SET colour = CASE WHEN bred_in = 2025 THEN 'blue' WHEN bred_in = 2026 THEN 'white' END WHERE bred_in IN (2025, 2026)",
			"UPDATE queens SET colour = COALESCE(CASE WHEN bred_in = 2025 THEN 'blue' END, colour)",
		},
	}},
	On: check.Nodes(runCaseErases),
}

func runCaseErases(p *check.Pass, a *syntax.Assign) {
	c, ok := syntax.Unparen(a.Value).(*syntax.Case)
	if a.Value == nil || !ok || c.Else != nil || len(c.Whens) == 0 {
		return
	}
	update, ok := p.Parent(a).(*syntax.Update)
	target, plain := a.Target.(*syntax.Name)
	if !ok || !plain || update.From != nil {
		return
	}
	certainty := check.Likely
	if !p.IsLone() {
		certainty = check.Possible // a script may fill a column that it has just added
	}
	f := check.Finding{Span: c.Span(), Context: a.Span(), Certainty: certainty,
		Message: fmt.Sprintf("%s becomes NULL in all rows of which no WHEN holds", p.Brief(target)),
		Why:     "A CASE without ELSE is NULL there.",
	}
	if update.Where != nil {
		if speaksOf(p, update.Where.Cond, c) {
			return // WHERE keeps the other rows away
		}
		f.Certainty = check.Possible
		f.Message = fmt.Sprintf("%s becomes NULL in the rows that pass WHERE and of which no WHEN holds", p.Brief(target))
	}
	last := c.Whens[len(c.Whens)-1]
	f.Mends = []check.Mend{{Title: "leave the others as they are", Effect: check.NewRows,
		Edits: []text.Edit{check.Insert(last.Span().End, p.Break(last.Span().Start, "")+p.Word(c.Span().Start, "ELSE")+" "+p.Text(target))}}}
	p.Report(f)
}

// speaksOf reports whether a condition names a column that a CASE asks about.
func speaksOf(p *check.Pass, cond syntax.Expr, c *syntax.Case) bool {
	var asked []*syntax.Name
	note := func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			asked = append(asked, name)
		}
		return len(asked) < 20
	}
	if c.Operand != nil {
		syntax.Inspect(c.Operand, note)
	}
	for _, w := range c.Whens {
		syntax.Inspect(w.Cond, note)
	}
	found := false
	syntax.Inspect(cond, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			found = found || slices.ContainsFunc(asked, func(x *syntax.Name) bool { return p.Same(x, name) })
		}
		return !found
	})
	return found || len(asked) >= 20
}

var subqueryErases = &check.Check{
	ID:    "write.subquery-erases",
	Title: "SET by a subquery that may find nothing",
	Doc: "A subquery that finds no row is NULL. UPDATE … SET x = (SELECT …) without WHERE sets x in every row, and erases it in those the subquery has nothing for. WHERE EXISTS with the same " +
		"subquery changes only the others.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "UPDATE queens SET colour = (SELECT MAX(d.colour) FROM queens d WHERE d.mother_id = queens.queen_id)",
		Good: "UPDATE queens SET colour = (SELECT MAX(d.colour) FROM queens d WHERE d.mother_id = queens.queen_id) WHERE EXISTS (SELECT 1 FROM queens d WHERE d.mother_id = queens.queen_id)",
		Near: []string{
			"UPDATE queens SET colour = (SELECT MAX(d.colour) FROM queens d WHERE d.mother_id = queens.queen_id) WHERE EXISTS (SELECT 1 FROM queens d WHERE d.mother_id = queens.queen_id)",
			"UPDATE hives SET frame_count = (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = hives.hive_id)",
			"UPDATE hives SET keeper_id = (SELECT a.keeper_id FROM apiaries a WHERE a.apiary_id = hives.apiary_id)",
			"UPDATE queens SET colour = COALESCE((SELECT MAX(d.colour) FROM queens d WHERE d.mother_id = queens.queen_id), colour)",
		},
	}, {
		Bad:  "UPDATE hives SET moved_on = (SELECT i.treated_on FROM treatments i WHERE i.treatment_id = hives.hive_id)",
		Good: "UPDATE hives SET moved_on = (SELECT i.treated_on FROM treatments i WHERE i.treatment_id = hives.hive_id) WHERE EXISTS (SELECT 1 FROM treatments i WHERE i.treatment_id = hives.hive_id)",
	}},
	On: check.Nodes(runSubqueryErases),
}

func runSubqueryErases(p *check.Pass, a *syntax.Assign) {
	if a.Value == nil {
		return
	}
	s, ok := syntax.Unparen(a.Value).(*syntax.Subquery)
	if !ok {
		return
	}
	update, ok := p.Parent(a).(*syntax.Update)
	sel := s.Query.Select()
	if !ok || sel == nil || update.Where != nil || update.From != nil || sel.From == nil || sel.Where == nil || len(sel.Items) != 1 || sel.GroupBy != nil {
		return
	}
	if p.Nullable(s) == facts.No || !isCorrelated(p, update, s.Query) || findsParent(p, update, sel) {
		return
	}
	f := check.Finding{Span: s.Span(), Context: update.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s becomes NULL in every row for which the subquery finds nothing", p.Brief(a.Target)),
		Why:     "A subquery without a row is NULL, and without WHERE every row is changed.",
	}
	if !p.IsLone() && !p.Aggregates(sel) {
		f.Certainty = check.Possible // a script may fill a column that it has just added
	}
	if len(update.Set) == 1 && update.Returning == nil && s.Query.With == nil && s.Query.Limit == nil && sel.Having == nil && sel.Top == nil {
		start := sel.From.Span().Start
		exists := p.Word(start, "WHERE") + " " + p.Word(start, "EXISTS") + " (" + p.Word(start, "SELECT") + " 1 " + p.Text(sel.From) + " " + p.Text(sel.Where) + ")"
		f.Mends = []check.Mend{{Title: "change only the rows for which it finds something", Effect: check.NewRows,
			Edits: []text.Edit{check.Insert(a.Span().End, p.Break(update.Set[0].Span().Start, "")+exists)}}}
	} else {
		f.Mends = []check.Mend{{Title: "add WHERE EXISTS with the same subquery", Effect: check.ByHand}}
	}
	p.Report(f)
}

// isCorrelated reports whether a subquery names a column of the row that is changed.
func isCorrelated(p *check.Pass, update *syntax.Update, q *syntax.Query) (found bool) {
	scope := p.Scope(update)
	syntax.Inspect(q, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			u := p.Use(name)
			found = found || u.Source != nil && u.Source.Scope == scope
		}
		return !found
	})
	return found
}

// findsParent reports whether a subquery asks for the one row that a foreign key of the row leads
// to, which is always there.
func findsParent(p *check.Pass, update *syntax.Update, sel *syntax.Select) bool {
	scope := p.Scope(update)
	b, ok := syntax.Unparen(sel.Where.Cond).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual || len(p.Scope(sel).Sources) != 1 || p.Schema == nil {
		return false
	}
	for _, sides := range [...][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
		child, x := columnOf(p, sides[0])
		parent, y := columnOf(p, sides[1])
		if child == nil || parent == nil || child.Scope != scope || parent.Scope == scope {
			continue
		}
		t, to := child.SchemaTable(), parent.SchemaTable()
		key := to.PrimaryKey()
		if len(key) == 1 && key[0] == y && t.IsRequired(x, p.Dialect) && p.Numbered(t, x) == to {
			return true
		}
	}
	return false
}

// columnOf gives the source and the place of a column of a known table, nil if it is none.
func columnOf(p *check.Pass, x syntax.Expr) (*bind.Source, int) {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return nil, -1
	}
	u := p.Use(n)
	if u.Status != bind.Resolved || u.Source.SchemaTable() == nil || u.Column.Index < 0 {
		return nil, -1
	}
	return u.Source, u.Column.Index
}

var joinMany = &check.Check{
	ID:    "write.join-many",
	Title: "UPDATE from a table that has several rows for one of the target",
	Doc: "UPDATE … FROM joins each row of the target with rows of another table. Where several meet one, the new value is that of any of them, and the database does not say which. " +
		"Aggregate the other table first, so that each row meets one.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "UPDATE hives SET moved_on = g.taken_on FROM harvests g WHERE g.hive_id = hives.hive_id",
		Good:    "UPDATE hives SET moved_on = g.last FROM (SELECT hive_id, MAX(taken_on) AS last FROM harvests GROUP BY hive_id) AS g WHERE g.hive_id = hives.hive_id",
		Near: []string{
			"UPDATE hives SET keeper_id = a.keeper_id FROM apiaries a WHERE a.apiary_id = hives.apiary_id",
			"UPDATE hives SET moved_on = g.taken_on FROM harvests g WHERE g.hive_id = hives.hive_id AND g.harvest_id = 7",
			"UPDATE hives SET moved_on = '2026-05-01' FROM harvests g WHERE g.hive_id = hives.hive_id",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "MERGE buyers AS b USING keepers AS k ON k.village = b.village WHEN MATCHED THEN UPDATE SET name = k.name;",
		Near: []string{
			"MERGE buyers AS b USING keepers AS k ON k.keeper_id = b.keeper_id WHEN MATCHED THEN UPDATE SET name = k.name;",
			"MERGE buyers AS b USING keepers AS k ON k.village = b.village WHEN NOT MATCHED THEN INSERT (buyer_id, name) VALUES (k.keeper_id, k.name);",
		},
	}},
	On: check.Nodes(runJoinMany).With(facts.Several).And(check.Nodes(runMergeMany)),
}

// runMergeMany looks at a MERGE of which several rows of the source may meet one of the target.
func runMergeMany(p *check.Pass, n *syntax.Merge) {
	changes := slices.ContainsFunc(n.Branches, func(b *syntax.MergeBranch) bool { return b.Matched && (b.Delete || len(b.Set) > 0) })
	scope := p.Scope(n)
	if !changes || scope == nil || len(scope.Sources) != 2 || n.On == nil {
		return
	}
	s := scope.Sources[1]
	if t := s.SchemaTable(); t == nil || t.IsView || len(t.Keys) == 0 || !p.Tells(n) || !manyMeet(p, s, nil, []syntax.Expr{n.On}) {
		return
	}
	target := p.SourceName(scope.Sources[0])
	p.Report(check.Finding{
		Span: n.On.Span(), Context: n.Span(), Certainty: check.Likely, Verdicts: check.Everywhere(check.Refused),
		Message: fmt.Sprintf("a row of %s may meet several of %s, and MERGE changes it once only", target, p.SourceName(s)),
		Why:     "No key of the source is tied. At the second row the statement stops with an error.",
		Related: []check.Related{{Span: s.Node.Span(), Message: "several rows of this may meet one"}},
		Mends:   []check.Mend{{Title: fmt.Sprintf("tie a key of %s, or aggregate it first", p.SourceName(s)), Effect: check.ByHand}},
	})
}

func runJoinMany(p *check.Pass, n *syntax.Update) {
	scope := p.Scope(n)
	if len(scope.Sources) > facts.MaxSources {
		return
	}
	for _, a := range n.Set {
		name, ok := syntax.Unparen(a.Value).(*syntax.Name)
		if !ok {
			continue
		}
		s, _ := columnOf(p, name)
		if s == nil || s == scope.Sources[0] || s.Scope != scope || s.SchemaTable().IsView || len(s.SchemaTable().Keys) == 0 || !manyMeet(p, s, tablesOf(n), conditionsOf(n)) {
			continue
		}
		p.Report(check.Finding{
			Span: a.Span(), Context: n.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("a row of %s may meet several of %s, and takes %s of any of them", p.SourceName(scope.Sources[0]), p.SourceName(s), p.Brief(name)),
			Why:     "No key of the other table is tied, and the database does not say which row comes last.",
			Related: []check.Related{{Span: s.Node.Span(), Message: "several rows of this may meet one"}},
			Mends:   []check.Mend{{Title: fmt.Sprintf("aggregate %s first, in a derived table of one row for each key", p.SourceName(s)), Effect: check.ByHand}},
		})
		return
	}
}

func tablesOf(n *syntax.Update) []syntax.Node {
	if n.From == nil {
		return []syntax.Node{n.Table}
	}
	return []syntax.Node{n.Table, n.From}
}

func conditionsOf(n *syntax.Update) []syntax.Expr {
	if n.Where == nil {
		return nil
	}
	return []syntax.Expr{n.Where.Cond}
}

// isPlain reports whether a value is a column or a constant.
func isPlain(x syntax.Expr) bool {
	k := syntax.Unparen(x).Kind()
	return k == syntax.KindName || k == syntax.KindLiteral || k == syntax.KindParam
}

// manyMeet reports whether all that is asked of a source are equalities of columns, and no key of
// it is among them.
func manyMeet(p *check.Pass, s *bind.Source, tables []syntax.Node, conditions []syntax.Expr) bool {
	tied, plain := map[int]bool{}, true
	visit := func(c syntax.Expr) {
		named, ok := p.NamedIn(s.Scope, c)
		if !named.Has(s) && ok {
			return
		}
		b, binary := syntax.Unparen(c).(*syntax.Binary)
		if !ok || !binary || b.Op != syntax.OpEqual {
			plain = false
			return
		}
		x, i := columnOf(p, b.X)
		y, k := columnOf(p, b.Y)
		switch {
		case x == s && y != s && isPlain(b.Y):
			tied[i] = true
		case y == s && x != s && isPlain(b.X):
			tied[k] = true
		default:
			plain = false
		}
	}
	using := false
	for _, t := range tables {
		syntax.Inspect(t, func(n syntax.Node) bool {
			if j, ok := n.(*syntax.Join); ok {
				using = using || len(j.Using) > 0 || j.Natural
				syntax.Conjuncts(j.On, visit)
			}
			return n.Kind() != syntax.KindQuery
		})
	}
	for _, c := range conditions {
		syntax.Conjuncts(c, visit)
	}
	return plain && !using && len(tied) > 0 && !s.SchemaTable().HasKeyOf(func(c int) bool { return tied[c] })
}
