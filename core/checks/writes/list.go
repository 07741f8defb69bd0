// Package writes holds the checks of the family write: INSERT, UPDATE, DELETE, MERGE.
package writes

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	setAnd, valueCount, valueType, missingRequired, columnTwice, conflictTarget, everyRow, targetUnconnected, targetInSubquery, joinMany,
	caseErases, subqueryErases, columnsSwapped, noColumnList, parentDelete, generatedColumn, identityColumn, addedColumn,
	qualifiedTarget, triggerRow, replaceErases, truncatedParent,
}
