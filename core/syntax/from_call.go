package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// funcTable reads the rest of a function in FROM.
func (p *Parser) funcTable(start text.Pos, lateral bool, name []Ident) TableExpr {
	f := p.slabs.funcTables.New()
	f.Lateral = lateral
	mark := p.lists.exprs.Mark()
	p.lists.exprs.Push(p.tableCall(f, start, name))
	f.Calls = p.lists.exprs.Take(mark)
	for p.dialect == dialect.SQLServer && p.acceptKind(Dot) { // OPENDATASOURCE (…).db.dbo.t
		if p.tok.Kind != Dot {
			p.partAfterDot()
		}
	}
	if p.at(word.With) && (p.peek(1).Word() == word.Ordinality || p.peek(1).Word() == word.Offset) {
		p.next()
		p.next()
		f.Ordinality = true
	}
	if p.at(word.With) && p.peek(1).Kind == LeftParen { // the columns that OPENJSON gives
		idents := p.lists.idents.Mark()
		p.tableColumns()
		f.Columns, f.Typed = p.lists.idents.Take(idents), true
	}
	if p.dialect == dialect.Oracle && p.tok.Kind == LeftParen && p.peek(1).Kind == Plus { // TABLE (…) (+)
		p.skipParens()
	}
	if p.at(word.As) && p.peek(1).Kind == LeftParen {
		p.next()
		f.As = true
	} else {
		f.As, f.Alias = p.alias(notTableAlias)
		if p.tok.Kind == LeftParen && f.Alias.IsZero() && p.dialect == dialect.Postgres {
			p.fail("a name for the table")
		}
	}
	if p.tok.Kind == LeftParen {
		begun := p.i
		p.next()
		idents := p.lists.idents.Mark()
		p.commaList(func() {
			p.lists.idents.Push(p.ident("a column name"))
			for p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() {
				p.skipOne()
				f.Typed = true
			}
		})
		f.Columns = p.lists.idents.Take(idents)
		p.expectKind(RightParen, ")")
		p.checkPart("recorddef", begun)
	}
	f.node = p.node(start)
	return f
}

// rowsFrom reads ROWS FROM (function [AS (columns)], …).
func (p *Parser) rowsFrom(start text.Pos) TableExpr {
	p.next()
	p.next()
	p.next()
	f := p.slabs.funcTables.New()
	mark := p.lists.exprs.Mark()
	p.commaList(func() {
		p.lists.exprs.Push(p.expr())
		if p.accept(word.As) {
			begun := p.i
			p.skipParens()
			p.checkPart("recorddef", begun)
		}
	})
	f.Calls = p.lists.exprs.Take(mark)
	p.expectKind(RightParen, ")")
	if p.at(word.With) && p.peek(1).Word() == word.Ordinality {
		p.next()
		p.next()
	}
	f.As, f.Alias = p.alias(notTableAlias)
	if p.tok.Kind == LeftParen {
		f.Columns = p.identList()
	}
	f.node = p.node(start)
	return f
}

// tableCall reads a function in FROM; of those with a grammar of their own the columns are
// taken and the rest of the inside is passed over.
func (p *Parser) tableCall(f *FuncTable, start text.Pos, name []Ident) Expr {
	if name == nil {
		return p.primary()
	}
	switch last := name[len(name)-1].Sym; word.Word(last) {
	case word.Xmltable, word.JsonTable:
		begun := p.i
		p.expectKind(LeftParen, "(")
		c := p.slabs.calls.New()
		c.Name, c.Args = name, p.documents()
		if p.at(word.Columns) {
			idents := p.lists.idents.Mark()
			p.tableColumns()
			f.Columns, f.Typed = p.lists.idents.Take(idents), true
		}
		for p.tok.Kind != RightParen && !p.atEnd() {
			p.skipOne()
		}
		p.expectKind(RightParen, ")")
		if word.Word(last) == word.Xmltable {
			p.checkPart("xmltable", begun)
		}
		c.node = p.node(start)
		return c
	case word.VectorSearch, word.GraphTable:
		p.skipParens()
		p.opens(p.since(start)) // it gives names to what it searches
		c := p.slabs.calls.New()
		c.Name = name
		c.node = p.node(start)
		return c
	}
	return p.call(start, name)
}

// documents reads what JSON_TABLE and XMLTABLE are made of, up to COLUMNS: a document, a path, and
// what PASSING hands over.
func (p *Parser) documents() []Expr {
	mark := p.lists.exprs.Mark()
	if p.says(0, "xmlnamespaces") && p.peek(1).Kind == LeftParen {
		p.next()
		p.skipParens()
		p.acceptKind(Comma)
	}
	p.lists.exprs.Push(p.expr())
	for p.tok.Kind != RightParen && !p.at(word.Columns) && !p.atEnd() && !p.broken {
		if !p.acceptKind(Comma) && !p.accept(word.Passing) {
			p.skipOne() // FORMAT JSON, ERROR ON ERROR
			continue
		}
		p.passedBy()
		p.lists.exprs.Push(p.expr())
		if p.accept(word.As) {
			p.partAfterDot()
		}
		p.passedBy()
	}
	return p.lists.exprs.Take(mark)
}

// tableColumns reads COLUMNS or WITH and its list, which XMLTABLE has without parentheses, and
// pushes their names; those of a nested path are columns like the others.
func (p *Parser) tableColumns() {
	p.next()
	inParens := p.acceptKind(LeftParen)
	for !p.atEnd() && p.tok.Kind != RightParen {
		nested := p.at(word.Nested)
		if !nested {
			p.lists.idents.Push(p.ident("a column name"))
		}
		for p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() {
			if nested && p.at(word.Columns) {
				p.tableColumns()
				continue
			}
			p.skipOne()
		}
		if !p.acceptKind(Comma) {
			break
		}
	}
	if inParens {
		p.expectKind(RightParen, ")")
	}
}

// lateralViews reads Spark's LATERAL VIEW [OUTER] function table AS columns.
func (p *Parser) lateralViews() {
	for p.at(word.Lateral) && p.peek(1).Word() == word.View {
		start := p.start()
		p.next()
		p.next()
		p.accept(word.Outer)
		f := p.slabs.funcTables.New()
		f.Lateral = true
		exprs := p.lists.exprs.Mark()
		p.lists.exprs.Push(p.expr())
		f.Calls = p.lists.exprs.Take(exprs)
		if !p.at(word.As) && p.atName() && stops[p.word]&notTableAlias == 0 {
			f.Alias = p.ident("a name for the table")
		}
		if p.accept(word.As) {
			idents := p.lists.idents.Mark()
			p.commaList(func() { p.lists.idents.Push(p.ident("a column name")) })
			f.Columns = p.lists.idents.Take(idents)
		}
		f.node = p.node(start)
		p.lists.tables.Push(f)
	}
}

// startsWrite reports whether a write begins at the n-th token from here.
func (p *Parser) startsWrite(n int) bool {
	switch p.peek(n).Word() {
	case word.Merge, word.Insert, word.Update, word.Delete:
		return true
	}
	return false
}

// writtenRows passes over a write in FROM, which gives its OUTPUT as a table (Transact-SQL, "FROM",
// nested DML), and reads the table's name and columns.
func (p *Parser) writtenRows(start text.Pos) TableExpr {
	p.skipParens()
	p.opens(p.since(start))
	f := p.slabs.funcTables.New()
	if f.As, f.Alias = p.alias(notTableAlias); p.tok.Kind == LeftParen {
		f.Columns = p.identList()
	}
	f.node = p.node(start)
	return f
}

// atForm reports whether a call with a grammar of its own stands where a table may, as
// PostgreSQL lets it: CAST (…), COLLATION FOR (…), LOCALTIMESTAMP (3) ("SELECT", "FROM").
func (p *Parser) atForm() bool {
	if !p.dialect.Has(dialect.DollarQuotes) {
		return false
	}
	switch p.word {
	case word.Collation:
		return p.peek(1).Word() == word.For && p.peek(2).Kind == LeftParen
	case word.Cast, word.Localtime, word.Localtimestamp, word.CurrentTime, word.CurrentTimestamp, word.Extract, word.Trim, word.Position, word.Substring, word.Overlay:
		return p.peek(1).Kind == LeftParen
	}
	return false
}
