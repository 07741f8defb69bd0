package writes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
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
	for _, a := range n.Actions {
		if a.Action == syntax.AddColumn && a.Column != nil {
			addsColumn(p, n, a.Column)
		}
	}
}

// added is what is declared of a column that is added.
type added struct {
	unique, primary, stored *syntax.Constraint
	value                   syntax.Expr // its DEFAULT
	filled                  bool        // it gets its values by itself
}

func addsColumn(p *check.Pass, n *syntax.AlterTable, c *syntax.ColumnDef) {
	d := declared(p, n, c)
	last := n.Name[len(n.Name)-1]
	name, table := p.Ident(c.Name), p.Ident(last)
	key := d.unique
	if d.primary != nil {
		key = d.primary
	}
	if p.Dialect == dialect.SQLite && key != nil { // also where there is no row
		word := "UNIQUE"
		if d.primary != nil {
			word = "PRIMARY KEY"
		}
		f := check.Finding{Span: key.Span(), Context: c.Span(), Certainty: check.Certain, Verdicts: onlySQLite,
			Message: fmt.Sprintf("SQLite cannot add a %s column", word),
			Why:     "Only CREATE TABLE makes such a column.",
			Mends:   []check.Mend{{Title: "make the table anew, and copy the rows", Effect: check.ByHand}},
		}
		if d.primary == nil && len(n.Actions) == 1 && (d.value != nil || !c.NotNull) {
			f.Mends = []check.Mend{{Title: "make a unique index instead", Effect: check.ByHand, Edits: []text.Edit{
				check.Replace(text.Span{Start: p.EndBefore(key.Span().Start), End: key.Span().End}, ""),
				check.Insert(n.Span().End, fmt.Sprintf(";\n%s %s%s_%s %s %s (%s)", p.Word(n.Span().Start, "CREATE UNIQUE INDEX"), p.Src[n.Name[0].Span.Start:last.Span.Start],
					p.Names.String(last.Sym), p.Names.String(c.Name.Sym), p.Word(n.Span().Start, "ON"), table, name)),
			}}}
		}
		p.Report(f)
		return
	}
	if isMade(p, n.Name) {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Likely}
	fills := p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB
	switch none := d.value == nil || isNull(d.value); {
	case d.filled:
		return
	case p.Dialect == dialect.SQLite && d.stored != nil:
		f.Verdicts = onlySQLite
		f.Message = fmt.Sprintf("SQLite cannot add a STORED column to a table with rows, as %s may have", table)
		f.Why = "It works the values out when a row is written, and not for rows that are there."
		f.Mends = []check.Mend{{Title: "say VIRTUAL, or make the table anew", Effect: check.ByHand}}
	case p.Dialect == dialect.SQLite && !none && !isConstant(d.value):
		f.Span, f.Verdicts = d.value.Span(), onlySQLite
		f.Message = fmt.Sprintf("SQLite cannot add a column whose default is worked out to a table with rows, as %s may have", table)
		f.Why = "It takes a literal only, so CURRENT_TIMESTAMP and expressions are refused."
		f.Mends = []check.Mend{{Title: "add it without the default, and UPDATE the rows", Effect: check.ByHand}}
	case d.stored != nil:
		return
	case key != nil && (!none && syntax.IsConstant(d.value) || none && fills && (c.NotNull || d.primary != nil)):
		f.Message = fmt.Sprintf("all rows of %s get the same value for %s, which is to be unique", table, name)
		f.Verdicts = check.Everywhere(check.Refused)
		f.Why = "With two rows the statement is refused."
		f.Mends = []check.Mend{{Title: "add it without the key, fill it, and add the key then", Effect: check.ByHand}}
	case none && fills && c.NotNull:
		f.Certainty = check.Possible // it is often what is wanted
		f.Message = fmt.Sprintf("the rows already in %s get %s for %s, without a word", table, madeUp(p, c), name)
		f.Why = "NOT NULL leaves no room for \"not known\", and the database makes up a value."
		f.Mends = []check.Mend{{Title: "say by DEFAULT what they are to have", Effect: check.ByHand}}
	case none && (c.NotNull || d.primary != nil) && !fills:
		f.Message = fmt.Sprintf("the rows already in %s would have no value for %s, which is NOT NULL", table, name)
		f.Why = "The statement is refused as soon as the table has a row."
		f.Mends = []check.Mend{{Title: "give it a DEFAULT, or add it without NOT NULL, fill it, and say NOT NULL then", Effect: check.ByHand}}
	default:
		return
	}
	inBody(p, n, &f)
	p.Report(f)
}

// isMade reports whether the text makes the table itself, or empties it.
func isMade(p *check.Pass, name []syntax.Ident) bool {
	qualifier := ""
	if len(name) > 1 {
		qualifier = p.Names.String(name[len(name)-2].Sym)
	}
	t := p.Schema.Table(qualifier, p.Names.String(name[len(name)-1].Sym))
	return t != nil && p.Schema.Makes(t)
}

// madeUp tells what MySQL puts in, "Data Type Default Values" in its manual.
func madeUp(p *check.Pass, c *syntax.ColumnDef) string {
	if c.Type != nil {
		switch of := p.Schema.TypeOf(c.Type, p.Src, p.Dialect).Class; {
		case of == class.Text:
			return "''"
		case of.IsNumber():
			return "0"
		}
	}
	return "a value that is made up"
}

func declared(p *check.Pass, n *syntax.AlterTable, c *syntax.ColumnDef) (d added) {
	for _, con := range c.Constraints {
		switch con.Type {
		case syntax.UniqueKey:
			d.unique = con
		case syntax.PrimaryKey:
			d.primary = con
		case syntax.DefaultValue:
			d.value = con.X
		case syntax.IdentityValue:
			d.filled = true
		case syntax.GeneratedAs:
			d.stored = con
			d.filled = !con.Kept || p.Dialect != dialect.SQLite
		}
	}
	for _, a := range n.Actions {
		if a.Action == syntax.SetDefault && a.Name.Sym == c.Name.Sym {
			d.value = a.X
		}
	}
	if c.Type != nil && !d.filled {
		t := p.Schema.TypeOf(c.Type, p.Src, p.Dialect)
		word := strings.ToLower(t.Name)
		d.filled = strings.Contains(word, "serial") || p.Dialect == dialect.SQLServer && (word == "rowversion" || word == "timestamp") ||
			p.Schema.Type(t.Name) != nil // of which the database may know more
	}
	return d
}

// isConstant reports whether SQLite takes an expression for the default of a column that is
// added; a bare name is a text to it.
func isConstant(x syntax.Expr) bool {
	name, ok := syntax.Unparen(x).(*syntax.Name)
	return syntax.IsConstant(x) || ok && len(name.Parts) == 1
}
