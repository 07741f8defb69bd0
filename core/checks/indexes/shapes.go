package indexes

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var arithmeticOnColumn = &check.Check{
	ID:       "index.arithmetic-on-column",
	Title:    "arithmetic on a column that is compared",
	Doc:      "An index holds the values of the column, not twice the value or the value and one. A condition on what is worked out of the column reads every row. Moved to the other side, the arithmetic is done once.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM apiaries WHERE apiary_id + 1 = 5",
		Good: "SELECT name FROM apiaries WHERE apiary_id = 5 - 1",
		Near: []string{
			"SELECT name FROM apiaries WHERE apiary_id = 5 - 1",
			"SELECT name FROM apiaries WHERE apiary_id + altitude_m = 5",
			"SELECT apiary_id + 1 = 5 AS next FROM apiaries",
			"SELECT a.name FROM apiaries a JOIN hives h ON h.apiary_id = a.apiary_id WHERE a.altitude_m = h.frame_count + 1",
		},
	}, {
		Bad: "SELECT hive_id FROM harvests WHERE harvest_id * 2 > 10",
	}},
	On: check.Comparisons(runArithmetic).With(facts.Calculated),
}

func runArithmetic(p *check.Pass, b *syntax.Binary) {
	for _, sides := range [...][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
		sum, ok := syntax.Unparen(sides[0]).(*syntax.Binary)
		if !ok || sum.Op < syntax.OpAdd || sum.Op > syntax.OpDivide {
			continue
		}
		column, isName := syntax.Unparen(sum.X).(*syntax.Name)
		number, isNumber := syntax.Unparen(sum.Y).(*syntax.Literal)
		if !isName {
			column, isName = syntax.Unparen(sum.Y).(*syntax.Name)
			number, isNumber = syntax.Unparen(sum.X).(*syntax.Literal)
		}
		place, _ := p.Enclosing(b, syntax.Kinds(syntax.KindWhere, syntax.KindJoin))
		if !isName || !isNumber || number.Lit != syntax.NumberLiteral || place == nil || !isConstant(sides[1]) {
			continue
		}
		u := p.Use(column)
		if u.Source == nil || u.Source.Query != nil || hasIndexOn(p, u, sum) {
			return
		}
		f := check.Finding{Span: sides[0].Span(), Context: place.Span(), Certainty: min(certainty(p, u), check.Likely),
			Message: fmt.Sprintf("%s hides %s from its index", p.Brief(sum), p.Brief(column)),
			Why:     "Every row is read to work it out.",
			Mends:   []check.Mend{{Title: "move the arithmetic to the other side", Effect: check.ByHand}},
		}
		if opposite := inverse(sum, column); opposite != "" && p.Type(column).Class == class.Integer && p.Type(sides[1]).Class == class.Integer && !p.HasComment(b.Span()) {
			moved := p.Parenthesised(sides[1]) + " " + opposite + " " + p.Text(number)
			f.Mends[0] = check.Mend{Title: f.Mends[0].Title, Effect: check.SameRows, Edits: []text.Edit{
				check.Replace(sides[0].Span(), p.Text(column)), check.Replace(sides[1].Span(), moved)}}
		}
		p.Report(f)
		return
	}
}

// inverse gives the operator that takes a sum or difference back, "" where it is another one.
func inverse(sum *syntax.Binary, column *syntax.Name) string {
	switch {
	case sum.Op == syntax.OpAdd:
		return "-"
	case sum.Op == syntax.OpSubtract && syntax.Unparen(sum.X) == syntax.Expr(column):
		return "+"
	}
	return ""
}

// isConstant reports whether a value is the same for all rows at a glance.
func isConstant(x syntax.Expr) bool {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal, *syntax.Param, *syntax.TypedLiteral:
		return true
	case *syntax.Binary:
		return isConstant(n.X) && isConstant(n.Y)
	}
	return false
}

var orAcross = &check.Check{
	ID:    "index.or-across",
	Title: "OR over different columns",
	Doc: "An index serves conditions on the column it begins with. OR between two columns cannot be served by one index. PostgreSQL, MySQL, MariaDB, Oracle and SQLite may put two indexes together, if both columns have one. " +
		"Two queries with UNION use an index each.",
	Verdicts:  check.Everywhere(check.Slow),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE apiary_id = 2 OR keeper_id = 3",
		Near: []string{
			"SELECT name FROM hives WHERE apiary_id = 2 OR apiary_id = 3",
			"SELECT name FROM hives WHERE apiary_id = 2 AND keeper_id = 3",
			"SELECT name FROM hives WHERE apiary_id = 2 AND (keeper_id = 3 OR queen_id = 4)",
		},
	}},
	On: check.Nodes(runOrAcross),
}

func runOrAcross(p *check.Pass, w *syntax.Where) {
	b, ok := syntax.Unparen(w.Cond).(*syntax.Binary)
	if !ok || b.Op != syntax.OpOr || !p.Wants(check.Possible) {
		return
	}
	x, y := equated(b.X), equated(b.Y)
	if x == nil || y == nil || p.Same(x, y) || p.Use(x).Source == nil || p.Use(y).Source == nil {
		return
	}
	p.Report(check.Finding{Span: b.Span(), Context: w.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("no single index serves %s or %s", p.Brief(x), p.Brief(y)),
		Why:     "Unless both have an index and the database puts them together, every row is read.",
		Mends:   []check.Mend{{Title: "ask twice, and put the rows together by UNION", Effect: check.ByHand}},
	})
}

// equated gives the column that a condition holds equal to a constant.
func equated(x syntax.Expr) *syntax.Name {
	b, ok := syntax.Unparen(x).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual {
		return nil
	}
	n, isName := syntax.Unparen(b.X).(*syntax.Name)
	if !isName || !isConstant(b.Y) {
		return nil
	}
	return n
}

var skippedLeading = &check.Check{
	ID:        "index.skipped-leading",
	Title:     "only a later column of an index is asked for",
	Doc:       "An index over several columns is sorted by the first, then by the second. A condition on the second alone finds its rows scattered all over. It needs an index that begins with that column.",
	Verdicts:  check.Everywhere(check.Slow),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "CREATE TABLE frames (frame_id integer PRIMARY KEY, hive_id integer, wax integer); CREATE INDEX frames_by_hive ON frames (hive_id, wax); SELECT frame_id FROM frames WHERE wax = 3",
		Near: []string{
			"CREATE TABLE frames (frame_id integer PRIMARY KEY, hive_id integer, wax integer); CREATE INDEX frames_by_hive ON frames (hive_id, wax); SELECT frame_id FROM frames WHERE wax = 3 AND hive_id = 1",
			"CREATE TABLE frames (frame_id integer PRIMARY KEY, hive_id integer, wax integer); CREATE INDEX frames_by_hive ON frames (wax, hive_id); SELECT frame_id FROM frames WHERE wax = 3",
			"SELECT name FROM hives WHERE frame_count = 3",
		},
	}},
	On: check.Operators(runSkippedLeading, syntax.OpEqual).With(facts.NameSide),
}

func runSkippedLeading(p *check.Pass, b *syntax.Binary) {
	if !p.Wants(check.Possible) {
		return
	}
	n := equated(b)
	where, ok := p.Nearest(b, syntax.Kinds(syntax.KindWhere, syntax.KindQuery)).(*syntax.Where)
	if n == nil || !ok || !p.IsConjunct(b) {
		return
	}
	u := p.Use(n)
	if u.Source == nil || u.Source.SchemaTable() == nil || u.Column == nil || u.Column.Index < 0 {
		return
	}
	t := u.Source.SchemaTable()
	if t.LeadsIndex(u.Column.Index) {
		return
	}
	for _, index := range t.Indexes {
		at := slices.IndexFunc(index.Parts, func(part schema.IndexPart) bool { return part.Column == u.Column.Index })
		if at < 1 || index.Special {
			continue
		}
		first := index.Parts[0].Column
		if first < 0 {
			continue
		}
		asked := false
		syntax.Inspect(where.Cond, func(x syntax.Node) bool {
			if name, ok := x.(*syntax.Name); ok {
				v := p.Use(name)
				asked = asked || v.Source == u.Source && v.Column != nil && t.LeadsIndex(v.Column.Index)
			}
			return !asked
		})
		if asked {
			return
		}
		p.Report(check.Finding{Span: b.Span(), Context: where.Span(), Certainty: check.Possible,
			Message: fmt.Sprintf("the index %s begins with %s, and nothing is asked of it", index.Name, t.Columns[first].Name),
			Why:     fmt.Sprintf("Sorted by %s first, it has the rows of one %s all over.", t.Columns[first].Name, p.Brief(n)),
			Mends:   []check.Mend{{Title: fmt.Sprintf("create an index that begins with %s", p.Brief(n)), Effect: check.ByHand}},
		})
		return
	}
}

var orderRandom = &check.Check{
	ID:       "index.order-random",
	Title:    "ORDER BY a random number",
	Doc:      "Every row gets a random number, and all are sorted to take a few. On a large table TABLESAMPLE, or a random key looked up in the index, takes a few rows without reading the others.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives ORDER BY RANDOM() LIMIT 3",
		Near: []string{
			"SELECT name FROM hives ORDER BY name LIMIT 3",
			"SELECT name, RANDOM() AS r FROM hives",
			"SELECT name FROM (VALUES ('a'), ('b')) AS v(name) ORDER BY RANDOM()",
		},
	}},
	On: check.Nodes(runOrderRandom).With(facts.Ordered),
}

func runOrderRandom(p *check.Pass, q *syntax.Query) {
	sel, ok := q.Body.(*syntax.Select)
	if !ok || len(q.OrderBy.Items) != 1 || sel.GroupBy != nil {
		return
	}
	c, ok := syntax.Unparen(q.OrderBy.Items[0].X).(*syntax.Call)
	if !ok {
		return
	}
	switch p.FunctionName(c) {
	case "random", "rand", "newid", "uuid", "gen_random_uuid", "value":
	default:
		return
	}
	if p.FunctionName(c) == "value" && (len(c.Name) < 2 || !strings.EqualFold(p.Ident(c.Name[0]), "dbms_random")) {
		return
	}
	if !slices.ContainsFunc(p.Scope(sel).Sources, func(s *bind.Source) bool { return s.Query == nil && s.Node.Kind() == syntax.KindTableRef }) {
		return
	}
	p.Report(check.Finding{Span: c.Span(), Context: q.OrderBy.Span(), Certainty: check.Certain,
		Message: "all rows are read and sorted by a random number",
		Why:     "No index is sorted by chance.",
		Mends:   []check.Mend{{Title: "take a sample of the table, or look up random keys", Effect: check.ByHand}},
	})
}

var deepOffset = &check.Check{
	ID:       "index.deep-offset",
	Title:    "a large OFFSET",
	Doc:      "OFFSET 10000 makes the database find ten thousand rows and throw them away, for each page anew. WHERE with the last key of the page before goes straight to the next.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives ORDER BY hive_id LIMIT 20 OFFSET 10000",
		Near: []string{
			"SELECT name FROM hives ORDER BY hive_id LIMIT 20 OFFSET 40",
			"SELECT name FROM hives WHERE hive_id > 10000 ORDER BY hive_id LIMIT 20",
			"SELECT name FROM hives ORDER BY hive_id LIMIT 20",
		},
	}},
	On: check.Nodes(runDeepOffset).With(facts.Limited),
}

// deep is from how many rows on an offset is large.
const deep = 1000

func runDeepOffset(p *check.Pass, q *syntax.Query) {
	if q.Limit.Offset == nil {
		return
	}
	l, ok := syntax.Unparen(q.Limit.Offset).(*syntax.Literal)
	if !ok {
		return
	}
	n, ok := p.Position(l)
	if !ok || n < deep {
		return
	}
	p.Report(check.Finding{Span: l.Span(), Context: q.Limit.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%d rows are found and thrown away", n),
		Why:     "An offset cannot be looked up; all rows before it are read.",
		Mends:   []check.Mend{{Title: "go on behind the last key of the page before, by WHERE", Effect: check.ByHand}},
	})
}

var countForExistence = &check.Check{
	ID:       "index.count-for-existence",
	Title:    "COUNT where only one row is asked for",
	Doc:      "The condition (SELECT COUNT(*) …) > 0 counts all rows to learn whether there is one. EXISTS stops at the first.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Bad:  "SELECT h.name FROM hives h WHERE (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id) > 0",
		Good: "SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.hive_id = h.hive_id)",
		Near: []string{
			"SELECT h.name FROM hives h WHERE EXISTS (SELECT 1 FROM inspections i WHERE i.hive_id = h.hive_id)",
			"SELECT h.name FROM hives h WHERE (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id) > 3",
			"SELECT h.name, (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id) AS n FROM hives h",
			"SELECT hive_id FROM inspections GROUP BY hive_id HAVING COUNT(*) > 1",
		},
	}, {
		Bad:  "SELECT h.name FROM hives h WHERE 0 = (SELECT COUNT(*) FROM inspections i WHERE i.hive_id = h.hive_id)",
		Good: "SELECT h.name FROM hives h WHERE NOT EXISTS (SELECT 1 FROM inspections i WHERE i.hive_id = h.hive_id)",
	}},
	On: check.Comparisons(runCountForExistence).With(facts.QuerySide),
}

// isMigrationStep reports whether the statement sets a variable of MySQL's session, as scripts do that have no
// IF, to choose what they execute.
func isMigrationStep(p *check.Pass) bool {
	return p.Stmt.Node.Kind() == syntax.KindControl && p.Dialect.Has(dialect.ExecutedComments)
}

// readsCatalog reports whether a query reads the database's own tables, which are small.
func readsCatalog(p *check.Pass, sel *syntax.Select) bool {
	for _, s := range p.Scope(sel).Sources {
		if ref, ok := s.Node.(*syntax.TableRef); ok && len(ref.Name) > 1 {
			switch p.Names.String(ref.Name[len(ref.Name)-2].Sym) {
			case "information_schema", "pg_catalog", "sys":
				return true
			}
		}
	}
	return false
}

func runCountForExistence(p *check.Pass, b *syntax.Binary) {
	s, ok := syntax.Unparen(b.X).(*syntax.Subquery)
	l, literal := syntax.Unparen(b.Y).(*syntax.Literal)
	op := b.Op
	if !ok {
		s, ok = syntax.Unparen(b.Y).(*syntax.Subquery)
		l, literal = syntax.Unparen(b.X).(*syntax.Literal)
		op = op.Flip()
	}
	if !ok || !literal {
		return
	}
	exists := ""
	switch number := p.Text(l); {
	case number == "0" && (op == syntax.OpGreater || op == syntax.OpNotEqual), number == "1" && op == syntax.OpGreaterEqual:
		exists = "EXISTS"
	case number == "0" && (op == syntax.OpEqual || op == syntax.OpLessEqual), number == "1" && op == syntax.OpLess:
		exists = "NOT EXISTS"
	default:
		return
	}
	sel := s.Query.Select()
	if sel == nil || len(sel.Items) != 1 || sel.From == nil || sel.GroupBy != nil || sel.Having != nil || sel.Distinct || s.Query.Limit != nil || sel.Top != nil || s.Query.With != nil {
		return
	}
	c, ok := syntax.Unparen(sel.Items[0].X).(*syntax.Call)
	if !ok || p.FunctionName(c) != "count" || c.Over != nil || readsCatalog(p, sel) || isMigrationStep(p) {
		return
	}
	m := check.Mend{Title: "ask " + exists, Effect: check.SameRows}
	where, _ := p.Enclosing(b, syntax.Kinds(syntax.KindWhere, syntax.KindJoin, syntax.KindHaving))
	if c.Star && c.Filter == nil && where != nil && !p.HasComment(b.Span()) {
		start := sel.Span().Start
		m.Edits = []text.Edit{
			check.Replace(text.Span{Start: b.Span().Start, End: s.Query.Span().Start}, p.Word(start, exists)+" ("),
			check.Replace(sel.Items[0].Span(), "1"),
			check.Replace(text.Span{Start: s.Query.Span().End, End: b.Span().End}, ")"),
		}
	} else {
		m.Effect = check.ByHand
	}
	p.Report(check.Finding{Span: b.Span(), Certainty: check.Certain, Mends: []check.Mend{m},
		Message: "all rows are counted to learn whether there is one",
		Why:     exists + " stops at the first row.",
	})
}

var correlatedOutput = &check.Check{
	ID:        "index.correlated-output",
	Title:     "a subquery for each row of the result",
	Doc:       "A subquery in the select list that names the row outside is worked out once for each row. Over many rows a join with a derived table that is grouped once is mostly cheaper.",
	Verdicts:  check.Everywhere(check.Slow),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT h.name, (SELECT MAX(i.mites) FROM inspections i WHERE i.hive_id = h.hive_id) AS mites FROM hives h",
		Near: []string{
			"SELECT h.name, (SELECT MAX(i.mites) FROM inspections i) AS mites FROM hives h",
			"SELECT h.name, (SELECT MAX(i.mites) FROM inspections i WHERE i.hive_id = h.hive_id) AS mites FROM hives h WHERE h.hive_id = 3",
			"SELECT h.name, x.mites FROM hives h LEFT JOIN (SELECT hive_id, MAX(mites) AS mites FROM inspections GROUP BY hive_id) AS x ON x.hive_id = h.hive_id",
		},
	}},
	On: check.Nodes(runCorrelatedOutput),
}

func runCorrelatedOutput(p *check.Pass, s *syntax.Subquery) {
	item, ok := p.Above(s).(*syntax.SelectItem)
	if !ok || !p.Wants(check.Possible) {
		return
	}
	sel, ok := p.Parent(item).(*syntax.Select)
	if !ok || sel.From == nil || p.Scope(sel) == nil || p.Given(sel).Rows() {
		return
	}
	if named, ok := p.NamedIn(p.Scope(sel), s.Query); !ok || named == 0 {
		return
	}
	p.Report(check.Finding{Span: s.Span(), Certainty: check.Possible,
		Message: "this is worked out once for each row of the result",
		Why:     "It names a column of the row outside.",
		Mends:   []check.Mend{{Title: "join a derived table that is grouped by what ties them", Effect: check.ByHand}},
	})
}

var longList = &check.Check{
	ID:     "index.long-list",
	Title:  "a very long IN list",
	Errors: []string{"ORA-01795"},
	Doc: "Each value of a list is parsed and planned anew with every statement, and the plan is kept for no other. Oracle takes no more than 1,000 before version 23. A temporary table, an array parameter or a join with " +
		"VALUES takes any number.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE hive_id IN (" + strings.Repeat("1, ", 1000) + "2)",
		Near: []string{
			"SELECT name FROM hives WHERE hive_id IN (1, 2, 3)",
			"SELECT name FROM hives WHERE hive_id IN (SELECT hive_id FROM harvests)",
			"SELECT name FROM hives WHERE hive_id BETWEEN 1 AND 5000",
		},
	}},
	On: check.Nodes(runLongList),
}

// long is how many values a list may have.
const long = 1000

func runLongList(p *check.Pass, in *syntax.In) {
	most := long
	if p.Limits.InList > 0 {
		most = p.Limits.InList
	}
	if len(in.List) <= most {
		return
	}
	f := check.Finding{Span: in.X.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is compared with a list of %d values", p.Brief(in.X), len(in.List)),
		Why:     "The list is parsed and planned anew each time.",
		Mends:   []check.Mend{{Title: "put the values into a table or an array, and join it", Effect: check.ByHand}},
	}
	if p.Dialect == dialect.Oracle {
		f.Why += " Oracle before version 23 refuses more than 1,000."
	}
	p.Report(f)
}

var optionalFilter = &check.Check{
	ID:    "index.optional-filter",
	Title: "one condition for a parameter that may be left out",
	Doc: "The condition (:p IS NULL OR x = :p) has to serve both, all rows and a few, with one plan, and mostly reads every row. x = COALESCE(:p, x) reads every row as well, and leaves out rows where x is NULL even when nothing is asked " +
		"for. A statement put together of the conditions that are given uses an index.",
	Verdicts: check.Everywhere(check.Slow),
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name FROM hives WHERE (@apiary IS NULL OR apiary_id = @apiary)",
		Near: []string{
			"SELECT name FROM hives WHERE apiary_id = @apiary",
			"SELECT name FROM hives WHERE queen_id IS NULL OR queen_id = @queen",
			"SELECT name FROM hives WHERE apiary_id = COALESCE(@apiary, 3)",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE queen_id = COALESCE($1, queen_id)",
	}},
	On: check.Operators(runOptionalOr, syntax.OpOr).And(check.Operators(runOptionalCoalesce, syntax.OpEqual).With(facts.FunctionSide)),
}

// planned tells how sure it is that one plan serves all values of a parameter. PostgreSQL plans anew
// for the value at hand as long as that is cheaper.
func planned(p *check.Pass) check.Certainty {
	if p.Dialect == dialect.Postgres {
		return check.Possible
	}
	return check.Likely
}

func runOptionalOr(p *check.Pass, b *syntax.Binary) {
	for _, sides := range [...][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
		is, ok := syntax.Unparen(sides[0]).(*syntax.Is)
		c, also := syntax.Unparen(sides[1]).(*syntax.Binary)
		if !ok || !also || is.Not || is.Test != syntax.IsNull || !c.Op.IsComparison() {
			continue
		}
		param, given := syntax.Unparen(is.X).(*syntax.Param)
		if !given {
			continue
		}
		column, value := syntax.Unparen(c.X), syntax.Unparen(c.Y)
		if _, swapped := column.(*syntax.Param); swapped {
			column, value = value, column
		}
		if _, name := column.(*syntax.Name); !name || !p.Same(value, param) {
			continue
		}
		p.Report(check.Finding{Span: b.Span(), Certainty: planned(p),
			Message: fmt.Sprintf("one plan has to serve both, with %s and without", p.Brief(param)),
			Why:     "For the case that nothing is given every row must be read, and so it mostly is.",
			Mends:   []check.Mend{{Title: "put the statement together of the conditions that are given", Effect: check.ByHand}},
		})
		return
	}
}

func runOptionalCoalesce(p *check.Pass, b *syntax.Binary) {
	for _, sides := range [...][2]syntax.Expr{{b.X, b.Y}, {b.Y, b.X}} {
		n, ok := syntax.Unparen(sides[0]).(*syntax.Name)
		c, also := syntax.Unparen(sides[1]).(*syntax.Call)
		if !ok || !also || len(c.Args) != 2 {
			continue
		}
		switch p.FunctionName(c) {
		case "coalesce", "ifnull", "nvl", "isnull":
		default:
			continue
		}
		if _, given := syntax.Unparen(c.Args[0]).(*syntax.Param); !given || !p.Same(c.Args[1], n) {
			continue
		}
		f := check.Finding{Span: b.Span(), Certainty: planned(p),
			Message: fmt.Sprintf("%s is compared with itself where nothing is given", p.Brief(n)),
			Why:     "One plan has to serve both cases, and reads every row.",
			Mends:   []check.Mend{{Title: "put the statement together of the conditions that are given", Effect: check.ByHand}},
		}
		if p.Nullable(n) == facts.Yes {
			f.Verdicts, f.Certainty = check.Everywhere(check.Wrong), check.Likely
			f.Why += fmt.Sprintf(" Rows where %s is NULL never pass.", p.Brief(n))
		}
		p.Report(f)
		return
	}
}
