package names

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var missingCommaAlias = &check.Check{
	ID:    "name.missing-comma-alias",
	Title: "a column taken for an alias",
	Doc: "Two names side by side in a select list are a column and its alias. Where the second is itself a column of the table, a comma was most " +
		"likely forgotten: one column is missing, and the other comes out under its name.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, name frame_count FROM hives",
		Good: "SELECT hive_id, name, frame_count FROM hives",
		Near: []string{
			"SELECT hive_id, name AS frame_count FROM hives",
			"SELECT hive_id, name hive_name FROM hives",
			"SELECT h.name name FROM hives h",
			"SELECT MAX(frame_count) frame_count FROM hives",
		},
	}},
	On: check.Nodes(func(p *check.Pass, item *syntax.SelectItem) {
		name, source := takenForAlias(p, item)
		if name == nil {
			return
		}
		alias := p.Ident(item.Alias)
		edits := []text.Edit{check.Insert(name.Span().End, ",")}
		if len(name.Parts) > 1 {
			edits = append(edits, check.Insert(item.Alias.Span.Start, p.Ident(source.Name)+"."))
		}
		f := check.Finding{
			Span: item.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("%s is taken for an alias of %s", alias, p.Brief(name)),
			Why:     fmt.Sprintf("%s is a column of %s, too; without a comma before it its values do not come out.", alias, p.Ident(source.Name)),
			Mends:   []check.Mend{{Title: "put a comma between them", Effect: check.NewRows, Edits: edits}},
		}
		if p.Use(name).Source != source || bareAliases(p, item) > 1 {
			f.Certainty = check.Possible
		}
		p.Report(f)
	}).With(facts.Aliased),
}

// takenForAlias gives the name before a bare alias that is a column itself,
// and the source that has that column.
func takenForAlias(p *check.Pass, item *syntax.SelectItem) (*syntax.Name, *bind.Source) {
	name, ok := item.X.(*syntax.Name)
	if !ok || item.As || item.Alias.IsZero() || item.Alias.Quoted || name.Last().Sym == item.Alias.Sym || p.Use(name).Status != bind.Resolved {
		return nil, nil
	}
	own := p.Use(name).Source
	if own.Brings(item.Alias.Sym) > 0 {
		return name, own
	}
	for _, s := range p.Use(name).Scope.Sources {
		if s.Brings(item.Alias.Sym) > 0 {
			return name, s
		}
	}
	return nil, nil
}

// bareAliases counts the aliases without AS in the select list of an item.
func bareAliases(p *check.Pass, item *syntax.SelectItem) int {
	sel, ok := p.Parent(item).(*syntax.Select)
	if !ok {
		return 0
	}
	n := 0
	for _, i := range sel.Items {
		if !i.As && !i.Alias.IsZero() {
			n++
		}
	}
	return n
}

var impliedAs = &check.Check{
	ID:       "name.implied-as",
	Title:    "alias without AS among others that have it",
	Doc:      "Where the other aliases of a list are written with AS, one without it looks like a forgotten comma.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name AS hive, frame_count frames FROM hives",
		Good: "SELECT name AS hive, frame_count AS frames FROM hives",
		Near: []string{"SELECT name AS hive, frame_count AS frames FROM hives", "SELECT name hive, frame_count frames FROM hives", "SELECT name AS hive, frame_count FROM hives h"},
	}},
	On: check.Nodes(func(p *check.Pass, sel *syntax.Select) {
		i := slices.IndexFunc(sel.Items, func(item *syntax.SelectItem) bool { return item.As })
		if i < 0 {
			return
		}
		written := sel.Items[i]
		for _, item := range sel.Items {
			if item.As || item.Alias.IsZero() || item.Alias.Span.Start < item.X.Span().End || p.Src[item.Alias.Span.Start] == '\'' {
				continue // of text name.quoted-alias tells
			}
			if _, ends := item.X.(*syntax.Case); ends || p.Src[item.X.Span().End-1] == ')' {
				continue // behind ) or END nobody takes it for a column
			}
			if name, _ := takenForAlias(p, item); name != nil {
				continue
			}
			p.Report(check.Finding{
				Span: item.Alias.Span, Context: item.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("%s is an alias without AS", p.Ident(item.Alias)),
				Why:     "Other aliases of the list have AS, so this one looks like a column without its comma.",
				Related: []check.Related{{Span: written.Span(), Message: "an alias with AS"}},
				Mends: []check.Mend{{Title: "add AS", Effect: check.SameRows,
					Edits: []text.Edit{check.Insert(item.Alias.Span.Start, p.Word(sel.Span().Start, "AS")+" ")}}},
			})
		}
	}).With(facts.Marked),
}

// textNames are the dialects that take an alias in single quotes.
var textNames = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.SQLServer)

var quotedAlias = &check.Check{
	ID:    "name.quoted-alias",
	Title: "alias in single quotes",
	Doc: "Single quotes are for text. Some databases take them round an alias nevertheless, but ORDER BY 'Hive' then sorts by the text itself, " +
		"which is the same for each row; the others refuse the query.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, textNames),
	Examples: []check.Example{{
		Bad:  "SELECT name AS 'Hive' FROM hives",
		Good: `SELECT name AS "Hive" FROM hives`,
		Near: []string{"SELECT name AS hive FROM hives", `SELECT name AS "Hive" FROM hives`, "SELECT 'Hive' AS hive FROM hives"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT frame_count AS 'n' FROM hives ORDER BY 'n'",
		Good:    "SELECT frame_count AS `n` FROM hives ORDER BY `n`",
	}},
	On: check.Nodes(func(p *check.Pass, item *syntax.SelectItem) {
		if item.Alias.IsZero() || p.Src[item.Alias.Span.Start] != '\'' {
			return
		}
		quoted := string(p.Src[item.Alias.Span.Start:item.Alias.Span.End])
		name := p.Dialect.Quote(strings.ReplaceAll(strings.Trim(quoted, "'"), "''", "'"))
		f := check.Finding{
			Span: item.Alias.Span, Context: item.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s is text, not a name", quoted),
			Why:     "Single quotes are for text; names have quotes of their own.",
		}
		edits := []text.Edit{check.Replace(item.Alias.Span, name)}
		effect := check.NewRows
		if textNames.Has(p.Dialect) {
			effect = check.SameRows
		}
		sel, _ := p.Parent(item).(*syntax.Select)
		if sel != nil && p.OwnQuery(sel) != nil && p.OwnQuery(sel).OrderBy != nil {
			for _, key := range p.OwnQuery(sel).OrderBy.Items {
				if lit, ok := syntax.Unparen(key.X).(*syntax.Literal); ok && lit.Lit == syntax.TextLiteral && p.Text(lit) == quoted {
					f.Verdicts = p.Check.Verdicts.But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite))
					f.Why = fmt.Sprintf("ORDER BY %s sorts by the text, which is the same for each row.", quoted)
					f.Related = append(f.Related, check.Related{Span: lit.Span(), Message: "text, too"})
					edits = append(edits, check.Replace(lit.Span(), name))
					effect = check.NewRows
				}
			}
		}
		f.Mends = []check.Mend{{Title: "write it as a name", Effect: effect, Edits: edits}}
		p.Report(f)
	}).With(facts.Aliased),
}
