package check

import "strings"

// List joins names for a sentence: "a, b and c", where word is and.
func List(names []string, word string) string {
	if len(names) < 2 {
		return strings.Join(names, "")
	}
	last := len(names) - 1
	return strings.Join(names[:last], ", ") + " " + word + " " + names[last]
}
