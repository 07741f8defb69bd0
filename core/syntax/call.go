package syntax

import (
	"slices"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// call reads the parentheses of a function call and what may follow them.
//
//	call = name "(" [ DISTINCT | ALL ] [ "*" | arguments ] [ ORDER BY … ] ")" [ WITHIN GROUP … ] [ FILTER … ] [ OVER window ]
func (p *Parser) call(start text.Pos, name []Ident) Expr {
	if !p.enter() {
		p.leave()
		return p.badExpr(start)
	}
	defer p.leave()
	p.next()
	c := p.slabs.calls.New()
	c.Name = name
	switch {
	case p.at(word.Distinct) || p.at(word.Unique) && p.peek(1).Kind == WordToken:
		c.Distinct = true
		p.next()
	case p.at(word.All) && p.peek(1).Kind != Comma && p.peek(1).Kind != RightParen:
		p.next()
	}
	switch {
	case p.tok.Kind == RightParen:
	case p.tok.Kind == Asterisk && p.peek(1).Kind == RightParen:
		c.Star = true
		p.next()
	case p.at(word.Select), p.at(word.With) && p.startsQuery(0):
		if !p.takesQuery(name) {
			p.fail("an expression (a query needs IN before it, or parentheses of its own)")
		}
		mark := p.lists.exprs.Mark()
		p.lists.exprs.Push(p.argumentQuery())
		c.Args = p.lists.exprs.Take(mark)
	default:
		p.arguments(c)
	}
	p.callTail(c)
	if p.tok.Kind != RightParen && p.hasOwnWords(c) {
		p.passArguments()
	}
	p.expectKind(RightParen, ") or a comma")
	p.callSuffix(c)
	p.needsOver(c)
	c.node = p.node(start)
	return c
}

// passArguments passes over the rest of what stands between the parentheses; the columns that are
// named there are not known to be used.
func (p *Parser) passArguments() {
	start, named := p.start(), false
	for p.tok.Kind != RightParen && !p.atEnd() {
		named = named || p.tok.Kind == Dot || p.tok.Kind == LeftParen
		p.skipOne()
	}
	if named {
		p.opens(p.since(start))
	}
}

// hasOwnWords reports whether a function has words of its own between its arguments, which
// are passed over: those of JSON and XML, conversions with a default, tables from elsewhere
// (Oracle's "SQL Language Reference", "Functions"; Transact-SQL, "Rowset functions").
func (p *Parser) hasOwnWords(c *Call) bool {
	if p.broken {
		return false
	}
	switch p.dialect {
	case dialect.Oracle:
		return p.isCallOf(c, "json_object", "json_array", "json_objectagg", "json_arrayagg", "json_value", "json_query", "json_exists", "json_serialize", "json_transform", "json_mergepatch", "json_equal", "xmlquery", "xmlexists",
			"xmlserialize", "xmlcast", "xmlroot", "xmlparse", "to_date", "to_number", "to_timestamp", "to_timestamp_tz", "to_dsinterval", "to_yminterval", "lag", "lead", "listagg")
	case dialect.SQLServer:
		return p.isCallOf(c, "json_object", "json_array", "json_objectagg", "json_arrayagg", "parse", "try_parse", "openrowset", "changetable", "containstable",
			"freetexttable", "openxml", "contains", "freetext")
	case dialect.Postgres:
		return p.isCallOf(c, "json_object", "json_array", "json_objectagg", "json_arrayagg", "json_value", "json_query", "json_exists", "json_serialize", "json_scalar", "json")
	}
	return false
}

// needsOver reports a window function without OVER, and on MariaDB and MySQL
// OVER behind a function that is none.
func (p *Parser) needsOver(c *Call) {
	if len(c.Name) > 1 || c.Name[0].Quoted || p.broken {
		return
	}
	kind := dialect.UnknownFunction
	if c.Name[0].Sym < Sym(word.Total) || c.Over != nil {
		kind = dialect.Function(p.scan.names.String(c.Name[0].Sym))
	}
	if c.WithinGroup && len(c.OrderBy) > 1 && p.dialect.Has(dialect.ExecutedComments) {
		p.misplaced(c.OrderBy[1].Span())
	}
	if c.Name[0].Sym == Sym(word.LastValue) && len(c.Args) == 0 && !c.Star {
		p.misplaced(c.Name[0].Span)
	}
	switch {
	case c.Over != nil:
		if p.dialect.Has(dialect.ExecutedComments) && kind != dialect.Ranking && kind != dialect.Aggregate && !c.WithinGroup {
			p.misplaced(c.Over.Span())
		}
	case kind == dialect.Ranking && !c.WithinGroup:
		switch w := word.Word(c.Name[0].Sym); w {
		case word.RowNumber, word.Ntile, word.Lag, word.Lead, word.Rank, word.DenseRank, word.PercentRank, word.CumeDist:
			if !p.at(word.Within) && len(p.errors) == 0 {
				p.fail("OVER (…): " + w.String() + " works on a window")
			}
		}
	}
}

// argumentQuery reads a query that stands as an argument without parentheses
// of its own, as in ARRAY(SELECT …).
func (p *Parser) argumentQuery() Expr {
	start := p.start()
	q := p.query()
	n := p.slabs.subquerys.Next()
	*n = Subquery{node: p.node(start), Query: q}
	return n
}

// arguments reads arguments; the keywords of EXTRACT (YEAR FROM x),
// TRIM (BOTH 'x' FROM y), POSITION (x IN y) and the like stand between them
// like commas.
func (p *Parser) arguments(c *Call) {
	mark := p.lists.exprs.Mark()
	if p.peek(1).Word() == word.From && p.tok.Kind == WordToken && p.isCallOf(c, "extract") {
		if p.dialect.Has(dialect.ExecutedComments) && !p.isUnit(p.word) {
			p.fail("a unit of time")
		}
		c.Unit = p.partAfterDot()
		p.next()
	}
	for p.atAny(word.Both, word.Leading, word.Trailing) {
		p.next()
		p.accept(word.From)
	}
	if p.isCallOf(c, "trim") {
		p.accept(word.From)
	}
	switch word.Word(c.Name[len(c.Name)-1].Sym) {
	case word.Xmlelement, word.Xmlpi:
		if p.at(word.Name) && p.peek(1).Kind != Comma {
			p.next()
			p.partAfterDot()
			if !p.acceptKind(Comma) {
				return
			}
		}
	case word.Xmlparse, word.Xmlserialize:
		if next := p.peek(1).Kind; p.atAny(word.Document, word.Content) && next != Comma && next != RightParen && next != Dot && next != LeftParen {
			p.next()
		}
	}
	for !p.broken {
		p.lists.exprs.Push(p.argument(c))
		for x := p.jsonValue(c); x != nil; x = p.jsonValue(c) {
			p.lists.exprs.Push(x)
		}
		switch {
		case p.acceptKind(Comma):
			if p.atAny(word.Nfc, word.Nfd, word.Nfkc, word.Nfkd) && p.peek(1).Kind == RightParen && p.isCallOf(c, "normalize") {
				p.next()
				c.Args = p.lists.exprs.Take(mark)
				return
			}
			if p.xmlOption(c) || p.endsValues(c) {
				c.Args = p.lists.exprs.Take(mark)
				return
			}
		case p.at(word.Passing) && p.isCallOf(c, "xmlexists"):
			p.next()
			p.passedBy()
		case p.misplacedKeyword(c):
			p.fail(") or a comma")
		case p.atAny(word.From, word.For, word.Placing, word.Using, word.As, word.Value, word.Similar, word.Escape):
			if p.at(word.As) || p.at(word.Using) && p.peek(2).Kind == RightParen {
				if p.accept(word.Using) {
					p.characterSet()
				} else {
					p.next()
					p.typeName()
				}
				if p.acceptKind(Comma) {
					continue
				}
				c.Args = p.lists.exprs.Take(mark)
				return
			}
			p.next()
		case p.jsonPart(c):
		default:
			p.passedBy()
			if p.atAny(word.Preserve, word.Strip) && p.isCallOf(c, "xmlparse") {
				p.next()
				p.expect(word.Whitespace)
			}
			c.Args = p.lists.exprs.Take(mark)
			return
		}
	}
	c.Args = p.lists.exprs.Take(mark)
}

// endsValues reports whether words follow that are no values: of JSON_TRANSFORM of Oracle what it does,
// as SET '$.a' = 1, and of FREETEXT of SQL Server LANGUAGE 1033.
func (p *Parser) endsValues(c *Call) bool {
	if p.tok.Kind != WordToken {
		return false
	}
	switch next := p.peek(1).Kind; next {
	case TextToken, NumberToken, VariableName:
		return p.dialect == dialect.Oracle && p.isCallOf(c, "json_transform") || p.dialect == dialect.SQLServer && p.at(word.Language)
	}
	return false
}

// argument reads one argument: an expression, name => expression, or a lambda.
func (p *Parser) argument(c *Call) Expr {
	start := p.start()
	if p.at(word.Variadic) && p.peek(1).Kind != Comma && p.peek(1).Kind != RightParen {
		p.next()
	}
	if p.at(word.Key) {
		p.jsonKey(c)
	}
	next := p.peek(1).Kind
	if p.atName() && (next == NamedArgument || next == AssignOperator && p.tok.Kind == WordToken) {
		name := p.ident("a name")
		p.next()
		x := p.expr()
		n := p.slabs.namedArgs.Next()
		*n = NamedArg{node: p.node(start), Name: name, X: x}
		return n
	}
	if p.isCallOf(c, "position") { // whose IN is no operator
		x := p.exprAbove(p.power[dialect.BetweenTest])
		if p.accept(word.In) {
			p.lists.exprs.Push(x)
			return p.exprAbove(p.power[dialect.BetweenTest])
		}
		return x
	}
	x := p.expr()
	if p.at(word.In) {
		if p.misplacedKeyword(c) {
			p.fail(") or a comma")
		}
		p.next()
		p.lists.exprs.Push(x)
		return p.expr()
	}
	return x
}

// isCallOf reports whether a call is one of a built-in function of these names.
func (p *Parser) isCallOf(c *Call, names ...string) bool {
	return len(c.Name) == 1 && slices.Contains(names, p.scan.names.String(c.Name[0].Sym))
}

// takesQuery reports whether a query may stand bare between the parentheses of a call, as
// in ARRAY(SELECT …) and CURSOR(SELECT …).
func (p *Parser) takesQuery(name []Ident) bool {
	if len(name) > 1 || !p.dialect.Has(dialect.KnownKeywordsInCalls) {
		return true
	}
	return word.Word(name[0].Sym) == word.Array || p.dialect == dialect.Postgres && p.scan.names.String(name[0].Sym) == "json_array"
}

// misplacedKeyword reports whether a keyword stands between the arguments of a function
// that has none there: only some functions of the standard do ("String Functions and
// Operators", "EXTRACT" of PostgreSQL's manual; "String Functions" of MariaDB's).
func (p *Parser) misplacedKeyword(c *Call) bool {
	if !p.dialect.Has(dialect.KnownKeywordsInCalls) || p.broken {
		return false
	}
	if p.dialect == dialect.SQLite {
		return p.atAny(word.From, word.For, word.Placing, word.Similar, word.As, word.In)
	}
	switch p.word {
	case word.In:
		return !p.isCallOf(c, "position")
	case word.From:
		return !p.isCallOf(c, "substring", "substr", "mid", "trim", "overlay", "extract")
	case word.For:
		return !p.isCallOf(c, "substring", "substr", "mid", "overlay")
	case word.Placing:
		return !p.isCallOf(c, "overlay")
	case word.Similar, word.Escape:
		return !p.isCallOf(c, "substring")
	case word.As:
		return !p.dialect.Has(dialect.ExecutedComments) && !p.isCallOf(c, "xmlelement", "xmlattributes", "xmlforest", "xmlserialize", "xmlparse", "treat") ||
			p.dialect.Has(dialect.ExecutedComments) && p.peek(2).Kind == LeftParen &&
				!p.isCallOf(c, "weight_string", "column_create", "column_add", "column_get")
	}
	return false
}

// callTail reads what may follow the arguments inside the parentheses.
func (p *Parser) callTail(c *Call) {
	for {
		switch {
		case p.at(word.Order) && p.peek(1).Word() == word.By:
			p.next()
			p.next()
			c.OrderBy = p.orderItems()
		case p.accept(word.Separator):
			p.primary()
		case p.at(word.Limit):
			p.limit(nil)
		case p.atAny(word.Respect, word.Ignore) && p.peek(1).Word() == word.Nulls:
			p.next()
			p.next()
		case p.at(word.On) || p.atAny(word.Null, word.Absent) && p.peek(1).Word() == word.On || p.at(word.Returning):
			p.next()
			for p.tok.Kind != RightParen && !p.atEnd() {
				p.skipOne()
			}
		default:
			return
		}
	}
}

// callSuffix reads WITHIN GROUP, FILTER, KEEP, nulls treatment and OVER.
func (p *Parser) callSuffix(c *Call) {
	for {
		switch {
		case p.at(word.Within) && p.peek(1).Word() == word.Group:
			p.next()
			p.next()
			p.expectKind(LeftParen, "(")
			p.expect(word.Order)
			p.expect(word.By)
			c.OrderBy, c.WithinGroup = p.orderItems(), true
			p.expectKind(RightParen, ")")
		case p.at(word.Filter) && p.peek(1).Kind == LeftParen:
			p.next()
			p.next()
			p.expect(word.Where)
			c.Filter = p.expr()
			p.expectKind(RightParen, ")")
		case p.at(word.Keep) && p.peek(1).Kind == LeftParen:
			p.next()
			p.skipParens()
		case p.atAny(word.Respect, word.Ignore) && p.peek(1).Word() == word.Nulls:
			p.next()
			p.next()
		case p.at(word.From) && (p.peek(1).Word() == word.First || p.peek(1).Word() == word.Last) && p.treatsNulls(2):
			p.next()
			p.next()
		case p.at(word.Against) && p.peek(1).Kind == LeftParen:
			p.next()
			p.next()
			p.against(c)
		case p.at(word.Over):
			p.over(c)
		default:
			return
		}
	}
}

// treatsNulls reports whether OVER, or how to take NULLs and OVER, stands at the n-th token from here.
func (p *Parser) treatsNulls(n int) bool {
	if w := p.peek(n).Word(); w == word.Respect || w == word.Ignore {
		n += 2
	}
	return p.peek(n).Word() == word.Over
}

// against reads what MATCH (…) AGAINST ( holds, and its end.
func (p *Parser) against(c *Call) {
	mark := p.lists.exprs.Mark()
	for _, a := range c.Args {
		p.lists.exprs.Push(a)
	}
	p.lists.exprs.Push(p.exprAbove(p.power[dialect.InTest]))
	c.Args = p.lists.exprs.Take(mark)
	if p.accept(word.In) {
		if p.accept(word.Boolean) {
			p.expect(word.Mode)
			p.expectKind(RightParen, ")")
			return
		}
		p.expect(word.Natural)
		p.expect(word.Language)
		p.expect(word.Mode)
	}
	if p.accept(word.With) {
		p.expect(word.Query)
		p.expect(word.Expansion)
	}
	p.expectKind(RightParen, ")")
}

// bareMatch reads MATCH a, b AGAINST (…), without parentheses round the columns.
func (p *Parser) bareMatch(start text.Pos) Expr {
	c := p.slabs.calls.New()
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(p.partAfterDot())
	c.Name = p.lists.idents.Take(mark)
	c.Args = p.exprList()
	p.callSuffix(c)
	c.node = p.node(start)
	return c
}

func (p *Parser) over(c *Call) {
	start := p.start()
	p.next()
	if p.tok.Kind == LeftParen {
		c.Over = p.windowParens()
	} else {
		c.Over = p.slabs.windows.New()
		c.Over.Name = p.ident("a window")
	}
	c.Over.node = p.node(start)
}

// windowParens reads ([base] [PARTITION BY …] [ORDER BY …] [frame]).
//
//	window = "(" [ name ] [ PARTITION BY … ] [ ORDER BY … ] [ frame ] ")"
func (p *Parser) windowParens() *Window {
	w := p.slabs.windows.New()
	p.expectKind(LeftParen, "(")
	if p.tok.Kind == QuotedName || p.tok.Kind == WordToken &&
		!p.atAny(word.Partition, word.Order, word.Rows, word.Range, word.Groups, word.Distribute, word.Sort, word.Cluster) {
		w.Base = p.ident("a window")
	}
	if p.atAny(word.Partition, word.Distribute, word.Cluster) {
		p.next()
		p.expect(word.By)
		w.Partition = p.exprList()
	}
	if p.atAny(word.Order, word.Sort) {
		p.next()
		p.expect(word.By)
		w.OrderBy = p.orderItems()
	}
	if p.atAny(word.Rows, word.Range, word.Groups) {
		start := p.start()
		p.frame()
		w.Frame = p.since(start)
	}
	p.expectKind(RightParen, ")")
	return w
}

// frame reads ROWS BETWEEN … AND … EXCLUDE ….
func (p *Parser) frame() {
	p.next()
	if p.accept(word.Between) {
		p.frameBound()
		p.expect(word.And)
	}
	p.frameBound()
	if p.accept(word.Exclude) {
		for p.atAny(word.Current, word.Row, word.Group, word.Ties, word.No, word.Others) {
			p.next()
		}
	}
}

func (p *Parser) frameBound() {
	switch {
	case p.at(word.Current) && p.peek(1).Word() == word.Row:
		p.next()
		p.next()
		return
	case p.accept(word.Unbounded):
	default:
		p.expr()
	}
	if !p.accept(word.Preceding) {
		p.expect(word.Following)
	}
}

// castCall reads CAST (x AS type) and CONVERT in its three forms: of a type
// and a value, of a value and a type, of a value USING a character set.
func (p *Parser) castCall(start text.Pos) Expr {
	convert, try := p.atAny(word.Convert, word.TryConvert), p.atAny(word.TryCast, word.TryConvert)
	if convert && (p.dialect == dialect.Postgres && p.convertsBytes() || p.dialect == dialect.Oracle) { // of character sets
		return p.nameOrCall(start)
	}
	name := p.tok
	p.next()
	p.next()
	n := p.slabs.casts.New()
	n.Try = try
	if convert && !p.dialect.Has(dialect.ExecutedComments) && p.typeFirst() {
		n.Type = p.typeName()
		p.expectKind(Comma, "a comma")
		n.X = p.expr()
		if p.acceptKind(Comma) {
			n.Format = p.expr()
		}
	} else {
		n.X = p.expr()
		switch {
		case p.accept(word.As):
			first := p.i
			n.Type = p.typeName()
			p.checkPart("casttype", first)
		case convert && p.acceptKind(Comma):
			n.Type = p.typeName()
		case convert && p.at(word.Using):
			return p.convertUsing(start, name, n.X)
		default:
			p.fail("AS and a type")
		}
		for p.tok.Kind != RightParen && !p.atEnd() {
			n.Try = n.Try || p.at(word.Default)
			p.next() // FORMAT '…', AT TIME ZONE, DEFAULT … ON CONVERSION ERROR, CHARSET
		}
	}
	p.expectKind(RightParen, ")")
	n.node = p.node(start)
	return n
}

// convertsBytes reports whether CONVERT has the three arguments of PostgreSQL's function: bytes and
// two names of character sets, and no type first.
func (p *Parser) convertsBytes() bool {
	const longest = 256 // tokens, far more than such arguments have
	depth, commas := 0, 0
	for i := 1; i < longest; i++ {
		switch p.peek(i).Kind {
		case LeftParen:
			depth++
		case RightParen:
			if depth--; depth == 0 {
				return commas == 2 && p.peek(3).Kind != Comma
			}
		case Comma:
			if depth == 1 {
				commas++
			}
		case EOF, Semicolon:
			return false
		}
	}
	return false
}

func (p *Parser) convertUsing(start text.Pos, name Token, x Expr) Expr {
	p.next()
	p.characterSet()
	p.expectKind(RightParen, ")")
	exprs, idents := p.lists.exprs.Mark(), p.lists.idents.Mark()
	p.lists.exprs.Push(x)
	p.lists.idents.Push(Ident{Span: name.Span, Sym: name.Sym})
	c := p.slabs.calls.New()
	args, parts := p.lists.exprs.Take(exprs), p.lists.idents.Take(idents)
	*c = Call{node: p.node(start), Name: parts, Args: args}
	return c
}

// characterSet passes over the name of one, which may stand in quotes.
func (p *Parser) characterSet() {
	if p.tok.Kind == TextToken {
		p.next()
	} else if !p.accept(word.Binary) {
		p.path("a character set")
	}
}

// typeFirst reports whether CONVERT begins with a type, as in SQL Server.
func (p *Parser) typeFirst() bool {
	switch p.word {
	case word.Int, word.Integer, word.Bigint, word.Smallint, word.Tinyint, word.Bit, word.Decimal, word.Numeric, word.Float,
		word.Real, word.Date, word.Time, word.Datetime, word.Varchar, word.Nvarchar, word.Char, word.Nchar, word.Varbinary, word.Binary, word.Text, word.Xml:
		next := p.peek(1).Kind
		return next == Comma || next == LeftParen
	case word.NoWord:
		switch p.scan.names.String(p.tok.Sym) {
		case "datetime2", "smalldatetime", "datetimeoffset", "money", "smallmoney", "uniqueidentifier", "image", "ntext", "sysname", "sql_variant", "rowversion":
			return true
		}
	}
	return false
}

// typeName reads a type: words, arguments, arrays.
func (p *Parser) typeName() *TypeName {
	start, begun := p.start(), p.i
	t := p.slabs.typeNames.New()
	p.accept(word.Setof)
	if w := p.peek(1).Word(); p.at(word.National) && (w == word.Char || w == word.Character || w == word.Varchar) {
		p.next()
	}
	if p.atAny(word.Signed, word.Unsigned) {
		mark := p.lists.idents.Mark()
		p.lists.idents.Push(p.partAfterDot())
		t.Parts = p.lists.idents.Take(mark)
	} else {
		t.Parts = p.typePath()
	}
	if p.tok.Kind == LeftParen {
		p.next()
		if p.tok.Kind != RightParen {
			p.accept(word.Content) // of SQL Server's XML, before a schema
			t.Args = p.exprList()
		}
		for p.tok.Kind == WordToken { // VARCHAR2(20 CHAR)
			p.next()
		}
		p.expectKind(RightParen, ")")
	}
	p.typeSuffix(t)
	if p.i > begun+1 && p.dialect == dialect.Postgres {
		p.checkPart("typename", begun)
	}
	t.node = p.node(start)
	return t
}

func (p *Parser) typePath() []Ident {
	if p.tok.Kind != WordToken && p.tok.Kind != QuotedName && p.tok.Kind != TemplateMark {
		p.fail("a type")
		return nil
	}
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(p.partAfterDot())
	for p.acceptKind(Dot) {
		p.lists.idents.Push(p.partAfterDot())
	}
	return p.lists.idents.Take(mark)
}

// typeSuffix reads the later words of a type and its array marks.
func (p *Parser) typeSuffix(t *TypeName) {
	for {
		switch {
		case p.atAny(word.Precision, word.Varying, word.Unsigned, word.Signed, word.Zerofill, word.Large):
			p.next()
		case p.at(word.Integer) || p.at(word.Int) && len(t.Parts) == 1:
			p.next()
		case p.atAny(word.With, word.Without) && (p.peek(1).Word() == word.Time || p.peek(1).Word() == word.Local):
			for p.atAny(word.With, word.Without, word.Local, word.Time, word.Zone) {
				p.next()
			}
		case p.at(word.Character) && p.peek(1).Word() == word.Set:
			p.next()
			p.next()
			p.next()
		case p.at(word.Charset):
			p.next()
			p.next()
		case p.tok.Kind == LeftParen && t.Args == nil && p.peek(1).Kind == NumberToken:
			p.skipParens()
		case p.tok.Kind == LeftBracket:
			t.Array = true
			for p.tok.Kind == LeftBracket || p.tok.Kind == RightBracket || p.tok.Kind == NumberToken {
				p.next()
			}
		case p.at(word.Array):
			t.Array = true
			p.next()
		case p.isUnit(p.word) && len(t.Parts) == 1 && t.Parts[0].Sym == Sym(word.Interval),
			p.at(word.To) && p.isUnit(p.peek(1).Word()):
			p.next()
		default:
			return
		}
	}
}
