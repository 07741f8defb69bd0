// Package definitions holds the checks of the family definition: CREATE TABLE, ALTER TABLE,
// CREATE INDEX.
package definitions

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	unknownColumn, alreadyThere, beyondRow, defaultColumn, changingValue, generatedChain, saidTwice,
	twoPrimaryKeys, columnTwice, foreignKey, setNull, nullDefault, numberedKey, keyLength, frozenNow,
}
