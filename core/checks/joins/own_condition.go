package joins

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

// crossesByCondition are the dialects that read CROSS JOIN … ON as an inner join.
var crossesByCondition = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark)

var ownCondition = &check.Check{
	ID:     "join.own-condition",
	Title:  "ON or USING behind a join that takes none",
	Errors: []string{"42601", "1064", "ORA-00933", "Msg 156"},
	Doc: "NATURAL JOIN ties by all columns of one name, and CROSS JOIN by nothing, so neither takes a condition of its own. MySQL, MariaDB, SQLite and " +
		"Spark read CROSS JOIN … ON as an inner join.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Text,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT h.name FROM hives h CROSS JOIN queens q ON q.queen_id = h.queen_id",
		Good:    "SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id",
		Near: []string{
			"SELECT h.name FROM hives h CROSS JOIN queens q WHERE q.queen_id = h.queen_id",
			"SELECT h.name FROM hives h CROSS JOIN apiaries a JOIN queens q ON q.queen_id = h.queen_id",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT h.name FROM hives h NATURAL JOIN queens q USING (queen_id)",
		Good:    "SELECT h.name FROM hives h JOIN queens q USING (queen_id)",
		Near:    []string{"SELECT h.name FROM hives h CROSS JOIN queens q ON q.queen_id = h.queen_id", "SELECT h.hive_id FROM hives h NATURAL JOIN harvests g"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT h.name FROM hives h NATURAL LEFT JOIN queens q ON q.queen_id = h.queen_id",
		Good:    "SELECT h.name FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id",
	}},
	On: check.Nodes(runOwnCondition),
}

func runOwnCondition(p *check.Pass, j *syntax.Join) {
	if !j.Natural && j.Type != syntax.CrossJoin || j.On == nil && len(j.Using) == 0 || len(p.Stmt.Errors) > 0 {
		return
	}
	if left, ok := j.Left.(*syntax.Join); ok && left.On == nil && len(left.Using) == 0 && !left.Natural && left.Type != syntax.CrossJoin {
		return // the condition is that of the join before
	}
	word, _, ok := p.FirstTokensIn(j.OpSpan)
	if !ok || !j.Natural && crossesByCondition.Has(p.Dialect) {
		return
	}
	f := check.Finding{
		Span: j.OpSpan, Context: j.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s takes no condition of its own", p.BriefOf(j.OpSpan)),
		Why:     "It crosses the two with nothing to tie them by.",
		Mends: []check.Mend{{
			Title: "join by the condition alone", Effect: check.NewRows,
			Edits: p.Remove(text.Span{Start: p.EndBefore(word.Span.Start), End: word.Span.End}),
		}},
	}
	if j.Natural {
		f.Why = "It ties the two by all columns of one name already."
	} else {
		f.Verdicts = check.Everywhere(check.Refused).But(check.Fine, crossesByCondition)
	}
	p.Report(f)
}
