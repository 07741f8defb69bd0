// Package syntaxes holds the checks of the family syntax: can the text be read.
package syntaxes

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	unreadable, clauseOrder, missingComma, trailingComma, unbalanced, keywordSlip, pastedQuotes, doubleEquals, turnedOperator,
	joinedSigns, joinedNumber,
	doubleQuotedName, reservedName, otherDialect, newerVersion, minusMinus, emptyList,
}
