package run

import (
	"strconv"
	"strings"

	"justlens/core/schema"
	"justlens/core/syntax"
)

// Param is a parameter or variable of a query, which is given a value for a run.
type Param struct {
	// Name is as it is written; of a bare ? its number, from 1.
	Name string
	Type schema.Type
}

// param compiles a parameter, whose type its place tells.
func (c *compiler) param(n *syntax.Param) eval {
	name := c.Text(n)
	if name == "?" {
		name = "?" + strconv.Itoa(len(c.plan.Params)+1)
	}
	t := c.Type(n)
	if t.Class == 0 {
		t = c.PlaceOf(n).Type
	}
	if t.Class == 0 {
		c.stop(n, "the parameter %s, whose type its place does not tell", name)
	}
	at := -1
	for i, p := range c.plan.Params {
		if strings.EqualFold(p.Name, name) {
			at = i
		}
	}
	if at < 0 {
		at = len(c.plan.Params)
		c.plan.Params = append(c.plan.Params, Param{name, t})
	}
	return func(f *frame) Value {
		if at >= len(f.run.plan.given) {
			panic(Unknown{What: "the parameter " + name, Span: n.Span()})
		}
		return f.run.plan.given[at]
	}
}

// Give sets the values of the parameters for the runs to come, in the order of Params.
func (p *Plan) Give(values []Value) { p.given = values }

// Given gives the value that a parameter has, by its place in Params.
func (p *Plan) Given(i int) Value {
	if i < len(p.given) {
		return p.given[i]
	}
	return Value{}
}
