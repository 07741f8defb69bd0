// Package indexes holds the checks of the family index: conditions that an
// index cannot serve.
package indexes

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	functionOnColumn, convertedColumn, arithmeticOnColumn, countForExistence, optionalFilter, orderRandom, deepOffset, longList, orAcross,
	skippedLeading, correlatedOutput, noneServes,
}
