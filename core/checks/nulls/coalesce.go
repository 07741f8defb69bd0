package nulls

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var needlessCoalesce = &check.Check{
	ID:    "null.needless-coalesce",
	Title: "a replacement for NULL around what is never NULL",
	Doc: "COALESCE and its kin give another value where the first is NULL. Around a column that is declared NOT NULL, or a COUNT, they never do. A reader believes " +
		"that there are NULLs, and in WHERE no index on the column can be used.",
	Verdicts: check.Everywhere(check.Unclear),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT COALESCE(frame_count, 0) AS frames FROM hives",
		Good: "SELECT frame_count AS frames FROM hives",
		Near: []string{
			"SELECT COALESCE(queen_id, 0) AS queen FROM hives",
			"SELECT h.name, COALESCE(g.weight_kg, 0) AS kg FROM hives h LEFT JOIN harvests g ON g.hive_id = h.hive_id",
			"SELECT COALESCE(SUM(weight_kg), 0) AS kg FROM harvests",
			"SELECT COALESCE(MAX(frame_count), 0) AS most FROM hives",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE COALESCE(frame_count, 0) > 8",
		Good: "SELECT name FROM hives WHERE frame_count > 8",
	}, {
		Bad:  "SELECT a.name, COALESCE((SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id), 0) AS hives FROM apiaries a",
		Good: "SELECT a.name, (SELECT COUNT(*) FROM hives h WHERE h.apiary_id = a.apiary_id) AS hives FROM apiaries a",
	}},
	On: check.Calls(runNeedlessCoalesce, "coalesce", "ifnull", "nvl", "isnull"),
}

func runNeedlessCoalesce(p *check.Pass, c *syntax.Call) {
	if len(c.Args) < 2 || !facts.IsPlainCall(c) {
		return
	}
	first := syntax.Unparen(c.Args[0])
	if _, literal := first.(*syntax.Literal); literal || p.Nullable(first) != facts.No {
		return // of literals null.lonely-coalesce tells
	}
	what := "it"
	why := "Text and tables prove it."
	switch n := first.(type) {
	case *syntax.Name:
		what = p.Brief(n)
		if u := p.Use(n); u.Source != nil && u.Source.SchemaTable() != nil {
			why = fmt.Sprintf("The table declares it NOT NULL, and no outer join fills %s with NULLs.", p.SourceName(u.Source))
		}
	case *syntax.Call:
		what = p.Brief(n)
		if p.FunctionName(n) == "count" {
			why = "COUNT of no rows is 0."
		}
	case *syntax.Subquery:
		what, why = "this subquery", "COUNT of no rows is 0."
	default:
		what = p.Brief(n)
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Certain, Why: why,
		Message: fmt.Sprintf("%s is never NULL, so %s does nothing", what, p.FunctionText(c))}
	if where, _ := p.Enclosing(c, conditions); where != nil && isColumn(first) {
		f.Verdicts = check.Everywhere(check.Slow)
		f.Why += " An index on it cannot be used inside a function."
	}
	if n, ok := first.(*syntax.Name); ok && isGathered(p, n) {
		f.Certainty = check.Possible
	}
	f.Mends = []check.Mend{withoutCall(p, c)}
	p.Report(f)
}

// withoutCall puts the first argument in the place of a call. It keeps the rows where the other
// arguments do not change the type.
func withoutCall(p *check.Pass, c *syntax.Call) check.Mend {
	m := check.Mend{Title: "write " + p.Brief(c.Args[0]) + " alone", Effect: check.SameRows,
		Edits: []text.Edit{check.Replace(c.Span(), p.Text(c.Args[0]))}}
	if p.HasComment(c.Span()) {
		m.Edits = nil
	}
	of := p.Type(c.Args[0]).Class
	for _, x := range c.Args[1:] {
		if t := p.Type(x).Class; of == class.Unknown || t != of && !isNull(x) {
			m.Effect = check.ByHand
		}
	}
	if of != class.Integer && of != class.Text && len(c.Args) > 1 {
		m.Effect = check.ByHand // whose digits may be those of both
	}
	return m
}

func isColumn(x syntax.Expr) bool {
	_, ok := x.(*syntax.Name)
	return ok
}

var lonelyCoalesce = &check.Check{
	ID:    "null.lonely-coalesce",
	Title: "COALESCE with one argument, or with a constant first",
	Doc: "COALESCE gives the first of its arguments that is not NULL. With a single argument it gives that argument. With a constant first it never looks at the " +
		"others; most likely they stand the wrong way round.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT COALESCE(moved_on) AS moved FROM hives",
		Good:    "SELECT moved_on AS moved FROM hives",
		Near: []string{
			"SELECT COALESCE(moved_on, DATE '2026-05-01') AS moved FROM hives",
			"SELECT COALESCE(NULL, moved_on) AS moved FROM hives",
			"SELECT COALESCE(queen_id, 0, 1) AS queen FROM hives",
		},
	}, {
		Bad:  "SELECT COALESCE('none', remark) AS remark FROM inspections",
		Good: "SELECT COALESCE(remark, 'none') AS remark FROM inspections",
	}},
	On: check.Calls(runLonelyCoalesce, "coalesce", "ifnull", "nvl"),
}

func runLonelyCoalesce(p *check.Pass, c *syntax.Call) {
	if !facts.IsPlainCall(c) || len(c.Args) == 0 || syntax.IsPut(c.Args[len(c.Args)-1]) {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Certain}
	if len(c.Args) == 1 {
		if p.FunctionName(c) != "coalesce" || refusesLonely.Has(p.Dialect) {
			return // type.argument-count tells
		}
		f.Message = fmt.Sprintf("%s of one value is that value", p.FunctionText(c))
		f.Why = "It gives the first argument that is not NULL, and there is no other."
		f.Mends = []check.Mend{{Title: "add the value that stands for NULL", Effect: check.ByHand}, withoutCall(p, c)}
		p.Report(f)
		return
	}
	l, ok := syntax.Unparen(c.Args[0]).(*syntax.Literal)
	if !ok || isNull(l) || p.Nullable(l) != facts.No {
		return
	}
	f.Verdicts = check.Everywhere(check.Wrong)
	f.Certainty = check.Likely
	f.Message = fmt.Sprintf("%s always gives %s", p.Brief(c), p.Brief(l))
	f.Why = "A constant is not NULL, so the arguments behind it are never looked at."
	if len(c.Args) == 2 {
		f.Mends = []check.Mend{{Title: "put the constant last", Effect: check.NewRows, Edits: p.Swap(c.Args[0], c.Args[1])}}
	} else {
		f.Mends = []check.Mend{{Title: "put the constant last", Effect: check.ByHand}}
	}
	p.Report(f)
}

// refusesLonely are the databases on which COALESCE takes two arguments at least.
var refusesLonely = dialect.In(dialect.SQLite, dialect.SQLServer, dialect.Oracle)
