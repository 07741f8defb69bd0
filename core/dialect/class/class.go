// Package class names the classes of types: what can be done with their values. It is shared
// by the dialects, which say which class a type's name has and what becomes of values of two
// classes that meet.
package class

// Class is the class of a type.
type Class uint8

const (
	Unknown Class = iota
	Integer
	Decimal
	Float
	Text
	Date
	Time
	Timestamp   // date and time of day
	TimestampTZ // an instant, shown in the session's time zone
	Interval
	Boolean
	Binary
	Document // JSON, XML
	Own      // what is read from text only, each type for itself: network addresses, UUID
	Shape    // geometry
	Other
	// Count is the number of classes.
	Count
)

var names = [Count]string{"unknown", "integer", "decimal", "float", "text", "date", "time", "timestamp", "timestamptz", "interval", "boolean", "binary", "document", "own", "shape", "other"}

// String gives the name that the data files of the dialects have for a class.
func (c Class) String() string { return names[c] }

// IsOwn reports whether values of the class are converted from and to text only.
func (c Class) IsOwn() bool { return c == Own || c == Shape }

// HasDay reports whether values of the class hold a date.
func (c Class) HasDay() bool { return c == Date || c == Timestamp || c == TimestampTZ }

// IsNumber reports whether values of the class are numbers.
func (c Class) IsNumber() bool { return Integer <= c && c <= Float }

// Noun says what a value of the class is, for a sentence; empty for one that has no word.
func (c Class) Noun() string {
	switch {
	case c.IsNumber():
		return "a number"
	case c == Text:
		return "text"
	case c == Date:
		return "a date"
	case c == Timestamp, c == TimestampTZ:
		return "a date with a time"
	case c == Time:
		return "a time of day"
	case c == Interval:
		return "a span of time"
	case c == Boolean:
		return "true or false"
	case c == Binary:
		return "bytes"
	case c == Document:
		return "a document"
	case c == Own:
		return "a value of a type of its own"
	case c == Shape:
		return "a geometry"
	}
	return ""
}

// Named gives the classes that a name of the data files stands for: one, or a family of them.
func Named(name string) []Class {
	switch name {
	case "number":
		return []Class{Integer, Decimal, Float}
	case "day":
		return []Class{Date, Timestamp, TimestampTZ}
	}
	for c, n := range names {
		if n == name {
			return []Class{Class(c)}
		}
	}
	return nil
}
