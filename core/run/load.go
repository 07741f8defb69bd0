package run

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Misfit is the error of rows that do not fit their tables.
type Misfit struct {
	Span    text.Span // in bytes of the text of INSERTs, empty for rows of other sources
	Message string
}

func (m Misfit) Error() string { return m.Message }

// Parse reads a value of a column from text, as CSV and databases write it.
func Parse(s string, t schema.Type, d dialect.Dialect) (v Value, err error) {
	defer func() {
		switch e := recover().(type) {
		case nil:
		case Unknown, Refusal:
			err = Misfit{Message: fmt.Sprintf("%q is not %s", s, expected(t))}
		default:
			panic(e)
		}
	}()
	r := rulesOf(d)
	switch {
	case t.Class.IsNumber():
		if _, ok := parseNumber(s); !ok {
			return v, Misfit{Message: fmt.Sprintf("%q is not %s", s, expected(t))}
		}
	case t.Class == class.Date, t.Class == class.Timestamp, t.Class == class.TimestampTZ:
		m, ok := isoMoment(strings.TrimSuffix(strings.TrimSuffix(s, "+00"), "Z"))
		if !ok {
			return v, Misfit{Message: fmt.Sprintf("%q is not %s", s, expected(t))}
		}
		if t.Class == class.TimestampTZ {
			t.Class = class.Timestamp
		}
		return r.held(r.toDay(m, t.Class), t), nil
	case t.Class == class.Boolean, t.Class == class.Time:
	default:
		return r.text(s), nil
	}
	return r.held(OfText(s), t), nil
}

// expected says what a column takes.
func expected(t schema.Type) string {
	if noun := t.Class.Noun(); noun != "" {
		return noun
	}
	return "a value of " + cmpName(t)
}

// Inserts works the INSERT statements of a text out, and gives the rows that they make. Statements
// that are none are passed over. The error is a [Misfit].
func Inserts(src []byte, d dialect.Dialect, v dialect.Version, tables *schema.Schema) (data Database, err error) {
	data = Database{}
	names := syntax.NewNames()
	parser := syntax.NewParser(names)
	parser.ResetTo(src, d, v)
	binder := bind.NewBinder(names)
	binder.Reset(src, d, tables)
	for {
		stmt := parser.Next()
		if stmt == nil {
			return data, nil
		}
		n, ok := stmt.Node.(*syntax.Insert)
		if !ok {
			continue
		}
		if len(stmt.Errors) > 0 {
			return nil, Misfit{stmt.Errors[0].Span, "it cannot be read"}
		}
		in := &facts.Facts{}
		in.Reset(binder.Bind(stmt))
		if err := insert(in, stmt, n, tables, data); err != nil {
			return nil, err
		}
	}
}

// insert adds the rows of one statement.
func insert(in *facts.Facts, stmt *syntax.Statement, n *syntax.Insert, tables *schema.Schema, data Database) error {
	name := n.Table.Name
	qualifier := ""
	if len(name) > 1 {
		qualifier = in.Names.String(name[len(name)-2].Sym)
	}
	t := tables.Table(qualifier, in.Names.String(name[len(name)-1].Sym))
	if t == nil {
		return Misfit{n.Table.Span(), "nothing is known of this table"}
	}
	if n.Query == nil {
		return Misfit{n.Span(), "only INSERT of rows is worked out"}
	}
	var columns []int
	for _, id := range n.Columns {
		c := t.Column(in.Names.String(id.Sym))
		if c < 0 {
			return Misfit{id.Span, t.Name + " has no such column"}
		}
		columns = append(columns, c)
	}
	if len(n.Columns) == 0 {
		for i := range t.Columns {
			columns = append(columns, i)
		}
	}
	plan, err := Compile(in, stmt, n.Query)
	var result *Result
	if err == nil {
		result, err = plan.Run(data, Limits{})
	}
	if err != nil {
		span, ok := SpanOf(err)
		if !ok {
			span = n.Query.Span()
		}
		return Misfit{span, err.Error()}
	}
	for _, row := range result.Rows {
		if len(row) != len(columns) {
			return Misfit{n.Query.Span(), fmt.Sprintf("%d values for %d columns of %s", len(row), len(columns), t.Name)}
		}
		values := make([]Value, len(t.Columns))
		for i, v := range row {
			made, err := taken(v, t.Columns[columns[i]], in.Dialect)
			if err != nil {
				return Misfit{n.Query.Span(), t.Columns[columns[i]].Name + ": " + err.Error()}
			}
			values[columns[i]] = made
		}
		for i, c := range t.Columns {
			if c.Default != "" && !slices.Contains(columns, i) && !strings.EqualFold(c.Default, "NULL") {
				return Misfit{n.Query.Span(), "the default of " + c.Name + " is not worked out; give its value"}
			}
			if values[i].IsNull() && t.IsRequired(i, in.Dialect) && t.Columns[i].Default == "" && !t.Columns[i].Identity && t.Columns[i].Generated == "" {
				return Misfit{n.Query.Span(), "a row of " + t.Name + " has no " + t.Columns[i].Name + ", which is required"}
			}
		}
		data[t] = append(data[t], values)
	}
	return nil
}

// taken gives what a column keeps of a value.
func taken(v Value, c schema.Column, d dialect.Dialect) (Value, error) {
	if v.IsNull() {
		return v, nil
	}
	return Parse(v.String(), c.Type, d)
}
