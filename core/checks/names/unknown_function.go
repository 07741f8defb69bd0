package names

import (
	"bytes"
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unknownFunction = &check.Check{
	ID:     "name.unknown-function",
	Title:  "a function that is not there",
	Errors: []string{"42883", "ORA-00904", "1305", "1630", "Msg 195"},
	Doc: "No built-in function of the database has this name, and none is created in the text. It may be one that was created elsewhere, or that an extension " +
		"brings; where the name of a built-in function is one letter away, it is most likely a slip.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT COALECSE(mites, 0) FROM inspections",
		Good:    "SELECT coalesce(mites, 0) FROM inspections",
		Near: []string{
			"SELECT COALESCE(mites, 0), CURRENT_DATE, CAST(mites AS text), EXTRACT(YEAR FROM inspected_at) FROM inspections",
			"SELECT x.n FROM generate_series(1, 3) AS x (n)",
			"CREATE FUNCTION roundd(x numeric) RETURNS numeric LANGUAGE sql AS 'SELECT x'; SELECT roundd(mites) FROM inspections",
		},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT SUBSTRNG(name, 2) FROM hives",
		Good:    "SELECT substring(name, 2) FROM hives",
	}},
	On: check.Calls(runUnknownFunction).In(dialect.Listing),
}

func runUnknownFunction(p *check.Pass, c *syntax.Call) {
	if len(c.Name) == 2 {
		calledColumn(p, c)
		return
	}
	if len(c.Name) != 1 || c.Name[0].Quoted || len(p.Stmt.Errors) > 0 {
		return
	}
	called := p.Function(c)
	name := called.Name
	if called.Listed || called.Kind != dialect.UnknownFunction || p.Schema.HasRoutine(name) {
		return // of functions of other databases syntax.other-dialect tells
	}
	if p.Src[c.Span().End-1] != ')' && c.Over == nil && c.Filter == nil {
		return
	}
	if _, table := p.Parent(c).(*syntax.FuncTable); table {
		return
	}
	if item, ok := p.Parent(c).(*syntax.OrderItem); ok && p.Dialect.Has(dialect.ExecutedComments) {
		switch p.Parent(item).(type) {
		case *syntax.CreateIndex, *syntax.Constraint:
			return // the length of a prefix behind the column
		}
	}
	f := check.Finding{
		Span: c.Name[0].Span, Context: c.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("%s has no built-in function %s", p.Dialect.Title(), p.Ident(c.Name[0])),
		Why:     "Unless it was created elsewhere, the call is refused.",
	}
	if near := nearFunction(p, name, len(c.Args)); near != "" && !isRepeated(p, c.Name[0].Span) {
		f.Certainty = check.Likely
		f.Why = fmt.Sprintf("Did you mean %s?", near)
		f.Mends = []check.Mend{{Title: "write " + near, Effect: check.NewRows, Edits: []text.Edit{check.Replace(c.Name[0].Span, near)}}}
	}
	p.Report(f)
}

// calledColumn reports a column before a list in parentheses, where IN was left out. Columns
// have methods on SQL Server, Oracle and Spark.
func calledColumn(p *check.Pass, c *syntax.Call) {
	sel := p.SelectOf(c)
	if sel == nil || len(p.Stmt.Errors) > 0 || c.Star || c.Over != nil ||
		!dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.SQLite).Has(p.Dialect) {
		return
	}
	for _, s := range p.Scope(sel).Sources {
		if s.Name.Sym != c.Name[0].Sym || !s.Complete || s.Named(c.Name[1].Sym) == nil {
			continue
		}
		name := text.Span{Start: c.Name[0].Span.Start, End: c.Name[1].Span.End}
		f := check.Finding{
			Span: name, Context: c.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Refused),
			Message: fmt.Sprintf("%s is a column and no function", p.BriefOf(name)),
			Why:     "With parentheses behind it the name is looked for among the functions.",
		}
		if len(c.Args) > 0 {
			f.Why += " Before a list IN is missing."
			f.Mends = []check.Mend{{Title: "put IN", Effect: check.NewRows, Edits: []text.Edit{check.Insert(name.End, " "+p.Word(name.Start, "IN"))}}}
		}
		p.Report(f)
		return
	}
}

// isRepeated reports whether a name stands more than twice near a place: slips are made once, and
// what is written again and again is another's function or type.
func isRepeated(p *check.Pass, at text.Span) bool {
	const near = 16 << 10
	around := p.Src[max(0, int(at.Start)-near):min(len(p.Src), int(at.End)+near)]
	return bytes.Count(around, p.Src[at.Start:at.End]) > 2
}

// nearFunction finds the one built-in function that is a letter away from a name of
// five letters or more and takes as many arguments.
func nearFunction(p *check.Pass, name string, arguments int) string {
	if len(name) < 5 {
		return ""
	}
	found := ""
	for _, candidate := range p.Dialect.Functions() {
		if !oneAway(name, candidate) || hasDigit(name) != hasDigit(candidate) {
			continue
		}
		if a, _ := p.Dialect.Arity(candidate); !a.Takes(arguments) || a.Special {
			continue
		}
		if found != "" {
			return ""
		}
		found = candidate
	}
	return found
}

// oneAway reports whether a letter inserted, deleted, changed or exchanged with the next
// makes one name of another.
func oneAway(a, b string) bool {
	if len(a) > len(b) {
		a, b = b, a
	}
	if len(b)-len(a) > 1 {
		return false
	}
	i := 0
	for i < len(a) && a[i] == b[i] {
		i++
	}
	if len(a) < len(b) {
		return a[i:] == b[i+1:]
	}
	if i == len(a) {
		return false // they are the same
	}
	return a[i+1:] == b[i+1:] || i+1 < len(a) && a[i] == b[i+1] && a[i+1] == b[i] && a[i+2:] == b[i+2:]
}

func hasDigit(s string) bool {
	for _, c := range s {
		if '0' <= c && c <= '9' {
			return true
		}
	}
	return false
}
