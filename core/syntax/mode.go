package syntax

import (
	"bytes"
	"cmp"
	"maps"
	"strings"

	"justlens/core/dialect"
	"justlens/core/dialect/word"
)

// Modes are the settings of a session, as far as SET has changed how a text is read. The zero
// Modes are those in which a text begins.
type Modes struct {
	list  string            // of sql_mode; "" for the usual
	saved map[string]string // lists by the variables that keep them
	// variables tells that Spark's DECLARE VARIABLE was met: a name may be that of one.
	variables bool
}

// mostSaved bounds how many variables that keep modes are remembered.
const mostSaved = 64

// Modes gives those in which the next statement is read.
func (p *Parser) Modes() Modes { return p.modes }

// Resume goes on in the modes of another place of the text, behind [Parser.ResetAt].
func (p *Parser) Resume(m Modes) {
	if p.modes = m; m.list != "" {
		p.setMode(m.list)
	}
}

// setsMode follows SET sql_mode of MySQL and MariaDB ("Server SQL Modes", "SQL_MODE" of their
// documentation), also behind SESSION, beside other settings, and where a variable keeps it.
func (p *Parser) setsMode(tokens []Token) {
	if p.dialect == dialect.Spark && len(tokens) > 1 && tokens[0].word == word.Declare {
		p.modes.variables = true
	}
	if len(tokens) < 4 || tokens[0].word != word.Set || !p.scan.rules.executed {
		return
	}
	for i := 1; i+2 < len(tokens); i++ {
		if tokens[i+1].Kind != Equal && tokens[i+1].Kind != AssignOperator {
			continue
		}
		name, value := p.setting(tokens[i]), tokens[i+2]
		whole := i+3 == len(tokens) || tokens[i+3].Kind == Comma || tokens[i+3].Kind == Semicolon
		switch {
		case name != "sql_mode":
			if whole && tokens[i].Kind == VariableName && p.setting(value) == "sql_mode" && len(p.modes.saved) < mostSaved {
				p.modes.saved = maps.Clone(p.modes.saved) // others may go on from here
				if p.modes.saved == nil {
					p.modes.saved = map[string]string{}
				}
				p.modes.saved[name] = p.modes.list
			}
		case tokens[i-1].word == word.Global: // which later sessions begin with
		case whole && (value.Kind == TextToken || value.Kind == NumberToken || value.Kind == WordToken && value.word != word.Default):
			list := strings.ToUpper(string(bytes.Trim(p.scan.src[value.Span.Start:value.Span.End], "'\"")))
			p.setMode(cmp.Or(list, "NONE"))
		case whole && value.Kind == VariableName:
			p.setMode(p.modes.saved[p.setting(value)])
		default:
			p.setMode("")
		}
	}
}

// setting gives the name of a variable of the session or the server, in lower case.
func (p *Parser) setting(t Token) string {
	name := bytes.TrimLeft(p.scan.src[t.Span.Start:t.Span.End], "@")
	return strings.ToLower(string(name[bytes.LastIndexByte(name, '.')+1:])) // of @@SESSION.sql_mode
}

// setMode goes on in a list of modes; "" is the usual.
func (p *Parser) setMode(list string) {
	p.modes.list = list
	has := map[string]bool{}
	for mode := range strings.SplitSeq(list, ",") {
		has[strings.TrimSpace(mode)] = true
	}
	rules := rulesOf(p.began)
	p.dialect, p.lax = p.began, list != "" && !has["STRICT_TRANS_TABLES"] && !has["STRICT_ALL_TABLES"] && !has["TRADITIONAL"]
	ansi := has["ANSI"] || has["ORACLE"] || has["MSSQL"] || has["POSTGRESQL"] || has["DB2"] || has["MAXDB"]
	p.scan.rules.doubleText = rules.doubleText && !ansi && !has["ANSI_QUOTES"]
	p.scan.rules.pipesOr = rules.pipesOr && !ansi && !has["PIPES_AS_CONCAT"]
	p.scan.rules.backslash = rules.backslash && !has["NO_BACKSLASH_ESCAPES"]
	if has["ORACLE"] && p.scan.rules.mariaComments { // MariaDB reads much of Oracle's grammar then
		p.dialect = dialect.Oracle
	}
}
