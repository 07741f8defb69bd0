package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/slab"
	"justlens/core/text"
)

// lists are the builders of all element types.
type lists struct {
	idents      slab.Builder[Ident]
	exprs       slab.Builder[Expr]
	items       slab.Builder[*SelectItem]
	orders      slab.Builder[*OrderItem]
	tables      slab.Builder[TableExpr]
	refs        slab.Builder[*TableRef]
	whens       slab.Builder[*When]
	ctes        slab.Builder[*CTE]
	windows     slab.Builder[*Window]
	rows        slab.Builder[*Row]
	assigns     slab.Builder[*Assign]
	columns     slab.Builder[*ColumnDef]
	constraints slab.Builder[*Constraint]
	stmts       slab.Builder[Stmt]
	branches    slab.Builder[*MergeBranch]
	actions     slab.Builder[*AlterAction]
}

func (l *lists) reset() {
	l.idents.Reset()
	l.exprs.Reset()
	l.items.Reset()
	l.orders.Reset()
	l.tables.Reset()
	l.refs.Reset()
	l.whens.Reset()
	l.ctes.Reset()
	l.windows.Reset()
	l.rows.Reset()
	l.assigns.Reset()
	l.columns.Reset()
	l.constraints.Reset()
	l.stmts.Reset()
	l.branches.Reset()
	l.actions.Reset()
}

// commaList calls one for each element of a list separated by commas.
func (p *Parser) commaList(one func()) {
	one()
	for p.acceptKind(Comma) && !p.trailingComma() {
		one()
	}
}

// exprList reads expressions separated by commas.
func (p *Parser) exprList() []Expr {
	mark := p.lists.exprs.Mark()
	p.lists.exprs.Push(p.expr())
	for p.acceptKind(Comma) && !p.trailingComma() {
		p.lists.exprs.Push(p.expr())
	}
	return p.lists.exprs.Take(mark)
}

// strictList is exprList where elements side by side can only lack a comma.
func (p *Parser) strictList() []Expr {
	mark := p.lists.exprs.Mark()
	p.lists.exprs.Push(p.expr())
	for p.acceptKind(Comma) && !p.trailingComma() || p.missingComma() {
		p.lists.exprs.Push(p.expr())
	}
	return p.lists.exprs.Take(mark)
}

// identList reads (a, b, c).
func (p *Parser) identList() []Ident {
	mark := p.lists.idents.Mark()
	p.expectKind(LeftParen, "(")
	p.commaList(func() { p.lists.idents.Push(p.ident("a column name")) })
	p.expectKind(RightParen, ")")
	return p.lists.idents.Take(mark)
}

// ident reads one name.
func (p *Parser) ident(what string) Ident {
	if !p.atName() {
		p.fail(what)
		return Ident{}
	}
	if !p.at(word.JsonTable) || p.peek(1).Kind != LeftParen {
		p.reservedName()
	}
	id := Ident{Span: p.tok.Span, Sym: p.tok.Sym, Quoted: p.tok.Kind == QuotedName}
	if p.tok.Kind == TextToken { // of SQLite
		id.Sym, id.Quoted = p.textSym(p.tok.Span), true
	}
	p.next()
	return id
}

// atName reports whether tok can be a name in a place where nothing else can
// stand.
func (p *Parser) atName() bool {
	switch p.tok.Kind {
	case QuotedName, VariableName, TemplateMark:
		return true
	case Placeholder:
		return p.isPutIn()
	case TextToken:
		return p.dialect.Has(dialect.TextNames)
	case WordToken:
		return stops[p.word]&notName == 0 || p.isFree(p.word)
	}
	return false
}

// says reports whether the word n tokens on is this one, in small letters, which no grammar
// here reserves.
func (p *Parser) says(n int, name string) bool {
	t := p.peek(n)
	if n == 0 {
		t = p.tok
	}
	return t.Kind == WordToken && p.scan.names.String(t.Sym) == name
}

// path reads a name of several parts.
func (p *Parser) path(what string) []Ident {
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(p.ident(what))
	for p.tok.Kind == Dot {
		p.next()
		if p.tok.Kind == Dot { // database..table
			continue
		}
		if p.acceptKind(Asterisk) { // t.* among the targets of DELETE
			break
		}
		p.reservedBehindDot()
		p.lists.idents.Push(p.partAfterDot())
	}
	return p.lists.idents.Take(mark)
}

// partAfterDot reads a name where even a reserved word can only be one.
func (p *Parser) partAfterDot() Ident {
	if p.tok.Kind == TextToken && p.dialect.Has(dialect.TextNames) {
		id := Ident{Span: p.tok.Span, Sym: p.textSym(p.tok.Span), Quoted: true}
		p.next()
		return id
	}
	if p.tok.Kind != WordToken && p.tok.Kind != QuotedName && p.tok.Kind != TemplateMark && !(p.tok.Kind == Placeholder && p.isPutIn()) {
		p.fail("a name after the dot")
		return Ident{}
	}
	id := Ident{Span: p.tok.Span, Sym: p.tok.Sym, Quoted: p.tok.Kind == QuotedName}
	p.next()
	return id
}

// alias reads [AS] name; stop tells which words begin something else.
func (p *Parser) alias(stop uint8) (as bool, id Ident) {
	if p.at(word.As) && p.peek(1).Word() != word.Of {
		p.next()
		if p.tok.Kind == LeftParen && stop == notOutputAlias { // several names for what one function gives
			return true, p.identList()[0]
		}
		if p.tok.Kind == TextToken {
			id = Ident{Span: p.tok.Span, Sym: p.textSym(p.tok.Span), Quoted: true}
			p.next()
			return true, id
		}
		if p.atUnicodeQuote() {
			p.next()
			p.next()
			id = p.partAfterDot()
			p.acceptUescape()
			return true, id
		}
		if p.tok.Kind == WordToken {
			if p.reservedAlias(stop) {
				return true, p.ident("a name after AS") // the clause follows, and the alias was left out
			}
			return true, p.partAfterDot()
		}
		return true, p.ident("a name after AS")
	}
	if p.tok.Kind == QuotedName || p.tok.Kind == WordToken && (stops[p.word]&stop == 0 || p.isClauseAlias(stop)) && !p.startsOther() && !p.logsErrors() && !(p.inFor && p.atAny(word.Loop, word.Do)) {
		return false, p.partAfterDot()
	}
	return false, Ident{}
}

// textSym gives the number of a name that stands in text quotes.
func (p *Parser) textSym(s text.Span) Sym {
	return p.scan.names.Intern(p.scan.src[s.Start+1 : max(s.End-1, s.Start+1)])
}
