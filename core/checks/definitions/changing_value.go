package definitions

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var changingValue = &check.Check{
	ID:     "definition.changing-value",
	Title:  "clock, user or chance in a definition",
	Errors: []string{"42P17", "1901", "3763", "3758", "3814", "ORA-54002", "ORA-02436", "ORA-01743", "Msg 4936"},
	Doc: "An index and a generated column keep what was worked out when the row was written, so they take only what comes out the same at any " +
		"time: no clock, no user, no chance. MySQL, MariaDB and Oracle ask that of CHECK, too.",
	Elsewhere: "all refuse it in an index and in a stored column, MySQL, MariaDB and Oracle in CHECK, too",
	Verdicts:  check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.SQLServer, dialect.ANSI)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE INDEX fresh ON inspections (hive_id) WHERE inspected_at > now()",
		Good:    "CREATE INDEX fresh ON inspections (hive_id) WHERE inspected_at > TIMESTAMP '2026-01-01'",
		Near: []string{
			"CREATE INDEX fresh ON inspections (hive_id, inspected_at)",
			"CREATE TABLE colonies (colony_id integer, seen_on date DEFAULT CURRENT_DATE)",
			"CREATE TABLE colonies (colony_id integer, seen_on date CHECK (seen_on <= CURRENT_DATE))",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (queen_from date, age integer GENERATED ALWAYS AS (CURRENT_DATE - queen_from) STORED)",
		Good:    "CREATE TABLE colonies (queen_from date)",
		Near:    []string{"CREATE TABLE colonies (a date, b date, days integer GENERATED ALWAYS AS (b - a) STORED)"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (colony_id integer, seen_on date CHECK (seen_on <= CURDATE()))",
		Good:    "CREATE TABLE colonies (colony_id integer, seen_on date CHECK (seen_on >= '2020-01-01'))",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer, seen_on date DEFAULT CURDATE())",
			"CREATE TABLE colonies (colony_id integer, day date GENERATED ALWAYS AS (CURDATE()) VIRTUAL)",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "CREATE TABLE colonies (colony_id integer, seen_on date, luck GENERATED ALWAYS AS (RANDOM()) STORED)",
		Good:    "CREATE TABLE colonies (colony_id integer, seen_on date)",
	}},
	On: check.Nodes(changingInConstraint).And(check.Nodes(changingInIndex)).In(dialect.Everywhere &^ dialect.In(dialect.Spark)),
}

func changingInConstraint(p *check.Pass, c *syntax.Constraint) {
	if c.X == nil || !p.Tells(c) {
		return
	}
	switch c.Type {
	case syntax.GeneratedAs:
		if c.Kept || p.Dialect != dialect.MariaDB && p.Dialect != dialect.SQLServer {
			changes(p, c.X, "a generated column")
		}
	case syntax.CheckKey:
		if dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Oracle).Has(p.Dialect) {
			changes(p, c.X, "CHECK")
		}
	}
}

func changingInIndex(p *check.Pass, n *syntax.CreateIndex) {
	if !p.Tells(n) || p.Dialect == dialect.SQLServer || p.Dialect == dialect.ANSI {
		return
	}
	for _, item := range n.Items {
		changes(p, item.X, "an index")
	}
	if n.Where != nil {
		changes(p, n.Where.Cond, "the condition of an index")
	}
}

// changes reports the first part of an expression that is another at each time, to each user or
// at each call.
func changes(p *check.Pass, x syntax.Expr, where string) {
	var at text.Span
	syntax.Inspect(x, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Name:
			if at.IsEmpty() && len(n.Parts) == 1 && !n.Parts[0].Quoted && p.Use(n).Status == bind.Builtin && isChanging(p.Names.String(n.Parts[0].Sym)) {
				at = n.Span()
			}
		case *syntax.Call:
			if at.IsEmpty() && len(n.Name) == 1 && len(n.Args) == 0 && isChanging(p.FunctionName(n)) {
				at = n.Span()
			}
		}
		_, query := n.(*syntax.Query)
		return !query && at.IsEmpty()
	})
	if at.IsEmpty() {
		return
	}
	f := check.Finding{
		Span: at, Context: x.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s cannot use %s", where, p.BriefOf(at)),
		Why:     "What is kept of it would be another value later.",
		Mends:   []check.Mend{{Title: "leave it to the query, or to a view", Effect: check.ByHand}},
	}
	if where == "CHECK" {
		f.Why = "A row that is fine today would not be tomorrow."
		f.Mends[0].Title = "compare with a fixed value, or ask in a trigger"
	}
	p.Report(f)
}

// isChanging reports whether a function that takes nothing, or a word, is one of the clock, of
// the session or of chance.
func isChanging(name string) bool {
	switch name {
	case "now", "current_date", "current_time", "current_timestamp", "localtime", "localtimestamp", "curdate", "curtime", "sysdate",
		"systimestamp", "getdate", "getutcdate", "sysdatetime", "utc_date", "utc_time", "utc_timestamp", "unix_timestamp", "clock_timestamp",
		"statement_timestamp", "transaction_timestamp", "random", "rand", "uuid", "gen_random_uuid", "newid", "user", "current_user",
		"session_user", "connection_id", "last_insert_id", "last_insert_rowid":
		return true
	}
	return false
}
