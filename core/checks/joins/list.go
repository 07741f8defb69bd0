// Package joins holds the checks of the family join.
package joins

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	comma, unconnected, noCondition, selfCondition, wrongKey, partialKey, outerUndone, undoneByJoin, preservedFilter, natural, oldOuter, commaPrecedence,
	pairsTwice, distinctHides, unused, orCondition, typesDiffer, ownCondition,
}
