package rows

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var distinctNeedless = &check.Check{
	ID:    "rows.distinct-needless",
	Title: "DISTINCT over rows that differ anyway",
	Doc: "DISTINCT compares all rows with each other to drop those that are alike. Where a key is among the columns, or GROUP BY has made one row of each group, there are none. " +
		"It costs a sort or a hash, and hides from the reader that each row comes once.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		NoSchema: true,
		Bad:      "SELECT DISTINCT apiary_id, COUNT(*) AS hives FROM hives GROUP BY apiary_id",
		Good:     "SELECT apiary_id, COUNT(*) AS hives FROM hives GROUP BY apiary_id",
		Near: []string{
			"SELECT DISTINCT COUNT(*) AS hives FROM hives GROUP BY apiary_id",
			"SELECT DISTINCT apiary_id FROM hives",
			"SELECT COUNT(DISTINCT apiary_id) AS apiaries FROM hives",
		},
	}, {
		Bad:  "SELECT DISTINCT hive_id, name FROM hives",
		Good: "SELECT hive_id, name FROM hives",
		Near: []string{
			"SELECT DISTINCT name FROM hives",
			"SELECT DISTINCT h.hive_id, g.taken_on FROM hives h JOIN harvests g ON g.hive_id = h.hive_id",
		},
	}},
	On: check.Nodes(runDistinctNeedless).With(facts.Distinct),
}

func runDistinctNeedless(p *check.Pass, sel *syntax.Select) {
	if !sel.Distinct || len(sel.DistinctOn) > 0 || sel.Reshaped || sel.From == nil || sel.GroupBy != nil && (sel.GroupBy.Sets || sel.GroupBy.All) {
		return
	}
	var xs []syntax.Expr
	var whole []*bind.Source
	for _, item := range sel.Items {
		star, ok := item.X.(*syntax.Star)
		if !ok {
			if mayRepeat(p, item.X) {
				return
			}
			xs = append(xs, item.X)
			continue
		}
		for _, s := range p.Scope(sel).Sources {
			if len(star.Qualifier) == 0 || star.Qualifier[len(star.Qualifier)-1].Sym == s.Name.Sym {
				whole = append(whole, s)
			}
		}
	}
	why := "A key of the table is among the columns."
	switch {
	case sel.GroupBy != nil:
		fixed := p.GivenRows(sel, whole, xs...)
		if slices.ContainsFunc(sel.GroupBy.Items, func(key syntax.Expr) bool {
			key = p.KeyMeant(sel, key)
			return !slices.ContainsFunc(xs, func(x syntax.Expr) bool { return p.Same(x, key) }) && !fixed.Value(key)
		}) {
			return
		}
		why = "GROUP BY gives one row for each group, and all it groups by is in the list."
	case p.Aggregates(sel):
		why = "An aggregate without GROUP BY gives one row."
	default:
		for _, s := range whole {
			if t := s.SchemaTable(); t == nil || len(t.Keys) == 0 {
				return // a whole row may come twice
			}
		}
		if !p.GivenRows(sel, whole, xs...).Rows() {
			return
		}
	}
	distinct, ok := p.DistinctWord(sel)
	if !ok {
		return
	}
	m := check.Mend{Title: "leave out DISTINCT", Effect: check.SameRows, Edits: p.Remove(text.Span{Start: p.EndBefore(distinct.Start), End: distinct.End})}
	if q := p.QueryOf(sel); q.OrderBy == nil && (q.Limit != nil || sel.Top != nil) {
		m.Effect, m.Edits = check.ByHand, nil // another plan may take other rows
	}
	p.Report(check.Finding{
		Span: distinct, Context: sel.Span(), Certainty: check.Certain, Why: why, Mends: []check.Mend{m},
		Message: "no two rows are alike here, so DISTINCT drops none",
	})
}

// mayRepeat reports whether an output may give several rows for one, as functions that return
// sets do, or is worked out anew each time.
func mayRepeat(p *check.Pass, x syntax.Expr) (found bool) {
	syntax.Inspect(x, func(n syntax.Node) bool {
		if c, ok := n.(*syntax.Call); ok {
			found = found || dialect.Function(p.FunctionName(c)) == dialect.UnknownFunction
		}
		return !found && n.Kind() != syntax.KindQuery
	})
	return found
}

var distinctCall = &check.Check{
	ID:    "rows.distinct-call",
	Title: "DISTINCT with parentheses round the first column",
	Doc: "DISTINCT is no function. It drops rows that agree in all columns of the list, and parentheses round the first of them change nothing. A reader may think that each value of that column " +
		"comes once.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT DISTINCT (apiary_id), name FROM hives",
		Good: "SELECT DISTINCT apiary_id, name FROM hives",
		Near: []string{
			"SELECT DISTINCT apiary_id, name FROM hives",
			"SELECT DISTINCT (apiary_id) FROM hives",
			"SELECT DISTINCT (frame_count + 1) * 2 AS x, name FROM hives",
			"SELECT COUNT(DISTINCT (apiary_id)) AS n, MAX(name) AS last FROM hives",
		},
	}, {
		Dialect: dialect.Postgres,
		Near:    []string{"SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives ORDER BY apiary_id, hive_id"},
	}},
	On: check.Nodes(runDistinctCall).With(facts.Distinct),
}

func runDistinctCall(p *check.Pass, sel *syntax.Select) {
	if !sel.Distinct || len(sel.DistinctOn) > 0 || len(sel.Items) < 2 {
		return
	}
	paren, ok := sel.Items[0].X.(*syntax.Paren)
	if !ok {
		return
	}
	if _, plain := paren.X.(*syntax.Name); !plain {
		return
	}
	inner := p.Text(paren.X)
	if before := paren.Span().Start; before > 0 && p.Src[before-1] != ' ' && p.Src[before-1] != '\n' && p.Src[before-1] != '\t' {
		inner = " " + inner
	}
	p.Report(check.Finding{
		Span: paren.Span(), Context: sel.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("DISTINCT is of the whole row, not of %s alone", p.Brief(paren.X)),
		Why:     "Rows are dropped only where they agree in all columns of the list.",
		Mends: []check.Mend{{Title: "leave out the parentheses", Effect: check.SameRows, Edits: []text.Edit{check.Replace(paren.Span(), inner)}},
			{Title: "for one row of each value, group by it", Effect: check.ByHand}},
	})
}
