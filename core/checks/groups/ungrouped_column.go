package groups

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var ungroupedColumn = &check.Check{
	ID:     "group.ungrouped-column",
	Title:  "column neither grouped nor aggregated",
	Errors: []string{"42803", "ORA-00979", "1055", "Msg 8120"},
	Doc: "A group is many rows and gives one; a column that is neither grouped nor aggregated has many values there and the result room " +
		"for one. Most databases refuse it; SQLite and MariaDB, and MySQL without ONLY_FULL_GROUP_BY, give the value of some row. PostgreSQL lets " +
		"columns stand that the table's grouped primary key determines, MySQL also those that follow by equalities.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MariaDB, dialect.SQLite)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT apiary_id, name, COUNT(*) FROM hives GROUP BY apiary_id",
		Good:    "SELECT apiary_id, name, COUNT(*) FROM hives GROUP BY apiary_id, name",
		Near: []string{
			"SELECT hive_id, name, COUNT(*) FROM hives GROUP BY hive_id",
			"SELECT apiary_id, MAX(name), COUNT(*) FROM hives GROUP BY apiary_id",
			"SELECT UPPER(name) AS n, COUNT(*) FROM hives GROUP BY n",
			"SELECT apiary_id + 1, CURRENT_DATE, 'x', COUNT(*) FROM hives GROUP BY apiary_id",
			"SELECT name, COUNT(*) OVER () FROM hives",
			"SELECT apiary_id, (SELECT a.name FROM apiaries AS a WHERE a.apiary_id = h.apiary_id) FROM hives AS h GROUP BY apiary_id",
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY 1",
			"SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id ORDER BY MAX(name)",
		},
	}, {
		Bad: "SELECT * FROM inspections GROUP BY hive_id",
		Near: []string{
			"SELECT * FROM inspections GROUP BY inspection_id",
			"SELECT h.*, COUNT(i.inspection_id) FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id GROUP BY h.hive_id",
			"SELECT * FROM (SELECT apiary_id FROM hives) AS d GROUP BY apiary_id",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT keeper_id, COUNT(*) FROM hives",
		Good:    "SELECT keeper_id, COUNT(*) FROM hives GROUP BY keeper_id",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT hive_id, name, COUNT(*) FROM hives GROUP BY hive_id",
		Good:    "SELECT hive_id, name, COUNT(*) FROM hives GROUP BY hive_id, name",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT apiary_id, name, COUNT(*) FROM hives GROUP BY apiary_id",
		Good:    "SELECT apiary_id, name, COUNT(*) FROM hives GROUP BY apiary_id, name",
		Near: []string{
			"SELECT hive_id, weight_kg, MAX(taken_on) FROM harvests GROUP BY hive_id",
			"SELECT hive_id, name, COUNT(*) FROM hives GROUP BY hive_id",
		},
	}, {
		Dialect: dialect.MySQL,
		Near: []string{
			"SELECT COUNT(*) FROM hives ORDER BY name",
			"SELECT h.hive_id, h.name, COUNT(*) FROM hives h JOIN inspections i ON i.hive_id = h.hive_id GROUP BY i.hive_id",
		},
	}},
	On: check.Nodes(ungroupedOfGroups).With(facts.Grouped).And(check.Nodes(ungroupedOfAll).With(facts.Aggregating)),
}

func ungroupedOfGroups(p *check.Pass, s *syntax.Select) {
	runUngroupedColumn(p, s, p.FirstAggregate(s))
}

// ungroupedOfAll looks at a query without GROUP BY, which makes one row of all.
func ungroupedOfAll(p *check.Pass, s *syntax.Select) {
	if s.GroupBy != nil {
		return
	}
	aggregate := p.FirstAggregate(s)
	if aggregate == nil && !p.Dialect.Has(dialect.ExecutedComments) { // MySQL and MariaDB make one row of them, too, but keep it
		aggregate = p.AggregatesOf(s)[0].Call
	}
	if aggregate != nil {
		runUngroupedColumn(p, s, aggregate)
	}
}

func runUngroupedColumn(p *check.Pass, s *syntax.Select, aggregate *syntax.Call) {
	if s.From == nil || groupsByUnseen(p, s) {
		return
	}
	g := p.GroupingOf(s)
	if g.Unclear || s.GroupBy != nil && len(g.Keys) == 0 || p.Dialect.Has(dialect.MinMaxPicksRow) && picksRow(p, s) {
		return
	}
	q := p.OwnQuery(s)
	if q != nil && (q.OrderBy == nil || s.Distinct || s.GroupBy == nil && p.Dialect.Has(dialect.ExecutedComments)) {
		q = nil // MySQL and MariaDB leave ORDER BY out where the result is one row
	}
	if settled(p, g, s, q) {
		return
	}
	u := ungrouped{pass: p, sel: s, grouping: g, aggregate: aggregate}
	u.each = u.visit
	for _, item := range s.Items {
		if star, ok := item.X.(*syntax.Star); ok {
			if s.GroupBy == nil {
				starBesideAggregate(p, star, aggregate)
			} else {
				u.star(star)
			}
			continue
		}
		syntax.Inspect(item.X, u.each)
	}
	u.clause = "HAVING"
	if s.Having != nil {
		syntax.Inspect(s.Having.Cond, u.each)
	}
	u.clause = "ORDER BY"
	if q != nil {
		for _, item := range q.OrderBy.Items {
			syntax.Inspect(item.X, u.each)
		}
	}
	u.report()
}

// settled reports whether all that is selected, tested and ordered by is plainly grouped
// or aggregated. ordered is the query whose ORDER BY counts, nil if none does.
func settled(p *check.Pass, g *facts.Grouping, s *syntax.Select, ordered *syntax.Query) bool {
	for _, item := range s.Items {
		if !isSettled(p, g, item.X) {
			return false
		}
	}
	if s.Having != nil && !isSettled(p, g, s.Having.Cond) {
		return false
	}
	if ordered != nil {
		for _, item := range ordered.OrderBy.Items {
			if !isSettled(p, g, item.X) {
				return false
			}
		}
	}
	return true
}

func isSettled(p *check.Pass, g *facts.Grouping, x syntax.Expr) bool {
	switch n := x.(type) {
	case *syntax.Literal:
		return true
	case *syntax.Call:
		if p.IsAggregate(n) {
			return true
		}
	case *syntax.Name:
		if p.Use(n).Status == bind.OutputAlias {
			return true
		}
	case *syntax.Binary:
		_, nested := n.X.(*syntax.Binary)
		return !nested && isSettled(p, g, n.X) && isSettled(p, g, n.Y)
	}
	return g.Holds(x)
}

// starBesideAggregate reports the columns of a star in a query that makes one row of
// all.
func starBesideAggregate(p *check.Pass, star *syntax.Star, aggregate *syntax.Call) {
	p.Report(check.Finding{
		Span: star.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s stands beside %s without GROUP BY", p.Text(star), p.Brief(aggregate)),
		Why:     fmt.Sprintf("%s makes one row of all rows, and the columns of %s have many values in them.", p.Brief(aggregate), p.Text(star)),
		Related: []check.Related{{Span: aggregate.Span(), Message: "this aggregates all rows"}},
		Mends:   []check.Mend{{Title: "list the columns to group by, or leave the aggregate to a query of its own", Effect: check.ByHand}},
	})
}

// star reports the columns of a star that are not grouped.
func (u *ungrouped) star(star *syntax.Star) {
	p := u.pass
	scope := p.Scope(u.sel)
	if scope.Natural || u.sel.Reshaped || !p.Tells(star) {
		return
	}
	anyRow := p.Check.Verdicts[p.Dialect] == check.Wrong
	byEquality := anyRow || p.Dialect.Has(dialect.GroupedByEquality)
	var columns []string
	for _, src := range scope.Sources {
		t := src.SchemaTable()
		if len(star.Qualifier) > 0 && star.Qualifier[len(star.Qualifier)-1].Sym != src.Name.Sym {
			continue
		}
		if t == nil || t.IsView {
			return
		}
		fixed := u.of(src, byEquality).fixed
		if (anyRow || p.Dialect.Has(dialect.GroupedByKey)) && keyIsFixed(t, fixed, byEquality) {
			continue
		}
		for i, c := range t.Columns {
			if !fixed[i] && !c.Hidden && !scope.Merges(p.Names.Find(c.Name)) {
				columns = append(columns, c.Name)
			}
		}
	}
	if len(columns) == 0 {
		return
	}
	are := "is"
	if len(columns) > 1 {
		are = "are"
	}
	p.Report(check.Finding{
		Span: star.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("of %s, %s %s neither grouped nor aggregated", p.Text(star), check.Some(columns), are),
		Why:     fmt.Sprintf("A group of %s can hold several values of each, and the result has room for one.", groupedBy(p, u.sel)),
		Related: []check.Related{{Span: u.sel.GroupBy.Span(), Message: "grouped here"}},
		Mends:   []check.Mend{{Title: "list the grouped columns, and aggregates of the others", Effect: check.ByHand}},
	})
}

// ungrouped collects the columns of a SELECT that have no one value a group.
type ungrouped struct {
	pass      *check.Pass
	sel       *syntax.Select
	grouping  *facts.Grouping
	aggregate *syntax.Call
	clause    string
	found     []finding
	each      func(syntax.Node) bool // visit
	// bare are the keys that are names without a qualifier, and whether one of the name is
	// no column that is known; sources what is grouped of a source. Both are worked out when
	// first asked for, else each column would look at all keys.
	bare    map[syntax.Sym]bool
	sources map[*bind.Source]*grouped
}

// grouped is what the keys say of a source: that one is called as its primary key would be,
// and which of its columns they fix.
type grouped struct {
	byID  bool
	fixed map[int]bool
}

type finding struct {
	name    *syntax.Name
	clause  string
	certain bool
}

// visit looks at a node, and tells whether to look at what is below it.
func (u *ungrouped) visit(n syntax.Node) bool {
	if x, ok := n.(syntax.Expr); ok && u.grouping.Holds(x) {
		return false
	}
	switch n := n.(type) {
	case *syntax.Name:
		u.column(n)
		return false
	case *syntax.BadExpr, *syntax.TypeName:
		return false
	case *syntax.Call:
		return !u.pass.MayAggregate(n)
	}
	return true
}

func (u *ungrouped) column(n *syntax.Name) {
	use := u.pass.Use(n)
	if use.Source == nil || use.Source.Scope == nil || use.Status != bind.Resolved && use.Status != bind.Assumed {
		return
	}
	if use.Source.Scope.Node != u.sel { // a subquery's own, or of a query around
		return
	}
	if u.mayBeGrouped(n) || use.Status == bind.Assumed && u.clause == "HAVING" && len(n.Parts) == 1 && u.pass.Scope(u.sel).Item(n.Last().Sym) != nil {
		return // of an alias clause.alias-in-having tells
	}
	switch u.determined(n, use) {
	case facts.Yes:
	case facts.No:
		u.found = append(u.found, finding{n, u.clause, true})
	default:
		u.found = append(u.found, finding{n, u.clause, false})
	}
}

// groupsByUnseen reports whether a key is an alias that GROUP BY does not see, of which
// clause.alias-in-group-by tells.
func groupsByUnseen(p *check.Pass, s *syntax.Select) bool {
	if s.GroupBy == nil {
		return false
	}
	unseen := false
	for _, key := range s.GroupBy.Items {
		syntax.Inspect(key, func(n syntax.Node) bool {
			if n, ok := n.(*syntax.Name); ok && len(n.Parts) == 1 && p.Use(n).Status == bind.Missing && p.Scope(s).Item(n.Last().Sym) != nil {
				unseen = true
			}
			_, nested := n.(*syntax.Query)
			return !nested && !unseen
		})
	}
	return unseen
}

// mayBeGrouped reports whether a grouped bare name that could not be told, for
// want of table definitions, may mean the column.
func (u *ungrouped) mayBeGrouped(n *syntax.Name) bool { return u.bareKeys()[n.Last().Sym] }

// bareKeys gives the keys that are names without a qualifier.
func (u *ungrouped) bareKeys() map[syntax.Sym]bool {
	if u.bare == nil {
		u.bare = map[syntax.Sym]bool{}
		for _, k := range u.grouping.Keys {
			if name, ok := syntax.Unparen(k).(*syntax.Name); ok && len(name.Parts) == 1 {
				sym := name.Last().Sym
				u.bare[sym] = u.bare[sym] || u.pass.Use(name).Status != bind.Resolved
			}
		}
	}
	return u.bare
}

// of gives what the keys say of a source.
func (u *ungrouped) of(src *bind.Source, byEquality bool) *grouped {
	g := u.sources[src]
	if g == nil {
		if u.sources == nil {
			u.sources = map[*bind.Source]*grouped{}
		}
		g = &grouped{byID: u.groupsByID(src), fixed: fixedColumns(u.pass, u.sel, u.grouping, src, byEquality)}
		u.sources[src] = g
	}
	return g
}

// determined reports whether the grouped columns fix the column's value in
// the eyes of the database.
func (u *ungrouped) determined(n *syntax.Name, use *bind.Use) facts.Answer {
	p := u.pass
	// Where the database takes any row's value, a determined column is right too.
	anyRow := p.Check.Verdicts[p.Dialect] == check.Wrong
	if len(u.grouping.Keys) == 0 || !anyRow && !p.Dialect.Has(dialect.GroupedByKey) {
		return facts.No
	}
	byEquality := anyRow || p.Dialect.Has(dialect.GroupedByEquality)
	if byEquality && u.mergedKey(n, use) {
		return facts.Yes
	}
	t := use.Source.SchemaTable()
	if t == nil && p.Dialect.Has(dialect.GroupedByKey) && u.of(use.Source, byEquality).byID {
		return facts.Yes // by a key, as its name says
	}
	if t == nil {
		return facts.Unknown
	}
	if t.IsView || use.Column == nil {
		return facts.Unknown
	}
	fixed := u.of(use.Source, byEquality).fixed
	if keyIsFixed(t, fixed, byEquality) || byEquality && fixed[use.Column.Index] {
		return facts.Yes
	}
	return facts.No
}

// keyIsFixed reports whether some columns hold a key of their table by which the database tells rows apart.
func keyIsFixed(t *schema.Table, fixed map[int]bool, byEquality bool) bool {
	for _, k := range t.Keys {
		if !k.Primary && !byEquality {
			continue
		}
		whole := len(k.Columns) > 0
		for _, c := range k.Columns {
			whole = whole && fixed[c]
		}
		if whole {
			return true
		}
	}
	return false
}

// mergedKey reports whether a key is the column that USING or NATURAL has made of this one and its
// partner.
func (u *ungrouped) mergedKey(n *syntax.Name, use *bind.Use) bool {
	sym := n.Last().Sym
	if use.Scope == nil || !use.Scope.Merges(sym) {
		return false
	}
	_, listed := u.bareKeys()[sym]
	return listed
}

// groupsByID reports whether a key is a column of the source that is called as primary keys
// are: id, or by the table's name.
func (u *ungrouped) groupsByID(src *bind.Source) bool {
	ref, ok := src.Node.(*syntax.TableRef)
	if !ok {
		return false
	}
	table := u.pass.Names.String(ref.Name[len(ref.Name)-1].Sym)
	for _, k := range u.grouping.Keys {
		n, ok := syntax.Unparen(k).(*syntax.Name)
		if !ok || u.pass.Use(n).Source != src {
			continue
		}
		switch column := u.pass.Names.String(n.Last().Sym); column {
		case "id", table + "_id", table + "id", strings.TrimSuffix(table, "s") + "_id", strings.TrimSuffix(table, "s") + "id":
			return true
		}
	}
	return false
}

// fixedColumns gives the columns of a source that are grouped, or, if asked,
// equal to a grouped column or a constant by a condition on every row.
func fixedColumns(p *check.Pass, s *syntax.Select, g *facts.Grouping, src *bind.Source, byEquality bool) map[int]bool {
	fixed := map[int]bool{}
	fix := func(x syntax.Expr) {
		if n, ok := syntax.Unparen(x).(*syntax.Name); ok {
			if u := p.Use(n); u.Source == src && u.Column != nil && u.Column.Index >= 0 {
				fixed[u.Column.Index] = true
			}
		}
	}
	for _, k := range g.Keys {
		fix(k)
	}
	if !byEquality {
		return fixed
	}
	equalities(s, func(x, y syntax.Expr) {
		if g.Holds(x) || isConstant(x) {
			fix(y)
		}
		if g.Holds(y) || isConstant(y) {
			fix(x)
		}
	})
	return fixed
}

func isConstant(x syntax.Expr) bool {
	switch syntax.Unparen(x).(type) {
	case *syntax.Literal, *syntax.TypedLiteral, *syntax.Param:
		return true
	}
	return false
}

// equalities calls f for each x = y that holds on every row: in WHERE and in
// the conditions of inner joins. Those of outer joins count too, as a column
// filled with NULLs still has one value for each value of the other side.
func equalities(s *syntax.Select, f func(x, y syntax.Expr)) {
	test := func(c syntax.Expr) {
		if b, ok := syntax.Unparen(c).(*syntax.Binary); ok && b.Op == syntax.OpEqual {
			f(b.X, b.Y)
		}
	}
	if s.Where != nil {
		syntax.Conjuncts(s.Where.Cond, test)
	}
	for _, t := range s.From.Tables {
		syntax.Inspect(t, func(n syntax.Node) bool {
			if j, ok := n.(*syntax.Join); ok {
				syntax.Conjuncts(j.On, test)
			}
			_, derived := n.(*syntax.Derived)
			return !derived
		})
	}
}

// picksRow reports whether exactly one MIN or MAX is the query's only
// aggregate, so that SQLite takes bare columns from the row that holds it
// (SQLite, "SELECT", 2.5: bare columns in an aggregate query).
func picksRow(p *check.Pass, s *syntax.Select) bool {
	extremes, others := 0, 0
	for _, a := range p.AggregatesOf(s) {
		switch name := p.FunctionName(a.Call); {
		case a.Clause != facts.InList:
		case name == "min" || name == "max":
			extremes++
		default:
			others++
		}
	}
	return extremes == 1 && others == 0
}

// mostPlaces is how many other places a finding points at.
const mostPlaces = 10

// report tells of all columns at once: with one of them grouped the query would still
// be refused. Those of which it is less sure than of others are not told; those of
// HAVING are told apart where the database sees less there.
func (u *ungrouped) report() {
	certain := slices.ContainsFunc(u.found, func(f finding) bool { return f.certain })
	var here, hidden []finding
	seen := map[syntax.Sym]bool{}
	for _, f := range u.found {
		sym := f.name.Last().Sym
		if f.certain != certain || seen[sym] {
			continue
		}
		seen[sym] = true
		if u.isHidden(f) {
			hidden = append(hidden, f)
		} else {
			here = append(here, f)
		}
	}
	for _, found := range [][]finding{here, hidden} {
		if len(found) > 0 {
			u.pass.Report(u.finding(found))
		}
	}
}

// isHidden reports whether HAVING cannot see a column, on databases that show it the
// grouped and selected ones only.
func (u *ungrouped) isHidden(f finding) bool {
	return f.clause == "HAVING" && u.pass.Dialect.Has(dialect.ExecutedComments) && !u.selected(f.name)
}

func (u *ungrouped) finding(found []finding) check.Finding {
	p, f := u.pass, found[0]
	columns := nameList(p, found)
	out := check.Finding{Span: f.name.Span(), Certainty: check.Likely}
	if f.certain {
		out.Certainty = check.Certain
	}
	are, them := "is", "several values of "+columns
	if len(found) > 1 {
		are, them = "are", "several values of them"
	}
	if u.sel.GroupBy == nil {
		stand := "stands"
		if len(found) > 1 {
			stand, them = "stand", "they"
		} else {
			them = columns
		}
		if p.Dialect == dialect.SQLite && p.FirstAggregate(u.sel) == nil { // where ORDER BY makes no groups
			out.Verdicts = check.Everywhere(check.Refused)
		}
		out.Message = fmt.Sprintf("%s %s beside %s without GROUP BY", columns, stand, p.Brief(u.aggregate))
		out.Why = fmt.Sprintf("%s makes one row of all rows, and %s can have many values in them.", p.Brief(u.aggregate), them)
		out.Related = []check.Related{{Span: u.aggregate.Span(), Message: "this aggregates all rows"}}
	} else {
		out.Message = fmt.Sprintf("%s %s neither grouped nor aggregated", columns, are)
		if f.clause != "" {
			out.Message += " in " + f.clause
		}
		out.Why = fmt.Sprintf("A group of %s can hold %s, and the result has room for one.", groupedBy(p, u.sel), them)
		out.Related = []check.Related{{Span: u.sel.GroupBy.Span(), Message: "grouped here"}}
	}
	for _, other := range found[1:min(len(found), 1+mostPlaces)] {
		out.Related = append(out.Related, check.Related{Span: other.name.Span(), Message: "not grouped either"})
	}
	if p.Dialect.Has(dialect.GroupedByKey) && !f.certain {
		out.Why += " It may stand only if the grouped columns are the primary key of its table."
	}
	if u.isHidden(f) {
		out.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.With(dialect.ExecutedComments))
		out.Why += " HAVING sees only grouped and selected columns here."
	}
	out.Mends = u.mends(found)
	return out
}

// nameList gives the columns for a sentence.
func nameList(p *check.Pass, found []finding) string {
	names := make([]string, len(found))
	for i, f := range found {
		names[i] = p.Brief(f.name)
	}
	return check.Some(names)
}

// selected reports whether a column is one of the select list.
func (u *ungrouped) selected(n *syntax.Name) bool {
	return slices.ContainsFunc(u.sel.Items, func(item *syntax.SelectItem) bool { return u.pass.Same(item.X, n) })
}

// columns lists what was found, each column once, as written.
func (u *ungrouped) columns() []string {
	var all []string
	seen := map[string]bool{}
	for _, f := range u.found {
		if name := u.pass.Text(f.name); !seen[name] {
			seen[name] = true
			all = append(all, name)
		}
	}
	return all
}

// groupedBy gives the list of GROUP BY for a sentence.
func groupedBy(p *check.Pass, s *syntax.Select) string {
	items := s.GroupBy.Items
	return p.BriefOf(items[0].Span().Join(items[len(items)-1].Span()))
}

// mends offers GROUP BY over the plain columns where there is none, else to
// group by the column too, or to aggregate it.
func (u *ungrouped) mends(found []finding) []check.Mend {
	p, s, f := u.pass, u.sel, found[0]
	aggregate := check.Mend{
		Title:  fmt.Sprintf("take one value of each group, as with MAX(%s)", p.Brief(f.name)),
		Effect: check.ByHand,
		Edits: []text.Edit{
			check.Insert(f.name.Span().Start, "MAX("), check.Insert(f.name.Span().End, ")"),
		},
	}
	if s.GroupBy != nil {
		if s.GroupBy.Sets {
			return []check.Mend{aggregate}
		}
		// One mend serves all columns: with one of them alone the query would
		// still be refused.
		all := u.columns()
		return []check.Mend{{
			Title:  fmt.Sprintf("group by %s too", nameList(p, found)),
			Effect: check.NewRows,
			Edits:  []text.Edit{check.Insert(s.GroupBy.Span().End, ", "+strings.Join(all, ", "))},
		}, aggregate}
	}
	var columns []string
	for _, item := range s.Items {
		if _, ok := item.X.(*syntax.Name); ok {
			columns = append(columns, p.Text(item.X))
		}
	}
	if len(columns) == 0 || f.clause != "" || !s.InOrder() {
		return []check.Mend{aggregate}
	}
	last := syntax.Node(s.From)
	if s.Where != nil {
		last = s.Where
	}
	start := s.From.Span().Start
	return []check.Mend{{
		Title:  "group by " + strings.Join(columns, ", "),
		Effect: check.NewRows,
		Edits:  []text.Edit{p.NewClause(last, s.From, p.Word(start, "GROUP BY")+" "+strings.Join(columns, ", "))},
	}, aggregate}
}
