package joins

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var undoneByJoin = &check.Check{
	ID:    "join.undone-by-join",
	Title: "outer join undone by the join behind it",
	Doc: "An outer join keeps rows that find no partner and fills the other side with NULL. An inner join behind it whose ON compares the other side finds nothing for " +
		"these rows and takes them away again, so that both are inner joins. To keep them, the join behind is an outer one, too.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT h.name, i.mites, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id JOIN keepers k ON k.keeper_id = i.keeper_id",
		Good: "SELECT h.name, i.mites, k.name AS keeper FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id LEFT JOIN keepers k ON k.keeper_id = i.keeper_id",
		Near: []string{
			"SELECT h.name, a.name AS apiary FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id JOIN apiaries a ON a.apiary_id = h.apiary_id",
			"SELECT h.name, i.mites, k.name AS keeper FROM hives h LEFT JOIN (inspections i JOIN keepers k ON k.keeper_id = i.keeper_id) ON i.hive_id = h.hive_id",
			"SELECT h.name, r.name AS other FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id JOIN hives r ON r.queen_id = q.queen_id OR q.queen_id IS NULL",
		},
	}},
	On: check.Nodes(runUndoneByJoin).With(facts.Optional | facts.Several),
}

func runUndoneByJoin(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if sel.From == nil || scope.Natural || scope.Marked || len(scope.Sources) > facts.MaxSources {
		return
	}
	if q := p.OwnQuery(sel); q != nil {
		if _, exists := p.Parent(q).(*syntax.Exists); exists {
			return // which asks for rows with a partner
		}
	}
	for _, t := range sel.From.Tables {
		eachJoin(t, func(n *syntax.Join) {
			if n.Type == syntax.InnerJoin && n.On != nil {
				undoes(p, sel, n)
			}
		})
	}
}

// undoes tells of the outer joins on the left of an inner join whose other side its ON rejects.
func undoes(p *check.Pass, sel *syntax.Select, behind *syntax.Join) {
	for at := behind.Left; ; {
		if paren, ok := at.(*syntax.ParenTable); ok {
			at = paren.Table
			continue
		}
		j, ok := at.(*syntax.Join)
		if !ok || j.Type != syntax.LeftJoin && j.Type != syntax.InnerJoin && j.Type != syntax.CrossJoin {
			return
		}
		if j.Type == syntax.LeftJoin {
			for _, s := range p.SourcesOf(j.Right) {
				if c := rejecting(p, behind.On, s); c != nil && (sel.Where == nil || rejecting(p, sel.Where.Cond, s) == nil) {
					tellUndone(p, j, behind, c, s)
					break
				}
			}
		}
		at = j.Left
	}
}

// rejecting gives the first of the conditions that AND joins which no row passes that a source is filled
// with NULLs in; nil where none is, or where one asks for that itself.
func rejecting(p *check.Pass, on syntax.Expr, s *bind.Source) (first syntax.Expr) {
	asked := false
	syntax.Conjuncts(on, func(c syntax.Expr) {
		if !p.Rejects(c, s) {
			return
		}
		is, ok := syntax.Unparen(c).(*syntax.Is)
		asked = asked || ok && is.Not && is.Test == syntax.IsNull
		if first == nil {
			first = c
		}
	})
	if asked {
		return nil
	}
	return first
}

func tellUndone(p *check.Pass, outer, behind *syntax.Join, c syntax.Expr, s *bind.Source) {
	name := p.SourceName(s)
	f := check.Finding{Span: c.Span(), Context: behind.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("rows without %s are lost here: this %s undoes the %s", name, joinWords(p, behind), joinWords(p, outer)),
		Why:     fmt.Sprintf("Where there is no partner, the columns of %s are NULL, and no NULL passes this condition.", name),
		Related: []check.Related{{Span: outer.OpSpan, Message: "the outer join"}},
	}
	if tables := p.SourcesOf(behind.Right); len(tables) == 1 {
		f.Mends = append(f.Mends, check.Mend{Title: "keep the rows without " + name + ": make this a LEFT JOIN, too", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(behind.OpSpan, p.Word(behind.OpSpan.Start, "LEFT JOIN"))}})
	}
	f.Mends = append(f.Mends, check.Mend{Title: "only rows with " + name + " are wanted: say JOIN", Effect: check.SameRows,
		Edits: []text.Edit{check.Replace(outer.OpSpan, p.Word(outer.OpSpan.Start, "JOIN"))}})
	p.Report(f)
}
