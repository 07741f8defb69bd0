package run

import (
	"slices"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// writePlan gives the rows that UPDATE or DELETE would touch: what tells them apart, and of UPDATE
// the values that they would get.
type writePlan struct {
	*selectPlan
	keys int // the first outputs, which tell the rows apart; 0 where nothing does
}

// write compiles an UPDATE or DELETE as the query of the rows that it would touch.
func (c *compiler) write(n syntax.Stmt) *queryPlan {
	if merge, ok := n.(*syntax.Merge); ok {
		return c.merge(merge)
	}
	var with *syntax.With
	var tables []syntax.TableExpr
	var where *syntax.Where
	var set []*syntax.Assign
	var target syntax.TableExpr
	var by *syntax.OrderBy
	var limit *syntax.Limit
	switch n := n.(type) {
	case *syntax.Update:
		with, where, set, target, by, limit = n.With, n.Where, n.Set, n.Table, n.OrderBy, n.Limit
		if !c.isBehindFrom(n.Table, n.From) {
			tables = append(tables, n.Table)
		}
		if n.From != nil {
			tables = append(tables, n.From.Tables...)
		}
	case *syntax.Delete:
		by, limit = n.OrderBy, n.Limit
		if len(n.Targets) > 1 || n.From == nil || len(n.From.Tables) == 0 {
			c.stop(n, "a DELETE like this")
		}
		with, where, target = n.With, n.Where, n.From.Tables[0]
		if len(n.Targets) == 1 {
			target = n.Targets[0]
		}
		tables = n.From.Tables
		if n.Using != nil {
			tables = append(slices.Clone(tables), n.Using.Tables...)
		}
	default:
		c.stop(n, "this statement")
	}
	bound := c.Scope(n)
	if bound == nil {
		c.stop(n, "this statement")
	}
	c.with(with)
	sc := &scope{bound: bound, level: 1}
	c.scope = sc
	defer func() { c.scope = nil }()
	p := &writePlan{selectPlan: &selectPlan{scope: sc}}
	p.from = c.cross(tables)
	at, ok := c.assignedTo(set)
	if !ok {
		at = c.targetOf(target)
	}
	if where != nil {
		c.where(p.selectPlan, syntax.AppendConjuncts(nil, where.Cond), nil)
	}
	t := at.source.SchemaTable()
	if t == nil {
		c.stop(target, "this target")
	}
	c.touched(p, at, t)
	for _, a := range set {
		c.assigned(p, at, t, a)
	}
	p.list = c.stage(ListStage, n, nil)
	plan := &queryPlan{body: p, columns: p.outputs}
	if by != nil {
		plan.order = c.orderKeys(by, p.selectPlan)
		plan.orderStage = c.stage(OrderStage, by, nil)
	}
	if c.limit(plan, limit); plan.limit != nil {
		plan.limitStage = c.stage(LimitStage, limit, nil)
	}
	return plan
}

// isBehindFrom reports whether the target of an UPDATE is an alias that its FROM gives (SQL
// Server, "UPDATE").
func (c *compiler) isBehindFrom(target syntax.TableExpr, from *syntax.From) bool {
	t, ok := target.(*syntax.TableRef)
	return ok && from != nil && c.Dialect.Has(dialect.TargetBehindFrom) && c.SourceAt(t) == nil
}

// assignedTo gives the place of the only table of several whose columns an UPDATE of MySQL sets.
func (c *compiler) assignedTo(set []*syntax.Assign) (at place, ok bool) {
	if !c.rules.isMySQL() || len(c.scope.sources) < 2 {
		return place{}, false
	}
	for _, a := range set {
		name, isName := syntax.Unparen(a.Target).(*syntax.Name)
		if !isName {
			c.stop(a, "this assignment")
		}
		var of []place
		for _, p := range c.scope.sources {
			if len(name.Parts) > 1 && p.source.Name.Sym == name.Parts[len(name.Parts)-2].Sym || len(name.Parts) == 1 && slices.Contains(p.source.ColumnSyms(), name.Last().Sym) {
				of = append(of, p)
			}
		}
		if len(of) != 1 || at.source != nil && at.source != of[0].source {
			c.stop(a, "a statement that writes to several tables")
		}
		at = of[0]
	}
	return at, at.source != nil
}

// targetOf gives the place of the table that is written to.
func (c *compiler) targetOf(target syntax.TableExpr) place {
	ref, ok := target.(*syntax.TableRef)
	if !ok {
		c.stop(target, "a statement that writes to several tables")
	}
	src := c.SourceAt(ref)
	for _, p := range c.scope.sources {
		if p.source == src && src != nil {
			return p
		}
	}
	for _, p := range c.scope.sources {
		if len(ref.Name) == 1 && p.source.Name.Sym == ref.Name[0].Sym {
			return p
		}
	}
	c.stop(target, "this target")
	return place{}
}

// touched adds the columns that tell the rows of the target apart.
func (c *compiler) touched(p *writePlan, at place, t *schema.Table) {
	keys := t.PrimaryKey()
	p.keys = len(keys)
	if p.keys == 0 {
		if len(c.scope.sources) > 1 {
			c.stop(at.source.Node, "a join with a table without a key")
		}
		for i := range t.Columns {
			keys = append(keys, i)
		}
	}
	syms := at.source.ColumnSyms()
	for _, k := range keys {
		c.use(at.source, k)
		slot := at.at + k
		p.outputs = append(p.outputs, output{sym: syms[k], value: func(f *frame) Value { return f.row[slot] }})
	}
}

// assigned adds the value that a column would get.
func (c *compiler) assigned(p *writePlan, at place, t *schema.Table, a *syntax.Assign) {
	name, ok := syntax.Unparen(a.Target).(*syntax.Name)
	if !ok {
		c.stop(a, "this assignment")
	}
	column := t.Column(c.Names.String(name.Last().Sym))
	if column < 0 {
		c.stop(a, "this assignment")
	}
	value := c.as(a.Value, t.Columns[column].Type)
	typ, r := t.Columns[column].Type, c.rules
	p.outputs = append(p.outputs, output{sym: name.Last().Sym, value: func(f *frame) Value {
		v := value(f)
		f.run.at = a
		if v.IsNull() {
			return v
		}
		return r.held(v, typ)
	}})
}

// rows gives each touched row once; where a join gives it several values, which of them it gets is
// open.
func (p *writePlan) rows(base *frame) (rows [][]Value) {
	all := p.selectPlan.rows(base)
	if p.keys == 0 {
		return all
	}
	first := map[string][]Value{}
	for _, row := range all {
		key := RowKey(row[:p.keys])
		if other, ok := first[key]; ok {
			if !slices.EqualFunc(other, row, Value.Same) {
				base.run.open = true
			}
			continue
		}
		first[key] = row
		rows = append(rows, row)
	}
	return rows
}
