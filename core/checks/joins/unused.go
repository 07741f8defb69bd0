package joins

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

var unused = &check.Check{
	ID:    "join.unused",
	Title: "an outer joined source that nothing uses",
	Doc: "A LEFT JOIN keeps every row of its left side. If nothing but its own ON uses the joined source, the join can only repeat rows. Where its key is tied, it " +
		"does not even do that, and is needless work.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id",
		Good: "SELECT h.name FROM hives h",
		Near: []string{
			"SELECT h.name, a.altitude_m FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id",
			"SELECT h.name FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id LEFT JOIN keepers k ON k.keeper_id = a.keeper_id WHERE k.village = 'Oakham'",
			"SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.hive_id IS NULL",
			"SELECT * FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id",
			"SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id",
			"SELECT h.name FROM hives h LEFT JOIN apiaries a ON a.apiary_id = h.apiary_id ORDER BY a.name",
		},
	}, {
		Bad:  "SELECT h.name, COUNT(*) AS n FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id GROUP BY h.name",
		Good: "SELECT h.name, COUNT(*) AS n FROM hives h GROUP BY h.name",
	}},
	On: check.Nodes(runUnused).With(facts.Optional),
}

func runUnused(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if sel.From == nil || scope.Natural || scope.Marked || sel.Reshaped || len(scope.Sources) > facts.MaxSources || len(p.Stmt.Errors) > 0 {
		return
	}
	used := shown(p, sel)
	for _, t := range sel.From.Tables {
		for {
			j, ok := t.(*syntax.Join)
			if !ok {
				break
			}
			if s := p.SourceAt(j.Right); s != nil && j.Type == syntax.LeftJoin && j.On != nil && !used.Has(s) && !usedBeside(p, scope, s, j) {
				reportUnused(p, sel, j, s)
			}
			t = j.Left
		}
	}
}

// usedBeside reports whether a source is named anywhere but in the condition of its join.
func usedBeside(p *check.Pass, scope *bind.Scope, s *bind.Source, j *syntax.Join) bool {
	if len(scope.Merged) > 0 && (!s.Complete || slices.ContainsFunc(s.ColumnSyms(), scope.Merges)) {
		return true // USING may mean a column of it
	}
	all, unclear := usesOf(p, p.QueryOf(scope.Node.(*syntax.Select)), s)
	own, _ := usesOf(p, j.On, s)
	return unclear || all != own
}

// shown gives the sources of which the list of a SELECT names columns.
func shown(p *check.Pass, sel *syntax.Select) (set facts.SourceSet) {
	scope := p.Scope(sel)
	for _, item := range sel.Items {
		switch x := item.X.(type) {
		case *syntax.Star:
			if len(x.Qualifier) == 0 {
				return ^facts.SourceSet(0)
			}
		case *syntax.Name:
			if u := p.Use(x); u.Source != nil && u.Source.Scope == scope {
				set |= 1 << u.Source.Index
			}
			continue
		}
		named, ok := p.NamedIn(scope, item.X)
		if !ok {
			return ^facts.SourceSet(0)
		}
		set |= named
	}
	return set
}

// usesOf counts how often a node names columns of a source; unclear tells that some name may be
// one of them, for all that is known.
func usesOf(p *check.Pass, n syntax.Node, s *bind.Source) (uses int, unclear bool) {
	syntax.Inspect(n, func(n syntax.Node) bool {
		name, ok := n.(*syntax.Name)
		if !ok {
			return !unclear
		}
		switch u := p.Use(name); {
		case u.Source == s:
			uses++
		case u.Source != nil, u.Status == bind.Variable, u.Status == bind.OutputAlias:
		case u.Status == bind.Builtin || u.Status == bind.Unbound:
			unclear = unclear || name.Parts[0].Sym == s.Name.Sym
		default:
			unclear = true
		}
		return true
	})
	return uses, unclear
}

func reportUnused(p *check.Pass, sel *syntax.Select, j *syntax.Join, s *bind.Source) {
	before := p.SourcesOf(j.Left)
	name := p.SourceName(s)
	at := text.Span{Start: j.OpSpan.Start, End: j.Span().End}
	f := check.Finding{Span: at, Context: j.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("nothing uses %s, and its key is tied: the join does nothing", name),
		Why:     "An outer join keeps each row once where at most one row can meet it.",
		Mends:   []check.Mend{{Title: "leave the join out", Effect: check.SameRows, Edits: p.Remove(text.Span{Start: j.Left.Span().End, End: j.Span().End})}},
	}
	if len(before) == 0 || !p.GivenRows(sel, before).Row(s) {
		if sel.GroupBy != nil || p.Aggregates(sel) || sel.Distinct {
			return // what it repeats may be counted
		}
		f.Certainty = check.Possible
		f.Message = fmt.Sprintf("nothing uses %s: the join can only repeat rows", name)
		f.Why = fmt.Sprintf("Each row comes once for every row of %s that it meets.", name)
		f.Mends = []check.Mend{{Title: "leave the join out", Effect: check.ByHand, Edits: nil}}
	}
	p.Report(f)
}

var distinctHides = &check.Check{
	ID:    "join.distinct-hides",
	Title: "DISTINCT takes back what a join has repeated",
	Doc: "A join gives a row for each partner. Where nothing of the partner is shown and DISTINCT throws the repetitions away again, the question was whether there " +
		"is one. EXISTS asks it, stops at the first, and leaves DISTINCT free to show a real mistake.",
	Verdicts: check.Everywhere(check.Unclear),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT DISTINCT h.hive_id, h.name FROM hives h JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 5",
		Good: "SELECT h.hive_id, h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.hive_id = h.hive_id AND i.mites > 5)",
		Near: []string{
			"SELECT DISTINCT h.name FROM hives h JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 5",
			"SELECT DISTINCT h.hive_id, h.name, i.mites FROM hives h JOIN inspections i ON i.hive_id = h.hive_id",
			"SELECT h.hive_id, h.name FROM hives h JOIN inspections i ON i.hive_id = h.hive_id",
			"SELECT DISTINCT h.hive_id, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id",
		},
	}},
	On: check.Nodes(runDistinctHides).With(facts.Several | facts.Distinct),
}

func runDistinctHides(p *check.Pass, sel *syntax.Select) {
	if !sel.Distinct || len(sel.DistinctOn) > 0 || sel.GroupBy != nil || sel.Reshaped || p.Aggregates(sel) {
		return
	}
	scope := p.Scope(sel)
	if scope.Natural || scope.Marked || len(scope.Sources) > facts.MaxSources {
		return
	}
	var xs []syntax.Expr
	var shown facts.SourceSet
	var whole []*bind.Source
	for _, item := range sel.Items {
		if star, ok := item.X.(*syntax.Star); ok {
			named, _ := p.NamedIn(scope, star)
			if named == 0 {
				return
			}
			shown |= named
			whole = append(whole, named.Of(scope)...)
			continue
		}
		named, ok := p.NamedIn(scope, item.X)
		if !ok {
			return
		}
		shown |= named
		xs = append(xs, item.X)
	}
	fixed := p.GivenRows(sel, whole, xs...)
	var many *bind.Source
	for _, s := range scope.Sources {
		switch {
		case fixed.Row(s):
		case shown.Has(s) || many != nil || s.SchemaTable() == nil:
			return // its rows are told apart by nothing
		default:
			many = s
		}
	}
	if many == nil || shown == 0 {
		return
	}
	distinct, _ := p.DistinctWord(sel)
	f := check.Finding{Span: distinct, Context: sel.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("DISTINCT takes back the rows that the join with %s repeats", p.SourceName(many)),
		Why:     fmt.Sprintf("Nothing of %s is shown. EXISTS asks whether there is a row of it, and repeats none.", p.SourceName(many)),
		Related: []check.Related{{Span: many.Node.Span(), Message: "this join repeats rows"}},
	}
	if edits := existsEdits(p, sel, many, distinct); edits != nil {
		f.Mends = []check.Mend{{Title: fmt.Sprintf("ask whether there is a row of %s", p.SourceName(many)), Effect: check.SameRows, Edits: edits}}
	} else {
		f.Mends = []check.Mend{{Title: fmt.Sprintf("ask EXISTS (SELECT 1 FROM %s …), and drop DISTINCT", p.SourceName(many)), Effect: check.ByHand}}
	}
	p.Report(f)
}

// existsEdits writes the last inner join of FROM as EXISTS, nil where that takes more.
func existsEdits(p *check.Pass, sel *syntax.Select, s *bind.Source, distinct text.Span) []text.Edit {
	if sel.From == nil || len(sel.From.Tables) != 1 || !sel.InOrder() || sel.Qualify != nil || slices.ContainsFunc(p.Scope(sel).Sources, func(s *bind.Source) bool { return s.Optional }) {
		return nil
	}
	j, ok := sel.From.Tables[0].(*syntax.Join)
	if !ok || j.Type != syntax.InnerJoin || j.On == nil || j.Right != s.Node || p.HasComment(j.Span()) {
		return nil
	}
	if sel.Where != nil && p.HasComment(sel.Where.Span()) {
		return nil
	}
	var chain []syntax.Expr
	inside, outside := []string{operand(p, j.On)}, []string(nil)
	if sel.Where != nil {
		syntax.BareConjuncts(sel.Where.Cond, func(c syntax.Expr) { chain = append(chain, c) })
	}
	for _, c := range chain {
		named, ok := p.NamedIn(p.Scope(sel), c)
		if !ok {
			return nil
		}
		if named.Has(s) {
			inside = append(inside, operand(p, c))
		} else {
			outside = append(outside, operand(p, c))
		}
	}
	at := sel.From.Span().Start
	and := " " + p.Word(at, "AND") + " "
	exists := p.Word(at, "EXISTS") + " (" + p.Word(at, "SELECT") + " 1 " + p.Word(at, "FROM") + " " + p.Text(j.Right) + " " +
		p.Word(at, "WHERE") + " " + strings.Join(inside, and) + ")"
	condition := strings.Join(append(outside, exists), and)
	edits := append(p.Remove(text.Span{Start: p.EndBefore(distinct.Start), End: distinct.End}), p.Remove(text.Span{Start: j.Left.Span().End, End: j.Span().End})...)
	if sel.Where != nil {
		return append(edits, check.Replace(sel.Where.Cond.Span(), condition))
	}
	return append(edits, check.Insert(sel.From.Span().End, p.Break(sel.From.Span().Start, "")+p.Word(at, "WHERE")+" "+condition))
}
