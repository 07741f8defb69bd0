package compare

import (
	"context"
	"errors"
	"math/rand/v2"
	"slices"
	"strings"

	"justlens/core/run"
	"justlens/core/sample"
	"justlens/core/schema"
)

// Options say how to hunt; zero values stand for the usual.
type Options struct {
	// Tries is how many made databases are tried, 5,000; below zero none.
	Tries int
	// Work is how many rows are looked at in all of them before it ends, 100 million.
	Work int
	Seed uint64
	// Rows is the greatest number of rows of a table, 6.
	Rows int
	// Plain gives a query without what can be left out of it with its rows kept, and what that was; nil
	// where nothing is known of that.
	Plain func(*run.Query) (*run.Query, []string)
	// CountOnly looks for another number of rows: the columns are not the same.
	CountOnly bool
	// either looks for two results that the database may give of OLD, stops for rows on which OLD ends with
	// an error and NEW does not.
	either, stops bool
}

// Difference is a database on which two queries give different rows.
type Difference struct {
	// Tables are the tables of the queries with the fewest rows that show it, those without rows
	// left out.
	Tables []sample.Rows
	// Made are these and the tables whose rows they refer to, parents before their children.
	Made []sample.Rows
	// Used tells of the columns of a table that one of the queries names, or that are its key.
	Used map[*schema.Table][]bool
	// Old and New are the results.
	Old, New [][]run.Value
	// Either tells that both are results that the database is free to give of OLD; Meant is then what NEW
	// gives.
	Either bool
	Meant  [][]run.Value
	// Stopped is the error with which OLD ends, nil where it gives rows.
	Stopped error
	// Order tells that the rows are the same in another order.
	Order bool
	// Given are the values of parameters.
	Given []Given
	// Seed made the database.
	Seed uint64
}

// Hunted is what a hunt came to.
type Hunted struct {
	Difference *Difference // nil if none was found
	// Tried counts the databases on which both queries gave rows that can be compared.
	Tried int
	// Open counts those on which the dialect leaves the rows of one of them open, Stopped those
	// on which one of them ends with an error.
	Open, Stopped int
	// Stop is why the last of these ended.
	Stop error
	// Err is why nothing could be tried, nil otherwise.
	Err error
}

// pair are two queries that are compared.
type pair struct {
	old, new  *run.Query
	countOnly bool
	// either compares what OLD gives with what it gives where the tables hand their rows out in the other
	// order, in place of NEW.
	either bool
	stops  bool // the databases on which OLD ends with an error count
}

// limits bound the work on one made database.
var limits = run.Limits{Rows: 20_000, Steps: 400_000, Depth: 60}

// Hunt runs two queries on made databases until they differ. Both have plans. Made rows keep the
// rules of the schema; among their values are the constants of both queries and their neighbours.
func Hunt(ctx context.Context, before, after *run.Query, o Options) (h Hunted) {
	if o.Tries == 0 {
		o.Tries = 5000
	}
	if o.Rows == 0 {
		o.Rows = 6
	}
	if o.Work == 0 {
		o.Work = 100_000_000
	}
	for _, q := range []*run.Query{before, after} {
		if q.Plan.Generated != "" {
			return Hunted{Err: run.Unknown{What: "the column " + q.Plan.Generated + ", which the database works out,"}}
		}
	}
	p := pair{old: before, new: after, countOnly: o.CountOnly, either: o.either, stops: o.stops}
	worked := before.Plan.Steps + after.Plan.Steps
	m := sample.NewMaker(before.Schema, p.tables(), sample.Options{Rows: o.Rows, Dialect: before.Dialect, Constants: p.constants()})
	for i := range o.Tries {
		if i%64 == 0 && ctx.Err() != nil {
			h.Err = ctx.Err()
			return h
		}
		if before.Plan.Steps+after.Plan.Steps-worked > o.Work {
			break
		}
		seed := o.Seed + uint64(i)
		made := m.Make(seed)
		p.give(seed)
		r := p.run(made)
		switch {
		case r.err != nil:
			h.Stopped++
			h.Err = r.err
		case r.open:
			h.Open++
		default:
			h.Tried++
			if r.differ() {
				h.Difference, h.Err = p.shrink(m, made), nil
				h.Difference.Seed = seed
				return h
			}
		}
	}
	if h.Tried > 0 {
		h.Err, h.Stop = nil, h.Err
	}
	return h
}

// tables lists those that either reads; one that both texts make for themselves is that of OLD.
func (p pair) tables() []*schema.Table {
	list := slices.Clone(p.old.Plan.Tables)
	for _, t := range p.new.Plan.Tables {
		if p.twin(t) == nil {
			list = append(list, t)
		}
	}
	return list
}

// twin gives the table of OLD that a table of NEW is, nil if OLD does not read it.
func (p pair) twin(t *schema.Table) *schema.Table {
	for _, u := range p.old.Plan.Tables {
		if u == t || strings.EqualFold(u.Name, t.Name) && strings.EqualFold(u.Qualifier, t.Qualifier) && len(u.Columns) == len(t.Columns) {
			return u
		}
	}
	return nil
}

// data gives made rows to both queries.
func (p pair) data(made []sample.Rows) run.Database {
	data := run.Made(made, p.old.Dialect)
	for _, t := range p.new.Plan.Tables {
		if u := p.twin(t); u != nil && u != t {
			data[t] = data[u]
		}
	}
	return data
}

func (p pair) constants() []sample.Constant {
	list := append(sample.ConstantsOf(p.old.Info, p.old.Stmt.Node), sample.ConstantsOf(p.new.Info, p.new.Stmt.Node)...)
	if !p.old.Plan.Now && !p.new.Plan.Now {
		return list
	}
	for _, t := range p.tables() {
		for i, c := range t.Columns {
			if c.Type.Class.HasDay() {
				for _, days := range []int{0, -7, -30} {
					list = append(list, sample.Constant{Table: t, Column: i, Text: run.Now.AddDate(0, 0, days).Format("2006-01-02")})
				}
			}
		}
	}
	return list
}

// give gives the parameters of both queries values, those of one name the same.
func (p pair) give(seed uint64) {
	random := rand.New(rand.NewPCG(seed, 0x706172))
	known := map[string]run.Value{}
	for _, q := range []*run.Query{p.old, p.new} {
		var values []run.Value
		for _, param := range q.Plan.Params {
			name := strings.ToLower(param.Name)
			if _, ok := known[name]; !ok {
				v := run.Value{}
				if choice := sample.Usual(param.Type); len(choice) > 0 && random.IntN(12) > 0 {
					v = run.MadeValue(choice[random.IntN(len(choice))], param.Type, p.old.Dialect)
				}
				known[name] = v
			}
			values = append(values, known[name])
		}
		q.Plan.Give(values)
	}
}

// given tells which values the parameters have, those of both queries.
func (p pair) given() (list []Given) {
	for _, q := range []*run.Query{p.old, p.new} {
		for i, param := range q.Plan.Params {
			if !slices.ContainsFunc(list, func(g Given) bool { return strings.EqualFold(g.Name, param.Name) }) {
				list = append(list, Given{param.Name, q.Plan.Given(i)})
			}
		}
	}
	return list
}

// Given is the value that a parameter has.
type Given struct {
	Name  string
	Value run.Value
}

// results are what both give on the same rows.
type results struct {
	old, new [][]run.Value
	open     bool
	ordered  bool // the order of both is fixed
	counts   bool // only how many rows there are counts
	err      error
	stopped  error // of OLD, where that is looked for
}

func (p pair) run(made []sample.Rows) results {
	data := p.data(made)
	a, err := p.old.Plan.Run(data, limits)
	var refusal run.Refusal
	if p.stops && errors.As(err, &refusal) {
		b, err := p.new.Plan.Run(data, limits)
		if err != nil {
			return results{err: err}
		}
		return results{new: b.Rows, open: b.Open, stopped: refusal}
	}
	if err != nil {
		return results{err: err}
	}
	if p.either {
		for t, rows := range data {
			data[t] = slices.Clone(rows)
			slices.Reverse(data[t])
		}
		b, err := p.old.Plan.Run(data, limits)
		if err != nil {
			return results{err: err}
		}
		return results{old: a.Rows, new: b.Rows, open: !a.Open || !b.Open}
	}
	b, err := p.new.Plan.Run(data, limits)
	if err != nil {
		return results{err: err}
	}
	return results{old: a.Rows, new: b.Rows, open: a.Open || b.Open, counts: p.countOnly, ordered: p.old.Plan.Ordered && p.new.Plan.Ordered && !a.Loose && !b.Loose}
}

// differ reports whether the results differ: in their rows, or where both have an order, in it.
func (r results) differ() bool {
	return r.stopped != nil || len(Only(r.old, r.new)) > 0 || len(Only(r.new, r.old)) > 0 || r.reordered()
}

func (r results) reordered() bool {
	return r.ordered && !slices.EqualFunc(r.old, r.new, func(a, b []run.Value) bool { return run.RowKey(a) == run.RowKey(b) })
}

// Only gives the rows of one result that the other does not give, or not as often.
func Only(rows, others [][]run.Value) (only [][]run.Value) {
	if len(rows) == 0 {
		return nil
	}
	left := make(map[string]int, len(others))
	for _, row := range others {
		left[run.RowKey(row)]++
	}
	for _, row := range rows {
		key := run.RowKey(row)
		if left[key]--; left[key] < 0 {
			only = append(only, row)
		}
	}
	return only
}
