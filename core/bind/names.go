package bind

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
)

// use gives the place for what a name means.
func (b *Binder) use(n *syntax.Name) *Use {
	in := b.info
	in.places[n.ID()] = int32(len(in.uses))
	in.uses = append(in.uses, Use{})
	return &in.uses[len(in.uses)-1]
}

// manyUses is from where on it pays to keep what names mean once.
const manyUses = 4096

// share lets a name whose use was the last to come share that of the name before, if it means
// the same: in a very long statement most names are columns of one table of which nothing more
// is known.
func (b *Binder) share(n *syntax.Name) {
	in := b.info
	if last := len(in.uses) - 1; last > manyUses && in.uses[last] == in.uses[last-1] {
		in.uses = in.uses[:last]
		in.places[n.ID()]--
	}
}

// name binds a qualified name at once; it puts an unqualified one off.
func (b *Binder) name(n *syntax.Name, at *standing) {
	if b.info.Dialect == dialect.Spark && word.Word(n.Parts[0].Sym) == word.All && !n.Parts[0].Quoted { // ORDER BY ALL
		return
	}
	if len(b.lambda) > 0 && slices.Contains(b.lambda, n.Parts[0].Sym) {
		return
	}
	if len(n.Parts) > 1 {
		b.qualified(n, at)
		b.share(n)
		return
	}
	at.scope.Bare = append(at.scope.Bare, n)
	b.pending = append(b.pending, pending{n, at})
}

// qualified looks a qualified name up.
func (b *Binder) qualified(n *syntax.Name, at *standing) {
	s, v := at.scope, at.visible
	u := b.use(n)
	u.Scope = s
	if n.Last().Sym == 0 || n.Qualifier().Sym == 0 { // what a template puts in
		u.Status = Unclear
		return
	}
	src, outer := s.source(n.Qualifier().Sym)
	if at.place == inOn && src != nil && !outer && (src.Index < v.from || src.Index >= v.to) {
		if src = s.nameWithin(n.Qualifier().Sym, v); src == nil {
			u.Status = NoSource // before a comma, which binds looser than JOIN
			return
		}
	}
	if b.info.Dialect == dialect.SQLite { // elsewhere the doubled name is refused itself
		if twin := s.twin(src); twin != nil {
			u.Status, u.candidates = Ambiguous, &[]*Source{src, twin}
			return
		}
	}
	if src == nil {
		u.Status = Unclear
		if at := n.Parts[0].Span.Start; at > 0 && b.info.Src[at-1] == '@' {
			return // a variable of the system
		}
		if b.info.Dialect == dialect.SQLite && b.isWithin(s, n.Qualifier().Sym) {
			return // SQLite 3.53: the alias of joined tables in parentheses does not hide their names
		}
		if q, set := s.Node.(*syntax.Query); set && b.info.Dialect == dialect.SQLite && branchHas(q.Body, n.Last().Sym) {
			return
		}
		if s.hasJoined(n.Qualifier().Sym) {
			return
		}
		fields := b.info.Dialect == dialect.Spark
		if row := b.info.Names.String(n.Qualifier().Sym); fields && isPseudoRow(row) {
			return
		}
		if b.routines == 0 && (len(n.Parts) > 2 && !fields && b.hidesName(s, n.Qualifier().Sym) || len(n.Parts) == 2 && fields && isNoColumn(s, n.Qualifier().Sym)) {
			u.Status = NoSource
			return
		}
		switch row := b.info.Names.String(n.Qualifier().Sym); {
		case len(n.Parts) == 2 && b.routines > 0 && (row == "new" || row == "old"):
			u.Status = Variable
		case b.info.Dialect == dialect.Oracle && isNoColumn(s, n.Last().Sym): // a function of a package, perhaps, as DBMS_RANDOM.VALUE
		case len(n.Parts) == 2 && b.tells() && !isPseudoSource(row) && !isSequenceValue(word.Word(n.Last().Sym)):
			u.Status = NoSource
		}
		return
	}
	column := src.column(n.Last().Sym)
	switch {
	case column != nil:
		u.Status, u.Source, u.Column, u.Outer = Resolved, src, column, outer
	case src.isAnonymous(n.Last()):
		u.Status, u.Outer = Unclear, outer
	case b.isSystemColumn(n.Last().Sym):
		u.Status, u.candidates, u.Outer = Builtin, &[]*Source{src}, outer
	case len(n.Parts) > 2 && src.Scope != nil && src.Scope.Parent != nil && src.Scope.Parent.names(n.Qualifier().Sym):
		u.Status = Unclear // that of another schema, perhaps
	default:
		u.Status, u.candidates, u.Outer = Missing, &[]*Source{src}, outer
	}
}

// mostBranches bounds how many queries of a set operation are looked into.
const mostBranches = 64

// branchHas reports whether one of the queries of a set operation has a column of a name in its
// list, or a star: into each of them SQLite's ORDER BY looks ("SELECT", "The ORDER BY clause").
func branchHas(body syntax.Body, sym syntax.Sym) bool {
	for range mostBranches {
		branch := body
		op, more := body.(*syntax.SetOp)
		if more {
			branch, body = op.Right, op.Left
		}
		sel, ok := branch.(*syntax.Select)
		if !ok || slices.ContainsFunc(sel.Items, func(item *syntax.SelectItem) bool {
			n, ok := item.X.(*syntax.Name)
			_, star := item.X.(*syntax.Star)
			return star || ok && n.Last().Sym == sym
		}) {
			return true
		}
		if !more {
			return false
		}
	}
	return true
}

// tells reports whether names that are nothing known are told apart from those
// that may be anything: not in routines, which have variables, nor where rows
// have fields that names reach into.
func (b *Binder) tells() bool {
	return b.routines == 0 && b.info.Dialect != dialect.Spark && !b.partial
}

// hidesName reports whether a table of the name is in FROM under an alias only.
func (b *Binder) hidesName(s *Scope, sym syntax.Sym) bool {
	hidden := false
	for at := s; at != nil; at = at.Parent {
		for _, src := range at.Sources {
			if src.Name.Sym == 0 || src.Named(sym) != nil {
				return false // a column with fields, perhaps
			}
			ref, ok := src.Node.(*syntax.TableRef)
			hidden = hidden || ok && !ref.Alias.IsZero() && ref.Name[len(ref.Name)-1].Sym == sym
		}
	}
	return hidden
}

// isNoColumn reports whether all columns here and around are known, and none has the name:
// where rows have fields a qualifier may be a column.
func isNoColumn(s *Scope, sym syntax.Sym) bool {
	sources := 0
	for at := s; at != nil; at = at.Parent {
		for _, src := range at.Sources {
			if sources++; !src.Complete || src.Name.Sym == 0 || src.Named(sym) != nil {
				return false
			}
		}
	}
	return sources > 0
}

// isPseudoRow reports whether Spark gives a row of the name without any FROM: the metadata of a
// file, a window of time by which is grouped, the variables of the session.
func isPseudoRow(name string) bool {
	switch name {
	case "_metadata", "window", "session_window", "session":
		return true
	}
	return false
}

// isPseudoSource reports whether a qualifier is a row that a trigger, or a clause
// of a write, has without any FROM.
func isPseudoSource(name string) bool {
	switch name {
	case "new", "old", "inserted", "deleted", "excluded", "source", "target", "matched", "dual":
		return true
	}
	return false
}

func isSequenceValue(w word.Word) bool { return w == word.Nextval || w == word.Currval }

// isSystemColumn reports whether every table has a column of the name that no
// definition lists.
func (b *Binder) isSystemColumn(sym syntax.Sym) bool {
	name := b.info.Names.String(sym)
	switch b.info.Dialect {
	case dialect.Postgres:
		switch name {
		case "ctid", "tableoid", "xmin", "xmax", "cmin", "cmax", "oid":
			return true
		}
	case dialect.SQLite:
		return name == "rowid" || name == "oid" || name == "_rowid_"
	case dialect.Oracle:
		return name == "rowid" || name == "ora_rowscn" || strings.HasPrefix(name, "versions_") || name == "column_value" || name == "object_value"
	case dialect.MySQL, dialect.MariaDB:
		return name == "row_start" || name == "row_end" || name == "_rowid" || name == "my_row_id" && b.info.Dialect == dialect.MySQL
	case dialect.SQLServer:
		return strings.HasPrefix(name, "$")
	}
	return false
}

// resolve looks an unqualified name up, by the rules of its clause.
func (b *Binder) resolve(p pending) Use {
	sym := p.name.Parts[0].Sym
	if sym == 0 {
		return Use{Status: Unclear, Scope: p.scope} // what a template puts in
	}
	sel, _ := p.scope.Node.(*syntax.Select)
	if p.place == inOrderBy && sel != nil {
		above := b.info.Above(p.name)
		if collate, ok := above.(*syntax.Collate); ok && b.info.Dialect == dialect.SQLite {
			above = b.info.Above(collate)
		}
		if _, direct := above.(*syntax.OrderItem); direct {
			item := p.scope.Item(sym)
			if item == nil && b.info.Dialect.Has(dialect.OrderByOutputName) {
				item = b.output(sel, sym)
			}
			if b.info.Dialect.Has(dialect.OrderByOutputName) {
				if twin := b.laterOutput(sel, item); twin != nil {
					owners := b.ownersOf(item, twin)
					return Use{Status: Ambiguous, Scope: p.scope, candidates: &owners}
				}
			}
			if item != nil {
				return Use{Status: OutputAlias, Scope: p.scope, Item: item}
			}
		}
	}
	if p.place == inHaving && sel != nil && b.info.Dialect.Has(dialect.ExecutedComments) && !b.grouped(sel, sym) {
		// MySQL and MariaDB look for output columns first, but for grouped columns.
		item := p.scope.Item(sym)
		if item == nil {
			item = b.output(sel, sym)
		}
		if item != nil && !item.X.Span().Contains(p.name.Span()) {
			return b.ofOutput(p, item)
		}
	}
	u := p.scope.lookupOut(p.name.Parts[0], p.visible)
	u.Scope = p.scope
	if u.Status == Ambiguous && p.place == inGroupBy && sel != nil && b.info.Dialect.Has(dialect.ExecutedComments) {
		if item := b.output(sel, sym); item != nil { // MySQL and MariaDB look at the select list first
			return Use{Status: OutputAlias, Scope: p.scope, Item: item}
		}
	}
	if u.Status == Resolved || u.Status == Ambiguous {
		return u
	}
	if src, outer := p.scope.source(sym); src != nil && (b.info.Dialect.Has(dialect.RowNames) && !(b.info.Dialect == dialect.SQLite && src.Complete) || b.isObject(p.name)) {
		return Use{Status: Builtin, Scope: p.scope, Source: src, Outer: outer}
	}
	if !p.name.Parts[0].Quoted && (isBuiltin(word.Word(sym)) || b.isSystemColumn(sym)) {
		return Use{Status: Builtin, Scope: p.scope}
	}
	if u.Status == Missing && (b.info.Dialect.Has(dialect.ExecutedComments) || b.info.Dialect == dialect.SQLite) {
		for at := p.scope.Parent; at != nil; at = at.Parent {
			if at.Item(sym) != nil {
				u.Status = Unclear // a subquery of the list sees aliases there
			}
		}
	}
	if u.Status == Missing && (b.partial || sel != nil && (p.place == inOrderBy || b.seesAliases(p.place)) && givesFields(sel)) {
		u = Use{Status: Unclear, Scope: p.scope}
	} else if u.Status == Missing && p.routine {
		u.Status = Variable
	} else if u.Status == Missing && p.name.Parts[0].Quoted && b.info.Dialect == dialect.SQLite || u.Status == Assumed && p.routine {
		u = Use{Status: Unclear, Scope: p.scope} // perhaps a variable; text in double quotes
	}
	if sel != nil && b.seesAliases(p.place) && u.Status != Resolved {
		nested := b.isNested(p.name)
		if item := p.scope.Item(sym); item != nil && isSeen(item, p) && (u.Status == Missing && !(nested && b.info.Dialect == dialect.Postgres) || p.place != inOrderBy && !(nested && p.place == inGroupBy)) {
			return Use{Status: OutputAlias, Scope: p.scope, Item: item}
		}
	}
	return u
}

// givesFields reports whether a select list has all fields of a value, as (x).*: nothing tells
// their names.
func givesFields(sel *syntax.Select) bool {
	return slices.ContainsFunc(sel.Items, func(item *syntax.SelectItem) bool {
		f, ok := item.X.(*syntax.Field)
		return ok && f.Star
	})
}

// isObject reports whether a name is the argument of Oracle's VALUE or REF, which take a table's alias.
func (b *Binder) isObject(n *syntax.Name) bool {
	if b.info.Dialect != dialect.Oracle {
		return false
	}
	c, ok := b.info.Parent(n).(*syntax.Call)
	if !ok || len(c.Name) > 1 {
		return false
	}
	name := b.info.Names.String(c.Name[0].Sym)
	return name == "value" || name == "ref"
}

// isNested reports whether a name is a part of an expression, not an element of a list of its
// clause; those of ROLLUP and its kin are elements.
func (b *Binder) isNested(n *syntax.Name) bool {
	above, nested := b.info.Parent(n).(syntax.Expr)
	for nested {
		switch above.(type) {
		case *syntax.GroupingSet:
			return false
		case *syntax.Row, *syntax.Paren:
			above, nested = b.info.Parent(above).(syntax.Expr)
		default:
			return true
		}
	}
	return false
}

// isSeen reports whether a name may mean an output column: within the select list only
// one that stands before it, so that no column is made of itself.
func isSeen(item *syntax.SelectItem, p pending) bool {
	return p.place != inSelect || item.Span().End <= p.name.Span().Start
}

// isWithin reports whether joined tables in parentheses with an alias, of a scope or those
// around it, have a source of this name.
func (b *Binder) isWithin(s *Scope, sym syntax.Sym) bool {
	for ; s != nil; s = s.Parent {
		if b.hides(s, sym) {
			return true
		}
	}
	return false
}

func (b *Binder) hides(s *Scope, sym syntax.Sym) bool {
	return slices.ContainsFunc(s.Sources, func(src *Source) bool {
		t, ok := src.Node.(*syntax.ParenTable)
		return ok && (b.info.Scope(t).Own(sym) != nil || b.hides(b.info.Scope(t), sym))
	})
}

// ofOutput gives the use of a name that means an output column: the column itself
// where the output is one.
func (b *Binder) ofOutput(p pending, item *syntax.SelectItem) Use {
	if n, ok := item.X.(*syntax.Name); ok && item.Alias.IsZero() {
		if u := b.info.Use(n); u.Source != nil {
			found := *u
			found.Scope = p.scope
			return found
		}
	}
	return Use{Status: OutputAlias, Scope: p.scope, Item: item}
}

// grouped reports whether GROUP BY names a column by its bare name.
func (b *Binder) grouped(sel *syntax.Select, sym syntax.Sym) bool {
	if sel.GroupBy == nil {
		return false
	}
	for _, x := range sel.GroupBy.Items {
		if n, ok := syntax.Unparen(x).(*syntax.Name); ok && n.Last().Sym == sym {
			return true
		}
	}
	return false
}

// seesAliases reports whether names of a clause may be output aliases.
func (b *Binder) seesAliases(at place) bool {
	switch at {
	case inWhere, inOn:
		return b.info.Dialect.Has(dialect.AliasInWhere)
	case inGroupBy:
		return b.info.Dialect.Has(dialect.AliasInGroupBy)
	case inHaving:
		return b.info.Dialect.Has(dialect.AliasInHaving)
	case inSelect:
		return b.info.Dialect.Has(dialect.AliasInSelect)
	}
	return at == inOrderBy && b.info.Dialect == dialect.SQLite
}

// output finds the output column of a name: a written alias or its column's name.
func (b *Binder) output(s *syntax.Select, sym syntax.Sym) *syntax.SelectItem {
	if len(s.Items) <= shortList {
		for _, item := range s.Items {
			if b.outputSym(item) == sym {
				return item
			}
		}
		return nil
	}
	sc := b.info.Scope(s)
	if sc.outputs == nil {
		sc.outputs = make(map[syntax.Sym]*syntax.SelectItem, len(s.Items))
		for _, item := range slices.Backward(s.Items) {
			sc.outputs[b.outputSym(item)] = item
		}
	}
	return sc.outputs[sym]
}

// laterOutput finds another output column of the name of item, that means
// another column.
func (b *Binder) laterOutput(s *syntax.Select, item *syntax.SelectItem) *syntax.SelectItem {
	if item == nil || len(s.Items) > shortList {
		return nil
	}
	for _, other := range s.Items {
		if b.info.Dialect.Has(dialect.ExecutedComments) && (item.X.Kind() != syntax.KindName || other.X.Kind() != syntax.KindName) {
			continue // MySQL and MariaDB take the first unless both are columns
		}
		if other != item && b.outputSym(other) == b.outputSym(item) && !b.info.Same(other.X, item.X) {
			return other
		}
	}
	return nil
}

// ownersOf gives the sources of the columns that output columns are.
func (b *Binder) ownersOf(items ...*syntax.SelectItem) []*Source {
	var owners []*Source
	for _, item := range items {
		if n, ok := item.X.(*syntax.Name); ok {
			if u := b.info.Use(n); u.Source != nil {
				owners = append(owners, u.Source)
			}
		}
	}
	return owners
}

func isBuiltin(w word.Word) bool {
	switch w {
	case word.Sysdate, word.Systimestamp, word.Rownum, word.Rowid, word.Level, word.User, word.Uid, word.Value, word.Default,
		word.Maxvalue, word.CurrentDate, word.CurrentTime, word.CurrentTimestamp, word.Localtime, word.Localtimestamp,
		word.CurrentUser, word.CurrentRole, word.CurrentCatalog, word.CurrentSchema, word.SessionUser, word.SystemUser,
		word.UtcDate, word.UtcTime, word.UtcTimestamp, word.ConnectByRoot, word.ConnectByIscycle, word.ConnectByIsleaf,
		word.ColumnValue, word.Identitycol, word.Rowguidcol, word.Sessiontimezone, word.Dbtimezone:
		return true
	}
	return false
}
