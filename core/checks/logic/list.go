// Package logic holds the checks of the family logic: AND, OR, NOT.
package logic

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	andOr, alwaysTrue, alwaysFalse, redundant, orChain, bareValue, chainedComparison, doubleNegative, notScope,
	bareColumn, constantComparison, conditionAsValue,
}
