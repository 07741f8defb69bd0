package syntax

import (
	"encoding/binary"
	"math/bits"
	"strings"

	"justlens/core/dialect/word"
)

// Sym is the number of a name in a [Names] table. Names that differ only in
// letter case have the same number. The first word.Total numbers are the
// known words; 0 is no name.
type Sym uint32

// Names numbers names. It is not safe for use by several goroutines: each
// worker has its own.
type Names struct {
	table   []nameEntry // open addressing, a power of two
	long    map[string]Sym
	strings []string // of names beyond the known words
}

// nameEntry holds a name of up to sixteen bytes as two folded words, padded
// with zeros, so that one comparison tells names apart.
type nameEntry struct {
	lo, hi uint64
	sym    Sym
}

// firstTable is the size of a new table; the known words fill an eighth of it, so that most
// names are found where they are looked for first.
const firstTable = 8192

// maxNames bounds what a worker keeps from file to file.
const maxNames = 1 << 16

// NewNames makes a table that holds the known words.
func NewNames() *Names {
	n := &Names{table: make([]nameEntry, firstTable), long: map[string]Sym{}}
	for w := word.NoWord + 1; w < word.Total; w++ {
		name := w.Lower()
		if len(name) > 16 {
			n.long[name] = Sym(w)
			continue
		}
		lo, hi := foldedString(name)
		n.table[n.slot(lo, hi)] = nameEntry{lo, hi, Sym(w)}
	}
	return n
}

// IsFull reports that the table has grown past what is worth keeping.
func (n *Names) IsFull() bool { return len(n.strings) > maxNames }

// add numbers a new name.
func (n *Names) add(name string) Sym {
	n.strings = append(n.strings, name)
	return Sym(word.Total) + Sym(len(n.strings)-1)
}

// String gives the name in lower case.
func (n *Names) String(s Sym) string {
	if s < Sym(word.Total) {
		return word.Word(s).Lower()
	}
	return n.strings[s-Sym(word.Total)]
}

// Find gives the number of a name that the table already has, else 0.
func (n *Names) Find(name string) Sym {
	if len(name) > 16 || !isASCII(name) {
		return n.long[strings.ToLower(name)]
	}
	lo, hi := foldedWords([]byte(name))
	return n.table[n.slot(lo, hi)].sym
}

// Intern gives the number of a name, folding its letters. The name is copied.
func (n *Names) Intern(name []byte) Sym {
	if len(name) > 16 {
		return n.internLong(string(name))
	}
	lo, hi := foldedWords(name)
	if (lo|hi)&0x8080808080808080 != 0 {
		return n.internLong(string(name))
	}
	return n.internWords(lo, hi, len(name))
}

// internPlain numbers the ASCII word src[start:end] of at most 16 bytes; as
// many bytes must follow start.
func (n *Names) internPlain(src []byte, start, end int) Sym {
	length := end - start
	lo, hi := binary.LittleEndian.Uint64(src[start:]), uint64(0)
	if length <= 8 {
		lo = (lo | fold) & (^uint64(0) >> (64 - 8*length))
	} else {
		lo |= fold
		hi = (binary.LittleEndian.Uint64(src[start+8:]) | fold) & (^uint64(0) >> (128 - 8*length))
	}
	if e := &n.table[hash(lo, hi)&(len(n.table)-1)]; e.lo == lo && e.hi == hi {
		return e.sym
	}
	return n.internWords(lo, hi, length)
}

func (n *Names) internWords(lo, hi uint64, length int) Sym {
	slot := n.slot(lo, hi)
	if sym := n.table[slot].sym; sym != 0 {
		return sym
	}
	sym := n.add(unfold(lo, hi, length))
	n.table[slot] = nameEntry{lo, hi, sym}
	if (int(word.Total)+len(n.strings))*3 > len(n.table)*2 {
		n.grow()
	}
	return sym
}

func (n *Names) internLong(name string) Sym {
	name = strings.ToLower(name)
	if sym, ok := n.long[name]; ok {
		return sym
	}
	sym := n.add(name)
	n.long[name] = sym
	return sym
}

func hash(lo, hi uint64) int {
	return int((lo ^ bits.RotateLeft64(hi*0x9E3779B97F4A7C15, 29)) * 0xD6E8FEB86659FD93 >> 40)
}

// slot finds the entry of a name, or the free one where it belongs.
func (n *Names) slot(lo, hi uint64) int {
	mask := len(n.table) - 1
	i := hash(lo, hi) & mask
	for {
		e := &n.table[i]
		if e.sym == 0 || e.lo == lo && e.hi == hi {
			return i
		}
		i = (i + 1) & mask
	}
}

func (n *Names) grow() {
	old := n.table
	n.table = make([]nameEntry, 2*len(old))
	for _, e := range old {
		if e.sym != 0 {
			n.table[n.slot(e.lo, e.hi)] = e
		}
	}
}

// fold sets bit 5 of every byte. Of the bytes of a bare name this changes the
// letters' case and the underscore, and no two of them fall together.
const fold = 0x2020202020202020

// foldedWords packs up to sixteen bytes.
func foldedWords(name []byte) (lo, hi uint64) {
	if len(name) > 8 {
		return foldedWord(name[:8]), foldedWord(name[8:])
	}
	return foldedWord(name), 0
}

// foldedWord packs up to eight bytes of any kind: letters lose their case,
// the underscore becomes DEL as it does in [fold].
func foldedWord(name []byte) uint64 {
	var buf [8]byte
	for i, c := range name {
		switch {
		case 'A' <= c && c <= 'Z':
			c |= 0x20
		case c == '_':
			c = 0x7f
		}
		buf[i] = c
	}
	return binary.LittleEndian.Uint64(buf[:])
}

// foldedString is foldedWords for a word in lower case that is at least a
// character long.
func foldedString(name string) (lo, hi uint64) {
	for i := min(len(name), 8) - 1; i >= 0; i-- {
		lo = lo<<8 | uint64(name[i]|0x20)
	}
	for i := len(name) - 1; i >= 8; i-- {
		hi = hi<<8 | uint64(name[i]|0x20)
	}
	return lo, hi
}

func unfold(lo, hi uint64, length int) string {
	var buf [16]byte
	binary.LittleEndian.PutUint64(buf[:], lo)
	binary.LittleEndian.PutUint64(buf[8:], hi)
	for i, c := range buf {
		if c == 0x7f {
			buf[i] = '_'
		}
	}
	return string(buf[:length])
}

func isASCII(s string) bool {
	for i := range len(s) {
		if s[i] >= 0x80 {
			return false
		}
	}
	return true
}
