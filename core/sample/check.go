package sample

import (
	"strconv"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// truth is the value of a condition.
type truth uint8

const (
	untold truth = iota // it cannot be worked out here
	null
	no
	yes
)

// condition is a CHECK that can be asked of rows.
type condition struct {
	table *schema.Table
	src   []byte
	x     syntax.Expr
}

// conditionsOf reads the checks of a table; those that cannot be read let all rows
// pass.
func conditionsOf(t *schema.Table, d dialect.Dialect) []condition {
	var list []condition
	for _, c := range t.Checks {
		src := []byte("SELECT 1 WHERE " + c.Text)
		parser := syntax.NewParser(syntax.NewNames())
		parser.Reset(src, d)
		stmt := parser.Next()
		if stmt == nil || len(stmt.Errors) > 0 {
			continue
		}
		if s, ok := stmt.Node.(*syntax.SelectStmt); ok {
			if sel, ok := s.Query.Body.(*syntax.Select); ok && sel.Where != nil {
				list = append(list, condition{t, src, sel.Where.Cond})
			}
		}
	}
	return list
}

// constants calls f for each constant that the condition holds against a column.
func (c condition) constants(f func(column int, text string)) {
	note := func(x syntax.Expr, others ...syntax.Expr) {
		column := c.column(x)
		for _, o := range others {
			if v := c.value(o, nil); column >= 0 && v.Set {
				f(column, v.Text)
			}
		}
	}
	syntax.Inspect(c.x, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Binary:
			note(n.X, n.Y)
			note(n.Y, n.X)
		case *syntax.Between:
			note(n.X, n.Low, n.High)
		case *syntax.In:
			note(n.X, n.List...)
		}
		return true
	})
}

func (c condition) text(n syntax.Node) string { return string(c.src[n.Span().Start:n.Span().End]) }

func (c condition) column(x syntax.Expr) int {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok || c.table == nil {
		return -1
	}
	id := n.Last()
	name := string(c.src[id.Span.Start:id.Span.End])
	if id.Quoted {
		name = name[1 : len(name)-1]
	}
	return c.table.Column(name)
}

// value gives what an expression is in a row: a column's value or a constant; a
// value of the class Unknown where that cannot be told.
func (c condition) value(x syntax.Expr, row []Value) Value {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Name:
		if i := c.column(n); i >= 0 && i < len(row) {
			return row[i]
		}
		return Value{Class: class.Other}
	case *syntax.Cast:
		return c.value(n.X, row)
	case *syntax.TypedLiteral:
		return c.value(n.Value, row)
	case *syntax.Unary:
		if v := c.value(n.X, row); n.Op == syntax.OpNegate && v.Set {
			return Of(v.Class, strings.TrimPrefix("-"+v.Text, "--"))
		}
	case *syntax.Literal:
		written := c.text(n)
		switch n.Lit {
		case syntax.NumberLiteral:
			return Of(class.Decimal, written)
		case syntax.TextLiteral:
			if strings.HasPrefix(written, "'") {
				return Of(class.Text, strings.ReplaceAll(written[1:len(written)-1], "''", "'"))
			}
		case syntax.NullLiteral:
			return Value{}
		}
	}
	return Value{Class: class.Other}
}

// of gives the condition's truth for a row.
func (c condition) of(row []Value) truth { return c.truth(c.x, row) }

func (c condition) truth(x syntax.Expr, row []Value) truth {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Unary:
		if n.Op == syntax.OpNot {
			return not(c.truth(n.X, row))
		}
	case *syntax.Is:
		if v := c.value(n.X, row); n.Test == syntax.IsNull && v.Class != class.Other {
			return when(v.Set == n.Not)
		}
	case *syntax.Between:
		low, high := c.compare(syntax.OpGreaterEqual, n.X, n.Low, row), c.compare(syntax.OpLessEqual, n.X, n.High, row)
		if n.Not {
			return not(both(low, high))
		}
		return both(low, high)
	case *syntax.In:
		if n.Query != nil || n.Other != nil {
			return untold
		}
		found := no
		for _, item := range n.List {
			found = not(both(not(found), not(c.compare(syntax.OpEqual, n.X, item, row))))
		}
		if n.Not {
			return not(found)
		}
		return found
	case *syntax.Binary:
		switch {
		case n.Op == syntax.OpAnd:
			return both(c.truth(n.X, row), c.truth(n.Y, row))
		case n.Op == syntax.OpOr:
			return not(both(not(c.truth(n.X, row)), not(c.truth(n.Y, row))))
		case n.Op.IsComparison():
			return c.compare(n.Op, n.X, n.Y, row)
		}
	}
	return untold
}

func (c condition) compare(op syntax.Op, x, y syntax.Expr, row []Value) truth {
	a, b := c.value(x, row), c.value(y, row)
	switch {
	case a.Class == class.Other || b.Class == class.Other:
		return untold
	case !a.Set || !b.Set:
		return null
	}
	order := strings.Compare(a.key(), b.key())
	f, err := strconv.ParseFloat(a.Text, 64)
	g, also := strconv.ParseFloat(b.Text, 64)
	if err == nil && also == nil {
		switch {
		case f < g:
			order = -1
		case f > g:
			order = 1
		}
	}
	switch op {
	case syntax.OpEqual:
		return when(order == 0)
	case syntax.OpNotEqual:
		return when(order != 0)
	case syntax.OpLess:
		return when(order < 0)
	case syntax.OpLessEqual:
		return when(order <= 0)
	case syntax.OpGreater:
		return when(order > 0)
	}
	return when(order >= 0)
}

func when(b bool) truth {
	if b {
		return yes
	}
	return no
}

func not(t truth) truth {
	switch t {
	case yes:
		return no
	case no:
		return yes
	}
	return t
}

func both(a, b truth) truth {
	switch {
	case a == no || b == no:
		return no
	case a == untold || b == untold:
		return untold
	}
	return min(a, b) // null before yes
}
