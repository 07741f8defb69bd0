package matches

import (
	"fmt"
	"strings"
	"time"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var onNumber = &check.Check{
	ID:    "match.on-number",
	Title: "pattern matched against a number or a date",
	Doc: "LIKE is for texts. PostgreSQL refuses it for others; the other databases make every number or date a text first, so that no index serves. The text of a date hangs on " +
		"settings on Oracle, and that of a datetime on SQL Server, so that '2026-05%' may match nothing.",
	Verdicts: check.Everywhere(check.Slow).But(check.Refused, dialect.In(dialect.Postgres)).But(check.Unclear, dialect.In(dialect.ANSI)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE moved_on LIKE '2026-05%'",
		Good:    "SELECT name FROM hives WHERE moved_on >= '2026-05-01' AND moved_on < '2026-06-01'",
		Near:    []string{"SELECT name FROM hives WHERE name LIKE '2026-05%'", "SELECT name FROM hives WHERE CAST(frame_count AS char) LIKE '1%'", "SELECT name FROM hives WHERE CONCAT(hive_id, '') LIKE '1%'"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name FROM hives WHERE moved_on LIKE '2026%'",
		Good:    "SELECT name FROM hives WHERE moved_on >= '20260101' AND moved_on < '20270101'",
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT name FROM hives WHERE frame_count LIKE '1%'",
	}},
	On: check.Nodes(runOnNumber).In(dialect.Everywhere &^ dialect.In(dialect.Postgres)),
}

func runOnNumber(p *check.Pass, n *syntax.Like) {
	name, ok := syntax.Unparen(n.X).(*syntax.Name)
	if !ok || n.Op != syntax.OpLike || !p.Tells(n) {
		return
	}
	of := p.Type(name).Class
	if !of.IsNumber() && !(of.HasDay() && !p.Dialect.Has(dialect.TextDates)) {
		return
	}
	f := check.Finding{
		Span: n.Span(), Certainty: check.Certain, Verdicts: p.Check.Verdicts,
		Message: fmt.Sprintf("%s is %s, and LIKE matches texts", p.Brief(name), of.Noun()),
		Why:     "Every value is made a text first, so that an index on it does not serve.",
		Mends:   []check.Mend{{Title: "compare with two bounds", Effect: check.ByHand}},
	}
	if of.HasDay() && hangsOnSettings(p, name) {
		f.Verdicts = p.Check.Verdicts.But(check.Wrong, dialect.In(p.Dialect))
		f.Why = "How a date looks as text is a setting of the session; the pattern may match nothing."
	}
	if low, high, ok := spanOf(p, n.Pattern); ok && of.HasDay() && n.Escape == nil {
		column := p.Text(n.X)
		condition := fmt.Sprintf("%s >= %s %s %s < %s", column, p.Dialect.Day(low), p.Word(p.Stmt.Span.Start, "AND"), column, p.Dialect.Day(high))
		if n.Not {
			condition = fmt.Sprintf("(%s < %s %s %s >= %s)", column, p.Dialect.Day(low), p.Word(p.Stmt.Span.Start, "OR"), column, p.Dialect.Day(high))
		} else if !amongAnds(p, n) {
			condition = "(" + condition + ")"
		}
		f.Mends = []check.Mend{{Title: "ask for the range", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), condition)}}}
	}
	p.Report(f)
}

// hangsOnSettings reports whether the text that a date or time is made hangs on settings: on Oracle, and on
// SQL Server of the older types (SQL Server, "CAST and CONVERT", styles: the others are written as ISO does).
func hangsOnSettings(p *check.Pass, name *syntax.Name) bool {
	switch p.Dialect {
	case dialect.Oracle:
		return true
	case dialect.SQLServer:
		word := p.Type(name).Word()
		return word == "datetime" || word == "smalldatetime"
	}
	return false
}

// amongAnds reports whether a condition stands alone or among ANDs.
func amongAnds(p *check.Pass, n syntax.Expr) bool {
	switch above := p.Parent(n).(type) {
	case *syntax.Where, *syntax.Join, *syntax.Having, *syntax.Paren:
		return true
	case *syntax.Binary:
		return above.Op == syntax.OpAnd
	}
	return false
}

// spanOf reads a pattern that is a year, a month or a day and % as the days from low up to,
// and without, high.
func spanOf(p *check.Pass, pattern syntax.Expr) (low, high string, ok bool) {
	lit, ok := syntax.Unparen(pattern).(*syntax.Literal)
	if !ok || lit.Lit != syntax.TextLiteral {
		return "", "", false
	}
	begins := strings.TrimRight(strings.Trim(p.Text(lit), "'"), "%")
	if begins == strings.Trim(p.Text(lit), "'") {
		return "", "", false
	}
	for _, form := range []struct {
		layout string
		years  int
		months int
		days   int
	}{{"2006", 1, 0, 0}, {"2006-", 1, 0, 0}, {"2006-01", 0, 1, 0}, {"2006-01-", 0, 1, 0}, {"2006-01-02", 0, 0, 1}, {"2006-01-02 ", 0, 0, 1}} {
		if day, err := time.Parse(form.layout, begins); err == nil {
			return day.Format(time.DateOnly), day.AddDate(form.years, form.months, form.days).Format(time.DateOnly), true
		}
	}
	return "", "", false
}
