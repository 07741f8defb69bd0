package writes

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var replaceErases = &check.Check{
	ID:    "write.replace-erases",
	Title: "REPLACE that loses the columns it does not name",
	Doc: "REPLACE deletes the row that has the same key, and inserts a new one (MySQL, \"REPLACE Statement\"; SQLite, \"The ON CONFLICT Clause\"). What is not named gets its default, whatever was there, and rows that refer to the old one may go " +
		"with it. ON DUPLICATE KEY UPDATE, and ON CONFLICT … DO UPDATE, change the row that is there.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.SQLite,
		Bad:     "INSERT OR REPLACE INTO keepers (keeper_id, name, joined_on) VALUES (1, 'Ash', '2026-01-01')",
		Good:    "INSERT INTO keepers (keeper_id, name, joined_on) VALUES (1, 'Ash', '2026-01-01') ON CONFLICT (keeper_id) DO UPDATE SET name = excluded.name, joined_on = excluded.joined_on",
		Near: []string{
			"INSERT OR REPLACE INTO keepers (keeper_id, name, village, joined_on, mentor_id) VALUES (1, 'Ash', 'Elm', '2026-01-01', NULL)",
			"INSERT OR REPLACE INTO keepers (name, joined_on) VALUES ('Ash', '2026-01-01')",
			"INSERT OR IGNORE INTO keepers (keeper_id, name, joined_on) VALUES (1, 'Ash', '2026-01-01')",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "REPLACE INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) VALUES (1, 1, 1, '2026-05-01 10:00:00', 3)",
		Good: "INSERT INTO sales (sale_id, buyer_id, harvest_id, sold_at, jars) VALUES (1, 1, 1, '2026-05-01 10:00:00', 3) " +
			"ON DUPLICATE KEY UPDATE buyer_id = VALUES(buyer_id), harvest_id = VALUES(harvest_id), sold_at = VALUES(sold_at), jars = VALUES(jars)",
	}},
	On: check.Nodes(runReplaceErases).In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)),
}

func runReplaceErases(p *check.Pass, n *syntax.Insert) {
	if len(n.Columns) == 0 || n.Query == nil || !p.Replaces(n) || !p.Tells(n) {
		return
	}
	source := p.SourceAt(n.Table)
	t := source.SchemaTable()
	if t == nil || t.IsView || !t.Complete {
		return
	}
	named := map[int]bool{}
	for _, id := range n.Columns {
		column := source.Named(id.Sym)
		if column == nil || column.Index < 0 {
			return
		}
		named[column.Index] = true
	}
	i := slices.IndexFunc(t.Keys, func(k schema.Key) bool {
		return len(k.Columns) > 0 && !slices.ContainsFunc(k.Columns, func(c int) bool { return !named[c] })
	})
	var lost []string
	for k := range t.Columns {
		if c := &t.Columns[k]; !named[k] && c.Generated == "" && !c.Hidden {
			lost = append(lost, c.Name)
		}
	}
	if i < 0 || len(lost) == 0 {
		return
	}
	p.Report(check.Finding{
		Span: text.Span{Start: n.Span().Start, End: n.Table.Span().End}, Context: n.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("a row that is there already loses its %s", check.Some(lost)),
		Why:     "REPLACE deletes it and inserts another, in which these columns have their defaults.",
		Mends:   []check.Mend{updatesInstead(p, n, t, t.Keys[i].Columns)},
	})
}

// updatesInstead writes an INSERT that changes the row of the same key.
func updatesInstead(p *check.Pass, n *syntax.Insert, t *schema.Table, key []int) check.Mend {
	m := check.Mend{Title: "change the row that is there", Effect: check.NewRows}
	like := n.Span().Start
	var set, keys []string
	for _, id := range n.Columns {
		name := p.Ident(id)
		at := slices.IndexFunc(t.Columns, func(c schema.Column) bool { return strings.EqualFold(c.Name, p.Names.String(id.Sym)) })
		switch {
		case slices.Contains(key, at):
			keys = append(keys, name)
		case p.Dialect == dialect.SQLite:
			set = append(set, name+" = excluded."+name)
		default:
			set = append(set, fmt.Sprintf("%s = %s(%s)", name, p.Word(like, "VALUES"), name))
		}
	}
	into := slices.IndexFunc(p.Stmt.Tokens, func(k syntax.Token) bool {
		return k.Span.Start >= like && (k.Span.Start == n.Table.Span().Start || strings.EqualFold(text.View(p.Src, k.Span), "into"))
	})
	if _, values := n.Query.Body.(*syntax.Values); !values || n.With != nil || len(set) == 0 || into < 0 || len(n.Returning) > 0 {
		return check.Mend{Title: m.Title, Effect: check.ByHand}
	}
	insert, clause := p.Word(like, "INSERT")+" ", p.Word(like, "ON DUPLICATE KEY UPDATE")+" "
	if p.Stmt.Tokens[into].Span.Start == n.Table.Span().Start {
		insert += p.Word(like, "INTO") + " "
	}
	if p.Dialect == dialect.SQLite {
		clause = fmt.Sprintf("%s (%s) %s ", p.Word(like, "ON CONFLICT"), strings.Join(keys, ", "), p.Word(like, "DO UPDATE SET"))
	}
	m.Edits = []text.Edit{
		check.Replace(text.Span{Start: like, End: p.Stmt.Tokens[into].Span.Start}, insert),
		check.Insert(n.Span().End, " "+clause+strings.Join(set, ", ")),
	}
	return m
}
