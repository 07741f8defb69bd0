package types

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var differentDomains = &check.Check{
	ID:    "type.different-domains",
	Title: "keys of different things compared",
	Doc: "Two numbers of the same type need not number the same things. Foreign keys tell what a column numbers; where the two sides of an equality " +
		"lead to different tables, rows meet by accident.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.hive_id",
		Good: "SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.keeper_id",
		Near: []string{
			"SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.keeper_id",
			"SELECT i.mites FROM inspections AS i JOIN harvests AS g ON g.hive_id = i.hive_id",
			"SELECT h.name FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.frame_count",
		},
	}, {
		Bad: "SELECT h.name FROM hives AS h, inspections AS i WHERE i.keeper_id = h.hive_id",
	}},
	Kinds: syntax.Kinds(syntax.KindBinary),
	Run:   runDifferentDomains,
}

func runDifferentDomains(p *check.Pass, n syntax.Node) {
	b := n.(*syntax.Binary)
	if b.Op != syntax.OpEqual || p.Schema == nil {
		return
	}
	x, ok := keyOf(p, b.X)
	if !ok {
		return
	}
	y, ok := keyOf(p, b.Y)
	if !ok || x.parent == y.parent {
		return
	}
	f := check.Finding{
		Span: b.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s refers to %s, but %s to %s", p.Brief(b.X), x.parent.Name, p.Brief(b.Y), y.parent.Name),
		Why:     "Their foreign keys lead to different tables, so equal values mean nothing.",
	}
	if x.own && y.own && strings.EqualFold(x.name(), y.name()) {
		f.Certainty = check.Possible // two tables may share a key without saying so
	}
	var titles []string
	for _, side := range []struct{ of, to key }{{x, y}, {y, x}} {
		column := side.of.sibling(p, side.to.parent)
		if column == "" {
			continue
		}
		column = p.Ident(side.of.source.Name) + "." + p.Dialect.Name(column, false)
		titles = append(titles, fmt.Sprintf("compare %s with %s", column, p.Text(side.to.written)))
		f.Mends = append(f.Mends, check.Mend{Title: titles[0], Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(side.of.written.Span(), column)}})
	}
	switch len(titles) {
	case 0:
		f.Mends = []check.Mend{{Title: "compare columns that number the same", Effect: check.ByHand}}
	case 2:
		f.Mends = []check.Mend{{Title: strings.Join(titles, ", or "), Effect: check.ByHand}}
	}
	p.Report(f)
}

// key is a column that numbers the rows of a table.
type key struct {
	written *syntax.Name
	source  *bind.Source
	column  int
	parent  *schema.Table // whose rows it numbers
	own     bool          // those of its own table
}

func (k key) name() string { return k.source.SchemaTable().Columns[k.column].Name }

// keyOf tells what a column numbers; not ok where the schema does not say.
func keyOf(p *check.Pass, x syntax.Expr) (k key, ok bool) {
	name, isName := syntax.Unparen(x).(*syntax.Name)
	if !isName {
		return k, false
	}
	u := p.Use(name)
	if u.Status != bind.Resolved || u.Source.SchemaTable() == nil {
		return k, false
	}
	t := u.Source.SchemaTable()
	column := t.Column(p.Names.String(name.Last().Sym))
	if column < 0 {
		return k, false
	}
	parent := numbered(p.Schema, t, column, 8)
	if parent == nil {
		return k, false
	}
	return key{name, u.Source, column, parent, parent == t}, true
}

// numbered follows foreign keys from a column to the table whose rows it
// numbers; nil where none or several are to be followed.
func numbered(s *schema.Schema, t *schema.Table, column, depth int) *schema.Table {
	var next *schema.Table
	nextColumn := -1
	for _, f := range t.Foreign {
		if len(f.Columns) != 1 {
			for _, c := range f.Columns {
				if c == column {
					return nil
				}
			}
			continue
		}
		if f.Columns[0] != column {
			continue
		}
		parent := s.Table(f.Qualifier, f.Table)
		if parent == nil || next != nil || depth == 0 {
			return nil
		}
		next = parent
		if len(f.References) == 1 {
			nextColumn = parent.Column(f.References[0])
		} else {
			nextColumn = soleKey(parent)
		}
	}
	switch {
	case next == t:
		return t
	case next != nil && nextColumn >= 0:
		return numbered(s, next, nextColumn, depth-1)
	case next == nil && soleKey(t) == column:
		return t
	}
	return nil
}

// soleKey gives the one column of a primary key, -1 for a wider one or none.
func soleKey(t *schema.Table) int {
	for _, k := range t.Keys {
		if k.Primary && len(k.Columns) == 1 {
			return k.Columns[0]
		}
	}
	return -1
}

// sibling finds the one other column of the same table that numbers a parent.
func (k key) sibling(p *check.Pass, parent *schema.Table) string {
	t, found := k.source.SchemaTable(), ""
	for i, c := range t.Columns {
		if i == k.column || numbered(p.Schema, t, i, 8) != parent {
			continue
		}
		if found != "" {
			return ""
		}
		found = c.Name
	}
	return found
}
