package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
)

// selectBody reads SELECT … up to the clauses of the result.
//
//	select = SELECT [ DISTINCT … ] [ TOP … ] items [ INTO … ] [ FROM … ] [ WHERE … ] [ GROUP BY … ] [ HAVING … ] …
func (p *Parser) selectBody() Body {
	start, from := p.start(), p.i
	p.next()
	s := p.slabs.selects.New()
	p.selectModifiers(s)
	if p.quoted && p.at(word.Into) { // PL/pgSQL lets it stand first, before the list
		p.selectClause(s)
	}
	if !p.atEnd() && !p.atAny(word.From, word.Where, word.Union, word.Into) && p.tok.Kind != RightParen &&
		!(p.dialect.Has(dialect.EmptySelect) && p.atAny(word.Intersect, word.Except)) {
		s.Items = p.selectItems()
	} else if !p.dialect.Has(dialect.EmptySelect) && p.tok.Kind != TemplateMark {
		p.fail("what to select")
	}
	if p.broken {
		p.resume(from)
	}
	open := false
	for {
		clauseStart := p.i
		open = open || p.tok.Kind == TemplateMark
		if !p.selectClause(s) {
			break
		}
		if p.broken && !p.resume(clauseStart) {
			break
		}
	}
	s.node = p.node(start)
	if open {
		p.opens(s.Span())
	}
	return s
}

// selectModifiers reads what may stand between SELECT and the list.
func (p *Parser) selectModifiers(s *Select) {
	all := false
	for p.word != word.NoWord {
		switch {
		case p.at(word.Distinct) && p.peek(1).Word() == word.On:
			p.next()
			p.next()
			p.expectKind(LeftParen, "( after DISTINCT ON")
			s.Distinct, s.DistinctOn = true, p.exprList()
			p.expectKind(RightParen, ")")
		case p.at(word.Distinct) || p.at(word.Distinctrow) && !p.isPlainName() || p.at(word.Unique) && p.peek(1).Kind == WordToken:
			if all {
				p.fail("the select list")
			}
			s.Distinct = true
			p.next()
		case p.at(word.All) && p.peek(1).Kind != Dot && p.peek(1).Kind != Comma:
			if s.Distinct {
				p.fail("the select list")
			}
			all = true
			p.next()
		case p.atAny(word.SqlCalcFoundRows, word.SqlNoCache, word.SqlCache, word.SqlBufferResult, word.SqlBigResult,
			word.SqlSmallResult, word.HighPriority, word.StraightJoin) && !p.isPlainName():
			p.next()
		case p.atTop():
			s.Top = p.top()
		default:
			return
		}
	}
}

// atTop tells TOP n from a name.
func (p *Parser) atTop() bool {
	next := p.peek(1).Kind
	return p.at(word.Top) && (next == NumberToken || next == LeftParen || next == VariableName)
}

// top reads TOP n [PERCENT] [WITH TIES].
func (p *Parser) top() *Limit {
	start := p.start()
	p.next()
	count := p.primary()
	loose := p.accept(word.Percent)
	if p.at(word.With) && p.peek(1).Word() == word.Ties {
		p.next()
		p.next()
		loose = true
	}
	l := p.slabs.limits.Next()
	*l = Limit{node: p.node(start), Count: count, Loose: loose}
	return l
}

// selectItems reads the select list.
func (p *Parser) selectItems() []*SelectItem {
	mark := p.lists.items.Mark()
	p.lists.items.Push(p.selectItem())
	for p.acceptKind(Comma) && !p.trailingComma() || p.missingComma() {
		p.lists.items.Push(p.selectItem())
	}
	return p.lists.items.Take(mark)
}

func (p *Parser) selectItem() *SelectItem {
	start := p.start()
	item := p.slabs.selectItems.New()
	if next := p.peek(1).Kind; next == Equal && p.tok.Kind != VariableName && p.atName() && p.dialect.Has(dialect.EqualsNamesOutput) {
		item.Alias = p.ident("a name")
		p.next()
		item.X = p.expr()
		item.node = p.node(start)
		return item
	}
	if p.tok.Kind == TextToken && p.dialect == dialect.SQLServer && p.peek(1).Kind == Equal { // SELECT 'total' = SUM(jars)
		item.Alias = Ident{Span: p.tok.Span, Sym: p.textSym(p.tok.Span), Quoted: true}
		p.next()
		p.next()
		item.X = p.expr()
		item.node = p.node(start)
		return item
	}
	if p.tok.Kind == VariableName && p.dialect == dialect.SQLServer && p.peek(2).Kind == Equal && p.peek(1).Kind.isOperator() && p.peek(1).Kind != Equal &&
		p.peek(1).Span.End == p.peek(2).Span.Start { // SELECT @n += 1
		p.next()
		p.next()
		p.next()
	}
	item.X = p.expr()
	if _, ok := item.X.(*Star); ok && p.at(word.Except) && p.peek(1).Kind == LeftParen && !p.startsQuery(2) {
		p.next()
		p.skipParens()
	}
	if p.dialect == dialect.Spark && (p.at(word.Using) || p.at(word.Row) && p.peek(1).Word() == word.Format) { // TRANSFORM (…) USING '…' AS (…)
		from := p.start()
		for !p.atEnd() && p.tok.Kind != RightParen && !p.at(word.From) {
			p.skipOne()
		}
		p.opens(p.since(from))
	}
	if star, ok := item.X.(*Star); ok && (p.at(word.As) || len(star.Qualifier) > 0 && p.tok.Kind == TextToken) {
		p.fail("a comma or FROM: * cannot have a name")
	}
	if p.tok.Kind == TextToken && !p.broken {
		item.Alias = Ident{Span: p.tok.Span, Sym: p.textSym(p.tok.Span), Quoted: true}
		p.next()
	} else {
		before, end := p.i, p.last
		item.As, item.Alias = p.alias(notOutputAlias)
		if p.tok.Kind == Dot && !item.As && p.i == before+1 { // no alias, but the next element: a.x b.y
			p.i, p.last, item.Alias = before, end, Ident{}
			p.load()
		}
	}
	if _, star := item.X.(*Star); star && !item.Alias.IsZero() && bareStar.Has(p.dialect) {
		p.misplaced(item.Alias.Span)
	}
	item.node = p.node(start)
	return item
}

// bareStar are the dialects in which t.* takes no name, not even without AS.
var bareStar = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.SQLServer, dialect.Oracle)

// selectClause reads one clause of the SELECT, in any order, and reports
// whether there was one.
func (p *Parser) selectClause(s *Select) bool {
	if p.tok.Kind == TemplateMark { // it may stand for a clause, or nothing
		p.next()
		return true
	}
	if p.at(word.Bulk) && p.scan.names.String(p.peek(1).Sym) == "collect" { // INTO, in PL/SQL
		p.next()
		p.next()
		s.IntoMany = true
	}
	switch p.word {
	case word.Into:
		if !s.IntoSpan.IsEmpty() {
			return false
		}
		s.IntoSpan = p.tok.Span
		p.next()
		if p.atAny(word.Outfile, word.Dumpfile) {
			p.intoFile()
			return true
		}
		for p.atAny(word.Temporary, word.Temp, word.Unlogged, word.Table) && !p.isPlainName() || p.quoted && p.at(word.Strict) {
			s.IntoStrict = s.IntoStrict || p.at(word.Strict)
			p.next()
		}
		mark := p.lists.exprs.Mark()
		p.commaList(func() { p.lists.exprs.Push(p.intoTarget()) })
		s.Into = p.lists.exprs.Take(mark)
		if p.dialect == dialect.SQLServer && p.accept(word.On) { // a filegroup
			p.ident("a filegroup")
		}
	case word.From:
		if s.From != nil {
			return false
		}
		s.From = p.from()
	case word.Where:
		if s.Where != nil {
			return false
		}
		s.Where = p.where()
	case word.Group:
		if s.GroupBy != nil {
			return false
		}
		s.GroupBy = p.groupBy()
	case word.Having:
		if s.Having != nil {
			return false
		}
		s.Having = p.having()
	case word.Window:
		if p.peek(2).Word() != word.As {
			return false
		}
		p.windowClause(s)
	case word.Qualify:
		start := p.start()
		p.next()
		q := p.slabs.qualifys.New()
		q.Cond = p.expr()
		q.node = p.node(start)
		s.Qualify = q
	case word.Connect, word.Start:
		if !p.hierarchy() {
			return false
		}
		s.Reshaped = true
	case word.Model:
		if !p.startsModel() {
			return false
		}
		s.Reshaped = true
		start := p.start()
		for !p.atEnd() && p.tok.Kind != RightParen && !(p.at(word.Order) && p.peek(1).Word() == word.By) &&
			!p.atAny(word.Union, word.Minus, word.Intersect, word.Fetch) {
			p.skipOne()
		}
		p.opens(p.since(start)) // it names columns
	default:
		return false
	}
	return true
}

// intoTarget reads a variable behind INTO; what follows may be the list of columns, as of
// INTO x *.
func (p *Parser) intoTarget() Expr {
	if p.startsVariable() || p.scan.rules.postgres && p.atName() && p.peek(1).Kind == LeftParen {
		return p.bareName(p.start())
	}
	return p.exprAbove(p.power.Unary())
}

// startsModel tells Oracle's MODEL clause, which is passed over, from a name.
func (p *Parser) startsModel() bool {
	switch p.peek(1).Word() {
	case word.Partition, word.Dimension, word.Return, word.Ignore, word.Keep, word.Unique, word.Reference, word.Main, word.Measures:
		return true
	}
	return false
}

// intoFile passes over INTO OUTFILE '…' with its options.
func (p *Parser) intoFile() {
	for !p.atEnd() && p.tok.Kind != RightParen && stops[p.word]&startsClause == 0 && !p.atAny(word.For, word.Lock) {
		p.next()
	}
}

// lateClause reads a clause of the SELECT that stands after ORDER BY or a row
// limit, and reports whether there was one.
func (p *Parser) lateClause(s *Select, q *Query) bool {
	if q.OrderBy == nil && q.Limit == nil && !p.at(word.Into) || !p.selectClause(s) {
		return false
	}
	s.span.End = max(p.last, p.empty)
	return true
}

// where reads WHERE condition.
//
//	where = WHERE expr
func (p *Parser) where() *Where {
	start := p.start()
	p.next()
	w := p.slabs.wheres.New()
	if p.at(word.Current) && p.peek(1).Word() == word.Of {
		p.next()
		p.next()
		if p.at(word.Global) && p.peek(1).Kind == WordToken && p.dialect == dialect.SQLServer {
			p.next()
		}
		at := p.start()
		p.path("a cursor")
		row := p.slabs.params.New()
		row.node = p.node(at)
		w.Cond = row
		w.node = p.node(start)
		return w
	}
	w.Cond = p.expr()
	w.node = p.node(start)
	return w
}

// having reads HAVING condition.
//
//	having = HAVING expr
func (p *Parser) having() *Having {
	start := p.start()
	p.next()
	h := p.slabs.havings.New()
	h.Cond = p.expr()
	h.node = p.node(start)
	return h
}

// groupBy reads GROUP BY with its grouping sets.
//
//	groupBy = GROUP BY [ ALL | DISTINCT ] groupItem { "," groupItem } [ WITH ROLLUP ]
func (p *Parser) groupBy() *GroupBy {
	start := p.start()
	p.next()
	p.expect(word.By)
	g := p.slabs.groupBys.New()
	if p.at(word.All) && p.peek(1).Kind != Dot {
		p.next()
		g.All = true
	} else {
		p.accept(word.Distinct)
	}
	if !g.All || !p.atEnd() && p.tok.Kind != RightParen && stops[p.word]&startsClause == 0 {
		mark := p.lists.exprs.Mark()
		p.lists.exprs.Push(p.groupItem(g))
		for p.acceptKind(Comma) && !p.trailingComma() || p.missingComma() {
			p.lists.exprs.Push(p.groupItem(g))
		}
		g.Items = p.lists.exprs.Take(mark)
	}
	if p.dialect == dialect.Spark && p.at(word.Grouping) && p.peek(1).Word() == word.Sets {
		p.groupItem(g)
	}
	if p.at(word.With) && (p.peek(1).Word() == word.Rollup || p.peek(1).Word() == word.Cube) {
		p.next()
		p.next()
		g.Sets = true
	}
	g.node = p.node(start)
	return g
}

func (p *Parser) groupItem(g *GroupBy) Expr {
	start := p.start()
	switch {
	case p.atAny(word.Rollup, word.Cube) && p.peek(1).Kind == LeftParen:
		p.next()
	case p.at(word.Grouping) && p.peek(1).Word() == word.Sets:
		p.next()
		p.next()
	case p.tok.Kind == LeftParen && p.peek(1).Kind == RightParen:
		if p.dialect.Has(dialect.ExecutedComments) || p.dialect == dialect.SQLite {
			p.next()
			p.fail("what to group by")
		}
	default:
		x := p.expr()
		if p.atAny(word.Asc, word.Desc) {
			p.next()
		}
		return x
	}
	g.Sets = true
	p.expectKind(LeftParen, "(")
	mark := p.lists.exprs.Mark()
	if p.tok.Kind != RightParen {
		p.commaList(func() { p.lists.exprs.Push(p.groupItem(g)) })
	}
	items := p.lists.exprs.Take(mark)
	p.expectKind(RightParen, ")")
	n := p.slabs.groupingSets.Next()
	*n = GroupingSet{node: p.node(start), Items: items}
	return n
}

// windowClause reads WINDOW name AS (…), ….
func (p *Parser) windowClause(s *Select) {
	p.next()
	mark := p.lists.windows.Mark()
	p.commaList(func() {
		start := p.start()
		name := p.ident("a name for the window")
		p.expect(word.As)
		w := p.windowParens()
		w.Name = name
		w.node = p.node(start)
		p.lists.windows.Push(w)
	})
	s.Windows = p.lists.windows.Take(mark)
}

// hierarchy reads START WITH … and CONNECT BY … of Oracle's trees.
func (p *Parser) hierarchy() bool {
	switch {
	case p.at(word.Start) && p.peek(1).Word() == word.With:
		p.next()
		p.next()
	case p.at(word.Connect) && p.peek(1).Word() == word.By:
		p.next()
		p.next()
		p.accept(word.Nocycle)
	default:
		return false
	}
	p.expr()
	return true
}

// orderBy reads ORDER BY and its kin.
//
//	orderBy = ORDER [ SIBLINGS ] BY orderItem { "," orderItem }
func (p *Parser) orderBy() *OrderBy {
	start := p.start()
	p.next()
	p.accept(word.Siblings)
	p.expect(word.By)
	o := p.slabs.orderBys.New()
	o.Items = p.orderItems()
	o.node = p.node(start)
	return o
}

func (p *Parser) orderItems() []*OrderItem {
	mark := p.lists.orders.Mark()
	p.lists.orders.Push(p.orderItem())
	for p.acceptKind(Comma) && !p.trailingComma() || p.missingComma() {
		p.lists.orders.Push(p.orderItem())
	}
	return p.lists.orders.Take(mark)
}

func (p *Parser) orderItem() *OrderItem {
	start := p.start()
	n := p.slabs.orderItems.New()
	n.X = p.expr()
	if p.at(word.Using) {
		p.next()
		p.next()
	}
	switch {
	case p.accept(word.Desc):
		n.Desc = true
	case p.accept(word.Asc):
	}
	if p.accept(word.Nulls) {
		n.Nulls = true
		if !p.accept(word.First) {
			p.expect(word.Last)
		}
	}
	n.node = p.node(start)
	return n
}

// rowsExamined passes over MariaDB's ROWS EXAMINED n.
func (p *Parser) rowsExamined() {
	p.next()
	p.next()
	if p.tok.Kind == VariableName {
		p.fail("a number")
	}
	p.primary()
}

// limit reads one of LIMIT, OFFSET and FETCH, adding to what was read before.
func (p *Parser) limit(l *Limit) *Limit {
	start := p.start()
	if l == nil {
		l = p.slabs.limits.New()
	} else {
		start = l.span.Start
	}
	switch {
	case p.accept(word.Limit):
		l.ByLimit = true
		if p.at(word.Rows) && p.peek(1).Word() == word.Examined {
			break
		}
		if !p.accept(word.All) {
			l.Count = p.expr()
		}
		if p.acceptKind(Comma) {
			l.Offset, l.Count = l.Count, p.expr()
		}
	case p.accept(word.Offset):
		l.Offset = p.expr()
		switch {
		case p.at(word.Rows) && p.peek(1).Word() == word.Examined:
		case p.atAny(word.Row, word.Rows):
			p.next()
		case !l.ByLimit && !p.dialect.Has(dialect.BareOffset):
			p.fail("ROWS")
		}
	case p.accept(word.Fetch):
		if p.dialect == dialect.Oracle && (p.says(0, "approx") || p.says(0, "approximate") || p.says(0, "exact")) { // of a search by vectors
			p.next()
		}
		if !p.accept(word.First) {
			p.accept(word.Next)
		}
		if l.One = p.atAny(word.Row, word.Rows); !l.One {
			l.Count = p.expr()
		}
		l.Loose = p.accept(word.Percent)
		if !p.accept(word.Row) {
			p.expect(word.Rows)
		}
		if p.accept(word.With) {
			p.expect(word.Ties)
			l.Loose = true
		} else {
			p.expect(word.Only)
		}
		if p.dialect == dialect.Oracle && p.at(word.With) && p.says(1, "target") { // WITH TARGET ACCURACY 90
			for !p.atEnd() && p.tok.Kind != RightParen {
				p.skipOne()
			}
		}
	}
	l.node = p.node(start)
	return l
}
