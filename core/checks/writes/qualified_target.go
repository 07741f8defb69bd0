package writes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

// ownColumns are the dialects that take no table before a column that is written to, for it can
// only be one of the table itself; on PostgreSQL what stands behind the dot is a field.
var ownColumns = dialect.In(dialect.Postgres, dialect.SQLite)

var qualifiedTarget = &check.Check{
	ID:     "write.qualified-target",
	Title:  "a table before the column that is written to",
	Errors: []string{"42703"},
	Doc: "SET and the list of INSERT name columns of the table that is written to, and PostgreSQL and SQLite take no table or alias before them: " +
		"PostgreSQL looks for a column of that name with fields. In what they are set to a qualifier may stand.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, ownColumns),
	Needs:    check.Text,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "UPDATE hives AS h SET h.frame_count = h.frame_count + 1 WHERE h.hive_id = 1",
		Good:    "UPDATE hives AS h SET frame_count = h.frame_count + 1 WHERE h.hive_id = 1",
		Near: []string{
			"UPDATE hives AS h SET frame_count = h.frame_count + 1 WHERE h.hive_id = 1",
			"UPDATE hives SET frame_count = hives.frame_count + 1 WHERE hives.hive_id = 1",
			"INSERT INTO queens (queen_id, name, bred_in) VALUES (1, 'Ada', 2026) ON CONFLICT (queen_id) DO UPDATE SET name = excluded.name",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "INSERT INTO queens (queens.queen_id, name, bred_in) VALUES (901, 'Ada', 2026)",
		Good:    "INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ada', 2026)",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "UPDATE hives SET hives.frame_count = 8 WHERE hive_id = 1",
		Good:    "UPDATE hives SET frame_count = 8 WHERE hive_id = 1",
	}, {
		Dialect: dialect.MariaDB,
		Near:    []string{"UPDATE hives AS h SET h.frame_count = h.frame_count + 1 WHERE h.hive_id = 1"},
	}},
	On: check.Nodes(runQualifiedSet).And(check.Nodes(runQualifiedList)).With(facts.Elaborate).In(ownColumns),
}

func runQualifiedSet(p *check.Pass, n *syntax.Update) { qualifiedIn(p, n.Table, n.Set) }

func qualifiedIn(p *check.Pass, table syntax.TableExpr, set []*syntax.Assign) {
	for _, a := range set {
		if name, ok := a.Target.(*syntax.Name); ok && len(name.Parts) > 1 {
			tellQualified(p, table, name.Parts[0], text.Span{Start: name.Parts[0].Span.Start, End: name.Last().Span.Start})
		}
	}
}

// runQualifiedList looks at the columns of INSERT, whose list keeps no qualifiers, and at those
// that ON CONFLICT sets.
func runQualifiedList(p *check.Pass, n *syntax.Insert) {
	for _, id := range n.Columns {
		dot := strings.IndexByte(text.View(p.Src, id.Span), '.')
		if id.Sym != 0 || dot < 0 { // what a template puts in has none, nor a name that is read
			continue
		}
		first := syntax.Ident{Span: text.Span{Start: id.Span.Start, End: id.Span.Start + text.Pos(dot)}}
		first.Sym = p.Names.Intern(p.Src[first.Span.Start:first.Span.End])
		tellQualified(p, n.Table, first, text.Span{Start: id.Span.Start, End: first.Span.End + 1})
	}
	qualifiedIn(p, n.Table, n.Conflict)
}

// tellQualified reports the name of the table or its alias before a column.
func tellQualified(p *check.Pass, table syntax.TableExpr, first syntax.Ident, qualifier text.Span) {
	ref, ok := table.(*syntax.TableRef)
	if !ok || len(p.Stmt.Errors) > 0 || first.Sym == 0 || first.Sym != ref.Alias.Sym && first.Sym != ref.Name[len(ref.Name)-1].Sym {
		return
	}
	f := check.Finding{
		Span: qualifier, Certainty: check.Likely, // of a type with fields, perhaps
		Message: fmt.Sprintf("%s is no column of the table that is written to", p.Ident(first)),
		Why:     "The columns that are set can only be its own, so no table stands before them.",
		Mends:   []check.Mend{{Title: "name the column alone", Effect: check.NewRows, Edits: []text.Edit{check.Replace(qualifier, "")}}},
	}
	if s := p.SourceAt(ref); p.Dialect == dialect.SQLite || s != nil && s.SchemaTable() != nil && s.Complete && s.SchemaTable().Column(p.Names.String(first.Sym)) < 0 {
		f.Certainty = check.Certain
	}
	p.Report(f)
}
