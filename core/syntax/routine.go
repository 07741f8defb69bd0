package syntax

import (
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// routine reads CREATE FUNCTION, PROCEDURE, TRIGGER, EVENT, PACKAGE and TYPE BODY: the
// head is passed over, the statements of the body are read.
func (p *Parser) routine() Stmt {
	start := p.start()
	kind := word.NoWord
	var keyword text.Span
	var name []Ident
	for kind == word.NoWord && !p.atEnd() {
		switch p.word {
		case word.Function, word.Procedure, word.Proc, word.Trigger, word.Event, word.Package, word.Type:
			kind = p.word
		}
		keyword = p.tok.Span
		p.next()
	}
	p.accept(word.Body)
	p.ifNotExists()
	if p.tok.Kind == WordToken || p.tok.Kind == QuotedName {
		idents := p.lists.idents.Mark()
		p.lists.idents.Push(p.partAfterDot())
		for p.acceptKind(Dot) {
			p.lists.idents.Push(p.partAfterDot())
		}
		name = p.lists.idents.Take(idents)
	}
	mark, declared := p.lists.stmts.Mark(), len(p.declared)
	p.clashing = ""
	fires := p.routineHead(kind)
	if !p.atEnd() {
		p.routineBody(kind)
	}
	n := p.slabs.routines.New()
	body := p.lists.stmts.Take(mark)
	*n = Routine{node: p.node(start), Keyword: keyword, Name: name, Declared: p.takeDeclared(declared), Variable: p.clashing == "use_variable", Fires: fires, Body: body}
	return n
}

// altersEvent reports whether ALTER, here, is that of an event, which may get another body.
func (p *Parser) altersEvent() bool {
	n := 1
	if p.peek(n).Word() == word.Definer {
		const longest = 6 // DEFINER = name@host
		for n < longest && p.peek(n).Word() != word.Event {
			n++
		}
	}
	return p.peek(n).Word() == word.Event
}

// routineHead passes over everything up to the body, but for what makes a trigger fire.
func (p *Parser) routineHead(kind word.Word) (fires Fires) {
	rows, head := kind != word.Trigger && kind != word.Event, p.i
	for !p.atEnd() {
		if kind == word.Trigger && fires.Table == nil {
			fires.note(p.word)
		}
		switch {
		case p.tok.Kind == LeftParen && kind != word.Trigger && kind != word.Event && (p.i == head || p.lastWord() == word.Table):
			p.parameters()
			continue
		case p.tok.Kind == LeftParen:
			p.skipParens()
			continue
		case p.at(word.As) && p.peek(1).Kind == TextToken && p.dialect.Has(dialect.DollarQuotes):
			p.next()
			p.quotedBody()
			p.skipToEnd()
			return fires
		case p.at(word.Each), p.at(word.Schedule) && kind == word.Event:
			rows = true
		case p.at(word.Do) && kind == word.Event:
			return fires
		case p.at(word.When) && p.peek(1).Kind == LeftParen, p.at(word.When) && kind == word.Trigger:
			p.next()
			p.expr()
			continue
		case p.at(word.On) && kind == word.Trigger && fires.Table == nil && (p.peek(1).Kind == WordToken || p.peek(1).Kind == QuotedName):
			rows = true
			p.next()
			mark := p.lists.idents.Mark()
			p.lists.idents.Push(p.partAfterDot())
			for p.acceptKind(Dot) {
				p.lists.idents.Push(p.partAfterDot())
			}
			fires.Table = p.lists.idents.Take(mark)
			continue
		case p.at(word.On) && kind == word.Trigger, p.at(word.As) && kind == word.Trigger:
			rows = true
		case p.atAny(word.Follows, word.Precedes) && kind == word.Trigger, p.at(word.Returns), p.at(word.Called), p.at(word.Execute):
			if p.at(word.Execute) && (p.peek(1).Word() == word.Function || p.peek(1).Word() == word.Procedure) {
				p.skipToEnd()
				return fires
			}
			p.next()
		case p.at(word.Return) && p.isPL():
			p.next() // the type of what an Oracle function gives
		case kind == word.Trigger && p.atCompound(), rows && p.startsBody(kind):
			return fires
		}
		p.next()
	}
	return fires
}

// atCompound reports whether the parts of a compound trigger follow: declarations, and a
// block for each point at which it fires.
func (p *Parser) atCompound() bool {
	return p.isPL() && p.says(0, "compound") && p.peek(1).Word() == word.Trigger
}

// note takes in a word before the table of a trigger.
func (f *Fires) note(w word.Word) {
	switch w {
	case word.After:
		f.After = true
	case word.Insert:
		f.Insert = true
	case word.Update:
		f.Update = true
	case word.Delete:
		f.Delete = true
	}
}

// startsBody reports whether the body of a routine begins here.
func (p *Parser) startsBody(kind word.Word) bool {
	switch p.word {
	case word.If:
		n := 1
		if p.peek(n).Word() == word.Not {
			n++
		}
		return p.peek(n).Word() != word.Exists || p.peek(n+1).Kind == LeftParen
	case word.Begin, word.Declare, word.Loop, word.While, word.Repeat, word.Call, word.Do, word.Case, word.Select, word.Signal,
		word.Grant, word.Revoke, word.Drop, word.Truncate, word.Alter, word.Show, word.Create:
		return true
	case word.For: // a loop, not EACH ROW
		return p.peek(2).Word() == word.In
	case word.Analyze:
		return p.dialect.Has(dialect.ExecutedComments)
	case word.Return:
		return p.peek(1).Word() != word.Type
	case word.Insert, word.Update, word.Delete, word.Replace:
		return kind != word.Trigger || p.lastWord() != word.Before && p.lastWord() != word.After && p.lastWord() != word.Or &&
			p.lastWord() != word.Of && p.lastWord() != word.For && p.tokenBefore().Kind != Comma
	case word.Set:
		return !p.hasQuotedBody() && (p.peek(2).Kind == Equal || p.peek(2).Kind == AssignOperator || p.peek(2).Kind == Dot || p.peek(1).Kind == VariableName)
	case word.As, word.Is:
		next := p.peek(1)
		return next.Kind != TextToken && p.dialect.Has(dialect.BodyAfterAs)
	}
	return p.tok.Kind == WordToken && (p.peek(1).Kind == Colon && p.peek(2).Word() != word.NoWord || p.gluedLabel() != word.NoWord)
}

func (p *Parser) tokenBefore() Token {
	if p.i == p.begun {
		return Token{}
	}
	return p.scan.tokens[p.i-1]
}

func (p *Parser) lastWord() word.Word { return p.tokenBefore().Word() }

// routineBody reads the statements of the body onto the stack of statements.
func (p *Parser) routineBody(kind word.Word) {
	if p.at(word.Do) && kind == word.Event {
		p.next()
	}
	if kind == word.Trigger && p.atCompound() {
		p.next()
		p.next()
		p.declaredBlocks(true)
		return
	}
	if p.atAny(word.As, word.Is) {
		p.next()
		if p.isPL() {
			p.declaredBlocks(kind == word.Package || kind == word.Type)
			return
		}
		p.declarations()
		if p.dialect.Has(dialect.BatchLines) {
			for !p.broken && p.tok.Kind != EOF && p.tok.Kind != BatchEnd {
				p.bodyStmt()
				p.acceptKind(Semicolon)
				p.mendBody()
			}
			return
		}
	}
	p.bodyStmt()
}

// isPL reports whether routines are written in PL/SQL, with declarations before BEGIN.
func (p *Parser) isPL() bool {
	return p.dialect.Has(dialect.SlashLines) && !p.dialect.Has(dialect.BatchLines)
}

// declaredBlocks reads the declarations and blocks of a PL/SQL routine, its own and those of
// the routines it declares; or those of all members of a package, of a type or of a compound
// trigger, which an END of its own follows.
func (p *Parser) declaredBlocks(members bool) {
	blocks := 1
	if members {
		blocks = 0
	}
	for !p.broken && p.tok.Kind != EOF && p.tok.Kind != BatchEnd {
		switch p.word {
		case word.Begin:
			p.bodyStmt()
			if blocks--; blocks == 0 && !members || p.broken {
				return
			}
			p.mendBody()
			continue
		case word.Function, word.Procedure:
			blocks += p.declaredRoutine()
			continue
		case word.Is, word.As:
			if p.startsQuery(1) && p.peek(1).Word() != word.Table { // a cursor's
				p.next()
				p.lists.stmts.Push(p.selectStmt())
				continue
			}
		case word.End:
			if members {
				p.next()
				p.blockName()
				return
			}
		}
		switch before := p.tokenBefore(); {
		case before.Kind == Semicolon, before.Word() == word.Is, before.Word() == word.As, before.Word() == word.Declare:
			p.declaredNames()
		}
		p.next()
	}
}

// declaredRoutine passes over the head of a routine within another, and gives 1 if its
// body follows, 0 if it is only announced.
func (p *Parser) declaredRoutine() int {
	for !p.atEnd() {
		if p.atAny(word.Is, word.As) {
			p.next()
			if p.atAny(word.Language, word.External) {
				return 0
			}
			return 1
		}
		if p.tok.Kind == LeftParen {
			p.parameters()
			continue
		}
		p.next()
	}
	return 0
}

// declarations passes over what PL/SQL declares between IS and BEGIN, cursors'
// queries read.
func (p *Parser) declarations() {
	if p.dialect.Has(dialect.BatchLines) && !p.dialect.Has(dialect.SlashLines) {
		return
	}
	for !p.atAny(word.Begin, word.Select, word.Declare, word.Return, word.Insert, word.Update, word.Delete, word.Set) &&
		p.tok.Kind != EOF && p.tok.Kind != BatchEnd && !p.broken {
		if p.atAny(word.Is, word.As) && p.startsQuery(1) {
			p.next()
			p.lists.stmts.Push(p.selectStmt())
			continue
		}
		p.next()
	}
}

// bodyStmts reads statements, each ended by a semicolon, up to a word that
// ends the list.
func (p *Parser) bodyStmts(enders ...word.Word) []Stmt {
	mark := p.lists.stmts.Mark()
	for (!p.atAny(enders...) || p.endsConversation()) && p.tok.Kind != EOF && p.tok.Kind != BatchEnd {
		before := p.i
		if p.dialect.Has(dialect.ExecutedComments) || !p.acceptKind(Semicolon) {
			p.bodyStmt()
			if p.dialect.Has(dialect.ExecutedComments) && !p.broken && p.tok.Kind != Semicolon {
				p.fail("a semicolon")
			}
		}
		p.mendBody()
		if p.i == before && !p.broken {
			p.next()
		}
		if p.broken {
			break
		}
	}
	return p.lists.stmts.Take(mark)
}

// endsConversation reports whether END is a statement of SQL Server, and ends no block.
func (p *Parser) endsConversation() bool {
	return p.at(word.End) && p.talks(1)
}

// mendBody goes on behind the semicolon after a slip inside a body.
func (p *Parser) mendBody() {
	if !p.broken {
		if p.tok.Kind == Semicolon {
			p.next()
		}
		return
	}
	if p.errors[len(p.errors)-1].Kind == DeepError {
		return
	}
	for i := p.failed; ; i++ {
		if i >= len(p.scan.tokens) {
			p.scan.fill()
		}
		switch p.scan.tokens[i].Kind {
		case EOF, BatchEnd:
			return
		case Semicolon:
			p.broken, p.i = false, i
			p.load()
			p.next()
			return
		}
	}
}

// bodyStmt reads one statement of a body onto the stack of statements.
func (p *Parser) bodyStmt() {
	if !p.enter() {
		p.leave()
		return
	}
	defer p.leave()
	before := p.i
	p.label()
	if p.i > before && p.at(word.End) && p.dialect == dialect.SQLServer {
		return // it labels the end of the block
	}
	for p.tok.Kind == ShiftOperator { // <<label>>
		for p.tok.Kind != EOF && p.tok.Kind != Semicolon {
			p.next()
			if p.tok.Kind == ShiftOperator {
				p.next()
				break
			}
		}
	}
	p.bodies++
	defer func() { p.bodies-- }()
	if s := p.controlOrNil(); s != nil {
		p.lists.stmts.Push(s)
		return
	}
	p.lists.stmts.Push(p.statement())
}

// label passes over name: before a block or loop. The scanner takes a colon
// without a blank behind it for the start of a placeholder.
func (p *Parser) label() {
	if p.tok.Kind != WordToken && p.tok.Kind != QuotedName {
		return
	}
	if p.peek(1).Kind == Colon {
		p.next()
		p.next()
	} else if w := p.gluedLabel(); w != word.NoWord {
		s := p.peek(1).Span
		p.scan.tokens[p.i+1] = wordToken(Sym(w), int(s.Start)+1, int(s.End))
		p.next()
	}
}

// gluedLabel gives the word behind the colon of name:BEGIN and the like.
func (p *Parser) gluedLabel() word.Word {
	next := p.peek(1)
	if next.Kind != Placeholder || next.Span.Start != p.tok.Span.End || p.scan.src[next.Span.Start] != ':' {
		return word.NoWord
	}
	switch w := word.Word(p.scan.names.Find(strings.ToLower(string(p.scan.src[next.Span.Start+1 : next.Span.End])))); w {
	case word.Begin, word.Loop, word.While, word.Repeat, word.For:
		return w
	}
	return word.NoWord
}

// declare reads DECLARE: a cursor's query and a handler's statement are read,
// the rest is passed over. PL/SQL's DECLARE goes on to its block.
func (p *Parser) declare() []Stmt {
	p.next()
	mark := p.lists.stmts.Mark()
	p.declaredNames()
	if p.isPL() && !p.quoted {
		p.declaredBlocks(false)
		return p.lists.stmts.Take(mark)
	}
	for p.tok.Kind != EOF && p.tok.Kind != BatchEnd && !p.broken && (p.quoted || p.tok.Kind != Semicolon) {
		switch {
		case p.at(word.Handler):
			for !p.atEnd() && !p.at(word.For) {
				p.next()
			}
			p.handlerConditions()
			p.bodyStmt()
			return p.lists.stmts.Take(mark)
		case p.at(word.For) && p.peek(1).Word() == word.Sqlstate: // a condition
			p.next()
			p.next()
		case p.atAny(word.For, word.Is) && p.startsQuery(1):
			p.next()
			p.lists.stmts.Push(p.selectStmt())
			continue
		case p.tok.Kind == LeftParen && p.startsQuery(1) && p.holdsQueryAlone(1): // a variable's value
			p.next()
			p.lists.stmts.Push(p.selectStmt())
			p.expectKind(RightParen, ")")
			continue
		case p.at(word.For) && p.dialect.Has(dialect.ExecutedComments) && p.peek(2).Kind == WordToken:
			p.next()
			p.fail("a query")
		case p.quoted && p.at(word.Begin):
			p.bodyStmt()
			return p.lists.stmts.Take(mark)
		case p.quoted && p.tokenBefore().Kind == Semicolon:
			p.declaredNames()
		case p.atNext():
			return p.lists.stmts.Take(mark)
		}
		p.next()
	}
	return p.lists.stmts.Take(mark)
}

// handlerConditions passes over the conditions of DECLARE … HANDLER FOR.
func (p *Parser) handlerConditions() {
	p.next()
	for {
		switch {
		case p.accept(word.Sqlstate):
			p.accept(word.Value)
			p.next()
		case p.at(word.Not):
			p.next()
			p.next()
		default:
			p.next()
		}
		if !p.acceptKind(Comma) {
			return
		}
	}
}

// setStmt reads SET name = value, …, and passes over SET's other forms.
func (p *Parser) setStmt() []Expr {
	p.next()
	mark := p.lists.exprs.Mark()
	for !p.atEnd() && !p.broken {
		if p.tok.Kind == Equal || p.tok.Kind == AssignOperator {
			p.next()
			if p.at(word.Cursor) && p.dialect == dialect.SQLServer {
				p.cursorValue()
				continue
			}
			if p.atOperand() && !p.at(word.On) {
				p.lists.exprs.Push(p.expr())
				continue
			}
		}
		if p.atNext() {
			break
		}
		p.skipOne()
	}
	return p.lists.exprs.Take(mark)
}

// cursorValue reads CURSOR … FOR query, to which a variable of SQL Server is set.
func (p *Parser) cursorValue() {
	for !p.at(word.For) && !p.atEnd() {
		p.next()
	}
	if p.accept(word.For) && p.startsQuery(0) {
		start := p.start()
		q := p.query()
		n := p.slabs.subquerys.New()
		n.Query = q
		n.node = p.node(start)
		p.lists.exprs.Push(n)
	}
}

// skipToEnd passes over the rest of the statement.
func (p *Parser) skipToEnd() {
	for !p.endsPassing() {
		p.next()
	}
}

func (p *Parser) endsPassing() bool {
	return p.atEnd() || p.dialect.Has(dialect.BatchLines) && (p.startsAnother() || p.at(word.Else) || p.at(word.End))
}

// anonymousBlock reads a block that stands as a statement of its own.
func (p *Parser) anonymousBlock(start text.Pos) Stmt {
	mark := p.lists.stmts.Mark()
	p.bodyStmt()
	n := p.slabs.controls.New()
	stmts := p.lists.stmts.Take(mark)
	*n = Control{node: p.node(start), Block: true, Stmts: stmts}
	return n
}
