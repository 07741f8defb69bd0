// Package clauses holds the checks of the family clause: what is visible where.
package clauses

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	aggregateInWhere, aggregateInJoin, aggregateInGroupBy, subqueryInGroupBy, nestedAggregate, windowOutside,
	aliasInWhere, aliasInHaving, aliasInGroupBy, aliasInSelect, aliasInOrderExpression, havingUngrouped, orderInSubquery,
	orderInBranch, orderNotSelected, cteOrder, recursion, endlessRecursion, distinctOnOrder, aggregateInWrite, limitInIn, lockTarget, rowsFunction, rowsNowhere, endsTransaction, noReturn, limitValue, notAggregate,
}
