package check

import (
	"slices"
	"sort"
	"strings"

	"justlens/core/dialect/word"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Replace makes an edit that puts new text in the place of a span.
func Replace(s text.Span, with string) text.Edit { return text.Edit{Span: s, Text: with} }

// Insert makes an edit that puts text before a position.
func Insert(at text.Pos, what string) text.Edit {
	return text.Edit{Span: text.Span{Start: at, End: at}, Text: what}
}

// Remove makes edits that delete a span but for the comments in it, each with
// the blanks before it.
func (p *Pass) Remove(s text.Span) []text.Edit {
	var edits []text.Edit
	remove := func(start, end text.Pos) {
		if start < end {
			edits = append(edits, Replace(text.Span{Start: start, End: end}, ""))
		}
	}
	at := s.Start
	for _, c := range p.Stmt.Comments {
		if !s.Contains(c) {
			continue
		}
		end := c.Start
		for end > at && isBlank(p.Src[end-1]) {
			end--
		}
		remove(at, end)
		at = c.End
		// What follows the span must not end up in a line comment.
		if p.Src[c.Start] != '/' && int(s.End) < len(p.Src) && !isNewline(p.Src[s.End]) {
			for at < s.End && isBlank(p.Src[at]) {
				at++
			}
		}
	}
	remove(at, s.End)
	return edits
}

// RemoveConjuncts deletes some conditions of a chain of ANDs, those whose
// index drop holds, with their ANDs. At least one must stay.
func (p *Pass) RemoveConjuncts(chain []syntax.Expr, drop func(int) bool) []text.Edit {
	return p.removeOperands(len(chain), func(i int) syntax.Expr { return chain[i] }, drop)
}

// RemoveOperands is RemoveConjuncts for the operands of a flat chain.
func (p *Pass) RemoveOperands(operands []facts.Condition, drop func(int) bool) []text.Edit {
	return p.removeOperands(len(operands), func(i int) syntax.Expr { return operands[i].X }, drop)
}

func (p *Pass) removeOperands(n int, at func(int) syntax.Expr, drop func(int) bool) []text.Edit {
	var edits []text.Edit
	kept := false
	for i := range n {
		switch {
		case !drop(i):
			kept = true
		case kept:
			edits = append(edits, p.Remove(text.Span{Start: at(i - 1).Span().End, End: at(i).Span().End})...)
		case i+1 < n:
			edits = append(edits, p.Remove(text.Span{Start: at(i).Span().Start, End: at(i + 1).Span().Start})...)
		}
	}
	return edits
}

// RemoveClause deletes a clause and the blanks before it.
func (p *Pass) RemoveClause(clause syntax.Node) []text.Edit {
	s := clause.Span()
	return p.Remove(text.Span{Start: p.EndBefore(s.Start), End: s.End})
}

// FirstTokens gives the first two tokens of a node; ok tells that it has as many.
func (p *Pass) FirstTokens(n syntax.Node) (first, second syntax.Token, ok bool) {
	return p.FirstTokensIn(n.Span())
}

// TokensIn gives the tokens of a span.
func (p *Pass) TokensIn(s text.Span) []syntax.Token {
	tokens := p.Stmt.Tokens
	from := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.Start >= s.Start })
	to := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.Start >= s.End })
	return tokens[from:to]
}

// FirstTokensIn is FirstTokens for a span.
func (p *Pass) FirstTokensIn(s text.Span) (first, second syntax.Token, ok bool) {
	tokens := p.Stmt.Tokens
	i := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.Start >= s.Start })
	if i+1 >= len(tokens) || !s.Contains(tokens[i+1].Span) {
		return first, second, false
	}
	return tokens[i], tokens[i+1], true
}

// IgnoresErrors reports whether the write round a node says IGNORE, or SQLite's OR IGNORE, or
// SET has left the strict modes, so that what would be refused is passed over ("INSERT IGNORE",
// "SQL_MODE" of MariaDB's documentation).
func (p *Pass) IgnoresErrors(n syntax.Node) bool { return p.Stmt.Lax || p.writesBy(n, word.Ignore) }

// Replaces reports whether INSERT or UPDATE puts its row in the place of those that stand in its
// way: REPLACE, INSERT OR REPLACE.
func (p *Pass) Replaces(n syntax.Node) bool { return p.writesBy(n, word.Replace) }

// writesBy reports whether a word stands among the first of the INSERT or UPDATE at or around a node.
func (p *Pass) writesBy(n syntax.Node, w word.Word) bool {
	write := n
	if k := n.Kind(); k != syntax.KindInsert && k != syntax.KindUpdate {
		if write = p.Nearest(n, syntax.Kinds(syntax.KindInsert, syntax.KindUpdate)); write == nil {
			return false
		}
	}
	tokens := p.Stmt.Tokens
	first := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.Start >= write.Span().Start })
	return slices.ContainsFunc(tokens[first:min(first+4, len(tokens))], func(t syntax.Token) bool { return t.Word() == w })
}

// DistinctWord finds the keyword DISTINCT of a SELECT; ok is false where it has none.
func (p *Pass) DistinctWord(sel *syntax.Select) (at text.Span, ok bool) {
	head := text.Span{Start: sel.Span().Start, End: sel.Items[0].Span().Start}
	for _, t := range p.Stmt.Tokens {
		if t.Span.Start >= head.End {
			break
		}
		if head.Contains(t.Span) && strings.EqualFold(p.BriefOf(t.Span), "distinct") {
			return t.Span, true
		}
	}
	return text.Span{}, false
}

// Swap makes edits that exchange the texts of two nodes.
func (p *Pass) Swap(a, b syntax.Node) []text.Edit {
	return []text.Edit{Replace(a.Span(), p.Text(b)), Replace(b.Span(), p.Text(a))}
}

// EndBefore gives the end of the last token before a position.
func (p *Pass) EndBefore(at text.Pos) text.Pos {
	tokens := p.Stmt.Tokens
	i := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.Start >= at })
	if i == 0 {
		return at
	}
	return tokens[i-1].Span.End
}

// NewClause makes an edit that adds a clause behind a node, on a line of its
// own if the clause like stands on one.
func (p *Pass) NewClause(after syntax.Node, like syntax.Node, clause string) text.Edit {
	return Insert(after.Span().End, p.Break(like.Span().Start, "")+clause)
}

// Break gives what separates a new clause from the text before it: a blank,
// or, where the text at like begins a line, a line end and that line's
// indentation with more added to it.
func (p *Pass) Break(like text.Pos, more string) string {
	start := int(like)
	for start > 0 && (p.Src[start-1] == ' ' || p.Src[start-1] == '\t') {
		start--
	}
	if start == 0 || !isNewline(p.Src[start-1]) {
		return " "
	}
	end := "\n"
	if start > 1 && p.Src[start-1] == '\n' && p.Src[start-2] == '\r' {
		end = "\r\n"
	}
	return end + string(p.Src[start:like]) + more
}

// AddConjunct makes edits that add a condition to a chain of ANDs.
func (p *Pass) AddConjunct(clause syntax.Node, cond syntax.Expr, condition string) []text.Edit {
	start := clause.Span().Start
	if j, ok := clause.(*syntax.Join); ok {
		start = j.OpSpan.Start
	}
	edits := []text.Edit{}
	if b, ok := cond.(*syntax.Binary); ok && b.Op != syntax.OpAnd && !b.Op.IsComparison() {
		edits = append(edits, Insert(cond.Span().Start, "("), Insert(cond.Span().End, ")"))
	}
	return append(edits, Insert(cond.Span().End, p.Break(start, "  ")+p.Word(start, "AND")+" "+condition))
}

// Parenthesised gives the text of an operand, in parentheses unless it is
// one word, call or literal.
func (p *Pass) Parenthesised(x syntax.Expr) string {
	switch x.(type) {
	case *syntax.Name, *syntax.Literal, *syntax.Call, *syntax.Paren, *syntax.Param, *syntax.Cast, *syntax.TypedLiteral, *syntax.Subquery:
		return p.Text(x)
	}
	return "(" + p.Text(x) + ")"
}

func isBlank(c byte) bool   { return c == ' ' || c == '\t' || isNewline(c) }
func isNewline(c byte) bool { return c == '\n' || c == '\r' }

// Before makes an edit that puts text before a span.
func Before(s text.Span, what string) []text.Edit { return []text.Edit{Insert(s.Start, what)} }

// After makes an edit that puts text behind a span.
func After(s text.Span, what string) []text.Edit { return []text.Edit{Insert(s.End, what)} }

// HasComment reports whether a comment lies in a span, which a rewritten text
// would lose.
func (p *Pass) HasComment(s text.Span) bool {
	for _, c := range p.Stmt.Comments {
		if s.Contains(c) {
			return true
		}
	}
	return false
}

// Keeping gives a mend that loses no comment: one that would is left to a person.
func (p *Pass) Keeping(m Mend) Mend {
	if slices.ContainsFunc(m.Edits, func(e text.Edit) bool { return p.HasComment(e.Span) }) {
		m.Effect, m.Edits = ByHand, nil
	}
	return m
}

// Guarded puts a condition that takes the place of NOT … in parentheses where an
// operator around it would tear it apart.
func (p *Pass) Guarded(n syntax.Node, condition string) string {
	switch around := p.Parent(n).(type) {
	case *syntax.Binary:
		if around.Op != syntax.OpAnd && around.Op != syntax.OpOr {
			return "(" + condition + ")"
		}
	case *syntax.Unary, *syntax.Is, *syntax.Cast:
		return "(" + condition + ")"
	}
	return condition
}

// EditedText gives the text of a node after edits inside it, in their order.
func (p *Pass) EditedText(n syntax.Node, edits []text.Edit) string {
	var b strings.Builder
	at := n.Span().Start
	for _, e := range edits {
		b.Write(p.Src[at:e.Span.Start])
		b.WriteString(e.Text)
		at = e.Span.End
	}
	b.Write(p.Src[at:n.Span().End])
	return b.String()
}

// doubleQuotes fits a finding to a body in quotes, in which each quote is doubled. A mend of
// which it is not sure how it is written there is told in words only.
func (p *Pass) doubleQuotes(f *Finding) {
	f.Span = p.withPairs(f.Span)
	for i := range f.Mends {
		m := &f.Mends[i]
		for k := range m.Edits {
			e := &m.Edits[k]
			if !p.inQuotes(e.Span) {
				continue
			}
			e.Span = p.withPairs(e.Span)
			plain := strings.ReplaceAll(e.Text, "''", "'") // of the text as written there
			if strings.Count(plain, "'")%2 != 0 {
				m.Edits, m.Effect = nil, ByHand
				break
			}
			e.Text = strings.ReplaceAll(plain, "'", "''")
		}
	}
}

// inQuotes reports whether a place lies in a body in quotes.
func (p *Pass) inQuotes(s text.Span) bool { return text.Within(p.Stmt.InQuotes, s) }

// withPairs widens a span that begins or ends with a text by the outer quotes of its pairs.
func (p *Pass) withPairs(s text.Span) text.Span {
	if !p.inQuotes(s) {
		return s
	}
	insertion := s.IsEmpty()
	tokens := p.Stmt.Tokens
	begins := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.Start >= s.Start })
	if p.isPaired(begins) && tokens[begins].Span.Start == s.Start {
		s.Start--
		if insertion {
			return text.Span{Start: s.Start, End: s.Start}
		}
	}
	ends := sort.Search(len(tokens), func(i int) bool { return tokens[i].Span.End >= s.End })
	if p.isPaired(ends) && tokens[ends].Span.End == s.End {
		s.End++
		if insertion {
			s.Start = s.End
		}
	}
	return s
}

// isPaired reports whether the i-th token is a text whose quotes are doubled.
func (p *Pass) isPaired(i int) bool {
	return i < len(p.Stmt.Tokens) && p.Stmt.Tokens[i].Kind == syntax.TextToken && p.Src[p.Stmt.Tokens[i].Span.Start] == '\''
}
