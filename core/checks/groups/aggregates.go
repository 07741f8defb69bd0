package groups

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var countElse = &check.Check{
	ID:    "group.count-else",
	Title: "COUNT of something that is never NULL",
	Doc: "COUNT(x) counts the rows in which x is not NULL. CASE … ELSE 0 END is 0 where it should not count, and 0 is not NULL; a comparison is " +
		"false, and false is not NULL. So every row is counted.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT COUNT(CASE WHEN mites > 3 THEN 1 ELSE 0 END) FROM inspections",
		Good: "SELECT COUNT(CASE WHEN mites > 3 THEN 1 END) FROM inspections",
		Near: []string{
			"SELECT COUNT(CASE WHEN mites > 3 THEN 1 END) FROM inspections",
			"SELECT COUNT(CASE WHEN mites > 3 THEN 1 ELSE NULL END) FROM inspections",
			"SELECT SUM(CASE WHEN mites > 3 THEN 1 ELSE 0 END) FROM inspections",
			"SELECT COUNT(DISTINCT CASE WHEN mites > 3 THEN hive_id ELSE 0 END) FROM inspections",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT COUNT(temper > 3) FROM inspections",
		Good:    "SELECT SUM(temper > 3) FROM inspections",
		Near:    []string{"SELECT COUNT(mites > 3 OR NULL) FROM inspections"},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT COUNT(IF(mites > 3, 1, 0)) FROM inspections",
		Good:    "SELECT COUNT(IF(mites > 3, 1, NULL)) FROM inspections",
		Near:    []string{"SELECT SUM(IF(mites > 3, 1, 0)) FROM inspections"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT COUNT(mites > 3 AND temper > 2) FROM inspections",
		Good:    "SELECT COUNT(CASE WHEN mites > 3 AND temper > 2 THEN 1 END) FROM inspections",
	}},
	On: check.Calls(runCountElse, "count"),
}

func runCountElse(p *check.Pass, c *syntax.Call) {
	if len(c.Args) != 1 || c.Distinct || len(c.Name) != 1 {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Certain}
	switch x := syntax.Unparen(c.Args[0]).(type) {
	case *syntax.Case:
		if x.Else == nil {
			return
		}
		lit, ok := syntax.Unparen(x.Else).(*syntax.Literal)
		if !ok || lit.Lit != syntax.NumberLiteral && lit.Lit != syntax.FalseLiteral && lit.Lit != syntax.TextLiteral {
			return
		}
		for _, w := range x.Whens {
			if l, ok := syntax.Unparen(w.Then).(*syntax.Literal); !ok || l.Lit == syntax.NullLiteral {
				return
			}
		}
		f.Message = fmt.Sprintf("COUNT counts the rows of ELSE %s, too", p.Brief(lit))
		f.Why = fmt.Sprintf("COUNT leaves out only NULL, and %s is not NULL, so every row is counted.", p.Brief(lit))
		f.Mends = []check.Mend{{Title: "drop ELSE", Effect: check.NewRows,
			Edits: p.Remove(text.Span{Start: x.Whens[len(x.Whens)-1].Span().End, End: x.Else.Span().End})}}
	case *syntax.Call:
		if name := p.FunctionName(x); name != "if" && name != "iif" || len(x.Args) != 3 || !syntax.IsGiven(x.Args[1]) || !syntax.IsGiven(x.Args[2]) {
			return
		}
		other := x.Args[2]
		f.Message = fmt.Sprintf("COUNT counts the rows that get %s, too", p.Brief(other))
		f.Why = fmt.Sprintf("COUNT leaves out only NULL, and %s is not NULL, so every row is counted.", p.Brief(other))
		f.Mends = []check.Mend{{Title: "give NULL instead", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(other.Span(), p.Word(c.Span().Start, "NULL"))}}}
	default:
		if !countsWhatIsFalse(p, x) {
			return
		}
		f.Certainty = check.Likely
		f.Message = fmt.Sprintf("COUNT counts the rows in which %s is false, too", p.Brief(x))
		f.Why = "COUNT leaves out only NULL, and false is not NULL."
		name := c.Name[0].Span
		if p.Dialect.Has(dialect.ExecutedComments) || p.Dialect == dialect.SQLite {
			f.Mends = []check.Mend{{Title: "add up instead", Effect: check.NewRows, Edits: []text.Edit{check.Replace(name, p.Word(name.Start, "SUM"))}}}
		} else {
			counted := fmt.Sprintf("%s %s %s 1 %s", p.Word(name.Start, "CASE WHEN"), p.Text(x), p.Word(name.Start, "THEN"), p.Word(name.Start, "END"))
			f.Mends = []check.Mend{{Title: "count the rows in which it is true", Effect: check.NewRows,
				Edits: []text.Edit{check.Replace(c.Args[0].Span(), counted)}}}
		}
	}
	p.Report(f)
}

// countsWhatIsFalse reports whether a condition is false, not NULL, for the rows that it is to
// leave out. One that ends in OR NULL is written to be counted.
func countsWhatIsFalse(p *check.Pass, x syntax.Expr) bool {
	if !syntax.IsCondition(x) || conditionIsNoValue.Has(p.Dialect) {
		return false
	}
	found := true
	syntax.Operands(x, syntax.OpOr, func(x syntax.Expr, _ *syntax.Binary) {
		if l, ok := syntax.Unparen(x).(*syntax.Literal); ok && l.Lit == syntax.NullLiteral {
			found = false
		}
	})
	return found
}

// conditionIsNoValue are the dialects that refuse to count a condition, as logic.condition-as-value tells.
var conditionIsNoValue = dialect.In(dialect.SQLServer)

var havingZero = &check.Check{
	ID:    "group.having-zero",
	Title: "groups without rows",
	Doc: "A group is made of the rows that fall into it, so none has zero of them: HAVING COUNT(*) = 0 finds nothing. Parents without children are " +
		"found by an outer join, or by NOT EXISTS.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) = 0",
		Good: "SELECT hive_id FROM hives h WHERE NOT EXISTS (SELECT 1 FROM harvests g WHERE g.hive_id = h.hive_id)",
		Near: []string{
			"SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(moisture) = 0",
			"SELECT COUNT(*) FROM harvests HAVING COUNT(*) = 0",
			"SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) < 2",
		},
	}, {
		Bad:  "SELECT hive_id FROM harvests GROUP BY hive_id HAVING COUNT(*) < 1 AND MAX(weight_kg) > 3",
		Good: "SELECT hive_id FROM harvests GROUP BY hive_id HAVING MAX(weight_kg) > 3",
	}},
	On: check.Nodes(func(p *check.Pass, h *syntax.Having) {
		sel, ok := p.Parent(h).(*syntax.Select)
		if !ok || sel.GroupBy == nil || len(sel.GroupBy.Items) == 0 || sel.GroupBy.Sets {
			return
		}
		syntax.Conjuncts(h.Cond, func(x syntax.Expr) {
			b, ok := syntax.Unparen(x).(*syntax.Binary)
			if !ok {
				return
			}
			counted, op, value := b.Turned()
			c, ok := syntax.Unparen(counted).(*syntax.Call)
			if !ok || p.FunctionName(c) != "count" || !c.Star || c.Over != nil || c.Filter != nil {
				return
			}
			number := p.Text(value)
			if !(number == "0" && (op == syntax.OpEqual || op == syntax.OpLessEqual) || number == "1" && op == syntax.OpLess) {
				return
			}
			p.Report(check.Finding{
				Span: b.Span(), Context: h.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("no group meets %s", p.Brief(b)),
				Why:     "Every group has at least one row, so no group is ever returned.",
				Mends:   []check.Mend{{Title: "ask the parents, by NOT EXISTS or an outer join", Effect: check.ByHand}},
			})
		})
	}),
}

var distinctInSum = &check.Check{
	ID:    "group.distinct-in-sum",
	Title: "SUM or AVG of distinct values",
	Doc: "Two rows with the same value are two things that happen to weigh the same; DISTINCT takes them for one, and the sum loses one of them. It " +
		"is often put there to hide that a join repeats rows.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, SUM(DISTINCT weight_kg) FROM harvests GROUP BY hive_id",
		Good: "SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id",
		Near: []string{"SELECT SUM(DISTINCT harvest_id) FROM harvests", "SELECT SUM(weight_kg), COUNT(DISTINCT hive_id) FROM harvests", "SELECT COUNT(DISTINCT hive_id) FROM harvests", "SELECT SUM(weight_kg) FROM harvests"},
	}},
	On: check.Distincts(func(p *check.Pass, c *syntax.Call) {
		if len(c.Args) != 1 || tellsRowsApart(p, c) {
			return
		}
		p.Report(check.Finding{
			Span: c.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("equal values of %s count once only", p.Brief(c.Args[0])),
			Why:     "DISTINCT drops equal values, though they come from different rows.",
			Mends:   []check.Mend{dropDistinct(c, check.NewRows)},
		})
	}, "sum", "avg"),
}

// tellsRowsApart reports whether no two rows of a group have the same argument of an aggregate.
func tellsRowsApart(p *check.Pass, c *syntax.Call) bool {
	sel := p.SelectOf(c)
	if sel == nil || c.Over != nil {
		return false
	}
	keys, ok := []syntax.Expr{}, true
	if sel.GroupBy != nil {
		keys, ok = p.PlainKeys(sel)
	}
	return ok && p.GivenRows(sel, nil, append(slices.Clone(keys), c.Args[0])...).Rows()
}

var distinctInMinMax = &check.Check{
	ID:       "group.distinct-in-minmax",
	Title:    "DISTINCT inside MIN or MAX",
	Doc:      "The least of some values is the least of the different ones, too: DISTINCT says nothing there, and some databases sort for it.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT MAX(DISTINCT weight_kg) FROM harvests",
		Good: "SELECT MAX(weight_kg) FROM harvests",
		Near: []string{"SELECT COUNT(DISTINCT weight_kg) FROM harvests", "SELECT DISTINCT MAX(weight_kg) FROM harvests GROUP BY hive_id", "SELECT MAX(weight_kg) FROM harvests"},
	}},
	On: check.Distincts(func(p *check.Pass, c *syntax.Call) {
		if len(c.Args) != 1 {
			return
		}
		p.Report(check.Finding{
			Span: c.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("DISTINCT changes nothing in %s", p.FunctionText(c)),
			Why:     "The smallest and the greatest value do not depend on how often a value occurs.",
			Mends:   []check.Mend{dropDistinct(c, check.SameRows)},
		})
	}, "min", "max"),
}

// dropDistinct takes DISTINCT out of an aggregate of one argument.
func dropDistinct(c *syntax.Call, effect check.Effect) check.Mend {
	before := text.Span{Start: c.Name[0].Span.End, End: c.Args[0].Span().Start}
	return check.Mend{Title: "drop DISTINCT", Effect: effect, Edits: []text.Edit{check.Replace(before, "(")}}
}

var countDistinctStar = &check.Check{
	ID:       "group.count-distinct-star",
	Title:    "COUNT(DISTINCT *)",
	Doc:      "COUNT takes DISTINCT of an expression, not of whole rows. Rows are told apart by their key, or in a derived table with DISTINCT.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.Spark)),
	Examples: []check.Example{{
		Bad:  "SELECT COUNT(DISTINCT *) FROM hives",
		Good: "SELECT COUNT(DISTINCT hive_id) FROM hives",
		Near: []string{"SELECT COUNT(DISTINCT hive_id) FROM hives", "SELECT COUNT(*) FROM hives", "SELECT COUNT(*) FROM (SELECT DISTINCT name, apiary_id FROM hives) AS d"},
	}},
	On: check.Distincts(func(p *check.Pass, c *syntax.Call) {
		if c.Star {
			p.Report(check.Finding{
				Span: c.Span(), Certainty: check.Certain,
				Message: "COUNT(DISTINCT *) is not SQL",
				Why:     "Name the column to count inside DISTINCT.",
				Mends:   []check.Mend{{Title: "count the distinct keys, or count the rows of SELECT DISTINCT in a derived table", Effect: check.ByHand}},
			})
		}
	}, "count"),
}

var repeatedKey = &check.Check{
	ID:    "group.repeated-key",
	Title: "the same key twice",
	Doc: "The same expression twice in GROUP BY or ORDER BY says nothing the second time; often another column was meant. SQL Server " +
		"refuses it in ORDER BY.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id, apiary_id",
		Good: "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id",
		Near: []string{"SELECT name FROM hives ORDER BY name, hive_id", "SELECT apiary_id, keeper_id, COUNT(*) FROM hives GROUP BY apiary_id, keeper_id"},
	}, {
		Bad:  "SELECT name FROM hives ORDER BY name, frame_count, name DESC",
		Good: "SELECT name FROM hives ORDER BY name, frame_count",
		Near: []string{"SELECT name FROM hives ORDER BY name, frame_count"},
	}},
	On: check.Kinds(runRepeatedKey, syntax.KindGroupBy, syntax.KindOrderBy),
}

func runRepeatedKey(p *check.Pass, n syntax.Node) {
	var count int
	var key func(i int) (x syntax.Expr, item syntax.Node)
	verdicts := p.Check.Verdicts
	switch n := n.(type) {
	case *syntax.GroupBy:
		if n.Sets {
			return
		}
		count = len(n.Items)
		key = func(i int) (syntax.Expr, syntax.Node) { return n.Items[i], n.Items[i] }
	case *syntax.OrderBy:
		if _, ok := p.Parent(n).(*syntax.Query); ok {
			verdicts = verdicts.But(check.Refused, dialect.In(dialect.SQLServer))
		}
		count = len(n.Items)
		key = func(i int) (syntax.Expr, syntax.Node) { return n.Items[i].X, n.Items[i] }
	}
	if count > 30 {
		return
	}
	for i := range count {
		x, item := key(i)
		for k := range i {
			y, first := key(k)
			if !p.Same(x, y) || mayVary(x) {
				continue
			}
			_, before := key(i - 1)
			p.Report(check.Finding{
				Span: item.Span(), Certainty: check.Certain, Verdicts: verdicts,
				Message: fmt.Sprintf("%s comes twice", p.Brief(x)),
				Why:     "The second one changes nothing.",
				Related: []check.Related{{Span: first.Span(), Message: "the first of them"}},
				Mends: []check.Mend{{Title: "drop it", Effect: check.SameRows,
					Edits: p.Remove(text.Span{Start: before.Span().End, End: item.Span().End})}},
			})
			return
		}
	}
}

// mayVary reports whether an expression may have another value each time it
// is written: a call, a query, a nameless placeholder.
func mayVary(x syntax.Expr) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n.(type) {
		case *syntax.Call, *syntax.Query, *syntax.Param:
			found = true
		}
		return !found
	})
	return found
}

var withoutAggregate = &check.Check{
	ID:    "group.without-aggregate",
	Title: "GROUP BY with nothing to group for",
	Doc: "Without any aggregate GROUP BY only makes equal rows one, which is what DISTINCT says. A reader looks for the aggregate that was " +
		"forgotten.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT apiary_id, keeper_id FROM hives GROUP BY apiary_id, keeper_id",
		Good: "SELECT DISTINCT apiary_id, keeper_id FROM hives",
		Near: []string{
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id",
			"SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) > 1",
			"SELECT apiary_id FROM hives GROUP BY apiary_id ORDER BY MAX(frame_count)",
			"SELECT apiary_id FROM hives GROUP BY apiary_id, keeper_id",
		},
	}},
	On: check.Nodes(runWithoutAggregate),
}

// ordersByOutputs reports whether ORDER BY asks for columns of the list only, as DISTINCT
// wants it.
func ordersByOutputs(p *check.Pass, sel *syntax.Select, o *syntax.OrderBy) bool {
	for _, key := range o.Items {
		if n, ok := syntax.Unparen(key.X).(*syntax.Name); ok && p.Use(n).Status == bind.OutputAlias {
			continue
		}
		if !slices.ContainsFunc(sel.Items, func(item *syntax.SelectItem) bool { return p.Same(item.X, key.X) }) {
			return false
		}
	}
	return true
}

func runWithoutAggregate(p *check.Pass, g *syntax.GroupBy) {
	sel, ok := p.Parent(g).(*syntax.Select)
	if !ok || g.Sets || g.All || sel.Having != nil || sel.Distinct || len(sel.Items) != len(g.Items) {
		return
	}
	q := p.OwnQuery(sel)
	if q == nil || q.OrderBy != nil && !ordersByOutputs(p, sel, q.OrderBy) {
		return
	}
	switch p.Parent(q).(type) {
	case *syntax.In, *syntax.Exists, *syntax.Quantified:
		return // there DISTINCT says as little
	}
	for i, item := range sel.Items {
		if call, ok := syntax.Unparen(item.X).(*syntax.Call); !p.Same(item.X, g.Items[i]) || mayVary(item.X) || ok && p.MayAggregate(call) {
			return
		}
	}
	if sel.Where != nil && p.AggregateIn(sel.Where) != nil {
		return // clause.aggregate-in-where tells
	}
	word, first, ok := p.FirstTokens(sel)
	if !ok || first.Span.Start != sel.Items[0].Span().Start || sel.Items[0].Span().Start >= g.Span().Start {
		return
	}
	p.Report(check.Finding{
		Span: g.Span(), Context: sel.Span(), Certainty: check.Certain,
		Message: "GROUP BY without an aggregate only drops repeated rows",
		Why:     "SELECT DISTINCT says the same in one word.",
		Mends: []check.Mend{{Title: "say DISTINCT", Effect: check.SameRows,
			Edits: append([]text.Edit{check.Insert(first.Span.Start, p.Word(word.Span.Start, "DISTINCT")+" ")}, p.RemoveClause(g)...)}},
	})
}
