// Package acceptances holds the checks of the family acceptance: comments that accept findings.
package acceptances

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{idle, withoutReason, unread}
