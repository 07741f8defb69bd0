package run

import (
	"slices"
	"strings"

	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// Arrays are those of PostgreSQL with one dimension (PostgreSQL 15, 8.15 "Arrays" and 9.19 "Array
// Functions and Operators").

// ofArray makes an array.
func ofArray(items []Value) Value { return Value{Kind: Array, items: &items} }

// list gives the elements of an array.
func (v Value) list() []Value {
	if v.items == nil {
		return nil
	}
	return *v.items
}

// array writes an array as PostgreSQL shows it: {1,2,NULL,"a b"}.
func (v Value) array() string {
	var b strings.Builder
	b.WriteByte('{')
	for i, x := range v.list() {
		if i > 0 {
			b.WriteByte(',')
		}
		s := x.String()
		if x.Kind == Bool {
			s = s[:1]
		}
		if x.Kind == Text && (s == "" || strings.EqualFold(s, "null") || strings.ContainsAny(s, "{}\",\\ \t\n\r")) || strings.Contains(s, " ") {
			s = `"` + strings.NewReplacer(`\`, `\\`, `"`, `\"`).Replace(s) + `"`
		}
		b.WriteString(s)
	}
	b.WriteByte('}')
	return b.String()
}

// compareArrays orders two arrays element by element; NULL is alike to NULL there, and behind all else.
func (r *rules) compareArrays(a, b []Value) int {
	for i := range min(len(a), len(b)) {
		if o := r.orderOf(a[i], b[i], false, false); o != 0 {
			return o
		}
	}
	return order(int64(len(a)), int64(len(b)))
}

// readArray reads a text like {1,2,NULL} as an array of a type.
func (r *rules) readArray(s string, element schema.Type) Value {
	s = strings.TrimSpace(s)
	if len(s) < 2 || s[0] != '{' || s[len(s)-1] != '}' || strings.ContainsAny(s[1:len(s)-1], `{}"\`) {
		panic(unknownHere("the text '" + s + "' as an array"))
	}
	var items []Value
	if inner := strings.TrimSpace(s[1 : len(s)-1]); inner != "" {
		for part := range strings.SplitSeq(inner, ",") {
			v := OfText(strings.TrimSpace(part))
			if strings.EqualFold(v.s, "null") {
				v = Value{}
			}
			items = append(items, r.convert(v, element))
		}
	}
	return ofArray(items)
}

// arrayType gives the type of the elements of an array type, and whether it is one.
func (c *compiler) arrayType(n *syntax.TypeName) (element schema.Type, ok bool) {
	if n == nil || !n.Array || !c.rules.isPostgres() {
		return schema.Type{}, false
	}
	one := *n
	one.Array = false
	t := c.Schema.TypeOf(&one, c.Src, c.Dialect)
	return t, t.Class != class.Unknown && t.Class != class.Other
}

// array compiles ARRAY[…] and ARRAY(query).
func (c *compiler) array(n *syntax.Array) eval {
	if !c.rules.isPostgres() {
		c.stop(n, "an array")
	}
	if n.Query != nil {
		return c.arrayOf(n)
	}
	var items []eval
	for _, x := range n.Items {
		if _, nested := syntax.Unparen(x).(*syntax.Array); nested {
			c.stop(x, "an array of arrays")
		}
		items = append(items, c.expr(x))
	}
	return func(f *frame) Value {
		values := make([]Value, len(items))
		for i, x := range items {
			if values[i] = x(f); values[i].Kind == Array {
				panic(Unknown{What: "an array of arrays", Span: n.Span()})
			}
		}
		return ofArray(values)
	}
}

// arrayOf compiles ARRAY(query); the order of its elements is open where the query leaves it open.
func (c *compiler) arrayOf(n *syntax.Array) eval {
	rows := c.subquery(n.Query, 1)
	ordered := n.Query.OrderBy != nil
	return func(f *frame) Value {
		loose := f.run.loose
		f.run.loose = false
		found := rows(f)
		open := f.run.loose
		f.run.loose = loose
		var values []Value
		for i, row := range found {
			values = append(values, row[0])
			if i > 0 && (open || !ordered) && !row[0].Same(found[i-1][0]) {
				f.run.open = true
			}
		}
		return ofArray(values)
	}
}

// subscript compiles X[i]; beyond the array is NULL.
func (c *compiler) subscript(n *syntax.Subscript) eval {
	if len(n.Items) != 1 || strings.Contains(c.Text(n), ":") || !c.rules.isPostgres() {
		c.stop(n, "this part of an array")
	}
	array, at := c.expr(n.X), c.expr(n.Items[0])
	return func(f *frame) Value {
		v, i := array(f), at(f)
		if v.IsNull() || i.IsNull() {
			return Value{}
		}
		if v.Kind != Array || i.Kind != Int {
			panic(Unknown{What: "this part of " + v.Kind.noun(), Span: n.Span()})
		}
		if i.n < 1 || i.n > int64(len(v.list())) {
			return Value{}
		}
		return v.list()[i.n-1]
	}
}

// operandArray compiles what stands where an array is needed; a text beside x is read as one of its type.
func (c *compiler) operandArray(x syntax.Expr, element schema.Type) eval {
	lit, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || lit.Lit != syntax.TextLiteral {
		return c.expr(x)
	}
	c.at = x
	made := c.rules.readArray(c.textOf(lit), element)
	return func(*frame) Value { return made }
}

// anyElement compiles X op ANY (array) and X op ALL (array).
func (c *compiler) anyElement(n *syntax.Binary, q *syntax.Quantified) cond {
	value, array, r, holds, all := c.expr(n.X), c.operandArray(q.X, c.Type(n.X)), c.comparing(), test(n.Op), q.All
	return func(f *frame) Truth {
		v, list := value(f), array(f)
		if list.IsNull() {
			return Unsure
		}
		if list.Kind != Array {
			panic(Unknown{What: list.Kind.noun() + " as an array", Span: q.Span()})
		}
		result := truthOf(all)
		for _, w := range list.list() {
			t := Unsure
			if !v.IsNull() && !w.IsNull() {
				f.run.at = n
				if o, ok := r.compare(v, w); ok {
					t = truthOf(holds(o))
				}
			}
			switch t {
			case truthOf(!all):
				return t
			case Unsure:
				result = Unsure
			}
		}
		return result
	}
}

// castArray compiles a conversion to an array.
func (c *compiler) castArray(n *syntax.Cast) eval {
	element, ok := c.arrayType(n.Type)
	if !ok {
		c.stop(n, "this conversion")
	}
	value, r := c.operandArray(n.X, element), c.rules
	return func(f *frame) Value {
		v := value(f)
		f.run.at = n
		switch v.Kind {
		case Null:
			return v
		case Text:
			return r.readArray(v.s, element)
		}
		made := slices.Clone(elementsOf(v))
		for i, x := range made {
			made[i] = r.convert(x, element)
		}
		return ofArray(made)
	}
}

// joinArrays joins arrays, or puts an element before or behind one.
func (r *rules) joinArrays(v, w Value) Value {
	switch {
	case v.IsNull():
		return w // NULL is taken for an array
	case w.IsNull():
		return v
	case w.Kind != Array:
		return ofArray(append(slices.Clone(v.list()), w))
	case v.Kind != Array:
		return ofArray(append([]Value{v}, w.list()...))
	}
	return ofArray(slices.Concat(v.list(), w.list()))
}

// arrayOperator compiles @>, <@ and && of arrays, nil for others.
func (c *compiler) arrayOperator(n *syntax.Binary) eval {
	op := c.word(n.OpSpan)
	if !c.rules.isPostgres() || op != "@>" && op != "<@" && op != "&&" {
		return nil
	}
	x, y, r := c.expr(n.X), c.expr(n.Y), c.rules
	return func(f *frame) Value {
		v, w := x(f), y(f)
		if v.IsNull() || w.IsNull() {
			return Value{}
		}
		if v.Kind != Array || w.Kind != Array {
			panic(Unknown{What: "the operator " + op, Span: n.Span()})
		}
		a, b := v.list(), w.list()
		switch op {
		case "@>":
			a, b = b, a
			fallthrough
		case "<@":
			return OfBool(!slices.ContainsFunc(a, func(x Value) bool { return !r.holds(b, x) }))
		}
		return OfBool(slices.ContainsFunc(a, func(x Value) bool { return r.holds(b, x) }))
	}
}

// holds reports whether an array has an element; none is NULL for this.
func (r *rules) holds(list []Value, x Value) bool { return !x.IsNull() && r.indexOf(list, x) >= 0 }

// indexOf gives where an element stands in an array, NULL found as NULL; -1 where it does not.
func (r *rules) indexOf(list []Value, x Value) int {
	return slices.IndexFunc(list, func(y Value) bool {
		if x.IsNull() || y.IsNull() {
			return x.IsNull() && y.IsNull()
		}
		o, ok := r.compare(x, y)
		return ok && o == 0
	})
}

// elementsOf gives the elements of a value that must be an array.
func elementsOf(v Value) []Value {
	if v.Kind != Array {
		panic(unknownHere(v.Kind.noun() + " as an array"))
	}
	return v.list()
}

func lengthOfArray(_ *rules, a []Value) Value {
	if len(elementsOf(a[0])) == 0 || a[1].Kind != Int || a[1].n != 1 {
		return Value{}
	}
	return OfInt(int64(len(a[0].list())))
}

func cardinality(_ *rules, a []Value) Value { return OfInt(int64(len(elementsOf(a[0])))) }

func positionInArray(r *rules, a []Value) Value {
	if a[0].IsNull() {
		return Value{}
	}
	if at := r.indexOf(elementsOf(a[0]), a[1]); at >= 0 {
		return OfInt(int64(at + 1))
	}
	return Value{}
}

func appendedArray(_ *rules, a []Value) Value {
	if a[0].IsNull() {
		return ofArray([]Value{a[1]})
	}
	return ofArray(append(slices.Clone(elementsOf(a[0])), a[1]))
}

func withoutElement(r *rules, a []Value) Value {
	if a[0].IsNull() {
		return Value{}
	}
	return ofArray(slices.DeleteFunc(slices.Clone(elementsOf(a[0])), func(x Value) bool { return r.indexOf([]Value{x}, a[1]) >= 0 }))
}

func arrayText(r *rules, a []Value) Value {
	if a[0].IsNull() || a[1].IsNull() {
		return Value{}
	}
	var parts []string
	for _, x := range elementsOf(a[0]) {
		switch {
		case !x.IsNull():
			parts = append(parts, r.written(x))
		case len(a) > 2 && !a[2].IsNull():
			parts = append(parts, r.written(a[2]))
		}
	}
	return OfText(strings.Join(parts, r.written(a[1])))
}

func textArray(r *rules, a []Value) Value {
	s, sep := r.written(a[0]), r.written(a[1])
	if sep == "" {
		panic(unknownHere("a text cut at every letter"))
	}
	var items []Value
	if s != "" {
		for part := range strings.SplitSeq(s, sep) {
			items = append(items, OfText(part))
		}
	}
	return ofArray(items)
}
