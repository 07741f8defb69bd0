package follow

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// reading tells in sentences what a stage does.
func (f *Followed) reading(s *run.Stage) []string {
	return append(f.does(s), f.subqueries(s)...)
}

// subqueries tells of the queries in a stage's expressions: whether each is worked out for every row,
// and what it reads.
func (f *Followed) subqueries(s *run.Stage) (told []string) {
	switch s.Kind {
	case run.SourceStage, run.SetStage, run.GroupStage, run.DistinctStage, run.LimitStage, run.WindowStage:
		return nil
	}
	tell := func(q *syntax.Query, what string) {
		outer, tables := f.lookOf(q)
		read := ""
		if len(tables) > 0 {
			read = " of " + check.List(tables, "and")
		}
		if len(outer) == 0 {
			told = append(told, fmt.Sprintf("%s%s is worked out once: it names no column of the row", what, read))
			return
		}
		told = append(told, fmt.Sprintf("%s%s is worked out for each row, with its %s", what, read, check.List(outer, "and")))
	}
	look := func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Exists:
			tell(n.Query, "the query in EXISTS")
		case *syntax.In:
			if n.Query != nil {
				tell(n.Query, "the query in IN")
			}
		case *syntax.Subquery:
			tell(n.Query, "the query for a value")
		case *syntax.Quantified:
			if n.Query != nil {
				tell(n.Query, "the query to compare with")
			}
		}
		return n.Kind() != syntax.KindQuery
	}
	switch n := s.Node.(type) {
	case *syntax.Join:
		if n.On != nil {
			syntax.Inspect(n.On, look)
		}
	case *syntax.Select:
		for _, item := range n.Items {
			syntax.Inspect(item, look)
		}
	default:
		syntax.Inspect(n, look)
	}
	return told
}

// lookOf gives the columns of queries around that a query names, and the tables that it reads.
func (f *Followed) lookOf(q *syntax.Query) (outer, tables []string) {
	add := func(list []string, s string) []string {
		if slices.Contains(list, s) {
			return list
		}
		return append(list, s)
	}
	syntax.Inspect(q, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.TableRef:
			tables = add(tables, f.Ident(n.Name[len(n.Name)-1]))
		case *syntax.Name:
			if u := f.Use(n); u.Outer && u.Source != nil && u.Source.Node != nil && !q.Span().Contains(u.Source.Node.Span()) {
				outer = add(outer, f.Text(n))
			}
		}
		return true
	})
	return outer, tables
}

// does tells what the stage itself does.
func (f *Followed) does(s *run.Stage) []string {
	switch s.Kind {
	case run.SourceStage:
		return f.source(s)
	case run.JoinStage:
		return f.join(s)
	case run.FilterStage:
		return f.filter("keeps the rows for which it is true", s)
	case run.HavingStage:
		return f.filter("keeps the groups for which it is true", s)
	case run.GroupStage:
		return f.group(s)
	case run.WindowStage:
		return []string{"looks at the rows that are left, and adds a value to each; no row comes or goes"}
	case run.ListStage:
		return []string{"works the columns out; no row comes or goes"}
	case run.DistinctStage:
		return []string{"rows that are alike in all columns become one"}
	case run.SetStage:
		return setReading(s.Node.(*syntax.SetOp))
	case run.OrderStage:
		return []string{"sorts the rows; none comes or goes"}
	}
	return f.limit(s)
}

// name gives what a source is called for a sentence.
func (f *Followed) name(s *bind.Source) string {
	if s.Name.IsZero() {
		return "it"
	}
	return f.Ident(s.Name)
}

func (f *Followed) source(s *run.Stage) []string {
	src := f.SourceAt(s.Node.(syntax.TableExpr))
	if src == nil {
		return []string{"reads its rows"}
	}
	t := src.SchemaTable()
	if t == nil {
		return []string{fmt.Sprintf("reads the rows of %s, which is a query", f.name(src))}
	}
	if key := t.PrimaryKey(); len(key) > 0 {
		return []string{fmt.Sprintf("reads %s: one row for each %s", t.Name, check.List(columnNames(t, key), "and"))}
	}
	return []string{"reads " + t.Name}
}

func columnNames(t *schema.Table, columns []int) (names []string) {
	for _, c := range columns {
		names = append(names, t.Columns[c].Name)
	}
	return names
}

// join tells how a join pairs rows, how often a row may come, and what may be NULL behind it.
func (f *Followed) join(s *run.Stage) []string {
	n, ok := s.Node.(*syntax.Join)
	if !ok {
		return []string{"each row meets every row of it: the comma ties nothing, conditions of WHERE may"}
	}
	right := f.sourcesIn(s, n.Right)
	left := f.sourcesIn(s, n.Left)
	rightName, leftName := check.List(right, "and"), check.List(left, "and")
	if n.On == nil && len(n.Using) == 0 && !n.Natural {
		return []string{"each row meets every row of " + rightName}
	}
	var told []string
	switch {
	case f.meetsOne(n):
		told = append(told, fmt.Sprintf("each row meets one row of %s at the most: none comes twice", rightName))
	default:
		told = append(told, fmt.Sprintf("each row comes once for every row of %s that it meets", rightName))
	}
	switch n.Type {
	case syntax.LeftJoin, syntax.OuterApply:
		told = append(told, fmt.Sprintf("a row without partner stays; from here on every column of %s may be NULL", rightName))
	case syntax.RightJoin:
		told = append(told, fmt.Sprintf("a row of %s without partner stays; from here on every column of %s may be NULL", rightName, leftName), "a row of "+leftName+" without partner is lost")
	case syntax.FullJoin:
		told = append(told, "rows of both sides without partner stay; from here on every column may be NULL")
	default:
		told = append(told, "a row without partner is lost, on either side")
	}
	return told
}

// sourcesIn names the sources of a stage that stand in one of its tables.
func (f *Followed) sourcesIn(s *run.Stage, t syntax.TableExpr) (names []string) {
	for _, p := range s.Sources {
		if p.Source.Node != nil && t.Span().Contains(p.Source.Node.Span()) {
			names = append(names, f.name(p.Source))
		}
	}
	return names
}

// sides names the two sides of a join for a sentence: a source, or the side.
func (f *Followed) sides(s *run.Stage) (left, right string) {
	n, ok := s.Node.(*syntax.Join)
	if !ok {
		return "what stands before", "it"
	}
	one := func(names []string, otherwise string) string {
		if len(names) == 1 {
			return names[0]
		}
		return otherwise
	}
	return one(f.sourcesIn(s, n.Left), "the left side"), one(f.sourcesIn(s, n.Right), "the right side")
}

// meetsOne reports whether a row meets one row of the right side at the most: the join ties a key
// of it.
func (f *Followed) meetsOne(n *syntax.Join) bool {
	src := f.SourceAt(n.Right)
	if src == nil {
		return false
	}
	var tied []int
	for _, x := range syntax.AppendConjuncts(nil, n.On) {
		b, ok := syntax.Unparen(x).(*syntax.Binary)
		if !ok || b.Op != syntax.OpEqual {
			continue
		}
		for _, side := range [][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
			name, ok := syntax.Unparen(side[0]).(*syntax.Name)
			if !ok {
				continue
			}
			u := f.Use(name)
			if u.Status == bind.Resolved && u.Source == src && !f.names(side[1], src) {
				tied = append(tied, src.Place(u.Column))
			}
		}
	}
	for _, id := range n.Using {
		if c := src.Named(id.Sym); c != nil {
			tied = append(tied, src.Place(c))
		}
	}
	if t := src.SchemaTable(); t != nil {
		return t.HasKeyOf(func(column int) bool {
			for _, c := range tied {
				if c == column {
					return true
				}
			}
			return false
		})
	}
	return src.Query != nil && len(tied) > 0 && f.Apart(src.Query, tied...)
}

// names reports whether an expression names a column of a source.
func (f *Followed) names(x syntax.Expr, src *bind.Source) (found bool) {
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok && f.Use(name).Source == src {
			found = true
		}
		return true
	})
	return found
}

// filter tells of a condition, and where NULL keeps it from being true.
func (f *Followed) filter(what string, s *run.Stage) []string {
	told := []string{what}
	if asksForNull(s.Node) {
		return told
	}
	var nullable []string
	f.eachColumn(s, func(name *syntax.Name, u *bind.Use, _ int) {
		if f.mayBeNull(u) {
			nullable = append(nullable, f.Text(name))
		}
	})
	if len(nullable) > 0 {
		told = append(told, fmt.Sprintf("where %s is NULL it is unknown as a rule, and the row is dropped", check.List(nullable, "or")))
	}
	return told
}

// asksForNull reports whether a condition asks for NULL itself, or takes something else in its
// place.
func asksForNull(n syntax.Node) (asks bool) {
	syntax.Inspect(n, func(n syntax.Node) bool {
		switch n.Kind() {
		case syntax.KindIs, syntax.KindExists, syntax.KindCall, syntax.KindCase:
			asks = true
		}
		return !asks
	})
	return asks
}

// mayBeNull reports whether a column may be NULL in the rows that a condition looks at.
func (f *Followed) mayBeNull(u *bind.Use) bool {
	if u.Source.Optional {
		return true
	}
	if t := u.Source.SchemaTable(); t != nil && u.Column.Index >= 0 {
		return !t.IsRequired(u.Column.Index, f.Dialect)
	}
	return u.Source.Query != nil && f.OutputNullable(u.Source.Query, u.Source.Place(u.Column)) == facts.Yes
}

func (f *Followed) group(s *run.Stage) []string {
	n, ok := s.Node.(*syntax.Select)
	if !ok || n.GroupBy == nil {
		return []string{"all rows become one, if there are none as well"}
	}
	if n.GroupBy.Sets {
		return []string{"rows that are alike in the keys become one, for each set of keys"}
	}
	var keys, nullable []string
	for _, k := range f.GroupingOf(n).Keys {
		text := strings.Join(strings.Fields(f.Text(k)), " ")
		if keys = append(keys, text); f.Nullable(k) == facts.Yes {
			nullable = append(nullable, text)
		}
	}
	if len(keys) == 0 {
		return []string{"rows that are alike in the keys become one"}
	}
	told := []string{"one row for each " + check.List(keys, "and")}
	if len(nullable) > 0 {
		told = append(told, "the rows whose "+check.List(nullable, "or")+" is NULL make a group as well")
	}
	return told
}

func setReading(n *syntax.SetOp) []string {
	switch {
	case n.Op == syntax.Union && n.All:
		return []string{"the rows of both, doubles among them"}
	case n.Op == syntax.Union:
		return []string{"the rows of both; rows that are alike come once"}
	case n.Op == syntax.Intersect:
		return []string{"the rows that both give; rows that are alike come once"}
	}
	return []string{"the rows of the first that the second does not give; rows that are alike come once"}
}

func (f *Followed) limit(s *run.Stage) []string {
	if len(f.Plan.Stages()) > 0 && !f.Plan.Ordered {
		return []string{"leaves some rows, without ORDER BY any of them"}
	}
	return []string{"leaves the first rows of the order"}
}

// columns tells of the columns of the result: the name, the type, and whether it may be NULL.
func (f *Followed) columns() (told []string) {
	for i := range f.Plan.Columns {
		name := f.columnName(i)
		if f.Node == nil {
			told = append(told, name)
			continue
		}
		line := name
		if t := f.OutputType(f.Node, i); t.Class != 0 {
			line += ", " + t.Class.String()
		}
		switch f.OutputNullable(f.Node, i) {
		case facts.Yes:
			line += ", may be NULL"
		case facts.No:
			line += ", never NULL"
		}
		told = append(told, line)
	}
	if f.Node != nil && len(told) > 0 {
		told = append(told, f.apart())
	}
	return told
}

// columnName gives what a column of the result is called for a sentence.
func (f *Followed) columnName(i int) string {
	if name := f.Plan.Columns[i]; name != "" {
		return name
	}
	return fmt.Sprintf("column %d", i+1)
}

// apart tells by which columns of the result no two rows agree: one, two, or all of them.
func (f *Followed) apart() string {
	if f.OneRow(f.Node) {
		return "one row at the most"
	}
	var names []string
	for _, i := range run.FewestApart(len(f.Plan.Columns), func(columns ...int) bool { return f.Apart(f.Node, columns...) }) {
		names = append(names, f.columnName(i))
	}
	if len(names) > 0 {
		return "one row for each " + check.List(names, "and")
	}
	if f.RowsApart(f.Node.Body) {
		return "no two rows are alike"
	}
	return "rows may be alike"
}
