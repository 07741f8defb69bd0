package syntax

import (
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// statement reads one statement of any kind.
func (p *Parser) statement() Stmt {
	first := p.i
	switch p.word {
	case word.Select, word.Insert, word.Update, word.Delete, word.With, word.Replace, word.Merge:
		if p.skims {
			return p.passOver()
		}
		return p.anyStatement()
	}
	s := p.anyStatement()
	p.checkForm(first)
	return s
}

func (p *Parser) anyStatement() Stmt {
	start := p.start()
	switch p.word {
	case word.Select, word.Values, word.Table:
		return p.selectStmt()
	case word.With:
		return p.withStmt()
	case word.Insert:
		return p.logged(p.insert(nil))
	case word.Replace:
		if p.peek(1).Kind == WordToken || p.peek(1).Kind == QuotedName {
			return p.logged(p.insert(nil))
		}
	case word.Update:
		if p.peek(1).Word() == word.Statistics && p.peek(2).Kind == WordToken && p.peek(2).Word() != word.Set {
			return p.other()
		}
		return p.logged(p.update(nil))
	case word.Delete:
		return p.logged(p.delete(nil))
	case word.Merge:
		return p.logged(p.merge(nil))
	case word.Explain, word.Describe, word.Desc, word.Analyze, word.Prepare:
		if p.at(word.Prepare) {
			if s := p.dynamicStmt(start); s != nil {
				return s
			}
		}
		if s := p.wrapped(start); s != nil {
			return s
		}
	case word.Open, word.Close, word.Fetch, word.End, word.Return, word.Leave, word.Iterate:
		if p.bodies == 0 && p.dialect.Has(dialect.ExecutedComments) {
			return p.noStatement()
		}
		if n := p.openedQuery(); n > 0 {
			return p.inner(start, n)
		}
	case word.Cache:
		if p.dialect == dialect.Spark {
			if s := p.wrapped(start); s != nil {
				return s
			}
		}
	case word.Copy:
		if p.peek(1).Kind == LeftParen && p.startsQuery(2) && p.dialect.Has(dialect.DollarQuotes) {
			return p.copyQuery(start)
		}
	case word.Do:
		if p.dialect.Has(dialect.DollarQuotes) && (p.peek(1).Kind == TextToken || p.peek(1).Word() == word.Language) {
			return p.doStmt()
		}
	case word.Set:
		if p.peek(1).Word() == word.Statement {
			return p.setStatement(start)
		}
		if p.setsVariable() {
			return p.anonymousBlock(start)
		}
	case word.Create:
		return p.create()
	case word.Alter:
		for n := 1; n < 4; n++ {
			switch p.peek(n).Word() {
			case word.Table:
				return p.alterTable()
			case word.Foreign, word.Online, word.Ignore, word.Offline:
				continue
			}
			break
		}
		if p.dialect.Has(dialect.ExecutedComments) && p.altersEvent() {
			return p.routine()
		}
		if p.dialect == dialect.SQLServer { // which gives the whole definition anew
			switch p.peek(1).Word() {
			case word.View:
				return p.createView()
			case word.Procedure, word.Proc, word.Function, word.Trigger:
				return p.routine()
			}
		}
	case word.Drop:
		n := 1
		if w := p.peek(n).Word(); w == word.Temporary || w == word.Materialized || w == word.Foreign && p.peek(n+1).Word() == word.Table {
			n++
		}
		switch p.peek(n).Word() {
		case word.Table, word.View, word.Index, word.Type, word.Domain, word.Sequence:
			return p.drop()
		case word.Tables:
			if p.dialect.Has(dialect.ExecutedComments) {
				return p.drop()
			}
		}
	case word.Rename:
		if p.peek(1).Word() == word.Table {
			return p.renameTables()
		}
		if p.dialect == dialect.Oracle && p.peek(2).Word() == word.To {
			p.next()
			n := p.renameTable(false)
			n.node.span.Start = start
			return n
		}
	case word.Exec, word.Execute:
		if s := p.dynamicStmt(start); s != nil {
			return s
		}
		if renamed := p.renamedByProcedure(start); renamed != nil {
			return renamed
		}
	case word.Begin, word.If, word.While, word.Declare, word.Loop, word.Repeat, word.For, word.Case:
		if n := p.cursorQuery(); n > 0 {
			return p.inner(start, n)
		}
		if (p.dialect.Has(dialect.BlockStatements) || p.dialect == dialect.Spark && p.at(word.Begin)) && !p.beginsTransaction() {
			return p.anonymousBlock(start)
		}
	}
	if p.tok.Kind == LeftParen && p.startsQuery(1) {
		return p.selectStmt()
	}
	if p.tok.Kind == Stray || p.unknownStart() && !(p.dialect == dialect.Spark && (p.says(0, "msck") || p.says(0, "uncache") || p.says(0, "fsck") || p.says(0, "generate"))) {
		return p.noStatement()
	}
	return p.other()
}

// setsVariable reports whether SET @x = … stands here, whose value may be a query.
func (p *Parser) setsVariable() bool {
	t := p.peek(1)
	return t.Kind == VariableName && p.scan.src[t.Span.Start+1] != '@' && (p.peek(2).Kind == Equal || p.peek(2).Kind == AssignOperator) &&
		(p.dialect.Has(dialect.BatchLines) || p.dialect.Has(dialect.ExecutedComments))
}

func (p *Parser) noStatement() Stmt {
	start := p.start()
	p.fail("a statement")
	n := p.slabs.badStmts.New()
	n.node = p.node(start)
	return n
}

func (p *Parser) selectStmt() Stmt {
	start := p.start()
	q := p.queryWithInto()
	if _, ok := q.Body.(*Values); ok && p.dialect == dialect.Spark && p.accept(word.As) { // a table of its own, by name
		p.ident("a name for the rows")
		if p.tok.Kind == LeftParen {
			p.identList()
		}
	}
	n := p.slabs.selectStmts.Next()
	*n = SelectStmt{node: p.node(start), Query: q}
	return n
}

// withStmt reads a statement that begins with WITH, which may change data.
func (p *Parser) withStmt() Stmt {
	start, from := p.start(), p.i
	with := p.with()
	switch p.word {
	case word.Insert, word.Replace:
		return p.logged(p.insert(with))
	case word.Update:
		return p.logged(p.update(with))
	case word.Delete:
		return p.logged(p.delete(with))
	case word.Merge:
		return p.logged(p.merge(with))
	case word.From:
		if p.dialect == dialect.Spark { // which may put FROM first
			return p.passOver()
		}
	}
	q := p.slabs.querys.New()
	q.With = with
	p.queryBody(q, start, from)
	n := p.slabs.selectStmts.Next()
	*n = SelectStmt{node: p.node(start), Query: q}
	return n
}

// behindPassed reports whether another statement of Transact-SQL begins here, on the line of one
// that is passed over. kind is the word with which that begins, to whether the names of whom it
// grants to were passed: some statements hold words with which others begin.
func (p *Parser) behindPassed(kind word.Word, to bool) bool {
	if !p.goesOn() {
		return false
	}
	switch kind {
	case word.Grant, word.Deny, word.Revoke:
		return to && p.lastWord() != word.With
	case word.Alter:
		switch next := p.peek(1).Word(); p.word {
		case word.Set, word.Rollback, word.Reconfigure:
			return false
		case word.Drop: // not of a member, a file, an encryption
			return next == word.Table || next == word.View || next == word.Index || next == word.Proc || next == word.Procedure || next == word.Function
		case word.Grant, word.Deny: // not what an availability group may do
			return next != word.Create
		}
	case word.Drop:
		return !p.at(word.If) || p.peek(1).Word() != word.Exists
	case word.Bulk:
		return p.lastWord() != word.Bulk // INSERT
	case word.Exec, word.Execute:
		return !p.at(word.Revert) // AS … WITH NO REVERT
	}
	return true
}

// other passes over a statement that is only known by its first word.
func (p *Parser) other() Stmt {
	if (p.bodies == 0 || p.dialect == dialect.MariaDB) && !p.quoted && p.tok.Kind == WordToken && !p.dialect.HasStatement(strings.ToUpper(string(p.textOf(p.i)))) {
		return p.noStatement()
	}
	return p.passOver()
}

func (p *Parser) passOver() Stmt {
	keyword := p.tok.Span
	copies, stdin := p.at(word.Copy), false
	kind, to := p.word, false
	p.next()
	for !p.atEnd() && !p.startsAnother() && !p.behindPassed(kind, to) {
		stdin = stdin || p.at(word.Stdin)
		to = to || p.atAny(word.To, word.From)
		if p.dialect == dialect.SQLServer {
			p.skipOne()
		} else {
			p.next()
		}
	}
	if copies && stdin && p.i+1 == len(p.scan.tokens) && p.tok.Kind == Semicolon {
		p.scan.copyData()
	}
	return p.passed(keyword)
}

// passed gives a statement that was passed over and begins with a word.
func (p *Parser) passed(keyword text.Span) Stmt {
	n := p.slabs.otherStmts.Next()
	*n = OtherStmt{node: p.node(keyword.Start), Keyword: keyword}
	return n
}

// passRest passes over the rest of a statement that begins with the token of an index.
func (p *Parser) passRest(first int) Stmt {
	p.skipToEnd()
	return p.passed(p.scan.tokens[first].Span)
}

// passBatch passes over all up to the line that ends the batch.
func (p *Parser) passBatch() Stmt {
	keyword := p.tok.Span
	for p.tok.Kind != EOF && p.tok.Kind != BatchEnd {
		p.next()
	}
	return p.passed(keyword)
}

// wrapped reads the statement that EXPLAIN explains or PREPARE … AS prepares;
// nil where there is none.
func (p *Parser) wrapped(start text.Pos) Stmt {
	n := 1
	if p.at(word.Analyze) && (p.peek(1).Word() == word.Table || p.peek(2).Word() == word.Table) { // … UPDATE HISTOGRAM
		return nil
	}
	for ; p.peek(n).Kind == WordToken || p.peek(n).Kind == Equal || p.peek(n).Kind == TextToken; n++ {
		switch p.peek(n).Word() {
		case word.Select, word.Insert, word.Update, word.Delete, word.With, word.Replace, word.Merge, word.Values:
			return p.inner(start, n)
		}
	}
	if p.peek(n).Kind != LeftParen {
		return nil
	}
	if p.startsQuery(n) {
		return p.inner(start, n)
	}
	for depth := 0; p.peek(n).Kind != EOF; n++ { // options, or the types of parameters
		switch p.peek(n).Kind {
		case LeftParen:
			depth++
		case RightParen:
			depth--
		}
		if depth == 0 {
			break
		}
	}
	if n++; p.peek(n).Word() == word.As {
		n++
	}
	switch p.peek(n).Word() {
	case word.Select, word.Insert, word.Update, word.Delete, word.With, word.Merge, word.Values:
		return p.inner(start, n)
	}
	return nil
}

// cursorQuery gives how many tokens further on the query of PostgreSQL's DECLARE … CURSOR
// FOR stands, 0 where none does.
func (p *Parser) cursorQuery() int {
	if !p.at(word.Declare) || !p.dialect.Has(dialect.DollarQuotes) || p.quoted {
		return 0
	}
	cursor := false
	for n := 1; p.peek(n).Kind == WordToken || p.peek(n).Kind == QuotedName; n++ {
		cursor = cursor || p.peek(n).Word() == word.Cursor
		if cursor && p.peek(n).Word() == word.For && p.startsQuery(n+1) {
			return n + 1
		}
	}
	return 0
}

// openedQuery gives how many tokens further on the query of OPEN c FOR stands, 0 where none does.
func (p *Parser) openedQuery() int {
	const most = 12 // tokens of the cursor's name and options
	for n := 1; p.at(word.Open) && n < most; n++ {
		switch t := p.peek(n); {
		case t.Kind == Semicolon || t.Kind == EOF:
			return 0
		case t.Word() == word.For && p.startsQuery(n+1):
			return n + 1
		}
	}
	return 0
}

// copyQuery reads PostgreSQL's COPY (query) TO ….
func (p *Parser) copyQuery(start text.Pos) Stmt {
	p.next()
	p.next()
	mark := p.lists.stmts.Mark()
	p.lists.stmts.Push(p.selectStmt())
	p.expectKind(RightParen, ")")
	p.skipToEnd()
	c := p.slabs.controls.Next()
	*c = Control{Stmts: p.lists.stmts.Take(mark)}
	c.node = p.node(start)
	return c
}

// inner reads the statement that begins with the n-th token from here as part
// of the one that begins at start.
func (p *Parser) inner(start text.Pos, n int) Stmt {
	for ; n > 0; n-- {
		p.next()
	}
	mark := p.lists.stmts.Mark()
	p.lists.stmts.Push(p.statement())
	stmts := p.lists.stmts.Take(mark)
	c := p.slabs.controls.Next()
	*c = Control{node: p.node(start), Stmts: stmts}
	return c
}

// setStatement reads MariaDB's SET STATEMENT variable = value, … FOR statement.
func (p *Parser) setStatement(start text.Pos) Stmt {
	for !p.at(word.For) && !p.atEnd() {
		p.next()
	}
	p.expect(word.For)
	return p.inner(start, 0)
}

// unknownStart reports whether no statement begins like this: the word is no
// known one, and the dialect has no bare call of a procedure, or it resembles
// the first word of a statement.
func (p *Parser) unknownStart() bool {
	switch p.tok.Kind {
	case WordToken:
		if p.word != word.NoWord || p.bodies > 0 {
			return false
		}
	case TemplateMark, Placeholder, QuotedName, VariableName:
		return false
	default:
		return p.dialect.Has(dialect.KnownStatements)
	}
	name := p.scan.names.String(p.tok.Sym)
	if p.dialect.Has(dialect.KnownStatements) {
		return p.dialect != dialect.ANSI || !strings.HasPrefix(name, "sp_") && !strings.HasPrefix(name, "xp_") // procedures of SQL Server
	}
	for _, w := range []word.Word{word.Select, word.Insert, word.Update, word.Delete, word.Create, word.With} {
		if resembles(name, w.Lower()) {
			return true
		}
	}
	return false
}
