package syntaxes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

// What other databases have in INSERT, UPDATE, DELETE and MERGE.

var (
	limitsWrites = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)
	namesTargets = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer)
)

func foreignUpdate(p *check.Pass, n *syntax.Update) {
	if j, ok := n.Table.(*syntax.Join); ok {
		foreign{"JOIN before SET", dialect.In(dialect.MySQL, dialect.MariaDB), j.OpSpan, byHand(joinedWrite[p.Dialect]), check.Certain}.tell(p)
	}
	aliasInUpdate(p, n)
	limited(p, "UPDATE", n.OrderBy, n.Limit)
	for _, a := range n.Set {
		addsTo(p, a)
		if row, ok := a.Target.(*syntax.Row); ok {
			foreign{"assignment of a row", dialect.With(dialect.RowAssignment), row.Span(), byHand("assign each column by itself"), check.Certain}.tell(p)
		}
	}
	if n.From != nil {
		if from, _, ok := p.FirstTokens(n.From); ok {
			how := "write MERGE"
			if p.Dialect.Has(dialect.ExecutedComments) {
				how = "join the tables before SET: UPDATE … JOIN … ON … SET"
			}
			foreign{"FROM in UPDATE", dialect.In(dialect.Postgres, dialect.SQLite, dialect.SQLServer, dialect.Oracle), from.Span, byHand(how), check.Certain}.tell(p)
		}
	}
}

// limited tells ORDER BY, LIMIT and TOP in a write.
func limited(p *check.Pass, write string, order *syntax.OrderBy, l *syntax.Limit) {
	tell := func(what string, has dialect.Set, at text.Span) {
		foreign{what + " in " + write, has, at, byHand("choose the rows by their key, in a subquery"), check.Certain}.tell(p)
	}
	if order != nil {
		tell("ORDER BY", limitsWrites, order.Span())
	} else if l != nil {
		switch first, _, _ := p.FirstTokens(l); first.Word() {
		case word.Top:
			tell("TOP", dialect.In(dialect.SQLServer), l.Span())
		case word.Limit:
			tell("LIMIT", limitsWrites, l.Span())
		}
	}
}

// addsTo tells += and its like in SET.
func addsTo(p *check.Pass, a *syntax.Assign) {
	if a.Value == nil || a.Target == nil {
		return
	}
	signs := p.TokensIn(text.Span{Start: a.Target.Span().End, End: a.Value.Span().Start})
	if len(signs) == 0 {
		return
	}
	written := signs[0].Span.Join(signs[len(signs)-1].Span)
	sign, ok := strings.CutSuffix(text.View(p.Src, written), "=")
	if !ok || len(sign) != 1 || !strings.Contains("+-*/%&|^", sign) {
		return
	}
	value := p.Text(a.Value)
	if _, simple := a.Value.(*syntax.Binary); simple {
		value = "(" + value + ")"
	}
	all := text.Span{Start: a.Target.Span().End, End: a.Value.Span().End}
	foreign{sign + "= in SET", dialect.In(dialect.SQLServer), written,
		replace("write it out", all, fmt.Sprintf(" = %s %s %s", p.Text(a.Target), sign, value)), check.Certain}.tell(p)
}

// joinedWrite says how a write looks at other tables.
var joinedWrite = map[dialect.Dialect]string{
	dialect.Postgres: "name the other table in FROM or USING, and join it in WHERE", dialect.SQLite: "take the other table's values from a subquery",
	dialect.SQLServer: "write UPDATE … FROM or DELETE … FROM with the join", dialect.Oracle: "write MERGE, or take the other table's values from a subquery",
	dialect.Spark: "write MERGE", dialect.MySQL: "name the table to delete from before FROM", dialect.MariaDB: "name the table to delete from before FROM",
}

// foreignDelete tells how DELETE names its table, and others beside it.
func foreignDelete(p *check.Pass, n *syntax.Delete) {
	limited(p, "DELETE", n.OrderBy, n.Limit)
	switch {
	case n.Using != nil:
		if using, _, _ := p.FirstTokens(n.Using); using.Word() != word.Using { // SQL Server's second FROM
			return
		}
		foreign{"USING in DELETE", dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB), n.Using.Span(), byHand("ask for the other table's rows in EXISTS"), check.Certain}.tell(p)
		return
	case len(n.Targets) > 0 && n.From != nil:
		foreign{"table before FROM in DELETE", namesTargets, n.Targets[0].Span(), byHand("name the table behind FROM, and ask for others in EXISTS"), check.Certain}.tell(p)
		return
	case n.From == nil || len(n.From.Tables) == 0:
		return
	case len(n.From.Tables) > 1 && p.Dialect != dialect.SQLServer: // which has a second FROM
		foreign{"list of tables behind DELETE FROM", 0, n.From.Tables[1].Span(), byHand(joinedWrite[p.Dialect]), check.Certain}.tell(p)
		return
	}
	switch t := n.From.Tables[0].(type) {
	case *syntax.Join:
		foreign{"JOIN behind DELETE FROM", 0, t.OpSpan, byHand(joinedWrite[p.Dialect]), check.Certain}.tell(p)
	case *syntax.TableRef:
		if p.Dialect == dialect.SQLite && !t.As && !t.Alias.IsZero() {
			foreign{"alias without AS in DELETE", dialect.Everywhere &^ dialect.In(dialect.SQLite, dialect.MariaDB), t.Alias.Span,
				writeAs(p, t), check.Certain}.tell(p)
		}
		aliasInDelete(p, n, t)
	}
}

// writeAs puts AS before an alias.
func writeAs(p *check.Pass, t *syntax.TableRef) []check.Mend {
	return []check.Mend{{Title: "write AS", Effect: check.NewRows, Edits: []text.Edit{check.Insert(t.Alias.Span.Start, p.Word(t.Alias.Span.Start, "AS")+" ")}}}
}

// aliasInDelete tells of an alias behind DELETE FROM, which SQL Server and MariaDB take where it is named before
// FROM as well.
func aliasInDelete(p *check.Pass, n *syntax.Delete, t *syntax.TableRef) {
	early := p.Dialect == dialect.MariaDB && p.Version < dialect.At(11, 6, 0) // MariaDB's documentation, "DELETE"
	if t.Alias.IsZero() || p.Dialect != dialect.SQLServer && !early {
		return
	}
	f := foreign{"alias in DELETE FROM", dialect.Everywhere &^ dialect.In(dialect.SQLServer, dialect.MariaDB), t.Alias.Span, byHand("name the alias before FROM, too"), check.Certain}
	if early {
		f.name += " before version 11.6"
		if p.Version == 0 {
			f.sure = check.Likely
		}
	}
	if from, _, ok := p.FirstTokens(n.From); ok && n.Limit == nil && n.OrderBy == nil && from.Word() == word.From {
		f.mends = []check.Mend{{Title: "name the alias before FROM, too", Effect: check.NewRows, Edits: []text.Edit{check.Insert(from.Span.Start, p.Ident(t.Alias)+" ")}}}
	}
	f.tell(p)
}

// aliasInUpdate tells of an alias behind UPDATE, which SQL Server takes in FROM, and SQLite behind AS.
func aliasInUpdate(p *check.Pass, n *syntax.Update) {
	t, ok := n.Table.(*syntax.TableRef)
	if !ok || t.Alias.IsZero() {
		return
	}
	switch {
	case p.Dialect == dialect.SQLServer:
		m := check.Mend{Title: "name the alias, and say in FROM what it stands for", Effect: check.ByHand}
		if n.From == nil && len(n.Set) > 0 && len(n.Returning) == 0 {
			m.Effect = check.NewRows
			m.Edits = []text.Edit{check.Replace(t.Span(), p.Ident(t.Alias)),
				check.Insert(n.Set[len(n.Set)-1].Span().End, " "+p.Word(n.Span().Start, "FROM")+" "+p.Text(t))}
		}
		foreign{"alias behind UPDATE", dialect.Everywhere &^ dialect.In(dialect.SQLServer), t.Alias.Span, []check.Mend{m}, check.Certain}.tell(p)
	case p.Dialect == dialect.SQLite && !t.As:
		foreign{"alias without AS in UPDATE", dialect.Everywhere &^ dialect.In(dialect.SQLite, dialect.SQLServer), t.Alias.Span, writeAs(p, t), check.Certain}.tell(p)
	}
}

// aliasInInsert tells of an alias of the table that INSERT writes to.
func aliasInInsert(p *check.Pass, n *syntax.Insert) {
	if n.Table == nil || n.Table.Alias.IsZero() || len(n.Table.Name) == 0 {
		return
	}
	at := text.Span{Start: n.Table.Name[len(n.Table.Name)-1].Span.End, End: n.Table.Alias.Span.End}
	foreign{"alias of the table in INSERT", dialect.In(dialect.Postgres, dialect.SQLite, dialect.Oracle), n.Table.Alias.Span,
		replace("leave it out", at, ""), check.Certain}.tell(p)
}

// foreignMerge tells MERGE.
func foreignMerge(p *check.Pass, n *syntax.Merge) {
	first, _, ok := p.FirstTokens(n)
	if !ok {
		return
	}
	how := "write INSERT … ON CONFLICT DO UPDATE"
	if p.Dialect.Has(dialect.ExecutedComments) {
		how = "write INSERT … ON DUPLICATE KEY UPDATE"
	}
	foreign{"MERGE", dialect.In(dialect.Postgres, dialect.SQLServer, dialect.Oracle, dialect.Spark), first.Span, byHand(how), check.Certain}.tell(p)
}

func foreignInsert(p *check.Pass, n *syntax.Insert) {
	switch {
	case !n.Duplicate.IsEmpty():
		foreign{"ON DUPLICATE KEY UPDATE", dialect.In(dialect.MySQL, dialect.MariaDB), n.Duplicate, byHand("write ON CONFLICT or MERGE"), check.Certain}.tell(p)
	case !n.OnConflict.IsEmpty():
		foreign{"ON CONFLICT", dialect.In(dialect.Postgres, dialect.SQLite), n.OnConflict, byHand("write ON DUPLICATE KEY UPDATE or MERGE"), check.Certain}.tell(p)
	}
	aliasInInsert(p, n)
	if n.Query == nil && len(n.Set) == 0 {
		defaultValues(p, n)
	}
	if len(n.Set) > 0 {
		list := n.Set[0].Span().Join(n.Set[len(n.Set)-1].Span())
		foreign{"INSERT … SET", dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Oracle), list, listed(p, n, list), check.Certain}.tell(p)
	}
}

// defaultValues tells INSERT … DEFAULT VALUES.
func defaultValues(p *check.Pass, n *syntax.Insert) {
	const farthest = 16 // tokens, behind which no DEFAULT VALUES is looked for
	tokens := p.TokensIn(n.Span())
	for i, t := range tokens[:min(len(tokens), farthest)] {
		if t.Word() != word.Default || i+1 == len(tokens) || tokens[i+1].Word() != word.Values {
			continue
		}
		f := foreign{"DEFAULT VALUES", dialect.In(dialect.Postgres, dialect.SQLite, dialect.SQLServer), t.Span.Join(tokens[i+1].Span), byHand("write DEFAULT for each column"), check.Certain}
		if p.Dialect.Has(dialect.ExecutedComments) {
			f.mends = replace("write empty lists", f.span, "() VALUES ()")
		}
		f.tell(p)
		return
	}
}

// listed writes INSERT … SET with a list of columns and their values.
func listed(p *check.Pass, n *syntax.Insert, list text.Span) []check.Mend {
	var columns, values []string
	for _, a := range n.Set {
		if a.Value == nil {
			return byHand("list the columns, and give their values in VALUES")
		}
		columns, values = append(columns, p.Text(a.Target)), append(values, p.Text(a.Value))
	}
	set := text.Span{Start: p.EndBefore(list.Start) - text.Pos(len("SET")), End: list.End}
	return replace("list the columns, and give their values in VALUES", set,
		fmt.Sprintf("(%s) %s (%s)", strings.Join(columns, ", "), p.Word(set.Start, "VALUES"), strings.Join(values, ", ")))
}
