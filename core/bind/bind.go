package bind

import (
	"hash/maphash"
	"slices"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/slab"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Binder binds one statement after another. It is not safe for use by several
// goroutines.
type Binder struct {
	info     *Info // of the statement in hand
	stmt     *syntax.Statement
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
	// partial tells that the statement may have sources that do not stand in it.
	partial  bool
	declared declaration
	// arrows tells that the statement may have lambdas, and lambda are the parameters of those
	// around the expression in hand (Spark).
	arrows bool
	lambda []syntax.Sym
	// lateral is the scope of which the lateral query in hand sees as many sources as limit
	// says.
	lateral *Scope
	limit   int32

	// What one statement needs, used again for the next.
	scopes    slab.Pool[Scope]
	sources   slab.Pool[Source]
	columns   slab.Slab[Column]
	ctes      slab.Slab[cteScope]
	standings slab.Slab[standing]
	byName    map[syntax.Sym][]*cteScope           // in the order of the text
	namesOf   map[*syntax.With]map[syntax.Sym]bool // those that long WITH clauses give
	outputs   slab.Builder[Output]
	starred   int // columns of stars in the statement
	starRoom  int // for those of the select list in hand
	held      int // columns of stars in the statements bound since Bind
	// optional are the last sources of a scope that were made so, from one up to another.
	optional struct {
		scope    *Scope
		from, to int
	}
	spine []syntax.Node // the chain in hand
	later []syntax.Expr // conditions of joins that see what comes behind them
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
	b.held = 0
	return b.More(stmt)
}

// IsFull reports that what is kept since Bind is more than is good for a processor's cache: stars of
// wide tables are large, however short their statements are.
func (b *Binder) IsFull() bool { return b.held > mostStarred }

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
	in.comments = stmt.Comments
	b.pending, b.spine = b.pending[:0], b.spine[:0]
	clear(b.byName)
	b.optional.scope = nil
	clear(b.namesOf)
	b.routines, b.lateral, b.partial, b.starred = 0, nil, len(stmt.Open) > 0, 0
	b.arrows = in.Dialect == dialect.Spark && slices.ContainsFunc(stmt.Tokens, func(t syntax.Token) bool { return t.Kind == syntax.ArrowOperator })
	b.lambda = b.lambda[:0]
	b.stmt = stmt
	clear(b.declared.names)
	syntax.Link(stmt.Node, in.parents)
	if stmt.Nodes > manyNodes {
		b.makeRoom(stmt.Node)
	}
	b.statement(stmt.Node, nil, nil)
	for _, p := range b.pending {
		*b.use(p.name) = b.hidden(p, b.resolve(p))
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
	*s = Scope{Node: node, Index: len(b.info.Scopes), Parent: parent, limit: -1, ctes: ctes, Sources: s.Sources[:0], Merged: s.Merged[:0], Joined: s.Joined[:0], Calls: s.Calls[:0], Bare: s.Bare[:0]}
	if parent != nil && parent == b.lateral {
		s.limit = b.limit
	}
	b.info.Scopes = append(b.info.Scopes, s)
	b.info.places[node.ID()] = int32(len(b.info.Scopes))
	return s
}

func (b *Binder) statement(n syntax.Stmt, outer *Scope, ctes *cteScope) {
	switch n := n.(type) {
	case *syntax.SelectStmt:
		b.query(n.Query, outer, ctes)
	case *syntax.CreateTable:
		b.createTable(n)
	case *syntax.AlterTable:
		b.alterTable(n)
	case *syntax.CreateIndex:
		b.createIndex(n)
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
		b.declare(n)
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
		if b.info.Dialect == dialect.SQLite { // "RETURNING", limitations: of the table written to only
			at = b.stand(s, visible{0, 1}, inSelect)
		}
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
		if sel := n.Query.Select(); sel != nil {
			around = b.info.Scope(sel)
		}
	}
	c := b.open(n, around, ctes)
	b.info.places[n.ID()] = int32(s.Index + 1)
	b.table(n.Table, c)
	given := syntax.Ident{Sym: b.excluded}
	if !n.RowAlias.IsZero() {
		given = n.RowAlias
	}
	excluded := b.source(nil, given)
	b.add(c, excluded, nil)
	twice := b.info.Dialect == dialect.Postgres
	if target := c.Sources[0]; twice && len(c.Sources) == 2 { // a row of the same columns
		excluded.table, excluded.Complete, excluded.names, excluded.Quoted = target.table, target.Complete, target.names, target.Quoted
	}
	for _, a := range n.Conflict {
		b.queriesIn(a.Target, c)
		if chain, and := a.Value.(*syntax.Binary); (twice || len(n.RowColumns) > 0) && !(and && chain.Op == syntax.OpAnd) { // where a comma was meant
			b.expr(a.Value, b.all(c, inSelect))
			continue
		}
		b.qualifiedOnly(a.Value, c)
	}
	if n.Where == nil {
		return
	}
	if twice {
		b.expr(n.Where.Cond, b.all(c, inWhere))
		return
	}
	b.qualifiedOnly(n.Where.Cond, c)
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
		if len(n.Args) > 0 && b.skipsUnit(n) {
			b.queriesIn(n.Args[0], at.scope)
			for _, a := range n.Args[1:] {
				b.visit(a, at)
			}
			return
		}
		if len(n.Args) == 3 && b.info.Dialect == dialect.Oracle && b.info.FunctionName(n) == "vector_distance" { // whose last argument says how
			b.visit(n.Args[0], at)
			b.visit(n.Args[1], at)
			return
		}
		if namesNoColumn(b.info.FunctionName(n)) {
			b.queriesIn(n, at.scope)
			return
		}
		if b.arrows {
			b.arguments(n, at)
			return
		}
	case *syntax.TypeName:
		b.queriesIn(n, at.scope)
		return
	case *syntax.OuterMark:
		at.scope.Marked = true
	case *syntax.In:
		if n.Other != nil && b.namesTable(n, n.Other) {
			b.visit(n.X, at)
			return
		}
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
			if c != part && !b.namesTable(above, c) {
				b.visit(c, at)
			}
		})
	}
}

// namesTable reports whether a part of a node is the table of SQLite's x IN table.
func (b *Binder) namesTable(n, part syntax.Node) bool {
	in, ok := n.(*syntax.In)
	if !ok || b.info.Dialect != dialect.SQLite || in.Other == nil || part != syntax.Node(in.Other) {
		return false
	}
	_, name := part.(*syntax.Name)
	return name
}

// arguments binds the arguments of a call of which some may be lambdas: x -> x + 1, or
// (x, y) -> x + y. Their parameters are no columns within them.
func (b *Binder) arguments(c *syntax.Call, at *standing) {
	syntax.Children(c, func(n syntax.Node) {
		around := len(b.lambda)
		syntax.Inspect(n, func(n syntax.Node) bool {
			arrow, ok := n.(*syntax.Binary)
			if ok && text.View(b.info.Src, arrow.OpSpan) == "->" {
				syntax.Inspect(arrow.X, func(n syntax.Node) bool {
					if name, ok := n.(*syntax.Name); ok && len(name.Parts) == 1 {
						b.lambda = append(b.lambda, name.Parts[0].Sym)
					}
					return true
				})
			}
			_, call := n.(*syntax.Call)
			return !call // which has lambdas of its own
		})
		b.visit(n, at)
		b.lambda = b.lambda[:around]
	})
}

// skipsUnit reports whether the first argument of a call is a unit such as MONTH, or DD of SQL
// Server, and no column.
func (b *Binder) skipsUnit(c *syntax.Call) bool {
	switch b.info.FunctionName(c) {
	case "datediff", "date_diff", "date_add": // of two arguments elsewhere
		return len(c.Args) == 3 || b.info.Dialect == dialect.SQLServer
	case "xmlelement": // its name
		return true
	case "identity": // of SELECT … INTO: its type
		return b.info.Dialect == dialect.SQLServer
	case "dateadd", "datediff_big", "datepart", "datename", "timestampdiff", "timestampadd", "datetrunc", "date_bucket":
		return true
	}
	return false
}

// namesNoColumn reports whether the arguments of a function name other things
// than columns: sequences, formats.
func namesNoColumn(function string) bool {
	switch function {
	case "nextval", "lastval", "setval", "get_format", "weight_string",
		"openrowset", "openquery", "opendatasource", "changetable", "containstable", "freetexttable": // tables and servers
		return true
	}
	return false
}
