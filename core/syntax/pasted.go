package syntax

import (
	"strings"
	"unicode"
	"unicode/utf8"

	"justlens/core/text"
)

// pastedCharacter reads a character beyond ASCII that begins no name: blanks
// that no database takes for one, typographic quotes and full-width
// punctuation, as text programs put them. s.pos is behind it. The kind is EOF,
// and there is no token, for a blank.
func (s *scanner) pastedCharacter(r rune, start int) TokenKind {
	switch {
	case unicode.IsSpace(r):
		s.paste(start, " ")
		return EOF
	case r == 0xFEFF || 0x200B <= r && r <= 0x200D || r == 0x2060:
		s.paste(start, "")
		return EOF
	case strings.ContainsRune("‘’‚‛′", r):
		return s.pastedQuotes(start, "‘’‚‛′", "'", TextToken)
	case strings.ContainsRune("“”„‟″", r):
		return s.pastedQuotes(start, "“”„‟″", "\"", QuotedName)
	}
	if 0xFF01 <= r && r <= 0xFF5E { // the full-width forms of ASCII
		return s.pastedPunctuation(byte(r-0xFF01+'!'), start)
	}
	return s.emit(Stray, start)
}

func (s *scanner) paste(start int, replace string) {
	span := text.Span{Start: text.Pos(start), End: text.Pos(s.pos)}
	s.pasted = append(s.pasted, Error{Kind: PastedError, Span: span, Found: string(s.src[start:s.pos]), Replace: replace})
}

// pastedQuotes reads up to the closing one of a kind of typographic quotes.
func (s *scanner) pastedQuotes(start int, quotes, replace string, kind TokenKind) TokenKind {
	s.paste(start, replace)
	line := s.src[s.pos:s.lineEnd(s.pos)]
	end := strings.IndexAny(string(line), quotes)
	if end < 0 {
		return s.emit(Stray, start)
	}
	inside := s.src[s.pos : s.pos+end]
	closing := s.pos + end
	_, size := utf8.DecodeRune(s.src[closing:])
	s.pos = closing + size
	s.paste(closing, replace)
	s.emit(kind, start)
	if kind == QuotedName {
		s.tokens[len(s.tokens)-1].Sym = s.names.Intern(inside)
	}
	return kind
}

var fullWidth = [128]TokenKind{
	'(': LeftParen, ')': RightParen, ',': Comma, ';': Semicolon, '=': Equal, '<': Less, '>': Greater, '*': Asterisk,
	'+': Plus, '-': Minus, '/': Slash, '.': Dot, '%': Percent,
}

func (s *scanner) pastedPunctuation(c byte, start int) TokenKind {
	if kind := fullWidth[c]; kind != EOF {
		s.paste(start, string(c))
		return s.emit(kind, start)
	}
	return s.emit(Stray, start)
}
