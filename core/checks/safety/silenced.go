package safety

import (
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var silencedError = &check.Check{
	ID:    "safety.silenced-error",
	Title: "an error of any kind that is caught, and forgotten",
	Doc: "A handler for all errors that does nothing hides the ones that nobody thought of: a column that was renamed, a value that is too long, a deadlock. What was done before it is kept or undone without a word, and the caller goes on as " +
		"if all were well. Name the errors that are meant, or raise it again after it has been written down.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "DO $$ BEGIN DELETE FROM sales WHERE sale_id = 1; EXCEPTION WHEN OTHERS THEN NULL; END $$",
		Near: []string{
			"DO $$ BEGIN DELETE FROM sales WHERE sale_id = 1; EXCEPTION WHEN foreign_key_violation THEN NULL; END $$",
			"DO $$ BEGIN DELETE FROM sales WHERE sale_id = 1; EXCEPTION WHEN OTHERS THEN RAISE NOTICE 'not deleted: %', SQLERRM; END $$",
			"DO $$ BEGIN DELETE FROM sales WHERE sale_id = 1; EXCEPTION WHEN OTHERS THEN NULL; RAISE; END $$",
		},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "BEGIN DELETE FROM sales WHERE sale_id = 1; EXCEPTION WHEN OTHERS THEN NULL; END;",
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "BEGIN TRY DELETE FROM sales WHERE sale_id = 1; END TRY BEGIN CATCH END CATCH",
		Near:    []string{"BEGIN TRY DELETE FROM sales WHERE sale_id = 1; END TRY BEGIN CATCH THROW; END CATCH"},
	}},
	On: check.Statements(runSilencedError).In(dialect.In(dialect.Postgres, dialect.Oracle, dialect.SQLServer, dialect.MySQL, dialect.MariaDB)),
}

// silences are the tokens of handlers that catch all errors and do nothing.
var silences = map[dialect.Dialect][][]string{
	dialect.Postgres:  {{"when", "others", "then", "null", ";", "end"}, {"when", "others", "then", "end"}},
	dialect.Oracle:    {{"when", "others", "then", "null", ";", "end"}},
	dialect.SQLServer: {{"begin", "catch", "end", "catch"}, {"begin", "catch", ";", "end", "catch"}},
	dialect.MySQL:     {{"handler", "for", "sqlexception", "begin", "end"}},
	dialect.MariaDB:   {{"handler", "for", "sqlexception", "begin", "end"}},
}

func runSilencedError(p *check.Pass) {
	if p.Stmt.Node == nil || !holdsStatements(p.Stmt.Node) {
		return
	}
	tokens, handlers := p.Stmt.Tokens, silences[p.Dialect]
	for i := range tokens {
		for _, words := range handlers {
			if len(tokens)-i < len(words) || !reads(p, tokens[i:i+len(words)], words) {
				continue
			}
			at := text.Span{Start: tokens[i].Span.Start, End: tokens[i+len(words)-2].Span.End}
			p.Report(check.Finding{
				Span: at, Certainty: check.Likely,
				Message: "errors of any kind are caught here, and forgotten",
				Why:     "Also those that nobody thought of: the caller goes on as if all were well.",
				Mends:   []check.Mend{{Title: "name the errors that are meant, or raise it again", Effect: check.ByHand}},
			})
		}
	}
}

// holdsStatements reports whether a statement is a routine or a block.
func holdsStatements(n syntax.Stmt) bool {
	return slices.Contains([]syntax.Kind{syntax.KindRoutine, syntax.KindControl, syntax.KindOtherStmt}, n.Kind())
}

func reads(p *check.Pass, tokens []syntax.Token, words []string) bool {
	for i, word := range words {
		if !strings.EqualFold(text.View(p.Src, tokens[i].Span), word) {
			return false
		}
	}
	return true
}
