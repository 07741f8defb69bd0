// Package facts works out, once and on demand, what checks ask of a bound statement:
// conditions, aggregates, what is grouped, what is given out, what can be NULL, what
// type a value has, what tells rows apart. Each rule about a database that such a
// question needs stands here and nowhere else.
//
//	facts.go       the facts of one statement, and how long a question may take
//	functions.go   what kind of function a call calls
//	clause.go      the conditions of a clause: chains of AND and OR
//	aggregates.go  the aggregates of a SELECT
//	grouping.go    what a SELECT groups by
//	outputs.go     what a query gives out
//	passed.go      conditions that all rows of a query have met
//	ties.go        which sources conditions tie together
//	nullable.go    what can be NULL
//	types.go       what class of type an expression has
//	exact.go       what type it has by PostgreSQL's own rules
//	variable.go    what type a routine declares for its variables
//	place.go       what the place of a value asks of it
//	literal.go     what a text in quotes may be read as
//	day.go         days that are written in one way or another
//	clock.go       what is read off the database's clock
//	fixed.go       what follows from values and rows that are fixed
//	keys.go        what tells the rows of a query apart
//	numbered.go    whose rows a column numbers, by foreign keys
package facts
