package syntax

import (
	"bytes"
	"encoding/binary"
	"math/bits"
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
	// pasted are the characters that stand in the place of others, and the numbers that run
	// into words.
	pasted []Error
	// open tells that a quote of the text is never closed.
	open bool
	// openComment is the opener of a comment that runs to the end of the text.
	openComment text.Span
	// connects is the last command with which psql goes to another database.
	connects text.Span
	// inside counts the executed comments that are open.
	inside int
	// absent are closings of which none stands from a place on.
	absent map[string]int
}

// seek gives how far from a place on something stands, -1 where it stands nowhere behind. That is
// kept, or each of many that are never closed would look through the rest of the text.
func (s *scanner) seek(from int, what string) int {
	if at, ok := s.absent[what]; ok && from >= at {
		return -1
	}
	i := bytes.Index(s.src[from:], []byte(what))
	if i < 0 {
		if s.absent == nil {
			s.absent = map[string]int{}
		}
		s.absent[what] = from
	}
	return i
}

// lexicalRules are the features that the scanner asks for, as plain fields
// since they are asked for at almost every token.
type lexicalRules struct {
	backslash, doubleText, brackets, hashComment, dashBlank, nested bool
	pipesOr, dollarQuotes, qQuotes, hashNames, batchLines, slashes  bool
	digitNames, plus, delimiters, executed, mariaComments           bool
	postgres, suffixes, bareNumbers                                 bool
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
		postgres:      d == dialect.Postgres,
		suffixes:      d == dialect.Spark,
		bareNumbers:   d == dialect.Postgres || d == dialect.SQLite,
		version:       d.CommentVersion(0),
	}
}

func (s *scanner) reset(src []byte, d dialect.Dialect) {
	s.src, s.pos, s.rules = src, 0, rulesOf(d)
	s.tokens, s.comments = s.tokens[:0], s.comments[:0]
	s.openComment, s.connects, s.absent = text.Span{}, text.Span{}, nil
	s.delimiter, s.inside, s.pasted, s.open = nil, 0, s.pasted[:0], false
	if bytes.HasPrefix(src, []byte{0xEF, 0xBB, 0xBF}) {
		s.pos = 3
	}
}

// fill appends the tokens up to the next end of a statement, that token
// included; at the end of the text that is [EOF]. Blanks, plain words and the
// commonest marks are read here, everything else by scan.
func (s *scanner) fill() {
	src, pos, tokens, names := s.src, s.pos, s.tokens, s.names
	for pos < len(src) && s.delimiter == nil {
		start, c := pos, src[pos]
		switch classes[c] & classMask {
		case blankClass:
			pos++
			continue
		case wordClass:
			end, lo, hi := plainWord(src, start)
			if end == 0 {
				break
			}
			name := shortName{lo, hi}
			sym := names.table[name.hash()&(len(names.table)-1)]
			if names.short[sym] != name {
				sym = names.internShort(name)
			}
			if sym == Sym(word.Go) {
				break
			}
			tokens = append(tokens, wordToken(sym, start, end))
			pos = end
			continue
		case digitClass:
			end := start + 1
			for end < len(src) && src[end]-'0' < 10 {
				end++
			}
			if end < len(src) && src[end] != '.' && classes[src[end]]&inWord == 0 {
				pos = end
				tokens = append(tokens, Token{Kind: NumberToken, Span: text.Span{Start: text.Pos(start), End: text.Pos(end)}})
				continue
			}
		case markClass, operatorClass:
			kind := plainMarks[c&0x7f]
			if kind == EOF || start+1 == len(src) || kind >= Dot && !plainAfter(kind, src[start+1]) {
				break
			}
			pos++
			tokens = append(tokens, Token{Kind: kind, Span: text.Span{Start: text.Pos(start), End: text.Pos(pos)}})
			if kind == Semicolon {
				s.pos, s.tokens = pos, tokens
				return
			}
			continue
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

// plainMarks are the marks that mean the same wherever they stand, those
// behind Comma if what follows lets them.
var plainMarks = [128]TokenKind{
	'(': LeftParen, ')': RightParen, ',': Comma, ';': Semicolon,
	'.': Dot, '=': Equal, '<': Less, '>': Greater, '+': Plus, '-': Minus, '*': Asterisk,
}

// plainAfter reports whether a mark that might be part of something longer
// stands alone, seen from the byte behind it.
func plainAfter(kind TokenKind, next byte) bool {
	if kind == Dot {
		return classes[next]&startsWord != 0
	}
	return next == ' '
}

const highBits, lowBits = 0x8080808080808080, 0x0101010101010101

// wordBytes marks, by their highest bit, the bytes that are ASCII letters,
// digits or underscores.
func wordBytes(x uint64) uint64 {
	low := x &^ highBits // so that no sum runs into the next byte
	folded := low | fold
	letters := (folded + 0x1f*lowBits) &^ (folded + 0x05*lowBits)
	underscores := (folded + lowBits) &^ (low + lowBits) // DEL alone has both
	digits := (low + 0x50*lowBits) &^ (low + 0x46*lowBits)
	return (letters | underscores | digits) &^ x & highBits
}

// plainWord gives the end of a bare word of at most 16 ASCII letters, digits
// and underscores that no quote follows and that ends well before the text
// does, with its folded bytes; 0 where it is none.
func plainWord(src []byte, start int) (end int, lo, hi uint64) {
	if start+17 > len(src) {
		return 0, 0, 0
	}
	lo = binary.LittleEndian.Uint64(src[start:])
	if others := ^wordBytes(lo) & highBits; others != 0 {
		length := bits.TrailingZeros64(others) >> 3
		end, lo = start+length, (lo|fold)&(1<<(8*length)-1)
	} else {
		hi = binary.LittleEndian.Uint64(src[start+8:])
		length := 8
		others := ^wordBytes(hi) & highBits
		if others != 0 {
			length = bits.TrailingZeros64(others) >> 3
		}
		end, lo, hi = start+8+length, lo|fold, (hi|fold)&(1<<(8*length)-1)
	}
	if c := src[end]; classes[c]&inWord != 0 || c == '\'' || c == '"' {
		return 0, 0, 0
	}
	return end, lo, hi
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
	if s.delimiter != nil { // END$$
		if at := bytes.Index(src[start+1:min(i+len(s.delimiter), len(src))], s.delimiter); at >= 0 {
			i = start + 1 + at
		}
	}
	s.pos = i
	var sym Sym
	if i-start <= 16 && start+16 <= len(src) {
		sym = s.names.internPlain(src, start, i)
	} else {
		sym = s.names.Intern(src[start:i])
	}
	if i < len(src) && (src[i] == '\'' || src[i] == '"' && s.rules.suffixes) {
		if s.prefixedText(start) {
			return TextToken
		}
	} else if sym == Sym(word.Go) && s.rules.batchLines && s.aloneOnLine(start, i) {
		s.emit(BatchEnd, start)
		s.pos = s.lineEnd(i) // behind how often
		return BatchEnd
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
	if s.rules.suffixes || s.rules.plus && !s.rules.batchLines {
		i += s.numberSuffix(src[i:])
	}
	s.pos = i
	if s.rules.bareNumbers && i < len(src) && classes[src[i]]&startsWord != 0 {
		s.runsOn(start)
	}
	return s.emit(NumberToken, start)
}

// runsOn notes that a number runs into a word (PostgreSQL 15's release notes, E.1.2; SQLite,
// tokenize.c).
func (s *scanner) runsOn(start int) {
	end := s.pos
	for end < len(s.src) && classes[s.src[end]]&inWord != 0 {
		end++
	}
	word := text.Span{Start: text.Pos(s.pos), End: text.Pos(end)}
	s.pasted = append(s.pasted, Error{Kind: JoinedError, Span: text.Span{Start: text.Pos(start), End: word.End}, Found: string(s.src[start:end]), Near: word})
}

// numberSuffix gives how many letters behind a number tell its type, as in 1L and 1.5BD (Spark,
// "Numeric Literal"); Oracle has 1.5f and 2d ("Literals").
func (s *scanner) numberSuffix(rest []byte) int {
	end := 0
	for end < len(rest) && end < 3 && classes[rest[end]]&inWord != 0 {
		end++
	}
	switch string(bytes.ToLower(rest[:end])) {
	case "d", "f":
		return end
	case "l", "s", "y", "bd":
		if s.rules.suffixes {
			return end
		}
	}
	return 0
}

// digitName reads a name that begins with a digit, as MySQL allows where it
// cannot be a number.
func (s *scanner) digitName() bool {
	src, start := s.src, s.pos
	i := start
	for i < len(src) && classes[src[i]]&classMask == digitClass {
		i++
	}
	if i >= len(src) || classes[src[i]]&startsWord == 0 || src[start] == '.' || s.rules.suffixes && s.numberSuffix(src[i:]) > 0 {
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
		endsLine := s.rules.delimiters && s.rules.executed && s.lineEnd(start) == s.pos // where MySQL's client drops it
		starts := s.startsLine(start)
		if s.rules.dollarQuotes && s.pos < len(s.src) {
			if s.src[s.pos] == ';' { // psql sends what stands on both sides of it together
				s.pos++
				return s.emit(Semicolon, start)
			}
			if !starts && classes[s.src[s.pos]]&startsWord != 0 || s.sendsQuery() {
				s.pos = s.lineEnd(start)
				return s.emit(Semicolon, start)
			}
		}
		if starts || endsLine {
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
