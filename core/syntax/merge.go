package syntax

import "justlens/core/dialect/word"

// merge reads MERGE.
//
//	merge = MERGE [INTO] table USING table ON condition { WHEN [NOT] MATCHED … THEN action }
func (p *Parser) merge(with *With) Stmt {
	m := p.slabs.merges.New()
	start := p.startOf(with)
	m.With = with
	p.next()
	if p.atTop() {
		p.top()
	}
	if p.at(word.With) && p.peek(1).Word() == word.Schema { // WITH SCHEMA EVOLUTION, of Spark
		p.next()
		p.next()
		p.next()
	}
	p.accept(word.Into)
	p.acceptOnly()
	target := p.start()
	m.Target = p.finishTable(target, p.path("a table"))
	p.expect(word.Using)
	m.Source = p.tableExpr()
	p.expect(word.On)
	m.On = p.expr()
	mark := p.lists.branches.Mark()
	for p.at(word.When) {
		p.lists.branches.Push(p.mergeBranch())
	}
	m.Branches = p.lists.branches.Take(mark)
	if len(m.Branches) == 0 {
		p.fail("WHEN MATCHED or WHEN NOT MATCHED")
	}
	if p.atAny(word.Output, word.Returning) {
		m.Returning = p.returning()
	}
	if p.at(word.Log) { // Oracle's LOG ERRORS …
		p.skipToEnd()
	}
	p.queryOptions()
	m.node = p.node(start)
	return m
}

// mergeBranch reads WHEN [NOT] MATCHED [BY …] [AND condition] THEN action.
func (p *Parser) mergeBranch() *MergeBranch {
	start := p.start()
	b := p.slabs.mergeBranchs.New()
	p.next()
	b.Matched = !p.accept(word.Not)
	p.expect(word.Matched)
	if p.accept(word.By) {
		if b.BySource = p.accept(word.Source); !b.BySource {
			p.expect(word.Target)
		}
	}
	if p.accept(word.And) {
		b.Cond = p.expr()
	}
	p.expect(word.Then)
	switch {
	case p.accept(word.Update):
		p.expect(word.Set)
		if !p.acceptKind(Asterisk) {
			b.Set = p.assigns()
		}
	case p.accept(word.Delete):
		b.Delete = true
	case p.accept(word.Insert):
		p.mergeInsert(b)
	case p.accept(word.Do):
		p.expect(word.Nothing)
	default:
		p.fail("UPDATE, INSERT or DELETE")
	}
	if p.at(word.Where) {
		b.Cond = p.where().Cond
	}
	if p.at(word.Delete) && p.peek(1).Word() == word.Where { // Oracle's second step of UPDATE
		p.next()
		p.where()
	}
	b.node = p.node(start)
	return b
}

// mergeInsert reads [(columns)] VALUES (…), DEFAULT VALUES, or Spark's *.
func (p *Parser) mergeInsert(b *MergeBranch) {
	if p.acceptKind(Asterisk) {
		return
	}
	if p.tok.Kind == LeftParen {
		b.Columns = p.insertColumns()
	}
	for p.atAny(word.Overriding, word.System, word.User, word.Value) {
		p.next()
	}
	if p.accept(word.Default) {
		p.expect(word.Values)
		return
	}
	p.expect(word.Values)
	start := p.start()
	p.expectKind(LeftParen, "(")
	items := p.strictList()
	p.expectKind(RightParen, ") or a comma")
	b.Values = p.slabs.rows.New()
	*b.Values = Row{node: p.node(start), Items: items}
}
