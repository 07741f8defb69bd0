package joins

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

var wrongKey = &check.Check{
	ID:    "join.wrong-key",
	Title: "primary keys of two tables equated, where a foreign key ties them otherwise",
	Doc: "Two primary keys that are equal by number say nothing of each other. Where one table has a foreign key to the other, that column holds the " +
		"number that is meant. The query runs and gives rows that look right.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.hive_id",
		Good: "SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id",
		Near: []string{
			"SELECT h.name, a.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id",
			"SELECT h.name FROM hives h JOIN harvests g ON g.harvest_id = h.frame_count",
			"SELECT h.name, o.name FROM hives h JOIN hives o ON o.hive_id = h.hive_id",
		},
	}},
	On: check.Operators(runWrongKey, syntax.OpEqual).With(facts.Columns),
}

func runWrongKey(p *check.Pass, b *syntax.Binary) {
	x, s := primaryKey(p, b.X)
	if s == nil {
		return
	}
	y, t := primaryKey(p, b.Y)
	if t == nil || s.SchemaTable() == t.SchemaTable() {
		return
	}
	var mends []check.Mend
	if column, _ := p.ForeignKey(s, t); column != "" {
		mends = append(mends, check.Mend{Title: "compare " + column, Effect: check.NewRows, Edits: []text.Edit{check.Replace(x.Span(), column)}})
	}
	if column, _ := p.ForeignKey(t, s); column != "" {
		mends = append(mends, check.Mend{Title: "compare " + column, Effect: check.NewRows, Edits: []text.Edit{check.Replace(y.Span(), column)}})
	}
	if len(mends) == 0 {
		return // type.different-domains tells
	}
	p.Report(check.Finding{
		Span: b.Span(), Certainty: check.Likely, Mends: mends,
		Message: fmt.Sprintf("the key of %s is compared with the key of %s, although a foreign key ties them", p.SourceName(s), p.SourceName(t)),
		Why:     "Equal numbers of two primary keys have nothing to do with each other.",
	})
}

// primaryKey gives the source of which a column alone is the primary key and refers to no
// other table, nil if it is none.
func primaryKey(p *check.Pass, x syntax.Expr) (*syntax.Name, *bind.Source) {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	if !ok {
		return nil, nil
	}
	u := p.Use(n)
	if u.Status != bind.Resolved || u.Source.SchemaTable() == nil || u.Column.Index < 0 {
		return nil, nil
	}
	t := u.Source.SchemaTable()
	if key := t.PrimaryKey(); len(key) != 1 || key[0] != u.Column.Index || p.Numbered(t, u.Column.Index) != t {
		return nil, nil
	}
	return n, u.Source
}

var partialKey = &check.Check{
	ID:    "join.partial-key",
	Title: "a foreign key of several columns tied by some of them",
	Doc: "A key of several columns tells rows apart by all of them together. A join by some of them only lets a row meet every row that shares those, " +
		"and repeats it.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad: "CREATE TABLE frames (hive_id integer NOT NULL, frame_no integer NOT NULL, PRIMARY KEY (hive_id, frame_no)); " +
			"CREATE TABLE cells (cell_id integer PRIMARY KEY, hive_id integer, frame_no integer, FOREIGN KEY (hive_id, frame_no) REFERENCES frames (hive_id, frame_no)); " +
			"SELECT c.cell_id FROM cells c JOIN frames f ON f.hive_id = c.hive_id",
		Good: "CREATE TABLE frames (hive_id integer NOT NULL, frame_no integer NOT NULL, PRIMARY KEY (hive_id, frame_no)); " +
			"CREATE TABLE cells (cell_id integer PRIMARY KEY, hive_id integer, frame_no integer, FOREIGN KEY (hive_id, frame_no) REFERENCES frames (hive_id, frame_no)); " +
			"SELECT c.cell_id FROM cells c JOIN frames f ON f.hive_id = c.hive_id AND f.frame_no = c.frame_no",
		Near: []string{
			"CREATE TABLE frames (hive_id integer NOT NULL, frame_no integer NOT NULL, PRIMARY KEY (hive_id, frame_no)); SELECT h.name, f.frame_no FROM hives h JOIN frames f ON f.hive_id = h.hive_id",
			"CREATE TABLE frames (hive_id integer NOT NULL, frame_no integer NOT NULL, PRIMARY KEY (hive_id, frame_no)); " +
				"CREATE TABLE cells (cell_id integer PRIMARY KEY, hive_id integer, frame_no integer, FOREIGN KEY (hive_id, frame_no) REFERENCES frames (hive_id, frame_no)); " +
				"SELECT c.cell_id FROM cells c JOIN frames f ON f.hive_id = c.hive_id AND f.frame_no = 3",
			"SELECT h.name FROM hives h JOIN harvests g ON g.hive_id = h.hive_id",
		},
	}},
	On: check.Nodes(runPartialKey).With(facts.Several),
}

func runPartialKey(p *check.Pass, sel *syntax.Select) {
	scope := p.Scope(sel)
	if p.Schema == nil || len(scope.Sources) > facts.MaxSources || scope.Natural {
		return
	}
	for _, child := range scope.Sources {
		t := child.SchemaTable()
		if t == nil {
			continue
		}
		for _, k := range t.Foreign {
			if len(k.Columns) < 2 || len(k.References) != len(k.Columns) {
				continue
			}
			to := p.Schema.Table(k.Qualifier, k.Table)
			for _, parent := range scope.Sources {
				if to != nil && parent != child && parent.SchemaTable() == to {
					partial(p, sel, k, child, parent)
				}
			}
		}
	}
}

// partial reports a foreign key of which some columns are tied, and others mentioned nowhere.
func partial(p *check.Pass, sel *syntax.Select, k schema.ForeignKey, child, parent *bind.Source) {
	tied := make([]*syntax.Binary, len(k.Columns))
	mentioned := make([]bool, len(k.Columns))
	visit := func(c syntax.Expr) {
		b, _ := syntax.Unparen(c).(*syntax.Binary)
		for i, column := range k.Columns {
			from, to := child.SchemaTable().Columns[column].Name, k.References[i]
			if b != nil && b.Op == syntax.OpEqual && (isColumn(p, b.X, child, from) && isColumn(p, b.Y, parent, to) || isColumn(p, b.Y, child, from) && isColumn(p, b.X, parent, to)) {
				tied[i] = b
				continue
			}
			syntax.Inspect(c, func(n syntax.Node) bool {
				if name, ok := n.(*syntax.Name); ok && (isColumn(p, name, child, from) || isColumn(p, name, parent, to)) {
					mentioned[i] = true
				}
				return true
			})
		}
	}
	syntax.Inspect(sel.From, func(n syntax.Node) bool {
		if j, ok := n.(*syntax.Join); ok {
			syntax.Conjuncts(j.On, visit)
			for i := range k.Columns {
				mentioned[i] = mentioned[i] || len(j.Using) > 0
			}
		}
		return n.Kind() != syntax.KindQuery
	})
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, visit)
	}
	var first *syntax.Binary
	var missing, conditions []string
	for i, column := range k.Columns {
		switch {
		case tied[i] != nil:
			if first == nil {
				first = tied[i]
			}
		case mentioned[i]:
			return
		default:
			name := child.SchemaTable().Columns[column].Name
			missing = append(missing, name)
			conditions = append(conditions, p.Ident(parent.Name)+"."+p.Dialect.Name(k.References[i], false)+" = "+p.Ident(child.Name)+"."+p.Dialect.Name(name, false))
		}
	}
	if first == nil || len(missing) == 0 {
		return
	}
	p.Report(check.Finding{
		Span: first.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("the foreign key of %s to %s has %s as well", p.SourceName(child), p.SourceName(parent), check.List(missing, "and")),
		Why:     fmt.Sprintf("Each row meets every row of %s that agrees in the rest, and is repeated.", p.SourceName(parent)),
		Mends: []check.Mend{{Title: "tie all columns of the key", Effect: check.NewRows,
			Edits: []text.Edit{check.Insert(first.Span().End, " "+p.Word(sel.Span().Start, "AND")+" "+strings.Join(conditions, " "+p.Word(sel.Span().Start, "AND")+" "))}}},
	})
}

// isColumn reports whether an expression is a column of a source by its name.
func isColumn(p *check.Pass, x syntax.Expr, s *bind.Source, name string) bool {
	n, ok := syntax.Unparen(x).(*syntax.Name)
	return ok && p.Use(n).Source == s && strings.EqualFold(p.Names.String(n.Last().Sym), name)
}

var pairsTwice = &check.Check{
	ID:        "join.pairs-twice",
	Title:     "each pair of a self-join comes twice",
	Doc:       "A table joined with itself by <> on its key gives each pair twice, once in each order. If the order does not matter, < keeps one of the two.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT a.name, b.name FROM hives a JOIN hives b ON b.apiary_id = a.apiary_id AND b.hive_id <> a.hive_id",
		Good: "SELECT a.name, b.name FROM hives a JOIN hives b ON b.apiary_id = a.apiary_id AND b.hive_id < a.hive_id",
		Near: []string{
			"SELECT a.name, b.name FROM hives a JOIN hives b ON b.apiary_id = a.apiary_id AND b.hive_id < a.hive_id",
			"SELECT a.name FROM hives a JOIN hives b ON b.apiary_id = a.apiary_id AND b.hive_id <> a.hive_id",
			"SELECT a.name, b.name FROM hives a JOIN hives b ON b.hive_id = a.queen_id AND b.hive_id <> a.hive_id",
			"SELECT a.name, COUNT(b.name) AS others FROM hives a JOIN hives b ON b.apiary_id = a.apiary_id AND b.hive_id <> a.hive_id GROUP BY a.name",
		},
	}},
	On: check.Operators(runPairsTwice, syntax.OpNotEqual).With(facts.Columns),
}

func runPairsTwice(p *check.Pass, b *syntax.Binary) {
	if !p.Wants(check.Possible) {
		return
	}
	x, s := primaryKey(p, b.X)
	_, t := primaryKey(p, b.Y)
	if s == nil || t == nil || s == t || s.SchemaTable() != t.SchemaTable() || s.Scope != t.Scope {
		return
	}
	sel, ok := s.Scope.Node.(*syntax.Select)
	if !ok || sel.GroupBy != nil || p.Aggregates(sel) || p.SelectOf(x) != sel {
		return
	}
	shown := func(of *bind.Source) bool {
		for _, item := range sel.Items {
			if n, ok := syntax.Unparen(item.X).(*syntax.Name); ok && p.Use(n).Source == of {
				return true
			}
		}
		return false
	}
	if !shown(s) || !shown(t) || !symmetric(p, sel, s, t) {
		return
	}
	p.Report(check.Finding{
		Span: b.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("each pair of %s and %s comes twice, once in each order", p.Ident(s.Name), p.Ident(t.Name)),
		Why:     "What differs in one order differs in the other.",
		Mends:   []check.Mend{{Title: "keep one order of each pair", Effect: check.NewRows, Edits: []text.Edit{check.Replace(b.OpSpan, "<")}}},
	})
}

// symmetric reports whether what ties two sources of one table would tie them the other way
// round as well: equalities of one column.
func symmetric(p *check.Pass, sel *syntax.Select, s, t *bind.Source) bool {
	ok, both := true, false
	visit := func(c syntax.Expr) {
		named, known := p.NamedIn(s.Scope, c)
		if !named.Has(s) && !named.Has(t) && known {
			return
		}
		b, binary := syntax.Unparen(c).(*syntax.Binary)
		if !binary || !known {
			ok = false
			return
		}
		x, left := syntax.Unparen(b.X).(*syntax.Name)
		y, right := syntax.Unparen(b.Y).(*syntax.Name)
		same := left && right && x.Last().Sym == y.Last().Sym && (b.Op == syntax.OpEqual || b.Op == syntax.OpNotEqual)
		ok, both = ok && same, both || same && b.Op == syntax.OpEqual
	}
	syntax.Inspect(sel.From, func(n syntax.Node) bool {
		if j, join := n.(*syntax.Join); join {
			ok = ok && len(j.Using) == 0 && j.Type == syntax.InnerJoin
			syntax.Conjuncts(j.On, visit)
		}
		return n.Kind() != syntax.KindQuery
	})
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, visit)
	}
	return ok && both
}
