package bind

import (
	"strings"

	"justlens/core/syntax"
)

// Same reports whether two expressions are written alike, names taken for
// what they mean, blanks, comments, letter case and outer parentheses left aside.
func (in *Info) Same(a, b syntax.Expr) bool {
	if a == nil || b == nil {
		return a == nil && b == nil
	}
	return in.same(syntax.Unparen(a), syntax.Unparen(b))
}

func (in *Info) same(a, b syntax.Node) bool {
	if a.Kind() != b.Kind() {
		return false
	}
	if x, ok := a.(*syntax.Name); ok {
		return in.sameName(x, b.(*syntax.Name))
	}
	var left, right []syntax.Node
	syntax.Children(a, func(c syntax.Node) { left = append(left, stripped(c)) })
	syntax.Children(b, func(c syntax.Node) { right = append(right, stripped(c)) })
	if len(left) != len(right) {
		return false
	}
	for i := range left {
		if !in.same(left[i], right[i]) {
			return false
		}
	}
	if len(left) == 0 {
		x, y := in.Text(a), in.Text(b)
		if lit, ok := a.(*syntax.Literal); ok && lit.Lit == syntax.TextLiteral {
			return x == y
		}
		return squeezed(x) == squeezed(y)
	}
	return in.frame(a) == in.frame(b)
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
// parentheses and blanks.
func (in *Info) frame(n syntax.Node) string {
	var b strings.Builder
	at := n.Span().Start
	syntax.Children(n, func(c syntax.Node) {
		s := c.Span()
		if s.Start > at {
			b.Write(in.Src[at:s.Start])
		}
		at = max(at, s.End)
	})
	b.Write(in.Src[at:n.Span().End])
	return squeezed(b.String())
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
