package compare

import (
	"slices"

	"justlens/core/sample"
	"justlens/core/schema"
)

// mostRounds bounds how often all rows and values are gone through: a value that is put in the
// place of another may bring a third back.
const mostRounds = 4

// shrink gives the fewest rows and the simplest values of a made database that still show the
// difference.
func (p pair) shrink(m *sample.Maker, made []sample.Rows) *Difference {
	s := &shrinking{pair: p, maker: m, rows: made, used: p.used(m)}
	for range mostRounds {
		if dropped, changed := s.drop(), s.simplify(); !dropped && !changed {
			break
		}
	}
	r := p.run(s.rows)
	d := &Difference{Used: s.used, Stopped: r.stopped, Old: r.old, New: r.new, Given: p.given()}
	if p.either {
		d.Either = true
		if meant, err := p.new.Plan.Run(p.data(s.rows), limits); err == nil && !meant.Open {
			d.Meant = meant.Rows
		}
	}
	d.Order = len(Only(r.old, r.new)) == 0 && len(Only(r.new, r.old)) == 0
	for _, t := range s.rows {
		if len(t.Rows) > 0 {
			d.Made = append(d.Made, t)
			if slices.Contains(p.tables(), t.Table) {
				d.Tables = append(d.Tables, t)
			}
		}
	}
	return d
}

type shrinking struct {
	pair
	maker *sample.Maker
	rows  []sample.Rows
	used  map[*schema.Table][]bool
}

// used tells of the columns that one of the queries names, and those of primary keys.
func (p pair) used(m *sample.Maker) map[*schema.Table][]bool {
	used := map[*schema.Table][]bool{}
	for _, t := range m.Tables() {
		list := make([]bool, len(t.Columns))
		for i, is := range p.old.Plan.Used[t] {
			list[i] = list[i] || is
		}
		for _, u := range p.new.Plan.Tables {
			if u == t || p.twin(u) == t {
				for i, is := range p.new.Plan.Used[u] {
					list[i] = list[i] || is
				}
			}
		}
		for _, i := range t.PrimaryKey() {
			list[i] = true
		}
		used[t] = list
	}
	return used
}

// shows reports whether rows keep the rules and show the difference.
func (s *shrinking) shows(rows []sample.Rows) bool {
	if !s.maker.Keeps(rows) {
		return false
	}
	r := s.run(rows)
	return r.err == nil && !r.open && r.differ() && (!s.stops || r.stopped != nil)
}

// drop leaves out every row that is not needed, children before their parents, and reports
// whether there was one.
func (s *shrinking) drop() (dropped bool) {
	for t := len(s.rows) - 1; t >= 0; t-- {
		for i := len(s.rows[t].Rows) - 1; i >= 0; i-- {
			rows := slices.Clone(s.rows)
			rows[t].Rows = slices.Delete(slices.Clone(rows[t].Rows), i, i+1)
			if s.shows(rows) {
				s.rows, dropped = rows, true
			}
		}
	}
	return dropped
}

// simplify puts the first usual value that will do in the place of others, and reports whether
// any was changed. A NULL stays only where it is needed.
func (s *shrinking) simplify() (changed bool) {
	for t := range s.rows {
		table := s.rows[t].Table
		for i := range s.rows[t].Rows {
			for c := range table.Columns {
				for _, v := range sample.Simple(table.Columns[c].Type, i) {
					now := s.rows[t].Rows[i][c]
					if v == now {
						break
					}
					if table.Columns[c].Generated != "" {
						break
					}
					rows := s.with(t, c, v, i)
					if !s.shows(rows) {
						rows = s.with(t, c, v, s.alike(t, i, c)...)
					}
					if s.shows(rows) {
						s.rows, changed = rows, true
						break
					}
				}
			}
		}
	}
	return changed
}

// alike lists the rows of a table that have the same value in a column as one of them.
func (s *shrinking) alike(t, i, c int) (list []int) {
	for k, row := range s.rows[t].Rows {
		if row[c] == s.rows[t].Rows[i][c] {
			list = append(list, k)
		}
	}
	return list
}

// with gives the rows with a value changed in some of a table, and in the rows that refer to it
// as well.
func (s *shrinking) with(t, c int, v sample.Value, in ...int) []sample.Rows {
	rows := slices.Clone(s.rows)
	for k := range rows {
		rows[k].Rows = slices.Clone(rows[k].Rows)
		for n := range rows[k].Rows {
			rows[k].Rows[n] = slices.Clone(rows[k].Rows[n])
		}
	}
	for _, i := range in {
		s.put(rows, t, i, c, v, 0)
	}
	return rows
}

// mostLinks bounds how far a changed key is followed.
const mostLinks = 8

func (s *shrinking) put(rows []sample.Rows, t, i, c int, v sample.Value, links int) {
	before := rows[t].Rows[i][c]
	rows[t].Rows[i][c] = v
	if !before.Set || links == mostLinks {
		return
	}
	for k := range rows {
		for _, f := range s.maker.References(rows[k].Table, rows[t].Table, c) {
			for n, row := range rows[k].Rows {
				if row[f] == before {
					s.put(rows, k, n, f, v, links+1)
				}
			}
		}
	}
}
