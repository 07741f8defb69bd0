package syntax

import (
	"bytes"
	"fmt"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// guessBytes bounds how much of a text is read to guess its dialect.
const guessBytes = 64 << 10

// Guess tells which dialect a text most likely is written in, and what spoke
// for it, as "ILIKE on line 3". Without any clue it gives [dialect.ANSI] and "".
func Guess(src []byte, names *Names) (dialect.Dialect, string) {
	s := scanner{names: names}
	s.reset(src[:min(len(src), guessBytes)], dialect.ANSI)
	var clues dialect.Clues
	for kind := s.scan(); kind != EOF; kind = s.scan() {
		if len(s.tokens) > 3 {
			s.tokens = s.tokens[:copy(s.tokens, s.tokens[len(s.tokens)-3:])]
		}
		if set, weight := s.clue(); weight > 0 {
			clues.Add(set, weight, s.describe(s.tokens[len(s.tokens)-1].Span))
		}
	}
	return clues.Best()
}

// clue weighs the last token, seen with the two before it.
func (s *scanner) clue() (dialect.Set, int) {
	last := len(s.tokens) - 1
	t := s.tokens[last]
	before := Token{}
	if last > 0 {
		before = s.tokens[last-1]
	}
	switch t.Kind {
	case WordToken:
		if t.Word() == word.Top && before.Word() != word.Select {
			return 0, 0
		}
		if before.Kind != Dot {
			return dialect.WordClue(t.Word())
		}
	case LeftParen:
		if before.Kind == WordToken {
			return dialect.FunctionClue(s.names.String(before.Sym))
		}
	case RightParen:
		if last > 1 && before.Kind == Plus && s.tokens[last-2].Kind == LeftParen {
			return dialect.In(dialect.Oracle), 5
		}
	case QuotedName:
		if s.src[t.Span.Start] == '`' {
			return dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark), 2
		}
	case LeftBracket:
		switch before.Word() {
		case word.From, word.Join, word.Select, word.Into, word.Update, word.Table, word.By, word.As:
			return dialect.In(dialect.SQLServer), 3
		}
	case CastColons:
		return dialect.In(dialect.Postgres), 3
	case Placeholder:
		if c := s.src[t.Span.Start]; c == '$' && t.Span.Len() > 1 && classes[s.src[t.Span.Start+1]]&classMask == digitClass {
			return dialect.In(dialect.Postgres), 2
		}
	case TextToken:
		if s.src[t.Span.Start] == '$' {
			return dialect.In(dialect.Postgres), 4
		}
	case VariableName:
		return dialect.In(dialect.SQLServer), 2
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

func (s *scanner) describe(span text.Span) string {
	line := 1 + bytes.Count(s.src[:span.Start], []byte{'\n'})
	if last := len(s.tokens) - 1; s.tokens[last].Kind == LeftParen && last > 0 {
		span = s.tokens[last-1].Span
	}
	return fmt.Sprintf("%s on line %d", s.src[span.Start:span.End], line)
}
