package schema

import (
	"strings"

	"justlens/core/dialect/class"
)

// Type is a column's type.
type Type struct {
	Class    class.Class
	Name     string // as written, for people
	Length   int    // or the precision of a number; 0 where none is written
	Scale    int
	Unsigned bool
	Values   []string // of an enumeration
}

// Word gives the first word of the type's name in lower case.
func (t Type) Word() string {
	name := strings.ToLower(t.Name)
	if end := strings.IndexAny(name, " ("); end >= 0 {
		name = name[:end]
	}
	return strings.Trim(name, "[]") // as SQL Server's tools write them
}
