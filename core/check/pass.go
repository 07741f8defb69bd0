package check

import (
	"bytes"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Pass is what a check sees of one statement. It is valid for the call only.
type Pass struct {
	*facts.Facts
	Stmt     *syntax.Statement
	Dialect  dialect.Dialect
	Version  dialect.Version // zero for the newest
	Database Database
	Check    *Check
	// Least is the least certainty of the findings that are wanted.
	Least Certainty
	// CheckNames are those that an acceptance may name; ReasonOptional lets it do without a reason.
	CheckNames     []string
	ReasonOptional bool
	// Limits are those of the project, zero for the usual ones.
	Limits Limits
	// Found takes the findings.
	Found func(Finding)

	filled    map[string]bool // as syntax.FilledByTriggers gives them
	filledFor *byte           // the text of which they are, by its first byte

	keysAside    bool // as SetsKeysAside gives it
	keysAsideFor *byte

	searches int         // those that Affords has let pass on the statement
	dates    []text.Span // of the statement, as DateTexts gives them
	hasDates bool        // they were sought
	lone     bool        // as IsLone gives it
	hasLone  bool        // that was asked

	byCase    bool // as tellsCase gives it
	hasByCase bool // that was asked
}

// Database is how much is known of the database that a text is for.
type Database uint8

const (
	Known   Database = iota // its dialect is
	Unknown                 // nothing tells, so the text is read as the standard's
	Foreign                 // it is one that has no dialect here
)

// atMost gives the certainty that a refusal may have: a database that is not known may be one
// of those that take it.
func (d Database) atMost(v *Verdicts) Certainty {
	switch {
	case d == Foreign:
		return Possible
	case d == Unknown && slices.Contains(v[dialect.ANSI+1:], Fine):
		return Likely
	}
	return Certain
}

// Limits say from where on checks find something long or large; zero is for the usual.
type Limits struct {
	// InList is how many values a list behind IN may have.
	InList int
}

// Begin turns to the next statement.
func (p *Pass) Begin(stmt *syntax.Statement) {
	p.Stmt, p.dates, p.hasDates, p.hasLone, p.hasByCase, p.searches = stmt, p.dates[:0], false, false, false, 0
}

// IsLone reports whether the statement is all of its text, but for comments on lines of their own.
func (p *Pass) IsLone() bool {
	if !p.hasLone {
		// What stands behind comes first: of many statements behind a long comment only the
		// last goes on to look at that.
		p.hasLone, p.lone = true, isRemark(p.Src[p.Stmt.Span.End:]) && isRemark(p.Src[:p.Stmt.Span.Start])
	}
	return p.lone
}

// TableNamed gives the schema's table of a name, nil if it is not known.
func (p *Pass) TableNamed(name []syntax.Ident) *schema.Table {
	qualifier := ""
	if len(name) > 1 {
		qualifier = p.Names.String(name[len(name)-2].Sym)
	}
	return p.Schema.Table(qualifier, p.Names.String(name[len(name)-1].Sym))
}

// IsFilled reports whether the text makes a trigger that may change rows of the table before
// they are written. It is asked of findings only, and once read for a text.
func (p *Pass) IsFilled(t *schema.Table) bool {
	if first := &p.Src[0]; p.filledFor != first {
		p.filled, p.filledFor = syntax.FilledByTriggers(p.Src, p.Dialect), first
	}
	return p.filled[strings.ToLower(t.Name)]
}

// SetsKeysAside reports whether the text may switch foreign keys off, as dumps of MySQL do. It is asked of
// findings only, and once read for a text.
func (p *Pass) SetsKeysAside() bool {
	if first := &p.Src[0]; p.keysAsideFor != first {
		p.keysAside = p.Dialect.Has(dialect.ExecutedComments) && bytes.Contains(bytes.ToLower(p.Src), []byte("foreign_key_checks"))
		p.keysAsideFor = first
	}
	return p.keysAside
}

// isRemark reports whether a text is nothing but blanks, semicolons and comments on lines of
// their own.
func isRemark(s []byte) bool {
	for line := range bytes.Lines(s) {
		if line = bytes.Trim(line, " \t\r\n;"); len(line) > 0 && !bytes.HasPrefix(line, []byte("--")) {
			return false
		}
	}
	return true
}

// DateTexts gives the texts in quotes of the statement that begin as dates do: with one, two or
// four digits and a sign that dates have between their parts.
func (p *Pass) DateTexts() []text.Span {
	if p.hasDates {
		return p.dates
	}
	p.hasDates = true
	for i := range p.Stmt.Tokens {
		if t := &p.Stmt.Tokens[i]; t.Kind == syntax.TextToken && beginsAsDate(p.Src[t.Span.Start:t.Span.End]) {
			p.dates = append(p.dates, t.Span)
		}
	}
	return p.dates
}

func beginsAsDate(s []byte) bool {
	return len(s) >= len("'1/1/2026'") && s[0] == '\'' && isDigit(s[1]) &&
		(isDateSign(s[2]) || isDigit(s[2]) && (isDateSign(s[3]) || isDigit(s[3]) && isDigit(s[4]) && isDateSign(s[5])))
}

func isDigit(c byte) bool { return '0' <= c && c <= '9' }

func isDateSign(c byte) bool { return c == '-' || c == '/' || c == '.' }

// LiteralAt gives the literal at a span, nil if it is none of the statement's tree.
func (p *Pass) LiteralAt(at text.Span) (found *syntax.Literal) {
	syntax.Inspect(p.Stmt.Node, func(n syntax.Node) bool {
		if lit, ok := n.(*syntax.Literal); ok && lit.Span() == at {
			found = lit
		}
		return found == nil && n.Span().Contains(at)
	})
	return found
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
	if f.Consequence == Refused && p.Database != Known {
		f.Certainty = min(f.Certainty, p.Database.atMost(&f.Verdicts))
	}
	if f.Consequence == Refused && p.isReadLater() {
		f.Certainty = min(f.Certainty, Likely)
	}
	if len(p.Stmt.Open) > 0 && p.Check.hangsOnClauses() && slices.ContainsFunc(p.Stmt.Open, func(s text.Span) bool { return s.Contains(f.Span) }) {
		f.Certainty = Possible
	}
	if p.tellsCase() {
		return
	}
	if f.Context.IsEmpty() {
		f.Context = p.Stmt.Span
	}
	f.bound()
	if len(p.Stmt.InQuotes) > 0 {
		p.doubleQuotes(&f)
	}
	p.Found(f)
}

// tellsCase reports whether names of the statement differ in letter case alone: they are taken for
// one here, so that nothing can be told of it.
func (p *Pass) tellsCase() bool {
	if !p.hasByCase {
		p.hasByCase, p.byCase = true, !p.Stmt.ByCaseAlone(p.Src, p.Dialect).IsEmpty()
	}
	return p.byCase
}

// isReadLater reports whether the database takes the statement as it is written, and refuses what it
// names and means when it is first used: SQLite does with views and triggers.
func (p *Pass) isReadLater() bool {
	if p.Dialect != dialect.SQLite || p.Check.Family() == "syntax" {
		return false
	}
	switch p.Stmt.Node.Kind() {
	case syntax.KindCreateView, syntax.KindRoutine:
		return true
	}
	return false
}

// Wants reports whether findings of a certainty are wanted.
func (p *Pass) Wants(c Certainty) bool { return c >= p.Least }

// MayBe reports whether the review is for a version of a dialect or a later one; where none
// is named it is for the newest.
func (p *Pass) MayBe(d dialect.Dialect, since dialect.Version) bool {
	return p.Dialect == d && (p.Version == 0 || p.Version >= since)
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

// TellsNames reports whether a scope's names can be told: not in the body of a
// routine, which has variables.
func (p *Pass) TellsNames(s *bind.Scope) bool {
	bodies := syntax.Kinds(syntax.KindRoutine, syntax.KindControl)
	return s.Node == nil || !bodies.Has(s.Node.Kind()) && p.Nearest(s.Node, bodies) == nil
}

// IsConjunct reports whether a condition is one of WHERE or HAVING that each row must meet, so
// that it does not matter whether it is false or unknown.
func (p *Pass) IsConjunct(x syntax.Expr) bool {
	for n := p.Above(x); n != nil; n = p.Above(n) {
		switch n := n.(type) {
		case *syntax.Binary:
			if n.Op != syntax.OpAnd {
				return false
			}
		case *syntax.Where, *syntax.Having:
			return true
		default:
			return false
		}
	}
	return false
}

// manySources is how many sources of one FROM are told apart by the parts they stand in.
const manySources = 64

// SourcesOf gives the sources that a part of FROM is made of, none of a FROM with very
// many.
func (p *Pass) SourcesOf(t syntax.TableExpr) []*bind.Source {
	around := p.Nearest(t, bind.Scoped)
	if around == nil || p.Scope(around) == nil || len(p.Scope(around).Sources) > manySources {
		return nil
	}
	var found []*bind.Source
	for _, s := range p.Scope(around).Sources {
		if s.Node != nil && t.Span().Contains(s.Node.Span()) {
			found = append(found, s)
		}
	}
	return found
}

// Width counts the columns that a query's body gives; ok is false where they are not
// known, or some of the statement could not be read.
func (p *Pass) Width(b syntax.Body) (width int, ok bool) {
	if len(p.Stmt.Errors) > 0 {
		return 0, false
	}
	return p.Facts.Width(b)
}

// ShortNames reports whether a list of names may be shorter than the columns
// that it names.
func (p *Pass) ShortNames() bool { return p.Dialect == dialect.Postgres || p.Dialect == dialect.ANSI }

// briefest is how many characters of an expression a sentence takes.
const briefest = 60

// Brief gives the text of a node for a sentence: on one line, and cut where it is
// long.
func (p *Pass) Brief(n syntax.Node) string { return p.BriefOf(n.Span()) }

// BriefOf is Brief for a span.
func (p *Pass) BriefOf(at text.Span) string {
	at = p.withPairs(at)
	s := text.View(p.Src, at)
	if len(s) <= briefest && !strings.ContainsAny(s, "\n\t\r") {
		return s
	}
	const enough = 16 * briefest // bytes in which as many characters stand, blanks between them
	cut := len(s) > enough
	if cut {
		s = strings.ToValidUTF8(s[:enough], "")
	}
	words := strings.Join(strings.Fields(s), " ")
	if r := []rune(words); len(r) > briefest || cut {
		return strings.TrimRight(string(r[:min(len(r), briefest-1)]), " ") + "…"
	}
	return words
}

// RefersToItself reports whether a foreign key within a definition of one of the kinds refers to
// the table that is defined there.
func (p *Pass) RefersToItself(c *syntax.Constraint, within syntax.KindSet) bool {
	above, _ := p.Enclosing(c, within)
	var name []syntax.Ident
	switch n := above.(type) {
	case *syntax.CreateTable:
		name = n.Name
	case *syntax.AlterTable:
		name = n.Name
	}
	return len(name) > 0 && name[len(name)-1].Sym == c.Table[len(c.Table)-1].Sym
}
