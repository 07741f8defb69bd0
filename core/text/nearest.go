package text

import (
	"math/bits"
	"strings"
	"unicode/utf8"
)

// Nearest gives the candidate that differs least from a name, by at most a third
// of its letters and no more than two; "" if none is that near.
func Nearest(name string, candidates []string) string {
	best, least, shape := "", Reach(name)+1, ShapeOf(name)
	for _, c := range candidates {
		if !shape.Within(ShapeOf(c), least-1) {
			continue
		}
		if d := distance(strings.ToLower(name), strings.ToLower(c)); d < least && d > 0 {
			best, least = c, d
		}
	}
	return best
}

// Reach is by how many letters at the most a name may differ from what it is a slip of.
func Reach(name string) int { return min(2, utf8.RuneCountInString(name)/3) }

// Shape is what tells most names apart at a glance: which letters there are, without regard to
// their case, and how many.
type Shape struct {
	letters uint64
	length  int  // bytes
	plain   bool // all letters are of ASCII
}

// ShapeOf gives the shape of a name.
func ShapeOf(name string) Shape {
	s := Shape{length: len(name), plain: true}
	for i := range len(name) {
		c := name[i]
		if 'A' <= c && c <= 'Z' {
			c += 'a' - 'A'
		}
		s.plain = s.plain && c < utf8.RuneSelf
		s.letters |= 1 << (c & 63)
	}
	return s
}

// Within reports whether names of two shapes may differ by so many letters and no more. One that
// differs is of four bytes at the most, and changes which letters there are by two.
func (s Shape) Within(other Shape, most int) bool {
	if longer := s.length - other.length; longer > 4*most || longer < -4*most {
		return false
	}
	return !s.plain || !other.plain || bits.OnesCount64(s.letters^other.letters) <= 2*most
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
