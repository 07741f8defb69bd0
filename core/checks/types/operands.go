package types

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var operands = &check.Check{
	ID:     "type.operands",
	Title:  "operator that does not take values of these types",
	Errors: []string{"42883", "ORA-00932", "Msg 402", "4078", "1241", "42804"},
	Doc: "PostgreSQL compares and reckons with values of types that go together, and converts only what loses nothing: text and number, or date and text, have no " +
		"= in common. A text in quotes alone takes the type that its place asks for. The other databases convert one side.",
	Verdicts:  check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.Postgres)),
	Elsewhere: "one side is converted, so that rows may be found that are not meant, an index is not used, or the query stops with an error",
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE name = 7",
		Good:    "SELECT name FROM hives WHERE name = '7'",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count = '7'",
			"SELECT name FROM hives WHERE frame_count > 7.5",
			"SELECT name || hive_id FROM hives",
			"SELECT name FROM hives WHERE moved_on > CURRENT_TIMESTAMP",
			"CREATE FUNCTION is_text(integer, varchar) RETURNS boolean LANGUAGE sql AS 'SELECT $1::text = $2'; " +
				"CREATE OPERATOR = (LEFTARG = integer, RIGHTARG = varchar, FUNCTION = is_text); SELECT name FROM hives WHERE hive_id = name",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT h.name FROM hives h JOIN keepers k ON k.name = h.hive_id",
		Near:    []string{"SELECT h.name FROM hives h JOIN keepers k ON k.name = CAST(h.hive_id AS text)"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name + frame_count FROM hives",
		Good:    "SELECT name || frame_count FROM hives",
		Near:    []string{"SELECT moved_on + frame_count FROM hives"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE frame_count LIKE '1%'",
		Good:    "SELECT name FROM hives WHERE CAST(frame_count AS text) LIKE '1%'",
		Near:    []string{"SELECT name FROM hives WHERE CAST(frame_count AS text) LIKE '1%'"},
	}},
	On: check.Kinds(runOperands, syntax.KindIn, syntax.KindBetween, syntax.KindLike, syntax.KindCase, syntax.KindUnary, syntax.KindIs, syntax.KindLimit).
		And(check.Comparisons(runOperator)).
		And(check.Operators(runOperator, syntax.OpAdd, syntax.OpSubtract, syntax.OpMultiply, syntax.OpDivide, syntax.OpModulo, syntax.OpConcat,
			syntax.OpBitAnd, syntax.OpBitOr, syntax.OpBitXor, syntax.OpShift)).
		And(check.Calls(runNullif, "nullif")).
		In(dialect.In(dialect.Postgres)).
		And(ownPlaces),
}

func runOperator(p *check.Pass, n *syntax.Binary) {
	left := p.Exact(n.X)
	if left == dialect.OpenType {
		if n.Op.IsComparison() && isRow(n.X) {
			mustTakeRow(p, n)
		}
		return
	}
	right := p.Exact(n.Y)
	if right == dialect.OpenType {
		if q, ok := syntax.Unparen(n.Y).(*syntax.Quantified); ok {
			mustTakeQuantified(p, n, q, left)
		}
		return
	}
	if n.Op.IsComparison() && dialect.QuickCompare(left, right) {
		return
	}
	if n.Op.IsComparison() && (isComparison(n.X) || isComparison(n.Y)) { // a chain is explained by another check
		return
	}
	if p.Tells(n) {
		mustTake(p, p.OperatorText(n), n.X, n.Y, n.Span())
	}
}

func runOperands(p *check.Pass, n syntax.Node) {
	if !p.Tells(n) {
		return
	}
	switch n := n.(type) {
	case *syntax.In:
		mustTakeIn(p, n)
	case *syntax.Is:
		if n.Test == syntax.IsTrue || n.Test == syntax.IsFalse || n.Test == syntax.IsUnknown {
			mustBeTruth(p, n)
		} else if n.Test == syntax.IsDistinctFrom && n.Y != nil {
			mustTake(p, "=", n.X, n.Y, n.Span())
		}
	case *syntax.Limit:
		for _, x := range []syntax.Expr{n.Count, n.Offset} {
			mustCount(p, x)
		}
	case *syntax.Between:
		if !mustTake(p, ">=", n.X, n.Low, n.Low.Span()) {
			mustTake(p, "<=", n.X, n.High, n.High.Span())
		}
	case *syntax.Like:
		switch n.Op {
		case syntax.OpLike:
			mustTake(p, "~~", n.X, n.Pattern, n.Span())
		case syntax.OpILike:
			mustTake(p, "~~*", n.X, n.Pattern, n.Span())
		}
	case *syntax.Case:
		if n.Operand != nil {
			for _, w := range n.Whens {
				if mustTake(p, "=", n.Operand, w.Cond, w.Cond.Span()) {
					return
				}
			}
		}
	case *syntax.Unary:
		if n.Op == syntax.OpNegate {
			mustNegate(p, n)
		}
	}
}

// mustNegate reports a minus sign that there is not for the type of its operand, or several.
func mustNegate(p *check.Pass, n *syntax.Unary) {
	t := p.Exact(n.X)
	if t.IsNumber() {
		return
	}
	f := check.Finding{Span: n.Span(), Certainty: check.Likely} // anyone may add an operator
	switch _, o := p.Operator("-", dialect.OpenType, t); o {
	case dialect.None:
		f.Message = fmt.Sprintf("%s has no minus sign for %s", p.Dialect.Title(), p.TitleOf(t))
		f.Why = fmt.Sprintf("%s is %s.", p.Brief(n.X), p.TypeIs(t))
		f.Mends = []check.Mend{{Title: "convert the value first", Effect: check.ByHand}}
	case dialect.Several:
		f.Message = fmt.Sprintf("%s cannot tell of what type %s is, and so which minus sign is meant", p.Dialect.Title(), p.Brief(n.X))
		f.Why = "A text in quotes takes its type from its place, and a minus sign stands before values of several."
		f.Mends = []check.Mend{{Title: "leave the quotes out, or cast the text", Effect: check.ByHand}}
	default:
		return
	}
	p.Report(f)
}

// mustTakeIn holds the left side of IN against each value behind it, or against the columns of
// the subquery.
func mustTakeIn(p *check.Pass, n *syntax.In) {
	if n.Query != nil {
		mustTakeColumns(p, "=", n.X, n.Query, n.Span())
		return
	}
	for _, x := range n.List {
		if rows, ok := pairs(n.X, x); ok {
			for _, pair := range rows {
				if mustTake(p, "=", pair[0], pair[1], pair[1].Span()) {
					return
				}
			}
		} else if mustTake(p, "=", n.X, x, x.Span()) {
			return
		}
	}
}

// mustTakeColumns holds the values on the left, one or a row of them, against the columns of
// a query.
func mustTakeColumns(p *check.Pass, operator string, x syntax.Expr, q *syntax.Query, at text.Span) {
	values := []syntax.Expr{x}
	if row, ok := syntax.Unparen(x).(*syntax.Row); ok {
		values = row.Items
	}
	for i, x := range values {
		left := p.Exact(x)
		right, of := p.ExactOutput(q.Body, i)
		if left == dialect.OpenType || right == dialect.OpenType || dialect.QuickCompare(left, right) {
			continue
		}
		if _, o := p.Infix(operator, left, right); o != dialect.None {
			continue
		}
		f := check.Finding{
			Span: at, Certainty: check.Likely, // anyone may add an operator
			Message: fmt.Sprintf("%s has no %s for %s and %s", p.Dialect.Title(), operator, p.TitleOf(left), p.TitleOf(right)),
			Why:     fmt.Sprintf("%s is %s, the subquery gives values of type %s, and neither is converted unasked.", p.Brief(x), p.TypeIs(left), p.TitleOf(right)),
			Mends:   []check.Mend{{Title: "select another column, or cast one side to the type of the other", Effect: check.ByHand}},
		}
		if of != nil {
			f.Related = []check.Related{{Span: of.Span(), Message: "the column of the subquery"}}
		}
		p.Report(f)
		return
	}
}

// mustTakeQuantified holds a value against what stands in ANY (…) or ALL (…).
func mustTakeQuantified(p *check.Pass, n *syntax.Binary, q *syntax.Quantified, left dialect.TypeID) {
	if !p.Tells(n) {
		return
	}
	if q.Query != nil {
		mustTakeColumns(p, p.OperatorText(n), n.X, q.Query, n.Span())
		return
	}
	if t := p.Exact(q.X); t.IsNumber() || t.IsDay() || t == dialect.TextType || t == dialect.VarcharType || t == dialect.BoolType {
		p.Report(check.Finding{
			Span: q.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("%s is no array, but %s", p.Brief(q.X), strings.TrimPrefix(p.TypeIs(t), "of ")),
			Why:     "ANY and ALL look through an array, or the rows of a subquery.",
			Mends:   []check.Mend{{Title: "compare with the value itself", Effect: check.ByHand}},
		})
	}
}

func isRow(x syntax.Expr) bool {
	_, ok := syntax.Unparen(x).(*syntax.Row)
	return ok
}

// mustTakeRow holds the values of two rows against each other.
func mustTakeRow(p *check.Pass, n *syntax.Binary) {
	rows, ok := pairs(n.X, n.Y)
	if !ok || !p.Tells(n) {
		return
	}
	for _, pair := range rows {
		if mustTake(p, p.OperatorText(n), pair[0], pair[1], pair[1].Span()) {
			return
		}
	}
}

// pairs gives the values of two rows of one width side by side.
func pairs(x, y syntax.Expr) (list [][2]syntax.Expr, ok bool) {
	a, ok := syntax.Unparen(x).(*syntax.Row)
	b, also := syntax.Unparen(y).(*syntax.Row)
	if !ok || !also || len(a.Items) != len(b.Items) {
		return nil, false
	}
	for i := range a.Items {
		list = append(list, [2]syntax.Expr{a.Items[i], b.Items[i]})
	}
	return list, true
}

// mustBeTruth reports a test for true or false of what is neither.
func mustBeTruth(p *check.Pass, n *syntax.Is) {
	t := p.Exact(n.X)
	if t == dialect.OpenType || t == dialect.UnknownType || t == dialect.BoolType {
		return
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is %s, neither true nor false", p.Brief(n.X), p.TypeIs(t)),
		Why:     "IS TRUE and IS FALSE test conditions.",
		Mends:   []check.Mend{{Title: "compare it with a value", Effect: check.ByHand}},
	})
}

// mustCount reports a row limit that is no number.
func mustCount(p *check.Pass, x syntax.Expr) {
	if x == nil {
		return
	}
	t := p.Exact(x)
	if t == dialect.OpenType || t == dialect.UnknownType || t.IsNumber() {
		return
	}
	p.Report(check.Finding{
		Span: x.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is %s, and counts no rows", p.Brief(x), p.TypeIs(t)),
		Why:     "A row limit is a whole number.",
		Mends:   []check.Mend{{Title: "write a number", Effect: check.ByHand}},
	})
}

func isComparison(x syntax.Expr) bool {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	return ok && b.Op.IsComparison()
}

// mustTake reports an operator that there is not for the types of its operands.
func mustTake(p *check.Pass, operator string, x, y syntax.Expr, at text.Span) bool {
	left := p.Exact(x)
	if left == dialect.OpenType {
		return false
	}
	right := p.Exact(y)
	_, o := p.Infix(operator, left, right)
	if o != dialect.None && o != dialect.Several || isBareDay(p, x) || isBareDay(p, y) {
		return false
	}
	if operator == "%" && isTextType(p, left) && (isTextType(p, right) || right == dialect.UnknownType) {
		return false // how alike two texts are, which the extension pg_trgm tells
	}
	shown := operator
	switch operator {
	case "~~":
		shown = "LIKE"
	case "~~*":
		shown = "ILIKE"
	}
	f := check.Finding{
		Span: at, Certainty: check.Likely, // anyone may add an operator
		Message: fmt.Sprintf("%s has no %s for %s and %s", p.Dialect.Title(), shown, p.TitleOf(left), p.TitleOf(right)),
		Why:     fmt.Sprintf("%s is %s, %s is %s, and neither is converted unasked.", p.Brief(x), p.TypeIs(left), p.Brief(y), p.TypeIs(right)),
		Mends:   operandMends(p, operator, operand{x, left}, operand{y, right}),
	}
	if left == right {
		f.Why = fmt.Sprintf("%s and %s are both %s.", p.Brief(x), p.Brief(y), p.TypeIs(left))
	}
	if o == dialect.Several {
		f.Message = fmt.Sprintf("%s has several %s for %s and %s, and cannot choose", p.Dialect.Title(), shown, p.TitleOf(left), p.TitleOf(right))
		f.Why = "A cast says which is meant."
	}
	p.Report(f)
	return true
}

// runNullif holds the arguments of NULLIF against each other.
func runNullif(p *check.Pass, c *syntax.Call) {
	if p.Tells(c) && facts.IsPlainCall(c) && len(c.Args) == 2 {
		mustTake(p, "=", c.Args[0], c.Args[1], c.Span())
	}
}

// operand is one side of an operator, with its type.
type operand struct {
	x  syntax.Expr
	of dialect.TypeID
}

// operandMends offers what is likely meant: quotes round a number beside text or a day,
// the operator that joins texts, a cast where LIKE wants text; else it is told in words.
func operandMends(p *check.Pass, operator string, left, right operand) []check.Mend {
	for _, side := range [][2]operand{{left, right}, {right, left}} {
		other, n := side[0], side[1]
		number, ok := syntax.Unparen(n.x).(*syntax.Literal)
		ok = ok && number.Lit == syntax.NumberLiteral
		written := func() string { return p.Text(number) }
		switch {
		case operator == "+" && isTextType(p, n.of):
			if b, ok := p.Above(n.x).(*syntax.Binary); ok {
				return []check.Mend{{Title: "join texts with ||", Effect: check.NewRows, Edits: []text.Edit{check.Replace(b.OpSpan, "||")}}}
			}
		case ok && isTextType(p, other.of) && !strings.ContainsAny(operator, "+-*/%^"):
			return []check.Mend{{Title: "write the number as text", Effect: check.NewRows, Edits: []text.Edit{check.Replace(number.Span(), "'"+written()+"'")}}}
		case ok && other.of.IsDay() && operator != "+" && operator != "-":
			if iso, ok := facts.DayOfDigits(written()); ok {
				return []check.Mend{{Title: "write the day in quotes", Effect: check.NewRows, Edits: []text.Edit{check.Replace(number.Span(), p.Dialect.Day(iso))}}}
			}
		}
	}
	if strings.HasPrefix(operator, "~~") && !isTextType(p, left.of) && left.of != dialect.UnknownType {
		return []check.Mend{{Title: "compare it as text", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(left.x.Span(), "CAST("+p.Text(left.x)+" AS text)")}}}
	}
	return []check.Mend{{Title: "cast one side to the type of the other", Effect: check.ByHand}}
}

// isBareDay reports whether a date without quotes is told as such by a check of its own.
func isBareDay(p *check.Pass, x syntax.Expr) bool {
	_, ok := p.DayWithoutQuotes(syntax.Unparen(x))
	return ok
}

func isTextType(p *check.Pass, t dialect.TypeID) bool {
	types := p.Dialect.Types()
	return types.IsText(types.Name(t))
}
