package logic

import (
	"bytes"
	"fmt"

	"justlens/core/check"
	"justlens/core/syntax"
	"justlens/core/text"
)

var andOr = &check.Check{
	ID:    "logic.and-or",
	Title: "AND and OR side by side without parentheses",
	Doc: "AND binds tighter than OR, whatever the layout says, so a AND b OR c means (a AND b) OR c. Readers often take it the other way; " +
		"where the two sides of the OR are about one column, or share a line, the author most likely did too.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2 OR moved_on IS NULL",
		Good: "SELECT name FROM hives WHERE (apiary_id = 1 AND keeper_id = 2) OR moved_on IS NULL",
		Near: []string{
			"SELECT name FROM hives WHERE apiary_id = 1 AND (keeper_id = 2 OR keeper_id = 3)",
			"SELECT name FROM hives WHERE apiary_id = 1 OR keeper_id BETWEEN 2 AND 3",
			"SELECT name FROM hives WHERE (apiary_id = 1 AND keeper_id = 2) OR (apiary_id = 2 AND keeper_id = 1)",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE apiary_id = 1 AND keeper_id = 2 OR keeper_id = 3",
		Good: "SELECT name FROM hives WHERE apiary_id = 1 AND (keeper_id = 2 OR keeper_id = 3)",
	}, {
		Bad:  "SELECT name FROM hives WHERE keeper_id = 2 OR keeper_id = 3 AND apiary_id = 1",
		Good: "SELECT name FROM hives WHERE (keeper_id = 2 OR keeper_id = 3) AND apiary_id = 1",
	}, {
		Bad:  "SELECT h.name, a.name FROM hives h, apiaries a WHERE h.apiary_id = a.apiary_id AND h.frame_count > 8 OR a.altitude_m > 500",
		Good: "SELECT h.name, a.name FROM hives h, apiaries a WHERE h.apiary_id = a.apiary_id AND (h.frame_count > 8 OR a.altitude_m > 500)",
		Near: []string{"SELECT h.name, a.name FROM hives h, apiaries a WHERE h.apiary_id = a.apiary_id AND (h.frame_count > 8 OR a.altitude_m > 500)"},
	}},
	On: check.Operators(runAndOr, syntax.OpOr),
}

func runAndOr(p *check.Pass, or *syntax.Binary) {
	if above, ok := p.Parent(or).(*syntax.Binary); ok && above.Op == syntax.OpOr {
		return // told at the top of the chain
	}
	if !mixesAnd(or) {
		return
	}
	operands := chain(or, syntax.OpOr)
	var groups []syntax.Expr
	for _, x := range operands {
		if isAnd(x) {
			groups = append(groups, x)
		}
	}
	asRead := check.Mend{Title: "put parentheses as it is read", Effect: check.SameRows}
	for _, g := range groups {
		asRead.Edits = append(asRead.Edits, check.Insert(g.Span().Start, "("), check.Insert(g.Span().End, ")"))
	}
	f := check.Finding{
		Span:      or.Span(),
		Certainty: check.Certain,
		Message:   "AND and OR are mixed without parentheses",
		Why:       fmt.Sprintf("AND binds tighter, so this reads: (%s) %s.", oneLine(p, groups[0]), around(p, operands, groups[0])),
		Mends:     []check.Mend{asRead},
	}
	if meant, reason, ok := otherwise(p, operands, groups); ok {
		f.Certainty = check.Likely
		f.Verdicts = check.Everywhere(check.Wrong)
		f.Message = "AND binds tighter than OR, and another grouping seems to be meant"
		f.Why += " " + reason
		f.Mends = []check.Mend{meant, asRead}
	}
	p.Report(f)
}

// mixesAnd reports whether some operand of a chain of ORs is an AND, not in parentheses.
func mixesAnd(or *syntax.Binary) bool {
	for {
		if right, ok := or.Y.(*syntax.Binary); ok && (right.Op == syntax.OpAnd || right.Op == syntax.OpOr && mixesAnd(right)) {
			return true
		}
		left, ok := or.X.(*syntax.Binary)
		if !ok || left.Op != syntax.OpOr {
			return ok && left.Op == syntax.OpAnd
		}
		or = left
	}
}

// chain lists the operands that an operator joins, unless in parentheses.
func chain(x syntax.Expr, op syntax.Op) (operands []syntax.Expr) {
	syntax.BareOperands(x, op, func(x syntax.Expr, _ *syntax.Binary) { operands = append(operands, x) })
	return operands
}

func isAnd(x syntax.Expr) bool {
	b, ok := x.(*syntax.Binary)
	return ok && b.Op == syntax.OpAnd
}

// around tells what stands beside the group: "OR b", or "behind a OR".
func around(p *check.Pass, operands []syntax.Expr, group syntax.Expr) string {
	for i, x := range operands {
		if x != group {
			continue
		}
		if i+1 < len(operands) {
			return "OR " + oneLine(p, operands[i+1])
		}
		return "as the other side of OR " + oneLine(p, operands[i-1])
	}
	return ""
}

// otherwise tells whether the text speaks for the OR to be worked out first:
// of two operands one is a single condition whose neighbour, at the near end
// of the other's ANDs, tests the same column or shares its line.
func otherwise(p *check.Pass, operands, groups []syntax.Expr) (check.Mend, string, bool) {
	if len(groups) != 1 {
		return check.Mend{}, "", false
	}
	group := chain(groups[0], syntax.OpAnd)
	first, last := operands[0], operands[len(operands)-1]
	var near, beyond, single syntax.Expr
	var span text.Span
	switch groups[0] {
	case first:
		near, beyond, single = group[len(group)-1], group[len(group)-2], operands[1]
		span = text.Span{Start: near.Span().Start, End: last.Span().End}
	case last:
		near, beyond, single = group[0], group[1], operands[len(operands)-2]
		span = text.Span{Start: first.Span().Start, End: near.Span().End}
	default:
		return check.Mend{}, "", false
	}
	reason := ""
	column := subject(near)
	switch {
	case column != nil && p.Same(column, orNil(subject(single))) && apart(near, single):
		return check.Mend{}, "", false
	case column != nil && p.Same(column, orNil(subject(single))) && !p.Same(column, orNil(subject(beyond))):
		reason = fmt.Sprintf("Both sides of the OR test %s, as if they belonged together.", p.Text(column))
	case onOneLine(p, near) && onOneLine(p, single) && sameLine(p, near, single) && !sameLine(p, near, beyond):
		reason = "The layout puts both sides of the OR on one line, as if they belonged together."
	case untied(p, groups[0], single):
		reason = fmt.Sprintf("Only the side with AND ties the sources. Each row that %s takes meets every row of the others.", oneLine(p, single))
	default:
		return check.Mend{}, "", false
	}
	return check.Mend{
		Title:  "put parentheses round the OR",
		Effect: check.NewRows,
		Edits:  []text.Edit{check.Insert(span.Start, "("), check.Insert(span.End, ")")},
	}, reason, true
}

// untied reports whether one side of the OR that is all of WHERE ties all sources, and the other leaves some
// untied. One that tests for NULL takes the rows that belong to all.
func untied(p *check.Pass, group, single syntax.Expr) bool {
	where, below := p.Enclosing(single, syntax.Kinds(syntax.KindWhere))
	if where == nil {
		return false
	}
	sel, ok := p.Parent(where).(*syntax.Select)
	or, all := below.(*syntax.Binary)
	if !ok || !all || or.Op != syntax.OpOr || !or.Span().Contains(group.Span()) || len(p.Scope(sel).Sources) < 2 {
		return false
	}
	if is, ok := syntax.Unparen(single).(*syntax.Is); ok && is.Test == syntax.IsNull {
		return false
	}
	for _, s := range p.Scope(sel).Sources {
		if _, table := s.Node.(*syntax.TableRef); !table || p.Given(sel).Row(s) {
			return false
		}
	}
	together, known := p.TiedBy(sel, group)
	alone, also := p.TiedBy(sel, single)
	named, told := p.NamedIn(p.Scope(sel), single)
	return known && also && told && named != 0 && len(together) == 1 && len(alone) > 1
}

// apart reports whether two conditions on one column speak for being read apart: one of
// them tells the NULLs from what the other one lets through, or stands beside a list that
// would have taken its value, had both been meant alike.
func apart(a, b syntax.Expr) bool {
	isNull := func(x syntax.Expr) bool {
		is, ok := syntax.Unparen(x).(*syntax.Is)
		return ok && is.Test == syntax.IsNull
	}
	isList := func(x syntax.Expr) bool {
		in, ok := syntax.Unparen(x).(*syntax.In)
		return ok && in.Query == nil && !in.Not
	}
	isEqual := func(x syntax.Expr) bool {
		b, ok := syntax.Unparen(x).(*syntax.Binary)
		return ok && b.Op == syntax.OpEqual
	}
	return isNull(a) && isNull(b) || isList(a) && (isEqual(b) || isList(b)) || isEqual(a) && isList(b)
}

func onOneLine(p *check.Pass, x syntax.Expr) bool {
	return !bytes.ContainsAny(p.Src[x.Span().Start:x.Span().End], "\r\n")
}

func orNil(n *syntax.Name) syntax.Expr {
	if n == nil {
		return nil
	}
	return n
}

// subject gives the column that a condition tests, nil if it is not plain.
func subject(x syntax.Expr) *syntax.Name {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Binary:
		if x.Op.IsComparison() {
			if n, ok := x.X.(*syntax.Name); ok {
				return n
			}
		}
	case *syntax.Like:
		n, _ := x.X.(*syntax.Name)
		return n
	case *syntax.In:
		n, _ := x.X.(*syntax.Name)
		return n
	case *syntax.Between:
		n, _ := x.X.(*syntax.Name)
		return n
	case *syntax.Is:
		n, _ := x.X.(*syntax.Name)
		return n
	}
	return nil
}

// sameLine reports whether no line ends between two conditions.
func sameLine(p *check.Pass, a, b syntax.Expr) bool {
	from, to := a.Span().End, b.Span().Start
	if from > to {
		from, to = b.Span().End, a.Span().Start
	}
	if from > to {
		return true // one is empty where the text could not be read
	}
	return !bytes.ContainsAny(p.Src[from:to], "\r\n")
}

// oneLine gives an expression for a sentence, its middle cut where it is long.
func oneLine(p *check.Pass, x syntax.Expr) string {
	const most = 64
	words := []rune(string(bytes.Join(bytes.Fields([]byte(p.Text(x))), []byte(" "))))
	if len(words) <= most {
		return string(words)
	}
	return string(words[:most/2]) + " … " + string(words[len(words)-most/2:])
}
