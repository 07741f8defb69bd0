package logic

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/reason"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var bareColumn = &check.Check{
	ID:    "logic.bare-column",
	Title: "a number or text as a condition",
	Doc: "A condition is true or false; a column of numbers or texts is neither. PostgreSQL, SQL Server and Oracle refuse it. MySQL, MariaDB and SQLite take a number for " +
		"true unless it is 0, and a text by the number that it begins with, which mostly is 0.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.With(dialect.TruthIsNumber)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT hive_id FROM inspections WHERE mites AND temper > 3",
		Good: "SELECT hive_id FROM inspections WHERE mites <> 0 AND temper > 3",
		Near: []string{
			"SELECT name FROM hives WHERE frame_count > 0",
			"SELECT name FROM hives WHERE NOT frame_count = 0",
			"SELECT hive_id FROM inspections WHERE mites > 0 AND temper > 3",
			"SELECT hive_id FROM inspections WHERE NOT EXISTS (SELECT 1 FROM hives)",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT hive_id FROM inspections WHERE NOT mites",
		Good:    "SELECT hive_id FROM inspections WHERE NOT (mites <> 0)",
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT CASE WHEN remark THEN 1 ELSE 0 END AS said FROM inspections",
		Good:    "SELECT CASE WHEN remark <> '' THEN 1 ELSE 0 END AS said FROM inspections",
	}},
	On: check.Nodes(func(p *check.Pass, w *syntax.Where) { bareCondition(p, w.Cond) }).And(
		check.Nodes(func(p *check.Pass, h *syntax.Having) { bareCondition(p, h.Cond) })).And(
		check.Nodes(func(p *check.Pass, q *syntax.Qualify) { bareCondition(p, q.Cond) })).And(
		check.Nodes(func(p *check.Pass, j *syntax.Join) { bareCondition(p, j.On) })).And(
		check.Nodes(func(p *check.Pass, c *syntax.Constraint) {
			if c.Type == syntax.CheckKey {
				bareCheck(p, c.X)
			}
		})).And(
		check.Aggregates(func(p *check.Pass, c *syntax.Call) {
			if c.Filter != nil {
				bareCondition(p, c.Filter)
			}
		})).And(
		check.Operators(bareOperands, syntax.OpAnd, syntax.OpOr).With(facts.NameSide)).And(
		check.Nodes(bareNot)).And(check.Nodes(bareWhen)),
}

// bareOperands looks at the operands of AND and OR.
func bareOperands(p *check.Pass, b *syntax.Binary) {
	if b.Op == syntax.OpAnd || p.Src[b.OpSpan.Start] != '|' { // which MySQL and MariaDB may read as OR
		bareCondition(p, b.X)
		bareCondition(p, b.Y)
	}
}

func bareNot(p *check.Pass, not *syntax.Unary) {
	if not.Op == syntax.OpNot {
		bareCondition(p, not.X)
	}
}

// bareWhen looks at the condition of a CASE that compares nothing with it.
func bareWhen(p *check.Pass, w *syntax.When) {
	if c, ok := p.Parent(w).(*syntax.Case); ok && c.Operand == nil {
		bareCondition(p, w.Cond)
	}
}

// bareCondition reports a condition that is a column and nothing else.
func bareCondition(p *check.Pass, x syntax.Expr) {
	if x == nil {
		return
	}
	name, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok || p.Dialect.HasTypes() && !p.Type(name).Class.IsNumber() && p.Type(name).Class != class.Text {
		mustBeTruth(p, syntax.Unparen(x))
		return
	}
	valueAsCondition(p, name, p.Type(name))
}

// bareCheck is bareCondition for CHECK, whose columns may be those of the table that is being made.
func bareCheck(p *check.Pass, x syntax.Expr) {
	name, ok := syntax.Unparen(x).(*syntax.Name)
	table, made := p.Nearest(x, syntax.Kinds(syntax.KindCreateTable)).(*syntax.CreateTable)
	if !ok || !made {
		bareCondition(p, x)
		return
	}
	for _, c := range table.Columns {
		if c.Name.Sym == name.Last().Sym && c.Type != nil && p.Tells(c) {
			valueAsCondition(p, name, p.Schema.TypeOf(c.Type, p.Src, p.Dialect))
			return
		}
	}
}

// valueAsCondition reports a column of numbers or texts that stands as a condition.
func valueAsCondition(p *check.Pass, name *syntax.Name, t schema.Type) {
	f := check.Finding{Span: name.Span(), Certainty: check.Certain, Why: "Compare it with something; a value by itself is no condition here."}
	switch t.Class {
	case class.Integer, class.Decimal, class.Float:
		if p.Dialect.Has(dialect.TruthIsNumber) && (t.Class == class.Integer && t.Length == 1 || t.Name == "") {
			return // the type of truth values there; or a condition worked out before
		}
		f.Message = fmt.Sprintf("the number %s stands as a condition", p.Brief(name))
		mended := p.Text(name) + " <> 0"
		effect := check.NewRows
		if p.Dialect.Has(dialect.TruthIsNumber) {
			effect = check.SameRows
			f.Why = "It counts as true unless it is 0; a comparison says so."
		}
		if not, ok := p.Parent(name).(*syntax.Unary); ok && not.Op == syntax.OpNot {
			mended = "(" + mended + ")"
		}
		f.Mends = []check.Mend{{Title: "say <> 0", Effect: effect, Edits: []text.Edit{check.Replace(name.Span(), mended)}}}
		if p.Nullable(name) == facts.Yes {
			f.Mends = []check.Mend{{Title: "say <> 0, and what is to become of NULL", Effect: check.ByHand}}
		}
	case class.Text:
		f.Message = fmt.Sprintf("the text %s stands as a condition", p.Brief(name))
		if p.Dialect.Has(dialect.TruthIsNumber) {
			f.Verdicts = p.Check.Verdicts.But(check.Wrong, dialect.With(dialect.TruthIsNumber))
			f.Why = "It counts by the number that it begins with, so most texts are false."
		}
		f.Mends = []check.Mend{{Title: "compare it", Effect: check.ByHand}}
	default:
		return
	}
	p.Report(f)
}

// mustBeTruth reports a condition that by the exact types of the dialect is none.
func mustBeTruth(p *check.Pass, x syntax.Expr) {
	if syntax.IsCondition(x) {
		return
	}
	t := p.Exact(x)
	switch {
	case t == dialect.OpenType, t == dialect.BoolType, !p.Tells(x), isAssigned(p, x):
		return
	case t == dialect.UnknownType:
		written := p.Text(x)
		if lit, ok := x.(*syntax.Literal); !ok || lit.Lit != syntax.TextLiteral || !strings.HasPrefix(written, "'") || facts.IsTruthText(strings.Trim(written, "'")) {
			return
		}
	}
	p.Report(check.Finding{
		Span: x.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.Postgres)),
		Message: fmt.Sprintf("%s stands as a condition, and is %s", p.Brief(x), p.TypeIs(t)),
		Why:     "A condition is true or false.",
		Mends:   []check.Mend{{Title: "compare it with a value", Effect: check.ByHand}},
	})
}

// isAssigned reports whether a part of a chain of ANDs is assigned, where a comma was meant.
func isAssigned(p *check.Pass, x syntax.Expr) bool {
	above := p.Above(x)
	for above != nil && above.Kind() == syntax.KindBinary {
		above = p.Above(above)
	}
	_, ok := above.(*syntax.Assign)
	return ok
}

var constantComparison = &check.Check{
	ID:    "logic.constant-comparison",
	Title: "two constants compared",
	Doc: "A comparison of two constants is the same for every row, so it either does nothing or decides the whole condition. Mostly a quote is misplaced, and one side was to be " +
		"a column.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT hive_id FROM hives WHERE 'name' = 'Ash' AND frame_count > 3",
		Good: "SELECT hive_id FROM hives WHERE name = 'Ash' AND frame_count > 3",
		Near: []string{
			"SELECT hive_id FROM hives WHERE name = 'Ash' AND frame_count > 3",
			"SELECT hive_id FROM hives WHERE 1 = 1 AND frame_count > 3",
			"SELECT hive_id FROM hives WHERE CURRENT_DATE > '2026-01-01' AND frame_count > 3",
		},
	}},
	On: check.Comparisons(runConstantComparison).With(facts.Literals),
}

func runConstantComparison(p *check.Pass, b *syntax.Binary) {
	left, ok := syntax.Unparen(b.X).(*syntax.Literal)
	right, also := syntax.Unparen(b.Y).(*syntax.Literal)
	if !ok || !also || !isConstant(left) || !isConstant(right) {
		return
	}
	if reason.Constant(p.Info, b) != reason.Undecided {
		return // logic.always-true and logic.always-false tell
	}
	if logical, ok := p.Above(b).(*syntax.Binary); !ok || logical.Op != syntax.OpAnd && logical.Op != syntax.OpOr {
		return
	}
	f := check.Finding{
		Span: b.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s compares two constants", p.Brief(b)),
		Why:     "It is the same for every row.",
		Mends:   []check.Mend{{Title: "drop it, or name a column on one side", Effect: check.ByHand}},
	}
	if column := columnNamed(p, left); column != "" {
		f.Verdicts = check.Everywhere(check.Wrong)
		f.Why = fmt.Sprintf("%s is a text here, not the column; the condition is the same for every row.", p.Brief(left))
		f.Mends = []check.Mend{{Title: "name the column", Effect: check.NewRows, Edits: []text.Edit{check.Replace(left.Span(), column)}}}
	}
	p.Report(f)
}

func isConstant(n *syntax.Literal) bool {
	return n.Lit == syntax.NumberLiteral || n.Lit == syntax.TextLiteral
}

// columnNamed gives the column of a source that a text in quotes is called like, as
// the dialect writes its name; "" if there is none.
func columnNamed(p *check.Pass, n *syntax.Literal) string {
	written := p.Text(n)
	sel := p.SelectOf(n)
	if n.Lit != syntax.TextLiteral || len(written) < 3 || sel == nil || p.Scope(sel) == nil {
		return ""
	}
	name := written[1 : len(written)-1]
	for _, s := range p.Scope(sel).Sources {
		for _, sym := range s.ColumnSyms() {
			if sym != 0 && p.Names.String(sym) == name {
				return p.Dialect.Name(name, true)
			}
		}
	}
	return ""
}
