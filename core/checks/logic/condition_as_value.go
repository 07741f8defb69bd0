package logic

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var conditionAsValue = &check.Check{
	ID:    "logic.condition-as-value",
	Title: "a condition where a value stands",
	Doc: "SQL Server has no truth values: what is true or false stands in WHERE, HAVING, ON, CHECK and WHEN, and nowhere else. Its grammar has search_condition there, and " +
		"expression in the select list, in SET, in ORDER BY and as what a function takes. Oracle is the same before 23ai. A CASE makes 1 and 0 of it.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.SQLServer)),
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name, frame_count > 10 AS is_large FROM hives",
		Good:    "SELECT name, CASE WHEN frame_count > 10 THEN 1 ELSE 0 END AS is_large FROM hives",
		Near: []string{
			"SELECT name, frame_count AS is_large FROM hives WHERE frame_count > 10",
			"SELECT name, CASE WHEN frame_count > 10 THEN 1 ELSE 0 END AS is_large FROM hives",
			"SELECT name, IIF(frame_count > 10, 1, 0) AS is_large FROM hives",
			"SELECT frames = frame_count, 'all' = SUM(frame_count) OVER () FROM hives",
			"DECLARE @n int; UPDATE hives SET @n = frame_count = frame_count + 1 WHERE hive_id = 1",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT COUNT(mites > 3) AS many FROM inspections",
		Good:    "SELECT COUNT(CASE WHEN mites > 3 THEN 1 END) AS many FROM inspections",
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name FROM keepers AS k WHERE EXISTS (SELECT 1 FROM hives AS h WHERE h.keeper_id = k.keeper_id) = 1",
	}},
	On: check.Kinds(runConditionAsValue, syntax.KindBinary, syntax.KindUnary, syntax.KindIs, syntax.KindIn, syntax.KindBetween, syntax.KindLike, syntax.KindExists).
		In(dialect.In(dialect.SQLServer, dialect.Oracle)),
}

func runConditionAsValue(p *check.Pass, n syntax.Node) {
	x, ok := n.(syntax.Expr)
	if !ok || !syntax.IsCondition(x) || p.Dialect == dialect.Oracle && (p.Version == 0 || p.Version >= dialect.At(23, 0, 0)) {
		return
	}
	f := check.Finding{Span: x.Span(), Certainty: check.Certain}
	like := p.Stmt.Span.Start
	otherwise := " " + p.Word(like, "ELSE") + " 0"
	switch above := p.Above(x).(type) {
	case *syntax.SelectItem:
		if syntax.SetsVariable(x) {
			return
		}
		f.Message = fmt.Sprintf("%s is a condition, and no value that a query can give", p.Brief(x))
	case *syntax.Assign:
		if _, variable := above.Target.(*syntax.Param); variable {
			return // SET @n = frame_count = 5 gives both the value
		}
		f.Message = fmt.Sprintf("%s is a condition, and no value that a column can have", p.Brief(x))
	case *syntax.OrderItem:
		f.Message = fmt.Sprintf("%s is a condition, and nothing to order by", p.Brief(x))
	case *syntax.Call:
		if !p.IsAggregate(above) || len(above.Args) == 0 || syntax.Unparen(above.Args[0]) != x {
			return
		}
		f.Message = fmt.Sprintf("%s is a condition, and no value to aggregate", p.Brief(x))
		if p.FunctionName(above) == "count" {
			otherwise = ""
		}
	case *syntax.Binary:
		if _, binary := x.(*syntax.Binary); binary && above.X == x || !above.Op.IsComparison() {
			return // logic.chained-comparison tells of it
		}
		f.Message = fmt.Sprintf("%s is true or false, which %s cannot be compared with", p.Brief(x), p.Brief(other(above, x)))
		f.Mends = []check.Mend{{Title: "write the condition by itself, with NOT where it is to be false", Effect: check.ByHand}}
	default:
		return
	}
	if p.Dialect == dialect.Oracle {
		f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.Oracle))
		f.Why = "Oracle has values that are true or false since 23ai."
	} else {
		f.Why = "There are no values that are true or false here; a condition stands in WHERE, HAVING, ON and WHEN."
	}
	if f.Mends == nil {
		whole := x.Span()
		for paren, ok := p.Parent(x).(*syntax.Paren); ok; paren, ok = p.Parent(paren).(*syntax.Paren) {
			whole = paren.Span()
		}
		f.Mends = []check.Mend{{Title: "make a number of it", Effect: check.NewRows, Edits: []text.Edit{check.Replace(whole,
			fmt.Sprintf("%s %s %s 1%s %s", p.Word(like, "CASE WHEN"), p.Text(x), p.Word(like, "THEN"), otherwise, p.Word(like, "END")))}}}
	}
	p.Report(f)
}

// other gives the side of a comparison that an expression is not.
func other(b *syntax.Binary, x syntax.Expr) syntax.Expr {
	if syntax.Unparen(b.X) == x {
		return b.Y
	}
	return b.X
}
