// Package safety holds the checks of the family safety: what lets strangers in, or hides an error.
package safety

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{builtText, secretInText, silencedError}
