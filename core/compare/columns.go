package compare

import (
	"fmt"
	"strings"

	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/run"
)

// Column is a column of a result, as far as the text tells of it.
type Column struct {
	Name string // "" for one without
	// Type is its class, [class.Unknown] where it cannot be told.
	Type class.Class
	Null facts.Answer
}

// Columns lists the columns of a query's result.
func Columns(q *run.Query) []Column {
	var list []Column
	for i, name := range q.Plan.Columns {
		if q.Node == nil {
			list = append(list, Column{Name: name})
			continue
		}
		list = append(list, Column{name, q.OutputType(q.Node, i).Class, q.OutputNullable(q.Node, i)})
	}
	return list
}

// Texts tells in sentences how the columns of two results differ, and what tells their rows
// apart; none where they do not.
func Texts(before, after *run.Query) (told []string) {
	old, now := Columns(before), Columns(after)
	place := func(list []Column, name string) int {
		found := -1
		for i, c := range list {
			if strings.EqualFold(c.Name, name) && name != "" {
				if found >= 0 {
					return -1
				}
				found = i
			}
		}
		return found
	}
	for i, c := range old {
		at := place(now, c.Name)
		switch {
		case c.Name == "" || place(old, c.Name) < 0:
		case at < 0 && len(old) == len(now) && place(old, now[i].Name) < 0 && now[i].Name != "":
			told = append(told, fmt.Sprintf("column %d is called %s in NEW, %s in OLD", i+1, now[i].Name, c.Name))
		case at < 0:
			told = append(told, fmt.Sprintf("NEW has no column %s", c.Name))
		case at != i:
			told = append(told, fmt.Sprintf("%s is column %d of OLD, column %d of NEW", c.Name, i+1, at+1))
		}
	}
	for i, c := range now {
		if c.Name != "" && place(now, c.Name) == i && place(old, c.Name) < 0 && len(old) != len(now) {
			told = append(told, fmt.Sprintf("OLD has no column %s", c.Name))
		}
	}
	if len(old) != len(now) && len(told) == 0 {
		told = append(told, fmt.Sprintf("OLD has %d columns, NEW %d", len(old), len(now)))
	}
	for i := range min(len(old), len(now)) {
		a, b := old[i], now[i]
		name := a.Name
		if name == "" {
			name = fmt.Sprintf("column %d", i+1)
		}
		if !strings.EqualFold(a.Name, b.Name) {
			continue
		}
		if a.Type != b.Type && a.Type != class.Unknown && b.Type != class.Unknown && !(a.Type.IsNumber() && b.Type.IsNumber()) {
			told = append(told, fmt.Sprintf("%s is %s in OLD, %s in NEW", name, a.Type.Noun(), b.Type.Noun()))
		}
		switch {
		case a.Null == facts.No && b.Null == facts.Yes:
			told = append(told, fmt.Sprintf("%s may be NULL in NEW, and never is in OLD", name))
		case a.Null == facts.Yes && b.Null == facts.No:
			told = append(told, fmt.Sprintf("%s may be NULL in OLD, and never is in NEW", name))
		}
	}
	if len(old) == len(now) {
		told = append(told, grain(before, after)...)
	}
	return told
}

// grain tells where rows may come twice in one result alone.
func grain(before, after *run.Query) []string {
	if before.Node == nil || after.Node == nil {
		return nil
	}
	a, b := before.RowsApart(before.Node.Body), after.RowsApart(after.Node.Body)
	switch {
	case a && !b:
		return []string{"no two rows of OLD are alike; rows of NEW may be"}
	case b && !a:
		return []string{"no two rows of NEW are alike; rows of OLD may be"}
	}
	return nil
}
