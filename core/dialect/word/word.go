// Package word numbers every word that the grammar of some dialect knows, so
// that scanner and parser compare integers. The list is words.txt of package
// dialect, in the order of the alphabet.
package word

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
