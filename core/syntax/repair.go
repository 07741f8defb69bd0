package syntax

import (
	"slices"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/text"
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
	if p.hangsOnMark(first) {
		p.errors = append(p.errors[:0], Error{Kind: TemplateError, Span: p.errors[0].Span, at: p.errors[0].at})
		return stmt
	}
	if p.scan.rules.doubleText {
		if named := p.withNames(first); named != nil {
			return named
		}
	}
	switch p.errors[0].Kind {
	case UnexpectedError, UnbalancedError, MissingCommaError:
	default:
		return stmt
	}
	if p.isPiped(first) {
		p.toStart(first)
		return p.passOver()
	}
	was := p.reading()
	at := was.errors[0].at
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
	p.backTo(was)
	return stmt
}

// reading is how far a statement was read, and with what errors.
type reading struct {
	end, failed int
	broken      bool
	errors      []Error
	open        []text.Span
}

func (p *Parser) reading() reading {
	return reading{end: p.i, failed: p.failed, broken: p.broken, errors: append([]Error(nil), p.errors...), open: p.open}
}

func (p *Parser) backTo(r reading) {
	p.errors, p.i, p.broken, p.open = append(p.errors[:0], r.errors...), r.end, r.broken, r.open
	p.load()
	if r.broken {
		p.stop()
	}
	p.failed = r.failed
}

// again reads the statement with a changed token; nil if that does not help.
func (p *Parser) again(first int, slip Token, replace string) Stmt {
	stmt := p.fromStart(first)
	if stmt != nil {
		p.errors = append(p.errors, Error{Kind: SlipError, Span: slip.Span, Found: string(p.scan.src[slip.Span.Start:slip.Span.End]), Replace: replace})
	}
	return stmt
}

// isPiped reports whether what is not read is a query of Spark's that goes on behind |>, of
// which nothing is known here.
func (p *Parser) isPiped(first int) bool {
	if p.dialect != dialect.Spark {
		return false
	}
	for _, t := range p.scan.tokens[first:] {
		switch {
		case t.Kind == Semicolon:
			return false
		case t.Kind == OtherOperator && string(p.scan.src[t.Span.Start:t.Span.End]) == "|>":
			return true
		}
	}
	return false
}

// toStart goes back to where the statement begins, as if none of it had been read.
func (p *Parser) toStart(first int) {
	p.run, p.open = parenRun{}, nil
	p.errors, p.broken, p.i, p.depth, p.bodies = p.errors[:0], false, first, 0, 0
	p.load()
}

// fromStart reads the statement once more; nil if it holds errors.
func (p *Parser) fromStart(first int) Stmt {
	p.toStart(first)
	if stmt := p.whole(); len(p.errors) == 0 {
		return stmt
	}
	return nil
}

// withNames reads the statement with names in double quotes, as a mode of the database has
// it, where a text in them stands in the place of a name; nil if that does not help.
func (p *Parser) withNames(first int) Stmt {
	at := p.nameAsText(first)
	if at < 0 {
		return nil
	}
	was, span := p.reading(), p.scan.tokens[at].Span
	var changed []int
	for i := first; i < len(p.scan.tokens) && p.scan.tokens[i].Kind != Semicolon && p.scan.tokens[i].Kind != BatchEnd; i++ {
		if t := &p.scan.tokens[i]; p.isDoubleText(*t) {
			t.Kind, t.Sym = QuotedName, p.scan.names.Intern(unescape(p.scan.src[t.Span.Start+1:t.Span.End-1], '"'))
			changed = append(changed, i)
		}
	}
	if stmt := p.fromStart(first); stmt != nil {
		p.errors = append(p.errors, Error{Kind: DoubleQuotesError, Span: span, Found: string(p.textOf(at))})
		return stmt
	}
	for _, i := range changed {
		p.scan.tokens[i].Kind, p.scan.tokens[i].Sym = TextToken, 0
	}
	p.backTo(was)
	return nil
}

// failedAt gives the index of the token at which reading failed first.
func (p *Parser) failedAt(first int) int {
	failed := p.errors[0].Span.Start
	return first + max(0, slices.IndexFunc(p.scan.tokens[first:], func(t Token) bool { return t.Span.Start >= failed }))
}

// nameAsText gives the index of the text in double quotes at which, or beside which, reading
// failed first; below 0 if there is none.
func (p *Parser) nameAsText(first int) int {
	at := p.failedAt(first)
	for _, i := range [...]int{at, at - 1, at + 1} { // "a", "a".b, INDEX "a"
		if i >= first && i < len(p.scan.tokens) && p.isDoubleText(p.scan.tokens[i]) {
			return i
		}
	}
	return -1
}

// isDoubleText reports whether a token is a closed text in double quotes.
func (p *Parser) isDoubleText(t Token) bool {
	written := p.scan.src[t.Span.Start:t.Span.End]
	return t.Kind == TextToken && len(written) > 2 && written[0] == '"' && written[len(written)-1] == '"'
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
