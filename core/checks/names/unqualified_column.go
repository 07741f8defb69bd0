package names

import (
	"cmp"
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unqualifiedColumn = &check.Check{
	ID:    "name.unqualified-column",
	Title: "column that does not say whose it is",
	Doc: "With several tables in FROM a reader has to know them all to tell whose a bare column is, and the query is refused on the day when " +
		"another of them gets a column of that name.",
	Verdicts: check.Everywhere(check.Unclear),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT name, i.mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id WHERE frame_count > 8",
		Good: "SELECT h.name, i.mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id WHERE h.frame_count > 8",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count > 8",
			"SELECT hive_id, h.name FROM hives AS h JOIN inspections AS i USING (hive_id)",
			"SELECT h.name, i.mites AS m FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY m",
		},
	}},
	On: check.Nodes(runUnqualifiedColumn).With(facts.Several | facts.BareNames),
}

func runUnqualifiedColumn(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if scope.Natural {
		return
	}
	var bare []*syntax.Name
	for _, name := range scope.Bare {
		u, sym := p.Use(name), name.Last().Sym
		if u.Status != bind.Resolved || u.Scope != scope || u.Outer || u.Source.Name.IsZero() || listsColumns(u.Source) {
			continue
		}
		// A qualifier must not change what is meant.
		if scope.Item(sym) == nil && !slices.Contains(scope.Merged, sym) && oneOfItsName(scope, u.Source) {
			bare = append(bare, name)
		}
	}
	if len(bare) == 0 {
		return
	}
	slices.SortFunc(bare, func(a, b *syntax.Name) int { return cmp.Compare(a.Span().Start, b.Span().Start) })
	first := bare[0]
	f := check.Finding{
		Span: first.Span(), Context: sel.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s has no table name before it (it comes from %s)", p.Brief(first), p.Ident(p.Use(first).Source.Name)),
		Why:     "FROM has several tables; say for each column which one it comes from.",
	}
	var edits []text.Edit
	for i, name := range bare {
		edits = append(edits, check.Insert(name.Span().Start, p.Ident(p.Use(name).Source.Name)+"."))
		if i > 0 && i < 4 {
			f.Related = append(f.Related, check.Related{Span: name.Span(), Message: "of " + p.Ident(p.Use(name).Source.Name)})
		}
	}
	f.Mends = []check.Mend{{Title: "say whose they are", Effect: check.SameRows, Edits: edits}}
	p.Report(f)
}

// listsColumns reports whether FROM itself lists the columns of a source, AS s (a, b).
func listsColumns(s *bind.Source) bool {
	switch t := s.Node.(type) {
	case *syntax.TableRef:
		return len(t.Columns) > 0
	case *syntax.Derived:
		return len(t.Columns) > 0
	case *syntax.FuncTable:
		return len(t.Columns) > 0
	}
	return false
}

// oneOfItsName reports whether no other source of the query shares the name.
func oneOfItsName(scope *bind.Scope, s *bind.Source) bool {
	for _, other := range scope.Sources {
		if other != s && other.Name.Sym == s.Name.Sym {
			return false
		}
	}
	return true
}
