package syntax

import "bytes"

// quoted reads what begins with a quote: text, or a quoted name.
func (s *scanner) quoted(c byte) TokenKind {
	switch {
	case c == '\'':
		return s.enclosed(s.pos, s.pos+1, '\'', TextToken, s.rules.backslash)
	case c == '"' && s.rules.doubleText:
		return s.enclosed(s.pos, s.pos+1, '"', TextToken, s.rules.backslash)
	default:
		return s.enclosed(s.pos, s.pos+1, c, QuotedName, false)
	}
}

// enclosed reads a token that begins at start and whose inside begins at open,
// up to the closing quote, which is doubled to stand for itself.
func (s *scanner) enclosed(start, open int, closing byte, kind TokenKind, backslash bool) TokenKind {
	src, i := s.src, open
	next := -1 // the next closing quote at or behind i, looked for once and not behind each backslash
	for {
		if next < i {
			k := bytes.IndexByte(src[i:], closing)
			if k < 0 {
				return s.unclosed(start, kind)
			}
			next = i + k
		}
		if backslash {
			if b := bytes.IndexByte(src[i:next], '\\'); b >= 0 {
				i = min(i+b+2, len(src))
				continue
			}
		}
		i = next + 1
		if i < len(src) && src[i] == closing {
			i++
			continue
		}
		break
	}
	s.pos = i
	s.emit(kind, start)
	if kind == QuotedName {
		s.tokens[len(s.tokens)-1].Sym = s.names.Intern(unescape(src[open:i-1], closing))
	}
	return kind
}

// unclosed ends the token with its line, so that the slip does not swallow
// the rest of the file.
func (s *scanner) unclosed(start int, kind TokenKind) TokenKind {
	end := bytes.IndexAny(s.src[start:], "\r\n")
	if end < 0 {
		end = len(s.src) - start
	}
	s.pos = start + end
	s.emit(kind, start)
	t := &s.tokens[len(s.tokens)-1]
	t.Flags |= Unclosed
	s.open = true
	if kind == QuotedName {
		t.Sym = s.names.Intern(s.src[start+1 : s.pos])
	}
	return kind
}

// unescape halves doubled closing quotes.
func unescape(name []byte, closing byte) []byte {
	if bytes.IndexByte(name, closing) < 0 {
		return name
	}
	return bytes.ReplaceAll(name, []byte{closing, closing}, []byte{closing})
}

// prefixedText reads E'…', N'…', B'…', X'…', R'…' and q'[…]' whose prefix
// begins at start; s.pos is at the quote. It reports false, with s.pos
// untouched, where the word is no prefix.
func (s *scanner) prefixedText(start int) bool {
	prefix := s.src[start:s.pos]
	last := prefix[len(prefix)-1] | 0x20
	switch {
	case last == 'q' && s.rules.qQuotes && (len(prefix) == 1 || len(prefix) == 2 && prefix[0]|0x20 == 'n'):
		return s.qQuoted(start)
	case len(prefix) > 1:
		return false
	case s.src[s.pos] == '"': // of Spark
		if last == 'r' || last == 'x' {
			s.enclosed(start, s.pos+1, '"', TextToken, false)
			return true
		}
		return false
	case last == 'e' && !s.rules.backslash || last == 'n':
		s.enclosed(start, s.pos+1, '\'', TextToken, last == 'e' || s.rules.backslash)
		return true
	case last == 'b' || last == 'x' || last == 'r':
		s.enclosed(start, s.pos+1, '\'', TextToken, false)
		return true
	}
	return false
}

// qQuoted reads the rest of q'[…]'.
func (s *scanner) qQuoted(start int) bool {
	if s.pos+1 >= len(s.src) {
		return false
	}
	closing := s.src[s.pos+1]
	if i := bytes.IndexByte([]byte("([{<"), closing); i >= 0 {
		closing = ")]}>"[i]
	}
	end := s.seek(s.pos+2, string([]byte{closing, '\''}))
	if end < 0 {
		s.unclosed(start, TextToken)
		return true
	}
	s.pos += 2 + end + 2
	s.emit(TextToken, start)
	return true
}

// dollarQuoted reads $tag$…$tag$; s.pos is at the dollar. It reports false
// where none begins.
func (s *scanner) dollarQuoted() bool {
	src, start := s.src, s.pos
	i := start + 1
	for i < len(src) && src[i] != '$' {
		if classes[src[i]]&inWord == 0 || i == start+1 && classes[src[i]]&classMask == digitClass {
			return false
		}
		i++
	}
	if i >= len(src) {
		return false
	}
	tag := src[start : i+1]
	end := bytes.Index(src[i+1:], tag)
	if end < 0 {
		s.unclosed(start, TextToken)
		return true
	}
	s.pos = i + 1 + end + len(tag)
	s.emit(TextToken, start)
	return true
}
