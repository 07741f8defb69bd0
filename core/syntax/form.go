package syntax

import (
	"bytes"
	"slices"
	"strconv"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// matcher holds a statement against the form that its dialect knows for it.
type matcher struct {
	p        *Parser
	end      int // index of the token behind the statement
	furthest int // index of the token that fits no further
	expected []string
	depth    int
	// quiet tells that only whether the form fits is asked: what could stand where it does
	// not is looked for once more then.
	quiet bool
}

// checkForm reports the token from which on a statement that was read, from the
// token of index first, does not follow the form that the dialect knows.
func (p *Parser) checkForm(first int) {
	if p.scan.tokens[first].Kind == WordToken {
		p.checkPart(strings.ToUpper(string(p.textOf(first))), first)
	}
}

// checkPart holds the tokens from index first to tok against a form of the
// dialect, if it knows one by that name.
func (p *Parser) checkPart(name string, first int) {
	if p.broken || len(p.errors) > 0 {
		return
	}
	form, ok := p.dialect.Form(name)
	if !ok || p.quoted || p.skims {
		return // within a body its own variables may stand for names and values
	}
	m := matcher{p: p, end: p.i, furthest: first, quiet: true}
	for i := first; i < m.end; i++ {
		if k := p.scan.tokens[i].Kind; k == TemplateMark || k == Stray || k == Placeholder && (p.dialect == dialect.Postgres) != (p.textOf(i)[0] == '$') {
			return
		}
	}
	at, fits := m.match(form, first)
	if fits && at == m.end {
		p.move(m.end)
		return
	}
	m.quiet = false
	if at, fits = m.match(form, first); fits {
		m.miss(at, "the end of the statement")
	}
	p.move(m.end)
	last := p.last
	p.move(m.furthest)
	if keyword := m.meant(); keyword != "" {
		p.breakOff(Error{Kind: SlipError, Span: p.tok.Span, Found: string(p.textOf(m.furthest)), Replace: keyword})
	} else {
		p.fail(oneOf(m.expected))
	}
	p.last = last // nodes that are not finished yet reach as far as was read
}

// meant gives the keyword that a word misspells where one was expected, "" for none.
func (m *matcher) meant() string {
	if m.at(m.furthest).Kind != WordToken {
		return ""
	}
	var keywords []string
	for _, e := range m.expected {
		if len(e) > 2 && strings.ToUpper(e) == e && e[0] >= 'A' {
			keywords = append(keywords, e)
		}
	}
	return text.Nearest(string(m.p.textOf(m.furthest)), keywords)
}

// move goes to the token of index i.
func (p *Parser) move(i int) {
	p.i = i
	if i > p.begun {
		p.last = p.scan.tokens[i-1].Span.End
	}
	p.load()
}

// textOf gives the text of the token of index i.
func (p *Parser) textOf(i int) []byte {
	t := p.scan.tokens[i]
	return p.scan.src[t.Span.Start:t.Span.End]
}

// oneOf joins what could stand in a place; of many the first few.
func oneOf(expected []string) string {
	isMark := func(s string) bool { return s == "a comma" || s == ")" }
	slices.SortStableFunc(expected, func(a, b string) int { // what ends the part before is the likeliest
		switch {
		case isMark(a) == isMark(b):
			return 0
		case isMark(a):
			return -1
		}
		return 1
	})
	if len(expected) > 4 {
		expected = expected[:4]
	}
	if n := len(expected); n > 1 {
		return strings.Join(expected[:n-1], ", ") + " or " + expected[n-1]
	}
	return strings.Join(expected, "")
}

// miss records that the token of index i is not what was expected.
func (m *matcher) miss(i int, expected string) (int, bool) {
	if m.quiet {
		return i, false
	}
	if i > m.furthest {
		m.furthest, m.expected = i, m.expected[:0]
	}
	if i == m.furthest {
		for _, e := range m.expected {
			if e == expected {
				return i, false
			}
		}
		m.expected = append(m.expected, expected)
	}
	return i, false
}

// match holds the tokens from index i on against f and gives the index behind.
func (m *matcher) match(f *dialect.Form, i int) (int, bool) {
	if m.quiet && !m.mayBegin(f, i) {
		return i, false
	}
	if m.depth++; m.depth > maxDepth {
		return m.end, true
	}
	next, ok := m.matchKind(f, i)
	m.depth--
	return next, ok
}

// mayBegin reports whether the token of index i may begin a form.
func (m *matcher) mayBegin(f *dialect.Form, i int) bool {
	t := m.at(i)
	if t.Kind == WordToken {
		return f.MayBegin(t.Word())
	}
	return f.MayBeginMark(m.p.scan.src[min(int(t.Span.Start), len(m.p.scan.src)-1)])
}

func (m *matcher) matchKind(f *dialect.Form, i int) (int, bool) {
	switch f.Kind {
	case dialect.FormSequence:
		for _, part := range f.Parts {
			next, ok := m.match(part, i)
			if !ok {
				return i, false
			}
			i = next
		}
		return i, true
	case dialect.FormChoice:
		for _, part := range f.Parts {
			if next, ok := m.match(part, i); ok {
				return next, true
			}
		}
		return i, false
	case dialect.FormOptional:
		if next, ok := m.match(f.Parts[0], i); ok {
			return next, true
		}
		return i, true
	case dialect.FormList:
		return m.list(f.Parts[0], i)
	case dialect.FormRepeat:
		next, ok := m.match(f.Parts[0], i)
		for more := ok; more && next > i; {
			i = next
			next, more = m.match(f.Parts[0], i)
		}
		return i, ok
	case dialect.FormUnless:
		furthest, expected := m.furthest, m.expected
		m.expected = nil
		_, ok := m.match(f.Parts[0], i)
		m.furthest, m.expected = furthest, expected
		if ok && i > m.furthest {
			m.furthest, m.expected = i, nil
		}
		return i, !ok
	case dialect.FormRule:
		return m.match(f.Rule(), i)
	case dialect.FormWord:
		t := m.at(i)
		if t.Kind == WordToken && t.Word() == f.Word && (f.Word != word.NoWord || strings.EqualFold(string(m.p.textOf(i)), f.Text)) {
			return i + 1, true
		}
		return m.miss(i, f.Text)
	case dialect.FormMark:
		if m.at(i).Kind != EOF && string(m.p.textOf(i)) == f.Text {
			return i + 1, true
		}
		return m.miss(i, f.Text)
	}
	return m.class(f.Text, i)
}

func (m *matcher) list(one *dialect.Form, i int) (int, bool) {
	next, ok := m.match(one, i)
	if !ok {
		return i, false
	}
	for m.at(next).Kind == Comma {
		after, ok := m.match(one, next+1)
		if !ok {
			break
		}
		next = after
	}
	m.miss(next, "a comma")
	return next, true
}

// at gives the token of index i, EOF behind the statement.
func (m *matcher) at(i int) Token {
	if i >= m.end {
		return Token{}
	}
	return m.p.scan.tokens[i]
}

// class matches what a form only names.
func (m *matcher) class(name string, i int) (int, bool) {
	t := m.at(i)
	if t.Kind == BodyQuote && (name == "text" || name == "expression" || name == "value") {
		name = "quoted" // text that was read as statements
	}
	switch name {
	case "name":
		if t.Kind == QuotedName || t.Kind == WordToken && !m.p.dialect.Reserves(t.Word()) || t.Kind == TextToken && m.p.dialect.Has(dialect.TextNames) {
			return i + 1, true
		}
		return m.miss(i, "a name")
	case "word":
		if t.Kind == QuotedName || t.Kind == WordToken {
			return i + 1, true
		}
		return m.miss(i, "a name")
	case "path":
		next, ok := m.class("name", i)
		for ok && m.at(next).Kind == Dot {
			part := m.at(next + 1).Kind
			if part != WordToken && part != QuotedName && !(part == TextToken && m.p.dialect.Has(dialect.TextNames)) {
				break
			}
			next += 2
		}
		return next, ok
	case "text64":
		if t.Kind == TextToken && t.Span.Len() > 64+2 {
			return m.miss(i, "at most 64 bytes")
		}
		return m.class("text", i)
	case "number65535":
		if n, err := strconv.Atoi(string(m.p.textOf(min(i, m.end-1)))); err == nil && (n < 1 || n > 65535) {
			return m.miss(i, "a number from 1 to 65535")
		}
		return m.class("number", i)
	case "text":
		if t.Kind != TextToken {
			return m.miss(i, "text in quotes")
		}
		for i++; m.at(i).Kind == TextToken && m.p.dialect == dialect.Postgres && m.p.startsLineAt(i); i++ {
		}
		return i, true
	case "number":
		if t.Kind == NumberToken || t.Kind == TextToken && bytes.ContainsAny(m.p.textOf(i)[:1], "xXbB") {
			return i + 1, true
		}
		return m.miss(i, "a number")
	case "variable":
		if t.Kind == VariableName {
			return i + 1, true
		}
		if t.Kind == OtherOperator && string(m.p.textOf(i)) == "@" && (m.at(i+1).Kind == TextToken || m.at(i+1).Kind == QuotedName) {
			return i + 2, true
		}
		return m.miss(i, "a variable")
	case "parens":
		if t.Kind != LeftParen {
			return m.miss(i, "(")
		}
		return m.parsed(i, m.p.skipParens)
	case "rest":
		return m.end, true
	case "type":
		if t.Kind != WordToken && t.Kind != QuotedName || t.Kind == WordToken && m.p.dialect.Reserves(t.Word()) {
			return m.miss(i, "a type")
		}
		return m.parsed(i, func() { m.p.typeName() })
	case "operator":
		if t.Kind == VariableName || t.Kind == TemplateMark { // @extschema@ of an extension's script
			return m.end, true
		}
		for m.at(i+1).Kind == Dot && (t.Kind == WordToken || t.Kind == QuotedName) {
			i += 2
			t = m.at(i)
		}
		begun := i
		for i < m.end && m.at(i).Kind.isOperator() && (i == begun || m.at(i).Span.Start == m.at(i-1).Span.End) {
			i++
		}
		if i == begun {
			return m.miss(i, "an operator")
		}
		return i, true
	case "quoted": // a body, read or not
		if t.Kind != BodyQuote {
			return m.class("text", i)
		}
		for depth := 0; i < m.end; i++ {
			switch {
			case m.at(i).Kind != BodyQuote:
			case m.at(i).Flags&opens != 0:
				depth++
			case depth == 1:
				return i + 1, true
			default:
				depth--
			}
		}
		return m.end, true
	case "body":
		labelled := bytes.HasPrefix(bytes.TrimLeft(m.p.scan.src[t.Span.End:], " \t\r\n"), []byte(":"))
		if t.Kind == LeftParen || labelled || t.Kind == WordToken && m.p.dialect.HasStatement(strings.ToUpper(string(m.p.textOf(i)))) {
			return m.end, true
		}
		return m.miss(i, "a statement")
	case "expression":
		if t.Kind == EOF {
			return m.miss(i, "an expression")
		}
		return m.parsed(i, func() { m.p.expr() })
	case "value": // an expression that a NOT or a comparison ends
		if t.Kind == EOF {
			return m.miss(i, "a value")
		}
		return m.parsed(i, func() { m.p.exprAbove(m.p.power[dialect.BetweenTest]) })
	case "query":
		if t.Kind != LeftParen && t.Word() != word.Select && t.Word() != word.With && t.Word() != word.Values && t.Word() != word.Table {
			return m.miss(i, "a query")
		}
		return m.parsed(i, func() { m.p.query() })
	case "statement":
		if t.Kind == EOF {
			return m.miss(i, "a statement")
		}
		return m.parsed(i, func() { m.p.statement() })
	}
	panic("form: no class " + name)
}

// parsed lets the parser read from the token of index i and gives where it stops.
func (m *matcher) parsed(i int, read func()) (int, bool) {
	p := m.p
	p.move(i)
	read()
	next, ok, errors := p.i, !p.broken, p.errors
	p.errors, p.broken = p.errors[:0], false
	if !ok || len(errors) > 0 {
		return m.miss(errors[len(errors)-1].at, errors[len(errors)-1].Expected)
	}
	return min(next, m.end), true
}
