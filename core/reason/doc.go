// Package reason knows when conditions hold: for which values of a column a
// predicate is true, false or unknown, and so whether one implies another, two
// exclude each other, or several cover everything. It answers yes only where
// that is proved; every other answer means that nothing is known.
//
//	set.go        sets of values: ranges of numbers and dates, lists of texts
//	predicate.go  the sets for which a predicate is true and false
//	truth.go      what follows: contradiction, implication, coverage
package reason
