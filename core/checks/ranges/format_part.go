package ranges

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var formatParts = &check.Check{
	ID:    "range.format-part",
	Title: "a part of a date's format that means another",
	Doc: "Months and minutes share their letter. TO_CHAR writes MM and MI, in any letter case; SQL Server and Spark MM and mm; MySQL %m and %i; SQLite %m and %M. The wrong one is taken without a word, and every time " +
		"of May has five minutes. Hours of a clock with twelve need AM or PM beside them, the year of the ISO week needs the week, and letters that mean nothing are given as they are.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT TO_CHAR(inspected_at, 'YYYY-MM-DD HH24:MM') AS at FROM inspections",
		Good:    "SELECT TO_CHAR(inspected_at, 'YYYY-MM-DD HH24:MI') AS at FROM inspections",
		Near: []string{
			"SELECT TO_CHAR(inspected_at, 'YYYY-MM-DD HH24:MI:SS') AS at FROM inspections",
			"SELECT TO_CHAR(inspected_at, 'HH24:MI DD.MM.YYYY') AS at FROM inspections",
			"SELECT TO_CHAR(inspected_at, 'HH12:MI AM') AS at FROM inspections",
			"SELECT TO_CHAR(inspected_at, 'IYYY-IW') AS week FROM inspections",
			"SELECT TO_CHAR(weight_kg, '999MI') AS kg FROM harvests",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT TO_CHAR(inspected_at, 'IYYY-MM-DD') AS day FROM inspections",
		Good:    "SELECT TO_CHAR(inspected_at, 'YYYY-MM-DD') AS day FROM inspections",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT TO_CHAR(inspected_at, 'YYYY-MM-DD HH:MI') AS at FROM inspections",
		Good:    "SELECT TO_CHAR(inspected_at, 'YYYY-MM-DD HH24:MI') AS at FROM inspections",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT DATE_FORMAT(inspected_at, '%H:%m') AS at FROM inspections",
		Good:    "SELECT DATE_FORMAT(inspected_at, '%H:%i') AS at FROM inspections",
		Near: []string{
			"SELECT DATE_FORMAT(inspected_at, '%Y-%m-%d %H:%i') AS at FROM inspections",
			"SELECT DATE_FORMAT(inspected_at, '%d. %M %Y, %l:%i %p') AS at FROM inspections",
			"SELECT DATE_FORMAT(inspected_at, '%r') AS at FROM inspections",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT strftime('%Y-%M', taken_on) AS month FROM harvests",
		Good:    "SELECT strftime('%Y-%m', taken_on) AS month FROM harvests",
		Near:    []string{"SELECT strftime('%H:%M', inspected_at) AS at FROM inspections"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT FORMAT(taken_on, 'yyyy-mm-dd') AS day FROM harvests",
		Good:    "SELECT FORMAT(taken_on, 'yyyy-MM-dd') AS day FROM harvests",
		Near:    []string{"SELECT FORMAT(inspected_at, 'yyyy-MM-dd HH:mm') AS at FROM inspections", "SELECT FORMAT(inspected_at, 'h:mm tt') AS at FROM inspections"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT FORMAT(taken_on, 'DD.MM.YYYY') AS day FROM harvests",
		Good:    "SELECT FORMAT(taken_on, 'dd.MM.yyyy') AS day FROM harvests",
	}, {
		Dialect: dialect.Spark,
		Bad:     "SELECT date_format(taken_on, 'yyyy-MM-DD') AS day FROM harvests",
		Good:    "SELECT date_format(taken_on, 'yyyy-MM-dd') AS day FROM harvests",
		Near:    []string{"SELECT date_format(inspected_at, \"yyyy-MM-dd'T'HH:mm\") AS at FROM inspections", "SELECT date_format(taken_on, 'yyyy-DDD') AS day FROM harvests"},
	}},
	On: check.Calls(runFormatPart, "to_char", "to_date", "to_timestamp", "to_timestamp_tz", "to_timestamp_ntz", "format", "date_format", "time_format", "from_unixtime",
		"str_to_date", "unix_timestamp", "to_unix_timestamp", "strftime"),
}

// slip is a part of a format that stands in the place of another.
type slip struct {
	part    formatPart
	message string
	mended  string
	why     string
}

func runFormatPart(p *check.Pass, c *syntax.Call) {
	f, ok := formatIn(p, c)
	if !ok {
		return
	}
	var slips []slip
	for i, part := range f.parts() {
		if s := f.slipAt(p, i); s.mended != "" {
			s.part = part
			slips = append(slips, s)
		}
	}
	if len(slips) == 0 {
		return
	}
	first := slips[0]
	found := check.Finding{Span: first.part.at, Context: c.Span(), Certainty: check.Likely, Message: first.message, Why: first.why}
	if p.Dialect == dialect.Spark && first.part.means == anISOYear {
		found.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.Spark))
	}
	mended := p.Text(f.literal)
	from := f.literal.Span().Start
	for _, s := range slices.Backward(slips) {
		mended = mended[:s.part.at.Start-from] + s.mended + mended[s.part.at.End-from:]
	}
	for _, s := range slips[1:] {
		found.Related = append(found.Related, check.Related{Span: s.part.at, Message: "and this one"})
	}
	found.Mends = []check.Mend{{Title: "write " + mended, Effect: check.NewRows, Edits: []text.Edit{check.Replace(f.literal.Span(), mended)}}}
	p.Report(found)
}

// slipAt tells what is wrong with a part of a format; no mended text where nothing is.
func (f *dateFormat) slipAt(p *check.Pass, i int) slip {
	part := f.room[i]
	written := text.View(p.Src, part.at)
	switch part.means {
	case aMonth, aMonthName:
		if f.isAfterHour(p, i) && (part.means == aMonth || f.style == percents) {
			return slip{message: fmt.Sprintf("%s is the month, and stands where the minutes of a time do", written), mended: f.spelled(p, aMinute, written), why: f.given("Every time of one month is given the same minutes.", "The minutes of the text are taken for its month.")}
		}
	case aMinute:
		if f.isInDate(p, i) {
			return slip{message: fmt.Sprintf("%s are the minutes, and stand where the month of a date does", written), mended: f.spelled(p, aMonth, written), why: f.given("Every day at the full hour is given the month 00.", "The month of the text is taken for minutes.")}
		}
	case aHalfHour:
		if !f.has(aDayHalf) && f.has(aMinute) {
			return slip{message: fmt.Sprintf("%s counts hours from 1 to 12, and nothing tells morning from evening", written), mended: f.spelled(p, anHour, written), why: f.given("8 in the morning and 8 in the evening read alike.", "Times from 13:00 on cannot be read.")}
		}
	case anISOYear:
		if f.has(aMonth, aMonthName, aDay) && !f.has(aWeek, aYear) {
			why := "The days round New Year are given another year."
			if p.Dialect == dialect.Spark {
				why = "Spark 3 has no formats of weeks, and refuses it."
			}
			return slip{message: fmt.Sprintf("%s is the year of the ISO week, and month and day are the calendar's", written), mended: f.spelled(p, aYear, written), why: why}
		}
	case aYearDay:
		if f.style == letters && f.has(aMonth, aMonthName) && !f.has(aDay) {
			return slip{message: fmt.Sprintf("%s is the day of the year, beside the month", written), mended: strings.ToLower(written), why: "The first of May is given as 121."}
		}
	case aWeekDay:
		if f.style == words && len(written) == 1 && f.has(aMonth) && f.has(aYear) && !f.has(aDay) {
			return slip{message: fmt.Sprintf("%s is the day of the week, from 1 to 7, beside month and year", written), mended: written + written, why: "The day of the month is DD."}
		}
	case noPart:
		if f.style == letters && len(written) > 1 { // D and Y alone are formats of their own, D5 is one of a number
			return slip{message: fmt.Sprintf("%s means nothing in this format, and is given as it is", written), mended: strings.ToLower(written), why: "Letter case counts here: yyyy is the year, dd the day."}
		}
	}
	return slip{}
}

// given chooses between what is said of a format that writes and of one that reads.
func (f *dateFormat) given(writes, reads string) string {
	if f.reads {
		return reads
	}
	return writes
}

// between gives what stands between a part and the one before it.
func (f *dateFormat) between(p *check.Pass, i int) string {
	return text.View(p.Src, text.Span{Start: f.room[i-1].at.End, End: f.room[i].at.Start})
}

// isAfterHour reports whether a part follows the hours of a time.
func (f *dateFormat) isAfterHour(p *check.Pass, i int) bool {
	return i > 0 && (f.room[i-1].means == anHour || f.room[i-1].means == aHalfHour) && strings.Trim(f.between(p, i), ".") == ":"
}

// isInDate reports whether a part stands beside the year or the day of a date, and in no time.
func (f *dateFormat) isInDate(p *check.Pass, i int) bool {
	isTime := func(k int) bool {
		return k >= 0 && k < f.count && slices.Contains([]partMeaning{anHour, aHalfHour, aSecond}, f.room[k].means)
	}
	isDate := func(k int) bool {
		return k >= 0 && k < f.count && (f.room[k].means == aYear || f.room[k].means == aDay)
	}
	if isTime(i-1) || isTime(i+1) || f.has(aMonth, aMonthName) {
		return false
	}
	return isDate(i-1) && strings.Trim(f.between(p, i), "-/.") == "" || isDate(i+1) && strings.Trim(f.between(p, i+1), "-/.") == ""
}

// spelled gives a part of another meaning, in the letter case of the one that it replaces.
func (f *dateFormat) spelled(p *check.Pass, means partMeaning, written string) string {
	spelling := map[partMeaning][3]string{
		aYear: {"YYYY", "%Y", "yyyy"}, aMonth: {"MM", "%m", "MM"}, anHour: {"HH24", "%H", "HH"}, aMinute: {"MI", "%i", "mm"}}[means][f.style]
	switch {
	case f.style == words && written == strings.ToLower(written):
		return strings.ToLower(spelling)
	case p.Dialect == dialect.SQLite && means == aMinute:
		return "%M"
	}
	return spelling
}
