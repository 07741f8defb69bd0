package definitions

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var alreadyThere = &check.Check{
	ID:     "definition.already-there",
	Title:  "table, column or index that the text has made before",
	Errors: []string{"42P07", "42701", "1050", "1060", "1061", "ORA-00955", "ORA-01430", "Msg 2714", "Msg 2705", "Msg 1913"},
	Doc: "CREATE and ADD refuse a name that is taken. Only what the same text has made before, and not dropped since, is told of: what the " +
		"schema has may be there because this very change was made.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id integer); CREATE TABLE colonies (colony_id integer, hue text)",
		Good:    "CREATE TABLE colonies (colony_id integer); CREATE TABLE IF NOT EXISTS colonies (colony_id integer, hue text)",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer); DROP TABLE colonies; CREATE TABLE colonies (colony_id integer, hue text)",
			"CREATE TABLE colonies (colony_id integer); CREATE TEMPORARY TABLE colonies (colony_id integer)",
			"CREATE VIEW heavy AS SELECT 1 AS a; CREATE OR REPLACE VIEW heavy AS SELECT 2 AS a",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id integer, hue text); ALTER TABLE colonies ADD COLUMN hue text",
		Good:    "CREATE TABLE colonies (colony_id integer, hue text); ALTER TABLE colonies ADD COLUMN IF NOT EXISTS hue text",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer, hue text); ALTER TABLE colonies DROP COLUMN hue, ADD COLUMN hue integer",
			"CREATE TABLE colonies (colony_id integer, hue text); ALTER TABLE colonies RENAME COLUMN hue TO colour; ALTER TABLE colonies ADD COLUMN hue integer",
		},
	}},
	On: check.Nodes(tableTwice).And(check.Nodes(viewTwice)).And(check.Nodes(constraintTwice)).And(check.Nodes(columnAgain)).And(check.Nodes(indexAgain)),
}

func tableTwice(p *check.Pass, n *syntax.CreateTable) {
	if n.IfNotExists || len(n.Name) == 0 || !isSettled(p, n, n.Name) {
		return
	}
	t := p.TableNamed(n.Name)
	if t == nil || !p.Schema.Creates(t) || t.Temporary != (n.Temporary || strings.HasPrefix(t.Name, "#")) || !isOne(p, n.Name, t) {
		return
	}
	tellCreated(p, n.Name[len(n.Name)-1], t, "IF NOT EXISTS")
}

func viewTwice(p *check.Pass, n *syntax.CreateView) {
	if len(n.Name) == 0 || !isSettled(p, n, n.Name) {
		return
	}
	t := p.TableNamed(n.Name)
	if t == nil || !p.Schema.Creates(t) || t.Temporary || !isOne(p, n.Name, t) || says(p, n, n.Name, "IF", "TEMP", "TEMPORARY") {
		return
	}
	tellCreated(p, n.Name[len(n.Name)-1], t, "OR REPLACE")
}

func tellCreated(p *check.Pass, id syntax.Ident, t *schema.Table, unless string) {
	what := "table"
	if t.IsView {
		what = "view"
	}
	p.Report(check.Finding{
		Span: id.Span, Certainty: check.Likely,
		Message: fmt.Sprintf("the %s %s was created before", what, t.Name),
		Why:     "The text creates it further up, and does not drop it in between.",
		Mends:   []check.Mend{{Title: "drop one of them, give it another name, or say " + unless, Effect: check.ByHand}},
	})
}

// constraintTwice reports a name that two constraints of CREATE TABLE have.
func constraintTwice(p *check.Pass, n *syntax.CreateTable) {
	if !p.Tells(n) || p.Dialect == dialect.SQLite || p.Dialect == dialect.Spark {
		return
	}
	var first map[syntax.Sym]*syntax.Constraint
	eachConstraint(n, func(_ *syntax.ColumnDef, c *syntax.Constraint) {
		if c.Name.IsZero() || c.Name.Sym == 0 || c.Type != syntax.CheckKey && c.Type != syntax.UniqueKey && c.Type != syntax.ForeignKey {
			return
		}
		if first == nil {
			first = map[syntax.Sym]*syntax.Constraint{}
		}
		earlier := first[c.Name.Sym]
		if earlier == nil {
			first[c.Name.Sym] = c
			return
		}
		if earlier.Type != c.Type && p.Dialect.Has(dialect.ExecutedComments) || (c.Name.Quoted || earlier.Name.Quoted) && p.Ident(c.Name) != p.Ident(earlier.Name) {
			return // an index, a foreign key and a condition may share one, and so may letters of another case
		}
		p.Report(check.Finding{
			Span: c.Name.Span, Context: c.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("two constraints are called %s", p.Ident(c.Name)),
			Why:     "Each needs a name of its own.",
			Related: []check.Related{{Span: earlier.Name.Span, Message: "the first of them"}},
			Mends:   []check.Mend{{Title: "give one of them another name", Effect: check.ByHand}},
		})
	})
}

// says reports whether one of the words stands before a name.
func says(p *check.Pass, n syntax.Node, name []syntax.Ident, words ...string) bool {
	head := strings.Fields(strings.ToUpper(text.View(p.Src, text.Span{Start: n.Span().Start, End: name[0].Span.Start})))
	return slices.ContainsFunc(words, func(w string) bool { return slices.Contains(head, w) })
}

// isSettled reports whether a statement stands for itself, as it is written: in no block, and
// without OR REPLACE before the name.
func isSettled(p *check.Pass, n syntax.Node, name []syntax.Ident) bool {
	if p.Schema == nil || p.Parent(n) != nil || !p.Tells(n) || len(p.Stmt.Open) > 0 {
		return false
	}
	return !says(p, n, name, "REPLACE", "ALTER")
}

// isOne reports whether a written name is that of a table, and not of one of another schema or
// letter case.
func isOne(p *check.Pass, name []syntax.Ident, t *schema.Table) bool {
	last, qualifier := name[len(name)-1], ""
	if len(name) > 1 {
		qualifier = p.Names.String(name[len(name)-2].Sym)
	}
	return len(name) < 3 && strings.EqualFold(qualifier, t.Qualifier) && (!last.Quoted && !t.Quoted || p.Ident(last) == t.Name)
}

func columnAgain(p *check.Pass, n *syntax.AlterTable) {
	if len(n.Name) == 0 || p.Schema == nil || p.Parent(n) != nil || !p.Tells(n) || len(p.Stmt.Open) > 0 {
		return
	}
	t := p.TableNamed(n.Name)
	if t == nil || !p.Schema.Creates(t) || !isOne(p, n.Name, t) {
		return
	}
	left := map[syntax.Sym]bool{} // the table, by this statement
	for _, a := range n.Actions {
		switch a.Action {
		case syntax.DropColumn, syntax.RenameColumn, syntax.ChangeColumn:
			left[a.Name.Sym] = true
		}
	}
	for _, a := range n.Actions {
		id := a.To
		switch {
		case a.Action == syntax.AddColumn && a.Column != nil && !a.IfExists:
			id = a.Column.Name
		case a.Action != syntax.RenameColumn:
			continue
		}
		if id.Sym == 0 || left[id.Sym] || t.Column(p.Names.String(id.Sym)) < 0 {
			continue
		}
		p.Report(check.Finding{
			Span: id.Span, Certainty: check.Likely,
			Message: fmt.Sprintf("%s has a column %s already", t.Name, p.Ident(id)),
			Why:     "The text gives it the column further up, and does not drop it in between.",
			Mends:   []check.Mend{{Title: "drop this, or give it another name", Effect: check.ByHand}},
		})
	}
}

func indexAgain(p *check.Pass, n *syntax.CreateIndex) {
	if n.IfNotExists || len(n.Name) == 0 || len(n.Table) == 0 || !isSettled(p, n, n.Name) {
		return
	}
	t := p.TableNamed(n.Table)
	if t == nil || !p.Schema.Creates(t) || !isOne(p, n.Table, t) {
		return
	}
	last := n.Name[len(n.Name)-1]
	for _, index := range t.Indexes[:min(len(t.Indexes), mostKeyed)] {
		if strings.EqualFold(index.Name, p.Ident(last)) {
			p.Report(check.Finding{
				Span: last.Span, Certainty: check.Likely,
				Message: fmt.Sprintf("%s has an index %s already", t.Name, index.Name),
				Why:     "The text creates it further up, and does not drop it in between.",
				Mends:   []check.Mend{{Title: "drop this, or give it another name", Effect: check.ByHand}},
			})
			return
		}
	}
}
