package groups

import (
	"fmt"
	"strings"
	"time"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var monthWithoutYear = &check.Check{
	ID:    "group.month-without-year",
	Title: "months of different years in one group",
	Doc: "The month of a date is a number from 1 to 12, and the March of one year falls into the same group as the March of the next. Weeks and days of " +
		"the month alike. Group by the year, too, unless all years are meant to be added up.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT EXTRACT(MONTH FROM taken_on) AS month, SUM(weight_kg) AS kg FROM harvests GROUP BY EXTRACT(MONTH FROM taken_on)",
		Good: "SELECT EXTRACT(YEAR FROM taken_on), EXTRACT(MONTH FROM taken_on) AS month, SUM(weight_kg) AS kg FROM harvests " +
			"GROUP BY EXTRACT(YEAR FROM taken_on), EXTRACT(MONTH FROM taken_on)",
		Near: []string{
			"SELECT EXTRACT(YEAR FROM taken_on) AS y, EXTRACT(MONTH FROM taken_on) AS m, SUM(weight_kg) AS kg FROM harvests GROUP BY 1, 2",
			"SELECT EXTRACT(MONTH FROM taken_on) AS m, SUM(weight_kg) AS kg FROM harvests WHERE taken_on >= DATE '2026-01-01' GROUP BY EXTRACT(MONTH FROM taken_on)",
			"SELECT EXTRACT(DOW FROM taken_on) AS d, SUM(weight_kg) AS kg FROM harvests GROUP BY EXTRACT(DOW FROM taken_on)",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT MONTH(taken_on) AS m, COUNT(*) AS n FROM harvests GROUP BY MONTH(taken_on)",
		Good:    "SELECT YEAR(taken_on), MONTH(taken_on) AS m, COUNT(*) AS n FROM harvests GROUP BY YEAR(taken_on), MONTH(taken_on)",
		Near:    []string{"SELECT YEAR(taken_on) AS y, MONTH(taken_on) AS m, COUNT(*) AS n FROM harvests GROUP BY y, m"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT strftime('%m', taken_on) AS m, COUNT(*) AS n FROM harvests GROUP BY strftime('%m', taken_on)",
		Good: "SELECT strftime('%Y', taken_on), strftime('%m', taken_on) AS m, COUNT(*) AS n FROM harvests " +
			"GROUP BY strftime('%Y', taken_on), strftime('%m', taken_on)",
		Near: []string{"SELECT strftime('%Y-%m', taken_on) AS m, COUNT(*) AS n FROM harvests GROUP BY strftime('%Y-%m', taken_on)"},
	}},
	On: check.Nodes(runMonthWithoutYear),
}

func runMonthWithoutYear(p *check.Pass, g *syntax.GroupBy) {
	sel, ok := p.Parent(g).(*syntax.Select)
	if !ok || g.Sets || g.All {
		return
	}
	for _, x := range g.Items {
		meant := p.KeyMeant(sel, x)
		part, ok := datePart(p, meant)
		if !ok || part.unit == "" {
			continue
		}
		if toldApart(p, sel, g, x, part) {
			continue
		}
		f := check.Finding{
			Span: x.Span(), Context: sel.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("the same %s of every year falls into one group", part.unit),
			Why:     fmt.Sprintf("%s does not tell the year.", p.Brief(meant)),
		}
		if !addsUp(p, sel) {
			f.Certainty = check.Possible // an average over the years is often meant
		}
		if part.year == nil || meant != x {
			f.Mends = []check.Mend{{Title: "group by the year, too, or by the date cut to its " + part.unit, Effect: check.ByHand}}
		} else {
			year := p.EditedText(meant, part.year)
			edits := []text.Edit{check.Insert(x.Span().Start, year+", ")}
			for _, item := range sel.Items {
				if p.Same(item.X, meant) {
					edits = append(edits, check.Insert(item.Span().Start, year+", "))
				}
			}
			f.Mends = []check.Mend{{Title: "group by the year, too", Effect: check.NewRows, Edits: edits}}
		}
		p.Report(f)
	}
}

// addsUp reports whether a SELECT counts or sums.
func addsUp(p *check.Pass, sel *syntax.Select) bool {
	found := false
	for _, a := range p.AggregatesOf(sel) {
		c := a.Call
		name := p.FunctionName(c)
		found = found || name == "sum" || name == "count" || name == "total"
	}
	return found
}

// toldApart reports whether something else may tell the years apart: another key
// that mentions the date or is named after years, or a condition on the date.
func toldApart(p *check.Pass, sel *syntax.Select, g *syntax.GroupBy, x syntax.Expr, part partOfDate) bool {
	mentions := func(n syntax.Node) bool {
		found := false
		syntax.Inspect(n, func(n syntax.Node) bool {
			switch n := n.(type) {
			case *syntax.Name:
				name := p.Names.String(n.Last().Sym)
				found = found || p.Same(n, part.date) || strings.Contains(name, "year") || strings.Contains(name, "season") || strings.Contains(name, "month")
			case *syntax.Call:
				found = found || strings.Contains(p.FunctionName(n), "year")
			}
			return !found
		})
		return found
	}
	for _, other := range g.Items {
		if other == x {
			continue
		}
		meant := p.KeyMeant(sel, other)
		if mentions(other) {
			return true
		}
		if o, ok := datePart(p, meant); ok && o.unit != "" {
			continue // another such part of it
		}
		if mentions(meant) {
			return true
		}
	}
	if sel.Where != nil && mentions(sel.Where) && !spansYears(p, sel.Where.Cond, part.date) {
		return true
	}
	found := false
	if sel.From != nil {
		syntax.Inspect(sel.From, func(n syntax.Node) bool {
			if j, ok := n.(*syntax.Join); ok && j.On != nil {
				found = found || mentions(j.On)
			}
			return !found
		})
	}
	return found
}

// spansYears reports whether all that a condition says of a date is that it lies between two
// given days more than a year apart.
func spansYears(p *check.Pass, cond syntax.Expr, date *syntax.Name) bool {
	var from, to time.Time
	only := true
	bound := func(at *time.Time, x syntax.Expr) {
		day, ok := dayOf(p, x)
		*at, only = day, only && ok
	}
	syntax.BareConjuncts(cond, func(x syntax.Expr) {
		switch x := syntax.Unparen(x).(type) {
		case *syntax.Between:
			if p.Same(x.X, date) && !x.Not {
				bound(&from, x.Low)
				bound(&to, x.High)
				return
			}
		case *syntax.Binary:
			column, value, op := x.X, x.Y, x.Op
			if p.Same(value, date) {
				column, value, op = value, column, op.Flip()
			}
			switch {
			case !p.Same(column, date):
			case op == syntax.OpGreater || op == syntax.OpGreaterEqual:
				bound(&from, value)
				return
			case op == syntax.OpLess || op == syntax.OpLessEqual:
				bound(&to, value)
				return
			}
		}
		syntax.Inspect(x, func(n syntax.Node) bool {
			name, ok := n.(*syntax.Name)
			only = only && !(ok && (p.Same(name, date) || strings.Contains(p.Names.String(name.Last().Sym), "year")))
			return only
		})
	})
	return only && !from.IsZero() && to.Sub(from) > 366*24*time.Hour
}

// dayOf reads the day of a constant.
func dayOf(p *check.Pass, x syntax.Expr) (time.Time, bool) {
	x = syntax.Unparen(x)
	switch typed := x.(type) {
	case *syntax.TypedLiteral:
		x = typed.Value
	case *syntax.Cast:
		x = typed.X
	}
	lit, ok := x.(*syntax.Literal)
	if !ok || lit.Lit != syntax.TextLiteral {
		return time.Time{}, false
	}
	written := strings.Trim(p.Text(lit), "'")
	day, err := time.Parse(time.DateOnly, written[:min(len(written), len(time.DateOnly))])
	return day, err == nil
}

// partOfDate is a part of a date taken by a function.
type partOfDate struct {
	date *syntax.Name
	unit string      // month, week or day where years are lost, else ""
	year []text.Edit // what makes it the year, nil where that is not known
}

// datePart reads EXTRACT(MONTH FROM d), MONTH(d), DATEPART(month, d), strftime('%m', d)
// and their kin of a column d.
func datePart(p *check.Pass, x syntax.Expr) (part partOfDate, ok bool) {
	c, isCall := syntax.Unparen(x).(*syntax.Call)
	if !isCall || len(c.Name) != 1 || len(c.Args) == 0 {
		return part, false
	}
	name, span := p.FunctionName(c), c.Name[0].Span
	date := c.Args[len(c.Args)-1]
	switch name {
	case "extract":
		if c.Unit.IsZero() {
			return part, false
		}
		part.read(p, strings.ToLower(p.Ident(c.Unit)), check.Replace(c.Unit.Span, p.Word(c.Unit.Span.Start, "YEAR")))
	case "month", "week", "day", "dayofmonth":
		part.read(p, name, check.Replace(span, p.Word(span.Start, "YEAR")))
	case "date_part", "datepart", "datename", "strftime", "date_format", "to_char", "format":
		if len(c.Args) != 2 {
			return part, false
		}
		form := c.Args[0]
		if name == "date_format" || name == "to_char" || name == "format" {
			form, date = date, c.Args[0]
		}
		part.readForm(p, name, form)
	default:
		return part, false
	}
	part.date, ok = syntax.Unparen(date).(*syntax.Name)
	return part, ok
}

// read notes a unit that loses the year; of a week the year is another matter.
func (part *partOfDate) read(p *check.Pass, unit string, year text.Edit) {
	switch unit {
	case "month", "mon", "mm":
		part.unit, part.year = "month", []text.Edit{year}
	case "week", "isoweek", "wk", "iso_week":
		part.unit = "week"
	case "day", "dd", "dayofmonth":
		part.unit = "day"
	}
}

// readForm notes what a format or the text of a unit takes of a date.
func (part *partOfDate) readForm(p *check.Pass, function string, form syntax.Expr) {
	written := p.Text(form)
	inner := strings.Trim(written, "'")
	year := map[string]string{"strftime": "'%Y'", "date_format": "'%Y'", "to_char": "'YYYY'", "date_part": "'year'", "format": "'yyyy'"}[function]
	if form.Kind() == syntax.KindName {
		year = "year"
	}
	switch function {
	case "strftime", "date_format":
		inner = map[string]string{"%m": "month", "%M": "month", "%c": "month", "%b": "month", "%W": "week", "%V": "week", "%v": "week", "%u": "", "%d": "day", "%e": "day"}[inner]
		if function == "strftime" && written == "'%M'" || function == "date_format" && written == "'%W'" {
			inner = "" // minutes; names of days
		}
	case "to_char":
		inner = map[string]string{"mm": "month", "mon": "month", "month": "month", "ww": "week", "iw": "week", "dd": "day"}[strings.TrimPrefix(strings.ToLower(inner), "fm")]
	case "format":
		inner = map[string]string{"MM": "month", "MMM": "month", "MMMM": "month"}[inner]
	default:
		inner = strings.ToLower(inner)
	}
	part.read(p, inner, check.Replace(form.Span(), year))
}
