// Package maths holds the checks of the family math: order of operations and numbers.
package maths

import "justlens/core/check"

// Checks is the family's list.
var Checks = []*check.Check{
	integerDivision, integerAverage, precedence, divideByZero, caret, textPlus, datePlusNumber, dateDifference, floatEquality, zeroPosition, neverNegative,
}
