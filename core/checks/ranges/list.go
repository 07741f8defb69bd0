// Package ranges holds the checks of the family range: bounds and dates.
package ranges

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	unquotedDate, impossibleDate, dayMonth, lastDay, instantEqualsDay, reversed, sharedBound, dateAsText, weekYear, betweenText, lastInstant, formatParts,
}
