package run

import (
	"regexp"
	"strings"
	"unicode/utf8"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// patterns are the regular expressions that a place in a query was asked with. Only what all the
// engines of the databases read alike is worked out: letters, sets, repetitions, alternatives, groups
// and anchors (PostgreSQL, 9.7.3; PCRE for MariaDB; ICU for MySQL; Java for Spark; POSIX for Oracle).
type patterns struct {
	fold bool // whatever the letter case
	read map[string]*regexp.Regexp
}

// mostPatterns bounds how many are kept.
const mostPatterns = 64

// of gives a regular expression, made by a translation of what is written.
func (p *patterns) of(written string, translate func(string) (string, bool)) *regexp.Regexp {
	if known, ok := p.read[written]; ok {
		return known
	}
	form, ok := translate(written)
	if !ok {
		panic(unknownHere("the pattern '" + written + "'"))
	}
	flags := "(?s)"
	if p.fold {
		flags = "(?si)"
	}
	made, err := regexp.Compile(flags + form)
	if err != nil {
		panic(unknownHere("the pattern '" + written + "'"))
	}
	if p.read == nil || len(p.read) >= mostPatterns {
		p.read = map[string]*regexp.Regexp{}
	}
	p.read[written] = made
	return made
}

// subject gives a text that a pattern is tried on; what the engines take differently is not known.
func subject(s string) string {
	if strings.ContainsAny(s, "\n\r") || !isASCII(s) {
		panic(unknownHere("a pattern on such a text"))
	}
	return s
}

func isASCII(s string) bool {
	for i := range len(s) {
		if s[i] >= utf8.RuneSelf {
			return false
		}
	}
	return true
}

// sharedForm reads a regular expression whose parts all engines take alike; ok is false for others.
func sharedForm(p string) (form string, ok bool) {
	repeats := true // nothing that could be repeated stands before
	for i := 0; i < len(p); i++ {
		began := repeats
		repeats = false
		switch at := p[i]; {
		case at >= utf8.RuneSelf, at < ' ':
			return "", false
		case at == '*' || at == '+' || at == '?' || at == '{':
			if began {
				return "", false // at the beginning, or doubled: lazy, possessive, an error
			}
			if at == '{' {
				end := strings.IndexByte(p[i:], '}')
				if end < 2 || strings.Trim(p[i+1:i+end], "0123456789,") != "" || p[i+1] == ',' {
					return "", false
				}
				i += end
			}
			repeats = true
		case at == '(' || at == '|' || at == '^':
			if i+1 < len(p) && (p[i+1] == '?' || p[i+1] == '|' || p[i+1] == ')') || at == '|' && (began || i+1 == len(p)) {
				return "", false
			}
			repeats = true
		case at == '}' || at == ']':
			return "", false
		case at == '[':
			end := setEnd(p[i:])
			if end < 0 {
				return "", false
			}
			i += end
		case at == '\\':
			i++
			if i == len(p) || !strings.ContainsRune(`dws.*+?()[]{}|^$\/-`, rune(p[i])) {
				return "", false
			}
		}
	}
	return p, true
}

// setEnd gives where a set of characters at the beginning of a pattern ends, -1 for one that engines
// may read differently.
func setEnd(p string) int {
	i := 1
	if i < len(p) && p[i] == '^' {
		i++
	}
	if i < len(p) && p[i] == ']' {
		return -1
	}
	for ; i < len(p); i++ {
		switch {
		case p[i] == ']':
			return i
		case strings.HasPrefix(p[i:], "[:"):
			end := strings.Index(p[i:], ":]")
			if end < 0 {
				return -1
			}
			switch p[i+2 : i+end] {
			case "alpha", "digit", "alnum", "upper", "lower", "space", "punct":
			default:
				return -1
			}
			i += end + 1
		case p[i] == '[' || p[i] == '\\' || p[i] == '&' || p[i] == '~':
			return -1
		}
	}
	return -1
}

// similarForm gives the regular expression of a pattern of SIMILAR TO (PostgreSQL, 9.7.2).
func similarForm(p string) (form string, ok bool) {
	var b strings.Builder
	b.WriteString("^(?:")
	for i := 0; i < len(p); i++ {
		switch p[i] {
		case '%':
			b.WriteString(".*")
		case '_':
			b.WriteByte('.')
		case '.', '^', '$':
			b.WriteString(`\` + p[i:i+1])
		case '\\':
			return "", false
		case '[':
			end := setEnd(p[i:])
			if end < 0 {
				return "", false
			}
			b.WriteString(p[i : i+end+1])
			i += end
		default:
			b.WriteByte(p[i])
		}
	}
	b.WriteString(")$")
	if _, ok := sharedForm(strings.TrimSuffix(strings.TrimPrefix(b.String(), "^(?:"), ")$")); !ok {
		return "", false
	}
	return b.String(), true
}

// globForm gives the regular expression of a pattern of GLOB (SQLite, "The LIKE, GLOB, REGEXP, MATCH,
// and extract operators"): * and ? stand for any characters, [ ] for one of a set.
func globForm(p string) (string, bool) { return wildForm(p, '*', '?') }

// setForm gives the regular expression of a pattern of LIKE with sets of characters (SQL Server, "LIKE").
func setForm(p string) (string, bool) { return wildForm(p, '%', '_') }

func wildForm(p string, many, one byte) (form string, ok bool) {
	var b strings.Builder
	b.WriteByte('^')
	for i := 0; i < len(p); i++ {
		switch p[i] {
		case many:
			b.WriteString(".*")
		case one:
			b.WriteByte('.')
		case '[':
			end := setEnd(p[i:])
			if end < 2 {
				return "", false
			}
			b.WriteString(p[i : i+end+1])
			i += end
		default:
			b.WriteString(regexp.QuoteMeta(p[i : i+1]))
		}
	}
	b.WriteByte('$')
	return b.String(), isASCII(p)
}

// matched compiles whether a text matches a pattern, which is translated.
func (c *compiler) matched(at syntax.Node, text, pattern eval, fold, not bool, translate func(string) (string, bool)) cond {
	r, p := c.rules, &patterns{fold: fold}
	return func(f *frame) Truth {
		v, w := text(f), pattern(f)
		if v.IsNull() || w.IsNull() {
			return Unsure
		}
		f.run.at = at
		if v.Kind != Text && r.isPostgres() {
			panic(unknownHere("a pattern on " + v.Kind.noun()))
		}
		return truthOf(p.of(r.written(w), translate).MatchString(subject(r.written(v))) != not)
	}
}

// tilde compiles PostgreSQL's operators ~, ~*, !~ and !~*, nil for others.
func (c *compiler) tilde(n *syntax.Binary) cond {
	op := c.word(n.OpSpan)
	if !c.rules.isPostgres() || strings.Trim(op, "!~*") != "" || !strings.Contains(op, "~") || len(op) > 3 {
		return nil
	}
	return c.matched(n, c.expr(n.X), c.expr(n.Y), strings.HasSuffix(op, "*"), op[0] == '!', sharedForm)
}

// regexpCall compiles the functions of regular expressions, nil for others.
func (c *compiler) regexpCall(n *syntax.Call, name string) eval {
	args, r := n.Args, c.rules
	in := map[string]dialect.Set{
		"regexp_like":    dialect.In(dialect.Postgres, dialect.MySQL, dialect.Oracle, dialect.Spark),
		"regexp_replace": everywhere &^ dialect.In(dialect.SQLite, dialect.SQLServer),
		"regexp_substr":  dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.Oracle),
	}[name]
	if !in.Has(c.Dialect) {
		return nil
	}
	flags := ""
	if last := map[string]int{"regexp_like": 2, "regexp_replace": 3}[name]; last > 0 && len(args) == last+1 && (last == 2 || r.isPostgres()) {
		lit, ok := syntax.Unparen(args[last]).(*syntax.Literal)
		if !ok || lit.Lit != syntax.TextLiteral {
			c.stop(args[last], "these flags")
		}
		flags, args = c.textOf(lit), args[:last]
	}
	if strings.Trim(flags, "gci") != "" || strings.Contains(flags, "c") && strings.Contains(flags, "i") || strings.Contains(flags, "g") && !r.isPostgres() {
		c.stop(n, "these flags")
	}
	fold := strings.Contains(flags, "i") || r.foldsCase && !strings.Contains(flags, "c")
	if name == "regexp_like" {
		if len(args) != 2 {
			return nil
		}
		is := c.matched(n, c.expr(args[0]), c.expr(args[1]), fold, false, sharedForm)
		return func(f *frame) Value { return r.truth(is(f)) }
	}
	if len(args) != map[string]int{"regexp_replace": 3, "regexp_substr": 2}[name] {
		return nil
	}
	all := !r.isPostgres() || strings.Contains(flags, "g")
	var values []eval
	for _, x := range args {
		values = append(values, c.expr(x))
	}
	p := &patterns{fold: fold}
	return func(f *frame) Value {
		var given [3]string
		for i, value := range values {
			v := value(f)
			if v.IsNull() {
				return v
			}
			given[i] = r.written(v)
		}
		f.run.at = n
		made, s := p.of(given[1], firstForm), subject(given[0])
		if name == "regexp_substr" {
			return r.partOf(made.FindStringIndex(s), s)
		}
		with := given[2]
		if strings.ContainsAny(with, `\$&`) {
			panic(unknownHere("the replacement '" + with + "'"))
		}
		if all {
			return r.text(made.ReplaceAllLiteralString(s, with))
		}
		if at := made.FindStringIndex(s); at != nil {
			s = s[:at[0]] + with + s[at[1]:]
		}
		return r.text(s)
	}
}

// firstForm is [sharedForm] of a pattern of which all engines find the same part of a text: one
// that matches something, and has no alternatives, of which some take the first and some the longest.
func firstForm(p string) (form string, ok bool) {
	form, ok = sharedForm(p)
	if !ok || strings.ContainsRune(p, '|') {
		return "", false
	}
	made, err := regexp.Compile(form)
	return form, err == nil && !made.MatchString("")
}

// partOf gives the part of a text that was found; nothing found is the empty text on MariaDB, NULL
// elsewhere ("REGEXP_SUBSTR").
func (r *rules) partOf(at []int, s string) Value {
	switch {
	case at != nil:
		return r.text(s[at[0]:at[1]])
	case r.dialect == dialect.MariaDB:
		return OfText("")
	}
	return Value{}
}

// substringOf compiles PostgreSQL's SUBSTRING (x FROM pattern): the part that matches, or that of the
// first group (PostgreSQL, 9.7.3); nil where the second argument is a position.
func (c *compiler) substringOf(n *syntax.Call) eval {
	lit, ok := syntax.Unparen(n.Args[1]).(*syntax.Literal)
	if !c.rules.isPostgres() || len(n.Args) != 2 || !ok || lit.Lit != syntax.TextLiteral {
		return nil
	}
	value, pattern, p, r := c.expr(n.Args[0]), c.textOf(lit), &patterns{}, c.rules
	return func(f *frame) Value {
		v := value(f)
		if v.IsNull() {
			return v
		}
		f.run.at = n
		s := subject(r.written(v))
		at := p.of(pattern, firstForm).FindStringSubmatchIndex(s)
		if len(at) > 2 {
			if at = at[2:4]; at[0] < 0 {
				at = nil
			}
		}
		return r.partOf(at, s)
	}
}
