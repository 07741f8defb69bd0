// Package groups holds the checks of the family group: aggregation and its grain.
package groups

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	ungroupedColumn, havingAsWhere, countElse, havingZero, distinctInSum, distinctInMinMax, countDistinctStar, repeatedKey, withoutAggregate, byPosition, constantKey,
	fanOut, countOuterJoin, countNullable, innerLosesParents, singleton, nestedTooFine, monthWithoutYear, averageOfAverages, sumEmpty, filterOutside, latestTie, rollupNull,
}
