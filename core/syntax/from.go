package syntax

import (
	"slices"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
)

// from reads FROM table, table, ….
//
//	from = FROM tableExpr { "," tableExpr }
func (p *Parser) from() *From {
	start := p.start()
	p.next()
	f := p.slabs.froms.New()
	f.Tables = p.tableList()
	f.node = p.node(start)
	return f
}

func (p *Parser) tableList() []TableExpr {
	mark := p.lists.tables.Mark()
	p.lists.tables.Push(p.tableExpr())
	p.lateralViews()
	for p.acceptKind(Comma) && !p.trailingComma() {
		from := p.i
		t := p.tableExpr()
		if p.dialect == dialect.SQLite && (p.at(word.On) || p.at(word.Using) && p.peek(1).Kind == LeftParen) {
			p.lists.tables.Replace(p.conditionOf(p.lists.tables.Last(), t, from))
			continue
		}
		p.lists.tables.Push(t)
		p.lateralViews()
	}
	return p.lists.tables.Take(mark)
}

// conditionOf reads the ON or USING that SQLite lets stand behind a comma ("SELECT", "join-clause").
func (p *Parser) conditionOf(left, right TableExpr, from int) TableExpr {
	j := p.slabs.joins.New()
	j.Left, j.Right = left, right
	j.OpSpan = p.scan.tokens[from-1].Span // the comma
	p.joinCondition(j, from)
	j.node = p.node(left.Span().Start)
	return j
}

// tableExpr reads a table with the joins that follow it.
//
//	tableExpr = tablePrimary { join tablePrimary [ ON expr | USING "(" names ")" ] }
func (p *Parser) tableExpr() TableExpr {
	start := p.start()
	if !p.enter() {
		p.leave()
		return p.badTable(start)
	}
	defer p.leave()
	return p.joinsFrom(start, p.reshaped(start, p.tablePrimary()))
}

// joinsFrom reads the joins that follow a table.
func (p *Parser) joinsFrom(start text.Pos, left TableExpr) TableExpr {
	for {
		opStart, from := p.start(), p.i
		typ, natural, ok := p.joinOperator()
		if !ok {
			return left
		}
		opSpan := p.since(opStart)
		j := p.slabs.joins.New()
		j.Type, j.Natural, j.OpSpan, j.Left = typ, natural, opSpan, left
		j.Right = p.rightOperand()
		p.joinCondition(j, from)
		j.node = p.node(start)
		p.link()
		left = j
	}
}

// rightOperand reads what a join joins: a table, with the joins whose
// conditions come before this one's.
func (p *Parser) rightOperand() TableExpr {
	start := p.start()
	t := p.reshaped(start, p.tablePrimary())
	for p.nestedJoin() {
		t = p.joinInside(t)
	}
	return t
}

// nestedJoin reports whether another join begins before this one's condition,
// as in a JOIN b JOIN c ON … ON …. It looks for the second ON.
func (p *Parser) nestedJoin() bool {
	if !p.atAny(word.Join, word.Inner, word.Left, word.Right, word.Full, word.StraightJoin) {
		return false
	}
	const near = 256
	open, depth := 1, 0 // joins without a condition
	for n := range near {
		t := p.peek(n)
		switch t.Kind {
		case LeftParen:
			depth++
		case RightParen:
			if depth--; depth < 0 {
				return false
			}
		}
		if depth > 0 && t.Kind != EOF {
			continue
		}
		delta, ends := p.joinStep(t, n)
		if ends {
			return false
		}
		if open += delta; open <= 0 {
			return true
		}
	}
	return p.nestedFar()
}

// joinStep tells what a token, so far ahead, means for joins without a condition: one more or one
// less, or the end of the joins.
func (p *Parser) joinStep(t Token, ahead int) (delta int, ends bool) {
	switch t.Kind {
	case EOF, Semicolon, BatchEnd, Comma:
		return 0, true
	}
	switch t.Word() {
	case word.Join, word.StraightJoin:
		return 1, false
	case word.Cross, word.Natural, word.Where, word.Group, word.Order, word.Union, word.Set:
		return 0, true
	case word.On, word.Using:
		if next := p.peek(ahead + 1).Word(); next == word.Duplicate || next == word.Conflict { // of the INSERT
			return 0, true
		}
		return -1, false
	}
	return 0, false
}

// nestedFar is nestedJoin for a long list of joins. All of them are told at once, those in parentheses
// within them, too: a join is nested if somewhere behind it more conditions than joins have come.
func (p *Parser) nestedFar() bool {
	at := 0
	for w := p.word; at < 4 && w != word.Join && w != word.StraightJoin; w = p.peek(at).Word() {
		at++ // LEFT OUTER
	}
	if nested, known := p.farJoins[p.i+at]; known {
		return nested
	}
	if p.farJoins == nil {
		p.farJoins = map[int]bool{}
	}
	type step struct{ at, delta int }
	lists := [][]step{nil} // one for each parenthesis that is open
	settle := func() {
		last := len(lists) - 1
		least := 0 // of the sums of the steps from one on
		for _, s := range slices.Backward(lists[last]) {
			if least = s.delta + min(0, least); s.delta > 0 {
				p.farJoins[s.at] = 1+least <= 0
			}
		}
		lists[last] = lists[last][:0]
	}
	for n := 0; len(lists) > 0; n++ {
		t := p.peek(n)
		switch t.Kind {
		case LeftParen:
			lists = append(lists, nil)
			continue
		case RightParen:
			settle()
			lists = lists[:len(lists)-1]
			continue
		}
		delta, ends := p.joinStep(t, n)
		if delta != 0 {
			lists[len(lists)-1] = append(lists[len(lists)-1], step{p.i + n, delta})
		}
		if !ends {
			continue
		}
		settle()
		if len(lists) == 1 || t.Kind == EOF || t.Kind == Semicolon || t.Kind == BatchEnd {
			for ; len(lists) > 0; lists = lists[:len(lists)-1] {
				settle()
			}
		}
	}
	return p.farJoins[p.i+at]
}

// joinInside reads one join whose condition comes first.
func (p *Parser) joinInside(left TableExpr) TableExpr {
	opStart, from := p.start(), p.i
	typ, natural, ok := p.joinOperator()
	if !ok || !p.enter() {
		return left
	}
	defer p.leave()
	j := p.slabs.joins.New()
	j.Type, j.Natural, j.Left = typ, natural, left
	j.OpSpan = p.since(opStart)
	j.Right = p.rightOperand()
	p.joinCondition(j, from)
	j.node = p.node(left.Span().Start)
	return j
}

// clashes reports whether a word says of a join another kind than was said; SQLite adds them up, but
// for INNER.
func (p *Parser) clashes(kind word.Word) bool {
	if kind == word.NoWord || !p.atAny(word.Left, word.Right, word.Full, word.Inner, word.Cross) {
		return false
	}
	return p.dialect != dialect.SQLite || (kind == word.Inner) != p.at(word.Inner) && kind != word.Cross && !p.at(word.Cross)
}

// startsJoin reports whether the n-th token from here is a word that begins a join.
func (p *Parser) startsJoin(n int) bool {
	switch p.peek(n).Word() {
	case word.Natural, word.Inner, word.Left, word.Right, word.Full, word.Cross, word.Join:
		return true
	}
	return false
}

// joinOperator reads the keywords of a join and reports whether there is one.
func (p *Parser) joinOperator() (typ JoinType, natural, ok bool) {
	switch p.word {
	case word.Join, word.StraightJoin:
		p.next()
		return InnerJoin, false, true
	case word.Natural, word.Inner, word.Left, word.Right, word.Full, word.Cross, word.Semi, word.Anti, word.Outer, word.Asof:
	default:
		return 0, false, false
	}
	if p.at(word.Outer) && p.peek(1).Word() != word.Apply && !(p.dialect == dialect.SQLite && p.startsJoin(1)) {
		return 0, false, false
	}
	for first, kind := p.word, word.NoWord; ; {
		if p.word == first && p.lastWord() == first || p.clashes(kind) { // LEFT LEFT JOIN, LEFT INNER JOIN
			p.fail("JOIN")
			return typ, natural, true
		}
		if p.atAny(word.Left, word.Right, word.Full, word.Inner, word.Cross) {
			kind = p.word
		}
		switch p.word {
		case word.Natural:
			natural = true
		case word.Left:
			typ = LeftJoin
		case word.Right:
			typ = RightJoin
		case word.Full:
			typ = FullJoin
		case word.Cross:
			typ = CrossJoin
		case word.Semi:
			typ = SemiJoin
		case word.Anti:
			typ = AntiJoin
		case word.Apply:
			p.next()
			if typ == CrossJoin {
				return CrossApply, false, true
			}
			return OuterApply, false, true
		case word.Inner, word.Outer, word.Asof:
		case word.Hash, word.Loop, word.Merge, word.Remote: // how SQL Server is to join
			if p.dialect != dialect.SQLServer {
				p.fail("JOIN")
				return typ, natural, true
			}
		case word.StraightJoin:
			p.next()
			return typ, natural, true
		case word.Join:
			if first == word.Outer && kind == word.NoWord && !natural {
				p.fail("LEFT, RIGHT or FULL before OUTER")
			}
			p.next()
			return typ, natural, true
		default:
			p.fail("JOIN")
			return typ, natural, true
		}
		p.next()
	}
}

// joinCondition reads ON … or USING (…).
func (p *Parser) joinCondition(j *Join, from int) {
	switch {
	case p.at(word.On) && (p.peek(1).Word() == word.Duplicate || p.peek(1).Word() == word.Conflict):
	case p.accept(word.On):
		j.On = p.expr()
	case p.at(word.Using) && p.peek(1).Kind == LeftParen:
		p.next()
		j.Using = p.identList()
		if p.at(word.As) {
			_, j.Alias = p.alias(notTableAlias)
		}
	case !j.Natural && (j.Type == LeftJoin || j.Type == RightJoin || j.Type == FullJoin) && !p.dialect.Has(dialect.BareOuterJoin) &&
		p.tok.Kind != TemplateMark:
		p.fail("ON or USING")
	}
}

// tablePrimary reads one table, derived table, function or parenthesised join.
//
//	tablePrimary = name [ alias ] | [ LATERAL ] "(" query ")" [ alias ] | [ LATERAL ] call { … } [ alias ] | "(" tableExpr ")"
func (p *Parser) tablePrimary() TableExpr {
	start := p.start()
	lateral := p.acceptLateral()
	switch {
	case p.tok.Kind == LeftParen && p.startsQuery(1) && p.holdsQueryAlone(1):
		return p.derived(start, lateral)
	case p.tok.Kind == LeftParen && p.dialect == dialect.SQLServer && p.startsWrite(1):
		return p.writtenRows(start)
	case p.tok.Kind == LeftParen:
		p.next()
		return p.parenTable(start, p.tableExpr())
	case p.at(word.Only) && p.peek(1).Kind == LeftParen && p.peek(2).Kind != RightParen && (p.dialect == dialect.Postgres || p.dialect == dialect.Oracle):
		p.next()
		p.next()
		name := p.path("a table")
		p.expectKind(RightParen, ")")
		return p.finishTable(start, name)
	case p.tok.Kind == CastColons && p.dialect == dialect.SQLServer: // before a function of the system's
		p.next()
	default:
		p.acceptOnly()
	}
	if p.atBrace() { // {oj a LEFT JOIN b …}
		p.next()
		p.next()
		t := p.tableExpr()
		p.closeBrace()
		return t
	}
	if p.tok.Kind == Placeholder || p.tok.Kind == VariableName {
		return p.placeholderTable(start)
	}
	switch {
	case p.at(word.Values) && (p.peek(1).Kind == LeftParen || p.dialect == dialect.Spark && (p.peek(1).Kind == NumberToken || p.peek(1).Kind == TextToken)):
		return p.valuesTable(start)
	case p.at(word.Rows) && p.peek(1).Word() == word.From && p.peek(2).Kind == LeftParen:
		return p.rowsFrom(start)
	}
	if !p.atName() && !p.at(word.Values) && !(p.at(word.Table) && p.peek(1).Kind == LeftParen) {
		p.fail("a table")
		return p.badTable(start)
	}
	if p.atForm() {
		return p.funcTable(start, lateral, nil)
	}
	name := p.tablePath()
	if p.tok.Kind == LeftParen && !p.atHints() {
		return p.funcTable(start, lateral, name)
	}
	if p.dialect == dialect.Oracle && p.tok.Kind >= Equal && len(name) > 0 || p.tok.Kind == VariableName && len(name) > 0 {
		if own := name[len(name)-1]; p.remote(name) {
			f := p.slabs.funcTables.New()
			if f.As, f.Alias = p.alias(notTableAlias); f.Alias.IsZero() {
				f.Alias = own
			}
			f.node = p.node(start)
			return f
		}
	}
	p.acceptKind(Asterisk)
	return p.finishTable(start, name)
}

// tablePath reads the name of a table or of a function in FROM, TABLE (…) among
// these, and values of the database's own as DUAL and CURRENT_DATE.
func (p *Parser) tablePath() []Ident {
	function := p.dialect == dialect.SQLServer && p.peek(1).Kind == LeftParen // OPENQUERY and its like are reserved
	if !p.at(word.Table) && !function && (p.tok.Kind != WordToken || !isPseudoColumn(p.word) || p.peek(1).Kind == Dot) {
		return p.path("a table")
	}
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(p.partAfterDot())
	return p.lists.idents.Take(mark)
}

// valuesTable reads VALUES (…), (…) as a table, without parentheses round it.
func (p *Parser) valuesTable(start text.Pos) TableExpr {
	q := p.valueQuery()
	d := p.slabs.deriveds.New()
	d.Query = q
	p.derivedAlias(d)
	d.node = p.node(start)
	return d
}

// reshaped reads PIVOT, UNPIVOT and MATCH_RECOGNIZE behind a table: what comes
// out of them has columns that nothing here knows.
func (p *Parser) reshaped(start text.Pos, t TableExpr) TableExpr {
	for p.atAny(word.Pivot, word.Unpivot, word.MatchRecognize) && !p.broken {
		p.next()
		for p.atAny(word.Include, word.Exclude, word.Nulls, word.Xml) {
			p.next()
		}
		p.skipParens()
		f := p.slabs.funcTables.New()
		f.As, f.Alias = p.alias(notTableAlias)
		f.node = p.node(start)
		t = f
	}
	return t
}

// crossJoined reads the rest of a list of tables where MySQL takes a list for a
// cross join: in parentheses, and behind UPDATE.
func (p *Parser) crossJoined(start text.Pos, t TableExpr) TableExpr {
	for p.acceptKind(Comma) {
		right := p.tableExpr()
		j := p.slabs.joins.Next()
		*j = Join{node: p.node(start), Type: CrossJoin, Left: t, Right: right}
		t = j
	}
	return t
}

// parenTable reads the rest of tables in parentheses, the first being read.
func (p *Parser) parenTable(start text.Pos, t TableExpr) TableExpr {
	t = p.crossJoined(t.Span().Start, t)
	p.expectKind(RightParen, ")")
	n := p.slabs.parenTables.New()
	_, alias := p.alias(notTableAlias)
	if !alias.IsZero() && p.tok.Kind == LeftParen {
		p.identList()
	}
	*n = ParenTable{node: p.node(start), Table: t, Alias: alias}
	return n
}

// derivedAlias reads [AS] alias [(columns)] of a derived table.
func (p *Parser) derivedAlias(d *Derived) {
	d.As, d.Alias = p.alias(notTableAlias)
	if !d.Alias.IsZero() && p.tok.Kind == LeftParen {
		d.Columns = p.identList()
	}
}

// parenTableFrom goes on with ((SELECT …) AS t JOIN …), of which the query in
// its inner parentheses is read: those made it a derived table.
func (p *Parser) parenTableFrom(start text.Pos, d *Derived, inner *ParenQuery) TableExpr {
	first := inner.span.Start
	d.Query = inner.Query
	p.derivedAlias(d)
	d.node = p.node(first)
	return p.parenTable(start, p.joinsFrom(first, d))
}

func (p *Parser) placeholderTable(start text.Pos) TableExpr {
	mark := p.lists.idents.Mark()
	p.lists.idents.Push(Ident{Span: p.tok.Span, Sym: p.tok.Sym})
	p.next()
	if p.tok.Kind == Dot && p.peek(2).Kind == LeftParen { // @x.nodes(…)
		p.next()
		p.lists.idents.Push(p.partAfterDot())
		return p.funcTable(start, false, p.lists.idents.Take(mark))
	}
	return p.finishTable(start, p.lists.idents.Take(mark))
}

// finishTable reads what may follow a table's name.
func (p *Parser) finishTable(start text.Pos, name []Ident) *TableRef {
	t := p.slabs.tableRefs.New()
	t.Name = name
	p.tableSuffix(t)
	if p.tok.Kind == Equal && p.dialect == dialect.MariaDB && p.peek(1).Kind == WordToken {
		p.next() // which says AS there
	}
	t.As, t.Alias = p.alias(notTableAlias)
	if !t.Alias.IsZero() && p.tok.Kind == LeftParen && p.peek(1).Kind != NumberToken && !p.atHints() {
		t.Columns = p.identList()
	}
	p.tableSuffix(t)
	t.node = p.node(start)
	return t
}

// tableSuffix passes over sampling, hints, partitions and time travel.
func (p *Parser) tableSuffix(t *TableRef) {
	if p.atHints() {
		p.skipParens()
	}
	for p.word != word.NoWord {
		switch {
		case p.at(word.Indexed) && p.peek(1).Word() == word.By:
			p.next()
			p.next()
			p.ident("an index")
		case p.at(word.Not) && p.peek(1).Word() == word.Indexed:
			p.next()
			p.next()
		case p.at(word.As) && p.peek(1).Word() == word.Of:
			p.next()
			p.next()
			p.periodOf()
			p.next() // TIMESTAMP or SCN
			p.exprAbove(p.power[dialect.BetweenTest])
		case p.atAny(word.Version, word.Timestamp) && p.peek(1).Word() == word.As && p.peek(2).Word() == word.Of:
			p.next()
			p.next()
			p.next()
			p.exprAbove(p.power[dialect.BetweenTest])
		case p.at(word.Versions) && (p.peek(1).Word() == word.Between || p.peek(1).Word() == word.Period):
			p.next()
			if p.periodOf() {
				p.next()
				p.expect(word.Between)
			} else {
				p.next()
				p.next() // SCN or TIMESTAMP
			}
			p.versionBound()
			p.expect(word.And)
			p.versionBound()
			t.History = true
		case p.at(word.Sample) && (p.peek(1).Kind == LeftParen || p.peek(2).Kind == LeftParen):
			for p.tok.Kind != LeftParen {
				p.next()
			}
			p.skipParens()
			if p.says(0, "seed") && p.peek(1).Kind == LeftParen {
				p.next()
				p.skipParens()
			}
		case (p.atAny(word.Tablesample, word.Partition) || p.says(0, "subpartition")) && (p.peek(1).Kind == LeftParen || p.peek(2).Kind == LeftParen):
			p.next()
			if p.tok.Kind != LeftParen {
				p.next()
			}
			p.skipParens()
			if p.accept(word.Repeatable) {
				p.skipParens()
			}
		case p.at(word.With) && p.peek(1).Kind == LeftParen:
			p.next()
			p.skipParens()
		case p.atAny(word.Use, word.Force, word.Ignore) && (p.peek(1).Word() == word.Index || p.peek(1).Word() == word.Key):
			for !p.atEnd() && p.tok.Kind != LeftParen {
				p.next()
			}
			p.skipParens()
		case p.at(word.For) && p.peek(1).Word() == word.SystemTime:
			p.timeTravel(t)
			t.History = true
		case p.at(word.For) && p.dialect == dialect.SQLServer && p.says(1, "path"): // of a graph
			p.next()
			p.next()
		case p.at(word.Partition) && p.peek(1).Word() == word.By && p.dialect == dialect.Oracle: // of a partitioned outer join
			p.next()
			p.next()
			p.skipParens()
		default:
			return
		}
	}
}

// versionBound reads an end of VERSIONS BETWEEN … AND ….
func (p *Parser) versionBound() {
	if p.atAny(word.Minvalue, word.Maxvalue) {
		p.next()
		return
	}
	p.exprAbove(p.power[dialect.BetweenTest])
}

// atHints reports whether hints for a table stand here in parentheses without WITH, as SQL Server still
// takes them (Transact-SQL, "Table hints").
func (p *Parser) atHints() bool {
	if p.tok.Kind != LeftParen || p.dialect != dialect.SQLServer {
		return false
	}
	if p.peek(1).Word() == word.Index {
		return true
	}
	switch p.scan.names.String(p.peek(1).Sym) {
	case "nolock", "readuncommitted", "updlock", "holdlock", "readpast", "rowlock", "tablock", "tablockx", "xlock", "paglock", "serializable",
		"readcommitted", "readcommittedlock", "repeatableread", "noexpand", "forceseek", "forcescan", "nowait", "snapshot", "fastfirstrow":
		return p.peek(2).Kind == RightParen || p.peek(2).Kind == Comma
	}
	return false
}

// portion reads FOR PORTION OF period FROM … TO …, which only a write of one
// table takes.
func (p *Parser) portion() {
	if !p.at(word.For) || p.peek(1).Word() != word.Portion {
		return
	}
	p.next()
	p.next()
	p.expect(word.Of)
	if p.at(word.SystemTime) {
		p.fail("a period of the table's own")
	}
	p.ident("a period")
	p.expect(word.From)
	p.timePoint()
	p.expect(word.To)
	p.timePoint()
}

// periodOf passes over PERIOD FOR before the name of a period of Oracle.
func (p *Parser) periodOf() bool {
	if !p.at(word.Period) || p.peek(1).Word() != word.For {
		return false
	}
	p.next()
	p.next()
	return true
}

// timeTravel reads FOR SYSTEM_TIME ….
func (p *Parser) timeTravel(t *TableRef) {
	p.next()
	p.next()
	switch {
	case p.accept(word.All):
	case p.accept(word.As):
		p.expect(word.Of)
		t.ByTransaction = p.at(word.Transaction)
		t.Times = []Expr{p.timePoint()}
	case p.atAny(word.From, word.Between):
		p.next()
		from := p.timePoint()
		if !p.accept(word.To) {
			p.expect(word.And)
		}
		t.Times = []Expr{from, p.timePoint()}
	case p.at(word.Contained):
		for !p.atEnd() && p.tok.Kind != LeftParen {
			p.next()
		}
		p.skipParens()
	}
}

// timePoint reads [TRANSACTION | TIMESTAMP] expression.
func (p *Parser) timePoint() Expr {
	if p.at(word.Transaction) || p.at(word.Timestamp) && p.peek(1).Kind != TextToken && p.peek(1).Kind != LeftParen {
		p.next()
	}
	return p.exprAbove(p.power[dialect.BetweenTest])
}

// derived reads (query) [AS] alias [(columns)].
func (p *Parser) derived(start text.Pos, lateral bool) TableExpr {
	p.next()
	d := p.slabs.deriveds.New()
	d.Lateral = lateral
	d.Query = p.query()
	if inner := onlyParens(d.Query); inner != nil && p.tok.Kind != RightParen && !p.broken {
		return p.parenTableFrom(start, d, inner)
	}
	p.expectKind(RightParen, ")")
	if p.at(word.For) && p.peek(1).Word() == word.SystemTime {
		p.timeTravel(&TableRef{}) // of what lies in the derived table
	}
	p.derivedAlias(d)
	d.node = p.node(start)
	return d
}

func (p *Parser) badTable(start text.Pos) TableExpr {
	n := p.slabs.badTables.New()
	n.node = p.node(start)
	return n
}

// tableName reads a table's name without an alias.
func (p *Parser) tableName() *TableRef {
	start := p.start()
	p.acceptOnly()
	name := p.path("a table")
	p.acceptKind(Asterisk)
	t := p.slabs.tableRefs.Next()
	*t = TableRef{node: p.node(start), Name: name}
	return t
}
