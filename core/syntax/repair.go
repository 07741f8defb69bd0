package syntax

import (
	"justlens/core/dialect/word"
)

// slipWords are the keywords that a misspelt word is compared with.
var slipWords = [...]word.Word{
	word.Select, word.From, word.Where, word.Group, word.Order, word.Having, word.By, word.Join, word.Inner, word.Left,
	word.Right, word.Outer, word.Union, word.Limit, word.Values, word.Insert, word.Update, word.Delete, word.Into,
	word.Distinct, word.Between, word.Like, word.Exists, word.Using, word.Create, word.Table, word.Offset, word.Case,
	word.When, word.Then, word.Else, word.Null, word.With, word.Cross, word.Returning, word.And, word.Not,
}

// glued are pairs of keywords that are easily written as one.
var glued = [...]struct {
	text          string
	first, second word.Word
}{
	{"groupby", word.Group, word.By}, {"orderby", word.Order, word.By}, {"insertinto", word.Insert, word.Into},
	{"deletefrom", word.Delete, word.From}, {"innerjoin", word.Inner, word.Join}, {"leftjoin", word.Left, word.Join},
	{"rightjoin", word.Right, word.Join}, {"crossjoin", word.Cross, word.Join}, {"notin", word.Not, word.In},
	{"partitionby", word.Partition, word.By}, {"unionall", word.Union, word.All},
}

// repair tries whether a statement that cannot be read would be if a word near
// the place were the keyword it resembles. If so the statement is the one so
// read, and its only error the slip.
func (p *Parser) repair(first int, stmt Stmt) Stmt {
	switch p.errors[0].Kind {
	case UnexpectedError, UnbalancedError, MissingCommaError:
	default:
		return stmt
	}
	end, failed, broken, errors := p.i, p.failed, p.broken, append([]Error(nil), p.errors...)
	at := errors[0].at
	for i := at; i >= first && i >= at-3; i-- {
		t := p.scan.tokens[i]
		if t.Kind != WordToken || i > first && p.scan.tokens[i-1].Kind == Dot {
			continue
		}
		name := p.scan.names.String(t.Sym)
		for _, g := range glued {
			if g.text != name {
				continue
			}
			p.scan.tokens = append(p.scan.tokens[:i+1], p.scan.tokens[i:]...)
			middle := int(t.Span.Start) + len(g.first.Lower())
			p.scan.tokens[i] = wordToken(Sym(g.first), int(t.Span.Start), middle)
			p.scan.tokens[i+1] = wordToken(Sym(g.second), middle, int(t.Span.End))
			if fixed := p.again(first, t, g.first.String()+" "+g.second.String()); fixed != nil {
				return fixed
			}
			p.scan.tokens = append(p.scan.tokens[:i], p.scan.tokens[i+1:]...)
			p.scan.tokens[i] = t
		}
		if t.Word() != word.NoWord && t.Word() != word.Form {
			continue
		}
		for _, w := range slipWords {
			if !resembles(name, w.Lower()) {
				continue
			}
			p.scan.tokens[i].Sym, p.scan.tokens[i].word = Sym(w), w
			if fixed := p.again(first, t, w.String()); fixed != nil {
				return fixed
			}
			p.scan.tokens[i] = t
		}
	}
	p.errors, p.i, p.broken, p.failed = append(p.errors[:0], errors...), end, broken, failed
	p.load()
	if broken {
		p.stop()
		p.failed = failed
	}
	return stmt
}

// again reads the statement with a changed token; nil if that does not help.
func (p *Parser) again(first int, slip Token, replace string) Stmt {
	p.run = parenRun{}
	p.errors, p.broken, p.i, p.depth, p.bodies = p.errors[:0], false, first, 0, 0
	p.load()
	stmt := p.whole()
	if len(p.errors) > 0 {
		return nil
	}
	p.errors = append(p.errors, Error{Kind: SlipError, Span: slip.Span, Found: string(p.scan.src[slip.Span.Start:slip.Span.End]), Replace: replace})
	return stmt
}

// resembles reports whether one slip of the finger lies between two words: a
// letter more, less, changed, or two exchanged. Short words must be as long.
func resembles(a, b string) bool {
	if a == b || len(a) < 2 || len(b) < 2 || len(a) > len(b)+1 || len(b) > len(a)+1 {
		return false
	}
	if len(b) < 4 && len(a) != len(b) {
		return false
	}
	i := 0
	for i < len(a) && i < len(b) && a[i] == b[i] {
		i++
	}
	switch {
	case len(a) > len(b):
		return a[i+1:] == b[i:]
	case len(a) < len(b):
		return a[i:] == b[i+1:]
	case i+1 < len(a) && a[i] == b[i+1] && a[i+1] == b[i]:
		return a[i+2:] == b[i+2:]
	}
	return len(b) > 3 && a[i+1:] == b[i+1:]
}
