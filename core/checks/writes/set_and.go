package writes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var setAnd = &check.Check{
	ID:    "write.set-and",
	Title: "AND between assignments",
	Doc: "Assignments of SET are separated by commas. With AND the first column is assigned one condition, and the others are not assigned at all. " +
		"Databases with a type for truth refuse it; MySQL, MariaDB and SQLite store 0 or 1, or refuse a text that is no number.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "UPDATE hives SET frame_count = 9 AND moved_on = '2026-05-01' WHERE hive_id = 7",
		Good:    "UPDATE hives SET frame_count = 9, moved_on = '2026-05-01' WHERE hive_id = 7",
		Near: []string{
			"UPDATE hives SET frame_count = 9, moved_on = '2026-05-01' WHERE hive_id = 7 AND apiary_id = 2",
			"UPDATE hives SET frame_count = CASE WHEN apiary_id = 2 AND keeper_id = 1 THEN 9 ELSE 8 END",
			"UPDATE hives SET frame_count = (SELECT COUNT(*) FROM harvests WHERE weight_kg = 3 AND hive_id = 7)",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "UPDATE hives SET frame_count = frame_count + 1 AND queen_id = 3 WHERE hive_id = 7",
		Good:    "UPDATE hives SET frame_count = frame_count + 1, queen_id = 3 WHERE hive_id = 7",
		Near: []string{
			"UPDATE hives SET frame_count = name = 'Ash' AND apiary_id = 2",
			"UPDATE hives SET frame_count = TRUE AND apiary_id = 2",
		},
	}},
	On: check.Nodes(runSetAnd),
}

func runSetAnd(p *check.Pass, a *syntax.Assign) {
	if a.Value == nil {
		return
	}
	var commas []text.Edit
	var next *syntax.Binary
	x := a.Value
	for {
		and, ok := x.(*syntax.Binary)
		if !ok || and.Op != syntax.OpAnd {
			break
		}
		assignment, ok := and.Y.(*syntax.Binary)
		if !ok || assignment.Op != syntax.OpEqual || !isBareName(assignment.X) {
			return
		}
		next = assignment
		commas = append(commas, check.Replace(text.Span{Start: and.X.Span().End, End: and.OpSpan.End}, ","))
		if p.HasComment(text.Span{Start: and.X.Span().End, End: and.OpSpan.End}) {
			commas[len(commas)-1] = check.Replace(and.OpSpan, ",")
		}
		x = and.X
	}
	if next == nil || !isNoTruth(p, x) {
		return
	}
	p.Report(check.Finding{
		Span: a.Value.Span(), Context: a.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s is assigned a condition, and %s is not assigned at all", p.Brief(a.Target), p.Brief(next.X)),
		Why:     "Separate assignments by commas; behind AND, = compares.",
		Mends:   []check.Mend{{Title: "write commas", Effect: check.NewRows, Edits: commas}},
	})
}

func isBareName(x syntax.Expr) bool {
	n, ok := x.(*syntax.Name)
	return ok && len(n.Parts) == 1
}

// isNoTruth reports whether a value is surely none of true and false, nor a number that
// may stand for one.
func isNoTruth(p *check.Pass, x syntax.Expr) bool {
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		switch n.Lit {
		case syntax.NumberLiteral:
			return p.Text(n) != "0" && p.Text(n) != "1" || p.Dialect == dialect.Postgres
		case syntax.TextLiteral:
			return !facts.IsTruthText(strings.Trim(p.Text(n), "'"))
		}
		return false
	case *syntax.Binary:
		return n.Op >= syntax.OpAdd && n.Op <= syntax.OpModulo || n.Op == syntax.OpConcat && !p.Dialect.Has(dialect.PipesAreOr)
	}
	switch p.Type(x).Class {
	case class.Text, class.Date, class.Timestamp, class.Time, class.Decimal, class.Float:
		return true
	}
	return false
}
