package syntax

import (
	"bytes"
	"unicode"
	"unicode/utf8"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// scanner cuts text into tokens, one statement after another. Blanks lie
// between tokens and are not kept; comments are kept by their spans.
type scanner struct {
	src      []byte
	pos      int
	names    *Names
	rules    lexicalRules
	tokens   []Token
	comments []text.Span
	// delimiter is the end of a statement that DELIMITER set, nil for the semicolon.
	delimiter []byte
	// pasted are the characters that stand in the place of others.
	pasted []Error
	// inside counts the executed comments that are open.
	inside int
}

// lexicalRules are the features that the scanner asks for, as plain fields
// since they are asked for at almost every token.
type lexicalRules struct {
	backslash, doubleText, brackets, hashComment, dashBlank, nested bool
	pipesOr, dollarQuotes, qQuotes, hashNames, batchLines, slashes  bool
	digitNames, plus, delimiters, executed, mariaComments           bool
	// version is the server's as MySQL writes it in /*!50001.
	version int
}

func rulesOf(d dialect.Dialect) lexicalRules {
	return lexicalRules{
		backslash:    d.Has(dialect.BackslashEscapes),
		doubleText:   d.Has(dialect.DoubleQuotedText),
		brackets:     d.Has(dialect.BracketNames),
		hashComment:  d.Has(dialect.HashComment),
		dashBlank:    d.Has(dialect.DashNeedsBlank),
		nested:       d.Has(dialect.NestedComments),
		pipesOr:      d.Has(dialect.PipesAreOr),
		dollarQuotes: d.Has(dialect.DollarQuotes),
		qQuotes:      d.Has(dialect.QuotedQ),
		hashNames:    d.Has(dialect.HashNames),
		batchLines:   d.Has(dialect.BatchLines),
		slashes:      d.Has(dialect.SlashLines),
		digitNames:   d.Has(dialect.DigitNames),
		plus:         d.Has(dialect.SlashLines),
		delimiters:   d.Has(dialect.DelimiterLines),
		executed:     d.Has(dialect.ExecutedComments),

		mariaComments: d == dialect.MariaDB,
		version:       d.CommentVersion(),
	}
}

func (s *scanner) reset(src []byte, d dialect.Dialect) {
	s.src, s.pos, s.rules = src, 0, rulesOf(d)
	s.tokens, s.comments = s.tokens[:0], s.comments[:0]
	s.delimiter, s.inside, s.pasted = nil, 0, s.pasted[:0]
	if bytes.HasPrefix(src, []byte{0xEF, 0xBB, 0xBF}) {
		s.pos = 3
	}
}

// fill appends the tokens up to the next end of a statement, that token
// included; at the end of the text that is [EOF]. Blanks, plain words and the
// commonest marks are read here, everything else by scan.
func (s *scanner) fill() {
	src, pos, tokens := s.src, s.pos, s.tokens
	for pos < len(src) && s.delimiter == nil {
		start, c := pos, src[pos]
		switch classes[c] & classMask {
		case blankClass:
			pos++
			continue
		case wordClass:
			if end := plainWord(src, start); end > 0 {
				sym := s.names.internPlain(src, start, end)
				if sym != Sym(word.Go) {
					tokens = append(tokens, wordToken(sym, start, end))
					pos = end
					continue
				}
			}
		case markClass:
			if kind := plainMarks[c]; kind != EOF {
				pos++
				tokens = append(tokens, Token{Kind: kind, Span: text.Span{Start: text.Pos(start), End: text.Pos(pos)}})
				if kind == Semicolon {
					s.pos, s.tokens = pos, tokens
					return
				}
				continue
			}
		}
		s.pos, s.tokens = pos, tokens
		if kind := s.scan(); kind == Semicolon || kind == EOF || kind == BatchEnd {
			return
		}
		pos, tokens = s.pos, s.tokens
	}
	s.pos, s.tokens = pos, tokens
	for {
		if kind := s.scan(); kind == Semicolon || kind == EOF || kind == BatchEnd {
			return
		}
	}
}

// plainMarks are the marks that mean the same wherever they stand.
var plainMarks = [128]TokenKind{'(': LeftParen, ')': RightParen, ',': Comma, ';': Semicolon}

// plainWord gives the end of a bare word of ASCII letters that no quote
// follows and that ends well before the text does; 0 where it is none.
func plainWord(src []byte, start int) int {
	i, seen := start+1, src[start]
	for i < len(src) && classes[src[i]]&inWord != 0 {
		seen |= src[i]
		i++
	}
	if seen >= utf8.RuneSelf || i-start > 16 || start+16 > len(src) || i < len(src) && src[i] == '\'' {
		return 0
	}
	return i
}

func (s *scanner) emit(kind TokenKind, start int) TokenKind {
	s.tokens = append(s.tokens, Token{Kind: kind, Span: text.Span{Start: text.Pos(start), End: text.Pos(s.pos)}})
	return kind
}

// scan appends one token and gives its kind.
func (s *scanner) scan() TokenKind {
	src := s.src
	for s.pos < len(src) {
		start := s.pos
		c := src[start]
		if s.delimiter != nil && s.atDelimiter() {
			return BatchEnd
		}
		switch classes[c] & classMask {
		case blankClass:
			i := start + 1
			for i < len(src) && classes[src[i]]&classMask == blankClass {
				i++
			}
			s.pos = i
		case wordClass:
			if kind := s.word(); kind != EOF {
				return kind
			}
		case digitClass:
			return s.number()
		case quoteClass:
			return s.quoted(c)
		case operatorClass:
			if s.comment(c) {
				continue
			}
			return s.operator(c)
		case markClass:
			if kind := s.mark(c); kind != EOF {
				return kind
			}
		default:
			s.pos++
			return s.emit(Stray, start)
		}
	}
	return s.emit(EOF, len(src))
}

// word reads a bare name or keyword. It gives EOF, and no token, for a
// non-ASCII blank.
func (s *scanner) word() TokenKind {
	src, start := s.src, s.pos
	i := start + 1
	var seen byte = src[start]
	for i < len(src) && classes[src[i]]&inWord != 0 {
		seen |= src[i]
		i++
	}
	if seen >= utf8.RuneSelf {
		return s.wideWord()
	}
	s.pos = i
	var sym Sym
	if i-start <= 16 && start+16 <= len(src) {
		sym = s.names.internPlain(src, start, i)
	} else {
		sym = s.names.Intern(src[start:i])
	}
	if i < len(src) && src[i] == '\'' {
		if s.prefixedText(start) {
			return TextToken
		}
	} else if sym == Sym(word.Go) && s.rules.batchLines && s.aloneOnLine(start, i) {
		return s.emit(BatchEnd, start)
	}
	s.tokens = append(s.tokens, wordToken(sym, start, i))
	return WordToken
}

// wideWord reads a name with characters beyond ASCII.
func (s *scanner) wideWord() TokenKind {
	start := s.pos
	for s.pos < len(s.src) {
		c := s.src[s.pos]
		if c < utf8.RuneSelf {
			if classes[c]&inWord == 0 {
				break
			}
			s.pos++
			continue
		}
		r, size := utf8.DecodeRune(s.src[s.pos:])
		if r != utf8.RuneError && !unicode.IsLetter(r) && !unicode.IsDigit(r) && !unicode.Is(unicode.M, r) {
			if s.pos > start {
				break
			}
			s.pos += size
			return s.pastedCharacter(r, start)
		}
		s.pos += size
	}
	sym := s.names.Intern(s.src[start:s.pos])
	s.tokens = append(s.tokens, wordToken(sym, start, s.pos))
	return WordToken
}

// number reads 12, 1.5, .5, 1e-3, 0x1F, 1_000.
func (s *scanner) number() TokenKind {
	src, start, i := s.src, s.pos, s.pos
	if s.rules.digitNames && s.digitName() {
		return WordToken
	}
	if src[i] == '0' && i+1 < len(src) && (src[i+1]|0x20 == 'x' || src[i+1]|0x20 == 'b' || src[i+1]|0x20 == 'o') {
		i += 2
		for i < len(src) && classes[src[i]]&inWord != 0 {
			i++
		}
		s.pos = i
		return s.emit(NumberToken, start)
	}
	i = digits(src, i)
	if i < len(src) && src[i] == '.' && !(i+1 < len(src) && src[i+1] == '.') {
		i = digits(src, i+1)
	}
	if i < len(src) && src[i]|0x20 == 'e' {
		k := i + 1
		if k < len(src) && (src[k] == '+' || src[k] == '-') {
			k++
		}
		if k < len(src) && classes[src[k]]&classMask == digitClass {
			i = digits(src, k)
		}
	}
	s.pos = i
	return s.emit(NumberToken, start)
}

// digitName reads a name that begins with a digit, as MySQL allows where it
// cannot be a number.
func (s *scanner) digitName() bool {
	src, start := s.src, s.pos
	i := start
	for i < len(src) && classes[src[i]]&classMask == digitClass {
		i++
	}
	if i >= len(src) || classes[src[i]]&startsWord == 0 || src[start] == '.' {
		return false
	}
	end := i
	for end < len(src) && classes[src[end]]&inWord != 0 {
		end++
	}
	rest := src[i+1 : end]
	switch src[i] | 0x20 {
	case 'e':
		if len(rest) == 0 && end < len(src) && (src[end] == '-' || src[end] == '+') || len(rest) > 0 && digits(src, i+1) == end {
			return false
		}
	case 'x':
		if string(src[start:i]) == "0" && len(rest) > 0 && only(rest, "0123456789abcdefABCDEF") {
			return false
		}
	case 'b':
		if string(src[start:i]) == "0" && len(rest) > 0 && only(rest, "01") {
			return false
		}
	}
	s.pos = end
	s.tokens = append(s.tokens, wordToken(s.names.Intern(src[start:end]), start, end))
	return true
}

func only(b []byte, set string) bool {
	return len(bytes.Trim(b, set)) == 0
}

func digits(src []byte, i int) int {
	for i < len(src) && (classes[src[i]]&classMask == digitClass || src[i] == '_') {
		i++
	}
	return i
}

// mark reads punctuation.
func (s *scanner) mark(c byte) TokenKind {
	start := s.pos
	s.pos++
	switch c {
	case '(':
		return s.emit(LeftParen, start)
	case ')':
		return s.emit(RightParen, start)
	case ',':
		return s.emit(Comma, start)
	case ';':
		return s.emit(Semicolon, start)
	case '.':
		if s.pos < len(s.src) && classes[s.src[s.pos]]&classMask == digitClass && !s.afterName(start) {
			s.pos--
			return s.number()
		}
		return s.emit(Dot, start)
	case '[':
		if s.rules.brackets {
			return s.enclosed(start, s.pos, ']', QuotedName, false)
		}
		return s.emit(LeftBracket, start)
	case ']':
		return s.emit(RightBracket, start)
	case '{':
		s.pos = start
		if kind, ok := s.template(); ok {
			return kind
		}
		s.pos = start + 1
	case '\\':
		if s.rules.delimiters && s.rules.executed && s.pos < len(s.src) && s.src[s.pos] == 'N' {
			s.pos++ // MySQL's \N is NULL
			s.tokens = append(s.tokens, wordToken(Sym(word.Null), start, s.pos))
			return WordToken
		}
		if s.startsLine(start) {
			s.pos = s.lineEnd(start)
			s.comments = append(s.comments, text.Span{Start: text.Pos(start), End: text.Pos(s.pos)})
			return EOF
		}
	}
	return s.emit(Stray, start)
}

// afterName reports whether the byte before continues a name, so that the dot
// of `a.1` is no decimal point.
func (s *scanner) afterName(start int) bool {
	return start > 0 && (classes[s.src[start-1]]&inWord != 0 || s.src[start-1] == '"' || s.src[start-1] == '`' || s.src[start-1] == ']')
}

// aloneOnLine reports whether nothing but blanks and a count shares the line.
func (s *scanner) aloneOnLine(start, end int) bool {
	for i := start - 1; i >= 0 && s.src[i] != '\n' && s.src[i] != '\r'; i-- {
		if s.src[i] != ' ' && s.src[i] != '\t' {
			return false
		}
	}
	for i := end; i < len(s.src) && s.src[i] != '\n' && s.src[i] != '\r'; i++ {
		if c := s.src[i]; c != ' ' && c != '\t' && classes[c]&classMask != digitClass {
			return false
		}
	}
	return true
}
