package matches

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var leadingWildcard = &check.Check{
	ID:    "match.leading-wildcard",
	Title: "pattern that begins with a wildcard",
	Doc: "An index keeps text in order, by its beginning. A pattern that leaves the beginning open can be anywhere in it, so the database " +
		"reads every row. An index made for parts of text serves it; which kind depends on the database.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM apiaries WHERE name LIKE '%heath%'",
		Good:    "SELECT name FROM apiaries WHERE name LIKE 'heath%'",
		Near: []string{
			"SELECT name FROM apiaries WHERE name LIKE 'heath%'",
			"SELECT name FROM apiaries WHERE name LIKE '%'",
			"SELECT name FROM apiaries WHERE name NOT LIKE '%heath%'",
			"SELECT name LIKE '%heath%' FROM apiaries",
			"SELECT name FROM apiaries WHERE name LIKE $1",
			"SELECT name FROM apiaries WHERE name LIKE '!%%' ESCAPE '!'",
		},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT name FROM apiaries WHERE name LIKE CONCAT('%', ?, '%')",
		Good:    "SELECT name FROM apiaries WHERE name LIKE CONCAT(?, '%')",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM apiaries WHERE name LIKE '_' || ?",
		Good:    "SELECT name FROM apiaries WHERE name LIKE ? || '_'",
	}},
	On: check.Nodes(runLeadingWildcard),
}

var filters = syntax.Kinds(syntax.KindWhere, syntax.KindJoin)

func runLeadingWildcard(p *check.Pass, like *syntax.Like) {
	if like.Not || like.Op != syntax.OpLike && like.Op != syntax.OpILike {
		return
	}
	place, _ := p.Enclosing(like, filters)
	column, isName := syntax.Unparen(like.X).(*syntax.Name)
	literal := beginning(p, like.Pattern)
	if place == nil || !isName || literal == nil {
		return
	}
	pattern := strings.Trim(p.Text(literal), "'\"")
	if pattern == "" || pattern[0] != '%' && pattern[0] != '_' {
		return
	}
	if strings.Trim(pattern, "%") == "" && literal == like.Pattern {
		return // everything but NULL: another check's matter
	}
	if hasSpecialIndex(p, column) {
		return
	}
	u := p.Use(column)
	if u.Source == nil || u.Source.Query != nil {
		return // a variable, or a computed column
	}
	certainty := check.Possible
	if t := u.Source.SchemaTable(); t != nil && u.Column != nil && u.Column.Index >= 0 && t.LeadsIndex(u.Column.Index) {
		certainty = check.Likely
	}
	p.Report(check.Finding{
		Span:      like.Span(),
		Context:   place.Span(),
		Certainty: certainty,
		Message:   fmt.Sprintf("%s is searched by a pattern that begins with %c", p.Brief(column), pattern[0]),
		Why:       fmt.Sprintf("An index on %s is sorted by the beginning of the values, so every row is read.", p.Brief(column)),
		Mends:     []check.Mend{{Title: advice[p.Dialect], Effect: check.ByHand}},
	})
}

// advice names the index that serves such a pattern.
var advice = [dialect.Count]string{
	dialect.ANSI:      "let the pattern begin with text, or use the database's text search",
	dialect.Postgres:  "keep the pattern and give the column a trigram index: USING gin (… gin_trgm_ops)",
	dialect.MySQL:     "search whole words by a FULLTEXT index and MATCH … AGAINST",
	dialect.MariaDB:   "search whole words by a FULLTEXT index and MATCH … AGAINST",
	dialect.SQLite:    "keep the text in an FTS5 table with the trigram tokenizer",
	dialect.SQLServer: "search whole words by a full-text index and CONTAINS",
	dialect.Oracle:    "give the column an Oracle Text index and use CONTAINS",
	dialect.Spark:     "let the pattern begin with text, so that whole files can be skipped",
}

// beginning finds the literal that a pattern begins with, through
// concatenation; nil if it begins with something else.
func beginning(p *check.Pass, x syntax.Expr) syntax.Expr {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		if x.Lit == syntax.TextLiteral {
			return x
		}
	case *syntax.Binary:
		if x.Op == syntax.OpConcat || x.Op == syntax.OpAdd {
			return beginning(p, x.X)
		}
	case *syntax.Call:
		if p.FunctionName(x) == "concat" && len(x.Args) > 0 {
			return beginning(p, x.Args[0])
		}
	}
	return nil
}

// hasSpecialIndex reports whether the schema has an index on the column that
// is no ordered tree, such as a trigram or full-text index.
func hasSpecialIndex(p *check.Pass, column *syntax.Name) bool {
	u := p.Use(column)
	if u.Source == nil || u.Column == nil || u.Source.SchemaTable() == nil {
		return false
	}
	for _, index := range u.Source.SchemaTable().Indexes {
		for _, part := range index.Parts {
			if index.Special && part.Column == u.Column.Index {
				return true
			}
		}
	}
	return false
}
