package run

import (
	"encoding/hex"
	"strconv"
	"strings"
	"unicode/utf8"

	"justlens/core/dialect"
)

// textFunctions are the functions of text that only some databases have.
var textFunctions = map[string]function{
	"overlay":         {in: postgres, min: 3, max: 4, work: overlaid},
	"insert":          {in: mySQL, min: 4, max: 4, work: overlaidOrNot},
	"stuff":           {in: onlyServer, min: 4, max: 4, work: stuffed},
	"translate":       {in: postgres | dialect.In(dialect.Oracle, dialect.Spark), min: 3, max: 3, work: translated},
	"chr":             {in: postgres | dialect.In(dialect.Oracle, dialect.Spark), min: 1, max: 1, work: letterOf},
	"char":            {in: mySQL | onlyServer | onlySQLite, min: 1, max: 1, work: letterOf},
	"unicode":         {in: onlySQLite | onlyServer, min: 1, max: 1, work: codeOf},
	"space":           {in: mySQL | onlyServer, min: 1, max: 1, work: func(r *rules, a []Value) Value { return repeated(r, []Value{OfText(" "), a[0]}) }},
	"replicate":       {in: onlyServer, min: 2, max: 2, work: repeated},
	"starts_with":     {in: postgres, min: 2, max: 2, work: func(r *rules, a []Value) Value { return OfBool(strings.HasPrefix(r.written(a[0]), r.written(a[1]))) }},
	"startswith":      {in: dialect.In(dialect.Spark), min: 2, max: 2, work: func(r *rules, a []Value) Value { return OfBool(strings.HasPrefix(r.written(a[0]), r.written(a[1]))) }},
	"substring_index": {in: mySQL | dialect.In(dialect.Spark), min: 3, max: 3, work: substringIndex},
	"field":           {in: mySQL, min: 2, max: -1, takesNull: true, work: fieldIndex},
	"elt":             {in: mySQL | dialect.In(dialect.Spark), min: 2, max: -1, takesNull: true, work: chosen},
	"choose":          {in: onlyServer, min: 2, max: -1, takesNull: true, work: chosen},
	"find_in_set":     {in: mySQL | dialect.In(dialect.Spark), min: 2, max: 2, work: inSet},
	"strcmp": {in: mySQL, min: 2, max: 2, work: func(r *rules, a []Value) Value {
		return OfInt(int64(strings.Compare(r.folded(r.written(a[0])), r.folded(r.written(a[1])))))
	}},
	"hex":          {in: mySQL | onlySQLite, min: 1, max: 1, work: hexOf},
	"to_hex":       {in: postgres, min: 1, max: 1, work: func(r *rules, a []Value) Value { return OfText(strconv.FormatInt(wholeOf(r, a[0]), 16)) }},
	"bin":          {in: mySQL | dialect.In(dialect.Spark), min: 1, max: 1, work: func(r *rules, a []Value) Value { return OfText(strconv.FormatInt(wholeOf(r, a[0]), 2)) }},
	"octet_length": {in: postgres | mySQL, min: 1, max: 1, work: func(r *rules, a []Value) Value { return OfInt(int64(len(r.written(a[0])))) }},
	"num_nulls":    {in: postgres, min: 1, max: -1, takesNull: true, work: func(_ *rules, a []Value) Value { return countNulls(a, true) }},
	"num_nonnulls": {in: postgres, min: 1, max: -1, takesNull: true, work: func(_ *rules, a []Value) Value { return countNulls(a, false) }},
	"typeof":       {in: onlySQLite, min: 1, max: 1, takesNull: true, work: storageName},
	"format":       {in: postgres | dialect.In(dialect.SQLServer), min: 1, max: -1, takesNull: true, work: formatOf},
}

// positions reads the place and length that a function is given, in letters.
func positions(r *rules, a []Value) (s, with []rune, from, long int) {
	s, with = []rune(r.written(a[0])), []rune(r.written(a[1]))
	from, long = int(r.toInt(a[2]).n), len(with)
	if len(a) > 3 {
		long = int(r.toInt(a[3]).n)
	}
	return s, with, from, long
}

// overlaid puts a text in the place of a part of another (SQL standard, "character overlay function").
func overlaid(r *rules, a []Value) Value {
	s, with, from, long := positions(r, a)
	if from < 1 || long < 0 {
		panic(unknownHere("this OVERLAY"))
	}
	before, behind := min(from-1, len(s)), min(from-1+long, len(s))
	return OfText(string(s[:before]) + string(with) + string(s[behind:]))
}

// overlaidOrNot is MySQL's INSERT, whose arguments stand in another order: beyond the text it changes nothing.
func overlaidOrNot(r *rules, a []Value) Value {
	s, with, from, long := positions(r, []Value{a[0], a[3], a[1], a[2]})
	if from < 1 || from > len(s) {
		return OfText(string(s))
	}
	if long < 0 || from-1+long > len(s) {
		long = len(s) - from + 1
	}
	return OfText(string(s[:from-1]) + string(with) + string(s[from-1+long:]))
}

// stuffed is SQL Server's STUFF: beyond the text it is NULL.
func stuffed(r *rules, a []Value) Value {
	s, with, from, long := positions(r, []Value{a[0], a[3], a[1], a[2]})
	if from < 1 || from > len(s) || long < 0 {
		return Value{}
	}
	return OfText(string(s[:from-1]) + string(with) + string(s[min(from-1+long, len(s)):]))
}

// codeOf gives the number of the first letter, NULL for a text without one.
func codeOf(r *rules, a []Value) Value {
	if s := r.written(a[0]); s != "" {
		return firstLetter(s)
	}
	return Value{}
}

func translated(r *rules, a []Value) Value {
	from, to := []rune(r.written(a[1])), []rune(r.written(a[2]))
	return r.text(strings.Map(func(c rune) rune {
		for i, f := range from {
			if f == c {
				if i < len(to) {
					return to[i]
				}
				return -1
			}
		}
		return c
	}, r.written(a[0])))
}

func letterOf(r *rules, a []Value) Value {
	n := wholeOf(r, a[0])
	if n < 1 || n > 127 {
		panic(unknownHere("a letter beyond ASCII"))
	}
	return OfText(string(rune(n)))
}

func wholeOf(r *rules, v Value) int64 {
	n := r.toInt(v)
	if n.Kind != Int || n.n < 0 {
		panic(unknownHere("a number below zero here"))
	}
	return n.n
}

func substringIndex(r *rules, a []Value) Value {
	s, sep, n := r.written(a[0]), r.written(a[1]), int(r.toInt(a[2]).n)
	if sep == "" || n == 0 {
		return OfText("")
	}
	parts := strings.Split(s, sep)
	switch {
	case n > 0 && n < len(parts):
		parts = parts[:n]
	case n < 0 && -n < len(parts):
		parts = parts[len(parts)+n:]
	}
	return OfText(strings.Join(parts, sep))
}

// fieldIndex gives which of the values behind the first is the first; 0 for none, and for NULL.
func fieldIndex(r *rules, a []Value) Value {
	for i, v := range a[1:] {
		if a[0].IsNull() || v.IsNull() {
			continue
		}
		if v.Kind != a[0].Kind {
			panic(unknownHere("FIELD of several types"))
		}
		if o, ok := r.compare(a[0], v); ok && o == 0 {
			return OfInt(int64(i + 1))
		}
	}
	return OfInt(0)
}

func chosen(r *rules, a []Value) Value {
	if a[0].IsNull() {
		return a[0]
	}
	if n := r.toInt(a[0]).n; n >= 1 && n < int64(len(a)) {
		return a[n]
	}
	return Value{}
}

func inSet(r *rules, a []Value) Value {
	what, set := r.written(a[0]), r.written(a[1])
	if set == "" || strings.Contains(what, ",") {
		return OfInt(0)
	}
	for i, part := range strings.Split(set, ",") {
		if r.folded(part) == r.folded(what) {
			return OfInt(int64(i + 1))
		}
	}
	return OfInt(0)
}

func hexOf(r *rules, a []Value) Value {
	if a[0].isNumber() && r.isMySQL() {
		return OfText(strings.ToUpper(strconv.FormatInt(wholeOf(r, a[0]), 16)))
	}
	return OfText(strings.ToUpper(hex.EncodeToString([]byte(r.written(a[0])))))
}

func countNulls(a []Value, null bool) Value {
	n := 0
	for _, v := range a {
		if v.IsNull() == null {
			n++
		}
	}
	return OfInt(int64(n))
}

// storageName gives SQLite's class of a value (SQLite, "Datatypes", 2).
func storageName(_ *rules, a []Value) Value {
	switch a[0].Kind {
	case Null:
		return OfText("null")
	case Int, Bool:
		return OfText("integer")
	case Float, Decimal:
		return OfText("real")
	case Bytes:
		return OfText("blob")
	}
	return OfText("text")
}

// formatOf is FORMAT, which writes a date on SQL Server and fills in a text on PostgreSQL.
func formatOf(r *rules, a []Value) Value {
	if r.dialect != dialect.SQLServer {
		return formattedText(r, a)
	}
	if len(a) != 2 {
		panic(unknownHere("FORMAT of a culture"))
	}
	if a[0].IsNull() {
		return a[0]
	}
	return lettered(r, a)
}

// formattedText is PostgreSQL's FORMAT of %s and %%.
func formattedText(r *rules, a []Value) Value {
	if a[0].IsNull() {
		return a[0]
	}
	var b strings.Builder
	rest, next := r.written(a[0]), 1
	for rest != "" {
		before, behind, more := strings.Cut(rest, "%")
		b.WriteString(before)
		if !more {
			break
		}
		c, width := utf8.DecodeRuneInString(behind)
		switch {
		case c == '%':
			b.WriteByte('%')
		case c == 's' && next < len(a):
			if !a[next].IsNull() {
				b.WriteString(r.written(a[next]))
			}
			next++
		default:
			panic(unknownHere("this format"))
		}
		rest = behind[width:]
	}
	return OfText(b.String())
}
