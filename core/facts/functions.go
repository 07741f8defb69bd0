package facts

import (
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// Function is what is known of a function by its name.
type Function struct {
	// ID numbers the functions that were called, from 0, in the order in which they
	// were met first under a table of names and a dialect.
	ID   int
	Name string // in lower case
	Kind dialect.FunctionKind
	// Arity is how many arguments it takes; Listed tells that the database has it built in.
	Arity  dialect.Arity
	Listed bool
}

// functions holds each function that was met.
type functions struct {
	dialect dialect.Dialect
	names   *syntax.Names
	bySym   []int32 // one more than the function's ID, by the name's number; 0 if not met yet
	all     []Function
}

// Function tells what a call calls, by the last part of the name.
func (in *Facts) Function(c *syntax.Call) *Function {
	sym := syntax.Sym(0)
	if len(c.Name) > 0 {
		sym = c.Name[len(c.Name)-1].Sym
	}
	f := &in.functions
	if int(sym) < len(f.bySym) && f.bySym[sym] != 0 {
		return &f.all[f.bySym[sym]-1]
	}
	return f.meet(sym)
}

func (f *functions) meet(sym syntax.Sym) *Function {
	for len(f.bySym) <= int(sym) {
		f.bySym = append(f.bySym, 0)
	}
	name := ""
	if sym != 0 {
		name = f.names.String(sym)
	}
	met := Function{ID: len(f.all), Name: name, Kind: dialect.Function(name)}
	met.Arity, met.Listed = f.dialect.Arity(name)
	f.all = append(f.all, met)
	f.bySym[sym] = int32(len(f.all))
	return &f.all[len(f.all)-1]
}

// reset forgets the functions where the names' numbers, or the dialect, are others.
func (f *functions) reset(names *syntax.Names, d dialect.Dialect) {
	if f.names != names || f.dialect != d {
		*f = functions{dialect: d, names: names, bySym: f.bySym[:0], all: f.all[:0]}
	}
}

// FunctionName gives the last part of a called name in lower case.
func (in *Facts) FunctionName(c *syntax.Call) string { return in.Function(c).Name }

// IsAggregate reports whether a call aggregates rows: it names an aggregate
// function and is no window function.
func (in *Facts) IsAggregate(c *syntax.Call) bool {
	if c.Over != nil || len(c.Name) != 1 {
		return false
	}
	f := in.Function(c)
	return f.Kind == dialect.Aggregate && in.Dialect.IsAggregate(f.Name, len(c.Args)) || c.WithinGroup
}

// MayAggregate reports whether a call may aggregate rows for all that is known: its
// function is not built in.
func (in *Facts) MayAggregate(c *syntax.Call) bool {
	if c.Over != nil {
		return false
	}
	f := in.Function(c)
	return in.IsAggregate(c) || f.Kind == dialect.UnknownFunction && !f.Listed
}
