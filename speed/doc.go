// Package speed measures the review against a floor: a loop that does nothing but tell
// tokens apart, on the same bytes, in the same run. The ratio holds from machine to
// machine; megabytes a second do not. It also holds what a review may allocate to a
// budget, which is counted and not timed.
//
//	texts.go  the texts that are measured
//	floor.go  the loop
package speed
