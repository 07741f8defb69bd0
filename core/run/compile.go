package run

import (
	"fmt"
	"math"
	"strings"
	"time"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/fault"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Unknown is the error of what the evaluator does not know: a construct, a function, a
// conversion. Nothing is guessed in its place.
type Unknown struct {
	What string
	Span text.Span // in bytes of the text
	// Table tells that it is a table of which the schema does not tell.
	Table bool
}

func (u Unknown) Error() string {
	if u.Table {
		return "nothing is known of " + u.What + "; a schema would tell"
	}
	return "what becomes of " + u.What + " is not worked out here"
}

// Refusal is the error with which the database would end the query while it runs.
type Refusal struct {
	What string
	Span text.Span
}

func (r Refusal) Error() string { return "the database refuses it: " + r.What }

// TooMuch is the error of a run that reached a limit.
type TooMuch struct{ What string }

func (t TooMuch) Error() string { return "it takes more than " + t.What }

func unknownHere(what string) Unknown { return Unknown{What: what} }

// Database holds the rows of tables, each row with a value for every column of its table.
type Database map[*schema.Table][][]Value

// Limits bound a run; a zero field stands for the usual bound.
type Limits struct {
	Rows  int // that any step holds, 200,000
	Steps int // rows that are looked at, 50 million
	Depth int // of a recursion, 1,000
}

func (l Limits) orUsual() Limits {
	if l.Rows == 0 {
		l.Rows = 200_000
	}
	if l.Steps == 0 {
		l.Steps = 50_000_000
	}
	if l.Depth == 0 {
		l.Depth = 1_000
	}
	return l
}

// Plan is a query made ready to run. It is not safe for use by several goroutines.
type Plan struct {
	Columns []string // names of the result's columns, "" for one without
	// Tables are those that it reads.
	Tables []*schema.Table
	// Used tells of the columns of these which it names.
	Used map[*schema.Table][]bool
	// Ordered tells that ORDER BY stands at its end.
	Ordered bool
	// Unknown is the first of its expressions that is not known, nil where all are: a run that comes to
	// it ends.
	Unknown *Unknown
	// Generated is a column that it names and that the database works out, "" for none: rows that no
	// database gave have no value for it.
	Generated string
	// Now tells that it asks for the day or the time of the run, which is [Now].
	Now bool

	// Params are its parameters, in the order of the text.
	Params []Param

	// Steps counts the rows that all runs have looked at.
	Steps int

	given []Value
	query *queryPlan
	rules *rules
	memos int
	// Stages are the steps of its outermost SELECT and of the queries in FROM and WITH, in the
	// order in which they are worked.
	stages []*Stage
}

// Result is what a query gives.
type Result struct {
	Rows [][]Value
	// Open tells that the dialect leaves the rows open: rows that are alike for ORDER BY
	// stand before and behind a limit, a column is taken from any row of a group.
	Open bool
	// Loose tells that the order of the rows is open.
	Loose bool
}

// Compile makes a bound query ready to run. The query, its statement and what is known of it
// stay in use. The error is an [Unknown].
func Compile(in *facts.Facts, stmt *syntax.Statement, q *syntax.Query) (*Plan, error) {
	return compile(in, stmt, func(c *compiler) *queryPlan { return c.query(q, nil) })
}

// CompileWrite makes a bound UPDATE, DELETE or MERGE ready to run, as the query of the rows that it would
// touch: what tells these apart, and the values that UPDATE would give them. Nothing is written.
func CompileWrite(in *facts.Facts, stmt *syntax.Statement) (*Plan, error) {
	plan, err := compile(in, stmt, func(c *compiler) *queryPlan { return c.write(stmt.Node) })
	if plan != nil {
		plan.Ordered = false // in which order rows are touched is nothing to see
	}
	return plan, err
}

func compile(in *facts.Facts, stmt *syntax.Statement, make func(*compiler) *queryPlan) (plan *Plan, err error) {
	if caught := fault.Guard("compiling a query", func() { plan, err = compiled(in, stmt, make) }); caught != nil {
		return nil, caught
	}
	return plan, err
}

func compiled(in *facts.Facts, stmt *syntax.Statement, make func(*compiler) *queryPlan) (plan *Plan, err error) {
	c := &compiler{Facts: in, stmt: stmt, rules: rulesOf(in.Dialect), plan: &Plan{Used: map[*schema.Table][]bool{}}, reach: math.MaxInt}
	c.plan.rules = c.rules
	defer func() {
		switch e := recover().(type) {
		case nil:
		case Unknown:
			plan, err = nil, c.placed(e)
		case Refusal:
			plan, err = nil, e
		default:
			panic(e)
		}
	}()
	if at := stmt.ByCaseAlone(in.Src, in.Dialect); !at.IsEmpty() {
		panic(Unknown{What: "a name that differs from another in letter case alone", Span: at})
	}
	c.plan.query = make(c)
	for _, o := range c.plan.query.columns {
		name := ""
		if o.sym != 0 {
			name = in.Names.String(o.sym)
		}
		c.plan.Columns = append(c.plan.Columns, name)
	}
	c.plan.Ordered = len(c.plan.query.order) > 0
	return c.plan, nil
}

// compiler makes a plan of a bound query.
type compiler struct {
	*facts.Facts
	stmt  *syntax.Statement
	rules *rules
	plan  *Plan
	scope *scope
	ctes  map[*syntax.Query]*ctePlan
	// growing are the recursive queries that are being compiled, the innermost last.
	growing []*ctePlan
	// reach is the lowest level of a scope that what is being compiled refers to.
	reach int
	at    syntax.Node // for errors that know no place
	by    *rules      // of the comparison that is being compiled, where it names a collation
	depth int
	inner int // how many subqueries in expressions are around
	views int // how many views are around
}

func (c *compiler) placed(u Unknown) Unknown {
	if u.Span.IsEmpty() && c.at != nil {
		u.Span = c.at.Span()
	}
	return u
}

// stop ends the compilation at what is not known.
func (c *compiler) stop(at syntax.Node, format string, args ...any) {
	panic(Unknown{What: fmt.Sprintf(format, args...), Span: at.Span()})
}

// memo gives a place in which a run keeps what it worked out once.
func (c *compiler) memo() int {
	c.plan.memos++
	return c.plan.memos - 1
}

// scope is a SELECT that is being compiled: where in its rows the columns of its sources are.
type scope struct {
	bound   *bind.Scope
	up      *scope
	level   int
	sources []place
	width   int
	merged  []mergedColumn
	// grouped tells that expressions stand behind GROUP BY.
	grouped bool
	groups  *groupPlan    // nil without
	keys    []syntax.Expr // of GROUP BY
	aggs    []*aggregate
	bare    []*aggregate // columns that are no key
	windows []*windowPlan
	rownum  int // where in a row ROWNUM ends, 0 where it is not named
	extras  int // values beside a row: keys, aggregates, windows
	// inList tells that the select list or what stands behind it is being compiled, where windows may stand.
	inList bool
	// inAggregate tells that the arguments of an aggregate are being compiled.
	inAggregate bool
}

// place is where the columns of a source begin in the rows of its scope.
type place struct {
	source  *bind.Source
	at, len int
}

// mergedColumn is a column that USING or NATURAL made of two.
type mergedColumn struct {
	sym   syntax.Sym
	value eval
	left  int // its place in the row of the left side, for a later join
}

// eval gives the value of an expression for a row, cond the truth of a condition.
type (
	eval func(*frame) Value
	cond func(*frame) Truth
)

// frame is what an expression sees: a row, the values beside it, and the row of the query around.
type frame struct {
	run   *running
	up    *frame
	row   []Value
	extra []Value
}

// running is one run of a plan.
type running struct {
	plan   *Plan
	data   Database
	limits Limits
	steps  int
	memos  []any
	open   bool
	loose  bool
	now    time.Time
	at     syntax.Node // what is worked out, for errors
	trace  Tracer
}

// step counts a row that is looked at.
func (r *running) step() {
	if r.steps++; r.steps > r.limits.Steps {
		panic(TooMuch{fmt.Sprintf("%d rows looked at", r.limits.Steps)})
	}
}

// hold checks how many rows a step keeps.
func (r *running) hold(n int) {
	if n > r.limits.Rows {
		panic(TooMuch{fmt.Sprintf("%d rows in one step", r.limits.Rows)})
	}
}

// Now is the moment at which every run takes place.
var Now = time.Date(2026, 6, 15, 10, 30, 0, 0, time.UTC)

// Run runs the plan. The error is an [Unknown], a [Refusal], a [TooMuch], or a fault of the
// program itself.
func (p *Plan) Run(data Database, limits Limits) (*Result, error) { return p.Trace(data, limits, nil) }

// Trace runs the plan and tells the tracer of every row at every stage; nil for none.
func (p *Plan) Trace(data Database, limits Limits, trace Tracer) (result *Result, err error) {
	if caught := fault.Guard("running a query", func() { result, err = p.run(data, limits, trace) }); caught != nil {
		return nil, caught
	}
	return result, err
}

func (p *Plan) run(data Database, limits Limits, trace Tracer) (result *Result, err error) {
	r := &running{plan: p, data: data, limits: limits.orUsual(), memos: make([]any, p.memos), now: Now, trace: trace}
	defer func() {
		p.Steps += r.steps
		var at text.Span
		if r.at != nil {
			at = r.at.Span()
		}
		switch e := recover().(type) {
		case nil:
		case Unknown:
			if e.Span.IsEmpty() {
				e.Span = at
			}
			result, err = nil, e
		case Refusal:
			if e.Span.IsEmpty() {
				e.Span = at
			}
			result, err = nil, e
		case TooMuch:
			result, err = nil, e
		default:
			panic(e)
		}
	}()
	rows := p.query.rows(&frame{run: r})
	for _, row := range rows {
		roundShown(row)
	}
	return &Result{Rows: rows, Open: r.open, Loose: r.loose || len(p.query.order) == 0}, nil
}

// isPostgres reports whether the rules are PostgreSQL's, which the standard is read by.
func (r *rules) isPostgres() bool { return r.dialect == dialect.Postgres || r.dialect == dialect.ANSI }

// word gives the text of a node in lower case, for keywords that the tree does not keep.
func (c *compiler) word(span text.Span) string { return strings.ToLower(text.View(c.Src, span)) }

// SpanOf gives the place that an error of compiling or running is about; ok is false for one
// without a place.
func SpanOf(err error) (span text.Span, ok bool) {
	switch e := err.(type) {
	case Unknown:
		span = e.Span
	case Refusal:
		span = e.Span
	case Damaged:
		span = e.Span
	}
	return span, !span.IsEmpty()
}
