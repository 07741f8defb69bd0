package definitions

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/dialect/word"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var foreignKey = &check.Check{
	ID:     "definition.foreign-key",
	Title:  "foreign key that cannot be",
	Errors: []string{"42830", "42804", "1239", "1005", "ORA-02270", "ORA-02256", "ORA-02267", "Msg 1776", "Msg 1778", "Msg 8139"},
	Doc: "A foreign key refers to one row: to as many columns as it has itself, that are a key together, and are of its types. On MySQL and " +
		"MariaDB an index that begins with them is enough, and integers must be of one size and sign; SQLite asks when rows come, and " +
		"refuses them then.",
	Verdicts:  check.Everywhere(check.Refused),
	Elsewhere: "SQLite does not ask for types, and for a key only when rows come and its foreign keys are switched on",
	Examples: []check.Example{{
		Bad:  "CREATE TABLE colonies (hive_id integer, seen_on date, FOREIGN KEY (hive_id, seen_on) REFERENCES hives (hive_id))",
		Good: "CREATE TABLE colonies (hive_id integer, seen_on date, FOREIGN KEY (hive_id) REFERENCES hives (hive_id))",
		Near: []string{
			"CREATE TABLE colonies (hive_id integer, seen_on date, FOREIGN KEY (hive_id) REFERENCES hives (hive_id))",
			"CREATE TABLE colonies (hive_id integer REFERENCES hives (hive_id))",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (hive text REFERENCES hives (name))",
		Good:    "CREATE TABLE colonies (hive integer REFERENCES hives (hive_id))",
		Near:    []string{"CREATE TABLE colonies (hive integer REFERENCES hives)"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (hive varchar(20) REFERENCES hives (hive_id))",
		Good:    "CREATE TABLE colonies (hive integer REFERENCES hives (hive_id))",
		Near:    []string{"CREATE TABLE colonies (hive bigint REFERENCES hives (hive_id))"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (hive bigint, FOREIGN KEY (hive) REFERENCES hives (hive_id))",
		Good:    "CREATE TABLE colonies (hive integer, FOREIGN KEY (hive) REFERENCES hives (hive_id))",
	}},
	On: check.Nodes(runForeignKey).In(dialect.Everywhere &^ dialect.In(dialect.Spark)),
}

// asksLater are the dialects that take a foreign key whose other side does not fit.
var asksLater = check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.SQLite, dialect.ANSI))

func runForeignKey(p *check.Pass, c *syntax.Constraint) {
	if c.Type != syntax.ForeignKey || len(c.Table) == 0 || !p.Tells(c) || len(p.Stmt.Open) > 0 {
		return
	}
	columns, types := referring(p, c)
	if len(columns) == 0 {
		return
	}
	if len(c.References) > 0 && len(c.References) != len(columns) {
		refers := text.Span{Start: c.References[0].Span.Start, End: c.References[len(c.References)-1].Span.End}
		p.Report(check.Finding{
			Span: refers, Context: c.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("the foreign key has %s, and refers to %s", check.Counted(len(columns), "column"), check.Counted(len(c.References), "column")),
			Why:     "Each of its columns has one on the other side.",
			Mends:   []check.Mend{{Title: "name as many columns on both sides", Effect: check.ByHand}},
		})
		return
	}
	t := p.TableNamed(c.Table)
	if t == nil || !t.Complete || t.IsView || t.Gathered || p.RefersToItself(c, syntax.Kinds(syntax.KindCreateTable, syntax.KindAlterTable)) || len(c.References) == 0 {
		return
	}
	var places []int
	for _, id := range c.References {
		at := t.Column(p.Names.String(id.Sym))
		if at < 0 {
			return // name.unknown-column tells
		}
		places = append(places, at)
	}
	certainty := check.Likely
	if p.Schema.Creates(t) {
		certainty = check.Certain
	}
	span := text.Span{Start: c.References[0].Span.Start, End: c.References[len(c.References)-1].Span.End}
	named := p.Ident(c.References[0])
	if len(c.References) > 1 {
		named = "(" + text.View(p.Src, span) + ")"
	}
	for i, at := range places {
		if i < len(types) && p.Dialect != dialect.SQLite && apart(types[i], t.Columns[at].Type, p.Dialect) {
			p.Report(check.Finding{
				Span: columns[i].Span, Context: c.Span(), Certainty: certainty, Verdicts: asksLater,
				Message: fmt.Sprintf("%s is %s, and %s of %s is %s", p.Ident(columns[i]), types[i].Name, t.Columns[at].Name, t.Name, t.Columns[at].Type.Name),
				Why:     "A foreign key and what it refers to are of one type.",
				Mends:   []check.Mend{{Title: "declare it as " + t.Columns[at].Type.Name, Effect: check.ByHand}},
			})
			return
		}
	}
	if !isKey(t, places, p.Dialect) {
		f := check.Finding{
			Span: span, Context: c.Span(), Certainty: certainty, Verdicts: asksLater,
			Message: fmt.Sprintf("%s of %s is no key", named, t.Name),
			Why:     "A foreign key refers to one row, so a primary key or a UNIQUE of just these columns must be there.",
			Mends:   []check.Mend{{Title: "refer to the primary key, or make the columns UNIQUE first", Effect: check.ByHand}},
		}
		if p.Dialect.Has(dialect.ExecutedComments) {
			f.Why = "An index that begins with just these columns must be there."
		}
		p.Report(f)
	}
}

// referring gives the columns of a foreign key, and their types as far as they are declared
// beside it.
func referring(p *check.Pass, c *syntax.Constraint) (columns []syntax.Ident, types []schema.Type) {
	above := p.Parent(c)
	if column, ok := above.(*syntax.ColumnDef); ok {
		return []syntax.Ident{column.Name}, []schema.Type{p.Schema.TypeOf(column.Type, p.Src, p.Dialect)}
	}
	columns = keyColumns(p, c)
	if len(columns) != len(c.Columns) {
		return nil, nil
	}
	switch n := above.(type) {
	case *syntax.CreateTable:
		for _, id := range columns {
			column := columnOf(n, id.Sym)
			if column == nil || len(columns) > mostKeyed {
				return columns, nil
			}
			types = append(types, p.Schema.TypeOf(column.Type, p.Src, p.Dialect))
		}
	case *syntax.AlterAction:
		alter, ok := p.Parent(n).(*syntax.AlterTable)
		if !ok || len(alter.Name) == 0 || p.Schema == nil {
			return columns, nil
		}
		t := p.TableNamed(alter.Name)
		for _, id := range columns {
			at := -1
			if t != nil {
				at = t.Column(p.Names.String(id.Sym))
			}
			if at < 0 {
				return columns, nil
			}
			types = append(types, t.Columns[at].Type)
		}
	}
	return columns, types
}

// isKey reports whether columns of a table are one of its keys, or as MySQL asks it, those with
// which an index begins.
func isKey(t *schema.Table, columns []int, d dialect.Dialect) bool {
	if len(t.Keys)+len(t.Indexes)+len(t.Foreign) > mostKeyed {
		return true // which are not looked through for each foreign key
	}
	var primary []int
	for i := range t.Columns {
		if t.Columns[i].Primary {
			primary = append(primary, i)
		}
	}
	keys := [][]int{primary}
	for _, k := range t.Keys {
		keys = append(keys, k.Columns)
	}
	for _, index := range t.Indexes {
		if index.Unique && index.Where == "" || d.Has(dialect.ExecutedComments) {
			var parts []int
			for _, part := range index.Parts {
				parts = append(parts, part.Column)
			}
			keys = append(keys, parts)
		}
	}
	if d.Has(dialect.ExecutedComments) {
		for _, f := range t.Foreign { // which get an index
			keys = append(keys, f.Columns)
		}
		if len(primary) == 0 { // the first that takes no NULL is in its place
			for _, k := range t.Keys {
				if !slices.ContainsFunc(k.Columns, func(i int) bool { return !t.Columns[i].NotNull }) {
					primary = k.Columns
					break
				}
			}
		}
		return slices.ContainsFunc(keys, func(key []int) bool {
			key = slices.Clone(key)
			for _, column := range primary { // each index ends with the primary key
				if !slices.Contains(key, column) {
					key = append(key, column)
				}
			}
			return len(key) >= len(columns) && slices.Equal(key[:len(columns)], columns)
		})
	}
	sorted := slices.Sorted(slices.Values(columns))
	return slices.ContainsFunc(keys, func(key []int) bool { return slices.Equal(slices.Sorted(slices.Values(key)), sorted) })
}

// apart reports whether a foreign key of the type a cannot refer to the type b.
func apart(a, b schema.Type, d dialect.Dialect) bool {
	if a.Class.IsNumber() && b.Class.IsNumber() && a.Class != b.Class {
		switch d {
		case dialect.Postgres: // whose key compares as its own type does
			return a.Class > b.Class
		case dialect.MySQL, dialect.MariaDB, dialect.SQLServer:
			return true
		}
	}
	if d.Has(dialect.ExecutedComments) && a.Class == class.Integer && b.Class == class.Integer {
		one, other := integer(a.Name), integer(b.Name)
		return one != "" && other != "" && one != other
	}
	return kind(a.Class) != 0 && kind(b.Class) != 0 && kind(a.Class) != kind(b.Class)
}

// kind puts the classes together whose values may be compared.
func kind(c class.Class) int {
	switch {
	case c.IsNumber():
		return 1
	case c == class.Text:
		return 2
	case c.HasDay():
		return 3
	}
	return 0
}

// integer gives the size and sign of MySQL's integer types, "" where they are not known.
func integer(name string) string {
	words := strings.Fields(strings.ToLower(name))
	if len(words) == 0 {
		return ""
	}
	size, _, _ := strings.Cut(words[0], "(")
	switch size {
	case "int", "integer", "int4":
		size = "int"
	case "bigint", "smallint", "tinyint", "mediumint":
	default:
		return ""
	}
	if slices.Contains(words, "unsigned") || slices.Contains(words, "zerofill") {
		size += " unsigned"
	}
	return size
}

var setNull = &check.Check{
	ID:     "definition.set-null",
	Title:  "SET NULL of a column that takes no NULL",
	Errors: []string{"1830", "1005", "1215", "Msg 1761"},
	Doc: "ON DELETE SET NULL empties the column when the row goes that it refers to, and NOT NULL forbids that. MySQL, MariaDB and SQL Server " +
		"refuse the foreign key, the others each DELETE of a row that is referred to.",
	Verdicts:  check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer)),
	Elsewhere: "MySQL, MariaDB and SQL Server refuse it; where it is taken, each DELETE of a row that is referred to is refused",
	Examples: []check.Example{{
		Bad:  "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer NOT NULL, FOREIGN KEY (hive_id) REFERENCES hives (hive_id) ON DELETE SET NULL)",
		Good: "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer, FOREIGN KEY (hive_id) REFERENCES hives (hive_id) ON DELETE SET NULL)",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer, FOREIGN KEY (hive_id) REFERENCES hives (hive_id) ON DELETE SET NULL)",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer NOT NULL, FOREIGN KEY (hive_id) REFERENCES hives (hive_id) ON DELETE CASCADE)",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer NOT NULL REFERENCES hives (hive_id))",
		},
	}},
	On: check.Nodes(runSetNull),
}

func runSetNull(p *check.Pass, c *syntax.Constraint) {
	if c.Type != syntax.ForeignKey || !p.Tells(c) {
		return
	}
	for _, action := range []text.Span{c.OnDelete, c.OnUpdate} {
		if !saysNull(p, action) {
			continue
		}
		if column, required := requiredOf(p, c); column != nil {
			p.Report(check.Finding{
				Span: action, Context: c.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("SET NULL, and %s takes no NULL", p.Ident(column.Name)),
				Why:     "What is referred to could never go or change, for what refers to it cannot be emptied.",
				Related: []check.Related{{Span: required, Message: "declared here"}},
				Mends:   []check.Mend{{Title: "let the column take NULL, or say CASCADE", Effect: check.ByHand}},
			})
			return
		}
	}
}

// saysNull reports whether an action is SET NULL.
func saysNull(p *check.Pass, action text.Span) bool {
	tokens := p.Stmt.Tokens
	at, _ := slices.BinarySearchFunc(tokens, action.Start, func(t syntax.Token, start text.Pos) int { return int(t.Span.Start - start) })
	return at+1 < len(tokens) && tokens[at+1].Span.End <= action.End && tokens[at].Word() == word.Set && tokens[at+1].Word() == word.Null
}

// requiredOf gives the first column of a foreign key that is declared beside it to take no NULL.
func requiredOf(p *check.Pass, c *syntax.Constraint) (*syntax.ColumnDef, text.Span) {
	var among []*syntax.ColumnDef
	switch n := p.Parent(c).(type) {
	case *syntax.ColumnDef:
		among = []*syntax.ColumnDef{n}
	case *syntax.CreateTable:
		for _, id := range keyColumns(p, c) {
			if column := columnOf(n, id.Sym); column != nil && len(c.Columns) <= mostKeyed {
				among = append(among, column)
			}
		}
	}
	for _, d := range among {
		if d.NotNull {
			return d, d.Span()
		}
	}
	return nil, text.Span{}
}
