package syntax

import (
	"justlens/core/dialect/word"
)

// declares notes a name that a routine gives to a parameter or variable.
func (p *Parser) declares() {
	if p.tok.Kind != WordToken && p.tok.Kind != QuotedName || p.skims {
		return
	}
	p.declared = append(p.declared, Ident{Span: p.tok.Span, Sym: p.tok.Sym, Quoted: p.tok.Kind == QuotedName})
}

// parameters passes over a list of parameters in parentheses, or of the columns of
// RETURNS TABLE, and notes their names. PostgreSQL lets a parameter have none.
func (p *Parser) parameters() {
	p.next()
	for first := true; !p.atEnd() && p.tok.Kind != RightParen; first = false {
		if !first && !p.acceptKind(Comma) {
			p.skipOne()
			continue
		}
		for p.atAny(word.In, word.Out, word.Inout, word.Variadic) {
			p.next()
		}
		switch next := p.peek(1); next.Kind {
		case WordToken, QuotedName:
			if !isLongType(p.word, next.Word()) {
				p.declares()
			}
		}
	}
	p.acceptKind(RightParen)
}

// isLongType reports whether two words are the name of a type, and not a name with its type.
func isLongType(first, second word.Word) bool {
	switch second {
	case word.Precision, word.Varying, word.With, word.Without, word.Unsigned, word.Array, word.Default:
		return true
	}
	return first == word.National
}

// declaredNames notes the names at the head of a declaration: several with commas on MySQL
// and MariaDB, one elsewhere. Cursors, conditions and handlers are no variables.
func (p *Parser) declaredNames() {
	switch p.word {
	case word.Cursor, word.Type, word.Pragma, word.Function, word.Procedure, word.Begin, word.End, word.Continue, word.Exit, word.Global:
		return
	}
	switch next := p.peek(1); next.Word() {
	case word.Cursor, word.Condition, word.Handler, word.Exception:
		return
	}
	for {
		p.declares()
		if p.peek(1).Kind != Comma || p.peek(2).Kind != WordToken {
			return
		}
		p.next()
		p.next()
	}
}

// takeDeclared gives what was noted since mark, and forgets it; nothing where the body says
// that such a name means the column.
func (p *Parser) takeDeclared(mark int) []Ident {
	noted := p.declared[mark:]
	p.declared = p.declared[:mark]
	if p.clashing == "use_column" {
		return nil
	}
	return p.lists.idents.Copy(noted)
}
