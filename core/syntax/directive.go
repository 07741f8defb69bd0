package syntax

import (
	"bytes"
	"strings"

	"justlens/core/dialect/word"
	"justlens/core/text"
)

// directives passes over lines that are the client program's and not the
// database's, where a statement may begin: psql's backslash commands, MySQL's
// DELIMITER, SQL*Plus's settings, SQLite's dot commands. They are kept as
// comments. No token has been read of the statement yet.
func (s *scanner) directives() {
	for {
		s.skipBlanks()
		if s.pos >= len(s.src) {
			return
		}
		if c := s.src[s.pos]; c != '\\' && c != '.' && !s.rules.delimiters && !s.rules.plus || c != '\\' && !s.startsLine(s.pos) || !s.isDirective() {
			return
		}
		start, end := s.pos, s.lineEnd(s.pos)
		s.comments = append(s.comments, text.Span{Start: text.Pos(start), End: text.Pos(end)})
		if s.rules.postgres && connects(s.src[start:end]) || s.rules.executed && uses(s.src[start:end]) {
			s.connects = text.Span{Start: text.Pos(start), End: text.Pos(end)}
		}
		if s.pos = end; s.rules.dollarQuotes && copiesIn(s.src[start:end]) {
			s.copyData()
		}
	}
}

// connects reports whether a line is psql's \c or \connect and names a database; "-" is that of
// before ("psql", "Meta-Commands").
func connects(line []byte) bool {
	words := bytes.Fields(line)
	return len(words) > 1 && (string(words[0]) == `\c` || string(words[0]) == `\connect`) && string(words[1]) != "-"
}

// uses reports whether a line is that with which MySQL's client goes to another database.
func uses(line []byte) bool {
	words := bytes.Fields(line)
	return len(words) > 1 && (bytes.EqualFold(words[0], []byte("use")) || bytes.EqualFold(words[0], []byte("connect")) || string(words[0]) == `\u`)
}

// copiesIn reports whether a line is psql's \copy … from stdin, behind which rows stand.
func copiesIn(line []byte) bool {
	words := bytes.Fields(bytes.ToLower(line))
	if len(words) == 0 || string(words[0]) != `\copy` {
		return false
	}
	for i, w := range words[1:] {
		if string(w) == "stdin" && string(words[i]) == "from" {
			return true
		}
	}
	return false
}

// skipBlanks passes over blanks and comments.
func (s *scanner) skipBlanks() {
	for s.pos < len(s.src) {
		c := s.src[s.pos]
		switch classes[c] & classMask {
		case blankClass:
			s.pos++
		case operatorClass:
			if !s.comment(c) {
				return
			}
		default:
			return
		}
	}
}

// startsLine reports whether nothing but blanks stands before i on its line.
func (s *scanner) startsLine(i int) bool {
	for i--; i >= 0 && s.src[i] != '\n' && s.src[i] != '\r'; i-- {
		if s.src[i] != ' ' && s.src[i] != '\t' && i > 2 {
			return false
		}
	}
	return true
}

func (s *scanner) lineEnd(i int) int {
	if n := bytes.IndexAny(s.src[i:], "\r\n"); n >= 0 {
		return i + n
	}
	return len(s.src)
}

func (s *scanner) isDirective() bool {
	c := s.src[s.pos]
	switch {
	case c == '\\':
		return true
	case c == '.':
		return s.pos+1 < len(s.src) && classes[s.src[s.pos+1]]&startsWord != 0
	case c == '@':
		return s.rules.plus
	case c == '!':
		return s.rules.plus && !s.rules.batchLines
	case classes[c]&startsWord == 0:
		return false
	}
	if !s.rules.plus && s.pos+1 < len(s.src) {
		switch string([]byte{c | 0x20, s.src[s.pos+1] | 0x20}) {
		case "se", "in", "up": // SELECT, INSERT, UPDATE, and the settings of SQL*Plus
			return false
		}
	}
	end := s.pos
	for end < len(s.src) && classes[s.src[end]]&inWord != 0 {
		end++
	}
	w := word.Word(s.names.Intern(s.src[s.pos:end]))
	rest := bytes.TrimSpace(s.src[end:s.lineEnd(end)])
	switch w {
	case word.Delimiter:
		if !s.rules.delimiters || len(rest) == 0 {
			return false
		}
		ender := s.delimiter
		if ender == nil {
			ender = []byte(";")
		}
		s.delimiter = bytes.Fields(rest)[0]
		if end := bytes.IndexByte(rest[1:], rest[0]); end > 0 && (rest[0] == '\'' || rest[0] == '"' || rest[0] == '`') {
			s.delimiter = rest[1 : 1+end]
		}
		if bare := bytes.TrimSuffix(s.delimiter, ender); len(bare) < len(s.delimiter) && len(bare) > 0 && !s.standsSoon(end+len(rest), s.delimiter) {
			s.delimiter = bare // the line is itself ended by the delimiter before
		}
		if bytes.Equal(s.delimiter, []byte(";")) {
			s.delimiter = nil
		}
		return true
	case word.Prompt, word.Spool, word.Define, word.Undefine, word.Rem, word.Remark, word.Whenever, word.Ttitle, word.Btitle,
		word.Accept, word.Pause, word.Host, word.Timing, word.Variable, word.Column, word.Break, word.Clear, word.Compute:
		if s.rules.plus {
			return true
		}
	case word.Set:
		return s.rules.plus && !s.rules.batchLines && isPlusSetting(rest)
	}
	switch {
	case s.rules.plus && s.rules.batchLines: // of an unknown database
		return logsIn(s.names.String(Sym(w)), rest)
	case s.rules.plus:
		return isPlusCommand(s.names.String(Sym(w)))
	case s.rules.executed:
		return isMySQLCommand(s.names.String(Sym(w))) && !s.hasEnd(rest) && s.lineEnd(end) < len(s.src)
	}
	return false
}

// plusCommands are the commands of SQL*Plus but those of one letter, what may be left out of
// them in lower case ("SQL*Plus User's Guide and Reference", "SQL*Plus Command Reference").
var plusCommands = strings.Fields(`ACCept ARCHIVE ATTRibute BREak BTItle CLear COLumn COMPute CONNect COPY DEFine DESCribe DISConnect
	EDit EXECute EXIT GET HELP HISTory HOst LISt PASSWord PAUse PRInt PROmpt QUIT RECOVER REMark REPFooter REPHeader RUN SAVe SHOw
	SHUTDOWN SPOol STArt STARTUP STORE TIMIng TTItle UNDEFine VARiable WHENEVER XQUERY`)

// isPlusCommand takes a name in lower case.
func isPlusCommand(name string) bool {
	for _, c := range plusCommands {
		if c[0]|0x20 == name[0] && len(name) <= len(c) && strings.EqualFold(c[:len(name)], name) && (len(name) == len(c) || c[len(name)] >= 'a') {
			return true
		}
	}
	return false
}

// logsIn reports whether a line is SQL*Plus's CONNECT name/password@database.
func logsIn(name string, rest []byte) bool {
	return len(name) >= len("conn") && strings.HasPrefix("connect", name) && bytes.IndexByte(rest, '/') >= 0 && bytes.IndexByte(rest, '(') < 0
}

// isMySQLCommand reports whether MySQL's client takes a line that begins with a name, in lower
// case, for its own ("MySQL Reference Manual", "mysql Client Commands").
func isMySQLCommand(name string) bool {
	switch name {
	case "charset", "clear", "connect", "edit", "ego", "exit", "go", "help", "nopager", "notee", "nowarning", "pager", "print", "prompt",
		"quit", "rehash", "resetconnection", "source", "status", "system", "tee", "use", "warnings":
		return true
	}
	return false
}

// hasEnd reports whether the rest of a line holds the end of a statement.
func (s *scanner) hasEnd(rest []byte) bool {
	if s.delimiter != nil {
		return bytes.Contains(rest, s.delimiter)
	}
	return bytes.IndexByte(rest, ';') >= 0
}

// standsSoon reports whether something stands in the next kilobytes from a place on.
func (s *scanner) standsSoon(from int, what []byte) bool {
	const near = 64 << 10
	from = min(from, len(s.src))
	return bytes.Contains(s.src[from:min(len(s.src), from+near)], what)
}

// isPlusSetting tells SQL*Plus's SET from the statements SET TRANSACTION, SET
// ROLE and SET CONSTRAINTS.
func isPlusSetting(rest []byte) bool {
	for _, statement := range []string{"transaction", "role", "constraint"} {
		if len(rest) >= len(statement) && bytes.EqualFold(rest[:len(statement)], []byte(statement)) {
			return false
		}
	}
	return true
}

// sendsQuery reports whether the backslash command at pos is one of psql's that send the
// query before it ("psql", "Meta-Commands").
func (s *scanner) sendsQuery() bool {
	end := s.pos
	for end < len(s.src) && classes[s.src[end]]&inWord != 0 {
		end++
	}
	switch string(s.src[s.pos:end]) {
	case "g", "gx", "gset", "gexec", "gdesc", "crosstabview", "watch":
		return true
	}
	return false
}

// atDelimiter reads MySQL's own end of statement, set by DELIMITER.
func (s *scanner) atDelimiter() bool {
	if !bytes.HasPrefix(s.src[s.pos:], s.delimiter) {
		return false
	}
	start := s.pos
	s.pos += len(s.delimiter)
	s.emit(BatchEnd, start)
	return true
}

// copyData passes over the rows behind COPY … FROM stdin, up to a line `\.`.
func (s *scanner) copyData() {
	start := s.lineEnd(s.pos)
	for stop := start; ; {
		end := s.seek(stop, "\n\\.")
		if end < 0 {
			return
		}
		if stop += end + len("\n\\."); s.lineEnd(stop) == stop {
			s.comments = append(s.comments, text.Span{Start: text.Pos(start), End: text.Pos(stop)})
			s.pos = stop
			return
		}
	}
}

// conditional reads the opening of a comment that MySQL executes, such as
// /*!40101, and reports whether its inside is read; s.pos is at the slash.
func (s *scanner) conditional() bool {
	src, i := s.src, s.pos+2
	maria := i < len(src) && src[i] == 'M'
	if maria {
		i++
	}
	if i >= len(src) || src[i] != '!' || maria && !s.rules.mariaComments {
		return false
	}
	i++
	from := i
	for i < len(src) && i < from+6 && classes[src[i]]&classMask == digitClass {
		i++
	}
	version := 0
	if i-from >= 5 {
		for _, c := range src[from:i] {
			version = version*10 + int(c-'0')
		}
	} else {
		i = from
	}
	if version > s.rules.version || s.rules.mariaComments && !maria && version >= 50700 && version <= 99999 {
		return false
	}
	s.comments = append(s.comments, text.Span{Start: text.Pos(s.pos), End: text.Pos(i)})
	s.pos = i
	s.inside++
	return true
}

// endConditional reads the end of a comment that is executed.
func (s *scanner) endConditional() bool {
	if s.inside == 0 || s.pos+1 >= len(s.src) || s.src[s.pos+1] != '/' {
		return false
	}
	s.inside--
	s.comments = append(s.comments, text.Span{Start: text.Pos(s.pos), End: text.Pos(s.pos + 2)})
	s.pos += 2
	return true
}
