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

var endsTransaction = &check.Check{
	ID:        "clause.ends-transaction",
	Title:     "function or trigger that ends the transaction it runs in",
	Errors:    []string{"1422", "2D000", "Msg 443", "ORA-04092"},
	Elsewhere: "there functions and triggers hold no such statements, or the standard leaves it open",
	Doc: "A function or a trigger runs in the middle of another statement, which is undone as a whole if it fails; so it may not end the transaction of that statement. MySQL and MariaDB refuse to " +
		"make one that holds COMMIT, ROLLBACK or START TRANSACTION, and the statements that commit by themselves: CREATE, ALTER and DROP but of temporary tables, TRUNCATE, GRANT. SQL Server refuses " +
		"to make such a function; in its triggers ROLLBACK is the way to refuse the change. Oracle stops a trigger, and PostgreSQL a function, where the statement is reached (Oracle, \"Restrictions on " +
		"Trigger Code\", but for autonomous transactions; PostgreSQL, \"Transaction Management\"). A procedure that is called by itself may end the transaction.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Oracle, dialect.Postgres)),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TRIGGER swarm_kept AFTER INSERT ON hives FOR EACH ROW BEGIN SET @kept = 1; COMMIT; END",
		Near: []string{
			"CREATE TRIGGER swarm_seen AFTER INSERT ON hives FOR EACH ROW BEGIN SET @kept = 1; END",
			"CREATE PROCEDURE swarm_keep() BEGIN START TRANSACTION; COMMIT; END",
			"CREATE FUNCTION swarm_undo() RETURNS integer BEGIN SAVEPOINT before_it; ROLLBACK TO before_it; RETURN 1; END",
			"CREATE FUNCTION swarm_sum() RETURNS integer BEGIN CREATE TEMPORARY TABLE weights (kg integer); DROP TEMPORARY TABLE weights; RETURN 1; END",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE FUNCTION swarm_kept() RETURNS void LANGUAGE plpgsql AS 'BEGIN COMMIT; END'; SELECT swarm_kept()",
		Near: []string{
			"CREATE PROCEDURE swarm_keep() LANGUAGE plpgsql AS 'BEGIN COMMIT; END'",
			"CREATE FUNCTION swarm_table() RETURNS void LANGUAGE plpgsql AS 'BEGIN CREATE TABLE weights (kg integer); DROP TABLE weights; END'",
			"DO 'BEGIN COMMIT; END'",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE FUNCTION dbo.swarm_kept() RETURNS int AS BEGIN COMMIT TRANSACTION; RETURN 1; END",
		Near: []string{
			"CREATE TRIGGER dbo.swarm_refused ON hives AFTER INSERT AS BEGIN ROLLBACK TRANSACTION; END",
			"CREATE PROCEDURE dbo.swarm_keep AS BEGIN BEGIN TRANSACTION; COMMIT TRANSACTION; END",
			"CREATE FUNCTION dbo.swarm_one() RETURNS int AS BEGIN RETURN 1; END",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "CREATE TRIGGER swarm_kept AFTER INSERT ON hives FOR EACH ROW BEGIN COMMIT; END;",
		Near: []string{
			"CREATE TRIGGER swarm_told AFTER INSERT ON hives FOR EACH ROW DECLARE PRAGMA AUTONOMOUS_TRANSACTION; BEGIN COMMIT; END;",
			"CREATE FUNCTION swarm_keep RETURN NUMBER IS BEGIN COMMIT; RETURN 1; END;",
			"CREATE TRIGGER swarm_seen AFTER INSERT ON hives FOR EACH ROW BEGIN NULL; END;",
		},
	}},
	On: check.Kinds(runEndsTransaction, syntax.KindOtherStmt, syntax.KindCreateTable, syntax.KindAlterTable, syntax.KindDrop, syntax.KindCreateView, syntax.KindCreateIndex).
		In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Oracle, dialect.Postgres)),
}

func runEndsTransaction(p *check.Pass, n syntax.Node) {
	if p.Parent(n) == nil || !p.Tells(n) {
		return
	}
	routine, _ := p.Nearest(n, syntax.Kinds(syntax.KindRoutine)).(*syntax.Routine)
	if routine == nil {
		return
	}
	tokens := p.TokensIn(n.Span())
	if len(tokens) == 0 {
		return
	}
	first, second := tokens[0], syntax.Token{}
	if len(tokens) > 1 {
		second = tokens[1]
	}
	kind := strings.ToLower(text.View(p.Src, routine.Keyword))
	if !staysWithin(p.Dialect, kind) || !ends(p.Dialect, n, first, second) || p.Dialect == dialect.Oracle && isAutonomous(p, routine) {
		return
	}
	what, does := strings.ToUpper(text.View(p.Src, first.Span)), "commits"
	switch {
	case first.Word() == word.Commit || first.Word() == word.Rollback:
		does = "ends"
	case n.Kind() != syntax.KindOtherStmt || first.Word() == word.Start:
		what += " " + strings.ToUpper(text.View(p.Src, second.Span))
	}
	f := check.Finding{
		Span: first.Span, Context: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s %s the transaction in which the %s runs", what, does, kind),
		Why:     fmt.Sprintf("A %s runs in the middle of another statement, which must be undone as a whole if it fails.", kind),
		Mends:   []check.Mend{{Title: "leave it to the caller, or to a procedure that is called by itself", Effect: check.ByHand}},
	}
	if p.Dialect == dialect.Oracle || p.Dialect == dialect.Postgres {
		f.Certainty = check.Likely // it is refused when it is reached
	}
	p.Report(f)
}

// staysWithin reports whether a kind of routine runs within the transaction of the statement that
// makes it run.
func staysWithin(d dialect.Dialect, kind string) bool {
	switch d {
	case dialect.Oracle:
		return kind == "trigger"
	case dialect.SQLServer, dialect.Postgres: // whose triggers run a function
		return kind == "function"
	}
	return kind == "function" || kind == "trigger"
}

// ends reports whether a statement, which begins with two tokens, ends a transaction: by its name,
// or by committing before it does its work ("Statements That Cause an Implicit Commit" of MySQL).
func ends(d dialect.Dialect, n syntax.Node, first, second syntax.Token) bool {
	alters := d == dialect.MySQL || d == dialect.MariaDB
	switch n := n.(type) {
	case *syntax.CreateTable:
		return alters && !n.Temporary
	case *syntax.OtherStmt:
		switch first.Word() {
		case word.Commit:
			return true
		case word.Rollback:
			return second.Word() != word.To
		case word.Start:
			return alters && second.Word() == word.Transaction
		case word.Truncate, word.Grant, word.Revoke:
			return alters
		}
		return false
	}
	return alters && second.Word() != word.Temporary
}

// isAutonomous reports whether a trigger has a transaction of its own.
func isAutonomous(p *check.Pass, routine *syntax.Routine) bool {
	for _, t := range p.TokensIn(routine.Span()) {
		if strings.EqualFold(text.View(p.Src, t.Span), "AUTONOMOUS_TRANSACTION") {
			return true
		}
	}
	return false
}
