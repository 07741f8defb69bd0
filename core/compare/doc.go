// Package compare tells whether two queries give the same rows: first from their texts, then
// by a hunt over small made databases. A difference is shrunk to the fewest rows and the simplest
// values that still show it.
//
//	columns.go  what the texts tell of the columns
//	hunt.go     the hunt over made databases
//	shrink.go   the fewest rows that show a difference
//	parting.go  the clause at which the two part
package compare
