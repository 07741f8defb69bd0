package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
)

// Here stands which words of the grammar are plain names, by their dialect and by what
// follows them.

// isPlainName reports whether a word that begins a clause or modifies a statement, as LIMIT
// and SQL_CACHE do, is a name here: nothing goes on behind it.
func (p *Parser) isPlainName() bool {
	if stops[p.word]&notName != 0 {
		return false
	}
	switch next := p.peek(1); next.Kind {
	case Comma, RightParen, Dot, Semicolon, EOF, Equal:
		return true
	case LeftBracket:
		return p.dialect == dialect.Postgres
	default:
		return next.Word() == word.From || next.Word() == word.As || next.Word() == word.Desc || next.Word() == word.Asc
	}
}

// isClauseAlias reports whether a word that begins a clause elsewhere, as LIMIT does, is the alias
// of an output: the dialect does not reserve it, and the list goes on behind it.
func (p *Parser) isClauseAlias(stop uint8) bool {
	if stop != notOutputAlias || stops[p.word]&startsClause == 0 || stops[p.word]&notName != 0 || p.dialect == dialect.ANSI || p.dialect.Reserves(p.word) {
		return false
	}
	next := p.peek(1)
	return next.Kind == Comma || next.Word() == word.From
}

// isFree reports whether the dialect lets a word be a name that no other one does: PostgreSQL's
// manual, "SQL Key Words"; SQLite's parse.y, "fallback".
func (p *Parser) isFree(w word.Word) bool {
	switch p.dialect {
	case dialect.Postgres:
		return w == word.By || w == word.Set || w == word.Update
	case dialect.SQLite:
		return w == word.By
	}
	return false
}

// isFreeOperand reports whether such a word is an operand: it ends there, or an operator or a
// clause follows.
func (p *Parser) isFreeOperand() bool {
	if !p.isFree(p.word) {
		return false
	}
	switch next := p.peek(1); next.Kind {
	case LeftParen:
		return p.word == word.Set // a function of a user's
	case NumberToken, TextToken, QuotedName, VariableName, Placeholder, Asterisk:
		return false
	case WordToken:
		return stops[next.Word()] != 0
	}
	return true
}

// startsVariable reports whether a variable of PL/pgSQL stands here by itself, which may have
// a name that the queries around it reserve.
func (p *Parser) startsVariable() bool {
	return p.quoted && p.tok.Kind == WordToken && p.dialect.Reserves(p.word) && !isPseudoColumn(p.word) && stops[p.word]&notName == 0 && p.isPlainName() && p.peek(1).Kind != Dot
}

// isNameIf reports whether IF is a name: what follows is another part of the statement, and no
// misspelt EXISTS.
func (p *Parser) isNameIf() bool {
	switch next := p.peek(1); next.Kind {
	case WordToken:
		return next.Word() != word.NoWord && next.Word() != word.Exists && next.Word() != word.Not
	case EOF, Semicolon, Comma, LeftParen, RightParen, Dot:
		return true
	}
	return false
}

// acceptOnly reads PostgreSQL's ONLY before the name of a table.
func (p *Parser) acceptOnly() {
	if p.at(word.Only) && p.peek(1).Kind != Dot && (p.dialect == dialect.Postgres || p.dialect == dialect.ANSI) {
		p.next()
	}
}

// acceptLateral reads LATERAL before a query or a function; SQLite and MariaDB have none, and
// tables of that name.
func (p *Parser) acceptLateral() bool {
	if p.at(word.Lateral) && (p.dialect == dialect.SQLite || p.dialect == dialect.MariaDB) && p.peek(1).Kind != LeftParen && p.peek(2).Kind != LeftParen {
		return false
	}
	return p.accept(word.Lateral)
}

// isBareCall reports whether the word at hand calls a function without parentheses; what else
// of these SQLite and MariaDB meet is a name.
func (p *Parser) isBareCall() bool {
	switch p.word {
	case word.CurrentDate, word.CurrentTime, word.CurrentTimestamp:
		return true
	case word.Localtime, word.Localtimestamp, word.CurrentUser, word.CurrentRole:
		return p.dialect != dialect.SQLite
	case word.SessionUser, word.SystemUser:
		return p.dialect != dialect.SQLite && p.dialect != dialect.MariaDB && p.dialect != dialect.MySQL
	}
	return false
}
