package ranges

import (
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

// written is a text in a place that asks for a date, or may.
type written struct {
	literal *syntax.Literal
	value   string
	place   facts.Place
	// by is the operator that compares it, OpNone where it is stored, cast or in a list.
	by syntax.Op
	// bound tells of a value that rows are held below or above, not equal to.
	bound bool
}

// dates is a check of texts that stand where a date is asked for, or something that is not
// known. Almost all of them are well: odd tells by the text alone which are worth a look.
type dates struct {
	odd func(value string) bool
	run func(*check.Pass, written)
}

func (d dates) hooks() check.Hooks {
	return check.Kinds(d.each, syntax.KindIn, syntax.KindBetween, syntax.KindCast, syntax.KindTypedLiteral, syntax.KindAssign, syntax.KindInsert).
		And(check.Comparisons(func(p *check.Pass, n *syntax.Binary) {
			d.look(p, n.X, n.Op)
			d.look(p, n.Y, n.Op)
		}).With(facts.TextSide))
}

func (d dates) each(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.In:
		for _, x := range n.List {
			d.look(p, x, syntax.OpEqual)
		}
	case *syntax.Between:
		d.look(p, n.Low, syntax.OpGreaterEqual)
		d.look(p, n.High, syntax.OpLessEqual)
	case *syntax.Cast:
		if n.Format == nil {
			d.look(p, n.X, syntax.OpNone)
		}
	case *syntax.TypedLiteral:
		d.look(p, n.Value, syntax.OpNone)
	case *syntax.Assign:
		d.look(p, n.Value, syntax.OpNone)
	case *syntax.Insert:
		if n.Query == nil {
			return
		}
		if values, ok := n.Query.Body.(*syntax.Values); ok {
			for _, row := range values.Rows {
				for _, x := range row.Items {
					d.look(p, x, syntax.OpNone)
				}
			}
		}
	}
}

func (d dates) look(p *check.Pass, x syntax.Expr, by syntax.Op) {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.TextLiteral {
		return
	}
	value := text.View(p.Src, n.Span())
	if len(value) < len("'1/1/2026'") || value[0] != '\'' || value[1] < '0' || value[1] > '9' {
		return
	}
	w := written{literal: n, value: value[1 : len(value)-1], by: by}
	if !startsLikeDate(w.value) || !d.odd(w.value) || !p.Tells(n) {
		return
	}
	w.place = p.PlaceOf(x)
	if w.place.IsDated() || w.place.IsOpen() && isColumn(w.place.Beside) {
		w.bound = by != syntax.OpEqual && by != syntax.OpNotEqual && by != syntax.OpNone
		d.run(p, w)
	}
}

// isColumn reports whether an expression is a bare name.
func isColumn(x syntax.Expr) bool {
	_, ok := x.(*syntax.Name)
	return ok
}

// startsLikeDate reports whether a text begins with digits and a sign that dates have between
// their parts.
func startsLikeDate(s string) bool {
	digits := len(s) - len(strings.TrimLeft(s, "0123456789"))
	return (digits == 4 || digits == 1 || digits == 2) && digits < len(s) && strings.IndexByte("-/.", s[digits]) >= 0
}

// parts gives the three numbers at the beginning of a text that the sign separates, and what
// follows them: nothing, or a time of day.
func parts(s string, sign byte) (numbers [3]int, widths [3]int, ok bool) {
	at := 0
	for i := range numbers {
		start := at
		for at < len(s) && '0' <= s[at] && s[at] <= '9' && at-start < 4 {
			numbers[i] = numbers[i]*10 + int(s[at]-'0')
			at++
		}
		widths[i] = at - start
		if widths[i] == 0 {
			return numbers, widths, false
		}
		if i < 2 {
			if at == len(s) || s[at] != sign {
				return numbers, widths, false
			}
			at++
		}
	}
	return numbers, widths, at == len(s) || s[at] == ' ' || s[at] == 'T'
}

// daysIn gives the number of days of a month, 0 for what is no month.
func daysIn(year, month int) int {
	switch month {
	case 1, 3, 5, 7, 8, 10, 12:
		return 31
	case 4, 6, 9, 11:
		return 30
	case 2:
		if year%4 == 0 && (year%100 != 0 || year%400 == 0) {
			return 29
		}
		return 28
	}
	return 0
}

// holder says what asks for the date, for a sentence: a column, or a type.
func (w written) holder(p *check.Pass) string {
	switch {
	case w.place.Beside != nil:
		return p.Brief(w.place.Beside)
	case w.place.Column != nil:
		return w.place.Column.Name
	case w.place.Cast != nil:
		return p.Brief(w.place.Cast)
	}
	return "the column"
}

// castVerdicts are what a cast of a text that is no date comes to: MySQL and MariaDB give NULL,
// Spark as well, and SQLite, which has no dates, takes what it finds.
var castVerdicts = check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark, dialect.SQLite))

// isInstant reports whether a place holds times of day as well.
func (w written) isInstant() bool {
	return w.place.Type.Class == class.Timestamp || w.place.Type.Class == class.TimestampTZ
}
