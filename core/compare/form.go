package compare

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/syntax"
	"justlens/core/text"
)

// forms writes queries so that two that differ only in what cannot change their rows are written
// alike: layout, comments, letter case, aliases of sources, parentheses, the order of conditions and
// of the sides of a comparison, BETWEEN for two comparisons, NOT before a comparison, and inner joins
// for commas with conditions. Each rule keeps the three values of a condition.
type forms struct {
	q     *run.Query
	depth int
}

// deepestForm bounds how deep a query is looked into.
const deepestForm = 200

// sameForm reports whether two queries give the same rows, as their forms prove.
func sameForm(a, b *run.Query) bool {
	x, ok := formOf(a)
	y, also := formOf(b)
	return ok && also && x == y
}

func formOf(q *run.Query) (form string, ok bool) {
	if len(q.Stmt.Tokens) > mostFormTokens || isVolatile(q) {
		return "", false
	}
	f := &forms{q: q}
	form = f.of(q.Stmt.Node)
	return form, f.depth >= 0
}

// mostFormTokens bounds the length of the queries that are looked into.
const mostFormTokens = 2000

// isVolatile reports whether a query calls a function that may give another value at each call, or
// of which nothing is known: how often it is called counts.
func isVolatile(q *run.Query) (is bool) {
	syntax.Inspect(q.Stmt.Node, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.Call); ok {
			kind := q.Function(c).Kind
			is = is || kind == dialect.Volatile || kind == dialect.UnknownFunction
		}
		return !is
	})
	return is
}

// flipped gives the operator by which NOT (a op b) is written.
var flipped = map[syntax.Op]syntax.Op{
	syntax.OpEqual: syntax.OpNotEqual, syntax.OpNotEqual: syntax.OpEqual, syntax.OpLess: syntax.OpGreaterEqual,
	syntax.OpGreaterEqual: syntax.OpLess, syntax.OpGreater: syntax.OpLessEqual, syntax.OpLessEqual: syntax.OpGreater,
}

func (f *forms) of(n syntax.Node) string {
	if f.depth++; f.depth > deepestForm {
		f.depth = -1 << 30 // it is not looked into
		return ""
	}
	defer func() { f.depth-- }()
	switch n := n.(type) {
	case *syntax.Paren:
		return f.of(n.X)
	case *syntax.Name:
		return f.name(n)
	case *syntax.Unary:
		if b, ok := syntax.Unparen(n.X).(*syntax.Binary); ok && n.Op == syntax.OpNot && isPlain(b) {
			return f.comparison(flipped[b.Op], f.of(b.X), f.of(b.Y))
		}
	case *syntax.Binary:
		switch {
		case n.Op == syntax.OpAnd:
			return f.set("and", f.conjuncts(n))
		case n.Op == syntax.OpOr:
			return f.set("or", f.disjuncts(n))
		case isPlain(n):
			return f.comparison(n.Op, f.of(n.X), f.of(n.Y))
		}
	case *syntax.Between:
		if !n.Not && !n.Symmetric {
			return f.set("and", f.conjuncts(n))
		}
	case *syntax.In:
		if values, ok := f.choices(n); ok && n.Not {
			return f.set("and", values)
		} else if ok {
			return f.set("or", values)
		}
	case *syntax.TableRef:
		name := n.Name[len(n.Name)-1].Span.End
		if end := max(name, n.Alias.Span.End); n.Span().End == end && len(n.Columns) == 0 {
			return f.words(n.Span().Start, name, nil)
		}
	case *syntax.Derived:
		if len(n.Columns) == 0 && !n.Lateral {
			return "(" + f.of(n.Query) + ")"
		}
	case *syntax.SelectItem:
		alias := ""
		if !n.Alias.IsZero() {
			alias = f.q.Names.String(n.Alias.Sym)
		} else if name, ok := n.X.(*syntax.Name); ok {
			alias = f.q.Names.String(name.Last().Sym)
		}
		return f.of(n.X) + " as " + alias
	case *syntax.Select:
		if s, ok := f.selected(n); ok {
			return s
		}
	}
	return f.tokens(n)
}

// isPlain reports whether a comparison is of two single values.
func isPlain(b *syntax.Binary) bool {
	_, quantified := syntax.Unparen(b.Y).(*syntax.Quantified)
	_, row := syntax.Unparen(b.X).(*syntax.Row)
	return b.Op.IsComparison() && !quantified && !row
}

// name writes a column by the place of its source, so that aliases do not count.
func (f *forms) name(n *syntax.Name) string {
	u := f.q.Use(n)
	if u.Status != bind.Resolved || u.Source.Scope == nil {
		return f.words(n.Span().Start, n.Span().End, nil)
	}
	if u.Source.Scope.Merges(u.Column.Sym) && len(n.Parts) == 1 {
		return "merged " + f.q.Names.String(u.Column.Sym)
	}
	return fmt.Sprintf("#%d.%d.%s", u.Source.Scope.Index, u.Source.Index, f.q.Names.String(u.Column.Sym))
}

// comparison writes the lesser side first.
func (f *forms) comparison(op syntax.Op, x, y string) string {
	if y < x {
		x, y, op = y, x, op.Flip()
	}
	return fmt.Sprintf("(%s ?%d %s)", x, op, y)
}

// conjuncts gives the forms of the conditions that AND joins; of BETWEEN both bounds.
func (f *forms) conjuncts(x syntax.Expr) (list []string) {
	for _, x := range syntax.AppendConjuncts(nil, x) {
		if b, ok := syntax.Unparen(x).(*syntax.Between); ok && !b.Not && !b.Symmetric {
			list = append(list, f.comparison(syntax.OpGreaterEqual, f.of(b.X), f.of(b.Low)), f.comparison(syntax.OpLessEqual, f.of(b.X), f.of(b.High)))
			continue
		}
		if in, ok := syntax.Unparen(x).(*syntax.In); ok && in.Not {
			if values, ok := f.choices(in); ok {
				list = append(list, values...)
				continue
			}
		}
		list = append(list, f.of(x))
	}
	return list
}

// choices gives the comparisons that IN or NOT IN with a list of constants of one kind stands for; ok is
// false where a list is compared otherwise than single values.
func (f *forms) choices(n *syntax.In) (comparisons []string, ok bool) {
	if len(n.List) == 0 || f.q.Dialect == dialect.SQLite {
		return nil, false
	}
	op := syntax.OpEqual
	if n.Not {
		op = syntax.OpNotEqual
	}
	x := f.of(n.X)
	for _, item := range n.List {
		lit, plain := syntax.Unparen(item).(*syntax.Literal)
		if first, _ := syntax.Unparen(n.List[0]).(*syntax.Literal); !plain || lit.Lit != first.Lit || lit.Lit == syntax.NullLiteral {
			return nil, false
		}
		comparisons = append(comparisons, f.comparison(op, x, f.of(item)))
	}
	return comparisons, true
}

func (f *forms) disjuncts(x syntax.Expr) []string {
	if in, ok := syntax.Unparen(x).(*syntax.In); ok && !in.Not {
		if values, ok := f.choices(in); ok {
			return values
		}
	}
	if b, ok := syntax.Unparen(x).(*syntax.Binary); ok && b.Op == syntax.OpOr {
		return append(f.disjuncts(b.X), f.disjuncts(b.Y)...)
	}
	return []string{f.of(x)}
}

// set writes conditions in one order, each once.
func (f *forms) set(word string, list []string) string {
	slices.Sort(list)
	list = slices.Compact(list)
	if len(list) == 1 {
		return list[0]
	}
	return "(" + strings.Join(list, " "+word+" ") + ")"
}

// selected writes a SELECT whose joins are all inner ones: its sources, and the conditions of ON and
// WHERE together.
func (f *forms) selected(n *syntax.Select) (string, bool) {
	if n.From == nil || len(n.DistinctOn) > 0 || n.Top != nil || n.Qualify != nil || len(n.Windows) > 0 || n.Reshaped || !n.IntoSpan.IsEmpty() {
		return "", false
	}
	var sources, conditions []string
	var add func(t syntax.TableExpr) bool
	add = func(t syntax.TableExpr) bool {
		switch t := t.(type) {
		case *syntax.Join:
			if t.Type != syntax.InnerJoin && t.Type != syntax.CrossJoin || t.Natural || len(t.Using) > 0 || !add(t.Left) || !add(t.Right) {
				return false
			}
			if t.On != nil {
				conditions = append(conditions, f.conjuncts(t.On)...)
			}
			return true
		case *syntax.TableRef:
			sources = append(sources, f.of(t))
			return true
		case *syntax.Derived:
			sources = append(sources, f.of(t))
			return !t.Lateral
		}
		return false
	}
	for _, t := range n.From.Tables {
		if !add(t) {
			return "", false
		}
	}
	if n.Where != nil {
		conditions = append(conditions, f.conjuncts(n.Where.Cond)...)
	}
	var b strings.Builder
	fmt.Fprintf(&b, "select distinct=%t ", n.Distinct)
	for _, item := range n.Items {
		b.WriteString(f.of(item) + ", ")
	}
	b.WriteString("from " + strings.Join(sources, ", ") + " where " + f.set("and", conditions))
	if n.GroupBy != nil {
		b.WriteString(" " + f.of(n.GroupBy))
	}
	if n.Having != nil {
		b.WriteString(" having " + f.set("and", f.conjuncts(n.Having.Cond)))
	}
	return b.String(), true
}

// tokens writes a node as its words, those of the nodes in it by their forms.
func (f *forms) tokens(n syntax.Node) string {
	var children []syntax.Node
	syntax.Inspect(n, func(m syntax.Node) bool {
		if m == n {
			return true
		}
		children = append(children, m)
		return false
	})
	slices.SortStableFunc(children, func(a, b syntax.Node) int { return int(a.Span().Start) - int(b.Span().Start) })
	return f.words(n.Span().Start, n.Span().End, children)
}

// words writes the words between two places, children by their forms.
func (f *forms) words(from, to text.Pos, children []syntax.Node) string {
	var b strings.Builder
	for _, t := range f.q.Stmt.Tokens {
		if t.Span.Start < from || t.Span.End > to {
			continue
		}
		for len(children) > 0 && children[0].Span().End <= t.Span.Start {
			children = children[1:]
		}
		if len(children) > 0 && children[0].Span().Contains(t.Span) {
			if children[0].Span().Start == t.Span.Start {
				b.WriteString("[" + f.of(children[0]) + "] ") // how they are nested counts
			}
			continue
		}
		if t.Kind == syntax.WordToken {
			b.WriteString(f.q.Names.String(t.Sym) + " ")
			continue
		}
		b.WriteString(string(f.q.Src[t.Span.Start:t.Span.End]) + " ")
	}
	return b.String()
}
