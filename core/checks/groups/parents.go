package groups

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var countOuterJoin = &check.Check{
	ID:    "group.count-outer-join",
	Title: "parents without children counted as one",
	Doc: "An outer join gives a parent without children one row, with NULLs in the place of the child. COUNT(*) counts that row, and so does COUNT of " +
		"a column of the parent; COUNT of the child's key does not.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT a.name, COUNT(*) AS hives FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name",
		Good: "SELECT a.name, COUNT(h.hive_id) AS hives FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name",
		Near: []string{
			"SELECT a.name, COUNT(h.hive_id) AS hives FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name",
			"SELECT a.name, COUNT(*) AS hives FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name",
			"SELECT h.apiary_id, COUNT(*) AS hives FROM hives AS h LEFT JOIN queens AS q ON q.queen_id = h.queen_id GROUP BY h.apiary_id",
			"SELECT a.name, COUNT(*) AS hives FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id WHERE h.frame_count > 8 GROUP BY a.name",
			"SELECT a.name FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name HAVING COUNT(*) > 1",
		},
	}, {
		Bad:  "SELECT a.name, COUNT(a.apiary_id) AS hives FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name",
		Good: "SELECT a.name, COUNT(h.hive_id) AS hives FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.name",
	}},
	On: check.Nodes(runCountOuterJoin).With(facts.Grouped | facts.Aggregating | facts.Several | facts.Optional),
}

func runCountOuterJoin(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if scope.Natural {
		return
	}
	counted := p.AggregatesOf(sel)
	if !slices.ContainsFunc(counted, func(a facts.Aggregate) bool { return countsAllRows(p, scope, a.Call) && !countsFromTwo(p, a.Call) }) {
		return
	}
	var optional, preserved []*bind.Source
	for _, s := range scope.Sources {
		if s.Optional {
			optional = append(optional, s)
		} else {
			preserved = append(preserved, s)
		}
	}
	if len(optional) == 0 || len(preserved) == 0 {
		return
	}
	keys, ok := p.PlainKeys(sel)
	if !ok {
		return
	}
	for _, k := range keys {
		sources, ok := p.SourcesIn(scope, k)
		if _, literal := syntax.Unparen(k).(*syntax.Literal); literal {
			continue
		}
		for _, s := range sources.Of(scope) {
			ok = ok && !s.Optional
		}
		if !ok {
			return // groups of what is not there are a group of their own
		}
	}
	var children []*bind.Source
	fixed := p.GivenRows(sel, preserved)
	for _, s := range optional {
		if !fixed.Row(s) {
			children = append(children, s)
		}
		if p.IsThere(sel, s) || asksForNone(p, sel, s) {
			return
		}
	}
	if len(children) == 0 || !isKnown(p, children[0]) {
		return
	}
	for _, a := range counted {
		c := a.Call
		if countsAllRows(p, scope, c) && !countsFromTwo(p, c) {
			reportCountOuterJoin(p, sel, c, children)
		}
	}
}

// asksForNone reports whether WHERE keeps the rows that an outer join found nothing
// for: those are what is counted.
func asksForNone(p *check.Pass, sel *syntax.Select, s *bind.Source) bool {
	found := false
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, func(x syntax.Expr) {
			is, ok := syntax.Unparen(x).(*syntax.Is)
			if !ok || is.Test != syntax.IsNull || is.Not {
				return
			}
			n, ok := syntax.Unparen(is.X).(*syntax.Name)
			found = found || ok && p.Use(n).Source == s
		})
	}
	return found
}

// countsAllRows reports whether a call counts rows whatever an outer join found:
// COUNT(*), COUNT(1), COUNT of a preserved column that is never NULL.
func countsAllRows(p *check.Pass, scope *bind.Scope, c *syntax.Call) bool {
	if p.FunctionName(c) != "count" || c.Distinct || c.Filter != nil {
		return false
	}
	if c.Star {
		return true
	}
	if len(c.Args) != 1 {
		return false
	}
	switch x := syntax.Unparen(c.Args[0]).(type) {
	case *syntax.Literal:
		return x.Lit != syntax.NullLiteral
	case *syntax.Name:
		u := p.Use(x)
		return u.Status == bind.Resolved && u.Source.Scope == scope && !u.Source.Optional && len(x.Parts) > 1 && p.Nullable(x) == facts.No
	}
	return false
}

// countsFromTwo reports whether a count is only compared so that one row and none
// make no difference: COUNT(*) > 1.
func countsFromTwo(p *check.Pass, c *syntax.Call) bool {
	b, ok := p.Above(c).(*syntax.Binary)
	if !ok {
		return false
	}
	other, op := b.Y, b.Op
	if syntax.Unparen(b.Y) == syntax.Expr(c) {
		other, op = b.X, op.Flip()
	}
	n, ok := syntax.Unparen(other).(*syntax.Literal)
	if !ok {
		return false
	}
	value, ok := p.Position(n)
	switch op {
	case syntax.OpGreater, syntax.OpLessEqual:
		return ok && value >= 1
	case syntax.OpGreaterEqual, syntax.OpEqual, syntax.OpLess:
		return ok && value >= 2
	}
	return false
}

func reportCountOuterJoin(p *check.Pass, sel *syntax.Select, c *syntax.Call, children []*bind.Source) {
	child := p.SourceName(children[0])
	f := check.Finding{
		Span: c.Span(), Context: sel.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%[1]s gives 1, not 0, where there is no row of %[2]s", p.Brief(c), child),
		Why:     "Count a column of the optional side: the outer join keeps a parent without children as one row.",
		Related: []check.Related{{Span: children[0].Node.Span(), Message: "the optional side of the outer join"}},
	}
	key := keyColumn(p, children[0])
	if len(children) > 1 || key == "" {
		f.Mends = []check.Mend{{Title: "count a column of the optional side that is never NULL", Effect: check.ByHand}}
	} else {
		span := text.Span{Start: c.Name[0].Span.End, End: c.Span().End}
		f.Mends = []check.Mend{{Title: fmt.Sprintf("count %s", key), Effect: check.NewRows, Edits: []text.Edit{check.Replace(span, "("+key+")")}}}
	}
	p.Report(f)
}

var innerLosesParents = &check.Check{
	ID:    "group.inner-loses-parents",
	Title: "a count per parent that leaves out those without children",
	Doc: "An inner join gives no row for a parent without children, so a list of parents with the number of their children has none with zero. An " +
		"outer join keeps them, and COUNT of the child's key gives 0.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT a.apiary_id, a.name, COUNT(*) AS hives FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name",
		Good: "SELECT a.apiary_id, a.name, COUNT(h.hive_id) AS hives FROM apiaries AS a LEFT JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name",
		Near: []string{
			"SELECT a.apiary_id, a.name, COUNT(*) AS hives FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name HAVING COUNT(*) > 2",
			"SELECT a.apiary_id, a.name, COUNT(*) AS hives FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id WHERE h.frame_count > 8 GROUP BY a.apiary_id, a.name",
			"SELECT h.apiary_id, COUNT(*) AS hives FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY h.apiary_id",
			"SELECT a.apiary_id, a.name, MAX(h.frame_count) AS most FROM apiaries AS a JOIN hives AS h ON h.apiary_id = a.apiary_id GROUP BY a.apiary_id, a.name",
		},
	}},
	On: check.Nodes(runInnerLosesParents).With(facts.Grouped | facts.Aggregating | facts.Several),
}

func runInnerLosesParents(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if sel.Having != nil || sel.Where != nil || len(scope.Sources) != 2 || len(sel.From.Tables) != 1 {
		return
	}
	j, ok := sel.From.Tables[0].(*syntax.Join)
	if !ok || j.Type != syntax.InnerJoin || j.On == nil {
		return
	}
	keys, ok := p.PlainKeys(sel)
	if !ok || len(keys) == 0 {
		return
	}
	fixed := p.Given(sel, keys...)
	parent, child := scope.Sources[0], scope.Sources[1]
	if !fixed.Row(parent) {
		parent, child = child, parent
	}
	if !fixed.Row(parent) || fixed.Row(child) || !isKnown(p, child) || !keyedBy(p, keys, parent) {
		return
	}
	for _, a := range p.AggregatesOf(sel) {
		c := a.Call
		item, ok := p.Above(c).(*syntax.SelectItem)
		if !ok || p.FunctionName(c) != "count" {
			continue
		}
		title := fmt.Sprintf("keep them by LEFT JOIN from %s", p.SourceName(parent))
		if key := keyColumn(p, child); key != "" {
			title += ", and count " + key
		}
		p.Report(check.Finding{
			Span: item.Span(), Context: sel.Span(), Certainty: check.Possible,
			Message: fmt.Sprintf("rows of %s without any of %s are left out, not counted 0", p.SourceName(parent), p.SourceName(child)),
			Why:     "The inner join returns no row for them.",
			Related: []check.Related{{Span: j.OpSpan, Message: "an inner join"}},
			Mends:   []check.Mend{{Title: title, Effect: check.ByHand}},
		})
	}
}

// keyedBy reports whether the keys name a key column of the source itself.
func keyedBy(p *check.Pass, keys []syntax.Expr, s *bind.Source) bool {
	for _, k := range keys {
		if n, ok := syntax.Unparen(k).(*syntax.Name); ok && p.Use(n).Source == s && p.Use(n).Status == bind.Resolved && isKey(p, n) {
			return true
		}
	}
	return false
}

var countNullable = &check.Check{
	ID:    "group.count-nullable",
	Title: "a count of rows that leaves out NULLs",
	Doc: "COUNT(column) counts the rows in which the column is not NULL. Where its name says that rows are counted, COUNT(*) is meant, unless the " +
		"column cannot be NULL.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, COUNT(mites) AS inspections FROM inspections GROUP BY hive_id",
		Good: "SELECT hive_id, COUNT(*) AS inspections FROM inspections GROUP BY hive_id",
		Near: []string{
			"SELECT hive_id, COUNT(temper) AS inspections FROM inspections GROUP BY hive_id",
			"SELECT hive_id, COUNT(mites) AS mite_counts FROM inspections GROUP BY hive_id",
			"SELECT hive_id, COUNT(mites) AS inspections FROM inspections WHERE mites IS NOT NULL GROUP BY hive_id",
		},
	}},
	On: check.Nodes(runCountNullable).With(facts.Aliased),
}

func runCountNullable(p *check.Pass, item *syntax.SelectItem) {
	c, ok := item.X.(*syntax.Call)
	if !ok || item.Alias.IsZero() || !p.IsAggregate(c) || p.FunctionName(c) != "count" || c.Distinct || c.Filter != nil || len(c.Args) != 1 {
		return
	}
	name, ok := syntax.Unparen(c.Args[0]).(*syntax.Name)
	if !ok {
		return
	}
	u := p.Use(name)
	if u.Status != bind.Resolved || u.Source.Optional || u.Source.SchemaTable() == nil || p.Nullable(name) != facts.Yes {
		return
	}
	alias, table := p.Names.String(item.Alias.Sym), strings.ToLower(u.Source.SchemaTable().Name)
	switch alias {
	case table, strings.TrimSuffix(table, "s") + "_count", table + "_count", "rows", "row_count", "number_of_" + table, "n_" + table:
	default:
		return
	}
	p.Report(check.Finding{
		Span: c.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("%s leaves out the rows in which %s is NULL", p.Brief(c), p.Brief(name)),
		Why:     fmt.Sprintf("The alias %s says that rows are counted.", p.Ident(item.Alias)),
		Mends: []check.Mend{{Title: "count the rows", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(text.Span{Start: c.Name[0].Span.End, End: c.Span().End}, "(*)")}}},
	})
}
