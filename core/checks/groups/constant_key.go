package groups

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
)

var byPosition = &check.Check{
	ID:    "group.position",
	Title: "GROUP BY a position",
	Doc: "GROUP BY 1 means the first output column, and another one as soon as somebody adds a column before it. SQL Server and Oracle do not read " +
		"it as a position at all.",
	Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.SQLServer, dialect.Oracle)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1",
		Good:    "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id",
		Near: []string{
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id",
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id ORDER BY 1",
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id + 1, apiary_id",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1",
		Good:    "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id",
		Near:    []string{"SELECT 'hive', COUNT(*) FROM hives GROUP BY 1", "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id, 1"},
	}},
	On: check.Nodes(func(p *check.Pass, g *syntax.GroupBy) {
		sel, ok := p.Parent(g).(*syntax.Select)
		if !ok || g.Sets {
			return
		}
		var byHand, mended []*syntax.Literal
		plain := -1 // not counted yet
		for _, x := range g.Items {
			lit, ok := x.(*syntax.Literal)
			if !ok {
				continue
			}
			at, ok := p.Position(lit)
			if !ok {
				continue
			}
			if plain < 0 {
				plain = plainItems(sel.Items)
			}
			if at < 1 || at > plain || p.AggregateIn(sel.Items[at-1]) != nil {
				continue
			}
			switch key := sel.Items[at-1].X; {
			case p.Dialect == dialect.Oracle && (!isColumnExpr(key) || p.HasKey(g, key)): // it groups by a constant, and needs no more
			case isColumnExpr(key) && !p.HasComment(key.Span()):
				mended = append(mended, lit)
			default:
				byHand = append(byHand, lit)
			}
		}
		if len(byHand) > 0 {
			p.Report(positionFinding(p, g, sel, byHand))
		}
		if len(mended) > 0 {
			f := positionFinding(p, g, sel, mended)
			mend := check.Mend{Title: "write the expression", Effect: check.SameRows}
			if len(mended) > 1 {
				mend.Title = "write the expressions"
			}
			if !facts.ReadsPositions(p.Dialect) {
				mend.Effect = check.NewRows
			}
			for _, lit := range mended {
				mend.Edits = append(mend.Edits, check.Replace(lit.Span(), p.Text(itemAt(p, sel, lit).X)))
			}
			f.Mends = []check.Mend{mend}
			p.Report(f)
		}
	}),
}

// itemAt gives the output for which a position stands.
func itemAt(p *check.Pass, sel *syntax.Select, lit *syntax.Literal) *syntax.SelectItem {
	at, _ := p.Position(lit)
	return sel.Items[at-1]
}

// positionFinding tells of the positions of a clause.
func positionFinding(p *check.Pass, g *syntax.GroupBy, sel *syntax.Select, positions []*syntax.Literal) check.Finding {
	lit := positions[0]
	item := itemAt(p, sel, lit)
	f := check.Finding{
		Span: lit.Span(), Context: g.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s stands for %s", p.Text(lit), p.Brief(item.X)),
		Why:     "When the select list changes, the number means another column.",
		Related: []check.Related{{Span: item.Span(), Message: "the column at that place"}},
	}
	for _, other := range positions[1:] {
		f.Related = append(f.Related, check.Related{Span: other.Span(), Message: "for " + p.Brief(itemAt(p, sel, other).X)})
	}
	if facts.ReadsPositions(p.Dialect) {
		return f
	}
	f.Message = fmt.Sprintf("%s is a number here, and does not stand for %s", p.Text(lit), p.Brief(item.X))
	f.Why = "This database knows no column numbers in GROUP BY."
	if p.MayBe(dialect.Oracle, dialect.At(23, 0, 0)) {
		f.Certainty = check.Likely
		f.Why = "Without GROUP_BY_POSITION_ENABLED, which 23 brought, this database knows no column numbers in GROUP BY."
	}
	return f
}

// isColumnExpr reports whether an expression means the same in GROUP BY as in
// the select list: no bare constant, which would be a position itself, and no
// subquery, which some databases refuse there.
func isColumnExpr(x syntax.Expr) bool {
	names, ok := 0, true
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n.(type) {
		case *syntax.Name:
			names++
		case *syntax.Query, *syntax.Param:
			ok = false
		}
		return ok
	})
	return ok && names > 0
}

// plainItems counts the items before the first that is not one column.
func plainItems(items []*syntax.SelectItem) int {
	at := slices.IndexFunc(items, func(item *syntax.SelectItem) bool {
		_, star := item.X.(*syntax.Star)
		return star || syntax.IsPut(item.X)
	})
	if at < 0 {
		return len(items)
	}
	return at
}

var constantKey = &check.Check{
	ID:    "group.constant-key",
	Title: "GROUP BY a constant",
	Doc: "A text in GROUP BY is the same for every row, so it tells none apart; quotes of a name were meant most often. PostgreSQL and SQL Server " +
		"refuse it.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLServer)),
	Examples: []check.Example{{
		Bad: "SELECT COUNT(*) FROM hives GROUP BY 'name'",
		Near: []string{
			"SELECT 'a' AS mark, COUNT(*) FROM hives GROUP BY name",
			"SELECT COUNT(*) FROM hives GROUP BY name",
			"SELECT COUNT(*) FROM hives GROUP BY CONCAT(name, 'x')",
		},
	}},
	On: check.Nodes(func(p *check.Pass, g *syntax.GroupBy) {
		if g.Sets {
			return
		}
		for _, x := range g.Items {
			lit, ok := x.(*syntax.Literal)
			if !ok || lit.Lit != syntax.TextLiteral || p.Src[lit.Span().Start] != '\'' {
				continue
			}
			p.Report(check.Finding{
				Span: lit.Span(), Context: g.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("%s is the same for every row", p.Brief(lit)),
				Why:     "It is text, not a column, so all rows fall into one group.",
				Mends:   []check.Mend{{Title: "name the column without these quotes, or drop the key", Effect: check.ByHand}},
			})
		}
	}),
}
