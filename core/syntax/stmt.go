package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
)

// statement reads one statement of any kind.
func (p *Parser) statement() Stmt {
	start := p.start()
	switch p.word {
	case word.Select, word.Values, word.Table:
		return p.selectStmt()
	case word.With:
		return p.withStmt()
	case word.Insert:
		return p.insert(nil)
	case word.Replace:
		if p.peek(1).Kind == WordToken || p.peek(1).Kind == QuotedName {
			return p.insert(nil)
		}
	case word.Update:
		return p.update(nil)
	case word.Delete:
		return p.delete(nil)
	case word.Create:
		return p.create()
	case word.Begin, word.If, word.While, word.Declare, word.Loop, word.Repeat, word.For, word.Case:
		if p.dialect.Has(dialect.BlockStatements) && !p.beginsTransaction() {
			return p.anonymousBlock(start)
		}
	}
	if p.tok.Kind == LeftParen && p.startsQuery(1) {
		return p.selectStmt()
	}
	if p.tok.Kind == Stray {
		p.fail("a statement")
		n := p.slabs.badStmts.new()
		n.node = p.node(start)
		return n
	}
	return p.other()
}

func (p *Parser) selectStmt() Stmt {
	start := p.start()
	q := p.query()
	n := p.slabs.selectStmts.new()
	*n = SelectStmt{node: p.node(start), Query: q}
	return n
}

// withStmt reads a statement that begins with WITH, which may change data.
func (p *Parser) withStmt() Stmt {
	start, from := p.start(), p.i
	with := p.with()
	switch p.word {
	case word.Insert, word.Replace:
		return p.insert(with)
	case word.Update:
		return p.update(with)
	case word.Delete:
		return p.delete(with)
	case word.Merge:
		return p.other()
	}
	q := p.slabs.querys.new()
	q.With = with
	q.Body = p.setOps(0)
	p.resultClauses(q, from)
	q.node = p.node(start)
	n := p.slabs.selectStmts.new()
	*n = SelectStmt{node: p.node(start), Query: q}
	return n
}

// other passes over a statement that is only known by its first word.
func (p *Parser) other() Stmt {
	start, keyword := p.start(), p.tok.Span
	p.next()
	for !p.atEnd() && !p.startsAnother() {
		p.next()
	}
	n := p.slabs.otherStmts.new()
	*n = OtherStmt{node: p.node(start), Keyword: keyword}
	return n
}
