package run

import (
	"slices"
	"strconv"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// groupPlan makes groups of rows.
type groupPlan struct {
	keys  []eval
	sets  [][]bool // which keys count, for each grouping set; nil without sets
	scope *scope
	whole bool // without GROUP BY: one group of all rows
	stage *Stage
}

// group is a group of rows while it is made.
type group struct {
	row    []Value
	keys   []Value
	states []*state
	bare   []bareState
	set    int
	size   int
}

type bareState struct {
	first Value
	any   bool
	loose bool // rows of the group have different values
}

func (c *compiler) group(n *syntax.Select) *groupPlan {
	p := &groupPlan{scope: c.scope, whole: n.GroupBy == nil}
	if n.GroupBy != nil {
		if n.GroupBy.All {
			c.stop(n.GroupBy, "GROUP BY ALL")
		}
		sets := [][]int{{}}
		for _, x := range n.GroupBy.Items {
			sets = crossed(sets, c.setsOf(n, p, x))
			if len(sets) > mostSets {
				c.stop(n.GroupBy, "so many grouping sets")
			}
		}
		if n.GroupBy.Sets {
			p.sets = c.chosenSets(n, p, sets)
		}
		c.scope.extras = len(p.keys)
	}
	p.stage = c.stage(GroupStage, n, n)
	return p
}

// mostSets bounds how many grouping sets a GROUP BY has.
const mostSets = 128

// crossed joins each set of keys with each (SQL standard, "group by clause").
func crossed(a, b [][]int) (sets [][]int) {
	for _, x := range a {
		for _, y := range b {
			sets = append(sets, slices.Concat(x, y))
		}
	}
	return sets
}

// setsOf gives the sets of keys that an item of GROUP BY stands for, and adds its keys: one of itself, a
// row's all together, those of ROLLUP, CUBE and GROUPING SETS.
func (c *compiler) setsOf(n *syntax.Select, p *groupPlan, x syntax.Expr) (sets [][]int) {
	switch g := syntax.Unparen(x).(type) {
	case *syntax.Row:
		var keys []int
		for _, x := range g.Items {
			keys = append(keys, c.addKey(p, c.keyOf(n, x)))
		}
		return [][]int{keys}
	case *syntax.GroupingSet:
		var items [][][]int
		for _, x := range g.Items {
			items = append(items, c.setsOf(n, p, x))
		}
		switch words := strings.ToLower(c.Text(g)); {
		case strings.HasPrefix(words, "("):
			return [][]int{{}}
		case strings.HasPrefix(words, "grouping"):
			return slices.Concat(items...)
		case strings.HasPrefix(words, "rollup"):
			for k := len(items); k >= 0; k-- {
				sets = append(sets, joinedKeys(items[:k]))
			}
			return sets
		case strings.HasPrefix(words, "cube") && len(items) < 7:
			for bits := (1 << len(items)) - 1; bits >= 0; bits-- {
				var some [][][]int
				for i, item := range items {
					if bits>>i&1 == 1 {
						some = append(some, item)
					}
				}
				sets = append(sets, joinedKeys(some))
			}
			return sets
		}
		c.stop(g, "this grouping set")
	case *syntax.Call:
		if name := c.FunctionName(g); name == "rollup" || name == "cube" {
			c.stop(g, "%s", strings.ToUpper(name))
		}
	}
	return [][]int{{c.addKey(p, c.keyOf(n, x))}}
}

// joinedKeys gives the keys of items of ROLLUP or CUBE together.
func joinedKeys(items [][][]int) (keys []int) {
	for _, item := range items {
		keys = append(keys, item[0]...)
	}
	return keys
}

// chosenSets tells for each set which keys count.
func (c *compiler) chosenSets(n *syntax.Select, p *groupPlan, sets [][]int) (chosen [][]bool) {
	if len(sets) == 1 { // WITH ROLLUP behind the keys
		if !strings.HasSuffix(c.word(n.GroupBy.Span()), "rollup") {
			if !strings.Contains(c.word(n.GroupBy.Span()), "grouping") {
				c.stop(n.GroupBy, "this GROUP BY")
			}
		} else {
			keys := sets[0]
			if len(keys) > len(p.keys) {
				c.stop(n.GroupBy, "a key that is given twice") // MariaDB fills one of them with what it has at hand
			}
			sets = nil
			for k := len(keys); k >= 0; k-- {
				sets = append(sets, keys[:k])
			}
		}
	}
	for _, keys := range sets {
		set := make([]bool, len(p.keys))
		for _, k := range keys {
			set[k] = true
		}
		chosen = append(chosen, set)
	}
	return chosen
}

func (c *compiler) addKey(p *groupPlan, x syntax.Expr) int {
	for i, k := range c.scope.keys {
		if c.Same(k, x) && !c.mergedOnce(syntax.Unparen(k), syntax.Unparen(x)) {
			return i
		}
	}
	p.keys = append(p.keys, c.expr(x))
	c.scope.keys = append(c.scope.keys, x)
	return len(p.keys) - 1
}

// keyOf gives what an item of GROUP BY stands for: a position or alias of the list, or itself.
func (c *compiler) keyOf(n *syntax.Select, x syntax.Expr) syntax.Expr {
	switch k := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		if at, err := strconv.Atoi(c.Text(k)); err == nil && k.Lit == syntax.NumberLiteral && c.Dialect.Has(dialect.GroupByPosition) {
			if at < 1 || at > len(n.Items) {
				c.stop(k, "this position")
			}
			for _, item := range n.Items[:at] {
				if _, star := item.X.(*syntax.Star); star {
					c.stop(k, "a position behind a star")
				}
			}
			return n.Items[at-1].X
		}
	case *syntax.Name:
		if u := c.Use(k); u.Status == bind.OutputAlias && u.Item != nil {
			return u.Item.X
		}
	}
	return x
}

// groupKey gives the value of an expression that is a key of GROUP BY, nil if it is none.
func (c *compiler) groupKey(x syntax.Expr) eval {
	x = syntax.Unparen(x)
	for i, k := range c.scope.keys {
		if c.Same(syntax.Unparen(k), x) && !c.mergedOnce(syntax.Unparen(k), x) {
			if _, constant := x.(*syntax.Literal); constant {
				return nil
			}
			return func(f *frame) Value { return f.extra[i] }
		}
	}
	return nil
}

// mergedOnce reports whether of two names one is the column that a join made of two, and the
// other one of these.
func (c *compiler) mergedOnce(x, y syntax.Expr) bool {
	a, ok := x.(*syntax.Name)
	b, also := y.(*syntax.Name)
	return ok && also && len(a.Parts) != len(b.Parts) && slices.ContainsFunc(c.scope.merged, func(m mergedColumn) bool { return m.sym == a.Last().Sym })
}

// bareColumn gives a column behind GROUP BY: a key, or the value of any row of the group.
func (c *compiler) bareColumn(owner *scope, slot int) eval {
	for i, k := range owner.keys {
		name, ok := syntax.Unparen(k).(*syntax.Name)
		if !ok {
			continue
		}
		if u := c.Use(name); u.Status == bind.Resolved {
			for _, p := range owner.sources {
				if p.source == u.Source && p.at+u.Source.Place(u.Column) == slot {
					return func(f *frame) Value { return f.extra[i] }
				}
			}
		}
	}
	for _, b := range owner.bare {
		if b.from == slot {
			at := b.slot
			return func(f *frame) Value { return f.extra[at] }
		}
	}
	b := &aggregate{from: slot, slot: owner.extras}
	owner.bare = append(owner.bare, b)
	owner.extras++
	at := b.slot
	return func(f *frame) Value { return f.extra[at] }
}

// run makes the groups of the rows that filter lets through, and passes them on.
func (p *groupPlan) run(f *frame, filter func(func(*frame)), pass func(*frame)) {
	r := f.run.plan.rules
	byKey := map[string]*group{}
	var groups []*group
	var buffer []byte
	fresh := func(set int) *group {
		g := &group{keys: make([]Value, len(p.keys)), states: make([]*state, len(p.scope.aggs)), bare: make([]bareState, len(p.scope.bare)), set: set}
		for i := range g.states {
			g.states[i] = &state{}
		}
		groups = append(groups, g)
		f.run.hold(len(groups))
		return g
	}
	sets := p.sets
	if sets == nil {
		sets = [][]bool{nil}
	}
	if p.whole {
		byKey[""] = fresh(0)
	}
	keys := make([]Value, len(p.keys))
	filter(func(f *frame) {
		f.tell(p.stage, Grouped, f.row)
		for i, k := range p.keys {
			keys[i] = k(f)
		}
		for number, set := range sets {
			buffer = buffer[:0]
			if len(sets) > 1 {
				buffer = append(buffer, byte(number))
			}
			for i, v := range keys {
				if set == nil || set[i] {
					buffer = r.appendKey(buffer, v)
				}
			}
			g := byKey[string(buffer)]
			if g == nil {
				g = fresh(number)
				byKey[string(buffer)] = g
			}
			p.take(g, f, keys, set)
		}
	})
	for number, set := range p.sets { // a set without keys has a group of no rows, too
		if !slices.Contains(set, true) && !slices.ContainsFunc(groups, func(g *group) bool { return g.set == number }) && (r.isPostgres() || r.dialect == dialect.SQLServer) {
			fresh(number)
		}
	}
	for _, g := range groups {
		p.give(g, f, pass)
	}
}

// take puts a row into a group.
func (p *groupPlan) take(g *group, f *frame, keys []Value, set []bool) {
	if g.size++; g.size == 1 {
		g.row = slices.Clone(f.row)
		for i, v := range keys {
			if set == nil || set[i] {
				g.keys[i] = v
			}
		}
	} else {
		for i, v := range keys {
			if (set == nil || set[i]) && v.Kind == Text && v.s != g.keys[i].s {
				f.run.open = true // alike but for letter case
			}
		}
	}
	picked := 0
	for i, a := range p.scope.aggs {
		a.add(g.states[i], f)
		if a.picks && g.states[i].changed {
			picked++
		}
	}
	picking := 0
	for _, a := range p.scope.aggs {
		if a.picks {
			picking++
		}
	}
	for i, b := range p.scope.bare {
		if b.from < 0 {
			continue
		}
		s, v := &g.bare[i], f.row[b.from]
		switch {
		case picking == 1: // SQLite takes them from the row of the MIN or MAX
			if picked == 1 || !s.any {
				s.first, s.any = v, true
			}
		case !s.any:
			s.first, s.any = v, true
		case !v.Same(s.first):
			s.loose = true
		}
	}
}

// give passes a group on as a row.
func (p *groupPlan) give(g *group, f *frame, pass func(*frame)) {
	out := &frame{run: f.run, up: f.up, row: g.row, extra: make([]Value, p.scope.extras)}
	if out.row == nil {
		out.row = make([]Value, p.scope.width)
	}
	copy(out.extra, g.keys)
	for i, a := range p.scope.aggs {
		out.extra[a.slot] = a.result(g.states[i], f.run)
	}
	for i, b := range p.scope.bare {
		if b.from < 0 {
			out.extra[b.slot] = OfInt(int64(g.set))
			continue
		}
		out.extra[b.slot] = g.bare[i].first
		if g.bare[i].loose {
			f.run.open = true
		}
	}
	f.tell(p.stage, Kept, out.row)
	pass(out)
}
