// Package report shows the outcomes of a review: a renderer for each format.
//
//	report.go   what a renderer is
//	text.go     for people, in a terminal or a pipe
//	excerpt.go  lines of SQL with a span marked, and mends as lines
//	style.go    colours
//	json.go     for programs
package report
