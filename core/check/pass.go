package check

import (
	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Pass is what a check sees of one statement. It is valid for the call only.
type Pass struct {
	*bind.Info
	Stmt    *syntax.Statement
	Dialect dialect.Dialect
	Version dialect.Version // zero for the newest
	Check   *Check
	// Found takes the findings.
	Found func(Finding)
}

// Report hands over a finding. Check, Context, Verdicts and Consequence are
// filled in where they are left empty; what is fine on the dialect under
// review is dropped.
func (p *Pass) Report(f Finding) {
	f.Check = p.Check
	if f.Verdicts == (Verdicts{}) {
		f.Verdicts = p.Check.Verdicts
	}
	f.Consequence = f.Verdicts[p.Dialect]
	if f.Consequence == Fine {
		return
	}
	if f.Context.IsEmpty() {
		f.Context = p.Stmt.Span
	}
	p.Found(f)
}

// Word gives a keyword in the letter case that the text around pos uses.
func (p *Pass) Word(like text.Pos, keyword string) string {
	for i := int(like); i < len(p.Src) && i < int(like)+2; i++ {
		if c := p.Src[i]; 'a' <= c && c <= 'z' {
			return lower(keyword)
		}
	}
	return keyword
}

func lower(s string) string {
	b := []byte(s)
	for i, c := range b {
		if 'A' <= c && c <= 'Z' {
			b[i] = c + 'a' - 'A'
		}
	}
	return string(b)
}

// KnownWord gives the keyword that stands at a span, if one does.
func (p *Pass) KnownWord(s text.Span) (word.Word, bool) {
	w := word.Word(p.Names.Find(string(p.Src[s.Start:s.End])))
	return w, w != word.NoWord && w < word.Total
}

// As gives what stands before an alias, in the letter case of the text around pos.
func (p *Pass) As(like text.Pos) string {
	if p.Dialect == dialect.Oracle {
		return " " // which takes no AS before the name of a table
	}
	return " " + p.Word(like, "AS") + " "
}

// Tells reports whether what a statement names can be told: not where some of its
// text could not be read.
func (p *Pass) Tells(syntax.Node) bool { return len(p.Stmt.Errors) == 0 }

// FunctionText gives the name of a called function as written, with its
// parentheses.
func (p *Pass) FunctionText(c *syntax.Call) string {
	return string(p.Src[c.Span().Start:c.Name[len(c.Name)-1].Span.End]) + "()"
}

// Position reads a whole number that may stand for a column of the select list.
func (p *Pass) Position(n *syntax.Literal) (int, bool) {
	if n.Lit != syntax.NumberLiteral {
		return 0, false
	}
	value := 0
	for _, c := range p.Text(n) {
		if c < '0' || c > '9' || value > 100_000 {
			return 0, false
		}
		value = value*10 + int(c-'0')
	}
	return value, true
}
