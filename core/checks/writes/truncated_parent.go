package writes

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var truncatedParent = &check.Check{
	ID:     "write.truncated-parent",
	Title:  "TRUNCATE of a table that others refer to",
	Errors: []string{"0A000", "1701", "ORA-02266", "Msg 4712"},
	Doc: "TRUNCATE looks at no rows, so it is refused as soon as a foreign key of another table refers to the table, even if that one is empty. PostgreSQL takes both at once, or CASCADE, which empties the other table as well; elsewhere the key has " +
		"to be dropped, or the rows deleted. SQLite has no TRUNCATE at all, and Spark no keys that are kept.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.ANSI, dialect.Spark)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "TRUNCATE TABLE keepers",
		Near: []string{
			"TRUNCATE TABLE sales",
			"TRUNCATE harvests, sales",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "TRUNCATE TABLE buyers",
		Near:    []string{"TRUNCATE TABLE sales", "SET foreign_key_checks = 0; TRUNCATE TABLE buyers"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "TRUNCATE TABLE buyers",
	}},
	On: check.Nodes(runTruncatedParent).In(dialect.Everywhere &^ dialect.In(dialect.ANSI, dialect.SQLite, dialect.Spark)),
}

func runTruncatedParent(p *check.Pass, n *syntax.OtherStmt) {
	tokens := p.TokensIn(n.Span())
	if len(tokens) < 2 || tokens[0].Word() != word.Truncate || p.Schema == nil || !p.Tells(n) {
		return
	}
	named, plain := truncated(tokens[1:])
	if !plain {
		return
	}
	var tables []*schema.Table
	for _, name := range named {
		t := p.Schema.Table("", strings.ToLower(text.View(p.Src, name)))
		if t == nil || t.IsView {
			return
		}
		tables = append(tables, t)
	}
	for i, t := range tables {
		children := childrenOf(p, t, tables)
		if len(children) == 0 || p.SetsKeysAside() {
			continue
		}
		f := check.Finding{Span: named[i], Context: n.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("%s refers to %s, which therefore cannot be truncated", check.List(children, "and"), t.Name),
			Why:     "It is refused whether there are rows that refer to it or not.",
			Mends:   []check.Mend{{Title: "delete the rows, or truncate what refers to them at the same time where that can be said", Effect: check.ByHand}},
		}
		if len(children) > 1 {
			f.Message = fmt.Sprintf("%s refer to %s, which therefore cannot be truncated", check.List(children, "and"), t.Name)
		}
		if p.Dialect == dialect.Postgres {
			f.Certainty = check.Certain
			f.Mends[0].Title = "empty all of them at the same time: " + p.Word(n.Span().Start, "TRUNCATE") + " " + strings.Join(withChildren(p, tables), ", ")
		}
		p.Report(f)
		return
	}
}

// withChildren names some tables, and all that refer to them or to those that do.
func withChildren(p *check.Pass, tables []*schema.Table) (names []string) {
	met := map[*schema.Table]bool{}
	for _, t := range tables {
		met[t] = true
	}
	for i := 0; i < len(tables); i++ {
		names = append(names, tables[i].Name)
		for _, child := range p.Schema.Children(tables[i]) {
			if !met[child] {
				met[child] = true
				tables = append(tables, child)
			}
		}
	}
	slices.Sort(names[1:])
	return names
}

// truncated gives the plain names of the tables of TRUNCATE; ok is false where others stand there, or
// CASCADE takes along what refers to them.
func truncated(tokens []syntax.Token) (names []text.Span, ok bool) {
	expected := true
	for _, t := range tokens {
		w := t.Word()
		switch {
		case w == word.Table && len(names) == 0, w == word.Only && expected:
		case w == word.Cascade || t.Kind == syntax.Dot:
			return nil, false
		case t.Kind == syntax.Comma:
			expected = true
		case expected && t.Kind == syntax.WordToken:
			names, expected = append(names, t.Span), false
		case expected:
			return nil, false
		}
	}
	return names, len(names) > 0
}

// childrenOf lists the other tables whose foreign keys refer to a table, but for some.
func childrenOf(p *check.Pass, t *schema.Table, but []*schema.Table) (children []string) {
	for _, other := range p.Schema.Children(t) {
		if other == t || p.Dialect == dialect.Postgres && slices.Contains(but, other) {
			continue
		}
		children = append(children, other.Name)
	}
	return children
}
