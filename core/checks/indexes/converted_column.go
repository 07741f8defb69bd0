package indexes

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var convertedColumn = &check.Check{
	ID:    "index.converted-column",
	Title: "column that is converted for every row, to be compared",
	Doc: "Where text meets a number, MySQL, MariaDB, SQL Server, Oracle and Spark make the text a number, and where it meets a date, a date: a column of texts is converted row by row, " +
		"and its index does not serve. MySQL and MariaDB take '7 frames' for 7; SQL Server and Oracle stop with an error at the first text that is no number. " +
		"PostgreSQL refuses the comparison; SQLite makes the number a text.",
	Verdicts: check.Everywhere(check.Slow).But(check.Refused, dialect.In(dialect.Postgres)).But(check.Fine, dialect.In(dialect.SQLite, dialect.ANSI)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT apiary_id FROM apiaries WHERE name = 7",
		Good:    "SELECT apiary_id FROM apiaries WHERE name = '7'",
		Near: []string{
			"SELECT name FROM hives WHERE hive_id = '7'",
			"SELECT name FROM hives WHERE frame_count = 7.5",
			"SELECT name FROM hives WHERE moved_on = '2026-05-01'",
			"SELECT name FROM hives WHERE moved_on = 20260501",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT apiary_id FROM apiaries WHERE name IN (7, 8)",
		Good:    "SELECT apiary_id FROM apiaries WHERE name IN ('7', '8')",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT apiary_id FROM apiaries a WHERE a.name > 7",
		Near:    []string{"SELECT apiary_id FROM apiaries a WHERE a.name > '7'"},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT apiary_id FROM apiaries WHERE name = CURRENT_DATE",
	}},
	On: check.Comparisons(func(p *check.Pass, n *syntax.Binary) {
		if !convertsColumn(p, n, n.X, []syntax.Expr{n.Y}) {
			convertsColumn(p, n, n.Y, []syntax.Expr{n.X})
		}
	}).And(check.Kinds(func(p *check.Pass, n syntax.Node) {
		switch n := n.(type) {
		case *syntax.In:
			if !convertsColumn(p, n, n.X, n.List) {
				mixesList(p, n)
			}
		case *syntax.Between:
			convertsColumn(p, n, n.X, []syntax.Expr{n.Low, n.High})
		}
	}, syntax.KindIn, syntax.KindBetween)).In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer, dialect.Oracle, dialect.Spark)),
}

// convertsColumn reports a column that is made another type than its own, to be compared with
// values.
func convertsColumn(p *check.Pass, n, x syntax.Expr, values []syntax.Expr) bool {
	name, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return false
	}
	u := p.Use(name)
	if u.Status != bind.Resolved || u.Source.SchemaTable() == nil || u.Source.SchemaTable().IsView || u.Column.Index < 0 {
		return false
	}
	column := u.Source.SchemaTable().Columns[u.Column.Index]
	if column.Type.Class != class.Text || len(values) == 0 || column.Type.Values != nil {
		return false
	}
	as := class.Unknown
	for _, v := range values {
		m := p.Dialect.Meets(dialect.Compare, column.Type.Class, p.Type(v).Class)
		if m.As != class.Unknown {
			as = m.As
			if other, ok := syntax.Unparen(v).(*syntax.Name); ok && p.Use(other).Source != nil && p.Use(other).Source != u.Source {
				return false // two columns that are joined
			}
		}
	}
	place, _ := p.Enclosing(n, filters)
	if as == class.Unknown || place == nil || !p.Tells(n) {
		return false
	}
	f := check.Finding{
		Span: n.Span(), Context: place.Span(), Certainty: check.Likely, Verdicts: p.Check.Verdicts.But(check.Unclear, dialect.In(p.Dialect)),
		Message: fmt.Sprintf("%s is text and made %s for every row", p.Brief(name), as.Noun()),
		Why:     madeOf(p.Dialect, as),
	}
	if u.Source.SchemaTable().LeadsIndex(u.Column.Index) {
		f.Certainty, f.Verdicts = check.Certain, p.Check.Verdicts
		f.Why = fmt.Sprintf("The index on %s does not serve. %s", p.Brief(name), f.Why)
	}
	if edits := quoted(p, n, values); edits != nil {
		f.Mends = []check.Mend{{Title: "write the number as text", Effect: check.NewRows, Edits: edits}}
	} else {
		f.Mends = []check.Mend{{Title: fmt.Sprintf("compare %s with text", p.Brief(name)), Effect: check.ByHand}}
	}
	p.Report(f)
	return true
}

// exactDigits is how many digits of a whole number a double surely holds.
const exactDigits = 15

// mixesList reports a list of numbers in quotes and without, which MariaDB compares with each
// row as it is, and not by the index. (as 10.11 plans)
func mixesList(p *check.Pass, n *syntax.In) {
	name, ok := syntax.Unparen(n.X).(*syntax.Name)
	if !ok || p.Dialect != dialect.MariaDB || !p.Type(name).Class.IsNumber() {
		return
	}
	u := p.Use(name)
	if u.Status != bind.Resolved || u.Source.SchemaTable() == nil || u.Column.Index < 0 || !u.Source.SchemaTable().LeadsIndex(u.Column.Index) {
		return
	}
	var edits []text.Edit
	bare := 0
	effect := check.NewRows
	if p.Type(name).Class == class.Integer {
		effect = check.SameRows
	}
	for _, x := range n.List {
		lit, ok := x.(*syntax.Literal)
		switch {
		case !ok || lit.Lit != syntax.TextLiteral && lit.Lit != syntax.NumberLiteral:
			return
		case lit.Lit == syntax.NumberLiteral:
			bare++
		case !facts.IsValue(p.Info, lit, class.Decimal):
			return // told as no number
		default:
			number := strings.Trim(p.Text(lit), "' ")
			if len(number) > exactDigits { // compared as a double, which more than one whole number may equal
				effect = check.NewRows
			}
			edits = append(edits, check.Replace(lit.Span(), number))
		}
	}
	place, _ := p.Enclosing(n, filters)
	if bare == 0 || len(edits) == 0 || place == nil || !p.Tells(n) {
		return
	}
	p.Report(check.Finding{
		Span: n.Span(), Context: place.Span(), Certainty: check.Likely, Verdicts: check.Everywhere(check.Unclear).But(check.Slow, dialect.In(dialect.MariaDB)),
		Message: fmt.Sprintf("the list behind %s mixes numbers in quotes and without", p.Brief(name)),
		Why:     fmt.Sprintf("MariaDB then compares every row, and the index on %s does not serve.", p.Brief(name)),
		Mends:   []check.Mend{{Title: "write all without quotes", Effect: effect, Edits: edits}},
	})
}

// madeOf says what becomes of texts that are made something else.
func madeOf(d dialect.Dialect, as class.Class) string {
	switch d.Invalid(as) {
	case dialect.InvalidPrefix:
		return d.Title() + " takes the number that a text begins with, so that '7 frames' equals 7."
	case dialect.InvalidRefused:
		return d.Title() + " stops with an error at the first text that is none."
	}
	return fmt.Sprintf("%s takes a text that is none for NULL.", d.Title())
}

// quoted puts numbers that are compared for equality in quotes, nil where that is not all.
func quoted(p *check.Pass, n syntax.Expr, values []syntax.Expr) (edits []text.Edit) {
	if b, ok := n.(*syntax.Binary); n.Kind() == syntax.KindBetween || ok && b.Op != syntax.OpEqual && b.Op != syntax.OpNotEqual {
		return nil // texts sort by their first digits
	}
	for _, v := range values {
		lit, ok := v.(*syntax.Literal)
		switch {
		case ok && lit.Lit == syntax.NumberLiteral:
			edits = append(edits, check.Replace(lit.Span(), "'"+p.Text(lit)+"'"))
		case !ok || lit.Lit != syntax.TextLiteral:
			return nil
		}
	}
	return edits
}
