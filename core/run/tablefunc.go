package run

import (
	"justlens/core/dialect/class"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// tableFunction compiles a function in FROM (PostgreSQL 15, 9.25 "Set Returning Functions").
func (c *compiler) tableFunction(n *syntax.FuncTable) tablePlan {
	src := c.SourceAt(n)
	if src == nil || len(n.Calls) != 1 || n.Typed || !c.rules.isPostgres() {
		c.stop(n, "this table")
	}
	call, ok := n.Calls[0].(*syntax.Call)
	if !ok {
		c.stop(n, "this table")
	}
	work, args := c.rowsCall(call)
	if work == nil {
		c.stop(n, "this table")
	}
	width := 1
	if c.FunctionName(call) == "unnest" {
		width = len(args)
	}
	if n.Ordinality {
		width++
	}
	rows := func(f *frame) [][]Value {
		f.run.at = n
		rows := work(f)
		if n.Ordinality {
			for i := range rows {
				rows[i] = append(rows[i], OfInt(int64(i+1)))
			}
		}
		return rows
	}
	return &scan{c.add(src, width), width, rows, c.stage(SourceStage, n, c.selectOf())}
}

// setOf gives the rows of a function in a select list, one column wide; nil for what gives one value.
func (c *compiler) setOf(x syntax.Expr) func(*frame) [][]Value {
	call, ok := x.(*syntax.Call)
	if !ok || !c.rules.isPostgres() || len(call.Name) != 1 {
		return nil
	}
	work, args := c.rowsCall(call)
	if work == nil || c.FunctionName(call) == "unnest" && len(args) > 1 {
		return nil
	}
	return work
}

// rowsCall compiles a function that gives rows; nil for others.
func (c *compiler) rowsCall(call *syntax.Call) (rows func(*frame) [][]Value, args []eval) {
	var work func(run *running, args []Value) [][]Value
	switch name, n := c.FunctionName(call), len(call.Args); {
	case name == "generate_series" && (n == 2 || n == 3):
		work = series
	case name == "unnest" && n > 0:
		work = unnested
	default:
		return nil, nil
	}
	for i, x := range call.Args {
		of := c.Type(call.Args[0])
		if i == 2 && !of.Class.IsNumber() { // the step between dates
			of = schema.Type{Class: class.Interval}
		}
		args = append(args, c.as(x, of))
	}
	return func(f *frame) [][]Value {
		values := make([]Value, len(args))
		for i, a := range args {
			values[i] = a(f)
		}
		f.run.at = call
		return work(f.run, values)
	}, args
}

// series gives the values from the first to the second, so far apart as the third says.
func series(run *running, args []Value) (rows [][]Value) {
	r := run.plan.rules
	step := OfInt(1)
	if len(args) > 2 {
		step = args[2]
	}
	for i, v := range append(args[:2:2], step) {
		switch {
		case v.IsNull():
			return nil
		case v.Kind == Date:
			args[i] = Value{Kind: Timestamp, n: v.micros()}
		}
	}
	at, end := args[0], args[1]
	ahead := compareNumbers(step, OfInt(0))
	switch {
	case at.Kind == Timestamp && end.Kind == Timestamp && step.Kind == Interval:
		ahead = order(step.length(), 0)
	case !at.isNumber() || at.Kind == Float || !end.isNumber() || end.Kind == Float || !step.isNumber():
		panic(unknownHere("a series of " + at.Kind.noun()))
	}
	if ahead == 0 {
		panic(Refusal{What: "a series with a step of zero"})
	}
	for {
		if o, _ := r.compare(at, end); o == ahead {
			return rows
		}
		rows = append(rows, []Value{at})
		run.hold(len(rows))
		at = r.reckon('+', at, step)
	}
}

// unnested gives the elements of arrays side by side, NULL where one is shorter.
func unnested(run *running, args []Value) (rows [][]Value) {
	for i, a := range args {
		if a.IsNull() {
			continue
		}
		for k, v := range elementsOf(a) {
			if k == len(rows) {
				rows = append(rows, make([]Value, len(args)))
				run.hold(len(rows))
			}
			rows[k][i] = v
		}
	}
	return rows
}
