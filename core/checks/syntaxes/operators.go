package syntaxes

import (
	"bytes"
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
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
