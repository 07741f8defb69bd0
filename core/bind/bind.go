package bind

import (
	"hash/maphash"
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/schema"
	"justlens/core/slab"
	"justlens/core/syntax"
)

// Binder binds one statement after another. It is not safe for use by several
// goroutines.
type Binder struct {
	info     *Info // of the statement in hand
	infos    slab.Pool[Info]
	text     Info // what all statements of the text have in common
	schema   *schema.Schema
	names    map[*schema.Table]columnNames
	found    map[syntax.Sym]found
	changes  int // of the schema when found was begun
	excluded syntax.Sym
	// valueNames are those of the columns of VALUES, as far as asked for in the dialect.
	valueNames []syntax.Sym
	pending    []pending
	// routines counts the routine bodies around the statement in hand, in which
	// a name may be a variable.
	routines int

	// What one statement needs, used again for the next.
	scopes    slab.Pool[Scope]
	sources   slab.Pool[Source]
	columns   slab.Slab[Column]
	ctes      slab.Slab[cteScope]
	standings slab.Slab[standing]
	byName    map[syntax.Sym][]*cteScope // in the order of the text
	outputs   slab.Builder[Output]
	spine     []syntax.Node // the chain in hand
	later     []syntax.Expr // conditions of joins that see what comes behind them
}

// pending is an unqualified name, looked up when all sources of the statement
// have learned what its qualified names teach.
type pending struct {
	name *syntax.Name
	*standing
}

// standing is where the names of a clause stand, as far as what they mean depends on it.
type standing struct {
	scope   *Scope
	visible visible
	place   place
	routine bool // in the body of a routine
}

// place is the kind of clause in which a name stands, as far as what it sees
// depends on it.
type place uint8

const (
	inSelect place = iota
	inWhere
	inOn
	inGroupBy
	inHaving
	inOrderBy
)

// NewBinder makes a binder for a parser's table of names.
func NewBinder(names *syntax.Names) *Binder {
	return &Binder{text: Info{Names: names, seed: maphash.MakeSeed()}, names: map[*schema.Table]columnNames{}, found: map[syntax.Sym]found{}, excluded: names.Intern([]byte("excluded"))}
}

// Reset begins a new text. The schema may change from statement to statement.
func (b *Binder) Reset(src []byte, d dialect.Dialect, s *schema.Schema) {
	b.text.Src, b.text.Dialect, b.text.Schema, b.schema = src, d, s, s
	clear(b.names)
	b.valueNames = b.valueNames[:0]
	clear(b.found)
	b.changes = 0
	if s != nil {
		b.changes = s.Changes()
	}
}

// Bind binds a statement. What it gives is valid until the next call, however many
// calls of More follow.
func (b *Binder) Bind(stmt *syntax.Statement) *Info {
	b.infos.Reset()
	b.scopes.Reset()
	b.sources.Reset()
	b.columns.Reset()
	b.ctes.Reset()
	b.standings.Reset()
	b.outputs.Reset()
	return b.More(stmt)
}

// More is Bind that keeps what was given since Bind.
func (b *Binder) More(stmt *syntax.Statement) *Info {
	in := b.infos.Next()
	b.info = in
	in.Src, in.Dialect, in.Names, in.Schema, in.seed = b.text.Src, b.text.Dialect, b.text.Names, b.text.Schema, b.text.seed
	in.Scopes = in.Scopes[:0]
	in.places = grown(in.places, stmt.Nodes+1)
	in.uses = append(in.uses[:0], Use{})
	in.parents = grown(in.parents, stmt.Nodes+1)
	in.climbs, in.forms, in.enclosing = nil, in.forms[:0], enclosing{}
	b.pending, b.spine = b.pending[:0], b.spine[:0]
	clear(b.byName)
	b.routines = 0
	syntax.Link(stmt.Node, in.parents)
	if stmt.Nodes > manyNodes {
		b.makeRoom(stmt.Node)
	}
	b.statement(stmt.Node, nil, nil)
	for _, p := range b.pending {
		*b.use(p.name) = b.resolve(p)
		b.share(p.name)
	}
	if stmt.Nodes > manyNodes {
		b.pending, b.spine = nil, nil
	}
	return in
}

// manyNodes is the size of a statement from which it pays to count its names first, and
// whose room is not worth keeping for the next.
const manyNodes = 1 << 16

// makeRoom takes the room for the names at once: growing up to it would take twice as much.
// Names without a qualifier share what they mean as a rule.
func (b *Binder) makeRoom(n syntax.Node) {
	qualified, bare := 1, 0
	syntax.Walk(n, func(n syntax.Node, k syntax.Kind) {
		if k != syntax.KindName {
			return
		}
		if len(n.(*syntax.Name).Parts) > 1 {
			qualified++
		} else {
			bare++
		}
	})
	b.info.uses = slices.Grow(b.info.uses, qualified)
	b.pending = slices.Grow(b.pending, bare)
}

// grown gives a cleared slice of the length.
func grown[T any](s []T, n int) []T {
	if cap(s) < n {
		return make([]T, n, n+min(n/2, 1<<16))
	}
	s = s[:n]
	clear(s)
	return s
}

func (b *Binder) open(node syntax.Node, parent *Scope, ctes *cteScope) *Scope {
	s := b.scopes.Next()
	*s = Scope{Node: node, Index: len(b.info.Scopes), Parent: parent, ctes: ctes, Sources: s.Sources[:0], Merged: s.Merged[:0], Calls: s.Calls[:0], Bare: s.Bare[:0]}
	b.info.Scopes = append(b.info.Scopes, s)
	b.info.places[node.ID()] = int32(len(b.info.Scopes))
	return s
}

func (b *Binder) statement(n syntax.Stmt, outer *Scope, ctes *cteScope) {
	switch n := n.(type) {
	case *syntax.SelectStmt:
		b.query(n.Query, outer, ctes)
	case *syntax.CreateTable:
		if n.Query != nil {
			b.query(n.Query, nil, nil)
		}
	case *syntax.CreateView:
		b.query(n.Query, nil, nil)
	case *syntax.Insert:
		b.insert(n, outer, ctes)
	case *syntax.Update:
		ctes = b.with(n.With, outer, ctes)
		s := b.open(n, outer, ctes)
		if !b.namedBehind(n.Table, n.From) {
			b.table(n.Table, s)
		}
		b.from(n.From, s)
		b.assignments(n.Set, s)
		b.rowLimit(n.Limit, s)
		b.rest(s, n.Where, n.OrderBy, n.Returning)
	case *syntax.Merge:
		b.merge(n, outer, ctes)
	case *syntax.Routine:
		b.routines++
		for _, s := range n.Body {
			b.statement(s, outer, ctes)
		}
		b.routines--
	case *syntax.Control:
		if n.Block && b.info.Dialect != dialect.SQLServer { // whose variables have names of their own
			b.routines++
			b.control(n, outer, ctes)
			b.routines--
			break
		}
		b.control(n, outer, ctes)
	case *syntax.Delete:
		ctes = b.with(n.With, outer, ctes)
		s := b.open(n, outer, ctes)
		if n.Using == nil || !b.info.Dialect.Has(dialect.ExecutedComments) && !b.targetsBehind(n) {
			b.from(n.From, s) // elsewhere it lists what USING names
		}
		b.from(n.Using, s)
		b.rowLimit(n.Limit, s)
		b.rest(s, n.Where, n.OrderBy, n.Returning)
	}
}

// namedBehind reports whether the target of UPDATE is only the alias of a table
// in FROM.
func (b *Binder) namedBehind(target syntax.TableExpr, f *syntax.From) bool {
	ref, ok := target.(*syntax.TableRef)
	if !ok || f == nil || len(ref.Name) != 1 || !ref.Alias.IsZero() || !b.info.Dialect.Has(dialect.TargetBehindFrom) {
		return false
	}
	found := false
	for _, t := range f.Tables {
		syntax.Inspect(t, func(n syntax.Node) bool {
			if other, ok := n.(*syntax.TableRef); ok {
				last := other.Name[len(other.Name)-1]
				if !other.Alias.IsZero() {
					last = other.Alias
				}
				found = found || last.Sym == ref.Name[0].Sym
			}
			_, query := n.(*syntax.Query)
			return !query
		})
	}
	return found
}

func (b *Binder) targetsBehind(n *syntax.Delete) bool {
	if n.From == nil {
		return false
	}
	for _, t := range n.From.Tables {
		if b.namedBehind(t, n.Using) {
			return true
		}
	}
	return false
}

// merge binds MERGE: its conditions see both sides, what it inserts the source.
func (b *Binder) merge(n *syntax.Merge, outer *Scope, ctes *cteScope) {
	ctes = b.with(n.With, outer, ctes)
	s := b.open(n, outer, ctes)
	b.table(n.Target, s)
	b.table(n.Source, s)
	b.expr(n.On, b.all(s, inOn))
	for _, branch := range n.Branches {
		if branch.Cond != nil {
			b.expr(branch.Cond, b.all(s, inWhere))
		}
		b.assignments(branch.Set, s)
		if branch.Values != nil {
			source := b.stand(s, visible{1, everySource}, inSelect)
			for _, x := range branch.Values.Items {
				b.expr(x, source)
			}
		}
	}
	b.rest(s, nil, nil, n.Returning)
}

// control binds the statements of a routine's own language. What its
// expressions name may be variables, so nothing is looked up there.
func (b *Binder) control(n *syntax.Control, outer *Scope, ctes *cteScope) {
	if len(n.Exprs) > 0 {
		s := b.unclear(n, outer, ctes)
		at := b.all(s, inSelect)
		for _, x := range n.Exprs {
			b.expr(x, at)
		}
	}
	for _, s := range n.Stmts {
		b.statement(s, outer, ctes)
	}
}

// unclear opens a scope in which no bare name can be told.
func (b *Binder) unclear(n syntax.Node, outer *Scope, ctes *cteScope) *Scope {
	s := b.open(n, outer, ctes)
	b.add(s, b.source(nil, syntax.Ident{}), nil)
	b.add(s, b.source(nil, syntax.Ident{}), nil)
	return s
}

func (b *Binder) rest(s *Scope, w *syntax.Where, o *syntax.OrderBy, returning []*syntax.SelectItem) {
	if w != nil {
		b.expr(w.Cond, b.all(s, inWhere))
	}
	if o != nil {
		at := b.all(s, inWhere)
		for _, item := range o.Items {
			b.expr(item.X, at)
		}
	}
	if len(returning) > 0 {
		at := b.all(s, inSelect)
		for _, item := range returning {
			b.expr(item.X, at)
		}
	}
}

func (b *Binder) insert(n *syntax.Insert, outer *Scope, ctes *cteScope) {
	ctes = b.with(n.With, outer, ctes)
	s := b.open(n, outer, ctes)
	b.table(n.Table, s)
	if n.Query != nil {
		around := outer
		if _, rows := n.Query.Body.(*syntax.Values); rows && b.info.Dialect.Has(dialect.ExecutedComments) {
			around = s // MySQL and MariaDB let VALUES name columns of the target
		}
		b.query(n.Query, around, ctes)
	}
	b.rest(s, nil, nil, n.Returning)
	if len(n.Conflict) == 0 {
		return
	}
	around := outer
	if n.Query != nil && !n.Duplicate.IsEmpty() { // what ON DUPLICATE KEY sets may come from the query
		if sel, ok := n.Query.Body.(*syntax.Select); ok {
			around = b.info.Scope(sel)
		}
	}
	c := b.open(n, around, ctes)
	b.info.places[n.ID()] = int32(s.Index + 1)
	b.table(n.Table, c)
	b.add(c, b.source(nil, syntax.Ident{Sym: b.excluded}), nil)
	for _, a := range n.Conflict {
		b.queriesIn(a.Target, c)
		b.qualifiedOnly(a.Value, c)
	}
	if n.Where != nil {
		b.qualifiedOnly(n.Where.Cond, c)
	}
}

// qualifiedOnly binds an expression of ON CONFLICT, where a bare column is the
// target's although EXCLUDED has it too.
func (b *Binder) qualifiedOnly(x syntax.Expr, s *Scope) {
	b.expr(x, b.stand(s, visible{0, 1}, inSelect))
}

// stand gives where the names of a clause stand.
func (b *Binder) stand(s *Scope, v visible, at place) *standing {
	st := b.standings.Next()
	*st = standing{s, v, at, b.routines > 0}
	return st
}

// all is stand for a clause that sees all sources of its scope.
func (b *Binder) all(s *Scope, at place) *standing { return b.stand(s, visible{0, everySource}, at) }

// everySource is more than a scope has.
const everySource = 1 << 30

// assignments binds what SET gives to columns.
func (b *Binder) assignments(set []*syntax.Assign, s *Scope) {
	at := b.all(s, inSelect)
	for _, a := range set {
		b.queriesIn(a.Target, s)
		b.expr(a.Value, at)
	}
}

// expr binds the names of an expression, where there is one, and the queries inside it.
func (b *Binder) expr(x syntax.Expr, at *standing) {
	if x != nil {
		b.visit(x, at)
	}
}

// queriesIn binds the queries in what names no columns of its own: targets, units,
// types.
func (b *Binder) queriesIn(n syntax.Node, s *Scope) {
	if n == nil || n.Kind() == syntax.KindName {
		return
	}
	syntax.Inspect(n, func(n syntax.Node) bool {
		q, ok := n.(*syntax.Query)
		if ok {
			b.query(q, s, s.ctes)
		}
		return !ok
	})
}

// rowLimit binds the queries in a row limit.
func (b *Binder) rowLimit(l *syntax.Limit, s *Scope) {
	if l != nil {
		if l.Count != nil {
			b.queriesIn(l.Count, s)
		}
		if l.Offset != nil {
			b.queriesIn(l.Offset, s)
		}
	}
}

func (b *Binder) visit(n syntax.Node, at *standing) {
	switch n := n.(type) {
	case *syntax.Name:
		b.name(n, at)
		return
	case *syntax.Query:
		b.query(n, at.scope, at.scope.ctes)
		return
	case *syntax.Call:
		at.scope.Calls = append(at.scope.Calls, n)
		if len(n.Args) > 1 && skipsUnit(b.info.FunctionName(n)) {
			b.queriesIn(n.Args[0], at.scope)
			for _, a := range n.Args[1:] {
				b.visit(a, at)
			}
			return
		}
		if namesNoColumn(b.info.FunctionName(n)) {
			b.queriesIn(n, at.scope)
			return
		}
	case *syntax.TypeName:
		b.queriesIn(n, at.scope)
		return
	case *syntax.OuterMark:
		at.scope.Marked = true
	case *syntax.Literal:
		return
	case *syntax.Paren:
		b.visit(n.X, at)
		return
	case *syntax.Binary:
		if syntax.Chained(n.X) == nil {
			b.visit(n.X, at)
			b.visit(n.Y, at)
			return
		}
	}
	if syntax.Chained(n) != nil {
		b.chain(n, at)
		return
	}
	syntax.Children(n, func(c syntax.Node) { b.visit(c, at) })
}

// chain binds a chain of operators from the left, in a loop: it may be longer than the
// stack is deep.
func (b *Binder) chain(n syntax.Node, at *standing) {
	from := len(b.spine)
	for part := syntax.Chained(n); part != nil; part = syntax.Chained(n) {
		b.spine = append(b.spine, n)
		n = part
	}
	for b.visit(n, at); len(b.spine) > from; {
		above := b.spine[len(b.spine)-1]
		b.spine = b.spine[:len(b.spine)-1]
		if binary, ok := above.(*syntax.Binary); ok {
			b.visit(binary.Y, at)
			continue
		}
		part := syntax.Chained(above)
		syntax.Children(above, func(c syntax.Node) {
			if c != part {
				b.visit(c, at)
			}
		})
	}
}

// skipsUnit reports whether the first argument of a function is a unit such as
// MONTH and no column.
func skipsUnit(function string) bool {
	switch function {
	case "dateadd", "datediff_big", "datepart", "datename", "timestampdiff", "timestampadd", "datetrunc", "date_bucket":
		return true
	}
	return false
}

// namesNoColumn reports whether the arguments of a function name other things
// than columns: sequences, formats.
func namesNoColumn(function string) bool {
	switch function {
	case "nextval", "lastval", "setval", "get_format", "weight_string":
		return true
	}
	return false
}

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
	if len(n.Parts) > 1 {
		b.qualified(n, at)
		b.share(n)
		return
	}
	if !n.Parts[0].Quoted && isUnit(word.Word(n.Parts[0].Sym)) && b.isDateDiff(n) {
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
		fields := b.info.Dialect == dialect.Spark
		if b.routines == 0 && (len(n.Parts) > 2 && !fields && b.hidesName(s, n.Qualifier().Sym) || len(n.Parts) == 2 && fields && isNoColumn(s, n.Qualifier().Sym)) {
			u.Status = NoSource
			return
		}
		if len(n.Parts) == 2 && b.tells() && !isPseudoSource(b.info.Names.String(n.Qualifier().Sym)) && !isSequenceValue(word.Word(n.Last().Sym)) {
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
	default:
		u.Status, u.candidates, u.Outer = Missing, &[]*Source{src}, outer
	}
}

// tells reports whether names that are nothing known are told apart from those
// that may be anything: not in routines, which have variables, nor where rows
// have fields that names reach into.
func (b *Binder) tells() bool { return b.routines == 0 && b.info.Dialect != dialect.Spark }

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
		return name == "rowid" || name == "ora_rowscn" || name == "column_value" || name == "object_value"
	case dialect.MySQL, dialect.MariaDB:
		return name == "row_start" || name == "row_end" || name == "_rowid"
	case dialect.SQLServer:
		return strings.HasPrefix(name, "$")
	}
	return false
}

// isDateDiff reports whether a unit stands as the first of three arguments of
// DATEDIFF; of two it would be a column.
func (b *Binder) isDateDiff(n *syntax.Name) bool {
	c, ok := b.info.Parent(n).(*syntax.Call)
	return ok && b.info.FunctionName(c) == "datediff" && (len(c.Args) == 3 || b.info.Dialect == dialect.SQLServer) && len(c.Args) > 0 && c.Args[0] == syntax.Expr(n)
}

func isUnit(w word.Word) bool {
	switch w {
	case word.Year, word.Quarter, word.Month, word.Week, word.Day, word.Hour, word.Minute, word.Second, word.Microsecond:
		return true
	}
	return false
}

// resolve looks an unqualified name up, by the rules of its clause.
func (b *Binder) resolve(p pending) Use {
	sym := p.name.Parts[0].Sym
	sel, _ := p.scope.Node.(*syntax.Select)
	if p.place == inOrderBy && sel != nil {
		if _, direct := b.info.Above(p.name).(*syntax.OrderItem); direct {
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
	if src, outer := p.scope.source(sym); src != nil && b.info.Dialect.Has(dialect.RowNames) {
		return Use{Status: Builtin, Scope: p.scope, Source: src, Outer: outer}
	}
	if !p.name.Parts[0].Quoted && (isBuiltin(word.Word(sym)) || b.isSystemColumn(sym)) {
		return Use{Status: Builtin, Scope: p.scope}
	}
	if u.Status == Missing && b.info.Dialect.Has(dialect.ExecutedComments) {
		for at := p.scope.Parent; at != nil; at = at.Parent {
			if at.Item(sym) != nil {
				u.Status = Unclear // a subquery of the list sees aliases there
			}
		}
	}
	if u.Status == Missing && p.routine {
		u.Status = Variable
	} else if u.Status == Missing && p.name.Parts[0].Quoted && b.info.Dialect == dialect.SQLite || u.Status == Assumed && p.routine {
		u = Use{Status: Unclear, Scope: p.scope} // perhaps a variable; text in double quotes
	}
	if sel != nil && b.seesAliases(p.place) && u.Status != Resolved {
		_, nested := b.info.Parent(p.name).(syntax.Expr)
		if item := p.scope.Item(sym); item != nil && isSeen(item, p) && (u.Status == Missing && !(nested && b.info.Dialect == dialect.Postgres) || p.place != inOrderBy && !(nested && p.place == inGroupBy)) {
			return Use{Status: OutputAlias, Scope: p.scope, Item: item}
		}
	}
	return u
}

// isSeen reports whether a name may mean an output column: within the select list only
// one that stands before it, so that no column is made of itself.
func isSeen(item *syntax.SelectItem, p pending) bool {
	return p.place != inSelect || item.Span().End <= p.name.Span().Start
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
	for _, item := range s.Items {
		if b.outputSym(item) == sym {
			return item
		}
	}
	return nil
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
