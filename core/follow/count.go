package follow

import (
	"fmt"
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/syntax"
)

// Question is a query by which a database counts what a step leaves. It gives one row of one number.
type Question struct {
	Query string
	take  func(n int)
}

// Answer enters what the database counts.
func (q Question) Answer(n int) { q.take(n) }

// Questions composes, of the query's own clauses, queries by which a database counts the rows of the
// steps of its outermost SELECT: what each join and condition leaves, for how many a condition is
// false or unknown, how many rows found no partner, and how many groups there are. Steps of other
// queries, and those that cannot be composed, are not asked of.
func (f *Followed) Questions() (list []Question) {
	if f.Node == nil || f.Plan == nil {
		return nil
	}
	sel := f.Node.Select()
	if sel == nil || sel.From == nil || len(sel.From.Tables) != 1 {
		return nil
	}
	c := &composer{f: f, with: f.withText()}
	for _, s := range f.Steps {
		if s.Select != sel || s.IsQualify() {
			continue
		}
		counts := s.Counts
		if s.Counts == nil {
			s.Counts = &Counts{}
		}
		switch s.Kind {
		case run.SourceStage:
			if c.from != "" {
				s.Counts = counts
				continue
			}
			c.from = f.between(int(sel.From.Span().Start), int(s.Span.End))
			c.ask(c.from, "", func(n int) { s.Counts.In, s.Counts.Out = n, n })
		case run.JoinStage:
			c.join(s, sel)
		case run.FilterStage:
			c.filter(s)
		case run.GroupStage:
			if !c.group(s, sel) {
				s.Counts = counts
			}
		default:
			s.Counts = counts
		}
	}
	return c.list
}

// between gives the text between two places, in bytes from 0.
func (f *Followed) between(from, to int) string { return string(f.Src[from:to]) }

// withText gives the WITH clause, which goes before every question.
func (f *Followed) withText() string {
	if f.Node.With == nil {
		return ""
	}
	return f.Text(f.Node.With) + " "
}

type composer struct {
	f     *Followed
	with  string
	from  string   // FROM and the joins so far
	where []string // the conditions so far
	list  []Question
}

// ask adds a question of how many rows a FROM has that meet one more condition, "" for none.
func (c *composer) ask(from, condition string, take func(n int)) {
	all := c.where
	if condition != "" {
		all = append(all[:len(all):len(all)], condition)
	}
	query := c.with + "SELECT COUNT(*) " + from
	if len(all) > 0 {
		query += " WHERE " + strings.Join(all, " AND ")
	}
	c.list = append(c.list, Question{query, take})
}

func (c *composer) join(s *Step, sel *syntax.Select) {
	n, ok := s.Node.(*syntax.Join)
	if !ok {
		return
	}
	left := c.from
	c.from = c.f.between(int(sel.From.Span().Start), int(s.Span.End))
	c.ask(c.from, "", func(k int) { s.Counts.In, s.Counts.Out = k, k })
	if n.On == nil {
		return
	}
	alone := fmt.Sprintf("NOT EXISTS (SELECT 1 FROM %s WHERE %s)", c.f.Text(n.Right), c.f.Text(n.On))
	switch n.Type {
	case syntax.InnerJoin:
		c.ask(left, alone, func(k int) { s.Counts.Alone = k })
	case syntax.LeftJoin:
		c.ask(left, alone, func(k int) { s.Counts.Filled = k })
	}
}

func (c *composer) filter(s *Step) {
	condition := "(" + c.f.Text(s.Node) + ")"
	n := s.Counts
	c.ask(c.from, "", func(k int) { n.In = k })
	c.ask(c.from, condition, func(k int) { n.Out = k })
	c.ask(c.from, "NOT "+condition, func(k int) { n.False, n.Unknown, n.Nulls = k, n.In-n.Out-k, nil })
	unknown := condition + " IS NULL"
	if c.f.Dialect == dialect.SQLServer || c.f.Dialect == dialect.Oracle {
		unknown = ""
	}
	c.f.eachColumn(s.Stage, func(name *syntax.Name, u *bind.Use, _ int) {
		if unknown == "" || !c.f.mayBeNull(u) {
			return
		}
		text := c.f.Text(name)
		c.ask(c.from, unknown+" AND "+text+" IS NULL", func(k int) {
			if k > 0 {
				n.Nulls = append(n.Nulls, NullCount{text, k})
			}
		})
	})
	c.where = append(c.where, condition)
}

// group asks how many groups there are; false for keys that only the select list tells of.
func (c *composer) group(s *Step, sel *syntax.Select) bool {
	if sel.GroupBy != nil {
		for _, x := range sel.GroupBy.Items {
			name, ok := syntax.Unparen(x).(*syntax.Name)
			_, isCall := syntax.Unparen(x).(*syntax.Call)
			if !isCall && (!ok || c.f.Use(name).Status != bind.Resolved) {
				return false // a position, or an alias of the list
			}
		}
	}
	c.ask(c.from, "", func(k int) { s.Counts.In = k })
	if sel.GroupBy == nil {
		s.Counts.Out = 1
		return true
	}
	query := c.with + "SELECT COUNT(*) FROM (SELECT 1 AS one " + c.from
	if len(c.where) > 0 {
		query += " WHERE " + strings.Join(c.where, " AND ")
	}
	query += " " + c.f.Text(sel.GroupBy) + ") groups_of_it"
	c.list = append(c.list, Question{query, func(k int) { s.Counts.Out = k }})
	return true
}
