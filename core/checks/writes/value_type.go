package writes

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var valueType = &check.Check{
	ID:     "write.value-type",
	Title:  "value of a type that its column does not take",
	Errors: []string{"42804", "ORA-00932", "1292", "1366", "Msg 206", "Msg 245"},
	Doc: "PostgreSQL stores a value of another type only where it has a cast for storing: a whole number becomes a decimal, and anything becomes text; text becomes no number, " +
		"and a number no date. SQL Server and Oracle keep numbers and dates apart, Spark texts and numbers as well. The other databases convert what can be converted.",
	Verdicts:  check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLServer, dialect.Oracle, dialect.Spark)),
	Elsewhere: "the value is converted where it can be, or the statement stops with an error",
	Needs:     check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "UPDATE hives SET frame_count = name WHERE hive_id = 1",
		Near: []string{
			"UPDATE hives SET name = frame_count, frame_count = 8.5 WHERE hive_id = 1",
			"UPDATE hives SET frame_count = '8', moved_on = NOW(), queen_id = NULL WHERE hive_id = 1",
			"UPDATE hives SET frame_count = CAST(name AS integer) WHERE hive_id = 901",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, joined_on, name FROM keepers",
		Good:    "INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, name, joined_on FROM keepers",
		Near:    []string{"INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, joined_on, joined_on FROM keepers"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) VALUES (900, 1, 20260601, 'thymol')",
		Good:    "INSERT INTO treatments (treatment_id, hive_id, treated_on, substance) VALUES (900, 1, '2026-06-01', 'thymol')",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "UPDATE hives SET moved_on = frame_count WHERE hive_id = 1",
		Near:    []string{"UPDATE hives SET moved_on = moved_on + 1, name = frame_count WHERE hive_id = 1"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "INSERT INTO keepers (keeper_id, name, joined_on) SELECT keeper_id + 900, name, keeper_id FROM keepers",
	}, {
		Dialect: dialect.Spark,
		Bad:     "UPDATE hives SET frame_count = name WHERE hive_id = 1",
	}},
	On: check.Kinds(runValueType, syntax.KindAssign, syntax.KindInsert, syntax.KindColumnDef).In(dialect.In(dialect.Postgres)).
		And(check.Kinds(runValueClass, syntax.KindAssign, syntax.KindInsert).In(dialect.In(dialect.SQLServer, dialect.Oracle, dialect.Spark))),
}

// runValueClass is runValueType for the databases whose types are known by their classes.
func runValueClass(p *check.Pass, n syntax.Node) {
	if !p.Tells(n) {
		return
	}
	switch n := n.(type) {
	case *syntax.Assign:
		if c := p.PlaceOf(n.Value).Column; c != nil {
			mustHold(p, n.Value, p.Type(n.Value).Class, c)
		}
	case *syntax.Insert:
		if n.Query == nil {
			return
		}
		targets := p.Targets(n)
		if values, ok := n.Query.Body.(*syntax.Values); ok {
			for _, row := range values.Rows {
				for i, x := range row.Items {
					if i < len(targets) && mustHold(p, x, p.Type(x).Class, targets[i]) {
						return
					}
				}
			}
			return
		}
		for i, c := range targets {
			t, x := p.OutputOf(n.Query.Body, i)
			var at syntax.Node = n.Query
			if x != nil {
				at = x
			}
			if mustHold(p, at, t.Class, c) {
				return
			}
		}
	}
}

// mustHold reports a value of a class that a column does not take.
func mustHold(p *check.Pass, at syntax.Node, from class.Class, c *schema.Column) bool {
	if c == nil || !p.Dialect.Meets(dialect.Store, from, c.Type.Class).Refused {
		return false
	}
	if x, ok := at.(syntax.Expr); ok {
		_, bare := p.DayWithoutQuotes(syntax.Unparen(x))
		if lit, ok := syntax.Unparen(x).(*syntax.Literal); bare || ok && lit.Lit == syntax.TextLiteral {
			return false // told as such
		}
	}
	p.Report(check.Finding{
		Span: at.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is %s, and %s is %s", c.Name, c.Type.Class.Noun(), p.Brief(at), from.Noun()),
		Why:     fmt.Sprintf("%s does not convert the value where it is stored.", p.Dialect.Title()),
		Mends:   []check.Mend{{Title: "convert the value, or give the columns in the order of the values", Effect: check.ByHand}},
	})
	return true
}

func runValueType(p *check.Pass, n syntax.Node) {
	if !p.Tells(n) {
		return
	}
	switch n := n.(type) {
	case *syntax.Assign:
		assignedTypes(p, n)
	case *syntax.Insert:
		insertedTypes(p, n)
	case *syntax.ColumnDef:
		for _, c := range n.Constraints {
			if c.Type == syntax.DefaultValue && c.X != nil && n.Type != nil {
				mustTake(p, c.X, p.Exact(c.X), p.PlaceOf(c.X).Column)
			}
		}
	}
}

func assignedTypes(p *check.Pass, n *syntax.Assign) {
	if b, ok := n.Value.(*syntax.Binary); ok && b.Op == syntax.OpAnd {
		return // another check explains it
	}
	row, ok := n.Value.(*syntax.Row)
	if !ok {
		assignedType(p, n.Value)
		return
	}
	for _, x := range row.Items {
		if assignedType(p, x) {
			return
		}
	}
}

func assignedType(p *check.Pass, x syntax.Expr) bool {
	t := p.Exact(x)
	if t == dialect.OpenType || t == dialect.UnknownType {
		return false
	}
	c := p.PlaceOf(x).Column
	return c != nil && mustTake(p, x, t, c)
}

func insertedTypes(p *check.Pass, n *syntax.Insert) {
	if n.Query == nil {
		return
	}
	if values, ok := n.Query.Body.(*syntax.Values); ok {
		insertedValues(p, p.Targets(n), values)
		return
	}
	width, ok := p.Width(n.Query.Body)
	targets := p.Targets(n)
	if !ok || width > len(targets) {
		return
	}
	for i := range width {
		t, x := p.ExactOutput(n.Query.Body, i)
		var at syntax.Node = n.Query
		if x != nil {
			at = x
		}
		if targets[i] != nil && mustTake(p, at, t, targets[i]) {
			return
		}
	}
}

func insertedValues(p *check.Pass, targets []*schema.Column, values *syntax.Values) {
	for i, c := range targets {
		if c == nil {
			continue
		}
		to := p.Declared(c.Type)
		for _, row := range values.Rows {
			if i >= len(row.Items) {
				break
			}
			if lit, ok := row.Items[i].(*syntax.Literal); ok && (lit.Lit == syntax.TextLiteral || lit.Lit == syntax.NumberLiteral && to.IsNumber()) {
				continue // most values of long lists
			}
			if mustTake(p, row.Items[i], p.Exact(row.Items[i]), c) {
				return
			}
		}
	}
}

// mustTake reports a value that a column does not take.
func mustTake(p *check.Pass, at syntax.Node, from dialect.TypeID, c *schema.Column) bool {
	to := p.Declared(c.Type)
	if p.Assigns(from, to) != dialect.None || c.Type.Values != nil {
		return false
	}
	if x, ok := at.(syntax.Expr); ok {
		if _, bare := p.DayWithoutQuotes(syntax.Unparen(x)); bare {
			return false // told as such
		}
	}
	f := check.Finding{
		Span: at.Span(), Certainty: check.Likely, // anyone may add a cast
		Message: fmt.Sprintf("%s takes values of type %s, and %s is of type %s", c.Name, p.TitleOf(to), p.Brief(at), p.TitleOf(from)),
		Why:     "There is no cast between them that is made where a value is stored.",
		Mends:   []check.Mend{{Title: "cast the value, or give the columns in the order of the values", Effect: check.ByHand}},
	}
	if iso, ok := facts.DayOfDigits(p.Text(at)); ok && to.IsDay() {
		f.Mends = []check.Mend{{Title: "write the day in quotes", Effect: check.NewRows, Edits: []text.Edit{check.Replace(at.Span(), p.Dialect.Day(iso))}}}
	}
	p.Report(f)
	return true
}
