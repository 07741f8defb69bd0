package syntax

import (
	"bytes"
	"slices"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// quotedBody reads the body of a routine that stands as text in quotes, as PostgreSQL has
// it, onto the stack of statements. Its tokens take the place of the text among those of
// the statement, so that all spans lie in the file. Text in a language other than SQL and
// PL/pgSQL is passed over.
// (PostgreSQL's manual, "CREATE FUNCTION", "DO" and "Structure of PL/pgSQL")
func (p *Parser) quotedBody() {
	inside, ok := p.insideQuotes(p.tok)
	if !ok || p.skims || p.quoted || !p.isLanguageRead() {
		if !p.quoted {
			p.bodyUnread = true
		}
		p.next()
		return
	}
	body, at, begun := p.tok, p.i, p.begun
	outer := p.scan
	p.quoted = true
	written := p.undouble(inside)
	defer func() {
		copy(outer.src[inside.Start:], written)
		if p.quoted { // a fault ended it: what skips the statement needs its own tokens
			p.scan, p.quoted, p.i, p.begun = outer, false, at, begun
		}
	}()
	inside.Start += p.directivesAt(inside)
	p.scan = scanner{names: outer.names, rules: outer.rules, src: outer.src[:inside.End], pos: int(inside.Start), comments: p.within.comments[:0], tokens: p.within.tokens[:0]}
	p.scan.fill()
	p.i, p.begun, p.last = 0, 0, inside.Start
	p.load()
	for !p.broken && p.tok.Kind != EOF {
		if !p.acceptKind(Semicolon) {
			p.bodyStmt()
			if !p.broken && p.tok.Kind != Semicolon && p.tok.Kind != EOF {
				p.fail("the end of the statement")
			}
		}
		p.mendBody()
	}
	for p.scan.pos < len(p.scan.src) {
		p.scan.fill() // what an error left
	}
	p.within = p.scan
	p.scan, p.quoted, p.broken, p.begun = outer, false, false, begun
	tokens := p.within.tokens
	for len(tokens) > 0 && tokens[len(tokens)-1].Kind == EOF {
		tokens = tokens[:len(tokens)-1]
	}
	tokens = append(tokens, Token{Kind: BodyQuote, Span: text.Span{Start: inside.End, End: body.Span.End}})
	p.within.tokens = tokens
	p.scan.tokens[at] = Token{Kind: BodyQuote, Span: text.Span{Start: body.Span.Start, End: inside.Start}}
	p.scan.tokens = slices.Insert(p.scan.tokens, at+1, tokens...)
	p.scan.comments = append(p.scan.comments, p.within.comments...)
	slices.SortFunc(p.scan.comments, func(a, b text.Span) int { return int(a.Start) - int(b.Start) })
	p.spliced = true
	p.last, p.i = body.Span.End, at+1+len(tokens)
	if p.i == len(p.scan.tokens) {
		p.scan.fill()
	}
	p.load()
}

// directivesAt gives the length of the lines such as #variable_conflict use_column that
// begin a body in PL/pgSQL.
func (p *Parser) directivesAt(body text.Span) (length text.Pos) {
	for {
		rest := p.scan.src[body.Start+length : body.End]
		blanks := len(rest) - len(bytes.TrimLeft(rest, " \t\r\n"))
		if blanks == len(rest) || rest[blanks] != '#' {
			return length
		}
		end := bytes.IndexByte(rest[blanks:], '\n')
		if end < 0 {
			return length
		}
		p.settled = p.settled || settlesConflict(rest[blanks:blanks+end])
		length += text.Pos(blanks + end)
	}
}

// undouble makes one quote and a blank of each pair of quotes in a body that stands in
// quotes itself, so that what is read has the length and the places of what is written. The
// quotes within such a text stay as they are. It gives what was there, to be put back, nil
// where nothing was to be done.
func (p *Parser) undouble(inside text.Span) (written []byte) {
	src := p.scan.src[inside.Start:inside.End]
	if p.scan.src[inside.Start-1] != '\'' {
		return nil
	}
	p.inQuotes = append(p.inQuotes, inside)
	if bytes.IndexByte(src, '\'') < 0 {
		return nil
	}
	written = bytes.Clone(src)
	within := false
	for i := 0; i+1 < len(src); i++ {
		switch {
		case src[i] == '\'' && within && bytes.HasPrefix(written[i:], []byte("''''")):
			i += 3
		case src[i] == '\'':
			src[i], src[i+1] = ' ', '\''
			if within {
				src[i], src[i+1] = '\'', ' '
			}
			within = !within
			i++
		case within:
		case src[i] == '"':
			i += max(0, bytes.IndexByte(src[i+1:], '"')) + 1
		case src[i] == '-' && src[i+1] == '-':
			i += max(0, bytes.IndexByte(src[i:], '\n'))
		case src[i] == '/' && src[i+1] == '*':
			i += max(0, bytes.Index(src[i:], []byte("*/")))
		}
	}
	return written
}

// insideQuotes gives what stands between the quotes of a text.
func (p *Parser) insideQuotes(t Token) (text.Span, bool) {
	src := p.scan.src[t.Span.Start:t.Span.End]
	switch {
	case len(src) > 1 && src[0] == '$':
		tag := 1 + bytes.IndexByte(src[1:], '$') + 1
		return text.Span{Start: t.Span.Start + text.Pos(tag), End: t.Span.End - text.Pos(tag)}, len(src) >= 2*tag
	case len(src) > 1 && src[0] == '\'' && src[len(src)-1] == '\'':
		return text.Span{Start: t.Span.Start + 1, End: t.Span.End - 1}, true
	}
	return text.Span{}, false
}

// isLanguageRead reports whether the language that a statement names for its body is SQL
// or PL/pgSQL; DO takes the latter if none is named.
func (p *Parser) isLanguageRead() bool {
	for i := p.first; i+1 < len(p.scan.tokens); i++ {
		if p.scan.tokens[i].Word() != word.Language {
			continue
		}
		name := p.scan.tokens[i+1]
		switch string(bytes.ToLower(bytes.Trim(p.scan.src[name.Span.Start:name.Span.End], `'"`))) {
		case "sql", "plpgsql":
			return true
		}
		return false
	}
	return p.scan.tokens[p.first].Word() == word.Do
}

// hasQuotedBody reports whether the statement goes on to a body in quotes.
func (p *Parser) hasQuotedBody() bool {
	if !p.dialect.Has(dialect.DollarQuotes) {
		return false
	}
	for i := p.i; i+1 < len(p.scan.tokens); i++ {
		if p.scan.tokens[i].Word() == word.As && p.scan.tokens[i+1].Kind == TextToken {
			return true
		}
	}
	return false
}

// doStmt reads PostgreSQL's DO, whose body is in PL/pgSQL unless it says otherwise.
func (p *Parser) doStmt() Stmt {
	start := p.start()
	mark, declared := p.lists.stmts.mark(), len(p.declared)
	p.settled = false
	p.next()
	for !p.atEnd() {
		if p.tok.Kind == TextToken && p.lastWord() != word.Language {
			p.quotedBody()
			continue
		}
		p.next()
	}
	n := p.slabs.routines.New()
	body := p.lists.stmts.take(mark)
	*n = Routine{node: p.node(start), Declared: p.takeDeclared(declared), Body: body}
	return n
}
