package definitions

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
)

var unknownColumn = &check.Check{
	ID:     "definition.unknown-column",
	Title:  "column that the defined table does not have",
	Errors: []string{"42703", "ORA-00904", "1072", "1054", "1091", "Msg 1911", "Msg 4924", "Msg 207"},
	Doc: "A key, a condition, a generated column or a change names a column that its own table does not have, so the database refuses the " +
		"statement. Of a table that this text does not create it is less certain: the change may have been made already.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "CREATE TABLE colonies (colony_id integer, weight_kg integer, PRIMARY KEY (colonyid))",
		Good: "CREATE TABLE colonies (colony_id integer, weight_kg integer, PRIMARY KEY (colony_id))",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, UNIQUE (weight_kg, colony_id))",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer, FOREIGN KEY (hive_id) REFERENCES hives (hive_id))",
		},
	}, {
		Bad:  "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer CHECK (weigth_kg > 0))",
		Good: "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer CHECK (weight_kg > 0))",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, CHECK (weight_kg > 0 AND colonies.weight_kg < 90))",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id integer); ALTER TABLE colonies DROP COLUMN colony",
		Good:    "CREATE TABLE colonies (colony_id integer); ALTER TABLE colonies DROP COLUMN colony_id",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer); ALTER TABLE colonies DROP COLUMN IF EXISTS colony",
			"CREATE TABLE colonies (colony_id integer); ALTER TABLE colonies ADD COLUMN hue text, ADD CONSTRAINT known CHECK (hue <> '')",
		},
	}},
	On: check.Names(runUnknownColumn, bind.Missing).And(check.Nodes(unknownInTable)).And(check.Nodes(unknownInChange)),
}

// runUnknownColumn looks at the names in conditions, generated columns and indexes.
func runUnknownColumn(p *check.Pass, name *syntax.Name) {
	u := p.Use(name)
	if u.Scope == nil || u.Scope.Node == nil || !bind.Definitions.Has(u.Scope.Node.Kind()) || !p.Tells(name) || p.Dialect == dialect.Spark || isText(p, name) {
		return
	}
	src := u.Scope.Sources[0]
	if !src.Complete {
		return
	}
	f := check.Finding{Certainty: check.Certain}
	if u.Scope.Node.Kind() == syntax.KindAlterTable {
		f.Certainty = ofChange(p, src.SchemaTable())
	}
	tell(p, f, p.Names.String(src.Name.Sym), name.Last(), p.ColumnNames(src), "Only columns of the same row can be named here.")
}

// isText reports whether a name in double quotes is a text, or may be one: SQLite takes it for
// one where no column has the name.
func isText(p *check.Pass, name *syntax.Name) bool {
	return p.Src[name.Last().Span.Start] == '"' && (p.Dialect == dialect.SQLite || p.Dialect.Has(dialect.ExecutedComments))
}

// tell reports a column that a table does not have.
func tell(p *check.Pass, f check.Finding, table string, id syntax.Ident, columns []string, why string) {
	f.Span = id.Span
	f.Message = fmt.Sprintf("%s has no column %s", table, p.Ident(id))
	near := p.OfferNearest(&f, p.Names.String(id.Sym), columns)
	f.Why = why
	if near != "" {
		f.Why = fmt.Sprintf("Did you mean %s? %s", near, f.Why)
	} else {
		f.Mends = []check.Mend{{Title: "name one of its columns, or give it this one", Effect: check.ByHand}}
	}
	p.Report(f)
}

// unknownInTable looks at the columns that the keys of a table are made of.
func unknownInTable(p *check.Pass, n *syntax.CreateTable) {
	if len(n.Name) == 0 || n.Query != nil || n.Like != nil || n.Inherits || n.PartitionOf != nil || len(n.Columns) == 0 || !p.Tells(n) || len(p.Stmt.Open) > 0 || p.Dialect == dialect.Spark {
		return
	}
	has := make(map[syntax.Sym]bool, len(n.Columns))
	var columns []string
	for _, c := range n.Columns {
		if c.Name.Sym == 0 {
			return // what a template puts in
		}
		has[c.Name.Sym] = true
		columns = append(columns, p.Names.String(c.Name.Sym))
	}
	for _, c := range n.Constraints {
		for _, id := range keyColumns(p, c) {
			if !has[id.Sym] {
				tell(p, check.Finding{Certainty: check.Certain}, p.Ident(n.Name[len(n.Name)-1]), id, columns, "A key is made of columns of its own table.")
			}
		}
	}
}

// keyColumns gives the bare columns of a key, a foreign key or an index.
func keyColumns(p *check.Pass, c *syntax.Constraint) []syntax.Ident {
	switch c.Type {
	case syntax.PrimaryKey, syntax.UniqueKey, syntax.ForeignKey, syntax.IndexKey:
	default:
		return nil
	}
	return listedColumns(p, c.Columns)
}

// listedColumns gives the columns that a key or an index lists by their bare names.
func listedColumns(p *check.Pass, items []*syntax.OrderItem) []syntax.Ident {
	var out []syntax.Ident
	for _, item := range items {
		name, ok := syntax.Unparen(item.X).(*syntax.Name)
		if ok && len(name.Parts) == 1 && name.Parts[0].Sym != 0 && p.Src[name.Parts[0].Span.Start] != '$' {
			out = append(out, name.Parts[0])
		}
	}
	return out
}

// mostOffered bounds the columns among which one that is spelt alike is looked for.
const mostOffered = 256

// mostNearest bounds the findings of a statement for which one is looked for.
const mostNearest = 64

// unknownInChange looks at the columns that ALTER TABLE changes, and makes keys of.
func unknownInChange(p *check.Pass, n *syntax.AlterTable) {
	if len(n.Name) == 0 || p.Schema == nil || !p.Tells(n) || len(p.Stmt.Open) > 0 || p.Dialect == dialect.Spark {
		return
	}
	t := p.TableNamed(n.Name)
	if t == nil || !t.Complete || t.IsView || t.Gathered {
		return
	}
	came := map[syntax.Sym]bool{} // by this statement
	told := 0
	columns := func() (names []string) {
		if told++; told > mostNearest {
			return nil
		}
		for i := range t.Columns[:min(len(t.Columns), mostOffered)] {
			names = append(names, t.Columns[i].Name)
		}
		return names
	}
	for _, a := range n.Actions {
		if a.Action == syntax.AddColumn && a.Column != nil {
			came[a.Column.Name.Sym] = true
		}
		if !a.To.IsZero() {
			came[a.To.Sym] = true
		}
		if a.Action == syntax.ChangeColumn && a.Column != nil {
			came[a.Column.Name.Sym] = true
		}
	}
	unknown := func(id syntax.Ident) bool {
		return id.Sym != 0 && !came[id.Sym] && t.Column(p.Names.String(id.Sym)) < 0
	}
	for _, a := range n.Actions {
		switch {
		case a.Action == syntax.AddConstraint && a.Constraint != nil:
			for _, id := range keyColumns(p, a.Constraint) {
				if unknown(id) {
					tell(p, check.Finding{Certainty: ofChange(p, t)}, t.Name, id, columns(), "A key is made of columns of its own table.")
				}
			}
		case changesColumn.has(a.Action) && !a.IfExists && unknown(a.Name):
			if a.Action == syntax.RenameColumn && t.Column(p.Names.String(a.To.Sym)) >= 0 {
				continue // it may be done
			}
			tell(p, check.Finding{Certainty: ofChange(p, t)}, t.Name, a.Name, columns(), "There is nothing to change.")
		}
	}
}

// ofChange tells how certain it is what a table has before a change: of one that the text does
// not create the schema may be that of later.
func ofChange(p *check.Pass, t *schema.Table) check.Certainty {
	if p.Schema.Creates(t) {
		return check.Certain
	}
	return check.Possible
}

type actions uint32

func (s actions) has(k syntax.AlterKind) bool { return s>>k&1 == 1 }

// changesColumn are the actions on a column that is there.
const changesColumn actions = 1<<syntax.DropColumn | 1<<syntax.SetType | 1<<syntax.SetNotNull | 1<<syntax.DropNotNull | 1<<syntax.SetDefault | 1<<syntax.DropDefault |
	1<<syntax.NumberAlways | 1<<syntax.NumberByDefault | 1<<syntax.DropIdentity | 1<<syntax.DropExpression | 1<<syntax.RenameColumn | 1<<syntax.ChangeColumn | 1<<syntax.ModifyColumn
