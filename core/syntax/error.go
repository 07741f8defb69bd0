package syntax

import (
	"bytes"
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// ErrorKind tells errors apart.
type ErrorKind uint8

const (
	// UnexpectedError: something else was expected in the place of a token.
	UnexpectedError ErrorKind = iota
	// UnclosedError: a quote or comment is never closed.
	UnclosedError
	// UnbalancedError: a parenthesis is never closed, or closes nothing.
	UnbalancedError
	// MissingCommaError: two elements of a list stand side by side.
	MissingCommaError
	// TrailingCommaError: a comma is followed by no element.
	TrailingCommaError
	// SlipError: a misspelt or glued keyword.
	SlipError
	// PastedError: a character that a text program put in the place of another.
	PastedError
	// JoinedError: a number runs into a word, which is Near.
	JoinedError
	// ReservedError: a reserved word stands as a bare name.
	ReservedError
	// DoubleQuotesError: names stand in the double quotes of texts, this the first.
	DoubleQuotesError
	// DeepError: nested more deeply, or longer chained, than is read.
	DeepError
	// BranchError: a set operator stands behind ORDER BY or a row limit, which
	// Near spans.
	BranchError
	// TemplateError: what can be read hangs on what a template puts in.
	TemplateError
	// EscapeError: a text ends at a quote behind a backslash, which escapes nothing in the
	// dialect.
	EscapeError
)

// Error is a place where the text cannot be read. Of the kinds from
// MissingCommaError to DoubleQuotesError the parser knows what is meant, and the
// tree holds it.
type Error struct {
	Kind     ErrorKind
	Span     text.Span // of the token that does not fit, or of the opener
	Expected string    // in words for people: "a table name"
	Found    string    // the token, or "the end of the text"
	// Near is another place that explains the error, empty where there is none.
	Near text.Span
	// Replace is what should stand in the place of Span, where that is known.
	Replace string

	at    int  // index of the token at which the parser stood
	atEnd bool // which is the end of the statement; Span is that of the last before it
}

// fail records that something else was expected here. Until recovery the
// parser then sees the end of the text, so that productions return at once and
// say nothing more.
func (p *Parser) fail(expected string) {
	if p.broken {
		return
	}
	found := "the end of the text"
	span := p.tok.Span
	switch {
	case p.tok.Kind == Semicolon || p.tok.Kind == BatchEnd:
		found, span = "the end of the statement", p.endSpan()
	case p.tok.Kind == EOF:
		span = p.endSpan()
	default:
		found = string(p.scan.src[span.Start:span.End])
	}
	e := Error{Span: span, Expected: expected, Found: found, atEnd: p.atEnd()}
	switch {
	case p.tok.Kind == RightParen && !p.opened():
		e.Kind = UnbalancedError
	case strings.HasPrefix(expected, ")") && (p.atEnd() || stops[p.word]&startsClause != 0 || p.atAny(word.When, word.Then, word.Else, word.End)):
		if open, ok := p.opener(); ok {
			e.Kind, e.Near, e.Span = UnbalancedError, span, open
		}
	}
	p.breakOff(e)
}

// opened reports whether a parenthesis is open at tok.
func (p *Parser) opened() bool {
	_, ok := p.opener()
	return ok
}

// opener finds the innermost parenthesis of the statement that is open at tok.
func (p *Parser) opener() (text.Span, bool) {
	depth := 0
	for i := p.i - 1; i >= p.begun; i-- {
		switch p.scan.tokens[i].Kind {
		case RightParen:
			depth++
		case LeftParen:
			if depth == 0 {
				return p.scan.tokens[i].Span, true
			}
			depth--
		}
	}
	return text.Span{}, false
}

func (p *Parser) breakOff(e Error) {
	e.at = p.i
	p.errors = append(p.errors, e)
	p.stop()
}

// stop enters the broken state at tok.
func (p *Parser) stop() {
	p.broken, p.failed = true, p.i
	at := p.tok.Span.Start
	p.tok = Token{Kind: EOF, Span: text.Span{Start: at, End: at}}
	p.word = 0
}

// endSpan gives the last token read, to point at when the text ends too soon.
func (p *Parser) endSpan() text.Span {
	if p.i > p.begun {
		return p.scan.tokens[p.i-1].Span
	}
	return p.tok.Span
}

// tellScanned adds what the scanner saw: quotes never closed, which explain
// all other errors, pasted characters and numbers that run into words.
func (p *Parser) tellScanned(tokens []Token) {
	if len(tokens) > 0 && (len(p.errors) > 0 || p.scan.open) && p.tellEscape(tokens) {
		return
	}
	if len(tokens) == 0 || !p.scan.open && len(p.scan.pasted) == 0 {
		return
	}
	for _, t := range tokens {
		if t.Flags&Unclosed != 0 {
			at := t.Span.Start
			if k := bytes.IndexByte(p.scan.src[at:min(t.Span.End, at+4)], '\''); k > 0 { // behind a prefix, as in N'…
				at += text.Pos(k)
			}
			p.errors = append(p.errors[:0], Error{Kind: UnclosedError, Span: text.Span{Start: at, End: at + 1}, Found: string(p.scan.src[at])})
			break
		}
	}
	whole := text.Span{Start: tokens[0].Span.Start, End: tokens[len(tokens)-1].Span.End}
	later, unread, from := p.scan.pasted[:0], len(p.errors) > 0, text.Pos(0)
	if unread {
		from = p.errors[0].Span.Start
	}
	for _, e := range p.scan.pasted {
		switch {
		case unread && e.Kind == JoinedError && from < e.Span.Start: // no SQL, perhaps
		case whole.Contains(e.Span):
			if unread && e.Kind == JoinedError && from == e.Near.Start && p.errors[0].Kind == UnexpectedError { // which it explains
				p.errors, unread = slices.Delete(p.errors, 0, 1), false
			}
			p.errors = append(p.errors, e)
		case e.Span.Start >= whole.End:
			later = append(later, e)
		}
	}
	p.scan.pasted = later // each statement looks at its own once
}

// tellEscape explains all errors of a statement by a text that ends in a backslash, as
// 'it\'s' does where that is no escape, or that goes on behind a backslash and two quotes.
func (p *Parser) tellEscape(tokens []Token) bool {
	if p.scan.rules.backslash {
		return false
	}
	for i, t := range tokens[:len(tokens)-1] {
		if t.Kind != TextToken || t.Span.Len() < 4 || tokens[i+1].Kind != WordToken && tokens[i+1].Kind != NumberToken {
			continue
		}
		at, found := t.Span.End-2, "\\'"
		if p.scan.src[at] != '\\' {
			// 'it\'' goes on to the next quote, where a word or number sticks to it.
			k := bytes.Index(p.scan.src[t.Span.Start:t.Span.End], []byte("\\''"))
			if k < 0 || tokens[i+1].Span.Start != t.Span.End {
				continue
			}
			at, found = t.Span.Start+text.Pos(k), "\\''"
		}
		for _, e := range p.errors {
			if e.Span.End < t.Span.Start && e.Kind != UnbalancedError {
				return false // something else came first
			}
		}
		p.errors = append(p.errors[:0], Error{Kind: EscapeError, Span: text.Span{Start: at, End: at + text.Pos(len(found))}, Found: found})
		p.broken = true // the rest of the statement is not what was meant
		return true
	}
	return false
}

// missingComma goes on with a list in which a comma is missing before tok, and
// reports whether an element stands here that only a comma can separate.
func (p *Parser) missingComma() bool {
	switch p.tok.Kind {
	case NumberToken, TextToken, QuotedName, Placeholder:
	case WordToken:
		if stops[p.word] != 0 || dialect.ReservedIn(p.word) != 0 || p.at(word.Siblings) {
			return false
		}
	default:
		return false
	}
	if p.broken || p.i == p.begun || p.atNext() {
		return false
	}
	if before := p.scan.tokens[p.i-1]; stops[before.Word()]&startsClause != 0 { // a clause without its list, as ORDER BY LIMIT 3
		p.breakOff(Error{Kind: UnexpectedError, Span: before.Span, Expected: "an element of the list", Found: string(p.scan.src[before.Span.Start:before.Span.End])})
		return false
	}
	last := p.scan.tokens[p.i-1].Span
	p.errors = append(p.errors, Error{Kind: MissingCommaError, Span: last, Found: string(p.scan.src[p.tok.Span.Start:p.tok.Span.End]), Near: p.tok.Span, at: p.i})
	return true
}

// trailingComma reports whether the comma just read is followed by no element,
// and records it.
func (p *Parser) trailingComma() bool {
	if p.broken {
		return false
	}
	if p.tok.Kind != RightParen && !p.atEnd() && (stops[p.word]&startsClause == 0 || p.isPlainName() || p.at(word.Window) && p.peek(1).Kind == LeftParen) {
		return false
	}
	p.errors = append(p.errors, Error{Kind: TrailingCommaError, Span: p.endSpan(), Found: string(p.scan.src[p.tok.Span.Start:p.tok.Span.End])})
	return true
}
