package schema

import (
	"fmt"
	"io"
	"strings"
	"unicode"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
)

// Print writes the schema as DDL of a dialect, from which Load makes the same
// schema again. Types of another dialect are written as their nearest kin;
// expressions are written as they are.
func (s *Schema) Print(w io.Writer, d dialect.Dialect) error {
	p := printer{dialect: d, foreign: d != s.dialect, alike: d.Has(dialect.ExecutedComments) && s.dialect.Has(dialect.ExecutedComments)}
	for _, t := range s.Types() {
		p.userType(t)
	}
	tables := s.Tables()
	for _, t := range tables {
		if !t.IsView {
			p.table(t)
		}
	}
	for _, t := range tables {
		p.parents(t)
	}
	for _, t := range tables { // before the foreign keys, for which MySQL would make indexes of its own
		p.indexes(t)
	}
	if !p.inlineKeys() {
		for _, t := range tables {
			p.foreignKeys(t)
		}
	}
	p.views(tables)
	_, err := io.WriteString(w, p.b.String())
	return err
}

// unknownType stands for the type of a column of which only the name is known.
const unknownType = "unknown"

type printer struct {
	b       strings.Builder
	dialect dialect.Dialect
	foreign bool // the schema comes from another dialect
	alike   bool // whose types are the same, as MySQL's and MariaDB's are
}

// inlineKeys reports whether foreign keys stand in CREATE TABLE, as they must
// where none can be added later.
func (p *printer) inlineKeys() bool { return p.dialect == dialect.SQLite }

func (p *printer) printf(format string, args ...any) { fmt.Fprintf(&p.b, format, args...) }

func (p *printer) name(qualifier, name string, exact bool) string {
	written := p.dialect.Name(name, exact)
	if qualifier == "" {
		return written
	}
	return p.dialect.Name(qualifier, false) + "." + written
}

func (p *printer) userType(t *UserType) {
	if p.dialect != dialect.Postgres {
		return // no other dialect has them apart from columns
	}
	if t.Values != nil {
		p.printf("CREATE TYPE %s AS ENUM (%s);\n\n", p.name(t.Qualifier, t.Name, true), quotedList(t.Values))
		return
	}
	p.printf("CREATE DOMAIN %s AS %s", p.name(t.Qualifier, t.Name, true), p.typeName(t.Base))
	if t.NotNull {
		p.printf(" NOT NULL")
	}
	if t.Check != "" {
		p.printf(" CHECK (%s)", t.Check)
	}
	p.printf(";\n\n")
}

func quotedList(values []string) string {
	var quoted []string
	for _, v := range values {
		quoted = append(quoted, quotedText(v))
	}
	return strings.Join(quoted, ", ")
}

func quotedText(s string) string { return "'" + strings.ReplaceAll(s, "'", "''") + "'" }

func (p *printer) table(t *Table) {
	create := "CREATE TABLE "
	if t.Temporary && !strings.HasPrefix(t.Name, "#") {
		create = "CREATE TEMPORARY TABLE "
	}
	p.printf("%s%s (", create, p.name(t.Qualifier, t.Name, t.Quoted))
	var lines []string
	for i := range t.Columns {
		lines = append(lines, p.column(t, i))
	}
	for _, k := range t.Keys {
		if k.Primary && p.numbersKey(t, k) || p.isIndex(t, k) {
			continue
		}
		kind := "UNIQUE"
		if k.Primary {
			kind = "PRIMARY KEY"
		}
		lines = append(lines, p.constraint(k.Name)+fmt.Sprintf("%s (%s)", kind, p.columns(t, k.Columns)))
	}
	for _, c := range t.Checks {
		lines = append(lines, p.constraint(c.Name)+fmt.Sprintf("CHECK (%s)", c.Text))
	}
	if p.inlineKeys() {
		for _, f := range t.Foreign {
			lines = append(lines, p.foreignKey(t, f))
		}
	}
	p.printf("\n  %s\n);\n\n", strings.Join(lines, ",\n  "))
}

// isIndex reports whether a unique key is one of the table's indexes, which are
// written apart.
func (p *printer) isIndex(t *Table, k Key) bool {
	for _, index := range t.Indexes {
		if !k.Primary && index.Unique && index.Name != "" && strings.EqualFold(index.Name, k.Name) {
			return true
		}
	}
	return false
}

// numbersKey reports whether a primary key is the column that SQLite numbers,
// which must be said with the column.
func (p *printer) numbersKey(t *Table, k Key) bool {
	return p.dialect == dialect.SQLite && len(k.Columns) == 1 && t.Columns[k.Columns[0]].Identity
}

func (p *printer) constraint(name string) string {
	if name == "" {
		return ""
	}
	return "CONSTRAINT " + p.dialect.Name(name, false) + " "
}

func (p *printer) columns(t *Table, columns []int) string {
	var names []string
	for _, i := range columns {
		names = append(names, p.dialect.Name(t.Columns[i].Name, t.Columns[i].Quoted))
	}
	return strings.Join(names, ", ")
}

func (p *printer) column(t *Table, i int) string {
	c := &t.Columns[i]
	line, typ := p.dialect.Name(c.Name, c.Quoted), ""
	switch {
	case c.Type.Name != "":
		typ = p.typeName(c.Type)
		line += " " + typ
	case p.dialect != dialect.SQLite:
		line += " " + unknownType
	}
	if c.Collation != "" && !p.foreign {
		line += " COLLATE " + p.dialect.Name(c.Collation, true)
	}
	switch {
	case c.Generated != "":
		line += fmt.Sprintf(" GENERATED ALWAYS AS (%s)", c.Generated)
		if c.Stored {
			line += " STORED"
		}
	case c.Identity && !strings.Contains(strings.ToLower(typ), "serial"):
		line += p.identity(t, i)
	case c.Default != "":
		line += " DEFAULT " + c.Default
	}
	if c.NotNull && !(c.Identity && p.dialect == dialect.SQLite) {
		line += " NOT NULL"
	}
	if c.Hidden && (p.dialect.Has(dialect.ExecutedComments) || p.dialect == dialect.Oracle) {
		line += " INVISIBLE"
	}
	if c.Comment != "" && p.dialect.Has(dialect.ExecutedComments) {
		line += " COMMENT " + quotedText(c.Comment)
	}
	return line
}

// identity writes how the dialect numbers rows.
func (p *printer) identity(t *Table, i int) string {
	switch p.dialect {
	case dialect.SQLite:
		for _, k := range t.Keys {
			if k.Primary && len(k.Columns) == 1 && k.Columns[0] == i {
				return " PRIMARY KEY AUTOINCREMENT"
			}
		}
		return ""
	case dialect.MySQL, dialect.MariaDB:
		return " AUTO_INCREMENT"
	case dialect.SQLServer:
		return " IDENTITY(1, 1)"
	case dialect.Spark:
		return ""
	}
	if t.Columns[i].Always {
		return " GENERATED ALWAYS AS IDENTITY"
	}
	return " GENERATED BY DEFAULT AS IDENTITY"
}

func (p *printer) parents(t *Table) {
	if p.dialect != dialect.Postgres {
		return // no other dialect has them
	}
	for _, parent := range t.Parents {
		p.printf("ALTER TABLE %s INHERIT %s;\n\n", p.name(t.Qualifier, t.Name, t.Quoted), p.name(parent.Qualifier, parent.Name, parent.Quoted))
	}
}

func (p *printer) foreignKeys(t *Table) {
	for _, f := range t.Foreign {
		p.printf("ALTER TABLE %s ADD %s;\n\n", p.name(t.Qualifier, t.Name, t.Quoted), p.foreignKey(t, f))
	}
}

func (p *printer) foreignKey(t *Table, f ForeignKey) string {
	line := p.constraint(f.Name) + fmt.Sprintf("FOREIGN KEY (%s) REFERENCES %s", p.columns(t, f.Columns), p.name(f.Qualifier, f.Table, false))
	if len(f.References) > 0 {
		var names []string
		for _, r := range f.References {
			names = append(names, p.dialect.Name(r, false))
		}
		line += " (" + strings.Join(names, ", ") + ")"
	}
	if f.OnDelete != "" {
		line += " ON DELETE " + f.OnDelete
	}
	if f.OnUpdate != "" {
		line += " ON UPDATE " + f.OnUpdate
	}
	return line
}

func (p *printer) indexes(t *Table) {
	for _, index := range t.Indexes {
		var parts []string
		for _, part := range index.Parts {
			written := "(" + part.Text + ")"
			if part.Column >= 0 {
				written = p.columns(t, []int{part.Column})
			}
			if part.Desc {
				written += " DESC"
			}
			parts = append(parts, written)
		}
		kind := ""
		switch {
		case index.Unique:
			kind = "UNIQUE "
		case index.Special && p.dialect.Has(dialect.ExecutedComments) && index.Method == "":
			kind = "FULLTEXT "
		}
		p.printf("CREATE %sINDEX %s ON %s", kind, p.dialect.Name(indexName(t, index), false), p.name(t.Qualifier, t.Name, t.Quoted))
		if index.Method != "" && p.dialect == dialect.Postgres {
			p.printf(" USING %s", index.Method)
		}
		p.printf(" (%s)", strings.Join(parts, ", "))
		if index.Where != "" {
			p.printf(" WHERE %s", index.Where)
		}
		p.printf(";\n\n")
	}
}

// indexName makes a name for an index that was given none.
func indexName(t *Table, index Index) string {
	if index.Name != "" {
		return index.Name
	}
	name := t.Name
	for _, part := range index.Parts {
		if part.Column >= 0 {
			name += "_" + t.Columns[part.Column].Name
		}
	}
	return name
}

// views writes the views, those first that others may read.
func (p *printer) views(tables []*Table) {
	left := map[string][]*Table{} // by the first word of the name, which a text that names it has
	for _, t := range tables {
		if words := wordsOf(t.Name); t.IsView && len(words) > 0 {
			left[words[0]] = append(left[words[0]], t)
		}
	}
	begun := map[*Table]bool{}
	var write func(*Table)
	write = func(t *Table) {
		if begun[t] {
			return // written, or of views that name each other
		}
		begun[t] = true
		for _, word := range wordsOf(t.Query) {
			read := left[word]
			delete(left, word)
			for _, other := range read {
				write(other)
			}
		}
		p.view(t)
	}
	for _, t := range tables {
		if t.IsView {
			write(t)
		}
	}
}

// wordsOf gives the words of a text in lower case.
func wordsOf(s string) []string {
	return strings.FieldsFunc(strings.ToLower(s), func(r rune) bool {
		return r != '_' && r != '$' && !unicode.IsLetter(r) && !unicode.IsDigit(r)
	})
}

func (p *printer) view(t *Table) {
	var names []string
	for i := range t.Columns {
		names = append(names, p.dialect.Name(t.Columns[i].Name, t.Columns[i].Quoted))
	}
	p.printf("CREATE VIEW %s", p.name(t.Qualifier, t.Name, t.Quoted))
	if t.Complete {
		p.printf(" (%s)", strings.Join(names, ", "))
	}
	p.printf(" AS\n%s;\n\n", strings.TrimSuffix(strings.TrimSpace(t.Query), ";"))
}

// typeName writes a type, that of another dialect as its nearest kin.
func (p *printer) typeName(t Type) string {
	if !p.foreign || p.alike || t.Class == class.Unknown || t.Class == class.Other {
		return t.Name
	}
	kin := kinOf[t.Class][p.dialect]
	switch t.Class {
	case class.Text:
		if t.Length > 0 {
			return fmt.Sprintf("%s(%d)", sizedText[p.dialect], t.Length)
		}
	case class.Decimal:
		if t.Length > 0 {
			return fmt.Sprintf("%s(%d, %d)", kin, t.Length, t.Scale)
		}
	case class.Integer:
		if strings.Contains(strings.ToLower(t.Name), "big") && p.dialect != dialect.SQLite && p.dialect != dialect.Oracle {
			return "BIGINT"
		}
	}
	return kin
}

type byDialect = [dialect.Count]string

// sizedText is the type of texts of bounded length.
var sizedText = byDialect{"VARCHAR", "varchar", "VARCHAR", "VARCHAR", "VARCHAR", "NVARCHAR", "VARCHAR2", "VARCHAR"}

// kinOf gives for each class the type that holds its values in each dialect, in
// the order ansi, postgres, mysql, mariadb, sqlite, sqlserver, oracle, spark.
var kinOf = map[class.Class]byDialect{
	class.Integer:     {"INTEGER", "integer", "INT", "INT", "INTEGER", "INT", "NUMBER(19)", "INT"},
	class.Decimal:     {"DECIMAL", "numeric", "DECIMAL", "DECIMAL", "NUMERIC", "DECIMAL", "NUMBER", "DECIMAL"},
	class.Float:       {"DOUBLE PRECISION", "double precision", "DOUBLE", "DOUBLE", "REAL", "FLOAT", "BINARY_DOUBLE", "DOUBLE"},
	class.Text:        {"VARCHAR(4000)", "text", "LONGTEXT", "LONGTEXT", "TEXT", "NVARCHAR(MAX)", "CLOB", "STRING"},
	class.Date:        {"DATE", "date", "DATE", "DATE", "DATE", "DATE", "DATE", "DATE"},
	class.Time:        {"TIME", "time", "TIME", "TIME", "TIME", "TIME", "INTERVAL DAY TO SECOND", "STRING"},
	class.Timestamp:   {"TIMESTAMP", "timestamp", "DATETIME", "DATETIME", "TIMESTAMP", "DATETIME2", "TIMESTAMP", "TIMESTAMP_NTZ"},
	class.TimestampTZ: {"TIMESTAMP WITH TIME ZONE", "timestamptz", "TIMESTAMP", "TIMESTAMP", "TIMESTAMP", "DATETIMEOFFSET", "TIMESTAMP WITH TIME ZONE", "TIMESTAMP"},
	class.Interval:    {"INTERVAL", "interval", "TIME", "TIME", "TEXT", "NVARCHAR(40)", "INTERVAL DAY TO SECOND", "INTERVAL"},
	class.Boolean:     {"BOOLEAN", "boolean", "BOOLEAN", "BOOLEAN", "BOOLEAN", "BIT", "NUMBER(1)", "BOOLEAN"},
	class.Binary:      {"BLOB", "bytea", "LONGBLOB", "LONGBLOB", "BLOB", "VARBINARY(MAX)", "BLOB", "BINARY"},
	class.Document:    {"JSON", "jsonb", "JSON", "JSON", "TEXT", "NVARCHAR(MAX)", "JSON", "STRING"},
}
