package matches

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var noWildcard = &check.Check{
	ID:       "match.no-wildcard",
	Title:    "LIKE without a wildcard",
	Doc:      "A pattern without % or _ matches the one text that it is. = says so, and is not read as a search. On SQLite LIKE does not mind letter case, and = does.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE name LIKE 'Ash'",
		Good:    "SELECT name FROM hives WHERE name = 'Ash'",
		Near: []string{
			"SELECT name FROM hives WHERE name LIKE 'Ash%'",
			"SELECT name FROM hives WHERE name LIKE 'A_h'",
			"SELECT name FROM hives WHERE name ILIKE 'Ash'",
			"SELECT name FROM hives WHERE name LIKE '10!%' ESCAPE '!'",
			"SELECT h.name FROM hives h JOIN queens q ON q.name LIKE h.name",
		},
	}},
	On: check.Nodes(runNoWildcard),
}

// constant gives the text of a pattern that is one literal.
func constant(p *check.Pass, x syntax.Expr) (l *syntax.Literal, pattern string) {
	l, ok := syntax.Unparen(x).(*syntax.Literal)
	if !ok || l.Lit != syntax.TextLiteral || !strings.HasPrefix(p.Text(l), "'") {
		return nil, ""
	}
	return l, strings.TrimSuffix(text.View(p.Src, l.Span())[1:], "'")
}

func runNoWildcard(p *check.Pass, n *syntax.Like) {
	l, pattern := constant(p, n.Pattern)
	if n.Op != syntax.OpLike || l == nil || n.Escape != nil || strings.ContainsAny(pattern, "%_\\*?") || strings.Contains(pattern, "[") && (p.Dialect == dialect.SQLServer || holdsRange(pattern)) || isExpression(pattern) {
		return
	}
	sign := "="
	if n.Not {
		sign = "<>"
	}
	m := check.Mend{Title: "compare by " + sign, Effect: check.NewRows, Edits: []text.Edit{check.Replace(text.Span{Start: p.EndBefore(n.OpSpan.Start) + 1, End: n.OpSpan.End}, sign)}}
	if start := n.X.Span().End; !n.Not {
		m.Edits = []text.Edit{check.Replace(n.OpSpan, sign)}
	} else {
		m.Edits = []text.Edit{check.Replace(text.Span{Start: start, End: n.OpSpan.End}, " "+sign)}
	}
	switch {
	case p.Dialect == dialect.SQLite:
		m.Effect, m.Edits = check.ByHand, nil
		m.Title = "compare by " + sign + ", or LOWER both sides where letter case does not matter"
	case p.Dialect == dialect.Postgres && p.Type(n.X).Class == class.Text && !strings.Contains(p.Type(n.X).Word(), "char") || p.Dialect == dialect.Postgres && strings.Contains(p.Type(n.X).Word(), "var"):
		m.Effect = check.SameRows
	}
	if p.HasComment(text.Span{Start: n.X.Span().End, End: n.Pattern.Span().Start}) {
		m.Effect, m.Edits = check.ByHand, nil
	}
	p.Report(check.Finding{Span: n.Span(), Certainty: check.Certain, Mends: []check.Mend{m},
		Message: fmt.Sprintf("%s has no wildcard, so LIKE matches that one text only", p.Brief(l)),
		Why:     "% stands for any letters, _ for one.",
	})
}

var everything = &check.Check{
	ID:       "match.everything",
	Title:    "LIKE '%'",
	Doc:      "The pattern % matches every text, and only NULL does not pass. IS NOT NULL says what it does. Most often a search form has put it together of nothing.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM keepers WHERE village LIKE '%'",
		Good: "SELECT name FROM keepers WHERE village IS NOT NULL",
		Near: []string{
			"SELECT name FROM keepers WHERE village LIKE '%a%'",
			"SELECT name FROM keepers WHERE village LIKE '_%'",
			"SELECT name FROM keepers WHERE village LIKE '!%' ESCAPE '!'",
		},
	}},
	On: check.Nodes(runEverything),
}

func runEverything(p *check.Pass, n *syntax.Like) {
	l, pattern := constant(p, n.Pattern)
	if l == nil || n.Escape != nil || n.Op > syntax.OpILike || pattern == "" || strings.Trim(pattern, "%") != "" {
		return
	}
	f := check.Finding{Span: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("every text matches %s, and only NULL does not pass", p.Brief(l)),
		Why:     "% stands for any letters, also for none.",
		Mends: []check.Mend{{Title: "say IS NOT NULL", Effect: check.SameRows,
			Edits: []text.Edit{check.Replace(text.Span{Start: n.X.Span().End, End: n.Span().End}, " "+p.Word(n.OpSpan.Start, "IS NOT NULL"))}}},
	}
	if n.Not {
		f.Message = fmt.Sprintf("every text matches %s, so this is never true", p.Brief(l))
		f.Verdicts = check.Everywhere(check.Wrong)
		f.Mends = []check.Mend{{Title: "leave it out, or write the pattern that is meant", Effect: check.ByHand}}
	} else if !p.IsConjunct(n) || p.Nullable(n.X) == facts.No {
		f.Mends = []check.Mend{{Title: "leave it out, or say IS NOT NULL", Effect: check.ByHand}}
	}
	p.Report(f)
}

var wildcardInEquals = &check.Check{
	ID:       "match.wildcard-in-equals",
	Title:    "a wildcard in a text that = compares",
	Doc:      "The sign % is a wildcard for LIKE only. = and IN compare it as a letter like any other, and find rows that hold a percent sign.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE name = 'Ash%'",
		Good: "SELECT name FROM hives WHERE name LIKE 'Ash%'",
		Near: []string{
			"SELECT name FROM hives WHERE name LIKE 'Ash%'",
			"SELECT name FROM hives WHERE name = '100%'",
			"SELECT name FROM hives WHERE name = '%'",
			"SELECT name FROM hives WHERE name = 'Ash'",
		},
	}, {
		Bad: "SELECT name FROM hives WHERE name IN ('Ash%', 'Elm')",
	}},
	On: check.Comparisons(runWildcardInEquals).With(facts.TextSide).And(check.Nodes(runWildcardInList)),
}

// isPattern reports whether a text begins or ends with % and has letters beside it.
func isPattern(pattern string) bool {
	if len(pattern) < 3 || strings.Contains(pattern, "%%") || strings.Count(pattern, "%") > 2 {
		return false
	}
	if strings.HasSuffix(pattern, "%") && isLetter(pattern[len(pattern)-2]) && !strings.HasPrefix(pattern, "%") && !strings.Contains(pattern[:len(pattern)-1], "%") {
		return true
	}
	return strings.HasPrefix(pattern, "%") && isLetter(pattern[1])
}

func isLetter(c byte) bool { return 'a' <= c && c <= 'z' || 'A' <= c && c <= 'Z' || c >= 0x80 }

func runWildcardInEquals(p *check.Pass, b *syntax.Binary) {
	if b.Op != syntax.OpEqual && b.Op != syntax.OpNotEqual {
		return
	}
	column := b.X
	l, pattern := constant(p, b.Y)
	if l == nil {
		l, pattern = constant(p, b.X)
		column = b.Y
	}
	where, _ := p.Enclosing(b, syntax.Kinds(syntax.KindWhere, syntax.KindJoin, syntax.KindHaving))
	if _, ok := syntax.Unparen(column).(*syntax.Name); !ok || l == nil || where == nil || !isPattern(pattern) {
		return
	}
	sign := "LIKE"
	if b.Op == syntax.OpNotEqual {
		sign = "NOT LIKE"
	}
	f := check.Finding{Span: b.Span(), Context: where.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("= takes the %% of %s for a letter", p.Brief(l)),
		Why:     "Only LIKE reads % as any letters.",
		Mends:   []check.Mend{{Title: "say " + sign, Effect: check.NewRows, Edits: []text.Edit{check.Replace(b.OpSpan, p.Word(where.Span().Start, sign))}}},
	}
	if column == b.Y {
		f.Mends[0].Edits = []text.Edit{check.Replace(b.Span(), p.Text(column)+" "+p.Word(where.Span().Start, sign)+" "+p.Text(l))}
	}
	p.Report(f)
}

func runWildcardInList(p *check.Pass, in *syntax.In) {
	if _, ok := syntax.Unparen(in.X).(*syntax.Name); !ok || len(in.List) > 100 {
		return
	}
	for _, x := range in.List {
		l, pattern := constant(p, x)
		if l == nil || !isPattern(pattern) {
			continue
		}
		p.Report(check.Finding{Span: l.Span(), Context: in.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("IN takes the %% of %s for a letter", p.Brief(l)),
			Why:     "Only LIKE reads % as any letters.",
			Mends:   []check.Mend{{Title: "ask for it by LIKE, joined by OR", Effect: check.ByHand}},
		})
		return
	}
}

var shellWildcard = &check.Check{
	ID:       "match.shell-wildcard",
	Title:    "* in a LIKE pattern",
	Doc:      "LIKE knows % for any letters and _ for one. An asterisk is a letter like any other there; it is a wildcard in file names, and in SQLite's GLOB.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE name LIKE 'Ash*'",
		Good: "SELECT name FROM hives WHERE name LIKE 'Ash%'",
		Near: []string{
			"SELECT name FROM hives WHERE name LIKE 'Ash%'",
			"SELECT name FROM hives WHERE name LIKE '%*%'",
			"SELECT name FROM hives WHERE name LIKE 'A* of %'",
		},
	}, {
		Dialect: dialect.SQLite,
		Near:    []string{"SELECT name FROM hives WHERE name GLOB 'Ash*'"},
	}},
	On: check.Nodes(runShellWildcard),
}

func runShellWildcard(p *check.Pass, n *syntax.Like) {
	l, pattern := constant(p, n.Pattern)
	if l == nil || n.Op > syntax.OpILike || n.Escape != nil || strings.ContainsAny(pattern, "%_\\") || isExpression(pattern) || !strings.HasPrefix(pattern, "*") && !strings.HasSuffix(pattern, "*") {
		return
	}
	mended := "'" + strings.NewReplacer("*", "%", "?", "_").Replace(pattern) + "'"
	p.Report(check.Finding{Span: l.Span(), Context: n.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("LIKE takes the * of %s for a letter", p.Brief(l)),
		Why:     "% stands for any letters, _ for one.",
		Mends:   []check.Mend{{Title: "write " + mended, Effect: check.NewRows, Edits: []text.Edit{check.Replace(l.Span(), mended)}}},
	})
}

var foreignPattern = &check.Check{
	ID:    "match.foreign-pattern",
	Title: "a regular expression, or a set of letters, in a LIKE pattern",
	Doc: "LIKE knows two wildcards, % and _, and everything else in its pattern stands for itself: ^, $ and .* are letters there, and so are the brackets of [A-C], which only SQL Server takes for a set. Each database but SQL Server " +
		"has an operator or a function for regular expressions: ~ on PostgreSQL, REGEXP on MySQL and MariaDB, RLIKE on Spark, REGEXP_LIKE on Oracle.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE name LIKE '^Ash.*$'",
		Good:    "SELECT name FROM hives WHERE name ~ '^Ash.*$'",
		Near: []string{
			"SELECT name FROM hives WHERE name LIKE 'Ash%'",
			"SELECT name FROM hives WHERE name LIKE '[old] %'",
			"SELECT name FROM hives WHERE name LIKE '%$'",
			"SELECT name FROM hives WHERE name SIMILAR TO '[A-C]%'",
			"SELECT name FROM hives WHERE name ~ '^[A-C].*$'",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name FROM hives WHERE name LIKE '[A-C]%'",
		Good:    "SELECT name FROM hives WHERE name REGEXP '^[A-C]'",
	}, {
		Dialect: dialect.SQLServer,
		Near:    []string{"SELECT name FROM hives WHERE name LIKE '[A-C]%'"},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT name FROM hives WHERE name NOT LIKE 'hive [0-9]'",
		Good:    "SELECT name FROM hives WHERE NOT REGEXP_LIKE(name, '^hive [0-9]$')",
	}},
	On: check.Nodes(runForeignPattern),
}

func runForeignPattern(p *check.Pass, n *syntax.Like) {
	l, pattern := constant(p, n.Pattern)
	if l != nil && n.Op == syntax.OpGlob && p.Dialect == dialect.SQLite {
		percentInGlob(p, n, l, pattern)
		return
	}
	if l == nil || n.Op > syntax.OpILike || n.Escape != nil || strings.Contains(pattern, "\\") {
		return
	}
	f := check.Finding{Span: l.Span(), Context: n.Span(), Certainty: check.Likely}
	expression := pattern
	switch {
	case isExpression(pattern):
		f.Message = fmt.Sprintf("LIKE takes the signs of %s for letters, as if it were no regular expression", p.Brief(l))
		f.Why = "The only wildcards of LIKE are % and _."
	case holdsRange(pattern) && p.Dialect != dialect.SQLServer && p.Dialect != dialect.ANSI:
		f.Message = fmt.Sprintf("LIKE takes the brackets of %s for letters", p.Brief(l))
		f.Why = "Only SQL Server's LIKE knows sets of letters in brackets."
		expression = expressionOf(pattern)
	default:
		return
	}
	f.Mends = []check.Mend{expressionMend(p, n, expression)}
	p.Report(f)
}

// percentInGlob tells of LIKE's wildcard in a pattern of GLOB, whose own are * and ?.
func percentInGlob(p *check.Pass, n *syntax.Like, l *syntax.Literal, pattern string) {
	if strings.ContainsAny(pattern, "*?[") || !strings.HasPrefix(pattern, "%") && !strings.HasSuffix(pattern, "%") {
		return
	}
	mended := "'" + strings.ReplaceAll(pattern, "%", "*") + "'"
	p.Report(check.Finding{Span: l.Span(), Context: n.Span(), Certainty: check.Likely,
		Message: fmt.Sprintf("GLOB takes the %% of %s for a letter", p.Brief(l)),
		Why:     "Its wildcards are * and ?, as those of file names.",
		Mends:   []check.Mend{{Title: "write " + mended, Effect: check.NewRows, Edits: []text.Edit{check.Replace(l.Span(), mended)}}},
	})
}

// isExpression reports whether a pattern of LIKE is a regular expression: it is anchored, or repeats any
// letter.
func isExpression(pattern string) bool {
	return !strings.ContainsAny(pattern, "%") && (strings.HasPrefix(pattern, "^") && len(pattern) > 2 || strings.Contains(pattern, ".*") || strings.Contains(pattern, ".+"))
}

// holdsRange reports whether a pattern holds a set of letters with a range, as [A-C], or one that is
// turned round, as [^A].
func holdsRange(pattern string) bool {
	_, behind, ok := strings.Cut(pattern, "[")
	set, _, closed := strings.Cut(behind, "]")
	if !ok || !closed || len(set) < 2 {
		return false
	}
	return set[0] == '^' || len(set)%3 == 0 && set[1] == '-' && set[0] < set[2]
}

// expressionOf writes a pattern of SQL Server's LIKE as a regular expression; "" where it has letters
// that mean something there.
func expressionOf(pattern string) string {
	if strings.ContainsAny(pattern, "$.*+?(){}|'") {
		return ""
	}
	expression := "^" + strings.NewReplacer("%", ".*", "_", ".").Replace(pattern) + "$"
	return strings.TrimPrefix(strings.TrimSuffix(expression, ".*$"), "^.*")
}

// expressionMend compares with a regular expression as the dialect does.
func expressionMend(p *check.Pass, n *syntax.Like, expression string) check.Mend {
	m := check.Mend{Title: "match a regular expression", Effect: check.NewRows}
	not, operator := "", ""
	if n.Not {
		not = p.Word(n.OpSpan.Start, "NOT") + " "
	}
	switch p.Dialect {
	case dialect.Postgres:
		operator = "~"
		if n.Op == syntax.OpILike {
			operator = "~*"
		}
		if n.Not {
			not, operator = "", "!"+operator
		}
	case dialect.MySQL, dialect.MariaDB:
		operator = p.Word(n.OpSpan.Start, "REGEXP")
	case dialect.Spark:
		operator = p.Word(n.OpSpan.Start, "RLIKE")
	case dialect.Oracle:
		if expression != "" {
			m.Edits = []text.Edit{check.Replace(n.Span(), fmt.Sprintf("%sREGEXP_LIKE(%s, '%s')", not, p.Text(n.X), expression))}
			return m
		}
	}
	if operator == "" || expression == "" {
		return check.Mend{Title: "write the pattern with % and _, or match a regular expression", Effect: check.ByHand}
	}
	m.Edits = []text.Edit{check.Replace(n.Span(), fmt.Sprintf("%s %s%s '%s'", p.Text(n.X), not, operator, expression))}
	return m
}

var openUnderscore = &check.Check{
	ID:        "match.open-underscore",
	Title:     "an underscore in a LIKE pattern",
	Doc:       "In a pattern _ stands for any one letter. A name that holds an underscore, as north_field, matches northXfield as well. With an escape the underscore is itself.",
	Verdicts:  check.Everywhere(check.Wrong),
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "SELECT name FROM hives WHERE name LIKE 'north_field%'",
		Good: "SELECT name FROM hives WHERE name LIKE 'north!_field%' ESCAPE '!'",
		Near: []string{
			"SELECT name FROM hives WHERE name LIKE 'north!_field%' ESCAPE '!'",
			"SELECT name FROM hives WHERE name LIKE '_field%'",
			"SELECT name FROM hives WHERE name LIKE 'A__'",
		},
	}},
	On: check.Nodes(runOpenUnderscore),
}

func runOpenUnderscore(p *check.Pass, n *syntax.Like) {
	l, pattern := constant(p, n.Pattern)
	if l == nil || n.Op > syntax.OpILike || n.Escape != nil || strings.ContainsAny(pattern, "\\!") || !p.Wants(check.Possible) {
		return
	}
	at := strings.IndexByte(pattern, '_')
	if at < 2 || at+2 >= len(pattern) || !isLetter(pattern[at-1]) || !isLetter(pattern[at-2]) || !isLetter(pattern[at+1]) || !isLetter(pattern[at+2]) {
		return
	}
	p.Report(check.Finding{Span: l.Span(), Context: n.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("the _ of %s stands for any one letter", p.Brief(l)),
		Why:     "An underscore that is meant needs an escape.",
		Mends: []check.Mend{{Title: "escape it", Effect: check.NewRows, Edits: []text.Edit{
			check.Replace(l.Span(), "'"+strings.ReplaceAll(pattern, "_", "!_")+"' "+p.Word(n.OpSpan.Start, "ESCAPE")+" '!'")}}},
	})
}

var caseNever = &check.Check{
	ID:    "match.case-never",
	Title: "a text in capitals compared with small letters",
	Doc: "UPPER gives capitals only, and equals no text with a small letter. PostgreSQL, Oracle, SQLite and Spark compare by letter case, so the condition is never true. MySQL, MariaDB and SQL Server mostly do not mind " +
		"letter case.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Fine, dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLServer)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE UPPER(name) = 'Ash'",
		Good:    "SELECT name FROM hives WHERE UPPER(name) = 'ASH'",
		Near: []string{
			"SELECT name FROM hives WHERE UPPER(name) = 'ASH'",
			"SELECT name FROM hives WHERE LOWER(name) = 'ash'",
			"SELECT name FROM hives WHERE UPPER(name) = UPPER('Ash')",
			"SELECT name FROM hives WHERE UPPER(name) > 'Ash'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT name FROM hives WHERE LOWER(name) LIKE 'Ash%'",
		Good:    "SELECT name FROM hives WHERE LOWER(name) LIKE 'ash%'",
	}, {
		Dialect: dialect.MariaDB,
		Near:    []string{"SELECT name FROM hives WHERE UPPER(name) = 'Ash'"},
	}},
	On: check.Comparisons(runCaseNever).With(facts.TextSide).And(check.Nodes(runCaseNeverLike)).And(check.Nodes(runCaseNeverIn)),
}

// letterCase gives the function of a call that makes capitals or small letters.
func letterCase(p *check.Pass, x syntax.Expr) (upper, ok bool) {
	c, isCall := syntax.Unparen(x).(*syntax.Call)
	if !isCall || len(c.Args) != 1 {
		return false, false
	}
	switch p.FunctionName(c) {
	case "upper", "ucase":
		return true, true
	case "lower", "lcase":
		return false, true
	}
	return false, false
}

// otherCase reports whether a text has a letter that such a call never gives.
func otherCase(pattern string, upper bool) bool {
	for i := range len(pattern) {
		if c := pattern[i]; upper && 'a' <= c && c <= 'z' || !upper && 'A' <= c && c <= 'Z' {
			return true
		}
	}
	return false
}

func runCaseNever(p *check.Pass, b *syntax.Binary) {
	if b.Op != syntax.OpEqual && b.Op != syntax.OpNotEqual {
		return
	}
	tellCase(p, b, b.X, b.Y)
	tellCase(p, b, b.Y, b.X)
}

func runCaseNeverLike(p *check.Pass, n *syntax.Like) {
	if n.Op == syntax.OpLike && p.Dialect != dialect.SQLite {
		tellCase(p, n, n.X, n.Pattern)
	}
}

func runCaseNeverIn(p *check.Pass, in *syntax.In) {
	if _, ok := letterCase(p, in.X); !ok || len(in.List) > 100 {
		return
	}
	for _, x := range in.List {
		tellCase(p, in, in.X, x)
	}
}

func tellCase(p *check.Pass, around syntax.Expr, call, value syntax.Expr) {
	upper, ok := letterCase(p, call)
	l, pattern := constant(p, value)
	if !ok || l == nil || !otherCase(pattern, upper) || strings.Contains(pattern, "\\") {
		return
	}
	what, other, mended := "capitals", "small letters", strings.ToUpper(pattern)
	if !upper {
		what, other, mended = other, what, strings.ToLower(pattern)
	}
	p.Report(check.Finding{Span: l.Span(), Context: around.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s gives %s only, and %s has %s", p.Brief(call), what, p.Brief(l), other),
		Why:     "The two are never equal, for texts are compared by letter case.",
		Mends:   []check.Mend{{Title: "write '" + mended + "'", Effect: check.NewRows, Edits: []text.Edit{check.Replace(l.Span(), "'"+mended+"'")}}},
	})
}

var caseDiffers = &check.Check{
	ID:    "match.case-differs",
	Title: "a search of which letter case matters on some databases only",
	Doc: "LIKE minds letter case on PostgreSQL, Oracle and Spark. On SQLite, and with the usual collations of MySQL, MariaDB and SQL Server, it does not. The same query finds other rows when the database " +
		"changes.",
	Verdicts:  check.Everywhere(check.Unclear),
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "SELECT name FROM hives WHERE name LIKE 'Ash%'",
		Near: []string{
			"SELECT name FROM hives WHERE LOWER(name) LIKE 'ash%'",
			"SELECT name FROM hives WHERE name LIKE '12%'",
			"SELECT name FROM hives WHERE name = 'Ash'",
		},
	}},
	On: check.Nodes(runCaseDiffers).In(dialect.In(dialect.ANSI)),
}

func runCaseDiffers(p *check.Pass, n *syntax.Like) {
	l, pattern := constant(p, n.Pattern)
	_, column := syntax.Unparen(n.X).(*syntax.Name)
	if l == nil || n.Op != syntax.OpLike || !column || !p.Wants(check.Possible) || !otherCase(pattern, true) && !otherCase(pattern, false) {
		return
	}
	p.Report(check.Finding{Span: n.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("whether %s minds letter case depends on the database", p.Brief(n)),
		Why:     "PostgreSQL, Oracle and Spark do, SQLite, MySQL, MariaDB and SQL Server mostly do not.",
		Mends:   []check.Mend{{Title: "make both sides small letters where it should not matter", Effect: check.ByHand}},
	})
}
