package definitions

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var beyondRow = &check.Check{
	ID:     "definition.beyond-row",
	Title:  "definition that asks more than its own row",
	Errors: []string{"0A000", "42803", "42P20", "1901", "1970", "ORA-02251", "ORA-00934", "Msg 1046", "Msg 147"},
	Doc: "CHECK, DEFAULT, a generated column and an index are worked out for one row, from that row alone: no subquery, aggregate or window " +
		"function may stand there. What other rows decide is asked by a foreign key, a unique key or a trigger.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer CHECK (hive_id IN (SELECT hive_id FROM hives)))",
		Good: "CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer REFERENCES hives (hive_id))",
		Near: []string{
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, hive_id integer CHECK (hive_id IN (1, 2)))",
			"CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer CHECK (weight_kg > ABS(colony_id)))",
			"CREATE VIEW heavy AS SELECT hive_id FROM harvests WHERE weight_kg > (SELECT AVG(weight_kg) FROM harvests)",
		},
	}, {
		Bad:  "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer CHECK (SUM(weight_kg) < 900))",
		Good: "CREATE TABLE colonies (colony_id integer PRIMARY KEY, weight_kg integer CHECK (weight_kg < 900))",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE INDEX heavy ON harvests (hive_id) WHERE weight_kg > (SELECT AVG(weight_kg) FROM harvests)",
		Good:    "CREATE INDEX heavy ON harvests (hive_id) WHERE weight_kg > 20",
		Near:    []string{"CREATE INDEX heavy ON harvests (hive_id) WHERE weight_kg > 20"},
	}},
	On: check.Nodes(beyondInConstraint).And(check.Nodes(beyondInIndex)),
}

func beyondInConstraint(p *check.Pass, c *syntax.Constraint) {
	where := ""
	switch c.Type {
	case syntax.CheckKey:
		where = "CHECK"
	case syntax.DefaultValue:
		where = "DEFAULT"
	case syntax.GeneratedAs:
		where = "a generated column"
	default:
		return
	}
	if c.X != nil && p.Tells(c) {
		beyond(p, c.X, where)
	}
}

func beyondInIndex(p *check.Pass, n *syntax.CreateIndex) {
	if !p.Tells(n) {
		return
	}
	for _, item := range n.Items {
		beyond(p, item.X, "an index")
	}
	if n.Where != nil {
		beyond(p, n.Where.Cond, "the condition of an index")
	}
}

// beyond reports the first part of an expression that looks at other rows.
func beyond(p *check.Pass, x syntax.Expr, where string) {
	var at text.Span
	what := ""
	syntax.Inspect(x, func(n syntax.Node) bool {
		if what != "" {
			return false
		}
		switch n := n.(type) {
		case *syntax.Query:
			at, what = n.Span(), "a subquery"
		case *syntax.Call:
			switch {
			case p.IsAggregate(n):
				at, what = n.Span(), "the aggregate "+p.Brief(n)
			case n.Over != nil:
				at, what = n.Span(), "the window function "+p.Brief(n)
			}
		}
		return what == ""
	})
	if what == "" || p.Dialect == dialect.SQLite && where == "DEFAULT" && what != "a subquery" {
		return // SQLite asks when the value is needed
	}
	f := check.Finding{
		Span: at, Context: x.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s cannot use %s", where, what),
		Why:     "It is worked out for one row, from that row alone.",
		Mends:   []check.Mend{{Title: "use a foreign key or a unique key where that is meant, else a trigger", Effect: check.ByHand}},
	}
	if p.Dialect == dialect.ANSI && what == "a subquery" {
		f.Certainty = check.Likely // the standard allows it
	}
	if where == "DEFAULT" {
		f.Mends[0].Title = "give the value where the row is inserted, or by a trigger"
	}
	p.Report(f)
}
