package names

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

// runAmbiguousJoin reports a column by which USING or NATURAL ties, and which a side of the join
// has from several sources. SQLite, as tried, takes the first.
func runAmbiguousJoin(p *check.Pass, j *syntax.Join) {
	sources := p.SourcesOf(j)
	if !p.Tells(j) || len(sources) == 0 || j.Natural && len(sources) > 16 || len(j.Using) > mostSources {
		return
	}
	if j.Natural {
		for _, s := range p.SourcesOf(j.Right) {
			for _, sym := range s.ColumnSyms() {
				left, right := bringing(p, j.Left, sym), bringing(p, j.Right, sym)
				if len(left) > 0 && tellAmbiguousJoin(p, j, j.OpSpan, p.Names.String(sym), left, right) {
					return
				}
			}
		}
		return
	}
	for _, id := range j.Using {
		if tellAmbiguousJoin(p, j, id.Span, p.Ident(id), bringing(p, j.Left, id.Sym), bringing(p, j.Right, id.Sym)) {
			return
		}
	}
}

// bringing lists the sources of a side of a join that bring a column of a name, once for each such
// column; those that the joins within it have made one count as the first of them.
func bringing(p *check.Pass, t syntax.TableExpr, sym syntax.Sym) []*bind.Source {
	switch t := t.(type) {
	case *syntax.Join:
		left := bringing(p, t.Left, sym)
		if t.Type == syntax.SemiJoin || t.Type == syntax.AntiJoin {
			return left // the other side gives no columns
		}
		right := bringing(p, t.Right, sym)
		one := slices.ContainsFunc(t.Using, func(id syntax.Ident) bool { return id.Sym == sym })
		if one || t.Natural && len(left) > 0 {
			return append(left, right...)[:min(1, len(left)+len(right))]
		}
		return append(left, right...)
	case *syntax.ParenTable:
		if s := p.SourceAt(t); s == nil {
			return bringing(p, t.Table, sym)
		}
	}
	s := p.SourceAt(t)
	if s == nil {
		return nil
	}
	var list []*bind.Source
	for range s.Brings(sym) {
		list = append(list, s)
	}
	return list
}

func tellAmbiguousJoin(p *check.Pass, j *syntax.Join, at text.Span, column string, left, right []*bind.Source) bool {
	several, other := left, right
	if len(several) < 2 {
		several, other = right, left
	}
	if len(several) < 2 {
		return false
	}
	owners := make([]string, len(several))
	for i, s := range several {
		owners[i] = p.Ident(s.Name)
	}
	if twice := several[0] == several[1]; twice && p.Dialect != dialect.Postgres || !twice && sameNames(owners) {
		return false // name.duplicate-output or name.duplicate-alias tells
	}
	f := check.Finding{
		Span: at, Context: j.Span(), Certainty: check.Certain, Verdicts: joinVerdicts,
		Message: fmt.Sprintf("the join ties by %s, which may be that of %s", column, check.List(owners, "or")),
		Why:     fmt.Sprintf("One side of the join has a column %s from each of %s, and the database does not choose.", column, check.List(owners, "and")),
	}
	switch {
	case p.Dialect == dialect.SQLite && (j.Type == syntax.RightJoin || j.Type == syntax.FullJoin):
		f.Verdicts = check.Everywhere(check.Refused)
	case p.Dialect == dialect.SQLite:
		f.Certainty = check.Likely
		f.Why = fmt.Sprintf("One side of the join has a column %s from each of %s. SQLite ties by the first.", column, check.List(owners, "and"))
	}
	if several[0] == several[1] {
		f.Message = fmt.Sprintf("the join ties by %s, of which %s has two", column, owners[0])
		f.Why = "The database does not choose between them."
	}
	if len(j.Using) != 1 || len(other) != 1 || several[0] == several[1] {
		f.Mends = []check.Mend{{Title: "say ON, with the column that is meant", Effect: check.ByHand}}
		p.Report(f)
		return true
	}
	end := j.Span().End
	start := j.Right.Span().End
	for _, owner := range owners {
		f.Mends = append(f.Mends, check.Mend{
			Title: fmt.Sprintf("tie by that of %s", owner), Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(text.Span{Start: start, End: end}, fmt.Sprintf(" %s %s.%s = %s.%s", p.Word(j.OpSpan.Start, "ON"), owner, column, p.Ident(other[0].Name), column))},
		})
	}
	p.Report(f)
	return true
}

var joinVerdicts = check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.SQLite))
