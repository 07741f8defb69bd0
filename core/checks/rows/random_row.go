package rows

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

var randomRow = &check.Check{
	ID:    "rows.random-row",
	Title: "a column compared with a random number, which is another one for each row",
	Doc: "RAND() and its kin are worked out for each row, so that each is compared with a number of its own: none may be found, or several. One number for all rows comes from a query of its own in FROM, or a variable. SQL Server works RAND() out " +
		"once for a query. A share of the rows, as in WHERE RAND() < 0.1, is another matter, and is left alone.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Fine, dialect.In(dialect.SQLServer)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM keepers WHERE keeper_id = floor(random() * 100)",
		Near: []string{
			"SELECT name FROM keepers WHERE random() < 0.1",
			"SELECT name FROM keepers WHERE keeper_id = (SELECT floor(random() * 100))",
			"SELECT name FROM keepers ORDER BY random() LIMIT 1",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM keepers WHERE keeper_id >= RAND() * 100 ORDER BY keeper_id LIMIT 1",
	}},
	On: check.Calls(runRandomRow, "rand", "random").In(dialect.Everywhere &^ dialect.In(dialect.SQLServer)),
}

func runRandomRow(p *check.Pass, c *syntax.Call) {
	if len(c.Args) > 0 || p.Nearest(c, syntax.Kinds(syntax.KindWhere, syntax.KindJoin)) == nil {
		return
	}
	// Up through what is reckoned to the comparison; a query on the way works it out once.
	var below syntax.Node = c
	for steps := 0; steps < mostSteps; steps++ {
		above := p.Parent(below)
		switch n := above.(type) {
		case *syntax.Call, *syntax.Cast, *syntax.Paren, *syntax.Unary:
		case *syntax.Binary:
			if n.Op.IsComparison() {
				compared(p, c, n, below)
				return
			}
		default:
			return
		}
		below = above
	}
}

// mostSteps is how far up a comparison is sought.
const mostSteps = 16

func compared(p *check.Pass, c *syntax.Call, b *syntax.Binary, side syntax.Node) {
	other := b.X
	if side == syntax.Node(b.X) {
		other = b.Y
	}
	column, ok := syntax.Unparen(other).(*syntax.Name)
	if !ok {
		return
	}
	if u := p.Use(column); u.Status != bind.Resolved && u.Status != bind.Assumed {
		return
	}
	p.Report(check.Finding{Span: b.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("%s is another number for each row, so none or several may be found", p.Brief(c)),
		Why:     fmt.Sprintf("Each %s is compared with a number of its own.", p.Brief(column)),
		Mends:   []check.Mend{{Title: "work the number out once, in a query of its own or a variable", Effect: check.ByHand}},
	})
}
