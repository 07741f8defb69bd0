package clauses

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var rowsFunction = &check.Check{
	ID:     "clause.rows-function",
	Title:  "a function that gives rows where one value is asked for",
	Errors: []string{"0A000", "42804"},
	Doc: "A function such as UNNEST or EXPLODE gives any number of rows. It may stand in FROM and in the select list, where each of its rows becomes one of the result. A condition, CASE, an aggregate " +
		"and the values of a write ask for one value, and PostgreSQL and Spark refuse it there; Spark takes it in the select list only where it is all of a column.",
	Verdicts: check.Everywhere(check.Refused), // where there is no such function, too
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE UNNEST(STRING_TO_ARRAY(name, ' ')) = 'Ash'",
		Good:    "SELECT name FROM hives WHERE 'Ash' = ANY (STRING_TO_ARRAY(name, ' '))",
		Near: []string{
			"SELECT name, UNNEST(STRING_TO_ARRAY(name, ' ')) AS word FROM hives",
			"SELECT name FROM hives WHERE 'Ash' IN (SELECT UNNEST(STRING_TO_ARRAY(name, ' ')))",
			"SELECT h.name, w.word FROM hives h CROSS JOIN LATERAL UNNEST(STRING_TO_ARRAY(h.name, ' ')) AS w (word) WHERE w.word = 'Ash'",
			"SELECT name, ROW_NUMBER() OVER (ORDER BY GENERATE_SERIES(1, 2)) AS n FROM hives ORDER BY GENERATE_SERIES(1, 2)",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT SUM(GENERATE_SERIES(1, frame_count)) FROM hives",
		Good:    "SELECT SUM(n) FROM hives CROSS JOIN LATERAL GENERATE_SERIES(1, frame_count) AS s (n)",
	}, {
		Dialect: dialect.Spark,
		Bad:     "SELECT name FROM hives WHERE EXPLODE(SPLIT(name, ' ')) = 'Ash'",
		Good:    "SELECT name FROM hives WHERE ARRAY_CONTAINS(SPLIT(name, ' '), 'Ash')",
		Near:    []string{"SELECT EXPLODE(SPLIT(name, ' ')) AS word FROM hives"},
	}},
	On: check.Calls(runRowsFunction,
		"generate_series", "generate_subscripts", "unnest", "regexp_matches", "regexp_split_to_table", "string_to_table",
		"json_array_elements", "json_array_elements_text", "json_each", "json_each_text", "json_object_keys", "json_populate_recordset", "json_to_recordset",
		"jsonb_array_elements", "jsonb_array_elements_text", "jsonb_each", "jsonb_each_text", "jsonb_object_keys", "jsonb_path_query", "jsonb_populate_recordset",
		"jsonb_to_recordset").In(dialect.In(dialect.Postgres)).
		And(check.Calls(runGenerator, "explode", "explode_outer", "posexplode", "posexplode_outer", "inline", "inline_outer", "stack", "json_tuple").In(dialect.In(dialect.Spark))),
}

// runRowsFunction goes up from a function that gives rows to what asks for one value
// (PostgreSQL, "SQL Functions Returning Sets" and parse_func.c, check_srf_call_placement).
func runRowsFunction(p *check.Pass, c *syntax.Call) {
	if len(c.Name) > 1 || p.Schema != nil && p.Schema.HasRoutine(p.FunctionName(c)) {
		return
	}
	var below syntax.Node = c
	const farUp = 100 // nodes; operators hang on each other in long chains
	for at, steps := p.Parent(c), 0; at != nil && steps < farUp; below, at, steps = at, p.Parent(at), steps+1 {
		asks, ends := "", false
		switch n := at.(type) {
		case *syntax.Query, *syntax.GroupBy, *syntax.OrderBy, *syntax.Control:
			ends = true
		case *syntax.Where, *syntax.Having, *syntax.Join:
			asks = keyword(n)
		case *syntax.Limit:
			asks = "a row limit"
		case *syntax.Case:
			asks = "CASE"
		case *syntax.Between:
			asks = filterOr(p, c, "BETWEEN")
		case *syntax.Binary:
			switch n.Op {
			case syntax.OpAnd:
				asks = filterOr(p, c, "AND")
			case syntax.OpOr:
				asks = filterOr(p, c, "OR")
			}
		case *syntax.Unary:
			if n.Op == syntax.OpNot {
				asks = filterOr(p, c, "NOT")
			}
		case *syntax.Call:
			switch window, isWindow := below.(*syntax.Window); {
			case isWindow && window == n.Over: // sorted by, after the rows are there
			case below == n.Filter:
				asks = "FILTER"
			case p.FunctionName(n) == "coalesce":
				asks = "COALESCE"
			case n.Over != nil || p.IsAggregate(n):
				asks = p.FunctionText(n)
			}
		case *syntax.Assign:
			asks = "SET"
		case *syntax.Values:
			insert, ok := p.Parent(p.Parent(n)).(*syntax.Insert)
			if ends = ok && insert.Query == p.Parent(n) && len(n.Rows) == 1; !ends {
				asks = "VALUES"
			}
		case *syntax.FuncTable:
			if ends = below == syntax.Node(c); !ends {
				asks = "the function of FROM"
			}
		case *syntax.SelectItem:
			switch p.Parent(n).(type) {
			case *syntax.Insert, *syntax.Update, *syntax.Delete, *syntax.Merge:
				asks = "RETURNING"
			}
			ends = true
		}
		if asks != "" {
			p.Report(ofRows(p, c, asks, at))
		}
		if asks != "" || ends {
			return
		}
	}
}

// filters are the clauses that pick rows by a condition.
var filters = syntax.Kinds(syntax.KindWhere, syntax.KindJoin, syntax.KindHaving)

// filterOr names the filter in which an expression stands, else the operator that it is an
// operand of.
func filterOr(p *check.Pass, n syntax.Node, operator string) string {
	if clause := clauseOf(p, n); clause != nil && filters.Has(clause.Kind()) {
		return keyword(clause)
	}
	return operator
}

// ofRows makes the finding of a function that gives rows where a clause, an operator or a
// function asks for one value.
func ofRows(p *check.Pass, c *syntax.Call, asks string, clause syntax.Node) check.Finding {
	f := check.Finding{Span: c.Span(), Context: clause.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s cannot take %s, which gives rows", asks, p.FunctionText(c)),
		Why:     "One value is asked for here.",
		Mends:   []check.Mend{{Title: "let it stand in FROM, behind CROSS JOIN LATERAL, and name its column here", Effect: check.ByHand}},
	}
	if m, ok := anyElement(p, c); ok {
		f.Mends = []check.Mend{m}
	}
	switch p.FunctionName(c) {
	case "regexp_matches":
		f.Mends[0].Title = "test the pattern with ~, or take its parts with REGEXP_MATCH, which gives one value"
	case "jsonb_path_query":
		f.Mends[0].Title = "ask with JSONB_PATH_EXISTS, or take JSONB_PATH_QUERY_FIRST, which gives one value"
	}
	return f
}

// anyElement offers x = ANY (array) for UNNEST(array) = x in a condition of WHERE.
func anyElement(p *check.Pass, c *syntax.Call) (check.Mend, bool) {
	b, ok := p.Parent(c).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual || p.FunctionName(c) != "unnest" || len(c.Args) != 1 {
		return check.Mend{}, false
	}
	if _, ok := clauseOf(p, c).(*syntax.Where); !ok {
		return check.Mend{}, false
	}
	other := b.X
	if other == syntax.Expr(c) {
		other = b.Y
	}
	return check.Mend{Title: "ask whether any element is equal", Effect: check.NewRows,
		Edits: []text.Edit{check.Replace(b.Span(), fmt.Sprintf("%s = %s (%s)", p.Text(other), p.Word(c.Span().Start, "ANY"), p.Text(c.Args[0])))}}, true
}

// runGenerator reports a function that gives rows anywhere but alone in the select list or in
// FROM (Spark, error condition UNSUPPORTED_GENERATOR).
func runGenerator(p *check.Pass, c *syntax.Call) {
	if len(c.Name) > 1 || p.Schema != nil && p.Schema.HasRoutine(p.FunctionName(c)) {
		return
	}
	asks := ""
	switch n := p.Parent(c).(type) {
	case *syntax.SelectItem, *syntax.FuncTable, nil:
		return
	case *syntax.Call:
		asks = p.FunctionText(n)
	default:
		clause := clauseOf(p, c)
		if _, item := clause.(*syntax.SelectItem); item {
			asks = "an expression"
		} else if asks = keyword(clause); asks == "" {
			return
		}
	}
	f := ofRows(p, c, asks, p.Parent(c))
	f.Mends[0].Title = "let it stand in LATERAL VIEW, and name its column here"
	p.Report(f)
}
