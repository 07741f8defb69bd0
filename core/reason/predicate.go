package reason

import (
	"strconv"
	"strings"
	"time"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

// Predicate tells for which values of its subject a condition is true; for the others it
// is false. Of NULL it may be true, false or unknown.
type Predicate struct {
	Subject syntax.Expr // a column
	// holds are the values other than NULL for which it is true.
	holds set
	// holdsNull and failsNull tell what it is for NULL.
	holdsNull, failsNull bool
	domain               domain
	known                bool // false for a test of NULL alone, which has no domain
}

// maxList bounds the lists that are looked at.
const maxList = 200

// Of gives the predicate that a condition is; ok is false where it is none of a
// single column and constants.
func Of(in *bind.Info, x syntax.Expr) (p Predicate, ok bool) { return of(in, x, 0) }

func of(in *bind.Info, x syntax.Expr, depth int) (Predicate, bool) {
	if depth > 64 {
		return Predicate{}, false
	}
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Binary:
		switch n.Op {
		case syntax.OpAnd, syntax.OpOr:
			a, ok := of(in, n.X, depth+1)
			b, also := of(in, n.Y, depth+1)
			if !ok || !also {
				return Predicate{}, false
			}
			if n.Op == syntax.OpAnd {
				return and(in, a, b)
			}
			return or(in, a, b)
		}
		return comparison(in, n)
	case *syntax.Unary:
		if n.Op != syntax.OpNot {
			return Predicate{}, false
		}
		p, ok := of(in, n.X, depth+1)
		return not(p), ok
	case *syntax.Is:
		if n.Test != syntax.IsNull || !isColumn(in, n.X) {
			return Predicate{}, false
		}
		p := Predicate{Subject: syntax.Unparen(n.X), holdsNull: !n.Not, failsNull: n.Not}
		return p, true
	case *syntax.Between:
		return between(in, n)
	case *syntax.In:
		return inList(in, n)
	}
	return Predicate{}, false
}

// Subject gives the column that a condition may be a predicate of, nil if it is
// surely none. It costs little; [Of] tells.
func Subject(x syntax.Expr) *syntax.Name {
	for range 64 {
		switch n := x.(type) {
		case *syntax.Paren:
			x = n.X
		case *syntax.Unary:
			x = n.X
		case *syntax.Is:
			x = n.X
		case *syntax.Between:
			x = n.X
		case *syntax.In:
			if n.Query != nil {
				return nil
			}
			x = n.X
		case *syntax.Binary:
			if x = n.X; syntax.IsConstant(x) {
				x = n.Y
			}
		case *syntax.Name:
			return n
		default:
			return nil
		}
	}
	return nil
}

func not(p Predicate) Predicate {
	p.holds = p.holds.complement()
	p.holdsNull, p.failsNull = p.failsNull, p.holdsNull
	return p
}

// together gives two predicates of one subject a common domain; ok is false where
// they have none.
func together(in *bind.Info, a, b Predicate) (x, y Predicate, ok bool) {
	if !in.Same(a.Subject, b.Subject) || a.known && b.known && a.domain != b.domain {
		return a, b, false
	}
	d := a.domain
	if !a.known {
		d = b.domain
	}
	a, b = a.in(d), b.in(d)
	return a, b, d != texts || !clash(a.holds.list, b.holds.list)
}

// clash reports whether two texts of the lists are the same under some collations
// and not under others.
func clash(a, b []string) bool {
	for _, v := range a {
		plain, _ := plainText(v)
		for _, w := range b {
			if other, _ := plainText(w); v != w && plain == other {
				return true
			}
		}
	}
	return false
}

// in gives a test of NULL the sets of a domain: every other value.
func (p Predicate) in(d domain) Predicate {
	if p.known {
		return p
	}
	p.holds, p.domain = nothing(d), d
	if p.failsNull {
		p.holds = everything(d)
	}
	return p
}

func and(in *bind.Info, a, b Predicate) (Predicate, bool) {
	x, y, ok := together(in, a, b)
	if !ok {
		return Predicate{}, false
	}
	return Predicate{
		Subject: a.Subject, domain: x.domain, known: a.known || b.known,
		holds:     x.holds.intersect(y.holds),
		holdsNull: a.holdsNull && b.holdsNull, failsNull: a.failsNull || b.failsNull,
	}.settled(a.known || b.known), true
}

func or(in *bind.Info, a, b Predicate) (Predicate, bool) {
	p, ok := and(in, not(a), not(b))
	return not(p), ok
}

// settled keeps a predicate without a domain one of NULL alone; two tests of NULL
// that do not say the same have sets that only a domain can hold.
func (p Predicate) settled(known bool) Predicate {
	if !known {
		p.known = true
	}
	return p
}

// comparison reads column op constant, either side first.
func comparison(in *bind.Info, n *syntax.Binary) (Predicate, bool) {
	op, x, c := n.Op, n.X, n.Y
	if !isColumn(in, x) {
		op, x, c = n.Op.Flip(), n.Y, n.X
	}
	if !op.IsComparison() || !isColumn(in, x) {
		return Predicate{}, false
	}
	v, d, ok := constant(in, x, c)
	if !ok || op == syntax.OpNullSafeEqual {
		return Predicate{}, false
	}
	p := Predicate{Subject: syntax.Unparen(x), domain: d, known: true}
	p.holds, ok = values(op, d, v)
	return p, ok
}

// values gives the values that stand in a comparison with v.
func values(op syntax.Op, d domain, v value) (set, bool) {
	switch op {
	case syntax.OpEqual:
		return single(d, v), true
	case syntax.OpNotEqual:
		return single(d, v).complement(), true
	}
	if d == texts {
		return set{}, false // collations order texts as they like
	}
	switch op {
	case syntax.OpLess:
		return set{domain: d, spans: []span{{high: bound{v.number, false, true}}}}, true
	case syntax.OpLessEqual:
		return set{domain: d, spans: []span{{high: bound{v.number, true, true}}}}, true
	case syntax.OpGreater:
		return set{domain: d, spans: []span{{low: bound{v.number, false, true}}}}, true
	case syntax.OpGreaterEqual:
		return set{domain: d, spans: []span{{low: bound{v.number, true, true}}}}, true
	}
	return set{}, false
}

func between(in *bind.Info, n *syntax.Between) (Predicate, bool) {
	if !isColumn(in, n.X) || n.Symmetric {
		return Predicate{}, false
	}
	low, d, ok := constant(in, n.X, n.Low)
	high, e, also := constant(in, n.X, n.High)
	if !ok || !also || d != e || d == texts {
		return Predicate{}, false
	}
	p := Predicate{Subject: syntax.Unparen(n.X), domain: d, known: true}
	p.holds = nothing(d)
	if r := (span{bound{low.number, true, true}, bound{high.number, true, true}}); !r.isEmpty() {
		p.holds.spans = []span{r}
	}
	if n.Not {
		p = not(p)
	}
	return p, true
}

func inList(in *bind.Info, n *syntax.In) (Predicate, bool) {
	if n.Query != nil || n.Other != nil || !isColumn(in, n.X) || len(n.List) == 0 || len(n.List) > maxList {
		return Predicate{}, false
	}
	p := Predicate{Subject: syntax.Unparen(n.X), known: true}
	for i, item := range n.List {
		v, d, ok := constant(in, n.X, item)
		if !ok || i > 0 && d != p.domain {
			return Predicate{}, false
		}
		if i == 0 {
			p.domain, p.holds = d, nothing(d)
		}
		if d == texts && clash(p.holds.list, []string{v.text}) {
			return Predicate{}, false
		}
		p.holds = p.holds.unite(single(d, v))
	}
	if n.Not {
		p = not(p)
	}
	return p, true
}

// isColumn reports whether an expression is a column, the same wherever it stands
// in one row.
func isColumn(in *bind.Info, x syntax.Expr) bool {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return false
	}
	u := in.Use(n)
	return u.Status == bind.Resolved || u.Status == bind.Assumed
}

// constant gives the value of a constant that a column is compared with, and the
// domain in which the database compares them.
func constant(in *bind.Info, column, x syntax.Expr) (value, domain, bool) {
	of := classOf(in, column)
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Unary:
		v, d, ok := constant(in, column, n.X)
		if n.Op == syntax.OpNegate && ok && d == numbers {
			v.number = -v.number
			return v, d, true
		}
	case *syntax.TypedLiteral:
		if of == class.Date && strings.EqualFold(in.Text(n.Type), "date") {
			return day(in.Text(n.Value))
		}
	case *syntax.Literal:
		written := in.Text(n)
		switch n.Lit {
		case syntax.NumberLiteral:
			isNumber := of.IsNumber()
			if !isNumber && (of != class.Unknown || in.Dialect == dialect.SQLite) {
				return value{}, 0, false // SQLite keeps anything in any column
			}
			return number(written)
		case syntax.TextLiteral:
			if len(written) < 2 || written[0] != '\'' {
				return value{}, 0, false
			}
			switch of {
			case class.Date:
				if in.Dialect != dialect.SQLite {
					return day(written)
				}
			case class.Text, class.Unknown:
				if of == class.Unknown && hasDigit(written) {
					return value{}, 0, false // of a number or a day, perhaps
				}
				text := written[1 : len(written)-1]
				_, ok := plainText(text)
				return value{text: text}, texts, ok
			}
		}
	}
	return value{}, 0, false
}

func hasDigit(s string) bool { return strings.ContainsAny(s, "0123456789") }

// number reads a number that a float64 tells from its neighbours.
func number(s string) (value, domain, bool) {
	if len(s) > 15 || strings.ContainsAny(s, "xXbBoO_") {
		return value{}, 0, false
	}
	f, err := strconv.ParseFloat(s, 64)
	return value{number: f}, numbers, err == nil
}

func day(literal string) (value, domain, bool) {
	t, err := time.Parse("'2006-01-02'", literal)
	if err != nil {
		return value{}, 0, false
	}
	return value{number: float64(t.Unix() / (24 * 60 * 60))}, days, true
}

// classOf gives the class of a column's type, Unknown where no schema tells.
func classOf(in *bind.Info, x syntax.Expr) class.Class {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return class.Unknown
	}
	u := in.Use(n)
	if u.Source == nil || u.Column == nil {
		return class.Unknown
	}
	if t := u.Source.SchemaTable(); t != nil && u.Column.Index >= 0 {
		return t.Columns[u.Column.Index].Type.Class
	}
	return class.Unknown
}
