package schema

import (
	"bytes"
	"slices"
	"strings"

	"justlens/core/dialect/word"
	"justlens/core/syntax"
	"justlens/core/text"
)

// What a procedure does that is called, a function that is no built-in one, or a statement
// that is made of text, does not stand in the statement: it may give a table more columns, or
// make one.

// reach opens the tables that a statement may change without saying so: those that it hands to
// a procedure or a function by name, and those that its text, or that of a routine's body, says
// ALTER TABLE of. What they say CREATE of is there from then on.
func (a applier) reach(stmt *syntax.Statement) {
	within, hands := stmt.Span, false
	switch n := stmt.Node.(type) {
	case *syntax.SelectStmt:
		if within = a.ownCall(n); within.IsEmpty() {
			return
		}
		hands = true
		a.schema.unseen = max(a.schema.unseen, MaybeUnseen)
	case *syntax.Routine:
		hands = len(n.Name) == 0 // DO, which runs at once
	case *syntax.OtherStmt, *syntax.Control:
		if len(stmt.Tokens) == 0 {
			return
		}
		switch stmt.Tokens[0].Word() {
		case word.Call, word.Exec, word.Execute:
			hands = !a.callsSystem(stmt.Tokens[1:])
			if hands && stmt.Node.Kind() == syntax.KindOtherStmt { // else its text is read
				a.schema.unseen = max(a.schema.unseen, MaybeUnseen)
			}
		case word.Prepare, word.Set, word.Declare, word.Begin, word.If:
		case word.Create, word.Import, word.Attach:
			a.creates(stmt.Tokens)
			return
		default:
			return
		}
	default:
		return
	}
	runs := hands || stmt.Node.Kind() != syntax.KindRoutine
	if runs {
		a.schema.forget()
	}
	for i, t := range stmt.Tokens {
		switch {
		case !within.Contains(t.Span):
		case t.Kind == syntax.TextToken:
			written := a.src[t.Span.Start:t.Span.End]
			if hands && len(written) < 200 {
				a.open(written)
				a.putRelation(written)
			}
			a.alters(written, runs)
		case t.Word() == word.Alter && i+1 < len(stmt.Tokens) && stmt.Tokens[i+1].Word() == word.Table:
			a.open(a.target(stmt.Tokens[i+2:]))
		case t.Word() == word.Create:
			a.creates(stmt.Tokens[i:])
		}
	}
}

// creates takes in what a CREATE that is not read makes, of its first words.
func (a applier) creates(tokens []syntax.Token) {
	const near = 6 // as in CREATE OR REPLACE GLOBAL TEMPORARY TABLE
	for i := 1; i < min(near, len(tokens)-1); i++ {
		switch tokens[i].Word() {
		case word.Table, word.View, word.Sequence:
			a.putRelation(a.target(tokens[i+1:]))
			return
		case word.Schema, word.Database: // IMPORT FOREIGN SCHEMA, ATTACH DATABASE
			if tokens[0].Word() != word.Create {
				a.schema.unseen = SurelyUnseen
			}
			return
		case word.Extension:
			a.schema.unseen = SurelyUnseen
			return
		case word.Procedure, word.Function, word.Trigger, word.Index:
			return
		}
		if strings.EqualFold(string(a.span(tokens[i].Span)), "synonym") {
			a.putRelation(a.target(tokens[i+1:]))
			return
		}
	}
	if tokens[0].Word() == word.Attach {
		a.schema.unseen = SurelyUnseen
	}
}

// putRelation notes that there is a relation of a name, which may stand in quotes.
func (a applier) putRelation(written []byte) {
	if name := lastName(written); name != "" {
		a.schema.putRelation(name)
	}
}

// lastName gives the last part of a name as it is written, without quotes of any kind.
func lastName(written []byte) string {
	if at := bytes.IndexByte(written, '\''); at >= 0 { // behind the N of N'…'
		written = written[at:]
	}
	return strings.Trim(string(written[bytes.LastIndexByte(written, '.')+1:]), "'\"`[]$ ")
}

// target gives the name behind ALTER TABLE, without what qualifies it.
func (a applier) target(tokens []syntax.Token) (name []byte) {
	for i, t := range tokens {
		written := a.src[t.Span.Start:t.Span.End]
		switch {
		case i < 4 && isFiller(written):
		case t.Kind == syntax.WordToken || t.Kind == syntax.QuotedName:
			if i+1 == len(tokens) || tokens[i+1].Kind != syntax.Dot {
				return written
			}
		case t.Kind != syntax.Dot:
			return nil
		}
	}
	return nil
}

// callsSystem reports whether a call, from its name on, is one of the database's own
// procedures, which change no columns.
func (a applier) callsSystem(tokens []syntax.Token) bool {
	for i, t := range tokens {
		if t.Kind != syntax.WordToken && t.Kind != syntax.QuotedName && t.Kind != syntax.Dot {
			return false
		}
		name := strings.ToLower(strings.Trim(string(a.src[t.Span.Start:t.Span.End]), "[]"))
		if i < 6 && (strings.HasPrefix(name, "sp_") || strings.HasPrefix(name, "xp_") || strings.HasPrefix(name, "dbms_")) {
			return true
		}
	}
	return false
}

// ownCall gives the place of a query that reads no table and calls a function which is not built
// in; nothing for any other query.
func (a applier) ownCall(n *syntax.SelectStmt) (own text.Span) {
	eachCall(n, func(c *syntax.Call, alone bool) bool {
		if !alone && !slices.ContainsFunc(c.Args, a.namesTable) {
			return true
		}
		name := a.text(c.Name[len(c.Name)-1])
		if _, builtin := a.schema.dialect.Arity(strings.ToLower(name)); !builtin {
			own = n.Span()
		}
		return own.IsEmpty()
	})
	return own
}

// Calls reports whether a query reads no table and hands something to a function, which may do
// more than it says.
func Calls(n *syntax.SelectStmt) (calls bool) {
	eachCall(n, func(*syntax.Call, bool) bool {
		calls = true
		return false
	})
	return calls
}

// eachCall calls f for the calls in a query without tables that are all it gives, or to which it
// hands a text, as the name of a table; until f gives false.
func eachCall(n *syntax.SelectStmt, f func(c *syntax.Call, alone bool) bool) {
	sel, ok := n.Query.Body.(*syntax.Select)
	if !ok || sel.From != nil && slices.ContainsFunc(sel.From.Tables, func(t syntax.TableExpr) bool { return t.Kind() != syntax.KindFuncTable }) {
		return
	}
	var lone *syntax.Call
	if sel.From == nil && len(sel.Items) == 1 {
		if c, ok := syntax.Unparen(sel.Items[0].X).(*syntax.Call); ok && len(c.Args) > 0 {
			lone = c
		}
	}
	more := true
	syntax.Inspect(sel, func(x syntax.Node) bool {
		if c, ok := x.(*syntax.Call); ok && more && (c == lone || slices.ContainsFunc(c.Args, isText)) {
			more = f(c, c == lone)
		}
		return more
	})
}

// namesTable reports whether an argument is a text that names a table of the schema.
func (a applier) namesTable(x syntax.Expr) bool {
	return isText(x) && a.schema.countOf(lastName(a.src[x.Span().Start:x.Span().End])) > 0
}

func isText(x syntax.Expr) bool {
	l, ok := x.(*syntax.Literal)
	return ok && l.Lit == syntax.TextLiteral
}

// alters opens the tables of which a text says ALTER TABLE; all where it does not say of
// which, if it is one that runs. What it says CREATE TABLE or VIEW of is there.
func (a applier) alters(written []byte, runs bool) {
	for {
		at := bytes.IndexAny(written, "aAcC")
		if at < 0 {
			return
		}
		written = written[at:]
		verb, rest := nameIn(written)
		if len(verb) == 0 {
			written = written[1:]
			continue
		}
		written = rest
		makes := bytes.EqualFold(verb, []byte("create"))
		if !makes && !bytes.EqualFold(verb, []byte("alter")) {
			continue
		}
		what, rest := nameIn(rest)
		for makes && isModifier(what) {
			what, rest = nameIn(rest)
		}
		if !bytes.EqualFold(what, []byte("table")) && !(makes && bytes.EqualFold(what, []byte("view"))) {
			continue
		}
		name, rest := nameIn(rest)
		for isFiller(name) {
			name, rest = nameIn(rest)
		}
		written = rest
		switch {
		case makes && len(name) > 0:
			a.putRelation(name)
		case makes && runs:
			a.schema.unseen = SurelyUnseen
		case len(name) > 0:
			a.open(name)
		case runs:
			a.openAll()
		}
	}
}

// nameIn gives the name that a text begins with, qualified and in quotes as it may be, and
// what follows it.
func nameIn(s []byte) (name, rest []byte) {
	s = bytes.TrimLeft(s, " \t\r\n")
	end := 0
	for end < len(s) && (s[end] == '_' || s[end] == '.' || s[end] == '"' || s[end] == '`' || s[end] == '[' || s[end] == ']' || s[end] == '$' || s[end] >= 0x80 ||
		'0' <= s[end] && s[end] <= '9' || 'a' <= s[end]|0x20 && s[end]|0x20 <= 'z') {
		end++
	}
	return s[:end], s[end:]
}

// isFiller tells the words that stand between ALTER TABLE and a name.
func isFiller(name []byte) bool {
	return isOneOf(name, "if", "not", "exists", "only", "ignore", "online")
}

// isModifier tells the words that stand between CREATE and TABLE or VIEW.
func isModifier(name []byte) bool {
	return isOneOf(name, "or", "replace", "global", "local", "temporary", "temp", "unlogged", "external", "foreign", "materialized")
}

func isOneOf(name []byte, words ...string) bool {
	return slices.ContainsFunc(words, func(w string) bool { return strings.EqualFold(string(name), w) })
}

// open takes it that a table may have more columns than are known; its name may stand in
// quotes of any kind and be qualified.
func (a applier) open(written []byte) {
	name := lastName(written)
	if name == "" || !a.schema.HasTables() {
		return
	}
	if a.schema.countOf(name) > few {
		return
	}
	for _, t := range a.schema.named(name) { // in whichever schema
		a.openTable(t)
	}
}

func (a applier) openTable(t *Table) {
	if !t.IsView {
		a.leaveOpen(t)
	}
}

// leaveOpen notes that a table or view may have more columns than are known.
func (a applier) leaveOpen(t *Table) {
	if t.Complete {
		t = a.schema.own(t)
		t.Complete = false
		a.schema.put(t)
	}
}

// openAll opens all tables; those that it opened before it does not look at again.
func (a applier) openAll() {
	tables := a.schema.fresh
	if !a.schema.opened {
		tables = a.schema.Tables()
	}
	a.schema.opened = true
	for _, t := range tables {
		if a.schema.Table(t.Qualifier, t.Name) == t {
			a.openTable(t)
		}
	}
	a.schema.fresh = nil
}
