package cases

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
)

var mixedTypes = &check.Check{
	ID:    "case.mixed-types",
	Title: "branches of different types",
	Doc: "A CASE or COALESCE gives values of one type. PostgreSQL and Oracle refuse branches that have none in common. SQL Server makes a text a number where another " +
		"branch is one, and stops with an error at a row whose text is none. MySQL and MariaDB make all of them text, which then sorts and compares as text; SQLite keeps " +
		"each value as it is.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT COALESCE(moved_on, 'never', frame_count) FROM hives",
		Near:    []string{"SELECT COALESCE(frame_count, 0.5), CASE WHEN hive_id > 1 THEN 1 ELSE NULL END FROM hives"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT CASE WHEN frame_count > 8 THEN name ELSE frame_count END FROM hives",
		Good:    "SELECT CASE WHEN frame_count > 8 THEN name ELSE CAST(frame_count AS text) END FROM hives",
		Near:    []string{"SELECT CASE WHEN frame_count > 8 THEN name ELSE 'small' END FROM hives"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT COALESCE(queen_id, 'none') FROM hives",
		Good:    "SELECT COALESCE(CAST(queen_id AS varchar(20)), 'none') FROM hives",
		Near: []string{
			"SELECT COALESCE(queen_id, '0') FROM hives",
			"SELECT CASE WHEN frame_count > 8 THEN 'large' ELSE 'small' END FROM hives",
			"SELECT COALESCE(name, 'none') FROM hives",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT CASE WHEN frame_count > 8 THEN 'large' ELSE frame_count END FROM hives",
		Near:    []string{"SELECT CASE WHEN frame_count > 8 THEN frame_count * 1.5 ELSE frame_count END FROM hives"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT CASE WHEN moved_on IS NULL THEN hive_id ELSE moved_on END FROM hives",
		Near:    []string{"SELECT CASE WHEN moved_on IS NULL THEN NULL ELSE moved_on END FROM hives"},
	}},
	On: check.Nodes(func(p *check.Pass, n *syntax.Case) { mustGoTogether(p, "CASE", p.Results(n)) }).
		And(check.Calls(runTogether, "coalesce", "greatest", "least")).
		And(check.Calls(runTogether, "ifnull").In(dialect.In(dialect.MySQL, dialect.MariaDB))).
		And(check.Calls(runTogether, "isnull").In(dialect.In(dialect.SQLServer))).
		And(check.Calls(runTogether, "nvl").In(dialect.In(dialect.Oracle))),
}

func runTogether(p *check.Pass, c *syntax.Call) {
	if facts.IsPlainCall(c) {
		mustGoTogether(p, strings.ToUpper(p.FunctionName(c)), c.Args)
	}
}

// mustGoTogether reports the first of several values that has no type in common with one
// before it.
func mustGoTogether(p *check.Pass, what string, xs []syntax.Expr) {
	if len(xs) < 2 || !p.Tells(xs[0]) {
		return
	}
	if p.Dialect.HasTypes() {
		mustHaveType(p, what, xs)
		return
	}
	var first syntax.Expr
	var of class.Class
	for _, x := range xs {
		c := p.Type(x).Class
		switch {
		case c == class.Unknown:
		case first == nil:
			first, of = x, c
		default:
			if tellMixed(p, what, first, x, p.Dialect.Meets(dialect.Together, of, c)) {
				return
			}
		}
	}
}

// tellMixed reports two values that the dialect makes one of another class than both have, or
// does not take together.
func tellMixed(p *check.Pass, what string, x, y syntax.Expr, m dialect.Meeting) bool {
	t, u := p.Type(x), p.Type(y)
	a, b := t.Class, u.Class
	same := a == b && (a != class.Own || strings.EqualFold(t.Name, u.Name))
	if m == (dialect.Meeting{}) || same || a.HasDay() && b.HasDay() {
		return false
	}
	f := check.Finding{Span: y.Span(), Certainty: check.Possible, Verdicts: p.Check.Verdicts}
	as := m.As
	switch {
	case m.Refused:
		f.Certainty, f.Verdicts = check.Certain, p.Check.Verdicts.But(check.Refused, dialect.In(p.Dialect))
		f.Why = fmt.Sprintf("%s converts neither to the other.", p.Dialect.Title())
	case p.Dialect.Invalid(as) != dialect.InvalidRefused:
		if a != class.Text && b != class.Text {
			f.Certainty = check.Likely // not a word for what is missing
		}
		if !p.Wants(f.Certainty) {
			return false
		}
		f.Why = fmt.Sprintf("%s makes them text, so that the result sorts and compares as text.", p.Dialect.Title())
		if p.Dialect.Has(dialect.TextDates) {
			f.Why = "Each row keeps the type of its own branch: numbers sort before texts."
		}
	case facts.IsValue(p.Info, textSide(x, y, a), as):
		return false // a literal that can be converted
	default:
		f.Certainty = check.Likely
		f.Why = fmt.Sprintf("%s makes both %s, and stops with an error at a text that is none.", p.Dialect.Title(), as.Noun())
	}
	f.Message = fmt.Sprintf("%s gives values of one type, and %s is %s, %s %s", what, p.Brief(x), a.Noun(), p.Brief(y), b.Noun())
	f.Related = []check.Related{{Span: x.Span(), Message: "of the other type"}}
	f.Mends = []check.Mend{{Title: "cast one to the type of the other", Effect: check.ByHand}}
	p.Report(f)
	return true
}

// textSide gives the one of two values that is text, if x is of class a.
func textSide(x, y syntax.Expr, a class.Class) syntax.Expr {
	if a == class.Text {
		return x
	}
	return y
}

// mustHaveType holds values against each other by the exact types of PostgreSQL.
func mustHaveType(p *check.Pass, what string, xs []syntax.Expr) {
	if _, o := p.Common(xs); o != dialect.None {
		return
	}
	for k := range xs {
		for i := range k {
			if _, o := p.Common([]syntax.Expr{xs[i], xs[k]}); o != dialect.None {
				continue
			}
			p.Report(check.Finding{
				Span: xs[k].Span(), Certainty: check.Likely, // anyone may add a cast
				Message: fmt.Sprintf("%s gives values of one type, and these are %s and %s", what, p.TitleOf(p.Exact(xs[i])), p.TitleOf(p.Exact(xs[k]))),
				Why:     fmt.Sprintf("%s is %s, %s is %s.", p.Brief(xs[i]), p.TypeIs(p.Exact(xs[i])), p.Brief(xs[k]), p.TypeIs(p.Exact(xs[k]))),
				Related: []check.Related{{Span: xs[i].Span(), Message: "of the other type"}},
				Mends:   []check.Mend{{Title: "cast one to the type of the other", Effect: check.ByHand}},
			})
			return
		}
	}
}
