package windows

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var impliedFrame = &check.Check{
	ID:    "window.implied-frame",
	Title: "a running total in which ties jump together",
	Doc: "With ORDER BY and no frame a window reaches from the first row to the last that ties with the current one (RANGE UNBOUNDED PRECEDING). It is a running value, not that of the whole partition, and rows that agree in " +
		"ORDER BY all get the value of the last of them. ROWS UNBOUNDED PRECEDING goes row by row.",
	Verdicts: check.Everywhere(check.Wrong),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad:  "SELECT harvest_id, SUM(weight_kg) OVER (ORDER BY taken_on) AS so_far FROM harvests",
		Good: "SELECT harvest_id, SUM(weight_kg) OVER (ORDER BY taken_on ROWS UNBOUNDED PRECEDING) AS so_far FROM harvests",
		Near: []string{
			"SELECT harvest_id, SUM(weight_kg) OVER (ORDER BY taken_on, harvest_id) AS so_far FROM harvests",
			"SELECT harvest_id, SUM(weight_kg) OVER (PARTITION BY hive_id) AS of_hive FROM harvests",
			"SELECT harvest_id, SUM(weight_kg) OVER (ORDER BY taken_on ROWS UNBOUNDED PRECEDING) AS so_far FROM harvests",
			"SELECT harvest_id, ROW_NUMBER() OVER (ORDER BY taken_on) AS n FROM harvests",
			"SELECT taken_on, SUM(SUM(weight_kg)) OVER (ORDER BY taken_on) AS so_far FROM harvests GROUP BY taken_on",
		},
	}},
	On: check.Windows(runImpliedFrame),
}

func runImpliedFrame(p *check.Pass, c *syntax.Call) {
	w := c.Over
	switch p.FunctionName(c) {
	case "sum", "count", "avg":
	default:
		return
	}
	sel := p.SelectOf(c)
	if sel == nil || len(w.OrderBy) == 0 || !w.Frame.IsEmpty() || !w.Name.IsZero() || !w.Base.IsZero() || !mayTie(p, sel, w) {
		return
	}
	last := w.OrderBy[len(w.OrderBy)-1]
	p.Report(check.Finding{Span: w.Span(), Context: c.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("rows that agree in %s all get the value of the last of them", p.Brief(w.OrderBy[0].X)),
		Why:     "Without a frame the window reaches to the last row that ties with the current one.",
		Mends: []check.Mend{
			{Title: "go row by row", Effect: check.NewRows, Edits: []text.Edit{check.Insert(last.Span().End, " "+p.Word(p.Stmt.Span.Start, "ROWS UNBOUNDED PRECEDING"))}},
			{Title: "for the total of the partition, leave out ORDER BY", Effect: check.ByHand}},
	})
}

// mayTie reports whether the schema tells that rows of a SELECT can agree in what a window orders
// and partitions by: all its sources are tables whose keys are known, and none of them is there.
func mayTie(p *check.Pass, sel *syntax.Select, w *syntax.Window) bool {
	if !p.AllHaveKeys(sel) {
		return false
	}
	keys := slices.Clone(w.Partition)
	for _, item := range w.OrderBy {
		keys = append(keys, item.X)
	}
	fixed := p.Given(sel, keys...)
	if sel.GroupBy == nil {
		return !p.Aggregates(sel) && !fixed.Rows()
	}
	groups, ok := p.PlainKeys(sel)
	return ok && slices.ContainsFunc(groups, func(k syntax.Expr) bool { return !fixed.Value(k) })
}

var lastValue = &check.Check{
	ID:    "window.last-value",
	Title: "LAST_VALUE that is the current row's",
	Doc: "With ORDER BY and no frame a window ends at the current row. The last value of it is that of the row itself, or of one that ties with it, and NTH_VALUE is NULL until the window is that long. The frame has to " +
		"reach to UNBOUNDED FOLLOWING.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT hive_id, LAST_VALUE(weight_kg) OVER (PARTITION BY hive_id ORDER BY taken_on) AS last FROM harvests",
		Good: "SELECT hive_id, LAST_VALUE(weight_kg) OVER (PARTITION BY hive_id ORDER BY taken_on ROWS BETWEEN UNBOUNDED PRECEDING AND UNBOUNDED FOLLOWING) AS last FROM harvests",
		Near: []string{
			"SELECT hive_id, LAST_VALUE(weight_kg) OVER (PARTITION BY hive_id ORDER BY taken_on ROWS BETWEEN UNBOUNDED PRECEDING AND UNBOUNDED FOLLOWING) AS last FROM harvests",
			"SELECT hive_id, FIRST_VALUE(weight_kg) OVER (PARTITION BY hive_id ORDER BY taken_on DESC) AS last FROM harvests",
			"SELECT hive_id, LAST_VALUE(weight_kg) OVER (PARTITION BY hive_id ORDER BY taken_on ROWS BETWEEN CURRENT ROW AND 2 FOLLOWING) AS last FROM harvests",
		},
	}},
	On: check.Windows(runLastValue),
}

func runLastValue(p *check.Pass, c *syntax.Call) {
	w := c.Over
	name := p.FunctionName(c)
	if name != "last_value" && name != "nth_value" || len(w.OrderBy) == 0 || !w.Frame.IsEmpty() || !w.Name.IsZero() || !w.Base.IsZero() {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Certain,
		Message: "the window ends at the current row, so its last value is that row's own",
		Why:     "Without a frame a window with ORDER BY reaches to the current row only.",
		Mends: []check.Mend{{Title: "let it reach to the last row", Effect: check.NewRows,
			Edits: []text.Edit{check.Insert(w.OrderBy[len(w.OrderBy)-1].Span().End, " "+p.Word(p.Stmt.Span.Start, "ROWS BETWEEN UNBOUNDED PRECEDING AND UNBOUNDED FOLLOWING"))}}},
	}
	if name == "nth_value" {
		f.Certainty = check.Likely
		f.Message = "the window ends at the current row, so this is NULL in the rows before it"
	}
	p.Report(f)
}

var noOrder = &check.Check{
	ID:     "window.no-order",
	Title:  "a function of the order of rows over a window without ORDER BY",
	Errors: []string{"ORA-30485", "4018", "Msg 4112"},
	Doc: "ROW_NUMBER, RANK, LAG and their kin tell of the order of the rows in the window. Without ORDER BY there is none. SQL Server, Oracle and Spark refuse it, MariaDB refuses RANK, DENSE_RANK, LAG and LEAD. The others number the rows as they " +
		"come, and rank all of them first.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Refused, refusesUnordered),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name, RANK() OVER (PARTITION BY apiary_id) AS place FROM hives",
		Near: []string{
			"SELECT name, RANK() OVER (PARTITION BY apiary_id ORDER BY frame_count DESC) AS place FROM hives",
			"SELECT name, COUNT(*) OVER (PARTITION BY apiary_id) AS hives FROM hives",
			"SELECT name, RANK() OVER w AS place FROM hives WINDOW w AS (ORDER BY frame_count)",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name, LAG(frame_count) OVER (PARTITION BY apiary_id) AS before FROM hives",
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name, LAG(frame_count) OVER (PARTITION BY apiary_id ORDER BY apiary_id) AS before FROM hives",
		Near: []string{
			"SELECT name, LAG(frame_count) OVER (PARTITION BY apiary_id ORDER BY apiary_id, hive_id) AS before FROM hives",
			"SELECT name, LAG(frame_count) OVER (ORDER BY NULL) AS before FROM hives",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name, ROW_NUMBER() OVER (ORDER BY 1) AS n FROM hives",
		Near:    []string{"SELECT name, ROW_NUMBER() OVER (ORDER BY (SELECT NULL)) AS n FROM hives"},
	}},
	On: check.Windows(runNoOrder),
}

var refusesUnordered = dialect.In(dialect.SQLServer, dialect.Oracle, dialect.Spark)

func runNoOrder(p *check.Pass, c *syntax.Call) {
	w := c.Over
	if !w.Name.IsZero() || !w.Base.IsZero() || len(c.OrderBy) > 0 {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Certain, Why: "Nothing says which row comes first."}
	if len(w.OrderBy) > 0 {
		if f.Why = ordersNothing(p, w); f.Why == "" {
			return
		}
		f.Verdicts = check.Everywhere(check.Wrong)
	}
	refuses := refusesUnordered.Has(p.Dialect) && len(w.OrderBy) == 0
	switch name := p.FunctionName(c); name {
	case "rank", "dense_rank", "percent_rank", "cume_dist":
		f.Message = "all rows of the window rank alike"
		if len(w.OrderBy) == 0 && (name == "rank" || name == "dense_rank") {
			f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.MariaDB))
		}
	case "lag", "lead":
		f.Message = "which row stands before or behind is chance"
		if len(w.OrderBy) == 0 {
			f.Verdicts = p.Check.Verdicts.But(check.Refused, dialect.In(dialect.MariaDB))
		}
	case "row_number", "ntile":
		f.Certainty = check.Possible // it may be enough that the rows have numbers
		f.Message = "the rows are numbered as they come"
		if refuses {
			f.Certainty = check.Certain
			f.Message = fmt.Sprintf("%s needs ORDER BY in OVER", p.FunctionText(c))
		}
	case "first_value", "last_value", "nth_value":
		f.Certainty = check.Likely
		f.Message = "which row comes first is chance"
	default:
		return
	}
	if refuses && f.Certainty == check.Likely && p.Dialect == dialect.Oracle {
		f.Verdicts = check.Everywhere(check.Wrong)
	}
	f.Mends = []check.Mend{{Title: "say in OVER by what the rows are ordered", Effect: check.ByHand}}
	if l := constantOrder(w); l != nil && p.Dialect == dialect.SQLServer { // "OVER Clause" of its reference
		f.Certainty, f.Verdicts = check.Certain, f.Verdicts.But(check.Refused, dialect.In(dialect.SQLServer))
		f.Message = fmt.Sprintf("OVER cannot be ordered by %s, which is a constant", p.Text(l))
	}
	p.Report(f)
}

// mostCompared is how many pairs of expressions are compared.
const mostCompared = 1000

// ordersNothing tells why ORDER BY of a window puts no row before another, "" where it does, or is written
// to say that none is meant, as ORDER BY NULL.
func ordersNothing(p *check.Pass, w *syntax.Window) string {
	if len(w.Partition)*len(w.OrderBy) > mostCompared {
		return ""
	}
	why := ""
	for _, item := range w.OrderBy {
		x := syntax.Unparen(item.X)
		switch {
		case syntax.IsGiven(x):
			why = fmt.Sprintf("%s is a constant here, and no position of the select list: it puts no row before another.", p.Text(x))
		case slices.ContainsFunc(w.Partition, func(key syntax.Expr) bool { return p.Same(key, x) }):
			why = fmt.Sprintf("A partition has one %s, so ordering by it puts no row before another.", p.Brief(x))
		default:
			return ""
		}
	}
	return why
}

// constantOrder gives the first constant by which a window is ordered, nil if there is none.
func constantOrder(w *syntax.Window) syntax.Expr {
	for _, item := range w.OrderBy {
		if syntax.IsGiven(item.X) {
			return item.X
		}
	}
	return nil
}

var distinct = &check.Check{
	ID:       "window.distinct",
	Title:    "DISTINCT inside an aggregate with OVER",
	Errors:   []string{"0A000", "1235", "Msg 10759"},
	Doc:      "Most databases do not count distinct values over a window; Oracle does, without ORDER BY. A derived table that counts by groups gives the number, or the greatest DENSE_RANK over the same values.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.Oracle)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name, COUNT(DISTINCT keeper_id) OVER (PARTITION BY apiary_id) AS keepers FROM hives",
		Good:    "SELECT h.name, k.keepers FROM hives h JOIN (SELECT apiary_id, COUNT(DISTINCT keeper_id) AS keepers FROM hives GROUP BY apiary_id) AS k ON k.apiary_id = h.apiary_id",
		Near: []string{
			"SELECT apiary_id, COUNT(DISTINCT keeper_id) AS keepers FROM hives GROUP BY apiary_id",
			"SELECT name, COUNT(keeper_id) OVER (PARTITION BY apiary_id) AS keepers FROM hives",
			"SELECT DISTINCT name, COUNT(*) OVER (PARTITION BY apiary_id) AS hives FROM hives",
		},
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT name, COUNT(DISTINCT keeper_id) OVER (PARTITION BY apiary_id) AS keepers FROM hives"},
	}},
	On: check.Windows(runDistinct),
}

func runDistinct(p *check.Pass, c *syntax.Call) {
	if !c.Distinct || !p.Function(c).Listed && p.Dialect != dialect.ANSI {
		return
	}
	if name := p.FunctionName(c); (name == "min" || name == "max") && (p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB) {
		return // of these DISTINCT means nothing, and it is passed over
	}
	p.Report(check.Finding{Span: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s cannot take DISTINCT together with OVER", p.FunctionText(c)),
		Why:     "The database does not count distinct values over a window.",
		Mends:   []check.Mend{{Title: "count them by groups in a derived table, and join it", Effect: check.ByHand}},
	})
}

var ties = &check.Check{
	ID:    "window.ties",
	Title: "ROW_NUMBER ordered by what is not unique",
	Doc: "ROW_NUMBER gives rows that tie different numbers, by chance. Where only the first is then kept, it is chance which of them that is, and may change from run to run. A key at the end of ORDER BY decides; RANK keeps " +
		"all that tie.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT x.hive_id, x.temper FROM (SELECT hive_id, temper, ROW_NUMBER() OVER (PARTITION BY hive_id ORDER BY mites DESC) AS n FROM inspections) AS x WHERE x.n = 1",
		Good: "SELECT x.hive_id, x.temper FROM (SELECT hive_id, temper, ROW_NUMBER() OVER (PARTITION BY hive_id ORDER BY mites DESC, inspection_id) AS n FROM inspections) AS x WHERE x.n = 1",
		Near: []string{
			"SELECT x.hive_id, x.temper FROM (SELECT hive_id, temper, ROW_NUMBER() OVER (PARTITION BY hive_id ORDER BY mites DESC, inspection_id) AS n FROM inspections) AS x WHERE x.n = 1",
			"SELECT x.hive_id, x.mites FROM (SELECT hive_id, mites, ROW_NUMBER() OVER (PARTITION BY hive_id ORDER BY mites DESC) AS n FROM inspections) AS x WHERE x.n = 1",
			"SELECT x.hive_id, x.temper FROM (SELECT hive_id, temper, RANK() OVER (PARTITION BY hive_id ORDER BY mites DESC) AS n FROM inspections) AS x WHERE x.n = 1",
			"SELECT hive_id, ROW_NUMBER() OVER (PARTITION BY hive_id ORDER BY mites DESC) AS n FROM inspections",
		},
	}},
	On: check.Windows(runTies),
}

func runTies(p *check.Pass, c *syntax.Call) {
	w := c.Over
	sel := p.SelectOf(c)
	if !p.Wants(check.Possible) || p.FunctionName(c) != "row_number" || len(w.OrderBy) == 0 || !w.Name.IsZero() || !w.Base.IsZero() || sel == nil || sel.GroupBy != nil {
		return
	}
	q := p.OwnQuery(sel)
	if q == nil {
		return
	}
	switch p.Parent(q).(type) {
	case *syntax.Derived, *syntax.CTE:
	default:
		return
	}
	if !mayTie(p, sel, w) || showsKeysOnly(p, sel, c) {
		return
	}
	f := check.Finding{Span: c.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("rows that agree in %s are numbered by chance", p.Brief(w.OrderBy[len(w.OrderBy)-1].X)),
		Why:     "No key of the table is among what the window orders by.",
		Mends:   []check.Mend{{Title: "add a key at the end of ORDER BY", Effect: check.ByHand}},
	}
	if sources := p.Scope(sel).Sources; len(sources) == 1 {
		if key := sources[0].SchemaTable().PrimaryKey(); len(key) == 1 {
			name := p.Dialect.Name(sources[0].SchemaTable().Columns[key[0]].Name, false)
			f.Mends[0] = check.Mend{Title: "order by " + name + " at the end", Effect: check.NewRows,
				Edits: []text.Edit{check.Insert(w.OrderBy[len(w.OrderBy)-1].Span().End, ", "+name)}}
		}
	}
	p.Report(f)
}

// showsKeysOnly reports whether rows that tie in a window are the same rows in the result: all else that the
// SELECT lists is what the window partitions and orders by.
func showsKeysOnly(p *check.Pass, sel *syntax.Select, c *syntax.Call) bool {
	return !slices.ContainsFunc(sel.Items, func(item *syntax.SelectItem) bool {
		return item.X != c && !slices.ContainsFunc(c.Over.Partition, func(key syntax.Expr) bool { return p.Same(item.X, key) }) &&
			!slices.ContainsFunc(c.Over.OrderBy, func(by *syntax.OrderItem) bool { return p.Same(item.X, by.X) })
	})
}
