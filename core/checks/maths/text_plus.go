package maths

import (
	"fmt"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
	"justlens/core/text"
)

var textPlus = &check.Check{
	ID:    "math.text-plus",
	Title: "texts joined by +, which adds numbers",
	Doc: "Only SQL Server joins texts by +. MySQL, MariaDB and SQLite take the digits that each text begins with, or 0, and add them; Spark takes NULL for what is no " +
		"number; Oracle stops with an error when it runs, PostgreSQL before that. SQL Server adds, too, where one of the two is a number, and stops at a text that is none.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Fine, dialect.In(dialect.SQLServer)).But(check.Refused, dialect.In(dialect.ANSI, dialect.Postgres, dialect.Oracle)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name + ' of ' + colour FROM queens",
		Good:    "SELECT CONCAT(name, ' of ', colour) FROM queens",
		Near: []string{
			"SELECT name + 0 FROM queens",
			"SELECT frame_count + '1' FROM hives",
			"SELECT moved_on + INTERVAL 1 DAY FROM hives",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name + colour FROM queens",
		Good:    "SELECT name || colour FROM queens",
		Near:    []string{"SELECT '1' + '2'"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT 'hive ' + hive_id AS label FROM hives",
		Good:    "SELECT CONCAT('hive ', hive_id) AS label FROM hives",
		Near: []string{
			"SELECT 'hive ' + name AS label FROM hives",
			"SELECT 'hive ' + CAST(hive_id AS varchar(10)) AS label FROM hives",
			"SELECT '7' + hive_id AS n FROM hives",
		},
	}},
	On: check.Operators(runTextPlus, syntax.OpAdd).In(dialect.Everywhere &^ dialect.In(dialect.Postgres)), // of which type.operands tells
}

func runTextPlus(p *check.Pass, n *syntax.Binary) {
	if around, ok := p.Above(n).(*syntax.Binary); ok && around.Op == syntax.OpAdd || !p.Tells(n) {
		return // told of the whole chain
	}
	chain := sum{p: p}
	syntax.Operands(n, syntax.OpAdd, chain.add)
	if p.Dialect == dialect.SQLServer {
		chain.reportMixed(n)
		return
	}
	if chain.broken || len(chain.signs) == 0 || !chain.literal && chain.others > 0 {
		return
	}
	certainty := check.Likely
	if chain.literal {
		certainty = check.Certain
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: certainty,
		Message: fmt.Sprintf("+ adds numbers, and %s is text", p.Brief(chain.example)),
		Why:     chain.becomes(),
		Mends:   []check.Mend{chain.joined(n)},
	})
}

// sum is a chain of +.
type sum struct {
	p        *check.Pass
	operands []syntax.Expr
	signs    []text.Span
	example  syntax.Expr // an operand that is text, one that cannot be a number if there is one
	literal  bool        // example is a literal that is no number
	number   syntax.Expr // an operand that is a number
	others   int         // operands that are not known to be text
	broken   bool        // an operand is a number, a day or a span of time: something is added
}

// add adds an operand and the + before it, nil before the first.
func (s *sum) add(x syntax.Expr, before *syntax.Binary) {
	if before != nil {
		s.signs = append(s.signs, before.OpSpan)
	}
	s.operands = append(s.operands, x)
	switch s.p.Type(x).Class {
	case class.Text:
		lit, ok := syntax.Unparen(x).(*syntax.Literal)
		if ok && isNumberText(s.p.Text(lit)) {
			s.broken = true
		} else if ok && !s.literal {
			s.example, s.literal = x, true
		} else if s.example == nil {
			s.example = x
		}
	case class.Unknown:
		s.others++
	case class.Integer, class.Decimal, class.Float:
		s.number, s.broken = x, true
	default:
		s.broken = true
	}
}

// reportMixed reports a text that is no number beside a number, for which SQL Server makes numbers of texts
// ("Data type precedence" of its reference).
func (s *sum) reportMixed(n *syntax.Binary) {
	if !s.literal || s.number == nil {
		return
	}
	p := s.p
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Certain, Verdicts: p.Check.Verdicts.But(check.Refused, dialect.In(dialect.SQLServer)),
		Message: fmt.Sprintf("+ adds numbers where one side is a number, as %s is, and %s is none", p.Brief(s.number), p.Brief(s.example)),
		Why:     "The conversion of the text fails at the first row.",
		Mends:   []check.Mend{s.concatenated(n)},
	})
}

// concatenated joins the chain by CONCAT.
func (s *sum) concatenated(n *syntax.Binary) check.Mend {
	parts := make([]string, len(s.operands))
	for i, x := range s.operands {
		parts[i] = s.p.Text(x)
	}
	return check.Mend{Title: "join texts by CONCAT", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), "CONCAT("+strings.Join(parts, ", ")+")")}}
}

// isNumberText reports whether a text in quotes is a number, or blank.
func isNumberText(written string) bool {
	value := strings.TrimSpace(strings.Trim(written, "'"))
	_, err := strconv.ParseFloat(value, 64)
	return err == nil || value == ""
}

func (s *sum) becomes() string {
	switch s.p.Dialect {
	case dialect.Oracle:
		return "The conversion to a number fails when the query runs."
	case dialect.Spark:
		return "A text that is no number becomes NULL, and so does the sum."
	case dialect.ANSI:
		return "The standard has no + for texts."
	}
	return fmt.Sprintf("%s takes the digits that a text begins with, 0 where there are none, and adds them.", s.p.Dialect.Title())
}

// joined writes the chain as the dialect joins texts.
func (s *sum) joined(n *syntax.Binary) check.Mend {
	if s.p.Dialect.Has(dialect.PipesAreOr) {
		return s.concatenated(n)
	}
	m := check.Mend{Title: "join texts by ||", Effect: check.NewRows}
	for _, sign := range s.signs {
		m.Edits = append(m.Edits, check.Replace(sign, "||"))
	}
	return m
}
