package text

import (
	"strings"
	"unicode/utf8"
)

// Nearest gives the candidate that differs least from a name, by at most a third
// of its letters and no more than two; "" if none is that near.
func Nearest(name string, candidates []string) string {
	best, least := "", min(2, utf8.RuneCountInString(name)/3)+1
	for _, c := range candidates {
		if longer := len(c) - len(name); longer >= 4*least || longer <= -4*least {
			continue // by as many letters, be they of four bytes each
		}
		if d := distance(strings.ToLower(name), strings.ToLower(c)); d < least && d > 0 {
			best, least = c, d
		}
	}
	return best
}

// distance counts the letters to insert, delete, change or exchange with their
// neighbour to make b of a.
func distance(a, b string) int {
	x, y := []rune(a), []rune(b)
	var before, last []int
	row := make([]int, len(y)+1)
	for j := range row {
		row[j] = j
	}
	for i := 1; i <= len(x); i++ {
		before, last, row = last, row, make([]int, len(y)+1)
		row[0] = i
		for j := 1; j <= len(y); j++ {
			cost := 1
			if x[i-1] == y[j-1] {
				cost = 0
			}
			row[j] = min(last[j]+1, row[j-1]+1, last[j-1]+cost)
			if i > 1 && j > 1 && x[i-1] == y[j-2] && x[i-2] == y[j-1] {
				row[j] = min(row[j], before[j-2]+1)
			}
		}
	}
	return row[len(y)]
}
