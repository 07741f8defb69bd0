package run

import (
	"strings"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// collated gives the expression behind COLLATE, and the rules by which its texts are compared and
// sorted; nil rules where no collation stands.
func (c *compiler) collated(x syntax.Expr) (syntax.Expr, *rules) {
	n, ok := syntax.Unparen(x).(*syntax.Collate)
	if !ok {
		return x, nil
	}
	return n.X, c.collation(n)
}

// collating gives the rules of the collation that one of the operands names, nil for none.
func (c *compiler) collating(operands ...syntax.Expr) *rules {
	for _, x := range operands {
		if x == nil {
			continue
		}
		if _, r := c.collated(x); r != nil {
			return r
		}
	}
	return nil
}

// collation gives the dialect's rules with those of a collation in them. Sources: PostgreSQL 15, 24.2
// "Collation Support"; MariaDB and MySQL, "Character Sets and Collations"; SQLite, "Datatypes", 7; SQL
// Server, "Collation and Unicode support"; Oracle 19c, "Data-Bound Collation".
func (c *compiler) collation(n *syntax.Collate) *rules {
	name := ""
	if len(n.Name) > 0 {
		name = strings.ToLower(c.Names.String(n.Name[len(n.Name)-1].Sym))
	}
	r := *c.rules
	has := func(part string) bool { return strings.Contains(name, part) }
	switch c.Dialect {
	case dialect.Postgres, dialect.ANSI:
		if name != "c" && name != "posix" && name != "ucs_basic" {
			c.stop(n, "the collation %s", name)
		}
	case dialect.SQLite:
		switch name {
		case "binary":
		case "nocase":
			r.foldsCase = true
		case "rtrim":
			r.padsBlanks = true
		default:
			c.stop(n, "the collation %s", name)
		}
	case dialect.MySQL, dialect.MariaDB:
		r.foldsCase = has("_ci")
		r.padsBlanks = !has("0900") && !has("nopad") && name != "binary"
		if !r.foldsCase && !has("_bin") && name != "binary" {
			c.stop(n, "the collation %s", name)
		}
	case dialect.SQLServer:
		r.foldsCase = has("_ci_")
		if !r.foldsCase && !has("_bin") {
			c.stop(n, "the order of the collation %s", name)
		}
	case dialect.Oracle:
		r.foldsCase = name == "binary_ci"
		if !r.foldsCase && name != "binary" {
			c.stop(n, "the collation %s", name)
		}
	case dialect.Spark:
		r.foldsCase = name == "utf8_lcase"
		if !r.foldsCase && name != "utf8_binary" {
			c.stop(n, "the collation %s", name)
		}
	}
	return &r
}

// comparing gives the rules by which the comparison that is being compiled compares.
func (c *compiler) comparing() *rules {
	if c.by != nil {
		return c.by
	}
	return c.rules
}

// compares gives what an expression compares, where it is one that compares texts.
func compares(x syntax.Expr) []syntax.Expr {
	switch n := x.(type) {
	case *syntax.Binary:
		if n.Op.IsComparison() || n.Op == syntax.OpNullSafeEqual {
			return []syntax.Expr{n.X, n.Y}
		}
	case *syntax.Between:
		return []syntax.Expr{n.X, n.Low, n.High}
	case *syntax.In:
		return append([]syntax.Expr{n.X}, n.List...)
	case *syntax.Like:
		return []syntax.Expr{n.X, n.Pattern}
	case *syntax.Is:
		return []syntax.Expr{n.X, n.Y}
	}
	return nil
}
