package clauses

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

var noReturn = &check.Check{
	ID:     "clause.no-return",
	Title:  "function that never returns a value",
	Errors: []string{"2F005", "1320", "ORA-06503", "Msg 455"},
	Doc: "A function that is declared to give a value has to end with RETURN. MySQL, MariaDB and SQL Server refuse one without it when it is created, PostgreSQL and Oracle when it is called. A trigger function of PostgreSQL returns the row that is to be " +
		"written, or NULL.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, returning),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE FUNCTION emptied() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.frame_count := 0; END $$",
		Near: []string{
			"CREATE FUNCTION emptied() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.frame_count := 0; RETURN NEW; END $$",
			"CREATE FUNCTION emptied() RETURNS void LANGUAGE plpgsql AS $$ BEGIN DELETE FROM sales; END $$",
			"CREATE FUNCTION emptied() RETURNS integer LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'not yet'; END $$",
			"CREATE FUNCTION emptied(OUT n integer) RETURNS integer LANGUAGE plpgsql AS $$ BEGIN n := 3; END $$",
			"CREATE FUNCTION emptied() RETURNS bigint LANGUAGE sql AS $$ SELECT COUNT(*) FROM hives $$",
			"CREATE FUNCTION emptied() RETURNS bigint AS 'SELECT COUNT(*) FROM hives' LANGUAGE 'sql'",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE FUNCTION swarm_count() RETURNS integer BEGIN DECLARE n integer; SELECT COUNT(*) INTO n FROM hives; END",
		Near: []string{
			"CREATE FUNCTION swarm_count() RETURNS integer BEGIN DECLARE n integer; SELECT COUNT(*) INTO n FROM hives; RETURN n; END",
			"CREATE PROCEDURE swarm_count() BEGIN SELECT COUNT(*) FROM hives; END",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "CREATE FUNCTION swarm_count RETURN NUMBER IS n NUMBER; BEGIN SELECT COUNT(*) INTO n FROM hives; END;",
		Near:    []string{"CREATE FUNCTION swarm_count RETURN NUMBER IS n NUMBER; BEGIN SELECT COUNT(*) INTO n FROM hives; RETURN n; END;"},
	}},
	On: check.Nodes(runNoReturn).In(returning),
}

var returning = dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.Oracle, dialect.SQLServer)

func runNoReturn(p *check.Pass, r *syntax.Routine) {
	if p.Parent(r) != nil || len(r.Body) == 0 || !p.Tells(r) || !strings.EqualFold(text.View(p.Src, r.Keyword), "function") {
		return
	}
	returns, mayEnd := 0, p.Dialect == dialect.Postgres && !isPLpgSQL(p)
	for i, t := range p.Stmt.Tokens {
		w := strings.ToLower(text.View(p.Src, t.Span))
		switch {
		case t.Word() == word.Return:
			returns++
		case w == "returns" && i+1 < len(p.Stmt.Tokens):
			next := strings.ToLower(text.View(p.Src, p.Stmt.Tokens[i+1].Span))
			mayEnd = mayEnd || next == "void" || next == "setof" || next == "table" || next == "event_trigger"
		case w == "out", w == "inout", w == "raise", w == "raise_application_error", w == "signal", w == "pipelined", w == "external":
			mayEnd = true // it gives its value otherwise, or stops with an error
		}
	}
	needed := 1
	if p.Dialect == dialect.Oracle {
		needed = 2 // one declares the type
	}
	if mayEnd || returns >= needed || len(p.Stmt.Errors) > 0 {
		return
	}
	f := check.Finding{
		Span: r.Keyword, Context: text.Span{Start: r.Span().Start, End: r.Body[0].Span().Start}, Certainty: check.Certain,
		Message: "the function has no RETURN",
		Why:     "It ends without a value, which is an error whenever it is called.",
		Mends:   []check.Mend{{Title: "return the value at its end", Effect: check.ByHand}},
	}
	if len(r.Name) > 0 {
		f.Message = fmt.Sprintf("the function %s has no RETURN", p.Ident(r.Name[len(r.Name)-1]))
	}
	if p.Dialect != dialect.Postgres && p.Dialect != dialect.Oracle {
		f.Why = "It is not created without one."
	}
	p.Report(f)
}

// isPLpgSQL reports whether the statement says LANGUAGE plpgsql, in quotes or not.
func isPLpgSQL(p *check.Pass) bool {
	for i, t := range p.Stmt.Tokens[:max(0, len(p.Stmt.Tokens)-1)] {
		if t.Word() == word.Language && strings.EqualFold(strings.Trim(text.View(p.Src, p.Stmt.Tokens[i+1].Span), "'"), "plpgsql") {
			return true
		}
	}
	return false
}
