package types

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/facts"
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
		Bad:  "SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.apiary_id",
		Good: "SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.keeper_id",
		Near: []string{
			"SELECT h.name, k.name AS keeper FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.keeper_id",
			"SELECT i.mites FROM inspections AS i JOIN harvests AS g ON g.hive_id = i.hive_id",
			"SELECT h.name FROM hives AS h JOIN apiaries AS a ON a.apiary_id = h.frame_count",
		},
	}, {
		Bad: "SELECT h.name FROM hives AS h, inspections AS i WHERE i.keeper_id = h.hive_id",
	}},
	On: check.Operators(runDifferentDomains, syntax.OpEqual).With(facts.Columns),
}

func runDifferentDomains(p *check.Pass, b *syntax.Binary) {
	x, ok := keyOf(p, b.X)
	if !ok {
		return
	}
	y, ok := keyOf(p, b.Y)
	if !ok || x.parent == y.parent {
		return
	}
	if x.own && y.own && (x.sibling(p, y.parent) != "" || y.sibling(p, x.parent) != "") {
		return // join.wrong-key tells
	}
	f := check.Finding{
		Span: b.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s refers to %s, but %s to %s", p.Brief(b.X), x.parent.Name, p.Brief(b.Y), y.parent.Name),
		Why:     "Their foreign keys lead to different tables, so equal values mean nothing.",
	}
	if x.own && y.own && (strings.EqualFold(x.name(), y.name()) || !p.Schema.IsReferredTo(x.parent) || !p.Schema.IsReferredTo(y.parent)) {
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
	if u.Status != bind.Resolved || u.Source.SchemaTable() == nil || u.Column.Index < 0 {
		return k, false
	}
	t := u.Source.SchemaTable()
	parent := p.Numbered(t, u.Column.Index)
	if parent == nil {
		return k, false
	}
	return key{name, u.Source, u.Column.Index, parent, parent == t}, true
}

// sibling finds the one other column of the same table that numbers a parent.
func (k key) sibling(p *check.Pass, parent *schema.Table) string {
	t, found := k.source.SchemaTable(), ""
	for i, c := range t.Columns {
		if i == k.column || p.Numbered(t, i) != parent {
			continue
		}
		if found != "" {
			return ""
		}
		found = c.Name
	}
	return found
}
