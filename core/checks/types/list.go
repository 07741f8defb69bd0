// Package types holds the checks of the family type: values that cannot be there.
package types

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{differentDomains, length, noLength, argumentCount, argumentType, operands, literal, impossibleCast, outOfRange, notAllowed, textOrder, aggregateArgument}
