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
	table []Sym       // open addressing, a power of two; 0 is free
	short []shortName // by Sym; the zero value for longer names
	long  map[string]Sym
	pages [][]string // by Sym, pageSize in each: names in lower case, as far as asked for
}

// shortName is a name of up to sixteen bytes as two folded words, padded with zeros, so that
// one comparison tells names apart.
type shortName struct{ lo, hi uint64 }

// firstTable is the size of a new table; the known words fill an eighth of it, so that most
// names are found where they are looked for first.
const firstTable = 8192

const pageSize = 256

// maxNames bounds what a worker keeps from file to file.
const maxNames = 1 << 16

// NewNames makes a table that holds the known words.
func NewNames() *Names {
	n := &Names{table: make([]Sym, firstTable), short: make([]shortName, word.Total, 2*word.Total), long: map[string]Sym{}}
	for w := word.NoWord + 1; w < word.Total; w++ {
		name := w.Lower()
		if len(name) > 16 {
			n.long[name] = Sym(w)
			continue
		}
		folded := foldedString(name)
		n.short[w] = folded
		n.table[n.slot(folded)] = Sym(w)
	}
	return n
}

// IsFull reports that the table has grown past what is worth keeping.
func (n *Names) IsFull() bool { return len(n.short) > maxNames+int(word.Total) }

// add numbers a new name.
func (n *Names) add(name shortName) Sym {
	n.short = append(n.short, name)
	return Sym(len(n.short) - 1)
}

// String gives the name in lower case.
func (n *Names) String(s Sym) string {
	if s < Sym(word.Total) {
		return word.Word(s).Lower()
	}
	text := n.written(s)
	if *text == "" {
		*text = n.short[s].String()
	}
	return *text
}

// written gives the place for a name in lower case, which is empty until it was asked for.
func (n *Names) written(s Sym) *string {
	page := int(s) / pageSize
	if page >= len(n.pages) {
		n.pages = append(n.pages, make([][]string, page+1-len(n.pages))...)
	}
	if n.pages[page] == nil {
		n.pages[page] = make([]string, pageSize)
	}
	return &n.pages[page][int(s)%pageSize]
}

// Find gives the number of a name that the table already has, else 0.
func (n *Names) Find(name string) Sym {
	if len(name) > 16 || !isASCII(name) {
		return n.long[strings.ToLower(name)]
	}
	return n.table[n.slot(foldedWords([]byte(name)))]
}

// Intern gives the number of a name, folding its letters. The name is copied.
func (n *Names) Intern(name []byte) Sym {
	if len(name) > 16 {
		return n.internLong(string(name))
	}
	folded := foldedWords(name)
	if (folded.lo|folded.hi)&0x8080808080808080 != 0 {
		return n.internLong(string(name))
	}
	return n.internShort(folded)
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
	return n.internShort(shortName{lo, hi})
}

func (n *Names) internShort(name shortName) Sym {
	slot := n.slot(name)
	if sym := n.table[slot]; sym != 0 {
		return sym
	}
	sym := n.add(name)
	n.table[slot] = sym
	if len(n.short)*3 > len(n.table)*2 {
		n.grow()
	}
	return sym
}

func (n *Names) internLong(name string) Sym {
	name = strings.ToLower(name)
	if sym, ok := n.long[name]; ok {
		return sym
	}
	sym := n.add(shortName{})
	n.long[name] = sym
	*n.written(sym) = name
	return sym
}

func (name shortName) hash() int {
	return int((name.lo ^ bits.RotateLeft64(name.hi*0x9E3779B97F4A7C15, 29)) * 0xD6E8FEB86659FD93 >> 40)
}

// slot finds the place of a name in the table, or the free one where it belongs.
func (n *Names) slot(name shortName) int {
	mask := len(n.table) - 1
	i := name.hash() & mask
	for {
		if sym := n.table[i]; sym == 0 || n.short[sym] == name {
			return i
		}
		i = (i + 1) & mask
	}
}

func (n *Names) grow() {
	old := n.table
	n.table = make([]Sym, 2*len(old))
	for _, sym := range old {
		if sym != 0 {
			n.table[n.slot(n.short[sym])] = sym
		}
	}
}

// fold sets bit 5 of every byte. Of the bytes of a bare name this changes the
// letters' case and the underscore, and no two of them fall together.
const fold = 0x2020202020202020

// foldedWords packs up to sixteen bytes.
func foldedWords(name []byte) shortName {
	if len(name) > 8 {
		return shortName{foldedWord(name[:8]), foldedWord(name[8:])}
	}
	return shortName{foldedWord(name), 0}
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
func foldedString(name string) (f shortName) {
	for i := min(len(name), 8) - 1; i >= 0; i-- {
		f.lo = f.lo<<8 | uint64(name[i]|0x20)
	}
	for i := len(name) - 1; i >= 8; i-- {
		f.hi = f.hi<<8 | uint64(name[i]|0x20)
	}
	return f
}

// String gives the name in lower case.
func (name shortName) String() string {
	var buf [16]byte
	binary.LittleEndian.PutUint64(buf[:], name.lo)
	binary.LittleEndian.PutUint64(buf[8:], name.hi)
	length := 0
	for i, c := range buf {
		if c == 0x7f {
			buf[i] = '_'
		}
		if c != 0 {
			length = i + 1
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
