package types

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/schema"
	"justlens/core/syntax"
)

// ownPlaces are the occasions on which MariaDB's UUID, INET4, INET6 and geometry may meet what they
// are not converted to.
var ownPlaces = check.Comparisons(runOwn).
	And(check.Operators(runOwn, syntax.OpAdd, syntax.OpSubtract, syntax.OpMultiply, syntax.OpDivide, syntax.OpIntegerDivide, syntax.OpModulo)).
	And(check.Kinds(runOwnAmong, syntax.KindIn, syntax.KindBetween)).
	And(check.Nodes(runTransaction)).
	And(check.Calls(runOwnArgument, "nullif", "date", "time", "year", "month", "day", "abs", "round", "ceil", "floor", "sum", "avg", "sign", "sqrt")).
	In(dialect.In(dialect.MariaDB))

func runOwn(p *check.Pass, n *syntax.Binary) {
	mustMeet(p, n, p.BriefOf(n.OpSpan), n.X, n.Y, n.Op.IsComparison())
}

func runOwnAmong(p *check.Pass, n syntax.Node) {
	switch n := n.(type) {
	case *syntax.In:
		for _, x := range n.List {
			if mustMeet(p, n, "IN", n.X, x, true) {
				return
			}
		}
	case *syntax.Between:
		if !mustMeet(p, n, "BETWEEN", n.X, n.Low, true) {
			mustMeet(p, n, "BETWEEN", n.X, n.High, true)
		}
	}
}

// runTransaction reports a table read as of a transaction whose number is a fraction.
func runTransaction(p *check.Pass, t *syntax.TableRef) {
	if !t.ByTransaction || !p.Tells(t) {
		return
	}
	for _, x := range t.Times {
		if of := p.Type(x).Class; of == class.Decimal || of == class.Float {
			p.Report(check.Finding{
				Span: x.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.MariaDB)),
				Message: fmt.Sprintf("%s is a fraction, and transactions have whole numbers", p.Brief(x)),
				Why:     "FOR SYSTEM_TIME AS OF TRANSACTION asks for the rows as a transaction saw them.",
				Mends:   []check.Mend{{Title: "write the number of a transaction, or TIMESTAMP and a point of time", Effect: check.ByHand}},
			})
		}
	}
}

// runOwnArgument reports a function that takes numbers or dates.
func runOwnArgument(p *check.Pass, c *syntax.Call) {
	switch name := p.FunctionName(c); {
	case !facts.IsPlainCall(c):
	case name == "nullif" && len(c.Args) == 2:
		mustMeet(p, c, "NULLIF", c.Args[0], c.Args[1], true)
	case name != "nullif" && len(c.Args) > 0 && p.Type(c.Args[0]).Class.IsOwn() && p.Tells(c):
		tellOwn(p, c, strings.ToUpper(name), c.Args[0], schema.Type{})
	}
}

// mustMeet reports two values of which one is of a type of its own, and the other of one that is
// not compared with it; arithmetic takes no such value, whatever stands on the other side.
func mustMeet(p *check.Pass, n syntax.Node, what string, x, y syntax.Expr, compared bool) bool {
	a, b := p.Type(x), p.Type(y)
	if !a.Class.IsOwn() && !b.Class.IsOwn() || !p.Tells(n) {
		return false
	}
	if compared && (!p.Dialect.Meets(dialect.Compare, a.Class, b.Class).Refused || a.Class == b.Class && isSame(a, b)) {
		return false
	}
	if a.Class.IsOwn() {
		tellOwn(p, n, what, x, b)
	} else {
		tellOwn(p, n, what, y, a)
	}
	return true
}

func tellOwn(p *check.Pass, n syntax.Node, what string, own syntax.Expr, other schema.Type) {
	message := fmt.Sprintf("%s has no %s for %s", p.Dialect.Title(), what, typeName(p.Type(own)))
	if other.Class != class.Unknown && !other.Class.IsOwn() && other.Class.Noun() != "" {
		message += " and " + other.Class.Noun()
	}
	p.Report(check.Finding{
		Span: n.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Unclear).But(check.Refused, dialect.In(dialect.MariaDB)),
		Message: message,
		Why:     fmt.Sprintf("%s is converted from text and to text only.", p.Brief(own)),
		Mends:   []check.Mend{{Title: "compare it with text, or with a value of its own type", Effect: check.ByHand}},
	})
}

// isSame reports whether two types of one class are one, or may be.
func isSame(a, b schema.Type) bool {
	return a.Class == class.Shape || strings.EqualFold(a.Name, b.Name) || a.Name == "" || b.Name == ""
}

func typeName(t schema.Type) string {
	if t.Name == "" {
		return t.Class.Noun()
	}
	return strings.ToUpper(t.Name)
}
