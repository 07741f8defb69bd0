package clauses

import (
	"sort"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

var rowsNowhere = &check.Check{
	ID:        "clause.rows-nowhere",
	Title:     "query in a routine whose rows go nowhere",
	Errors:    []string{"42601", "1415", "PLS-00428", "Msg 444"},
	Elsewhere: "procedures of MySQL, MariaDB and SQL Server give the rows to their caller",
	Doc: "A query that stands as a statement gives its rows to whoever sent it. In PL/pgSQL and PL/SQL nobody did: the rows go INTO a variable, and PERFORM runs a query of which only the " +
		"effect is wanted. Functions of SQL Server, and functions and triggers of MySQL and MariaDB, can send no rows either.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres, dialect.Oracle, dialect.SQLServer, dialect.MySQL, dialect.MariaDB)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "DO $$ BEGIN SELECT pg_sleep(0); END $$",
		Good:    "DO $$ BEGIN PERFORM pg_sleep(0); END $$",
		Near: []string{
			"DO $$ DECLARE n integer; BEGIN SELECT COUNT(*) INTO n FROM hives; END $$",
			"DO $$ DECLARE r record; BEGIN FOR r IN SELECT name FROM hives LOOP NULL; END LOOP; END $$",
			"DO $$ BEGIN IF EXISTS (SELECT 1 FROM hives) THEN PERFORM 1; END IF; END $$",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE FUNCTION swarm_count() RETURNS integer BEGIN SELECT COUNT(*) FROM hives; RETURN 1; END",
		Near: []string{
			"CREATE FUNCTION swarm_count() RETURNS integer BEGIN DECLARE n integer; SELECT COUNT(*) INTO n FROM hives; RETURN n; END",
			"CREATE FUNCTION swarm_count() RETURNS integer RETURN (SELECT COUNT(*) FROM hives)",
			"CREATE PROCEDURE swarm_names() BEGIN SELECT name FROM hives; END",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "BEGIN SELECT name FROM hives WHERE hive_id = 1; END;",
		Near: []string{
			"DECLARE n NUMBER; BEGIN SELECT COUNT(*) INTO n FROM hives; END;",
			"BEGIN FOR r IN (SELECT name FROM hives) LOOP NULL; END LOOP; END;",
			"DECLARE CURSOR c IS SELECT name FROM hives; BEGIN OPEN c; CLOSE c; END;",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE FUNCTION dbo.swarm_count() RETURNS int AS BEGIN SELECT COUNT(*) FROM hives; RETURN 1; END",
		Near: []string{
			"CREATE FUNCTION dbo.swarm_count() RETURNS int AS BEGIN DECLARE @n int; SELECT @n = COUNT(*) FROM hives; RETURN @n; END",
			"CREATE FUNCTION dbo.swarm_names() RETURNS TABLE AS RETURN SELECT name FROM hives",
			"CREATE PROCEDURE dbo.swarm_list AS BEGIN SELECT name FROM hives; END",
		},
	}},
	On: check.Nodes(runRowsNowhere).In(dialect.In(dialect.Postgres, dialect.Oracle, dialect.SQLServer, dialect.MySQL, dialect.MariaDB)),
}

func runRowsNowhere(p *check.Pass, n *syntax.SelectStmt) {
	parent := p.Parent(n)
	if parent == nil || !p.Tells(n) || !standsAlone(p, n) {
		return
	}
	routine, _ := p.Nearest(n, syntax.Kinds(syntax.KindRoutine)).(*syntax.Routine)
	if !dropsRows(p, routine, parent) {
		return
	}
	for _, t := range p.TokensIn(n.Span()) {
		if t.Word() == word.Into {
			return
		}
	}
	f := check.Finding{
		Span: n.Span(), Certainty: check.Certain, Message: "nothing takes the rows of this query",
		Mends: []check.Mend{{Title: "take the rows INTO a variable, or leave the query out", Effect: check.ByHand}},
	}
	if len(p.Text(n)) > longQuery {
		f.Span = text.Span{Start: n.Span().Start, End: n.Span().Start + text.Pos(len("SELECT"))}
	}
	first, _, _ := p.FirstTokens(n)
	switch p.Dialect {
	case dialect.Postgres:
		f.Certainty = check.Likely // it is refused when it is reached
		f.Why = "PL/pgSQL stops there with an error. PERFORM runs a query without taking its rows."
		if first.Word() == word.Select {
			f.Mends = []check.Mend{{Title: "write PERFORM", Effect: check.NewRows, Edits: []text.Edit{check.Replace(first.Span, p.Word(first.Span.Start, "PERFORM"))}}}
		}
	case dialect.Oracle:
		f.Why = "In PL/SQL a query that stands as a statement needs INTO."
	default:
		f.Why = "A " + strings.ToLower(text.View(p.Src, routine.Keyword)) + " can send no rows to its caller."
	}
	p.Report(f)
}

// longQuery is the length in bytes from which on only the first word of a query is pointed at.
const longQuery = 200

// dropsRows reports whether a query that stands as a statement in a routine, or in a block without a
// name, has nobody to give its rows to.
func dropsRows(p *check.Pass, routine *syntax.Routine, parent syntax.Node) bool {
	kind := ""
	if routine != nil {
		kind = strings.ToLower(text.View(p.Src, routine.Keyword))
	}
	switch p.Dialect {
	case dialect.Postgres: // LANGUAGE sql has its queries right below the routine, or in BEGIN ATOMIC
		if routine == nil || parent == syntax.Node(routine) || len(routine.Body) == 0 {
			return false
		}
		_, second, ok := p.FirstTokens(routine.Body[0])
		return ok && second.Word() != word.Atomic
	case dialect.Oracle:
		return true
	case dialect.SQLServer:
		return kind == "function"
	}
	return kind == "function" || kind == "trigger"
}

// standsAlone reports whether a query begins a statement, and is not that of a cursor, a loop or
// RETURN; nor does it set variables, as in SQL Server.
func standsAlone(p *check.Pass, n *syntax.SelectStmt) bool {
	tokens := p.Stmt.Tokens
	at := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.Start >= n.Span().Start })
	if at == 0 || at == len(tokens) {
		return false
	}
	if first := text.View(p.Src, tokens[at].Span); !strings.EqualFold(first, "SELECT") && !strings.EqualFold(first, "WITH") { // but PERFORM
		return false
	}
	before := tokens[at-1]
	if p.Dialect == dialect.SQLServer { // whose statements need no semicolon between them
		switch before.Word() {
		case word.Return, word.As, word.For:
			return false
		}
		sel := n.Query.Select()
		return before.Kind != syntax.LeftParen && sel != nil && len(sel.Items) > 0 && !setsVariable(sel)
	}
	switch before.Word() {
	case word.Begin, word.Then, word.Else, word.Loop, word.Do:
		return true
	}
	return before.Kind == syntax.Semicolon
}

// setsVariable reports whether a SELECT of SQL Server gives its values to variables.
func setsVariable(sel *syntax.Select) bool {
	for _, item := range sel.Items {
		if b, ok := item.X.(*syntax.Binary); ok && b.X.Kind() == syntax.KindParam || item.X.Kind() == syntax.KindParam {
			return true
		}
	}
	return false
}
