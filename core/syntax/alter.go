package syntax

import (
	"justlens/core/dialect/word"
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
	p.accept(word.Only)
	n.Name = p.path("a table")
	p.acceptKind(Asterisk)
	if p.at(word.With) { // SQL Server's WITH CHECK ADD …
		p.next()
		p.next()
	}
	mark := p.lists.actions.mark()
	for !p.atEnd() && !p.startsAnother() {
		p.alterAction()
		if !p.acceptKind(Comma) {
			break
		}
	}
	for !p.atEnd() && !p.startsAnother() { // options of the whole table
		p.skipOne()
	}
	n.Actions = p.lists.actions.take(mark)
	n.node = p.node(start)
	return n
}

// ifExists reads IF EXISTS and IF NOT EXISTS.
func (p *Parser) ifExists() bool {
	if !p.at(word.If) {
		return false
	}
	p.next()
	p.accept(word.Not)
	p.expect(word.Exists)
	return true
}

// alterAction reads one action onto the stack of actions; several where
// columns are added in parentheses.
func (p *Parser) alterAction() {
	start := p.start()
	a := p.slabs.alterActions.New()
	a.Action = OtherAction
	switch {
	case p.accept(word.Add):
		if p.alterAdd(a) {
			return
		}
	case p.atAny(word.Drop) && p.peek(1).Word() != word.Partition:
		p.next()
		p.alterDrop(a)
	case p.accept(word.Rename):
		p.alterRename(a)
	case p.at(word.Convert) && (p.peek(1).Word() == word.Partition || p.peek(1).Word() == word.Table):
		p.alterConvert(a)
	case p.atAny(word.Modify, word.Change):
		p.alterChange(a)
	case p.at(word.Alter) && p.peek(1).Word() != word.Index && p.peek(1).Word() != word.Key && p.peek(1).Word() != word.Constraint:
		p.next()
		p.alterColumn(a)
	}
	p.skipAction()
	a.node = p.node(start)
	p.lists.actions.push(a)
}

// skipAction passes over what an action ends with.
func (p *Parser) skipAction() {
	for p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() && !p.startsAnother() {
		p.skipOne()
	}
}

// alterAdd reads what ADD adds. It reports whether it pushed the actions itself.
func (p *Parser) alterAdd(a *AlterAction) bool {
	switch p.word {
	case word.Partition, word.System, word.Period, word.Value, word.Logfile, word.Supplemental:
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
		p.next()
		for !p.broken && p.tok.Kind != RightParen {
			start := p.start()
			each := p.slabs.alterActions.New()
			if p.startsConstraint() {
				each.Action, each.Constraint = AddConstraint, p.constraint()
			} else {
				each.Action, each.Column = AddColumn, p.columnDef()
				each.Name = each.Column.Name
			}
			p.skipElement()
			each.node = p.node(start)
			p.lists.actions.push(each)
			if !p.acceptKind(Comma) {
				break
			}
		}
		p.expectKind(RightParen, ") or a comma")
		return true
	}
	a.Action, a.Column = AddColumn, p.columnDef()
	a.Name = a.Column.Name
	return false
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
	case p.atAny(word.Constraint, word.Check, word.Key, word.Index) && p.peek(1).Kind != Comma && p.peek(1).Kind != EOF && p.peek(1).Kind != Semicolon:
		a.Action = DropConstraint
		p.next()
	case p.at(word.Foreign) && p.peek(1).Word() == word.Key:
		a.Action = DropConstraint
		p.next()
		p.next()
	case p.atAny(word.System, word.Period, word.Expression, word.Identity) && p.peek(1).Kind == WordToken:
		return
	default:
		a.Action = DropColumn
		p.accept(word.Column)
	}
	a.IfExists = p.ifExists()
	if p.tok.Kind == LeftParen { // Oracle's DROP (a, b)
		a.Action = OtherAction
		return
	}
	a.Name = p.ident("a name")
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

// alterChange reads MODIFY [COLUMN] definition and CHANGE [COLUMN] name definition.
func (p *Parser) alterChange(a *AlterAction) {
	change := p.at(word.Change)
	p.next()
	if p.tok.Kind == LeftParen || p.at(word.Partition) {
		return // of Oracle
	}
	p.accept(word.Column)
	a.IfExists = p.ifExists()
	if change {
		a.Name = p.ident("a column")
	}
	a.Action, a.Column = ChangeColumn, p.columnDef()
	if !change {
		a.Name = a.Column.Name
	}
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
	case p.at(word.Type), p.at(word.Set) && p.peek(1).Word() == word.Data:
		for p.atAny(word.Set, word.Data, word.Type) {
			p.next()
		}
		a.Action, a.Type = SetType, p.typeName()
	case p.tok.Kind == WordToken && !p.atAny(word.Set, word.Drop, word.Add, word.Reset, word.Restart): // SQL Server
		a.Action, a.Type = ChangeColumn, p.typeName()
		if p.at(word.Not) {
			a.Action = SetNotNull
		} else {
			a.Action = SetType
		}
	}
}

// drop reads DROP TABLE, VIEW, INDEX, TYPE, DOMAIN and their kin.
func (p *Parser) drop() Stmt {
	start := p.start()
	n := p.slabs.drops.New()
	p.next()
	for p.atAny(word.Temporary, word.Materialized) {
		p.next()
	}
	n.What = Ident{Span: p.tok.Span, Sym: p.tok.Sym}
	p.next()
	p.accept(word.Concurrently)
	n.IfExists = p.ifExists()
	mark := p.lists.refs.mark()
	p.commaList(func() { p.lists.refs.push(p.tableName()) })
	n.Tables = p.lists.refs.take(mark)
	if p.accept(word.On) {
		n.On = p.path("a table")
	}
	for !p.atEnd() && !p.startsAnother() {
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
	mark := p.lists.stmts.mark()
	p.commaList(func() { p.lists.stmts.push(p.renameTable(exists)) })
	stmts := p.lists.stmts.take(mark)
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
	mark := p.lists.actions.mark()
	p.lists.actions.push(a)
	n.Actions = p.lists.actions.take(mark)
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
	for !p.atEnd() && !p.startsAnother() {
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
