package syntax

import "justlens/core/dialect/word"

// xmlOption passes over VERSION NO VALUE and STANDALONE … of XMLROOT, and reports whether
// the arguments end there; the version may be an expression.
func (p *Parser) xmlOption(c *Call) bool {
	if !p.atAny(word.Version, word.Standalone) || p.peek(1).Kind == Comma || p.peek(1).Kind == RightParen || !p.isCallOf(c, "xmlroot") {
		return false
	}
	if p.accept(word.Version) {
		if !p.at(word.No) {
			return false
		}
		p.next()
		p.expect(word.Value)
		return !p.acceptKind(Comma) || p.xmlOption(c)
	}
	p.next()
	if p.accept(word.No) {
		p.accept(word.Value)
	} else {
		p.expect(word.Yes)
	}
	return true
}

// passedBy passes over BY REF and BY VALUE, the way in which XMLEXISTS takes a document.
func (p *Parser) passedBy() {
	if p.at(word.By) && (p.peek(1).Word() == word.Ref || p.peek(1).Word() == word.Value) {
		p.next()
		p.next()
	}
}
