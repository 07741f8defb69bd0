package ranges

import (
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

// dateFormat is the format by which a call writes or reads a date.
type dateFormat struct {
	literal *syntax.Literal
	style   formatStyle
	reads   bool // the call makes a date of a text
	count   int
	room    [mostParts]formatPart
}

// mostParts is how many parts of a format are read.
const mostParts = 16

func (f *dateFormat) parts() []formatPart { return f.room[:f.count] }

// formatStyle is a language of formats.
type formatStyle uint8

const (
	words    formatStyle = iota // TO_CHAR of PostgreSQL and Oracle, in which letter case does not matter
	percents                    // DATE_FORMAT of MySQL and strftime of SQLite
	letters                     // FORMAT of SQL Server, date_format of Spark: mm are minutes
)

// formatPart is a part of a format that is replaced by something of the date.
type formatPart struct {
	means partMeaning
	at    text.Span
}

// partMeaning is what a part of a format stands for.
type partMeaning byte

const (
	aYear      partMeaning = 'y'
	anISOYear  partMeaning = 'i' // of the week
	aMonth     partMeaning = 'm'
	aMonthName partMeaning = 'b'
	aDay       partMeaning = 'd'
	aWeek      partMeaning = 'w'
	aYearDay   partMeaning = 'j'
	aWeekDay   partMeaning = 'k'
	anHour     partMeaning = 'H'
	aHalfHour  partMeaning = 'h' // 1 to 12
	aMinute    partMeaning = 'n'
	aSecond    partMeaning = 's'
	aDayHalf   partMeaning = 'p' // AM or PM
	noPart     partMeaning = '?' // letters that mean nothing here
)

// formatIn reads the format of a call; ok is false where it has none that is known.
func formatIn(p *check.Pass, c *syntax.Call) (f dateFormat, ok bool) {
	f.style = letters
	at := 1
	switch p.FunctionName(c) {
	case "to_char":
		if p.Dialect != dialect.Spark {
			f.style = words
		}
	case "to_date", "to_timestamp", "to_timestamp_tz", "to_timestamp_ntz":
		f.reads = true
		if p.Dialect != dialect.Spark {
			f.style = words
		}
	case "format":
		if p.Dialect != dialect.SQLServer {
			return f, false
		}
	case "date_format", "time_format", "from_unixtime":
		if p.Dialect != dialect.Spark {
			f.style = percents
		}
	case "str_to_date":
		f.style, f.reads = percents, true
	case "unix_timestamp", "to_unix_timestamp":
		f.reads = true
	case "strftime":
		at, f.style = 0, percents
	default:
		return f, false
	}
	if at >= len(c.Args) {
		return f, false
	}
	l, ok := syntax.Unparen(c.Args[at]).(*syntax.Literal)
	if !ok || l.Lit != syntax.TextLiteral || p.Src[l.Span().Start] != '\'' {
		return f, false
	}
	f.literal = l
	switch value := text.View(p.Src, l.Span()); f.style {
	case percents:
		f.readPercents(value, p.Dialect == dialect.SQLite)
	case words:
		f.readWords(value)
	default:
		f.readLetters(value, p.Dialect == dialect.Spark)
	}
	return f, true
}

// dateParts gives the parts in their order: y for the year, m for the month, d for the day, w for a week,
// i for an ISO year.
func (f *dateFormat) dateParts() string {
	var b strings.Builder
	for _, part := range f.parts() {
		switch part.means {
		case aMonthName:
			b.WriteByte(byte(aMonth))
		case aYear, anISOYear, aMonth, aDay, aWeek:
			b.WriteByte(byte(part.means))
		}
	}
	return b.String()
}

// has reports whether one of the parts has one of the meanings.
func (f *dateFormat) has(means ...partMeaning) bool {
	return slices.ContainsFunc(f.parts(), func(part formatPart) bool { return slices.Contains(means, part.means) })
}

func (f *dateFormat) add(means partMeaning, from, to int) {
	if f.count == mostParts {
		return
	}
	start := f.literal.Span().Start
	f.room[f.count] = formatPart{means, text.Span{Start: start + text.Pos(from), End: start + text.Pos(to)}}
	f.count++
}

// Meanings of the letters behind % ("Date and Time Functions" of MySQL's manual, lang_datefunc of SQLite's).
var (
	percentsOfMySQL = map[byte]partMeaning{'Y': aYear, 'y': aYear, 'm': aMonth, 'c': aMonth, 'b': aMonthName, 'M': aMonthName, 'd': aDay, 'e': aDay, 'D': aDay,
		'v': aWeek, 'V': aWeek, 'x': anISOYear, 'X': anISOYear, 'H': anHour, 'k': anHour, 'h': aHalfHour, 'I': aHalfHour, 'l': aHalfHour, 'i': aMinute, 's': aSecond,
		'S': aSecond, 'p': aDayHalf, 'j': aYearDay, 'w': aWeekDay}
	percentsOfSQLite = map[byte]partMeaning{'Y': aYear, 'm': aMonth, 'd': aDay, 'e': aDay, 'V': aWeek, 'G': anISOYear, 'H': anHour, 'k': anHour, 'I': aHalfHour, 'l': aHalfHour,
		'M': aMinute, 'S': aSecond, 'f': aSecond, 'p': aDayHalf, 'P': aDayHalf, 'j': aYearDay, 'w': aWeekDay, 'u': aWeekDay}
)

func (f *dateFormat) readPercents(value string, sqlite bool) {
	meanings := percentsOfMySQL
	if sqlite {
		meanings = percentsOfSQLite
	}
	for i := 0; i+1 < len(value); i++ {
		if value[i] != '%' {
			continue
		}
		if means, ok := meanings[value[i+1]]; ok {
			f.add(means, i, i+2)
		}
		i++
	}
}

// wordsOf are the parts of TO_CHAR, the longer before those that they begin with (PostgreSQL, table
// "Template Patterns for Date/Time Formatting"; Oracle, "Datetime Format Elements").
var wordsOf = []struct {
	word  string
	means partMeaning
}{
	{"IYYY", anISOYear}, {"IYY", anISOYear}, {"IY", anISOYear}, {"IW", aWeek},
	{"Y,YYY", aYear}, {"SYYYY", aYear}, {"YYYY", aYear}, {"YYY", aYear}, {"YY", aYear}, {"RRRR", aYear}, {"RR", aYear},
	{"MONTH", aMonthName}, {"MON", aMonthName}, {"MM", aMonth}, {"MI", aMinute},
	{"DDD", aYearDay}, {"DD", aDay}, {"DAY", aWeekDay}, {"DY", aWeekDay}, {"D", aWeekDay},
	{"HH24", anHour}, {"HH12", aHalfHour}, {"HH", aHalfHour},
	{"SSSSS", noPart}, {"SSSS", noPart}, {"SS", aSecond}, {"FF", aSecond},
	{"A.M.", aDayHalf}, {"P.M.", aDayHalf}, {"AM", aDayHalf}, {"PM", aDayHalf},
	{"TZH", noPart}, {"TZM", noPart}, {"TZ", noPart}, {"FM", noPart}, {"WW", noPart}, {"TH", noPart}, {"J", noPart}, {"Q", noPart},
}

func (f *dateFormat) readWords(value string) {
	for i := 0; i < len(value); {
		if value[i] == '"' { // in quotes stands what is given as it is
			end := strings.IndexByte(value[i+1:], '"')
			if end < 0 {
				return
			}
			i += end + 2
			continue
		}
		n := 1
		for _, w := range wordsOf {
			if len(value)-i >= len(w.word) && strings.EqualFold(value[i:i+len(w.word)], w.word) {
				if n = len(w.word); w.means != noPart {
					f.add(w.means, i, i+n)
				}
				break
			}
		}
		i += n
	}
}

// lettersOf are the meanings that Java's and .NET's formats share.
var lettersOf = map[byte]partMeaning{'y': aYear, 'M': aMonth, 'd': aDay, 'H': anHour, 'h': aHalfHour, 'm': aMinute, 's': aSecond}

// readLetters reads a format of letters in runs ("Datetime Patterns" of Spark's guide; "Custom date and time
// format strings" of .NET, which FORMAT uses).
func (f *dateFormat) readLetters(value string, spark bool) {
	for i := 0; i < len(value); {
		n := 1
		for i+n < len(value) && value[i+n] == value[i] {
			n++
		}
		switch c := value[i]; {
		case c == '\'' && i > 0 && i+n < len(value) || c == '"': // what stands in quotes is given as it is
			end := strings.IndexByte(value[i+n:], c)
			if end < 0 {
				return
			}
			n += end + 1
			for i+n < len(value) && value[i+n] == c {
				n++
			}
		case c == 'M' && n > 2:
			f.add(aMonthName, i, i+n)
		case c == 'd' && n > 2:
			f.add(aWeekDay, i, i+n)
		case spark && c == 'Y':
			f.add(anISOYear, i, i+n)
		case spark && c == 'D':
			f.add(aYearDay, i, i+n)
		case spark && c == 'a', !spark && c == 't':
			f.add(aDayHalf, i, i+n)
		case !spark && (c == 'Y' || c == 'D'):
			f.add(noPart, i, i+n)
		case c == '\\':
			n++
		default:
			if means, ok := lettersOf[c]; ok {
				f.add(means, i, i+n)
			}
		}
		i += n
	}
}
