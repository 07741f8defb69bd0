package review

import (
	"cmp"
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
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
	// Unread are the statements that are nested more deeply than is read; nothing is said
	// of them.
	Unread []text.Span
	// Faults are what went wrong in the program itself. Each costs its statement, or
	// of that what one check would have found.
	Faults []Fault
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
}

// Reviewer reviews one text after another. It is not safe for use by several
// goroutines.
type Reviewer struct {
	options Options
	names   *syntax.Names
	parser  *syntax.Parser
	binder  *bind.Binder
	byKind  [256][]*check.Check
	whole   []*check.Check
	pass    check.Pass
	found   []Finding
	faults  []Fault
	faulty  []*check.Check // those that failed on the statement in hand
	told    map[*check.Check]*tally
}

// tally is what a check found in the statement in hand: the places of the findings that
// are told, and how many more there are.
type tally struct {
	places []int
	more   int
}

// New makes a reviewer.
func New(o Options) *Reviewer {
	r := &Reviewer{options: o, told: map[*check.Check]*tally{}}
	r.renew()
	for _, c := range o.Checks {
		if c.Statement != nil {
			r.whole = append(r.whole, c)
		}
		if c.Run == nil {
			continue
		}
		for k := range syntax.KindCount {
			if c.Kinds.Has(k) {
				r.byKind[k] = append(r.byKind[k], c)
			}
		}
	}
	r.pass.Found = r.take
	return r
}

func (r *Reviewer) renew() {
	r.names = syntax.NewNames()
	r.parser = syntax.NewParser(r.names)
	r.binder = bind.NewBinder(r.names)
}

// Review reviews a text. What it gives does not refer to the reviewer.
func (r *Reviewer) Review(f *text.File) *File {
	if r.names.IsFull() {
		r.renew()
	}
	r.found, r.faults = r.found[:0], r.faults[:0]
	out := &File{Text: f, Dialect: r.options.Dialect}
	if r.options.Auto {
		out.Dialect, out.Clue = syntax.Guess(f.Bytes(), r.names)
	}
	r.parser.ResetTo(f.Bytes(), out.Dialect, r.options.Version)
	tables := schema.New(r.options.Schema).For(out.Dialect)
	r.binder.Reset(f.Bytes(), out.Dialect, tables)
	r.pass.Dialect, r.pass.Version = out.Dialect, r.options.Version
	for stmt := r.next(); stmt != nil; stmt = r.next() {
		if slices.ContainsFunc(stmt.Errors, func(e syntax.Error) bool { return e.Kind == syntax.DeepError }) {
			out.Unread = append(out.Unread, stmt.Span)
		} else {
			r.statement(stmt, out.Statements)
		}
		if f := fault.Guard("reading definitions", func() { tables.Apply(stmt, f.Bytes()) }); f != nil {
			r.faults = append(r.faults, Fault{stmt.Span, f})
		}
		out.Statements++
	}
	out.Findings = slices.Clone(r.found)
	out.Faults = slices.Clone(r.faults)
	return out
}

// next reads the next statement. One that a fault ends is passed over; if that
// cannot be done, the text ends here.
func (r *Reviewer) next() (stmt *syntax.Statement) {
	at := text.Pos(-1)
	for {
		caught := fault.Guard("reading", func() { stmt = r.parser.Next() })
		if caught == nil {
			return stmt
		}
		passed := text.Span{Start: at, End: at}
		again := fault.Guard("reading", func() { passed = r.parser.Skip() })
		r.faults = append(r.faults, Fault{passed, caught})
		if again != nil || passed.End <= at {
			return nil
		}
		at = passed.End
	}
}

// statement runs the checks on one statement. What a check found before it failed
// is dropped, and the others look again without it.
func (r *Reviewer) statement(stmt *syntax.Statement, number int) {
	from := len(r.found)
	r.faulty = r.faulty[:0]
	clear(r.told)
	for {
		r.pass.Check = nil
		caught := fault.Guard("binding names", func() { r.examine(stmt) })
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
	for i := range mine {
		mine[i].Statement = number
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

// examine binds a statement and calls the checks. One whose end could not be read is only
// told so: what else might be said could hang on what is hidden.
func (r *Reviewer) examine(stmt *syntax.Statement) {
	r.pass.Stmt = stmt
	r.pass.Info = r.binder.Bind(stmt)
	for _, c := range r.whole {
		if r.pass.Check = c; !slices.Contains(r.faulty, c) {
			c.Statement(&r.pass)
		}
	}
	if !stmt.Cut {
		syntax.Walk(stmt.Node, r.visit)
	}
}

// visit runs the checks that a node's kind calls.
func (r *Reviewer) visit(n syntax.Node, k syntax.Kind) {
	if k == syntax.KindSelect && r.pass.Scope(n) == nil {
		return // nothing is known of what it names
	}
	for _, c := range r.byKind[k] {
		if r.pass.Check = c; len(r.faulty) == 0 || !slices.Contains(r.faulty, c) {
			c.Run(&r.pass, n)
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
