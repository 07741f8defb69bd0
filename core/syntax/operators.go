package syntax

import (
	"bytes"

	"justlens/core/text"
)

// comment skips a comment that begins at s.pos and keeps its span; it reports
// whether there was one.
func (s *scanner) comment(c byte) bool {
	src, start := s.src, s.pos
	next := byte(0)
	if start+1 < len(src) {
		next = src[start+1]
	}
	switch {
	case c == '-' && next == '-' && (!s.rules.dashBlank || s.blankAt(start+2) || s.betweenStatements()), c == '#' && s.rules.hashComment && s.braced(start+1) == 0:
		end := bytes.IndexAny(src[start:], "\r\n")
		if end < 0 {
			end = len(src) - start
		}
		s.pos = start + end
	case c == '/' && next == '*':
		if s.rules.executed && s.conditional() {
			return true
		}
		end, closed := s.blockComment(start + 2)
		if s.pos = end; !closed {
			s.openComment = text.Span{Start: text.Pos(start), End: text.Pos(start + 2)}
		}
	case c == '*' && s.inside > 0:
		return s.endConditional()
	case c == '<' && next == '?' && s.tag() > 0 && s.aloneOnLine(start, s.tag()): // it says what to do with the lines about it
		s.pos = s.tag()
	default:
		return false
	}
	s.comments = append(s.comments, text.Span{Start: text.Pos(start), End: text.Pos(s.pos)})
	return true
}

// betweenStatements reports whether a line, and a statement, begins here: there
// MySQL's client drops what follows -- even without a blank.
func (s *scanner) betweenStatements() bool {
	if n := len(s.tokens); n > 0 && s.tokens[n-1].Kind != Semicolon && s.tokens[n-1].Kind != BatchEnd {
		return false
	}
	return s.startsLine(s.pos)
}

// blockComment gives the end of a comment whose inside begins at i, and whether
// it is closed there.
func (s *scanner) blockComment(i int) (int, bool) {
	src, depth := s.src, 1
	for i+1 < len(src) {
		switch {
		case src[i] == '*' && src[i+1] == '/':
			i += 2
			if depth--; depth == 0 {
				return i, true
			}
		case s.rules.nested && src[i] == '/' && src[i+1] == '*':
			i += 2
			depth++
		default:
			i++
		}
	}
	return len(src), false
}

func (s *scanner) blankAt(i int) bool {
	return i >= len(s.src) || classes[s.src[i]]&classMask == blankClass
}

// operator reads an operator, a placeholder, a variable or a dollar quote.
func (s *scanner) operator(c byte) TokenKind {
	start := s.pos
	switch c {
	case '+':
		s.pos++
		return s.emit(Plus, start)
	case '*':
		if next := start + 1; s.rules.postgres && next < len(s.src) && bytes.IndexByte([]byte("<>="), s.src[next]) >= 0 { // *= of rows
			return s.otherOperator()
		}
		s.pos++
		return s.emit(Asterisk, start)
	case '/':
		s.pos++
		if s.rules.slashes && s.aloneOnLine(start, s.pos) {
			return s.emit(BatchEnd, start)
		}
		return s.emit(Slash, start)
	case '@', '#':
		if kind := s.markedName(c); kind != EOF {
			return kind
		}
	case '?':
		s.pos = digits(s.src, start+1)
		return s.emit(Placeholder, start)
	case ':', '$', '%', '&':
		if kind := s.placeholder(c); kind != EOF {
			return kind
		}
	}
	return s.symbols(c)
}

// markedName reads @a, @@a, #a, ##a.
func (s *scanner) markedName(c byte) TokenKind {
	start := s.pos
	i := start + 1
	if i < len(s.src) && s.src[i] == c {
		i++
	}
	if c == '@' && i == start+1 && s.rules.executed {
		if end := s.quotedVariable(i); end > 0 {
			s.pos = end
			s.emit(VariableName, start)
			s.tokens[len(s.tokens)-1].Sym = s.names.Intern(s.src[start:end])
			return VariableName
		}
	}
	if end := s.braced(i); end > 0 { // @{name}, #{name}
		s.pos = end
		return s.putIn(TemplateMark, start)
	}
	if i >= len(s.src) || classes[s.src[i]]&inWord == 0 || c == '#' && !s.rules.hashNames {
		return EOF
	}
	dotted := c == '@' && s.rules.executed && s.src[start+1] != '@' // a name of MySQL's variables has dots
	for i < len(s.src) && (classes[s.src[i]]&inWord != 0 || s.src[i] == '@' || s.src[i] == '#' || dotted && s.src[i] == '.') {
		i++
	}
	s.pos = i
	if c == '@' && i-start > 2 && s.src[start+1] != '@' && s.src[i-1] == '@' { // @NAME@
		return s.putIn(TemplateMark, start)
	}
	kind := VariableName
	if c == '#' {
		kind = WordToken
	}
	s.emit(kind, start)
	s.tokens[len(s.tokens)-1].Sym = s.names.Intern(s.src[start:i])
	return kind
}

// quotedVariable gives the end of the quoted name of a variable of MySQL, as @`a b`, that begins at
// a place; 0 where none does. Behind a name or text @ is that of a user's host.
func (s *scanner) quotedVariable(at int) int {
	if at >= len(s.src) {
		return 0
	}
	quote := s.src[at]
	if quote != '`' && quote != '\'' && quote != '"' {
		return 0
	}
	if at > 1 {
		if before := s.src[at-2]; classes[before]&inWord != 0 || before == '`' || before == '\'' || before == '"' {
			return 0
		}
	}
	if end := bytes.IndexByte(s.src[at+1:min(len(s.src), at+1+longestMark)], quote); end > 0 {
		return at + 1 + end + 1
	}
	return 0
}

// placeholder reads :a, $1, ${a}, %s, %(a)s, &a; EOF where there is none.
func (s *scanner) placeholder(c byte) TokenKind {
	src, start := s.src, s.pos
	at := func(i int) byte {
		if i < len(src) {
			return src[i]
		}
		return 0
	}
	i := start + 1
	next := at(i)
	switch {
	case c == '$' && s.rules.dollarQuotes && s.dollarQuoted():
		return TextToken
	case c == '$' && next == '{':
		end := s.seek(i, "}")
		if end < 0 {
			return EOF
		}
		i += end + 1
	case c == '$' && next == '(': // sqlcmd's variables
		for i++; classes[at(i)]&inWord != 0; i++ {
		}
		if at(i) != ')' || i < start+3 {
			return EOF
		}
		i++
	case c == '%' && next == '(':
		end := s.seek(i, ")s")
		if end < 0 {
			return EOF
		}
		i += end + 2
	case c == '%':
		if i = s.printed(); i == 0 {
			i = s.betweenPercents()
		}
		if i == 0 {
			return EOF
		}
	case c == ':' && next == '{' && at(i+1) == '?' && s.rules.dollarQuotes: // psql's :{?a}
		end := s.seek(i, "}")
		if end < 0 {
			return EOF
		}
		s.pos = i + end + 1
		return s.emit(Placeholder, start)
	case c == ':' && (next == '\'' || next == '"') && s.rules.dollarQuotes: // psql's :'a' and :"a"
		end := s.seek(i+1, string(next))
		if end < 0 {
			return EOF
		}
		i += end + 2
	case c == '&':
		if i = s.substituted(); i == 0 {
			return EOF
		}
		s.pos = i
		if src[i-1] == '.' && (at(i) == '.' || classes[at(i)]&inWord != 0) { // a name, or the first part of one
			return s.putIn(TemplateMark, start)
		}
		return s.emit(Placeholder, start)
	case (c == ':' || c == '$') && classes[next]&inWord != 0:
		if c == ':' && start > 0 && (src[start-1] == ':' && (start < 2 || src[start-2] != ':') || src[start-1] == '[') {
			return EOF
		}
		for classes[at(i)]&inWord != 0 {
			i++
		}
		if c == '$' && s.rules.batchLines && at(i) == '.' && classes[at(i+1)]&classMask == digitClass { // SQL Server's $12.50
			i = digits(src, i+1)
		}
	default:
		return EOF
	}
	s.pos = i
	if at(i) == '.' && (classes[at(i+1)]&startsWord != 0 || bytes.IndexByte([]byte("\"$%{#<"), at(i+1)) >= 0) && (c == ':' && !s.rules.plus || next == '{' || next == '(') { // the name of a schema or table
		return s.putIn(TemplateMark, start)
	}
	if c == '$' && (next == '{' || next == '(') || c == '%' && i > start+2 && next != '(' { // text is put in, not a value handed over
		return s.putIn(TemplateMark, start)
	}
	if next == '{' || next == '(' {
		return s.putIn(Placeholder, start)
	}
	return s.emit(Placeholder, start)
}

// symbols reads a run of operator characters, longest known first.
func (s *scanner) symbols(c byte) TokenKind {
	src, start := s.src, s.pos
	var next, third byte
	if start+1 < len(src) {
		next = src[start+1]
	}
	if start+2 < len(src) {
		third = src[start+2]
	}
	length, kind := 1, OtherOperator
	switch c {
	case '=':
		switch next {
		case '=':
			length, kind = 2, DoubleEqual
		case '>':
			length, kind = 2, NamedArgument
		default:
			kind = Equal
		}
	case '<':
		if end := s.tag(); end > 0 {
			s.pos = end
			return s.putIn(TemplateMark, start)
		}
		switch {
		case next == '=' && third == '>':
			length, kind = 3, NullSafeEqual
		case next == '=':
			length, kind = 2, LessEqual
		case next == '>':
			length, kind = 2, NotEqual
		case next == '<':
			length, kind = 2, ShiftOperator
		default:
			kind = Less
		}
	case '>':
		switch next {
		case '=':
			length, kind = 2, GreaterEqual
		case '>':
			length, kind = 2, ShiftOperator
		default:
			kind = Greater
		}
	case '!':
		kind = Exclamation
		if next == '=' {
			length, kind = 2, NotEqual
		}
	case '|':
		kind = BitwiseOr
		if next == '/' && s.rules.dollarQuotes || next == '|' && third == '/' && s.rules.dollarQuotes { // roots
			return s.otherOperator()
		}
		if next == '|' {
			length, kind = 2, Pipes
		}
	case '&':
		kind = BitwiseAnd
		if next == '&' {
			length, kind = 2, Ampersands
		}
	case '-':
		kind = Minus
		if next == '>' {
			length, kind = 2, ArrowOperator
			if third == '>' {
				length = 3
			}
		}
	case ':':
		kind = Colon
		switch next {
		case ':':
			length, kind = 2, CastColons
		case '=':
			length, kind = 2, AssignOperator
		}
	case '%':
		kind = Percent
		if next == '%' { // one, as programs write it in a text with %s
			length = 2
		}
	case '^':
		kind = Caret
	case '~':
		kind = Tilde
	}
	if kind == OtherOperator || s.longer(start, start+length) {
		return s.otherOperator()
	}
	s.pos = start + length
	return s.emit(kind, start)
}

// longer reports whether an operator goes on behind end with a character that no prefix
// operator or name begins with, as in `~*`, `<->`, `@>` and PostgreSQL's `<@`, or with a
// sign that PostgreSQL takes for a part of it ("Lexical Structure", "Operators").
func (s *scanner) longer(start, end int) bool {
	if end >= len(s.src) {
		return false
	}
	switch s.src[end] {
	case '<', '>', '=', '|', '&', '^':
		return true
	case '~', '*', '#', '!':
		prev := s.src[end-1]
		return prev == '~' || prev == '!' || prev == '@' || (prev == '|' || prev == '&') && s.rules.dollarQuotes ||
			prev == '<' && s.src[end] == '#' && s.rules.postgres
	case '-', '+':
		if bytes.HasPrefix(s.src[end:], []byte("--")) {
			return false
		}
		return s.rules.postgres && bytes.ContainsAny(s.src[start:end], keepsSign) || bytes.IndexByte([]byte("<>="), s.src[end-1]) >= 0 && s.closes(end)
	case '@': // elsewhere a variable begins
		return s.rules.postgres && (s.src[end-1] == '<' || s.src[end-1] == '!')
	case '%': // of texts that are alike; %s is put in
		return s.rules.postgres && s.src[end-1] == '<' && end+1 < len(s.src) && classes[s.src[end+1]]&(inWord|startsWord) == 0 && s.src[end+1] != '('
	}
	return false
}

// closes reports whether the signs from a place on are ended by a character that cannot begin an
// operand, as in <-> and <+>: they belong to one operator with what stands before them.
func (s *scanner) closes(at int) bool {
	for at < len(s.src) && (s.src[at] == '-' || s.src[at] == '+') {
		at++
	}
	return at < len(s.src) && bytes.IndexByte([]byte("<>="), s.src[at]) >= 0
}

// keepsSign are the characters with which PostgreSQL's operators may end in a sign.
const keepsSign = "~!@#%^&|?"

// otherOperator reads a run of symbols as one operator; it stops before a
// comment, and gives a trailing sign back unless the run holds one of ~!@#%^&|?.
func (s *scanner) otherOperator() TokenKind {
	src, start := s.src, s.pos
	i := start + 1
	for i < len(src) && classes[src[i]]&inOperator != 0 && src[i] != '$' && src[i] != ':' {
		if i+1 < len(src) && (src[i] == '-' && src[i+1] == '-' || src[i] == '/' && src[i+1] == '*') {
			break
		}
		i++
	}
	if !bytes.ContainsAny(src[start:i], keepsSign) {
		for i > start+1 && (src[i-1] == '-' || src[i-1] == '+') {
			i--
		}
	}
	s.pos = i
	return s.emit(OtherOperator, start)
}
