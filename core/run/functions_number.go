package run

import (
	"math"

	"justlens/core/dialect"
)

// numberFunctions are the functions of numbers that work with floating ones.
var numberFunctions = map[string]function{
	"exp":     {in: butSQLite, min: 1, max: 1, work: floating(math.Exp)},
	"ln":      {in: butServer, min: 1, max: 1, work: logarithm(math.Log)},
	"log10":   {in: mySQL | onlyServer | onlySQLite | dialect.In(dialect.Spark), min: 1, max: 1, work: logarithm(math.Log10)},
	"log2":    {in: mySQL | onlySQLite, min: 1, max: 1, work: logarithm(math.Log2)},
	"sin":     {in: everywhere, min: 1, max: 1, work: floating(math.Sin)},
	"cos":     {in: everywhere, min: 1, max: 1, work: floating(math.Cos)},
	"radians": {in: everywhere &^ dialect.In(dialect.Oracle), min: 1, max: 1, work: floating(func(f float64) float64 { return f / 180 * math.Pi })},
	"degrees": {in: everywhere &^ dialect.In(dialect.Oracle), min: 1, max: 1, work: floating(func(f float64) float64 { return f / math.Pi * 180 })},
	"div":     {in: postgres, min: 2, max: 2, work: wholeQuotient},
	"gcd":     {in: postgres, min: 2, max: 2, work: commonDivisor},
	"cbrt":    {in: postgres | dialect.In(dialect.Spark), min: 1, max: 1, work: floating(math.Cbrt)},
}

func floating(work func(float64) float64) func(*rules, []Value) Value {
	return func(r *rules, a []Value) Value {
		v := r.operand(a[0])
		if v.Kind == Decimal && (r.isPostgres() || r.dialect == dialect.Oracle) || r.dialect == dialect.Oracle {
			panic(unknownHere("this function of exact numbers"))
		}
		f := work(v.asFloat())
		if math.IsNaN(f) || math.IsInf(f, 0) {
			panic(unknownHere("a number beyond all bounds"))
		}
		return OfFloat(f)
	}
}

// logarithm is NULL of what has none on MySQL, MariaDB, SQLite and Spark, refused elsewhere.
func logarithm(work func(float64) float64) func(*rules, []Value) Value {
	of := floating(work)
	return func(r *rules, a []Value) Value {
		if v := r.operand(a[0]); v.isNumber() && v.asFloat() <= 0 {
			if r.nullByZero {
				return Value{}
			}
			panic(Refusal{What: "the logarithm of a number that is not above zero"})
		}
		return of(r, a)
	}
}

func wholeQuotient(r *rules, a []Value) Value {
	if a[0].Kind != Int || a[1].Kind != Int {
		panic(unknownHere("a whole quotient of such numbers"))
	}
	if a[1].n == 0 {
		return r.byZero()
	}
	return OfInt(a[0].n / a[1].n)
}

func commonDivisor(_ *rules, a []Value) Value {
	if a[0].Kind != Int || a[1].Kind != Int {
		panic(unknownHere("a common divisor of such numbers"))
	}
	x, y := a[0].n, a[1].n
	for y != 0 {
		x, y = y, x%y
	}
	return OfInt(max(x, -x))
}
