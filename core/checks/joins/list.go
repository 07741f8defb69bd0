// Package joins holds the checks of the family join.
package joins

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{comma, typesDiffer}
