package review

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
)

// call is a check with one of its occasions; node is that of the hook, kept at hand.
type call struct {
	check *check.Check
	node  func(*check.Pass, syntax.Node)
	needs facts.Traits
	hook  *check.Hook
}

// dispatch knows for every occasion which checks are to be called, under one dialect.
type dispatch struct {
	kinds     [256][]call
	operators [256][]call
	names     [nameSorts][]call
	calls     []call              // of calls, all of them
	functions [][callSorts][]call // of calls, by facts.Function.ID; as far as met
	known     []bool              // which of functions are made
	clauses   []call
	traits    syntax.KindSet // the kinds of which some check asks for traits
	whole     []call
	errors    []call
}

// Sorts of names: their status, whether they are bare, in quotes, of a source with columns
// in quotes.
const (
	isBare    = 1
	isQuoted  = 2
	isExact   = 4
	perStatus = 8
	nameSorts = int(bind.Statuses) * perStatus
)

// Sorts of calls of one function.
const (
	hasOver     = 1
	hasDistinct = 2
	isAggregate = 4
	callSorts   = 8
)

// newDispatch leaves out the checks whose findings are too uncertain to be given.
func newDispatch(o Options, on dialect.Dialect, versioned bool) *dispatch {
	d := &dispatch{}
	for _, c := range o.Checks {
		if c.OnRequest && o.Certainty > check.Possible {
			continue
		}
		for i := range c.On {
			h := &c.On[i]
			if (h.Dialects == 0 || h.Dialects.Has(on)) && (!h.OnlyVersioned || versioned) {
				d.add(call{c, h.Node, h.Traits, h})
			}
		}
	}
	return d
}

func (d *dispatch) add(c call) {
	switch h := c.hook; h.Event {
	case check.OnNode:
		for k := range syntax.KindCount {
			if h.Kinds.Has(k) {
				d.kinds[k] = append(d.kinds[k], c)
				if h.Traits != 0 {
					d.traits[k>>6] |= 1 << (k & 63)
				}
			}
		}
	case check.OnOperator:
		for _, op := range h.Ops {
			d.operators[op] = append(d.operators[op], c)
		}
	case check.OnName:
		for sort := range d.names {
			status := bind.Status(sort / perStatus)
			if (len(h.Statuses) == 0 || slices.Contains(h.Statuses, status)) && (!h.OnlyBare || sort&isBare != 0) && (!h.OnlyQuoted || sort&isQuoted != 0) && (!h.OnlyExact || sort&isExact != 0) {
				d.names[sort] = append(d.names[sort], c)
			}
		}
	case check.OnCall, check.OnAggregate, check.OnWindow, check.OnDistinct:
		d.calls = append(d.calls, c)
	case check.OnClause:
		d.clauses = append(d.clauses, c)
	case check.OnStatement:
		d.whole = append(d.whole, c)
	case check.OnError:
		d.errors = append(d.errors, c)
	}
}

// forget drops what is known of functions, whose numbers begin anew.
func (d *dispatch) forget() { d.functions, d.known = d.functions[:0], d.known[:0] }

// ofName gives the calls for a name.
func (d *dispatch) ofName(n *syntax.Name, u *bind.Use) []call {
	sort := int(u.Status) * perStatus
	if len(n.Parts) == 1 {
		sort |= isBare
	}
	if n.Parts[len(n.Parts)-1].Quoted {
		sort |= isQuoted | isExact
	}
	if u.Source != nil && u.Source.Quoted {
		sort |= isExact
	}
	return d.names[sort]
}

// ofCall gives the calls for a call of a function.
func (d *dispatch) ofCall(in *facts.Facts, c *syntax.Call) []call {
	f := in.Function(c)
	for f.ID >= len(d.known) {
		d.known = append(d.known, false)
		d.functions = append(d.functions, [callSorts][]call{})
	}
	if !d.known[f.ID] {
		d.known[f.ID] = true
		d.meet(f)
	}
	sort := 0
	if c.Over != nil {
		sort |= hasOver
	}
	if c.Distinct {
		sort |= hasDistinct
	}
	if in.IsAggregate(c) {
		sort |= isAggregate
	}
	return d.functions[f.ID][sort]
}

// meet sorts the checks of calls for a function.
func (d *dispatch) meet(f *facts.Function) {
	for sort := range callSorts {
		for _, c := range d.calls {
			if len(c.hook.Functions) > 0 && !slices.Contains(c.hook.Functions, f.Name) {
				continue
			}
			switch c.hook.Event {
			case check.OnAggregate:
				if sort&isAggregate == 0 {
					continue
				}
			case check.OnWindow:
				if sort&hasOver == 0 {
					continue
				}
			case check.OnDistinct:
				if sort&hasDistinct == 0 {
					continue
				}
			}
			d.functions[f.ID][sort] = append(d.functions[f.ID][sort], c)
		}
	}
}
