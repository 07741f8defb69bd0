package joins

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unconnected = &check.Check{
	ID:    "join.unconnected",
	Title: "a source that no condition ties to the others",
	Doc: "Sources that are listed with commas and tied by no condition meet row by row: a hundred rows and a hundred rows make ten thousand. What is counted or " +
		"added up is then multiplied. If every row is to meet every row, CROSS JOIN says so.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		NoSchema: true,
		Bad:      "SELECT h.name, a.name, k.name FROM hives h, apiaries a, keepers k WHERE h.apiary_id = a.apiary_id",
		Good:     "SELECT h.name, a.name, k.name FROM hives h, apiaries a, keepers k WHERE h.apiary_id = a.apiary_id AND k.keeper_id = h.keeper_id",
		Near: []string{
			"SELECT h.name, x.most FROM hives h, (SELECT MAX(i.mites) AS most FROM inspections i) AS x WHERE h.frame_count > 8",
			"SELECT h.name, a.name FROM hives h CROSS JOIN apiaries a WHERE h.frame_count > 8",
			"SELECT h.name, a.name FROM hives h, apiaries a WHERE h.keeper_id = 3 AND a.keeper_id = 3",
			"SELECT h.name, a.name FROM hives h, apiaries a WHERE EXISTS (SELECT 1 FROM keepers k WHERE k.keeper_id = h.keeper_id AND k.keeper_id = a.keeper_id)",
		},
	}, {
		Bad:  "SELECT SUM(g.weight_kg) AS kg FROM harvests g, hives h WHERE g.taken_on > '2026-05-01'",
		Good: "SELECT SUM(g.weight_kg) AS kg FROM harvests g, hives h WHERE g.taken_on > '2026-05-01' AND h.hive_id = g.hive_id",
		Near: []string{
			"SELECT h.name, a.name FROM hives h, apiaries a WHERE a.apiary_id = 2 AND h.frame_count > 8",
			"SELECT h.name, a.name FROM hives h, apiaries a WHERE h.apiary_id = a.apiary_id AND (h.frame_count > 8 OR h.frame_count = 3)",
			"SELECT h.name, k.name FROM hives h, keepers k WHERE h.keeper_id = k.keeper_id OR k.mentor_id = h.keeper_id",
			"SELECT h.name, k.name FROM hives h, keepers k WHERE h.keeper_id = k.keeper_id OR k.mentor_id IS NULL",
		},
	}},
	On: check.Nodes(runUnconnected).With(facts.ByCommas),
}

// takesOne reports whether a row limit leaves one row of a query that adds nothing up: of all
// pairs it wants any, or the first.
func takesOne(p *check.Pass, sel *syntax.Select) bool {
	q := p.OwnQuery(sel)
	return q != nil && (sel.Top != nil || q.Limit != nil) && !p.Aggregates(sel) && p.OneRow(q)
}

func runUnconnected(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if sel.Reshaped || len(p.Stmt.Errors) > 0 || takesOne(p, sel) {
		return
	}
	groups, ok := p.Tied(scope)
	if ok && len(groups) == 1 {
		untiedBranch(p, sel)
	}
	if !ok || len(groups) < 2 {
		return
	}
	var alone [][]*bind.Source
	for _, g := range groups {
		sources := g.Of(scope)
		for _, s := range sources {
			if !isPlain(s) {
				return // a function may give whatever it likes
			}
		}
		if areFixed(p, scope, sources) {
			continue
		}
		alone = append(alone, sources)
	}
	if len(alone) < 2 {
		return
	}
	// The smallest group is the one that was forgotten; of equal ones the last.
	at := 0
	for i, g := range alone {
		if len(g) < len(alone[at]) || len(g) == len(alone[at]) && i > at {
			at = i
		}
	}
	lost := alone[at]
	var names []string
	for _, s := range lost {
		if s.Name.IsZero() || slices.ContainsFunc(scope.Sources, func(o *bind.Source) bool { return o != s && o.Name.Sym == s.Name.Sym }) {
			return // name.duplicate-alias tells
		}
		names = append(names, p.SourceName(s))
	}
	f := check.Finding{Span: lost[0].Node.Span(), Context: sel.From.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("nothing ties %s to the other sources, so each row meets every row", check.List(names, "and")),
		Why:     "The result has as many rows as both together make pairs, and sums and counts are multiplied.",
	}
	var rest []*bind.Source
	for i, g := range alone {
		if i != at {
			rest = append(rest, g...)
		}
	}
	if on := oneKey(p, lost, rest); on != "" {
		start := sel.From.Span().Start
		m := check.Mend{Title: "tie it by the foreign key: " + on, Effect: check.NewRows}
		if sel.Where != nil {
			m.Edits = p.AddConjunct(sel.Where, sel.Where.Cond, on)
		} else {
			m.Edits = []text.Edit{p.NewClause(sel.From, sel.From, p.Word(start, "WHERE")+" "+on)}
		}
		f.Mends = append(f.Mends, m)
	} else {
		f.Mends = append(f.Mends, check.Mend{Title: "say which rows belong together, or CROSS JOIN where all are meant", Effect: check.ByHand})
	}
	p.Report(f)
}

// mostBranches is how many operands of an OR are looked at.
const mostBranches = 16

// untiedBranch reports an operand of the OR that is all of WHERE which leaves sources untied, beside one that
// ties them: a = b OR c. Where AND stands beside it, logic.and-or tells.
func untiedBranch(p *check.Pass, sel *syntax.Select) {
	if sel.Where == nil || !p.Wants(check.Possible) {
		return
	}
	scope := p.Scope(sel)
	var branches []syntax.Expr
	syntax.BareOperands(syntax.Unparen(sel.Where.Cond), syntax.OpOr, func(x syntax.Expr, _ *syntax.Binary) { branches = append(branches, x) })
	if len(branches) < 2 || len(branches) > mostBranches {
		return
	}
	untied, tied := -1, false
	for i, b := range branches {
		if and, ok := b.(*syntax.Binary); ok && and.Op == syntax.OpAnd {
			return
		}
		named, known := p.NamedIn(scope, b)
		groups, ok := p.TiedBy(sel, b)
		if !known || !ok || named == 0 || asksForNull(b) {
			return
		}
		tied = tied || len(groups) == 1
		if len(groups) > 1 && untied < 0 {
			for _, g := range groups {
				if sources := g.Of(scope); areFixed(p, scope, sources) || slices.ContainsFunc(sources, func(s *bind.Source) bool { return !isPlain(s) }) {
					return
				}
			}
			untied = i
		}
	}
	if !tied || untied < 0 {
		return
	}
	p.Report(check.Finding{Span: branches[untied].Span(), Context: sel.Where.Span(), Certainty: check.Possible, // a tie or something else may be meant
		Message: "this branch of OR ties nothing, so each row that it takes meets every row of the others",
		Why:     "What ties the sources holds in the other branch only.",
		Related: []check.Related{{Span: sel.From.Span(), Message: "the sources that it leaves untied"}},
		Mends:   []check.Mend{{Title: "tie them in both, or say AND", Effect: check.ByHand}},
	})
}

// asksForNull reports whether a condition tests for NULL, as one does that takes the rows which belong to all.
func asksForNull(x syntax.Expr) bool {
	found := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		is, ok := n.(*syntax.Is)
		found = found || ok && is.Test == syntax.IsNull && !is.Not
		return !found
	})
	return found
}

// oneKey writes the only condition by which a foreign key ties two lists of sources.
func oneKey(p *check.Pass, a, b []*bind.Source) string {
	found := ""
	for _, x := range a {
		for _, y := range b {
			for _, c := range [...]string{foreignKey(p, x, y), foreignKey(p, y, x)} {
				if c != "" && found != "" {
					return ""
				}
				found += c
			}
		}
	}
	return found
}

var natural = &check.Check{
	ID:    "join.natural",
	Title: "NATURAL JOIN",
	Doc: "NATURAL JOIN ties two sources by all columns whose names agree today. A column that is added or renamed later changes the condition without a word, and " +
		"where no names agree, every row meets every row. USING names the columns.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT h.frame_count, g.weight_kg FROM hives h NATURAL JOIN harvests g",
		Good:    "SELECT h.frame_count, g.weight_kg FROM hives h JOIN harvests g USING (hive_id)",
		Near: []string{
			"SELECT h.frame_count, g.weight_kg FROM hives h JOIN harvests g USING (hive_id)",
			"SELECT h.frame_count, g.weight_kg FROM hives h JOIN harvests g ON g.hive_id = h.hive_id",
			"SELECT h.frame_count AS \"natural\", g.weight_kg FROM hives h JOIN harvests g ON g.hive_id = h.hive_id",
		},
	}, {
		NoSchema: true,
		Dialect:  dialect.Postgres,
		Bad:      "SELECT frame_count, weight_kg FROM hives NATURAL LEFT JOIN harvests",
	}},
	On: check.Nodes(runNatural).With(facts.Natural),
}

func runNatural(p *check.Pass, j *syntax.Join) {
	if !j.Natural {
		return
	}
	f := check.Finding{Span: j.OpSpan, Context: j.Span(), Certainty: check.Certain,
		Message: "NATURAL JOIN ties by all columns whose names agree today",
		Why:     "A column that is added later changes what belongs together without a word.",
		Mends:   []check.Mend{{Title: "name the columns: JOIN … USING (…)", Effect: check.ByHand}},
	}
	if columns, ok := agreeing(p, j); ok {
		if len(columns) == 0 {
			f.Certainty = check.Likely
			f.Verdicts = check.Everywhere(check.Wrong)
			f.Message = "no column has the same name on both sides, so each row meets every row"
			f.Mends = []check.Mend{{Title: "say behind ON which rows belong together", Effect: check.ByHand}}
			p.Report(f)
			return
		}
		f.Message = fmt.Sprintf("NATURAL JOIN ties by %s today, because the names agree", check.List(columns, "and"))
		words := strings.Fields(p.Text(j)[j.OpSpan.Start-j.Span().Start : j.OpSpan.End-j.Span().Start])
		kept := strings.Join(words[1:], " ")
		if strings.EqualFold(words[0], "natural") && len(words) > 1 && !p.HasComment(j.OpSpan) {
			f.Mends = []check.Mend{{Title: "name the columns", Effect: check.SameRows, Edits: []text.Edit{check.Replace(j.OpSpan, kept),
				check.Insert(j.Right.Span().End, " "+p.Word(j.OpSpan.Start, "USING")+" ("+strings.Join(columns, ", ")+")")}}}
		}
	}
	p.Report(f)
}

// agreeing lists the names that both sides of a join have; ok is false where they are not all
// known.
func agreeing(p *check.Pass, j *syntax.Join) (columns []string, ok bool) {
	left, right := p.SourcesOf(j.Left), p.SourcesOf(j.Right)
	if len(left) != 1 || len(right) != 1 || !left[0].Complete || !right[0].Complete {
		return nil, false
	}
	for _, l := range left[0].ColumnSyms() {
		if l == 0 {
			continue
		}
		for range right[0].Brings(l) {
			columns = append(columns, p.Dialect.Name(p.Names.String(l), false))
		}
	}
	return columns, true
}
