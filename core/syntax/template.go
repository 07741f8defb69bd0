package syntax

import (
	"bytes"

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
	if n := len(s.tokens); n > 0 && s.src[start] != '%' {
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
		for end < len(src) && classes[src[end]]&inWord != 0 {
			end++
		}
		if end == start+1 || end == len(src) || src[end] != '}' {
			return EOF, false
		}
		s.pos = end + 1
		return s.putIn(TemplateMark, start), true
	}
	end := bytes.Index(src[start:], []byte(closing))
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
