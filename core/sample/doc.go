// Package sample makes rows for the tables of a schema, from a seed: few values, so
// that they repeat, tie and match; those that a query or a check names, and their
// neighbours; NULLs, parents without children, empty tables. The rows keep the
// keys, the foreign keys and, as far as they can be worked out, the checks.
//
//	value.go    values, as text and as literals
//	check.go    which rows a CHECK lets pass
//	sample.go   the rows of tables
package sample
