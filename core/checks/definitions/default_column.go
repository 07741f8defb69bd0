package definitions

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

var defaultColumn = &check.Check{
	ID:        "definition.default-column",
	Title:     "DEFAULT that names a column",
	Errors:    []string{"0A000", "1054", "ORA-00984", "Msg 128"},
	Elsewhere: "MySQL and MariaDB take the value of the column, SQLite takes a bare word for a text, all others refuse it",
	Doc: "A default is worked out before the row has values, so it cannot be taken from another column. MySQL and MariaDB alone take an " +
		"expression of columns. A generated column follows the other one for good; a trigger fills it once. A word that is no column is mostly a text without its quotes, or a " +
		"function without its parentheses.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.MySQL, dialect.MariaDB)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer DEFAULT (weight_kg))",
		Good:    "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer)",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer DEFAULT (3 + 4))",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer GENERATED ALWAYS AS (weight_kg + 1) STORED)",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer DEFAULT (weight_kg + 1))",
		Good:    "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer DEFAULT (1))",
		Near:    []string{"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue text, other text DEFAULT hue)"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) DEFAULT red)",
		Good:    "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hue varchar(9) DEFAULT 'red')",
		Near:    []string{"CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer DEFAULT (weight_kg))"},
	}},
	On: check.Nodes(defaultInTable).And(check.Nodes(defaultInChange)),
}

func defaultInTable(p *check.Pass, n *syntax.CreateTable) {
	if !p.Tells(n) {
		return
	}
	var has map[syntax.Sym]bool
	for _, c := range n.Columns {
		for _, con := range c.Constraints {
			if con.Type != syntax.DefaultValue || con.X == nil || syntax.IsConstant(con.X) {
				continue
			}
			if has == nil {
				has = make(map[syntax.Sym]bool, len(n.Columns))
				for _, c := range n.Columns {
					has[c.Name.Sym] = true
				}
			}
			takenFrom(p, con.X, func(sym syntax.Sym) bool { return has[sym] }, n.Query == nil && n.Like == nil && !n.Inherits && n.PartitionOf == nil && len(p.Stmt.Open) == 0)
		}
	}
}

func defaultInChange(p *check.Pass, n *syntax.AlterTable) {
	if !p.Tells(n) || p.Schema == nil || len(n.Name) == 0 {
		return
	}
	t := p.TableNamed(n.Name)
	if t == nil {
		return
	}
	has := func(sym syntax.Sym) bool {
		return t.Column(p.Names.String(sym)) >= 0 || slices.ContainsFunc(n.Actions, func(a *syntax.AlterAction) bool { return a.Column != nil && a.Column.Name.Sym == sym })
	}
	for _, a := range n.Actions {
		if a.Action == syntax.SetDefault && a.X != nil {
			takenFrom(p, a.X, has, t.Complete)
		}
		if a.Column != nil {
			for _, con := range a.Column.Constraints {
				if con.Type == syntax.DefaultValue && con.X != nil {
					takenFrom(p, con.X, has, t.Complete)
				}
			}
		}
	}
}

// takenFrom reports the first column of the table that a default names, or the first word that is
// none, where all columns are known. A bare word is a text for SQLite.
func takenFrom(p *check.Pass, x syntax.Expr, has func(syntax.Sym) bool, complete bool) {
	if _, bare := x.(*syntax.Name); bare && p.Dialect == dialect.SQLite {
		return
	}
	told := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		name, ok := n.(*syntax.Name)
		if ok && !told && complete && !has(name.Last().Sym) && namesNothing(p, name) {
			told = true
			tellNothing(p, x, name)
		}
		if ok && !told && !mysqls.Has(p.Dialect) && len(name.Parts) == 1 && has(name.Parts[0].Sym) && (name.Parts[0].Quoted || name.Parts[0].Sym >= syntax.Sym(word.Total)) {
			told = true
			p.Report(check.Finding{
				Span: name.Span(), Context: x.Span(), Certainty: check.Certain,
				Message: fmt.Sprintf("DEFAULT cannot name the column %s", text.View(p.Src, name.Span())),
				Why:     "It is worked out before the row has values.",
				Mends:   []check.Mend{{Title: "make it a generated column, or fill it by a trigger or in INSERT", Effect: check.ByHand}},
			})
		}
		_, query := n.(*syntax.Query)
		return !query && !told
	})
}

// namesValues are the dialects in which a bare word in DEFAULT can be a column or nothing.
var namesValues = dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.SQLServer)

// namesNothing reports whether a name in DEFAULT that is no column is no value of the database's own.
func namesNothing(p *check.Pass, n *syntax.Name) bool {
	if len(n.Parts) > 1 || !namesValues.Has(p.Dialect) || p.Src[n.Span().Start] == '$' {
		return false
	}
	sym := n.Parts[0].Sym
	switch word.Word(sym) {
	case word.Sysdate, word.Systimestamp, word.Yes:
		return true
	}
	if n.Parts[0].Quoted {
		return p.Dialect != dialect.SQLite // to which it is text
	}
	return sym >= syntax.Sym(word.Total)
}

// tellNothing reports a name in DEFAULT that is nothing: a function that lacks its parentheses, or a
// text that lacks its quotes.
func tellNothing(p *check.Pass, x syntax.Expr, n *syntax.Name) {
	name := p.Ident(n.Parts[0])
	f := check.Finding{
		Span: n.Span(), Context: x.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Refused),
		Message: fmt.Sprintf("DEFAULT names %s, which is no value", name),
		Why:     "The database looks for a column of that name.",
		Mends:   []check.Mend{{Title: "put the text in quotes, or the parentheses behind the function", Effect: check.ByHand}},
	}
	arity, function := p.Dialect.Arity(p.Names.String(n.Parts[0].Sym))
	switch {
	case function && arity.Takes(0):
		f.Mends = []check.Mend{{Title: "call the function", Effect: check.NewRows, Edits: []text.Edit{check.Insert(n.Span().End, "()")}}}
	case !n.Parts[0].Quoted && n == x:
		f.Mends = []check.Mend{{Title: "put the text in quotes", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), "'"+name+"'")}}}
	}
	p.Report(f)
}
