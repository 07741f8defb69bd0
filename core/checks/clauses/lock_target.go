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

var lockTarget = &check.Check{
	ID:     "clause.lock-target",
	Title:  "FOR UPDATE where there are no rows of tables to lock",
	Errors: []string{"0A000", "ORA-01786"},
	Doc: "FOR UPDATE locks the rows of tables that a query gives. Behind GROUP BY, DISTINCT, aggregates, windows and set operations a row stands for several of them, and PostgreSQL and Oracle " +
		"refuse it; PostgreSQL refuses it for the side of an outer join that may be missing, too. OF says which tables are to be locked.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres, dialect.Oracle)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT h.name, q.name AS queen FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id FOR UPDATE",
		Good:    "SELECT h.name, q.name AS queen FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id FOR UPDATE OF h",
		Near: []string{
			"SELECT h.name, q.name AS queen FROM hives h JOIN queens q ON q.queen_id = h.queen_id FOR UPDATE",
			"SELECT name FROM hives WHERE hive_id IN (SELECT DISTINCT hive_id FROM inspections) ORDER BY hive_id LIMIT 3 FOR UPDATE",
			"SELECT h.name, q.name AS queen FROM hives h LEFT JOIN queens q ON q.queen_id = h.queen_id FOR NO KEY UPDATE OF h",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT apiary_id, COUNT(*) FROM hives GROUP BY apiary_id FOR UPDATE",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT DISTINCT apiary_id FROM hives FOR UPDATE",
	}},
	On: check.Nodes(runLockTarget).With(facts.Locking).In(dialect.In(dialect.Postgres, dialect.Oracle)),
}

func runLockTarget(p *check.Pass, q *syntax.Query) {
	f := check.Finding{Span: q.Lock, Context: q.Span(), Certainty: check.Certain, Why: "A row of the result stands for several rows of tables, or for none.",
		Mends: []check.Mend{{Title: "lock the rows in a query of their own, or in a subquery that gives them one by one", Effect: check.ByHand}}}
	sel, ok := q.Body.(*syntax.Select)
	if !ok {
		if op, isSet := q.Body.(*syntax.SetOp); isSet {
			f.Message = fmt.Sprintf("%s cannot lock the rows of %s", lockWords(p, q), p.BriefOf(op.OpSpan))
			p.Report(f)
		}
		return
	}
	if what := madeBy(p, sel); what != "" {
		f.Message = lockWords(p, q) + " cannot lock rows that " + what + " makes"
		p.Report(f)
		return
	}
	scope := p.Scope(sel)
	if p.Dialect != dialect.Postgres || scope == nil {
		return
	}
	for _, s := range scope.Sources {
		if !s.Optional || len(q.LockOf) > 0 && !slices.ContainsFunc(q.LockOf, func(id syntax.Ident) bool { return id.Sym == s.Name.Sym }) {
			continue
		}
		f.Message = fmt.Sprintf("%s cannot lock %s, which the outer join may have no row of", lockWords(p, q), p.SourceName(s))
		f.Why = "Where the join finds no partner there is nothing to lock. OF names the tables that are to be locked."
		f.Mends = lockOnly(p, q, scope)
		p.Report(f)
		return
	}
}

// lockWords gives the keywords of a lock: FOR UPDATE, FOR NO KEY UPDATE, FOR SHARE.
func lockWords(p *check.Pass, q *syntax.Query) string {
	words := strings.Fields(strings.ToUpper(p.BriefOf(q.Lock)))
	if of := slices.Index(words, "OF"); of > 0 {
		words = words[:of]
	}
	return strings.Join(words, " ")
}

// madeBy names the clause that makes rows of several others; "" for none.
func madeBy(p *check.Pass, sel *syntax.Select) string {
	switch {
	case sel.Distinct:
		return "DISTINCT"
	case sel.GroupBy != nil:
		return "GROUP BY"
	case sel.Having != nil:
		return "HAVING"
	case p.FirstAggregate(sel) != nil:
		return p.Brief(p.FirstAggregate(sel))
	}
	return ""
}

// lockOnly offers to lock the sources that are always there.
func lockOnly(p *check.Pass, q *syntax.Query, scope *bind.Scope) []check.Mend {
	names := ""
	for _, s := range scope.Sources {
		if s.Optional || s.SchemaTable() == nil && s.Query != nil {
			continue
		}
		if names != "" {
			names += ", "
		}
		names += p.Ident(s.Name)
	}
	if names == "" || len(q.LockOf) > 0 {
		return []check.Mend{{Title: "lock only tables whose rows are there", Effect: check.ByHand}}
	}
	return []check.Mend{{Title: "lock " + names + " alone", Effect: check.NewRows, Edits: []text.Edit{check.Insert(q.Lock.End, " "+p.Word(q.Lock.Start, "OF")+" "+names)}}}
}
