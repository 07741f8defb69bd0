package safety

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var builtText = &check.Check{
	ID:    "safety.built-text",
	Title: "SQL put together from a variable, and executed",
	Doc: "A statement that is put together from text and executed runs whatever stands in the variable. A name with a blank breaks it, and a value with a quote can make another statement of it. A value belongs into USING or " +
		"the parameters, a name into quote_ident, format with %I, or QUOTENAME.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE FUNCTION clear_table(t text) RETURNS void LANGUAGE plpgsql AS $$ BEGIN EXECUTE 'DELETE FROM ' || t; END $$",
		Good:    "CREATE FUNCTION clear_table(t text) RETURNS void LANGUAGE plpgsql AS $$ BEGIN EXECUTE 'DELETE FROM ' || quote_ident(t); END $$",
		Near: []string{
			"CREATE FUNCTION clear_table(t text) RETURNS void LANGUAGE plpgsql AS $$ BEGIN EXECUTE format('DELETE FROM %I', t); END $$",
			"CREATE FUNCTION clear_hive(n text) RETURNS void LANGUAGE plpgsql AS $$ BEGIN EXECUTE 'DELETE FROM hives WHERE name = $1' USING n; END $$",
			"CREATE FUNCTION clear_table(t text) RETURNS void LANGUAGE plpgsql AS $$ BEGIN EXECUTE 'DELETE FROM ' || quote_ident(t); END $$",
			"CREATE FUNCTION clear_all() RETURNS void LANGUAGE plpgsql AS $$ BEGIN EXECUTE 'DELETE FROM ' || 'sales'; END $$",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE PROCEDURE clear_table @t nvarchar(50) AS BEGIN EXEC('DELETE FROM ' + @t); END",
		Good:    "CREATE PROCEDURE clear_table @t nvarchar(50) AS BEGIN DECLARE @sql nvarchar(200) = 'DELETE FROM ' + QUOTENAME(@t); EXEC sp_executesql @sql; END",
	}},
	On: check.Nodes(runBuiltText),
}

func runBuiltText(p *check.Pass, n *syntax.OtherStmt) {
	if k := n.Keyword.Len(); k != len("EXEC") && k != len("EXECUTE") || !strings.EqualFold(p.BriefOf(n.Keyword), "EXECUTE") && !strings.EqualFold(p.BriefOf(n.Keyword), "EXEC") {
		return
	}
	tokens := tokensOf(p, n.Span())
	depth := 0 // of parentheses; within those of a function the text may be quoted as a whole
	for i, t := range tokens {
		switch {
		case t.Kind == syntax.LeftParen && i > 1:
			depth++
		case t.Kind == syntax.RightParen:
			depth--
		}
		if t.Kind != syntax.TextToken || depth > 0 || i+2 >= len(tokens) {
			continue
		}
		sign, operand := tokens[i+1], tokens[i+2]
		if sign.Kind != syntax.Pipes && sign.Kind != syntax.Plus || operand.Kind != syntax.WordToken && operand.Kind != syntax.VariableName {
			continue
		}
		if i+3 < len(tokens) && (tokens[i+3].Kind == syntax.LeftParen || tokens[i+3].Kind == syntax.Dot) {
			continue // a function may quote it; of a record's field nothing is known
		}
		certainty := check.Possible
		if isTextParameter(p, n, operand.Span) {
			certainty = check.Likely
		}
		name := p.BriefOf(operand.Span)
		f := check.Finding{Span: operand.Span, Context: n.Span(), Certainty: certainty,
			Message: fmt.Sprintf("%s becomes part of the statement as it is", name),
			Why:     "A blank in it breaks the statement, and a quote can make another one of it.",
		}
		switch {
		case p.Dialect == dialect.Postgres && strings.HasSuffix(p.BriefOf(t.Span), " '"):
			f.Mends = []check.Mend{{Title: "quote it as a name", Effect: check.NewRows, Edits: []text.Edit{check.Replace(operand.Span, "quote_ident("+name+")")}},
				{Title: "give a value by USING", Effect: check.ByHand}}
		case p.Dialect == dialect.SQLServer:
			f.Mends = []check.Mend{{Title: "pass a value as a parameter of sp_executesql, put a name through QUOTENAME", Effect: check.ByHand}}
		default:
			f.Mends = []check.Mend{{Title: "give a value by USING, and quote a name", Effect: check.ByHand}}
		}
		p.Report(f)
		return
	}
}

// isTextParameter reports whether the routine around a statement takes a text by the name, which
// may come from anywhere: its type stands behind it, before the body begins.
func isTextParameter(p *check.Pass, n syntax.Node, at text.Span) bool {
	r, ok := p.Nearest(n, syntax.Kinds(syntax.KindRoutine)).(*syntax.Routine)
	if !ok || len(r.Body) == 0 {
		return false
	}
	name := p.BriefOf(at)
	for i, t := range p.Stmt.Tokens[:max(0, len(p.Stmt.Tokens)-1)] {
		if t.Span.Start >= r.Body[0].Span().Start {
			return false
		}
		if t.Span.Len() != len(name) || !strings.EqualFold(p.BriefOf(t.Span), name) {
			continue
		}
		switch strings.ToLower(p.BriefOf(p.Stmt.Tokens[i+1].Span)) {
		case "text", "varchar", "nvarchar", "character", "char", "varchar2", "sysname", "citext":
			return true
		}
	}
	return false
}

// tokensOf gives the tokens of a part of the statement.
func tokensOf(p *check.Pass, s text.Span) []syntax.Token {
	all := p.Stmt.Tokens
	from, _ := slices.BinarySearchFunc(all, s.Start, func(t syntax.Token, at text.Pos) int { return int(t.Span.Start) - int(at) })
	to := from
	for to < len(all) && all[to].Span.End <= s.End {
		to++
	}
	return all[from:to]
}
