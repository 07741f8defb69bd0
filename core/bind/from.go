package bind

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// cteScope is a list of the common table expressions that can be seen, the
// nearest first.
type cteScope struct {
	sym      syntax.Sym
	query    *syntax.Query // nil within itself
	anchor   *syntax.SetOp // of one that sees itself: its left branch names the columns
	columns  []Output
	complete bool
	extended bool // SEARCH or CYCLE adds columns
	next     *cteScope
	depth    int       // how many can be seen from here
	jump     *cteScope // one of them further on
}

// put adds an expression before those that can be seen.
func (b *Binder) put(c cteScope) *cteScope {
	entry := b.ctes.Next()
	*entry = c
	entry.depth = 1
	if n := c.next; n != nil {
		entry.depth, entry.jump = n.depth+1, n
		// Jumps as long as the two before together, so that any depth is reached in a
		// logarithm of steps.
		if j := n.jump; j != nil && j.jump != nil && n.depth-j.depth == j.depth-j.jump.depth {
			entry.jump = j.jump
		}
	}
	if b.byName == nil {
		b.byName = map[syntax.Sym][]*cteScope{}
	}
	b.byName[c.sym] = append(b.byName[c.sym], entry)
	return entry
}

// at gives the expression of a depth among those that can be seen from c.
func (c *cteScope) at(depth int) *cteScope {
	for c.depth > depth {
		if c.jump.depth >= depth {
			c = c.jump
		} else {
			c = c.next
		}
	}
	return c
}

// expression finds the innermost of a name that can be seen.
func (b *Binder) expression(c *cteScope, sym syntax.Sym) *cteScope {
	if c == nil {
		return nil
	}
	named := b.byName[sym]
	for i := len(named) - 1; i >= 0; i-- {
		if e := named[i]; e.depth <= c.depth && c.at(e.depth) == e {
			return e
		}
	}
	return nil
}

// with binds the CTEs of a WITH clause and gives the list with them.
func (b *Binder) with(w *syntax.With, outer *Scope, ctes *cteScope) *cteScope {
	if w == nil {
		return ctes
	}
	for _, c := range w.CTEs {
		entry := b.put(cteScope{sym: c.Name.Sym, next: ctes})
		if c.Query == nil {
			b.statement(c.Stmt, outer, ctes)
			ctes = entry
			continue
		}
		// The CTE sees itself, with the columns of a written list or, once it is bound, of
		// its first branch; where it is no recursion the name means the table outside.
		self := ctes
		_, union := c.Query.Body.(*syntax.SetOp)
		if w.Recursive || union && b.info.Dialect.Has(dialect.ImplicitRecursion) {
			mark := b.outputs.Mark()
			for _, id := range c.Columns {
				b.outputs.Push(Output{Sym: id.Sym})
			}
			self = b.put(cteScope{sym: entry.sym, next: ctes, columns: b.outputs.Take(mark), complete: len(c.Columns) > 0 && !c.Extended, extended: c.Extended})
			if len(c.Columns) == 0 {
				self.anchor = firstUnion(c.Query.Body)
			}
		}
		columns, complete := b.query(c.Query, outer, self)
		entry.query = c.Query
		entry.columns, entry.complete = b.rename(columns, complete, c.Columns)
		entry.complete = entry.complete && !c.Extended
		ctes = entry
	}
	return ctes
}

// firstUnion gives the set operation that a chain of them begins with, nil if there is none.
func firstUnion(body syntax.Body) *syntax.SetOp {
	var first *syntax.SetOp
	for {
		op, ok := body.(*syntax.SetOp)
		if !ok {
			return first
		}
		first, body = op, op.Left
	}
}

// rename gives the columns of a query the names of a list. Where not all columns
// are known, those of the list are: which of them are which cannot be told.
func (b *Binder) rename(columns []Output, complete bool, names []syntax.Ident) ([]Output, bool) {
	if len(names) == 0 {
		return columns, complete
	}
	if !complete {
		mark := b.outputs.Mark()
		for _, id := range names {
			b.outputs.Push(Output{Sym: id.Sym})
		}
		return b.outputs.Take(mark), true
	}
	columns = b.outputs.Copy(columns) // the query's own stay as they are
	for i := range min(len(columns), len(names)) {
		columns[i].Sym = names[i].Sym
	}
	return columns, true
}

// from binds the FROM clause: its tables become sources of the scope.
func (b *Binder) from(f *syntax.From, s *Scope) {
	if f != nil {
		b.tables(s, f.Tables...)
	}
}

// tables binds tables that stand side by side.
func (b *Binder) tables(s *Scope, tables ...syntax.TableExpr) {
	from := len(b.later)
	for _, t := range tables {
		b.table(t, s)
	}
	if len(b.later) > from {
		at := b.all(s, inOn)
		for _, on := range b.later[from:] {
			b.visit(on, at)
		}
	}
	b.later = b.later[:from]
}

func (b *Binder) table(t syntax.TableExpr, s *Scope) {
	switch t := t.(type) {
	case *syntax.TableRef:
		b.tableRef(t, s)
	case *syntax.Derived:
		// What LATERAL adds to see is the scope itself.
		outer, around, limit := s.Parent, b.lateral, b.limit
		if t.Lateral || IsApplied(b.info.Parent(t)) {
			outer, b.lateral, b.limit = s, s, int32(len(s.Sources))
		}
		columns, complete := b.query(t.Query, outer, s.ctes)
		b.lateral, b.limit = around, limit
		columns, complete = b.rename(columns, complete, t.Columns)
		src := b.source(t, t.Alias)
		src.Complete, src.Query = complete, t.Query
		b.add(s, src, columns)
	case *syntax.FuncTable:
		before := b.stand(s, visible{0, len(s.Sources)}, inSelect)
		for _, c := range t.Calls {
			b.visit(c, before)
		}
		name := t.Alias
		if name.IsZero() && len(t.Calls) > 0 {
			if call, ok := t.Calls[0].(*syntax.Call); ok {
				name = call.Name[len(call.Name)-1]
			}
		}
		src := b.source(t, name)
		src.Complete = b.listsAll(t)
		b.add(s, src, nil)
		for _, id := range t.Columns {
			src.add(Column{Sym: id.Sym, Index: -1})
		}
	case *syntax.ParenTable:
		if t.Alias.IsZero() {
			b.table(t.Table, s)
			break
		}
		b.tables(b.open(t, s.Parent, s.ctes), t.Table) // the alias hides the names inside
		b.add(s, b.source(t, t.Alias), nil)
	case *syntax.Join:
		b.join(t, s)
	case *syntax.BadTable:
		b.add(s, b.source(t, syntax.Ident{}), nil)
	}
}

// listsAll reports whether the names behind a function in FROM are those of all its columns.
func (b *Binder) listsAll(t *syntax.FuncTable) bool {
	if t.Typed || len(t.Columns) == 0 || len(t.Calls) != 1 {
		return t.Typed
	}
	call, ok := t.Calls[0].(*syntax.Call)
	if !ok || len(call.Name) != 1 || b.info.Dialect != dialect.Postgres {
		return false
	}
	width := 0
	switch b.info.Names.String(call.Name[0].Sym) {
	case "generate_series", "generate_subscripts", "regexp_split_to_table", "string_to_table", "json_object_keys", "jsonb_object_keys",
		"json_array_elements", "jsonb_array_elements", "json_array_elements_text", "jsonb_array_elements_text":
		width = 1
	case "json_each", "jsonb_each", "json_each_text", "jsonb_each_text":
		width = 2
	case "unnest":
		for _, x := range call.Args {
			array, ok := syntax.Unparen(x).(*syntax.Array)
			if !ok || len(array.Items) == 0 || !isConstant(array.Items[0]) {
				return false // of rows it gives all their fields
			}
			width++
		}
	default:
		return false
	}
	if t.Ordinality {
		width++
	}
	return len(t.Columns) == width
}

func isConstant(x syntax.Expr) bool {
	_, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok
}

// IsApplied reports whether what stands below a node is the right side of APPLY, which sees
// the sources before it.
func IsApplied(parent syntax.Node) bool {
	j, ok := parent.(*syntax.Join)
	return ok && (j.Type == syntax.CrossApply || j.Type == syntax.OuterApply)
}

func (b *Binder) source(n syntax.TableExpr, name syntax.Ident) *Source {
	src := b.sources.Next()
	*src = Source{Node: n, Name: name, Columns: src.Columns[:0], columns: &b.columns, firstOfTwins: b.info.Dialect == dialect.SQLite,
		namedByType: b.info.Dialect == dialect.Postgres}
	return src
}

func (b *Binder) add(s *Scope, src *Source, columns []Output) {
	src.Scope, src.Index = s, len(s.Sources)
	for _, c := range columns {
		src.add(Column{Sym: c.Sym, Index: -1, X: c.X})
	}
	s.Sources = append(s.Sources, src)
}

func (b *Binder) tableRef(t *syntax.TableRef, s *Scope) {
	last := t.Name[len(t.Name)-1]
	src := b.source(t, last)
	if !t.Alias.IsZero() {
		src.Name = t.Alias
	}
	if len(t.Name) == 1 {
		if c := b.expression(s.ctes, last.Sym); c != nil {
			columns, complete := b.rename(c.columns, c.complete, t.Columns)
			src.Complete, src.Query = complete, c.query
			b.add(s, src, columns)
			return
		}
	}
	b.add(s, src, nil)
	if b.schema == nil {
		return
	}
	if f := b.lookUp(t); f.table != nil {
		src.table, src.Complete, src.names, src.Quoted = f.table, f.table.Complete, f.names, f.quoted
		if len(t.Columns) > 0 { // other names, so all of them
			for i, sym := range src.names {
				if i < len(t.Columns) {
					sym = t.Columns[i].Sym
				}
				src.add(Column{Sym: sym, Index: i})
			}
			src.names = nil
		}
		return
	}
	if b.info.Src[last.Span.Start] == '(' {
		return // a query or a folder in the place of a table
	}
	src.Later = b.definedLater(t)
	src.Unknown = !src.Later && !b.inRecursion(t) && b.schema.IsWhole() && b.tells() && !b.isSystemTable(t) && !b.isRelation(t)
}

// isRelation reports whether FROM takes what is no table: a sequence, be it one that
// PostgreSQL makes for a column, and what else the schema knows by its name alone.
func (b *Binder) isRelation(t *syntax.TableRef) bool {
	name := b.info.Names.String(t.Name[len(t.Name)-1].Sym)
	return b.schema.HasRelation(name) || b.info.Dialect == dialect.Postgres && strings.HasSuffix(name, "_seq")
}

// inAnyOrder are the dialects whose WITH RECURSIVE lets an expression name a later one.
var inAnyOrder = dialect.In(dialect.ANSI, dialect.Postgres, dialect.MariaDB, dialect.SQLite)

// definedLater reports whether a WITH clause around a table defines its name,
// though not where the table can see it.
func (b *Binder) definedLater(t *syntax.TableRef) bool {
	if len(t.Name) != 1 {
		return false
	}
	for n := b.info.Nearest(t, withs); n != nil; n = b.info.Nearest(n, withs) {
		if w := n.(*syntax.With); (!w.Recursive || !inAnyOrder.Has(b.info.Dialect)) && b.defines(w, t.Name[0].Sym) {
			return true
		}
	}
	return false
}

// defines reports whether a WITH clause has an expression of the name. It is asked of many
// tables, so the names of a long clause are listed once.
func (b *Binder) defines(w *syntax.With, sym syntax.Sym) bool {
	if len(w.CTEs) <= shortList {
		return slices.ContainsFunc(w.CTEs, func(c *syntax.CTE) bool { return c.Name.Sym == sym })
	}
	names := b.namesOf[w]
	if names == nil {
		names = make(map[syntax.Sym]bool, len(w.CTEs))
		for _, c := range w.CTEs {
			names[c.Name.Sym] = true
		}
		if b.namesOf == nil {
			b.namesOf = map[*syntax.With]map[syntax.Sym]bool{}
		}
		b.namesOf[w] = names
	}
	return names[sym]
}

// inRecursion reports whether a table is one of WITH RECURSIVE around it: MariaDB and
// PostgreSQL let one expression name a later one.
func (b *Binder) inRecursion(t *syntax.TableRef) bool {
	for n := b.info.Nearest(t, withs); n != nil; n = b.info.Nearest(n, withs) {
		if w := n.(*syntax.With); w.Recursive && len(t.Name) == 1 && b.defines(w, t.Name[0].Sym) {
			return true
		}
	}
	return false
}

var withs = syntax.Kinds(syntax.KindWith)

// isSystemTable reports whether a table may be one that the database has of its
// own, or one that no definition in the text would show.
func (b *Binder) isSystemTable(t *syntax.TableRef) bool {
	names := b.info.Names
	if len(t.Name) > 1 && !b.schema.HasQualifier(names.String(t.Name[len(t.Name)-2].Sym)) {
		return true // of another database
	}
	last := names.String(t.Name[len(t.Name)-1].Sym)
	if len(t.Name) > 1 {
		switch names.String(t.Name[len(t.Name)-2].Sym) {
		case "information_schema", "pg_catalog", "mysql", "sys", "performance_schema", "sqlite", "temp", "tempdb", "pg_temp", "master", "msdb":
			return true
		}
	}
	if c := b.info.Src[t.Name[0].Span.Start]; c == '@' || c == ':' || c == '$' || c == '&' || c == '?' || c == '{' || c == '#' || c == '%' {
		return true
	}
	switch last {
	case "dual", "inserted", "deleted", "new", "old", "excluded", "generate_series":
		return true
	}
	for _, prefix := range []string{"pg_", "sqlite_", "pragma_", "all_", "user_", "dba_", "v$", "gv$", "json_", "seq_"} {
		if strings.HasPrefix(last, prefix) {
			return true
		}
	}
	return false
}

// found is a table of the schema with the names of its columns; nil if there is none.
type found struct {
	table  *schema.Table
	names  []syntax.Sym
	quoted bool // some column is found only in quotes
}

// lookUp finds the schema's table that a reference names. Those without a qualifier
// are kept until the schema changes.
func (b *Binder) lookUp(t *syntax.TableRef) found {
	if !b.schema.HasTables() {
		return found{}
	}
	last := t.Name[len(t.Name)-1].Sym
	if len(t.Name) > 1 {
		return b.describe(b.schema.Table(b.info.Names.String(t.Name[len(t.Name)-2].Sym), b.info.Names.String(last)))
	}
	if b.changes != b.schema.Changes() {
		clear(b.found)
		b.changes = b.schema.Changes()
	}
	f, ok := b.found[last]
	if !ok {
		f = b.describe(b.schema.Table("", b.info.Names.String(last)))
		b.found[last] = f
	}
	return f
}

func (b *Binder) describe(t *schema.Table) found {
	if t == nil {
		return found{}
	}
	return found{t, b.tableColumns(t), t.HasQuoted()}
}

// columnNames are the names of a table's columns, as they were when the schema had seen so
// many changes.
type columnNames struct {
	syms    []syntax.Sym
	changes int
}

func (b *Binder) tableColumns(t *schema.Table) []syntax.Sym {
	known, ok := b.names[t]
	if ok && known.changes == b.schema.Changes() {
		return known.syms
	}
	syms := make([]syntax.Sym, len(t.Columns)) // anew: those of before are in use
	for i := range t.Columns {
		syms[i] = b.info.Names.Intern([]byte(t.Columns[i].Name))
	}
	b.names[t] = columnNames{syms, b.schema.Changes()}
	return syms
}

func (b *Binder) join(j *syntax.Join, s *Scope) {
	var room [8]*syntax.Join
	spine := append(room[:0], j) // a chain of joins may be longer than the stack is deep
	for {
		left, ok := spine[len(spine)-1].Left.(*syntax.Join)
		if !ok {
			break
		}
		spine = append(spine, left)
	}
	from := len(s.Sources)
	b.table(spine[len(spine)-1].Left, s)
	optional := from // the sources before it are
	for i := len(spine) - 1; i >= 0; i-- {
		j, middle := spine[i], len(s.Sources)
		b.table(j.Right, s)
		switch j.Type {
		case syntax.LeftJoin, syntax.OuterApply:
			b.makeRestOptional(s, middle)
		case syntax.RightJoin:
			makeOptional(s.Sources[optional:middle])
			optional = middle
		case syntax.FullJoin:
			makeOptional(s.Sources[optional:])
			optional = len(s.Sources)
		}
		s.Natural = s.Natural || j.Natural
		s.Coalesced = s.Coalesced || j.Type == syntax.RightJoin || j.Type == syntax.FullJoin
		learning := s.Sources[middle:]
		if middle-from == 1 {
			learning = s.Sources[from:]
		}
		for _, id := range j.Using {
			s.Merged = append(s.Merged, id.Sym)
			for _, src := range learning {
				src.column(id.Sym)
			}
		}
		if !j.Alias.IsZero() {
			s.Joined = append(s.Joined, j.Alias.Sym)
		}
		switch {
		case j.On == nil:
		case b.info.Dialect == dialect.SQLite: // which lets ON see all of FROM
			b.later = append(b.later, j.On)
		default:
			b.visit(j.On, b.stand(s, visible{from, len(s.Sources)}, inOn))
		}
	}
}

// makeRestOptional makes the sources from one on optional. Those of a join within are so already.
func (b *Binder) makeRestOptional(s *Scope, from int) {
	to, done := len(s.Sources), &b.optional
	if done.scope == s && done.to == to && done.from >= from {
		to = done.from
	}
	makeOptional(s.Sources[from:to])
	done.scope, done.from, done.to = s, from, len(s.Sources)
}

func makeOptional(sources []*Source) {
	for _, s := range sources {
		s.Optional = true
	}
}
