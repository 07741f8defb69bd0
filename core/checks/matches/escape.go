package matches

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/syntax"
)

var escapeLength = &check.Check{
	ID:     "match.escape",
	Title:  "ESCAPE of more than one character",
	Errors: []string{"22025", "1210", "ORA-01425", "Msg 506"},
	Doc: "ESCAPE names the one character behind which a wildcard stands for itself. Databases refuse a longer text, some of them not before a row is " +
		"compared.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Text,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE name LIKE '10##%' ESCAPE '##'",
		Good: "SELECT name FROM hives WHERE name LIKE '10#%' ESCAPE '#'",
		Near: []string{"SELECT name FROM hives WHERE name LIKE '10#%' ESCAPE '#'", "SELECT name FROM hives WHERE name LIKE '10''%' ESCAPE ''''", "SELECT name FROM hives WHERE name LIKE '##%'"},
	}},
	On: check.Nodes(runEscapeLength),
}

func runEscapeLength(p *check.Pass, n *syntax.Like) {
	lit, ok := n.Escape.(*syntax.Literal)
	if !ok || lit.Lit != syntax.TextLiteral || n.Op != syntax.OpLike && n.Op != syntax.OpILike {
		return
	}
	written := p.Text(lit)
	if len(written) < 2 || written[0] != '\'' || strings.Contains(written, `\`) {
		return
	}
	escape := strings.ReplaceAll(written[1:len(written)-1], "''", "'")
	if length := len([]rune(escape)); length > 1 {
		p.Report(check.Finding{
			Span: lit.Span(), Context: n.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("ESCAPE takes one character, not %d", length),
			Why:     "It stands before a wildcard that is meant as it is.",
			Mends:   []check.Mend{{Title: "choose one character that the pattern has nowhere else", Effect: check.ByHand}},
		})
	}
}
