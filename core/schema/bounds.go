package schema

import (
	"slices"
	"strconv"
	"strings"

	"justlens/core/syntax"
)

// Bounds tell which values a CHECK of one column lets in, as far as it lists them or bounds numbers.
type Bounds struct {
	// Values are those that it lists, texts without their quotes; nil where it lists none.
	Values []string
	// Low and High bound numbers, nil where they do not; LowOut and HighOut leave the bound itself out.
	Low, High       *float64
	LowOut, HighOut bool
}

// mostValues bounds the list that is looked through for each value.
const mostValues = 256

// Excludes reports whether a value, a text without its quotes or a number as written, is surely not let
// in. Letter case and blanks at the end do not count.
func (b *Bounds) Excludes(value string) bool {
	if b.Values != nil {
		for _, v := range b.Values {
			if alikeValues(v, value) {
				return false
			}
		}
		return true
	}
	f, err := strconv.ParseFloat(value, 64)
	if err != nil {
		return false
	}
	return b.Low != nil && (f < *b.Low || f == *b.Low && b.LowOut) || b.High != nil && (f > *b.High || f == *b.High && b.HighOut)
}

// ExcludesAbove reports whether no number above f is let in, nor f itself if that is asked, too.
func (b *Bounds) ExcludesAbove(f float64, itself bool) bool {
	if b.Values != nil {
		return !slices.ContainsFunc(b.Values, func(v string) bool {
			n, err := strconv.ParseFloat(v, 64)
			return err != nil || n > f || n == f && itself
		})
	}
	return b.High != nil && (*b.High < f || *b.High == f && (!itself || b.HighOut))
}

// ExcludesBelow is ExcludesAbove of the numbers below f.
func (b *Bounds) ExcludesBelow(f float64, itself bool) bool {
	if b.Values != nil {
		return !slices.ContainsFunc(b.Values, func(v string) bool {
			n, err := strconv.ParseFloat(v, 64)
			return err != nil || n < f || n == f && itself
		})
	}
	return b.Low != nil && (*b.Low > f || *b.Low == f && (!itself || b.LowOut))
}

func alikeValues(a, b string) bool {
	f, errA := strconv.ParseFloat(a, 64)
	g, errB := strconv.ParseFloat(b, 64)
	if errA == nil && errB == nil {
		return f == g
	}
	return strings.EqualFold(strings.TrimRight(a, " "), strings.TrimRight(b, " "))
}

// boundsOf reads a condition of one column; nil where it is not as plain as that.
func boundsOf(x syntax.Expr, text func(syntax.Node) string) *Bounds {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.In:
		if n.Not || n.Query != nil || n.Other != nil || !isName(n.X) || len(n.List) > mostValues {
			return nil
		}
		b := &Bounds{}
		for _, one := range n.List {
			v, ok := constant(one, text)
			if !ok {
				return nil
			}
			b.Values = append(b.Values, v)
		}
		return b
	case *syntax.Between:
		low, okLow := numberOf(n.Low, text)
		high, okHigh := numberOf(n.High, text)
		if n.Not || !okLow || !okHigh || !isName(n.X) {
			return nil
		}
		return &Bounds{Low: &low, High: &high}
	case *syntax.Binary:
		if n.Op == syntax.OpAnd {
			return boundsOf(n.X, text).and(boundsOf(n.Y, text))
		}
		if f, ok := numberOf(n.Y, text); ok && isName(n.X) {
			return bound(n.Op, f)
		}
	}
	return nil
}

// bound gives the bounds of a comparison of a column with a number.
func bound(op syntax.Op, f float64) *Bounds {
	switch op {
	case syntax.OpGreater, syntax.OpGreaterEqual:
		return &Bounds{Low: &f, LowOut: op == syntax.OpGreater}
	case syntax.OpLess, syntax.OpLessEqual:
		return &Bounds{High: &f, HighOut: op == syntax.OpLess}
	}
	return nil
}

// and joins bounds: what either excludes is excluded. One that is not known lets all in.
func (b *Bounds) and(c *Bounds) *Bounds {
	switch {
	case b == nil:
		return c
	case c == nil:
		return b
	}
	joined := *b
	if c.Values != nil {
		joined.Values = c.Values
	}
	if c.Low != nil {
		joined.Low, joined.LowOut = c.Low, c.LowOut
	}
	if c.High != nil {
		joined.High, joined.HighOut = c.High, c.HighOut
	}
	return &joined
}

func isName(x syntax.Expr) bool {
	_, ok := syntax.Unparen(x).(*syntax.Name)
	return ok
}

// constant gives a literal as a value.
func constant(x syntax.Expr, text func(syntax.Node) string) (string, bool) {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok {
		if c, cast := syntax.Unparen(x).(*syntax.Cast); cast { // as PostgreSQL writes down what it keeps
			return constant(c.X, text)
		}
		return "", false
	}
	written := text(n)
	switch {
	case n.Lit == syntax.NumberLiteral:
		return written, true
	case n.Lit == syntax.TextLiteral && len(written) > 1 && written[0] == '\'' && !strings.Contains(written[1:len(written)-1], "'"):
		return written[1 : len(written)-1], true
	}
	return "", false
}

func numberOf(x syntax.Expr, text func(syntax.Node) string) (float64, bool) {
	sign := 1.0
	if u, ok := syntax.Unparen(x).(*syntax.Unary); ok && u.Op == syntax.OpNegate {
		sign, x = -1, u.X
	}
	if c, cast := syntax.Unparen(x).(*syntax.Cast); cast {
		x = c.X
	}
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.NumberLiteral {
		return 0, false // a text is compared as one
	}
	f, err := strconv.ParseFloat(text(n), 64)
	return sign * f, err == nil
}
