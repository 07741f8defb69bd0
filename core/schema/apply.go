package schema

import (
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
)

// Apply adds what a statement creates and reports whether it created
// something. Statements of other kinds change nothing. What src holds is
// copied as far as it is kept.
func (s *Schema) Apply(stmt *syntax.Statement, src []byte) bool {
	a := applier{src: src}
	switch n := stmt.Node.(type) {
	case *syntax.CreateTable:
		if len(n.Name) == 0 || n.IfNotExists && s.Table(a.text(n.Name[len(n.Name)-1])) != nil {
			return false
		}
		s.add(a.table(n))
	case *syntax.CreateView:
		if len(n.Name) == 0 {
			return false
		}
		t := a.named(n.Name)
		t.IsView = true
		for _, c := range n.Columns {
			t.Columns = append(t.Columns, Column{Name: a.text(c)})
		}
		t.Complete = len(t.Columns) > 0
		s.add(t)
	case *syntax.CreateIndex:
		return s.addIndex(a, n)
	default:
		return false
	}
	return true
}

// Load reads DDL text. The errors are those of statements that could not be
// read; what could be is in the schema.
func (s *Schema) Load(src []byte, d dialect.Dialect) []syntax.Error {
	p := syntax.NewParser(syntax.NewNames())
	p.Reset(src, d)
	var errors []syntax.Error
	for stmt := p.Next(); stmt != nil; stmt = p.Next() {
		errors = append(errors, stmt.Errors...)
		s.Apply(stmt, src)
	}
	return errors
}

type applier struct{ src []byte }

// text gives a name without its quotes.
func (a applier) text(id syntax.Ident) string {
	if id.Quoted && id.Span.Len() >= 2 {
		return string(a.src[id.Span.Start+1 : id.Span.End-1])
	}
	return string(a.src[id.Span.Start:id.Span.End])
}

func (a applier) named(name []syntax.Ident) *Table {
	t := &Table{Name: a.text(name[len(name)-1])}
	if len(name) > 1 {
		t.Qualifier = a.text(name[len(name)-2])
	}
	return t
}

func (a applier) table(n *syntax.CreateTable) *Table {
	t := a.named(n.Name)
	t.Complete = n.Query == nil && len(n.Columns) > 0
	for _, c := range n.Columns {
		t.Columns = append(t.Columns, Column{Name: a.text(c.Name), Type: a.typeOf(c.Type), NotNull: c.NotNull})
	}
	for i, c := range n.Columns {
		for _, con := range c.Constraints {
			a.constraint(t, con, []int{i})
		}
	}
	for _, con := range n.Constraints {
		var columns []int
		for _, item := range con.Columns {
			if name, ok := item.X.(*syntax.Name); ok {
				if i := t.Column(a.text(name.Last())); i >= 0 {
					columns = append(columns, i)
				}
			}
		}
		if len(columns) == len(con.Columns) {
			a.constraint(t, con, columns)
		}
	}
	return t
}

func (a applier) constraint(t *Table, c *syntax.Constraint, columns []int) {
	switch c.Type {
	case syntax.PrimaryKey:
		for _, i := range columns {
			t.Columns[i].Primary = true
		}
		t.Keys = append(t.Keys, Key{Primary: true, Columns: columns})
	case syntax.UniqueKey:
		t.Keys = append(t.Keys, Key{Columns: columns})
	case syntax.IndexKey:
		index := Index{}
		for _, i := range columns {
			index.Parts = append(index.Parts, IndexPart{Column: i})
		}
		t.Indexes = append(t.Indexes, index)
	case syntax.ForeignKey:
		if len(c.Table) == 0 {
			return
		}
		f := ForeignKey{Columns: columns, Table: a.text(c.Table[len(c.Table)-1])}
		for _, r := range c.References {
			f.References = append(f.References, a.text(r))
		}
		t.Foreign = append(t.Foreign, f)
	}
}

func (a applier) typeOf(n *syntax.TypeName) Type {
	if n == nil || len(n.Parts) == 0 {
		return Type{}
	}
	whole := string(a.src[n.Span().Start:n.Span().End])
	last := n.Parts[len(n.Parts)-1]
	name := strings.ToLower(a.text(last))
	words := strings.Fields(strings.ToLower(whole))
	zoned := false
	for i, w := range words {
		zoned = zoned || w == "with" && i+1 < len(words) && (words[i+1] == "time" || words[i+1] == "local")
	}
	class := classOf(name, zoned)
	if n.Array {
		class = Other
	}
	return Type{Class: class, Name: whole}
}

func (s *Schema) addIndex(a applier, n *syntax.CreateIndex) bool {
	if len(n.Table) == 0 {
		return false
	}
	old := s.Table(a.text(n.Table[len(n.Table)-1]))
	if old == nil {
		return false
	}
	t := *old // a table below is not ours to change
	index := Index{Special: !n.Method.IsZero() && n.Method.Sym != syntax.Sym(word.Btree)}
	whole := n.Where == nil
	var columns []int
	for _, item := range n.Items {
		if name, ok := item.X.(*syntax.Name); ok {
			if i := t.Column(a.text(name.Last())); i >= 0 {
				columns = append(columns, i)
				index.Parts = append(index.Parts, IndexPart{Column: i})
				continue
			}
		}
		whole = false
		index.Parts = append(index.Parts, IndexPart{Column: -1, Expression: Squeeze(a.src[item.X.Span().Start:item.X.Span().End])})
	}
	t.Indexes = append(t.Indexes[:len(t.Indexes):len(t.Indexes)], index)
	if n.Unique && whole {
		t.Keys = append(t.Keys[:len(t.Keys):len(t.Keys)], Key{Columns: columns})
	}
	s.add(&t)
	return true
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
