package check

import (
	"strings"

	"justlens/core/dialect"
)

// Needs tells what a check must know beyond the text.
type Needs uint8

const (
	// Text: the text alone proves a finding.
	Text Needs = iota
	// Schema: without table definitions the check is silent or less certain.
	Schema
)

// Check looks for one kind of defect. It is immutable and may be used from
// several goroutines.
type Check struct {
	// ID is family.name; its meaning never changes once released.
	ID string
	// Title says in a few words what is found.
	Title string
	// Errors are what databases answer to the defect: SQLSTATEs of PostgreSQL as 42803, numbers of
	// MySQL and MariaDB as 1055, of Oracle as ORA-00979, of SQL Server as Msg 8120.
	Errors []string
	// Doc says what happens and why, in a few sentences for people.
	Doc string
	// Verdicts is the consequence on each database.
	Verdicts Verdicts
	// Elsewhere says what other databases do where that hangs on the values; it is told in
	// the place of their consequences.
	Elsewhere string
	Needs     Needs
	// OnRequest tells that all its findings are only possible, and so shown only when
	// they are asked for.
	OnRequest bool
	Examples  []Example
	// On are the occasions on which the check is called.
	On Hooks
}

// Family is the part of the ID before the dot.
func (c *Check) Family() string {
	family, _, _ := strings.Cut(c.ID, ".")
	return family
}

// hangsOnClauses reports whether what a check tells may be otherwise with clauses that do not
// stand in the statement.
func (c *Check) hangsOnClauses() bool {
	switch c.Family() {
	case "rows", "group", "clause", "join", "name", "write", "definition", "set", "index":
		return true
	}
	return false
}

// Example shows a defect and its mend. Bad must give a finding of the check,
// Good and each of Near none.
type Example struct {
	// Dialect under which the example is read.
	Dialect dialect.Dialect
	// Version of it, zero for the newest.
	Version dialect.Version
	// NoSchema leaves the demo's schema out.
	NoSchema bool
	Bad      string
	// Good is Bad after the first mend, or mended by hand.
	Good string
	Near []string
}

// Verdicts is a consequence for each dialect.
type Verdicts [dialect.Count]Consequence

// Everywhere gives the same consequence on all databases.
func Everywhere(c Consequence) Verdicts {
	var v Verdicts
	for d := range v {
		v[d] = c
	}
	return v
}

// But gives v with another consequence on the databases of the set.
func (v Verdicts) But(c Consequence, on dialect.Set) Verdicts {
	for d := range dialect.Count {
		if on.Has(d) {
			v[d] = c
		}
	}
	return v
}

// Worst gives the worst consequence of all.
func (v Verdicts) Worst() Consequence {
	worst := Fine
	for _, c := range v {
		worst = max(worst, c)
	}
	return worst
}

// Differ reports whether the databases disagree.
func (v Verdicts) Differ() bool {
	for _, c := range v {
		if c != v[0] {
			return true
		}
	}
	return false
}

// RunsWrong gives the database on which an example of the check shows that rows are other than
// meant: its own, or the first that runs it; ok is false where there is none, or nothing to hold it
// against.
func (c *Check) RunsWrong(e Example) (d dialect.Dialect, ok bool) {
	if e.Bad == "" || e.Good == "" {
		return 0, false
	}
	if e.Dialect != dialect.ANSI {
		return e.Dialect, c.Verdicts[e.Dialect] == Wrong
	}
	for _, d := range []dialect.Dialect{dialect.Postgres, dialect.MariaDB, dialect.SQLite, dialect.SQLServer, dialect.Oracle, dialect.Spark} {
		if c.Verdicts[d] == Wrong {
			return d, true
		}
	}
	return 0, false
}
