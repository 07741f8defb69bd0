// Package mend chooses the mends of findings, merges and applies their edits,
// and proves the result by reviewing it again. It writes no file.
package mend
