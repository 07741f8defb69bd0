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

var notAllowed = &check.Check{
	ID:     "type.not-allowed",
	Title:  "value that the column's CHECK or enumeration does not let in",
	Errors: []string{"23514", "22P02", "ORA-02290", "3819", "4025", "1265", "Msg 547"},
	Doc: "A column that is declared with CHECK, or of an enumeration, holds certain values only. Written, another one is refused; compared for equality, no row has it. PostgreSQL refuses " +
		"what its enumeration does not list in a comparison, too.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.Spark)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad: "UPDATE inspections SET temper = 7 WHERE inspection_id = 1",
		Near: []string{
			"UPDATE inspections SET temper = 5 WHERE inspection_id = 1",
			"UPDATE inspections SET mites = 7 WHERE inspection_id = 1",
			"SELECT hive_id FROM inspections WHERE temper > 7 - 3",
		},
	}, {
		Bad:  "INSERT INTO inspections (inspection_id, hive_id, keeper_id, inspected_at, temper) VALUES (901, 1, 1, '2026-05-01 10:00:00', 0)",
		Near: []string{"INSERT INTO inspections (inspection_id, hive_id, keeper_id, inspected_at, temper) VALUES (901, 1, 1, '2026-05-01 10:00:00', 1)"},
	}, {
		Bad:  "SELECT hive_id FROM inspections WHERE temper = 0",
		Near: []string{"SELECT hive_id FROM inspections WHERE temper = 1", "SELECT hive_id FROM inspections WHERE temper <> 0"},
	}, {
		Bad: "SELECT hive_id FROM inspections WHERE temper > 5",
		Near: []string{
			"SELECT hive_id FROM inspections WHERE temper >= 5",
			"SELECT hive_id FROM inspections WHERE 5 > temper",
			"SELECT hive_id FROM inspections WHERE temper < 7",
			"SELECT hive_id FROM inspections WHERE mites > 5",
		},
	}},
	On: check.Kinds(runNotAllowed, syntax.KindAssign, syntax.KindInsert, syntax.KindIn, syntax.KindColumnDef).
		And(check.Operators(runNotAllowedSide, syntax.OpEqual).With(facts.LiteralSide)).
		And(check.Operators(runBeyondAllowed, syntax.OpLess, syntax.OpLessEqual, syntax.OpGreater, syntax.OpGreaterEqual).With(facts.LiteralSide)),
}

func runNotAllowed(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.Assign:
		if lit, ok := n.Value.(*syntax.Literal); ok && !p.IgnoresErrors(n) {
			t := writtenTable(p, n, p.PlaceOf(lit).Column)
			if l, ok := allowedIn(p, t, p.PlaceOf(lit).Column); ok && !p.IsFilled(t) {
				l.judge(lit, true)
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
		source := p.SourceAt(n.Table)
		if n.Table == nil || source == nil || source.SchemaTable() == nil {
			return
		}
		for i, c := range p.Targets(n) {
			l, ok := allowedIn(p, source.SchemaTable(), c)
			if !ok || p.IsFilled(l.table) {
				continue
			}
			for _, row := range values.Rows {
				if i < len(row.Items) {
					if lit, ok := row.Items[i].(*syntax.Literal); ok && l.judge(lit, true) {
						break
					}
				}
			}
		}
	case *syntax.ColumnDef:
		lit := literalDefault(n)
		if lit == nil || !p.Tells(n) {
			return
		}
		if t := p.Schema.TypeOf(n.Type, p.Src, p.Dialect); t.Values != nil {
			allowed{p: p, column: &schema.Column{Name: p.Ident(n.Name), Type: t}}.judge(lit, true)
		}
	case *syntax.In:
		l, ok := compared(p, n.X)
		if !ok {
			return
		}
		for _, x := range n.List {
			if lit, ok := syntax.Unparen(x).(*syntax.Literal); ok && l.judge(lit, false) {
				return
			}
		}
	}
}

func runNotAllowedSide(p *check.Pass, n *syntax.Binary) {
	for _, sides := range [2][2]syntax.Expr{{n.X, n.Y}, {n.Y, n.X}} {
		lit, ok := syntax.Unparen(sides[1]).(*syntax.Literal)
		if !ok {
			continue
		}
		if l, ok := compared(p, sides[0]); ok && l.judge(lit, false) {
			return
		}
	}
}

// runBeyondAllowed looks at a comparison that lies wholly outside of what a column of numbers lets in.
func runBeyondAllowed(p *check.Pass, n *syntax.Binary) {
	x, op, y := n.Turned()
	lit, ok := syntax.Unparen(y).(*syntax.Literal)
	if !ok || lit.Lit != syntax.NumberLiteral {
		return
	}
	l, ok := compared(p, x)
	if !ok || l.column.Type.Values != nil || !l.column.Type.Class.IsNumber() {
		return
	}
	bound, err := strconv.ParseFloat(text.View(p.Src, lit.Span()), 64)
	if err != nil {
		return
	}
	i := slices.IndexFunc(l.table.Checks, func(one schema.Check) bool {
		if !isAbout(&one, l.at) {
			return false
		}
		if op == syntax.OpLess || op == syntax.OpLessEqual {
			return one.Bounds.ExcludesBelow(bound, op == syntax.OpLessEqual)
		}
		return one.Bounds.ExcludesAbove(bound, op == syntax.OpGreaterEqual)
	})
	if i < 0 {
		return
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Likely, Verdicts: check.Everywhere(check.Wrong),
		Message: fmt.Sprintf("no row has %s", p.Brief(n)),
		Why:     fmt.Sprintf("The table has CHECK (%s).", l.table.Checks[i].Text),
		Mends:   []check.Mend{{Title: "compare with a value that it takes", Effect: check.ByHand}},
	})
}

// allowed tells which values a column lets in.
type allowed struct {
	p      *check.Pass
	table  *schema.Table
	column *schema.Column
	at     int // its place
}

// compared gives what a column lets in that stands in a comparison.
func compared(p *check.Pass, x syntax.Expr) (l allowed, ok bool) {
	name, named := syntax.Unparen(x).(*syntax.Name)
	if !named {
		return l, false
	}
	source := p.Use(name).Source
	if source == nil || source.SchemaTable() == nil {
		return l, false
	}
	return allowedIn(p, source.SchemaTable(), p.ColumnOf(name))
}

// writtenTable gives the table whose column an assignment sets.
func writtenTable(p *check.Pass, a *syntax.Assign, c *schema.Column) *schema.Table {
	around := p.Nearest(a, syntax.Kinds(syntax.KindUpdate, syntax.KindInsert, syntax.KindMerge))
	if around == nil || p.Scope(around) == nil || c == nil {
		return nil
	}
	for _, s := range p.Scope(around).Sources {
		if t := s.SchemaTable(); t != nil && t.Place(c) >= 0 {
			return t
		}
	}
	return nil
}

// mostConditions bounds the values of an enumeration and the conditions of a table that are
// looked through for each value.
const mostConditions = 256

// allowedIn gives what a column of a table lets in, nil where nothing says so.
func allowedIn(p *check.Pass, t *schema.Table, c *schema.Column) (l allowed, ok bool) {
	if t == nil || c == nil || t.Gathered || t.IsView || c.Type.Values == nil && len(t.Checks) == 0 || len(p.Stmt.Errors) > 0 ||
		len(c.Type.Values) > mostConditions || len(t.Checks) > mostConditions {
		return l, false
	}
	at := t.Place(c)
	if at < 0 {
		return l, false
	}
	return allowed{p, t, c, at}, c.Type.Values != nil || slices.ContainsFunc(t.Checks, func(one schema.Check) bool { return isAbout(&one, at) })
}

// isAbout reports whether a CHECK bounds one column alone.
func isAbout(c *schema.Check, at int) bool {
	return c.Bounds != nil && len(c.Columns) == 1 && c.Columns[0] == at
}

// judge reports a literal that is not let in.
func (l allowed) judge(n *syntax.Literal, written bool) bool {
	p, c := l.p, l.column
	value := text.View(p.Src, n.Span())
	src := value
	switch {
	case n.Lit == syntax.NumberLiteral && c.Type.Class.IsNumber():
	case n.Lit == syntax.TextLiteral && !c.Type.Class.IsNumber() && len(src) > 1 && src[0] == '\'' && !strings.ContainsAny(src[1:len(src)-1], `'\`):
		value = strings.TrimRight(src[1:len(src)-1], " ")
	default:
		return false // of a text beside a number type.literal tells
	}
	values, because := c.Type.Values, ""
	switch {
	case values != nil: // '' is MySQL's own value for what did not fit
		if n.Lit != syntax.TextLiteral || value == "" || slices.ContainsFunc(values, func(one string) bool {
			return one == value || p.Dialect != dialect.Postgres && strings.EqualFold(one, value)
		}) {
			return false
		}
		because = fmt.Sprintf("%s is an enumeration of %s", c.Name, inWords(values))
	default:
		i := slices.IndexFunc(l.table.Checks, func(one schema.Check) bool { return isAbout(&one, l.at) && one.Bounds.Excludes(value) })
		if i < 0 {
			return false
		}
		values, because = l.table.Checks[i].Bounds.Values, fmt.Sprintf("The table has CHECK (%s)", l.table.Checks[i].Text)
	}
	f := check.Finding{
		Span: n.Span(), Certainty: check.Likely, Why: because + ".",
		Message: fmt.Sprintf("%s takes no %s", c.Name, src),
		Mends:   []check.Mend{{Title: "write a value that it takes", Effect: check.ByHand}},
	}
	enumerated := c.Type.Values != nil
	switch {
	case enumerated && p.Dialect == dialect.Postgres:
		f.Certainty = check.Certain
	case !written:
		f.Message = fmt.Sprintf("no row has %s in %s", src, c.Name)
		f.Verdicts = check.Everywhere(check.Wrong)
		if enumerated {
			f.Verdicts = f.Verdicts.But(check.Refused, dialect.In(dialect.Postgres))
		}
	}
	if n.Lit != syntax.TextLiteral || !p.Affords() {
		p.Report(f)
		return true
	}
	if near := text.Nearest(strings.ToLower(value), values); near != "" {
		f.Mends = []check.Mend{{Title: "write '" + near + "'", Effect: check.NewRows, Edits: []text.Edit{check.Replace(n.Span(), "'"+near+"'")}}}
	}
	p.Report(f)
	return true
}

// inWords gives the first values of an enumeration.
func inWords(values []string) string {
	const most, longest = 6, 60
	var quoted []string
	for _, v := range values[:min(len(values), most)] {
		if len(v) > longest { // two values without a comma between them are one
			v = strings.ToValidUTF8(v[:longest], "") + "…"
		}
		quoted = append(quoted, "'"+v+"'")
	}
	if len(values) > most {
		return strings.Join(quoted, ", ") + " and others"
	}
	return check.List(quoted, "and")
}
