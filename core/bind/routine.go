package bind

import (
	"bytes"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
)

// Meaning is what a bare name of a routine means that is a variable's and a column's.
type Meaning uint8

const (
	// AsColumn: the column.
	AsColumn Meaning = iota
	// AsVariable: the variable.
	AsVariable
	// AsNeither: neither, the query is refused when it runs.
	AsNeither
)

// NamesMean tells what the names of a routine mean (PostgreSQL, "Variable Substitution" and
// "Arguments for SQL Functions"; MariaDB, "Stored Procedure Overview"; Oracle, "PL/SQL Name
// Resolution").
func (in *Info) NamesMean(stmt *syntax.Statement, r *syntax.Routine) Meaning {
	switch {
	case in.Dialect.Has(dialect.ExecutedComments) || r.Variable:
		return AsVariable
	case in.Dialect != dialect.Postgres && in.Dialect != dialect.ANSI:
		return AsColumn
	}
	for i, t := range stmt.Tokens[:len(stmt.Tokens)-1] {
		if t.Word() == word.Language {
			next := stmt.Tokens[i+1].Span
			if language := bytes.Trim(in.Src[next.Start:next.End], `'"`); bytes.EqualFold(language, []byte("sql")) {
				return AsColumn
			}
		}
	}
	return AsNeither
}

// declaration is what the names mean that a routine declares.
type declaration struct {
	meaning Meaning
	names   map[syntax.Sym]bool
}

// declare notes the parameters and variables of the routine in hand.
func (b *Binder) declare(r *syntax.Routine) {
	clear(b.declared.names)
	if len(r.Declared) == 0 {
		return
	}
	if b.declared.meaning = b.info.NamesMean(b.stmt, r); b.declared.meaning == AsColumn {
		return
	}
	if b.declared.names == nil {
		b.declared.names = map[syntax.Sym]bool{}
	}
	for _, id := range r.Declared {
		b.declared.names[id.Sym] = true
	}
}

// hidden gives what a bare name in a routine means that was found to be a column: the variable
// of that name where it hides the column, which then is the one candidate.
func (b *Binder) hidden(p pending, u Use) Use {
	if u.Status != Resolved && u.Status != Ambiguous || len(b.declared.names) == 0 || !p.routine || !b.declared.names[p.name.Parts[0].Sym] {
		return u
	}
	if c, ok := b.info.Parent(p.name).(*syntax.Call); ok {
		switch b.info.FunctionName(c) {
		case "values", "default": // of a column, always
			return u
		}
	}
	hides := Use{Status: Variable, Scope: u.Scope}
	if b.declared.meaning == AsNeither {
		hides.Status = Unclear
	}
	if u.Source != nil {
		hides.candidates = &[]*Source{u.Source}
	}
	return hides
}
