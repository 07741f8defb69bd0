package logic

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/reason"
	"justlens/core/syntax"
	"justlens/core/text"
)

var alwaysFalse = &check.Check{
	ID:    "logic.always-false",
	Title: "condition that no row can meet",
	Doc: "The conditions contradict each other: no value of the column meets them all, so no row ever comes out. Often an AND should be an OR, or two " +
		"bounds are exchanged. WHERE 1 = 0 in CREATE TABLE AS, which copies a structure, is left alone.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE apiary_id = 1 AND apiary_id = 2",
		Good: "SELECT name FROM hives WHERE apiary_id IN (1, 2)",
		Near: []string{
			"SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2",
			"SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2",
			"SELECT h.name FROM hives h JOIN hives i ON h.apiary_id = 1 AND i.apiary_id = 2",
			"CREATE TABLE empty_hives AS SELECT * FROM hives WHERE 1 = 0",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE frame_count > 10 AND frame_count < 5",
		Good: "SELECT name FROM hives WHERE frame_count > 5 AND frame_count < 10",
		Near: []string{"SELECT name FROM hives WHERE frame_count > 5 AND frame_count < 10"},
	}, {
		Bad:  "SELECT hive_id FROM harvests WHERE weight_kg IS NULL AND weight_kg > 3",
		Good: "SELECT hive_id FROM harvests WHERE weight_kg IS NULL OR weight_kg > 3",
	}},
	On: check.Clauses(runAlwaysFalse).With(facts.Decidable),
}

func runAlwaysFalse(p *check.Pass, c *facts.Clause) {
	if len(c.Conjuncts.Operands) > facts.LongChain {
		return
	}
	if f, found := contradiction(p, c.Conjuncts, c.Name); found {
		if !copiesStructure(p, c, f.Span) {
			p.Report(f)
		}
		return
	}
	for i := range c.Chains {
		if chain := &c.Chains[i]; chain != c.Conjuncts && chain.Op == syntax.OpAnd && len(chain.Operands) <= facts.LongChain {
			if f, found := contradiction(p, chain, part); found && !copiesStructure(p, c, f.Span) {
				p.Report(f)
			}
		}
	}
}

// part is what a chain within a condition is called.
const part = "this part"

// contradiction tells of the first conditions of a chain of ANDs that exclude each
// other, or one that nothing meets.
func contradiction(p *check.Pass, chain *facts.Chain, clause string) (f check.Finding, found bool) {
	so := "so no row is ever returned"
	if clause == part {
		so = "so this part of the condition is never true"
	}
	for i := range chain.Operands {
		c := &chain.Operands[i]
		if c.Subject == nil && len(chain.Operands) > 1 && reason.Constant(p.Info, c.X) == reason.False {
			return check.Finding{
				Span: c.X.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("%s is never true, and so is all that AND joins with it", p.Brief(c.X)),
				Why:     fmt.Sprintf("%s lets no row through.", clause),
			}, true
		}
		if !c.Related {
			continue
		}
		q, ok := p.PredicateOf(c)
		if !ok {
			continue
		}
		column := p.Text(q.Subject)
		if q.NeverTrue() {
			if b, ok := syntax.Unparen(c.X).(*syntax.Between); ok && !b.Not {
				return f, false // range.reversed tells
			}
			return check.Finding{
				Span: c.X.Span(), Certainty: check.Certain,
				Message: p.Brief(c.X) + " is never true",
				Why:     fmt.Sprintf("No %s meets it, %s.", column, so),
				Mends:   []check.Mend{{Title: "say which values are meant: OR where either may hold", Effect: check.ByHand}},
			}, true
		}
		for k := range i {
			earlier := &chain.Operands[k]
			if !earlier.Related {
				continue
			}
			if before, ok := p.PredicateOf(earlier); !ok || !before.Excludes(p.Info, q) {
				continue
			}
			return check.Finding{
				Span: c.X.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("no %s meets both %s and %s", column, p.Brief(earlier.X), p.Brief(c.X)),
				Why:     fmt.Sprintf("No value meets both conditions, %s.", so),
				Related: []check.Related{{Span: earlier.X.Span(), Message: "this excludes it"}},
				Mends:   []check.Mend{{Title: "join them by OR, or correct one of them", Effect: check.ByHand}},
			}, true
		}
	}
	return f, false
}

var alwaysTrue = &check.Check{
	ID:    "logic.always-true",
	Title: "condition that every row meets",
	Doc: "The parts of an OR cover every value of the column, so the condition keeps no row out but those where the column is NULL. a <> 1 OR a <> 2 " +
		"is the usual form: every value differs from one of the two.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE apiary_id <> 1 OR apiary_id <> 2",
		Good: "SELECT name FROM hives WHERE apiary_id <> 1 AND apiary_id <> 2",
		Near: []string{
			"SELECT name FROM hives WHERE apiary_id <> 1 AND apiary_id <> 2",
			"SELECT name FROM hives WHERE apiary_id <> 1 OR keeper_id <> 2",
			"SELECT name FROM hives WHERE frame_count < 5 OR frame_count > 10",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE frame_count > 5 OR frame_count < 10",
		Good: "SELECT name FROM hives WHERE frame_count > 5 AND frame_count < 10",
	}},
	On: check.Clauses(runAlwaysTrue).With(facts.Related),
}

func runAlwaysTrue(p *check.Pass, c *facts.Clause) {
	for i := range c.Chains {
		if chain := &c.Chains[i]; chain.Op == syntax.OpOr && chain.Related && comparesTwice(chain.Operands) {
			tautology(p, chain.Operands)
		}
	}
}

// tautology reports the first two operands of a chain of ORs of which every value meets
// one.
func tautology(p *check.Pass, operands []facts.Condition) {
	for i := range operands {
		c := &operands[i]
		if !c.Related {
			continue
		}
		q, ok := p.PredicateOf(c)
		if !ok {
			continue
		}
		for k := range i {
			earlier := &operands[k]
			if !earlier.Related {
				continue
			}
			before, ok := p.PredicateOf(earlier)
			if !ok {
				continue
			}
			both, ok := before.Or(p.Info, q)
			if !ok || !both.AlwaysTrue(true) {
				continue
			}
			if both.AlwaysTrue(false) {
				return // x IS NULL OR x IS NOT NULL: meant as a filter that can be switched off
			}
			column := p.Brief(q.Subject)
			p.Report(check.Finding{
				Span: earlier.X.Span().Join(c.X.Span()), Certainty: check.Certain,
				Message: fmt.Sprintf("every %s meets %s or %s", column, p.Brief(earlier.X), p.Brief(c.X)),
				Why:     fmt.Sprintf("Every value meets one of the two, so only rows where %s is NULL are left out.", column),
				Mends:   []check.Mend{{Title: "join them by AND, or correct one of them", Effect: check.ByHand}},
			})
			return
		}
	}
}

// comparesTwice reports whether two operands or more ask for values: a test for NULL
// beside one comparison leaves other values out.
func comparesTwice(operands []facts.Condition) bool {
	n := 0
	for i := range operands {
		if is, ok := syntax.Unparen(operands[i].X).(*syntax.Is); !ok || is.Not || is.Test != syntax.IsNull {
			n++
		}
	}
	return n > 1
}

var chainedComparison = &check.Check{
	ID:    "logic.chained-comparison",
	Title: "comparison of a comparison",
	Doc: "1 < x < 10 compares x with 1, and the outcome, true or false, with 10. PostgreSQL, Oracle and SQL Server refuse it; where truth values are " +
		"numbers, as on MySQL, MariaDB and SQLite, it is nearly always true.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE 5 < frame_count < 10",
		Good: "SELECT name FROM hives WHERE 5 < frame_count AND frame_count < 10",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count BETWEEN 5 AND 10",
			"SELECT name FROM hives WHERE 5 < frame_count AND frame_count < 10",
			"SELECT name FROM hives WHERE (frame_count > 5) = (keeper_id > 3)",
		},
	}},
	On: check.Comparisons(runChained).With(facts.NestedLeft),
}

// mostLinks is how many comparisons of one chain a mend takes apart.
const mostLinks = 50

// runChained tells of a chain once, where it begins.
func runChained(p *check.Pass, outer *syntax.Binary) {
	inner, ok := outer.X.(*syntax.Binary)
	if !ok || !inner.Op.IsComparison() || isTruth(outer.Y) {
		return
	}
	if first, longer := inner.X.(*syntax.Binary); longer && first.Op.IsComparison() && !isTruth(inner.Y) {
		return
	}
	and := " " + p.Word(outer.Span().Start, "AND") + " "
	var edits []text.Edit
	whole := outer
	for link := outer; link != nil && link.Op.IsComparison() && !isTruth(link.Y) && len(edits) < mostLinks; {
		edits = append(edits, check.Insert(link.X.Span().End, and+p.Text(link.X.(*syntax.Binary).Y)))
		whole = link
		link, _ = p.Parent(link).(*syntax.Binary)
		if link != nil && link.X != syntax.Expr(whole) {
			break
		}
	}
	message := fmt.Sprintf("%s is compared with %s after it became true or false", p.Brief(inner), p.Brief(outer.Y))
	p.Report(check.Finding{
		Span: whole.Span(), Certainty: check.Certain, Message: message,
		Why:   "Join two comparisons by AND; the second one here compares true or false.",
		Mends: []check.Mend{{Title: "compare each pair, joined by AND", Effect: check.NewRows, Edits: edits}},
	})
}

// isTruth reports whether an expression is a truth value itself.
func isTruth(x syntax.Expr) bool {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		return n.Lit == syntax.TrueLiteral || n.Lit == syntax.FalseLiteral
	case *syntax.Binary:
		return n.Op.IsComparison() || n.Op == syntax.OpAnd || n.Op == syntax.OpOr
	case *syntax.Is, *syntax.Between, *syntax.In, *syntax.Like, *syntax.Exists:
		return true
	}
	return false
}

var bareValue = &check.Check{
	ID:    "logic.bare-value",
	Title: "value where a condition is expected",
	Doc: "status = 'a' OR 'b' asks whether status is 'a', or whether 'b'. PostgreSQL, SQL Server and Oracle refuse it. Where any value can be a " +
		"condition, a number other than 0 is true for every row, and a text counts as 0 on MySQL, MariaDB and SQLite, so that part finds nothing.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM queens WHERE colour = 'red' OR 'blue'",
		Good: "SELECT name FROM queens WHERE colour = 'red' OR colour = 'blue'",
		Near: []string{"SELECT name FROM queens WHERE colour IN ('red', 'blue')", "SELECT name FROM queens WHERE colour = 'red' OR colour = 'blue'"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE apiary_id = 1 OR 2",
		Good:    "SELECT name FROM hives WHERE apiary_id = 1 OR apiary_id = 2",
		Near:    []string{"SELECT name FROM hives WHERE 1 AND apiary_id = 2"},
	}},
	On: check.Operators(runBareValue, syntax.OpAnd, syntax.OpOr).With(facts.LiteralSide),
}

func runBareValue(p *check.Pass, b *syntax.Binary) {
	lit, ok := syntax.Unparen(b.Y).(*syntax.Literal)
	if !ok || lit.Lit != syntax.NumberLiteral && lit.Lit != syntax.TextLiteral {
		return
	}
	f := check.Finding{
		Span: b.Y.Span(), Context: b.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s stands by itself behind %s", p.Brief(b.Y), string(p.Src[b.OpSpan.Start:b.OpSpan.End])),
		Why:     "It is not compared with anything; each side of AND and OR must be a condition of its own.",
	}
	left := syntax.Unparen(b.X)
	if inner, ok := left.(*syntax.Binary); ok && inner.Op == b.Op {
		left = syntax.Unparen(inner.Y)
	}
	if c, ok := left.(*syntax.Binary); ok && c.Op.IsComparison() {
		if _, column := syntax.Unparen(c.X).(*syntax.Name); column {
			f.Mends = []check.Mend{{Title: "compare it, too", Effect: check.NewRows,
				Edits: check.Before(b.Y.Span(), p.Text(c.X)+" "+string(p.Src[c.OpSpan.Start:c.OpSpan.End])+" ")}}
		}
	}
	p.Report(f)
}

// sameColumn gives the column that an equality compares with a constant.
func sameColumn(p *check.Pass, x syntax.Expr) (column syntax.Expr, constant syntax.Expr) {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual {
		return nil, nil
	}
	left, right := syntax.Unparen(b.X), syntax.Unparen(b.Y)
	if isPlainConstant(left) {
		left, right = right, left
	}
	n, ok := left.(*syntax.Name)
	if !ok || !isPlainConstant(right) {
		return nil, nil
	}
	if u := p.Use(n); u.Status != bind.Resolved && u.Status != bind.Assumed && u.Status != bind.Unclear && u.Status != bind.Variable {
		return nil, nil
	}
	return n, right
}

func isPlainConstant(x syntax.Expr) bool {
	switch n := x.(type) {
	case *syntax.Literal:
		return n.Lit == syntax.NumberLiteral || n.Lit == syntax.TextLiteral
	case *syntax.TypedLiteral, *syntax.Param:
		return true
	}
	return false
}
