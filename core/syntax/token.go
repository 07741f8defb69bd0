package syntax

import (
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// TokenKind tells tokens apart as far as the grammar needs.
type TokenKind uint8

const (
	EOF TokenKind = iota
	WordToken
	QuotedName
	TextToken
	NumberToken
	Placeholder  // ? ?1 :a $1 %s ${a}
	VariableName // @a @@a
	TemplateMark // {{ … }}
	Semicolon
	BatchEnd // a line holding only GO or /
	LeftParen
	RightParen
	LeftBracket
	RightBracket
	Comma
	Dot
	Colon
	Stray     // a byte that begins nothing
	BodyQuote // the quote round a body that is read
	// Operators.
	Equal
	DoubleEqual
	NotEqual
	NullSafeEqual
	Less
	LessEqual
	Greater
	GreaterEqual
	Plus
	Minus
	Asterisk
	Slash
	Percent
	Caret
	Pipes
	Ampersands
	BitwiseOr
	BitwiseAnd
	BitwiseXor
	ShiftOperator
	Tilde
	Exclamation
	ArrowOperator
	CastColons
	AssignOperator
	NamedArgument // =>
	OtherOperator
)

func (k TokenKind) isOperator() bool { return k >= Equal }

// Flags of a token.
const (
	// Unclosed marks a text or name whose end was not found.
	Unclosed uint8 = 1 << iota
	// opens marks the first quote round a body that is read.
	opens
)

// Token is one token of the text. Blanks are no tokens: they are what lies
// between; comments are kept apart, in [Statement].Comments.
type Token struct {
	Kind  TokenKind
	Flags uint8
	word  word.Word
	Sym   Sym // of words and quoted names, else 0
	Span  text.Span
}

// Word gives the number of a bare word that some grammar knows, else [word.NoWord].
func (t Token) Word() word.Word { return t.word }

// wordToken makes the token of a bare word.
func wordToken(sym Sym, start, end int) Token {
	t := Token{Kind: WordToken, Sym: sym, Span: text.Span{Start: text.Pos(start), End: text.Pos(end)}}
	if sym < Sym(word.Total) {
		t.word = word.Word(sym)
	}
	return t
}
