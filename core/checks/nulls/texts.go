package nulls

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var quoted = &check.Check{
	ID:    "null.quoted",
	Title: "the text 'NULL' where NULL is meant",
	Doc: "In quotes 'NULL' is a text of four letters. Compared with a column it finds rows that hold these letters, not those without a value. Stored, it makes a value " +
		"that looks empty and is not.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM queens WHERE colour = 'NULL'",
		Good: "SELECT name FROM queens WHERE colour IS NULL",
		Near: []string{
			"SELECT name FROM queens WHERE colour IS NULL",
			"SELECT COALESCE(colour, 'NULL') AS colour FROM queens",
			"SELECT name FROM queens WHERE colour = 'null and void'",
			"SELECT 'NULL' AS word, name FROM queens",
		},
	}, {
		Bad:  "UPDATE queens SET colour = 'NULL' WHERE queen_id = 3",
		Good: "UPDATE queens SET colour = NULL WHERE queen_id = 3",
	}, {
		Bad:  "INSERT INTO queens (queen_id, name, bred_in, colour) VALUES (31, 'Ada', 2026, 'null')",
		Good: "INSERT INTO queens (queen_id, name, bred_in, colour) VALUES (31, 'Ada', 2026, NULL)",
	}},
	On: check.Comparisons(runQuotedCompared).With(facts.TextSide).And(check.Nodes(runQuotedAssigned)).And(check.Nodes(runQuotedStored)),
}

// isQuotedNull reports whether an expression is the text 'NULL'.
func isQuotedNull(p *check.Pass, x syntax.Expr) bool {
	l, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || l.Lit != syntax.TextLiteral || l.Span().Len() != len("'NULL'") {
		return false
	}
	t := p.Text(l)
	return t == "'NULL'" || t == "'null'" || t == "'Null'"
}

func runQuotedCompared(p *check.Pass, b *syntax.Binary) {
	value := b.X
	switch {
	case isQuotedNull(p, b.Y):
	case isQuotedNull(p, b.X):
		value = b.Y
	default:
		return
	}
	if !isColumn(syntax.Unparen(value)) || b.Op != syntax.OpEqual && b.Op != syntax.OpNotEqual || !mayHoldText(p, value) {
		return // of a number type.literal tells
	}
	test := "IS NULL"
	if b.Op == syntax.OpNotEqual {
		test = "IS NOT NULL"
	}
	f := check.Finding{Span: b.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is compared with a text of the four letters NULL", p.Brief(value)),
		Why:     "In quotes NULL is a text like any other; rows without a value are not found.",
		Mends: []check.Mend{{Title: "say " + test, Effect: check.NewRows,
			Edits: []text.Edit{check.Replace(b.Span(), p.Text(value)+" "+p.Word(b.Span().Start, test))}}},
	}
	if where, _ := p.Enclosing(b, conditions); where != nil {
		f.Context = where.Span()
		f.Mends[0].Edits[0].Text = p.Text(value) + " " + p.Word(where.Span().Start, test)
	}
	nullable := p.Nullable(value)
	if nullable == facts.No || nullable == facts.Unknown && (p.Text(b.X) == "'null'" || p.Text(b.Y) == "'null'") {
		f.Certainty = check.Possible // it may be somebody's name
		f.Mends = []check.Mend{{Title: "look for the value that is meant", Effect: check.ByHand}}
	}
	p.Report(f)
}

// mayHoldText reports whether a value may be a text for all that is known, and no JSON, of which
// null is a value.
func mayHoldText(p *check.Pass, x syntax.Expr) bool { return mayBeText(p.Type(x)) }

func mayBeText(t schema.Type) bool {
	return t.Class == class.Text || t.Class == class.Unknown && t.Word() == ""
}

func runQuotedAssigned(p *check.Pass, a *syntax.Assign) {
	if _, ok := a.Target.(*syntax.Name); !ok || a.Value == nil || !isQuotedNull(p, a.Value) {
		return
	}
	c := p.PlaceOf(a.Value).Column
	if c == nil || mayBeText(c.Type) {
		storedNull(p, a.Value, p.Brief(a.Target), c)
	}
}

func runQuotedStored(p *check.Pass, n *syntax.Insert) {
	if n.Query == nil {
		return
	}
	values, ok := n.Query.Body.(*syntax.Values)
	if !ok || len(values.Rows) > 50 {
		return // a dump keeps what was there
	}
	targets := p.Targets(n)
	for _, row := range values.Rows {
		for i, x := range row.Items {
			if !isQuotedNull(p, x) {
				continue
			}
			switch {
			case i < len(targets) && targets[i] != nil:
				if mayBeText(targets[i].Type) {
					storedNull(p, x, targets[i].Name, targets[i])
				}
			case i < len(n.Columns):
				storedNull(p, x, p.Ident(n.Columns[i]), nil)
			}
		}
	}
}

// storedNull tells of the text as the value of a column, nil for one that is not known.
func storedNull(p *check.Pass, x syntax.Expr, name string, column *schema.Column) {
	if column != nil && (column.NotNull || column.Primary) {
		return // it may be somebody's name
	}
	if p.Text(x) == "'Null'" {
		return // a word like others
	}
	small := p.Text(x) == "'null'"
	certainty := check.Likely
	if small && column == nil {
		certainty = check.Possible // of JSON it is a value
	}
	null := "NULL"
	if small && p.Word(p.Stmt.Span.Start, null) != null {
		null = "null"
	}
	p.Report(check.Finding{
		Span: x.Span(), Certainty: certainty,
		Message: fmt.Sprintf("%s becomes a text of the four letters NULL", name),
		Why:     "In quotes NULL is a text like any other, and IS NULL does not find it.",
		Mends:   []check.Mend{{Title: "leave the quotes out", Effect: check.NewRows, Edits: []text.Edit{check.Replace(x.Span(), null)}}},
	})
}

var emptyText = &check.Check{
	ID:    "null.empty-text",
	Title: "comparison with '' on Oracle",
	Doc: "On Oracle the empty text is NULL (\"Nulls\" in its SQL reference). A comparison with '' is a comparison with NULL, and never true, nor is <> ''. On all others '' " +
		"is a text of no letters, and NULL another thing.",
	Verdicts: check.Everywhere(check.Fine).But(check.Wrong, dialect.In(dialect.Oracle)),
	Examples: []check.Example{{
		Dialect: dialect.Oracle,
		Bad:     "SELECT name FROM keepers WHERE village <> ''",
		Good:    "SELECT name FROM keepers WHERE village IS NOT NULL",
		Near: []string{
			"SELECT name FROM keepers WHERE village IS NULL",
			"SELECT name FROM keepers WHERE village = ' '",
			"UPDATE keepers SET village = '' WHERE keeper_id = 3",
		},
	}, {
		Dialect: dialect.Postgres,
		Near:    []string{"SELECT name FROM keepers WHERE village = ''"},
	}},
	On: check.Comparisons(runEmptyText).In(dialect.In(dialect.Oracle)).With(facts.TextSide),
}

func runEmptyText(p *check.Pass, b *syntax.Binary) {
	value := b.X
	switch {
	case isEmpty(p, b.Y):
	case isEmpty(p, b.X):
		value = b.Y
	default:
		return
	}
	if _, literal := syntax.Unparen(value).(*syntax.Literal); literal || isAssignment(p, b) {
		return
	}
	f := check.Finding{Span: b.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is never true: on Oracle '' is NULL", p.Brief(b)),
		Why:     "The empty text is no value there, and a comparison with NULL is never true.",
	}
	test := ""
	switch b.Op {
	case syntax.OpEqual:
		test = "IS NULL"
	case syntax.OpNotEqual:
		test = "IS NOT NULL"
	}
	if test == "" {
		f.Mends = []check.Mend{{Title: "ask IS NULL or IS NOT NULL", Effect: check.ByHand}}
	} else {
		like := b.Span().Start
		if where, _ := p.Enclosing(b, conditions); where != nil {
			f.Context, like = where.Span(), where.Span().Start
		}
		f.Mends = []check.Mend{{Title: "say " + test, Effect: check.NewRows, Edits: []text.Edit{check.Replace(b.Span(), p.Text(value)+" "+p.Word(like, test))}}}
	}
	p.Report(f)
}

func isEmpty(p *check.Pass, x syntax.Expr) bool {
	l, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok && l.Lit == syntax.TextLiteral && p.Text(l) == "''"
}

var concat = &check.Check{
	ID:    "null.concat",
	Title: "texts put together, of which one may be NULL",
	Doc: "The operator || gives NULL as soon as one side is NULL, and so do + on SQL Server and CONCAT on MySQL, MariaDB and Spark. A name with a part that is missing is then missing as a whole. " +
		"On Oracle NULL counts as an empty text, and so it does in CONCAT on PostgreSQL, SQLite and SQL Server.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Fine, dialect.In(dialect.Oracle)),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name || ' of ' || village AS title FROM keepers",
		Good:    "SELECT name || ' of ' || COALESCE(village, '') AS title FROM keepers",
		Near: []string{
			"SELECT name || ' of ' || COALESCE(village, '') AS title FROM keepers",
			"SELECT name || COALESCE(' of ' || village, '') AS title FROM keepers",
			"SELECT name || ' of ' || village AS title FROM keepers WHERE village IS NOT NULL",
			"SELECT CONCAT(name, ' of ', village) AS title FROM keepers",
			"SELECT name || CASE WHEN village IS NULL THEN '' ELSE ' of ' || village END AS title FROM keepers",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT CONCAT(name, ' of ', village) AS title FROM keepers",
		Good:    "SELECT CONCAT(name, ' of ', COALESCE(village, '')) AS title FROM keepers",
		Near:    []string{"SELECT CONCAT_WS(' of ', name, village) AS title FROM keepers"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name + ' of ' + village AS title FROM keepers",
		Good:    "SELECT name + ' of ' + COALESCE(village, '') AS title FROM keepers",
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT name || ' of ' || village AS title FROM keepers"},
	}},
	On: check.Operators(runConcat, syntax.OpConcat).And(check.Operators(runConcat, syntax.OpAdd).In(dialect.In(dialect.SQLServer))).
		And(check.Calls(runConcatCall, "concat").In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark))),
}

func runConcat(p *check.Pass, b *syntax.Binary) {
	if p.Dialect == dialect.Oracle {
		return
	}
	if above, ok := p.Above(b).(*syntax.Binary); ok && above.Op == b.Op {
		return // told of the whole
	}
	var operands []syntax.Expr
	syntax.Operands(b, b.Op, func(x syntax.Expr, _ *syntax.Binary) { operands = append(operands, x) })
	if b.Op == syntax.OpAdd && !slices.ContainsFunc(operands, func(x syntax.Expr) bool { return p.Type(x).Class == class.Text }) {
		return
	}
	lostText(p, b, operands)
}

func runConcatCall(p *check.Pass, c *syntax.Call) { lostText(p, c, c.Args) }

func lostText(p *check.Pass, whole syntax.Expr, operands []syntax.Expr) {
	var nullable []*syntax.Name
	words := false // something is there to be lost
	for _, x := range operands {
		switch n := syntax.Unparen(x).(type) {
		case *syntax.Name:
			if p.Nullable(n) == facts.Yes {
				nullable = append(nullable, n)
				continue
			}
			words = true
		case *syntax.Literal:
		default:
			words = true
		}
	}
	if len(nullable) == 0 || !words || isGuarded(p, whole) {
		return
	}
	var names []string
	m := check.Mend{Effect: check.NewRows}
	for _, n := range nullable {
		names = append(names, p.Brief(n))
		if c := p.Type(n).Class; c != class.Text {
			m.Effect = check.ByHand
		}
		m.Edits = append(m.Edits, check.Replace(n.Span(), p.Word(p.Stmt.Span.Start, "COALESCE")+"("+p.Text(n)+", '')"))
	}
	if m.Effect == check.ByHand {
		m.Edits = nil
	}
	certainty := check.Likely
	if slices.ContainsFunc(nullable, func(n *syntax.Name) bool { return isGathered(p, n) }) {
		certainty = check.Possible
	}
	list := check.List(names, "or")
	m.Title = fmt.Sprintf("put an empty text in the place of a missing %s", list)
	p.Report(check.Finding{
		Span: whole.Span(), Certainty: certainty, Mends: []check.Mend{m},
		Message: fmt.Sprintf("the whole text is NULL where %s is", list),
		Why:     "A text put together with NULL is NULL, whatever the other parts are.",
	})
}

// isGathered reports whether a column is known from another text of the run, which may tell of an
// earlier or later time.
func isGathered(p *check.Pass, n *syntax.Name) bool {
	u := p.Use(n)
	return u.Source != nil && u.Source.SchemaTable() != nil && u.Source.SchemaTable().Gathered
}

// isGuarded reports whether something around a value deals with its being NULL: COALESCE and its
// kin, a CASE, a test, a condition.
func isGuarded(p *check.Pass, x syntax.Expr) bool {
	for n := p.Parent(x); n != nil; n = p.Parent(n) {
		switch n := n.(type) {
		case *syntax.Call:
			if name := p.FunctionName(n); strings.Contains("coalesce ifnull nvl nvl2 isnull nullif concat concat_ws string_agg group_concat array_agg listagg format", name) {
				return true
			}
		case *syntax.Case, *syntax.Is, *syntax.Where, *syntax.Having, *syntax.Join, *syntax.Like, *syntax.OrderBy:
			return true
		case *syntax.Query, *syntax.SelectItem, *syntax.Assign:
			return false
		}
	}
	return false
}

var arithmetic = &check.Check{
	ID:    "null.arithmetic",
	Title: "arithmetic with a column that may be NULL",
	Doc: "A sum, difference or product with NULL is NULL. Where a missing value means nothing, as a discount that was not given, the whole result is missing too. COALESCE " +
		"says what stands for it.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT weight_kg - moisture AS dry FROM harvests",
		Good: "SELECT weight_kg - COALESCE(moisture, 0) AS dry FROM harvests",
		Near: []string{
			"SELECT weight_kg * 1000 AS grams FROM harvests",
			"SELECT SUM(weight_kg - moisture) AS dry FROM harvests",
			"SELECT weight_kg - moisture AS dry FROM harvests WHERE moisture > 0",
			"SELECT COALESCE(weight_kg - moisture, weight_kg) AS dry FROM harvests",
		},
	}},
	On: check.Operators(runArithmetic, syntax.OpAdd, syntax.OpSubtract, syntax.OpMultiply, syntax.OpDivide).With(facts.NameSide),
}

func runArithmetic(p *check.Pass, b *syntax.Binary) {
	if !p.Wants(check.Possible) {
		return
	}
	if above, ok := p.Above(b).(*syntax.Binary); ok && above.Op >= syntax.OpAdd && above.Op <= syntax.OpModulo {
		return
	}
	for _, x := range [...]syntax.Expr{b.X, b.Y} {
		n, ok := syntax.Unparen(x).(*syntax.Name)
		other := b.X
		if x == b.X {
			other = b.Y
		}
		if _, literal := syntax.Unparen(other).(*syntax.Literal); !ok || literal || p.Nullable(n) != facts.Yes || !p.Type(n).Class.IsNumber() || isGuarded(p, b) || p.AggregateAround(b) != nil {
			continue
		}
		if p.Nullable(other) == facts.Yes {
			continue // there may be nothing to tell
		}
		p.Report(check.Finding{
			Span: b.Span(), Certainty: check.Possible,
			Message: fmt.Sprintf("the result is NULL where %s is", p.Brief(n)),
			Why:     "Arithmetic with NULL gives NULL.",
			Mends: []check.Mend{{Title: fmt.Sprintf("say what stands for a missing %s", p.Brief(n)), Effect: check.NewRows,
				Edits: []text.Edit{check.Replace(n.Span(), p.Word(p.Stmt.Span.Start, "COALESCE")+"("+p.Text(n)+", 0)")}}},
		})
		return
	}
}

var firstInOrder = &check.Check{
	ID:    "null.first-in-order",
	Title: "rows without a value come first, and fill the row limit",
	Doc: "Where NULLs stand in ORDER BY differs. PostgreSQL and Oracle put them last, and so first with DESC. SQL Server, MySQL, MariaDB, SQLite and Spark put them first, and last " +
		"with DESC. With a row limit the rows that come first are all there is: the highest five are then five without a value.",
	Verdicts:  check.Everywhere(check.Wrong),
	Elsewhere: "PostgreSQL and Oracle put NULLs first with DESC, the others without",
	Needs:     check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT hive_id, mites FROM inspections ORDER BY mites DESC, hive_id LIMIT 5",
		Good:    "SELECT hive_id, mites FROM inspections ORDER BY mites DESC NULLS LAST, hive_id LIMIT 5",
		Near: []string{
			"SELECT hive_id, mites FROM inspections ORDER BY mites, hive_id LIMIT 5",
			"SELECT hive_id, mites FROM inspections ORDER BY mites DESC",
			"SELECT hive_id, mites FROM inspections WHERE mites > 0 ORDER BY mites DESC LIMIT 5",
			"SELECT hive_id, temper FROM inspections ORDER BY temper DESC LIMIT 5",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name, moved_on FROM hives ORDER BY moved_on LIMIT 3",
		Good:    "SELECT name, moved_on FROM hives ORDER BY moved_on NULLS LAST LIMIT 3",
		Near:    []string{"SELECT name, moved_on FROM hives ORDER BY moved_on DESC LIMIT 3"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name, moved_on FROM hives ORDER BY moved_on LIMIT 3",
		Good:    "SELECT name, moved_on FROM hives ORDER BY moved_on IS NULL, moved_on LIMIT 3",
	}},
	On: check.Nodes(runFirstInOrder).With(facts.Ordered),
}

func runFirstInOrder(p *check.Pass, q *syntax.Query) {
	sel, ok := q.Body.(*syntax.Select)
	if !ok || len(q.OrderBy.Items) == 0 || (q.Limit != nil || sel.Top == nil) && !q.Limit.Counts() || p.Dialect == dialect.ANSI {
		return
	}
	item := q.OrderBy.Items[0]
	last := p.Dialect == dialect.Postgres || p.Dialect == dialect.Oracle
	if item.Nulls || item.Desc != last {
		return
	}
	n, ok := syntax.Unparen(item.X).(*syntax.Name)
	if !ok || p.Nullable(n) != facts.Yes || sel.GroupBy != nil || sel.Distinct {
		return
	}
	f := check.Finding{Span: item.Span(), Context: q.OrderBy.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("rows without %s come first, and fill the row limit", p.Brief(n)),
		Why:     fmt.Sprintf("%s puts NULL before all values here.", p.Dialect.Title()),
	}
	at := q.OrderBy.Span().Start
	m := check.Mend{Title: fmt.Sprintf("put rows without %s last", p.Brief(n)), Effect: check.NewRows}
	switch p.Dialect {
	case dialect.MySQL, dialect.MariaDB:
		m.Edits = []text.Edit{check.Insert(item.Span().Start, p.Text(n)+" "+p.Word(at, "IS NULL")+", ")}
	case dialect.SQLServer:
		m.Edits = []text.Edit{check.Insert(item.Span().Start, p.Word(at, "CASE WHEN")+" "+p.Text(n)+" "+p.Word(at, "IS NULL THEN 1 ELSE 0 END")+", ")}
	default:
		m.Edits = []text.Edit{check.Insert(item.Span().End, " "+p.Word(at, "NULLS LAST"))}
	}
	f.Mends = []check.Mend{m, {Title: "leave them out in WHERE", Effect: check.ByHand}}
	p.Report(f)
}
