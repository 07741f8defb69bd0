// Package matches holds the checks of the family match: LIKE and text comparison.
package matches

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	leadingWildcard, onNumber, wildcardInEquals, shellWildcard, foreignPattern, caseNever, noWildcard, everything, openUnderscore, caseDiffers, escapeLength,
}
