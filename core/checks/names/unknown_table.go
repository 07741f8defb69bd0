package names

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unknownTable = &check.Check{
	ID:     "name.unknown-table",
	Title:  "table that the schema does not have",
	Errors: []string{"42P01", "ORA-00942", "1146", "Msg 208"},
	Doc: "No table, view or common table expression of the name is known, so the database refuses the query. Tables that the script itself " +
		"creates count from then on. Without a schema nothing is said.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hive WHERE hive_id = 3",
		Good: "SELECT name FROM hives WHERE hive_id = 3",
		Near: []string{
			"WITH hive AS (SELECT name FROM hives) SELECT name FROM hive",
			"SELECT table_name FROM information_schema.tables",
			"CREATE TABLE swarm (swarm_id integer); SELECT swarm_id FROM swarm",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE INDEX by_name ON hive (name)",
		Good:    "CREATE INDEX by_name ON hives (name)",
		Near:    []string{"CREATE TABLE colonies (name text); CREATE INDEX by_name ON colonies (name)"},
	}, {
		NoSchema: true,
		Near:     []string{"SELECT name FROM swarms"},
	}},
	On: check.Kinds(runUnknownTable, syntax.KindSelect, syntax.KindUpdate, syntax.KindDelete, syntax.KindInsert, syntax.KindMerge).With(facts.Strange).And(check.Nodes(unknownParent)).And(check.Nodes(unknownChanged)).And(check.Nodes(unknownIndexed)),
}

func runUnknownTable(p *check.Pass, n syntax.Node) {
	for _, s := range p.Scope(n).Sources {
		ref, ok := s.Node.(*syntax.TableRef)
		if !s.Unknown || !ok || p.Ident(s.Name) == "" {
			continue
		}
		last := ref.Name[len(ref.Name)-1]
		f := check.Finding{
			Span: text.Span{Start: ref.Name[0].Span.Start, End: last.Span.End}, Certainty: check.Certain,
			Message: fmt.Sprintf("there is no table %s", p.Ident(last)),
			Why:     "Neither the schema nor the script has a table or view of that name.",
		}
		if p.Dialect.Has(dialect.ExecutedComments) || len(ref.Name) > 1 {
			f.Certainty = check.Likely // it may stand in another database
		}
		switch p.Schema.Unseen() {
		case schema.MaybeUnseen:
			f.Certainty = check.Likely
		case schema.SurelyUnseen:
			f.Certainty = check.Possible
		}
		name := p.Names.String(last.Sym)
		if near := nearestTable(p, name); near != "" {
			f.Why = fmt.Sprintf("Neither the schema nor the script has it. Did you mean %s?", near)
			f.Mends = []check.Mend{{Title: "write " + near, Effect: check.NewRows, Edits: []text.Edit{check.Replace(last.Span, p.Dialect.Name(near, false))}}}
		}
		p.Report(f)
	}
}

// nearestTable gives the table or view for which a name may be a slip, "" for none.
func nearestTable(p *check.Pass, name string) string {
	if !p.Affords() {
		return ""
	}
	return text.Nearest(name, p.Schema.Near(name))
}

// offerTable offers the table or view for which a name may be a slip.
func offerTable(p *check.Pass, f *check.Finding, name syntax.Ident) {
	sought := p.Names.String(name.Sym)
	p.OfferNearest(f, sought, p.Schema.Near(sought))
}

// unknownParent reports REFERENCES of a table that is not there. SQLite looks for it only
// when rows come; on MySQL and MariaDB a dump may have the check switched off.
func unknownParent(p *check.Pass, n *syntax.Constraint) {
	if n.Type != syntax.ForeignKey || len(n.Table) == 0 || !p.Tells(n) || p.Schema == nil || !p.Schema.IsWhole() || p.RefersToItself(n, creates) ||
		!dialect.In(dialect.Postgres, dialect.SQLServer, dialect.Oracle).Has(p.Dialect) || p.TableNamed(n.Table) != nil {
		return
	}
	if len(n.Table) > 1 && !p.Schema.HasQualifier(p.Names.String(n.Table[len(n.Table)-2].Sym)) {
		return // of another schema, which is not known
	}
	last := n.Table[len(n.Table)-1]
	f := check.Finding{
		Span: last.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("there is no table %s to refer to", p.Ident(last)),
		Why:     "Neither the schema nor the script before this has it.",
	}
	offerTable(p, &f, last)
	p.Report(f)
}

// unknownIndexed reports CREATE INDEX on a table that is not there.
func unknownIndexed(p *check.Pass, n *syntax.CreateIndex) {
	unknownDefined(p, n, n.Table, check.Likely, "to index")
}

// unknownChanged reports ALTER TABLE of a table that is not there: it may be gone since.
func unknownChanged(p *check.Pass, n *syntax.AlterTable) {
	changes := slices.ContainsFunc(n.Actions, func(a *syntax.AlterAction) bool {
		return a.Action != syntax.OtherAction && a.Action != syntax.RenameTable
	})
	if changes && !n.IfExists { // a sequence may get another owner like a table
		unknownDefined(p, n, n.Name, check.Possible, "to change")
	}
}

func unknownDefined(p *check.Pass, n syntax.Node, name []syntax.Ident, certainty check.Certainty, what string) {
	if len(name) == 0 || len(name) > 2 || name[len(name)-1].Sym == 0 || p.Parent(n) != nil || !p.Tells(n) || len(p.Stmt.Open) > 0 ||
		p.Schema == nil || !p.Schema.IsWhole() || p.Schema.Unseen() != schema.NoneUnseen || p.TableNamed(name) != nil {
		return
	}
	last := name[len(name)-1]
	if p.Schema.HasRelation(p.Names.String(last.Sym)) || len(name) > 1 && !p.Schema.HasQualifier(p.Names.String(name[0].Sym)) {
		return
	}
	f := check.Finding{
		Span: last.Span, Certainty: certainty,
		Message: fmt.Sprintf("there is no table %s %s", p.Ident(last), what),
		Why:     "Neither the schema nor the script before this has it.",
	}
	offerTable(p, &f, last)
	p.Report(f)
}
