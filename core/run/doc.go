// Package run works a bound query out on small tables held in memory, clause by clause,
// with the semantics of the dialect under review. It is no database: everything is bounded
// (see [Limits]), nothing is written, and the same rows give the same result.
//
// The road of a query:
//
//	compile.go     a bound query becomes a [Plan]: closures over rows, built once
//	from.go        the sources of FROM and their joins
//	select.go      one SELECT: filter, group, window, list, distinct
//	query.go       set operations, common table expressions, order, row limit
//	expr.go        expressions; condition.go conditions, in three values
//	aggregate.go   aggregates; window.go window functions
//	functions.go   the scalar functions, as data
//	value.go       values; day.go dates and intervals; rules.go what dialects differ in
//	cast.go        conversions, written and implicit
//
// What it does not know it names: [Unknown], with the place. What the database itself would
// refuse while it runs is a [Refusal]. What the dialect leaves open is marked in the result.
package run
