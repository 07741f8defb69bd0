package schema

import "justlens/core/dialect/class"

// Type is a column's type.
type Type struct {
	Class    class.Class
	Name     string // as written, for people
	Length   int    // or the precision of a number; 0 where none is written
	Scale    int
	Unsigned bool
	Values   []string // of an enumeration
}
