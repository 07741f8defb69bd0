package types

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
	"justlens/core/text"
)

var noLength = &check.Check{
	ID:    "type.no-length",
	Title: "varchar without a length, which holds one character",
	Doc: "SQL Server takes varchar without a length for varchar(1) where a column or a variable is declared, and for varchar(30) in CAST and CONVERT (\"char and varchar\" in its reference). What is longer is cut without a " +
		"word when it is assigned to a variable or cast; a column refuses it.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, sqlServer),
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "CREATE PROCEDURE keepers_of @village varchar AS SELECT k.name FROM keepers AS k WHERE k.village = @village",
		Near: []string{
			"CREATE PROCEDURE keepers_of @village varchar(40) AS SELECT k.name FROM keepers AS k WHERE k.village = @village",
			"CREATE PROCEDURE keepers_of @village varchar(max) AS SELECT k.name FROM keepers AS k WHERE k.village = @village",
			"CREATE PROCEDURE keepers_of @initial char AS SELECT k.name FROM keepers AS k WHERE k.village = @initial",
			"CREATE PROCEDURE keepers_of @id int AS SELECT CAST(@id AS varchar) AS id",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT CAST(remark AS varchar) AS remark FROM inspections",
		Near: []string{
			"SELECT CAST(hive_id AS varchar) AS label FROM hives",
			"SELECT CAST(remark AS varchar(100)) AS remark FROM inspections",
			"SELECT CAST(colour AS varchar) AS colour FROM queens",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE TABLE swarms (swarm_id int PRIMARY KEY, place nvarchar NOT NULL)",
	}},
	On: check.Statements(runUndeclaredLength).And(check.Nodes(runUncutCast)).And(check.Nodes(runColumnOfOne)).In(sqlServer),
}

// isOpenText reports whether a name is that of a type of texts that are as long as is said behind it.
func isOpenText(name string) bool {
	return strings.EqualFold(name, "varchar") || strings.EqualFold(name, "nvarchar") || strings.EqualFold(name, "varbinary")
}

// runUndeclaredLength looks for the variables and parameters of a statement: only where one is declared its
// type stands behind it.
func runUndeclaredLength(p *check.Pass) {
	tokens := p.Stmt.Tokens
	for i, t := range tokens {
		if t.Kind != syntax.VariableName {
			continue
		}
		rest := tokens[i+1:]
		if len(rest) > 1 && strings.EqualFold(text.View(p.Src, rest[0].Span), "as") && (i == 0 || tokens[i-1].Kind != syntax.LeftParen) { // not in CAST
			rest = rest[1:]
		}
		if len(rest) == 0 || rest[0].Kind != syntax.WordToken || len(rest) > 1 && rest[1].Kind == syntax.LeftParen || !isOpenText(text.View(p.Src, rest[0].Span)) {
			continue
		}
		tellNoLength(p, rest[0].Span, check.Likely, fmt.Sprintf("%s holds one character: its type has no length", p.BriefOf(t.Span)), "What is longer is cut to its first character, without a word.")
	}
}

func runColumnOfOne(p *check.Pass, c *syntax.ColumnDef) {
	if c.Type != nil && len(c.Type.Args) == 0 && p.Tells(c) && isOpenText(p.Text(c.Type)) {
		tellNoLength(p, c.Type.Span(), check.Likely, fmt.Sprintf("%s holds one character: its type has no length", p.Ident(c.Name)), "A longer value is refused.")
	}
}

func runUncutCast(p *check.Pass, c *syntax.Cast) {
	if c.Type == nil || len(c.Type.Args) > 0 || !isOpenText(p.Text(c.Type)) || !p.Tells(c) {
		return
	}
	of := p.Type(c.X)
	if of.Class != class.Text || 0 < of.Length && of.Length <= castLength || of.Name == "" {
		return
	}
	tellNoLength(p, c.Type.Span(), check.Likely, fmt.Sprintf("%s keeps the first %d characters of %s", p.Brief(c), castLength, p.Brief(c.X)), "A cast to varchar without a length is one to varchar(30).")
}

// castLength is how many characters a cast to varchar without a length keeps.
const castLength = 30

func tellNoLength(p *check.Pass, at text.Span, certainty check.Certainty, message, why string) {
	p.Report(check.Finding{Span: at, Certainty: certainty, Message: message, Why: why,
		Mends: []check.Mend{{Title: "write how long it may be, in parentheses", Effect: check.ByHand}}})
}
