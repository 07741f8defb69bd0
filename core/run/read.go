package run

import (
	"bytes"
	"slices"

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
	Node *syntax.Query // nil of an UPDATE, DELETE or MERGE, whose rows are those that it would touch
	Plan *Plan         // nil where Err says why
	Err  error         // an [Unknown], a [Refusal], or a [Damaged]
}

// Damaged is the error of a statement that cannot be read.
type Damaged struct{ Span text.Span }

func (d Damaged) Error() string { return "it cannot be read; justlens review tells why" }

// Read gives the queries that [Each] reads.
func Read(src []byte, d dialect.Dialect, v dialect.Version, s *schema.Schema) []*Query {
	return slices.Collect(Each(src, d, v, s))
}

// Each reads the queries of a text, in its order, those that are stored and the rows that UPDATE, DELETE
// and MERGE would touch among them; other statements are passed over. The
// tables that the text makes add to those of the schema. What is known of a query stays for as long as it
// is in use.
func Each(src []byte, d dialect.Dialect, v dialect.Version, s *schema.Schema) func(yield func(*Query) bool) {
	return func(yield func(*Query) bool) {
		tables := WithTables(src, d, s)
		names := syntax.NewNames()
		scout := syntax.NewParser(names)
		scout.ResetTo(src, d, v)
		for stmt := scout.Next(); stmt != nil; stmt = scout.Next() {
			if queryOf(stmt.Node) == nil && !writes.Has(stmt.Node.Kind()) {
				continue
			}
			end := int(stmt.Span.End)
			if end < len(src) && src[end] == ';' {
				end++
			}
			if !yield(readAt(names, src[:end], d, v, int(stmt.Span.Start), tables, 0)) { // what follows would be scanned with it where no semicolon stands between
				return
			}
		}
	}
}

// WithTables gives a schema with the tables and views that a text makes.
func WithTables(src []byte, d dialect.Dialect, s *schema.Schema) *schema.Schema {
	tables := schema.New(s).For(d)
	if schema.SpeaksOfTables(src) || bytes.Contains(bytes.ToLower(src), []byte("view")) {
		tables.Load(src, d)
	}
	return tables
}

// ReadAt reads the query that begins at a place, in bytes from 0: what is known of it stays. It gives
// nil for a statement that has none.
func ReadAt(src []byte, d dialect.Dialect, v dialect.Version, at int, tables *schema.Schema) *Query {
	return readAt(syntax.NewNames(), src, d, v, at, tables, 0)
}

// viewQuery reads the query of a view that stands in so many others; nil for none.
func viewQuery(names *syntax.Names, text string, d dialect.Dialect, tables *schema.Schema, views int) *Query {
	if text == "" || views > deepestView {
		return nil
	}
	return readAt(names, []byte(text), d, 0, 0, tables, views)
}

func readAt(names *syntax.Names, src []byte, d dialect.Dialect, v dialect.Version, at int, tables *schema.Schema, views int) *Query {
	parser := syntax.NewParser(names)
	parser.ResetAt(src, d, v, at)
	stmt := parser.Next()
	if stmt == nil {
		return nil
	}
	node := queryOf(stmt.Node)
	touches := writes.Has(stmt.Node.Kind())
	if node == nil && !touches {
		return nil
	}
	binder := bind.NewBinder(names)
	binder.Reset(src, d, tables)
	q := &Query{Facts: &facts.Facts{}, Stmt: stmt, Node: node}
	q.Reset(binder.Bind(stmt))
	if len(stmt.Errors) > 0 {
		q.Err = Damaged{stmt.Errors[0].Span}
		return q
	}
	if touches {
		q.Plan, q.Err = CompileWrite(q.Facts, stmt)
	} else {
		q.Plan, q.Err = compile(q.Facts, stmt, func(c *compiler) *queryPlan {
			c.views = views
			return c.query(q.Node, nil)
		})
	}
	if q.Err == nil && q.Plan.Unknown != nil {
		q.Err = *q.Plan.Unknown
	}
	return q
}

// writes are the statements of which the rows that they would touch are worked out.
var writes = syntax.Kinds(syntax.KindUpdate, syntax.KindDelete, syntax.KindMerge)

// queryOf gives the query of a statement that is one, or that stores one.
func queryOf(n syntax.Stmt) *syntax.Query {
	switch n := n.(type) {
	case *syntax.SelectStmt:
		return n.Query
	case *syntax.Insert:
		if n.With == nil {
			return n.Query
		}
	case *syntax.CreateView:
		return n.Query
	case *syntax.CreateTable:
		return n.Query
	}
	return nil
}

// FewestApart gives the fewest of n columns, one or two, by which rows are told apart as apart tells; nil
// where none are. Of many columns the first twelve are looked at.
func FewestApart(n int, apart func(columns ...int) bool) []int {
	n = min(n, 12)
	for i := range n {
		if apart(i) {
			return []int{i}
		}
	}
	for i := range n {
		for k := range i {
			if apart(k, i) {
				return []int{k, i}
			}
		}
	}
	return nil
}
