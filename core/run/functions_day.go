package run

import (
	"strings"
	"time"

	"justlens/core/dialect"
)

// dayFunctions are the functions of dates and times that only some databases have.
var dayFunctions = map[string]function{
	"dayname":        {in: mySQL, min: 1, max: 1, work: dayText("Monday")},
	"monthname":      {in: mySQL, min: 1, max: 1, work: dayText("January")},
	"weekofyear":     {in: mySQL | dialect.In(dialect.Spark), min: 1, max: 1, work: field("week")},
	"week":           {in: mySQL, min: 1, max: 2, work: weekNumber},
	"yearweek":       {in: mySQL, min: 1, max: 2, work: yearWeek},
	"makedate":       {in: mySQL, min: 2, max: 2, work: madeDate},
	"make_date":      {in: postgres | dialect.In(dialect.Spark), min: 3, max: 3, work: datePartsOf},
	"datefromparts":  {in: onlyServer, min: 3, max: 3, work: datePartsOf},
	"to_days":        {in: mySQL, min: 1, max: 1, work: dayCount},
	"period_diff":    {in: mySQL, min: 2, max: 2, work: periodDiff},
	"str_to_date":    {in: mySQL, min: 2, max: 2, work: readByMySQL},
	"to_date":        {in: postgres | dialect.In(dialect.Oracle), min: 2, max: 2, work: readByForm},
	"to_timestamp":   {in: dialect.In(dialect.Oracle), min: 2, max: 2, work: readByForm},
	"age":            {in: postgres, min: 2, max: 2, work: age},
	"eomonth":        {in: onlyServer, min: 1, max: 1, work: lastDay},
	"date_add":       {in: dialect.In(dialect.Spark), min: 2, max: 2, work: func(r *rules, a []Value) Value { return daysLater(r, a, 1) }},
	"date_sub":       {in: dialect.In(dialect.Spark), min: 2, max: 2, work: func(r *rules, a []Value) Value { return daysLater(r, a, -1) }},
	"months_between": {in: dialect.In(dialect.Oracle), min: 2, max: 2, work: monthsBetween},
	"unixepoch":      {in: onlySQLite, min: 1, max: 1, work: field("epoch")},
	"time":           {in: mySQL, min: 1, max: 1, work: timeOfDay},
}

// dayValue gives the date or timestamp that a function needs; ok is false for NULL.
func (r *rules) dayValue(v Value) (day Value, ok bool) {
	day = r.dayLike(v)
	if !day.IsNull() && day.Kind != Date && day.Kind != Timestamp {
		panic(unknownHere(day.Kind.noun() + " as a date"))
	}
	return day, !day.IsNull()
}

func dayText(form string) func(*rules, []Value) Value {
	return func(r *rules, a []Value) Value {
		v, ok := r.dayValue(a[0])
		if !ok {
			return v
		}
		return OfText(v.moment().Format(form))
	}
}

// weekNumber is WEEK by its modes 0, 1 and 3 (MariaDB, "WEEK").
func weekNumber(r *rules, a []Value) Value {
	v, ok := r.dayValue(a[0])
	if !ok {
		return v
	}
	mode := int64(0)
	if len(a) > 1 {
		mode = r.toInt(a[1]).n
	}
	t := v.moment()
	switch mode {
	case 0: // from the first Sunday on
		return OfInt(int64((t.YearDay() + 6 - int(t.Weekday())) / 7))
	case 3:
		_, w := t.ISOWeek()
		return OfInt(int64(w))
	}
	panic(unknownHere("this number of a week"))
}

// yearWeek is YEARWEEK by its modes 0 and 1: the week belongs to the year in which it begins, or by ISO.
func yearWeek(r *rules, a []Value) Value {
	v, ok := r.dayValue(a[0])
	if !ok {
		return v
	}
	t := v.moment()
	switch {
	case len(a) == 1 || r.toInt(a[1]).n == 0:
		sunday := t.AddDate(0, 0, -int(t.Weekday()))
		return OfInt(int64(sunday.Year()*100 + (sunday.YearDay()+6)/7))
	case r.toInt(a[1]).n == 1:
		y, w := t.ISOWeek()
		return OfInt(int64(y*100 + w))
	}
	panic(unknownHere("this number of a week"))
}

func madeDate(r *rules, a []Value) Value {
	year, day := r.toInt(a[0]).n, r.toInt(a[1]).n
	if day < 1 {
		return Value{}
	}
	if year < 1000 || day > 100_000 {
		panic(unknownHere("this MAKEDATE"))
	}
	return OfDay(time.Date(int(year), 1, int(day), 0, 0, 0, 0, time.UTC))
}

func datePartsOf(r *rules, a []Value) Value {
	f := fields{year: int(r.toInt(a[0]).n), month: int(r.toInt(a[1]).n), day: int(r.toInt(a[2]).n)}
	if f.month < 1 || f.month > 12 || f.day < 1 || f.day > 31 || f.year < 1 {
		panic(Refusal{What: "a date that does not exist"})
	}
	v, ok := f.value()
	if !ok {
		if r.dialect == dialect.Spark {
			return Value{}
		}
		panic(Refusal{What: "a date that does not exist"})
	}
	return v
}

// dayCount is TO_DAYS: days since the year 0.
func dayCount(r *rules, a []Value) Value {
	v, ok := r.dayValue(a[0])
	if !ok {
		return v
	}
	return OfInt(v.day().n + 719528)
}

func periodDiff(r *rules, a []Value) Value {
	months := func(n int64) int64 {
		if n < 100_000 {
			panic(unknownHere("a period of two digits"))
		}
		return n/100*12 + n%100
	}
	return OfInt(months(r.toInt(a[0]).n) - months(r.toInt(a[1]).n))
}

func timeOfDay(r *rules, a []Value) Value {
	v := r.dayLike(a[0])
	if v.Kind != Timestamp {
		panic(unknownHere("the time of " + v.Kind.noun()))
	}
	return Value{Kind: Time, n: v.n - v.day().micros()}
}

func daysLater(r *rules, a []Value, sign int64) Value {
	v, ok := r.dayValue(a[0])
	if !ok {
		return v
	}
	return Value{Kind: Date, n: v.day().n + sign*r.toInt(a[1]).n}
}

// age is PostgreSQL's: years, months and days between, by the calendar (9.9, "age").
func age(r *rules, a []Value) Value {
	later, ok := r.dayValue(a[0])
	earlier, also := r.dayValue(a[1])
	if !ok || !also {
		return Value{}
	}
	sign := int32(1)
	if later.micros() < earlier.micros() {
		later, earlier, sign = earlier, later, -1
	}
	from, to := earlier.moment(), later.moment()
	months := (to.Year()-from.Year())*12 + int(to.Month()-from.Month())
	days := to.Day() - from.Day()
	rest := (later.micros() - later.day().micros()) - (earlier.micros() - earlier.day().micros())
	if rest < 0 {
		rest += dayLength
		days--
	}
	if days < 0 { // counted by the month of the earlier date
		first := time.Date(from.Year(), from.Month(), 1, 0, 0, 0, 0, time.UTC)
		days += first.AddDate(0, 1, -1).Day()
		if sign < 0 {
			panic(unknownHere("an age below zero"))
		}
		months--
	}
	return Value{Kind: Interval, months: sign * int32(months), days: sign * int32(days), n: int64(sign) * rest}
}

// monthsBetween is Oracle's: whole months where the days are the same or both the last ones, else with
// thirty-one parts to a month ("MONTHS_BETWEEN").
func monthsBetween(r *rules, a []Value) Value {
	v, w := a[0], a[1]
	if v.Kind != Date || w.Kind != Date {
		panic(unknownHere("MONTHS_BETWEEN of times"))
	}
	from, to := w.moment(), v.moment()
	isLast := func(t time.Time) bool { return t.AddDate(0, 0, 1).Day() == 1 }
	months := OfInt(int64((to.Year()-from.Year())*12 + int(to.Month()-from.Month())))
	if to.Day() == from.Day() || isLast(to) && isLast(from) {
		return months
	}
	return r.reckon('+', months, r.reckon('/', OfInt(int64(to.Day()-from.Day())), OfInt(31)))
}

// readByMySQL is STR_TO_DATE of numbers and what stands between them; what does not fit is NULL.
func readByMySQL(r *rules, a []Value) Value {
	s, form := r.written(a[0]), r.written(a[1])
	layout := ""
	for i := 0; i < len(form); i++ {
		if form[i] != '%' {
			layout += form[i : i+1]
			continue
		}
		i++
		if i == len(form) {
			return Value{}
		}
		part := map[byte]string{'Y': "2006", 'm': "1", 'c': "1", 'd': "2", 'e': "2", 'H': "15", 'i': "04", 's': "05"}[form[i]]
		if part == "" {
			panic(unknownHere("the format %" + form[i:i+1]))
		}
		layout += part
	}
	return readLayout(s, layout, func() Value {
		if !isASCII(s) || s == "" || s[0] < '0' || s[0] > '9' {
			return Value{}
		}
		panic(unknownHere("the text '" + s + "' by the format " + form))
	})
}

// readByForm is TO_DATE by the patterns that PostgreSQL and Oracle share.
func readByForm(r *rules, a []Value) Value {
	s, form := r.written(a[0]), strings.ToUpper(r.written(a[1]))
	layout := strings.NewReplacer("YYYY", "2006", "MM", "1", "DD", "2", "HH24", "15", "MI", "04", "SS", "05").Replace(form)
	if strings.Trim(layout, "0123456789-/. :") != "" {
		panic(unknownHere("the format " + form))
	}
	return readLayout(s, layout, func() Value { panic(unknownHere("the text '" + s + "' by the format " + form)) })
}

// readLayout reads a moment by a layout of package time.
func readLayout(s, layout string, otherwise func() Value) Value {
	t, err := time.Parse(layout, s)
	if err != nil {
		return otherwise()
	}
	if strings.Contains(layout, "15") {
		return OfTime(t)
	}
	return OfDay(t)
}
