package syntax

import (
	"bytes"
	"sort"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/slab"
	"justlens/core/text"
)

// Statement is one statement of a script with what was read of it. It and all
// it holds are valid until the next call of [Parser.Next], however many follow by
// [Parser.More].
type Statement struct {
	Node     Stmt
	Span     text.Span // without the closing semicolon
	Tokens   []Token
	Comments []text.Span // before, within and after, up to the next statement
	Errors   []Error
	Nodes    int // the largest node number
	// Cut tells that the end of the statement could not be read.
	Cut bool
	// BodyUnread tells that the body of a routine was passed over: it is in another
	// language.
	BodyUnread bool
	// InQuotes are the bodies that stand in single quotes, without these, in the order of the
	// text; one within another is not listed. A quote in them
	// is written twice; the token of a text is what stands between the outer quotes of the
	// pairs, with the inner ones.
	InQuotes []text.Span
	// Open are the parts in which what a template puts in stands where clauses do, or that were
	// passed over, so that there may be more clauses, tables and names than are known.
	Open []text.Span
	// Connects is the last command before it with which psql goes to another database, empty for none.
	Connects text.Span
	// Lax tells that SET has made the server take values that it would refuse.
	Lax bool
}

// keepCase are the dialects that tell names in quotes apart by letter case alone.
var keepCase = dialect.In(dialect.ANSI, dialect.Postgres, dialect.Oracle)

// ByCaseAlone gives a name in quotes that differs from another of the statement in letter case
// alone, empty for none: they have one [Sym].
func (s *Statement) ByCaseAlone(src []byte, d dialect.Dialect) text.Span {
	if !keepCase.Has(d) {
		return text.Span{}
	}
	var written map[Sym]string
	for _, t := range s.Tokens {
		if t.Kind != QuotedName {
			continue
		}
		name := string(src[t.Span.Start:t.Span.End])
		if earlier, ok := written[t.Sym]; ok && earlier != name {
			return t.Span
		}
		if written == nil {
			written = map[Sym]string{}
		}
		written[t.Sym] = name
	}
	return text.Span{}
}

// Bounds of what is read: the nesting of expressions, queries and joins, above that
// of PostgreSQL 15 (some 10,000 parentheses), and the height of the trees that chains of
// operators, joins and branches make: a stack is never deeper than that.
const (
	maxDepth  = 12_000
	maxHeight = 1 << 20
)

// Parser reads the statements of a text one by one. It is not safe for use by
// several goroutines.
type Parser struct {
	scan    scanner
	dialect dialect.Dialect
	began   dialect.Dialect // that of the text, which SET may change on the way
	modes   Modes
	lax     bool // they make the server take what it would refuse
	power   *dialect.Precedence
	slabs   slabs
	lists   lists
	lastID  int32

	i            int // index of tok
	begun        int // index of the token at which reading the statement in hand began
	first        int // index of its first token
	lastComments int // index of the first comment behind the last statement
	tok          Token
	word         word.Word // of tok
	last         text.Pos  // end of the token before tok
	empty        text.Pos  // of the last empty node, which those above it hold
	depth        int
	run          parenRun
	height       int // of the trees read so far, as far as chains make them high
	bodies       int // routine bodies around tok
	errors       []Error
	broken       bool // after an error, until recovery
	failed       int  // index of the token at which the error stands
	hopeless     int  // the failed one, and one more, behind which reading does not resume
	farJoins     map[int]bool
	skims        bool    // only definitions are wanted
	within       scanner // of bodies in quotes
	inQuotes     []text.Span
	bodyUnread   bool        // one that was not read stands in the statement
	open         []text.Span // where what a template puts in stands where clauses do
	arrays       int         // constructors of arrays round here
	inFor        bool        // the query of a FOR loop is being read
	quoted       bool        // a body in quotes is being read
	spliced      bool        // the tokens of one stand among those of the statement
	clashing     string      // what a body says of names that a variable and a column have
	declared     []Ident     // of the routines that are being read
	stmts        slab.Slab[Statement]
}

// NewParser makes a parser that numbers names in the given table.
func NewParser(names *Names) *Parser {
	return &Parser{scan: scanner{names: names}}
}

// OnlyDefinitions lets the parser pass over queries, writes and the bodies of routines: what
// it gives then tells what a text defines.
func (p *Parser) OnlyDefinitions() { p.skims = true }

// Reset begins a new text in the dialect's newest version. The parser reads
// from src, which must not change.
func (p *Parser) Reset(src []byte, d dialect.Dialect) { p.ResetTo(src, d, 0) }

// ResetTo is Reset for a version of the dialect, on which it depends what
// comments such as /*!80000 … */ execute.
func (p *Parser) ResetTo(src []byte, d dialect.Dialect, v dialect.Version) { p.ResetAt(src, d, v, 0) }

// ResetAt is ResetTo for a text of which a part was read before: the parser begins at a
// position, in bytes from 0, at which it stood between two statements.
func (p *Parser) ResetAt(src []byte, d dialect.Dialect, v dialect.Version, at int) {
	p.scan.reset(src, d)
	p.scan.pos = max(p.scan.pos, at)
	p.scan.rules.version = d.CommentVersion(v)
	p.dialect, p.began, p.power, p.modes, p.lax = d, d, d.Precedence(), Modes{}, false
	p.i, p.last = 0, text.Pos(at)
}

// IsBetween reports whether the parser stands behind a semicolon between two statements,
// where another with the same [Modes] could go on reading as it would: no delimiter, comment
// or quote that was begun before counts further on.
func (p *Parser) IsBetween() bool {
	at := p.i
	if at > 0 && p.scan.tokens[at].Kind == EOF {
		at--
	}
	s := &p.scan
	return at < len(s.tokens) && s.tokens[at].Kind == Semicolon && int(s.tokens[at].Span.End) == s.pos && s.delimiter == nil && s.inside == 0 &&
		!s.open && s.openComment.IsEmpty() && len(s.pasted) == 0
}

// Position gives how far the text was scanned, in bytes from 0.
func (p *Parser) Position() int { return p.scan.pos }

// Next reads the next statement; nil at the end of the text. Empty statements
// are skipped.
func (p *Parser) Next() *Statement {
	p.release()
	return p.More()
}

// More reads the next statement as Next does, and keeps those that it gave since Next:
// what reads many short statements at a time finds its own code in the processor's cache.
func (p *Parser) More() *Statement {
	comments := p.begin()
	for p.tok.Kind == Semicolon || p.tok.Kind == BatchEnd {
		if p.i+1 == len(p.scan.tokens) {
			p.scan.directives()
			p.scan.tokens, p.i = append(p.scan.tokens[:p.begun], p.tok), p.begun // no statement has those before
		}
		p.next()
	}
	if p.tok.Kind == EOF && !p.broken {
		p.lastComments = comments
		return p.openComment(comments)
	}
	first := p.i
	p.first = first
	start := p.tok.Span.Start
	stmt := p.whole()
	if p.i == first {
		p.fail("a statement") // whatever went wrong, the next one begins further on
	}
	if len(p.errors) > 0 && !p.spliced {
		stmt = p.repair(first, stmt)
	}
	end := p.i
	if p.broken {
		end = p.skipStatement()
	}
	tokens := p.scan.tokens[first:end]
	span := text.Span{Start: start, End: start}
	if len(tokens) > 0 {
		span.End = tokens[len(tokens)-1].Span.End
	}
	p.tellScanned(tokens)
	if p.modes.variables { // which may be named anywhere in the statement, but change none of its clauses
		p.opens(text.Span{Start: span.End, End: span.End})
	}
	p.setsMode(tokens)
	own := p.scan.comments[comments:max(comments, p.carried())]
	return p.read(Statement{Node: stmt, Span: span, Tokens: tokens, Comments: own, Cut: p.broken})
}

// read completes a statement by what was counted and found on the way.
func (p *Parser) read(s Statement) *Statement {
	s.Errors, s.Nodes, s.BodyUnread, s.InQuotes, s.Lax, s.Open = p.errors, int(p.lastID), p.bodyUnread, p.inQuotes, p.lax, p.open
	if len(p.errors) > 0 {
		p.errors = nil // they are the statement's
	}
	s.Connects, p.scan.connects = p.scan.connects, text.Span{}
	kept := p.stmts.Next()
	*kept = s
	return kept
}

// Skip passes over the statement that a fault in [Parser.Next] left half-read, and
// gives its span.
func (p *Parser) Skip() text.Span {
	p.broken, p.failed = true, max(p.first, p.i)
	start := p.scan.tokens[p.first].Span.Start
	end := p.skipStatement()
	return text.Span{Start: start, End: p.scan.tokens[max(p.first, end-1)].Span.End}
}

// openComment gives a statement for a comment that is never closed behind the
// last one; nil where there is none. SQLite takes the end of the text for its end.
func (p *Parser) openComment(comments int) *Statement {
	span := p.scan.openComment
	if span.IsEmpty() || p.dialect.Has(dialect.OpenComments) {
		return nil
	}
	p.scan.openComment = text.Span{}
	p.errors = append(p.errors, Error{Kind: UnclosedError, Span: span, Found: "/*"})
	n := p.slabs.badStmts.New()
	n.node = p.node(span.Start)
	return p.read(Statement{Node: n, Span: span, Comments: p.scan.comments[comments:], Cut: true})
}

// whole reads a statement up to its end.
func (p *Parser) whole() Stmt {
	if p.tok.Kind == TemplateMark {
		p.passSettings()
	}
	start := p.start()
	stmt := p.statement()
	if p.tok.Kind == TemplateMark {
		for p.tok.Kind == TemplateMark {
			p.next()
		}
		p.opens(p.since(start))
	}
	if !p.broken && !p.atEnd() && !p.atNext() {
		p.fail("the end of the statement")
	}
	return stmt
}

// LastComments gives the comments behind the last statement, once Next has given nil.
func (p *Parser) LastComments() []text.Span { return p.scan.comments[p.lastComments:] }

// release drops the statements that were read and keeps tokens that were scanned past
// the end of the last. Those are moved to the front once they are fewer than what was read
// before them, as a text of many statements without semicolons is scanned at once.
func (p *Parser) release() {
	p.slabs.reset()
	p.lists.reset()
	p.stmts.Reset()
	if len(p.scan.tokens)-p.i > p.i {
		return
	}
	comments := p.carried()
	p.scan.comments = p.scan.comments[:copy(p.scan.comments, p.scan.comments[comments:])]
	p.scan.tokens = p.scan.tokens[:copy(p.scan.tokens, p.scan.tokens[p.i:])]
	p.i = 0
}

// carried gives the index of the first comment that belongs to what stands behind the last
// statement: where no semicolon parts them, those on lines of their own do.
func (p *Parser) carried() int {
	switch {
	case p.i == 0:
		return 0
	case p.i >= len(p.scan.tokens):
		return len(p.scan.comments)
	}
	next := p.scan.tokens[p.i]
	at := sort.Search(len(p.scan.comments), func(i int) bool { return p.scan.comments[i].Start >= next.Span.Start })
	if next.Kind == Semicolon || next.Kind == BatchEnd || next.Kind == EOF {
		return at
	}
	for end := p.scan.tokens[p.i-1].Span.End; at > 0 && p.scan.comments[at-1].Start >= end && p.scan.startsLine(int(p.scan.comments[at-1].Start)); {
		at--
	}
	return at
}

// begin begins a statement, and gives the index of the first comment that is its own.
func (p *Parser) begin() (comments int) {
	p.declared, p.inQuotes = p.declared[:0], nil
	p.lastID, p.depth, p.height, p.bodies, p.arrays, p.empty, p.broken, p.spliced, p.quoted, p.inFor, p.bodyUnread = 0, 0, 0, 0, 0, 0, false, false, false, false, false
	p.open, p.hopeless, p.farJoins = nil, 0, nil
	p.errors, p.run = p.errors[:0], parenRun{}
	p.begun, p.first = p.i, p.i
	comments = p.carried()
	if p.i == len(p.scan.tokens) {
		p.scan.directives()
		p.scan.fill()
	}
	p.load()
	return comments
}

// startsAnother reports whether the text goes on with another statement on a
// line of its own, as scripts do where the semicolon is optional.
func (p *Parser) startsAnother() bool {
	if !p.dialect.Has(dialect.BatchLines) {
		return false
	}
	if p.bodies > 0 && p.dialect == dialect.SQLServer && p.atAny(word.End, word.Else) { // of what it stands in
		return true
	}
	if !p.startsLine() {
		return false
	}
	switch p.word {
	case word.With: // of a query, not options
		next := p.peek(1)
		return next.Word() == word.Recursive || next.Kind != LeftParen && (p.peek(2).Word() == word.As || p.peek(2).Kind == LeftParen)
	case word.Merge, word.Grant, word.End:
		return true
	case word.Raiserror, word.Waitfor:
		return false
	}
	return p.atBatchWord()
}

// goesOn reports whether a statement of Transact-SQL begins behind another on the same line: the words
// that it begins with are reserved there.
func (p *Parser) goesOn() bool { return p.dialect == dialect.SQLServer && p.atBatchWord() }

// atNext reports whether the next statement begins here without a semicolon before it.
func (p *Parser) atNext() bool { return p.startsAnother() || p.goesOn() }

// atBatchWord reports whether a word stands here that begins a statement where semicolons are optional.
func (p *Parser) atBatchWord() bool {
	switch p.word {
	case word.Select, word.Insert, word.Update, word.Delete, word.Create, word.Alter, word.Drop, word.Declare, word.Exec, word.Execute,
		word.Print, word.If, word.Set, word.Begin, word.Truncate, word.Use, word.Commit, word.Rollback, word.Return, word.While,
		word.Open, word.Close, word.Deallocate, word.Raiserror, word.Waitfor:
		return true
	case word.Fetch: // of a cursor, not the row limit
		next := p.peek(1).Word()
		return p.peek(2).Word() == word.From || p.dialect == dialect.SQLServer && next != word.First && next != word.Next
	case word.Add:
		return p.dialect == dialect.SQLServer && p.says(1, "signature")
	case word.End:
		return p.endsConversation()
	case word.Merge: // not a join's, nor that of a partition function
		next := p.peek(1).Word()
		return p.dialect == dialect.SQLServer && next != word.Join && next != word.Range && next != word.Union
	case word.Backup, word.Break, word.Bulk, word.Checkpoint, word.Continue, word.Dbcc, word.Deny, word.Goto, word.Grant, word.Kill,
		word.Lineno, word.Readtext, word.Reconfigure, word.Restore, word.Revert, word.Revoke, word.Save, word.Setuser,
		word.Shutdown, word.Updatetext, word.Writetext:
		return p.dialect == dialect.SQLServer
	case word.NoWord: // a label
		return p.tok.Kind == WordToken && p.peek(1).Kind == Colon && p.dialect == dialect.SQLServer
	}
	return false
}

// startsLine reports whether tok is the first token of its line.
func (p *Parser) startsLine() bool {
	for i := int(p.last); i < int(p.tok.Span.Start); i++ {
		if c := p.scan.src[i]; c == '\n' || c == '\r' {
			return true
		}
	}
	return p.i == p.begun
}

// startsLineAt reports whether the token of index i stands on a later line than the one
// before it.
func (p *Parser) startsLineAt(i int) bool {
	between := p.scan.src[p.scan.tokens[i-1].Span.End:p.scan.tokens[i].Span.Start]
	return bytes.ContainsAny(between, "\r\n")
}

// skipStatement moves to the end of the statement in hand and gives its index.
func (p *Parser) skipStatement() int {
	i := p.failed
	for {
		for ; i < len(p.scan.tokens); i++ {
			switch p.scan.tokens[i].Kind {
			case Semicolon, BatchEnd, EOF:
				p.i = i
				return i
			}
		}
		p.scan.fill()
	}
}

func (p *Parser) load() {
	p.tok = p.scan.tokens[p.i]
	p.word = p.tok.word
}

// next moves to the next token. It does not move past the end of the text.
func (p *Parser) next() {
	if p.tok.Kind == EOF { // as it is while broken, too
		return
	}
	p.last = p.tok.Span.End
	p.i++
	if p.i >= len(p.scan.tokens) {
		p.scan.fill()
	}
	p.load()
}

// peek gives the n-th token after tok, looking no further than the statement.
func (p *Parser) peek(n int) Token {
	if p.broken || p.i+n >= len(p.scan.tokens) {
		return Token{}
	}
	return p.scan.tokens[p.i+n]
}

func (p *Parser) at(w word.Word) bool { return p.word == w }

func (p *Parser) atAny(ws ...word.Word) bool {
	if p.word == word.NoWord {
		return false
	}
	for _, w := range ws {
		if p.word == w {
			return true
		}
	}
	return false
}

func (p *Parser) atEnd() bool {
	return p.tok.Kind == Semicolon || p.tok.Kind == EOF || p.tok.Kind == BatchEnd
}

// accept moves past the word if it stands here.
func (p *Parser) accept(w word.Word) bool {
	if p.word != w {
		return false
	}
	p.next()
	return true
}

func (p *Parser) acceptKind(k TokenKind) bool {
	if p.tok.Kind != k {
		return false
	}
	p.next()
	return true
}

func (p *Parser) expect(w word.Word) {
	if !p.accept(w) {
		p.fail(w.String())
	}
}

func (p *Parser) expectKind(k TokenKind, what string) {
	if !p.acceptKind(k) {
		p.fail(what)
	}
}

// resume leaves the broken state at the next clause of the construct whose
// first token has the index from, or at the parenthesis that closes it.
// It reports whether there is one.
func (p *Parser) resume(from int) bool {
	if p.hopeless == p.failed+1 {
		return false // what is around has as many parentheses open, or more
	}
	depth := 0
	for i := from + 1; i < len(p.scan.tokens); i++ {
		t := p.scan.tokens[i]
		switch t.Kind {
		case LeftParen:
			depth++
		case RightParen:
			depth--
		case Semicolon, EOF, BatchEnd:
			if i >= p.failed {
				p.hopeless = p.failed + 1
			}
			return false
		}
		if i < p.failed || depth > 0 {
			continue
		}
		if depth < 0 || stops[t.Word()]&startsClause != 0 {
			p.broken, p.i = false, i
			p.last = p.scan.tokens[i-1].Span.End
			p.load()
			return true
		}
	}
	return false
}

// enter counts nesting; where it is too deep it fails and reports false.
func (p *Parser) enter() bool {
	p.depth++
	if p.depth > maxDepth && !p.broken {
		p.breakOff(Error{Kind: DeepError, Span: p.tok.Span})
	}
	return p.depth <= maxDepth
}

func (p *Parser) leave() { p.depth-- }

// link counts what hangs on the part before; where that is too much it fails.
func (p *Parser) link() {
	if p.height++; p.height > maxHeight && !p.broken {
		p.breakOff(Error{Kind: DeepError, Span: p.tok.Span})
	}
}

// node gives the header of a node that begins at start and ends with the
// token before tok.
func (p *Parser) node(start text.Pos) node {
	p.lastID++
	if p.last < start {
		p.empty = start
	}
	return node{span: text.Span{Start: start, End: max(p.last, start, p.empty)}, id: p.lastID}
}

// since gives the span from a position to the end of the last token, empty if none stood
// behind it.
func (p *Parser) since(start text.Pos) text.Span {
	return text.Span{Start: start, End: max(p.last, start)}
}

func (p *Parser) start() text.Pos { return p.tok.Span.Start }
