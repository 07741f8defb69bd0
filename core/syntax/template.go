package syntax

import (
	"bytes"
	"slices"
	"strings"

	"justlens/core/dialect/word"
	"justlens/core/text"
)

// tag gives the end of a template's <?name … ?> or <%= name %> that begins at s.pos, 0 where
// there is none.
func (s *scanner) tag() int {
	rest := s.src[s.pos:min(len(s.src), s.pos+longestMark)]
	if bytes.HasPrefix(rest, []byte("<%=")) {
		if end := bytes.Index(rest, []byte("%>")); end > 0 {
			return s.pos + end + 2
		}
		return 0
	}
	if len(rest) < 5 || rest[0] != '<' || rest[1] != '?' || classes[rest[2]]&startsWord == 0 {
		return 0
	}
	if end := bytes.Index(rest, []byte("?>")); end > 0 {
		return s.pos + end + 2
	}
	return 0
}

// longestMark bounds what a template's mark in <? … ?> may hold, in bytes.
const longestMark = 200

// braced gives the end of what a template has in braces from a place on, on one line; 0 where
// no brace stands there.
func (s *scanner) braced(at int) int {
	if at >= len(s.src) || s.src[at] != '{' {
		return 0
	}
	end := bytes.IndexAny(s.src[at:min(len(s.src), at+longestMark)], "}\n")
	if end < 2 || s.src[at+end] != '}' {
		return 0
	}
	return at + end + 1
}

// printed gives the end of what a program's print function puts a value in for, as %s, %d, %v,
// %1$s and %[1]d, that begins at s.pos; 0 where there is none. Behind an operand % divides, but
// before s, which programs put in names for.
func (s *scanner) printed() int {
	const longest = 8
	rest := s.src[s.pos+1 : min(len(s.src), s.pos+longest)]
	numbered := 0
	if digits := len(rest) - len(bytes.TrimLeft(rest, "0123456789")); digits > 0 && digits < len(rest) && rest[digits] == '$' {
		numbered = digits + 1
	} else if end := bytes.IndexByte(rest, ']'); end > 1 && rest[0] == '[' && len(bytes.Trim(rest[1:end], "0123456789")) == 0 {
		numbered = end + 1
	}
	end := numbered + 1
	switch {
	case end > len(rest) || s.pos+1+end < len(s.src) && classes[s.src[s.pos+1+end]]&inWord != 0:
		return 0
	case rest[end-1] == 's', bytes.IndexByte([]byte("dvqfi"), rest[end-1]) >= 0 && (numbered > 0 || !s.behindOperand()):
		return s.pos + 1 + end
	}
	return 0
}

// betweenPercents gives the end of a template's %NAME% or %%NAME%% that begins at s.pos, 0 where
// there is none. Behind an operand one sign divides.
func (s *scanner) betweenPercents() int {
	rest := s.src[s.pos:min(len(s.src), s.pos+longestMark)]
	name := bytes.TrimLeft(rest, "%")
	signs := rest[:len(rest)-len(name)]
	end := 0
	for end < len(name) && classes[name[end]]&inWord != 0 {
		end++
	}
	if end == 0 || classes[name[0]]&startsWord == 0 || !bytes.HasPrefix(name[end:], signs) || len(signs) > 2 || len(signs) == 1 && s.behindOperand() {
		return 0
	}
	return s.pos + end + 2*len(signs)
}

// substituted gives the end of what SQL*Plus puts text in for, &name, &&name and &1, that begins
// at s.pos; 0 where there is none. A dot that ends the name belongs to it ("SQL*Plus User's
// Guide", "Using Substitution Variables").
func (s *scanner) substituted() int {
	if !s.rules.plus {
		return 0
	}
	start := s.pos + 1
	if start < len(s.src) && s.src[start] == '&' {
		start++
	}
	end := start
	for end < len(s.src) && classes[s.src[end]]&inWord != 0 {
		end++
	}
	if end == start || (start > s.pos+1 || classes[s.src[start]]&startsWord == 0) && s.rules.batchLines && s.behindOperand() { // of another database
		return 0
	}
	if end < len(s.src) && s.src[end] == '.' {
		end++
	}
	return end
}

// behindOperand reports whether an operator may follow the last token.
func (s *scanner) behindOperand() bool {
	if len(s.tokens) == 0 {
		return false
	}
	switch t := s.tokens[len(s.tokens)-1]; t.Kind {
	case NumberToken, TextToken, QuotedName, VariableName, Placeholder, TemplateMark, RightParen:
		return true
	case WordToken:
		return stops[t.Word()]&notName == 0 && t.Word() != word.Limit && t.Word() != word.Offset
	}
	return false
}

// putIn emits what a template puts text in for, together with the parts of a name that stand
// right before and behind it.
func (s *scanner) putIn(kind TokenKind, start int) TokenKind {
	behind := s.pos
	for s.pos < len(s.src) && classes[s.src[s.pos]]&inWord != 0 {
		s.pos++
	}
	if s.pos > behind {
		kind = TemplateMark
	}
	if n := len(s.tokens); n > 0 && (s.src[start] != '%' || s.src[start+1] == '%') {
		if before := s.tokens[n-1]; int(before.Span.End) == start && (before.Kind == WordToken || before.Kind == TemplateMark || before.Kind == Placeholder) {
			s.tokens, start, kind = s.tokens[:n-1], int(before.Span.Start), TemplateMark
		}
	}
	return s.emit(kind, start)
}

// template reads {{ … }} as a placeholder, and {% … %} and {# … #} as
// comments; kind is EOF for a comment. It reports false where none stands.
func (s *scanner) template() (kind TokenKind, ok bool) {
	src, start := s.src, s.pos
	if start+1 >= len(src) {
		return EOF, false
	}
	var closing string
	switch src[start+1] {
	case '{':
		closing = "}}"
	case '%':
		closing = "%}"
	case '#':
		closing = "#}"
	default:
		end := start + 1
		for end < len(src) && (classes[src[end]]&inWord != 0 || src[end] == '.') { // of Python's format also {self.table}
			end++
		}
		if end == start+1 || end == len(src) || src[end] != '}' {
			return EOF, false
		}
		s.pos = end + 1
		return s.putIn(TemplateMark, start), true
	}
	end := s.seek(start, closing)
	if end < 0 {
		return EOF, false
	}
	s.pos = start + end + len(closing)
	if closing != "}}" {
		s.comments = append(s.comments, text.Span{Start: text.Pos(start), End: text.Pos(s.pos)})
		return EOF, true
	}
	return s.putIn(TemplateMark, start), true
}

// IsPut reports whether a template puts in an element of a list, which may be several.
func IsPut(x Expr) bool {
	put, ok := x.(*Param)
	return ok && put.Put
}

// IsRow reports whether an expression stands for all columns of a row, as t.* and (x).*.
func IsRow(x Expr) bool {
	switch x := x.(type) {
	case *Star:
		return true
	case *Field:
		return x.Star
	}
	return false
}

// IsSeveral reports whether an element of a list of values may stand for several.
func IsSeveral(x Expr) bool { return IsPut(x) || IsRow(x) }

// isPutIn reports whether a placeholder is one whose text the client or a template puts in,
// and not a value that is handed over.
func (p *Parser) isPutIn() bool {
	switch p.scan.src[p.tok.Span.Start] {
	case '&', '$', '%', '#':
		return true
	case ':':
		return p.scan.rules.dollarQuotes // psql's
	}
	return false
}

// opens notes where a template puts in clauses: one, several or none.
func (p *Parser) opens(where text.Span) { p.open = append(p.open, where) }

// passSettings passes over what a template says of itself before a statement, as
// {{ config(…) }}.
func (p *Parser) passSettings() {
	n := 1
	for p.peek(n).Kind == TemplateMark {
		n++
	}
	switch p.peek(n).Word() {
	case word.Select, word.With, word.Insert, word.Update, word.Delete, word.Merge, word.Create, word.Alter, word.Drop:
		for ; n > 0; n-- {
			p.next()
		}
	}
}

// isMark reports whether a token is what a template, or the client that runs the text, puts
// other text in for.
func (p *Parser) isMark(t Token) bool {
	return p.putsText(t) || t.Kind == Placeholder && p.scan.src[t.Span.Start] == ':' && p.scan.rules.dollarQuotes // psql's
}

// putsText is isMark but for psql's variables, of which each is one value.
func (p *Parser) putsText(t Token) bool {
	return t.Kind == TemplateMark || t.Kind == Placeholder && strings.IndexByte("%#&", p.scan.src[t.Span.Start]) >= 0
}

// hangsOnMark reports whether reading failed at what a template puts in, or beside it.
func (p *Parser) hangsOnMark(first int) bool {
	hangs := p.isMark
	switch p.errors[0].Kind {
	case UnexpectedError, MissingCommaError:
	case UnbalancedError, TrailingCommaError: // to which a value adds nothing
		hangs = func(t Token) bool { return t.Kind == TemplateMark }
	default:
		return false
	}
	at := p.failedAt(first)
	beside := p.scan.tokens[max(at-1, first):min(at+2, len(p.scan.tokens))]
	if p.errors[0].atEnd {
		beside = p.scan.tokens[at : at+1]
	}
	return slices.ContainsFunc(beside, hangs)
}
