package writes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// addedColumn stands on the manuals' "ALTER TABLE" (PostgreSQL, MySQL, SQL Server, Oracle) and
// "ALTER TABLE ADD COLUMN" (SQLite).
var addedColumn = &check.Check{
	ID:     "write.added-column",
	Title:  "a column is added that the rows of the table cannot have",
	Errors: []string{"23502", "23505", "1062", "Msg 4901", "ORA-01758"},
	Doc: "A column that is added NOT NULL and without a DEFAULT has no value for the rows that are there, and the statement is refused as soon as there is one; MySQL and MariaDB put 0 or the empty text " +
		"in. One value for all rows is not UNIQUE. SQLite adds no column with UNIQUE or PRIMARY KEY at all, and to a table with rows none that is STORED or has a default that is worked out.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB)).But(check.Fine, dialect.In(dialect.Spark)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "ALTER TABLE hives ADD COLUMN wood varchar(20) NOT NULL",
		Good:    "ALTER TABLE hives ADD COLUMN wood varchar(20) NOT NULL DEFAULT 'pine'",
		Near: []string{
			"ALTER TABLE hives ADD COLUMN wood varchar(20)",
			"ALTER TABLE hives ADD COLUMN box_id integer NOT NULL GENERATED ALWAYS AS IDENTITY",
			"ALTER TABLE hives ADD COLUMN box_id serial NOT NULL UNIQUE",
			"ALTER TABLE hives ADD COLUMN mark uuid NOT NULL UNIQUE DEFAULT gen_random_uuid()",
			"CREATE TABLE boxes (box_id integer); ALTER TABLE boxes ADD COLUMN wood varchar(20) NOT NULL",
			"DELETE FROM sales; ALTER TABLE sales ADD COLUMN place varchar(20) NOT NULL",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "ALTER TABLE hives ADD COLUMN tag text UNIQUE",
		Good:    "ALTER TABLE hives ADD COLUMN tag text;\nCREATE UNIQUE INDEX hives_tag ON hives (tag)",
		Near:    []string{"ALTER TABLE hives ADD COLUMN seen text DEFAULT (3)", "ALTER TABLE hives ADD COLUMN half integer AS (frame_count / 2)"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "ALTER TABLE hives ADD COLUMN seen text DEFAULT CURRENT_TIMESTAMP",
	}},
	On: check.Nodes(runAddedColumn).In(dialect.Everywhere &^ dialect.In(dialect.Spark)),
}

// onlySQLite refuses them.
var onlySQLite = check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.SQLite))

func runAddedColumn(p *check.Pass, n *syntax.AlterTable) {
	if len(n.Name) == 0 || len(p.Stmt.Errors) > 0 {
		return
	}
	beside := map[syntax.Sym]syntax.Expr{} // the defaults that stand beside the columns
	for _, a := range n.Actions {
		if a.Action == syntax.SetDefault {
			beside[a.Name.Sym] = a.X
		}
	}
	for _, a := range n.Actions {
		if a.Action == syntax.AddColumn && a.Column != nil {
			addsColumn(p, n, a.Column, beside)
		}
	}
}

func addsColumn(p *check.Pass, n *syntax.AlterTable, c *syntax.ColumnDef, beside map[syntax.Sym]syntax.Expr) {
	column := p.Schema.Declared(c, p.Src)
	unique, primary, value := constraints(c, beside)
	name, table := p.Ident(c.Name), p.Ident(n.Name[len(n.Name)-1])
	key := unique
	if primary != nil {
		key = primary
	}
	if p.Dialect == dialect.SQLite && key != nil { // also where there is no row
		tellKey(p, n, c, key, value != nil || !c.NotNull)
		return
	}
	if t := p.TableNamed(n.Name); t != nil && p.Schema.Makes(t) {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Likely}
	fills := p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB
	switch none := value == nil || isNull(value); {
	case p.Dialect == dialect.SQLite && column.Stored:
		f.Verdicts = onlySQLite
		f.Message = fmt.Sprintf("SQLite cannot add a STORED column to a table with rows, as %s may have", table)
		f.Why = "It works the values out when a row is written, and not for rows that are there."
		f.Mends = []check.Mend{{Title: "say VIRTUAL, or make the table anew", Effect: check.ByHand}}
	case fillsItself(p, &column):
		return
	case p.Dialect == dialect.SQLite && !none && !isConstant(value):
		f.Span, f.Verdicts = value.Span(), onlySQLite
		f.Message = fmt.Sprintf("SQLite cannot add a column whose default is worked out to a table with rows, as %s may have", table)
		f.Why = "It takes a literal only, so CURRENT_TIMESTAMP and expressions are refused."
		f.Mends = []check.Mend{{Title: "add it without the default, and UPDATE the rows", Effect: check.ByHand}}
	case key != nil && (!none && syntax.IsConstant(value) || none && fills && (c.NotNull || primary != nil)):
		f.Message = fmt.Sprintf("all rows of %s get the same value for %s, which is to be unique", table, name)
		f.Verdicts = check.Everywhere(check.Refused)
		f.Why = "With two rows the statement is refused."
		f.Mends = []check.Mend{{Title: "add it without the key, fill it, and add the key then", Effect: check.ByHand}}
	case none && fills && c.NotNull:
		f.Certainty = check.Possible // it is often what is wanted
		f.Message = fmt.Sprintf("the rows already in %s get %s for %s, without a word", table, madeUp(column.Type.Class), name)
		f.Why = "NOT NULL leaves no room for \"not known\", and the database makes up a value."
		f.Mends = []check.Mend{{Title: "say by DEFAULT what they are to have", Effect: check.ByHand}}
	case none && (c.NotNull || primary != nil):
		f.Message = fmt.Sprintf("the rows already in %s would have no value for %s, which is NOT NULL", table, name)
		f.Why = "The statement is refused as soon as the table has a row."
		f.Mends = []check.Mend{{Title: "give it a DEFAULT, or add it without NOT NULL, fill it, and say NOT NULL then", Effect: check.ByHand}}
	default:
		return
	}
	inBody(p, n, &f)
	p.Report(f)
}

// tellKey tells of a column that SQLite does not add for its key; takesRows tells that it would
// without the key.
func tellKey(p *check.Pass, n *syntax.AlterTable, c *syntax.ColumnDef, key *syntax.Constraint, takesRows bool) {
	word := "UNIQUE"
	if key.Type == syntax.PrimaryKey {
		word = "PRIMARY KEY"
	}
	f := check.Finding{Span: key.Span(), Context: c.Span(), Certainty: check.Certain, Verdicts: onlySQLite,
		Message: fmt.Sprintf("SQLite cannot add a %s column", word),
		Why:     "Only CREATE TABLE makes such a column.",
		Mends:   []check.Mend{{Title: "make the table anew, and copy the rows", Effect: check.ByHand}},
	}
	if key.Type == syntax.UniqueKey && len(n.Actions) == 1 && takesRows {
		last := n.Name[len(n.Name)-1]
		f.Mends = []check.Mend{{Title: "make a unique index instead", Effect: check.ByHand, Edits: []text.Edit{
			check.Replace(text.Span{Start: p.EndBefore(key.Span().Start), End: key.Span().End}, ""),
			check.Insert(n.Span().End, fmt.Sprintf(";\n%s %s%s_%s %s %s (%s)", p.Word(n.Span().Start, "CREATE UNIQUE INDEX"), p.Src[n.Name[0].Span.Start:last.Span.Start],
				p.Names.String(last.Sym), p.Names.String(c.Name.Sym), p.Word(n.Span().Start, "ON"), p.Ident(last), p.Ident(c.Name))),
		}}}
	}
	p.Report(f)
}

// madeUp tells what MySQL puts in, "Data Type Default Values" in its manual.
func madeUp(of class.Class) string {
	switch {
	case of == class.Text:
		return "''"
	case of.IsNumber():
		return "0"
	}
	return "a value that is made up"
}

// constraints gives what is declared of a column that is added: its keys and its default, which
// on SQL Server may stand beside it.
func constraints(c *syntax.ColumnDef, beside map[syntax.Sym]syntax.Expr) (unique, primary *syntax.Constraint, value syntax.Expr) {
	for _, con := range c.Constraints {
		switch con.Type {
		case syntax.UniqueKey:
			unique = con
		case syntax.PrimaryKey:
			primary = con
		case syntax.DefaultValue:
			value = con.X
		}
	}
	if x, ok := beside[c.Name.Sym]; ok {
		value = x
	}
	return unique, primary, value
}

// fillsItself reports whether the database gives the column a value of its own in each row; of
// a domain it may know a default.
func fillsItself(p *check.Pass, c *schema.Column) bool {
	versions := strings.EqualFold(c.Type.Name, "rowversion") || strings.EqualFold(c.Type.Name, "timestamp")
	return c.Identity || c.Generated != "" || p.Dialect == dialect.SQLServer && versions || p.Schema.Type(c.Type.Name) != nil
}

// isConstant reports whether SQLite takes an expression for the default of a column that is
// added; a bare name is a text to it.
func isConstant(x syntax.Expr) bool {
	name, ok := syntax.Unparen(x).(*syntax.Name)
	return syntax.IsConstant(x) || ok && len(name.Parts) == 1
}
