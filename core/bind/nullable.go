package bind

import "justlens/core/syntax"

// Answer is what is known of a question: unknown unless text and schema prove
// yes or no.
type Answer uint8

const (
	Unknown Answer = iota
	No
	Yes
)

// Nullable reports whether an expression can be NULL in a row that its SELECT
// gives out, that is, after WHERE and joins.
func (in *Info) Nullable(x syntax.Expr) Answer { return in.nullable(x, 0) }

// maxDerivation bounds how many derived tables are looked through.
const maxDerivation = 32

func (in *Info) nullable(x syntax.Expr, depth int) Answer {
	if depth > maxDerivation {
		return Unknown
	}
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		if n.Lit == syntax.NullLiteral {
			return Yes
		}
		if n.Lit == syntax.DefaultLiteral {
			return Unknown
		}
		return No
	case *syntax.TypedLiteral, *syntax.Is, *syntax.Exists:
		return No
	case *syntax.Name:
		return in.nullableName(n, depth)
	case *syntax.Call:
		return in.nullableCall(n, depth)
	case *syntax.Case:
		return in.nullableCase(n, depth)
	case *syntax.Cast:
		if a := in.nullable(n.X, depth+1); a == Yes {
			return Yes
		}
	case *syntax.Collate:
		return in.nullable(n.X, depth+1)
	case *syntax.Binary:
		// Division by zero is NULL on some databases: a No is not proved.
		if in.nullable(n.X, depth+1) == Yes || in.nullable(n.Y, depth+1) == Yes {
			if n.Op >= syntax.OpAdd && n.Op <= syntax.OpModulo {
				return Yes
			}
		}
	}
	return Unknown
}

func (in *Info) nullableName(n *syntax.Name, depth int) Answer {
	u := in.Use(n)
	if u.Source == nil || u.Status != Resolved && u.Status != Assumed {
		return Unknown
	}
	if in.rejectsNull(n, u) {
		return No
	}
	if u.Source.Optional {
		return Yes
	}
	if u.Column == nil {
		return Unknown
	}
	if t := u.Source.table; t != nil && u.Column.Index >= 0 && !t.IsView {
		if t.IsRequired(u.Column.Index, in.Dialect) {
			return No
		}
		return Yes
	}
	if u.Column.X != nil {
		return in.nullable(u.Column.X, depth+1)
	}
	return Unknown
}

func (in *Info) nullableCall(n *syntax.Call, depth int) Answer {
	switch in.FunctionName(n) {
	case "count", "row_number", "rank", "dense_rank", "ntile", "now", "current_date", "current_timestamp":
		return No
	case "coalesce", "ifnull", "nvl", "isnull":
		answer := Yes
		for _, a := range n.Args {
			switch in.nullable(a, depth+1) {
			case No:
				return No
			case Unknown:
				answer = Unknown
			}
		}
		return answer
	case "nullif":
		return Yes
	}
	return Unknown
}

func (in *Info) nullableCase(n *syntax.Case, depth int) Answer {
	if n.Else == nil {
		return Yes
	}
	answer := in.nullable(n.Else, depth+1)
	for _, w := range n.Whens {
		switch in.nullable(w.Then, depth+1) {
		case Yes:
			return Yes
		case Unknown:
			if answer == No {
				answer = Unknown
			}
		}
	}
	return answer
}

// rejectsNull reports whether a condition that every row of n's SELECT has
// passed keeps the column from being NULL.
func (in *Info) rejectsNull(n *syntax.Name, u *Use) bool {
	sel, ok := u.Source.Scope.Node.(*syntax.Select)
	if !ok || sel.Where == nil || in.within(n, sel.Where) {
		return false
	}
	found := false
	syntax.Conjuncts(sel.Where.Cond, func(c syntax.Expr) { found = found || in.passesOnlyValues(c, n) })
	return found
}

func (in *Info) within(n, above syntax.Node) bool { return above.Span().Contains(n.Span()) }

// passesOnlyValues reports whether a condition is false or unknown whenever
// the column is NULL.
func (in *Info) passesOnlyValues(c syntax.Expr, n *syntax.Name) bool {
	switch c := syntax.Unparen(c).(type) {
	case *syntax.Is:
		return c.Test == syntax.IsNull && c.Not && in.Same(c.X, n)
	case *syntax.Binary:
		return c.Op.IsComparison() && (in.Same(c.X, n) || in.Same(c.Y, n))
	case *syntax.Between:
		return !c.Not && in.Same(c.X, n)
	case *syntax.Like:
		return in.Same(c.X, n)
	case *syntax.In:
		return in.Same(c.X, n)
	}
	return false
}
