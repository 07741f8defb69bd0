package run

import (
	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Query is a query of a text, bound, and compiled where all of it is known.
type Query struct {
	*facts.Facts
	Stmt *syntax.Statement
	Node *syntax.Query
	Plan *Plan // nil where Err says why
	Err  error // an [Unknown], a [Refusal], or a [Damaged]
}

// Damaged is the error of a statement that cannot be read.
type Damaged struct{ Span text.Span }

func (d Damaged) Error() string { return "it cannot be read; justlens review tells why" }

// Read reads the queries of a text, in its order; statements that are none are passed over. The
// tables that the text makes add to those of the schema.
func Read(src []byte, d dialect.Dialect, v dialect.Version, s *schema.Schema) (queries []*Query) {
	tables := schema.New(s)
	if schema.SpeaksOfTables(src) {
		tables.Load(src, d)
	}
	names := syntax.NewNames()
	scout := syntax.NewParser(names)
	scout.ResetTo(src, d, v)
	for {
		stmt := scout.Next()
		if stmt == nil {
			return queries
		}
		if sel, ok := stmt.Node.(*syntax.SelectStmt); ok && sel.Query != nil {
			queries = append(queries, readOne(src, d, v, int(stmt.Span.Start), tables))
		}
	}
}

// readOne reads the statement that begins at a place, with names of its own: what is known of it
// stays.
func readOne(src []byte, d dialect.Dialect, v dialect.Version, at int, tables *schema.Schema) *Query {
	names := syntax.NewNames()
	parser := syntax.NewParser(names)
	parser.ResetAt(src, d, v, at)
	stmt := parser.Next()
	binder := bind.NewBinder(names)
	binder.Reset(src, d, tables)
	q := &Query{Facts: &facts.Facts{}, Stmt: stmt, Node: stmt.Node.(*syntax.SelectStmt).Query}
	q.Reset(binder.Bind(stmt))
	if len(stmt.Errors) > 0 {
		q.Err = Damaged{stmt.Errors[0].Span}
		return q
	}
	q.Plan, q.Err = Compile(q.Facts, stmt, q.Node)
	return q
}
