package syntax

import "justlens/core/text"

// SelectStmt is a query as a statement.
//
// node: stmt
type SelectStmt struct {
	node
	Query *Query
}

// Insert is INSERT or REPLACE.
//
// node: stmt
type Insert struct {
	node
	With    *With
	Table   *TableRef
	Columns []Ident
	Query   *Query
	Set     []*Assign
	// Duplicate and OnConflict are the spans of these keywords behind ON, empty
	// where they are not written.
	Duplicate, OnConflict text.Span
	Conflict              []*Assign // what either of them sets
	Where                 *Where    // of DO UPDATE
	Returning             []*SelectItem
}

// Assign is one assignment of SET.
//
// node:
type Assign struct {
	node
	Target Expr
	Value  Expr
}

// Update is UPDATE.
//
// node: stmt
type Update struct {
	node
	With      *With
	Table     TableExpr
	Set       []*Assign
	From      *From
	Where     *Where
	OrderBy   *OrderBy
	Limit     *Limit
	Returning []*SelectItem
}

// Delete is DELETE; Targets are the tables named before FROM of the
// multi-table forms.
//
// node: stmt
type Delete struct {
	node
	With      *With
	Targets   []*TableRef
	From      *From
	Using     *From
	Where     *Where
	OrderBy   *OrderBy
	Limit     *Limit
	Returning []*SelectItem
}

// Merge is MERGE.
//
// node: stmt
type Merge struct {
	node
	With      *With
	Target    *TableRef
	Source    TableExpr
	On        Expr
	Branches  []*MergeBranch
	Returning []*SelectItem
}

// MergeBranch is what MERGE does with one kind of rows: Matched tells those
// with a partner from those of one side only, BySource those of the target's.
//
// node:
type MergeBranch struct {
	node
	Matched, BySource, Delete bool

	Cond    Expr // behind WHEN … AND, or WHERE
	Set     []*Assign
	Columns []Ident
	Values  *Row
}

// CreateTable is CREATE TABLE.
//
// node: stmt
type CreateTable struct {
	node
	Temporary   bool
	IfNotExists bool
	Name        []Ident
	Columns     []*ColumnDef
	Constraints []*Constraint
	Query       *Query
}

// ColumnDef is a column of CREATE TABLE.
//
// node:
type ColumnDef struct {
	node
	Name        Ident
	Type        *TypeName
	NotNull     bool
	Constraints []*Constraint
}

// ConstraintKind tells constraints apart.
type ConstraintKind uint8

const (
	PrimaryKey ConstraintKind = iota
	UniqueKey
	ForeignKey
	CheckKey
	DefaultValue
	GeneratedAs
	IndexKey
	OtherConstraint
)

// Constraint is a constraint of a column or a table.
//
// node:
type Constraint struct {
	node
	Type       ConstraintKind
	Name       Ident
	Columns    []*OrderItem
	Table      []Ident // the table referred to
	References []Ident // its columns
	X          Expr
}

// CreateView is CREATE VIEW.
//
// node: stmt
type CreateView struct {
	node
	Name    []Ident
	Columns []Ident
	Query   *Query
}

// CreateIndex is CREATE INDEX.
//
// node: stmt
type CreateIndex struct {
	node
	Unique bool
	Name   []Ident
	Table  []Ident
	Method Ident
	Items  []*OrderItem
	Where  *Where
}

// OtherStmt is a statement that is passed over; Keyword is its first word.
//
// node: stmt
type OtherStmt struct {
	node
	Keyword text.Span
}

// BadStmt is a statement that could not be read.
//
// node: stmt
type BadStmt struct {
	node
}

// Routine is CREATE FUNCTION, PROCEDURE, TRIGGER, EVENT or PACKAGE with the
// statements of its body, as far as they are text of its own language.
//
// node: stmt
type Routine struct {
	node
	Body []Stmt
}

// Control is a statement of a routine's or script's own language: BEGIN … END,
// IF, CASE, loops, RETURN, SET, DECLARE and assignments.
//
// node: stmt
type Control struct {
	node
	Exprs []Expr
	Stmts []Stmt
}
