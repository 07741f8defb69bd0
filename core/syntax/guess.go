package syntax

import (
	"bytes"
	"fmt"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// guessBytes bounds how much of a text is read to guess its dialect.
const guessBytes = 64 << 10

// Guess tells which dialect a text most likely is written in, and what spoke
// for it, as "ILIKE on line 3". The path of its file counts, "" for none. Without any
// clue it gives [dialect.ANSI] and "".
func Guess(path string, src []byte, names *Names) (dialect.Dialect, string) {
	w := Weigh(path, src, names)
	return w.Dialect, w.Clue
}

// Weighed is a guess and how much it counts beside those of other files.
type Weighed struct {
	Dialect dialect.Dialect
	Clue    string // what spoke for it, "" for nothing
	// Sure tells that the files around it do not outweigh the clue.
	Sure bool
	// Not are the dialects whose databases refuse what stands in it, whatever is around it.
	Not dialect.Set
	// OwnName tells that nothing but the name of its file speaks for it, which says nothing
	// of files beside it that do without such a name.
	OwnName bool
}

// Weigh is Guess that tells how much it counts.
func Weigh(path string, src []byte, names *Names) Weighed {
	s := scanner{names: names}
	s.reset(src[:min(len(src), guessBytes)], dialect.ANSI)
	var clues dialect.Clues
	clue := ""
	set, part := dialect.PathClue(path)
	if part != "" {
		clues.Add(set, pathWeight, part+" in its path")
	}
	remarks, not := 0, dialect.Set(0)
	for kind := s.scan(); kind != EOF; kind = s.scan() {
		if len(s.tokens) > 3 {
			s.tokens = s.tokens[:copy(s.tokens, s.tokens[len(s.tokens)-3:])]
		}
		last := s.tokens[len(s.tokens)-1]
		if set, weight := s.clue(); weight != 0 {
			if s.src[last.Span.Start] == '#' {
				if remarks++; remarks > mostRemarks {
					continue
				}
			}
			clues.Add(set, weight, s.describe(last.Span))
			if last.Kind == CastColons {
				clues.Add(dialect.In(dialect.MySQL, dialect.MariaDB), -weight, "")
			}
		} else if clue == "" && s.goesOn(last) {
			clue = s.describe(last.Span)
		} else if last.Kind == QuotedName && s.src[last.Span.Start] == '"' && s.behindTableWord() {
			not = dialect.With(dialect.DoubleQuotedText)
		}
	}
	best, told := clues.Best()
	if told == "" && clue != "" {
		return Weighed{Dialect: dialect.MySQL, Clue: clue}
	}
	own := part != "" && clues.Weight(best) == pathWeight && strings.Contains(path[strings.LastIndexAny(path, `/\`)+1:], part)
	return Weighed{Dialect: best, Clue: told, Sure: told != "", Not: not, OwnName: own}
}

// behindTableWord reports whether the last token stands where a table or a part of its name
// does.
func (s *scanner) behindTableWord() bool {
	if len(s.tokens) < 2 {
		return false
	}
	before := s.tokens[len(s.tokens)-2]
	switch before.Word() {
	case word.From, word.Join, word.Into, word.Update, word.Table:
		return true
	}
	return before.Kind == Dot
}

// goesOn reports whether a text ends with a backslash before its quote, and a word follows it
// at once: where a backslash means something, as on MySQL, the text goes on there.
func (s *scanner) goesOn(t Token) bool {
	end := int(t.Span.End)
	return t.Kind == TextToken && t.Span.Len() > 2 && end < len(s.src) && s.src[end-2] == '\\' && classes[s.src[end]]&inWord != 0
}

// pathWeight is what a database's name in the path of a file counts: more than any one
// word, less than several.
const pathWeight = 6

// mostRemarks is how many comments behind # count: many are not more than one that is long,
// and what runs a file may take them out.
const mostRemarks = 2

// clue weighs the last token, seen with the two before it.
func (s *scanner) clue() (dialect.Set, int) {
	last := len(s.tokens) - 1
	t := s.tokens[last]
	before := Token{}
	if last > 0 {
		before = s.tokens[last-1]
	}
	if s.src[t.Span.Start] == '#' && t.Kind != WordToken && s.startsLine(int(t.Span.Start)) {
		return dialect.In(dialect.MySQL, dialect.MariaDB), 2 // a comment there
	}
	if before.Word() == word.Varchar && t.Kind != LeftParen && last > 1 && s.tokens[last-2].Word() != word.Long {
		return dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark), -3 // they ask for a length
	}
	if weight := s.transacts(t, before); weight > 0 {
		return dialect.In(dialect.SQLServer), weight
	}
	switch t.Kind {
	case NumberToken:
		if before.Word() == word.Default && last > 1 && s.tokens[last-2].Word() == word.Boolean {
			return dialect.In(dialect.Postgres), -3 // which takes no number for one
		}
	case WordToken:
		if t.Word() == word.Top && before.Word() != word.Select {
			return 0, 0
		}
		switch {
		case before.Kind == Dot:
		case before.Word() == word.Or && (t.Word() == word.Replace || t.Word() == word.Ignore) && last > 1 && s.tokens[last-2].Word() == word.Insert:
			return dialect.In(dialect.SQLite), 4
		case before.Word() == word.Insert && t.Word() == word.Ignore, before.Word() == word.On && t.Word() == word.Duplicate:
			return dialect.In(dialect.MySQL, dialect.MariaDB), 3
		case before.Word() == word.On && t.Word() == word.Conflict:
			return dialect.In(dialect.Postgres, dialect.SQLite), 3
		case before.Kind == VariableName && isVariableType(t.Word()):
			return dialect.In(dialect.SQLServer), 4 // a parameter, or DECLARE
		case before.Word() == word.Collate && s.names.String(t.Sym) == "nocase":
			return dialect.In(dialect.SQLite), 4
		case t.Word() == word.Begin && last > 1 && s.tokens[last-2].Word() == word.On:
			return dialect.In(dialect.SQLite, dialect.Oracle), 4 // a trigger's body at once
		case before.Word() == word.Not && t.Word() == word.Atomic:
			return dialect.In(dialect.MariaDB), pathWeight + 1
		case t.Word() == word.Database && before.Word() == word.Attach:
			return dialect.In(dialect.SQLite), 4
		case t.Word() == word.Delimiter && s.startsLine(int(t.Span.Start)):
			return dialect.In(dialect.MySQL, dialect.MariaDB), 6
		case t.Word() == 0:
			return dialect.NameClue(s.names.String(t.Sym))
		default:
			return dialect.WordClue(t.Word())
		}
	case Equal:
		if before.Word() == word.Engine {
			return dialect.In(dialect.MySQL, dialect.MariaDB), 3
		}
	case LeftParen:
		if before.Word() == word.If && last > 1 {
			switch before := s.tokens[last-2]; before.Kind {
			case LeftParen, Comma, Equal:
				return dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark), 2
			}
		} else if before.Kind == WordToken {
			name := s.names.String(before.Sym)
			if name == "isnull" && !s.severalArguments() {
				return dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark), 2
			}
			return dialect.FunctionClue(name)
		}
	case RightParen:
		if last > 1 && before.Kind == Plus && s.tokens[last-2].Kind == LeftParen {
			return dialect.In(dialect.Oracle), 5
		}
	case QuotedName:
		if s.src[t.Span.Start] == '`' {
			return dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark), 2
		}
		if t.Span.Len() == 2 {
			return dialect.In(dialect.Postgres, dialect.Oracle), -3 // which know no empty name
		}
	case LeftBracket:
		switch before.Word() {
		case word.From, word.Join, word.Select, word.Into, word.Update, word.Table, word.By, word.As:
			return dialect.In(dialect.SQLServer), 3
		}
	case CastColons: // more than an operator of one of its extensions
		return dialect.In(dialect.Postgres), 5
	case Placeholder:
		if c := s.src[t.Span.Start]; c == '$' && t.Span.Len() > 1 && classes[s.src[t.Span.Start+1]]&classMask == digitClass {
			return dialect.In(dialect.Postgres, dialect.SQLite), 2
		}
	case TextToken:
		switch before.Word() {
		case word.As, word.Do, word.Language, word.Sql: // else it may lie between two marks of DELIMITER $$
			if s.src[t.Span.Start] == '$' {
				return dialect.In(dialect.Postgres), 4
			}
		}
	case VariableName:
		if last > 1 && before.Span.End == t.Span.Start && s.namesLinked(s.tokens[last-2]) {
			return dialect.In(dialect.Oracle), 3
		}
		return dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer), 2
	case NullSafeEqual:
		return dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark), 3
	case BatchEnd:
		if s.src[t.Span.Start] == '/' {
			return dialect.In(dialect.Oracle), 5
		}
		return dialect.In(dialect.SQLServer), 5
	}
	return 0, 0
}

// transacts weighs a token, and the one before it, that stand beside each other in Transact-SQL only.
func (s *scanner) transacts(t, before Token) int {
	first := before.Word()
	switch t.Kind {
	case VariableName:
		switch strings.ToLower(string(s.src[t.Span.Start:t.Span.End])) {
		case "@@rowcount", "@@fetch_status", "@@trancount", "@@error", "@@servername", "@@spid", "@@procid":
			return 5
		}
		if first == word.Declare || first == word.Print {
			return 5
		}
	case TextToken:
		if first == word.Print {
			return 3
		}
	case CastColons: // ON SCHEMA::dbo
		if first == word.Schema || first == word.Object {
			return 3
		}
	case NumberToken:
		if n := len(s.tokens); n > 2 && before.Kind == LeftParen && s.tokens[n-3].Word() == word.Identity {
			return 3
		}
	case WordToken:
		switch t.Word() {
		case word.Proc:
			if first == word.Create || first == word.Alter || first == word.Drop {
				return 5
			}
		case word.Tran:
			if first == word.Begin || first == word.Commit || first == word.Rollback || first == word.Save {
				return 5
			}
		case word.Try, word.Catch:
			if first == word.Begin || first == word.End {
				return 6
			}
		case word.Begin: // of IF and WHILE without a word before it
			if before.Kind == NumberToken || before.Kind == VariableName {
				return 4
			}
		}
	}
	return 0
}

// namesLinked reports whether a name behind a token, with @ and another name at once behind it, is
// that of a table behind a database link, or of a user with a password: MySQL has name@host only
// where a user is granted to or defines something.
func (s *scanner) namesLinked(before Token) bool {
	switch before.Word() {
	case word.From, word.Join, word.Into, word.Update, word.Delete, word.Using:
		return true
	}
	return before.Kind == Dot || before.Kind == Slash
}

// severalArguments reports whether a comma stands between the parenthesis just read and the one
// that closes it, not far behind.
func (s *scanner) severalArguments() bool {
	const far = 200
	depth := 0
	for _, c := range s.src[s.pos:min(len(s.src), s.pos+far)] {
		switch {
		case c == '(':
			depth++
		case c == ')' && depth == 0:
			return false
		case c == ')':
			depth--
		case c == ',' && depth == 0:
			return true
		}
	}
	return false
}

func (s *scanner) describe(span text.Span) string {
	line := 1 + bytes.Count(s.src[:span.Start], []byte{'\n'})
	if last := len(s.tokens) - 1; s.tokens[last].Kind == LeftParen && last > 0 {
		span = s.tokens[last-1].Span
	}
	const most = 40 // of a text in dollar quotes the opening one
	what := s.src[span.Start:span.End]
	if len(what) > most {
		end := bytes.IndexByte(what[1:], what[0]) + 2
		what = what[:min(max(end, 1), most)]
	}
	return fmt.Sprintf("%s on line %d", what, line)
}

// isVariableType reports whether a word is a type that Transact-SQL's variables have.
func isVariableType(w word.Word) bool {
	switch w {
	case word.Int, word.Bigint, word.Smallint, word.Tinyint, word.Bit, word.Decimal, word.Numeric, word.Float, word.Real,
		word.Date, word.Time, word.Datetime, word.Char, word.Varchar, word.Nchar, word.Nvarchar, word.Varbinary, word.Xml, word.Table:
		return true
	}
	return false
}
