package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// expr reads an expression.
func (p *Parser) expr() Expr { return p.exprAbove(0) }

// exprAbove reads an expression whose operators bind tighter than power:
// precedence climbing on the dialect's table.
//
//	expr = prefix { infix }
func (p *Parser) exprAbove(power uint8) Expr {
	start := p.start()
	if !p.enter() {
		p.leave()
		return p.badExpr(start)
	}
	others := p.height
	p.height = 0
	left := p.exprFrom(start, p.prefix(), power)
	p.height = max(p.height, others)
	p.leave()
	return left
}

// exprFrom goes on with an expression whose left operand is read.
func (p *Parser) exprFrom(start text.Pos, left Expr, power uint8) Expr {
	for {
		switch p.tok.Kind {
		case EOF, Comma, RightParen, Semicolon: // as after most operands
			return left
		}
		next := p.infix(start, left, power)
		if next == nil {
			return left
		}
		p.link()
		left = next
	}
}

// prefix reads NOT x, -x and the like, or an operand.
//
//	prefix = ( NOT | "-" | "+" | "~" | … ) expr | primary postfix
func (p *Parser) prefix() Expr {
	start, opSpan := p.start(), p.tok.Span
	if p.tok.Kind == WordToken && p.word == word.NoWord && p.scan.src[start] != '_' && (p.tok.Span.Len() > 1 || !p.atUnicodeQuote()) {
		return p.postfix(start, p.nameOrCall(start))
	}
	op, power := OpNone, p.power.Unary()
	switch p.tok.Kind {
	case Minus:
		op = OpNegate
	case Plus:
		op = OpPositive
	case Tilde:
		op, power = OpComplement, p.power[dialect.Complement]
	case Exclamation:
		if op = OpNot; p.scan.rules.postgres { // an operator of an extension
			op, power = OpOther, p.power[dialect.Other]
		}
	case OtherOperator, BitwiseXor, ArrowOperator:
		op, power = OpOther, p.power[dialect.Other]
	case WordToken:
		switch p.word {
		case word.Not:
			op, power = OpNot, p.power[dialect.Not]
		case word.Prior, word.ConnectByRoot:
			if next := p.peek(1).Kind; next == WordToken && stops[p.peek(1).Word()]&(notName|noAlias|infixWord) == 0 || next == QuotedName {
				op = OpPrior
			}
		case word.Binary:
			switch next := p.peek(1).Kind; next {
			case WordToken:
				if next := p.peek(1).Word(); stops[next]&(notName|infixWord) == 0 && next != word.Asc && next != word.Desc {
					op = OpOther
				}
			case TextToken, QuotedName, NumberToken, Placeholder, VariableName:
				op = OpOther
			case Minus, Plus, Tilde, Exclamation:
				if p.dialect.Has(dialect.ExecutedComments) { // elsewhere it may be a column's name
					op = OpOther
				}
			}
		}
	}
	if op == OpNone {
		return p.postfix(start, p.primary())
	}
	p.next()
	x := p.exprAbove(power)
	n := p.slabs.unarys.Next()
	*n = Unary{node: p.node(start), Op: op, OpSpan: opSpan, X: x}
	return n
}

// infix reads an operator that binds tighter than power and its right side;
// nil where none stands here.
//
//	infix = operator expr | IS … | [ NOT ] ( BETWEEN | IN | LIKE | … ) … | COLLATE name | AT TIME ZONE expr
func (p *Parser) infix(start text.Pos, left Expr, power uint8) Expr {
	if p.tok.Kind == WordToken {
		if stops[p.word]&infixWord == 0 {
			return nil
		}
		return p.wordInfix(start, left, power)
	}
	if p.tok.Kind < Equal {
		if p.tok.Kind == Placeholder {
			return p.keyTest(start, left, power)
		}
		return nil
	}
	op, class := infix(p.tok.Kind, p.scan.rules.pipesOr)
	if op == OpNullSafeEqual && p.dialect.Has(dialect.DollarQuotes) {
		op, class = OpOther, dialect.Other // an extension's, as the distance of two vectors
	}
	if op == OpNone || p.power[class] <= power {
		return nil
	}
	if op == OpPower && p.scan.rules.pipesOr {
		op = OpBitXor
	}
	return p.binary(start, left, op, p.power[class], 1)
}

// keyTest reads PostgreSQL's operators that begin with ?, as ?| of documents and ?|| of lines;
// elsewhere, and before an operand, ? is a placeholder.
func (p *Parser) keyTest(start text.Pos, left Expr, power uint8) Expr {
	if !p.dialect.Has(dialect.DollarQuotes) || p.tok.Span.Len() != 1 || p.scan.src[p.tok.Span.Start] != '?' || p.power[dialect.Other] <= power {
		return nil
	}
	tokens := 1
	for end := p.tok.Span.End; ; tokens++ {
		next := p.peek(tokens)
		if next.Kind < Equal || next.Kind == Placeholder || next.Span.Start != end {
			break
		}
		end = next.Span.End
	}
	return p.binary(start, left, OpOther, p.power[dialect.Other], tokens)
}

// binary reads an operator of some tokens and its right operand.
func (p *Parser) binary(start text.Pos, left Expr, op Op, power uint8, tokens int) Expr {
	opStart := p.start()
	for range tokens {
		p.next()
	}
	return p.rightOf(start, left, op, power, p.since(opStart))
}

// rightOf reads the right operand of an operator that has been read.
func (p *Parser) rightOf(start text.Pos, left Expr, op Op, power uint8, opSpan text.Span) Expr {
	var right Expr
	if p.atAny(word.Any, word.All, word.Some) && p.peek(1).Kind == LeftParen && (op.IsComparison() || op >= OpConcat && p.anyQuantified()) {
		right = p.quantified()
	} else {
		right = p.exprAbove(power)
	}
	n := p.slabs.binarys.Next()
	*n = Binary{node: p.node(start), Op: op, OpSpan: opSpan, X: left, Y: right}
	return n
}

// anyQuantified reports whether each operator may stand before ANY (…) and ALL (…), if it
// gives true or false, and not comparisons alone.
// https://www.postgresql.org/docs/current/functions-comparisons.html
func (p *Parser) anyQuantified() bool {
	return p.dialect.Has(dialect.DollarQuotes) || p.dialect == dialect.ANSI
}

// wordInfix is infix for operators that are words.
func (p *Parser) wordInfix(start text.Pos, left Expr, power uint8) Expr {
	switch p.word {
	case word.And:
		return p.wordBinary(start, left, power, OpAnd, dialect.And)
	case word.Or:
		return p.wordBinary(start, left, power, OpOr, dialect.Or)
	case word.Xor:
		return p.wordBinary(start, left, power, OpXor, dialect.Xor)
	case word.Div:
		return p.wordBinary(start, left, power, OpIntegerDivide, dialect.Times)
	case word.Mod:
		return p.wordBinary(start, left, power, OpModulo, dialect.Times)
	case word.Is, word.Isnull, word.Notnull:
		if p.power[dialect.IsTest] > power {
			return p.isTest(start, left)
		}
	case word.Operator:
		if p.peek(1).Kind == LeftParen && p.power[dialect.Other] > power {
			p.operatorName()
			return p.rightOf(start, left, OpOther, p.power[dialect.Other], text.Span{})
		}
	case word.Collate:
		if p.power[dialect.Collation] > power {
			p.next()
			name := p.collation()
			n := p.slabs.collates.Next()
			*n = Collate{node: p.node(start), X: left, Name: name}
			return n
		}
	case word.Day, word.Year:
		if p.power[dialect.AtZone] > power && p.isInterval(left) {
			return p.intervalOf(start, left)
		}
	case word.At:
		if p.power[dialect.AtZone] > power && (p.peek(1).Word() == word.Time || p.peek(1).Word() == word.Local) {
			return p.atZone(start, left)
		}
	default:
		return p.predicate(start, left, power)
	}
	return nil
}

func (p *Parser) wordBinary(start text.Pos, left Expr, power uint8, op Op, class dialect.Operator) Expr {
	if p.power[class] <= power {
		return nil
	}
	return p.binary(start, left, op, p.power[class], 1)
}

func (p *Parser) collation() []Ident {
	if p.tok.Kind == TextToken {
		p.next()
		return nil
	}
	if p.atAny(word.Binary, word.Default) {
		p.next()
		return nil
	}
	return p.path("a collation")
}

// isInterval reports whether DAY TO SECOND or YEAR TO MONTH makes an interval of what stands in
// parentheses before it (Oracle, "Interval Expressions").
func (p *Parser) isInterval(left Expr) bool {
	if _, ok := left.(*Paren); !ok || p.dialect != dialect.Oracle {
		return false
	}
	return p.peek(1).Word() == word.To || p.peek(1).Kind == LeftParen && p.peek(4).Word() == word.To
}

func (p *Parser) intervalOf(start text.Pos, left Expr) Expr {
	t, typed := p.slabs.typeNames.New(), p.start()
	t.Parts = p.lists.idents.One(Ident{Span: p.tok.Span, Sym: Sym(word.Interval)})
	for !p.accept(word.To) && !p.atEnd() {
		p.skipOne()
	}
	p.next()
	if p.tok.Kind == LeftParen {
		p.skipParens()
	}
	t.node = p.node(typed)
	n := p.slabs.casts.Next()
	*n = Cast{node: p.node(start), X: left, Type: t}
	return n
}

func (p *Parser) atZone(start text.Pos, left Expr) Expr {
	n := p.slabs.atZones.New()
	n.X = left
	p.next()
	if !p.accept(word.Local) {
		p.next()
		p.expect(word.Zone)
		n.Zone = p.exprAbove(p.power[dialect.AtZone])
	}
	n.node = p.node(start)
	return n
}

// predicate reads [NOT] BETWEEN, IN, LIKE and their kin.
func (p *Parser) predicate(start text.Pos, left Expr, power uint8) Expr {
	w, not := p.word, false
	if w == word.Not {
		w, not = p.peek(1).Word(), true
	}
	class := dialect.Match
	switch w {
	case word.Between:
		class = dialect.BetweenTest
	case word.In:
		class = dialect.InTest
	case word.Like, word.Ilike, word.Rlike, word.Regexp, word.Glob, word.Match:
	case word.Likec, word.Like2, word.Like4: // LIKE by another unit of text
		if p.dialect != dialect.Oracle {
			return nil
		}
	case word.Similar:
		if next := p.peek(1).Word(); next != word.To && next != word.Similar {
			return nil
		}
	case word.Sounds:
		if p.peek(1).Word() != word.Like {
			return nil
		}
	case word.Member:
		if p.peek(1).Word() != word.Of {
			return nil
		}
	case word.Null:
		class = dialect.IsTest
		if !not || !p.dialect.Has(dialect.NotNullTest) {
			return nil
		}
	case word.Overlaps:
	default:
		return nil
	}
	binds := p.power[class]
	if negated := p.power[dialect.NegatedTest]; not && negated > 0 {
		binds = negated
	}
	if binds <= power {
		return nil
	}
	if not {
		p.next()
	}
	switch w {
	case word.Between:
		return p.between(start, left, not)
	case word.In:
		return p.in(start, left, not)
	case word.Null:
		p.next()
		n := p.slabs.iss.Next()
		*n = Is{node: p.node(start), X: left, Not: true, Test: IsNull}
		return n
	case word.Overlaps, word.Member:
		tokens := 1
		if w == word.Member {
			tokens = 2
		}
		return p.binary(start, left, OpOther, p.power[class], tokens)
	}
	return p.like(start, left, not)
}

func (p *Parser) between(start text.Pos, left Expr, not bool) Expr {
	p.next()
	n := p.slabs.betweens.New()
	n.X, n.Not = left, not
	if !p.accept(word.Asymmetric) {
		n.Symmetric = p.accept(word.Symmetric)
	}
	n.Low = p.exprAbove(p.power[dialect.BetweenTest])
	p.expect(word.And)
	n.High = p.exprAbove(p.power[dialect.BetweenBound])
	n.node = p.node(start)
	return n
}

func (p *Parser) in(start text.Pos, left Expr, not bool) Expr {
	p.next()
	n := p.slabs.ins.New()
	n.X, n.Not = left, not
	switch {
	case p.tok.Kind == LeftParen && p.startsQuery(1) && p.holdsQueryAlone(1):
		p.next()
		q := p.query()
		if x := p.firstOf(q); x != nil {
			n.List = p.listFrom(x)
		} else {
			n.Query = q
		}
		p.expectKind(RightParen, ")")
	case p.tok.Kind == LeftParen:
		p.next()
		if p.tok.Kind != RightParen {
			n.List = p.strictList()
		}
		p.expectKind(RightParen, ") or a comma")
	default:
		itemStart := p.start()
		n.Other = p.primary()
		for p.tok.Kind == LeftBracket && !p.broken { // of a PL/pgSQL array in POSITION
			n.Other = p.subscript(itemStart, n.Other)
		}
	}
	n.node = p.node(start)
	return n
}

func (p *Parser) like(start text.Pos, left Expr, not bool) Expr {
	n := p.slabs.likes.New()
	n.X, n.Not = left, not
	opStart := p.start()
	switch p.word {
	case word.Ilike:
		n.Op = OpILike
	case word.Similar:
		n.Op = OpSimilarTo
		p.next()
	case word.Rlike, word.Regexp:
		n.Op = OpRegexp
	case word.Glob:
		n.Op = OpGlob
	case word.Match:
		n.Op = OpMatch
	case word.Sounds:
		n.Op = OpSoundsLike
		p.next()
	}
	p.next()
	n.OpSpan = p.since(opStart)
	if p.atAny(word.Any, word.All, word.Some) && p.peek(1).Kind == LeftParen {
		n.Pattern = p.quantified()
	} else {
		n.Pattern = p.exprAbove(p.power[dialect.Match])
	}
	if p.accept(word.Escape) {
		n.Escape = p.exprAbove(p.power[dialect.Match])
	}
	n.node = p.node(start)
	return n
}

// operatorName reads OPERATOR(schema.op).
func (p *Parser) operatorName() {
	p.next()
	p.next()
	for (p.tok.Kind == WordToken || p.tok.Kind == QuotedName || p.tok.Kind == VariableName || p.tok.Kind == TemplateMark) && p.peek(1).Kind == Dot {
		p.next()
		p.next()
	}
	if !p.tok.Kind.isOperator() {
		p.fail("an operator")
	}
	for end := p.tok.Span.Start; p.tok.Kind.isOperator() && p.tok.Span.Start == end; end = p.last {
		p.next()
	}
	p.expectKind(RightParen, ")")
}

// isTest reads IS [NOT] …, ISNULL, NOTNULL.
//
//	isTest = expr IS [ NOT ] ( NULL | TRUE | FALSE | UNKNOWN | DISTINCT FROM expr | … )
func (p *Parser) isTest(start text.Pos, left Expr) Expr {
	n := p.slabs.iss.New()
	n.X = left
	switch {
	case p.accept(word.Isnull):
	case p.accept(word.Notnull):
		n.Not = true
	default:
		p.next()
		n.Not = p.accept(word.Not)
		if p.dialect.Has(dialect.GeneralIs) && !p.at(word.Distinct) {
			p.generalIs(n)
			break
		}
		switch p.word {
		case word.Null:
			p.next()
		case word.True:
			n.Test = IsTrue
			p.next()
		case word.False:
			n.Test = IsFalse
			p.next()
		case word.Unknown:
			n.Test = IsUnknown
			p.next()
		case word.Distinct:
			p.next()
			p.expect(word.From)
			n.Test = IsDistinctFrom
			n.Y = p.exprAbove(p.power[dialect.IsTest])
		case word.Json, word.Normalized, word.Document, word.Nfc, word.Nfd, word.Nfkc, word.Nfkd, word.Of, word.Dangling, word.Empty:
			n.Test = IsOther
			first := p.i
			p.isOther()
			p.checkPart("istest", first)
		default:
			if p.scan.rules.dollarQuotes && p.tok.Kind == WordToken && !p.quoted {
				p.fail("NULL, TRUE, FALSE, UNKNOWN or DISTINCT FROM")
			}
			n.Test = IsOther
			n.Y = p.exprAbove(p.power[dialect.IsTest])
		}
	}
	n.node = p.node(start)
	return n
}

// generalIs reads the right side of IS where it may be any expression, as
// SQLite has it: x IS NULL is then one case of many.
func (p *Parser) generalIs(n *Is) {
	n.Test, n.Y = IsOther, p.exprAbove(p.power[dialect.IsTest])
	if lit, ok := n.Y.(*Literal); ok {
		switch lit.Lit {
		case NullLiteral:
			n.Test, n.Y = IsNull, nil
		case TrueLiteral:
			n.Test, n.Y = IsTrue, nil
		case FalseLiteral:
			n.Test, n.Y = IsFalse, nil
		}
	}
}

// isOther passes over the words of IS JSON OBJECT, IS NFC NORMALIZED, IS OF (…).
func (p *Parser) isOther() {
	for p.atAny(word.Json, word.Normalized, word.Document, word.Nfc, word.Nfd, word.Nfkc, word.Nfkd, word.Of,
		word.Dangling, word.Empty, word.Set, word.Type, word.Object, word.Value, word.Array, word.Scalar, word.Unique, word.Keys) {
		p.next()
	}
	for p.dialect == dialect.Oracle && (p.says(0, "strict") || p.says(0, "lax")) { // of IS JSON
		p.next()
	}
	if p.atAny(word.With, word.Without) && p.peek(1).Word() == word.Unique { // of IS JSON
		p.next()
		p.next()
		p.accept(word.Keys)
	}
	if p.tok.Kind == LeftParen {
		p.skipParens()
	}
}

// quantified reads ANY (…) or ALL (…).
func (p *Parser) quantified() Expr {
	start := p.start()
	n := p.slabs.quantifieds.New()
	n.All = p.at(word.All)
	p.next()
	isQuery := p.startsQuery(1) && p.holdsQueryAlone(1)
	p.next()
	mark := p.start()
	var items []Expr
	if isQuery {
		n.Query = p.query()
		if x := p.firstOf(n.Query); x != nil {
			n.Query, items = nil, p.listFrom(x)
		}
	} else {
		items = p.exprList()
	}
	switch len(items) {
	case 0:
	case 1:
		n.X = items[0]
	default:
		r := p.slabs.rows.Next()
		*r = Row{node: p.node(mark), Items: items}
		n.X = r
	}
	p.expectKind(RightParen, ")")
	n.node = p.node(start)
	return n
}

func (p *Parser) badExpr(start text.Pos) Expr {
	n := p.slabs.badExprs.New()
	n.node = p.node(start)
	return n
}
