package syntax

import (
	"bytes"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
)

// triggerHead bounds how many tokens stand between TRIGGER and the name of its table.
const triggerHead = 64

// FilledByTriggers gives the tables, by last name in lower case, for which a text makes
// triggers that may change a row before it is written, wherever in the text they stand.
func FilledByTriggers(src []byte, d dialect.Dialect) map[string]bool {
	var filled map[string]bool
	s := scanner{names: NewNames()}
	for _, spelling := range []string{"trigger", "TRIGGER", "Trigger"} {
		for at := 0; ; {
			i := bytes.Index(src[at:], []byte(spelling))
			if i < 0 {
				break
			}
			at += i + len(spelling)
			s.reset(src[at:min(len(src), at+4096)], d)
			if table := s.triggerTable(); table != "" {
				if filled == nil {
					filled = map[string]bool{}
				}
				filled[table] = true
			}
		}
	}
	return filled
}

// triggerTable reads on behind TRIGGER, and gives the table whose rows it may change before
// they are written, "" for none.
func (s *scanner) triggerTable() string {
	before, table := false, ""
	for kind := s.scan(); kind != EOF && kind != Semicolon && len(s.tokens) < triggerHead; kind = s.scan() {
		last := s.tokens[len(s.tokens)-1]
		switch {
		case last.Word() == word.Before, s.names.String(last.Sym) == "instead":
			before = true
		case len(s.tokens) > 1 && (s.tokens[len(s.tokens)-2].Word() == word.On || table != "" && s.tokens[len(s.tokens)-2].Kind == Dot):
			if last.Kind != WordToken && last.Kind != QuotedName {
				return ""
			}
			table = s.names.String(last.Sym)
		case table != "" && last.Kind != Dot && before:
			return strings.ToLower(table)
		}
	}
	if before {
		return strings.ToLower(table)
	}
	return ""
}
