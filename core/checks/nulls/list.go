// Package nulls holds the checks of the family null: three-valued logic.
package nulls

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	equals, inList, notInSubquery, inequalityDrops, quoted, caseWhenNull, selfEqual, emptyText, testOnRequired, concat, firstInOrder,
	needlessCoalesce, lonelyCoalesce, cutReplacement, arithmetic,
}
