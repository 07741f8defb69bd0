// Package sets holds the checks of the family set: UNION and its kin.
package sets

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	columnCount, columnTypes, columnOrder, overlap, dedupBeforeAggregate, needlessDedup, mixed, star, oneTable,
}
