// Package word numbers every word that the grammar of some dialect knows, so
// that scanner and parser compare integers. The list is words.txt of package
// dialect, in the order of the alphabet.
package word

import (
	"sort"
	"strings"
)

// Word is the number of a known word; [NoWord] is any other word.
type Word uint16

// String gives the word in upper case, or "" for [NoWord].
func (w Word) String() string {
	if w >= Total {
		return ""
	}
	return names[w]
}

// Lower gives the word in lower case, or "" for [NoWord].
func (w Word) Lower() string {
	if w >= Total {
		return ""
	}
	return lower[w]
}

// Find gives the word with a name in any letter case, [NoWord] if none is known.
func Find(name string) Word {
	upper := strings.ToUpper(name)
	i := sort.SearchStrings(names[1:], upper)
	if i+1 < int(Total) && names[i+1] == upper {
		return Word(i + 1)
	}
	return NoWord
}
