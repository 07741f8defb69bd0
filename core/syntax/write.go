package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

func (p *Parser) startOf(with *With) text.Pos {
	if with != nil {
		return with.span.Start
	}
	return p.start()
}

// insert reads INSERT and REPLACE.
//
//	insert = [ with ] ( INSERT | REPLACE ) [ INTO ] name [ "(" names ")" ] ( query | values | SET … | DEFAULT VALUES ) [ ON CONFLICT … | ON DUPLICATE KEY UPDATE … ] [ RETURNING items ]
func (p *Parser) insert(with *With) Stmt {
	n := p.slabs.inserts.New()
	start := p.startOf(with)
	n.With = with
	p.next()
	into := false
	if p.atTop() {
		p.top()
	}
	if p.at(word.With) && p.dialect == dialect.Spark { // SCHEMA EVOLUTION
		for !p.at(word.Into) && !p.atEnd() {
			p.next()
		}
	}
	for p.atAny(word.Into, word.Or, word.Replace, word.Ignore, word.Abort, word.Rollback, word.Fail, word.LowPriority,
		word.HighPriority, word.Delayed, word.Overwrite, word.Table) {
		if into && !p.at(word.Table) || p.atAny(word.Abort, word.Rollback, word.Fail) && p.lastWord() != word.Or {
			break // a table of that name
		}
		into = into || p.atAny(word.Into, word.Overwrite)
		p.next()
	}
	if p.atAny(word.All, word.First) && (p.peek(1).Word() == word.Into || p.peek(1).Word() == word.When) {
		p.insertAll(n)
		n.node = p.node(start)
		return n
	}
	if !into && intoNeeded.Has(p.dialect) {
		p.fail("INTO")
	}
	if p.dialect == dialect.Spark && (p.at(word.Directory) || p.peek(1).Word() == word.Directory) {
		n.Table = p.nowhere(func() {
			for !p.startsQuery(0) && !p.atEnd() {
				p.skipOne()
			}
		})
	} else if n.Table = p.insertTarget(); p.dialect == dialect.Spark || p.dialect == dialect.Oracle {
		p.insertOptions()
	}
	if p.tok.Kind == LeftParen && !p.startsQuery(1) {
		n.Columns = p.insertColumns()
	}
	if n.Overriding = p.at(word.Overriding); n.Overriding {
		p.next()
		if !p.accept(word.System) {
			p.expect(word.User)
		}
		p.expect(word.Value)
	}
	if p.at(word.Output) {
		n.Returning = p.returning()
	}
	switch {
	case p.at(word.Default) && p.peek(1).Word() == word.Values:
		p.next()
		p.next()
	case p.accept(word.Set):
		n.Set = p.assigns()
	case p.startsQuery(0):
		n.Query = p.query()
	case p.at(word.Value) && p.peek(1).Kind == LeftParen && saysValue.Has(p.dialect):
		n.Query = p.valueQuery()
	case p.atAny(word.Exec, word.Execute), p.at(word.From) && p.dialect == dialect.Spark:
		p.other()
	case p.at(word.Values) && p.isPL() && p.bodies > 0 && p.peek(1).Kind == WordToken: // a record
		for p.next(); !p.atEnd() && !p.atAny(word.Returning, word.Return, word.Log); {
			p.skipOne()
		}
	case p.accept(word.Values): // and no row behind it
		p.fail("( and the values")
	default:
		p.fail("VALUES or a query")
	}
	p.conflict(n)
	if p.at(word.Returning) {
		n.Returning = p.returning()
	}
	p.logErrors()
	n.node = p.node(start)
	return n
}

// logErrors passes over Oracle's LOG ERRORS … REJECT LIMIT ….
func (p *Parser) logErrors() {
	if !p.at(word.Log) || p.peek(1).Word() != word.Errors {
		return
	}
	p.next()
	p.next()
	if p.accept(word.Into) {
		p.path("a table")
	}
	if p.tok.Kind == LeftParen {
		p.skipParens()
	}
	if p.accept(word.Reject) {
		p.expect(word.Limit)
		p.next()
	}
}

// nowhere gives a table that no schema has, for what is written to no table of its own: a
// query, a folder, another server. It stands where pass passes over it.
func (p *Parser) nowhere(pass func()) *TableRef {
	start := p.start()
	t := p.slabs.tableRefs.New()
	t.Unnamed = true
	at := p.tok.Span
	if at.IsEmpty() { // at the end of the text
		at = text.Span{Start: max(p.last, 1) - 1, End: max(p.last, 1)}
	}
	t.Name = p.lists.idents.One(Ident{Span: at, Sym: p.scan.names.Intern([]byte("("))})
	pass()
	t.node = p.node(start)
	return t
}

// remote passes over what stands behind the @ after a table's name, and reports whether it is
// there: the database link of Oracle, or the version of a table of Spark's. The table is that of
// another database or of another day, of which nothing is known here.
func (p *Parser) remote(name []Ident) bool {
	if p.dialect != dialect.Oracle && p.dialect != dialect.Spark || p.tok.Span.IsEmpty() || p.scan.src[p.tok.Span.Start] != '@' || p.tok.Span.Start != p.last || len(name) == 0 {
		return false
	}
	switch {
	case p.tok.Kind == VariableName:
	case p.peek(1).Kind == QuotedName && p.tok.Span.Len() == 1:
		p.next()
	default:
		return false
	}
	last := &name[len(name)-1]
	p.passLink()
	last.Span.End = p.last
	last.Sym = p.scan.names.Intern(p.scan.src[last.Span.Start:last.Span.End])
	return true
}

// passLink passes over @ and the name of a database link.
func (p *Parser) passLink() {
	for p.next(); p.acceptKind(Dot); {
		p.partAfterDot()
	}
}

// insertOptions passes over what Spark's INSERT has behind the table: IF NOT EXISTS, BY NAME,
// which Oracle has too, REPLACE WHERE and REPLACE USING.
func (p *Parser) insertOptions() {
	p.ifNotExists()
	switch {
	case p.at(word.By) && p.says(1, "name"):
		p.next()
		p.next()
	case p.at(word.Replace) && p.peek(1).Word() == word.Where:
		p.next()
		p.where()
	case p.at(word.Replace) && p.peek(1).Word() == word.Using:
		p.next()
		p.next()
		p.skipParens()
	}
}

// insertAll reads Oracle's INSERT ALL and FIRST with several targets; the first
// stands for them.
func (p *Parser) insertAll(n *Insert) {
	p.next()
	for !p.broken {
		switch {
		case p.accept(word.When):
			p.expr()
			p.expect(word.Then)
		case p.accept(word.Else):
		case p.accept(word.Into):
			t := p.insertTarget()
			if n.Table == nil {
				n.Table = t
			}
			if p.tok.Kind == LeftParen {
				p.insertColumns()
			}
			if p.accept(word.Values) {
				p.skipParens()
			}
		default:
			if n.Table == nil {
				n.Table = p.insertTarget()
			}
			n.Query = p.query()
			return
		}
	}
	if n.Table == nil { // what could not be read
		n.Table = p.nowhere(func() {})
	}
}

// valueQuery reads VALUE (…), …, which MySQL takes for VALUES.
func (p *Parser) valueQuery() *Query {
	start := p.start()
	q := p.slabs.querys.New()
	q.Body = p.values()
	q.node = p.node(start)
	return q
}

func (p *Parser) insertTarget() *TableRef {
	start := p.start()
	if p.tok.Kind == LeftParen && p.startsQuery(1) && p.dialect == dialect.Oracle || p.atAny(word.Openquery, word.Openrowset) && p.peek(1).Kind == LeftParen && p.dialect == dialect.SQLServer {
		return p.nowhere(func() {
			if p.tok.Kind != LeftParen {
				p.next()
			}
			p.skipParens()
		})
	}
	t := p.slabs.tableRefs.New()
	t.Name = p.path("a table")
	p.remote(t.Name)
	if p.at(word.With) && p.peek(1).Kind == LeftParen && p.dialect == dialect.SQLServer { // hints
		p.next()
		p.skipParens()
	}
	if p.at(word.Partition) {
		p.next()
		if p.peek(1).Kind == RightParen {
			p.next()
			p.fail("a partition")
		}
		p.skipParens()
	}
	if p.at(word.As) || p.dialect == dialect.Oracle {
		t.As, t.Alias = p.alias(notTableAlias)
	}
	t.node = p.node(start)
	return t
}

// insertColumns reads the column list. A name may be qualified; PostgreSQL takes fields and
// elements of columns in its place, and SQLite nothing, so there they are kept without a name.
func (p *Parser) insertColumns() []Ident {
	mark := p.lists.idents.Mark()
	p.next()
	for p.tok.Kind != RightParen && !p.broken {
		start := p.start()
		id := p.ident("a column name")
		for part := p.dialect.Has(dialect.DollarQuotes) || p.dialect == dialect.SQLite; ; {
			if p.tok.Kind == LeftBracket {
				p.subscript(p.start(), nil)
				id = Ident{Span: p.since(start)}
			} else if p.acceptKind(Dot) {
				if id = p.partAfterDot(); part {
					id = Ident{Span: p.since(start)}
				}
			} else {
				break
			}
		}
		p.lists.idents.Push(id)
		if !p.acceptKind(Comma) {
			break
		}
	}
	p.expectKind(RightParen, ") or a comma")
	return p.lists.idents.Take(mark)
}

// conflict reads ON CONFLICT … and ON DUPLICATE KEY UPDATE ….
func (p *Parser) conflict(n *Insert) {
	if p.at(word.As) {
		_, n.RowAlias = p.alias(notTableAlias)
		if p.tok.Kind == LeftParen {
			n.RowColumns = p.identList()
		}
	}
	for p.at(word.On) {
		p.next()
		keyword := p.tok.Span
		if p.accept(word.Duplicate) {
			n.Duplicate = keyword
			p.expect(word.Key)
			p.expect(word.Update)
			n.Conflict = p.assigns()
			continue
		}
		p.expect(word.Conflict)
		n.OnConflict = keyword
		switch {
		case p.tok.Kind == LeftParen:
			if p.plainTarget() {
				n.ConflictColumns = p.identList()
			} else {
				p.skipParens()
			}
			if p.at(word.Where) {
				n.ConflictColumns = nil
				p.where()
			}
		case p.accept(word.On):
			p.expect(word.Constraint)
			p.ident("a constraint")
		}
		p.expect(word.Do)
		if p.accept(word.Nothing) {
			continue
		}
		p.expect(word.Update)
		p.expect(word.Set)
		n.Conflict = p.assigns()
		if p.at(word.Where) {
			n.Where = p.where()
		}
	}
}

// plainTarget reports whether the target of ON CONFLICT is a list of names and nothing else.
func (p *Parser) plainTarget() bool {
	for i := 1; ; i += 2 {
		if k := p.peek(i).Kind; k != WordToken && k != QuotedName {
			return false
		}
		switch p.peek(i + 1).Kind {
		case RightParen:
			return true
		case Comma:
		default:
			return false
		}
	}
}

// assigns reads target = value, ….
func (p *Parser) assigns() []*Assign {
	mark := p.lists.assigns.Mark()
	p.commaList(func() {
		start := p.start()
		if p.tok.Kind == NumberToken || p.tok.Kind == TextToken && !p.dialect.Has(dialect.TextNames) {
			p.fail("a column")
		}
		if p.at(word.Row) && p.peek(1).Kind == Equal && p.dialect == dialect.Oracle { // a record
			p.next()
			p.next()
			p.expr()
			return
		}
		target := p.postfix(start, p.primary())
		if _, call := target.(*Call); call && p.dialect == dialect.SQLServer { // .WRITE(…), .modify(…)
			return
		}
		if !p.acceptKind(Equal) && !p.acceptKind(AssignOperator) && !(p.dialect == dialect.SQLite && p.acceptKind(DoubleEqual)) {
			if op, _ := infix(p.tok.Kind, false); op != OpNone && p.peek(1).Kind == Equal {
				p.next()
				p.next()
			} else if p.tok.Kind == OtherOperator && p.scan.src[p.tok.Span.End-1] == '=' { // -= as one sign
				p.next()
			} else {
				p.fail("=")
			}
		}
		value := p.expr()
		a := p.slabs.assigns.Next()
		*a = Assign{node: p.node(start), Target: target, Value: value}
		p.lists.assigns.Push(a)
	})
	return p.lists.assigns.Take(mark)
}

// returning reads RETURNING … and OUTPUT … [INTO …].
func (p *Parser) returning() []*SelectItem {
	p.next()
	if p.at(word.With) && p.peek(1).Kind == LeftParen && p.dialect.Has(dialect.DollarQuotes) { // (OLD AS a, NEW AS b)
		start := p.start()
		p.next()
		p.skipParens()
		p.opens(p.since(start))
	}
	items := p.returned()
	if p.at(word.Bulk) && p.says(1, "collect") {
		p.next()
		p.next()
	}
	if p.accept(word.Into) {
		p.exprList()
		if p.tok.Kind == LeftParen {
			p.skipParens() // the columns of the table that takes what OUTPUT gives
		}
	}
	return items
}

// returned reads the list of RETURNING, in which Oracle may say OLD or NEW before a column.
func (p *Parser) returned() []*SelectItem {
	if p.dialect != dialect.Oracle {
		return p.selectItems()
	}
	mark := p.lists.items.Mark()
	p.commaList(func() {
		if (p.says(0, "old") || p.says(0, "new")) && p.peek(1).Kind == WordToken && stops[p.peek(1).Word()]&notOutputAlias == 0 {
			p.next()
		}
		p.lists.items.Push(p.selectItem())
	})
	return p.lists.items.Take(mark)
}

// update reads UPDATE.
//
//	update = [ with ] UPDATE tableExpr SET assignments [ from ] [ where ] [ ORDER BY … ] [ limit ] [ RETURNING items ]
func (p *Parser) update(with *With) Stmt {
	n := p.slabs.updates.New()
	start, from := p.startOf(with), p.i
	n.With = with
	p.next()
	if p.accept(word.Or) {
		p.next()
	}
	for p.atAny(word.LowPriority, word.Ignore) && p.peek(1).Word() != word.Set {
		p.next()
	}
	if p.atTop() {
		n.Limit = p.top()
	}
	target := p.start()
	if isPseudoColumn(p.word) { // which FROM reads
		p.reservedName()
	}
	n.Table = p.tableExpr()
	if p.at(word.For) && p.peek(1).Word() == word.Portion {
		p.portion()
	} else {
		n.Table = p.crossJoined(target, n.Table)
	}
	p.expect(word.Set)
	n.Set = p.assigns()
	if p.broken {
		p.resume(from)
	}
	if p.at(word.Output) {
		n.Returning = p.returning()
	}
	if p.at(word.From) {
		n.From = p.from()
	}
	n.Where, n.OrderBy = p.whereAndOrder()
	n.Limit, n.Returning = p.limitAndReturning(n.Limit, n.Returning)
	p.queryOptions()
	n.node = p.node(start)
	return n
}

// queryOptions passes over OPTION (…), which says how SQL Server is to run a statement.
func (p *Parser) queryOptions() {
	if p.accept(word.Option) {
		p.skipParens()
	}
}

// whereAndOrder reads which rows UPDATE and DELETE change, and in which order.
func (p *Parser) whereAndOrder() (w *Where, o *OrderBy) {
	if p.at(word.Where) {
		w = p.where()
	}
	if p.at(word.Order) {
		o = p.orderBy()
	}
	return w, o
}

// limitAndReturning reads LIMIT and RETURNING; without them what TOP and OUTPUT
// gave before stays.
func (p *Parser) limitAndReturning(l *Limit, r []*SelectItem) (*Limit, []*SelectItem) {
	if p.at(word.Limit) {
		l = p.limit(nil)
	}
	if p.at(word.Returning) {
		r = p.returning()
	}
	return l, r
}

// delete reads DELETE in its one-table and several-table forms.
//
//	delete = [ with ] DELETE [ targets ] FROM tables [ USING tables ] [ where ] [ ORDER BY … ] [ limit ] [ RETURNING items ]
func (p *Parser) delete(with *With) Stmt {
	n := p.slabs.deletes.New()
	start := p.startOf(with)
	n.With = with
	p.next()
	for p.atAny(word.LowPriority, word.Quick, word.Ignore) {
		p.next()
	}
	if p.atTop() {
		n.Limit = p.top()
	}
	history := p.at(word.History) && p.peek(1).Word() == word.From
	if history {
		p.next()
	}
	if p.tok.Kind == LeftParen && p.dialect == dialect.Oracle { // a query in the place of the table
		n.From = p.bareFrom()
	} else if !p.at(word.From) {
		begun := p.i
		mark := p.lists.refs.Mark()
		p.commaList(func() { p.lists.refs.Push(p.deleteTarget()) })
		n.Targets = p.lists.refs.Take(mark)
		switch {
		case p.at(word.From) || p.broken:
		case fromOptional.Has(p.dialect) && len(n.Targets) == 1:
			p.move(begun)
			n.Targets, n.From = nil, p.bareFrom()
		default:
			p.fail("FROM")
		}
	}
	if p.at(word.From) && n.From == nil {
		if p.peek(1).Kind == LeftParen && len(n.Targets) == 0 && p.dialect.Has(dialect.ExecutedComments) {
			p.next()
			p.fail("a table")
		}
		n.From = p.from()
		if len(n.Targets) == 0 && !history {
			p.portion()
		}
	}
	if p.at(word.Output) {
		n.Returning = p.returning()
		if p.at(word.From) {
			n.Using = p.from()
		}
	}
	if p.accept(word.Before) {
		p.expect(word.SystemTime)
		p.timePoint()
	}
	if p.atAny(word.Using, word.From) {
		if p.dialect.Has(dialect.ExecutedComments) && n.From != nil {
			p.noAliases(n.From)
		}
		n.Using = p.from()
	}
	n.Where, n.OrderBy = p.whereAndOrder()
	n.Limit, n.Returning = p.limitAndReturning(n.Limit, n.Returning)
	p.queryOptions()
	n.node = p.node(start)
	return n
}

// fromOptional are the dialects in which DELETE may name its table without FROM
// (Transact-SQL, "DELETE"; Oracle, "DELETE").
var fromOptional = dialect.In(dialect.ANSI, dialect.SQLServer, dialect.Oracle)

// bareFrom reads the table of a DELETE without FROM.
func (p *Parser) bareFrom() *From {
	start := p.start()
	f := p.slabs.froms.New()
	mark := p.lists.tables.Mark()
	p.lists.tables.Push(p.tableExpr())
	f.Tables = p.lists.tables.Take(mark)
	f.node = p.node(start)
	return f
}

// logged passes over LOG ERRORS [INTO table] [(tag)] [REJECT LIMIT n] of Oracle behind a write.
func (p *Parser) logged(n Stmt) Stmt {
	if p.logsErrors() {
		for !p.atEnd() {
			p.skipOne()
		}
	}
	return n
}

func (p *Parser) logsErrors() bool {
	return p.dialect == dialect.Oracle && p.says(0, "log") && p.says(1, "errors")
}

// intoNeeded are the dialects whose INSERT has INTO, or OVERWRITE, before its table.
var intoNeeded = dialect.In(dialect.Postgres, dialect.SQLite, dialect.Oracle, dialect.Spark)

// saysValue are the dialects that take VALUE for VALUES ("INSERT").
var saysValue = dialect.In(dialect.ANSI, dialect.MySQL, dialect.MariaDB)

// noAliases reports an alias among the targets of DELETE FROM … USING, which
// MySQL and MariaDB give behind USING.
func (p *Parser) noAliases(f *From) {
	for _, t := range f.Tables {
		if ref, ok := t.(*TableRef); ok && !ref.Alias.IsZero() {
			p.misplaced(ref.Alias.Span)
		}
	}
}

// deleteTarget reads t or MySQL's t.*.
func (p *Parser) deleteTarget() *TableRef {
	start := p.start()
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(p.ident("a table"))
	for p.acceptKind(Dot) {
		if p.acceptKind(Asterisk) {
			break
		}
		p.lists.idents.Push(p.partAfterDot())
	}
	t := p.slabs.tableRefs.New()
	name := p.lists.idents.Take(mark)
	*t = TableRef{node: p.node(start), Name: name}
	return t
}
