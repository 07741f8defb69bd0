package types

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var textOrder = &check.Check{
	ID:       "type.text-order",
	Title:    "digits compared as text",
	Doc:      "In a column of text digits are compared letter by letter, and '9' is after '10', for 9 comes after 1. A greater number may be a smaller text. CAST compares them as numbers.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE name > '9'",
		Near: []string{
			"SELECT name FROM hives WHERE name = '9'",
			"SELECT name FROM hives WHERE frame_count > 9",
			"SELECT name FROM hives WHERE name > 'M'",
			"SELECT hive_id FROM harvests WHERE taken_on > '2026-05-01'",
		},
	}, {
		Bad:  "SELECT CAST(frame_count AS varchar(10)) AS frames FROM hives WHERE frame_count IN (8, 9, 10) ORDER BY frames FETCH FIRST 1 ROWS ONLY",
		Good: "SELECT CAST(frame_count AS varchar(10)) AS frames FROM hives WHERE frame_count IN (8, 9, 10) ORDER BY hives.frame_count FETCH FIRST 1 ROWS ONLY",
		Near: []string{
			"SELECT CAST(jars AS varchar(10)) AS label FROM sales ORDER BY sale_id",
			"SELECT name FROM hives ORDER BY name",
			"SELECT CAST(taken_on AS varchar(10)) AS day FROM harvests ORDER BY day",
		},
	}},
	On: check.Comparisons(runTextOrder).With(facts.TextSide).And(check.Nodes(runTextSorted)),
}

// runTextSorted looks at a number that is sorted by as a text.
func runTextSorted(p *check.Pass, item *syntax.OrderItem) {
	x := item.X
	if n, ok := syntax.Unparen(x).(*syntax.Name); ok && p.Use(n).Status == bind.OutputAlias {
		output := p.Use(n).Item
		if output == nil {
			return
		}
		x = output.X
	}
	c, ok := syntax.Unparen(x).(*syntax.Cast)
	if !ok || c.Type == nil || p.Type(c).Class != class.Text || !p.Tells(c) {
		return
	}
	number, ok := syntax.Unparen(c.X).(*syntax.Name)
	if !ok || !p.Type(number).Class.IsNumber() {
		return
	}
	m := check.Mend{Title: "sort by the number itself", Effect: check.ByHand}
	q, _ := p.Nearest(item, syntax.Kinds(syntax.KindQuery)).(*syntax.Query)
	if q != nil {
		if sel, ok := q.Body.(*syntax.Select); ok && !sel.Distinct && sel.GroupBy == nil {
			m.Effect, m.Edits = check.NewRows, []text.Edit{check.Replace(item.X.Span(), qualified(p, number))}
		}
	}
	p.Report(check.Finding{Span: item.X.Span(), Context: item.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is sorted as a text, letter by letter", p.Brief(number)),
		Why:     "As texts '9' is after '10'.",
		Mends:   []check.Mend{m},
	})
}

// qualified writes a column with its source, so that no alias is meant.
func qualified(p *check.Pass, n *syntax.Name) string {
	if source := p.Use(n).Source; len(n.Parts) == 1 && source != nil && !source.Name.IsZero() {
		return p.Ident(source.Name) + "." + p.Text(n)
	}
	return p.Text(n)
}

func runTextOrder(p *check.Pass, b *syntax.Binary) {
	if b.Op == syntax.OpEqual || b.Op == syntax.OpNotEqual {
		return
	}
	n, ok := syntax.Unparen(b.X).(*syntax.Name)
	l, also := syntax.Unparen(b.Y).(*syntax.Literal)
	if !ok {
		n, ok = syntax.Unparen(b.Y).(*syntax.Name)
		l, also = syntax.Unparen(b.X).(*syntax.Literal)
	}
	if !ok || !also || l.Lit != syntax.TextLiteral || p.Type(n).Class != class.Text {
		return
	}
	digits := strings.Trim(p.Text(l), "'")
	if len(digits) == 0 || len(digits) > 7 || digits[0] == '0' || strings.Trim(digits, "0123456789") != "" || len(digits) == 4 && (digits[:2] == "19" || digits[:2] == "20") {
		return // a year, a day or a code with zeros before it sorts as it is
	}
	p.Report(check.Finding{Span: b.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is text, and is compared with %s letter by letter", p.Brief(n), p.Brief(l)),
		Why:     "As texts '9' is after '10'.",
		Mends:   []check.Mend{{Title: fmt.Sprintf("compare CAST(%s AS integer) with a number, or keep numbers in a column of numbers", p.Brief(n)), Effect: check.ByHand}},
	})
}

var aggregateArgument = &check.Check{
	ID:       "type.aggregate-argument",
	Title:    "SUM or AVG of a text",
	Doc:      "PostgreSQL and SQL Server have no SUM of texts. The others read a number off the beginning of each, and take 0 for what has none, so a wrong column gives 0 and no error.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Refused, dialect.In(dialect.SQLServer)).But(check.Fine, dialect.In(dialect.Postgres)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT SUM(name) AS s FROM hives",
		Near: []string{
			"SELECT SUM(frame_count) AS s FROM hives",
			"SELECT MAX(name) AS s FROM hives",
			"SELECT SUM(frame_count > 8) AS s FROM hives",
			"SELECT SUM(CAST(name AS UNSIGNED)) AS s FROM hives",
		},
	}},
	On: check.Aggregates(runAggregateArgument, "sum", "avg").In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.SQLServer, dialect.Oracle, dialect.Spark)),
}

// isBit reports whether an expression is a column of bits, or a cast to one.
func isBit(p *check.Pass, x syntax.Expr) bool {
	switch x = syntax.Unparen(x); n := x.(type) {
	case *syntax.Name:
		return p.ColumnOf(n) != nil && p.Type(x).Word() == "bit"
	case *syntax.Cast:
		return n.Type != nil && strings.EqualFold(p.Text(n.Type), "bit")
	}
	return false
}

func runAggregateArgument(p *check.Pass, c *syntax.Call) {
	if len(c.Args) != 1 {
		return
	}
	if p.Dialect == dialect.SQLServer && isBit(p, c.Args[0]) {
		p.Report(check.Finding{Span: c.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.SQLServer)),
			Message: fmt.Sprintf("%s is a bit, and SQL Server has no %s of bits", p.Brief(c.Args[0]), p.FunctionText(c)),
			Why:     "A bit is no number to reckon with.",
			Mends: []check.Mend{{Title: "make an integer of it", Effect: check.NewRows,
				Edits: []text.Edit{check.Replace(c.Args[0].Span(), p.Word(c.Span().Start, "CAST")+"("+p.Text(c.Args[0])+" "+p.Word(c.Span().Start, "AS")+" int)")}}},
		})
		return
	}
	n, ok := syntax.Unparen(c.Args[0]).(*syntax.Name)
	if !ok || p.ColumnOf(n) == nil || p.Type(n).Class != class.Text {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is text, and %s adds up the numbers it begins with", p.Brief(n), p.FunctionText(c)),
		Why:     "What begins with no number counts as 0.",
		Mends:   []check.Mend{{Title: "add up the column of numbers that is meant", Effect: check.ByHand}},
	}
	if p.Dialect == dialect.SQLServer {
		f.Message = fmt.Sprintf("%s is text, and cannot be added up", p.Brief(n))
		f.Why = "SQL Server has no SUM or AVG of texts."
	}
	p.Report(f)
}
