package speed

import (
	"justlens/core/syntax"
	"justlens/core/text"
)

// Classes of bytes; a byte may go on within a word besides.
const (
	mark uint8 = iota
	blank
	word
	digit
	quote
	classMask = 7
	inWord    = 8
)

var classes = func() (t [256]uint8) {
	for c := range t {
		switch {
		case c == ' ' || '\t' <= c && c <= '\r':
			t[c] = blank
		case 'a' <= c|0x20 && c|0x20 <= 'z' || c == '_' || c >= 0x80:
			t[c] = word | inWord
		case '0' <= c && c <= '9':
			t[c] = digit | inWord
		case c == '\'' || c == '"' || c == '`':
			t[c] = quote
		}
	}
	return t
}()

// Floor is what reading costs at the least: a tokenizer by byte classes into a reused
// slice of the parser's own tokens, without names, comments or operators of several bytes.
func Floor(src []byte, tokens []syntax.Token) []syntax.Token {
	for i := 0; i < len(src); {
		start, c := i, src[i]
		class := classes[c] & classMask
		switch class {
		case blank:
			i++
			continue
		case word, digit:
			for i < len(src) && classes[src[i]]&inWord != 0 {
				i++
			}
		case quote:
			i++
			for i < len(src) && src[i] != c {
				i++
			}
			i++
		default:
			i++
		}
		tokens = append(tokens, syntax.Token{Kind: syntax.TokenKind(class), Span: text.Span{Start: text.Pos(start), End: text.Pos(i)}})
	}
	return tokens
}
