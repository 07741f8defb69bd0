package review

import (
	"hash/fnv"

	"justlens/core/syntax"
	"justlens/core/text"
)

// Fingerprint stands for the words of a statement: it survives that the statement is moved to
// another place or file, laid out anew, commented, or written in another letter case. Two
// statements that differ have different ones, but for one chance in many millions.
type Fingerprint uint64

// fingerprintOf hashes the tokens of a statement; letters count without their case, but in quotes.
func fingerprintOf(stmt *syntax.Statement, src []byte) Fingerprint {
	h := fnv.New64a()
	var small [64]byte
	for i := range stmt.Tokens {
		t := &stmt.Tokens[i]
		s := src[t.Span.Start:t.Span.End]
		if t.Kind == syntax.WordToken && len(s) <= len(small) {
			for k, c := range s {
				if 'A' <= c && c <= 'Z' {
					c += 'a' - 'A'
				}
				small[k] = c
			}
			s = small[:len(s)]
		}
		_, _ = h.Write(s)
		_, _ = h.Write([]byte{0})
	}
	return Fingerprint(h.Sum64())
}

// commentPrint gives the fingerprint of a comment, of which something is said.
func commentPrint(src []byte, s text.Span) Fingerprint {
	h := fnv.New64a()
	_, _ = h.Write(src[s.Start:s.End])
	return Fingerprint(h.Sum64())
}
