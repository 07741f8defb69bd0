// Package follow tells what each clause of a query does to the rows, in the order in which a
// database works: as a reading of the text, and on rows as counts.
//
//	follow.go   the steps of a query
//	reading.go  what each step does, in words
//	counts.go   what it does to rows
//	track.go    what becomes of some rows
package follow
