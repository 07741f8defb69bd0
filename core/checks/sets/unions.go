package sets

import (
	"fmt"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/syntax"
	"justlens/core/text"
)

// mostBranches is how many branches of a set operation are held against each other.
const mostBranches = 20

// branchesOf lists the branches of a chain of unions that are SELECTs; ok is false where some is
// something else, or they are very many.
func branchesOf(body syntax.Body, list []*syntax.Select) (branches []*syntax.Select, ok bool) {
	switch b := body.(type) {
	case *syntax.Select:
		return append(list, b), len(list) < mostBranches
	case *syntax.ParenQuery:
		if b.Query.OrderBy == nil && b.Query.Limit == nil && b.Query.With == nil {
			return branchesOf(b.Query.Body, list)
		}
	case *syntax.SetOp:
		if b.Op != syntax.Union {
			return list, false
		}
		if list, ok = branchesOf(b.Left, list); !ok {
			return list, false
		}
		return branchesOf(b.Right, list)
	}
	return list, false
}

// isTop reports whether a set operation is no branch of another.
func isTop(p *check.Pass, op *syntax.SetOp) bool {
	_, within := p.Parent(op).(*syntax.SetOp)
	return !within
}

// hasUnion reports whether a chain holds UNION, with or without ALL.
func hasUnion(body syntax.Body, all bool) bool {
	op, ok := body.(*syntax.SetOp)
	return ok && (op.Op == syntax.Union && op.All == all || hasUnion(op.Left, all) || hasUnion(op.Right, all))
}

var needlessDedup = &check.Check{
	ID:    "set.needless-dedup",
	Title: "UNION of branches that cannot share a row",
	Doc: "UNION compares all rows of all branches to drop those that come twice. Where a constant tells the branches apart, and a key the rows of each, there are none. UNION ALL gives the same rows without the " +
		"sort.",
	Verdicts: check.Everywhere(check.Slow),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT 'hive' AS kind, hive_id AS id FROM hives UNION SELECT 'queen' AS kind, queen_id FROM queens",
		Good: "SELECT 'hive' AS kind, hive_id AS id FROM hives UNION ALL SELECT 'queen' AS kind, queen_id FROM queens",
		Near: []string{
			"SELECT hive_id AS id FROM hives UNION SELECT queen_id FROM queens",
			"SELECT 'hive' AS kind, name FROM hives UNION SELECT 'queen' AS kind, name FROM queens",
			"SELECT 'hive' AS kind, hive_id AS id FROM hives UNION ALL SELECT 'queen' AS kind, queen_id FROM queens",
			"SELECT 'hive' AS kind, hive_id AS id FROM hives UNION SELECT 'hive' AS kind, queen_id FROM queens",
		},
	}},
	On: check.Nodes(runNeedlessDedup),
}

func runNeedlessDedup(p *check.Pass, op *syntax.SetOp) {
	if op.Op != syntax.Union || op.All || !isTop(p, op) {
		return
	}
	branches, ok := branchesOf(op, nil)
	if !ok || !constantsDiffer(p, branches) {
		return
	}
	reads := false
	for _, b := range branches {
		if !p.RowsApart(b) {
			return
		}
		reads = reads || b.From != nil
	}
	if !reads {
		return // a few constants
	}
	f := check.Finding{Span: op.OpSpan, Context: op.Span(), Certainty: check.Certain,
		Message: "no row can come twice here, so UNION drops none",
		Why:     "A constant tells the branches apart, and a key the rows of each.",
	}
	f.Mends = []check.Mend{{Title: "say UNION ALL", Effect: check.SameRows, Edits: allEdits(p, op)}}
	p.Report(f)
}

// constantsDiffer reports whether some column is another constant in each branch.
func constantsDiffer(p *check.Pass, branches []*syntax.Select) bool {
	for i := range branches[0].Items {
		seen := map[string]bool{}
		for _, b := range branches {
			if i >= len(b.Items) {
				break
			}
			l, ok := syntax.Unparen(b.Items[i].X).(*syntax.Literal)
			if !ok || l.Lit != syntax.TextLiteral && l.Lit != syntax.NumberLiteral {
				break
			}
			seen[strings.ToLower(strings.TrimRight(p.Text(l), " '"))] = true
		}
		if len(seen) == len(branches) {
			return true
		}
	}
	return false
}

var overlap = &check.Check{
	ID:       "set.overlap",
	Title:    "UNION ALL of branches that take the same rows",
	Doc:      "UNION ALL keeps a row of each branch that has it. Where two branches read one table and their ranges meet in a bound, the rows on the bound come twice, and are counted twice.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad: "SELECT hive_id, weight_kg FROM harvests WHERE weight_kg <= 10 UNION ALL SELECT hive_id, weight_kg FROM harvests WHERE weight_kg >= 10",
		Near: []string{
			"SELECT hive_id, weight_kg FROM harvests WHERE weight_kg < 10 UNION ALL SELECT hive_id, weight_kg FROM harvests WHERE weight_kg >= 10",
			"SELECT hive_id, weight_kg FROM harvests WHERE weight_kg <= 10 UNION SELECT hive_id, weight_kg FROM harvests WHERE weight_kg >= 10",
			"SELECT hive_id, 'low' AS kind FROM harvests WHERE weight_kg <= 10 UNION ALL SELECT hive_id, 'wet' AS kind FROM harvests WHERE weight_kg >= 10",
			"SELECT hive_id, weight_kg FROM harvests WHERE weight_kg <= 10 UNION ALL SELECT hive_id, weight_kg FROM harvests WHERE moisture >= 10",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE frame_count > 8 UNION ALL SELECT name FROM hives WHERE frame_count > 8",
		Good: "SELECT name FROM hives WHERE frame_count > 8",
	}},
	On: check.Nodes(runOverlap),
}

func runOverlap(p *check.Pass, op *syntax.SetOp) {
	if op.Op != syntax.Union || !op.All {
		return
	}
	left, ok := lastBranch(op.Left)
	right, also := op.Right.(*syntax.Select)
	if !ok || !also || left.From == nil || right.From == nil || left.Where == nil || right.Where == nil {
		return
	}
	if left.GroupBy != nil || right.GroupBy != nil || !alikeText(p, list(left), list(right)) || !alikeText(p, left.From.Span(), right.From.Span()) {
		return
	}
	f := check.Finding{Span: right.Where.Span(), Context: op.Span(), Certainty: check.Likely,
		Related: []check.Related{{Span: left.Where.Span(), Message: "the branch before"}}}
	if alikeText(p, left.Where.Span(), right.Where.Span()) {
		f.Message = "both branches are the same, so each row comes twice"
		f.Why = "UNION ALL keeps the rows of both."
		f.Mends = []check.Mend{{Title: "write the condition that is meant in the second", Effect: check.ByHand}}
		p.Report(f)
		return
	}
	a, known := spanOf(p, left.Where.Cond)
	b, as := spanOf(p, right.Where.Cond)
	if !known || !as || a.column != b.column || !a.meets(b) {
		return
	}
	f.Message = "rows that meet both conditions come twice"
	f.Why = "The ranges of the two branches overlap, and UNION ALL keeps the rows of both."
	f.Mends = []check.Mend{{Title: "let one range begin where the other ends, with < and >=", Effect: check.ByHand}}
	p.Report(f)
}

func lastBranch(body syntax.Body) (*syntax.Select, bool) {
	if op, ok := body.(*syntax.SetOp); ok {
		body = op.Right
	}
	sel, ok := body.(*syntax.Select)
	return sel, ok
}

// list gives the text of a select list, empty for one that has no columns.
func list(sel *syntax.Select) text.Span {
	if len(sel.Items) == 0 {
		return text.Span{Start: sel.Span().Start, End: sel.Span().Start}
	}
	return sel.Items[0].Span().Join(sel.Items[len(sel.Items)-1].Span())
}

// alikeText reports whether two parts of a text are written alike but for blanks and letter case.
func alikeText(p *check.Pass, a, b text.Span) bool {
	x, y := p.Src[a.Start:a.End], p.Src[b.Start:b.End]
	for len(x) > 0 && len(y) > 0 {
		c, n := letter(x)
		d, m := letter(y)
		if c != d {
			return false
		}
		x, y = x[n:], y[m:]
	}
	return len(x) == 0 && len(y) == 0
}

// letter gives the first byte of a text in small letters, and how many it takes; blanks in a row
// are one.
func letter(s []byte) (c byte, n int) {
	for n < len(s) && (s[n] == ' ' || s[n] == '\t' || s[n] == '\n' || s[n] == '\r') {
		n++
	}
	if n > 0 {
		return ' ', n
	}
	if c = s[0]; 'A' <= c && c <= 'Z' {
		c += 'a' - 'A'
	}
	return c, 1
}

// numbers is a range of a column.
type numbers struct {
	column    string
	low, high float64
	lowIn     bool // the bounds belong to it
	highIn    bool
}

const far = 1e300

// meets reports whether two ranges have a value in common, and neither lies within the other, which
// may be meant.
func (a numbers) meets(b numbers) bool {
	if a.low > b.low {
		a, b = b, a
	}
	if a.low == b.low || a.high >= b.high {
		return false
	}
	return b.low < a.high || b.low == a.high && a.highIn && b.lowIn
}

// spanOf reads a condition that is a range of one column.
func spanOf(p *check.Pass, cond syntax.Expr) (numbers, bool) {
	switch n := syntax.Unparen(cond).(type) {
	case *syntax.Between:
		low, ok := valueOf(p, n.Low)
		high, also := valueOf(p, n.High)
		return numbers{strings.ToLower(p.Text(n.X)), low, high, true, true}, ok && also && !n.Not
	case *syntax.Binary:
		column, op, value := n.Turned()
		v, ok := valueOf(p, value)
		if !ok {
			return numbers{}, false
		}
		r := numbers{column: strings.ToLower(p.Text(column)), low: -far, high: far}
		switch op {
		case syntax.OpLess:
			r.high = v
		case syntax.OpLessEqual:
			r.high, r.highIn = v, true
		case syntax.OpGreater:
			r.low = v
		case syntax.OpGreaterEqual:
			r.low, r.lowIn = v, true
		default:
			return r, false
		}
		return r, true
	}
	return numbers{}, false
}

// valueOf reads a constant number or day.
func valueOf(p *check.Pass, x syntax.Expr) (float64, bool) {
	if day, _, ok := p.DayOf(x); ok {
		return float64(day.Unix()), true
	}
	l, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || l.Lit != syntax.NumberLiteral {
		return 0, false
	}
	v, err := strconv.ParseFloat(p.Text(l), 64)
	return v, err == nil
}

var columnOrder = &check.Check{
	ID:    "set.column-order",
	Title: "branches that give the same columns in another order",
	Doc: "A set operation puts columns below each other by their place, not by their names. Where a branch gives the same names in another order, its values land in the wrong columns, and as long as the types fit, nobody " +
		"complains.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name, village FROM keepers UNION ALL SELECT village, name FROM buyers",
		Good: "SELECT name, village FROM keepers UNION ALL SELECT name, village FROM buyers",
		Near: []string{
			"SELECT name, village FROM keepers UNION ALL SELECT name, village FROM buyers",
			"SELECT name, village FROM keepers UNION ALL SELECT village, village FROM buyers",
			"SELECT name AS a, village AS b FROM keepers UNION ALL SELECT village AS a, name AS b FROM buyers",
		},
	}},
	On: check.Nodes(runColumnOrder),
}

func runColumnOrder(p *check.Pass, op *syntax.SetOp) {
	left, ok := lastBranch(op.Left)
	right, also := op.Right.(*syntax.Select)
	if !ok || !also || len(left.Items) != len(right.Items) || len(left.Items) > 60 {
		return
	}
	name := func(item *syntax.SelectItem) syntax.Sym {
		if !item.Alias.IsZero() {
			return item.Alias.Sym
		}
		if n, ok := item.X.(*syntax.Name); ok {
			return n.Last().Sym
		}
		return 0
	}
	for i := range left.Items {
		for k := i + 1; k < len(left.Items); k++ {
			a, b := name(left.Items[i]), name(left.Items[k])
			if a == 0 || b == 0 || a == b || name(right.Items[i]) != b || name(right.Items[k]) != a {
				continue
			}
			p.Report(check.Finding{Span: right.Items[i].Span(), Context: op.Span(), Certainty: check.Likely,
				Message: fmt.Sprintf("%s stands below %s, and %s below %s", p.Brief(right.Items[i]), p.Brief(left.Items[i]), p.Brief(right.Items[k]), p.Brief(left.Items[k])),
				Why:     "A set operation goes by the place of a column; its name does not count.",
				Related: []check.Related{{Span: left.Items[i].Span(), Message: "above it"}, {Span: right.Items[k].Span(), Message: "exchanged with this"}},
				Mends:   []check.Mend{{Title: "give them in the order of the branch before", Effect: check.NewRows, Edits: p.Swap(right.Items[i], right.Items[k])}},
			})
			return
		}
	}
}

var star = &check.Check{
	ID:    "set.star",
	Title: "* in a branch of a set operation",
	Doc: "All branches must give as many columns, of types that fit, in the same order. With a star that hangs on the tables: a column that is added to one of them breaks the query, and one that is moved puts values below " +
		"others.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		NoSchema: true,
		Bad:      "SELECT h.* FROM hives h WHERE h.frame_count > 8 UNION ALL SELECT o.* FROM hives o JOIN apiaries a ON a.apiary_id = o.apiary_id",
		Near: []string{
			"SELECT hive_id, name FROM hives UNION ALL SELECT queen_id, name FROM queens",
			"SELECT * FROM hives WHERE frame_count > 8 UNION ALL SELECT * FROM hives WHERE frame_count < 3",
			"SELECT COUNT(*) FROM hives UNION ALL SELECT COUNT(*) FROM queens",
		},
	}},
	On: check.Nodes(runStar),
}

func runStar(p *check.Pass, op *syntax.SetOp) {
	if !isTop(p, op) {
		return
	}
	var f check.Finding
	for at := op; at != nil; at, _ = at.Left.(*syntax.SetOp) {
		star := looseStar(p, at)
		switch {
		case star == nil:
		case f.Message != "" && len(f.Related) < 5:
			f.Related = append(f.Related, check.Related{Span: f.Span, Message: "here, too"})
			f.Span = star.Span()
		case f.Message == "":
			f = check.Finding{Span: star.Span(), Context: op.Span(), Certainty: check.Likely,
				Message: "the branches fit as long as their tables have the same columns in the same order",
				Why:     "A column that is added or moved breaks the query, or puts values below others.",
				Mends:   []check.Mend{{Title: "name the columns in each branch", Effect: check.ByHand}},
			}
		}
	}
	if f.Message != "" {
		p.Report(f)
	}
}

// looseStar gives a star of two neighbouring branches that hangs on other tables than the other's.
func looseStar(p *check.Pass, op *syntax.SetOp) *syntax.Star {
	left, ok := lastBranch(op.Left)
	right, also := op.Right.(*syntax.Select)
	if !ok || !also {
		return nil
	}
	x, y := starOf(left), starOf(right)
	if x == nil && y == nil {
		return nil
	}
	if a, known := p.Width(left); known {
		if b, as := p.Width(right); as && a != b {
			return nil // set.column-count tells
		}
	}
	if left.From != nil && right.From != nil && alikeText(p, left.From.Span(), right.From.Span()) || listed(p, left, x) && listed(p, right, y) {
		return nil // both are of one table, or of queries that list their columns
	}
	if y == nil {
		return x
	}
	return y
}

func starOf(sel *syntax.Select) *syntax.Star {
	for _, item := range sel.Items {
		if s, ok := item.X.(*syntax.Star); ok {
			return s
		}
	}
	return nil
}

// listed reports whether a branch has no star, or one of queries only, which list their columns.
func listed(p *check.Pass, sel *syntax.Select, s *syntax.Star) bool {
	if s == nil {
		return true
	}
	for _, source := range p.Scope(sel).Sources {
		if source.Query == nil {
			return false
		}
	}
	return true
}

var mixed = &check.Check{
	ID:    "set.mixed",
	Title: "set operations mixed without parentheses",
	Doc: "UNION behind UNION ALL drops the rows that come twice in all that stands before it, too, and UNION ALL behind UNION keeps them. INTERSECT comes before UNION and EXCEPT, but on Oracle before version 21 and SQLite " +
		"all are read from left to right. Parentheses say what is meant.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives UNION ALL SELECT name FROM queens UNION SELECT name FROM keepers",
		Near: []string{
			"SELECT name FROM hives UNION ALL SELECT name FROM queens UNION ALL SELECT name FROM keepers",
			"SELECT name FROM hives UNION SELECT name FROM queens UNION SELECT name FROM keepers",
			"SELECT name FROM hives UNION SELECT name FROM (SELECT name FROM queens UNION ALL SELECT name FROM keepers) AS q",
		},
	}, {
		Bad: "SELECT name FROM hives UNION SELECT name FROM queens INTERSECT SELECT name FROM keepers",
	}},
	On: check.Nodes(runMixed),
}

func runMixed(p *check.Pass, op *syntax.SetOp) {
	if !isTop(p, op) {
		return
	}
	for at := op; ; {
		left, isLeft := at.Left.(*syntax.SetOp)
		right, isRight := at.Right.(*syntax.SetOp)
		inner := left
		if !isLeft {
			inner = right
		}
		if !isLeft && !isRight {
			return
		}
		f := check.Finding{Span: at.OpSpan, Context: op.Span(), Certainty: check.Certain,
			Related: []check.Related{{Span: inner.OpSpan, Message: "and here"}},
			Mends:   []check.Mend{{Title: "put parentheses round what belongs together", Effect: check.ByHand}},
		}
		switch {
		case at.Op == syntax.Union && inner.Op == syntax.Union && at.All != inner.All:
			f.Message = "UNION and UNION ALL are mixed"
			f.Why = "UNION drops the rows that come twice in all that stands before it."
			if at.All {
				f.Why = "The rows before UNION ALL come once, those behind it as often as they are there."
			}
			p.Report(f)
			return
		case (at.Op == syntax.Intersect) != (inner.Op == syntax.Intersect):
			f.Message = "INTERSECT is mixed with another set operation"
			f.Why = "Most databases work INTERSECT out first, SQLite and older Oracle read from left to right."
			p.Report(f)
			return
		}
		if !isLeft {
			return
		}
		at = left
	}
}

var oneTable = &check.Check{
	ID:    "set.one-table",
	Title: "branches that differ in WHERE only",
	Doc: "Branches over one table that differ only in their condition read the table once for each. One query with OR reads it once. Two branches may be meant where each is served by an index of its own, so it is told on " +
		"request.",
	Verdicts:  check.Everywhere(check.Slow),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE frame_count > 8 UNION SELECT name FROM hives WHERE moved_on IS NULL",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count > 8 UNION SELECT name FROM queens WHERE bred_in = 2025",
			"SELECT name, 'many' AS kind FROM hives WHERE frame_count > 8 UNION SELECT name, 'still' AS kind FROM hives WHERE moved_on IS NULL",
			"SELECT name FROM hives WHERE frame_count > 8 OR moved_on IS NULL",
		},
	}},
	On: check.Nodes(runOneTable),
}

func runOneTable(p *check.Pass, op *syntax.SetOp) {
	left, ok := lastBranch(op.Left)
	right, also := op.Right.(*syntax.Select)
	if !ok || !also || op.Op != syntax.Union || !p.Wants(check.Possible) || left.Where == nil || right.Where == nil || left.From == nil || right.From == nil || left.GroupBy != nil || right.GroupBy != nil ||
		!alikeText(p, list(left), list(right)) || !alikeText(p, left.From.Span(), right.From.Span()) || alikeText(p, left.Where.Span(), right.Where.Span()) {
		return
	}
	p.Report(check.Finding{Span: op.OpSpan, Context: op.Span(), Certainty: check.Possible,
		Message: "both branches read the same, and differ in WHERE only",
		Why:     "The table is read once for each branch.",
		Mends:   []check.Mend{{Title: "write one query, with the conditions joined by OR", Effect: check.ByHand}},
	})
}

var dedupBeforeAggregate = &check.Check{
	ID:       "set.dedup-before-aggregate",
	Title:    "UNION whose result is added up",
	Doc:      "UNION drops rows that are alike before SUM, COUNT or AVG see them. Two harvests of the same weight are then one. UNION ALL keeps them.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT SUM(x.kg) AS kg FROM (SELECT weight_kg AS kg FROM harvests WHERE taken_on < '2026-01-01' UNION SELECT weight_kg FROM harvests WHERE taken_on >= '2026-01-01') AS x",
		Good: "SELECT SUM(x.kg) AS kg FROM (SELECT weight_kg AS kg FROM harvests WHERE taken_on < '2026-01-01' UNION ALL SELECT weight_kg FROM harvests WHERE taken_on >= '2026-01-01') AS x",
		Near: []string{
			"SELECT SUM(x.kg) AS kg FROM (SELECT weight_kg AS kg FROM harvests UNION ALL SELECT weight_kg FROM harvests) AS x",
			"SELECT SUM(x.kg) AS kg FROM (SELECT harvest_id, weight_kg AS kg FROM harvests WHERE hive_id = 1 UNION SELECT harvest_id, weight_kg FROM harvests WHERE moisture > 18) AS x",
			"SELECT MAX(x.kg) AS kg FROM (SELECT weight_kg AS kg FROM harvests UNION SELECT moisture FROM harvests) AS x",
			"SELECT COUNT(*) AS names FROM (SELECT name FROM hives UNION SELECT name FROM queens) AS x",
		},
	}},
	On: check.Aggregates(runDedupBeforeAggregate, "sum", "avg"),
}

func runDedupBeforeAggregate(p *check.Pass, c *syntax.Call) {
	sel := p.SelectOf(c)
	if sel == nil || c.Distinct || len(c.Args) != 1 || p.Scope(sel) == nil || len(p.Scope(sel).Sources) != 1 {
		return
	}
	source := p.Scope(sel).Sources[0]
	if source.Query == nil {
		return
	}
	op, ok := source.Query.Body.(*syntax.SetOp)
	if !ok || op.Op != syntax.Union || op.All || hasUnion(op, true) {
		return
	}
	branches, ok := branchesOf(op, nil)
	if !ok || constantsDiffer(p, branches) {
		return
	}
	certainty := check.Likely
	for _, b := range branches {
		if p.RowsApart(b) {
			return // a key keeps the rows of a branch apart, and one that both have is to come once
		}
		if len(b.Items) > 2 || !isSimple(p, b) {
			certainty = check.Possible
		}
	}
	p.Report(check.Finding{Span: op.OpSpan, Context: source.Node.Span(), Certainty: certainty,
		Message: fmt.Sprintf("rows that are alike are dropped before %s adds them up", p.Brief(c)),
		Why:     "UNION keeps one of several rows that agree in all columns.",
		Related: []check.Related{{Span: c.Span(), Message: "added up here"}},
		Mends:   []check.Mend{{Title: "say UNION ALL", Effect: check.NewRows, Edits: allEdits(p, op)}},
	})
}

// isSimple reports whether a branch gives columns and nothing worked out.
func isSimple(p *check.Pass, sel *syntax.Select) bool {
	return sel.GroupBy == nil && !p.Aggregates(sel) && starOf(sel) == nil
}

func allEdits(p *check.Pass, op *syntax.SetOp) (edits []text.Edit) {
	for at := syntax.Body(op); ; {
		union, ok := at.(*syntax.SetOp)
		if !ok {
			return edits
		}
		if !union.All {
			edits = append(edits, check.Insert(union.OpSpan.End, " "+p.Word(union.OpSpan.Start, "ALL")))
		}
		at = union.Left
	}
}
