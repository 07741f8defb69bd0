package clauses

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var orderInSubquery = &check.Check{
	ID:     "clause.order-in-subquery",
	Title:  "ORDER BY that orders nothing",
	Errors: []string{"Msg 1033"},
	Doc: "The rows of a derived table, common table expression, view or IN subquery have no order that the query around it must keep, unless a row " +
		"limit picks some by it. SQL Server refuses it; elsewhere it is work for nothing that looks like a promise. On Oracle ORDER BY in a derived " +
		"table serves ROWNUM and is left alone. In MySQL and MariaDB that of a view counts for a query of it that has none.",
	Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.SQLServer)),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM (SELECT name FROM hives ORDER BY name) AS h",
		Good: "SELECT h.name FROM (SELECT name FROM hives) AS h",
		Near: []string{
			"SELECT h.name FROM (SELECT name FROM hives ORDER BY name FETCH FIRST 3 ROWS ONLY) AS h",
			"SELECT name FROM hives ORDER BY name",
		},
	}, {
		Bad:  "SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests ORDER BY taken_on)",
		Good: "SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)",
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT name FROM (SELECT name FROM hives ORDER BY name) WHERE ROWNUM <= 3"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE VIEW keeper_names AS SELECT TOP 100 PERCENT name FROM keepers ORDER BY name",
		Good:    "CREATE VIEW keeper_names AS SELECT name FROM keepers",
		Near:    []string{"CREATE VIEW keeper_names AS SELECT TOP 10 PERCENT name FROM keepers ORDER BY name"},
	}},
	On: check.Nodes(runOrderInSubquery).With(facts.Ordered),
}

func runOrderInSubquery(p *check.Pass, q *syntax.Query) {
	if q.Limit != nil {
		return
	}
	sel, _ := q.Body.(*syntax.Select)
	all := sel != nil && takesAll(p, sel.Top)
	if sel != nil && (sel.Top != nil && !all || len(sel.DistinctOn) > 0) {
		return
	}
	what := ""
	switch around := p.Parent(q).(type) {
	case *syntax.Derived:
		what = "a derived table"
		if p.Dialect == dialect.Oracle || aggregatesInOrder(p, around) {
			return
		}
	case *syntax.CTE:
		what = "a common table expression"
		if sel == nil && recurs(p, around) {
			return // SQLite takes the rows to go on from in this order; of the others clause.recursion tells
		}
	case *syntax.CreateView:
		if p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB {
			return // where it counts for a query of the view that has none of its own ("CREATE VIEW")
		}
		what = "a view"
	case *syntax.In:
		what = "an IN subquery"
	case *syntax.Exists:
		what = "an EXISTS subquery"
	default:
		return
	}
	f := check.Finding{
		Span: q.OrderBy.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("ORDER BY in %s promises no order", what),
		Why:     "Only the outermost ORDER BY decides the order of the rows, and here no row limit needs it.",
		Mends:   []check.Mend{{Title: "drop it", Effect: check.SameRows, Edits: p.RemoveClause(q.OrderBy)}},
	}
	if all {
		f.Verdicts = p.Check.Verdicts.But(check.Unclear, dialect.In(dialect.SQLServer))
		f.Why = "Only the outermost ORDER BY decides the order of the rows, and TOP 100 PERCENT takes all of them: SQL Server sorts nothing here."
		f.Mends[0] = check.Mend{Title: "drop both", Effect: check.SameRows, Edits: append(
			[]text.Edit{check.Replace(text.Span{Start: sel.Top.Span().Start, End: sel.Items[0].Span().Start}, "")}, f.Mends[0].Edits...)}
	}
	p.Report(f)
}

// takesAll reports whether a row limit is TOP 100 PERCENT.
func takesAll(p *check.Pass, top *syntax.Limit) bool {
	if top == nil || !top.Loose || top.Count == nil {
		return false
	}
	written := strings.Fields(strings.ToLower(p.Text(top)))
	return strings.Trim(p.Text(syntax.Unparen(top.Count)), "()") == "100" && written[len(written)-1] == "percent"
}

// aggregatesInOrder reports whether the query around a derived table puts values
// together in the order in which they come: lists, texts, or variables.
func aggregatesInOrder(p *check.Pass, d *syntax.Derived) bool {
	sel := p.SelectOf(p.Parent(d))
	if sel == nil {
		return true
	}
	found := false
	for _, item := range sel.Items {
		syntax.Inspect(item.X, func(n syntax.Node) bool {
			switch n := n.(type) {
			case *syntax.Call:
				switch p.FunctionName(n) {
				case "string_agg", "group_concat", "array_agg", "json_agg", "jsonb_agg", "json_arrayagg", "json_group_array", "listagg", "collect_list", "row_number", "xmlagg":
					found = true
				}
			case *syntax.Param:
				found = true
			}
			return !found
		})
	}
	return found
}

var orderInBranch = &check.Check{
	ID:    "clause.order-in-branch",
	Title: "ORDER BY or row limit before a set operator",
	Doc: "ORDER BY and a row limit belong to the whole result of a set operation and stand behind its last branch. Before the operator they are " +
		"refused, unless parentheses make them the branch's own; SQLite knows no such parentheses and wants SELECT * FROM (…).",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives ORDER BY name UNION ALL SELECT name FROM queens",
		Good: "SELECT name FROM hives UNION ALL SELECT name FROM queens",
		Near: []string{
			"SELECT name FROM hives UNION ALL SELECT name FROM queens",
			"SELECT name FROM hives UNION ALL SELECT name FROM queens ORDER BY name",
			"(SELECT name FROM hives ORDER BY name FETCH FIRST 3 ROWS ONLY) UNION ALL SELECT name FROM queens",
		},
	}},
	On: check.Errors(runOrderInBranch, syntax.BranchError),
}

// runOrderInBranch looks for the operator at which the parser had to stop.
func runOrderInBranch(p *check.Pass, e syntax.Error) {
	p.Report(check.Finding{
		Span: e.Near, Certainty: check.Certain,
		Message: fmt.Sprintf("%s stands before %s", firstWord(p, e.Near), firstWord(p, e.Span)),
		Why:     "Put it behind the last branch to order the whole result, or put this branch in parentheses.",
		Related: []check.Related{{Span: e.Span, Message: "the operator"}},
		Mends: []check.Mend{
			{Title: "drop it here", Effect: check.NewRows, Edits: p.Remove(text.Span{Start: p.EndBefore(e.Near.Start), End: e.Near.End})},
			{Title: "put it behind the last branch, or put the branch in parentheses", Effect: check.ByHand},
		},
	})
}

func firstWord(p *check.Pass, s text.Span) string {
	end := s.Start
	for end < s.End && p.Src[end] > ' ' {
		end++
	}
	return string(p.Src[s.Start:end])
}

var orderNotSelected = &check.Check{
	ID:     "clause.order-not-selected",
	Title:  "ORDER BY something that is not in the result",
	Errors: []string{"42703", "42P10", "ORA-01791", "3065", "Msg 145"},
	Doc: "Of a DISTINCT query or a set operation only the output columns are left when rows are ordered: what is not among them is refused, or " +
		"orders by an arbitrary row's value. MariaDB and SQLite run it after DISTINCT.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.MariaDB, dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "SELECT DISTINCT name FROM hives ORDER BY frame_count",
		Good: "SELECT DISTINCT name, frame_count FROM hives ORDER BY frame_count",
		Near: []string{
			"SELECT DISTINCT name FROM hives ORDER BY name DESC",
			"SELECT DISTINCT name AS hive FROM hives ORDER BY hive",
			"SELECT DISTINCT UPPER(name) FROM hives ORDER BY UPPER(name)",
			"SELECT name FROM hives ORDER BY frame_count",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives UNION SELECT name FROM queens ORDER BY hive_id",
		Good:    "SELECT name FROM hives UNION SELECT name FROM queens ORDER BY name",
		Near:    []string{"SELECT name FROM hives UNION SELECT colour FROM queens ORDER BY 1, name"},
	}},
	On: check.Nodes(runOrderNotSelected).With(facts.Ordered),
}

func runOrderNotSelected(p *check.Pass, q *syntax.Query) {
	switch body := q.Body.(type) {
	case *syntax.Select:
		if body.Distinct && len(body.DistinctOn) == 0 {
			distinctOrder(p, q, body)
		}
	case *syntax.SetOp:
		branchOrder(p, q, body)
	}
}

func distinctOrder(p *check.Pass, q *syntax.Query, sel *syntax.Select) {
	if hasStar(sel) || len(sel.Items)*len(q.OrderBy.Items) > 10_000 {
		return
	}
	for _, item := range q.OrderBy.Items {
		if isOutput(p, sel, item.X) {
			continue
		}
		p.Report(check.Finding{
			Span: item.X.Span(), Context: q.OrderBy.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("ORDER BY %s is not in the DISTINCT list", p.Brief(item.X)),
			Why:     "One row of the result may stand for several values of it, so the order is not defined.",
			Mends:   []check.Mend{{Title: "select it too, or order by what is selected", Effect: check.ByHand}},
		})
	}
}

func hasStar(sel *syntax.Select) bool {
	for _, item := range sel.Items {
		if _, ok := item.X.(*syntax.Star); ok {
			return true
		}
	}
	return false
}

// isOutput reports whether a key of ORDER BY is an output column: by position,
// alias, or the same expression.
func isOutput(p *check.Pass, sel *syntax.Select, x syntax.Expr) bool {
	if lit, ok := syntax.Unparen(x).(*syntax.Literal); ok && lit.Lit != syntax.TextLiteral {
		return true
	}
	name, isName := syntax.Unparen(x).(*syntax.Name)
	if isName && p.Use(name).Status == bind.OutputAlias {
		return true
	}
	for _, item := range sel.Items {
		if p.Same(item.X, x) {
			return true
		}
		if n, ok := item.X.(*syntax.Name); ok && isName && len(name.Parts) == 1 && n.Last().Sym == name.Last().Sym {
			return true
		}
	}
	switch syntax.Unparen(x).(type) {
	case *syntax.Param, *syntax.BadExpr:
		return true
	case *syntax.Collate, *syntax.Binary, *syntax.Call, *syntax.Case, *syntax.Cast:
		return onlyOutputs(p, sel, x)
	}
	return false
}

// onlyOutputs reports whether an expression is worked out from output columns
// alone, which some databases take; the others are told of by their refusal.
func onlyOutputs(p *check.Pass, sel *syntax.Select, x syntax.Expr) bool {
	if p.Dialect == dialect.Postgres || p.Dialect == dialect.SQLServer || p.Dialect == dialect.ANSI {
		return false
	}
	ok := true
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, is := n.(*syntax.Name); is {
			ok = ok && isOutput(p, sel, name)
		}
		return ok
	})
	return ok
}

// branchOrder looks at the keys that order the result of a set operation.
func branchOrder(p *check.Pass, q *syntax.Query, op *syntax.SetOp) {
	first := firstSelect(op)
	if first == nil || hasStar(first) || p.Dialect == dialect.ANSI {
		return
	}
	for _, item := range q.OrderBy.Items {
		name, ok := syntax.Unparen(item.X).(*syntax.Name)
		if !ok {
			orderByExpression(p, q, op, item.X)
			continue
		}
		if len(name.Parts) > 1 {
			continue // name.unknown-alias tells
		}
		found := false
		for _, out := range first.Items {
			n, isName := out.X.(*syntax.Name)
			found = found || !out.Alias.IsZero() && out.Alias.Sym == name.Last().Sym || isName && n.Last().Sym == name.Last().Sym
		}
		if found || p.Dialect == dialect.SQLite && namedInBranches(op, name.Last().Sym) {
			continue
		}
		p.Report(check.Finding{
			Span: item.X.Span(), Context: q.OrderBy.Span(), Certainty: check.Certain,
			Verdicts: check.Everywhere(check.Refused),
			Message:  fmt.Sprintf("the result has no column %s to order by", p.Brief(item.X)),
			Why:      "A set operation takes the names of its columns from the first branch, and orders by those only.",
			Mends:    []check.Mend{{Title: "order by a column of the first branch, or select this one in every branch", Effect: check.ByHand}},
		})
	}
}

// takesExpressions are the dialects that order the result of a set operation by what they work out
// from its columns.
var takesExpressions = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark)

// orderByExpression reports what is neither the name nor the number of a column of the result.
func orderByExpression(p *check.Pass, q *syntax.Query, op *syntax.SetOp, x syntax.Expr) {
	if takesExpressions.Has(p.Dialect) || len(p.Stmt.Errors) > 0 {
		return
	}
	for p.Dialect == dialect.SQLite {
		collate, ok := syntax.Unparen(x).(*syntax.Collate)
		if !ok {
			break
		}
		x = collate.X
	}
	switch syntax.Unparen(x).(type) {
	case *syntax.Name, *syntax.Literal, *syntax.Param, *syntax.BadExpr:
		return
	}
	if p.Dialect == dialect.SQLite && (len(q.OrderBy.Items) > mostBranches || amongOutputs(p, op, x, mostBranches)) {
		return
	}
	p.Report(check.Finding{
		Span: x.Span(), Context: q.OrderBy.Span(), Certainty: check.Certain,
		Verdicts: check.Everywhere(check.Refused).But(check.Fine, takesExpressions),
		Message:  fmt.Sprintf("behind %s ORDER BY takes columns of the result only", p.BriefOf(op.OpSpan)),
		Why:      "Neither branch works the expression out, so there is nothing to order by; a name or a number of a column may stand there.",
		Mends:    []check.Mend{{Title: "select it as a column in every branch, or order in a query around this one", Effect: check.ByHand}},
	})
}

// sameTokens reports whether two expressions are written alike.
func sameTokens(p *check.Pass, a, b syntax.Expr) bool {
	return slices.EqualFunc(p.TokensIn(a.Span()), p.TokensIn(b.Span()), func(a, b syntax.Token) bool {
		return a.Kind == b.Kind && strings.EqualFold(text.View(p.Src, a.Span), text.View(p.Src, b.Span))
	})
}

// mostBranches bounds how many branches of a set operation are looked into.
const mostBranches = 64

// amongOutputs reports whether a branch has the expression as a column.
func amongOutputs(p *check.Pass, b syntax.Body, x syntax.Expr, most int) bool {
	switch b := b.(type) {
	case *syntax.SetOp:
		return most == 0 || amongOutputs(p, b.Left, x, most-1) || amongOutputs(p, b.Right, x, most-1)
	case *syntax.Select:
		return slices.ContainsFunc(b.Items, func(item *syntax.SelectItem) bool { return sameTokens(p, item.X, x) })
	}
	return true
}

func firstSelect(b syntax.Body) *syntax.Select {
	switch b := b.(type) {
	case *syntax.Select:
		return b
	case *syntax.SetOp:
		return firstSelect(b.Left)
	case *syntax.ParenQuery:
		return firstSelect(b.Query.Body)
	}
	return nil
}

// namedInBranches reports whether any branch calls a column so, which SQLite takes.
func namedInBranches(b syntax.Body, sym syntax.Sym) bool {
	switch b := b.(type) {
	case *syntax.SetOp:
		return namedInBranches(b.Left, sym) || namedInBranches(b.Right, sym)
	case *syntax.Select:
		for _, out := range b.Items {
			if n, ok := out.X.(*syntax.Name); ok && n.Last().Sym == sym || out.Alias.Sym == sym {
				return true
			}
		}
	}
	return false
}

var distinctOnOrder = &check.Check{
	ID:    "clause.distinct-on-order",
	Title: "ORDER BY does not begin with the DISTINCT ON list",
	Doc: "DISTINCT ON keeps the first row of each set, in the order of ORDER BY, so ORDER BY must begin with the same expressions, in any order " +
		"among themselves. PostgreSQL refuses anything else.",
	Verdicts:  check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres)),
	Elsewhere: "only PostgreSQL has DISTINCT ON",
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives ORDER BY name",
		Good:    "SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives ORDER BY apiary_id, name",
		Near: []string{
			"SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives ORDER BY apiary_id, name",
			"SELECT DISTINCT ON (apiary_id, keeper_id) name FROM hives ORDER BY keeper_id DESC, apiary_id, name",
			"SELECT DISTINCT ON (apiary_id) apiary_id, name FROM hives",
			"SELECT DISTINCT ON (apiary_id) apiary_id AS a, name FROM hives ORDER BY a, name",
			"SELECT DISTINCT ON (apiary_id, name) name FROM hives ORDER BY apiary_id",
		},
	}},
	On: check.Nodes(runDistinctOnOrder).With(facts.Ordered).In(dialect.In(dialect.Postgres)),
}

func runDistinctOnOrder(p *check.Pass, q *syntax.Query) {
	sel, ok := q.Body.(*syntax.Select)
	if !ok || len(sel.DistinctOn) == 0 {
		return
	}
	for i, item := range q.OrderBy.Items {
		if i == len(sel.DistinctOn) {
			return
		}
		found := false
		for _, x := range sel.DistinctOn {
			found = found || sameOrdered(p, sel, x, item.X)
		}
		if found {
			continue
		}
		list := p.Text(sel.DistinctOn[0])
		for _, x := range sel.DistinctOn[1:] {
			list += ", " + p.Text(x)
		}
		p.Report(check.Finding{
			Span: item.X.Span(), Context: q.OrderBy.Span(), Certainty: check.Certain,
			Message: "ORDER BY does not begin with the DISTINCT ON list",
			Why:     fmt.Sprintf("The first row of each %s is kept, so rows must be ordered by that first.", list),
			Mends:   []check.Mend{{Title: "order by the list first", Effect: check.NewRows, Edits: orderByFirst(p, sel, q.OrderBy.Items, i)}},
		})
		return
	}
}

// orderByFirst puts what is missing of the DISTINCT ON list before the key
// at index i, taken from the later keys where it is among them.
func orderByFirst(p *check.Pass, sel *syntax.Select, keys []*syntax.OrderItem, i int) []text.Edit {
	var missing string
	var edits []text.Edit
	for _, x := range sel.DistinctOn {
		at := slices.IndexFunc(keys, func(key *syntax.OrderItem) bool { return sameOrdered(p, sel, x, key.X) })
		switch {
		case at < 0:
			missing += p.Text(x) + ", "
		case at > i:
			missing += p.Text(keys[at]) + ", "
			edits = append(edits, p.Remove(text.Span{Start: keys[at-1].Span().End, End: keys[at].Span().End})...)
		}
	}
	return append(edits, check.Insert(keys[i].Span().Start, missing))
}

// sameOrdered reports whether a key of ORDER BY is an expression of DISTINCT ON,
// itself, by its position or its alias.
func sameOrdered(p *check.Pass, sel *syntax.Select, x, key syntax.Expr) bool {
	if p.Same(x, key) {
		return true
	}
	out := func(x syntax.Expr) syntax.Expr {
		switch n := syntax.Unparen(x).(type) {
		case *syntax.Literal:
			if i, ok := p.Position(n); ok && i >= 1 && i <= len(sel.Items) {
				return sel.Items[i-1].X
			}
		case *syntax.Name:
			if u := p.Use(n); u.Item != nil {
				return u.Item.X
			}
			if item := itemNamed(p, sel, n); item != nil && len(n.Parts) == 1 {
				return item.X
			}
		}
		return x
	}
	return p.Same(out(x), out(key))
}

var havingUngrouped = &check.Check{
	ID:     "clause.having-ungrouped",
	Title:  "HAVING in a query without groups",
	Errors: []string{"42803", "ORA-00979", "1054", "Msg 8121"},
	Doc: "Without GROUP BY and without an aggregate there are no groups for HAVING to pick from. MySQL and MariaDB take it for WHERE, as far as it " +
		"names selected columns; other databases refuse the columns in it, or make one group of everything.",
	Verdicts: check.Everywhere(check.Refused).But(check.Unclear, dialect.In(dialect.MySQL, dialect.MariaDB)),
	Examples: []check.Example{{
		Bad:  "SELECT name, frame_count FROM hives HAVING frame_count > 8",
		Good: "SELECT name, frame_count FROM hives WHERE frame_count > 8",
		Near: []string{
			"SELECT apiary_id FROM hives GROUP BY apiary_id HAVING COUNT(*) > 3",
			"SELECT COUNT(*) FROM hives HAVING COUNT(*) > 3",
		},
	}, {
		Dialect: dialect.Postgres,
		Near:    []string{"SELECT 1 FROM hives HAVING COUNT(*) > 3"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT 1 FROM hives HAVING COUNT(*) > 3",
		Good:    "SELECT COUNT(*) FROM hives HAVING COUNT(*) > 3",
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name, frame_count FROM hives HAVING frame_count > 8",
		Good:    "SELECT name, frame_count FROM hives WHERE frame_count > 8",
	}},
	On: check.Nodes(runHavingUngrouped),
}

func runHavingUngrouped(p *check.Pass, h *syntax.Having) {
	sel, ok := p.Parent(h).(*syntax.Select)
	if !ok || sel.GroupBy != nil || sel.From == nil {
		return
	}
	grouped, columns := false, 0
	look := func(x syntax.Node) { p.EachAggregate(x, func(*syntax.Call) { grouped = true }) }
	for _, item := range sel.Items {
		look(item.X)
	}
	if p.Dialect != dialect.SQLite { // which wants an aggregate in the list
		look(h.Cond)
	}
	alias, conditional := false, 0
	p.EachAggregate(h.Cond, func(*syntax.Call) { conditional++ })
	syntax.Inspect(h.Cond, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			columns++
			alias = alias || p.Use(name).Status == bind.OutputAlias
		}
		_, query := n.(*syntax.Query)
		return !query
	})
	if grouped || columns == 0 && conditional == 0 || p.Dialect == dialect.Spark {
		return
	}
	f := check.Finding{
		Span: h.Span(), Certainty: check.Certain,
		Message: "HAVING tests groups, and this query has none",
		Why:     "WHERE tests single rows; HAVING tests groups, and without GROUP BY or an aggregate there are none.",
	}
	if p.Dialect.Has(dialect.ExecutedComments) {
		f.Why = "It is taken for WHERE here, but only selected columns can be named; other databases refuse it."
	}
	if sel.Where == nil && !alias && conditional == 0 {
		keyword := text.Span{Start: h.Span().Start, End: h.Span().Start + 6}
		effect := check.NewRows
		if p.Dialect.Has(dialect.ExecutedComments) {
			effect = check.SameRows
		}
		f.Mends = []check.Mend{{Title: "write WHERE", Effect: effect, Edits: []text.Edit{check.Replace(keyword, p.Word(keyword.Start, "WHERE"))}}}
	} else {
		f.Mends = []check.Mend{{Title: "put the condition into WHERE", Effect: check.ByHand}}
	}
	p.Report(f)
}

var cteOrder = &check.Check{
	ID:    "clause.cte-order",
	Title: "common table expression used where it cannot be seen",
	Doc: "A common table expression sees those before it, and itself only WITH RECURSIVE, where the database wants the word. One that names " +
		"a later one, or itself without it, means a table of that name.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.SQLite)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "WITH n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) SELECT i FROM n",
		Good:    "WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) SELECT i FROM n",
		Near: []string{
			"WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) SELECT i FROM n",
			"WITH hives AS (SELECT name FROM hives) SELECT name FROM hives",
			"WITH a AS (SELECT 1 AS x), b AS (SELECT x FROM a) SELECT x FROM b",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "WITH a AS (SELECT x FROM b), b AS (SELECT 1 AS x) SELECT x FROM a",
		Good:    "WITH b AS (SELECT 1 AS x), a AS (SELECT x FROM b) SELECT x FROM a",
	}},
	On: check.Nodes(runCTEOrder).With(facts.Strange),
}

func runCTEOrder(p *check.Pass, sel *syntax.Select) {
	for _, s := range p.Scope(sel).Sources {
		ref, ok := s.Node.(*syntax.TableRef)
		if !ok || !s.Later {
			continue
		}
		name := p.Ident(ref.Name[0])
		f := check.Finding{
			Span: ref.Name[0].Span, Certainty: check.Certain,
			Message: fmt.Sprintf("%s cannot be seen here", name),
			Why:     "Define it first: a common table expression sees only those before it.",
			Mends:   []check.Mend{{Title: "define it first", Effect: check.ByHand}},
		}
		if cte := around(p, ref); cte != nil && cte.Name.Sym == ref.Name[0].Sym {
			with, _ := p.Parent(cte).(*syntax.With)
			f.Verdicts = check.Everywhere(check.Refused).But(check.Fine, dialect.With(dialect.ImplicitRecursion))
			f.Message = fmt.Sprintf("%s names itself without RECURSIVE", name)
			f.Why = "Write WITH RECURSIVE; without it the name means a table, and no such table is known."
			if with != nil && !with.Recursive && !p.Dialect.Has(dialect.ImplicitRecursion) {
				at := with.Span().Start + 4
				f.Mends = []check.Mend{{Title: "write WITH RECURSIVE", Effect: check.NewRows, Edits: []text.Edit{check.Insert(at, " "+p.Word(with.Span().Start, "RECURSIVE"))}}}
			}
		}
		p.Report(f)
	}
}

// around gives the common table expression in which a node stands.
func around(p *check.Pass, n syntax.Node) *syntax.CTE {
	c, _ := p.Nearest(n, syntax.Kinds(syntax.KindCTE)).(*syntax.CTE)
	return c
}
