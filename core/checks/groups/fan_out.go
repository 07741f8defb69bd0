package groups

import (
	"fmt"
	"math/bits"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var fanOut = &check.Check{
	ID:    "group.fan-out",
	Title: "values added up once for every row they are joined to",
	Doc: "A join gives a row for each pair that meets. Where one row of a table meets several of another, its values come several times, and SUM, " +
		"AVG and COUNT take them all. Two lists that hang on one parent multiply each other in the same way. Aggregate before the join, in a " +
		"derived table.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT SUM(h.frame_count) AS frames FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id",
		Good: "SELECT SUM(h.frame_count) AS frames FROM hives AS h WHERE EXISTS (SELECT 1 FROM harvests AS g WHERE g.hive_id = h.hive_id)",
		Near: []string{
			"SELECT SUM(g.weight_kg) AS kg FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id",
			"SELECT MAX(h.frame_count) AS most FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id",
			"SELECT SUM(h.frame_count) AS frames FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.apiary_id",
			"SELECT g.harvest_id, SUM(h.frame_count) AS frames FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY g.harvest_id",
			"SELECT COUNT(*) AS harvests FROM hives AS h JOIN harvests AS g ON g.hive_id = h.hive_id",
		},
	}, {
		Bad: "SELECT h.hive_id, SUM(g.weight_kg) AS kg, COUNT(DISTINCT i.inspection_id) AS visits FROM hives AS h LEFT JOIN harvests AS g ON g.hive_id = h.hive_id " +
			"LEFT JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.hive_id",
		Near: []string{
			"SELECT h.hive_id, SUM(g.weight_kg) AS kg FROM hives AS h LEFT JOIN harvests AS g ON g.hive_id = h.hive_id LEFT JOIN queens AS q ON q.queen_id = h.queen_id GROUP BY h.hive_id",
		},
	}, {
		Bad:  "SELECT h.apiary_id, COUNT(h.hive_id) AS hives FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.apiary_id",
		Good: "SELECT h.apiary_id, COUNT(DISTINCT h.hive_id) AS hives FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.apiary_id",
	}, {
		Bad: "SELECT h.hive_id, COUNT(i.inspection_id) AS visits FROM hives AS h LEFT JOIN inspections AS i ON i.hive_id = h.hive_id " +
			"LEFT JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.hive_id",
		Good: "SELECT h.hive_id, COUNT(DISTINCT i.inspection_id) AS visits FROM hives AS h LEFT JOIN inspections AS i ON i.hive_id = h.hive_id " +
			"LEFT JOIN harvests AS g ON g.hive_id = h.hive_id GROUP BY h.hive_id",
	}},
	On: check.Nodes(runFanOut).With(facts.Aggregating | facts.Several),
}

func runFanOut(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if scope.Natural || sel.Reshaped || len(scope.Sources) > facts.MaxSources {
		return
	}
	var keys []syntax.Expr
	var tied []ties
	asked, told := false, false
	var room [2]fan
	known := room[:0]
	for _, a := range p.AggregatesOf(sel) {
		c := a.Call
		name := p.FunctionName(c)
		if c.Distinct || len(c.Args) != 1 || name != "sum" && name != "avg" && name != "count" {
			continue
		}
		sources, ok := p.SourcesIn(scope, c.Args[0])
		if !ok || sources == 0 || bits.OnesCount64(uint64(sources)) == len(scope.Sources) {
			continue
		}
		if slices.ContainsFunc(scope.Sources, func(s *bind.Source) bool { return sources.Has(s) && !isKnown(p, s) }) {
			continue
		}
		if !asked {
			keys, told = p.PlainKeys(sel)
			asked = true
		}
		if !told {
			continue
		}
		i := slices.IndexFunc(known, func(f fan) bool { return f.sources == sources })
		if i < 0 {
			i = len(known)
			known = append(known, fanOf(p, sel, sources, keys, &tied))
		}
		reportFanOut(p, sel, c, known[i])
	}
}

// fan tells what a row of some sources is joined to several rows of.
type fan struct {
	sources   facts.SourceSet
	many      *bind.Source // nil if there is none
	certainty check.Certainty
}

// fanOf looks at what rows of some sources are joined to. The ties of all sources are worked out
// once for all aggregates of a query, when first needed.
func fanOf(p *check.Pass, sel *syntax.Select, sources facts.SourceSet, keys []syntax.Expr, tied *[]ties) fan {
	fixed := p.GivenRows(sel, sources.Of(p.Scope(sel)), keys...)
	f := fan{sources: sources, certainty: check.Likely}
	for i, s := range p.Scope(sel).Sources {
		if fixed.Row(s) {
			continue
		}
		if *tied == nil {
			*tied = tiesOf(p, sel, p.Scope(sel).Sources)
		}
		t := (*tied)[i]
		if !isKnown(p, s) || !t.equal || t.other {
			f.certainty = check.Possible // a condition may pick one row of several
		}
		if f.many == nil {
			f.many = s
		}
	}
	return f
}

func reportFanOut(p *check.Pass, sel *syntax.Select, c *syntax.Call, fan fan) {
	many := fan.many
	if many == nil || many.Optional && sel.GroupBy != nil && countsAllRows(p, p.Scope(sel), c) {
		return // of COUNT over an outer join group.count-outer-join tells
	}
	var names []string
	for _, s := range fan.sources.Of(p.Scope(sel)) {
		names = append(names, p.SourceName(s))
	}
	name, argument := p.FunctionName(c), c.Args[0]
	f := check.Finding{
		Span: c.Span(), Context: sel.Span(), Certainty: fan.certainty,
		Message: fmt.Sprintf("the join with %s repeats rows of %s, so %s counts them more than once", p.SourceName(many), strings.Join(names, " and "), p.Brief(c)),
		Why:     fmt.Sprintf("A row of %s that meets three rows of %s is taken three times.", names[0], p.SourceName(many)),
		Related: []check.Related{{Span: many.Node.Span(), Message: "this table repeats them"}},
		Mends: []check.Mend{{Title: fmt.Sprintf("aggregate %s before the join, in a derived table of one row for each key", p.SourceName(many)),
			Effect: check.ByHand}},
	}
	if name == "count" {
		key, isName := syntax.Unparen(argument).(*syntax.Name)
		if !isName || !isKey(p, key) {
			f.Certainty = check.Possible // it may be meant to count the pairs
		} else {
			f.Mends = slices.Insert(f.Mends, 0, check.Mend{Title: "count each of them once", Effect: check.NewRows,
				Edits: []text.Edit{check.Insert(argument.Span().Start, p.Word(c.Span().Start, "DISTINCT")+" ")}})
		}
	}
	p.Report(f)
}

// isKey reports whether a column alone tells the rows of its table apart.
func isKey(p *check.Pass, n *syntax.Name) bool {
	u := p.Use(n)
	t := u.Source.SchemaTable()
	return t != nil && u.Column.Index >= 0 && t.IsUnique([]int{u.Column.Index})
}
