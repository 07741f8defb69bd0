// Package cases holds the checks of the family case: CASE and its branches.
package cases

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{mixedTypes, unreachable, sameResult, truth, noElse, decode}
