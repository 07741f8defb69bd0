package types

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var literalVerdicts = check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark))

// defaultVerdicts are those of a DEFAULT, which MySQL and MariaDB look at in every mode (1067).
var defaultVerdicts = literalVerdicts.But(check.Refused, dialect.In(dialect.MySQL, dialect.MariaDB))

var literal = &check.Check{
	ID:     "type.literal",
	Title:  "text that is no number where one has to be",
	Errors: []string{"22P02", "ORA-01722", "1292", "1366", "Msg 245", "22007", "22008", "42804"},
	Doc: "A text in quotes beside a number is converted to one. Where it is none, PostgreSQL, SQL Server and Oracle stop with an error; MySQL and MariaDB take the " +
		"digits that it begins with, or 0, so that rows with 0 are found; on SQLite and Spark it equals no number. Written to a column of numbers it is refused, but SQLite keeps it.",
	Verdicts: literalVerdicts,
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE frame_count = 'ten'",
		Good:    "SELECT name FROM hives WHERE frame_count = 10",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count = '10'",
			"SELECT name FROM hives WHERE frame_count IN (' 8 ', '-1', '+9')",
			"SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id WHERE g.weight_kg > '1.5e1'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE frame_count IN (8, '')",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE frame_count > 'few'",
		Near:    []string{"SELECT name FROM hives WHERE name > 'few' AND frame_count > '8'"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name FROM hives WHERE frame_count < 'many'",
		Near:    []string{"SELECT name FROM hives WHERE frame_count < '10'"},
	}},
	On: check.Kinds(runLiteral, syntax.KindIn, syntax.KindBetween).And(check.Comparisons(runLiteralSides).With(facts.TextSide)).
		And(check.Operators(runLiteralSides, syntax.OpAdd, syntax.OpSubtract, syntax.OpMultiply, syntax.OpDivide, syntax.OpModulo).With(facts.TextSide).In(dialect.In(dialect.Postgres))).
		And(check.Kinds(runLiteral, syntax.KindCase, syntax.KindLimit).In(dialect.In(dialect.Postgres))).
		And(check.Kinds(runLiteral, syntax.KindColumnDef).In(dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB))).
		And(check.Calls(runLiteralArgument, "coalesce", "greatest", "least", "nullif").In(dialect.In(dialect.Postgres))).
		And(check.Kinds(runLiteralStored, syntax.KindAssign, syntax.KindInsert)),
}

func runLiteralSides(p *check.Pass, n *syntax.Binary) {
	if rows, ok := pairs(n.X, n.Y); ok {
		for _, pair := range rows {
			if mustBeLike(p, pair[0], pair[1]) || mustBeLike(p, pair[1], pair[0]) {
				return
			}
		}
		return
	}
	if !mustBeLike(p, n.X, n.Y) {
		mustBeLike(p, n.Y, n.X)
	}
}

func runLiteral(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.In:
		for _, x := range n.List {
			if mustBeLike(p, n.X, x) {
				return
			}
		}
	case *syntax.Between:
		if !mustBeLike(p, n.X, n.Low) {
			mustBeLike(p, n.X, n.High)
		}
	case *syntax.Case:
		mustBeOf(p, p.Results(n))
		for _, w := range n.Whens {
			if n.Operand != nil && mustBeLike(p, n.Operand, w.Cond) {
				return
			}
		}
	case *syntax.Limit:
		mustBe(p, number, n.Count, "LIMIT")
		mustBe(p, number, n.Offset, "OFFSET")
	case *syntax.ColumnDef:
		for _, c := range n.Constraints {
			if c.Type == syntax.DefaultValue && c.X != nil && n.Type != nil {
				tell{verdicts: defaultVerdicts, why: "A default is a value that the column can hold."}.mustBe(p, kindOfColumn(p, p.Schema.TypeOf(n.Type, p.Src, p.Dialect)), c.X, p.Ident(n.Name))
			}
		}
	}
}

func runLiteralArgument(p *check.Pass, c *syntax.Call) {
	switch {
	case !facts.IsPlainCall(c):
	case p.FunctionName(c) != "nullif":
		mustBeOf(p, c.Args)
	case len(c.Args) == 2 && !mustBeLike(p, c.Args[0], c.Args[1]):
		mustBeLike(p, c.Args[1], c.Args[0])
	}
}

// mustBeOf reports the first literal that is no value of the type that PostgreSQL gives to
// several that one of them may be.
func mustBeOf(p *check.Pass, xs []syntax.Expr) {
	common, o := p.Common(xs)
	if o != dialect.Found {
		return
	}
	of := slices.IndexFunc(xs, func(x syntax.Expr) bool { return p.Exact(x) == common })
	if of < 0 {
		return
	}
	for _, x := range xs {
		if mustBeLike(p, xs[of], x) {
			return
		}
	}
}

// runLiteralStored looks at the values that are written to a table.
func runLiteralStored(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.Assign:
		if isText(n.Value) && !p.IgnoresErrors(n) {
			mustBeStored(p, p.PlaceOf(n.Value).Column, n.Value)
		} else if row, ok := n.Value.(*syntax.Row); ok {
			for _, x := range row.Items {
				if isText(x) {
					mustBeStored(p, p.PlaceOf(x).Column, x)
				}
			}
		}
	case *syntax.Insert:
		if n.Query == nil || p.IgnoresErrors(n) {
			return
		}
		values, ok := n.Query.Body.(*syntax.Values)
		if !ok {
			return
		}
		for i, c := range p.Targets(n) {
			if c == nil || kindOfColumn(p, c.Type) == anyValue {
				continue
			}
			for _, row := range values.Rows {
				if i < len(row.Items) && isText(row.Items[i]) && mustBeStored(p, c, row.Items[i]) {
					break
				}
			}
		}
	}
}

func isText(x syntax.Expr) bool {
	n, ok := x.(*syntax.Literal)
	return ok && n.Lit == syntax.TextLiteral
}

// mustBeStored reports a text that a column cannot hold: SQLite keeps it as it is, the others
// refuse it, MySQL and MariaDB in their default mode.
func mustBeStored(p *check.Pass, c *schema.Column, x syntax.Expr) bool {
	if c == nil {
		return false
	}
	t := tell{verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.SQLite)), why: storing(p.Dialect)}
	if p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB {
		t.mode = true
	}
	return t.mustBe(p, kindOfColumn(p, c.Type), x, c.Name)
}

func storing(d dialect.Dialect) string {
	switch d {
	case dialect.SQLite:
		return "SQLite keeps the text as it is, and it counts as greater than all numbers."
	case dialect.MySQL, dialect.MariaDB:
		return d.Title() + " refuses it in its default mode, and stores the beginning of it, or 0, where that is switched off."
	}
	return "The value cannot be converted."
}

// kind is what a text in quotes has to be, beside a value or in a column.
type kind uint8

const (
	anyValue kind = iota
	number
	wholeNumber
	day
	truth
)

func kindOf(p *check.Pass, x syntax.Expr) kind {
	if p.Dialect == dialect.Postgres {
		return kindOfType(p.Exact(x))
	}
	if _, ok := x.(*syntax.Name); ok && p.Type(x).Class.IsNumber() {
		return number
	}
	return anyValue
}

func kindOfType(t dialect.TypeID) kind {
	switch {
	case dialect.Int2Type <= t && t <= dialect.Int8Type:
		return wholeNumber
	case t.IsNumber():
		return number
	case t.IsDay():
		return day
	case t == dialect.BoolType:
		return truth
	}
	return anyValue // of a domain, or of another type of the user's
}

// kindOfColumn tells what a column holds.
func kindOfColumn(p *check.Pass, t schema.Type) kind {
	switch {
	case p.Dialect == dialect.Postgres:
		return kindOfType(p.Declared(t))
	case t.Word() == "bit": // MySQL takes the bytes of a text, SQL Server 'true' and 'false'
		return anyValue
	case t.Class.IsNumber():
		return number
	case t.Class.HasDay() && (p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB):
		return day
	}
	return anyValue
}

// mustBeLike reports a text beside a value that it cannot be of one type with.
func mustBeLike(p *check.Pass, beside, x syntax.Expr) bool {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.TextLiteral {
		return false
	}
	beside = syntax.Unparen(beside)
	return mustBe(p, kindOf(p, beside), n, p.Brief(beside))
}

func mustBe(p *check.Pass, k kind, x syntax.Expr, holder string) bool {
	return tell{verdicts: literalVerdicts}.mustBe(p, k, x, holder)
}

// tell is how a text in the wrong place is told.
type tell struct {
	verdicts check.Verdicts
	why      string // empty for what comes of it in a comparison
	mode     bool   // a mode of the database decides
}

// mustBe reports a text that is not what it has to be.
func (t tell) mustBe(p *check.Pass, k kind, x syntax.Expr, holder string) bool {
	if x == nil || k == anyValue {
		return false
	}
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.TextLiteral || !p.Tells(n) {
		return false
	}
	written := text.View(p.Src, n.Span())
	if len(written) < 2 || written[0] != '\'' || strings.ContainsAny(written[1:len(written)-1], `'\`) {
		return false
	}
	value := strings.TrimSpace(written[1 : len(written)-1])
	if value == "" && p.Dialect == dialect.Oracle { // where it is NULL
		return false
	}
	f := check.Finding{Span: n.Span(), Certainty: check.Certain, Verdicts: t.verdicts, Why: t.why}
	switch {
	case k == wholeNumber && isNumber(value) && !isWholeText(value):
		f.Verdicts = check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLServer))
		f.Message = fmt.Sprintf("%s is no whole number, and %s holds whole numbers", p.Brief(n), holder)
		f.Mends = []check.Mend{{Title: "leave the quotes out", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), value)}}}
	case (k == number || k == wholeNumber) && !isNumber(value):
		f.Message = fmt.Sprintf("%s is no number, and %s holds numbers", p.Brief(n), holder)
		f.Mends = []check.Mend{{Title: "write a number, or compare another column", Effect: check.ByHand}}
		if t.why != "" {
			f.Mends[0].Title = "write a number"
		}
	case k == day && !facts.MayBeDay(value):
		f.Message = fmt.Sprintf("%s is no day, and %s is one", p.Brief(n), holder)
		f.Mends = []check.Mend{{Title: "write a day, or compare something else", Effect: check.ByHand}}
		if t.why != "" {
			f.Mends[0].Title = "write a day"
		}
	case k == truth && !facts.IsTruthText(value):
		f.Message = fmt.Sprintf("%s is neither true nor false, and %s is", p.Brief(n), holder)
		f.Mends = []check.Mend{{Title: "write true or false", Effect: check.ByHand}}
	default:
		return false
	}
	if t.mode {
		f.Certainty = check.Likely
	}
	if f.Why == "" {
		f.Why = becomes(p.Dialect, value)
	}
	p.Report(f)
	return true
}

// isWholeText reports whether a text that is a number has no fraction, as PostgreSQL's whole
// numbers want it.
func isWholeText(value string) bool { return strings.Trim(value, "0123456789+-") == "" }

// isNumber reports whether all databases read a text as a number; the words for numbers
// without end count as such.
func isNumber(s string) bool {
	if strings.Trim(s, "0123456789+-.eE") != "" {
		s = strings.ToLower(strings.TrimLeft(s, "+-"))
		return s == "nan" || s == "inf" || s == "infinity"
	}
	_, err := strconv.ParseFloat(s, 64)
	return err == nil || strings.Trim(s, "0123456789") == "" && s != ""
}

// becomes says what a database makes of a text that is no number.
func becomes(d dialect.Dialect, value string) string {
	switch d {
	case dialect.Postgres:
		return "PostgreSQL reads the text as a value of the other side's type before it runs the query, and refuses it."
	case dialect.MySQL, dialect.MariaDB:
		return fmt.Sprintf("%s takes it for %s, and compares with that.", d.Title(), beginning(value))
	case dialect.SQLite:
		return "On SQLite a text equals no number, and is greater than all of them."
	case dialect.Spark:
		return "Spark takes it for NULL, so that the comparison is never true; with its ANSI mode it stops with an error."
	}
	return "The conversion fails when the query runs."
}

// beginning gives the number that a text begins with, 0 where it does with none.
func beginning(value string) string {
	for end := len(value); end > 0; end-- {
		if _, err := strconv.ParseFloat(value[:end], 64); err == nil && isNumber(value[:end]) {
			return value[:end]
		}
	}
	return "0"
}
