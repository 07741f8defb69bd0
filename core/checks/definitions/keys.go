package definitions

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var twoPrimaryKeys = &check.Check{
	ID:     "definition.two-primary-keys",
	Title:  "second primary key",
	Errors: []string{"42P16", "1068", "ORA-02260", "Msg 8110"},
	Doc: "A table has one primary key. One of several columns is written behind the columns: PRIMARY KEY (hive_id, taken_on); another key is " +
		"UNIQUE.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date PRIMARY KEY)",
		Good: "CREATE TABLE colonies (hive_id integer, seen_on date, PRIMARY KEY (hive_id, seen_on))",
		Near: []string{
			"CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date UNIQUE)",
			"CREATE TABLE colonies (hive_id integer, seen_on date, PRIMARY KEY (hive_id, seen_on), UNIQUE (seen_on))",
		},
	}, {
		Bad:  "CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date, PRIMARY KEY (hive_id))",
		Good: "CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date)",
		Near: []string{"CREATE TABLE colonies (hive_id integer NOT NULL, seen_on date, PRIMARY KEY (hive_id))"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date); ALTER TABLE colonies ADD PRIMARY KEY (seen_on)",
		Good:    "CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date); ALTER TABLE colonies ADD UNIQUE (seen_on)",
		Near:    []string{"CREATE TABLE colonies (hive_id integer, seen_on date); ALTER TABLE colonies ADD PRIMARY KEY (seen_on)"},
	}},
	On: check.Nodes(twoKeysInTable).And(check.Nodes(secondKeyInChange)).In(dialect.Everywhere &^ dialect.In(dialect.Spark)),
}

func twoKeysInTable(p *check.Pass, n *syntax.CreateTable) {
	if !p.Tells(n) {
		return
	}
	var first *syntax.Constraint
	of := ""
	eachConstraint(n, func(d *syntax.ColumnDef, c *syntax.Constraint) {
		column := ""
		if d != nil {
			column = p.Ident(d.Name)
		}
		switch {
		case c.Type != syntax.PrimaryKey:
		case first == nil:
			first, of = c, column
		case p.Dialect == dialect.MariaDB && d != nil && of == column: // PRIMARY KEY PRIMARY KEY
		default:
			f := check.Finding{
				Span: c.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("the table %s has a second primary key", p.Ident(n.Name[len(n.Name)-1])),
				Why:     "A table has one; another key is UNIQUE.",
				Related: []check.Related{{Span: first.Span(), Message: "the first"}},
				Mends:   []check.Mend{{Title: "keep one of them", Effect: check.ByHand}},
			}
			if of != "" && column != "" {
				f.Why = fmt.Sprintf("One key of both is written behind the columns: PRIMARY KEY (%s, %s).", of, column)
			}
			p.Report(f)
		}
	})
}

func secondKeyInChange(p *check.Pass, n *syntax.AlterTable) {
	if !p.Tells(n) || p.Schema == nil || len(n.Name) == 0 {
		return
	}
	if !slices.ContainsFunc(n.Actions, addsPrimaryKey) {
		return
	}
	t := p.TableNamed(n.Name)
	if t == nil || !p.Schema.Creates(t) {
		return
	}
	has := false
	for i := range t.Columns {
		has = has || t.Columns[i].Primary
	}
	for _, a := range n.Actions {
		switch a.Action {
		case syntax.DropPrimaryKey, syntax.DropConstraint, syntax.DropColumn, syntax.OtherAction:
			has = false
		}
	}
	for _, a := range n.Actions {
		if has && addsPrimaryKey(a) {
			p.Report(check.Finding{
				Span: a.Constraint.Span(), Certainty: check.Likely, // the first may have been refused for its rows
				Message: fmt.Sprintf("%s has a primary key already", t.Name),
				Why:     "A table has one; another key is UNIQUE.",
				Mends:   []check.Mend{{Title: "make it UNIQUE, or drop the other first", Effect: check.ByHand}},
			})
		}
	}
}

func addsPrimaryKey(a *syntax.AlterAction) bool {
	return a.Action == syntax.AddConstraint && a.Constraint != nil && a.Constraint.Type == syntax.PrimaryKey
}

var columnTwice = &check.Check{
	ID:     "definition.column-twice",
	Title:  "column twice in one key",
	Errors: []string{"42701", "1060", "ORA-00957", "Msg 1909"},
	Doc: "A key that lists a column twice says no more than with it once, and most databases refuse it. Another column was meant more often " +
		"than not.",
	Verdicts:  check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.SQLite, dialect.Spark, dialect.ANSI)),
	Elsewhere: "SQLite takes the column once, the others refuse the key",
	Examples: []check.Example{{
		Bad:  "CREATE TABLE colonies (hive_id integer, seen_on date, UNIQUE (hive_id, hive_id))",
		Good: "CREATE TABLE colonies (hive_id integer, seen_on date, UNIQUE (hive_id, seen_on))",
		Near: []string{
			"CREATE TABLE colonies (hive_id integer, seen_on date, UNIQUE (hive_id), UNIQUE (hive_id, seen_on))",
			"CREATE TABLE colonies (hive_id integer, seen_on date, PRIMARY KEY (hive_id), UNIQUE (seen_on, hive_id))",
			"CREATE TABLE colonies (hive_id integer PRIMARY KEY, seen_on date UNIQUE, UNIQUE (seen_on, hive_id))",
		},
	}},
	On: check.Nodes(func(p *check.Pass, c *syntax.Constraint) {
		if c.Type == syntax.PrimaryKey || c.Type == syntax.UniqueKey || c.Type == syntax.IndexKey && twiceInIndex.Has(p.Dialect) {
			tellColumnTwice(p, c, "the key", c.Columns)
		}
	}).And(check.Nodes(func(p *check.Pass, n *syntax.CreateIndex) {
		tellColumnTwice(p, n, "the index", n.Items)
	}).In(twiceInIndex)),
}

// twiceInIndex are the dialects that refuse a column twice in an index that is no key.
var twiceInIndex = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Oracle)

func tellColumnTwice(p *check.Pass, n syntax.Node, what string, items []*syntax.OrderItem) {
	if !p.Tells(n) || len(items) > mostKeyed {
		return
	}
	ids := listedColumns(p, items)
	for i, id := range ids {
		for _, earlier := range ids[:i] {
			if earlier.Sym == id.Sym {
				p.Report(check.Finding{
					Span: id.Span, Context: n.Span(), Certainty: check.Certain,
					Message: fmt.Sprintf("%s lists %s twice", what, p.Ident(id)),
					Why:     "Once is enough, unless another column was meant.",
					Related: []check.Related{{Span: earlier.Span, Message: "the first time"}},
					Mends:   []check.Mend{{Title: "drop it, or name the other column", Effect: check.ByHand}},
				})
				return
			}
		}
	}
}

// mostKeyed bounds the keys whose columns are compared with each other; no database takes as
// many.
const mostKeyed = 64
