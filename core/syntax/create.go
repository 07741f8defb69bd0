package syntax

import (
	"justlens/core/dialect"
	"justlens/core/dialect/word"
)

// create reads CREATE TABLE, VIEW and INDEX, and passes over the rest.
func (p *Parser) create() Stmt {
	n := 1
	for {
		switch p.peek(n).Word() {
		case word.Or, word.Replace, word.Alter, word.Temporary, word.Temp, word.Global, word.Local, word.Unlogged, word.Unique,
			word.Fulltext, word.Spatial, word.Vector, word.Bitmap, word.Clustered, word.Nonclustered, word.Force, word.Recursive, word.Private:
			n++
			continue
		case word.Table:
			return p.createTable()
		case word.View:
			return p.createView()
		case word.Virtual, word.Foreign, word.External:
			if p.peek(n+1).Word() == word.Table {
				return p.createTable() // that of VIRTUAL has columns that its module knows
			}
		case word.Materialized:
			if p.peek(n+1).Word() == word.View && p.peek(n+2).Word() != word.Log {
				return p.createView()
			}
		case word.Index:
			return p.createIndex()
		case word.Definer, word.Aggregate, word.Editionable, word.Noneditionable:
			return p.createDefined(n)
		case word.Function, word.Procedure, word.Proc, word.Trigger, word.Event, word.Package, word.Constraint:
			if p.dialect == dialect.SQLServer && p.peek(n).Word() == word.Event { // a session or notification
				return p.other()
			}
			return p.routine()
		case word.Rule:
			return p.rule()
		case word.Type, word.Domain:
			if p.isPL() && p.peek(n+1).Word() == word.Body {
				return p.routine()
			}
			return p.createType()
		case word.Algorithm, word.Sql:
			return p.createDefined(n)
		}
		if p.createsJava(n) {
			return p.passBatch()
		}
		return p.other()
	}
}

// createsJava reports whether the n-th token from here is that which makes CREATE one of a
// source in Java (Oracle), whose semicolons end no statement.
func (p *Parser) createsJava(n int) bool {
	if !p.isPL() {
		return false
	}
	if p.peek(n).Word() == word.And { // COMPILE or RESOLVE
		n += 2
	}
	return p.says(n, "java")
}

// ifNotExists reads IF NOT EXISTS.
func (p *Parser) ifNotExists() bool {
	if !p.at(word.If) || p.isNameIf() {
		return false
	}
	p.next()
	p.expect(word.Not)
	p.expect(word.Exists)
	return true
}

func (p *Parser) createTable() Stmt {
	start := p.start()
	n := p.slabs.createTables.New()
	for !p.at(word.Table) {
		n.Temporary = n.Temporary || p.atAny(word.Temporary, word.Temp)
		p.next()
	}
	p.next()
	n.IfNotExists = p.ifNotExists()
	n.Name = p.path("a name for the table")
	if p.at(word.Partition) && p.peek(1).Word() == word.Of {
		p.next()
		p.next()
		n.PartitionOf = p.path("a table")
	}
	if p.tok.Kind == LeftParen && !p.startsQuery(1) {
		p.next()
		p.tableElements(n)
		p.expectKind(RightParen, ") or a comma")
	}
	if p.accept(word.Like) {
		n.Like = p.path("a table")
	}
	// Options of many kinds; only a query among them matters.
	for !p.atEnd() && !p.startsAnother() && (!p.goesOn() || p.lastWord() == word.As) {
		if p.startsQuery(0) && !p.says(1, "serdeproperties") {
			n.Query = p.query()
			continue
		}
		if p.at(word.Inherits) && p.peek(1).Kind == LeftParen {
			p.parents(n)
			continue
		}
		p.skipOne()
	}
	n.node = p.node(start)
	return n
}

// parents reads the tables behind INHERITS.
func (p *Parser) parents(n *CreateTable) {
	n.Inherits = true
	p.next()
	p.next()
	for {
		n.Parents = append(n.Parents, p.path("a table"))
		if !p.acceptKind(Comma) {
			break
		}
	}
	p.expectKind(RightParen, ") or a comma")
}

func (p *Parser) tableElements(n *CreateTable) {
	columns, constraints := p.lists.columns.Mark(), p.lists.constraints.Mark()
	for p.tok.Kind != RightParen && !p.broken {
		switch {
		case p.startsConstraint():
			p.lists.constraints.Push(p.constraint())
			p.skipElement()
		case p.at(word.Like):
			p.next()
			n.Like = p.path("a table")
			for p.atAny(word.Including, word.Excluding) {
				if including := p.at(word.Including); including {
					p.next()
					n.Including = append(n.Including, Ident{Span: p.tok.Span, Sym: p.tok.Sym})
				} else {
					p.next()
				}
				p.next()
			}
			p.skipElement()
		default:
			p.lists.columns.Push(p.columnDef(true))
		}
		if !p.acceptKind(Comma) || p.dialect == dialect.SQLServer && p.tok.Kind == RightParen || !p.startsColumn() && p.trailingComma() {
			break // SQL Server takes a comma behind the last element
		}
	}
	n.Columns, n.Constraints = p.lists.columns.Take(columns), p.lists.constraints.Take(constraints)
}

// skipElement passes over the options at the end of an element of a table.
func (p *Parser) skipElement() {
	for p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() {
		p.skipOne()
	}
}

// startsConstraint reports whether a table constraint, and no column, begins here.
func (p *Parser) startsConstraint() bool {
	next := p.peek(1)
	switch p.word {
	case word.Constraint, word.Foreign:
		return next.Kind != Comma
	case word.Exclude:
		return next.Kind == LeftParen || next.Word() == word.Using
	case word.Fulltext, word.Spatial, word.Vector:
		return next.Word() == word.Key || next.Word() == word.Index || p.startsKey()
	case word.Primary:
		return next.Word() == word.Key
	case word.Check:
		return next.Kind == LeftParen
	case word.Unique:
		return next.Kind == LeftParen || next.Word() == word.Key || next.Word() == word.Index || next.Word() == word.Using ||
			p.peek(2).Kind == LeftParen || p.peek(2).Word() == word.Using
	case word.Index, word.Key:
		return p.startsKey() || p.dialect == dialect.SQLServer && (p.peek(2).Word() == word.Clustered || p.peek(2).Word() == word.Nonclustered || p.peek(2).Word() == word.Unique)
	case word.Period:
		return next.Word() == word.For
	}
	return false
}

// startsKey reports whether KEY or INDEX begins a key: its columns or its method follow, with
// or without a name before them, and not the length of a type, as in key varchar(10).
func (p *Parser) startsKey() bool {
	switch next, second := p.peek(1), p.peek(2); {
	case next.Kind == LeftParen, next.Word() == word.Using, second.Word() == word.Using:
		return true
	case next.Word() == word.If:
		return second.Word() == word.Not
	default:
		length := p.peek(3).Kind
		return second.Kind == LeftParen && length != NumberToken && length != TextToken
	}
}

// startsColumn reports whether a name and a type follow, whatever else the name may mean.
func (p *Parser) startsColumn() bool {
	return p.tok.Kind == WordToken && stops[p.word]&notName == 0 && p.peek(1).Kind == WordToken
}

func (p *Parser) columnDef(within bool) *ColumnDef {
	start := p.start()
	c := p.slabs.columnDefs.New()
	c.Name = p.ident("a column name")
	if (p.tok.Kind == WordToken || p.tok.Kind == QuotedName) && !p.startsColumnConstraint() && !p.at(word.With) {
		c.Type = p.typeName()
	}
	mark := p.lists.constraints.Mark()
	for p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() && !p.startsPosition() && (within || !p.atNext()) {
		if p.at(word.Not) && p.peek(1).Word() == word.Null {
			p.next()
			p.next()
			c.NotNull = !p.takesNull()
			continue
		}
		if p.at(word.Key) && p.dialect.Has(dialect.ExecutedComments) { // PRIMARY may be left out
			key, begins := p.slabs.constraints.New(), p.start()
			p.next()
			key.Type, key.node = PrimaryKey, p.node(begins)
			p.lists.constraints.Push(key)
			continue
		}
		if p.startsColumnConstraint() {
			begun := p.i
			p.lists.constraints.Push(p.constraint())
			for ; begun < p.i; begun++ {
				c.Hidden = c.Hidden || p.hides(begun)
			}
			continue
		}
		c.Hidden = c.Hidden || p.hides(p.i)
		if p.peek(1).Word() == word.Default && (p.atAny(word.Storage, word.Compression) || p.says(0, "column_format")) {
			p.next() // it stands for no value
		}
		if p.tok.Kind == TemplateMark && c.Type != nil { // of options, or more columns
			p.opens(p.since(start))
		}
		p.skipOne()
	}
	c.Constraints = p.lists.constraints.Take(mark)
	c.node = p.node(start)
	return c
}

// hides reports whether the i-th token, behind the name of a column, hides it from SELECT * and from INSERT without a list, or
// says that the database fills it: INVISIBLE, HIDDEN, AS ROW START.
func (p *Parser) hides(i int) bool {
	t := p.scan.tokens[i]
	if t.Kind != WordToken {
		return false
	}
	switch t.Word() {
	case word.Invisible:
		return true
	case word.Row:
		return p.scan.tokens[i-1].Word() == word.As
	case word.NoWord:
		return p.dialect == dialect.SQLServer && p.scan.names.String(t.Sym) == "hidden"
	}
	return false
}

// takesNull reports whether SQLite's NOT NULL goes on with what it does with NULL in the place of
// refusing it ("ON CONFLICT").
func (p *Parser) takesNull() bool {
	instead := p.peek(2).Word()
	return p.dialect == dialect.SQLite && p.at(word.On) && p.peek(1).Word() == word.Conflict && (instead == word.Replace || instead == word.Ignore)
}

// positioned are the dialects whose ALTER TABLE says where a column is to stand.
var positioned = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark)

// startsPosition reports whether FIRST or AFTER begins here.
func (p *Parser) startsPosition() bool {
	return p.atAny(word.First, word.After) && positioned.Has(p.dialect)
}

func (p *Parser) startsColumnConstraint() bool {
	switch p.word {
	case word.Constraint, word.Primary, word.Unique, word.References, word.Check, word.Default, word.Generated, word.As,
		word.Not, word.Null, word.Identity, word.AutoIncrement, word.Autoincrement, word.Collate, word.Comment, word.On:
		return !p.at(word.Not) || p.peek(1).Word() == word.Null
	}
	return false
}

// constraint reads a constraint of a column or a table; what it does not
// know ends at the next comma or parenthesis.
func (p *Parser) constraint() *Constraint {
	start := p.start()
	c := p.slabs.constraints.New()
	if p.accept(word.Constraint) && !p.atAny(word.Primary, word.Unique, word.Foreign, word.Check, word.References) {
		c.Name = p.ident("a name for the constraint")
		if p.dialect == dialect.SQLite && (p.tok.Kind == Comma || p.tok.Kind == RightParen) { // the name of nothing
			c.Type, c.node = OtherConstraint, p.node(start)
			return c
		}
	}
	switch {
	case p.accept(word.Primary):
		p.expect(word.Key)
		c.Type = PrimaryKey
		p.keyColumns(c)
	case p.accept(word.Unique):
		c.Type = UniqueKey
		p.keyColumns(c)
	case p.accept(word.Foreign):
		p.expect(word.Key)
		c.Type = ForeignKey
		p.keyColumns(c)
		p.references(c)
	case p.at(word.References):
		c.Type = ForeignKey
		p.references(c)
	case p.accept(word.Check):
		c.Type = CheckKey
		p.expectKind(LeftParen, "( after CHECK")
		c.X = p.expr()
		p.expectKind(RightParen, ")")
		c.Kept = p.isUnchecked()
	case p.accept(word.Default):
		c.Type = DefaultValue
		if p.at(word.On) && p.peek(1).Word() == word.Null { // Oracle's ON NULL
			p.next()
			p.next()
			for p.atAny(word.For, word.Insert, word.And, word.Update, word.Only) {
				p.next()
			}
		}
		c.X = p.exprAbove(p.power[dialect.Not])
	case p.atAny(word.Index, word.Key, word.Fulltext, word.Spatial, word.Vector):
		c.Type, c.Kept = IndexKey, p.atAny(word.Fulltext, word.Spatial, word.Vector)
		p.next()
		p.keyColumns(c)
	case p.at(word.Null):
		c.Type = NullAllowed
		p.next()
	case p.at(word.Collate):
		c.Type = ColumnCollation
		p.next()
		c.Table = p.collation()
	case p.at(word.Comment) && p.peek(1).Kind == TextToken:
		c.Type = ColumnComment
		p.next()
		textStart := p.start()
		p.next()
		c.X = p.literal(textStart, TextLiteral)
	case p.atAny(word.AutoIncrement, word.Autoincrement, word.Identity):
		c.Type, c.Kept = IdentityValue, p.at(word.Identity)
		p.next()
		if p.tok.Kind == LeftParen {
			p.skipParens()
		}
	case p.atAny(word.Generated, word.As):
		p.generated(c)
	default:
		c.Type = OtherConstraint
		p.skipConstraint()
	}
	c.node = p.node(start)
	return c
}

// isUnchecked reports whether rows need not meet the condition of CHECK that ends here: it is NOT
// ENFORCED, or NOT VALID for those of before, or Oracle's DISABLE.
func (p *Parser) isUnchecked() bool {
	const far = 5 // as in NO INHERIT NOT VALID
	for n := range far {
		switch t := p.peek(n); {
		case t.Kind != WordToken:
			return false
		case t.Word() == word.Not:
			return p.peek(n+1).Word() == word.Valid || p.says(n+1, "enforced")
		case t.Word() == word.Disable, p.says(n, "novalidate"):
			return true
		}
	}
	return false
}

// generated reads GENERATED ALWAYS AS (x) STORED, GENERATED … AS IDENTITY, and
// AS (x).
func (p *Parser) generated(c *Constraint) {
	c.Type = OtherConstraint
	always := true
	for p.atAny(word.Generated, word.Always, word.By, word.Default, word.On, word.Null) {
		always = always && !p.at(word.By)
		p.next()
	}
	p.expect(word.As)
	switch {
	case p.at(word.Identity):
		c.Type, c.Kept = IdentityValue, always
		p.next()
		if p.tok.Kind == LeftParen {
			p.skipParens()
		}
	case p.tok.Kind == LeftParen:
		p.next()
		c.Type, c.X = GeneratedAs, p.expr()
		p.expectKind(RightParen, ")")
		if c.Kept = p.atAny(word.Stored, word.Persisted, word.Persistent); c.Kept || p.at(word.Virtual) {
			p.next()
		}
	default:
		p.skipConstraint() // AS ROW START
	}
}

// skipConstraint passes over what nothing needs to know.
func (p *Parser) skipConstraint() {
	p.next()
	for p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() {
		if p.startsColumnConstraint() && !p.at(word.As) {
			return
		}
		p.skipOne()
	}
}

// keyColumns reads the optional name, method and column list of a key.
func (p *Parser) keyColumns(c *Constraint) {
	for p.atAny(word.Key, word.Index, word.Clustered, word.Nonclustered) {
		p.next()
	}
	if p.at(word.Nulls) && (p.peek(1).Word() == word.Not || p.peek(1).Word() == word.Distinct) { // of PostgreSQL
		p.next()
		p.accept(word.Not)
		p.accept(word.Distinct)
	}
	p.ifNotExists()
	if (p.tok.Kind == WordToken && (p.peek(1).Kind == LeftParen || p.peek(1).Word() == word.Using) && !p.atAny(word.Using, word.With) ||
		p.tok.Kind == QuotedName) && !p.startsColumnConstraint() {
		name := p.ident("a name for the key")
		if c.Type != ForeignKey || c.Name.IsZero() { // CONSTRAINT names a foreign key and its index
			c.Name = name
		}
	}
	if p.accept(word.Using) {
		p.next()
	}
	if p.tok.Kind == LeftParen {
		p.next()
		mark := p.lists.orders.Mark()
		p.commaList(func() {
			period := p.acceptPeriod()
			item := p.keyItem()
			if p.accept(word.Without) {
				p.expect(word.Overlaps)
				period = true
			}
			if period {
				c.Type = OtherConstraint // the other columns alone may repeat
				return
			}
			p.lists.orders.Push(item)
		})
		c.Columns = p.lists.orders.Take(mark)
		if p.dialect == dialect.SQLite {
			p.accept(word.Autoincrement)
		}
		p.expectKind(RightParen, ") or a comma")
	}
}

// acceptPeriod passes over PERIOD before a span of time in a foreign key (PostgreSQL, "CREATE TABLE").
func (p *Parser) acceptPeriod() bool {
	return p.at(word.Period) && p.peek(1).Kind == WordToken && p.accept(word.Period)
}

// byBeginnings are the dialects whose keys may hold the first letters of a text only.
var byBeginnings = dialect.In(dialect.ANSI, dialect.MySQL, dialect.MariaDB)

// keyItem reads a column of a key or an index, or an expression. The length of the beginning
// that MySQL indexes, as in name(10), is passed over.
func (p *Parser) keyItem() *OrderItem {
	if (p.tok.Kind != WordToken && p.tok.Kind != QuotedName) || p.peek(1).Kind != LeftParen || p.peek(2).Kind != NumberToken || p.peek(3).Kind != RightParen ||
		!byBeginnings.Has(p.dialect) {
		return p.orderItem()
	}
	start := p.start()
	n := p.slabs.orderItems.New()
	n.X = p.bareName(start)
	p.skipParens()
	if n.Desc = p.at(word.Desc); n.Desc || p.at(word.Asc) {
		p.next()
	}
	n.node = p.node(start)
	return n
}

func (p *Parser) references(c *Constraint) {
	p.expect(word.References)
	c.Table = p.path("a table")
	if p.tok.Kind == LeftParen {
		p.next()
		mark := p.lists.idents.Mark()
		p.commaList(func() {
			p.acceptPeriod()
			p.lists.idents.Push(p.ident("a column name"))
		})
		c.References = p.lists.idents.Take(mark)
		p.expectKind(RightParen, ") or a comma")
	}
	for p.atAny(word.On, word.Match, word.Deferrable, word.Initially) || p.at(word.Not) && p.peek(1).Word() == word.Deferrable {
		switch {
		case p.accept(word.On):
			action := &c.OnUpdate
			if p.at(word.Delete) {
				action = &c.OnDelete
			}
			p.next()
			start := p.start()
			if p.atAny(word.Set, word.No) {
				p.next()
			}
			p.next()
			*action = p.since(start)
			if p.tok.Kind == LeftParen { // SET NULL (column)
				p.skipParens()
			}
		case p.accept(word.Not):
		default:
			p.next()
			if p.atAny(word.Full, word.Partial, word.Simple, word.Deferred, word.Immediate) {
				p.next()
			}
		}
	}
}

func (p *Parser) createView() Stmt {
	start, first := p.start(), p.i
	n := p.slabs.createViews.New()
	for !p.at(word.View) {
		p.next()
	}
	p.next()
	p.ifNotExists()
	n.Name = p.path("a name for the view")
	if p.tok.Kind == LeftParen {
		n.Columns = p.viewColumns()
	}
	if p.at(word.Using) && p.dialect == dialect.Spark { // a view of a file
		return p.passRest(first)
	}
	for !p.at(word.As) && !p.atEnd() {
		p.skipOne()
	}
	p.expect(word.As)
	if p.dialect == dialect.Spark && !p.atEnd() && p.scan.src[p.tok.Span.Start] == '$' { // of metrics, in another language
		return p.passRest(first)
	}
	n.Query = p.query()
	if p.at(word.With) {
		for !p.atEnd() {
			p.next()
		}
	}
	n.node = p.node(start)
	return n
}

// viewColumns reads the columns of a view, behind which Spark has comments and Oracle
// constraints.
func (p *Parser) viewColumns() []Ident {
	if p.dialect != dialect.Spark && p.dialect != dialect.Oracle {
		return p.identList()
	}
	p.next()
	mark := p.lists.idents.Mark()
	p.commaList(func() {
		p.lists.idents.Push(p.ident("a column name"))
		for p.tok.Kind != Comma && p.tok.Kind != RightParen && !p.atEnd() {
			p.skipOne()
		}
	})
	p.expectKind(RightParen, ") or a comma")
	return p.lists.idents.Take(mark)
}

func (p *Parser) createIndex() Stmt {
	start, first := p.start(), p.i
	n := p.slabs.createIndexs.New()
	for !p.at(word.Index) {
		n.Unique = n.Unique || p.at(word.Unique)
		n.Special = n.Special || p.atAny(word.Fulltext, word.Spatial, word.Vector)
		p.next()
	}
	p.next()
	if p.at(word.Concurrently) && (p.dialect == dialect.Postgres || p.peek(1).Word() != word.On) {
		p.next()
	}
	n.IfNotExists = p.ifNotExists()
	if !p.at(word.On) {
		n.Name = p.path("a name for the index")
	}
	if p.accept(word.Using) {
		n.Method = p.ident("an index method")
	}
	p.expect(word.On)
	p.acceptOnly()
	if p.at(word.Cluster) && p.dialect == dialect.Oracle {
		return p.passRest(first)
	}
	n.Table = p.path("a table")
	if p.accept(word.Using) {
		n.Method = p.ident("an index method")
	}
	p.expectKind(LeftParen, "( before the columns of the index")
	mark := p.lists.orders.Mark()
	p.commaList(func() {
		item := p.keyItem()
		for p.tok.Kind == WordToken || p.tok.Kind == NumberToken && p.lastWord() == word.Language || p.tok.Kind == QuotedName && p.dialect.Has(dialect.DollarQuotes) { // an operator class
			p.next()
			for p.acceptKind(Dot) {
				p.partAfterDot()
			}
			if p.tok.Kind == LeftParen {
				p.skipParens() // with its parameters
			}
		}
		p.lists.orders.Push(item)
	})
	n.Items = p.lists.orders.Take(mark)
	p.expectKind(RightParen, ") or a comma")
	if p.at(word.From) && p.dialect == dialect.Oracle { // of the rows of several tables
		return p.passRest(first)
	}
	for !p.atEnd() && !p.atNext() {
		if p.at(word.Where) {
			n.Where = p.where()
			continue
		}
		p.skipOne()
	}
	n.node = p.node(start)
	return n
}

// createDefined looks past DEFINER = …, ALGORITHM = … and the like for what is
// created.
func (p *Parser) createDefined(n int) Stmt {
	for ; ; n++ {
		switch t := p.peek(n); t.Word() {
		case word.View:
			return p.createView()
		case word.Function, word.Procedure, word.Trigger, word.Event, word.Package:
			return p.routine()
		default:
			if t.Kind == EOF || t.Kind == Semicolon {
				return p.other()
			}
		}
	}
}

// rule passes over CREATE RULE, whose actions in parentheses are separated by
// semicolons.
func (p *Parser) rule() Stmt {
	keyword := p.tok.Span
	depth := 0
	for p.tok.Kind != EOF && p.tok.Kind != BatchEnd && (p.tok.Kind != Semicolon || depth > 0) {
		switch p.tok.Kind {
		case LeftParen:
			depth++
		case RightParen:
			depth--
		}
		p.next()
	}
	return p.passed(keyword)
}
