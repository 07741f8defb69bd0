package syntax

import (
	"bytes"

	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// primary reads an operand without operators.
func (p *Parser) primary() Expr {
	start := p.start()
	switch p.tok.Kind {
	case WordToken:
		return p.wordPrimary(start)
	case NumberToken:
		p.next()
		return p.literal(start, NumberLiteral)
	case TextToken:
		if p.badHex() {
			p.fail("text of hexadecimal digits")
		}
		p.next()
		for p.tok.Kind == TextToken && (p.scan.rules.pipesOr || p.dialect == dialect.Spark || p.startsLine()) {
			p.next()
		}
		p.acceptUescape()
		return p.literal(start, TextLiteral)
	case QuotedName:
		return p.nameOrCall(start)
	case TemplateMark:
		if next := p.peek(1).Kind; next == Dot || next == LeftParen {
			return p.nameOrCall(start)
		}
		p.next()
		n := p.slabs.params.New()
		n.node, n.Put = p.node(start), true
		return n
	case LeftParen:
		return p.parens(start)
	case LeftBracket:
		if p.arrays == 0 && p.scan.rules.dollarQuotes {
			break
		}
		return p.arrayItems(start, p.slabs.arrays.New())
	case Placeholder, VariableName:
		put := p.putsText(p.tok)
		p.next()
		if p.tok.Kind != Dot && p.dialect.Has(dialect.ExecutedComments) {
			switch strings.ToLower(string(p.scan.src[start:p.last])) {
			case "@@global", "@@session", "@@local", "@@default":
				p.fail("a dot")
			}
		}
		n := p.slabs.params.New()
		n.node, n.Put = p.node(start), put
		return n
	case Asterisk:
		p.next()
		n := p.slabs.stars.New()
		n.node = p.node(start)
		return n
	}
	if p.atBrace() {
		return p.braced(start)
	}
	p.fail("an expression")
	return p.badExpr(start)
}

// badHex reports whether tok is a text x'…' that holds other than hexadecimal
// digits.
func (p *Parser) badHex() bool {
	s := p.tok.Span
	if p.scan.src[s.Start]|0x20 != 'x' || p.tok.Flags&Unclosed != 0 {
		return false
	}
	return !only(p.scan.src[s.Start+2:s.End-1], "0123456789abcdefABCDEF \t\r\n")
}

// atBrace reports whether an escape such as {fn …} or {d '…'} begins here.
func (p *Parser) atBrace() bool {
	return p.tok.Kind == Stray && p.scan.src[p.tok.Span.Start] == '{' && p.peek(1).Kind == WordToken
}

// braced reads {fn call}, {d '2026-05-01'} and the like.
func (p *Parser) braced(start text.Pos) Expr {
	p.next()
	function := p.says(0, "fn")
	x := p.momentOrNil()
	if x == nil {
		p.next()
		x = p.expr()
	}
	if c, ok := x.(*Call); ok && function { // of the driver, not of the database
		for i := range c.Name {
			c.Name[i].Quoted = true
		}
	}
	p.closeBrace()
	n := p.slabs.parens.Next()
	*n = Paren{node: p.node(start), X: x}
	return n
}

// momentOrNil reads d '2026-05-01', t '10:30' or ts '…' of an escape; nil where none stands. They
// are texts to the driver, which makes moments of them.
func (p *Parser) momentOrNil() Expr {
	if p.peek(1).Kind != TextToken || !p.says(0, "d") && !p.says(0, "t") && !p.says(0, "ts") {
		return nil
	}
	t := p.slabs.typeNames.New()
	start := p.start()
	t.Parts = p.lists.idents.One(Ident{Span: p.tok.Span, Sym: p.scan.names.Intern([]byte("timestamp"))})
	p.next()
	t.node = p.node(start)
	return p.textOfType(start, t)
}

func (p *Parser) closeBrace() {
	if p.tok.Kind != Stray || p.scan.src[p.tok.Span.Start] != '}' {
		p.fail("}")
		return
	}
	p.next()
}

func (p *Parser) literal(start text.Pos, kind LiteralKind) Expr {
	n := p.slabs.literals.Next()
	*n = Literal{node: p.node(start), Lit: kind}
	return n
}

// wordPrimary reads an operand that begins with a word.
func (p *Parser) wordPrimary(start text.Pos) Expr {
	next := p.peek(1).Kind
	if (next == LeftParen || next == WordToken) && p.longType() > 0 {
		if x := p.typedLiteralOrNil(start); x != nil {
			return x
		}
	}
	switch p.word {
	case word.NoWord:
		if p.scan.src[start] == '_' && p.scan.rules.pipesOr && (next == TextToken || next == NumberToken) {
			p.next() // a character set before text
			p.next()
			for p.tok.Kind == TextToken {
				p.next()
			}
			return p.literal(start, TextLiteral)
		}
		if p.atUnicodeQuote() {
			p.next()
			p.next()
			return p.primary()
		}
		return p.nameOrCall(start)
	case word.Null:
		p.next()
		return p.literal(start, NullLiteral)
	case word.True, word.False:
		if next == Dot || next == LeftParen {
			break
		}
		kind := TrueLiteral
		if p.word == word.False {
			kind = FalseLiteral
		}
		p.next()
		return p.literal(start, kind)
	case word.Default:
		if next != Dot && next != LeftParen {
			p.next()
			return p.literal(start, DefaultLiteral)
		}
	case word.Case:
		return p.caseExpr(start)
	case word.Json:
		if p.dialect == dialect.Oracle && (next == LeftBracket || next == Stray) {
			return p.jsonText(start)
		}
	case word.Cast, word.TryCast, word.TryConvert, word.Convert:
		if next == LeftParen {
			return p.castCall(start)
		}
	case word.Exists:
		if next == LeftParen && p.startsQuery(2) {
			p.next()
			p.next()
			n := p.slabs.existss.New()
			n.Query = p.query()
			p.expectKind(RightParen, ")")
			n.node = p.node(start)
			return n
		}
	case word.Row:
		if next == LeftParen {
			p.next()
			return p.rowItems(start)
		}
	case word.Array:
		if next == LeftBracket || next == LeftParen && p.startsQuery(2) {
			return p.array(start)
		}
	case word.Collation:
		if p.peek(1).Word() == word.For && p.peek(2).Kind == LeftParen {
			name := p.lists.idents.One(Ident{Span: p.tok.Span, Sym: p.scan.names.Intern([]byte("pg_collation_for"))})
			p.next()
			p.next()
			return p.call(start, name)
		}
	case word.Match:
		if p.dialect == dialect.SQLServer && next == LeftParen { // of a graph
			p.next()
			p.skipParens()
			p.opens(p.since(start))
			n := p.slabs.params.New()
			n.node = p.node(start)
			return n
		}
		if next == WordToken && stops[p.peek(1).Word()]&(notName|noAlias|infixWord) == 0 || next == QuotedName {
			return p.bareMatch(start)
		}
	case word.Next, word.Previous:
		if p.peek(1).Word() == word.Value && p.peek(2).Word() == word.For {
			p.next()
			p.next()
			p.next()
			p.path("a sequence")
			if p.at(word.Over) && p.peek(1).Kind == LeftParen {
				p.next()
				p.skipParens()
			}
			n := p.slabs.params.New()
			n.node = p.node(start)
			return n
		}
	case word.Interval:
		if x := p.intervalOrNil(start); x != nil {
			return x
		}
	case word.CurrentDate, word.CurrentTime, word.CurrentTimestamp, word.Localtime, word.Localtimestamp, word.CurrentUser,
		word.SessionUser, word.SystemUser, word.CurrentRole:
		if next != Dot && next != LeftParen && p.isBareCall() {
			return p.bareCall(start)
		}
	case word.Date, word.Time, word.Timestamp, word.Datetime:
		if x := p.typedLiteralOrNil(start); x != nil {
			return x
		}
	}
	if stops[p.word]&notName != 0 && next != Dot && !p.isFreeOperand() && !(next == LeftParen && (p.atAny(word.Values, word.Update) || p.isFunctionWord())) {
		p.fail("an expression")
		return p.badExpr(start)
	}
	return p.nameOrCall(start)
}

// isFunctionWord reports whether the operator's word at hand is the name of a function, too: PostgreSQL
// reserves it but for these ("SQL Key Words"), SQLite works the operator out by it ("LIKE").
func (p *Parser) isFunctionWord() bool {
	switch p.word {
	case word.Is, word.Join:
		return p.dialect == dialect.Postgres
	case word.Like:
		return p.dialect == dialect.Postgres || p.dialect == dialect.SQLite
	case word.Glob, word.Regexp, word.Match:
		return p.dialect == dialect.SQLite
	}
	return false
}

// atUnicodeQuote reports whether tok is the U of U&'…' or U&"…".
func (p *Parser) atUnicodeQuote() bool {
	src := p.scan.src[p.tok.Span.Start:]
	return len(src) > 2 && src[0]|0x20 == 'u' && src[1] == '&' && (src[2] == '\'' || src[2] == '"') && !p.scan.rules.doubleText
}

// acceptUescape reads the UESCAPE behind such a quote.
func (p *Parser) acceptUescape() {
	if p.at(word.Uescape) && p.peek(1).Kind == TextToken {
		p.next()
		p.next()
	}
}

// bareCall reads CURRENT_DATE and its kin, which are calls without parentheses.
func (p *Parser) bareCall(start text.Pos) Expr {
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(p.partAfterDot())
	c := p.slabs.calls.New()
	name := p.lists.idents.Take(mark)
	*c = Call{node: p.node(start), Name: name}
	return c
}

// longType gives how many tokens a type of PostgreSQL takes that has several words, or its
// length or precision behind it, numbers alone in parentheses; 0 for anything else.
func (p *Parser) longType() int {
	if !p.scan.rules.dollarQuotes {
		return 0
	}
	n := 1
	switch p.word {
	case word.National:
		if w := p.peek(1).Word(); w != word.Char && w != word.Character {
			return 0
		}
		n = 2
	case word.Double:
		if p.peek(1).Word() != word.Precision {
			return 0
		}
		return 2
	case word.Char, word.Character, word.Varchar, word.Nchar, word.Bit, word.Numeric, word.Decimal, word.Dec, word.Float, word.Time, word.Timestamp,
		word.Interval:
	default:
		return 0
	}
	if p.peek(n).Word() == word.Varying {
		n++
	}
	if p.peek(n).Kind != LeftParen {
		if n == 1 {
			return 0
		}
		return n
	}
	for n++; p.peek(n).Kind == NumberToken; n += 2 {
		switch p.peek(n + 1).Kind {
		case RightParen:
			return n + 2
		case Comma:
		default:
			return 0
		}
	}
	return 0
}

// typedLiteralOrNil reads DATE '…' and the like.
func (p *Parser) typedLiteralOrNil(start text.Pos) Expr {
	n := 1
	if next := p.peek(1).Kind; next == LeftParen || next == WordToken {
		n = max(n, p.longType()) // DATE(x) 'day' is a call with an alias
	}
	for p.peek(n).Word() == word.With || p.peek(n).Word() == word.Without || p.peek(n).Word() == word.Time || p.peek(n).Word() == word.Zone {
		n++
	}
	if p.peek(n).Kind != TextToken {
		return nil
	}
	return p.textOfType(start, p.typeName())
}

// textOfType reads the text behind the name of its type.
func (p *Parser) textOfType(start text.Pos, t *TypeName) Expr {
	valueStart := p.start()
	p.next()
	value := p.literal(valueStart, TextLiteral)
	x := p.slabs.typedLiterals.Next()
	*x = TypedLiteral{node: p.node(start), Type: t, Value: value}
	return x
}

// intervalOrNil reads INTERVAL '1' DAY, INTERVAL 1 DAY, INTERVAL '1 day'.
func (p *Parser) intervalOrNil(start text.Pos) Expr {
	switch next := p.peek(1); next.Kind {
	case TextToken, NumberToken, LeftParen, Placeholder, Minus, Plus, VariableName:
	case WordToken:
		if !p.isUnit(p.peek(2).Word()) {
			return nil
		}
	default:
		return nil
	}
	p.next()
	function := p.tok.Kind == LeftParen // INTERVAL(3, 1, 2)
	n := p.slabs.intervals.New()
	if p.dialect.Has(dialect.ExecutedComments) && !function {
		n.Value = p.expr() // whatever stands before the unit
	} else {
		n.Value = p.exprAbove(p.power.Unary() - 1)
	}
	if p.dialect.Has(dialect.ExecutedComments) && !function && !p.isUnit(p.word) && p.tok.Kind != TemplateMark {
		p.fail("a unit of time")
	}
	for p.isUnit(p.word) || p.atUnits() {
		p.next()
		if p.tok.Kind == LeftParen {
			p.skipParens()
		}
		if p.dialect == dialect.Spark && p.tok.Kind == NumberToken { // 3 DAYS 2 HOURS
			p.next()
			continue
		}
		if !p.at(word.To) {
			break
		}
		p.next()
	}
	n.node = p.node(start)
	return n
}

// atUnits reports whether a unit stands here in Spark's plural, as in INTERVAL 2 HOURS.
func (p *Parser) atUnits() bool {
	if p.dialect != dialect.Spark || p.tok.Kind != WordToken {
		return false
	}
	name, plural := strings.CutSuffix(p.scan.names.String(p.tok.Sym), "s")
	return plural && p.isUnit(word.Find(name))
}

func (p *Parser) isUnit(w word.Word) bool {
	switch w {
	case word.Year, word.Month, word.Day, word.Hour, word.Minute, word.Second, word.Week, word.Quarter, word.Microsecond,
		word.YearMonth, word.DayHour, word.DayMinute, word.DaySecond, word.DayMicrosecond, word.HourMinute, word.HourSecond,
		word.HourMicrosecond, word.MinuteSecond, word.MinuteMicrosecond, word.SecondMicrosecond:
		return true
	}
	return false
}

// parens reads (x), (a, b) or (query).
func (p *Parser) parens(start text.Pos) Expr {
	if p.startsQuery(1) && p.holdsQueryAlone(1) {
		p.next()
		q := p.query()
		if x := p.firstOf(q); x != nil {
			return p.rowFrom(start, x)
		}
		p.expectKind(RightParen, ")")
		n := p.slabs.subquerys.Next()
		*n = Subquery{node: p.node(start), Query: q}
		return n
	}
	if p.peek(1).Kind == Asterisk && p.peek(2).Kind == RightParen {
		p.next()
		p.fail("an expression")
		return p.badExpr(start)
	}
	return p.rowItems(start)
}

// firstOf gives the first value of a list that was read as a query, of which its parentheses
// held a part, as in ((SELECT …) + 1); nil where the query stands alone.
func (p *Parser) firstOf(q *Query) Expr {
	inner := onlyParens(q)
	if inner == nil || p.tok.Kind == RightParen || p.broken {
		return nil
	}
	n := p.slabs.subquerys.Next()
	*n = Subquery{node: inner.node, Query: inner.Query}
	n.id = q.id
	return p.exprFrom(q.span.Start, p.postfix(q.span.Start, n), 0)
}

// onlyParens gives the query in parentheses that a query consists of, nil if
// there is more to it.
func onlyParens(q *Query) *ParenQuery {
	if q.With != nil || q.OrderBy != nil || q.Limit != nil {
		return nil
	}
	inner, _ := q.Body.(*ParenQuery)
	return inner
}

// rowFrom reads the rest of a row or of parentheses whose first element is read.
func (p *Parser) rowFrom(start text.Pos, first Expr) Expr {
	items := p.listFrom(first)
	p.expectKind(RightParen, ")")
	if len(items) == 1 {
		n := p.slabs.parens.Next()
		*n = Paren{node: p.node(start), X: items[0]}
		return n
	}
	n := p.slabs.rows.Next()
	*n = Row{node: p.node(start), Items: items}
	return n
}

// listFrom reads the rest of a list whose first element is read.
func (p *Parser) listFrom(first Expr) []Expr {
	mark := p.lists.exprs.Mark()
	p.lists.exprs.Push(first)
	for p.acceptKind(Comma) {
		p.lists.exprs.Push(p.expr())
	}
	return p.lists.exprs.Take(mark)
}

// rowItems reads (x) as parentheses and (), (a, b) as a row.
func (p *Parser) rowItems(start text.Pos) Expr {
	isRow := p.start() != start
	p.next()
	if p.tok.Kind == RightParen {
		if !isRow {
			p.fail("an expression")
		}
		p.next()
		n := p.slabs.rows.New()
		n.node = p.node(start)
		return n
	}
	items := p.exprList()
	p.expectKind(RightParen, ")")
	if len(items) == 1 && !isRow {
		n := p.slabs.parens.Next()
		*n = Paren{node: p.node(start), X: items[0]}
		return n
	}
	n := p.slabs.rows.Next()
	*n = Row{node: p.node(start), Items: items}
	return n
}

func (p *Parser) array(start text.Pos) Expr {
	p.next()
	n := p.slabs.arrays.New()
	if p.acceptKind(LeftParen) {
		n.Query = p.query()
		p.expectKind(RightParen, ")")
	} else {
		return p.arrayItems(start, n)
	}
	n.node = p.node(start)
	return n
}

// arrayItems reads [a, b, …].
func (p *Parser) arrayItems(start text.Pos, n *Array) Expr {
	p.arrays++
	p.next()
	if p.tok.Kind != RightBracket {
		n.Items = p.exprList()
	}
	p.arrays--
	p.expectKind(RightBracket, "]")
	n.node = p.node(start)
	return n
}

// caseExpr reads CASE … END.
//
//	case = CASE [ expr ] { WHEN expr THEN expr } [ ELSE expr ] END
func (p *Parser) caseExpr(start text.Pos) Expr {
	p.next()
	n := p.slabs.cases.New()
	if !p.at(word.When) {
		n.Operand = p.expr()
	}
	mark := p.lists.whens.Mark()
	for p.at(word.When) {
		whenStart := p.start()
		p.next()
		cond := p.expr()
		p.expect(word.Then)
		then := p.expr()
		w := p.slabs.whens.Next()
		*w = When{node: p.node(whenStart), Cond: cond, Then: then}
		p.lists.whens.Push(w)
	}
	n.Whens = p.lists.whens.Take(mark)
	if len(n.Whens) == 0 {
		p.fail("WHEN")
	}
	if p.accept(word.Else) {
		n.Else = p.expr()
	}
	p.expect(word.End)
	n.node = p.node(start)
	return n
}

// bareName reads a name of one part.
func (p *Parser) bareName(start text.Pos) *Name {
	parts := p.lists.idents.One(p.partAfterDot())
	n := p.slabs.names.Next()
	*n = Name{node: p.node(start), Parts: parts}
	return n
}

// nameOrCall reads a name of several parts, with .* or a call behind it.
func (p *Parser) nameOrCall(start text.Pos) Expr {
	next := p.peek(1).Kind
	if next != LeftParen && next != Dot && next != TextToken {
		p.reserved()
		return p.bareName(start)
	}
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(p.partAfterDot())
	for p.tok.Kind == Dot {
		p.next()
		if p.tok.Kind == Asterisk {
			p.next()
			n := p.slabs.stars.New()
			parts := p.lists.idents.Take(mark)
			*n = Star{node: p.node(start), Qualifier: parts}
			return n
		}
		p.reservedBehindDot()
		p.lists.idents.Push(p.partAfterDot())
	}
	parts := p.lists.idents.Take(mark)
	if p.tok.Kind == VariableName && p.dialect == dialect.Oracle && p.tok.Span.Start == p.last { // a function or sequence of another database
		p.passLink()
	}
	if p.tok.Kind == LeftParen && (p.peek(1).Kind != Plus || p.peek(2).Kind != RightParen) {
		return p.call(start, parts)
	}
	n := p.slabs.names.Next()
	*n = Name{node: p.node(start), Parts: parts}
	if p.tok.Kind == TextToken && (len(parts) == 1 || p.isSystemSchema(parts[0])) && (!p.dialectTextAlias() || p.dialect == dialect.Spark && p.isZoneless(parts[0])) {
		t := p.slabs.typeNames.Next()
		*t = TypeName{node: n.node, Parts: parts}
		return p.textOfType(start, t)
	}
	return n
}

// isZoneless reports whether a name is that of a type of times of Spark's, whose literals it begins
// (its "Literals").
func (p *Parser) isZoneless(id Ident) bool {
	name := p.scan.names.String(id.Sym)
	return name == "timestamp_ntz" || name == "timestamp_ltz"
}

// isSystemSchema reports whether a name can only be that of PostgreSQL's own schema.
func (p *Parser) isSystemSchema(id Ident) bool {
	return bytes.EqualFold(p.scan.src[id.Span.Start:id.Span.End], []byte("pg_catalog"))
}

// dialectTextAlias reports whether text right behind a name can only be an
// alias: PostgreSQL alone reads any type name before a text as a cast.
func (p *Parser) dialectTextAlias() bool { return !p.scan.rules.dollarQuotes }

// postfix reads what clings to an operand: ::type, [i], .field, (+).
//
//	postfix = { "::" type | "[" … "]" | "." name | "(+)" }
func (p *Parser) postfix(start text.Pos, x Expr) Expr {
	for first := true; ; first = false {
		if !first {
			p.link()
		}
		switch p.tok.Kind {
		case CastColons:
			p.next()
			if name, ok := x.(*Name); ok && p.dialect == dialect.SQLServer && p.peek(1).Kind == LeftParen { // a method of a type, as geography::Point(…)
				mark := p.lists.idents.Mark()
				for _, part := range name.Parts {
					p.lists.idents.Push(part)
				}
				p.lists.idents.Push(p.partAfterDot())
				x = p.call(start, p.lists.idents.Take(mark))
				continue
			}
			t := p.typeName()
			n := p.slabs.casts.Next()
			*n = Cast{node: p.node(start), X: x, Type: t}
			x = n
		case LeftBracket:
			x = p.subscript(start, x)
		case Placeholder, TemplateMark:
			if p.dialect != dialect.Spark || p.tok.Span.Start != p.last || p.scan.src[p.last] != ':' {
				return x
			}
			n := p.slabs.fields.New() // of a document
			n.X, n.Name = x, p.behindColon()
			n.node = p.node(start)
			x = n
		case Colon:
			if p.dialect != dialect.Spark || p.peek(1).Kind != LeftBracket { // a path into a document
				return x
			}
			p.next()
			x = p.subscript(start, x)
		case Dot:
			if x.Kind() == KindLiteral && !p.dialect.Has(dialect.TextNames) {
				return x // which has no field
			}
			p.next()
			n := p.slabs.fields.New()
			n.X = x
			if p.tok.Kind == Asterisk {
				n.Star = true
				p.next()
			} else {
				n.Name = p.partAfterDot()
				if p.tok.Kind == LeftParen && !p.scan.rules.dollarQuotes { // a method
					p.skipParens()
				}
			}
			n.node = p.node(start)
			x = n
		case LeftParen:
			if p.peek(1).Kind != Plus || p.peek(2).Kind != RightParen {
				return x
			}
			p.next()
			p.next()
			p.next()
			n := p.slabs.outerMarks.Next()
			*n = OuterMark{node: p.node(start), X: x}
			x = n
		default:
			return x
		}
	}
}

func (p *Parser) subscript(start text.Pos, x Expr) Expr {
	p.next()
	mark := p.lists.exprs.Mark()
	if p.tok.Kind != Colon {
		p.lists.exprs.Push(p.expr())
	}
	if p.tok.Kind == Placeholder { // as the scanner takes :n of x[1:n]
		p.lists.exprs.Push(p.expr())
		for p.tok.Kind != RightBracket && !p.atEnd() {
			p.skipOne()
		}
	} else if p.acceptKind(Colon) && p.tok.Kind != RightBracket {
		p.lists.exprs.Push(p.expr())
	}
	items := p.lists.exprs.Take(mark)
	p.expectKind(RightBracket, "]")
	n := p.slabs.subscripts.Next()
	*n = Subscript{node: p.node(start), X: x, Items: items}
	return n
}
