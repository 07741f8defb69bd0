package names

import (
	"fmt"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var duplicateAlias = &check.Check{
	ID:     "name.duplicate-alias",
	Title:  "two sources of one name",
	Errors: []string{"42712", "1066", "Msg 1011", "Msg 1013"},
	Doc: "Two sources of one FROM have the same name or alias, so a qualified column could be either's. SQLite runs the query as long as no " +
		"column is reached through the doubled name.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "SELECT 1 FROM hives AS h JOIN queens AS h ON 1 = 1",
		Good: "SELECT 1 FROM hives AS h JOIN queens AS q ON 1 = 1",
		Near: []string{
			"SELECT 1 FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id",
			"SELECT 1 FROM hives AS h WHERE EXISTS (SELECT 1 FROM queens AS h)",
			"SELECT 1 FROM hives AS a, hives AS b",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT 1 FROM hives, hives",
		Good:    "SELECT 1 FROM hives, hives AS other",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT 1 FROM hives AS h JOIN queens AS h ON 1 = 1",
		Good:    "SELECT 1 FROM hives AS h JOIN queens AS q ON 1 = 1",
		Near:    []string{"SELECT 1 FROM (SELECT hive_id FROM harvests) AS hives JOIN hives ON 1 = 1"},
	}},
	On: check.Kinds(runDuplicateAlias, syntax.KindSelect, syntax.KindUpdate, syntax.KindDelete).With(facts.Several).And(check.Nodes(duplicateCTE)),
}

// mostSources bounds how many sources, or windows, are compared with each other; no database
// takes as many.
const mostSources = 256

func runDuplicateAlias(p *check.Pass, n syntax.Node) {
	scope := p.Scope(n)
	for i, s := range scope.Sources {
		if s.Name.Sym == 0 || s.Node == nil || i > mostSources {
			continue
		}
		k := slices.IndexFunc(scope.Sources[:i], func(other *bind.Source) bool { return other.Name.Sym == s.Name.Sym && other.Node != nil })
		if k >= 0 && !differ(p, scope.Sources[k], s) {
			earlier := scope.Sources[k]
			p.Report(check.Finding{
				Span: s.Name.Span, Certainty: check.Certain,
				Message: fmt.Sprintf("two sources are called %s", p.Ident(s.Name)),
				Why:     "A column qualified with that name could belong to either.",
				Related: []check.Related{{Span: earlier.Name.Span, Message: "the first of them"}},
				Mends:   []check.Mend{{Title: "give one of them another name, and use it where its columns are meant", Effect: check.ByHand}},
			})
		}
	}
}

// duplicateCTE reports two common table expressions of one name, which no
// database takes.
func duplicateCTE(p *check.Pass, w *syntax.With) {
	for i, c := range w.CTEs[:min(len(w.CTEs), mostSources)] {
		for _, earlier := range w.CTEs[:i] {
			if earlier.Name.Sym == c.Name.Sym && c.Name.Sym != 0 && !(p.Dialect == dialect.MySQL && p.Ident(earlier.Name) != p.Ident(c.Name)) { // which may tell letter case
				p.Report(check.Finding{
					Span: c.Name.Span, Certainty: check.Certain, Verdicts: check.Everywhere(check.Refused),
					Message: fmt.Sprintf("two common table expressions are called %s", p.Ident(c.Name)),
					Why:     "The query behind them could mean either.",
					Related: []check.Related{{Span: earlier.Name.Span, Message: "the first of them"}},
					Mends:   []check.Mend{{Title: "give one of them another name, and use it where it is meant", Effect: check.ByHand}},
				})
				break
			}
		}
	}
}

// differ reports whether two sources of one name are told apart by the schemas they are
// qualified with, or by letter case. On MySQL and MariaDB even an alias is one of its
// database, and a derived table is in none.
func differ(p *check.Pass, one, other *bind.Source) bool {
	x, ok := one.Node.(*syntax.TableRef)
	y, also := other.Node.(*syntax.TableRef)
	if p.Dialect.Has(dialect.ExecutedComments) {
		_, derived := one.Node.(*syntax.Derived)
		_, alsoDerived := other.Node.(*syntax.Derived)
		if derived && also && other.Query == nil || ok && alsoDerived && one.Query == nil || ok && also && len(x.Name) != len(y.Name) {
			return true
		}
	}
	if !ok || !also || !x.Alias.IsZero() || !y.Alias.IsZero() {
		return p.Dialect.Has(dialect.ExecutedComments) && text.Clipped(p.Src, one.Name.Span) != text.Clipped(p.Src, other.Name.Span)
	}
	if len(x.Name) < 2 || len(y.Name) < 2 {
		return len(x.Name) != len(y.Name) // the bare one may be of any schema
	}
	of, with := x.Name[len(x.Name)-2], y.Name[len(y.Name)-2]
	return of.Sym != with.Sym || of.Sym == 0 && text.Clipped(p.Src, of.Span) != text.Clipped(p.Src, with.Span)
}
