package main

import (
	"cmp"
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"os"
	"slices"
	"strconv"
	"strings"
)

// mutation is one change.
type mutation struct {
	number int
	kind   string
	place  string // file and line
	text   string // what is changed, as written
}

func (m mutation) String() string { return fmt.Sprintf("alive: %s: %s: %s", m.place, m.kind, m.text) }

// insertion is text put before or behind an expression.
type insertion struct {
	at     int
	behind bool
	size   int // of the expression: of two that begin or end together the longer encloses the other
	order  int // of two of one size the first encloses the other
	text   string
}

// changer gathers the changes of one file.
type changer struct {
	src        []byte
	files      *token.FileSet
	path       string
	first      int // number of the first mutation
	mutations  []mutation
	insertions []insertion
}

// change gives a file's source with all mutations built in, the first of which has the
// number after known.
func change(path string, known int) ([]byte, []mutation) {
	src, err := os.ReadFile(path)
	check(err)
	c := &changer{src: src, files: token.NewFileSet(), path: path, first: known + 1}
	f, err := parser.ParseFile(c.files, path, src, 0)
	check(err)
	ast.Inspect(f, c.visit)
	if len(c.mutations) == 0 {
		return nil, nil
	}
	c.insertions = append(c.insertions, insertion{at: c.offset(f.Name.End()), behind: true, text: "\n\nimport \"justlens/mutation/mutant\"\n"})
	return c.written(), c.mutations
}

func (c *changer) offset(p token.Pos) int { return c.files.Position(p).Offset }

func (c *changer) text(n ast.Node) string { return string(c.src[c.offset(n.Pos()):c.offset(n.End())]) }

// wrap puts text round an expression; %d in it is the number of a new mutation.
func (c *changer) wrap(n ast.Expr, kind, before, behind string) {
	number := c.first + len(c.mutations)
	at := c.files.Position(n.Pos())
	c.mutations = append(c.mutations, mutation{number, kind, fmt.Sprintf("%s:%d", c.path, at.Line), strings.Join(strings.Fields(c.text(n)), " ")})
	size := int(n.End() - n.Pos())
	c.insertions = append(c.insertions,
		insertion{c.offset(n.Pos()), false, size, number, strings.ReplaceAll(before, "%d", strconv.Itoa(number))},
		insertion{c.offset(n.End()), true, size, number, behind})
}

func (c *changer) visit(n ast.Node) bool {
	switch n := n.(type) {
	case *ast.GenDecl:
		return n.Tok == token.VAR
	case *ast.IfStmt:
		if leaves(n) {
			c.wrap(n.Cond, "guard dropped", "(!mutant.On(%d) && (", "))")
		} else {
			c.wrap(n.Cond, "condition turned", "(mutant.On(%d) != (", "))")
		}
	case *ast.BinaryExpr:
		c.binary(n)
	case *ast.CompositeLit:
		switch name := c.literalOf(n); name {
		case "check.Finding", "check.Mend", "check.Related":
			c.fields(n)
		case "":
			for _, e := range n.Elts { // elements of []check.Mend and []check.Related
				if inner, ok := e.(*ast.CompositeLit); ok && inner.Type == nil {
					c.fields(inner)
				}
			}
		}
	case *ast.AssignStmt:
		if sel, ok := n.Lhs[0].(*ast.SelectorExpr); ok && len(n.Lhs) == 1 && n.Tok == token.ASSIGN && (sel.Sel.Name == "Message" || sel.Sel.Name == "Why") {
			c.message(n.Rhs[0])
		}
	}
	return true
}

// leaves reports whether an if is a guard: all it does is to leave.
func leaves(n *ast.IfStmt) bool {
	if n.Else != nil || len(n.Body.List) != 1 {
		return false
	}
	switch s := n.Body.List[0].(type) {
	case *ast.ReturnStmt:
		return true
	case *ast.BranchStmt:
		return s.Tok == token.CONTINUE
	}
	return false
}

var swapped = map[token.Token]string{token.LSS: "<=", token.LEQ: "<", token.GTR: ">=", token.GEQ: ">"}

func (c *changer) binary(n *ast.BinaryExpr) {
	x, y := c.text(n.X), c.text(n.Y)
	switch n.Op {
	case token.EQL, token.NEQ:
		c.wrap(n, "operator swapped", "(mutant.On(%d) != (", "))")
	case token.LSS, token.LEQ, token.GTR, token.GEQ:
		c.wrap(n, "operator swapped", "mutant.Or(%d, ", ", "+x+" "+swapped[n.Op]+" "+y+")")
	case token.LAND:
		c.wrap(n, "operator swapped", "func() bool { if mutant.On(%d) { return ("+x+") || ("+y+") }; return (", ") }()")
	case token.LOR:
		c.wrap(n, "operator swapped", "func() bool { if mutant.On(%d) { return ("+x+") && ("+y+") }; return (", ") }()")
	}
}

// literalOf gives the type of a composite literal, "" for a list of what is reported.
func (c *changer) literalOf(n *ast.CompositeLit) string {
	if a, ok := n.Type.(*ast.ArrayType); ok {
		if t := c.text(a.Elt); t == "check.Mend" || t == "check.Related" {
			return ""
		}
		return "other"
	}
	if n.Type == nil {
		return "other"
	}
	return c.text(n.Type)
}

// fields changes what a finding, a mend or a related place says.
func (c *changer) fields(n *ast.CompositeLit) {
	for _, e := range n.Elts {
		kv, ok := e.(*ast.KeyValueExpr)
		if !ok {
			continue
		}
		switch key := kv.Key.(*ast.Ident).Name; {
		case key == "Message" || key == "Why" || key == "Title":
			c.message(kv.Value)
		case key == "Span":
			c.wrap(kv.Value, "span widened", "mutant.Wider(%d, ", ")")
		case key == "Certainty" && c.text(kv.Value) == "check.Certain":
			c.wrap(kv.Value, "certainty lowered", "mutant.Or(%d, ", ", check.Likely)")
		case key == "Effect" && c.text(kv.Value) == "check.SameRows":
			c.wrap(kv.Value, "effect exchanged", "mutant.Or(%d, ", ", check.NewRows)")
		}
	}
}

// message changes a text, or the form of one.
func (c *changer) message(x ast.Expr) {
	if call, ok := x.(*ast.CallExpr); ok && c.text(call.Fun) == "fmt.Sprintf" {
		x = call.Args[0]
	}
	if lit, ok := x.(*ast.BasicLit); ok && lit.Kind == token.STRING {
		c.wrap(x, "message exchanged", "mutant.Or(%d, ", ", "+lit.Value+" + \" not\")")
	}
}

// written gives the source with the insertions: of those at one place the ends come first,
// the innermost before, then the beginnings, the outermost before.
func (c *changer) written() []byte {
	slices.SortStableFunc(c.insertions, func(a, b insertion) int {
		if n := cmp.Compare(a.at, b.at); n != 0 {
			return n
		}
		if a.behind != b.behind {
			if a.behind {
				return -1
			}
			return 1
		}
		if a.behind {
			return cmp.Or(cmp.Compare(a.size, b.size), cmp.Compare(b.order, a.order))
		}
		return cmp.Or(cmp.Compare(b.size, a.size), cmp.Compare(a.order, b.order))
	})
	var out []byte
	at := 0
	for _, i := range c.insertions {
		out = append(append(out, c.src[at:i.at]...), i.text...)
		at = i.at
	}
	return append(out, c.src[at:]...)
}
