package syntax

// slab hands out values from blocks that it keeps, so that a statement costs
// no allocation once the blocks are there.
type slab[T any] struct {
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

func (s *slab[T]) new() *T {
	if s.block == len(s.blocks) || s.used == len(s.blocks[s.block]) {
		s.advance()
	}
	v := &s.blocks[s.block][s.used]
	s.used++
	var zero T
	*v = zero
	return v
}

func (s *slab[T]) advance() {
	if len(s.blocks) > 0 {
		s.block++
	}
	s.used = 0
	if s.block >= len(s.blocks) {
		s.blocks = append(s.blocks, make([]T, firstBlock<<min(len(s.blocks), growth)))
	}
}

// reset takes all values back. They keep what they held until they are handed
// out again: clearing them here costs more than the little they keep alive,
// which is other values of the parser's own.
func (s *slab[T]) reset() {
	if s.used == 0 {
		return // no block, or none of it handed out
	}
	if len(s.blocks) > keptBlocks {
		s.blocks = s.blocks[:keptBlocks:keptBlocks]
	}
	s.block, s.used = 0, 0
}

// list hands out slices cut from shared blocks.
type list[T any] struct {
	block []T
}

const listBlock = 1024

// copy gives a slice with the values, which nothing else will write to.
func (l *list[T]) copy(values []T) []T {
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

// one gives a slice with a single value.
func (l *list[T]) one(value T) []T {
	if len(l.block) == cap(l.block) {
		l.block = make([]T, 0, listBlock)
	}
	start := len(l.block)
	l.block = append(l.block, value)
	return l.block[start : start+1 : start+1]
}

func (l *list[T]) reset() {
	l.block = l.block[:0]
}
