package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// query reads a query that stands inside another statement, where its rows
// cannot go INTO anything else.
//
//	query = [ with ] setOps [ ORDER BY … ] [ limit ]
func (p *Parser) query() *Query {
	q := p.queryWithInto()
	p.noInto(q.Body)
	if !q.Procedure.IsEmpty() {
		p.misplaced(q.Procedure)
	}
	return q
}

// noInto reports INTO in a query or branch that cannot have it.
func (p *Parser) noInto(b Body) {
	switch b := b.(type) {
	case *Select:
		if !b.IntoSpan.IsEmpty() {
			p.misplaced(b.IntoSpan)
		}
	case *SetOp:
		p.noInto(b.Left)
		p.noInto(b.Right)
	case *ParenQuery:
		p.noInto(b.Query.Body)
	}
}

// misplaced records what may stand in other places, not here.
func (p *Parser) misplaced(s text.Span) {
	if len(p.errors) == 0 {
		p.errors = append(p.errors, Error{Span: s, Found: string(p.scan.src[s.Start:s.End]), at: p.i})
	}
}

// branchesInto reports INTO in a branch of a set operation that cannot have it.
func (p *Parser) branchesInto(left, right Body) {
	if p.quoted { // PL/pgSQL takes it out of its query first
		return
	}
	if !p.dialect.Has(dialect.IntoLast) {
		p.noInto(right)
		return
	}
	if chain, ok := left.(*SetOp); ok {
		p.noInto(chain.Right) // what stands before it was looked at
	} else {
		p.noInto(left)
	}
	if s, ok := right.(*Select); !ok || s.From != nil && s.IntoSpan.Start < s.From.Span().Start {
		p.noInto(right)
	}
}

// queryWithInto reads a query expression.
//
//	query = [ with ] body { set-operator body } [ order-by ] [ limit ]
func (p *Parser) queryWithInto() *Query {
	start := p.start()
	if !p.enter() {
		p.leave()
		q := p.slabs.querys.New()
		q.Body = p.badBody(start)
		q.node = p.node(start)
		return q
	}
	defer p.leave()
	from := p.i
	q := p.slabs.querys.New()
	if p.at(word.With) {
		q.With = p.with()
	}
	p.queryBody(q, start, from)
	return q
}

// queryBody reads what follows the WITH clause of a query that begins at start,
// with the token of index from.
func (p *Parser) queryBody(q *Query, start text.Pos, from int) {
	q.Body = p.setOps(0)
	open := len(p.open) > 0 && p.open[len(p.open)-1] == q.Body.Span()
	p.resultClauses(q, from)
	if open { // what is put in may be a clause of the result, too
		p.opens(p.since(q.Body.Span().Start))
	}
	for !p.broken && (q.OrderBy != nil || q.Limit != nil) {
		if _, _, ok := p.atSetOperator(); !ok {
			break
		}
		p.branch(q, start, from)
	}
	q.node = p.node(start)
}

// branch goes on with a set operator that stands behind ORDER BY or a row limit.
func (p *Parser) branch(q *Query, start text.Pos, from int) {
	near := text.Span{Start: p.tok.Span.Start, End: p.last} // its start is set below
	if q.OrderBy != nil {
		near.Start = q.OrderBy.span.Start
	}
	if q.Limit != nil {
		near.Start = min(near.Start, q.Limit.span.Start)
	}
	p.errors = append(p.errors, Error{Kind: BranchError, Span: p.tok.Span, Near: near, at: p.i})
	op, _, _ := p.atSetOperator()
	opStart := p.start()
	p.next()
	all := p.accept(word.All)
	if !all {
		p.accept(word.Distinct)
	}
	opSpan := p.since(opStart)
	left := q.Body
	right := p.setOps(0)
	n := p.slabs.setOps.Next()
	*n = SetOp{node: p.node(start), Op: op, OpSpan: opSpan, All: all, Left: left, Right: right}
	q.Body, q.OrderBy, q.Limit = n, nil, nil
	p.resultClauses(q, from)
}

// resultClauses reads what applies to the whole result. Clauses of a SELECT
// that come too late are read here too.
func (p *Parser) resultClauses(q *Query, from int) {
	for {
		if p.word == word.NoWord && p.tok.Kind != TemplateMark && !p.broken {
			return
		}
		sel, _ := q.Body.(*Select)
		switch {
		case p.atAny(word.Cluster, word.Distribute) && p.peek(1).Word() == word.By:
			p.orderBy() // where rows go, not their order
		case p.at(word.Order) || p.at(word.Sort) && p.peek(1).Word() == word.By:
			if q.OrderBy != nil {
				return
			}
			q.OrderBy = p.orderBy()
		case p.atAny(word.Limit, word.Offset, word.Fetch) && !p.atNext():
			q.Limit = p.limit(q.Limit)
		case p.at(word.For) && p.peek(1).Word() != word.SystemTime:
			p.forClause(q)
		case p.at(word.Lock) && p.peek(1).Word() == word.In:
			p.next()
			p.next()
			p.expect(word.Share)
			p.expect(word.Mode)
			p.lockWait()
		case p.at(word.Procedure) && p.peek(2).Kind == LeftParen:
			start := p.start()
			p.next()
			p.next()
			p.skipParens()
			q.Procedure = p.since(start)
		case p.at(word.Rows) && p.peek(1).Word() == word.Examined:
			p.rowsExamined()
		case p.at(word.Option) && p.peek(1).Kind == LeftParen:
			p.next()
			p.skipParens()
		case p.tok.Kind == TemplateMark:
			p.next()
			p.opens(q.Body.Span())
		case sel == nil && p.at(word.Into):
			p.next()
			p.exprList()
		case sel != nil && p.lateClause(sel, q):
		case p.broken && p.resume(from):
			if p.tok.Kind == RightParen || p.atAny(word.Union, word.Intersect, word.Except, word.On, word.Set) {
				return
			}
			if p.at(word.From) {
				p.stop()
				return
			}
		default:
			return
		}
	}
}

// forClause reads FOR UPDATE …, FOR SHARE …, FOR XML …, FOR JSON ….
func (p *Parser) forClause(q *Query) {
	start := p.start()
	p.next()
	switch {
	case p.atAny(word.Update, word.Share, word.No, word.Key):
		for p.atAny(word.No, word.Key) {
			p.next()
		}
		if !p.accept(word.Update) {
			p.expect(word.Share)
		}
		if p.accept(word.Of) {
			p.commaList(func() {
				if path := p.path("a table"); len(path) > 0 {
					q.LockOf = append(q.LockOf, path[len(path)-1])
				}
			})
		}
		q.Lock = p.since(start)
		p.lockWait()
	case p.atAny(word.Xml, word.Json, word.Browse, word.Read, word.Fetch):
		for !p.atEnd() && p.tok.Kind != RightParen && !p.atAny(word.For, word.Union, word.Option, word.Do, word.Loop) && !p.startsAnother() {
			p.skipOne()
		}
	default:
		p.fail("UPDATE or SHARE")
	}
}

// lockWait reads how long a locking query waits.
func (p *Parser) lockWait() {
	switch {
	case p.accept(word.Nowait):
	case p.accept(word.Skip):
		p.expect(word.Locked)
	case p.accept(word.Wait):
		if p.tok.Kind != NumberToken && p.tok.Kind != Placeholder {
			p.fail("a number of seconds")
			return
		}
		p.next()
	}
}

// skipOne passes over a token, or over a balanced pair or a CASE with what is in it.
func (p *Parser) skipOne() {
	switch {
	case p.tok.Kind == LeftParen:
		p.skipParens()
	case p.at(word.Case) && p.dialect == dialect.SQLServer:
		p.skipCase()
	default:
		p.next()
	}
}

// skipCase passes over CASE up to its END.
func (p *Parser) skipCase() {
	for depth := 0; !p.atEnd(); {
		switch {
		case p.tok.Kind == LeftParen:
			p.skipParens()
			continue
		case p.at(word.Case):
			depth++
		case p.at(word.End):
			depth--
		}
		if p.next(); depth == 0 {
			return
		}
	}
}

// skipParens passes over a balanced pair.
func (p *Parser) skipParens() {
	depth := 0
	for !p.atEnd() {
		switch p.tok.Kind {
		case LeftParen:
			depth++
		case RightParen:
			depth--
		}
		p.next()
		if depth <= 0 {
			return
		}
	}
	if depth > 0 {
		p.fail(")")
	}
}

// with reads the WITH clause.
//
//	with = WITH [ RECURSIVE ] cte { "," cte }
func (p *Parser) with() *With {
	start := p.start()
	p.next()
	recursive := p.accept(word.Recursive)
	mark := p.lists.ctes.Mark()
	if !p.xmlNamespaces() && !p.localRoutines() {
		p.commaList(func() { p.lists.ctes.Push(p.cte(recursive)) })
	}
	w := p.slabs.withs.Next()
	*w = With{node: p.node(start), Recursive: recursive, CTEs: p.lists.ctes.Take(mark)}
	return w
}

// xmlNamespaces passes over XMLNAMESPACES (…) of SQL Server, and reports whether nothing follows
// it in the list of WITH.
func (p *Parser) xmlNamespaces() bool {
	if p.dialect != dialect.SQLServer || !p.says(0, "xmlnamespaces") || p.peek(1).Kind != LeftParen {
		return false
	}
	p.next()
	p.skipParens()
	return !p.acceptKind(Comma)
}

// localRoutines passes over the functions and procedures that Oracle lets WITH declare ("SELECT",
// "plsql_declarations"), and reports whether nothing follows them in the list of WITH.
func (p *Parser) localRoutines() bool {
	found := false
	for p.dialect == dialect.Oracle && p.atAny(word.Function, word.Procedure) && p.peek(1).Kind == WordToken && p.peek(1).Word() != word.As {
		found, p.bodyUnread = true, true
		for depth := 0; p.tok.Kind != EOF; {
			ends := p.at(word.End)
			switch {
			case ends:
				depth--
			case p.atAny(word.Begin, word.Case, word.If, word.Loop):
				depth++
			}
			if p.next(); ends && p.atAny(word.Case, word.If, word.Loop) {
				p.next()
			}
			if ends && depth == 0 {
				break
			}
		}
		if p.tok.Kind == WordToken || p.tok.Kind == QuotedName { // the name once more
			p.next()
		}
		p.expectKind(Semicolon, "a semicolon")
	}
	return found && p.startsQuery(0)
}

// cte reads name [(columns)] AS [[NOT] MATERIALIZED] (statement).
//
//	cte = name [ "(" names ")" ] AS [ [ NOT ] MATERIALIZED ] "(" ( query | insert | update | delete ) ")" …
func (p *Parser) cte(recursive bool) *CTE {
	start := p.start()
	c := p.slabs.cTEs.New()
	c.Name = p.ident("a name for the common table expression")
	if p.tok.Kind == LeftParen {
		c.Columns = p.identList()
	}
	if p.dialect == dialect.Spark && p.says(0, "max") { // MAX RECURSION LEVEL n
		for !p.at(word.As) && !p.atEnd() {
			p.next()
		}
	}
	p.expect(word.As)
	if p.at(word.Not) {
		p.next()
	}
	p.accept(word.Materialized)
	p.expectKind(LeftParen, "( before the query of "+string(p.scan.src[c.Name.Span.Start:c.Name.Span.End]))
	if p.atAny(word.Insert, word.Update, word.Delete, word.Merge) {
		c.Stmt = p.statement()
	} else {
		c.Query = p.query()
	}
	p.expectKind(RightParen, ")")
	behind := p.i
	for p.atAny(word.Search, word.Cycle) {
		if !recursive && p.dialect != dialect.Oracle {
			p.fail("a query; only WITH RECURSIVE takes this")
		}
		c.Extended = true
		for !p.atEnd() && !p.atAny(word.Select, word.Insert, word.Update, word.Delete) && p.tok.Kind != Comma {
			p.next()
			if p.tok.Kind == Comma && p.peek(2).Word() != word.As && p.peek(2).Kind != LeftParen {
				p.next()
			}
		}
	}
	if c.Extended {
		p.checkPart("searched", behind)
	}
	c.node = p.node(start)
	return c
}

// setOps reads bodies joined by set operators; INTERSECT binds tighter than
// the others, as power 2 against 1, but on SQLite and Oracle.
//
//	setOps = body { ( UNION | INTERSECT | EXCEPT | MINUS ) [ ALL | DISTINCT ] body }
func (p *Parser) setOps(power int) Body {
	start := p.start()
	left := p.body()
	for {
		op, opPower, ok := p.atSetOperator()
		if !ok || opPower <= power || !p.enter() {
			return left
		}
		opStart, minus := p.start(), p.at(word.Minus)
		p.next()
		all := p.accept(word.All)
		if !all {
			p.accept(word.Distinct)
		}
		for p.atAny(word.Corresponding, word.By, word.Name) {
			p.next()
			if p.tok.Kind == LeftParen && !p.startsQuery(1) {
				p.skipParens()
			}
		}
		opSpan := p.since(opStart)
		right := p.setOps(opPower)
		p.branchesInto(left, right)
		p.leave()
		n := p.slabs.setOps.Next()
		*n = SetOp{node: p.node(start), Op: op, OpSpan: opSpan, All: all, Minus: minus, Left: left, Right: right}
		p.link()
		left = n
	}
}

func (p *Parser) atSetOperator() (SetOperator, int, bool) {
	switch p.word {
	case word.Union:
		return Union, 1, true
	case word.Except, word.Minus:
		return Except, 1, true
	case word.Intersect:
		if p.dialect.Has(dialect.SetsFromLeft) {
			return Intersect, 1, true
		}
		return Intersect, 2, true
	}
	return 0, 0, false
}

// body reads a SELECT, VALUES, TABLE or a query in parentheses.
//
//	body = select | values | TABLE name | "(" query ")"
func (p *Parser) body() Body {
	start := p.start()
	switch {
	case p.at(word.Select):
		return p.selectBody()
	case p.at(word.Values):
		return p.values()
	case p.at(word.Table) && p.peek(1).Kind != LeftParen:
		p.next()
		ref := p.tableName()
		n := p.slabs.tableBodys.Next()
		*n = TableBody{node: p.node(start), Table: ref}
		return n
	case p.tok.Kind == LeftParen:
		p.next()
		q := p.queryWithInto()
		if !q.Procedure.IsEmpty() {
			p.misplaced(q.Procedure)
		}
		p.expectKind(RightParen, ")")
		n := p.slabs.parenQuerys.Next()
		*n = ParenQuery{node: p.node(start), Query: q}
		return n
	}
	p.fail("SELECT")
	return p.badBody(start)
}

func (p *Parser) badBody(start text.Pos) Body {
	n := p.slabs.badBodys.New()
	n.node = p.node(start)
	return n
}

// values reads VALUES (…), (…).
//
//	values = VALUES row { "," row }
func (p *Parser) values() Body {
	start := p.start()
	p.next()
	mark := p.lists.rows.Mark()
	p.commaList(func() {
		rowStart := p.start()
		p.accept(word.Row)
		var items []Expr
		if p.startsBareRow() {
			items = p.oneExpr()
		} else {
			p.expectKind(LeftParen, "(")
			if p.tok.Kind != RightParen {
				items = p.strictList()
			}
			p.expectKind(RightParen, ") or a comma")
		}
		r := p.slabs.rows.Next()
		*r = Row{node: p.node(rowStart), Items: items}
		p.lists.rows.Push(r)
	})
	n := p.slabs.valuess.New()
	rows := p.lists.rows.Take(mark)
	*n = Values{node: p.node(start), Rows: rows}
	return n
}

// startsBareRow reports whether a row of VALUES is one value without parentheses, as Spark has it.
func (p *Parser) startsBareRow() bool {
	return p.dialect == dialect.Spark && p.tok.Kind != LeftParen && p.atOperand() && !p.atEnd()
}

// holdsQueryAlone reports whether of the parentheses that begin n tokens on, two or
// more, each holds a query and nothing else: not ((SELECT …) AS t) nor
// ((SELECT …) + 1). Of fewer it is told when the query is read.
func (p *Parser) holdsQueryAlone(n int) bool {
	leading := 0
	for p.peek(n+leading).Kind == LeftParen {
		leading++
	}
	if leading < 2 {
		return true
	}
	for depth, i := leading, n+leading; depth > 1 && i < 1<<14; i++ {
		switch p.peek(i).Kind {
		case EOF:
			return true
		case LeftParen:
			depth++
		case RightParen:
			depth--
			if next := p.peek(i + 1); depth < leading && next.Kind != RightParen {
				switch next.Word() {
				case word.Union, word.Intersect, word.Except, word.Minus, word.Order, word.Limit, word.Offset, word.Fetch, word.For, word.Into,
					word.Lock, word.Procedure:
				default:
					return false
				}
			}
		}
	}
	return true
}

// startsQuery reports whether the n-th token from here begins a query,
// parentheses skipped.
func (p *Parser) startsQuery(n int) bool {
	at := p.i + n
	if p.run.from <= at && at < p.run.to && !p.broken {
		return p.run.query
	}
	query, parens := p.queryBehind(n)
	if parens > shortRun && !p.broken {
		p.run = parenRun{at, at + parens, query}
	}
	return query
}

// parenRun is a long run of opening parentheses, by the indexes of its tokens, and
// whether a query begins behind it: else each of them would look at all that follow.
type parenRun struct {
	from, to int
	query    bool
}

const shortRun = 8

// queryBehind is startsQuery, with the number of parentheses before the query.
func (p *Parser) queryBehind(n int) (query bool, parens int) {
	first := n
	for {
		t := p.peek(n)
		if n == 0 {
			t = p.tok
		}
		switch {
		case t.Kind == LeftParen:
			n++
			continue
		case t.Kind != WordToken:
			return false, n - first
		}
		switch t.Word() {
		case word.Select:
			return true, n - first
		case word.Values:
			next := p.peek(n + 1)
			return next.Kind == LeftParen || next.Word() == word.Row || p.dialect == dialect.Spark && (next.Kind == NumberToken || next.Kind == TextToken), n - first
		case word.With:
			next := p.peek(n + 1).Word()
			return next == word.Recursive || p.peek(n+2).Word() == word.As || p.peek(n+2).Kind == LeftParen, n - first
		case word.Table:
			return p.peek(n+1).Kind == WordToken || p.peek(n+1).Kind == QuotedName, n - first
		}
		return false, n - first
	}
}
