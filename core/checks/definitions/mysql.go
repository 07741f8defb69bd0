package definitions

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

var mysqls = dialect.In(dialect.MySQL, dialect.MariaDB)

var numberedKey = &check.Check{
	ID:        "definition.numbered-key",
	Title:     "AUTO_INCREMENT that begins no key",
	Errors:    []string{"1075"},
	Elsewhere: "MySQL and MariaDB ask for a key, SQLite for the type INTEGER",
	Doc: "MySQL and MariaDB number one column of a table, and only one with which a key begins. The key can be declared in the same CREATE TABLE " +
		"alone.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, mysqls),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (colony_id integer AUTO_INCREMENT, hue varchar(9))",
		Good:    "CREATE TABLE colonies (colony_id integer AUTO_INCREMENT PRIMARY KEY, hue varchar(9))",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer AUTO_INCREMENT, hue varchar(9), KEY (colony_id, hue))",
			"CREATE TABLE colonies (colony_id integer AUTO_INCREMENT UNIQUE, hue varchar(9), PRIMARY KEY (hue))",
			"CREATE TABLE colonies (colony_id integer NOT NULL, hue varchar(9))",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (colony_id integer AUTO_INCREMENT PRIMARY KEY, place integer AUTO_INCREMENT UNIQUE)",
		Good:    "CREATE TABLE colonies (colony_id integer AUTO_INCREMENT PRIMARY KEY, place integer UNIQUE)",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "CREATE TABLE colonies (colony_id BIGINT PRIMARY KEY AUTOINCREMENT, hue text)",
		Good:    "CREATE TABLE colonies (colony_id INTEGER PRIMARY KEY AUTOINCREMENT, hue text)",
	}},
	On: check.Nodes(runNumberedKey).In(mysqls).And(check.Nodes(runNumberedRow).In(dialect.In(dialect.SQLite))),
}

// runNumberedRow looks at AUTOINCREMENT of SQLite, which only the number of the row takes ("SQLite Autoincrement").
func runNumberedRow(p *check.Pass, n *syntax.CreateTable) {
	if !p.Tells(n) {
		return
	}
	for _, c := range n.Columns {
		if c.Type == nil || strings.EqualFold(p.Text(c.Type), "INTEGER") {
			continue
		}
		for _, t := range p.TokensIn(c.Span()) {
			if t.Word() != word.Autoincrement {
				continue
			}
			p.Report(check.Finding{Span: c.Type.Span(), Context: c.Span(), Certainty: check.Certain, Verdicts: p.Check.Verdicts.But(check.Refused, dialect.In(dialect.SQLite)),
				Message: fmt.Sprintf("AUTOINCREMENT needs the type INTEGER, and %s is %s", p.Ident(c.Name), p.Brief(c.Type)),
				Why:     "SQLite numbers rows, and only a column of that very type is the number of the row.",
				Mends: []check.Mend{{Title: "write INTEGER", Effect: check.NewRows,
					Edits: []text.Edit{check.Replace(c.Type.Span(), p.Word(c.Type.Span().Start, "INTEGER"))}}},
			})
		}
	}
}

func runNumberedKey(p *check.Pass, n *syntax.CreateTable) {
	if !p.Tells(n) || n.Like != nil || n.Query != nil || len(p.Stmt.Open) > 0 {
		return
	}
	var first *syntax.ColumnDef
	for _, c := range n.Columns {
		at, isKey := text.Span{}, false
		for _, con := range c.Constraints {
			switch con.Type {
			case syntax.IdentityValue:
				at = con.Span()
			case syntax.PrimaryKey, syntax.UniqueKey, syntax.IndexKey:
				isKey = true
			}
		}
		if at.IsEmpty() || !strings.EqualFold(text.View(p.Src, at), "AUTO_INCREMENT") {
			continue
		}
		f := check.Finding{Span: at, Context: c.Span(), Certainty: check.Certain}
		switch {
		case c.Type != nil && notNumbered(p, c.Type):
			f.Message = fmt.Sprintf("%s is numbered by the database, and is %s", p.Ident(c.Name), p.Brief(c.Type))
			f.Why = "It numbers columns of whole numbers, and of floating ones."
			f.Mends = []check.Mend{{Title: "make it an integer, or fill it otherwise", Effect: check.ByHand}}
		case first != nil:
			f.Message = fmt.Sprintf("%s is a second column that the database numbers", p.Ident(c.Name))
			f.Why = "It numbers one column of a table."
			f.Related = []check.Related{{Span: first.Span(), Message: "the first"}}
			f.Mends = []check.Mend{{Title: "number one of them", Effect: check.ByHand}}
		case !isKey && !beginsKey(n, c):
			f.Message = fmt.Sprintf("%s is numbered by the database, and begins no key", p.Ident(c.Name))
			f.Why = "The next number is looked up in an index, which CREATE TABLE must declare with the column."
			f.Mends = []check.Mend{{Title: "make it the primary key", Effect: check.NewRows, Edits: []text.Edit{check.Insert(at.End, " "+p.Word(at.Start, "PRIMARY KEY"))}}}
			if hasPrimaryKey(n) {
				f.Mends = []check.Mend{{Title: "make it UNIQUE", Effect: check.NewRows, Edits: []text.Edit{check.Insert(at.End, " "+p.Word(at.Start, "UNIQUE"))}}}
			}
		}
		first = c
		if f.Message != "" {
			p.Report(f)
		}
	}
}

// notNumbered reports whether MySQL and MariaDB count up no column of a type ("AUTO_INCREMENT").
func notNumbered(p *check.Pass, t *syntax.TypeName) bool {
	switch p.Schema.TypeOf(t, p.Src, p.Dialect).Class {
	case class.Text, class.Date, class.Time, class.Timestamp, class.Decimal:
		return true
	}
	return false
}

func hasPrimaryKey(n *syntax.CreateTable) (has bool) {
	eachConstraint(n, func(_ *syntax.ColumnDef, c *syntax.Constraint) { has = has || c.Type == syntax.PrimaryKey })
	return has
}

// beginsKey reports whether a key of the table may begin with the column. In MyISAM it may stand
// anywhere in one.
func beginsKey(n *syntax.CreateTable, c *syntax.ColumnDef) bool {
	for _, con := range n.Constraints {
		for i, item := range con.Columns {
			name, ok := syntax.Unparen(item.X).(*syntax.Name)
			if ok && name.Last().Sym == c.Name.Sym && (i == 0 || len(n.Columns) > 0 && hasEngine(n)) {
				return true
			}
		}
	}
	return false
}

// hasEngine reports whether options stand behind the columns, which may name an engine.
func hasEngine(n *syntax.CreateTable) bool {
	last := n.Columns[len(n.Columns)-1].Span().End
	for _, c := range n.Constraints {
		last = max(last, c.Span().End)
	}
	return n.Span().End > last+2
}

var nullDefault = &check.Check{
	ID:        "definition.null-default",
	Title:     "DEFAULT NULL of a column that takes no NULL",
	Errors:    []string{"1067"},
	Elsewhere: "MySQL and MariaDB refuse the table; where it is taken, each INSERT that leaves the column to its default is refused",
	Doc: "NOT NULL and DEFAULT NULL contradict each other. MySQL and MariaDB refuse the table, the others each INSERT that leaves the column " +
		"to its default.",
	Verdicts: check.Everywhere(check.Unclear).But(check.Refused, mysqls),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) NOT NULL DEFAULT NULL)",
		Good:    "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) NOT NULL)",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) DEFAULT NULL)",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) NOT NULL DEFAULT 'red')",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) NOT NULL)",
		},
	}},
	On: check.Nodes(func(p *check.Pass, c *syntax.ColumnDef) {
		if !c.NotNull || !p.Tells(c) {
			return
		}
		for _, con := range c.Constraints {
			literal, ok := con.X.(*syntax.Literal)
			if con.Type != syntax.DefaultValue || !ok || !strings.EqualFold(text.View(p.Src, literal.Span()), "NULL") {
				continue
			}
			certainty := check.Possible // it is what no default says, too
			if mysqls.Has(p.Dialect) {
				certainty = check.Certain
			}
			p.Report(check.Finding{
				Span: con.Span(), Context: c.Span(), Certainty: certainty,
				Message: fmt.Sprintf("DEFAULT NULL, and %s takes no NULL", p.Ident(c.Name)),
				Why:     "A row without a value for it is refused, as it would be without a default.",
				Mends:   []check.Mend{{Title: "drop the default, or NOT NULL", Effect: check.ByHand}},
			})
		}
	}),
}

var keyLength = &check.Check{
	ID:        "definition.key-length",
	Title:     "key of a long text without its length",
	Errors:    []string{"1170"},
	Elsewhere: "other databases keep the whole text in the key",
	Doc: "MySQL keeps only the beginning of a TEXT or BLOB in an index, and wants to be told how much: KEY (remark(100)). MariaDB asks that of " +
		"primary keys.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, mysqls),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (code text, hue varchar(9), PRIMARY KEY (code))",
		Good:    "CREATE TABLE colonies (code text, hue varchar(9), PRIMARY KEY (code(20)))",
		Near: []string{
			"CREATE TABLE colonies (code text, hue varchar(9), PRIMARY KEY (hue), KEY (code(20)))",
			"CREATE TABLE colonies (code varchar(20), hue varchar(9), PRIMARY KEY (code))",
			"CREATE TABLE colonies (code text, hue varchar(9), UNIQUE (code))",
		},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "CREATE TABLE colonies (colony_id integer PRIMARY KEY, code text, UNIQUE (code))",
		Good:    "CREATE TABLE colonies (colony_id integer PRIMARY KEY, code text, UNIQUE (code(20)))",
	}},
	On: check.Nodes(runKeyLength).In(mysqls),
}

func runKeyLength(p *check.Pass, n *syntax.CreateTable) {
	if !p.Tells(n) {
		return
	}
	long := map[syntax.Sym]bool{}
	for _, c := range n.Columns {
		if !isLong(p, c.Type) {
			continue
		}
		long[c.Name.Sym] = true
		for _, con := range c.Constraints {
			if con.Type == syntax.PrimaryKey || con.Type == syntax.UniqueKey && p.Dialect == dialect.MySQL {
				tellLength(p, c.Name, con.Span())
			}
		}
	}
	if len(long) == 0 {
		return
	}
	for _, con := range n.Constraints {
		if con.Kept || con.Type != syntax.PrimaryKey && (p.Dialect != dialect.MySQL || con.Type != syntax.UniqueKey && con.Type != syntax.IndexKey) {
			continue
		}
		for _, item := range con.Columns {
			name, ok := item.X.(*syntax.Name)
			if ok && len(name.Parts) == 1 && long[name.Parts[0].Sym] && !strings.Contains(text.View(p.Src, text.Span{Start: name.Span().End, End: item.Span().End}), "(") {
				tellLength(p, name.Parts[0], item.Span())
			}
		}
	}
}

func tellLength(p *check.Pass, column syntax.Ident, at text.Span) {
	p.Report(check.Finding{
		Span: at, Certainty: check.Certain,
		Message: fmt.Sprintf("the key does not say how much of %s it holds", p.Ident(column)),
		Why:     "Of a long text only the beginning can be in an index.",
		Mends:   []check.Mend{{Title: fmt.Sprintf("write %s(100), or declare a varchar", p.Ident(column)), Effect: check.ByHand}},
	})
}

// isLong reports whether a type is one of the TEXT and BLOB types.
func isLong(p *check.Pass, t *syntax.TypeName) bool {
	if t == nil || len(t.Parts) != 1 {
		return false
	}
	switch p.Names.String(t.Parts[0].Sym) {
	case "text", "tinytext", "mediumtext", "longtext", "blob", "tinyblob", "mediumblob", "longblob":
		return true
	}
	return false
}
