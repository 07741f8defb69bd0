package names

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
)

var unknownColumn = &check.Check{
	ID:     "name.unknown-column",
	Title:  "column that no source has",
	Errors: []string{"42703", "ORA-00904", "1054", "Msg 207"},
	Doc: "All columns of the sources are known, and none has the name, so the database refuses the query. Where one is spelt almost alike it " +
		"is offered, and where another table has it that is told.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT nmae FROM hives",
		Good: "SELECT name FROM hives",
		Near: []string{
			"SELECT h.label FROM (SELECT name AS label FROM hives) AS h",
			"SELECT COUNT(*) AS hive_count FROM hives ORDER BY hive_count",
			"SELECT CURRENT_DATE FROM hives",
		},
	}, {
		Bad:  "SELECT h.nam FROM hives AS h",
		Good: "SELECT h.name FROM hives AS h",
		Near: []string{"SELECT h.name FROM hives AS h"},
	}, {
		Bad:  "SELECT weight_kg FROM hives WHERE hive_id = 3",
		Good: "SELECT frame_count FROM hives WHERE hive_id = 3",
	}, {
		NoSchema: true,
		Near:     []string{"SELECT nmae FROM hives"},
	}, {
		Dialect: dialect.SQLite,
		Near:    []string{"INSERT INTO keepers (rowid, name, joined_on) VALUES (900, 'Ada', '2026-01-01')", "SELECT rowid, name FROM hives", `SELECT name FROM hives WHERE name = "Ash"`},
	}},
	On: check.Names(runUnknownColumn, bind.Missing).And(check.Nodes(unknownInUsing).With(facts.Merging)).And(check.Nodes(unknownInInsert)).And(check.Nodes(unknownInUpdate)).And(check.Nodes(unknownInMerge)).And(check.Nodes(unknownInIndex)).And(check.Nodes(unknownReferred)),
}

// unknownTargets reports columns that INSERT or SET is to fill and the table does
// not have.
func unknownTargets(p *check.Pass, table syntax.TableExpr, columns []syntax.Ident, set []*syntax.Assign) {
	if len(columns) == 0 && len(set) == 0 || !p.Tells(table) {
		return
	}
	s := p.SourceAt(table)
	if s == nil || !s.Complete || s.SchemaTable() == nil || s.SchemaTable().IsView {
		return
	}
	for _, id := range columns {
		unknownTarget(p, s, id)
	}
	for _, a := range set {
		if n, ok := a.Target.(*syntax.Name); ok && (len(n.Parts) == 1 || len(n.Parts) == 2 && n.Parts[0].Sym == s.Name.Sym && !p.Dialect.Has(dialect.DollarQuotes)) {
			unknownTarget(p, s, n.Last())
		}
	}
}

func unknownTarget(p *check.Pass, s *bind.Source, id syntax.Ident) {
	if id.Sym == 0 || s.Brings(id.Sym) > 0 { // which a template puts in
		return
	}
	name := p.Names.String(id.Sym)
	if s.SchemaTable().Column(name) >= 0 || p.Src[id.Span.Start] == '@' || p.Src[id.Span.Start] >= 0x80 {
		return
	}
	switch name { // columns that no definition lists
	case "rowid", "oid", "_rowid_", "row_start", "row_end":
		return
	}
	f := check.Finding{
		Span: id.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("there is no column %s to write to", p.Ident(id)),
		Why:     fmt.Sprintf("%s has no column of that name.", s.SchemaTable().Name),
	}
	if near := p.OfferNearest(&f, name, p.ColumnNames(s)); near != "" {
		f.Why = fmt.Sprintf("%s has no column of that name. Did you mean %s?", s.SchemaTable().Name, near)
	}
	p.Report(f)
}

// unknownInUsing reports a column of USING that one side of the join lacks.
func unknownInUsing(p *check.Pass, j *syntax.Join) {
	left, right := p.SourcesOf(j.Left), p.SourcesOf(j.Right)
	for _, id := range j.Using {
		for _, side := range [][]*bind.Source{left, right} {
			lacks := len(side) > 0
			for _, s := range side {
				lacks = lacks && s.Complete && s.Brings(id.Sym) == 0
			}
			if lacks && p.Tells(j) {
				p.Report(check.Finding{
					Span: id.Span, Certainty: check.Certain,
					Message: fmt.Sprintf("there is no column %s to join by", p.Ident(id)),
					Why:     fmt.Sprintf("USING names a column that both sides have, and %s no column of that name.", has(p, side)),
					Mends:   []check.Mend{{Title: "say ON, with the column of each side", Effect: check.ByHand}},
				})
				break
			}
		}
	}
}

func unknownInInsert(p *check.Pass, n *syntax.Insert) {
	unknownTargets(p, n.Table, n.Columns, n.Set)
}

func unknownInUpdate(p *check.Pass, n *syntax.Update) {
	if ref, ok := n.Table.(*syntax.TableRef); ok { // not where FROM names it
		unknownTargets(p, ref, nil, n.Set)
	}
}

func unknownInMerge(p *check.Pass, n *syntax.Merge) {
	for _, branch := range n.Branches {
		unknownTargets(p, n.Target, branch.Columns, branch.Set)
	}
}

// unknownInIndex reports a column of CREATE INDEX that the table does not have.
func unknownInIndex(p *check.Pass, n *syntax.CreateIndex) {
	if len(n.Table) == 0 || !p.Tells(n) || p.Schema == nil {
		return
	}
	t := p.TableNamed(n.Table)
	if t == nil || !t.Complete || t.IsView {
		return
	}
	for _, item := range n.Items {
		name, ok := syntax.Unparen(item.X).(*syntax.Name)
		if !ok || len(name.Parts) != 1 || name.Parts[0].Quoted || t.Column(p.Names.String(name.Parts[0].Sym)) >= 0 {
			continue
		}
		reportNoColumn(p, t, name.Parts[0], " to index")
	}
}

// unknownReferred reports a column of REFERENCES that the other table does not have.
func unknownReferred(p *check.Pass, n *syntax.Constraint) {
	if n.Type != syntax.ForeignKey || len(n.Table) == 0 || !p.Tells(n) || p.Schema == nil || p.Dialect == dialect.SQLite {
		return
	}
	t := p.TableNamed(n.Table)
	if t == nil || !t.Complete || t.IsView || p.RefersToItself(n, creates) {
		return
	}
	for _, id := range n.References {
		if !id.Quoted && t.Column(p.Names.String(id.Sym)) < 0 {
			reportNoColumn(p, t, id, " to refer to")
		}
	}
}

// creates are the definitions in which a foreign key may refer to the table that is being made.
var creates = syntax.Kinds(syntax.KindCreateTable)

func reportNoColumn(p *check.Pass, t *schema.Table, id syntax.Ident, what string) {
	f := check.Finding{
		Span: id.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("%s has no column %s%s", t.Name, p.Ident(id), what),
		Why:     "The database refuses a name that it cannot find.",
	}
	var columns []string
	for _, c := range t.Columns {
		columns = append(columns, c.Name)
	}
	p.OfferNearest(&f, p.Names.String(id.Sym), columns)
	p.Report(f)
}

func runUnknownColumn(p *check.Pass, name *syntax.Name) {
	u := p.Use(name)
	if !p.Tells(name) || aliasBeside(p, name) || u.Scope != nil && u.Scope.Node != nil && bind.Definitions.Has(u.Scope.Node.Kind()) {
		return // definition.unknown-column tells of definitions
	}
	if _, ok := meantAsText(p, name); ok {
		return // name.double-quoted-text tells
	}
	if len(name.Parts) > 1 && u.Scope != nil && hasTwins(u.Scope, name.Qualifier().Sym) {
		return // name.duplicate-alias tells
	}
	if len(name.Parts) > 1 && p.Dialect == dialect.Postgres && p.Schema.HasRoutine(strings.ToLower(p.Ident(name.Last()))) {
		return // which takes the row
	}
	column := p.Ident(name.Last())
	sources := u.Candidates()
	if len(name.Parts) == 1 {
		sources = u.Scope.Sources
	}
	var candidates []string
	for _, s := range sources {
		candidates = append(candidates, p.ColumnNames(s)...)
	}
	f := check.Finding{
		Span: name.Last().Span, Certainty: check.Certain,
		Message: fmt.Sprintf("%s no column %s", has(p, sources), column),
		Why:     "The database refuses a name that it cannot find.",
	}
	if p.Src[name.Last().Span.Start] == '"' && p.Dialect.Has(dialect.ExecutedComments) {
		return // which is a text, but in a mode
	}
	if p.OfferNearest(&f, p.Names.String(name.Last().Sym), candidates) == "" {
		if owners := ownersOf(p, name.Last().Sym); len(owners) > 0 {
			f.Why = fmt.Sprintf("It is a column of %s.", check.List(owners, "and"))
		}
	}
	p.Report(f)
}

// hasTwins reports whether two sources of a scope have a name.
func hasTwins(scope *bind.Scope, name syntax.Sym) bool {
	found := 0
	for _, s := range scope.Sources {
		if s.Name.Sym == name {
			found++
		}
	}
	return found > 1
}

// aliasBeside reports whether the name is an alias of the same select list, of
// which another check tells where it can be seen.
func aliasBeside(p *check.Pass, name *syntax.Name) bool {
	sel := p.SelectOf(name)
	if sel == nil || len(name.Parts) > 1 {
		return false
	}
	return p.Scope(sel).Item(name.Last().Sym) != nil
}

// has begins a sentence about what sources have.
func has(p *check.Pass, sources []*bind.Source) string {
	var names []string
	for _, s := range sources {
		if s.Name.Sym != 0 {
			names = append(names, p.Names.String(s.Name.Sym))
		}
	}
	switch len(names) {
	case 0:
		return "this query has no table, and so"
	case 1:
		return names[0] + " has"
	}
	return check.List(names, "and") + " have"
}

// ownersOf lists up to three tables that have a column, none where so many have it that it tells
// nothing.
func ownersOf(p *check.Pass, sym syntax.Sym) (owners []string) {
	const told, most = 3, 20
	for _, t := range p.Schema.Owners(p.Names.String(sym), most) {
		owners = append(owners, t.Name)
	}
	return owners[:min(len(owners), told)]
}
