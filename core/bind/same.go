package bind

import (
	"hash/maphash"
	"sort"
	"strings"

	"justlens/core/syntax"
	"justlens/core/text"
)

// Same reports whether two expressions are written alike, names taken for
// what they mean, blanks, comments, letter case and outer parentheses left aside.
func (in *Info) Same(a, b syntax.Expr) bool {
	if a == nil || b == nil {
		return a == nil && b == nil
	}
	return in.same(syntax.Unparen(a), syntax.Unparen(b))
}

// same goes down the first parts in a loop: chains of operators are as deep as they
// are long.
func (in *Info) same(a, b syntax.Node) bool {
	for a != b {
		if a.Kind() != b.Kind() {
			return false
		}
		if x, ok := a.(*syntax.Name); ok {
			return in.sameName(x, b.(*syntax.Name))
		}
		left, right := parts(a), parts(b)
		if len(left) != len(right) {
			return false
		}
		if len(left) == 0 {
			if lit, ok := a.(*syntax.Literal); ok && lit.Lit == syntax.TextLiteral {
				return in.Text(a) == in.Text(b)
			}
			return in.frame(a) == in.frame(b)
		}
		for i := len(left) - 1; i > 0; i-- {
			if !in.same(left[i], right[i]) {
				return false
			}
		}
		if in.frame(a) != in.frame(b) {
			return false
		}
		a, b = left[0], right[0]
	}
	return true
}

func parts(n syntax.Node) (list []syntax.Node) {
	syntax.Children(n, func(c syntax.Node) { list = append(list, stripped(c)) })
	return list
}

// Form gives a number that is the same for all expressions that are [Info.Same] as
// each other, so that one among many is found without asking each.
func (in *Info) Form(x syntax.Expr) uint64 { return in.form(syntax.Unparen(x)) }

func (in *Info) form(n syntax.Node) uint64 {
	if len(in.forms) == 0 {
		in.forms = grown(in.forms, len(in.places))
	}
	if known := in.forms[n.ID()]; known != 0 {
		return known
	}
	var spine []syntax.Node // down the first parts
	h := uint64(0)
	for at := n; ; {
		if h = in.forms[at.ID()]; h != 0 {
			break
		}
		below := parts(at)
		if name, ok := at.(*syntax.Name); ok {
			h = maphash.Comparable(in.seed, named{name.Last().Sym, in.Use(name).Source}) | 1
		} else if len(below) == 0 {
			h = maphash.String(in.seed, in.frame(at)) | 1
		}
		if h != 0 {
			in.forms[at.ID()] = h
			break
		}
		spine = append(spine, at)
		at = below[0]
	}
	for i := len(spine) - 1; i >= 0; i-- {
		h = h*31 + uint64(spine[i].Kind())
		for _, c := range parts(spine[i])[1:] {
			h = h*31 + in.form(c)
		}
		h |= 1
		in.forms[spine[i].ID()] = h
	}
	return h
}

// named is what two names that are the same agree in.
type named struct {
	sym    syntax.Sym
	source *Source
}

func stripped(n syntax.Node) syntax.Node {
	if x, ok := n.(syntax.Expr); ok {
		return syntax.Unparen(x)
	}
	return n
}

func (in *Info) sameName(a, b *syntax.Name) bool {
	u, v := in.Use(a), in.Use(b)
	if a.Last().Sym != b.Last().Sym {
		return false
	}
	if u.Source != nil || v.Source != nil {
		return u.Source == v.Source
	}
	return u.Status == v.Status && u.Scope == v.Scope && a.Qualifier().Sym == b.Qualifier().Sym
}

// frame gives what a node's own tokens say: its text without its children,
// comments, parentheses and blanks.
func (in *Info) frame(n syntax.Node) string {
	var b strings.Builder
	at := n.Span().Start
	syntax.Children(n, func(c syntax.Node) {
		s := c.Span()
		if s.Start > at {
			in.write(&b, at, s.Start)
		}
		at = max(at, s.End)
	})
	in.write(&b, at, n.Span().End)
	return squeezed(b.String())
}

// write writes the text between two places without its comments.
func (in *Info) write(b *strings.Builder, from, to text.Pos) {
	first := sort.Search(len(in.comments), func(i int) bool { return in.comments[i].End > from })
	for _, c := range in.comments[first:] {
		if c.Start >= to {
			break
		}
		b.Write(in.Src[from:max(c.Start, from)])
		from = min(c.End, to)
	}
	b.Write(in.Src[from:to])
}

func squeezed(s string) string {
	var b strings.Builder
	for _, c := range strings.ToLower(s) {
		switch c {
		case ' ', '\t', '\n', '\r', '(', ')':
		default:
			b.WriteRune(c)
		}
	}
	return b.String()
}
