package dialect

import "strings"

// Feature is a point in which dialects contradict each other. What a dialect
// merely adds is no feature: the parser reads it for all.
type Feature uint8

const (
	// BackslashEscapes: a backslash in '…' takes the next character as it is.
	BackslashEscapes Feature = iota
	// DoubleQuotedText: "…" is text, not a name.
	DoubleQuotedText
	// BracketNames: […] is a name, not a subscript.
	BracketNames
	// HashComment: # begins a comment; elsewhere it is an operator or part of a name.
	HashComment
	// DashNeedsBlank: -- begins a comment only before a blank.
	DashNeedsBlank
	// NestedComments: /* … /* … */ … */ is one comment.
	NestedComments
	// PipesAreOr: || is OR.
	PipesAreOr
	// DollarQuotes: $tag$…$tag$ is text.
	DollarQuotes
	// QuotedQ: q'[…]' is text.
	QuotedQ
	// HashNames: # may begin a name (temporary tables).
	HashNames
	// EqualsNamesOutput: in a select list `name = expression` names the output.
	EqualsNamesOutput
	// BatchLines: a line holding only GO ends a batch.
	BatchLines
	// DigitNames: a bare name may begin with a digit.
	DigitNames
	// DelimiterLines: a line DELIMITER // names another end of statements.
	DelimiterLines
	// ExecutedComments: /*! … */ is executed.
	ExecutedComments
	// KnownStatements: a statement begins with one of the known words; there is
	// no bare call of a procedure, and no client's own command without a mark.
	KnownStatements
	// KnownKeywordsInCalls: keywords stand between the arguments of known functions only,
	// as in EXTRACT(year FROM day), and a query that is an argument has its own parentheses.
	KnownKeywordsInCalls
	// GeneralIs: x IS y compares any two values.
	GeneralIs
	// TextNames: a name may stand in the quotes of text.
	TextNames
	// BodyAfterAs: the body of a routine follows AS or IS as statements; elsewhere
	// as text.
	BodyAfterAs
	// BlockStatements: BEGIN, IF, WHILE and DECLARE may begin a statement of a script.
	BlockStatements
	// SlashLines: a line holding only / ends a statement.
	SlashLines
	// AliasInWhere: WHERE sees output aliases where no column has the name.
	AliasInWhere
	// AliasInGroupBy: GROUP BY sees output aliases.
	AliasInGroupBy
	// AliasInHaving: HAVING sees output aliases.
	AliasInHaving
	// GroupByPosition: a whole number in GROUP BY is a column's place in the select list.
	// The others take it for a value: SQL Server refuses it, Oracle makes one group of all
	// rows, if nothing else stands in the way.
	GroupByPosition
	// GroupedByKey: columns that a grouped primary key determines may stay ungrouped.
	GroupedByKey
	// GroupedByEquality: as GroupedByKey, with unique NOT NULL keys and through
	// equalities of WHERE and inner joins too.
	GroupedByEquality
	// MinMaxPicksRow: beside one MIN or MAX, bare columns come from the row that holds it.
	MinMaxPicksRow
	// DateLiteral: DATE '2026-01-31' is a date.
	DateLiteral
	// DateNeedsLiteral: bare text is not safely a date; it must be DATE '…'.
	DateNeedsLiteral
	// TextDates: dates are kept as text or numbers; there is no date type.
	TextDates
	// OuterAggregates: an aggregate in a subquery over columns of the query
	// around it is that query's, even in WHERE.
	OuterAggregates
	// OrderByOutputName: a bare ORDER BY h means the output column that h.h
	// gives, not only one with a written alias.
	OrderByOutputName
	// HavingFirst: HAVING may stand before GROUP BY.
	HavingFirst
	// IntoLast: INTO of a query with several branches stands behind the last.
	IntoLast
	// BareOuterJoin: LEFT JOIN needs no condition.
	BareOuterJoin
	// NotNullTest: x NOT NULL is x IS NOT NULL.
	NotNullTest
	// BareOffset: OFFSET n stands without LIMIT and without ROWS behind it.
	BareOffset
	// ReservedAliases: a reserved word is no alias, even behind AS.
	ReservedAliases
	// ReservedBehindDots: a reserved word is no column, even behind the name of its table.
	ReservedBehindDots
	// OpenComments: the end of the text ends a comment.
	OpenComments
	// AliasInSelect: an expression of the select list sees the aliases beside it.
	AliasInSelect
	// RowNames: the bare name of a source is its whole row; on SQLite of a virtual table only.
	RowNames
	// ImplicitRecursion: a common table expression may name itself without RECURSIVE.
	ImplicitRecursion
	// TargetBehindFrom: UPDATE and DELETE name their target by the alias that a
	// later FROM gives it.
	TargetBehindFrom
	// EmptySelect: SELECT needs no list.
	EmptySelect
	// RowAssignment: SET (a, b) = (1, 2) assigns several columns at once.
	RowAssignment
	// TruthIsNumber: a condition is 1 or 0.
	TruthIsNumber
	// IntegerDivision: of two integers / gives an integer.
	IntegerDivision
	// AnyIsNumber: arithmetic makes a number of any value.
	AnyIsNumber
	// FoldUpper: bare names are folded to upper case.
	FoldUpper
	// SetsFromLeft: INTERSECT binds no tighter than the other set operations.
	SetsFromLeft
)

var features = [...]Set{
	BackslashEscapes:     In(MySQL, MariaDB, Spark),
	DoubleQuotedText:     In(MySQL, MariaDB, Spark),
	BracketNames:         In(SQLServer, SQLite),
	HashComment:          In(MySQL, MariaDB),
	DashNeedsBlank:       In(MySQL, MariaDB),
	NestedComments:       In(Postgres, SQLServer, Spark),
	PipesAreOr:           In(MySQL, MariaDB),
	DollarQuotes:         In(ANSI, Postgres),
	QuotedQ:              In(Oracle),
	HashNames:            In(SQLServer),
	EqualsNamesOutput:    In(SQLServer),
	BatchLines:           In(ANSI, SQLServer),
	DigitNames:           In(MySQL, MariaDB),
	DelimiterLines:       In(ANSI, MySQL, MariaDB),
	ExecutedComments:     In(MySQL, MariaDB),
	KnownKeywordsInCalls: In(Postgres, MySQL, MariaDB, SQLite),
	KnownStatements:      In(ANSI, Postgres, MySQL, MariaDB, SQLite, Spark),
	GeneralIs:            In(SQLite),
	TextNames:            In(SQLite),
	BodyAfterAs:          In(ANSI, SQLServer, Oracle),
	BlockStatements:      In(ANSI, SQLServer, Oracle, MariaDB),
	SlashLines:           In(ANSI, Oracle),
	AliasInWhere:         In(SQLite),
	AliasInGroupBy:       In(Postgres, MySQL, MariaDB, SQLite, Spark),
	AliasInHaving:        In(MySQL, MariaDB, SQLite, Spark),
	GroupByPosition:      In(Postgres, MySQL, MariaDB, SQLite, Spark),
	GroupedByKey:         In(ANSI, Postgres, MySQL),
	GroupedByEquality:    In(ANSI, MySQL),
	MinMaxPicksRow:       In(SQLite),
	DateLiteral:          In(ANSI, Postgres, MySQL, MariaDB, Oracle, Spark),
	DateNeedsLiteral:     In(ANSI, Oracle),
	TextDates:            In(SQLite),
	OuterAggregates:      Everywhere &^ In(SQLite),
	OrderByOutputName:    Everywhere &^ In(SQLite),
	HavingFirst:          In(Oracle),
	IntoLast:             In(MySQL, MariaDB),
	BareOuterJoin:        In(SQLite),
	NotNullTest:          In(ANSI, SQLite),
	BareOffset:           In(ANSI, Postgres, SQLite, Spark),
	ReservedAliases:      In(MySQL, MariaDB, SQLite, SQLServer, Oracle),
	ReservedBehindDots:   In(SQLite, SQLServer),
	OpenComments:         In(SQLite),
	AliasInSelect:        In(Spark),
	RowNames:             In(ANSI, Postgres, SQLite, Spark),
	ImplicitRecursion:    In(SQLite, SQLServer, Oracle),
	TargetBehindFrom:     In(ANSI, SQLServer),
	EmptySelect:          In(ANSI, Postgres),
	RowAssignment:        In(ANSI, Postgres, SQLite, Oracle),
	TruthIsNumber:        In(MySQL, MariaDB, SQLite),
	AnyIsNumber:          In(MySQL, MariaDB),
	IntegerDivision:      In(ANSI, Postgres, SQLite, SQLServer),
	FoldUpper:            In(Oracle),
	SetsFromLeft:         In(SQLite, Oracle),
}

// Has reports whether the dialect has the feature.
func (d Dialect) Has(f Feature) bool { return features[f].Has(d) }

// With gives the dialects that have the feature.
func With(f Feature) Set { return features[f] }

// Day writes a day, given as year, month and day with hyphens, as the dialect surely reads it.
// SQL Server takes text with hyphens by the session's order of day and month, without them
// not.
func (d Dialect) Day(iso string) string {
	switch {
	case d.Has(DateNeedsLiteral) || d == Spark:
		return "DATE '" + iso + "'"
	case d == SQLServer:
		return "'" + strings.ReplaceAll(iso, "-", "") + "'"
	}
	return "'" + iso + "'"
}
