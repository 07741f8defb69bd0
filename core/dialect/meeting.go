package dialect

import (
	_ "embed"
	"strings"
	"sync"

	"justlens/core/dialect/class"
)

// Use is what is done with two values whose classes may differ.
type Use uint8

const (
	// Compare: by =, <, BETWEEN, IN or a condition of a join.
	Compare Use = iota
	// Together: one column or value is either, as in CASE, COALESCE and set operations.
	Together
	// Add and Subtract: by + and -.
	Add
	Subtract
	// Store: the first is written to a column of the second.
	Store

	uses
)

var useNames = [uses]string{"compare", "together", "add", "subtract", "store"}

// Meeting is what a database does with two values of different classes.
type Meeting struct {
	// As is the class that both are made, or that the result has; class.Unknown where
	// that is not known.
	As class.Class
	// Refused tells that the statement is not run.
	Refused bool
}

// Invalid says what becomes of a text that is no value of the class that it is compared as.
type Invalid uint8

const (
	InvalidUnknown Invalid = iota
	// InvalidRefused: the statement stops with an error, which for values of a table is when it runs.
	InvalidRefused
	// InvalidNull: it is NULL.
	InvalidNull
	// InvalidPrefix: it is the number that it begins with, 0 where it does with none.
	InvalidPrefix
	// InvalidNever: it stays a text, and equals no value of the class.
	InvalidNever
)

var invalidNames = map[string]Invalid{"refused": InvalidRefused, "null": InvalidNull, "prefix": InvalidPrefix, "never": InvalidNever}

//go:embed types/classes.txt
var classText string

//go:embed types/meetings.txt
var meetingText string

// conversions is what a dialect makes of classes.
type conversions struct {
	meetings [uses][class.Count][class.Count]Meeting
	invalid  [class.Count]Invalid // of text, by the class that it is to be
}

var classNames = sync.OnceValue(func() map[string][Count]class.Class { return readClasses(classText) })

var allConversions = sync.OnceValue(func() *[Count]conversions { return readMeetings(meetingText) })

// ClassOf gives the class of a type by the first word of its name in lower case, class.Other
// of one that no manual has.
func (d Dialect) ClassOf(name string) class.Class {
	if c := classNames()[name][d]; c != class.Unknown || name == "" {
		return c
	}
	return class.Other
}

// Meets tells what a dialect does with values of two classes, in their order for Subtract and
// Store. Of PostgreSQL little is told; see [Dialect.Types].
func (d Dialect) Meets(use Use, a, b class.Class) Meeting {
	return allConversions()[d].meetings[use][a][b]
}

// Invalid tells what becomes of a text that is no value of a class which it is compared as.
func (d Dialect) Invalid(as class.Class) Invalid { return allConversions()[d].invalid[as] }

func readClasses(text string) map[string][Count]class.Class {
	m := map[string][Count]class.Class{}
	for line := range strings.Lines(text) {
		f := fieldsBeforeComment(line)
		if len(f) < 3 {
			continue
		}
		for _, name := range f[2:] {
			of := m[name]
			for d := range Count {
				if f[0] == "all" || strings.Contains(","+f[0]+",", ","+names[d]+",") {
					of[d] = class.Named(f[1])[0]
				}
			}
			m[name] = of
		}
	}
	return m
}

func readMeetings(text string) *[Count]conversions {
	all := &[Count]conversions{}
	var on []Dialect
	for line := range strings.Lines(text) {
		f := fieldsBeforeComment(line)
		switch {
		case len(f) == 0:
		case f[0] == "dialects":
			on = on[:0]
			for _, name := range f[1:] {
				d, _ := Parse(name)
				on = append(on, d)
			}
		case f[0] == "invalid":
			for _, as := range class.Named(f[2]) {
				for _, d := range on {
					all[d].invalid[as] = invalidNames[f[3]]
				}
			}
		default:
			for _, d := range on {
				all[d].read(f)
			}
		}
	}
	return all
}

// read takes a line "use A B as C".
func (c *conversions) read(f []string) {
	for use := range uses {
		if useNames[use] != f[0] {
			continue
		}
		for _, a := range class.Named(f[1]) {
			for _, b := range class.Named(f[2]) {
				m := Meeting{Refused: f[4] == "refused", As: named(f[4], a, b)}
				c.meetings[use][a][b] = m
				if use != Subtract && use != Store {
					c.meetings[use][b][a] = m
				}
			}
		}
	}
}

// named gives the class of a name; of a family the one that a or b has, or its second one.
func named(name string, a, b class.Class) class.Class {
	family := class.Named(name)
	for _, c := range family {
		if c == a || c == b {
			return c
		}
	}
	if len(family) == 0 {
		return class.Unknown
	}
	return family[min(1, len(family)-1)]
}

func fieldsBeforeComment(line string) []string {
	line, _, _ = strings.Cut(line, "#")
	return strings.Fields(line)
}
