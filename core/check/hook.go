package check

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
)

// Hook is an occasion on which a check is called. The narrower it is, the less the check
// costs where there is nothing to find.
type Hook struct {
	Event Event
	// Kinds, Ops, Statuses, Functions and Errors narrow the event that they belong to;
	// Functions are names in lower case, none of them for any.
	Kinds     syntax.KindSet
	Ops       []syntax.Op
	Statuses  []bind.Status
	Functions []string
	Errors    []syntax.ErrorKind
	// Traits are those that the node must have.
	Traits facts.Traits
	// OnlyBare, OnlyQuoted and OnlyExact narrow names.
	OnlyBare, OnlyQuoted, OnlyExact bool
	// OnlyVersioned asks for reviews for a certain version of the database.
	OnlyVersioned bool
	// Dialects are those under which the check is called, none for all.
	Dialects dialect.Set

	Node   func(*Pass, syntax.Node)
	Clause func(*Pass, *facts.Clause)
	Whole  func(*Pass)
	Error  func(*Pass, syntax.Error)
	Accept func(*Pass, *Acceptance)
}

// Event is a sort of occasion.
type Event uint8

const (
	OnNode       Event = iota // a node of a kind
	OnOperator                // a binary operator
	OnName                    // a name by what it means
	OnCall                    // a call of some functions
	OnAggregate               // a call that aggregates rows
	OnWindow                  // a call with OVER
	OnDistinct                // a call with DISTINCT
	OnClause                  // a clause that holds a condition
	OnStatement               // each statement, also one that could not be read whole
	OnError                   // a place that could not be read
	OnAcceptance              // a comment that accepts findings, when all have been sought
)

// Hooks are all occasions of a check.
type Hooks []Hook

// Nodes asks for the nodes of one type.
func Nodes[N syntax.Node](run func(*Pass, N)) Hooks {
	var none N
	return Hooks{{Event: OnNode, Kinds: syntax.Kinds(none.Kind()), Node: func(p *Pass, n syntax.Node) { run(p, n.(N)) }}}
}

// Kinds asks for the nodes of several kinds.
func Kinds(run func(*Pass, syntax.Node), kinds ...syntax.Kind) Hooks {
	return Hooks{{Event: OnNode, Kinds: syntax.Kinds(kinds...), Node: run}}
}

// Operators asks for binary operators.
func Operators(run func(*Pass, *syntax.Binary), ops ...syntax.Op) Hooks {
	return Hooks{{Event: OnOperator, Ops: ops, Node: func(p *Pass, n syntax.Node) { run(p, n.(*syntax.Binary)) }}}
}

// Comparisons asks for = <> < <= > >=.
func Comparisons(run func(*Pass, *syntax.Binary)) Hooks {
	return Operators(run, syntax.OpEqual, syntax.OpNotEqual, syntax.OpLess, syntax.OpLessEqual, syntax.OpGreater, syntax.OpGreaterEqual)
}

// Names asks for the names of some statuses, all of them if none is given.
func Names(run func(*Pass, *syntax.Name), statuses ...bind.Status) Hooks {
	return Hooks{{Event: OnName, Statuses: statuses, Node: func(p *Pass, n syntax.Node) { run(p, n.(*syntax.Name)) }}}
}

// With narrows to what has all the traits.
func (h Hooks) With(t facts.Traits) Hooks { return h.each(func(h *Hook) { h.Traits |= t }) }

// Bare narrows to names without a qualifier.
func (h Hooks) Bare() Hooks { return h.each(func(h *Hook) { h.OnlyBare = true }) }

// Quoted narrows to names whose last part stands in quotes.
func (h Hooks) Quoted() Hooks { return h.each(func(h *Hook) { h.OnlyQuoted = true }) }

// Exact narrows to names of which letter case may count: in quotes, or of a source with a
// column that was created in quotes.
func (h Hooks) Exact() Hooks { return h.each(func(h *Hook) { h.OnlyExact = true }) }

// Versioned narrows to reviews for a certain version of the database.
func (h Hooks) Versioned() Hooks { return h.each(func(h *Hook) { h.OnlyVersioned = true }) }

// In narrows to some dialects.
func (h Hooks) In(on dialect.Set) Hooks { return h.each(func(h *Hook) { h.Dialects = on }) }

func (h Hooks) each(f func(*Hook)) Hooks {
	h = slices.Clone(h)
	for i := range h {
		f(&h[i])
	}
	return h
}

// And joins occasions.
func (h Hooks) And(more Hooks) Hooks { return slices.Concat(h, more) }

func calls(event Event, run func(*Pass, *syntax.Call), functions []string) Hooks {
	return Hooks{{Event: event, Functions: functions, Node: func(p *Pass, n syntax.Node) { run(p, n.(*syntax.Call)) }}}
}

// Calls asks for the calls of some functions, by their names in lower case; all if none
// is given.
func Calls(run func(*Pass, *syntax.Call), functions ...string) Hooks {
	return calls(OnCall, run, functions)
}

// Aggregates asks for the calls that aggregate rows, as [facts.Facts.IsAggregate] tells.
func Aggregates(run func(*Pass, *syntax.Call), functions ...string) Hooks {
	return calls(OnAggregate, run, functions)
}

// Windows asks for the calls with OVER.
func Windows(run func(*Pass, *syntax.Call)) Hooks { return calls(OnWindow, run, nil) }

// Distincts asks for the calls with DISTINCT.
func Distincts(run func(*Pass, *syntax.Call), functions ...string) Hooks {
	return calls(OnDistinct, run, functions)
}

// Clauses asks for the clauses that hold a condition: WHERE, HAVING, QUALIFY and ON.
func Clauses(run func(*Pass, *facts.Clause)) Hooks { return Hooks{{Event: OnClause, Clause: run}} }

// Statements asks for each statement, also one that could not be read whole.
func Statements(run func(*Pass)) Hooks { return Hooks{{Event: OnStatement, Whole: run}} }

// Errors asks for the places that could not be read.
func Errors(run func(*Pass, syntax.Error), kinds ...syntax.ErrorKind) Hooks {
	return Hooks{{Event: OnError, Errors: kinds, Error: run}}
}

// Acceptances asks for the comments that accept findings, when all have been sought.
func Acceptances(run func(*Pass, *Acceptance)) Hooks {
	return Hooks{{Event: OnAcceptance, Accept: run}}
}
