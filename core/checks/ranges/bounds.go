package ranges

import (
	"fmt"
	"strconv"
	"strings"
	"time"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/reason"
	"justlens/core/syntax"
	"justlens/core/text"
)

var reversed = &check.Check{
	ID:    "range.reversed",
	Title: "BETWEEN with the greater bound first",
	Doc: "BETWEEN a AND b means x >= a AND x <= b. With the greater bound first no value meets both, and no row is found. NOT BETWEEN is then true of every value. Only PostgreSQL's BETWEEN SYMMETRIC takes the bounds in " +
		"any order.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE frame_count BETWEEN 10 AND 5",
		Good: "SELECT name FROM hives WHERE frame_count BETWEEN 5 AND 10",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count BETWEEN 5 AND 10",
			"SELECT name FROM hives WHERE frame_count BETWEEN 5 AND 5",
			"SELECT name FROM hives WHERE frame_count BETWEEN hive_id AND 5",
			"SELECT name FROM hives WHERE frame_count NOT BETWEEN -5 AND 10",
		},
	}, {
		Bad:  "SELECT hive_id FROM harvests WHERE taken_on NOT BETWEEN '2026-06-30' AND '2026-06-01'",
		Good: "SELECT hive_id FROM harvests WHERE taken_on NOT BETWEEN '2026-06-01' AND '2026-06-30'",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at BETWEEN now() AND now() - INTERVAL '7 days'",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at BETWEEN now() - INTERVAL '7 days' AND now()",
		Near: []string{
			"SELECT hive_id FROM inspections WHERE inspected_at BETWEEN now() - INTERVAL '7 days' AND now() + INTERVAL '7 days'",
			"SELECT hive_id FROM inspections WHERE inspected_at BETWEEN now() - INTERVAL '7 days' AND now() - INTERVAL '9 days'",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at BETWEEN GETDATE() AND DATEADD(day, -7, GETDATE())",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at BETWEEN DATEADD(day, -7, GETDATE()) AND GETDATE()",
	}},
	On: check.Nodes(runReversed),
}

func runReversed(p *check.Pass, n *syntax.Between) {
	if n.Symmetric || !isReversed(p, n) {
		return
	}
	f := check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("no value lies between %s and %s: the smaller bound must come first", p.Brief(n.Low), p.Brief(n.High)),
		Why:     fmt.Sprintf("It asks for %s >= %s and <= %s at once.", p.Brief(n.X), p.Brief(n.Low), p.Brief(n.High)),
		Mends:   []check.Mend{{Title: "put the smaller bound first", Effect: check.NewRows, Edits: p.Swap(n.Low, n.High)}},
	}
	if n.Not {
		f.Message = fmt.Sprintf("every value lies outside %s and %s: the smaller bound must come first", p.Brief(n.Low), p.Brief(n.High))
	}
	p.Report(f)
}

// isReversed reports whether the lower bound is surely greater than the upper one.
func isReversed(p *check.Pass, n *syntax.Between) bool {
	low, known := number(p, n.Low)
	high, also := number(p, n.High)
	if known && also {
		return low > high && p.Type(n.X).Class != class.Text
	}
	first, _, ok := p.DayOf(n.Low)
	last, _, as := p.DayOf(n.High)
	if ok && as {
		return first.After(last)
	}
	from, known := p.FromClock(n.Low)
	to, also := p.FromClock(n.High)
	if known && also {
		return from > to
	}
	if q, ok := reason.Of(p.Info, n); ok && !n.Not {
		return q.NeverTrue()
	}
	return false
}

// number reads a constant number.
func number(p *check.Pass, x syntax.Expr) (float64, bool) {
	sign := 1.0
	x = syntax.Unparen(x)
	if u, ok := x.(*syntax.Unary); ok && u.Op == syntax.OpNegate {
		x, sign = syntax.Unparen(u.X), -1
	}
	l, ok := x.(*syntax.Literal)
	if !ok || l.Lit != syntax.NumberLiteral {
		return 0, false
	}
	v, err := strconv.ParseFloat(p.Text(l), 64)
	return sign * v, err == nil
}

var sharedBound = &check.Check{
	ID:    "range.shared-bound",
	Title: "neighbouring ranges that share a bound, or leave a gap",
	Doc: "BETWEEN takes both bounds in. Where one range of a CASE ends with the number with which the next begins, that number belongs to the first of the two, which a reader of the second does not see. Where the " +
		"next begins one further on and the values have fractions, all between the two belong to none. Half-open ranges, x < 10, then x < 20, meet without a seam.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad: "SELECT CASE WHEN frame_count BETWEEN 0 AND 5 THEN 'small' WHEN frame_count BETWEEN 5 AND 10 THEN 'large' END AS size FROM hives",
		Near: []string{
			"SELECT CASE WHEN frame_count BETWEEN 0 AND 5 THEN 'small' WHEN frame_count BETWEEN 6 AND 10 THEN 'large' END AS size FROM hives",
			"SELECT CASE WHEN frame_count < 5 THEN 'small' WHEN frame_count < 10 THEN 'large' END AS size FROM hives",
			"SELECT CASE WHEN frame_count BETWEEN 0 AND 5 THEN 'small' WHEN hive_id BETWEEN 5 AND 10 THEN 'large' END AS size FROM hives",
			"SELECT CASE WHEN frame_count < 5 THEN 'small' WHEN frame_count >= 5 THEN 'large' END AS size FROM hives",
		},
	}, {
		Bad: "SELECT CASE WHEN weight_kg BETWEEN 0 AND 9 THEN 'light' WHEN weight_kg BETWEEN 10 AND 20 THEN 'heavy' END AS size FROM harvests",
	}, {
		NoSchema: true,
		Bad:      "SELECT CASE WHEN g.weight_kg < 10 THEN 'light' WHEN g.weight_kg > 10 THEN 'heavy' END AS size FROM harvests g",
		Good:     "SELECT CASE WHEN g.weight_kg < 10 THEN 'light' WHEN g.weight_kg >= 10 THEN 'heavy' END AS size FROM harvests g",
	}, {
		Bad:  "SELECT CASE WHEN frame_count < 5 THEN 'small' WHEN frame_count > 5 AND frame_count < 10 THEN 'large' WHEN frame_count >= 10 THEN 'huge' END AS size FROM hives",
		Good: "SELECT CASE WHEN frame_count < 5 THEN 'small' WHEN frame_count >= 5 AND frame_count < 10 THEN 'large' WHEN frame_count >= 10 THEN 'huge' END AS size FROM hives",
		Near: []string{"SELECT CASE WHEN frame_count < 5 THEN 'small' WHEN frame_count > 5 THEN 'large' WHEN frame_count = 5 THEN 'right' END AS size FROM hives"},
	}},
	On: check.Nodes(runSharedBound),
}

// mostRanges is how many branches of a CASE are compared with each other.
const mostRanges = 200

func runSharedBound(p *check.Pass, c *syntax.Case) {
	if c.Operand != nil || len(c.Whens) < 2 || len(c.Whens) > mostRanges {
		return
	}
	for i := range c.Whens[1:] {
		before, next := c.Whens[i].Cond, c.Whens[i+1].Cond
		if c.Else == nil && touchesNot(p, c, i) {
			return
		}
		a, ok := syntax.Unparen(before).(*syntax.Between)
		b, also := syntax.Unparen(next).(*syntax.Between)
		if !ok || !also || a.Not || b.Not || !p.Same(a.X, b.X) {
			continue
		}
		high, known := number(p, a.High)
		low, as := number(p, b.Low)
		if !known || !as {
			continue
		}
		f := check.Finding{Span: b.Low.Span(), Context: c.Span(), Certainty: check.Likely,
			Related: []check.Related{{Span: a.High.Span(), Message: "the range before ends here"}}}
		fraction := p.Type(a.X).Class
		switch {
		case high == low:
			f.Message = fmt.Sprintf("%s belongs to the range before, not to this one", p.Brief(b.Low))
			f.Why = "BETWEEN takes both bounds in, and the first WHEN that holds counts."
			f.Mends = []check.Mend{{Title: "begin above it, or end the range before below it", Effect: check.ByHand}}
		case low == high+1 && (fraction == class.Decimal || fraction == class.Float) && c.Else == nil:
			f.Message = fmt.Sprintf("values between %s and %s belong to neither range", p.Brief(a.High), p.Brief(b.Low))
			f.Why = fmt.Sprintf("%s may have a fraction.", p.Brief(a.X))
			f.Mends = []check.Mend{{Title: fmt.Sprintf("write half-open ranges: %s < %s, then the next", p.Brief(a.X), p.Brief(b.Low)), Effect: check.ByHand}}
		default:
			continue
		}
		p.Report(f)
		return
	}
}

// touchesNot reports x < 10 and x > 10 side by side, which leave 10 out, whatever else each asks for.
func touchesNot(p *check.Pass, c *syntax.Case, i int) bool {
	a, b, bound := apart(p, c.Whens[i].Cond, c.Whens[i+1].Cond)
	if a == nil {
		return false
	}
	for _, other := range c.Whens {
		if takes(p, other.Cond, bound) {
			return false
		}
	}
	_, _, begin := b.Turned()
	f := check.Finding{Span: b.Span(), Context: c.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s itself belongs to neither branch", p.Brief(begin)),
		Why:     "One branch takes what is less, the other what is greater.",
		Related: []check.Related{{Span: a.Span(), Message: "the other branch"}},
		Mends:   []check.Mend{{Title: "take it into this branch", Effect: check.NewRows, Edits: []text.Edit{check.Insert(b.OpSpan.End, "=")}}},
	}
	p.Report(f)
	return true
}

// apart gives the comparisons of two conditions of which one ends below a number and the other begins
// above it; nil where there are none.
func apart(p *check.Pass, before, next syntax.Expr) (a, b *syntax.Binary, bound float64) {
	syntax.Conjuncts(before, func(x syntax.Expr) {
		first, ok := syntax.Unparen(x).(*syntax.Binary)
		if !ok || a != nil {
			return
		}
		left, less, end := first.Turned()
		high, known := number(p, end)
		if !known || less != syntax.OpLess && less != syntax.OpGreater {
			return
		}
		syntax.Conjuncts(next, func(y syntax.Expr) {
			second, ok := syntax.Unparen(y).(*syntax.Binary)
			if !ok || a != nil {
				return
			}
			right, greater, begin := second.Turned()
			low, known := number(p, begin)
			if known && low == high && greater == less.Flip() && p.Same(left, right) {
				a, b, bound = first, second, high
			}
		})
	})
	return a, b, bound
}

// takes reports whether one of the comparisons of a condition holds for a number itself.
func takes(p *check.Pass, cond syntax.Expr, bound float64) bool {
	found := false
	syntax.Inspect(cond, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Binary:
			_, op, value := n.Turned()
			v, known := number(p, value)
			found = found || known && v == bound && (op == syntax.OpEqual || op == syntax.OpLessEqual || op == syntax.OpGreaterEqual)
		case *syntax.Literal:
			return false
		case *syntax.Between, *syntax.In:
			found = true // it may be among them
		}
		return !found
	})
	return found
}

var betweenText = &check.Check{
	ID:        "range.between-text",
	Title:     "BETWEEN on text, whose upper bound is a beginning",
	Doc:       "Texts are compared letter by letter, and 'C' comes before every longer text that begins with C. BETWEEN 'A' AND 'C' takes Aspen and Birch, and of those with C only a lone C.",
	Verdicts:  check.Everywhere(check.Wrong),
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE name BETWEEN 'A' AND 'C'",
		Good: "SELECT name FROM hives WHERE name >= 'A' AND name < 'D'",
		Near: []string{
			"SELECT name FROM hives WHERE name >= 'A' AND name < 'D'",
			"SELECT name FROM hives WHERE frame_count BETWEEN 3 AND 5",
			"SELECT hive_id FROM harvests WHERE taken_on BETWEEN '2026-05-01' AND '2026-05-31'",
			"SELECT name FROM hives WHERE SUBSTR(name, 1, 1) BETWEEN 'A' AND 'C'",
		},
	}},
	On: check.Nodes(runBetweenText),
}

func runBetweenText(p *check.Pass, n *syntax.Between) {
	l, ok := syntax.Unparen(n.High).(*syntax.Literal)
	x, column := syntax.Unparen(n.X).(*syntax.Name)
	if !ok || !column || l.Lit != syntax.TextLiteral || n.Not || !p.Wants(check.Possible) {
		return
	}
	value := strings.Trim(p.Text(l), "'")
	if len(value) == 0 || len(value) > 2 || value[0] < 'A' || value[0] > 'z' || value[0] == 'z' || value[0] == 'Z' || p.Type(x).Class != class.Text {
		return
	}
	next := value[:len(value)-1] + string(value[len(value)-1]+1)
	condition := halfOpen(p, p.Text(x), p.Text(n.Low), "'"+next+"'")
	p.Report(check.Finding{Span: l.Span(), Context: n.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("words that begin with %s lie behind this bound", value),
		Why:     fmt.Sprintf("Of all texts that begin with %s, '%s' alone is the smallest.", value, value),
		Mends:   []check.Mend{{Title: "end before the next letter", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), grouped(p, n, condition))}}},
	})
}

var lastInstant = &check.Check{
	ID:    "range.last-instant",
	Title: "a day that ends at 23:59:59",
	Doc: "The last second of a day has fractions, and 23:59:59 is its first instant. What happens in the rest of it is left out, and 23:59:59.999 is rounded up to the next day by some types. The next " +
		"day with < has no seam.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at >= '2026-05-01' AND inspected_at <= '2026-05-31 23:59:59'",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= '2026-05-01' AND inspected_at < '2026-06-01'",
		Near: []string{
			"SELECT hive_id FROM inspections WHERE inspected_at >= '2026-05-01' AND inspected_at < '2026-06-01'",
			"SELECT hive_id FROM inspections WHERE inspected_at > '2026-05-31 23:59:59'",
			"SELECT hive_id FROM inspections WHERE inspected_at <= '2026-05-31 18:00:00'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id FROM inspections WHERE inspected_at BETWEEN '2026-05-01' AND '2026-05-31 23:59:59.999'",
		Good:    "SELECT hive_id FROM inspections WHERE inspected_at >= '2026-05-01' AND inspected_at < '2026-06-01'",
	}},
	On: check.Operators(runLastInstant, syntax.OpLessEqual).With(textSide).And(check.Nodes(runLastInstantBetween)),
}

// lastOf reads a text that is the last second of a day, and gives the next day.
func lastOf(p *check.Pass, x syntax.Expr) (next string, nines int, ok bool) {
	if t, typed := syntax.Unparen(x).(*syntax.TypedLiteral); typed {
		x = t.Value
	}
	l, literal := syntax.Unparen(x).(*syntax.Literal)
	if !literal || l.Lit != syntax.TextLiteral {
		return "", 0, false
	}
	value := strings.Trim(p.Text(l), "'")
	if len(value) < len("2026-05-31 23:59:59") || value[10] != ' ' && value[10] != 'T' || !strings.HasPrefix(value[11:], "23:59:59") || strings.Trim(value[19:], ".9") != "" {
		return "", 0, false
	}
	day, err := time.Parse(time.DateOnly, value[:10])
	return day.AddDate(0, 0, 1).Format(time.DateOnly), strings.Count(value[19:], "9"), err == nil
}

func runLastInstant(p *check.Pass, b *syntax.Binary) {
	next, nines, ok := lastOf(p, b.Y)
	if !ok || !p.Wants(check.Possible) || nines >= fractionDigits(p, b.X) {
		return
	}
	tellLastInstant(p, b.Y, b, []text.Edit{check.Replace(b.OpSpan, "<"), check.Replace(b.Y.Span(), p.Dialect.Day(next))})
}

func runLastInstantBetween(p *check.Pass, n *syntax.Between) {
	next, nines, ok := lastOf(p, n.High)
	if !ok || n.Not || !p.Wants(check.Possible) || nines >= fractionDigits(p, n.X) {
		return
	}
	condition := halfOpen(p, p.Text(n.X), p.Text(n.Low), p.Dialect.Day(next))
	tellLastInstant(p, n.High, n, []text.Edit{check.Replace(n.Span(), grouped(p, n, condition))})
}

// fractionDigits gives how many digits of a second a column keeps (PostgreSQL, 8.5; MySQL and MariaDB,
// "Fractional Seconds"; SQL Server, "Date and time types"; Oracle, "Data Types"; Spark, "Data Types").
func fractionDigits(p *check.Pass, x syntax.Expr) int {
	t := p.Type(x)
	if t.Class != class.Timestamp && t.Class != class.TimestampTZ {
		return 0
	}
	usual := 6
	switch p.Dialect {
	case dialect.MySQL, dialect.MariaDB:
		usual = 0
	case dialect.SQLite:
		return 9 // it keeps texts
	case dialect.SQLServer:
		usual = 7
		switch t.Word() {
		case "datetime":
			return 3
		case "smalldatetime":
			return 0
		}
	case dialect.Oracle:
		if t.Word() == "date" {
			return 0
		}
	}
	if t.Length > 0 || strings.Contains(t.Name, "(0)") {
		return t.Length
	}
	return usual
}

func tellLastInstant(p *check.Pass, at, around syntax.Expr, edits []text.Edit) {
	p.Report(check.Finding{Span: at.Span(), Context: around.Span(), Certainty: check.Possible,
		Message: "the rest of the last second of the day is left out",
		Why:     "The column keeps fractions of a second.",
		Mends:   []check.Mend{{Title: "end before the next day", Effect: check.NewRows, Edits: edits}},
	})
}
