package syntax

import (
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// The functions of JSON in the standard, ISO/IEC 9075-2, have words of their own between and
// behind their arguments.

// makesObject reports whether a call makes an object of keys and values.
func (p *Parser) makesObject(c *Call) bool {
	return p.isCallOf(c, "json_object", "json_objectagg", "json_duality_object")
}

// jsonKey passes over KEY before the key of a JSON object.
func (p *Parser) jsonKey(c *Call) {
	switch next := p.peek(1); next.Kind {
	case WordToken, TextToken, QuotedName, NumberToken, Placeholder:
		if p.makesObject(c) && next.Word() != word.Value {
			p.next()
		}
	}
}

// jsonPart passes over what stands between two arguments of JSON_OBJECT in the place of a comma, and
// over FORMAT JSON behind any argument; it reports whether another argument follows.
func (p *Parser) jsonPart(c *Call) bool {
	if p.at(word.Format) && p.says(1, "json") {
		p.next()
		p.next()
		if p.says(0, "encoding") {
			p.next()
			p.next()
		}
		return p.acceptKind(Comma)
	}
	if p.tok.Kind != Colon || !p.makesObject(c) {
		return false
	}
	p.next()
	return true
}

// behindColon reads the name behind a colon, which the scanner takes together for a placeholder.
func (p *Parser) behindColon() Ident {
	s := text.Span{Start: p.tok.Span.Start + 1, End: p.tok.Span.End}
	p.next()
	return Ident{Span: s, Sym: p.scan.names.Intern(p.scan.src[s.Start:s.End])}
}

// jsonText passes over JSON {…} and JSON […] of Oracle ("JSON Constructor").
func (p *Parser) jsonText(start text.Pos) Expr {
	p.next()
	for depth := 0; !p.atEnd(); {
		switch first := p.scan.src[p.tok.Span.Start]; {
		case p.tok.Kind == LeftBracket || p.tok.Kind == Stray && first == '{':
			depth++
		case p.tok.Kind == RightBracket || p.tok.Kind == Stray && first == '}':
			depth--
		}
		p.next()
		if depth <= 0 {
			break
		}
	}
	p.opens(p.since(start))
	n := p.slabs.params.New()
	n.node = p.node(start)
	return n
}

// jsonValue reads the value behind 'key':name, of which the scanner makes a placeholder; nil where
// none stands.
func (p *Parser) jsonValue(c *Call) Expr {
	if p.tok.Kind != Placeholder && p.tok.Kind != TemplateMark || p.scan.src[p.tok.Span.Start] != ':' || !p.makesObject(c) {
		return nil
	}
	first := p.behindColon()
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(first)
	for p.acceptKind(Dot) {
		p.lists.idents.Push(p.partAfterDot())
	}
	n := p.slabs.names.Next()
	*n = Name{node: p.node(first.Span.Start), Parts: p.lists.idents.Take(mark)}
	return p.exprFrom(first.Span.Start, n, 0)
}
