package names

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var caseFolding = &check.Check{
	ID:    "name.case-folding",
	Title: "letter case that does not match",
	Doc: "PostgreSQL turns bare names into lower case, Oracle into upper case, and names in quotes are taken as they are: a table that was created as \"Hives\" is not " +
		"found as hives, nor one created as hives as \"Hives\". MySQL and MariaDB on Linux tell tables and aliases apart by case without any quotes.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres, dialect.Oracle, dialect.MySQL, dialect.MariaDB)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     `SELECT "Name" FROM hives`,
		Good:    `SELECT name FROM hives`,
		Near:    []string{`SELECT "name" FROM "hives"`, "SELECT NAME FROM Hives", `SELECT h."name" FROM hives AS h`},
	}, {
		Dialect: dialect.Postgres,
		Bad:     `SELECT name FROM "Hives"`,
		Good:    `SELECT name FROM hives`,
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM Hives",
		Good:    "SELECT name FROM hives",
		Near:    []string{"SELECT NAME FROM hives", "SELECT H.name FROM hives AS H"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT h.name FROM hives AS H",
		Good:    "SELECT H.name FROM hives AS H",
	}},
	On: check.Kinds(caseOfTables, syntax.KindSelect, syntax.KindUpdate, syntax.KindDelete, syntax.KindInsert, syntax.KindMerge).In(caseCounts).And(
		check.Names(caseOfColumn, bind.Resolved).Exact().In(folding)).And(
		check.Names(caseOfQualifier, bind.Resolved).In(dialect.With(dialect.ExecutedComments))),
}

// folding are the dialects that turn bare names into one letter case; the others of
// caseCounts tell the names of tables apart by it.
var (
	folding    = dialect.In(dialect.Postgres, dialect.Oracle)
	caseCounts = folding | dialect.With(dialect.ExecutedComments)
)

func caseOfTables(p *check.Pass, n syntax.Node) {
	scope := p.Scope(n)
	if scope == nil {
		return
	}
	for _, s := range scope.Sources {
		if ref, ok := s.Node.(*syntax.TableRef); ok && s.SchemaTable() != nil {
			caseOfTable(p, ref.Name[len(ref.Name)-1], s.SchemaTable())
		}
	}
}

func caseOfTable(p *check.Pass, id syntax.Ident, t *schema.Table) {
	switch {
	case folding.Has(p.Dialect) && !id.Quoted && !t.Quoted: // found whatever the case
	case t.OtherCase: // both are there
	case folding.Has(p.Dialect) && effective(p, id) != stored(p, t.Name, t.Quoted):
		reportCase(p, id, t.Name, t.Quoted, "table", check.Certain)
	case !folding.Has(p.Dialect) && plain(p, id) != t.Name && strings.EqualFold(plain(p, id), t.Name):
		reportCase(p, id, t.Name, false, "table", check.Likely)
	}
}

// caseOfQualifier looks at names of MySQL and MariaDB, where aliases are told apart, too.
func caseOfQualifier(p *check.Pass, n *syntax.Name) {
	u := p.Use(n)
	if len(n.Parts) < 2 || u.Source.Name.IsZero() {
		return
	}
	id, source := n.Qualifier(), plain(p, u.Source.Name)
	if written := plain(p, id); written != source && strings.EqualFold(written, source) {
		reportCase(p, id, source, false, "source", check.Likely)
	}
}

func caseOfColumn(p *check.Pass, n *syntax.Name) {
	id, u := n.Last(), p.Use(n)
	t := u.Source.SchemaTable()
	if t == nil || u.Column.Index < 0 {
		return
	}
	c := &t.Columns[u.Column.Index]
	if !id.Quoted && !c.Quoted || isPasted(p, id) {
		return
	}
	if ref, ok := u.Source.Node.(*syntax.TableRef); ok && len(ref.Columns) > 0 {
		return // columns under other names
	}
	written := effective(p, id)
	if written == stored(p, c.Name, c.Quoted) {
		return
	}
	for _, other := range t.Columns {
		if written == stored(p, other.Name, other.Quoted) {
			return
		}
	}
	reportCase(p, id, c.Name, c.Quoted, "column", check.Certain)
}

// quotesAll reports whether quotes for nothing but letter case are the habit of a schema: the
// table's own name has them, or most columns of a new table, several at least.
func quotesAll(p *check.Pass, n syntax.Node) bool {
	create, ok := n.(*syntax.CreateTable)
	if !ok {
		if action, ok := p.Parent(n).(*syntax.AlterAction); ok {
			alter := p.Parent(action).(*syntax.AlterTable)
			return forItsCase(p, alter.Name[len(alter.Name)-1])
		}
		if create, ok = p.Parent(n).(*syntax.CreateTable); !ok {
			return false
		}
	}
	quoted := 0
	for _, c := range create.Columns {
		if forItsCase(p, c.Name) {
			quoted++
		}
	}
	return n != syntax.Node(create) && forItsCase(p, create.Name[len(create.Name)-1]) || quoted > 2 && 2*quoted > len(create.Columns)
}

// forItsCase reports whether a name has quotes only for its letter case.
func forItsCase(p *check.Pass, id syntax.Ident) bool {
	if !id.Quoted {
		return false
	}
	name := plain(p, id)
	return p.Dialect.Name(name, true) != name && p.Dialect.Name(strings.ToLower(name), false) == strings.ToLower(name)
}

// plain gives a name without its quotes.
func plain(p *check.Pass, id syntax.Ident) string {
	s := p.Ident(id)
	if id.Quoted && len(s) > 1 {
		return strings.ReplaceAll(s[1:len(s)-1], `""`, `"`)
	}
	return s
}

// isPasted reports whether a name stands in typographic quotes, of which
// syntax.pasted-quotes tells.
func isPasted(p *check.Pass, id syntax.Ident) bool { return p.Src[id.Span.Start] >= 0x80 }

// effective gives the name that the database looks for.
func effective(p *check.Pass, id syntax.Ident) string {
	if id.Quoted {
		return plain(p, id)
	}
	return stored(p, plain(p, id), false)
}

// stored gives the name under which the database keeps what was created so.
func stored(p *check.Pass, name string, quoted bool) string {
	switch {
	case quoted:
		return name
	case p.Dialect.Has(dialect.FoldUpper):
		return strings.ToUpper(name)
	}
	return strings.ToLower(name)
}

func reportCase(p *check.Pass, id syntax.Ident, name string, quoted bool, what string, certainty check.Certainty) {
	f := check.Finding{
		Span: id.Span, Certainty: certainty,
		Message: fmt.Sprintf("%s does not find the %s %s", p.Ident(id), what, name),
		Why:     "In quotes letter case counts, and this differs from how it was created.",
		Mends: []check.Mend{{Title: "write it as it was created", Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(id.Span, p.Dialect.Name(name, quoted))}}},
	}
	switch {
	case p.Dialect.Has(dialect.ExecutedComments):
		f.Why = "Where files are told apart by letter case, as on Linux, tables are, too."
	case !id.Quoted:
		f.Why = fmt.Sprintf("It was created in quotes; a bare name is looked for as %s.", effective(p, id))
	}
	p.Report(f)
}

var doubleQuotedText = &check.Check{
	ID:    "name.double-quoted-text",
	Title: "text in double quotes",
	Doc: "Double quotes are for names; text stands in single quotes. PostgreSQL, Oracle and SQL Server look for a column of that name and refuse the query. SQLite " +
		"takes a name that it does not find for text, until a column of that name comes along. On MySQL, MariaDB and Spark double quotes are text.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.SQLite)).But(check.Fine, dialect.With(dialect.DoubleQuotedText)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     `SELECT hive_id FROM hives WHERE name = "Ash"`,
		Good:    `SELECT hive_id FROM hives WHERE name = 'Ash'`,
		Near:    []string{`SELECT hive_id FROM hives WHERE "name" = 'Ash'`, `SELECT hive_id AS "Hive" FROM hives`, `SELECT a.hive_id FROM hives AS a JOIN hives AS b ON a."name" = b."name"`},
	}, {
		Dialect: dialect.SQLite,
		Bad:     `SELECT hive_id FROM hives WHERE name LIKE "A%"`,
		Good:    `SELECT hive_id FROM hives WHERE name LIKE 'A%'`,
	}, {
		Dialect:  dialect.Postgres,
		NoSchema: true,
		Bad:      `INSERT INTO queens (queen_id, name, bred_in) VALUES (900, "Beatrix", 2026)`,
		Good:     `INSERT INTO queens (queen_id, name, bred_in) VALUES (900, 'Beatrix', 2026)`,
		Near:     []string{`SELECT hive_id FROM hives WHERE name = "other_name"`},
	}},
	On: check.Names(func(p *check.Pass, name *syntax.Name) {
		certainty, ok := meantAsText(p, name)
		if !ok {
			return
		}
		f := check.Finding{
			Span: name.Span(), Certainty: certainty,
			Message: fmt.Sprintf("%s is a name, not a text", p.Brief(name)),
			Why:     "Put it in single quotes: double quotes are for names, and no column has this one.",
		}
		effect := check.NewRows
		if p.Dialect == dialect.SQLServer { // sqlcmd leaves QUOTED_IDENTIFIER off
			f.Certainty = min(f.Certainty, check.Likely)
		}
		if p.Dialect == dialect.SQLite {
			effect = check.SameRows
			f.Why = "Put it in single quotes: it is taken for text only because no column has this name."
		}
		f.Mends = []check.Mend{{Title: "put it in single quotes", Effect: effect,
			Edits: []text.Edit{check.Replace(name.Span(), "'"+strings.ReplaceAll(plain(p, name.Last()), "'", "''")+"'")}}}
		p.Report(f)
	}).Bare().Quoted(),
}

// meantAsText reports whether a name in double quotes stands where text would, and
// no column is called so.
func meantAsText(p *check.Pass, n *syntax.Name) (check.Certainty, bool) {
	if len(n.Parts) != 1 || !n.Parts[0].Quoted || p.Src[n.Span().Start] != '"' || p.Dialect.Has(dialect.DoubleQuotedText) || !p.Tells(n) {
		return 0, false
	}
	inValues := false
	switch around := p.Above(n).(type) {
	case *syntax.Binary:
		if !around.Op.IsComparison() || syntax.Unparen(around.Y) != syntax.Expr(n) {
			return 0, false
		}
	case *syntax.Like:
		if around.Pattern != syntax.Expr(n) {
			return 0, false
		}
	case *syntax.In:
		if around.X == syntax.Expr(n) {
			return 0, false
		}
	case *syntax.Row:
		if _, inValues = p.Parent(around).(*syntax.Values); !inValues {
			return 0, false
		}
	default:
		return 0, false
	}
	u := p.Use(n)
	switch {
	case u.Status == bind.Missing:
	case p.Dialect == dialect.SQLite && u.Status == bind.Unclear && u.Scope != nil && complete(u.Scope):
	case (u.Status == bind.Assumed || u.Status == bind.Unclear) && strings.ContainsAny(plain(p, n.Parts[0]), " %.,;:!?-/'"):
		return check.Likely, true
	default:
		return 0, false
	}
	if u.Scope != nil && !inValues {
		var columns []string
		for _, s := range u.Scope.Sources {
			columns = append(columns, p.ColumnNames(s)...)
		}
		if text.Nearest(p.Names.String(n.Last().Sym), columns) != "" {
			return 0, false // name.unknown-column tells
		}
	}
	return check.Certain, true
}

// complete reports whether all columns of all sources are known, here and around.
func complete(scope *bind.Scope) bool {
	for ; scope != nil; scope = scope.Parent {
		for _, s := range scope.Sources {
			if !s.Complete {
				return false
			}
		}
	}
	return true
}

var needsQuoting = &check.Check{
	ID:    "name.needs-quoting",
	Title: "a name that needs quotes for ever",
	Doc: "A table or column whose name holds blanks, or is a reserved word, or mixes letter case in quotes, can only be named in quotes, in every query " +
		"from now on. A plain name saves all who come later the trouble.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     `CREATE TABLE apiary_visits (visit_id integer PRIMARY KEY, "visit day" date)`,
		Good:    `CREATE TABLE apiary_visits (visit_id integer PRIMARY KEY, visit_day date)`,
		Near:    []string{"CREATE TABLE apiary_visits (visit_id integer PRIMARY KEY, visit_day date)", "CREATE TABLE \"apiary_visits\" (visit_id integer PRIMARY KEY)", `CREATE TABLE apiary_visits (visit_id integer PRIMARY KEY, "visit_day" date)`},
	}, {
		Dialect: dialect.Postgres,
		Bad:     `CREATE TABLE visits (visit_id integer PRIMARY KEY, "order" integer)`,
		Good:    `CREATE TABLE visits (visit_id integer PRIMARY KEY, place integer)`,
	}},
	On: check.Kinds(func(p *check.Pass, n syntax.Node) {
		var id syntax.Ident
		what := "column"
		switch n := n.(type) {
		case *syntax.CreateTable:
			id, what = n.Name[len(n.Name)-1], "table"
		case *syntax.ColumnDef:
			if action, ok := p.Parent(n).(*syntax.AlterAction); ok && action.Action != syntax.AddColumn && action.To.IsZero() {
				return // it has the name already
			}
			id = n.Name
		}
		if !id.Quoted {
			return
		}
		name := plain(p, id)
		if p.Dialect.Name(name, true) == name {
			return
		}
		why := "Every query must put the name in quotes, for its blanks, signs or mixed letter case."
		if p.Dialect.Name(name, false) != name && p.Dialect.Reserves(word.Find(name)) {
			why = "Every query must put the name in quotes, as the word is reserved."
		}
		certainty := check.Certain
		if quotesAll(p, n) {
			certainty = check.Possible // a habit of the whole schema
		}
		p.Report(check.Finding{
			Span: id.Span, Context: n.Span(), Certainty: certainty,
			Message: fmt.Sprintf("the %s %s can only be named in quotes", what, p.Ident(id)),
			Why:     why,
			Mends:   []check.Mend{{Title: "choose a plain name", Effect: check.ByHand}},
		})
	}, syntax.KindCreateTable, syntax.KindColumnDef),
}
