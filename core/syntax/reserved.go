package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
)

// reserved records that a word stands as a bare name that the dialect reserves, where a
// value of the database's own may stand as well.
func (p *Parser) reserved() {
	if !isPseudoColumn(p.word) {
		p.reservedName()
	}
}

// reservedBehindDot is reserved for a part of a name behind the first, unless it is that of
// a function or a method.
func (p *Parser) reservedBehindDot() {
	if p.dialect.Has(dialect.ReservedBehindDots) && p.peek(1).Kind != LeftParen {
		p.reserved()
	}
}

// reservedName is reserved where only a name can stand.
func (p *Parser) reservedName() {
	if p.tok.Kind == WordToken && p.dialect.Reserves(p.word) && !p.broken && (p.dialect != dialect.ANSI && p.dialect != dialect.Oracle || !isPseudoColumn(p.word)) {
		p.errors = append(p.errors, Error{Kind: ReservedError, Span: p.tok.Span, Found: string(p.scan.src[p.tok.Span.Start:p.tok.Span.End])})
	}
}

// reservedAlias is reserved for an alias behind AS. It reports whether the word can only begin
// the next clause.
func (p *Parser) reservedAlias(stop uint8) bool {
	if !p.dialect.Has(dialect.ReservedAliases) && (stop != notTableAlias || p.dialect != dialect.Postgres) || !p.dialect.Reserves(p.word) {
		return false
	}
	if next := p.peek(1); stops[p.word]&startsClause != 0 && next.Kind == WordToken && stops[next.Word()]&startsClause == 0 {
		return true
	}
	if p.dialect != dialect.Oracle || !isHalfReserved(p.word) {
		p.reservedName()
	}
	return false
}

// isPseudoColumn reports whether a reserved word may stand as a value of the
// database's own.
func isPseudoColumn(w word.Word) bool {
	switch w {
	case word.User, word.SessionUser, word.CurrentUser, word.CurrentRole, word.CurrentCatalog, word.CurrentSchema,
		word.SystemUser, word.Sysdate, word.Rownum, word.Rowid, word.Level, word.Uid, word.ColumnValue, word.Default,
		word.Maxvalue, word.UtcDate, word.UtcTime, word.UtcTimestamp, word.Localtime, word.Localtimestamp,
		word.CurrentDate, word.CurrentTime, word.CurrentTimestamp, word.Identitycol, word.Rowguidcol, word.True, word.False,
		word.Null, word.Values, word.Raise, word.Binary, word.Ignore, word.Dual, word.Public, word.NoWord:
		return true
	}
	return false
}

// isHalfReserved tells the words that Oracle reserves in some places only (RES_SEMI of its
// V$RESERVED_WORDS).
func isHalfReserved(w word.Word) bool {
	switch w {
	case word.Access, word.Add, word.Audit, word.Column, word.Comment, word.Current, word.File, word.Immediate, word.Increment, word.Initial,
		word.Level, word.Maxextents, word.Mlslabel, word.Modify, word.Noaudit, word.Offline, word.Online, word.Row, word.Rowid, word.Rownum, word.Rows,
		word.Session, word.Successful, word.Sysdate, word.Uid, word.User, word.Validate, word.Whenever:
		return true
	}
	return false
}
