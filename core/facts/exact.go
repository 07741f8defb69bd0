package facts

import (
	"strconv"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// maxExact bounds how deep expressions are looked into for their exact types.
const maxExact = 200

// Exact gives the type of an expression by the name that the dialect's type system has for
// it, [dialect.UnknownLiteral] for a text or NULL whose place decides it, and "" where it is
// not known, as for all dialects whose type system is not.
func (in *Facts) Exact(x syntax.Expr) string {
	types := in.Dialect.Types()
	if types == nil || x == nil {
		return ""
	}
	return exact{in, types}.of(x, 0)
}

// exact works out types by the rules of a type system.
type exact struct {
	in    *Facts
	types *dialect.TypeSystem
}

func (e exact) of(x syntax.Expr, depth int) string {
	if x == nil || depth > maxExact {
		return ""
	}
	x = syntax.Unparen(x)
	if t, ok := e.in.exact[x.ID()]; ok {
		return t
	}
	t := e.work(x, depth+1)
	e.in.exact[x.ID()] = t
	return t
}

func (e exact) work(x syntax.Expr, depth int) string {
	switch n := x.(type) {
	case *syntax.Literal:
		return e.literal(n)
	case *syntax.TypedLiteral:
		return e.written(n.Type)
	case *syntax.Cast:
		return e.written(n.Type)
	case *syntax.Interval:
		return "interval"
	case *syntax.Collate:
		return e.of(n.X, depth)
	case *syntax.Is, *syntax.Between, *syntax.In, *syntax.Like, *syntax.Exists:
		return "bool"
	case *syntax.Name:
		return e.name(n, depth)
	case *syntax.Unary:
		return e.unary(n, depth)
	case *syntax.Binary:
		if n.Op == syntax.OpAnd || n.Op == syntax.OpOr {
			return "bool"
		}
		t, _ := e.types.Infix(e.in.OperatorText(n), e.of(n.X, depth), e.of(n.Y, depth))
		return t
	case *syntax.Case:
		results := []syntax.Expr{}
		for _, w := range n.Whens {
			results = append(results, w.Then)
		}
		if n.Else != nil {
			results = append(results, n.Else)
		}
		return e.common(results, depth)
	case *syntax.AtZone:
		switch e.of(n.X, depth) {
		case "timestamp":
			return "timestamptz"
		case "timestamptz", "date":
			return "timestamp"
		case "timetz", "time":
			return "timetz"
		}
	case *syntax.Call:
		return e.call(n, depth)
	case *syntax.Subquery:
		return e.output(n.Query.Body, 0, depth)
	}
	return ""
}

// OperatorText gives an operator by the name that the type system has for it.
func (in *Facts) OperatorText(n *syntax.Binary) string {
	s := string(in.Src[n.OpSpan.Start:n.OpSpan.End])
	if s == "!=" {
		return "<>"
	}
	return s
}

func (e exact) literal(n *syntax.Literal) string {
	written := e.in.Text(n)
	switch n.Lit {
	case syntax.NullLiteral:
		return dialect.UnknownLiteral
	case syntax.TrueLiteral, syntax.FalseLiteral:
		return "bool"
	case syntax.TextLiteral:
		if written[0] == '\'' || written[0] == '$' || written[0]|0x20 == 'e' {
			return dialect.UnknownLiteral
		}
	case syntax.NumberLiteral:
		if strings.ContainsAny(written, ".eE") {
			return "numeric"
		}
		switch i, err := strconv.ParseInt(written, 10, 64); {
		case err != nil:
			if strings.Trim(written, "0123456789") == "" {
				return "numeric"
			}
		case i < 1<<31:
			return "int4"
		default:
			return "int8"
		}
	}
	return ""
}

// written gives the type that stands in the text, "" for one of the user's.
func (e exact) written(t *syntax.TypeName) string {
	if t == nil {
		return ""
	}
	return e.declared(e.in.Schema.TypeOf(t, e.in.Src))
}

func (e exact) declared(t schema.Type) string {
	if t.Values != nil {
		return ""
	}
	return e.types.Canonical(t.Name)
}

func (e exact) name(n *syntax.Name, depth int) string {
	u := e.in.Use(n)
	switch {
	case u.Status == bind.OutputAlias:
		return e.settled(e.of(u.Item.X, depth))
	case u.Status != bind.Resolved || u.Column == nil:
		return ""
	}
	s := u.Column.Source
	place := s.Place(u.Column)
	switch {
	case place < 0:
	case s.SchemaTable() != nil && !s.SchemaTable().IsView:
		return e.declared(s.SchemaTable().Columns[place].Type)
	case s.Query != nil:
		return e.output(s.Query.Body, place, depth)
	}
	return ""
}

// settled gives the type of an output: a literal that nothing decided is a text.
func (e exact) settled(t string) string {
	if t == dialect.UnknownLiteral {
		return "text"
	}
	return t
}

// output gives the type of a column that a query gives.
func (e exact) output(body syntax.Body, i, depth int) string {
	if depth > maxExact {
		return ""
	}
	switch b := body.(type) {
	case *syntax.Select:
		outputs, ok := e.in.outputs(b)
		switch {
		case !ok || i >= len(outputs):
		case outputs[i].Source == nil:
			return e.settled(e.of(outputs[i].X, depth+1))
		case outputs[i].Source.SchemaTable() != nil && !outputs[i].Source.SchemaTable().IsView:
			return e.declared(outputs[i].Source.SchemaTable().Columns[outputs[i].Place].Type)
		case outputs[i].Source.Query != nil:
			return e.output(outputs[i].Source.Query.Body, outputs[i].Place, depth+1)
		}
	case *syntax.ParenQuery:
		return e.output(b.Query.Body, i, depth+1)
	}
	return ""
}

func (e exact) unary(n *syntax.Unary, depth int) string {
	switch n.Op {
	case syntax.OpNot:
		return "bool"
	case syntax.OpNegate, syntax.OpPositive, syntax.OpComplement:
		t, _ := e.types.Operator(string(e.in.Src[n.OpSpan.Start:n.OpSpan.End]), "", e.of(n.X, depth))
		return t
	}
	return ""
}

func (e exact) common(xs []syntax.Expr, depth int) string {
	t, _ := e.types.Common(e.all(xs, depth))
	return t
}

func (e exact) all(xs []syntax.Expr, depth int) []string {
	types := make([]string, len(xs))
	for i, x := range xs {
		types[i] = e.of(x, depth)
	}
	return types
}

func (e exact) call(c *syntax.Call, depth int) string {
	if len(c.Name) > 1 || c.Name[0].Quoted {
		return ""
	}
	name := e.in.FunctionName(c)
	switch name {
	case "coalesce", "greatest", "least":
		return e.common(c.Args, depth)
	case "nullif":
		if len(c.Args) == 2 {
			return e.settled(e.of(c.Args[0], depth))
		}
		return ""
	case "count":
		return "int8"
	case "current_date":
		return "date"
	case "current_timestamp":
		return "timestamptz"
	case "localtimestamp":
		return "timestamp"
	case "current_time":
		return "timetz"
	case "localtime":
		return "time"
	case "extract":
		return "numeric"
	case "trim":
		return "text"
	case "position":
		return "int4"
	}
	if !IsPlainCall(c) {
		return ""
	}
	t, set, _ := e.types.Call(name, e.all(c.Args, depth))
	if set {
		return ""
	}
	return t
}

// IsPlainCall reports whether the arguments of a call are a list of values and nothing else.
func IsPlainCall(c *syntax.Call) bool {
	if c.Star || c.WithinGroup || c.Unit.Sym != 0 {
		return false
	}
	for _, x := range c.Args {
		switch x.(type) {
		case *syntax.NamedArg, *syntax.Star:
			return false
		}
	}
	return true
}

// ExactAll gives the exact types of some expressions.
func (in *Facts) ExactAll(xs []syntax.Expr) []string {
	types := make([]string, len(xs))
	for i, x := range xs {
		types[i] = in.Exact(x)
	}
	return types
}
