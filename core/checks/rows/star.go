package rows

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var star = &check.Check{
	ID:    "rows.star",
	Title: "* where the columns matter",
	Doc: "A star gives whatever columns the tables have on the day. In a view they are fixed when it is made, and no longer fit when the table changes. INSERT … SELECT * fills columns by their " +
		"order, which a change of either table shifts. In a join it gives columns of the same name twice. Of views and queries it is told on request only.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "INSERT INTO queens SELECT * FROM queens WHERE queen_id = 999",
		Good: "INSERT INTO queens SELECT queen_id, name, bred_in, mother_id, colour FROM queens WHERE queen_id = 999",
		Near: []string{
			"CREATE VIEW all_queens AS SELECT queen_id, name FROM queens",
			"SELECT h.name FROM hives h WHERE EXISTS (SELECT * FROM inspections i WHERE i.hive_id = h.hive_id)",
			"SELECT * FROM (SELECT hive_id, name FROM hives) AS h",
			"SELECT COUNT(*) AS n FROM hives",
		},
	}},
	On: check.Nodes(runStar),
}

func runStar(p *check.Pass, n *syntax.Star) {
	item, ok := p.Parent(n).(*syntax.SelectItem)
	if !ok {
		return
	}
	sel, ok := p.Parent(item).(*syntax.Select)
	if !ok || sel.From == nil {
		return
	}
	q := p.QueryOf(sel)
	f := check.Finding{Span: n.Span(), Certainty: check.Possible,
		Message: "the columns are those that the tables have on the day",
		Why:     "A column that is added or dropped changes the result without a word.",
	}
	switch above := p.Parent(q).(type) {
	case *syntax.Exists, *syntax.In:
		return // the first does not look at them, of the second rows.subquery-width tells
	case *syntax.CreateView:
		if !p.Wants(check.Possible) {
			return
		}
		f.Message = "the view keeps the columns that the tables have when it is made"
		f.Why = "A column that is added later is not in the view, and one that is dropped breaks it."
	case *syntax.Insert:
		if above.Table != nil && above.Table.Unnamed {
			return // a folder takes what comes
		}
		if sources := p.Scope(sel).Sources; len(sources) == 1 {
			if ref, ok := sources[0].Node.(*syntax.TableRef); ok && above.Table != nil && ref.Name[len(ref.Name)-1].Sym == above.Table.Name[len(above.Table.Name)-1].Sym &&
				len(ref.Name)+len(above.Table.Name) > 2 {
				return // a table is copied as a whole
			}
			if wrote := p.Scope(above).Sources; len(wrote) > 0 && len(above.Columns) == 0 && isCopy(sources[0].SchemaTable(), wrote[0].SchemaTable()) {
				return
			}
		}
		f.Certainty = check.Likely
		f.Message = fmt.Sprintf("%s is filled by the order in which the columns stand today", p.BriefOf(above.Table.Span()))
		f.Why = "A column that is added to either table, or moved, shifts the values into other columns."
	default:
		if !p.Wants(check.Possible) {
			return
		}
	}
	columns, ok := columnsOf(p, n, sel)
	if !ok {
		return
	}
	if columns == nil {
		f.Mends = []check.Mend{{Title: "name the columns", Effect: check.ByHand}}
	} else {
		f.Mends = []check.Mend{{Title: "name the columns", Effect: check.SameRows, Edits: []text.Edit{check.Replace(n.Span(), strings.Join(columns, ", "))}}}
	}
	p.Report(f)
}

// isCopy reports whether one of two tables was made with the columns of the other, and both
// have the same still.
func isCopy(a, b *schema.Table) bool {
	if a == nil || b == nil || !strings.EqualFold(a.Model, b.Name) && !strings.EqualFold(b.Model, a.Name) {
		return false
	}
	return slices.EqualFunc(a.Columns, b.Columns, func(x, y schema.Column) bool { return strings.EqualFold(x.Name, y.Name) })
}

// mostColumns is how many columns a mend writes.
const mostColumns = 40

// columnsOf lists the columns that a star stands for, nil where they are not all known or very
// many; ok is false where they stand in the text anyway: of queries that list their columns.
func columnsOf(p *check.Pass, n *syntax.Star, sel *syntax.Select) (columns []string, ok bool) {
	scope := p.Scope(sel)
	whole := scope.Listed && !scope.Natural && len(scope.Merged) == 0
	for _, s := range scope.Sources {
		if len(n.Qualifier) > 0 && s.Name.Sym != n.Qualifier[len(n.Qualifier)-1].Sym {
			continue
		}
		if s.Query == nil {
			ok = true
		}
		if !whole || s.SchemaTable() == nil || !s.Complete || s.Name.IsZero() {
			whole = false
			continue
		}
		for _, c := range s.SchemaTable().Columns {
			name := p.Dialect.Name(c.Name, c.Quoted)
			if len(scope.Sources) > 1 || len(n.Qualifier) > 0 {
				name = p.Ident(s.Name) + "." + name
			}
			columns = append(columns, name)
		}
	}
	if !whole || len(columns) > mostColumns {
		columns = nil
	}
	return columns, ok
}
