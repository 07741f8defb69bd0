package rows

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

var limitUnordered = &check.Check{
	ID:    "rows.limit-unordered",
	Title: "row limit without ORDER BY",
	Doc: "Without ORDER BY the rows of a query have no order, and a row limit takes any of them. Which they are may change from day to day, with the data, an index or a " +
		"new version of the database.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name, frame_count FROM hives LIMIT 5",
		Good:    "SELECT name, frame_count FROM hives ORDER BY hive_id LIMIT 5",
		Near: []string{
			"SELECT name, frame_count FROM hives ORDER BY frame_count DESC, hive_id LIMIT 5",
			"SELECT name FROM hives WHERE hive_id = 7 LIMIT 1",
			"SELECT COUNT(*) AS hives FROM hives LIMIT 1",
			"SELECT a.name FROM apiaries a WHERE EXISTS (SELECT h.name FROM hives h WHERE h.apiary_id = a.apiary_id LIMIT 1)",
			"SELECT 1 AS found FROM hives WHERE frame_count > 8 LIMIT 1",
			"SELECT name FROM hives LIMIT 0",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT TOP (3) name FROM queens WHERE bred_in = 2025",
		Good:    "SELECT TOP (3) name FROM queens WHERE bred_in = 2025 ORDER BY queen_id",
	}, {
		Dialect: dialect.Spark,
		Bad:     "SELECT name FROM keepers SORT BY joined_on LIMIT 5",
		Good:    "SELECT name FROM keepers ORDER BY joined_on LIMIT 5",
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name FROM keepers UNION ALL SELECT TOP (1) name FROM buyers ORDER BY name",
		Near:    []string{"SELECT name FROM keepers UNION ALL SELECT d.name FROM (SELECT TOP (1) name FROM buyers ORDER BY buyer_id) AS d ORDER BY name"},
	}},
	On: check.Nodes(runLimitUnordered).With(facts.Limited).And(check.Nodes(runTopUnordered).In(dialect.In(dialect.SQLServer, dialect.ANSI))).
		And(check.Nodes(runDistinctOnUnordered).In(dialect.In(dialect.Postgres))),
}

// mostCompared is how many pairs of keys and outputs are compared.
const mostCompared = 1000

// runDistinctOnUnordered looks at DISTINCT ON, which keeps the first row of each group.
func runDistinctOnUnordered(p *check.Pass, sel *syntax.Select) {
	q := p.OwnQuery(sel)
	if len(sel.DistinctOn) == 0 || !p.Wants(check.Possible) || q == nil || q.OrderBy != nil || sel.From == nil || sel.GroupBy != nil || len(sel.DistinctOn)*len(sel.Items) > mostCompared {
		return
	}
	keys := make([]syntax.Expr, len(sel.DistinctOn))
	for i, key := range sel.DistinctOn {
		keys[i] = p.KeyMeant(sel, key)
		if n, ok := syntax.Unparen(key).(*syntax.Name); ok && len(n.Parts) == 1 { // an alias, as in ORDER BY
			if item := p.Scope(sel).Item(n.Last().Sym); item != nil {
				keys[i] = item.X
			}
		}
	}
	if p.Given(sel, keys...).Rows() {
		return
	}
	for _, item := range sel.Items {
		if !slices.ContainsFunc(keys, func(key syntax.Expr) bool { return p.Same(key, item.X) }) {
			at := sel.DistinctOn[0].Span().Join(sel.DistinctOn[len(sel.DistinctOn)-1].Span())
			p.Report(check.Finding{Span: at, Context: sel.Span(), Certainty: check.Possible, // the others may be alike
				Message: fmt.Sprintf("DISTINCT ON keeps any row of each %s, for nothing says which comes first", p.BriefOf(at)),
				Why:     "A query without ORDER BY gives its rows in whatever order is cheapest at the time.",
				Mends:   []check.Mend{{Title: fmt.Sprintf("order by %s, and then by what is to come first", p.BriefOf(at)), Effect: check.ByHand}},
			})
			return
		}
	}
}

func runLimitUnordered(p *check.Pass, q *syntax.Query) {
	switch {
	case !q.Limit.Counts():
	case q.OrderBy == nil:
		unordered(p, q, q.Limit)
	case p.Dialect == dialect.Spark && strings.EqualFold(text.View(p.Src, sortWord(q.OrderBy)), "sort"):
		p.Report(check.Finding{Span: q.OrderBy.Span(), Context: q.OrderBy.Span().Join(q.Limit.Span()), Certainty: check.Certain,
			Message: "SORT BY sorts each partition by itself, and the row limit takes rows of any of them",
			Why:     "Only ORDER BY puts all rows in one order (Spark, \"SORT BY Clause\").",
			Mends:   []check.Mend{{Title: "write ORDER BY", Effect: check.NewRows, Edits: []text.Edit{check.Replace(sortWord(q.OrderBy), p.Word(q.OrderBy.Span().Start, "ORDER"))}}},
		})
	}
}

// sortWord is where SORT stands in SORT BY.
func sortWord(o *syntax.OrderBy) text.Span {
	return text.Span{Start: o.Span().Start, End: o.Span().Start + text.Pos(len("SORT"))}
}

func runTopUnordered(p *check.Pass, sel *syntax.Select) {
	if sel.Top == nil || sel.Top.Count == nil {
		return
	}
	q := p.OwnQuery(sel)
	switch _, branch := p.Parent(sel).(*syntax.SetOp); {
	case branch && sel.From != nil && !rowsAreOne(p, sel) && !allConstant(sel):
		p.Report(check.Finding{Span: sel.Top.Span(), Context: sel.Span(), Certainty: check.Likely,
			Message: "the row limit takes any rows of this branch, for nothing says in which order",
			Why:     "ORDER BY behind a set operation sorts the rows of all branches, when they have been taken.",
			Mends:   []check.Mend{{Title: "put the branch in a derived table that has ORDER BY of its own", Effect: check.ByHand}},
		})
	case q != nil && q.OrderBy == nil && q.Limit == nil:
		unordered(p, q, sel.Top)
	}
}

func unordered(p *check.Pass, q *syntax.Query, limit *syntax.Limit) {
	sel, ok := q.Body.(*syntax.Select)
	if !ok || sel.From == nil || sel.Reshaped || sel.GroupBy == nil && p.Aggregates(sel) {
		return
	}
	count := "1" // FETCH FIRST ROW ONLY
	if limit.Count != nil {
		count = p.Text(syntax.Unparen(limit.Count))
	}
	if _, exists := p.Parent(q).(*syntax.Exists); exists || count == "0" || allConstant(sel) || rowsAreOne(p, sel) {
		return
	}
	f := check.Finding{Span: limit.Span(), Context: q.Span(), Certainty: check.Likely,
		Message: "the row limit takes any rows, for nothing says in which order",
		Why:     "A query without ORDER BY gives its rows in whatever order is cheapest at the time.",
	}
	if count == "1" {
		f.Message = "the row limit takes any one row, for nothing says which comes first"
		if !p.AllHaveKeys(sel) || hasEquality(p, sel) {
			f.Certainty = check.Possible // there may be only one
		}
	}
	if sel.Distinct || sel.GroupBy != nil || len(p.Scope(sel).Sources) != 1 {
		f.Mends = []check.Mend{{Title: "say in ORDER BY which come first", Effect: check.ByHand}}
	} else if key := orderKey(p, p.Scope(sel).Sources[0]); key != "" {
		order := p.Word(sel.Span().Start, "ORDER BY") + " " + key
		m := check.Mend{Title: "order by the key, or by what is meant to come first", Effect: check.NewRows}
		if limit == sel.Top {
			m.Edits = []text.Edit{check.Insert(q.Span().End, p.Break(sel.From.Span().Start, "")+order)}
		} else {
			m.Edits = []text.Edit{check.Insert(limit.Span().Start, order+p.Break(limit.Span().Start, ""))}
		}
		f.Mends = []check.Mend{m}
	} else {
		f.Mends = []check.Mend{{Title: "say in ORDER BY which come first", Effect: check.ByHand}}
	}
	p.Report(f)
}

// allConstant reports whether a SELECT gives the same row each time.
func allConstant(sel *syntax.Select) bool {
	for _, item := range sel.Items {
		if _, ok := syntax.Unparen(item.X).(*syntax.Literal); !ok {
			return false
		}
	}
	return true
}

// rowsAreOne reports whether a SELECT gives one row at most, its row limit left aside.
func rowsAreOne(p *check.Pass, sel *syntax.Select) bool {
	return p.Given(sel).Rows()
}

// hasEquality reports whether WHERE asks that a column equals something, which may pick a single
// row although no key says so.
func hasEquality(p *check.Pass, sel *syntax.Select) (found bool) {
	if sel.Where != nil {
		syntax.Conjuncts(sel.Where.Cond, func(c syntax.Expr) {
			b, ok := syntax.Unparen(c).(*syntax.Binary)
			found = found || ok && b.Op == syntax.OpEqual
		})
	}
	return found
}

// orderKey writes the primary key of a source as it can be ordered by, "" if it has none.
func orderKey(p *check.Pass, s *bind.Source) string {
	t := s.SchemaTable()
	if t == nil {
		return ""
	}
	var columns []string
	for _, i := range t.PrimaryKey() {
		name := p.Dialect.Name(t.Columns[i].Name, t.Columns[i].Quoted)
		if ref, ok := s.Node.(*syntax.TableRef); ok && !ref.Alias.IsZero() {
			name = p.Ident(ref.Alias) + "." + name
		}
		columns = append(columns, name)
	}
	return strings.Join(columns, ", ")
}

var limitTies = &check.Check{
	ID:    "rows.limit-ties",
	Title: "row limit ordered by what is not unique",
	Doc: "Rows that agree in all of ORDER BY have no order among them. Where the row limit falls between such rows, it is chance which of them are given, and a second page may " +
		"repeat or leave out some. A key at the end of ORDER BY makes the order whole.",
	Verdicts:  check.Everywhere(check.Unclear),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name, frame_count FROM hives ORDER BY frame_count DESC LIMIT 5",
		Good:    "SELECT name, frame_count FROM hives ORDER BY frame_count DESC, hive_id LIMIT 5",
		Near: []string{
			"SELECT name, frame_count FROM hives ORDER BY frame_count DESC, hive_id LIMIT 5",
			"SELECT name, altitude_m FROM apiaries ORDER BY name LIMIT 5",
			"SELECT name, frame_count FROM hives ORDER BY frame_count DESC",
			"SELECT apiary_id, COUNT(*) AS n FROM hives GROUP BY apiary_id ORDER BY apiary_id LIMIT 5",
		},
	}},
	On: check.Nodes(runLimitTies).With(facts.Limited | facts.Ordered),
}

func runLimitTies(p *check.Pass, q *syntax.Query) {
	sel, ok := q.Body.(*syntax.Select)
	if !p.Wants(check.Possible) || !ok || sel.From == nil || !q.Limit.Counts() || q.Limit.Loose || sel.GroupBy != nil || sel.Distinct || p.Aggregates(sel) || !p.AllHaveKeys(sel) {
		return
	}
	var keys []syntax.Expr
	for _, item := range q.OrderBy.Items {
		keys = append(keys, p.KeyMeant(sel, item.X))
	}
	if p.Given(sel, keys...).Rows() {
		return
	}
	last := q.OrderBy.Items[len(q.OrderBy.Items)-1]
	f := check.Finding{Span: q.OrderBy.Span(), Context: q.OrderBy.Span().Join(q.Limit.Span()), Certainty: check.Possible,
		Message: "rows that agree in all of this have no order, and the row limit takes any of them",
		Why:     "No key of the tables is among what the rows are ordered by.",
		Mends:   []check.Mend{{Title: "add a key at the end of ORDER BY", Effect: check.ByHand}},
	}
	if sources := p.Scope(sel).Sources; len(sources) == 1 {
		if key := orderKey(p, sources[0]); key != "" {
			f.Mends = []check.Mend{{Title: "order by " + key + " at the end", Effect: check.NewRows, Edits: []text.Edit{check.Insert(last.Span().End, ", "+key)}}}
		}
	}
	p.Report(f)
}

var orderPosition = &check.Check{
	ID:        "rows.order-position",
	Title:     "ORDER BY by position",
	Doc:       "ORDER BY 2 sorts by the second column of the list, whichever that is. A column that is added before it changes the order without a word. A name stays what it is.",
	Verdicts:  check.Everywhere(check.Unclear),
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT name, frame_count FROM hives ORDER BY 2, name",
		Good: "SELECT name, frame_count FROM hives ORDER BY frame_count, name",
		Near: []string{
			"SELECT name, frame_count FROM hives ORDER BY frame_count, name",
			"SELECT name FROM hives UNION SELECT name FROM queens ORDER BY 1",
			"SELECT name, frame_count FROM hives ORDER BY frame_count + 2, name",
		},
	}},
	On: check.Nodes(runOrderPosition).With(facts.Ordered),
}

func runOrderPosition(p *check.Pass, q *syntax.Query) {
	sel, ok := q.Body.(*syntax.Select)
	if !ok || !p.Wants(check.Possible) {
		return
	}
	var f check.Finding
	m := check.Mend{Title: "sort by name", Effect: check.SameRows}
	for _, item := range q.OrderBy.Items {
		l, ok := item.X.(*syntax.Literal)
		if !ok {
			continue
		}
		meant := p.ItemAt(sel, l)
		if meant == nil {
			continue
		}
		if f.Message == "" {
			f = check.Finding{Span: l.Span(), Context: q.OrderBy.Span(), Certainty: check.Possible,
				Message: fmt.Sprintf("sorts by %s, as long as nothing is put before it", p.Brief(meant.X)),
				Why:     "A position means another column as soon as the list changes."}
		} else {
			f.Related = append(f.Related, check.Related{Span: l.Span(), Message: fmt.Sprintf("and by %s", p.Brief(meant.X))})
		}
		name := ""
		switch x := meant.X.(type) {
		case *syntax.Name:
			name = p.Text(x)
		case *syntax.Star:
			return
		}
		if !meant.Alias.IsZero() {
			name = p.Ident(meant.Alias)
		}
		if name == "" {
			m.Effect = check.ByHand
		}
		m.Edits = append(m.Edits, check.Replace(l.Span(), name))
	}
	if f.Message == "" {
		return
	}
	if m.Effect == check.ByHand {
		m.Title, m.Edits = "give it a name, and sort by that", nil
	}
	f.Mends = []check.Mend{m}
	p.Report(f)
}

var orderText = &check.Check{
	ID:     "rows.order-text",
	Title:  "ORDER BY a text in quotes",
	Errors: []string{"42601", "Msg 408"},
	Doc: "In single quotes a name is a text, the same for every row, and sorting by it sorts nothing. PostgreSQL and SQL Server refuse it, the others run and give the rows " +
		"unsorted.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLServer)),
	Examples: []check.Example{{
		Bad:  "SELECT name, frame_count FROM hives ORDER BY 'frame_count' DESC",
		Good: "SELECT name, frame_count FROM hives ORDER BY frame_count DESC",
		Near: []string{
			"SELECT name, frame_count FROM hives ORDER BY frame_count DESC",
			"SELECT name, frame_count FROM hives ORDER BY CASE WHEN name = 'Ash' THEN 0 ELSE 1 END, name",
			"SELECT name, frame_count FROM hives ORDER BY name || 'a'",
		},
	}},
	On: check.Nodes(runOrderText).With(facts.Ordered),
}

func runOrderText(p *check.Pass, q *syntax.Query) {
	for _, item := range q.OrderBy.Items {
		l, ok := item.X.(*syntax.Literal)
		if !ok || l.Lit != syntax.TextLiteral || !strings.HasPrefix(p.Text(l), "'") {
			continue
		}
		f := check.Finding{Span: l.Span(), Context: q.OrderBy.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s is a text, the same for every row, and sorts nothing", p.Brief(l)),
			Why:     "Single quotes make a text of a name.",
		}
		name := strings.Trim(p.Text(l), "'")
		if isName(p, q, name) {
			f.Mends = []check.Mend{{Title: "sort by the column", Effect: check.NewRows, Edits: []text.Edit{check.Replace(l.Span(), p.Dialect.Name(name, false))}}}
		} else {
			f.Mends = []check.Mend{{Title: "sort by a column", Effect: check.ByHand}}
		}
		p.Report(f)
	}
}

// isName reports whether a query gives out or reads a column of the name.
func isName(p *check.Pass, q *syntax.Query, name string) bool {
	sel, ok := q.Body.(*syntax.Select)
	sym := p.Names.Find(strings.ToLower(name))
	if !ok || sym == 0 {
		return false
	}
	for _, item := range sel.Items {
		if n, ok := item.X.(*syntax.Name); item.Alias.Sym == sym || ok && n.Last().Sym == sym {
			return true
		}
	}
	for _, s := range p.Scope(sel).Sources {
		if s.Named(sym) != nil {
			return true
		}
	}
	return false
}

var orderDirection = &check.Check{
	ID:    "rows.order-direction",
	Title: "DESC that belongs to the last column only",
	Doc: "DESC belongs to the one column before it. ORDER BY a, b DESC sorts by a from the smallest up, and only rows that agree in a by b from the greatest down. To turn the whole " +
		"order, each column needs its DESC.",
	Verdicts:  check.Everywhere(check.Unclear),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT name, frame_count FROM hives ORDER BY apiary_id, frame_count DESC",
		Near: []string{
			"SELECT name, frame_count FROM hives ORDER BY apiary_id ASC, frame_count DESC",
			"SELECT name, frame_count FROM hives ORDER BY apiary_id DESC, frame_count DESC",
			"SELECT name, frame_count FROM hives ORDER BY frame_count DESC, apiary_id",
			"SELECT name, frame_count FROM hives ORDER BY frame_count DESC",
		},
	}},
	On: check.Nodes(runOrderDirection).With(facts.Ordered),
}

func runOrderDirection(p *check.Pass, q *syntax.Query) {
	items := q.OrderBy.Items
	last := items[len(items)-1]
	if len(items) < 2 || !last.Desc || !p.Wants(check.Possible) {
		return
	}
	for _, item := range items[:len(items)-1] {
		if item.Desc || item.Nulls || item.Span().End != item.X.Span().End {
			return // a direction is written, so the author thinks of them
		}
	}
	p.Report(check.Finding{
		Span: last.Span(), Context: q.OrderBy.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("DESC turns the order of %s only", p.Brief(last.X)),
		Why:     fmt.Sprintf("%s goes from the smallest up.", p.Brief(items[0].X)),
		Mends:   []check.Mend{{Title: "write ASC where it is meant, or DESC behind each", Effect: check.ByHand}},
	})
}
