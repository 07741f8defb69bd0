package syntax

import (
	"bytes"
	"cmp"
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
	p.splice(inside)
}

// splice reads what stands inside the text tok as statements.
func (p *Parser) splice(inside text.Span) {
	body, at, begun := p.tok, p.i, p.begun
	outer, quoted := p.scan, p.quoted
	scratch := p.within
	if quoted {
		scratch = scanner{} // a text within a body: the other is in use
	}
	p.quoted = true
	written, done := p.undouble(inside), false
	defer func() {
		copy(outer.src[inside.Start:], written)
		if !done { // a fault ended it: what skips the statement needs its own tokens
			p.scan, p.quoted, p.i, p.begun = outer, quoted, at, begun
		}
	}()
	inside.Start += p.directivesAt(inside)
	p.scan = scanner{names: outer.names, rules: outer.rules, src: outer.src[:inside.End], pos: int(inside.Start), comments: scratch.comments[:0], tokens: scratch.tokens[:0]}
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
	inner := p.scan
	p.scan, p.quoted, p.broken, p.begun, done = outer, quoted, false, begun, true
	tokens := inner.tokens
	for len(tokens) > 0 && tokens[len(tokens)-1].Kind == EOF {
		tokens = tokens[:len(tokens)-1]
	}
	tokens = append(tokens, Token{Kind: BodyQuote, Span: text.Span{Start: inside.End, End: body.Span.End}})
	p.scan.tokens[at] = Token{Kind: BodyQuote, Flags: opens, Span: text.Span{Start: body.Span.Start, End: inside.Start}}
	p.scan.tokens = slices.Insert(p.scan.tokens, at+1, tokens...)
	p.scan.comments = append(p.scan.comments, inner.comments...)
	if inner.tokens = tokens; !quoted {
		p.within = inner
	}
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
		blanks := leadingRemarks(rest)
		if blanks == len(rest) || rest[blanks] != '#' {
			return length
		}
		end := bytes.IndexByte(rest[blanks:], '\n')
		if end < 0 {
			return length
		}
		if fields := bytes.Fields(rest[blanks : blanks+end]); len(fields) > 1 && string(fields[0]) == "#variable_conflict" {
			p.clashing = string(fields[1])
		}
		length += text.Pos(blanks + end)
	}
}

// leadingRemarks gives the length of the blanks and comments of a line with which a text begins.
func leadingRemarks(src []byte) int {
	rest := bytes.TrimLeft(src, " \t\r\n")
	for bytes.HasPrefix(rest, []byte("--")) {
		_, rest, _ = bytes.Cut(rest, []byte("\n"))
		rest = bytes.TrimLeft(rest, " \t\r\n")
	}
	return len(src) - len(rest)
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
	if !p.inDoubled(inside) {
		at, _ := slices.BinarySearchFunc(p.inQuotes, inside, func(a, b text.Span) int { return cmp.Compare(a.Start, b.Start) })
		p.inQuotes = slices.Insert(p.inQuotes, at, inside) // a part that is read again may come late
	}
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
	case len(src) > 2 && (src[0] == 'N' || src[0] == 'n') && src[1] == '\'' && src[len(src)-1] == '\'':
		return text.Span{Start: t.Span.Start + 2, End: t.Span.End - 1}, true
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

// dynamicStmt reads the statement that EXECUTE, EXEC, EXECUTE IMMEDIATE, sp_executesql or
// PREPARE … FROM is given as one text; nil where it is not.
func (p *Parser) dynamicStmt(start text.Pos) Stmt {
	n := 0
	switch next := p.peek(1); {
	case p.at(word.Prepare):
		if p.peek(2).Word() == word.From {
			n = 3
		}
	case next.Kind == TextToken && p.quoted:
		n = 1
	case p.peek(2).Kind != TextToken:
	case next.Word() == word.Immediate, next.Kind == LeftParen && p.peek(3).Kind == RightParen,
		next.Kind == WordToken && p.scan.names.String(next.Sym) == "sp_executesql":
		n = 2
	}
	t := p.peek(n)
	if n == 0 || t.Kind != TextToken || p.skims || !p.endsDynamic(p.peek(n+1)) {
		return nil
	}
	inside, ok := p.insideQuotes(t)
	if !ok || p.scan.rules.backslash && bytes.IndexByte(p.scan.src[inside.Start:inside.End], '\\') >= 0 || p.inDoubled(inside) {
		return nil
	}
	for ; n > 0; n-- {
		p.next()
	}
	mark := p.lists.stmts.Mark()
	p.splice(inside)
	for !p.atEnd() && !p.atNext() && !p.at(word.Loop) {
		p.next()
	}
	stmts := p.lists.stmts.Take(mark)
	c := p.slabs.controls.Next()
	*c = Control{node: p.node(start), Stmts: stmts}
	return c
}

// endsDynamic reports whether a token may stand behind a text that is all of a dynamic
// statement.
func (p *Parser) endsDynamic(t Token) bool {
	switch t.Kind {
	case EOF, Semicolon, BatchEnd, Comma, RightParen:
		return true
	case WordToken:
		switch t.Word() {
		case word.Into, word.Using, word.Bulk, word.Returning, word.Loop:
			return true
		}
		return p.dialect.Has(dialect.BatchLines) && t.Word() != word.Operator
	}
	return false
}

// inDoubled reports whether a place lies in a body whose quotes are doubled.
func (p *Parser) inDoubled(s text.Span) bool { return text.Within(p.inQuotes, s) }

// doStmt reads PostgreSQL's DO, whose body is in PL/pgSQL unless it says otherwise.
func (p *Parser) doStmt() Stmt {
	start := p.start()
	mark, declared := p.lists.stmts.Mark(), len(p.declared)
	p.clashing = ""
	p.next()
	for !p.atEnd() {
		if p.tok.Kind == TextToken && p.lastWord() != word.Language {
			p.quotedBody()
			continue
		}
		p.next()
	}
	n := p.slabs.routines.New()
	body := p.lists.stmts.Take(mark)
	*n = Routine{node: p.node(start), Declared: p.takeDeclared(declared), Variable: p.clashing == "use_variable", Body: body}
	return n
}
