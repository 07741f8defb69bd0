package run

import (
	"slices"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// mergePlan gives the rows that MERGE would touch: what it would do with each, and what its columns
// would hold.
type mergePlan struct {
	scope          *scope
	target, source tablePlan
	at             place // of the target
	behind         int   // where the columns of the source end
	on             cond
	branches       []mergeBranch
	statement      *syntax.Merge
	list           *Stage
}

// mergeBranch is one WHEN.
type mergeBranch struct {
	*syntax.MergeBranch
	cond   cond         // nil without
	values map[int]eval // by column of the target
}

// merge compiles a MERGE.
func (c *compiler) merge(n *syntax.Merge) *queryPlan {
	bound := c.Scope(n)
	if bound == nil || n.With != nil || n.Source == nil || n.On == nil {
		c.stop(n, "this MERGE")
	}
	sc := &scope{bound: bound, level: 1}
	c.scope = sc
	defer func() { c.scope = nil }()
	p := &mergePlan{scope: sc, statement: n}
	p.target, _, _ = c.table(n.Target)
	p.source, _, p.behind = c.table(n.Source)
	p.at = sc.sources[0]
	t := p.at.source.SchemaTable()
	if t == nil || t.IsView {
		c.stop(n.Target, "this target")
	}
	p.on = c.cond(n.On)
	for _, b := range n.Branches {
		p.branches = append(p.branches, c.mergeBranch(b, t))
	}
	p.list = c.stage(ListStage, n, nil)
	columns := make([]output, 1, 1+len(t.Columns)) // what is done stands first, and has no name
	for i, sym := range p.at.source.ColumnSyms() {
		c.use(p.at.source, i)
		columns = append(columns, output{sym: sym})
	}
	return &queryPlan{body: p, columns: columns}
}

func (c *compiler) mergeBranch(n *syntax.MergeBranch, t *schema.Table) mergeBranch {
	b := mergeBranch{MergeBranch: n, values: map[int]eval{}}
	if n.Cond != nil {
		b.cond = c.cond(n.Cond)
	}
	put := func(at syntax.Node, column int, x syntax.Expr) {
		if column < 0 || column >= len(t.Columns) {
			c.stop(at, "this column")
		}
		typ, r := t.Columns[column].Type, c.rules
		value := c.as(x, typ)
		b.values[column] = func(f *frame) Value {
			v := value(f)
			if v.IsNull() {
				return v
			}
			f.run.at = x
			return r.held(v, typ)
		}
	}
	for _, a := range n.Set {
		name, ok := syntax.Unparen(a.Target).(*syntax.Name)
		if !ok {
			c.stop(a, "this assignment")
		}
		put(a, t.Column(c.Names.String(name.Last().Sym)), a.Value)
	}
	if n.Values == nil {
		return b
	}
	for i, x := range n.Values.Items {
		column := i
		if len(n.Columns) > 0 {
			if i >= len(n.Columns) {
				c.stop(n, "values for more columns than there are")
			}
			column = t.Column(c.Names.String(n.Columns[i].Sym))
		}
		put(x, column, x)
	}
	for i, column := range t.Columns {
		if b.values[i] == nil && (column.Default != "" || column.Identity || column.Generated != "") {
			c.stop(n, "a column that the database fills")
		}
	}
	return b
}

// rows works the MERGE out.
func (p *mergePlan) rows(base *frame) (out [][]Value) {
	f := &frame{run: base.run, up: base.up, row: make([]Value, p.scope.width)}
	target, source := f.row[p.at.at:p.at.at+p.at.len], f.row[p.at.at+p.at.len:p.behind]
	var targets, sources [][]Value
	p.target.each(f, func() { targets = append(targets, slices.Clone(target)) })
	p.source.each(f, func() { sources = append(sources, slices.Clone(source)) })
	met, touched := make([]bool, len(targets)), make([]bool, len(targets))
	give := func(row []Value) {
		if row != nil {
			f.tell(p.list, Kept, row)
			out = append(out, row)
			f.run.hold(len(out))
		}
	}
	for _, s := range sources {
		copy(source, s)
		alone := true
		for i, t := range targets {
			f.run.step()
			copy(target, t)
			if p.on(f) != True {
				continue
			}
			alone, met[i] = false, true
			row := p.act(f, func(b *mergeBranch) bool { return b.Matched })
			if row != nil && touched[i] {
				panic(Refusal{What: "MERGE would change one row twice", Span: p.statement.Span()})
			}
			touched[i] = touched[i] || row != nil
			give(row)
		}
		if alone {
			clear(target)
			give(p.act(f, func(b *mergeBranch) bool { return !b.Matched && !b.BySource }))
		}
	}
	clear(source)
	for i, t := range targets {
		if copy(target, t); !met[i] {
			give(p.act(f, func(b *mergeBranch) bool { return b.BySource }))
		}
	}
	return out
}

// act gives what the first branch of a kind whose condition is true makes of the row of the frame,
// nil where none does anything.
func (p *mergePlan) act(f *frame, is func(*mergeBranch) bool) []Value {
	for i := range p.branches {
		b := &p.branches[i]
		if !is(b) || b.cond != nil && b.cond(f) != True {
			if is(b) && b.cond != nil && f.run.plan.rules.dialect == dialect.Oracle {
				return nil // its WHERE filters what the only branch does
			}
			continue
		}
		row := append([]Value{OfText("update")}, f.row[p.at.at:p.at.at+p.at.len]...)
		switch {
		case b.Delete:
			row[0] = OfText("delete")
			return row
		case b.Values != nil:
			row[0] = OfText("insert")
			clear(row[1:])
		case len(b.Set) == 0:
			return nil // DO NOTHING
		}
		for column, value := range b.values {
			row[1+column] = value(f)
		}
		return row
	}
	return nil
}
