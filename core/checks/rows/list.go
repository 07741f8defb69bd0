// Package rows holds the checks of the family rows: the shape of the result.
package rows

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	subqueryWidth, rowWidth, positionRange, intoSeveral, limitUnordered, limitBeforeOrder, rownumNever, randomRow, orderText, manyForOne, existsUncorrelated,
	existsAggregate, constantSubquery, unreadEffect, unusedCTE, star, distinctNeedless, distinctCall, limitTies, orderPosition,
	orderDirection,
}
