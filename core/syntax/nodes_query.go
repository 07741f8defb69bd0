package syntax

import "justlens/core/text"

// Query is a whole query expression: WITH, a body, and what applies to the
// whole result.
//
// node:
type Query struct {
	node
	With    *With
	Body    Body
	OrderBy *OrderBy
	Limit   *Limit
	// Lock is the span of FOR UPDATE and its kin, empty without; LockOf are the tables that it names.
	Lock   text.Span
	LockOf []Ident
	// Procedure is the span of MySQL's PROCEDURE ANALYSE, empty without it.
	Procedure text.Span
}

// With is the WITH clause.
//
// node:
type With struct {
	node
	Recursive bool
	CTEs      []*CTE
}

// CTE is one common table expression. Stmt is set instead of Query where it
// changes data.
//
// node:
type CTE struct {
	node
	Extended bool // SEARCH or CYCLE adds columns
	Name     Ident
	Columns  []Ident
	Query    *Query
	Stmt     Stmt
}

// Select is SELECT with its clauses up to QUALIFY.
//
// node: body
type Select struct {
	node
	Distinct   bool
	IntoMany   bool // BULK COLLECT: all rows go into collections
	IntoStrict bool // PL/pgSQL's STRICT: other than one row is an error
	Reshaped   bool // CONNECT BY or MODEL makes other rows of those of FROM
	DistinctOn []Expr
	Top        *Limit
	Items      []*SelectItem
	IntoSpan   text.Span // the keyword, empty without INTO
	Into       []Expr
	From       *From
	Where      *Where
	GroupBy    *GroupBy
	Having     *Having
	Windows    []*Window
	Qualify    *Qualify
}

// SelectItem is one output column. As tells whether AS is written.
//
// node:
type SelectItem struct {
	node
	As    bool
	X     Expr
	Alias Ident
}

// From is the FROM clause; Tables are those between its commas.
//
// node:
type From struct {
	node
	Tables []TableExpr
}

// Where is the WHERE clause.
//
// node:
type Where struct {
	node
	Cond Expr
}

// GroupBy is the GROUP BY clause.
//
// node:
type GroupBy struct {
	node
	Sets  bool // GROUPING SETS, ROLLUP or CUBE in any spelling
	All   bool
	Items []Expr
}

// GroupingSet is ROLLUP (…), CUBE (…), GROUPING SETS (…).
//
// node: expr
type GroupingSet struct {
	node
	Items []Expr
}

// Having is the HAVING clause.
//
// node:
type Having struct {
	node
	Cond Expr
}

// Qualify is the QUALIFY clause.
//
// node:
type Qualify struct {
	node
	Cond Expr
}

// OrderBy is the ORDER BY clause.
//
// node:
type OrderBy struct {
	node
	Items []*OrderItem
}

// OrderItem is one sort key.
//
// node:
type OrderItem struct {
	node
	Desc  bool
	Nulls bool // NULLS FIRST or LAST is written
	X     Expr
}

// Limit is LIMIT, OFFSET, FETCH or TOP; what is not written is nil. ByLimit
// tells that the word LIMIT is written.
//
// node:
type Limit struct {
	node
	ByLimit       bool
	Loose         bool // PERCENT or WITH TIES is written: Count is not the number of rows
	One           bool // FETCH FIRST ROW: one row, and no count is written
	Count, Offset Expr
}

// Counts reports whether a limit says how many rows are taken; nil says nothing.
func (l *Limit) Counts() bool { return l != nil && (l.Count != nil || l.One) }

// SetOp is UNION, INTERSECT or EXCEPT.
//
// node: body
type SetOp struct {
	node
	Op     SetOperator
	All    bool
	Minus  bool // EXCEPT is written so
	OpSpan text.Span
	Left   Body
	Right  Body
}

// SetOperator tells the set operations apart.
type SetOperator uint8

const (
	Union SetOperator = iota
	Intersect
	Except
)

// Values is VALUES (…), (…).
//
// node: body
type Values struct {
	node
	Rows []*Row
}

// TableBody is TABLE t.
//
// node: body
type TableBody struct {
	node
	Table *TableRef
}

// ParenQuery is a query in parentheses as a branch.
//
// node: body
type ParenQuery struct {
	node
	Query *Query
}

// BadBody stands for what could not be read.
//
// node: body
type BadBody struct {
	node
}

// TableRef is a table, view or CTE by name.
//
// node: table
type TableRef struct {
	node
	As            bool
	History       bool // rows of several times are read
	ByTransaction bool
	// Unnamed marks what is written to but no table that a schema could have: a folder, or a
	// query. Name is then a name that no text can write.
	Unnamed bool
	Name    []Ident
	Alias   Ident
	Columns []Ident
	// Times are the points of time, or with ByTransaction the numbers of transactions, of
	// which they are read.
	Times []Expr
}

// Derived is a subquery in FROM.
//
// node: table
type Derived struct {
	node
	Lateral bool
	As      bool
	Query   *Query
	Alias   Ident
	Columns []Ident
}

// FuncTable is a function in FROM.
//
// node: table
type FuncTable struct {
	node
	Lateral    bool
	Ordinality bool // a last column numbers the rows
	Typed      bool // Columns are all of them, each with its type
	As         bool
	Calls      []Expr
	Alias      Ident
	Columns    []Ident
}

// JoinType tells joins apart.
type JoinType uint8

const (
	InnerJoin JoinType = iota
	LeftJoin
	RightJoin
	FullJoin
	CrossJoin
	SemiJoin
	AntiJoin
	CrossApply
	OuterApply
)

// Join is a join of two tables.
//
// node: table
type Join struct {
	node
	Type        JoinType
	Natural     bool
	OpSpan      text.Span // from the first to the last keyword of the join
	Left, Right TableExpr
	On          Expr
	Using       []Ident
	Alias       Ident // of the columns of USING, in PostgreSQL
}

// ParenTable is a table expression in parentheses.
//
// node: table
type ParenTable struct {
	node
	Table TableExpr
	Alias Ident
}

// BadTable stands for what could not be read.
//
// node: table
type BadTable struct {
	node
}

// Select gives the SELECT that a query is, parentheses round it left aside; nil if it is none.
func (q *Query) Select() *Select {
	for {
		switch b := q.Body.(type) {
		case *Select:
			return b
		case *ParenQuery:
			if q.With != nil || q.OrderBy != nil || q.Limit != nil {
				return nil
			}
			q = b.Query
		default:
			return nil
		}
	}
}

// InOrder reports whether FROM, WHERE, GROUP BY and HAVING stand in this order, as
// far as they are written. Where they do not, no clause can be put behind another.
func (s *Select) InOrder() bool {
	at := s.span.Start
	for _, clause := range [...]struct {
		node    Node
		written bool
	}{{s.From, s.From != nil}, {s.Where, s.Where != nil}, {s.GroupBy, s.GroupBy != nil}, {s.Having, s.Having != nil}} {
		if !clause.written {
			continue
		}
		if clause.node.Span().Start < at {
			return false
		}
		at = clause.node.Span().Start
	}
	return true
}
