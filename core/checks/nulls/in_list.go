package nulls

import (
	"fmt"
	"slices"

	"justlens/core/check"
	"justlens/core/syntax"
	"justlens/core/text"
)

var inList = &check.Check{
	ID:    "null.in-list",
	Title: "NULL in a list of IN",
	Doc: "IN compares with each value of its list, and a comparison with NULL is unknown: IN never finds the rows whose value is missing, and NOT IN, " +
		"which asks that all comparisons fail, finds no row at all. IS NULL asks for what is missing.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM queens WHERE colour NOT IN ('red', NULL)",
		Good: "SELECT name FROM queens WHERE colour NOT IN ('red')",
		Near: []string{
			"SELECT name FROM queens WHERE colour NOT IN ('red', 'NULL')",
			"SELECT name FROM queens WHERE colour IN ('red', 'blue') OR colour IS NULL",
			"SELECT name FROM queens WHERE COALESCE(colour, 'none') IN ('red', 'none')",
		},
	}, {
		Bad:  "SELECT name FROM queens WHERE colour IN ('red', NULL)",
		Good: "SELECT name FROM queens WHERE (colour IN ('red') OR colour IS NULL)",
		Near: []string{"SELECT name FROM hives WHERE hive_id IN (NULL)"},
	}},
	On: check.Nodes(runInList),
}

var constraints = syntax.Kinds(syntax.KindConstraint, syntax.KindColumnDef)

func runInList(p *check.Pass, in *syntax.In) {
	at := slices.IndexFunc(in.List, isNull)
	if at < 0 || len(in.List) < 2 { // IN (NULL) alone is what programs write for an empty list
		return
	}
	null := in.List[at].Span()
	without := text.Span{Start: null.Start, End: in.List[min(at+1, len(in.List)-1)].Span().Start}
	if at > 0 {
		without = text.Span{Start: in.List[at-1].Span().End, End: null.End}
	}
	drop := check.Mend{Title: "drop NULL from the list", Effect: check.NewRows, Edits: p.Remove(without)}
	f := check.Finding{Span: null, Context: in.Span(), Certainty: check.Certain}
	not, denied := negated(p, in)
	switch {
	case in.Not != denied:
		f.Message = fmt.Sprintf("with NULL in the list, NOT IN finds no row whatever %s is", p.Brief(in.X))
		f.Why = "Drop NULL from the list: a comparison with it is never true or false, so that NOT IN is never true."
		f.Mends = []check.Mend{drop}
	case p.Nearest(in, constraints) != nil:
		f.Message = fmt.Sprintf("with NULL in the list, the constraint refuses no %s", p.Brief(in.X))
		f.Why = "Drop NULL from the list: a constraint refuses only what is false, and with NULL in the list nothing is."
		f.Mends = []check.Mend{drop}
	default:
		f.Message = fmt.Sprintf("NULL in the list does not stand for rows where %s is NULL", p.Brief(in.X))
		f.Why = "Ask IS NULL: a comparison with NULL is never true."
		test := fmt.Sprintf(" %s %s %s)", p.Word(null.Start, "OR"), p.Text(in.X), p.Word(null.Start, "IS NULL"))
		f.Mends = []check.Mend{{Title: "ask IS NULL besides", Effect: check.NewRows,
			Edits: append(append([]text.Edit{check.Insert(in.Span().Start, "(")}, drop.Edits...), check.Insert(in.Span().End, test))}}
	}
	if denied {
		f.Related = []check.Related{{Span: not.Span(), Message: "the negation"}}
		if in.Not {
			f.Mends = []check.Mend{{Title: "say it without either negation", Effect: check.ByHand}}
		}
	}
	p.Report(f)
}
