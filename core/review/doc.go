// Package review is the pipeline: it takes texts through parser, binder and
// checks, many files in parallel, and gives findings in the order of the input.
//
//	review.go   one text
//	run.go      many files
package review
