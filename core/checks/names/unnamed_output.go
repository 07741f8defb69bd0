package names

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var unnamedOutput = &check.Check{
	ID:    "name.unnamed-output",
	Title: "a computed column without a name",
	Doc: "What an expression is called that has no alias, each database decides for itself: count, ?column?, the text of the expression, or nothing. " +
		"SQL Server refuses such columns in views, derived tables and common table expressions.",
	Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.SQLServer)),
	Examples: []check.Example{{
		Bad:  "SELECT d.hive_id FROM (SELECT hive_id, SUM(weight_kg) FROM harvests GROUP BY hive_id) AS d",
		Good: "SELECT d.hive_id FROM (SELECT hive_id, SUM(weight_kg) AS sum_weight_kg FROM harvests GROUP BY hive_id) AS d",
		Near: []string{
			"SELECT d.hive_id FROM (SELECT hive_id, SUM(weight_kg) AS kg FROM harvests GROUP BY hive_id) AS d",
			"SELECT name FROM hives WHERE hive_id IN (SELECT MAX(hive_id) FROM harvests)",
			"SELECT name FROM hives AS h WHERE EXISTS (SELECT 1 FROM harvests AS g WHERE g.hive_id = h.hive_id)",
			"WITH d (n) AS (SELECT COUNT(*) FROM hives) SELECT n FROM d",
			"SELECT name FROM hives UNION SELECT UPPER(name) FROM queens",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE VIEW hive_counts AS SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id",
		Good:    "CREATE VIEW hive_counts AS SELECT apiary_id, COUNT(*) AS row_count FROM hives GROUP BY apiary_id",
	}},
	On: check.Nodes(runUnnamedOutput),
}

func runUnnamedOutput(p *check.Pass, sel *syntax.Select) {
	q := p.OwnQuery(sel)
	if q == nil {
		return
	}
	named := becomes(p, q)
	if !named {
		if _, top := p.Parent(q).(*syntax.SelectStmt); !top || len(sel.Into) > 0 || !p.Wants(check.Possible) {
			return
		}
		if stmt := p.Parent(q); p.Parent(stmt) != nil {
			return // in a routine, where nobody asks for the name
		}
	}
	// Those that get a name here and those that a person must name are told apart, so that
	// a mend leaves nothing of its finding behind.
	var byHand, mended []*syntax.SelectItem
	var names []string
	for _, item := range sel.Items {
		if !item.Alias.IsZero() || namesItself(p, item, named) {
			continue
		}
		name := ""
		if len(sel.Items) <= 100 && p.Stmt.Nodes <= 10_000 {
			name = nameFor(p, sel, item)
		}
		if name == "" || slices.Contains(names, name) || !p.Affords() || usesOwnName(p, item) {
			byHand = append(byHand, item)
		} else {
			mended, names = append(mended, item), append(names, name)
		}
	}
	if len(byHand) > 0 {
		p.Report(unnamedFinding(p, sel, byHand, named, check.Mend{Effect: check.ByHand}))
	}
	if len(mended) > 0 {
		mend := check.Mend{Effect: check.SameRows}
		for i, item := range mended {
			mend.Edits = append(mend.Edits, check.Insert(item.Span().End, " "+p.Word(sel.Span().Start, "AS")+" "+names[i]))
		}
		p.Report(unnamedFinding(p, sel, mended, named, mend))
	}
}

// unnamedFinding tells of outputs of one query without a name.
func unnamedFinding(p *check.Pass, sel *syntax.Select, items []*syntax.SelectItem, named bool, mend check.Mend) check.Finding {
	where, certainty := "the result", check.Possible
	if named {
		where, certainty = madeOf(p, p.OwnQuery(sel)), check.Certain
	}
	f := check.Finding{
		Span: items[0].Span(), Context: sel.Span(), Certainty: certainty,
		Message: fmt.Sprintf("%s of %s has no name", p.Brief(items[0].X), where),
		Why:     "Name it with AS: each database makes up another name.",
	}
	if len(p.Text(items[0].X)) > 40 {
		f.Message = fmt.Sprintf("a computed column of %s has no name", where)
	}
	switch {
	case !named:
		f.Verdicts = check.Everywhere(check.Unclear)
	case p.Dialect == dialect.SQLServer:
		f.Why = "Each column there needs a name."
	}
	for _, item := range items[1:] {
		f.Related = append(f.Related, check.Related{Span: item.Span(), Message: "nor has this one"})
	}
	mend.Title = "give it a name"
	if len(items) > 1 {
		mend.Title = "give them names"
	}
	f.Mends = []check.Mend{mend}
	return f
}

// namesItself reports whether an output without an alias has a name all the same, or needs
// none.
func namesItself(p *check.Pass, item *syntax.SelectItem, named bool) bool {
	switch x := syntax.Unparen(item.X).(type) {
	case *syntax.Name, *syntax.Star, *syntax.Field, *syntax.Subscript, *syntax.BadExpr, *syntax.Param:
		return true
	case *syntax.Literal:
		return !named || p.Dialect != dialect.SQLServer // there to be counted
	case *syntax.Cast:
		_, column := syntax.Unparen(x.X).(*syntax.Name)
		return column && p.Dialect == dialect.Postgres // it keeps the column's name
	case *syntax.Subquery:
		return !named
	case *syntax.Binary:
		return x.Op == syntax.OpAssign || syntax.SetsVariable(x) && p.Dialect == dialect.SQLServer // for what it does
	case *syntax.Call:
		return x.Star && p.FunctionName(x) != "count"
	}
	return false
}

// nameFor makes a name of an expression, one that no other output has; "" for none
// that would say something.
func nameFor(p *check.Pass, sel *syntax.Select, item *syntax.SelectItem) string {
	var parts []string
	syntax.Inspect(item.X, func(n syntax.Node) bool {
		switch n := n.(type) {
		case *syntax.Query, *syntax.TypeName, *syntax.Window:
			return false
		case *syntax.Call:
			if n.Star {
				parts = append(parts, "row")
			}
			parts = append(parts, p.FunctionName(n))
		case *syntax.Name:
			parts = append(parts, strings.ToLower(plain(p, n.Last())))
		}
		return true
	})
	if len(parts) == 0 || len(parts) > 4 {
		return ""
	}
	name := strings.Join(parts, "_")
	if len(name) > 40 || p.Dialect.Name(name, false) != name {
		return ""
	}
	for _, s := range p.Scope(sel).Sources {
		for _, column := range p.ColumnNames(s) {
			if column == name {
				return "" // GROUP BY and ORDER BY would mean one or the other
			}
		}
	}
	for _, other := range sel.Items {
		if id := outputName(other); !id.IsZero() && strings.EqualFold(plain(p, id), name) {
			return ""
		}
	}
	return name
}

// usesOwnName reports whether the statement may name an output by what a database
// calls it of its own accord.
func usesOwnName(p *check.Pass, item *syntax.SelectItem) bool {
	own := p.Text(item.X)
	function := ""
	if c, ok := item.X.(*syntax.Call); ok {
		function = p.FunctionName(c)
	}
	found := false
	syntax.Inspect(p.Stmt.Node, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			last := plain(p, name.Last())
			found = found || strings.EqualFold(last, own) || strings.EqualFold(last, function) || strings.HasPrefix(last, "?") ||
				p.Dialect == dialect.Postgres && mayBeMadeUp(p.Use(name), name)
		}
		return !found
	})
	return found
}

// mayBeMadeUp reports whether a name may be what PostgreSQL calls a column of a derived table
// after its type, or by another name of its function.
func mayBeMadeUp(u *bind.Use, name *syntax.Name) bool {
	return u.Status == bind.Unclear && len(name.Parts) > 1 || u.Status == bind.Assumed && u.Source.Query != nil
}
