// Package names holds the checks of the family name: which column is meant.
package names

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	ambiguousColumn, unknownTable, unknownColumn, unknownAlias, duplicateAlias, duplicateOutput, derivedWithoutAlias,
	unqualifiedColumn, outerCapture, missingCommaAlias, impliedAs, quotedAlias,
	caseFolding, doubleQuotedText, needsQuoting, aliasShadowsColumn, unnamedOutput, unknownFunction,
	variableHidesColumn,
}
