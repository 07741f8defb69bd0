package syntax

import (
	"bytes"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// alterTable reads ALTER TABLE; actions that change nothing of what a schema
// holds are passed over.
func (p *Parser) alterTable() Stmt {
	start := p.start()
	n := p.slabs.alterTables.New()
	for !p.at(word.Table) {
		p.next()
	}
	p.next()
	n.IfExists = p.ifExists()
	p.acceptOnly()
	n.Name = p.path("a table")
	p.acceptKind(Asterisk)
	unchecked := false
	if p.at(word.With) { // SQL Server's WITH CHECK ADD …
		p.next()
		unchecked = p.at(word.Nocheck)
		p.next()
	}
	mark := p.lists.actions.Mark()
	for last := OtherAction; !p.atEnd() && !p.startsAnother(); {
		last = p.alterAction(last)
		if !p.acceptKind(Comma) {
			break
		}
	}
	for !p.atEnd() && !p.atNext() { // options of the whole table
		p.skipOne()
	}
	n.Actions = p.lists.actions.Take(mark)
	for _, action := range n.Actions {
		if unchecked && action.Constraint != nil && action.Constraint.Type == CheckKey {
			action.Constraint.Kept = true
		}
	}
	n.node = p.node(start)
	return n
}

// ifExists reads IF EXISTS and IF NOT EXISTS.
func (p *Parser) ifExists() bool {
	if !p.at(word.If) || p.isNameIf() {
		return false
	}
	p.next()
	p.accept(word.Not)
	p.expect(word.Exists)
	return true
}

// alterAction reads one action onto the stack of actions; several where columns are added in
// parentheses. On SQL Server what stands behind a comma goes on with the action before it.
func (p *Parser) alterAction(before AlterKind) AlterKind {
	start := p.start()
	a := p.slabs.alterActions.New()
	a.Action = OtherAction
	if p.dialect != dialect.SQLServer {
		before = OtherAction
	}
	switch {
	case p.accept(word.Add), before == AddColumn, before == AddConstraint, before == SetDefault:
		if p.alterAdd(a) {
			return OtherAction
		}
	case before == DropColumn, before == DropConstraint:
		column := p.at(word.Column)
		p.alterDrop(a)
		if a.Action == DropColumn && !column {
			a.Action = before
		}
	case p.at(word.Set) && p.peek(1).Word() == word.Unused: // of Oracle
		p.next()
		p.next()
		if p.dropColumns(a) {
			return OtherAction
		}
	case p.atAny(word.Drop) && (p.peek(1).Word() != word.Partition || p.dialect == dialect.SQLite):
		if p.next(); p.tok.Kind == LeftParen && p.dropColumns(a) { // of Oracle
			return OtherAction
		}
		p.alterDrop(a)
	case p.accept(word.Rename):
		p.alterRename(a)
	case p.at(word.Convert) && (p.peek(1).Word() == word.Partition || p.peek(1).Word() == word.Table):
		p.alterConvert(a)
	case p.atAny(word.Modify, word.Change):
		if p.alterChange(a) {
			return OtherAction
		}
	case p.says(0, "attach") && p.peek(1).Word() == word.Partition:
		a.Action = AttachPartition
	case p.at(word.Inherit) && p.dialect.Has(dialect.DollarQuotes):
		p.next()
		a.Action = InheritTable
		if path := p.path("a table"); len(path) > 0 {
			a.To = path[len(path)-1]
			if len(path) > 1 {
				a.Name = path[len(path)-2]
			}
		}
	case p.at(word.Alter) && p.altersColumn():
		p.next()
		p.alterColumn(a)
	}
	if a.Action == OtherAction || !p.goesOn() {
		p.skipAction()
	}
	a.node = p.node(start)
	p.lists.actions.Push(a)
	return a.Action
}

// altersColumn tells ALTER [COLUMN] from ALTER INDEX and ALTER CONSTRAINT.
func (p *Parser) altersColumn() bool {
	switch p.peek(1).Word() {
	case word.Constraint:
		return false
	case word.Check:
		return !p.dialect.Has(dialect.ExecutedComments)
	case word.Index, word.Key:
		return p.peek(2).Word() == word.Set || p.peek(2).Word() == word.Drop || p.peek(2).Word() == word.Type
	}
	return true
}

// skipAction passes over what an action ends with.
func (p *Parser) skipAction() {
	for begun := p.i; p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() && !p.startsAnother() && (p.i == begun || !p.goesOn()); {
		p.skipOne()
	}
}

// addsNoColumn reports whether ADD goes on with something that a schema does not hold.
func (p *Parser) addsNoColumn() bool {
	switch next := p.peek(1); p.word {
	case word.Partition:
		return p.dialect != dialect.Postgres && p.dialect != dialect.SQLite
	case word.Period:
		return next.Word() == word.For
	case word.System:
		return p.says(1, "versioning")
	case word.Supplemental:
		return p.says(1, "log")
	}
	return false
}

// alterAdd reads what ADD adds. It reports whether it pushed the actions itself.
func (p *Parser) alterAdd(a *AlterAction) bool {
	if p.addsNoColumn() {
		return false
	}
	if p.at(word.Default) || p.at(word.Constraint) && p.peek(2).Word() == word.Default { // of SQL Server
		if p.accept(word.Constraint) {
			p.ident("a name for the default")
		}
		p.next()
		a.Action, a.X = SetDefault, p.expr()
		p.expect(word.For)
		a.Name = p.ident("a column")
		return false
	}
	if p.startsConstraint() {
		a.Action, a.Constraint = AddConstraint, p.constraint()
		a.Name = a.Constraint.Name
		return false
	}
	p.accept(word.Column)
	a.IfExists = p.ifExists()
	if p.tok.Kind == LeftParen { // of MySQL and Oracle
		p.alterList(func(each *AlterAction) {
			if p.startsConstraint() {
				each.Action, each.Constraint = AddConstraint, p.constraint()
				return
			}
			each.Action, each.Column = AddColumn, p.columnDef(true)
			each.Name = each.Column.Name
		})
		return true
	}
	a.Action, a.Column = AddColumn, p.columnDef(false)
	a.Name = a.Column.Name
	p.position(a)
	return false
}

// position reads FIRST, or AFTER a column.
func (p *Parser) position(a *AlterAction) {
	if p.startsPosition() {
		if a.First = p.accept(word.First); !a.First {
			p.next()
			a.After = p.ident("a column")
		}
	}
}

// alterList reads what stands in parentheses behind a word, an action each.
func (p *Parser) alterList(read func(*AlterAction)) {
	p.next()
	for !p.broken && p.tok.Kind != RightParen {
		start := p.start()
		each := p.slabs.alterActions.New()
		read(each)
		p.skipElement()
		each.node = p.node(start)
		p.lists.actions.Push(each)
		if !p.acceptKind(Comma) {
			break
		}
	}
	p.expectKind(RightParen, ") or a comma")
}

// alterConvert reads MariaDB's CONVERT PARTITION p TO TABLE t, and CONVERT TABLE t TO ….
func (p *Parser) alterConvert(a *AlterAction) {
	p.next()
	a.Action = TableToPartition
	if p.at(word.Partition) {
		a.Action = PartitionToTable
		p.next()
		p.ident("a partition")
		p.expect(word.To)
	}
	p.expect(word.Table)
	to := p.path("a table")
	a.To = to[len(to)-1]
}

func (p *Parser) alterDrop(a *AlterAction) {
	switch {
	case p.at(word.Primary) && p.peek(1).Word() == word.Key:
		a.Action = DropPrimaryKey
		return
	case p.atAny(word.Constraint, word.Check, word.Key, word.Index) && !p.endsDrop():
		a.Action = DropConstraint
		p.next()
	case p.at(word.Foreign) && p.peek(1).Word() == word.Key:
		a.Action = DropConstraint
		p.next()
		p.next()
	case p.atAny(word.System, word.Period, word.Expression, word.Identity) && !p.endsDrop():
		return
	default:
		a.Action = DropColumn
		p.accept(word.Column)
	}
	a.IfExists = p.ifExists()
	a.Name = p.ident("a name")
}

// endsDrop reports whether the word at hand is the last of what DROP drops.
func (p *Parser) endsDrop() bool {
	switch next := p.peek(1); next.Kind {
	case Comma, EOF, Semicolon:
		return true
	default:
		return next.Word() == word.Cascade || next.Word() == word.Restrict
	}
}

// dropColumns reads a column, or columns in parentheses, and tells which.
func (p *Parser) dropColumns(a *AlterAction) (several bool) {
	p.accept(word.Column)
	drop := func(each *AlterAction) { each.Action, each.Name = DropColumn, p.ident("a column") }
	if several = p.tok.Kind == LeftParen; several {
		p.alterList(drop)
	} else {
		drop(a)
	}
	return several
}

func (p *Parser) alterRename(a *AlterAction) {
	switch {
	case p.at(word.To), p.at(word.As):
		p.next()
		a.Action = RenameTable
		to := p.path("a new name")
		a.To = to[len(to)-1]
		return
	case p.atAny(word.Constraint, word.Index, word.Key) && p.peek(1).Word() != word.To:
		a.Action = RenameConstraint
		p.next()
	case p.at(word.Column):
		p.next()
		a.Action = RenameColumn
	case p.peek(1).Word() == word.To:
		a.Action = RenameColumn
	default: // MySQL takes RENAME name
		a.Action = RenameTable
		p.acceptKind(Equal)
		to := p.path("a new name")
		a.To = to[len(to)-1]
		return
	}
	a.IfExists = p.ifExists()
	a.Name = p.ident("a name")
	p.expect(word.To)
	a.To = p.ident("a new name")
}

// alterChange reads MODIFY [COLUMN] definition and CHANGE [COLUMN] name definition, and tells
// whether it read several in parentheses. Of Oracle's what is not written stays as it is.
func (p *Parser) alterChange(a *AlterAction) (several bool) {
	change := p.at(word.Change)
	p.next()
	if p.at(word.Partition) || p.dialect == dialect.Oracle && (p.atAny(word.Constraint, word.Primary, word.Unique, word.Default) && p.peek(1).Kind != LeftParen || p.at(word.Lob) && p.peek(1).Kind == LeftParen) {
		return false
	}
	action := ChangeColumn
	if p.dialect == dialect.Oracle {
		action = ModifyColumn
	}
	modify := func(each *AlterAction) {
		each.Action, each.Column = action, p.columnDef(true)
		each.Name = each.Column.Name
	}
	if p.tok.Kind == LeftParen {
		if action == ModifyColumn {
			p.alterList(modify)
		}
		return action == ModifyColumn
	}
	p.accept(word.Column)
	a.IfExists = p.ifExists()
	var old Ident
	if change {
		old = p.ident("a column")
	}
	if modify(a); change {
		a.Name = old
	}
	p.position(a)
	return false
}

// alterColumn reads ALTER [COLUMN] name action.
func (p *Parser) alterColumn(a *AlterAction) {
	p.accept(word.Column)
	a.IfExists = p.ifExists()
	a.Name = p.ident("a column")
	switch {
	case p.at(word.Set) && p.peek(1).Word() == word.Not:
		a.Action = SetNotNull
	case p.at(word.Drop) && p.peek(1).Word() == word.Not:
		a.Action = DropNotNull
	case p.at(word.Set) && p.peek(1).Word() == word.Default:
		p.next()
		p.next()
		a.Action, a.X = SetDefault, p.expr()
	case p.at(word.Drop) && p.peek(1).Word() == word.Default:
		a.Action = DropDefault
	case p.at(word.Drop) && p.peek(1).Word() == word.Identity:
		a.Action = DropIdentity
	case p.at(word.Drop) && p.peek(1).Word() == word.Expression:
		a.Action = DropExpression
	case p.atAny(word.Add, word.Set) && p.peek(1).Word() == word.Generated:
		if a.Action = NumberByDefault; p.peek(2).Word() == word.Always {
			a.Action = NumberAlways
		}
	case p.at(word.Type), p.at(word.Set) && p.peek(1).Word() == word.Data:
		for p.atAny(word.Set, word.Data, word.Type) {
			p.next()
		}
		a.Action, a.Type = SetType, p.typeName()
	case p.tok.Kind == WordToken && !p.atAny(word.Set, word.Drop, word.Add, word.Reset, word.Restart) && !p.says(0, "options"): // SQL Server
		a.Action, a.Type = DropNotNull, p.typeName() // unless it says otherwise
		if p.accept(word.Collate) {
			p.next()
		}
		if p.at(word.Not) {
			a.Action = SetNotNull
		}
	}
}

// drop reads DROP TABLE, VIEW, INDEX, TYPE, DOMAIN and their kin.
func (p *Parser) drop() Stmt {
	start := p.start()
	n := p.slabs.drops.New()
	p.next()
	for p.atAny(word.Temporary, word.Materialized, word.Foreign) {
		p.next()
	}
	n.What = Ident{Span: p.tok.Span, Sym: p.tok.Sym}
	p.next()
	if p.at(word.Concurrently) && !p.endsDrop() {
		p.next()
	}
	n.IfExists = p.ifExists()
	mark := p.lists.refs.Mark()
	p.commaList(func() { p.lists.refs.Push(p.tableName()) })
	n.Tables = p.lists.refs.Take(mark)
	if p.accept(word.On) {
		n.On = p.path("a table")
	}
	for !p.atEnd() && !p.atNext() {
		p.skipOne()
	}
	n.node = p.node(start)
	return n
}

// renameTables reads RENAME TABLE a TO b, c TO d.
func (p *Parser) renameTables() Stmt {
	start := p.start()
	p.next()
	p.next()
	exists := p.ifExists()
	mark := p.lists.stmts.Mark()
	p.commaList(func() { p.lists.stmts.Push(p.renameTable(exists)) })
	stmts := p.lists.stmts.Take(mark)
	if len(stmts) == 1 {
		one := stmts[0].(*AlterTable)
		one.node.span.Start = start
		return one
	}
	c := p.slabs.controls.Next()
	*c = Control{node: p.node(start), Stmts: stmts}
	return c
}

// renameTable reads one pair of RENAME TABLE.
func (p *Parser) renameTable(ifExists bool) *AlterTable {
	start := p.start()
	n := p.slabs.alterTables.New()
	n.IfExists = ifExists
	n.Name = p.path("a table")
	if p.atAny(word.Wait, word.Nowait) {
		for !p.at(word.To) && !p.atEnd() {
			p.next()
		}
	}
	a := p.slabs.alterActions.New()
	actionStart := p.start()
	p.expect(word.To)
	to := p.path("a new name")
	a.Action, a.To = RenameTable, to[len(to)-1]
	a.node = p.node(actionStart)
	mark := p.lists.actions.Mark()
	p.lists.actions.Push(a)
	n.Actions = p.lists.actions.Take(mark)
	n.node = p.node(start)
	return n
}

// createType reads CREATE TYPE … AS ENUM (…) and CREATE DOMAIN; other types are
// passed over.
func (p *Parser) createType() Stmt {
	start := p.start()
	n := p.slabs.createTypes.New()
	for !p.atAny(word.Type, word.Domain) {
		p.next()
	}
	isDomain := p.at(word.Domain)
	p.next()
	n.Name = p.path("a name")
	p.accept(word.As)
	switch {
	case p.at(word.Enum) && p.peek(1).Kind == LeftParen:
		p.next()
		p.next()
		if p.tok.Kind != RightParen {
			n.Values = p.exprList()
		}
		p.expectKind(RightParen, ") or a comma")
	case isDomain:
		n.Type = p.typeName()
	}
	for !p.atEnd() && !p.atNext() {
		switch {
		case p.at(word.Not) && p.peek(1).Word() == word.Null:
			n.NotNull = true
			p.next()
			p.next()
		case isDomain && p.at(word.Check) && p.peek(1).Kind == LeftParen:
			p.next()
			p.next()
			n.Check = p.expr()
			p.expectKind(RightParen, ")")
		default:
			p.skipOne()
		}
	}
	n.node = p.node(start)
	return n
}

// renamedByProcedure reads EXEC sp_rename 'table', 'name' and 'table.column', 'name',
// 'COLUMN', by which SQL Server renames (Transact-SQL, "sp_rename"); nil for anything else.
func (p *Parser) renamedByProcedure(start text.Pos) Stmt {
	at := 1
	if p.peek(2).Kind == Dot { // sys.
		at = 3
	}
	name := p.peek(at).Span
	if p.dialect != dialect.SQLServer || !bytes.EqualFold(p.scan.src[name.Start:name.End], []byte("sp_rename")) ||
		p.peek(at+1).Kind != TextToken || p.peek(at+2).Kind != Comma || p.peek(at+3).Kind != TextToken {
		return nil
	}
	path, to := p.namesIn(p.peek(at+1).Span), p.namesIn(p.peek(at+3).Span)
	if len(path) == 0 || len(to) != 1 {
		return nil
	}
	a := p.slabs.alterActions.New()
	a.Action, a.To = RenameTable, to[0]
	if kind := p.peek(at + 5); p.peek(at+4).Kind == Comma && kind.Kind == TextToken {
		switch what := p.namesIn(kind.Span); {
		case len(what) != 1 || len(path) < 2:
			return nil
		case bytes.EqualFold(p.scan.src[what[0].Span.Start:what[0].Span.End], []byte("COLUMN")):
			a.Action, a.Name = RenameColumn, path[len(path)-1]
			path = path[:len(path)-1]
		default:
			return nil // an index, a type
		}
	}
	p.next()
	for !p.atEnd() && !p.atNext() {
		p.next()
	}
	a.node = p.node(start)
	n := p.slabs.alterTables.New()
	n.Name = path
	mark := p.lists.actions.Mark()
	p.lists.actions.Push(a)
	n.Actions = p.lists.actions.Take(mark)
	n.node = p.node(start)
	return n
}

// namesIn gives the parts of the name that a text holds, nil where it holds something else.
func (p *Parser) namesIn(s text.Span) []Ident {
	from, to := s.Start, s.End-1
	for from < to && p.scan.src[from] != '\'' {
		from++ // N'…'
	}
	mark := p.lists.idents.Mark()
	for part := range bytes.SplitSeq(p.scan.src[min(from+1, to):to], []byte{'.'}) {
		span := text.Span{Start: from + 1, End: from + 1 + text.Pos(len(part))}
		from = span.End
		if n := len(part); n > 1 && part[0] == '[' && part[n-1] == ']' {
			span.Start, span.End = span.Start+1, span.End-1
		}
		p.lists.idents.Push(Ident{Span: span, Sym: p.scan.names.Intern(p.scan.src[span.Start:span.End])})
	}
	return p.lists.idents.Take(mark)
}
