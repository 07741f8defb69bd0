package nulls

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var equals = &check.Check{
	ID:    "null.equals",
	Title: "comparison with NULL",
	Doc: "NULL means not known, so a comparison with it is neither true nor false but unknown, whatever stands on the other side, " +
		"and WHERE keeps only what is true. IS NULL asks whether a value is missing.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE moved_on = NULL",
		Good: "SELECT name FROM hives WHERE moved_on IS NULL",
		Near: []string{
			"UPDATE hives SET moved_on = NULL WHERE hive_id = 7",
			"SELECT name FROM hives WHERE moved_on IS NOT DISTINCT FROM NULL",
			"SELECT name FROM hives WHERE name = 'NULL'",
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (9, 'Ash', 1, 1, 8) ON CONFLICT (hive_id) DO UPDATE SET moved_on = NULL",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE NOT moved_on <> NULL",
		Good: "SELECT name FROM hives WHERE NOT moved_on IS NOT NULL",
	}, {
		Bad:  "SELECT name FROM queens WHERE colour LIKE NULL",
		Good: "SELECT name FROM queens WHERE colour IS NULL",
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT name FROM hives WHERE NULL != moved_on",
		Good:    "SELECT name FROM hives WHERE moved_on IS NOT NULL",
		Near:    []string{"SELECT name FROM hives WHERE moved_on <=> NULL"},
	}, {
		Dialect: dialect.SQLServer,
		Near:    []string{"SELECT moved_on = NULL, name FROM hives"},
	}},
	On: check.Comparisons(runEquals).With(facts.NullSide).And(check.Nodes(runLikeNull)),
}

// runLikeNull tells of a pattern that is NULL.
func runLikeNull(p *check.Pass, n *syntax.Like) {
	if !isNull(n.Pattern) || n.Op > syntax.OpSimilarTo {
		return
	}
	test := "IS NULL"
	if n.Not {
		test = "IS NOT NULL"
	}
	test = p.Word(n.Pattern.Span().Start, test)
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is never true", p.Brief(n)),
		Why:     "NULL is no pattern, and nothing is like it.",
		Mends:   []check.Mend{{Title: "say " + test, Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), p.Text(n.X)+" "+test)}}},
	})
}

func runEquals(p *check.Pass, b *syntax.Binary) {
	if !isNull(b.X) && !isNull(b.Y) {
		return
	}
	if isAssignment(p, b) {
		return // write.set-and tells
	}
	f := check.Finding{
		Span:      b.Span(),
		Certainty: check.Certain,
		Message:   fmt.Sprintf("%s is never true", p.Brief(b)),
		Why:       "Ask IS NULL or IS NOT NULL: a comparison with NULL is never true, not even NULL = NULL.",
	}
	if where, _ := p.Enclosing(b, conditions); where != nil {
		f.Context = where.Span()
	} else if _, item := p.Parent(b).(*syntax.SelectItem); item && p.Dialect == dialect.ANSI {
		f.Certainty = check.Possible // on SQL Server it would name an output column
	}
	value := b.X
	if isNull(b.X) {
		value = b.Y
	}
	switch {
	case isNull(value):
	case b.Op == syntax.OpEqual:
		f.Mends = []check.Mend{isTest(p, b, value, "IS NULL")}
	case b.Op == syntax.OpNotEqual:
		f.Mends = []check.Mend{isTest(p, b, value, "IS NOT NULL")}
	default:
		f.Mends = []check.Mend{{Title: "compare with a value, or ask IS NULL", Effect: check.ByHand}}
	}
	p.Report(f)
}

// isAssignment reports whether an equality stands behind AND in SET, where a comma is
// meant and = assigns.
func isAssignment(p *check.Pass, b *syntax.Binary) bool {
	if b.Op != syntax.OpEqual {
		return false
	}
	around, _ := p.Enclosing(b, noOperators)
	a, ok := around.(*syntax.Assign)
	if !ok {
		return false
	}
	and, ok := a.Value.(*syntax.Binary)
	return ok && and.Op == syntax.OpAnd
}

// noOperators are the nodes in which a chain of operators stands.
var noOperators = syntax.Kinds(syntax.KindAssign, syntax.KindWhere, syntax.KindHaving, syntax.KindJoin, syntax.KindQualify, syntax.KindSelectItem,
	syntax.KindOrderItem, syntax.KindGroupBy, syntax.KindParen, syntax.KindCase, syntax.KindWhen, syntax.KindCall, syntax.KindUnary, syntax.KindIn,
	syntax.KindIs, syntax.KindCast, syntax.KindSubquery, syntax.KindRow, syntax.KindWindow, syntax.KindControl)

var conditions = syntax.Kinds(syntax.KindWhere, syntax.KindHaving, syntax.KindJoin, syntax.KindQualify)

func isNull(x syntax.Expr) bool {
	l, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok && l.Lit == syntax.NullLiteral
}

func isTest(p *check.Pass, b *syntax.Binary, value syntax.Expr, test string) check.Mend {
	// The keyword NULL shows the letter case that the author writes.
	null := b.Y
	if isNull(b.X) {
		null = b.X
	}
	test = p.Word(null.Span().Start, test)
	m := check.Mend{Title: "say " + test, Effect: check.NewRows}
	if value == b.X {
		m.Edits = []text.Edit{check.Replace(text.Span{Start: b.OpSpan.Start, End: b.Y.Span().End}, test)}
	} else {
		m.Edits = []text.Edit{check.Replace(b.Span(), p.Text(value)+" "+test)}
	}
	return m
}
