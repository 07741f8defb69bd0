package claims

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

// layouts are the checks that look at how a text is laid out.
var layouts = []string{"logic.and-or", "logic.or-chain", "syntax.pasted-quotes"}

// TestFormsChangeNothing writes the statements of the case files with comments between their
// words, and with the sides of their comparisons exchanged, and asks that the same is told.
func TestFormsChangeNothing(t *testing.T) {
	t.Parallel()
	compared := 0
	eachCaseFile(t, func(d dialect.Dialect, v dialect.Version, all []string) {
		if v > 0 {
			return
		}
		reviewer, _ := demoReviewer(d)
		for _, stmt := range all {
			p := syntax.NewParser(syntax.NewNames())
			p.Reset([]byte(stmt), d)
			read := p.Next()
			if read == nil || len(read.Errors) > 0 || strings.ContainsAny(stmt, "\n\"") || strings.Contains(stmt, "''") || strings.Contains(stmt, "$$") || strings.Contains(stmt, "AS '") || strings.Contains(stmt, "DO '") {
				continue // text within text, and names or texts in double quotes
			}
			want := checksOf(told(t, reviewer, "", stmt, "", layouts...))
			for form, edits := range map[string][]text.Edit{"comments": commented(read, stmt), "exchanged": exchanged(read, stmt)} {
				written, err := text.Apply([]byte(stmt), edits)
				require.NoError(t, err)
				assert.ElementsMatch(t, want, checksOf(told(t, reviewer, "", string(written), "", layouts...)), "%s, %s: %s\n%s", d, form, stmt, written)
				compared += len(want)
			}
		}
	})
	require.Greater(t, compared, 1500)
}

// checksOf leaves out where things were found.
func checksOf(found []string) (checks []string) {
	for _, f := range found {
		what, _, _ := strings.Cut(f, " at ")
		checks = append(checks, what)
	}
	return checks
}

// commented puts a comment into each blank between two tokens.
func commented(s *syntax.Statement, src string) (edits []text.Edit) {
	for i := 1; i < len(s.Tokens); i++ {
		before, at := s.Tokens[i-1].Span.End, s.Tokens[i].Span.Start
		if before < at && strings.Trim(src[before:at], " ") == "" {
			edits = append(edits, text.Edit{Span: text.Span{Start: before, End: at}, Text: " /* here */ "})
		}
	}
	return edits
}

// exchanged writes b > a for a < b, where neither side is an operator.
func exchanged(s *syntax.Statement, src string) (edits []text.Edit) {
	flipped := map[string]string{"=": "=", "<>": "<>", "<": ">", ">": "<", "<=": ">=", ">=": "<="}
	simple := func(x syntax.Expr) bool {
		switch x.Kind() {
		case syntax.KindName, syntax.KindLiteral, syntax.KindCall, syntax.KindTypedLiteral, syntax.KindSubquery:
			return true
		}
		return false
	}
	syntax.Inspect(s.Node, func(n syntax.Node) bool {
		b, ok := n.(*syntax.Binary)
		if !ok || !b.Op.IsComparison() || !simple(b.X) || !simple(b.Y) {
			_, assigns := n.(*syntax.Assign)
			return !assigns
		}
		text1, text2 := src[b.X.Span().Start:b.X.Span().End], src[b.Y.Span().Start:b.Y.Span().End]
		if op := flipped[src[b.OpSpan.Start:b.OpSpan.End]]; op != "" {
			edits = append(edits, text.Edit{Span: b.Span(), Text: text2 + " " + op + " " + text1})
		}
		return false
	})
	return edits
}
