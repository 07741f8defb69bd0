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

var outerUndone = &check.Check{
	ID:    "join.outer-undone",
	Title: "outer join undone by WHERE",
	Doc: "An outer join keeps rows that find no partner and fills the other side with NULL. A condition of WHERE that no NULL can pass takes exactly these " +
		"rows away again, and the join is an inner one. A condition on the partner belongs behind ON. If only rows with a partner are wanted, JOIN says so.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 5",
		Good: "SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND i.mites > 5",
		Near: []string{
			"SELECT h.name FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.hive_id IS NULL",
			"SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites > 5 OR i.mites IS NULL",
			"SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE COALESCE(i.mites, 0) < 5",
			"SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE h.frame_count > 8",
			"SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE i.hive_id IS NOT NULL",
		},
	}, {
		NoSchema: true,
		Bad:      "SELECT h.name, a.name FROM apiaries a RIGHT JOIN hives h ON a.apiary_id = h.apiary_id WHERE h.frame_count > 8 AND a.altitude_m BETWEEN 300 AND 600",
		Good:     "SELECT h.name, a.name FROM apiaries a RIGHT JOIN hives h ON a.apiary_id = h.apiary_id AND a.altitude_m BETWEEN 300 AND 600 WHERE h.frame_count > 8",
	}},
	On: check.Kinds(runOuterUndone, syntax.KindSelect, syntax.KindUpdate, syntax.KindDelete).With(facts.Optional),
}

func runOuterUndone(p *check.Pass, n syntax.Node) {
	scope := p.Scope(n)
	tables, where := joined(n)
	if where == nil || len(tables) == 0 || scope.Natural || scope.Marked || len(scope.Sources) > facts.MaxSources {
		return
	}
	if sel, ok := n.(*syntax.Select); ok && p.OwnQuery(sel) != nil {
		if _, exists := p.Parent(p.OwnQuery(sel)).(*syntax.Exists); exists {
			return // which asks for rows with a partner
		}
	}
	if named, _ := p.NamedIn(scope, where.Cond); !slices.ContainsFunc(scope.Sources, func(s *bind.Source) bool { return s.Optional && named.Has(s) }) {
		return
	}
	var room [8]syntax.Expr
	chain := syntax.AppendConjuncts(room[:0], where.Cond)
	if len(chain) > facts.LongChain {
		return
	}
	for _, t := range tables {
		eachJoin(t, func(j *syntax.Join) {
			switch j.Type {
			case syntax.LeftJoin:
				undoneSide(p, n, where, chain, j, j.Right)
			case syntax.RightJoin:
				undoneSide(p, n, where, chain, j, j.Left)
			}
		})
	}
}

// joined gives the tables that a SELECT, an UPDATE or a DELETE joins, and its WHERE.
func joined(n syntax.Node) (tables []syntax.TableExpr, where *syntax.Where) {
	from := func(f *syntax.From) []syntax.TableExpr {
		if f == nil {
			return nil
		}
		return f.Tables
	}
	switch n := n.(type) {
	case *syntax.Select:
		return from(n.From), n.Where
	case *syntax.Update:
		if n.From != nil {
			return n.From.Tables, n.Where
		}
		return []syntax.TableExpr{n.Table}, n.Where
	case *syntax.Delete:
		if n.Using != nil {
			return n.Using.Tables, n.Where
		}
		if len(n.Targets) > 0 { // without them no database takes a join
			return from(n.From), n.Where
		}
	}
	return nil, nil
}

// eachJoin calls f for the joins that a table of FROM is made of, but for those in derived tables; the last
// of a chain comes first.
func eachJoin(t syntax.TableExpr, f func(*syntax.Join)) {
	for {
		switch n := t.(type) {
		case *syntax.ParenTable:
			t = n.Table
			continue
		case *syntax.Join:
			eachJoin(n.Right, f)
			f(n)
			t = n.Left
			continue
		}
		return
	}
}

func undoneSide(p *check.Pass, n syntax.Node, where *syntax.Where, chain []syntax.Expr, j *syntax.Join, side syntax.TableExpr) {
	sources := p.SourcesOf(side)
	var rejecting []int
	movable := len(j.Using) == 0 && j.On != nil
	tested := false // WHERE asks itself whether there is a partner
	for i, c := range chain {
		if !slices.ContainsFunc(sources, func(s *bind.Source) bool { return p.Rejects(c, s) }) {
			continue
		}
		if is, ok := syntax.Unparen(c).(*syntax.Is); ok && is.Not && is.Test == syntax.IsNull {
			tested = true
			continue
		}
		named, ok := p.NamedIn(p.Scope(n), c)
		movable = movable && ok && onlyOf(named, p.SourcesOf(j))
		rejecting = append(rejecting, i)
	}
	if len(rejecting) == 0 || tested {
		return
	}
	first := chain[rejecting[0]]
	name := p.SourceName(sources[0])
	for _, s := range sources {
		if p.Rejects(first, s) {
			name = p.SourceName(s)
		}
	}
	f := check.Finding{Span: first.Span(), Context: where.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("rows without %s are lost here: WHERE undoes the %s", name, joinWords(p, j)),
		Why:     fmt.Sprintf("Where there is no partner, the columns of %s are NULL, and no NULL passes this condition.", name),
		Related: []check.Related{{Span: j.OpSpan, Message: "the outer join"}},
	}
	for _, i := range rejecting[1:] {
		f.Related = append(f.Related, check.Related{Span: chain[i].Span(), Message: "this condition, too"})
	}
	// Of a source that nothing shows, rows without a partner are not what is wanted.
	sel, isSelect := n.(*syntax.Select)
	if !isSelect {
		f.Verdicts = check.Everywhere(check.Unclear)
		done := "changed"
		if n.Kind() == syntax.KindDelete {
			done = "deleted"
		}
		f.Message = fmt.Sprintf("rows without %s are not %s: WHERE undoes the %s", name, done, joinWords(p, j))
	}
	if isSelect && movable && flat(chain, where) && !slices.ContainsFunc(sources, func(s *bind.Source) bool { return p.JoinsReject(sel, s) }) && (shown(p, sel).HasAny(sources) || p.Aggregates(sel)) {
		moved := make([]string, 0, len(rejecting))
		for _, i := range rejecting {
			moved = append(moved, operand(p, chain[i]))
		}
		edits := p.AddConjunct(j, j.On, strings.Join(moved, " "+p.Word(j.OpSpan.Start, "AND")+" "))
		if len(rejecting) == len(chain) {
			edits = append(edits, p.RemoveClause(sel.Where)...)
		} else {
			edits = append(edits, p.RemoveConjuncts(chain, func(i int) bool { return slices.Contains(rejecting, i) })...)
		}
		f.Mends = append(f.Mends, check.Mend{Title: "keep the rows without " + name + ": move the condition to ON", Effect: check.NewRows, Edits: edits})
	}
	f.Mends = append(f.Mends, check.Mend{Title: "only rows with " + name + " are wanted: say JOIN", Effect: check.SameRows,
		Edits: []text.Edit{check.Replace(j.OpSpan, p.Word(j.OpSpan.Start, "JOIN"))}})
	p.Report(f)
}

// operand gives the text of a condition as an operand of AND.
func operand(p *check.Pass, x syntax.Expr) string {
	if hasOr(x) {
		return "(" + p.Text(x) + ")"
	}
	return p.Text(x)
}

// flat reports whether WHERE is the chain itself, with no parentheses round parts of it.
func flat(chain []syntax.Expr, w *syntax.Where) bool {
	return len(chain) > 0 && chain[0].Span().Start == w.Cond.Span().Start && chain[len(chain)-1].Span().End == w.Cond.Span().End
}

// joinWords gives the keywords of a join for a sentence.
func joinWords(p *check.Pass, j *syntax.Join) string {
	return strings.ToUpper(strings.Join(strings.Fields(p.BriefOf(j.OpSpan)), " "))
}

func onlyOf(named facts.SourceSet, sources []*bind.Source) bool {
	for _, s := range sources {
		named &^= 1 << s.Index
	}
	return named == 0
}

var preservedFilter = &check.Check{
	ID:    "join.preserved-filter",
	Title: "ON filters the side that an outer join keeps whole",
	Doc: "A LEFT JOIN keeps every row of its left side, whatever ON says. A condition behind ON about that side alone takes no row away. It only lets the rows " +
		"for which it fails go without a partner. To leave rows out, the condition belongs in WHERE.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND h.frame_count > 8",
		Good: "SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id WHERE h.frame_count > 8",
		Near: []string{
			"SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND i.mites > 8",
			"SELECT h.name, i.mites FROM hives h JOIN inspections i ON i.hive_id = h.hive_id AND h.frame_count > 8",
			"SELECT h.name, i.mites FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id AND i.mites > h.frame_count",
			"SELECT h.name, i.mites, g.weight_kg FROM hives h LEFT JOIN inspections i ON i.hive_id = h.hive_id " +
				"LEFT JOIN harvests g ON g.hive_id = h.hive_id AND i.mites > 3",
		},
	}},
	On: check.Nodes(runPreservedFilter).With(facts.OneSided),
}

func runPreservedFilter(p *check.Pass, j *syntax.Join) {
	if j.Type != syntax.LeftJoin && j.Type != syntax.RightJoin || j.On == nil {
		return
	}
	if b, ok := j.On.(*syntax.Binary); !ok || b.Op != syntax.OpAnd || !hasFilter(b) {
		return
	}
	scope, kept, other := scopeOf(p, j), j.Left, j.Right
	if j.Type == syntax.RightJoin {
		kept, other = other, kept
	}
	sel, isSelect := p.Nearest(j, bind.Scoped).(*syntax.Select)
	if scope == nil || !isSelect || len(scope.Sources) > facts.MaxSources {
		return
	}
	var room [8]syntax.Expr
	chain := syntax.AppendConjuncts(room[:0], j.On)
	if len(chain) > facts.LongChain {
		return
	}
	keptSources := p.SourcesOf(kept)
	var filters []int
	for i, c := range chain {
		if !isFilter(c) {
			continue
		}
		named, ok := p.NamedIn(scope, c)
		if ok && named != 0 && onlyOf(named, keptSources) && !named.HasAny(p.SourcesOf(other)) && !anyOptional(named.Of(scope)) {
			filters = append(filters, i)
		}
	}
	if len(filters) == 0 || len(filters) == len(chain) {
		return
	}
	if slices.ContainsFunc(p.SourcesOf(other), func(s *bind.Source) bool { return p.IsThere(sel, s) }) {
		return // the rows that it fails for are taken away behind the join
	}
	first := chain[filters[0]]
	named, _ := p.NamedIn(scope, first)
	name := p.SourceName(named.Of(scope)[0])
	f := check.Finding{Span: first.Span(), Context: j.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("this takes no row away: %s keeps every row of %s", joinWords(p, j), name),
		Why:     "Rows for which it fails stay, and get no partner.",
		Related: []check.Related{{Span: j.OpSpan, Message: "the outer join"}},
	}
	for _, i := range filters[1:] {
		f.Related = append(f.Related, check.Related{Span: chain[i].Span(), Message: "nor does this"})
	}
	title := "leave the rows out: move the condition to WHERE"
	if sel.InOrder() {
		condition := make([]string, 0, len(filters))
		for _, i := range filters {
			condition = append(condition, operand(p, chain[i]))
		}
		all := strings.Join(condition, " "+p.Word(j.OpSpan.Start, "AND")+" ")
		edits := p.RemoveConjuncts(chain, func(i int) bool { return slices.Contains(filters, i) })
		if sel.Where != nil {
			edits = append(edits, p.AddConjunct(sel.Where, sel.Where.Cond, all)...)
		} else {
			edits = append(edits, p.NewClause(sel.From, sel.From, p.Word(sel.From.Span().Start, "WHERE")+" "+all))
		}
		f.Mends = []check.Mend{{Title: title, Effect: check.NewRows, Edits: edits}}
	} else {
		f.Mends = []check.Mend{{Title: title, Effect: check.ByHand}}
	}
	p.Report(f)
}

// hasFilter reports whether an operand of AND is a filter.
func hasFilter(x syntax.Expr) bool {
	if b, ok := x.(*syntax.Binary); ok && b.Op == syntax.OpAnd {
		return hasFilter(b.X) || hasFilter(b.Y)
	}
	return isFilter(x)
}

// isFilter reports whether a condition chooses rows by a constant, as WHERE does.
func isFilter(c syntax.Expr) bool {
	switch n := syntax.Unparen(c).(type) {
	case *syntax.Binary:
		_, left := syntax.Unparen(n.X).(*syntax.Literal)
		_, right := syntax.Unparen(n.Y).(*syntax.Literal)
		return n.Op.IsComparison() && left != right
	case *syntax.In:
		return n.Query == nil
	case *syntax.Like, *syntax.Between:
		return true
	}
	return false
}

func anyOptional(sources []*bind.Source) bool {
	return slices.ContainsFunc(sources, func(s *bind.Source) bool { return s.Optional })
}

var oldOuter = &check.Check{
	ID:    "join.old-outer",
	Title: "outer join by (+)",
	Doc: "Oracle's (+) behind a column makes an outer join of a condition of WHERE. One mark that is forgotten makes an inner join of it again without a word. " +
		"It cannot be joined by OR, and no other database reads it. LEFT JOIN … ON says the same, and Oracle advises it.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.Oracle)),
	Examples: []check.Example{{
		Dialect: dialect.Oracle,
		Bad:     "SELECT h.name, q.colour FROM hives h, queens q WHERE h.queen_id = q.queen_id (+)",
		Good:    "SELECT h.name, q.colour FROM hives h LEFT JOIN queens q ON h.queen_id = q.queen_id",
		Near: []string{
			"SELECT h.name, q.colour FROM hives h LEFT JOIN queens q ON h.queen_id = q.queen_id",
			"SELECT h.name FROM hives h WHERE h.frame_count = (+8)",
			"SELECT h.name, q.colour FROM hives h, queens q WHERE h.queen_id = q.queen_id",
		},
	}},
	On: check.Nodes(runOldOuter).In(dialect.In(dialect.Oracle)),
}

func runOldOuter(p *check.Pass, w *syntax.Where) {
	var first *syntax.OuterMark
	var more []check.Related
	syntax.Inspect(w.Cond, func(n syntax.Node) bool {
		if m, ok := n.(*syntax.OuterMark); ok {
			if first == nil {
				first = m
			} else if len(more) < 4 {
				more = append(more, check.Related{Span: m.Span(), Message: "here, too"})
			}
		}
		return n.Kind() != syntax.KindQuery
	})
	if first == nil {
		return
	}
	name := p.Brief(first.X)
	if n, ok := syntax.Unparen(first.X).(*syntax.Name); ok && p.Use(n).Source != nil {
		name = p.SourceName(p.Use(n).Source)
	}
	p.Report(check.Finding{
		Span: first.Span(), Context: w.Span(), Certainty: check.Certain, Related: more,
		Message: fmt.Sprintf("(+) makes an outer join with %s, hidden in WHERE", name),
		Why:     "Each condition on the optional side needs the mark; one without it undoes the join.",
		Mends:   []check.Mend{{Title: fmt.Sprintf("write LEFT JOIN %s ON …, with all conditions that are marked", name), Effect: check.ByHand}},
	})
}
