package schema

import (
	"fmt"
	"reflect"
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/dialect/word"
	"justlens/core/fault"
	"justlens/core/syntax"
	"justlens/core/text"
)

// Apply adds what a statement creates, changes or drops, and reports whether it
// is such a statement. What src holds is copied as far as it is kept. Where
// something could not be applied the reason is in s.Problems.
func (s *Schema) Apply(stmt *syntax.Statement, src []byte) bool {
	applied, a := s.apply(stmt.Node, src), applier{src: src, schema: s}
	if !applied {
		a.reach(stmt)
	} else if !readWhole(stmt) {
		a.openMade(stmt.Node)
	}
	return applied
}

// readWhole reports whether all that a statement says was read.
func readWhole(stmt *syntax.Statement) bool {
	return !stmt.Cut && len(stmt.Open) == 0 && !slices.ContainsFunc(stmt.Errors, func(e syntax.Error) bool {
		switch e.Kind {
		case syntax.UnexpectedError, syntax.UnclosedError, syntax.UnbalancedError, syntax.DeepError, syntax.TemplateError:
			return true
		}
		return false
	})
}

// openMade takes it that what a statement made or changed has more columns than were read.
func (a applier) openMade(stmt syntax.Stmt) {
	var name []syntax.Ident
	switch n := stmt.(type) {
	case *syntax.CreateTable:
		name = n.Name
	case *syntax.CreateView:
		name = n.Name
	case *syntax.AlterTable:
		name = n.Name
	}
	if t := a.find(name); t != nil {
		a.leaveOpen(t)
	}
}

func (s *Schema) apply(stmt syntax.Stmt, src []byte) bool {
	a := applier{src: src, schema: s}
	switch n := stmt.(type) {
	case *syntax.CreateTable:
		a.createTable(n)
	case *syntax.CreateView:
		a.createView(n)
	case *syntax.CreateIndex:
		a.createIndex(n)
	case *syntax.CreateType:
		a.createType(n)
	case *syntax.AlterTable:
		a.alterTable(n)
	case *syntax.Drop:
		a.drop(n)
	case *syntax.Control: // RENAME TABLE of several
		applied := false
		for _, one := range n.Stmts {
			if rename, ok := one.(*syntax.AlterTable); ok {
				applied = s.apply(rename, src) || applied
			}
		}
		return applied
	case *syntax.Routine:
		if len(n.Name) > 0 {
			s.putRoutine(a.text(n.Name[len(n.Name)-1]))
		}
		return false // it is no table
	case *syntax.SelectStmt:
		return a.selectInto(n)
	case *syntax.Delete:
		if EmptiesTable(n) {
			a.empty(n.From.Tables[0].(*syntax.TableRef).Name)
		}
		return false
	case *syntax.OtherStmt:
		statement := a.span(n.Span())
		switch first := firstWord(statement); {
		case first == "drop":
			a.dropSchema(statement)
		case first == "commit":
			s.changed = nil
		case first == "rollback", first == "abort":
			a.undo()
		case leaves(statement):
			if to, within, ok := a.goesTo(statement); ok {
				a.leave(to, within)
			} else {
				s.forget()
			}
		}
		s.conversions = s.conversions || createsConversion(statement)
		if on, ok := setsNumbers(statement); ok {
			s.givenNumbers = on
		}
		return false
	default:
		return false
	}
	return true
}

// EmptiesTable reports whether DELETE leaves its table without rows.
func EmptiesTable(n *syntax.Delete) bool {
	if n.Where != nil || n.Limit != nil || n.Using != nil || n.From == nil || len(n.From.Tables) != 1 || len(n.Targets) > 0 {
		return false
	}
	_, ok := n.From.Tables[0].(*syntax.TableRef)
	return ok
}

// empty notes that a table has no rows but those that the text gives it from here on.
func (a applier) empty(name []syntax.Ident) {
	t := a.find(name)
	if t == nil || a.schema.Makes(t) {
		return
	}
	own := a.schema.own(t)
	a.schema.make(own)
	if own != t {
		a.schema.put(own)
	}
}

// Load reads DDL text in a dialect. What could not be read or applied is told in
// s.Problems; everything else is in the schema.
func (s *Schema) Load(src []byte, d dialect.Dialect) {
	s.Add(src, d)
	s.Settle()
}

// Add is Load of one text of several, behind the last of which Settle follows.
func (s *Schema) Add(src []byte, d dialect.Dialect) {
	s.loadBy(syntax.NewParser(syntax.NewNames()), src, d)
}

// Settle works out what views over others have, once all that they are over is there.
func (s *Schema) Settle() {
	if caught := fault.Guard("working views out", s.settleViews); caught != nil {
		s.Problems = append(s.Problems, Problem{Message: caught.Error(), Fault: true})
	}
}

func (s *Schema) loadBy(p *syntax.Parser, src []byte, d dialect.Dialect) {
	s.dialect = d
	p.Reset(src, d)
	at := text.Pos(-1)
	for more := true; more; {
		var stmt *syntax.Statement
		caught := fault.Guard("reading definitions", func() {
			if stmt = p.Next(); stmt != nil {
				s.load(stmt, src)
			}
		})
		more = stmt != nil
		if caught == nil {
			continue
		}
		passed := text.Span{Start: at, End: at}
		if stmt != nil {
			passed = stmt.Span
		} else if again := fault.Guard("reading definitions", func() { passed = p.Skip() }); again == nil {
			more = passed.End > at
		}
		at = passed.End
		s.Problems = append(s.Problems, Problem{Span: passed, Message: caught.Error() + "; the statement is left out", Fault: true})
	}
	applier{src: src, schema: s}.comeHome()
}

func (s *Schema) load(stmt *syntax.Statement, src []byte) {
	for _, e := range stmt.Errors {
		expected := e.Expected
		if expected == "" {
			expected = e.Replace
		}
		if e.Kind == syntax.TemplateError {
			s.problem(e.Span, "what a template puts in is not known; the table has what could be read")
			continue
		}
		s.problem(e.Span, "expected %s, found %s; the statement is left out", expected, e.Found)
	}
	if !slices.ContainsFunc(stmt.Errors, func(e syntax.Error) bool { return e.Kind != syntax.TemplateError }) {
		s.Connect(stmt, src)
		s.Apply(stmt, src)
	}
}

// maxViewDepth bounds how many views may stand on each other.
const maxViewDepth = 16

// settleViews works the columns of views out again until nothing changes, for
// a view may stand in the text before what it reads.
func (s *Schema) settleViews() {
	p := syntax.NewParser(syntax.NewNames())
	for range maxViewDepth {
		changed := false
		for _, t := range s.Tables() {
			if !t.IsView || t.Complete && !slices.ContainsFunc(t.Columns, func(c Column) bool { return c.Type.Class == class.Unknown }) {
				continue
			}
			src := []byte(t.Query)
			p.Reset(src, s.dialect)
			stmt := p.Next()
			if stmt == nil {
				continue
			}
			query, ok := stmt.Node.(*syntax.SelectStmt)
			if !ok {
				continue
			}
			again, copied := t.clone(), s.copied
			again.Columns, again.Complete = applier{src: src, schema: s}.outputs(query.Query.Body)
			for i := range min(len(t.Columns), len(again.Columns)) {
				again.Columns[i].Name, again.Columns[i].Quoted = t.Columns[i].Name, t.Columns[i].Quoted
			}
			again.Complete = again.Complete || t.Complete
			s.copied = copied
			if len(again.Columns) >= len(t.Columns) && !reflect.DeepEqual(again, t) {
				s.copied += len(again.Columns) - len(t.Columns)
				s.put(again)
				changed = true
			}
		}
		if !changed {
			return
		}
	}
}

// Guess tells the dialect of DDL text in a file of the path, ANSI where nothing gives it away.
func Guess(path string, src []byte) dialect.Dialect {
	d, _ := syntax.Guess(path, src, syntax.NewNames())
	return d
}

func (s *Schema) problem(at text.Span, format string, args ...any) {
	s.Problems = append(s.Problems, Problem{Span: at, Message: fmt.Sprintf(format, args...)})
}

type applier struct {
	src    []byte
	schema *Schema
}

// text gives a name without its quotes.
func (a applier) text(id syntax.Ident) string {
	s := string(a.src[id.Span.Start:id.Span.End])
	if id.Quoted && len(s) >= 2 {
		closing := s[len(s)-1:]
		return strings.ReplaceAll(s[1:len(s)-1], closing+closing, closing)
	}
	return s
}

// exact reports whether a name is found only in quotes, as its letter case is
// another than that to which the database folds bare names.
func (a applier) exact(id syntax.Ident) bool {
	d := a.schema.dialect
	if !id.Quoted || d != dialect.Postgres && d != dialect.Oracle && d != dialect.ANSI {
		return false
	}
	name := a.text(id)
	if d.Has(dialect.FoldUpper) {
		return name != strings.ToUpper(name)
	}
	return name != strings.ToLower(name)
}

// span gives the text of a span on one line.
func (a applier) span(s text.Span) string {
	return strings.Join(strings.Fields(string(a.src[s.Start:s.End])), " ")
}

func (a applier) expr(x syntax.Expr) string { return a.span(x.Span()) }

// bare gives an expression without parentheses around the whole of it.
func (a applier) bare(x syntax.Expr) string { return a.expr(syntax.Unparen(x)) }

// find gives the table that a name of one or more parts means.
func (a applier) find(name []syntax.Ident) *Table {
	if len(name) == 0 {
		return nil
	}
	qualifier := ""
	if len(name) > 1 {
		qualifier = a.text(name[len(name)-2])
	}
	return a.schema.Table(qualifier, a.text(name[len(name)-1]))
}

func (a applier) named(name []syntax.Ident) *Table {
	last := name[len(name)-1]
	t := &Table{Name: a.text(last), Quoted: a.exact(last)}
	if len(name) > 1 {
		t.Qualifier = a.text(name[len(name)-2])
	}
	return t
}

func (a applier) createTable(n *syntax.CreateTable) {
	if len(n.Name) == 0 {
		return
	}
	if old := a.find(n.Name); n.IfNotExists && old != nil && !old.Gathered {
		return
	}
	t := a.named(n.Name)
	t.Temporary = n.Temporary || strings.HasPrefix(t.Name, "#")
	t.Complete = n.Query == nil && len(n.Columns) > 0 && n.Like == nil && !n.Inherits && n.PartitionOf == nil
	if old := a.find(n.Like); old != nil {
		t.Model = old.Name
		if a.copyColumns(t, old) {
			a.copyLike(t, old, n)
		}
	}
	if n.Inherits {
		a.inherit(t, n)
	}
	if whole := a.find(n.PartitionOf); whole != nil {
		a.takePart(t, whole)
	}
	inherited := len(t.Columns)
	renames := n.Query != nil && !slices.ContainsFunc(n.Columns, func(c *syntax.ColumnDef) bool { return c.Type != nil })
	if renames { // the list gives the query's columns other names
		var names []syntax.Ident
		for _, c := range n.Columns {
			names = append(names, c.Name)
		}
		a.queryColumns(t, n.Query, names)
		a.releaseCopies(t)
	}
	for i, c := range n.Columns {
		if c.Name.Sym == 0 { // what a template puts in
			t.Complete = false
			continue
		}
		at := -1
		if n.Inherits || n.PartitionOf != nil {
			at = t.Column(a.text(c.Name))
		} else if renames {
			a.columnConstraints(t, c, i)
			continue
		}
		if at < 0 || at >= inherited {
			at = len(t.Columns)
			t.append(a.column(c))
		} else { // it is that of the parent, too
			t.Columns[at] = merged(t.Columns[at], a.column(c))
		}
		a.columnConstraints(t, c, at)
		if isSerial(t.Columns[at].Type) && a.schema.dialect.Has(dialect.ExecutedComments) { // it is UNIQUE there
			t.Keys = append(t.Keys, Key{Columns: []int{at}})
		}
	}
	for _, c := range n.Constraints {
		a.tableConstraint(t, c)
	}
	if n.Query != nil {
		if !renames {
			own := len(t.Columns)
			a.queryColumns(t, n.Query, nil)
			a.releaseCopies(t)
			t.merge(own)
		}
		if old := a.find(wholeTable(n.Query)); old != nil {
			t.Model = old.Name
		}
	}
	if !n.IfNotExists {
		a.schema.make(t)
		a.schema.create(t)
	}
	if old := a.schema.tables[strings.ToLower(t.Name)].at(strings.ToLower(placeOf(t))); a.differInCase(t) ||
		old != nil && old.table != nil && old.table.Name != t.Name && t.Quoted {
		t = a.named(n.Name) // names are not told apart by letter case here, so nothing is known of it
	}
	a.schema.put(t)
}

// differInCase reports whether the names of two columns differ in letter case alone.
func (a applier) differInCase(t *Table) bool {
	if !slices.ContainsFunc(t.Columns, func(c Column) bool { return c.Quoted }) {
		return false
	}
	names := make(map[string]string, len(t.Columns))
	for i := range t.Columns {
		name := t.Columns[i].Name
		small := strings.ToLower(name)
		if other, ok := names[small]; ok && other != name {
			return true
		}
		names[small] = name
	}
	return false
}

// wholeTable gives the name of the table of which a query gives all columns as they stand, nil
// for any other query.
func wholeTable(q *syntax.Query) []syntax.Ident {
	sel := q.Select()
	if sel == nil || sel.From == nil || len(sel.Items) != 1 || len(sel.From.Tables) != 1 || sel.GroupBy != nil {
		return nil
	}
	if star, ok := sel.Items[0].X.(*syntax.Star); !ok || sel.Items[0].Span() != star.Span() {
		return nil
	}
	if ref, ok := sel.From.Tables[0].(*syntax.TableRef); ok {
		return ref.Name
	}
	return nil
}

// Declared gives a column as its definition in a text tells it, without its keys.
func (s *Schema) Declared(n *syntax.ColumnDef, src []byte) Column {
	return applier{src: src, schema: s}.column(n)
}

// column gives a column without its keys.
func (a applier) column(n *syntax.ColumnDef) Column {
	c := Column{Name: a.text(n.Name), Quoted: a.exact(n.Name), Type: a.typeOf(n.Type, a.schema.dialect), NotNull: n.NotNull, Hidden: n.Hidden}
	if u := a.schema.Type(c.Type.Name); u != nil && u.NotNull {
		c.NotNull = true
	}
	for _, con := range n.Constraints {
		switch con.Type {
		case syntax.DefaultValue:
			c.Default = a.expr(con.X)
		case syntax.GeneratedAs:
			c.Generated, c.Stored = a.bare(con.X), con.Kept
		case syntax.IdentityValue:
			c.Identity, c.Always = true, con.Kept
			c.NotNull = c.NotNull || a.schema.dialect != dialect.SQLite
		case syntax.ColumnCollation:
			if len(con.Table) > 0 {
				c.Collation = a.text(con.Table[len(con.Table)-1])
			}
		case syntax.ColumnComment:
			c.Comment = unquoted(a.expr(con.X))
		}
	}
	if isSerial(c.Type) {
		c.Identity, c.NotNull = true, true
	}
	return c
}

// unquoted gives the value of a text literal.
func unquoted(literal string) string {
	if len(literal) < 2 {
		return literal
	}
	quote := literal[len(literal)-1:]
	start := strings.Index(literal, quote)
	if start == len(literal)-1 || quote != "'" && quote != `"` && quote != "`" {
		return literal // it has no quotes
	}
	return strings.ReplaceAll(literal[start+1:len(literal)-1], quote+quote, quote)
}

func (a applier) columnConstraints(t *Table, n *syntax.ColumnDef, i int) {
	for _, c := range n.Constraints {
		a.constraint(t, c, []int{i})
	}
}

// tableConstraint adds a constraint of the whole table, unless it names a column
// that is not there.
func (a applier) tableConstraint(t *Table, c *syntax.Constraint) {
	var columns []int
	for _, item := range c.Columns {
		if i := a.columnOf(t, item.X); i >= 0 {
			columns = append(columns, i)
		} else if t.Complete && c.Type != syntax.CheckKey && c.Type != syntax.IndexKey && c.Type != syntax.UniqueKey {
			a.schema.problem(item.Span(), "%s has no column %s", t.Name, a.span(item.Span()))
		}
	}
	if len(columns) == len(c.Columns) {
		a.constraint(t, c, columns)
	}
}

// columnOf finds the column that an item of a key names; with a length, as in
// name(10), it is no key of the whole value.
func (a applier) columnOf(t *Table, x syntax.Expr) int {
	if n, ok := x.(*syntax.Name); ok {
		return t.Column(a.text(n.Last()))
	}
	return -1
}

// columnsIn lists the columns of a table that an expression names.
func (a applier) columnsIn(t *Table, x syntax.Expr) []int {
	var columns []int
	syntax.Inspect(x, func(n syntax.Node) bool {
		if name, ok := n.(*syntax.Name); ok {
			if i := t.Column(a.text(name.Last())); i >= 0 && !slices.Contains(columns, i) {
				columns = append(columns, i)
			}
		}
		return true
	})
	return columns
}

func (a applier) constraint(t *Table, c *syntax.Constraint, columns []int) {
	name := ""
	if !c.Name.IsZero() {
		name = a.text(c.Name)
	}
	if (c.Type == syntax.UniqueKey || c.Type == syntax.IndexKey) && !t.hasRoom() {
		t.Complete = false
		return
	}
	switch c.Type {
	case syntax.PrimaryKey:
		for _, i := range columns {
			t.Columns[i].Primary = true
		}
		t.Keys = append(t.Keys, Key{Name: name, Primary: true, Columns: columns})
	case syntax.UniqueKey:
		t.Keys = append(t.Keys, Key{Name: name, Columns: columns})
	case syntax.IndexKey:
		index := Index{Name: name, Special: c.Kept}
		for k, i := range columns {
			index.Parts = append(index.Parts, IndexPart{Column: i, Desc: k < len(c.Columns) && c.Columns[k].Desc})
		}
		t.Indexes = append(t.Indexes, index)
	case syntax.CheckKey:
		if c.Kept {
			return
		}
		t.Checks = append(t.Checks, Check{Name: name, Text: a.bare(c.X), Columns: a.columnsIn(t, c.X), Bounds: boundsOf(c.X, func(n syntax.Node) string { return a.span(n.Span()) })})
	case syntax.ForeignKey:
		if len(c.Table) == 0 {
			return
		}
		f := ForeignKey{Name: name, Columns: columns, Table: a.text(c.Table[len(c.Table)-1])}
		if len(c.Table) > 1 {
			f.Qualifier = a.text(c.Table[len(c.Table)-2])
		}
		for _, r := range c.References {
			f.References = append(f.References, a.text(r))
		}
		f.OnDelete, f.OnUpdate = a.action(c.OnDelete), a.action(c.OnUpdate)
		t.Foreign = append(t.Foreign, f)
	}
}

// action gives what a foreign key does, "" where that is the default.
func (a applier) action(s text.Span) string {
	action := strings.ToUpper(a.span(s))
	if action == "NO ACTION" || action == "RESTRICT" && a.schema.dialect.Has(dialect.ExecutedComments) {
		return "" // MySQL and MariaDB know no difference between the two
	}
	return action
}

// TypeOf gives the type that a type's name means in a statement of a dialect with the text
// src; s may be nil.
func (s *Schema) TypeOf(n *syntax.TypeName, src []byte, d dialect.Dialect) Type {
	return applier{schema: s, src: src}.typeOf(n, d)
}

func (a applier) typeOf(n *syntax.TypeName, d dialect.Dialect) Type {
	if n == nil || len(n.Parts) == 0 {
		return Type{}
	}
	t := Type{Name: a.span(n.Span())}
	if strings.EqualFold(t.Name, unknownType) {
		return Type{}
	}
	last := n.Parts[len(n.Parts)-1]
	words := strings.Fields(strings.ToLower(t.Name))
	zoned := false
	for i, w := range words {
		zoned = zoned || w == "with" && i+1 < len(words) && (words[i+1] == "time" || words[i+1] == "local")
		t.Unsigned = t.Unsigned || w == "unsigned"
	}
	t.Class = d.ClassOf(strings.ToLower(a.text(last)))
	if zoned && t.Class == class.Timestamp {
		t.Class = class.TimestampTZ
	}
	if n.Array {
		t.Class = class.Other
	}
	for i, x := range n.Args {
		if value, ok := number(a.expr(x)); ok && i == 0 {
			t.Length = value
		} else if ok && i == 1 {
			t.Scale = value
		}
	}
	if word.Word(last.Sym) == word.Enum {
		for _, x := range n.Args {
			t.Values = append(t.Values, unquoted(a.expr(x)))
		}
	}
	if u := a.schema.Type(a.text(last)); u != nil && !n.Array {
		t.Values = u.Values
		if u.Values == nil {
			t.Class, t.Length, t.Scale = u.Base.Class, u.Base.Length, u.Base.Scale
		}
	}
	return t
}

func number(s string) (int, bool) {
	n := 0
	for _, c := range s {
		if c < '0' || c > '9' || n > 1<<30 {
			return 0, false
		}
		n = n*10 + int(c-'0')
	}
	return n, s != ""
}

func (a applier) createType(n *syntax.CreateType) {
	if len(n.Name) == 0 || n.Values == nil && n.Type == nil {
		return
	}
	u := &UserType{Name: a.text(n.Name[len(n.Name)-1]), NotNull: n.NotNull}
	if len(n.Name) > 1 {
		u.Qualifier = a.text(n.Name[len(n.Name)-2])
	}
	for _, v := range n.Values {
		u.Values = append(u.Values, unquoted(a.expr(v)))
	}
	if n.Type != nil {
		u.Base = a.typeOf(n.Type, a.schema.dialect)
	}
	if n.Check != nil {
		u.Check = a.bare(n.Check)
	}
	a.schema.putType(u.Name, u)
}

func (s *Schema) putType(name string, u *UserType) {
	if s.types == nil {
		s.types = map[string]*UserType{}
	}
	s.types[strings.ToLower(name)] = u
}

func (a applier) createIndex(n *syntax.CreateIndex) {
	old := a.find(n.Table)
	if old == nil {
		if len(n.Table) > 0 {
			a.schema.problem(n.Table[len(n.Table)-1].Span, "no table %s to index", a.text(n.Table[len(n.Table)-1]))
		}
		return
	}
	if n.IfNotExists && len(n.Name) > 0 {
		name := a.text(n.Name[len(n.Name)-1])
		if slices.ContainsFunc(old.Indexes, func(i Index) bool { return strings.EqualFold(i.Name, name) }) {
			return
		}
	}
	t := a.schema.own(old)
	index := Index{Unique: n.Unique, Special: !n.Method.IsZero() && n.Method.Sym != syntax.Sym(word.Btree)}
	if len(n.Name) > 0 {
		index.Name = a.text(n.Name[len(n.Name)-1])
	}
	index.Special = index.Special || n.Special
	if index.Special && !n.Special {
		index.Method = strings.ToLower(a.text(n.Method))
	}
	whole := n.Where == nil
	if n.Where != nil {
		index.Where = a.bare(n.Where.Cond)
	}
	var columns []int
	for _, item := range n.Items {
		if i := a.columnOf(t, item.X); i >= 0 {
			columns = append(columns, i)
			index.Parts = append(index.Parts, IndexPart{Column: i, Desc: item.Desc})
			continue
		}
		whole = false
		index.Parts = append(index.Parts, IndexPart{Column: -1, Desc: item.Desc,
			Expression: Squeeze(a.src[item.X.Span().Start:item.X.Span().End]), Text: a.bare(item.X)})
	}
	if t.hasRoom() {
		t.Indexes = append(t.Indexes, index)
		if n.Unique && whole {
			t.Keys = append(t.Keys, Key{Name: index.Name, Columns: columns})
		}
	} else {
		t.Complete = false
	}
	a.schema.put(t)
}

// Squeeze gives the text of an expression in lower case without blanks and
// outer parentheses, the form in which expressions of indexes are compared.
func Squeeze(expression []byte) string {
	var b strings.Builder
	for _, c := range strings.ToLower(string(expression)) {
		if c != ' ' && c != '\t' && c != '\n' && c != '\r' {
			b.WriteRune(c)
		}
	}
	s := b.String()
	for len(s) > 1 && s[0] == '(' && s[len(s)-1] == ')' && closesAtEnd(s) {
		s = s[1 : len(s)-1]
	}
	return s
}

func closesAtEnd(s string) bool {
	depth := 0
	for i := range len(s) {
		switch s[i] {
		case '(':
			depth++
		case ')':
			if depth--; depth == 0 {
				return i == len(s)-1
			}
		}
	}
	return false
}
