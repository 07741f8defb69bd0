package review

import (
	"cmp"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/compare"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/fault"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Options say how to review.
type Options struct {
	Dialect dialect.Dialect
	// Version of the dialect, zero for the newest.
	Version dialect.Version
	// Auto guesses the dialect of each text instead.
	Auto bool
	// Schema holds the tables known beforehand; it may be nil and is only read.
	Schema *schema.Schema
	// Certainty is the least certainty of the findings to give.
	Certainty check.Certainty
	// Checks are those to run.
	Checks []*check.Check
	// Acceptable are the checks that an acceptance may name, those that are not run among them;
	// nil for Checks.
	Acceptable []*check.Check
	// Limits of the project.
	Limits check.Limits
	// ReasonOptional lets an acceptance do without a reason.
	ReasonOptional bool
	// Most is how many findings of one check to give of one statement, zero for all.
	// The last of them tells how many more there are.
	Most int
}

// File is the outcome for one text.
type File struct {
	Text    *text.File
	Dialect dialect.Dialect
	// Clue tells what the dialect was guessed from, "" if nothing was guessed.
	Clue       string
	Statements int
	// Findings are in the order of their statements, within a statement in the
	// order of the text.
	Findings []Finding
	// Accepted are those that comments of the text accept; they are not among Findings.
	Accepted []Accepted
	// Unread are the statements that are nested more deeply than is read; nothing is said
	// of them.
	Unread []text.Span
	// Passed counts what was read and not reviewed.
	Passed Passed
	// Faults are what went wrong in the program itself. Each costs its statement, or
	// of that what one check would have found.
	Faults []Fault
}

// Passed counts what a review passes over: statements by their first word in capitals, of
// kinds of which no check knows anything, bodies of routines that are not read, and statements
// that can be read only with what a template puts in.
type Passed struct {
	Statements map[string]int
	Bodies     int
	Templates  int
}

// Add counts what was passed over elsewhere to it.
func (p *Passed) Add(other Passed) {
	for word, n := range other.Statements {
		p.count(word, n)
	}
	p.Bodies += other.Bodies
	p.Templates += other.Templates
}

func (p *Passed) count(word string, n int) {
	if p.Statements == nil {
		p.Statements = map[string]int{}
	}
	p.Statements[word] += n
}

// note counts a statement if it is passed over.
func (p *Passed) note(stmt *syntax.Statement, src []byte) {
	if stmt.BodyUnread {
		p.Bodies++
	}
	if other, ok := stmt.Node.(*syntax.OtherStmt); ok && len(stmt.Errors) == 0 {
		p.count(strings.ToUpper(string(src[other.Keyword.Start:other.Keyword.End])), 1)
	}
}

// Fault is a fault of the program itself with the statement in which it showed.
type Fault struct {
	Span text.Span
	*fault.Fault
}

// Told is how many findings of one check in one statement a reader is told of.
const Told = 50

// Finding is a finding with the number of its statement in the file, from 0.
type Finding struct {
	check.Finding
	Statement int
	// More counts those of the same check and statement that are not given.
	More int
	// Of is the span of the statement.
	Of text.Span
	// Fingerprint is that of the statement.
	Fingerprint Fingerprint
	// Evidence is what is seen of it on rows, nil where that was not asked.
	Evidence *compare.Evidence
	// Object names what the finding stands in, as "view heavy, CTE loads"; "" where it
	// stands in a statement that makes nothing with a name.
	Object string
}

// Reviewer reviews one text after another. It is not safe for use by several
// goroutines.
type Reviewer struct {
	options              Options
	version              dialect.Version // of the dialect in hand, zero for the newest
	names                *syntax.Names
	parser               *syntax.Parser
	binder               *bind.Binder
	byDialect            [dialect.Count][2]*dispatch // for the newest version and for others, made when first asked for
	dispatch             *dispatch                   // that of the dialect in hand
	pass                 check.Pass
	batch                []*syntax.Statement // those that were read and not yet looked at
	more                 bool                // whether there may be others behind them
	readsMore            bool                // those of the batch are to be kept
	stmt                 *syntax.Statement   // in hand
	text                 []byte              // in hand
	modes                syntax.Modes        // in which a large text is read on
	tables               *schema.Schema      // what is known at the statement
	visitor              func(syntax.Node, syntax.Kind)
	bound                []*bind.Info // of the statements that are looked at together
	bindsMore            bool         // what is known of them is to be kept
	info                 *bind.Info   // of the statement in hand, nil where it was not bound
	bind                 func()
	readOn, look, define func() // fill, examine and apply, made once
	connect              func() // goes to the database that a command of the client names
	found                []Finding
	faults               []Fault
	faulty               []*check.Check // those that failed on the statement in hand
	told                 map[*check.Check]*tally
}

// tally is what a check found in the statement in hand: the places of the findings that
// are told, and how many more there are.
type tally struct {
	places []int
	more   int
}

// New makes a reviewer.
func New(o Options) *Reviewer {
	if o.Acceptable == nil {
		o.Acceptable = o.Checks
	}
	r := &Reviewer{options: o, told: map[*check.Check]*tally{}}
	r.renew()
	r.pass.Limits, r.pass.ReasonOptional = o.Limits, o.ReasonOptional
	r.pass.Facts, r.pass.Found, r.pass.Least = &facts.Facts{}, r.take, o.Certainty
	r.readOn, r.look = r.fill, r.examine
	r.bind = func() {
		r.info = r.bindNext(r.stmt)
	}
	r.connect = func() { r.tables.Connect(r.stmt, r.text) }
	r.define = func() { r.tables.Apply(r.stmt, r.text) }
	r.visitor = r.visit
	return r
}

func (r *Reviewer) renew() {
	r.names = syntax.NewNames()
	r.parser = syntax.NewParser(r.names)
	r.binder = bind.NewBinder(r.names)
	for _, both := range r.byDialect {
		for _, d := range both {
			if d != nil {
				d.forget()
			}
		}
	}
}

// seek sets the least certainty that is sought: all that there is where comments accept findings, so
// that one which accepts nothing is known.
func (r *Reviewer) seek(c check.Certainty) {
	r.options.Certainty, r.pass.Least = c, c
	r.byDialect, r.dispatch = [dialect.Count][2]*dispatch{}, nil
}

// Review reviews a text. What it gives does not refer to the reviewer.
func (r *Reviewer) Review(f *text.File) *File { return r.review(f, nil, 1) }

// review is Review with several workers for a large text.
func (r *Reviewer) review(f *text.File, guess *Guess, workers int) *File {
	if !check.MayAccept(f.Bytes()) {
		return r.find(f, guess, workers)
	}
	wanted := r.options.Certainty
	r.seek(check.Possible)
	defer r.seek(wanted)
	out := r.find(f, guess, workers)
	r.accept(out, wanted)
	return out
}

// find gives all findings in a text.
func (r *Reviewer) find(f *text.File, guess *Guess, workers int) *File {
	out := &File{Text: f, Dialect: r.options.Dialect}
	r.version = r.options.Version
	switch {
	case !r.options.Auto:
	case guess != nil:
		out.Dialect, out.Clue, r.version = guess.Dialect, guess.Clue, guess.Version
	default:
		out.Dialect, out.Clue = syntax.Guess(f.Path, f.Bytes(), r.names)
	}
	r.pass.Database = check.Known
	if r.options.Auto && out.Dialect == dialect.ANSI && (guess == nil || !guess.Named) {
		if r.pass.Database = check.Unknown; out.Clue != "" {
			r.pass.Database = check.Foreign
		}
	}
	r.open(f.Bytes(), out.Dialect, schema.New(r.options.Schema).For(out.Dialect))
	if workers > 1 && len(r.text) >= largeText {
		r.large(out, workers)
		return out
	}
	r.parser.ResetTo(r.text, out.Dialect, r.version)
	for r.more = true; r.more; {
		r.read()
		r.examineBatch(out)
	}
	out.Findings, out.Faults = r.findings(), slices.Clone(r.faults)
	return out
}

// findings gives what was found in the text, which is the caller's.
func (r *Reviewer) findings() []Finding {
	const many = 1024 // worth handing over instead of a copy
	if len(r.found) < many {
		return slices.Clone(r.found)
	}
	found := r.found
	r.found = nil
	return found
}

// open makes ready for a text, under a dialect and with the tables known.
func (r *Reviewer) open(src []byte, d dialect.Dialect, tables *schema.Schema) {
	if r.names.IsFull() {
		r.renew()
	}
	r.found, r.faults = r.found[:0], r.faults[:0]
	r.text, r.tables = src, tables
	r.binder.Reset(src, d, tables)
	r.pass.Dialect, r.pass.Version = d, r.version
	r.choose(d)
}

// examineBatch looks at the statements that were read: at those together which define
// nothing that the next would know.
func (r *Reviewer) examineBatch(out *File) {
	for from := 0; from < len(r.batch); {
		to := from + 1
		for isPlain(r.batch[from]) && to < len(r.batch) && isPlain(r.batch[to]) {
			to++
		}
		for from < to {
			from += r.examineTogether(out, r.batch[from:to])
		}
	}
}

// examineTogether looks at some statements, at as many of them as are to be bound at once: it gives
// their count.
func (r *Reviewer) examineTogether(out *File, stmts []*syntax.Statement) int {
	r.bound = r.bound[:0]
	r.bindsMore = false
	if r.stmt = stmts[0]; !r.stmt.Connects.IsEmpty() {
		if f := fault.Guard("going to another database", r.connect); f != nil {
			r.faults = append(r.faults, Fault{r.stmt.Span, f})
		}
	}
	for _, stmt := range stmts {
		r.stmt, r.info = stmt, nil
		if has(stmt, syntax.DeepError) {
			out.Unread = append(out.Unread, stmt.Span)
		} else if has(stmt, syntax.TemplateError) {
			out.Passed.Templates++
		} else if f := fault.Guard("binding names", r.bind); f != nil {
			r.faults = append(r.faults, Fault{stmt.Span, f})
		}
		if r.bound = append(r.bound, r.info); r.binder.IsFull() {
			break
		}
	}
	for i, stmt := range stmts[:len(r.bound)] {
		r.stmt, r.info = stmt, r.bound[i]
		if r.info != nil {
			r.statement(stmt, out.Statements)
		}
		if !isPlain(stmt) {
			if f := fault.Guard("reading definitions", r.define); f != nil {
				r.faults = append(r.faults, Fault{stmt.Span, f})
			}
		}
		out.Passed.note(stmt, r.text)
		out.Statements++
	}
	return len(r.bound)
}

// has reports whether a statement holds an error of a kind.
func has(s *syntax.Statement, kind syntax.ErrorKind) bool {
	return slices.ContainsFunc(s.Errors, func(e syntax.Error) bool { return e.Kind == kind })
}

// batchSize is how many bytes of statements are read before the checks look at them:
// enough for the code of each to stay in the processor's cache, few enough for the trees
// to stay there, too.
const batchSize = 16 * 1024

// read reads a batch of statements. One that a fault ends is passed over; if that cannot
// be done, the text ends here.
func (r *Reviewer) read() {
	r.batch, r.readsMore = r.batch[:0], false
	for passed := text.Pos(-1); ; {
		caught := fault.Guard("reading", r.readOn)
		if caught == nil {
			return
		}
		at := text.Span{Start: passed, End: passed}
		again := fault.Guard("reading", func() { at = r.parser.Skip() })
		r.faults = append(r.faults, Fault{at, caught})
		if again != nil || at.End <= passed {
			r.more = false
			return
		}
		passed, r.readsMore = at.End, true
	}
}

// fill reads statements until the batch is full.
func (r *Reviewer) fill() {
	for {
		stmt := r.readNext()
		if stmt == nil {
			r.more = false
			return
		}
		r.batch = append(r.batch, stmt)
		if stmt.Span.End-r.batch[0].Span.Start > batchSize {
			return
		}
	}
}

// readNext reads the first statement of a batch, or another.
func (r *Reviewer) readNext() *syntax.Statement {
	if r.readsMore {
		return r.parser.More()
	}
	r.readsMore = true
	return r.parser.Next()
}

// bindNext binds the first statement of those that are examined together, or another.
func (r *Reviewer) bindNext(stmt *syntax.Statement) *bind.Info {
	if r.bindsMore {
		return r.binder.More(stmt)
	}
	info := r.binder.Bind(stmt)
	r.bindsMore = true // unless that failed
	return info
}

// statement runs the checks on one statement. What a check found before it failed
// is dropped, and the others look again without it.
func (r *Reviewer) statement(stmt *syntax.Statement, number int) {
	from := len(r.found)
	r.faulty = r.faulty[:0]
	clear(r.told)
	for {
		r.pass.Check = nil
		caught := fault.Guard("looking at a statement", r.look)
		if caught == nil {
			break
		}
		r.found = r.found[:from]
		clear(r.told) // which counts what was dropped
		failed := r.pass.Check
		if failed != nil {
			caught.Doing = "the check " + failed.ID
		}
		r.faults = append(r.faults, Fault{stmt.Span, caught})
		if failed == nil || slices.Contains(r.faulty, failed) {
			break
		}
		r.faulty = append(r.faulty, failed)
	}
	mine := r.found[from:]
	if len(mine) > 0 {
		print := fingerprintOf(stmt, r.text)
		for i := range mine {
			mine[i].Statement, mine[i].Of, mine[i].Fingerprint = number, stmt.Span, print
		}
		placeIn(stmt, r.text, mine)
	}
	slices.SortStableFunc(mine, func(a, b Finding) int {
		return cmp.Or(cmp.Compare(a.Span.Start, b.Span.Start), cmp.Compare(a.Span.End, b.Span.End), cmp.Compare(a.Check.ID, b.Check.ID))
	})
	for c, t := range r.told {
		if t.more > 0 {
			last := len(mine) - 1
			for mine[last].Check != c {
				last--
			}
			mine[last].More = t.more
		}
	}
}

// choose takes the checks of a dialect.
func (r *Reviewer) choose(d dialect.Dialect) {
	known := &r.byDialect[d][min(r.version, 1)]
	if *known == nil {
		*known = newDispatch(r.options, d, r.version > 0)
	}
	if next := *known; r.dispatch != next {
		next.forget() // functions are numbered anew under another dialect
		r.dispatch = next
	}
}

// examine binds a statement and calls the checks. One whose end could not be read is only
// told so: what else might be said could hang on what is hidden.
func (r *Reviewer) examine() {
	stmt := r.stmt
	r.pass.Begin(stmt)
	r.pass.Facts.Reset(r.info)
	for _, c := range r.dispatch.whole {
		if r.begin(c.check) {
			c.hook.Whole(&r.pass)
		}
	}
	for _, e := range stmt.Errors {
		for _, c := range r.dispatch.errors {
			if slices.Contains(c.hook.Errors, e.Kind) && r.begin(c.check) {
				c.hook.Error(&r.pass, e)
			}
		}
	}
	if !stmt.Cut {
		syntax.Walk(stmt.Node, r.visitor)
	}
}

// begin tells that a check is at work; not one that failed on the statement before.
func (r *Reviewer) begin(c *check.Check) bool {
	r.pass.Check = c
	return len(r.faulty) == 0 || !slices.Contains(r.faulty, c)
}

// visit runs the checks that a node calls.
func (r *Reviewer) visit(n syntax.Node, k syntax.Kind) {
	d := r.dispatch
	switch k {
	case syntax.KindLiteral:
		return
	case syntax.KindName:
		n := n.(*syntax.Name)
		r.run(n, d.ofName(n, r.pass.Use(n)), 0)
	case syntax.KindBinary:
		b := n.(*syntax.Binary)
		if calls := d.operators[b.Op]; len(calls) > 0 {
			r.run(n, calls, facts.OperatorTraits(b))
		}
	case syntax.KindCall:
		r.run(n, d.ofCall(r.pass.Facts, n.(*syntax.Call)), 0)
	case syntax.KindSelect:
		if r.pass.Scope(n) == nil {
			return // nothing is known of what it names
		}
	case syntax.KindWhere, syntax.KindHaving, syntax.KindJoin, syntax.KindQualify:
		r.clause(n)
	}
	if calls := d.kinds[k]; len(calls) > 0 {
		traits := facts.Traits(0)
		if d.traits.Has(k) {
			traits = r.pass.TraitsOf(n)
		}
		r.run(n, calls, traits)
	}
}

func (r *Reviewer) run(n syntax.Node, calls []call, traits facts.Traits) {
	for i := range calls {
		if c := &calls[i]; c.needs&^traits == 0 && r.begin(c.check) {
			c.node(&r.pass, n)
		}
	}
}

func (r *Reviewer) clause(n syntax.Node) {
	if len(r.dispatch.clauses) == 0 {
		return
	}
	clause := r.pass.ClauseOf(n)
	if clause == nil {
		return
	}
	for _, c := range r.dispatch.clauses {
		if c.needs&^clause.Traits == 0 && r.begin(c.check) {
			c.hook.Clause(&r.pass, clause)
		}
	}
}

func (r *Reviewer) take(f check.Finding) {
	if f.Certainty < r.options.Certainty {
		return
	}
	t := r.told[f.Check]
	if t == nil {
		t = &tally{}
		r.told[f.Check] = t
	}
	if most := r.options.Most; most > 0 && len(t.places) == most {
		t.more++
		// The first in the text are told; a walk may come upon them last.
		last := slices.MaxFunc(t.places, func(a, b int) int { return cmp.Compare(r.found[a].Span.Start, r.found[b].Span.Start) })
		if f.Span.Start < r.found[last].Span.Start {
			r.found[last].Finding = f
		}
		return
	}
	t.places = append(t.places, len(r.found))
	r.found = append(r.found, Finding{Finding: f})
}
