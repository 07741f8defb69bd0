// Package slab hands out values and slices from blocks that are kept and used
// again, so that a statement costs no allocation once the blocks are there.
package slab

import "slices"

// Slab hands out values from blocks that it keeps.
type Slab[T any] struct {
	current []T // what is left of the block in use
	blocks  [][]T
	block   int // index of the block behind the one in use
}

const (
	firstBlock = 16
	growth     = 5 // doublings, up to blocks of 512
	// keptBlocks bounds what stays after an unusually large statement.
	keptBlocks = 64
)

// New gives a zero value that is the caller's until Reset.
func (s *Slab[T]) New() *T {
	v := s.Next()
	var zero T
	*v = zero
	return v
}

// Next gives a value that is the caller's until Reset and holds what it held before: the
// caller sets all of it.
func (s *Slab[T]) Next() *T {
	if len(s.current) == 0 {
		s.advance()
	}
	v := &s.current[0]
	s.current = s.current[1:]
	return v
}

func (s *Slab[T]) advance() {
	if s.block == len(s.blocks) {
		s.blocks = append(s.blocks, make([]T, firstBlock<<min(len(s.blocks), growth)))
	}
	s.current = s.blocks[s.block]
	s.block++
}

// Reset takes all values back. They keep what they held until they are handed
// out again: clearing them here costs more than the little they keep alive,
// which is other values of the parser's own.
func (s *Slab[T]) Reset() {
	if s.block == 0 {
		return // none handed out
	}
	if len(s.blocks) > keptBlocks {
		s.blocks = s.blocks[:keptBlocks:keptBlocks]
	}
	s.current, s.block = s.blocks[0], 1
}

// List hands out slices cut from shared blocks, which it keeps.
type List[T any] struct {
	blocks [][]T
	block  int // index of the block in use
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
	b := l.room(len(values))
	start := len(*b)
	*b = append(*b, values...)
	return (*b)[start:len(*b):len(*b)]
}

// One gives a slice with a single value.
func (l *List[T]) One(value T) []T {
	b := l.room(1)
	start := len(*b)
	*b = append(*b, value)
	return (*b)[start : start+1 : start+1]
}

// room gives a block that can take n more values.
func (l *List[T]) room(n int) *[]T {
	for l.block < len(l.blocks) {
		if b := &l.blocks[l.block]; n <= cap(*b)-len(*b) {
			return b
		}
		l.block++
	}
	l.blocks = append(l.blocks, make([]T, 0, listBlock))
	return &l.blocks[l.block]
}

// Reset takes all slices back.
func (l *List[T]) Reset() {
	if len(l.blocks) > keptBlocks {
		l.blocks = l.blocks[:keptBlocks:keptBlocks]
	}
	for i := range min(l.block+1, len(l.blocks)) {
		l.blocks[i] = l.blocks[i][:0]
	}
	l.block = 0
}

// Builder gathers the elements of a list on a stack, for lists nest, and gives them a place
// in a shared block when it is complete.
type Builder[T any] struct {
	stack []T
	out   List[T]
}

// longList is a length from which a list takes the stack instead of copying it.
const longList = 4096

// Mark gives the place where a list begins.
func (b *Builder[T]) Mark() int { return len(b.stack) }

// Push adds an element.
func (b *Builder[T]) Push(v T) { b.stack = append(b.stack, v) }

// Last gives the element added last.
func (b *Builder[T]) Last() T { return b.stack[len(b.stack)-1] }

// Replace puts another in its place.
func (b *Builder[T]) Replace(v T) { b.stack[len(b.stack)-1] = v }

// Grow makes room for n more elements.
func (b *Builder[T]) Grow(n int) { b.stack = slices.Grow(b.stack, n) }

// Take gives the elements since a mark, which nothing else will write to until Reset.
func (b *Builder[T]) Take(mark int) []T {
	if mark == 0 && len(b.stack) > longList {
		values := b.stack[:len(b.stack):len(b.stack)]
		b.stack = nil
		return values
	}
	values := b.out.Copy(b.stack[mark:])
	b.stack = b.stack[:mark]
	return values
}

// Copy gives a list with the values of another.
func (b *Builder[T]) Copy(values []T) []T { return b.out.Copy(values) }

// One gives a list with a single value.
func (b *Builder[T]) One(value T) []T { return b.out.One(value) }

// Reset takes all lists back.
func (b *Builder[T]) Reset() {
	b.stack = b.stack[:0]
	b.out.Reset()
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
