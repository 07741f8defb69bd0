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
	// Overriding tells that OVERRIDING SYSTEM VALUE, or USER VALUE, is written.
	Overriding bool
	Query      *Query
	Set        []*Assign
	// Duplicate and OnConflict are the spans of these keywords behind ON, empty
	// where they are not written.
	Duplicate, OnConflict text.Span
	Conflict              []*Assign // what either of them sets
	RowAlias              Ident     // of the row to insert, which MySQL's ON DUPLICATE KEY may name
	RowColumns            []Ident   // its columns, where they are renamed
	ConflictColumns       []Ident   // of ON CONFLICT (…), nil where more than names stand there
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
	Inherits    bool      // further columns are those of PostgreSQL's parent tables
	Parents     [][]Ident // these
	IfNotExists bool
	Name        []Ident
	PartitionOf []Ident // the table of which it is a part, in PostgreSQL
	Like        []Ident // the table that is copied
	// Including are the words behind INCLUDING: what of that table comes along.
	Including   []Ident
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
	Hidden      bool // INVISIBLE, HIDDEN, or a bound of a period, which the database fills
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
	GeneratedAs // from X
	IndexKey
	OtherConstraint
	IdentityValue // numbered by the database
	ColumnCollation
	ColumnComment // X is the text
	NullAllowed
)

// Constraint is a constraint of a column or a table.
//
// node:
type Constraint struct {
	node
	Type       ConstraintKind
	Name       Ident
	Columns    []*OrderItem
	Table      []Ident // the table referred to, or the collation
	References []Ident // its columns
	X          Expr
	// OnDelete and OnUpdate are the spans of what follows these words, empty
	// where they are not written.
	OnDelete, OnUpdate text.Span
	// Kept tells that a generated column is stored, that an identity takes no other value, that
	// rows need not meet a CHECK, and of a full text or other special index that it is one.
	Kept bool
}

// AlterKind tells the actions of ALTER TABLE apart.
type AlterKind uint8

const (
	AddColumn AlterKind = iota
	AddConstraint
	DropColumn
	DropConstraint // or key, or index
	DropPrimaryKey
	SetType
	SetNotNull
	DropNotNull
	SetDefault
	DropDefault
	NumberAlways    // the database numbers the rows
	NumberByDefault // and so it does where no value is given
	DropIdentity
	DropExpression // of a generated column
	RenameColumn
	RenameConstraint
	RenameTable
	PartitionToTable // makes a table of a partition
	TableToPartition // and a partition of a table
	InheritTable     // takes the table To, of the schema Name, for a parent
	AttachPartition  // makes another table a part of it
	ChangeColumn     // a whole new definition, of MODIFY and CHANGE
	ModifyColumn     // what of a definition is to be another
	OtherAction
)

// AlterTable is ALTER TABLE, and RENAME TABLE of one table.
//
// node: stmt
type AlterTable struct {
	node
	IfExists bool
	Name     []Ident
	Actions  []*AlterAction
}

// AlterAction is one action of ALTER TABLE on what is called Name; To is its
// new name.
//
// node:
type AlterAction struct {
	node
	Action     AlterKind
	Name, To   Ident
	IfExists   bool  // IF EXISTS, or IF NOT EXISTS of ADD
	First      bool  // the column is to be the first
	After      Ident // or to stand behind this one
	Column     *ColumnDef
	Constraint *Constraint
	Type       *TypeName
	X          Expr
}

// Drop is DROP of tables, views, indexes, types and more; What is the kind of
// thing, in its bare keyword.
//
// node: stmt
type Drop struct {
	node
	What     Ident
	IfExists bool
	Tables   []*TableRef
	On       []Ident // the table of MySQL's DROP INDEX
}

// CreateType is CREATE TYPE … AS ENUM or CREATE DOMAIN.
//
// node: stmt
type CreateType struct {
	node
	Name    []Ident
	Values  []Expr    // of an enumeration
	Type    *TypeName // of a domain
	NotNull bool
	Check   Expr
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
	// Special is FULLTEXT or SPATIAL.
	Special     bool
	IfNotExists bool

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
	Keyword  text.Span // FUNCTION, PROCEDURE and the like; empty for a body without a name
	Name     []Ident
	Declared []Ident // parameters and variables that a column may share its name with
	Variable bool    // where one does, the name means the variable (#variable_conflict of PL/pgSQL)
	Fires    Fires
	Body     []Stmt
}

// Fires tells when a trigger fires, and on which table; it is empty for other routines.
type Fires struct {
	After, Insert, Update, Delete bool
	Table                         []Ident
}

// Control is a statement of a routine's or script's own language: BEGIN … END,
// IF, CASE, loops, RETURN, SET, DECLARE and assignments.
//
// node: stmt
type Control struct {
	node
	// Block tells of one that stands alone, as a routine without a name.
	Block bool
	Exprs []Expr
	Stmts []Stmt
}
