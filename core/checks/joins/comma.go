package joins

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var comma = &check.Check{
	ID:    "join.comma",
	Title: "sources listed with commas and joined in WHERE",
	Doc: "FROM a, b joins every row with every row until WHERE ties them; the ties stand among the filters, and one that is forgotten " +
		"multiplies the rows without a word. JOIN … ON keeps each tie beside the source it ties. Where every source is tied and FROM has nothing but commas it " +
		"is a manner of writing, and told only on request.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad: "SELECT h.name, a.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id, apiaries a " +
			"WHERE h.apiary_id = a.apiary_id AND q.colour = 'blue'",
		Good: "SELECT h.name, a.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id " +
			"JOIN apiaries a ON h.apiary_id = a.apiary_id WHERE q.colour = 'blue'",
		Near: []string{
			"SELECT h.name, i.mites FROM hives h JOIN inspections i ON h.hive_id = i.hive_id WHERE i.mites > 5",
			"SELECT h.name, n.i FROM hives h, generate_series(1, 3) AS n(i) WHERE n.i = h.hive_id",
			"SELECT h.name, x.mites FROM hives h, LATERAL (SELECT MAX(i.mites) AS mites FROM inspections i WHERE i.hive_id = h.hive_id) AS x WHERE h.hive_id = x.mites",
		},
	}, {
		Bad: "SELECT k.name, a.name, q.name FROM keepers k, hives h, apiaries a, queens q WHERE h.keeper_id = k.keeper_id AND h.apiary_id = a.apiary_id",
		Good: "SELECT k.name, a.name, q.name FROM keepers k JOIN hives h ON h.keeper_id = k.keeper_id " +
			"JOIN apiaries a ON h.apiary_id = a.apiary_id CROSS JOIN queens q",
	}},
	On: check.Nodes(runComma).With(facts.ByCommas),
}

func runComma(p *check.Pass, s *syntax.Select) {
	const most = 256 // tables; no database joins as many
	if s.Where == nil || len(s.From.Tables) > most || !plainTables(s.From.Tables) {
		return
	}
	chain := syntax.AppendConjuncts(nil, s.Where.Cond)
	ties, known := tiesOf(p, s, chain)
	if len(ties) == 0 {
		return
	}
	certainty, mixed := check.Certain, joinsToo(s.From.Tables)
	if !mixed && len(ties) >= len(s.From.Tables)-1 {
		if certainty = check.Possible; !p.Wants(certainty) {
			return // the older manner, kept throughout
		}
	}
	first, last := s.From.Tables[0].Span(), s.From.Tables[len(s.From.Tables)-1].Span()
	f := check.Finding{
		Span:      first.Join(last),
		Context:   s.From.Span().Join(s.Where.Span()),
		Certainty: certainty,
		Message:   fmt.Sprintf("%s are listed with commas and joined in WHERE", sources(p, s)),
		Why:       "A join condition that is forgotten among the filters goes unseen, and multiplies the rows.",
	}
	if mixed {
		f.Message = "FROM mixes commas with JOIN, and joins in WHERE too"
		f.Why = "The comma binds looser than JOIN, and its condition stands among the filters, where one that is forgotten goes unseen."
	}
	for i, c := range chain {
		if ties[i] > 0 {
			f.Related = append(f.Related, check.Related{Span: c.Span(), Message: "a join condition"})
		}
	}
	if known {
		f.Mends = []check.Mend{{Title: "write JOIN … ON", Effect: check.SameRows, Edits: joinEdits(p, s, chain, ties)}}
	} else {
		f.Mends = []check.Mend{{Title: "write JOIN … ON, with each tie beside its source", Effect: check.ByHand}}
	}
	p.Report(f)
}

// joinsToo reports whether some source is joined by JOIN: two manners in one FROM, of which
// the comma binds looser.
func joinsToo(tables []syntax.TableExpr) bool {
	for _, t := range tables {
		if _, ok := t.(*syntax.Join); ok {
			return true
		}
	}
	return false
}

// plainTables reports whether the commas separate tables and derived tables
// only: a function or LATERAL behind a comma is a habit of its own.
func plainTables(tables []syntax.TableExpr) bool {
	for _, t := range tables {
		switch t := t.(type) {
		case *syntax.TableRef, *syntax.Join, *syntax.ParenTable:
		case *syntax.Derived:
			if t.Lateral {
				return false
			}
		default:
			return false
		}
	}
	return true
}

// tiesOf gives for each condition that ties sources of different list items
// the index of the last of them. It reports whether the whole can be rewritten:
// all columns' owners known, and no join behind a comma.
func tiesOf(p *check.Pass, s *syntax.Select, chain []syntax.Expr) (ties map[int]int, known bool) {
	ties, known = map[int]int{}, true
	for _, t := range s.From.Tables[1:] {
		switch t.(type) {
		case *syntax.Join, *syntax.ParenTable:
			known = false
		}
	}
	for i, c := range chain {
		used, ok := itemsOf(p, s, c)
		if len(used) < 2 {
			known = known && (ok || len(used) == 0)
			continue
		}
		if !isEquality(c) {
			continue
		}
		known = known && ok
		for item := range used {
			ties[i] = max(ties[i], item)
		}
	}
	return ties, known
}

// isEquality reports whether a condition is one a join is written with.
func isEquality(c syntax.Expr) bool {
	b, ok := syntax.Unparen(c).(*syntax.Binary)
	return ok && (b.Op.IsComparison() || b.Op == syntax.OpNullSafeEqual)
}

// itemsOf gives the items of FROM whose columns a condition uses, and whether
// all its columns could be told. Oracle's (+) makes it untold.
func itemsOf(p *check.Pass, s *syntax.Select, c syntax.Expr) (map[int]bool, bool) {
	used, ok := map[int]bool{}, true
	scope := p.Scope(s)
	syntax.Inspect(c, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.OuterMark:
			ok = false
		case *syntax.Name:
			u := p.Use(n)
			switch {
			case u.Source != nil && u.Source.Scope == scope:
				for i, t := range s.From.Tables {
					if t.Span().Contains(u.Source.Node.Span()) {
						used[i] = true
					}
				}
			case u.Source == nil && u.Status != bind.Builtin && u.Status != bind.Unbound:
				ok = false
			}
		}
		return true
	})
	return used, ok
}

// joinEdits replaces each comma by JOIN, puts the ties behind ON, and takes
// them out of WHERE.
func joinEdits(p *check.Pass, s *syntax.Select, chain []syntax.Expr, ties map[int]int) []text.Edit {
	start := s.From.Span().Start
	var edits []text.Edit
	for item := 1; item < len(s.From.Tables); item++ {
		var conditions []string
		for i, c := range chain {
			if last, tie := ties[i]; tie && last == item {
				conditions = append(conditions, p.Text(c))
			}
		}
		t := s.From.Tables[item]
		join := p.Word(start, "JOIN")
		if len(conditions) == 0 {
			join = p.Word(start, "CROSS JOIN")
		} else {
			on := " " + p.Word(start, "ON") + " " + strings.Join(conditions, " "+p.Word(start, "AND")+" ")
			edits = append(edits, check.Insert(t.Span().End, on))
		}
		edits = append(edits, commaEdit(p, s, item, join))
	}
	if len(ties) == len(chain) {
		return append(edits, p.RemoveClause(s.Where)...)
	}
	return append(edits, p.RemoveConjuncts(chain, func(i int) bool { return ties[i] > 0 })...)
}

// commaEdit puts a join keyword in the place of the comma before an item, on
// a line of its own where FROM has one.
func commaEdit(p *check.Pass, s *syntax.Select, item int, join string) text.Edit {
	before, next := s.From.Tables[item-1].Span().End, s.From.Tables[item].Span().Start
	gap := text.Span{Start: before, End: next}
	for _, c := range p.Stmt.Comments {
		if gap.Contains(c) {
			// A comment stays where it is; only the comma gives way.
			for _, t := range p.Stmt.Tokens {
				if t.Kind == syntax.Comma && gap.Contains(t.Span) {
					return check.Replace(t.Span, " "+join)
				}
			}
		}
	}
	return check.Replace(gap, p.Break(s.From.Span().Start, "")+join+" ")
}

// sources names the sources for a sentence.
func sources(p *check.Pass, s *syntax.Select) string {
	var names []string
	for _, src := range p.Scope(s).Sources {
		if !src.Name.IsZero() {
			names = append(names, p.Ident(src.Name))
		}
	}
	if len(names) < 2 {
		return "the sources"
	}
	return check.List(names, "and")
}
