// Package bind finds what the names of a statement mean: which source each
// column comes from, and what a query gives out. The answer, [Info], lies beside
// the tree and is looked up by node.
//
//	info.go    the answer
//	scope.go   sources, scopes, looking a name up
//	bind.go    the walk over a statement that makes them
//	names.go   what a name means, by the rules of its clause
//	from.go    the sources of FROM
//	output.go  what a query gives out
//	same.go    whether two expressions are the same
//
// # Terms
//
// A source is a table, view, derived table or common table expression as it
// stands in one FROM. A source is complete when all its columns are known.
// Without a schema a table is not, but qualified uses in the text teach some
// of its columns.
package bind
