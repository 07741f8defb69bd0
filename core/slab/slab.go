// Package slab hands out values and slices from blocks that are kept and used
// again, so that a statement costs no allocation once the blocks are there.
package slab

// Slab hands out values from blocks that it keeps.
type Slab[T any] struct {
	blocks [][]T
	block  int // index of the block in use
	used   int // of that block
}

const (
	firstBlock = 16
	growth     = 5 // doublings, up to blocks of 512
	// keptBlocks bounds what stays after an unusually large statement.
	keptBlocks = 64
)

// New gives a zero value that is the caller's until Reset.
func (s *Slab[T]) New() *T {
	if s.block == len(s.blocks) || s.used == len(s.blocks[s.block]) {
		s.advance()
	}
	v := &s.blocks[s.block][s.used]
	s.used++
	var zero T
	*v = zero
	return v
}

func (s *Slab[T]) advance() {
	if len(s.blocks) > 0 {
		s.block++
	}
	s.used = 0
	if s.block >= len(s.blocks) {
		s.blocks = append(s.blocks, make([]T, firstBlock<<min(len(s.blocks), growth)))
	}
}

// Reset takes all values back. They keep what they held until they are handed
// out again: clearing them here costs more than the little they keep alive,
// which is other values of the parser's own.
func (s *Slab[T]) Reset() {
	if s.used == 0 {
		return // no block, or none of it handed out
	}
	if len(s.blocks) > keptBlocks {
		s.blocks = s.blocks[:keptBlocks:keptBlocks]
	}
	s.block, s.used = 0, 0
}

// List hands out slices cut from shared blocks.
type List[T any] struct {
	block []T
}

const listBlock = 1024

// Copy gives a slice with the values, which nothing else will write to.
func (l *List[T]) Copy(values []T) []T {
	if len(values) == 0 {
		return nil
	}
	if len(values) > listBlock/4 {
		return append([]T(nil), values...)
	}
	if len(values) > cap(l.block)-len(l.block) {
		l.block = make([]T, 0, listBlock)
	}
	start := len(l.block)
	l.block = append(l.block, values...)
	return l.block[start:len(l.block):len(l.block)]
}

// One gives a slice with a single value.
func (l *List[T]) One(value T) []T {
	if len(l.block) == cap(l.block) {
		l.block = make([]T, 0, listBlock)
	}
	start := len(l.block)
	l.block = append(l.block, value)
	return l.block[start : start+1 : start+1]
}

// Reset takes all slices back.
func (l *List[T]) Reset() {
	l.block = l.block[:0]
}

// Pool hands out values that keep what they held, so that slices in them can be
// used again: the caller sets every field.
type Pool[T any] struct {
	values []*T
	used   int
}

// keptValues bounds what a pool keeps after an unusually large statement.
const keptValues = 4096

// Next gives a value that is the caller's until Reset.
func (p *Pool[T]) Next() *T {
	if p.used == len(p.values) {
		p.values = append(p.values, new(T))
	}
	p.used++
	return p.values[p.used-1]
}

// Reset takes all values back.
func (p *Pool[T]) Reset() {
	if len(p.values) > keptValues {
		p.values = p.values[:keptValues:keptValues]
	}
	p.used = 0
}
