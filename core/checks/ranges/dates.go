package ranges

import (
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

// datesThat gives the occasions of a check of texts that stand where a date is asked for, or
// something that is not known. Almost all of them are well: odd tells by the text alone which
// are worth a look.
func datesThat(odd func(value string) bool, run func(*check.Pass, written)) check.Hooks {
	return check.Statements(func(p *check.Pass) {
		for _, at := range p.DateTexts() {
			value := text.View(p.Src, text.Span{Start: at.Start + 1, End: at.End - 1})
			if odd(value) && len(p.Stmt.Errors) == 0 {
				if n := p.LiteralAt(at); n != nil {
					look(p, n, value, run)
				}
			}
		}
	})
}

func look(p *check.Pass, n *syntax.Literal, value string, run func(*check.Pass, written)) {
	w := written{literal: n, value: value, place: p.PlaceOf(n)}
	if !w.place.IsDated() && !(w.place.IsOpen() && isColumn(w.place.Beside)) {
		return
	}
	switch above := p.Above(n).(type) {
	case *syntax.Binary:
		w.by = above.Op
	case *syntax.In:
		w.by = syntax.OpEqual
	case *syntax.Between:
		w.by = syntax.OpGreaterEqual
		if syntax.Unparen(above.High) == syntax.Expr(n) {
			w.by = syntax.OpLessEqual
		}
	case *syntax.Cast:
		if above.Format != nil {
			return
		}
	}
	w.bound = w.by != syntax.OpEqual && w.by != syntax.OpNotEqual && w.by != syntax.OpNone
	run(p, w)
}

// isColumn reports whether an expression is a bare name.
func isColumn(x syntax.Expr) bool {
	_, ok := x.(*syntax.Name)
	return ok
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
