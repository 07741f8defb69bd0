package syntaxes

import (
	"bytes"
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var doubleEquals = &check.Check{
	ID:       "syntax.double-equals",
	Title:    "== for equality",
	Doc:      "SQL compares with one =. SQLite and Spark take == for the same, the others refuse it.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.SQLite, dialect.Spark)),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE hive_id == 1",
		Good: "SELECT name FROM hives WHERE hive_id = 1",
		Near: []string{"SELECT name FROM hives WHERE hive_id = 1", "SELECT name FROM hives WHERE hive_id = 1 AND name <> '=='"},
	}, {
		Dialect: dialect.SQLite,
		Near:    []string{"SELECT name FROM hives WHERE hive_id == 1"},
	}},
	On: check.Operators(func(p *check.Pass, b *syntax.Binary) {
		p.Report(check.Finding{
			Span: b.OpSpan, Certainty: check.Certain,
			Message: "== is not SQL's way to compare",
			Why:     "Write one =, which asks whether two values are equal.",
			Mends:   []check.Mend{{Title: "write =", Effect: check.SameRows, Edits: []text.Edit{check.Replace(b.OpSpan, "=")}}},
		})
	}, syntax.OpEqual).With(facts.TwoSigns),
}

var turnedOperator = &check.Check{
	ID:       "syntax.turned-operator",
	Title:    "a comparison sign the wrong way round",
	Doc:      "SQL writes <= and <>. The signs the other way round are no operators, but on a PostgreSQL that somebody has taught them.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE frame_count =< 10",
		Good: "SELECT name FROM hives WHERE frame_count <= 10",
		Near: []string{"SELECT name FROM hives WHERE frame_count >= 10", "SELECT name FROM hives WHERE frame_count <> 10", "SELECT name FROM hives WHERE frame_count <= 10 AND name <> '=<'"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE frame_count >< 10",
		Good:    "SELECT name FROM hives WHERE frame_count <> 10",
	}},
	On: check.Operators(func(p *check.Pass, b *syntax.Binary) {
		written, meant := text.View(p.Src, b.OpSpan), ""
		switch written {
		case "=<":
			meant = "<="
		case "><":
			meant = "<>"
		default:
			return
		}
		p.Report(check.Finding{
			Span: b.OpSpan, Certainty: check.Certain,
			Message: fmt.Sprintf("%s is no operator; %s is", written, meant),
			Why:     fmt.Sprintf("Write %s: the database knows no operator with the signs the other way round.", meant),
			Mends:   []check.Mend{{Title: "write " + meant, Effect: check.NewRows, Edits: []text.Edit{check.Replace(b.OpSpan, meant)}}},
		})
	}, syntax.OpOther),
}

var joinedSigns = &check.Check{
	ID:     "syntax.joined-signs",
	Title:  "an operator and a sign that run together",
	Errors: []string{"42883"},
	Doc: "PostgreSQL takes all signs that stand together for one operator, so frames !=-1 asks for an operator !=-, which it does not have. The " +
		"other databases read two.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE frame_count !=-1",
		Good:    "SELECT name FROM hives WHERE frame_count != -1",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count <>-1",
			"SELECT name FROM hives WHERE frame_count >=-1 AND frame_count*-1 < 0",
			"SELECT name FROM hives WHERE name <> '!=-1'",
			"SELECT '{\"a\": 1}'::jsonb #-'{a}'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT 2^-1",
		Good:    "SELECT 2^ -1",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT ~-1",
		Good:    "SELECT ~ -1",
	}, {
		Dialect: dialect.MariaDB,
		Near:    []string{"SELECT name FROM hives WHERE frame_count !=-1"},
	}},
	On: check.Operators(func(p *check.Pass, b *syntax.Binary) { tellJoinedSigns(p, b.OpSpan) }, syntax.OpOther).
		And(check.Nodes(func(p *check.Pass, u *syntax.Unary) {
			if u.Op == syntax.OpOther {
				tellJoinedSigns(p, u.OpSpan)
			}
		})).In(dialect.In(dialect.Postgres)),
}

// tellJoinedSigns tells of an operator that ends in a sign which PostgreSQL has none of.
func tellJoinedSigns(p *check.Pass, op text.Span) {
	written := text.View(p.Src, op)
	last := len(written) - 1
	if last < 1 || written[last] != '-' && written[last] != '+' || p.Schema.AddsConversions() {
		return
	}
	if op.Start > 0 && isBlankByte(p.Src[op.Start-1]) && int(op.End) < len(p.Src) && isBlankByte(p.Src[op.End]) {
		return // an operator that stands by itself may be one of an extension
	}
	switch written {
	case "#-", "?-", "-|-": // which it has (its catalog pg_operator)
		return
	}
	p.Report(check.Finding{
		Span: op, Certainty: check.Certain,
		Message: fmt.Sprintf("PostgreSQL takes %s for one operator, which it does not have", written),
		Why:     "All signs that stand together are one operator, and it may end in a sign if it holds one of ~ ! @ # % ^ & | ?.",
		Mends: []check.Mend{{
			Title: "put a blank before the sign", Effect: check.NewRows,
			Edits: []text.Edit{check.Insert(op.End-1, " ")},
		}},
	})
}

var joinedNumber = &check.Check{
	ID:     "syntax.joined-number",
	Title:  "a number that runs into a word",
	Errors: []string{"42601"},
	Doc: "A number that runs into a word, as 10AND, is refused by SQLite, and by PostgreSQL since version 15. Older text has it, for it was taken " +
		"as two words before.",
	Verdicts:  check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLite)),
	Elsewhere: "SQL Server and Oracle take two words for it, MySQL, MariaDB and Spark a name",
	Examples: []check.Example{{
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM hives WHERE frame_count = 10AND queen_id = 3",
		Good:    "SELECT name FROM hives WHERE frame_count = 10 AND queen_id = 3",
		Near:    []string{"SELECT 1e3, 0x1F, 1.5e-2 FROM hives", "SELECT name AS hive10 FROM hives", "SELECT '10AND' FROM hives"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives ORDER BY hive_id LIMIT 5OFFSET 10",
		Good:    "SELECT name FROM hives ORDER BY hive_id LIMIT 5 OFFSET 10",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE name = 12a",
	}},
	On: check.Errors(runJoinedNumber, syntax.JoinedError),
}

func runJoinedNumber(p *check.Pass, e syntax.Error) {
	if p.Dialect == dialect.Postgres && !p.MayBe(dialect.Postgres, dialect.At(15, 0, 0)) {
		return
	}
	f := check.Finding{
		Span: e.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("%s is neither a number nor a name", e.Found),
		Why:     "A number ends at a blank or a sign; what runs into it is refused.",
		Mends:   []check.Mend{{Title: "put a blank between the two, or quotes round them", Effect: check.ByHand}},
	}
	if w := p.Names.Intern(p.Src[e.Near.Start:e.Near.End]); w < syntax.Sym(word.Total) && p.Dialect.Reserves(word.Word(w)) {
		f.Mends = []check.Mend{{Title: "put a blank between the two", Effect: check.NewRows, Edits: []text.Edit{check.Insert(e.Near.Start, " ")}}}
	}
	p.Report(f)
}

var emptyList = &check.Check{
	ID:       "syntax.empty-list",
	Title:    "IN with an empty list",
	Doc:      "IN () names nothing to compare with. SQLite takes it for false, the others refuse it; programs that put lists together often forget the case.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE hive_id IN ()",
		Good: "SELECT name FROM hives WHERE hive_id IN (NULL)",
		Near: []string{"SELECT name FROM hives WHERE hive_id IN (NULL)", "SELECT name FROM hives WHERE hive_id IN (1)", "SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM hives)"},
	}},
	On: check.Nodes(func(p *check.Pass, in *syntax.In) {
		if len(in.List) > 0 || in.Query != nil || in.Other != nil {
			return
		}
		p.Report(check.Finding{
			Span: in.Span(), Certainty: check.Certain,
			Message: "the list of IN is empty",
			Why:     "IN needs at least one value; with none, leave the condition out or write one that is false.",
			Mends:   []check.Mend{{Title: "put a value into the list, or leave the condition out where there is none", Effect: check.ByHand}},
		})
	}),
}

var minusMinus = &check.Check{
	ID:    "syntax.minus-minus",
	Title: "minus a negative number, read as a comment",
	Doc: "Two minus signs begin a comment, so a--1 is a, and the rest of the line is gone without a word. MySQL and MariaDB want a blank behind " +
		"them, and subtract.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Fine, dialect.With(dialect.DashNeedsBlank)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT frame_count--1\nFROM hives",
		Good:    "SELECT frame_count- -1\nFROM hives",
		Near: []string{
			"SELECT frame_count --1 was too few\nFROM hives",
			"SELECT frame_count-- the frames\nFROM hives",
			"SELECT frame_count - -1 FROM hives",
		},
	}},
	On: check.Statements(runMinusMinus),
}

func runMinusMinus(p *check.Pass) {
	for _, c := range p.Stmt.Comments {
		if p.Src[c.Start] != '-' || c.Len() < 3 || c.Start <= p.Stmt.Span.Start || c.Start > p.Stmt.Span.End {
			continue
		}
		before, after := p.Src[c.Start-1], p.Src[c.Start+2]
		if isBlankByte(before) || before == ',' || before == ';' {
			continue
		}
		if negative := '0' <= after && after <= '9' && !wordsFollow(p, c); !negative && !beginsWithColumn(p, c) {
			continue
		}
		p.Report(check.Finding{
			Span: c, Certainty: check.Likely,
			Message: "-- begins a comment, where minus a negative number seems meant",
			Why:     "What follows on the line is not read.",
			Mends: []check.Mend{{
				Title:  "put a blank between the two signs",
				Effect: check.NewRows,
				Edits:  []text.Edit{check.Insert(c.Start+1, " ")},
			}},
		})
	}
}

// beginsWithColumn reports whether the comment begins with a column, qualified by a source of
// the statement.
func beginsWithColumn(p *check.Pass, c text.Span) bool {
	said := p.Src[c.Start+2 : c.End]
	dot := bytes.IndexByte(said, '.')
	if dot <= 0 || dot+1 == len(said) || isBlankByte(said[dot+1]) {
		return false
	}
	found := false
	syntax.Walk(p.Stmt.Node, func(n syntax.Node, _ syntax.Kind) {
		switch t := n.(type) {
		case *syntax.TableRef:
			name := t.Alias
			if name.IsZero() {
				name = t.Name[len(t.Name)-1]
			}
			found = found || bytes.EqualFold([]byte(p.Ident(name)), said[:dot])
		case *syntax.Derived:
			found = found || bytes.EqualFold([]byte(p.Ident(t.Alias)), said[:dot])
		}
	})
	return found
}

// wordsFollow reports whether the comment goes on in words, as a remark does.
func wordsFollow(p *check.Pass, c text.Span) bool {
	words := 0
	for i := c.Start + 2; i < c.End; i++ {
		if b := p.Src[i]; 'a' <= b|0x20 && b|0x20 <= 'z' && isBlankByte(p.Src[i-1]) {
			words++
		}
	}
	return words > 1
}

func isBlankByte(c byte) bool { return c == ' ' || c == '\t' || c == '\n' || c == '\r' }
