package nulls

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var inequalityDrops = &check.Check{
	ID:    "null.inequality-drops",
	Title: "a negated condition that drops rows with NULL",
	Doc: "For a row in which the column is NULL, \"not this value\" is unknown, so WHERE leaves the row out together with those that have the value. " +
		"Who asks for all the others most often means these rows, too. A query that mentions the NULLs of the column elsewhere is taken to know.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE queen_id <> 3",
		Good: "SELECT name FROM hives WHERE (queen_id <> 3 OR queen_id IS NULL)",
		Near: []string{
			"SELECT name FROM hives WHERE keeper_id <> 3",
			"SELECT name FROM hives WHERE queen_id <> 3 OR queen_id IS NULL",
			"SELECT name FROM hives WHERE queen_id <> 3 AND queen_id IS NOT NULL",
			"SELECT name FROM hives WHERE queen_id > 1 AND queen_id <> 3",
			"SELECT name FROM hives WHERE queen_id = 3",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE apiary_id = 1 AND queen_id NOT IN (3, 4)",
		Good: "SELECT name FROM hives WHERE apiary_id = 1 AND (queen_id NOT IN (3, 4) OR queen_id IS NULL)",
	}, {
		Bad:  "SELECT name FROM hives WHERE NOT queen_id = 3",
		Good: "SELECT name FROM hives WHERE (NOT queen_id = 3 OR queen_id IS NULL)",
		Near: []string{
			"SELECT name FROM hives WHERE NOT keeper_id = 3",
			"SELECT name FROM hives WHERE NOT (queen_id = 3 AND keeper_id = 4)",
		},
	}, {
		Bad: "SELECT name FROM hives WHERE NOT (keeper_id = 3 OR queen_id IN (3, 4))",
	}},
	On: check.Clauses(runInequalityDrops).With(facts.Negated),
}

func runInequalityDrops(p *check.Pass, clause *facts.Clause) {
	where, ok := clause.Node.(*syntax.Where)
	operands := clause.Conjuncts.Operands
	if !ok || len(operands) > longChain {
		return
	}
	for i := range operands {
		c := operands[i].X
		column, alone := refused(p, c)
		if column == nil || p.Use(column).Status != bind.Resolved || p.Use(column).Source.Optional || p.Nullable(column) != facts.Yes {
			continue
		}
		if slices.ContainsFunc(operands, func(other facts.Condition) bool { return other.X != c && mentions(p, other.X, column) }) {
			continue
		}
		if sel, ok := p.Parent(where).(*syntax.Select); ok && p.OthersReject(sel, column, c) {
			continue
		}
		mend := check.Mend{Title: fmt.Sprintf("say what is to become of rows where %s is NULL", p.Brief(column)), Effect: check.ByHand}
		if like := where.Span().Start; alone {
			test := fmt.Sprintf(" %s %s %s)", p.Word(like, "OR"), p.Text(column), p.Word(like, "IS NULL"))
			mend = check.Mend{Title: fmt.Sprintf("also keep rows where %s is NULL", p.Brief(column)), Effect: check.NewRows, Edits: []text.Edit{
				check.Insert(c.Span().Start, "("), check.Insert(c.Span().End, test)}}
		}
		p.Report(check.Finding{
			Span: c.Span(), Context: where.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("rows where %s is NULL are left out as well", p.Brief(column)),
			Why:     "For NULL the condition is neither true nor false, and only rows for which it is true are kept.",
			Mends:   []check.Mend{mend},
		})
	}
}

// longChain is a number of conditions up to which each is compared with each.
const longChain = 64

// refused gives the column of which a condition refuses some constants, and whether it asks of that
// column alone; of several the first that may be NULL.
func refused(p *check.Pass, c syntax.Expr) (column *syntax.Name, alone bool) {
	not, ok := syntax.Unparen(c).(*syntax.Unary)
	if !ok || not.Op != syntax.OpNot {
		return constrained(c, true), true
	}
	var first *syntax.Name
	alone = true
	syntax.Operands(not.X, syntax.OpOr, func(x syntax.Expr, before *syntax.Binary) {
		name := constrained(x, false)
		if before == nil {
			first = name
		}
		alone = alone && name != nil && first != nil && p.Same(name, first)
		if column == nil && name != nil && p.Use(name).Status == bind.Resolved && p.Nullable(name) == facts.Yes {
			column = name
		}
	})
	return column, alone
}

// constrained gives the column of a condition that asks for some constants, or, if not is set, refuses them.
func constrained(c syntax.Expr, not bool) *syntax.Name {
	equal := syntax.OpEqual
	if not {
		equal = syntax.OpNotEqual
	}
	var x syntax.Expr
	switch c := syntax.Unparen(c).(type) {
	case *syntax.Binary:
		if column, op, value := c.Turned(); op == equal && syntax.IsGiven(value) {
			x = column
		}
	case *syntax.In:
		if c.Not == not && c.Query == nil && allGiven(c.List) {
			x = c.X
		}
	case *syntax.Like:
		if c.Not == not && syntax.IsGiven(c.Pattern) {
			x = c.X
		}
	case *syntax.Between:
		if c.Not == not && syntax.IsGiven(c.Low) && syntax.IsGiven(c.High) {
			x = c.X
		}
	}
	name, _ := x.(*syntax.Name)
	return name
}

func allGiven(list []syntax.Expr) bool {
	return len(list) > 0 && !slices.ContainsFunc(list, func(x syntax.Expr) bool { return !syntax.IsGiven(x) })
}

// mentions reports whether a condition uses a column.
func mentions(p *check.Pass, x syntax.Expr, column *syntax.Name) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok && p.Same(name, column) {
			found = true
		}
		return !found
	})
	return found
}
