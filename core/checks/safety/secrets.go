package safety

import (
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var secretInText = &check.Check{
	ID:       "safety.secret-in-text",
	Title:    "a password in plain text",
	Doc:      "A password in a file of SQL is read by all who can read the file, its history and the logs of the server. A variable of the client, or a file of its own that only the owner can read, keeps it out of both.",
	Verdicts: check.Everywhere(check.Unclear),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "CREATE USER honey IDENTIFIED BY 'golden-acacia'",
		Near: []string{
			"CREATE USER honey IDENTIFIED BY ''",
			"SELECT 'golden-acacia' AS word",
			"SELECT name FROM hives WHERE name = 'password'",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE ROLE honey LOGIN PASSWORD 'golden-acacia'",
		Near: []string{
			"CREATE ROLE honey LOGIN PASSWORD NULL",
			"CREATE TABLE doors (door_id integer PRIMARY KEY, password varchar(40) DEFAULT 'none')",
		},
	}},
	On: check.Nodes(runSecret),
}

func runSecret(p *check.Pass, n *syntax.OtherStmt) {
	first := strings.ToUpper(p.BriefOf(n.Keyword))
	switch first {
	case "CREATE", "ALTER", "GRANT", "SET":
	default:
		return
	}
	tokens := tokensOf(p, n.Span())
	if first != "GRANT" && !namesAccount(p, tokens) {
		return
	}
	for i, t := range tokens {
		if t.Kind != syntax.TextToken || i < 2 || !isSecret(text.View(p.Src, t.Span)) {
			continue
		}
		before, earlier := tokens[i-1], tokens[i-2]
		if before.Kind == syntax.Equal {
			before = earlier
		}
		if word := strings.ToUpper(p.BriefOf(before.Span)); word != "PASSWORD" && !(word == "BY" && strings.EqualFold(p.BriefOf(earlier.Span), "IDENTIFIED")) {
			continue
		}
		p.Report(check.Finding{Span: t.Span, Context: n.Span(), Certainty: check.Likely,
			Message: "a password stands here in plain text",
			Why:     "All who can read the file, its history or the server's log can read it.",
			Mends:   []check.Mend{{Title: "take it from a variable of the client, or from a file that only its owner can read", Effect: check.ByHand}},
		})
		return
	}
}

// namesAccount reports whether a statement is about an account: one of its first words says so.
func namesAccount(p *check.Pass, tokens []syntax.Token) bool {
	for i := 1; i < len(tokens) && i < 5; i++ {
		switch strings.ToUpper(p.BriefOf(tokens[i].Span)) {
		case "USER", "ROLE", "LOGIN", "GROUP", "PASSWORD":
			return true
		}
	}
	return false
}

// isSecret reports whether a text may be a password: not empty, and nothing that stands for one.
func isSecret(literal string) bool {
	value := strings.Trim(literal, "'\"")
	return value != "" && !strings.ContainsAny(value[:1], ":$%{<@*&#") && !strings.EqualFold(value, "password") && !strings.HasPrefix(value, "md5") && !strings.HasPrefix(value, "SCRAM-")
}
