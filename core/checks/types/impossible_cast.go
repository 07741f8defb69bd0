package types

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var impossibleCast = &check.Check{
	ID:     "type.impossible-cast",
	Title:  "cast of a value that cannot be one",
	Errors: []string{"22P02", "42846", "ORA-00932", "Msg 529"},
	Doc: "A text that is no number cannot be cast to one: PostgreSQL, SQL Server and Oracle stop with an error, MySQL, MariaDB and SQLite give the number that it begins with, or 0, " +
		"Spark NULL. Between some types, such as date and integer, PostgreSQL has no cast at all.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT CAST('ten' AS integer) AS n",
		Near: []string{
			"SELECT CAST(' 10 ' AS integer) AS n, CAST('1e3' AS numeric) AS m, CAST('NaN' AS double precision) AS x",
			"SELECT CAST('ten' AS text) AS n",
			"SELECT CAST(name AS text) AS n, CAST(moved_on AS text) AS d FROM hives",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT CAST('ten' AS SIGNED) AS n",
		Near:    []string{"SELECT CAST('10' AS SIGNED) AS n, CAST('10.5' AS DECIMAL(4, 1)) AS m"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE swarms (seen_on date); SELECT CAST(seen_on AS integer) FROM swarms",
		Near:    []string{"CREATE TABLE swarms (seen_on date); SELECT CAST(seen_on AS text), CAST(seen_on AS timestamp) FROM swarms"},
	}},
	On: check.Kinds(runImpossibleCast, syntax.KindCast, syntax.KindTypedLiteral),
}

func runImpossibleCast(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.Cast:
		if !n.Try && n.Format == nil {
			mustCast(p, n, n.X, n.Type)
		}
	case *syntax.TypedLiteral:
		mustCast(p, n, n.Value, n.Type)
	}
}

func mustCast(p *check.Pass, n syntax.Node, x syntax.Expr, to *syntax.TypeName) {
	if to == nil || !p.Tells(n) {
		return
	}
	t := p.Schema.TypeOf(to, p.Src, p.Dialect)
	if lit, ok := syntax.Unparen(x).(*syntax.Literal); ok && lit.Lit == syntax.TextLiteral {
		mustRead(p, lit, to, t)
		return
	}
	if !p.Dialect.HasTypes() {
		return
	}
	from, want := p.Exact(x), p.Declared(t)
	if p.Casts(from, want) != dialect.None {
		return
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Likely, // anyone may add a cast
		Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.Postgres)),
		Message:  fmt.Sprintf("%s has no cast from %s to %s", p.Dialect.Title(), p.TitleOf(from), p.TitleOf(want)),
		Why:      fmt.Sprintf("%s is %s.", p.Brief(x), p.TypeIs(from)),
		Mends:    []check.Mend{{Title: "convert it by a function, or by way of text", Effect: check.ByHand}},
	})
}

// mustRead reports a text that is cast and no value of the type.
func mustRead(p *check.Pass, lit *syntax.Literal, to *syntax.TypeName, t schema.Type) {
	k := kindOfColumn(p, t)
	written := strings.Trim(text.View(p.Src, lit.Span()), "'")
	if k == anyValue && t.Class.HasDay() && !p.Dialect.Has(dialect.TextDates) {
		k = day
	}
	if written == "" && p.Dialect != dialect.Postgres {
		return // which is 0, or NULL
	}
	tell{verdicts: p.Check.Verdicts, why: castBecomes(p.Dialect, t.Class, written)}.mustBe(p, k, lit, p.Brief(to))
}

func castBecomes(d dialect.Dialect, of class.Class, written string) string {
	switch d {
	case dialect.MySQL, dialect.MariaDB:
		if of.IsNumber() {
			return fmt.Sprintf("The cast gives %s, with a warning.", beginning(written))
		}
		return "The cast gives NULL, with a warning."
	case dialect.SQLite:
		return fmt.Sprintf("The cast gives %s.", beginning(written))
	case dialect.Spark:
		return "The cast gives NULL; with the ANSI mode the query stops with an error."
	}
	return "The conversion fails, and with it the query."
}
