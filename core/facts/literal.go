package facts

import (
	"strconv"
	"strings"
	"time"

	"justlens/core/bind"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
	"justlens/core/text"
)

// IsValue reports whether a text in quotes is surely a value of a class: a number that all
// databases read, or a day that begins with the year.
func IsValue(in *bind.Info, x syntax.Expr, of class.Class) bool {
	n, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || n.Lit != syntax.TextLiteral {
		return false
	}
	written := text.View(in.Src, n.Span())
	if len(written) < 3 || written[0] != '\'' {
		return false
	}
	value := strings.TrimSpace(written[1 : len(written)-1])
	switch {
	case of.IsNumber():
		_, err := strconv.ParseFloat(value, 64)
		return err == nil && strings.Trim(value, "+-.0123456789") == ""
	case of.HasDay():
		_, err := time.Parse(time.DateOnly, value[:min(len(value), len(time.DateOnly))])
		return err == nil
	}
	return false
}

// HasLetters reports whether a text in quotes holds a character that no number has.
func HasLetters(in *bind.Info, n *syntax.Literal) bool {
	written := text.View(in.Src, n.Span())
	return len(written) > 1 && written[0] == '\'' && strings.Trim(written[1:len(written)-1], "+-.0123456789eE_ \t\n") != "" &&
		!strings.Contains(written, `\`) && !strings.Contains(strings.ToLower(written), "0x") && !strings.Contains(strings.ToLower(written), "inf") && !strings.Contains(strings.ToLower(written), "nan")
}

// IsTruthText reports whether PostgreSQL reads a text as true or false; the beginning of a
// word will do. ("Boolean Type" of its manual)
func IsTruthText(s string) bool {
	s = strings.ToLower(strings.TrimSpace(s))
	for _, word := range []string{"true", "yes", "on", "1", "false", "no", "off", "0"} {
		if s != "" && s != "o" && strings.HasPrefix(word, s) {
			return true
		}
	}
	return false
}

// MayBeDay reports whether a text holds a digit, or one of the words that PostgreSQL has for
// days; signs round a word, as in 'now()', do not matter to it.
func MayBeDay(value string) bool {
	for _, word := range strings.FieldsFunc(strings.ToLower(value), func(c rune) bool { return c < 'a' || c > 'z' }) {
		switch word {
		case "now", "today", "tomorrow", "yesterday", "epoch", "infinity", "allballs":
			return true
		}
	}
	return strings.ContainsAny(value, "0123456789")
}
