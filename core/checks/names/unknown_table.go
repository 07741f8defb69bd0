package names

import (
	"fmt"

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
		NoSchema: true,
		Near:     []string{"SELECT name FROM swarms"},
	}},
	On: check.Kinds(runUnknownTable, syntax.KindSelect, syntax.KindUpdate, syntax.KindDelete, syntax.KindInsert, syntax.KindMerge).With(facts.Strange).And(check.Nodes(unknownParent)),
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
		if near := text.Nearest(p.Names.String(last.Sym), tableNames(p)); near != "" {
			f.Why = fmt.Sprintf("Neither the schema nor the script has it. Did you mean %s?", near)
			f.Mends = []check.Mend{{Title: "write " + near, Effect: check.NewRows, Edits: []text.Edit{check.Replace(last.Span, p.Dialect.Name(near, false))}}}
		}
		p.Report(f)
	}
}

// unknownParent reports REFERENCES of a table that is not there. SQLite looks for it only
// when rows come; on MySQL and MariaDB a dump may have the check switched off.
func unknownParent(p *check.Pass, n *syntax.Constraint) {
	if n.Type != syntax.ForeignKey || len(n.Table) == 0 || !p.Tells(n) || p.Schema == nil || !p.Schema.IsWhole() || isMade(p, n) ||
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
	offerNearest(p, &f, p.Names.String(last.Sym), tableNames(p))
	p.Report(f)
}
