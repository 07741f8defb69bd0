package indexes

import (
	"fmt"
	"strconv"
	"strings"
	"time"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
	"justlens/core/text"
)

// rangeMend writes a comparison of a year or a day as a half-open range of the
// bare column. It keeps the rows if the column is known to hold dates.
func rangeMend(p *check.Pass, c comparison, u *bind.Use, column *syntax.Name) (check.Mend, bool) {
	var low, high string // from the first instant of the first value; before that after the last
	switch part(p, c.function, column) {
	case wholeYear:
		low, high = yearBounds(p, c.values)
	case wholeDay:
		low, high = dayBounds(p, c.values)
	}
	if low == "" || high == "" {
		return check.Mend{}, false
	}
	name, start := p.Text(column), c.node.Span().Start
	condition := ""
	switch c.op {
	case syntax.OpEqual, syntax.OpNone:
		condition = fmt.Sprintf("%s >= %s %s %s < %s", name, low, p.Word(conjunction(p, c), "AND"), name, high)
		if needsParentheses(p, c.node) {
			condition = "(" + condition + ")"
		}
	case syntax.OpGreaterEqual:
		condition = name + " >= " + low
	case syntax.OpLess:
		condition = name + " < " + low
	case syntax.OpLessEqual:
		condition = name + " < " + high
	case syntax.OpGreater:
		condition = name + " >= " + high
	default:
		return check.Mend{}, false
	}
	effect, title := check.SameRows, "ask for the range"
	if !holdsDates(p, u) {
		effect, title = check.ByHand, fmt.Sprintf("ask for the range, if %s holds dates", name)
	}
	return check.Mend{Title: title, Effect: effect, Edits: []text.Edit{
		check.Replace(text.Span{Start: start, End: c.node.Span().End}, condition),
	}}, true
}

// beginningMend writes the range of days whose text begins as a pattern says. It is for a person to take:
// how a date is written as a text is a setting of the session.
func beginningMend(p *check.Pass, c comparison, column *syntax.Name) (check.Mend, bool) {
	like, ok := c.node.(*syntax.Like)
	cast, isCast := syntax.Unparen(c.function).(*syntax.Cast)
	if !ok || !isCast || !p.Type(column).Class.HasDay() || p.Type(cast).Class != class.Text {
		return check.Mend{}, false
	}
	beginning, isOpen := strings.CutSuffix(strings.Trim(p.Text(like.Pattern), "'"), "%")
	beginning = strings.TrimSuffix(beginning, "-")
	for _, unit := range [...]struct {
		layout              string
		years, months, days int
	}{{"2006", 1, 0, 0}, {"2006-01", 0, 1, 0}, {time.DateOnly, 0, 0, 1}} {
		first, err := time.Parse(unit.layout, beginning)
		if !isOpen || err != nil {
			continue
		}
		low, high := first.Format(time.DateOnly), first.AddDate(unit.years, unit.months, unit.days).Format(time.DateOnly)
		name := p.Text(column)
		condition := fmt.Sprintf("%s >= %s %s %s < %s", name, p.Dialect.Day(low), p.Word(conjunction(p, c), "AND"), name, p.Dialect.Day(high))
		if needsParentheses(p, c.node) {
			condition = "(" + condition + ")"
		}
		return check.Mend{Title: "ask for the range", Effect: check.ByHand, Edits: []text.Edit{check.Replace(c.node.Span(), condition)}}, true
	}
	return check.Mend{}, false
}

// conjunction gives a place whose letter case a new AND should follow.
func conjunction(p *check.Pass, c comparison) text.Pos {
	if place, _ := p.Enclosing(c.node, filters); place != nil {
		if j, ok := place.(*syntax.Join); ok {
			return j.OpSpan.Start
		}
		return place.Span().Start
	}
	return c.node.Span().Start
}

// needsParentheses reports whether the condition is an operand of something
// that binds tighter than the AND that replaces it.
func needsParentheses(p *check.Pass, x syntax.Expr) bool {
	switch above := p.Parent(x).(type) {
	case *syntax.Where, *syntax.Join, *syntax.Paren:
		return false
	case *syntax.Binary:
		return above.Op != syntax.OpAnd
	}
	return true
}

// holdsDates reports whether the schema proves that comparing the column with
// a date means what the function meant. A SQL Server datetimeoffset counts the
// year in its own zone but compares in UTC.
func holdsDates(p *check.Pass, u *bind.Use) bool {
	t := u.Source.SchemaTable()
	if t == nil || t.IsView || u.Column == nil || u.Column.Index < 0 || p.Dialect.Has(dialect.TextDates) {
		return false
	}
	of := t.Columns[u.Column.Index].Type.Class
	return of == class.Date || of == class.Timestamp || of == class.TimestampTZ && p.Dialect == dialect.Postgres
}

type datePart uint8

const (
	noPart datePart = iota
	wholeYear
	wholeDay
)

// part tells what a function takes of a date, if it is of the bare column.
func part(p *check.Pass, x syntax.Expr, column *syntax.Name) datePart {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Cast:
		if syntax.Unparen(x.X) == syntax.Expr(column) && castsToDate(p, x) {
			return wholeDay
		}
	case *syntax.Call:
		if len(x.Args) == 0 || syntax.Unparen(x.Args[len(x.Args)-1]) != syntax.Expr(column) {
			return noPart
		}
		switch name := p.FunctionName(x); {
		case name == "year" && len(x.Args) == 1,
			name == "extract" && strings.EqualFold(p.Ident(x.Unit), "year"),
			name == "datepart" && len(x.Args) == 2 && strings.EqualFold(p.Text(x.Args[0]), "year"):
			return wholeYear
		case name == "date" && len(x.Args) == 1,
			name == "trunc" && len(x.Args) == 1 && p.Dialect == dialect.Oracle:
			return wholeDay
		}
	}
	return noPart
}

func castsToDate(p *check.Pass, c *syntax.Cast) bool {
	// Oracle's DATE keeps the time of day.
	return c.Type != nil && strings.EqualFold(p.Text(c.Type), "date") && p.Dialect != dialect.Oracle
}

func yearBounds(p *check.Pass, values []syntax.Expr) (low, high string) {
	years := make([]int, len(values))
	for i, v := range values {
		lit, ok := syntax.Unparen(v).(*syntax.Literal)
		if !ok || lit.Lit == syntax.NullLiteral {
			return "", ""
		}
		year, err := strconv.Atoi(strings.Trim(p.Text(lit), "'"))
		if err != nil || year < 1000 || year > 9998 {
			return "", ""
		}
		years[i] = year
	}
	first, last := years[0], years[len(years)-1]
	return p.Dialect.Day(fmt.Sprintf("%d-01-01", first)), p.Dialect.Day(fmt.Sprintf("%d-01-01", last+1))
}

// dayBounds gives the bounds of days that are written as literals, in the
// author's way of writing a date.
func dayBounds(p *check.Pass, values []syntax.Expr) (low, high string) {
	first, _, ok := p.DayOf(values[0])
	if !ok {
		return "", ""
	}
	last, typed, ok := p.DayOf(values[len(values)-1])
	if !ok {
		return "", ""
	}
	next := last.AddDate(0, 0, 1)
	low = p.Text(values[0])
	if typed {
		return low, "DATE '" + next.Format(time.DateOnly) + "'"
	}
	if p.Dialect.Has(dialect.DateNeedsLiteral) {
		return p.Dialect.Day(first.Format(time.DateOnly)), p.Dialect.Day(next.Format(time.DateOnly))
	}
	return low, p.Dialect.Day(next.Format(time.DateOnly))
}
