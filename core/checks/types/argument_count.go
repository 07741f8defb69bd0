package types

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var argumentCount = &check.Check{
	ID:     "type.argument-count",
	Title:  "a function called with too many or too few arguments",
	Errors: []string{"42883", "ORA-00909", "ORA-00938", "1582", "1064", "Msg 174", "42601"},
	Doc: "A built-in function takes a certain number of arguments, and the database refuses a call with another. The numbers differ between databases: LAG " +
		"takes a default on most, but not on MariaDB; SQL Server's ROUND wants the places.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT ROUND(weight_kg, 1, 2) FROM harvests",
		Good:    "SELECT ROUND(weight_kg, 1) FROM harvests",
		Near: []string{
			"SELECT ROUND(weight_kg) FROM harvests",
			"SELECT CONCAT(name, ' ', colour, bred_in) FROM queens",
			"SELECT SUBSTRING(name FROM 2 FOR 3), TRIM(BOTH ' ' FROM name), COUNT(*), COUNT(DISTINCT name) FROM hives GROUP BY name",
			"SELECT PERCENTILE_CONT(0.5) WITHIN GROUP (ORDER BY weight_kg) FROM harvests",
			"SELECT CURRENT_DATE, NOW(), EXTRACT(YEAR FROM NOW())",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT IFNULL(mites, 0, 1) FROM inspections",
		Good:    "SELECT IFNULL(mites, 0) FROM inspections",
		Near:    []string{"SELECT SUBSTRING(name, 2), LPAD(name, 5, ' '), TIMESTAMPDIFF(DAY, moved_on, NOW()), CHAR(65 USING utf8mb4) FROM hives"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT IFNULL(mites) FROM inspections",
		Good:    "SELECT IFNULL(mites, 0) FROM inspections",
		Near:    []string{"SELECT MAX(mites, temper), COALESCE(mites, temper, 0), strftime('%Y', inspected_at, 'localtime') FROM inspections"},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "SELECT ROUND(weight_kg) FROM harvests",
		Good:    "SELECT ROUND(weight_kg, 0) FROM harvests",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT NVL(mites, temper, 0) FROM inspections",
		Good:    "SELECT COALESCE(mites, temper, 0) FROM inspections",
	}},
	On: check.Calls(runArgumentCount),
}

func runArgumentCount(p *check.Pass, c *syntax.Call) {
	if (c.Star || c.Distinct) && len(c.Name) == 1 && !c.Name[0].Quoted && len(p.Stmt.Errors) == 0 {
		runSpecialCount(p, c)
		return
	}
	if len(c.Name) != 1 || c.Name[0].Quoted || c.Star || c.Distinct || c.WithinGroup || !c.Unit.IsZero() || len(p.Stmt.Errors) > 0 {
		return
	}
	if p.Src[c.Span().End-1] != ')' && c.Over == nil && c.Filter == nil {
		return // CURRENT_DATE and its kin
	}
	f := p.Function(c)
	name, arity := f.Name, f.Arity
	bare := name == "count" && len(c.Args) == 0 // COUNT() is not COUNT(*), which the list has as one without arguments
	if !f.Listed || arity.Takes(len(c.Args)) && !bare || p.Schema.HasRoutine(name) {
		return
	}
	for _, a := range c.Args {
		switch a.(type) {
		case *syntax.NamedArg, *syntax.BadExpr, *syntax.Star:
			return
		}
		if syntax.IsPut(a) {
			return
		}
	}
	found := check.Finding{
		Span: c.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s takes %s argument%s, not %d", strings.ToUpper(name), arity, plural(arity), len(c.Args)),
		Why:     fmt.Sprintf("%s refuses the call.", p.Dialect.Title()),
		Mends:   []check.Mend{{Title: "leave out what is too many, or add what is missing", Effect: check.ByHand}},
	}
	if bare && p.Dialect != dialect.SQLite {
		found.Message = "COUNT() counts nothing"
		found.Mends = []check.Mend{{Title: "write COUNT(*)", Effect: check.NewRows, Edits: check.Before(text.Span{Start: c.Span().End - 1, End: c.Span().End}, "*")}}
		if p.Src[c.Span().End-1] != ')' || c.Over != nil || c.Filter != nil {
			found.Mends = []check.Mend{{Title: "write COUNT(*)", Effect: check.ByHand}}
		}
	} else if bare {
		return // which takes it for COUNT(*)
	}
	if p.Dialect == dialect.Postgres && !bare {
		found.Certainty = check.Likely // which lets anyone add one of the same name
	}
	p.Report(found)
}

// countsRows are the dialects whose COUNT (DISTINCT a, b) counts rows.
var countsRows = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark)

// runSpecialCount looks at * and DISTINCT in the place of one argument.
func runSpecialCount(p *check.Pass, c *syntax.Call) {
	f := p.Function(c)
	if !f.Listed || p.Schema.HasRoutine(f.Name) {
		return
	}
	counts := f.Name == "count" || f.Name == "count_big"
	found := check.Finding{Span: c.Span(), Certainty: check.Certain, Why: "The database refuses the call."}
	switch {
	case c.Star && !c.Distinct && !counts && p.Dialect != dialect.Spark && !f.Arity.Takes(0) && !strings.HasSuffix(f.Name, "checksum"): // Spark puts all columns there, SQL Server in CHECKSUM
		found.Message = fmt.Sprintf("%s takes a value, not *", strings.ToUpper(f.Name))
		found.Mends = []check.Mend{{Title: "name the column, or count rows by COUNT(*)", Effect: check.ByHand}}
	case c.Distinct && len(c.Args) > 1 && counts && !countsRows.Has(p.Dialect):
		found.Verdicts = check.Everywhere(check.Refused).But(check.Fine, countsRows)
		found.Message = fmt.Sprintf("%s takes one value, not %d", strings.ToUpper(f.Name), len(c.Args))
		found.Mends = []check.Mend{{Title: "count the rows of a subquery: SELECT COUNT(*) FROM (SELECT DISTINCT …) AS d", Effect: check.ByHand}}
		if p.Dialect == dialect.Postgres {
			args := c.Args[0].Span().Join(c.Args[len(c.Args)-1].Span())
			found.Mends = []check.Mend{{Title: "count them as rows, which may hold NULL", Effect: check.NewRows,
				Edits: []text.Edit{check.Insert(args.Start, "("), check.Insert(args.End, ")")}}}
		}
	case c.Distinct && !counts && len(c.Args) > 0 && !f.Arity.Takes(len(c.Args)):
		found.Message = fmt.Sprintf("%s takes %s argument%s, not %d", strings.ToUpper(f.Name), f.Arity, plural(f.Arity), len(c.Args))
		found.Mends = []check.Mend{{Title: "leave out what is too many", Effect: check.ByHand}}
	default:
		return
	}
	p.Report(found)
}

func plural(a dialect.Arity) string {
	if a.Min == 1 && a.Max <= 1 {
		return ""
	}
	return "s"
}
