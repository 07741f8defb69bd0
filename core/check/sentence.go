package check

import (
	"fmt"
	"strings"

	"justlens/core/bind"
)

// List joins names for a sentence: "a, b and c", where word is and.
func List(names []string, word string) string {
	if len(names) < 2 {
		return strings.Join(names, "")
	}
	last := len(names) - 1
	return strings.Join(names[:last], ", ") + " " + word + " " + names[last]
}

// mostNamed is how many names a sentence lists.
const mostNamed = 4

// Some lists names for a sentence as List does with "and", of many the first and how many more there are.
func Some(names []string) string {
	if more := len(names) - mostNamed; more > 0 {
		return fmt.Sprintf("%s and %d more", strings.Join(names[:mostNamed], ", "), more)
	}
	return List(names, "and")
}

// SourceName gives the name of a source for a sentence: its table's, or its alias where the table
// stands in FROM twice or is none.
func (p *Pass) SourceName(s *bind.Source) string {
	t := s.SchemaTable()
	if t == nil {
		return p.Ident(s.Name)
	}
	for _, other := range s.Scope.Sources {
		if other != s && other.SchemaTable() == t {
			return p.Ident(s.Name)
		}
	}
	return t.Name
}

// Counted says how many of something there are: "1 column", "2 columns".
func Counted(n int, what string) string {
	if n == 1 {
		return "1 " + what
	}
	return fmt.Sprintf("%d %ss", n, what)
}
