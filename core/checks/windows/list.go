// Package windows holds the checks of the family window: functions with OVER.
package windows

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{noOrder, distinct, lastValue, impliedFrame, ties, frameBounds, namedWindow}
