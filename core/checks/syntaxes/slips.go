package syntaxes

import (
	"bytes"
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

// The checks of this file tell what the parser found out itself: slips of
// which it knows what is meant, and parentheses and quotes left open.

var missingComma = &check.Check{
	ID:     "syntax.missing-comma",
	Title:  "two elements of a list without a comma between them",
	Errors: []string{"42601", "ORA-00923", "1064", "Msg 102"},
	Doc: "Two elements stand side by side where only a comma can separate them. Databases refuse it, but for two texts: MySQL and MariaDB, " +
		"and PostgreSQL across a line end, take them for one text without a word, and the list is short of an element.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE hive_id IN (1, 2 3)",
		Good: "SELECT name FROM hives WHERE hive_id IN (1, 2, 3)",
		Near: []string{"SELECT name hive FROM hives ORDER BY name DESC, hive_id", "SELECT name FROM hives WHERE hive_id IN (1, 2, 3)"},
	}, {
		Bad:  "SELECT name FROM hives ORDER BY apiary_id name",
		Good: "SELECT name FROM hives ORDER BY apiary_id, name",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT hive_id FROM hives WHERE name IN ('Ash', 'Birch' 'Clover')",
		Good:    "SELECT hive_id FROM hives WHERE name IN ('Ash', 'Birch', 'Clover')",
		Near: []string{
			"SELECT CONCAT('a long text that ' 'goes on') AS remark",
			"SELECT hive_id FROM hives WHERE name IN (_binary 'Ash', _utf8mb4 'Birch')",
		},
	}},
	On: check.Nodes(func(p *check.Pass, in *syntax.In) { joinedTexts(p, in.List) }).And(check.Nodes(joinedInValues)).And(check.Errors(tellMissingComma, syntax.MissingCommaError)),
}

func tellMissingComma(p *check.Pass, e syntax.Error) {
	reportMissing(p, e.Span.Join(e.Near), e.Span.End, e.Found, p.Check.Verdicts)
}

func reportMissing(p *check.Pass, span text.Span, at text.Pos, next string, v check.Verdicts) {
	p.Report(check.Finding{
		Span: span, Certainty: check.Certain, Verdicts: v,
		Message: fmt.Sprintf("a comma is missing before %s", shorten(next)),
		Why:     "Two elements of a list stand side by side, and only a comma can separate them.",
		Mends:   []check.Mend{{Title: "put the comma", Effect: check.NewRows, Edits: []text.Edit{check.Insert(at, ",")}}},
	})
}

func joinedInValues(p *check.Pass, v *syntax.Values) {
	for _, row := range v.Rows {
		joinedTexts(p, row.Items)
	}
}

// joinedTexts finds two texts that a database reads as one in a list.
func joinedTexts(p *check.Pass, items []syntax.Expr) {
	for _, x := range items {
		lit, ok := x.(*syntax.Literal)
		if !ok || lit.Lit != syntax.TextLiteral || len(items) < 2 {
			continue
		}
		if first, second, ok := p.FirstTokens(lit); ok && first.Kind == syntax.TextToken && second.Kind == syntax.TextToken {
			v := p.Check.Verdicts.But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Postgres, dialect.Spark))
			reportMissing(p, lit.Span(), first.Span.End, string(p.Src[second.Span.Start:second.Span.End]), v)
		}
	}
}

var trailingComma = &check.Check{
	ID:       "syntax.trailing-comma",
	Title:    "comma with no element behind it",
	Doc:      "A comma promises another element of the list, and none comes before the list ends.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name, frame_count, FROM hives",
		Good: "SELECT name, frame_count FROM hives",
		Near: []string{"SELECT name FROM hives WHERE hive_id IN (1, 2)", "INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ash,', 2024)", "SELECT name, frame_count FROM hives"},
	}, {
		Bad:  "SELECT name FROM hives WHERE hive_id IN (1, 2,)",
		Good: "SELECT name FROM hives WHERE hive_id IN (1, 2)",
	}},
	On: check.Errors(runTrailingComma, syntax.TrailingCommaError),
}

func runTrailingComma(p *check.Pass, e syntax.Error) {
	p.Report(check.Finding{
		Span: e.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("a comma stands before %s", shorten(e.Found)),
		Why:     "Write another element behind it, or delete the comma.",
		Mends:   []check.Mend{{Title: "delete the comma", Effect: check.SameRows, Edits: []text.Edit{check.Replace(e.Span, "")}}},
	})
}

var unbalanced = &check.Check{
	ID:    "syntax.unbalanced",
	Title: "parenthesis, quote or comment that is never closed",
	Doc: "Something is opened and never closed, or closed without having been opened. Databases complain where they give up, often at the " +
		"end of the text; the slip is at the opener.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT COUNT(* FROM hives",
		Good: "SELECT COUNT(*) FROM hives",
		Near: []string{"SELECT name FROM hives -- the (old ones", "SELECT COUNT(*) FROM hives WHERE (hive_id = 1 OR (hive_id = 2))", "SELECT ')' AS remark, '((' FROM hives"},
	}, {
		Bad:  "SELECT name FROM hives WHERE (hive_id = 1 AND apiary_id = 2 ORDER BY name",
		Good: "SELECT name FROM hives WHERE (hive_id = 1 AND apiary_id = 2) ORDER BY name",
	}, {
		Bad:  "SELECT name FROM hives WHERE hive_id = 1)",
		Good: "SELECT name FROM hives WHERE hive_id = 1",
	}, {
		Bad:  "SELECT name FROM hives WHERE name = 'Ash",
		Good: "SELECT name FROM hives WHERE name = 'Ash'",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives; /* the old ones, too",
		Good:    "SELECT name FROM hives; /* the old ones, too */",
	}},
	On: check.Errors(runUnbalanced, syntax.UnclosedError, syntax.UnbalancedError),
}

func runUnbalanced(p *check.Pass, e syntax.Error) {
	f := check.Finding{Span: e.Span, Certainty: check.Certain}
	switch {
	case e.Kind == syntax.UnclosedError:
		f.Message = fmt.Sprintf("the quote %s is opened and not closed", e.Found)
		f.Why = "Close it: everything behind it belongs to the text or name that it opens."
		if e.Found == "'" {
			quoteInside(p, e.Span.Start, &f)
		}
		if e.Found == "/*" {
			f.Message = "the comment is never closed"
			f.Why = "All text behind /* belongs to the comment, to the end of the file; the database refuses that, and what it holds never runs."
			f.Verdicts = check.Everywhere(check.Refused).But(check.Fine, dialect.With(dialect.OpenComments))
		}
	case e.Near.IsEmpty():
		f.Message = ") closes nothing"
		f.Why = "No parenthesis is open here: one ( is missing before, or this one is too many."
	default:
		f.Message = "( is never closed"
		f.Why = fmt.Sprintf("Close it: it is still open at %s, and nothing from here on can be read.", shorten(e.Found))
		f.Related = []check.Related{{Span: e.Near, Message: "it should be closed before this"}}
		if line, ok := outdented(p.Src, e.Span.Start, e.Near.Start); ok {
			f.Related = []check.Related{{Span: line, Message: "by the indentation it should be closed before this line"}}
		}
	}
	p.Report(f)
}

// quoteInside finds a text that ends at a quote which seems to be part of it, as in
// 'it's', so that the texts behind it are turned inside out.
func quoteInside(p *check.Pass, open text.Pos, f *check.Finding) {
	const longest = 60
	tokens := p.Stmt.Tokens
	for i := 0; i+1 < len(tokens) && tokens[i].Span.End < open; i++ {
		t := tokens[i]
		if t.Kind != syntax.TextToken || tokens[i+1].Kind != syntax.WordToken || tokens[i+1].Span.Start != t.Span.End {
			continue
		}
		end := open
		for _, next := range tokens[i+1:] {
			if next.Kind == syntax.TextToken {
				end = min(end, next.Span.Start)
				break
			}
		}
		meant := string(p.Src[t.Span.Start:t.Span.End]) + "'" + string(p.Src[t.Span.End:end+1])
		if len(meant) > longest || strings.ContainsAny(meant, "\r\n") {
			return
		}
		line := 1 + bytes.Count(p.Src[:t.Span.Start], []byte("\n"))
		f.Why = fmt.Sprintf("Did you mean %s on line %d? Write a quote inside a text twice.", meant, line)
		f.Mends = []check.Mend{{Title: "write the quote twice", Effect: check.NewRows, Edits: check.After(t.Span, "'")}}
		return
	}
}

// outdented gives the first word of the first line, between a parenthesis and
// the place where reading stopped, that stands no further right than the line
// of the parenthesis.
func outdented(src []byte, opener, stop text.Pos) (text.Span, bool) {
	const longest = 1000 // bytes of a line
	at := int(opener)
	for at > 0 && src[at-1] != '\n' {
		if at--; int(opener)-at > longest {
			return text.Span{}, false
		}
	}
	margin := indentation(src, at)
	for at = int(opener); at < int(stop); at++ {
		if src[at] != '\n' {
			continue
		}
		start := at + 1
		width := indentation(src, start)
		end := start + width
		for end < len(src) && src[end] > ' ' {
			end++
		}
		if first := start + width; width <= margin && end > first && first < int(stop) {
			return text.Span{Start: text.Pos(first), End: text.Pos(end)}, true
		}
	}
	return text.Span{}, false
}

// indentation counts the blanks with which a line begins.
func indentation(src []byte, start int) int {
	n := 0
	for start+n < len(src) && (src[start+n] == ' ' || src[start+n] == '\t') {
		n++
	}
	return n
}

var keywordSlip = &check.Check{
	ID:       "syntax.keyword-slip",
	Title:    "misspelt or glued keyword",
	Doc:      "A word cannot be read here, but a keyword that differs by one slip of the finger can, and with it the whole statement.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name FORM hives",
		Good: "SELECT name FROM hives",
		Near: []string{"SELECT h.form FROM (SELECT 1 AS form) AS h", "SELECT name AS wehre FROM hives", "SELECT form FROM (SELECT 1 AS form) AS f"},
	}, {
		Bad:  "SELECT name FROM hives WEHRE hive_id = 1",
		Good: "SELECT name FROM hives WHERE hive_id = 1",
	}, {
		Bad:  "select apiary_id, count(*) from hives groupby apiary_id",
		Good: "select apiary_id, count(*) from hives group by apiary_id",
	}},
	On: check.Errors(runKeywordSlip, syntax.SlipError),
}

func runKeywordSlip(p *check.Pass, e syntax.Error) {
	keyword := p.Word(e.Span.Start, e.Replace)
	p.Report(check.Finding{
		Span: e.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("%s is no keyword; %s is", e.Found, e.Replace),
		Why:     fmt.Sprintf("Write %s here; the statement cannot be read as it stands.", e.Replace),
		Mends:   []check.Mend{{Title: "write " + keyword, Effect: check.NewRows, Edits: []text.Edit{check.Replace(e.Span, keyword)}}},
	})
}

var pastedQuotes = &check.Check{
	ID:    "syntax.pasted-quotes",
	Title: "typographic quotes, blanks and signs in the place of plain ones",
	Doc: "Text programs, chat and mail turn plain quotes into typographic ones, and blanks into others that look the same. No database takes " +
		"them for what they were; some take them for a letter.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT hive_id FROM hives WHERE\u00a0name = 'Ash'",
		Good: "SELECT hive_id FROM hives WHERE name = 'Ash'",
		Near: []string{"SELECT hive_id FROM hives WHERE name = 'Ash'", "SELECT 'a–b' AS dash FROM hives", "SELECT hive_id FROM hives WHERE name = '“Ash”' -- ‘quoted’"},
	}, {
		Bad:  "SELECT COUNT（*) FROM hives",
		Good: "SELECT COUNT(*) FROM hives",
	}},
	On: check.Errors(runPastedQuotes, syntax.PastedError),
}

func runPastedQuotes(p *check.Pass, e syntax.Error) {
	f := check.Finding{
		Span: e.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("%s stands where %s is meant", shownCharacter(e.Found), shownCharacter(e.Replace)),
		Why:     "A word processor put it there; databases do not take it for the plain character.",
		Mends:   []check.Mend{{Title: "write the plain character", Effect: check.SameRows, Edits: []text.Edit{check.Replace(e.Span, e.Replace)}}},
	}
	p.Report(f)
}

// shownCharacter names a character, by its number if it shows as nothing.
func shownCharacter(s string) string {
	switch {
	case s == "":
		return "nothing"
	case strings.TrimSpace(s) == "" && s == " ":
		return "a blank"
	case strings.TrimSpace(s) == "" || len(s) == 3 && s[0] == 0xE2 && s[1] == 0x80 && s[2] < 0x90:
		return fmt.Sprintf("U+%04X", []rune(s)[0])
	}
	return s
}

var doubleQuotedName = &check.Check{
	ID:    "syntax.double-quoted-name",
	Title: "name in the quotes of a text",
	Doc: "MySQL, MariaDB and Spark take double quotes for those of a text, which cannot stand in the place of a table or a column. Names in double " +
		"quotes need sql_mode ANSI_QUOTES, on Spark spark.sql.ansi.doubleQuotedIdentifiers; names in backticks need neither.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.With(dialect.DoubleQuotedText)),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     `SELECT h."name" FROM "hives" AS h`,
		Good:    "SELECT h.`name` FROM `hives` AS h",
		Near: []string{
			`SELECT h.name AS "Hive" FROM hives AS h`,
			`SELECT h.name FROM hives AS h WHERE h.name = "Ash"`,
			"SELECT h.`name` FROM `hives` AS h",
		},
	}, {
		Dialect: dialect.MySQL,
		Bad:     `INSERT INTO queens ("queen_id", "name", bred_in) VALUES (900, 'Beatrix', 2026)`,
		Good:    "INSERT INTO queens (`queen_id`, `name`, bred_in) VALUES (900, 'Beatrix', 2026)",
	}},
	On: check.Errors(runDoubleQuotedName, syntax.DoubleQuotesError),
}

func runDoubleQuotedName(p *check.Pass, e syntax.Error) {
	setting := "sql_mode has ANSI_QUOTES"
	if p.Dialect == dialect.Spark {
		setting = "spark.sql.ansi.doubleQuotedIdentifiers is on"
	}
	f := check.Finding{
		Span: e.Span, Certainty: check.Likely,
		Message: fmt.Sprintf("%s is a text on %s, and a name must stand here", e.Found, p.Dialect.Title()),
		Why:     fmt.Sprintf("%s reads double quotes as those of a text unless %s.", p.Dialect.Title(), setting),
	}
	mend := check.Mend{Title: "put the names in backticks", Effect: check.NewRows}
	for _, t := range p.Stmt.Tokens {
		if t.Kind == syntax.QuotedName && p.Src[t.Span.Start] == '"' {
			name := strings.ReplaceAll(string(p.Src[t.Span.Start+1:t.Span.End-1]), `""`, `"`)
			mend.Edits = append(mend.Edits, check.Replace(t.Span, p.Dialect.Quote(name)))
		}
	}
	f.Mends = []check.Mend{mend}
	p.Report(f)
}

var reservedName = &check.Check{
	ID:    "syntax.reserved-name",
	Title: "reserved word as a bare name",
	Doc: "The database keeps this word for itself and does not take it for a name unless it is quoted. Which words are reserved differs from " +
		"one to the next.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT offset FROM (SELECT 1 AS \"offset\") AS o",
		Good:    "SELECT \"offset\" FROM (SELECT 1 AS \"offset\") AS o",
		Near:    []string{"SELECT name AS \"offset\" FROM hives", "SELECT o.offset FROM (SELECT 1 AS \"offset\") AS o", "SELECT name, CURRENT_DATE, USER FROM hives"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT rows FROM (SELECT 1 AS `rows`) AS o",
		Good:    "SELECT `rows` FROM (SELECT 1 AS `rows`) AS o",
	}},
	On: check.Errors(runReservedName, syntax.ReservedError),
}

func runReservedName(p *check.Pass, e syntax.Error) {
	v := check.Everywhere(check.Fine)
	if w, ok := p.KnownWord(e.Span); ok {
		v = v.But(check.Refused, dialect.ReservedIn(w))
	}
	quoted := p.Dialect.Quote(e.Found)
	p.Report(check.Finding{
		Span: e.Span, Certainty: check.Certain, Verdicts: v,
		Message: fmt.Sprintf("%s is a reserved word", e.Found),
		Why:     fmt.Sprintf("Put it in quotes: %s takes it for a keyword here.", p.Dialect.Title()),
		Mends:   []check.Mend{{Title: "quote it", Effect: check.NewRows, Edits: []text.Edit{check.Replace(e.Span, quoted)}}},
	})
}
