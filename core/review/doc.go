// Package review is the pipeline: it takes texts through parser, binder and
// checks, many files in parallel, and gives findings in the order of the input.
//
//	review.go   one text
//	dispatch.go which checks a node calls
//	large.go    one large text, by several workers
//	accept.go   findings that comments accept
//	object.go   in which view, routine or CTE a finding stands
//	run.go      many files
package review
