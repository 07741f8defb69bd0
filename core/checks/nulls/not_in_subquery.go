package nulls

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var notInSubquery = &check.Check{
	ID:    "null.not-in-subquery",
	Title: "NOT IN with a subquery that can give NULL",
	Doc: "NOT IN compares with every row of the subquery. One NULL among them makes each comparison unknown, and the query gives no row " +
		"at all. NOT EXISTS asks whether a matching row exists, and is not upset by NULL.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives)",
		Good: "SELECT name FROM queens WHERE NOT EXISTS (SELECT 1 FROM hives WHERE hives.queen_id = queens.queen_id)",
		Near: []string{
			"SELECT name FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives WHERE queen_id IS NOT NULL)",
			"SELECT name FROM hives WHERE hive_id NOT IN (SELECT hive_id FROM inspections)",
			"SELECT name FROM queens WHERE queen_id IN (SELECT queen_id FROM hives)",
			"SELECT name FROM queens WHERE queen_id NOT IN (SELECT COALESCE(queen_id, 0) FROM hives)",
			"SELECT name FROM hives WHERE hive_id NOT IN (1, 2)",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM queens WHERE queen_id <> ALL (SELECT queen_id FROM hives)",
		Good:    "SELECT name FROM queens WHERE NOT EXISTS (SELECT 1 FROM hives WHERE hives.queen_id = queens.queen_id)",
		Near:    []string{"SELECT name FROM queens WHERE queen_id <> ANY (SELECT queen_id FROM hives)"},
	}, {
		NoSchema: true,
		Near: []string{
			"SELECT q.name FROM queens q WHERE q.queen_id NOT IN (SELECT h.queen_id FROM hives h WHERE h.queen_id > 3)",
			"SELECT q.name FROM queens q WHERE q.queen_id NOT IN (SELECT COUNT(*) FROM hives h)",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM queens WHERE NOT queen_id IN (SELECT queen_id FROM hives)",
		Good:    "SELECT name FROM queens WHERE NOT EXISTS (SELECT 1 FROM hives WHERE hives.queen_id = queens.queen_id)",
	}},
	On: check.Nodes(runNotInSubquery).And(check.Operators(runNotEqualAll, syntax.OpNotEqual).With(facts.QuerySide)),
}

// exclusion is a condition that refuses what a subquery gives.
type exclusion struct {
	x     syntax.Expr
	query *syntax.Query
	span  text.Span
	sign  string // NOT IN or <> ALL
}

func runNotInSubquery(p *check.Pass, in *syntax.In) {
	if in.Query == nil {
		return
	}
	e := exclusion{in.X, in.Query, in.Span(), "NOT IN"}
	if !in.Not {
		not, ok := negated(p, in)
		if !ok {
			return
		}
		e.span = not.Span()
	}
	tellExclusion(p, e)
}

func runNotEqualAll(p *check.Pass, b *syntax.Binary) {
	if all, ok := b.Y.(*syntax.Quantified); ok && all.All && all.Query != nil {
		tellExclusion(p, exclusion{b.X, all.Query, b.Span(), "<> ALL"})
	}
}

func tellExclusion(p *check.Pass, e exclusion) {
	sel, ok := e.query.Body.(*syntax.Select)
	if !ok || len(sel.Items) != 1 {
		return
	}
	column := sel.Items[0].X
	f := check.Finding{Span: e.span}
	switch p.Nullable(column) {
	case facts.No:
		return
	case facts.Yes:
		f.Certainty = check.Certain
	default:
		if _, star := column.(*syntax.Star); star {
			return
		}
		f.Certainty = check.Possible
	}
	f.Message = fmt.Sprintf("if any %s is NULL, %s finds no rows at all", where(p, column), e.sign)
	f.Why = fmt.Sprintf("One NULL in the subquery's result makes every comparison with %s unknown, so no row is returned.", p.Brief(e.x))
	f.Mends = append(notExists(p, e, sel), leaveNullsOut(p, sel, column)...)
	p.Report(f)
}

// where names a column and its table for a sentence.
func where(p *check.Pass, x syntax.Expr) string {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok || len(n.Parts) > 1 {
		return p.Text(x)
	}
	if u := p.Use(n); u.Source != nil && !u.Source.Name.IsZero() {
		return p.Text(x) + " in " + p.Ident(u.Source.Name)
	}
	return p.Text(x)
}

// negated finds the NOT right above, parentheses left aside.
func negated(p *check.Pass, n syntax.Node) (*syntax.Unary, bool) {
	above := p.Parent(n)
	for above != nil && above.Kind() == syntax.KindParen {
		above = p.Parent(above)
	}
	u, ok := above.(*syntax.Unary)
	return u, ok && u.Op == syntax.OpNot
}

// notExists writes the condition as NOT EXISTS where the subquery is plain and
// both columns can be named without one capturing the other.
func notExists(p *check.Pass, e exclusion, sel *syntax.Select) []check.Mend {
	if e.query.With != nil || e.query.Limit != nil || sel.GroupBy != nil || sel.Having != nil || sel.Distinct || sel.From == nil ||
		sel.Top != nil || sel.Qualify != nil || e.query.OrderBy != nil {
		return nil
	}
	inner, ok := qualified(p, sel.Items[0].X)
	if !ok {
		return nil
	}
	outer, ok := qualified(p, e.x)
	if !ok || captured(p, e.x, sel) {
		return nil
	}
	start := e.query.Span().Start
	equal := inner + " = " + outer
	m := check.Mend{Title: "ask NOT EXISTS", Effect: check.NewRows, Edits: []text.Edit{
		check.Replace(text.Span{Start: e.span.Start, End: start}, p.Word(sel.Span().Start, "NOT EXISTS")+" ("),
		check.Replace(sel.Items[0].Span(), "1"),
		check.Replace(text.Span{Start: e.query.Span().End, End: e.span.End}, ")"),
	}}
	if sel.Where != nil {
		m.Edits = append(m.Edits, p.AddConjunct(sel.Where, sel.Where.Cond, equal)...)
	} else {
		m.Edits = append(m.Edits, p.NewClause(sel.From, sel.From, p.Word(start, "WHERE")+" "+equal))
	}
	return []check.Mend{m}
}

// qualified gives a column with its source's name before it.
func qualified(p *check.Pass, x syntax.Expr) (string, bool) {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return "", false
	}
	if len(n.Parts) > 1 {
		return p.Text(n), true
	}
	u := p.Use(n)
	if u.Source == nil || u.Source.Name.IsZero() || u.Status != bind.Resolved && u.Status != bind.Assumed {
		return "", false
	}
	return p.Ident(u.Source.Name) + "." + p.Text(n), true
}

// captured reports whether a source of the subquery hides the one that the
// outer column comes from.
func captured(p *check.Pass, x syntax.Expr, sel *syntax.Select) bool {
	u := p.Use(syntax.Unparen(x).(*syntax.Name))
	if u.Source == nil {
		return true
	}
	for _, s := range p.Scope(sel).Sources {
		if s.Name.Sym == u.Source.Name.Sym {
			return true
		}
	}
	return false
}

// leaveNullsOut adds IS NOT NULL to the subquery.
func leaveNullsOut(p *check.Pass, sel *syntax.Select, column syntax.Expr) []check.Mend {
	if _, ok := syntax.Unparen(column).(*syntax.Name); !ok || sel.From == nil || sel.GroupBy != nil || sel.Having != nil {
		return nil
	}
	start := sel.From.Span().Start
	condition := p.Text(column) + " " + p.Word(start, "IS NOT NULL")
	m := check.Mend{Title: "leave the NULLs out of the subquery", Effect: check.NewRows}
	if sel.Where != nil {
		m.Edits = p.AddConjunct(sel.Where, sel.Where.Cond, condition)
	} else {
		m.Edits = []text.Edit{p.NewClause(sel.From, sel.From, p.Word(start, "WHERE")+" "+condition)}
	}
	return []check.Mend{m}
}
