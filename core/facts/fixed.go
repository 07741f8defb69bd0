package facts

import (
	"bytes"
	"slices"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// state tells what is known of a column in the rows in question.
type state uint8

const (
	varies state = iota
	same         // one value in all of them, NULL taken for one
	value        // one value, and not NULL
)

// Fixed tells, until the next statement is bound, of rows of a SELECT before it groups, what is one and the same in
// all of them given that some expressions, or the row of a source, are. What
// it affirms is proved by keys, equalities and constants; what it does not may
// hold all the same.
type Fixed struct {
	in     *Facts
	sel    *syntax.Select
	scope  *bind.Scope
	given  []syntax.Expr
	states []state // of the columns of all sources
	from   []int   // by source: where its columns begin among them
	rows   []bool  // by source
	solid  []bool  // by source: no outer join has put NULLs in the place of its row
	equal  []equality
	outer  []outerJoin
	known  int // how much has been marked so far
	depth  int
}

// equality is a condition x = y that all rows meet.
type equality struct {
	sides [2]side
}

// side is a side of an equality: a column of one of the sources, or another expression.
type side struct {
	x      syntax.Expr
	source *bind.Source // nil for no column
	place  int
	column *schema.Column // nil for none of a table whose columns are known
	// picks tells whether the other side's value picks this one's; asked of each once.
	asked, picks bool
}

// outerJoin is an outer join with the places of the sources on its two sides, and
// how much was known when it was last followed.
type outerJoin struct {
	*syntax.Join
	preserved, optional places
	tried               int
}

// places are those of the sources that a table expression is made of.
type places struct{ from, to int }

func (p places) has(i int) bool { return p.from <= i && i < p.to }

// Given tells what is fixed in the rows that agree in the expressions, NULL taken
// for one value.
func (in *Facts) Given(sel *syntax.Select, xs ...syntax.Expr) *Fixed {
	defer in.ask()()
	f := in.fixed(sel, 0)
	for _, x := range xs {
		f.give(x, same)
	}
	f.settle()
	return f
}

// GivenRows tells what is fixed in the rows that come from one row of each of some
// sources, and agree in the expressions.
func (in *Facts) GivenRows(sel *syntax.Select, sources []*bind.Source, xs ...syntax.Expr) *Fixed {
	defer in.ask()()
	f := in.fixed(sel, 0)
	for _, s := range sources {
		f.fix(s.Index)
		f.solid[s.Index] = true
		// A row of an optional side is there only where the join's condition holds.
		for _, j := range f.outer {
			if j.optional.has(s.Index) {
				syntax.Conjuncts(j.On, f.assume)
				in.passedJoins(j.optionalTable(), f.assume)
			}
		}
	}
	for _, x := range xs {
		f.give(x, same)
	}
	f.settle()
	return f
}

// Row reports whether all rows come from one row of the source, or none has any.
func (f *Fixed) Row(s *bind.Source) bool { return f.rows[s.Index] }

// Rows reports whether there is one row at most.
func (f *Fixed) Rows() bool {
	return !f.sel.Reshaped && !f.scope.Marked && !slices.Contains(f.rows, false)
}

// fixed gives what is fixed in all rows of a SELECT, not settled yet. It is worked out
// once, and copied.
func (in *Facts) fixed(sel *syntax.Select, depth int) *Fixed {
	known := in.ofSelect(sel)
	if known == nil {
		f := in.fixedPool.Next()
		*f = Fixed{in: in, sel: sel, scope: &bind.Scope{}, depth: depth} // of a query that was not bound
		f.from = append(f.from, 0)
		return f
	}
	f := in.fixedBy(known, sel).copy()
	f.depth = depth
	return f
}

func (in *Facts) fixedBy(known *selectFacts, sel *syntax.Select) *Fixed {
	if known.fixed == nil {
		known.fixed = in.fixedPool.Next()
		known.fixed.begin(in, sel)
	}
	return known.fixed
}

// mayReach reports whether some equality, or one of the keys given, speaks of all columns
// of a key of each table, without which its rows are surely several. Of sources that an
// outer join may leave out it knows nothing.
func (f *Fixed) mayReach(keys []syntax.Expr) bool {
	for i, s := range f.scope.Sources {
		t := s.SchemaTable()
		if t == nil || s.Optional || f.rows[i] {
			continue
		}
		touched := func(c int) bool {
			return f.columns(i)[c] > varies || slices.ContainsFunc(f.equal, func(e equality) bool {
				return e.sides[0].source == s && e.sides[0].place == c || e.sides[1].source == s && e.sides[1].place == c
			}) || slices.ContainsFunc(keys, func(k syntax.Expr) bool {
				source, place, ok := f.column(k)
				return ok && source == s && place == c
			})
		}
		if !t.HasKeyOf(touched) {
			return false
		}
	}
	return true
}

func (f *Fixed) begin(in *Facts, sel *syntax.Select) {
	*f = Fixed{in: in, sel: sel, scope: in.Scope(sel), given: f.given[:0], states: f.states[:0], from: f.from[:0],
		rows: f.rows[:0], solid: f.solid[:0], equal: f.equal[:0], outer: f.outer[:0]}
	width := 0
	for _, s := range f.scope.Sources {
		f.from = append(f.from, width)
		f.rows, f.solid = append(f.rows, false), append(f.solid, !s.Optional)
		width += s.Width()
	}
	f.from = append(f.from, width)
	f.states = append(f.states, make([]state, width)...)
	in.passed(sel, f.assume)
	if sel.From != nil {
		at := 0
		for _, t := range sel.From.Tables {
			at = f.joins(t, at)
		}
	}
}

// assume takes a condition that all rows meet.
func (f *Fixed) assume(x syntax.Expr) {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Binary:
		if x.Op == syntax.OpEqual {
			f.equal = append(f.equal, equality{[2]side{f.side(x.X), f.side(x.Y)}})
		}
	case *syntax.Is:
		if x.Test == syntax.IsNull && !x.Not {
			f.give(x.X, same)
		}
	}
}

func (f *Fixed) side(x syntax.Expr) side {
	s := side{x: x}
	if source, place, ok := f.column(x); ok {
		s.source, s.place = source, place
		if t := source.SchemaTable(); t != nil {
			s.column = &t.Columns[place]
		}
	}
	return s
}

// joins notes what the joins of a table expression tell besides what [Facts.passed]
// does: outer joins, and sources that give no rows. The first source of it has the
// place at; joins gives the place behind the last.
func (f *Fixed) joins(t syntax.TableExpr, at int) int {
	switch t := t.(type) {
	case *syntax.ParenTable:
		if t.Alias.IsZero() {
			return f.joins(t.Table, at)
		}
	case *syntax.Join:
		middle := f.joins(t.Left, at)
		end := f.joins(t.Right, middle)
		left, right := places{at, middle}, places{middle, end}
		switch t.Type {
		case syntax.LeftJoin, syntax.OuterApply:
			f.outer = append(f.outer, outerJoin{t, left, right, -1})
		case syntax.RightJoin:
			f.outer = append(f.outer, outerJoin{t, right, left, -1})
		case syntax.SemiJoin, syntax.AntiJoin:
			for i := middle; i < min(end, len(f.rows)); i++ {
				f.rows[i] = true
			}
		}
		return end
	}
	return at + 1
}

func (j outerJoin) optionalTable() syntax.TableExpr {
	if j.Type == syntax.RightJoin {
		return j.Left
	}
	return j.Right
}

func (f *Fixed) give(x syntax.Expr, st state) {
	if s, place, ok := f.column(x); ok {
		f.mark(s.Index, place, st)
		return
	}
	f.given = append(f.given, x)
}

// column finds the column of one of the sources that an expression is, through the names
// of output columns.
func (f *Fixed) column(x syntax.Expr) (*bind.Source, int, bool) {
	for range maxDerivation {
		n, ok := syntax.Unparen(x).(*syntax.Name)
		if !ok {
			return nil, 0, false
		}
		u := f.in.Use(n)
		if u.Status == bind.OutputAlias {
			x = u.Item.X
			continue
		}
		if u.Status != bind.Resolved || u.Source.Scope != f.scope || f.in.isCoalesced(n, u) {
			return nil, 0, false
		}
		place := u.Source.Place(u.Column)
		return u.Source, place, place >= 0
	}
	return nil, 0, false
}

// isCoalesced reports whether a bare name means a merged column that comes from
// either side of a join.
func (in *Facts) isCoalesced(n *syntax.Name, u *bind.Use) bool {
	sc := u.Source.Scope
	return len(n.Parts) == 1 && sc.Coalesced && sc.Merges(n.Last().Sym)
}

func (f *Fixed) mark(source, place int, st state) bool {
	if at := &f.columns(source)[place]; *at < st {
		*at = st
		f.known++
		return true
	}
	return false
}

// columns gives what is known of the columns of a source.
func (f *Fixed) columns(source int) []state { return f.states[f.from[source]:f.from[source+1]] }

// copy gives a second one that may go further.
func (f *Fixed) copy() *Fixed {
	g := f.in.fixedPool.Next()
	*g = Fixed{in: f.in, sel: f.sel, scope: f.scope, depth: f.depth, given: append(g.given[:0], f.given...), states: append(g.states[:0], f.states...),
		from: append(g.from[:0], f.from...), rows: append(g.rows[:0], f.rows...), solid: append(g.solid[:0], f.solid...),
		equal: append(g.equal[:0], f.equal...), outer: append(g.outer[:0], f.outer...)}
	return g
}

func (f *Fixed) fix(source int) {
	f.rows[source] = true
	f.known++
	for i := range f.columns(source) {
		f.mark(source, i, same)
	}
}

// MaxSources bounds the sources of a SELECT that conclusions are drawn for.
const MaxSources = 64

// settle draws every conclusion.
func (f *Fixed) settle() {
	for changed := len(f.rows) <= MaxSources; changed && !f.in.isTired(); {
		changed = false
		for i := range f.equal {
			e := &f.equal[i].sides
			changed = f.carry(&e[0], &e[1]) || changed
			changed = f.carry(&e[1], &e[0]) || changed
		}
		for i := range f.rows {
			if !f.rows[i] && f.alone(i) {
				f.fix(i)
				changed = true
			}
		}
		for i := range f.outer {
			if j := &f.outer[i]; j.tried < f.known {
				j.tried = f.known
				changed = f.follow(*j) || changed
			}
		}
	}
}

// carry fixes a column that equals what is fixed.
func (f *Fixed) carry(from, to *side) bool {
	if to.source == nil || f.columns(to.source.Index)[to.place] == value || !f.isFixed(from) {
		return false
	}
	if !to.asked {
		to.asked = true
		if a, b := from.column, to.column; a != nil && b != nil {
			to.picks = a.Collation == b.Collation && alikeTypes(a.Type, b.Type)
		} else {
			to.picks = f.in.alike(from.x, to.x)
		}
	}
	return to.picks && f.mark(to.source.Index, to.place, value)
}

func (f *Fixed) isFixed(s *side) bool {
	if s.source != nil {
		return f.columns(s.source.Index)[s.place] > varies
	}
	return f.Value(s.x)
}

// alone reports whether what is fixed picks one row of a source.
func (f *Fixed) alone(i int) bool {
	s := f.scope.Sources[i]
	switch n := s.Node.(type) {
	case *syntax.TableRef:
		if n.History {
			return false
		}
	case *syntax.Derived:
		// What LATERAL gives has its keys for each row of what stands before.
		if (n.Lateral || bind.IsApplied(f.in.Parent(n))) && slices.Contains(f.rows[:i], false) {
			return false
		}
	default:
		return false
	}
	if s.Query != nil {
		return s.Complete && (f.solid[i] || f.isThere(i)) && f.in.apart(s.Query, f.columns(i), f.depth+1)
	}
	return s.SchemaTable() != nil && f.holdsKey(s.SchemaTable(), f.columns(i))
}

// isThere reports whether what is fixed tells a row of a derived table from the
// NULLs that an outer join puts in its place.
func (f *Fixed) isThere(i int) bool {
	for place, st := range f.columns(i) {
		if st == value || st == same && f.in.outputNullable(f.scope.Sources[i].Query.Body, place, f.depth+1) == No {
			return true
		}
	}
	return false
}

// makeSolid marks the sources of a table expression that are there in each of its
// rows; the first of all its sources has the place at, and it gives the place behind
// the last.
func (f *Fixed) makeSolid(t syntax.TableExpr, at int, there bool) int {
	switch t := t.(type) {
	case *syntax.ParenTable:
		if t.Alias.IsZero() {
			return f.makeSolid(t.Table, at, there)
		}
	case *syntax.Join:
		middle := f.makeSolid(t.Left, at, there && t.Type != syntax.RightJoin && t.Type != syntax.FullJoin)
		inner := t.Type == syntax.InnerJoin || t.Type == syntax.CrossJoin || t.Type == syntax.CrossApply
		return f.makeSolid(t.Right, middle, there && (inner || t.Type == syntax.RightJoin))
	}
	if there && at < len(f.solid) {
		f.solid[at] = true
	}
	return at + 1
}

func (f *Fixed) holdsKey(t *schema.Table, columns []state) bool {
	fixed := func(c int) bool {
		return columns[c] == value || columns[c] == same && t.IsRequired(c, f.in.Dialect)
	}
	return t.HasKeyOf(fixed)
}

// follow looks whether the row of the preserved side of an outer join picks that
// of the other: one row that matches, or none.
func (f *Fixed) follow(j outerJoin) bool {
	if j.optional.to > len(f.rows) || j.preserved.to > len(f.rows) || !f.areFixed(j.preserved) || f.areFixed(j.optional) {
		return false
	}
	// Of the rows that match, the condition holds.
	g := f.copy()
	g.outer = slices.DeleteFunc(g.outer, func(o outerJoin) bool { return o.Join == j.Join || !j.optional.has(o.optional.from) })
	g.makeSolid(j.optionalTable(), j.optional.from, true)
	syntax.Conjuncts(j.On, g.assume)
	f.in.passedJoins(j.optionalTable(), g.assume)
	g.merge(j)
	g.settle()
	if !g.areFixed(j.optional) {
		return false
	}
	for i := j.optional.from; i < j.optional.to; i++ {
		f.fix(i)
	}
	return true
}

func (f *Fixed) areFixed(p places) bool { return !slices.Contains(f.rows[p.from:p.to], false) }

// merge fixes what USING equates with columns of the preserved side.
func (f *Fixed) merge(j outerJoin) {
	for _, id := range j.Using {
		for i := j.preserved.from; i < j.preserved.to; i++ {
			a := f.scope.Sources[i].Named(id.Sym)
			if a == nil {
				continue
			}
			for k := j.optional.from; k < j.optional.to; k++ {
				b := f.scope.Sources[k].Named(id.Sym)
				if b != nil && a.Source.Place(a) >= 0 && b.Source.Place(b) >= 0 && alikeTypes(f.in.columnType(a), f.in.columnType(b)) {
					f.mark(k, b.Source.Place(b), value)
				}
			}
			break
		}
	}
}

// Value reports whether an expression has one value in all rows.
func (f *Fixed) Value(x syntax.Expr) bool {
	x = syntax.Unparen(x)
	if s, place, ok := f.column(x); ok {
		return f.columns(s.Index)[place] > varies
	}
	for _, g := range f.given {
		if f.in.Same(g, x) {
			return true
		}
	}
	switch n := x.(type) {
	case *syntax.Literal, *syntax.TypedLiteral, *syntax.Interval:
		return true
	case *syntax.Param:
		if !f.in.Dialect.Has(dialect.ExecutedComments) || f.in.Src[n.Span().Start] != '@' {
			return true
		}
		within := f.sel.Span()
		return !bytes.Contains(f.in.Src[within.Start:within.End], []byte(":=")) // else it may be set on the way
	case *syntax.Name:
		u := f.in.Use(n)
		if f.in.isVariable(n) {
			return true
		}
		return u.Outer && (u.Status == bind.Resolved || u.Status == bind.Assumed)
	case *syntax.Call:
		if n.Over != nil || dialect.Function(f.in.FunctionName(n)) != dialect.Scalar {
			return false
		}
	case *syntax.Binary:
		if n.Op >= syntax.OpAssign {
			return false
		}
	case *syntax.In:
		if n.Query != nil || n.Other != nil {
			return false
		}
	case *syntax.Unary, *syntax.Is, *syntax.Between, *syntax.Like, *syntax.Case, *syntax.Cast, *syntax.Collate, *syntax.AtZone, *syntax.Row:
	default:
		return false
	}
	ok := true
	syntax.Children(x, func(c syntax.Node) {
		switch c := c.(type) {
		case syntax.Expr:
			ok = ok && f.Value(c)
		case *syntax.When:
			ok = ok && f.Value(c.Cond) && f.Value(c.Then)
		}
	})
	return ok
}

// isVariable reports whether a name is a routine's variable or a field of its record. What
// else has no source makes the query refused.
func (in *Facts) isVariable(n *syntax.Name) bool {
	switch u := in.Use(n); u.Status {
	case bind.Variable, bind.NoSource:
		return true
	case bind.Unclear:
		return len(n.Parts) > 1 && u.Source == nil && in.Nearest(n, syntax.Kinds(syntax.KindRoutine, syntax.KindControl)) != nil
	}
	return false
}

// alike reports whether equality of two expressions lets the value of one pick that
// of the other: not where the database converts one, nor under different collations.
func (in *Facts) alike(from, to syntax.Expr) bool {
	target := in.Type(to)
	switch n := syntax.Unparen(from).(type) {
	case *syntax.Param:
		return true
	case *syntax.Name:
		if in.isVariable(n) {
			return true
		}
	case *syntax.Literal:
		if n.Lit == syntax.TextLiteral {
			return target.Class != class.Unknown
		}
	}
	a, b := in.storedColumn(from), in.storedColumn(to)
	if target.Class == class.Text && a == nil {
		return false // of a collation that is not known
	}
	if a != nil && b != nil && a.Collation != b.Collation {
		return false
	}
	return alikeTypes(in.Type(from), target)
}

func alikeTypes(a, b schema.Type) bool {
	number := func(c class.Class) bool { return c == class.Integer || c == class.Decimal }
	switch {
	case a.Class == class.Unknown || b.Class == class.Unknown:
		return false
	case number(a.Class) && number(b.Class):
		return true
	case a.Class == class.Date && b.Class == class.Timestamp, a.Class == class.Timestamp && b.Class == class.Date:
		return true
	case a.Class == class.Other:
		return b.Class == class.Other && a.Name == b.Name
	}
	return a.Class == b.Class
}
