package syntax

import (
	"fmt"
	"io"
	"reflect"
	"strings"

	"justlens/core/text"
)

// Dump writes a tree, a node a line, for tests and for people who debug the
// parser. Names and spans are shown as their text in src.
func Dump(w io.Writer, src []byte, n Node) {
	dumper{w, src}.node(n, "", 0)
}

type dumper struct {
	w   io.Writer
	src []byte
}

func (d dumper) node(n Node, label string, depth int) {
	v := reflect.ValueOf(n).Elem()
	fmt.Fprintf(d.w, "%s%s%s", strings.Repeat("  ", depth), label, n.Kind())
	var children []func()
	for i := range v.NumField() {
		f, name := v.Field(i), v.Type().Field(i).Name
		if name == "node" || f.IsZero() {
			continue
		}
		switch x := f.Interface().(type) {
		case Node:
			children = append(children, func() { d.node(x, name+": ", depth+1) })
		case text.Span:
			fmt.Fprintf(d.w, " %s=%s", name, d.text(x))
		case Ident:
			fmt.Fprintf(d.w, " %s=%s", name, d.text(x.Span))
		case []Ident:
			parts := make([]string, len(x))
			for i, id := range x {
				parts[i] = d.text(id.Span)
			}
			fmt.Fprintf(d.w, " %s=%s", name, strings.Join(parts, "."))
		default:
			if f.Kind() == reflect.Slice {
				for i := range f.Len() {
					c := f.Index(i).Interface().(Node)
					children = append(children, func() { d.node(c, name+": ", depth+1) })
				}
				continue
			}
			fmt.Fprintf(d.w, " %s=%v", name, x)
		}
	}
	if len(children) == 0 {
		fmt.Fprintf(d.w, " %q", d.text(n.Span()))
	}
	fmt.Fprintln(d.w)
	for _, c := range children {
		c()
	}
}

func (d dumper) text(s text.Span) string { return string(d.src[s.Start:s.End]) }
