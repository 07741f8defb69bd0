// Package dialect holds what differs between databases, as data: quoting,
// words and their status, operators and their precedence, functions, and what
// is visible where. Only this package names a database; parser and checks ask
// for a [Feature].
//
//	dialect.go    the dialects and sets of them
//	feature.go    features, and which dialect has which
//	operator.go   operators and their precedence
//	function.go   built-in functions: aggregates, window functions, volatile ones
//	typesystem.go PostgreSQL's types, casts, operators and functions, and which of them it takes
//	meeting.go    what becomes of two values whose classes of types differ
//	decimal.go    the digits of sums, products and quotients
//	class         the classes of types
//	types         the data of these, each with its source
//	clue.go       what in a text speaks for which database
//	words.txt     every word, with a letter for each dialect that reserves it:
//	              N ansi, P postgres, M mysql, A mariadb, L sqlite,
//	              T sqlserver, O oracle, K spark
//
// The marks P, A and L were taken from the servers themselves, the others from
// their documentation.
package dialect

//go:generate go run ./internal/wordgen
