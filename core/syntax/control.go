package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// The statements of procedural languages: blocks, conditions and loops.

// controlOrNil reads a statement of the procedural language, nil where an
// ordinary statement stands.
func (p *Parser) controlOrNil() Stmt {
	start := p.start()
	c := Control{}
	if p.startsAssignment() {
		if p.quoted && p.peek(1).Kind == AssignOperator { // to a variable of any name
			p.next()
		} else {
			p.path("a variable")
		}
		p.next()
		c.Exprs = p.oneExpr()
		return p.control(start, c)
	}
	switch p.word {
	case word.Begin:
		if p.beginsTransaction() {
			return nil
		}
		c.Stmts = p.block()
	case word.If:
		p.ifStmt(&c)
	case word.Case:
		p.caseStmt(&c)
	case word.Loop:
		p.next()
		c.Stmts = p.bodyStmts(word.End)
		p.endOf(word.Loop)
	case word.Repeat:
		p.next()
		c.Stmts = p.bodyStmts(word.Until)
		p.expect(word.Until)
		c.Exprs = p.oneExpr()
		p.endOf(word.Repeat)
	case word.While:
		p.whileStmt(&c)
	case word.For, word.Foreach:
		p.forStmt(&c)
	case word.Declare:
		first := p.i
		c.Stmts = p.declare()
		p.checkForm(first)
	case word.Perform:
		if p.quoted { // a query whose rows are not wanted
			p.scan.tokens[p.i].word = word.Select
			p.load()
			return p.selectStmt()
		}
		return nil
	case word.Return, word.Print, word.Elsif:
		p.next()
		if p.dialect.Has(dialect.BatchLines) && (p.tok.Kind == LeftParen && p.startsQuery(1) || p.atAny(word.Select, word.With) && p.lastWord() == word.Return) { // the rows of a function
			c.Stmts = p.lists.stmts.One(p.selectStmt())
			break
		}
		if p.at(word.Query) && p.peek(1).Word() == word.Execute && p.quoted {
			p.next()
			if s := p.dynamicStmt(p.start()); s != nil {
				c.Stmts = p.lists.stmts.One(s)
				break
			}
		}
		if p.at(word.Query) && p.startsQuery(1) {
			p.next()
			c.Stmts = p.lists.stmts.One(p.selectStmt())
			break
		}
		switch {
		case p.startsVariable():
			c.Exprs = p.lists.exprs.One(p.bareName(p.start()))
		case !p.atEnd() && !p.atNext() && p.atOperand():
			c.Exprs = p.oneExpr()
		}
		for !p.goesOn() && !p.endsPassing() {
			p.next()
		}
	case word.Set:
		first := p.i
		c.Exprs = p.setStmt()
		p.checkForm(first)
	default:
		return nil
	}
	return p.control(start, c)
}

func (p *Parser) control(start text.Pos, c Control) Stmt {
	n := p.slabs.controls.Next()
	*n = c
	n.node = p.node(start)
	return n
}

// startsAssignment reports whether x := … or x.y := … stands here.
func (p *Parser) startsAssignment() bool {
	return p.tok.Kind == WordToken && (p.peek(1).Kind == AssignOperator || p.peek(1).Kind == Dot && p.peek(3).Kind == AssignOperator)
}

// atOperand reports whether an expression may begin here.
func (p *Parser) atOperand() bool {
	if p.tok.Kind != WordToken {
		return true
	}
	switch p.word {
	case word.Query, word.Next, word.Select, word.End, word.Else, word.If:
		return false
	}
	return stops[p.word]&notName == 0 || p.atAny(word.Case, word.Not)
}

func (p *Parser) oneExpr() []Expr {
	mark := p.lists.exprs.Mark()
	p.lists.exprs.Push(p.value())
	return p.lists.exprs.Take(mark)
}

// value reads an expression of the procedural language. One of PL/pgSQL is the list of a
// SELECT without that word, and may go on as one does (its manual, "Expressions").
func (p *Parser) value() Expr {
	start, from := p.start(), p.i
	x := p.expr()
	if !p.quoted || p.broken || !p.at(word.From) {
		return x
	}
	item := p.slabs.selectItems.New()
	item.X, item.node = x, p.node(start)
	items := p.lists.items.Mark()
	p.lists.items.Push(item)
	s := p.slabs.selects.New()
	s.Items = p.lists.items.Take(items)
	for !p.broken && p.selectClause(s) {
	}
	s.node = p.node(start)
	q := p.slabs.querys.New()
	q.Body = s
	p.resultClauses(q, from)
	q.node = p.node(start)
	n := p.slabs.subquerys.New()
	n.Query = q
	n.node = p.node(start)
	return n
}

// beginsTransaction tells BEGIN that starts a transaction from one that opens
// a block.
func (p *Parser) beginsTransaction() bool {
	next := p.peek(1)
	switch next.Word() {
	case word.Transaction, word.Tran, word.Work, word.Isolation, word.Read, word.Deferred, word.Immediate, word.Exclusive, word.Distributed:
		return true
	}
	return next.Kind == Semicolon || next.Kind == EOF || next.Kind == BatchEnd || p.talks(1)
}

// talks reports whether the n-th token from here makes of BEGIN or END a statement of SQL Server's
// conversations, and no block ("BEGIN DIALOG CONVERSATION", "BEGIN CONVERSATION TIMER", "END CONVERSATION").
func (p *Parser) talks(n int) bool {
	return p.dialect == dialect.SQLServer && (p.says(n, "dialog") || p.says(n, "conversation"))
}

// block reads BEGIN … [EXCEPTION WHEN … THEN …] END [name].
func (p *Parser) block() []Stmt {
	p.next()
	if p.at(word.Not) && p.peek(1).Word() == word.Atomic {
		p.next()
	}
	if p.accept(word.Atomic) && p.dialect == dialect.SQLServer && p.accept(word.With) { // its options
		p.skipParens()
	}
	inner := p.atAny(word.Try, word.Catch)
	if inner {
		p.next()
	}
	mark := p.lists.stmts.Mark()
	for _, s := range p.bodyStmts(word.End, word.Exception) {
		p.lists.stmts.Push(s)
	}
	if p.accept(word.Exception) {
		for p.accept(word.When) {
			for !p.at(word.Then) && p.tok.Kind != EOF && p.tok.Kind != BatchEnd && !p.broken {
				p.next()
			}
			p.expect(word.Then)
			for _, s := range p.bodyStmts(word.End, word.When) {
				p.lists.stmts.Push(s)
			}
		}
	}
	p.expect(word.End)
	if inner {
		p.next()
	}
	p.blockName()
	if inner && p.at(word.Begin) && p.peek(1).Word() == word.Catch { // on the same line
		for _, s := range p.block() {
			p.lists.stmts.Push(s)
		}
	}
	return p.lists.stmts.Take(mark)
}

// blockName reads the name that may be repeated behind END.
func (p *Parser) blockName() {
	if p.dialect == dialect.SQLServer || p.at(word.End) { // whose blocks have none, or that of what the block stands in
		return
	}
	if p.tok.Kind == QuotedName || p.tok.Kind == WordToken && (!p.startsLine() || p.peek(1).Kind == Semicolon && p.isPL()) && stops[p.word]&notName == 0 &&
		!p.atAny(word.Go, word.While, word.Else, word.Begin) && !p.goesOn() {
		p.next()
	}
}

// endOf reads END and the word of what it ends, with the name that may follow.
func (p *Parser) endOf(what word.Word) {
	p.expect(word.End)
	p.expect(what)
	p.blockName()
}

// ifStmt reads IF in its three forms: with THEN … END IF, and of Transact-SQL.
func (p *Parser) ifStmt(c *Control) {
	p.next()
	exprs, stmts := p.lists.exprs.Mark(), p.lists.stmts.Mark()
	p.lists.exprs.Push(p.value())
	if p.at(word.Then) {
		for p.accept(word.Then) {
			for _, s := range p.bodyStmts(word.Elseif, word.Elsif, word.Else, word.End) {
				p.lists.stmts.Push(s)
			}
			if p.atAny(word.Elseif, word.Elsif) {
				p.next()
				p.lists.exprs.Push(p.value())
			}
		}
		if p.accept(word.Else) {
			for _, s := range p.bodyStmts(word.End) {
				p.lists.stmts.Push(s)
			}
		}
		p.expect(word.End)
		p.expect(word.If)
	} else if p.dialect.Has(dialect.BatchLines) {
		p.bodyStmt()
		if p.tok.Kind == Semicolon && p.peek(1).Word() == word.Else {
			p.next()
		}
		if p.accept(word.Else) {
			p.bodyStmt()
		}
	} else {
		p.fail("THEN")
	}
	c.Exprs, c.Stmts = p.lists.exprs.Take(exprs), p.lists.stmts.Take(stmts)
}

// caseStmt reads CASE [x] WHEN … THEN statements … END CASE.
func (p *Parser) caseStmt(c *Control) {
	p.next()
	exprs, stmts := p.lists.exprs.Mark(), p.lists.stmts.Mark()
	if !p.at(word.When) {
		p.lists.exprs.Push(p.value())
	}
	for p.accept(word.When) {
		p.lists.exprs.Push(p.value())
		for p.quoted && p.acceptKind(Comma) {
			p.lists.exprs.Push(p.expr())
		}
		p.expect(word.Then)
		for _, s := range p.bodyStmts(word.When, word.Else, word.End) {
			p.lists.stmts.Push(s)
		}
	}
	if p.accept(word.Else) {
		for _, s := range p.bodyStmts(word.End) {
			p.lists.stmts.Push(s)
		}
	}
	p.endOf(word.Case)
	c.Exprs, c.Stmts = p.lists.exprs.Take(exprs), p.lists.stmts.Take(stmts)
}

// whileStmt reads WHILE with DO … END WHILE, LOOP … END LOOP, or one statement.
func (p *Parser) whileStmt(c *Control) {
	p.next()
	c.Exprs = p.oneExpr()
	switch {
	case p.accept(word.Do):
		c.Stmts = p.bodyStmts(word.End)
		p.endOf(word.While)
	case p.accept(word.Loop):
		c.Stmts = p.bodyStmts(word.End)
		p.endOf(word.Loop)
	case p.dialect.Has(dialect.BatchLines):
		mark := p.lists.stmts.Mark()
		p.bodyStmt()
		c.Stmts = p.lists.stmts.Take(mark)
	default:
		p.fail("DO or LOOP")
	}
}

// forStmt reads FOR … IN query or range LOOP/DO … END LOOP/FOR.
func (p *Parser) forStmt(c *Control) {
	mark := p.lists.stmts.Mark()
	for !p.atAny(word.Loop, word.Do) && p.tok.Kind != EOF && p.tok.Kind != Semicolon && !p.broken {
		p.next()
		if p.quoted && p.at(word.Execute) {
			if s := p.dynamicStmt(p.start()); s != nil {
				p.lists.stmts.Push(s)
				break
			}
		}
		if p.startsQuery(0) {
			paren := p.tok.Kind == LeftParen
			if paren {
				p.next()
			}
			p.inFor = true
			p.lists.stmts.Push(p.selectStmt())
			p.inFor = false
			if paren {
				p.expectKind(RightParen, ")")
			}
		}
	}
	ender := word.Loop
	if p.at(word.Do) {
		ender = word.For
	}
	p.next()
	for _, s := range p.bodyStmts(word.End) {
		p.lists.stmts.Push(s)
	}
	p.endOf(ender)
	c.Stmts = p.lists.stmts.Take(mark)
}
