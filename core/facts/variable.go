package facts

import (
	"strings"

	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// longestType is how many bytes behind a variable's name are looked through for its type.
const longestType = 120

// variableType gives the type that a routine declares for a name which is its parameter or
// variable; no name where it is none, is declared twice, or has the type of a column or a row.
func (in *Facts) variableType(n *syntax.Name) schema.Type {
	routine, ok := in.Nearest(n, routines).(*syntax.Routine)
	if !ok || len(n.Parts) != 1 {
		return schema.Type{}
	}
	written := ""
	for _, id := range routine.Declared {
		if id.Sym != n.Parts[0].Sym {
			continue
		}
		if written != "" {
			return schema.Type{}
		}
		if written = typeBehind(in.Src, id.Span.End); written == "" {
			return schema.Type{}
		}
	}
	t := schema.Type{Name: written}
	t.Class = in.Dialect.ClassOf(t.Word())
	if t.Class == class.Timestamp && strings.Contains(strings.ToLower(written), "with time zone") {
		t.Class = class.TimestampTZ
	}
	if t.Class == class.Other || written == "" || in.Schema.Type(t.Word()) != nil {
		return schema.Type{}
	}
	return t
}

var routines = syntax.Kinds(syntax.KindRoutine)

// typeBehind gives the type that stands behind a declared name, or behind the last of several
// with commas between them; "" where it is none that can be read at a glance.
func typeBehind(src []byte, at text.Pos) string {
	s := string(src[at:min(int(at)+longestType, len(src))])
	for strings.HasPrefix(strings.TrimLeft(s, " \t"), ",") { // DECLARE a, b INT
		s = strings.TrimLeft(strings.TrimLeft(s, " \t")[1:], " \t")
		s = s[len(s)-len(strings.TrimLeft(s, "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ_0123456789")):]
	}
	depth := 0
	for i := 0; i < len(s); i++ {
		switch c := s[i]; {
		case c == '(':
			depth++
		case c == ')' && depth > 0:
			depth--
		case c == ';' || c == ':' || c == '=' || c == ')' || c == '\n' || c == ',' && depth == 0:
			return plainType(s[:i])
		case c == '%' || c == '.' || c == '[' || c == '"' || c == '\'' || c == '-':
			if strings.Contains(strings.ToLower(s[:i]), " default ") { // of the value behind it
				return plainType(s[:i])
			}
			return ""
		}
	}
	return ""
}

// plainType gives a type without the words that may stand round it in a declaration.
func plainType(s string) string {
	words := strings.Fields(s)
	for len(words) > 0 {
		switch strings.ToLower(words[0]) {
		case "in", "out", "inout", "constant":
			words = words[1:]
			continue
		}
		break
	}
	for i, w := range words {
		switch strings.ToLower(w) {
		case "default", "not", "null", "collate", "character":
			if i > 0 {
				return strings.Join(words[:i], " ")
			}
		case "setof", "table", "array", "ref", "record":
			return ""
		}
	}
	return strings.Join(words, " ")
}
