package sets

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var columnTypes = &check.Check{
	ID:     "set.column-types",
	Title:  "branches whose columns have different types",
	Errors: []string{"22P02", "42804", "ORA-01790", "Msg 245"},
	Doc: "The columns of all branches stand one below the other and have one type. PostgreSQL and Oracle refuse text below a number; SQL Server makes the text a number and stops " +
		"with an error at one that is none; MySQL and MariaDB make all of them text. Often two columns stand in the wrong order.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id, name FROM hives UNION ALL SELECT name, queen_id FROM queens",
		Good:    "SELECT hive_id, name FROM hives UNION ALL SELECT queen_id, name FROM queens",
		Near: []string{
			"SELECT hive_id, name FROM hives UNION ALL SELECT queen_id, name FROM queens",
			"SELECT hive_id FROM hives UNION SELECT 7.5 UNION SELECT '8' UNION SELECT NULL",
			"SELECT moved_on FROM hives UNION SELECT inspected_at FROM inspections",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT NULL AS n UNION SELECT NULL UNION SELECT hive_id FROM hives",
		Near:    []string{"SELECT NULL AS n UNION SELECT hive_id FROM hives UNION SELECT NULL"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM hives UNION ALL SELECT 'all'",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT name FROM hives UNION SELECT moved_on FROM hives",
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT hive_id FROM hives UNION SELECT 'all'",
		Near:    []string{"SELECT hive_id FROM hives UNION SELECT '0'"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT hive_id, name FROM hives UNION ALL SELECT name, queen_id FROM queens",
	}},
	On: check.Nodes(runColumnTypes).And(check.Nodes(runValues).In(dialect.In(dialect.Postgres))),
}

// runColumnTypes looks at a chain of set operations from its outermost one, column by column.
func runColumnTypes(p *check.Pass, n *syntax.SetOp) {
	if p.Parent(n).Kind() == syntax.KindSetOp {
		return
	}
	width, ok := widthOf(p, n)
	if !ok || !p.Tells(n) || p.Schema.AddsConversions() {
		return
	}
	for i := range width {
		told := false
		if p.Dialect.HasTypes() {
			exactColumn{p, i, &told}.of(n)
		} else {
			column{p, i, &told}.of(n)
		}
		if told { // the next columns are mostly of the same slip
			return
		}
	}
}

// runValues looks at rows of values that are a query, column by column; those of an INSERT take
// the types of their columns.
func runValues(p *check.Pass, n *syntax.Values) {
	if _, ok := p.Parent(p.Parent(n)).(*syntax.Insert); ok || len(n.Rows) < 2 || !p.Tells(n) {
		return
	}
	for i := range n.Rows[0].Items {
		if mustStack(p, n, i) {
			return
		}
	}
}

// mustStack reports a value that has no type in common with one above it, or is a literal of
// no number below numbers.
func mustStack(p *check.Pass, n *syntax.Values, i int) bool {
	of := dialect.UnknownType
	var typed syntax.Expr
	for _, row := range n.Rows {
		if i >= len(row.Items) {
			return false
		}
		x := row.Items[i]
		switch t := p.Exact(x); {
		case t == dialect.OpenType:
			return false
		case t == dialect.UnknownType:
		case typed == nil:
			of, typed = t, x
		case p.CommonType(of, t) == dialect.OpenType:
			return stacked(p, i, typed, x, fmt.Sprintf("%s is %s, and %s above it %s", p.Brief(x), p.TypeIs(t), p.Brief(typed), p.TypeIs(of)), check.Likely)
		default:
			of = p.CommonType(of, t)
		}
	}
	for _, row := range n.Rows {
		if x := row.Items[i]; of.IsNumber() && isNoNumber(p, x) {
			return stacked(p, i, typed, x, fmt.Sprintf("%s is no number, and stands in a column of numbers", p.Brief(x)), check.Certain)
		}
	}
	return false
}

func stacked(p *check.Pass, i int, above, x syntax.Expr, message string, c check.Certainty) bool {
	p.Report(check.Finding{
		Span: x.Span(), Certainty: c, Message: message,
		Why:     fmt.Sprintf("The values of column %d of all rows have one type.", i+1),
		Related: []check.Related{{Span: above.Span(), Message: "of the other type"}},
		Mends:   []check.Mend{{Title: "write values of one type", Effect: check.ByHand}},
	})
	return true
}

// widthOf gives the width that all branches have; not ok where they differ, or are not known.
func widthOf(p *check.Pass, body syntax.Body) (int, bool) {
	switch n := body.(type) {
	case *syntax.SetOp:
		left, ok := widthOf(p, n.Left)
		right, also := widthOf(p, n.Right)
		return left, ok && also && left == right
	case *syntax.ParenQuery:
		return widthOf(p, n.Query.Body)
	}
	return p.Width(body)
}

const advice = "cast one to the type of the other, or put the columns in the same order"

// exactColumn is a column of a set operation by the exact types of PostgreSQL, which settles
// the type after each operator.
type exactColumn struct {
	p    *check.Pass
	i    int
	told *bool
}

// of gives the type of a branch, and the expression that the column is there; it reports where
// those of two branches have no type in common.
func (c exactColumn) of(body syntax.Body) (dialect.TypeID, syntax.Expr) {
	switch n := body.(type) {
	case *syntax.SetOp:
		a, x := c.of(n.Left)
		b, y := c.of(n.Right)
		if a == dialect.OpenType || b == dialect.OpenType || c.mustMatch(n.OpSpan, a, b, x, y) {
			return dialect.OpenType, nil
		}
		return c.p.CommonType(a, b), nil
	case *syntax.ParenQuery:
		return c.of(n.Query.Body)
	}
	return c.p.ExactOutput(body, c.i)
}

func (c exactColumn) mustMatch(operator text.Span, a, b dialect.TypeID, x, y syntax.Expr) bool {
	p := c.p
	f := check.Finding{Certainty: check.Likely}
	switch {
	case p.CommonType(a, b) == dialect.OpenType: // anyone may add a cast
		f.Message = fmt.Sprintf("column %d is of type %s before %s, %s behind", c.i+1, p.TitleOf(a), p.BriefOf(operator), p.TitleOf(b))
		f.Why = "Both stand in one column of the result, and neither is converted unasked."
	case a == dialect.UnknownType && isNone(p, b, x):
		y = x
		fallthrough
	case b == dialect.UnknownType && isNone(p, a, y), y == x && y != nil:
		f.Certainty = check.Certain
		f.Message = fmt.Sprintf("column %d holds %s, and %s is none", c.i+1, holds(a, b), p.Brief(y))
		f.Why = "A text in quotes takes the type of the column that it stands in."
	default:
		return false
	}
	f.Mends = []check.Mend{{Title: advice, Effect: check.ByHand}}
	point(&f, operator, x, y, c.i)
	p.Report(f)
	*c.told = true
	return true
}

// point puts a finding at the column behind an operator, beside the one before it.
func point(f *check.Finding, operator text.Span, x, y syntax.Expr, i int) {
	f.Span = operator
	if y != nil {
		f.Span = y.Span()
	}
	if x != nil && x != y {
		f.Related = []check.Related{{Span: x.Span(), Message: fmt.Sprintf("column %d before", i+1)}}
	}
}

// isNone reports whether a literal is surely no value of a type: of a number, or a day.
func isNone(p *check.Pass, t dialect.TypeID, x syntax.Expr) bool {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	return t.IsNumber() && isNoNumber(p, x) || t.IsDay() && ok && n.Lit == syntax.TextLiteral && !facts.MayBeDay(strings.Trim(p.Text(n), "'"))
}

func holds(a, b dialect.TypeID) string {
	if a.IsNumber() || b.IsNumber() {
		return "numbers"
	}
	return "days"
}

// isNoNumber reports whether a text in quotes is surely no number.
func isNoNumber(p *check.Pass, x syntax.Expr) bool {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok && n.Lit == syntax.TextLiteral && !facts.IsValue(p.Info, n, class.Decimal) && facts.HasLetters(p.Info, n)
}

// column is a column of a set operation by the classes of its branches.
type column struct {
	p    *check.Pass
	i    int
	told *bool
}

// of gives the class of a branch, and the expression that the column is there; it reports where
// the dialect makes two branches one of another class than both have, or does not take them
// together.
func (c column) of(body syntax.Body) (class.Class, syntax.Expr) {
	switch n := body.(type) {
	case *syntax.SetOp:
		var room [16]*syntax.SetOp
		ops := room[:0] // a chain may be longer than the stack is deep
		for op := n; op != nil; op, _ = body.(*syntax.SetOp) {
			ops = append(ops, op)
			body = op.Left
		}
		t, x := c.of(body)
		for _, op := range slices.Backward(ops) {
			t, x = c.together(op, t, x)
		}
		return t, x
	case *syntax.ParenQuery:
		return c.of(n.Query.Body)
	}
	t, x := c.p.OutputOf(body, c.i)
	return t.Class, x
}

// together gives what of gives of a set operation, from that of its left side.
func (c column) together(n *syntax.SetOp, a class.Class, x syntax.Expr) (class.Class, syntax.Expr) {
	b, y := c.of(n.Right)
	switch {
	case a == class.Unknown || isNull(x):
		return b, y
	case b == class.Unknown || isNull(y) || a == b:
		return a, x
	}
	m := c.p.Dialect.Meets(dialect.Together, a, b)
	if a.IsNumber() && b.IsNumber() || a.HasDay() && b.HasDay() {
		return max(a, b), nil
	}
	if m != (dialect.Meeting{}) {
		c.tell(n, m, a, b, x, y)
	}
	return class.Unknown, nil
}

func (c column) tell(n *syntax.SetOp, m dialect.Meeting, a, b class.Class, x, y syntax.Expr) {
	p := c.p
	f := check.Finding{
		Certainty: check.Likely,
		Message:   fmt.Sprintf("column %d is %s before %s, %s behind", c.i+1, a.Noun(), p.BriefOf(n.OpSpan), b.Noun()),
		Why:       "Both are made text, so that the result sorts and compares as text.",
		Mends:     []check.Mend{{Title: advice, Effect: check.ByHand}},
	}
	switch {
	case m.Refused:
		f.Certainty, f.Verdicts = check.Certain, p.Check.Verdicts.But(check.Refused, dialect.In(p.Dialect))
		f.Why = fmt.Sprintf("%s converts neither to the other.", p.Dialect.Title())
	case p.Dialect.Invalid(m.As) == dialect.InvalidRefused:
		if x != nil && facts.IsValue(p.Info, x, m.As) || y != nil && facts.IsValue(p.Info, y, m.As) {
			return
		}
		f.Why = fmt.Sprintf("%s makes both %s, and stops with an error at a text that is none.", p.Dialect.Title(), m.As.Noun())
	case isLiteral(x) || isLiteral(y):
		f.Certainty = check.Possible // a word in the place of a number, as for a total
	}
	if p.Dialect.Has(dialect.TextDates) {
		f.Why = "Each row keeps the type of its own branch: numbers sort before texts."
	}
	point(&f, n.OpSpan, x, y, c.i)
	p.Report(f)
	*c.told = true
}

func isLiteral(x syntax.Expr) bool {
	_, ok := x.(*syntax.Literal)
	return ok
}

func isNull(x syntax.Expr) bool {
	n, ok := x.(*syntax.Literal)
	return ok && n.Lit == syntax.NullLiteral
}
