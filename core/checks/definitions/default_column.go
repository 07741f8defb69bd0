package definitions

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

var defaultColumn = &check.Check{
	ID:        "definition.default-column",
	Title:     "DEFAULT that names a column",
	Errors:    []string{"0A000", "ORA-00984", "Msg 128"},
	Elsewhere: "MySQL and MariaDB take the value of the column, all others refuse it",
	Doc: "A default is worked out before the row has values, so it cannot be taken from another column. MySQL and MariaDB alone take an " +
		"expression of columns. A generated column follows the other one for good; a trigger fills it once.",
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
		Near:    []string{"CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer, first_kg integer DEFAULT (weight_kg))"},
	}},
	On: check.Nodes(defaultInTable).And(check.Nodes(defaultInChange)).In(dialect.Everywhere &^ dialect.In(dialect.MySQL, dialect.MariaDB)),
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
			takenFrom(p, con.X, func(sym syntax.Sym) bool { return has[sym] })
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
	has := func(sym syntax.Sym) bool { return t.Column(p.Names.String(sym)) >= 0 }
	for _, a := range n.Actions {
		if a.Action == syntax.SetDefault && a.X != nil {
			takenFrom(p, a.X, has)
		}
		if a.Column != nil {
			for _, con := range a.Column.Constraints {
				if con.Type == syntax.DefaultValue && con.X != nil {
					takenFrom(p, con.X, has)
				}
			}
		}
	}
}

// takenFrom reports the first column of the table that a default names. A bare word is a text
// for SQLite.
func takenFrom(p *check.Pass, x syntax.Expr, has func(syntax.Sym) bool) {
	if _, bare := x.(*syntax.Name); bare && p.Dialect == dialect.SQLite {
		return
	}
	told := false
	syntax.Inspect(x, func(n syntax.Node) bool {
		name, ok := n.(*syntax.Name)
		if ok && !told && len(name.Parts) == 1 && has(name.Parts[0].Sym) && (name.Parts[0].Quoted || name.Parts[0].Sym >= syntax.Sym(word.Total)) {
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
