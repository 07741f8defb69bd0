package types

import (
	"fmt"
	"strconv"
	"strings"
	"unicode/utf8"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var outOfRange = &check.Check{
	ID:     "type.out-of-range",
	Title:  "value that its column cannot hold",
	Errors: []string{"22003", "22001", "ORA-01438", "ORA-12899", "1264", "1406", "Msg 8115", "Msg 2628", "Msg 8152"},
	Doc: "A text longer than the column, a whole number beyond its type, or a decimal with more digits before its point than there is room for. Written it is refused, by MySQL and MariaDB in their default mode, but SQLite keeps any length and size. " +
		"Compared for equality no row can have it.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.SQLite)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "UPDATE queens SET colour = 'yellow and white' WHERE queen_id = 1",
		Near: []string{
			"UPDATE queens SET colour = 'white          ' WHERE queen_id = 1",
			"UPDATE inspections SET remark = 'yellow and white' WHERE hive_id = 1",
			"SELECT name FROM queens WHERE colour > 'yellow and white' OR colour LIKE 'yellow and white%'",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "INSERT INTO queens (queen_id, name, bred_in) VALUES (3000000000, 'Ada', 2026)",
		Near:    []string{"INSERT INTO queens (queen_id, name, bred_in) VALUES (2147483647, 'Ada', 2026)"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "UPDATE harvests SET weight_kg = 12345 WHERE harvest_id = 1",
		Near:    []string{"UPDATE harvests SET weight_kg = 1234.56789 WHERE harvest_id = 1", "UPDATE harvests SET weight_kg = 0001234 WHERE harvest_id = 1"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM queens WHERE colour = 'yellow and white'",
		Near:    []string{"SELECT name FROM queens WHERE colour IN ('white', 'yellow')"},
	}},
	On: check.Kinds(runOutOfRange, syntax.KindAssign, syntax.KindInsert, syntax.KindIn, syntax.KindColumnDef).
		And(check.Operators(runLongEquality, syntax.OpEqual).With(facts.TextSide)).
		In(dialect.Everywhere &^ dialect.In(dialect.SQLite, dialect.ANSI)),
}

func runOutOfRange(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.Assign:
		if lit, ok := n.Value.(*syntax.Literal); ok && !p.IgnoresErrors(n) {
			mustFit(p, p.PlaceOf(lit).Column, lit, true)
		}
	case *syntax.Insert:
		insertedFit(p, n)
	case *syntax.ColumnDef:
		if lit := literalDefault(n); lit != nil {
			mustFit(p, &schema.Column{Name: p.Ident(n.Name), Type: p.Schema.TypeOf(n.Type, p.Src, p.Dialect)}, lit, true)
		}
	case *syntax.In:
		for _, x := range n.List {
			if equalsTooLong(p, n.X, x) {
				return
			}
		}
	}
}

// literalDefault gives the default of a column where it is a literal and its type is written, else nil.
func literalDefault(c *syntax.ColumnDef) *syntax.Literal {
	for _, con := range c.Constraints {
		if lit, ok := con.X.(*syntax.Literal); ok && con.Type == syntax.DefaultValue && c.Type != nil {
			return lit
		}
	}
	return nil
}

func insertedFit(p *check.Pass, n *syntax.Insert) {
	if n.Query == nil || p.IgnoresErrors(n) {
		return
	}
	values, ok := n.Query.Body.(*syntax.Values)
	if !ok {
		return
	}
	for i, c := range p.Targets(n) {
		if c == nil || !isBounded(c.Type) {
			continue
		}
		for _, row := range values.Rows {
			if i >= len(row.Items) {
				break
			}
			if lit, ok := row.Items[i].(*syntax.Literal); ok && mustFit(p, c, lit, true) {
				break
			}
		}
	}
}

func runLongEquality(p *check.Pass, n *syntax.Binary) {
	if !equalsTooLong(p, n.X, n.Y) {
		equalsTooLong(p, n.Y, n.X)
	}
}

// equalsTooLong reports a text that no row of a column can equal.
func equalsTooLong(p *check.Pass, column, x syntax.Expr) bool {
	lit, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || lit.Lit != syntax.TextLiteral {
		return false
	}
	return mustFit(p, p.ColumnOf(column), lit, false)
}

// isBounded reports whether a column holds texts up to a length, whole numbers, or decimals of so many digits.
func isBounded(t schema.Type) bool {
	return t.Class == class.Text && t.Length > 0 && t.Values == nil || t.Class == class.Integer || wholeDigits(t) > 0
}

// wholeDigits gives how many digits a decimal may have before its point, 0 where that is not known.
func wholeDigits(t schema.Type) int {
	if t.Class != class.Decimal || t.Length == 0 || t.Scale < 0 {
		return 0
	}
	return t.Length - t.Scale
}

// hasMore reports whether a number that is written without an exponent has more digits before its point.
func hasMore(written string, digits int) bool {
	whole, _, _ := strings.Cut(written, ".")
	return len(strings.TrimLeft(whole, "0")) > digits && strings.Trim(written, "0123456789.") == ""
}

// mustFit reports a literal that a column cannot hold.
func mustFit(p *check.Pass, c *schema.Column, n *syntax.Literal, written bool) bool {
	if c == nil || !isBounded(c.Type) || !p.Tells(n) {
		return false
	}
	var message string
	switch {
	case n.Lit == syntax.TextLiteral && c.Type.Class == class.Text:
		long := lengthOf(text.View(p.Src, n.Span()))
		if long <= c.Type.Length || !hasLength(c.Type) {
			return false
		}
		message = fmt.Sprintf("%s has %d characters, and %s holds %d", p.Brief(n), long, c.Name, c.Type.Length)
	case n.Lit == syntax.NumberLiteral && c.Type.Class == class.Integer && written:
		if n.Span().Len() < 3 {
			return false
		}
		most := largest(p.Dialect, c.Type)
		value, err := strconv.ParseUint(text.View(p.Src, n.Span()), 10, 64)
		if most == 0 || err != nil || value <= most {
			return false
		}
		message = fmt.Sprintf("%s is beyond %d, the greatest number of %s", p.Brief(n), most, c.Name)
	case n.Lit == syntax.NumberLiteral && c.Type.Class == class.Decimal && written:
		if !hasMore(text.View(p.Src, n.Span()), wholeDigits(c.Type)) {
			return false
		}
		message = fmt.Sprintf("%s has more than %s before the point, and %s holds no more", p.Brief(n), check.Counted(wholeDigits(c.Type), "digit"), c.Name)
	default:
		return false
	}
	f := check.Finding{Span: n.Span(), Certainty: check.Certain, Message: message, Mends: []check.Mend{{Title: "write a value that fits", Effect: check.ByHand}}}
	switch {
	case !written:
		f.Verdicts = check.Everywhere(check.Wrong).But(check.Fine, dialect.In(dialect.SQLite))
		f.Why = "No row can have it, so the comparison is never true."
		f.Mends[0].Title = "compare with a value that the column can hold"
	case p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB:
		f.Certainty = check.Likely
		f.Why = fmt.Sprintf("%s refuses it in its default mode, and cuts it where that is switched off.", p.Dialect.Title())
	case p.Parent(n).Kind() == syntax.KindConstraint: // a default, which the others try with the first row
		f.Verdicts = check.Everywhere(check.Unclear).But(check.Refused, mysqls).But(check.Fine, dialect.In(dialect.SQLite))
		f.Why = "Each row that is to take the default is refused."
	default:
		f.Why = "The value is not cut; the statement stops with an error."
	}
	p.Report(f)
	return true
}

// lengthOf counts the characters of a text in quotes without the blanks at its end, which
// databases cut; 0 of one that is not written plainly.
func lengthOf(written string) int {
	if len(written) < 2 || written[0] != '\'' || strings.ContainsAny(written[1:len(written)-1], `'\`) {
		return 0
	}
	return utf8.RuneCountInString(strings.TrimRight(written[1:len(written)-1], " "))
}

// hasLength reports whether the number behind a type's name is the most characters it holds, or
// bytes, of which a text has as many at least.
func hasLength(t schema.Type) bool {
	name := strings.ToLower(t.Name)
	return strings.Contains(name, "char")
}

// widths are the bits of the types of whole numbers, by the first word of their names.
var widths = map[string]uint{
	"tinyint": 8, "byte": 8, "smallint": 16, "int2": 16, "short": 16, "mediumint": 24, "int": 32, "integer": 32, "int4": 32, "bigint": 64, "int8": 64, "long": 64,
}

// largest gives the greatest number of a type of whole numbers, 0 where it is not known: Oracle's
// are decimals.
func largest(d dialect.Dialect, t schema.Type) uint64 {
	if d == dialect.Oracle {
		return 0
	}
	bits := widths[t.Word()]
	switch {
	case bits == 0:
		return 0
	case t.Unsigned || d == dialect.SQLServer && t.Word() == "tinyint":
		return 1<<bits - 1
	}
	return 1<<(bits-1) - 1
}
