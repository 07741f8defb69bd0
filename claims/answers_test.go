package claims

import (
	"errors"
	"fmt"
	"regexp"
	"strings"
	"testing"

	"github.com/go-sql-driver/mysql"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
)

var answerForms = map[dialect.Dialect]*regexp.Regexp{
	dialect.Postgres: regexp.MustCompile(`^[0-9A-Z]{5}$`),
	dialect.MariaDB:  regexp.MustCompile(`^[0-9]{4}$`),
}

// TestAnswersOnServers tries that a server answers to the examples that it refuses by one of the
// errors that their check declares, where it declares any of the server.
func TestAnswersOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		form := answerForms[s.dialect]
		if form == nil {
			return // SQLite answers in words
		}
		tried := 0
		for _, c := range checks.All() {
			for _, e := range c.Examples {
				if e.Bad == "" || !runsOn(e, s.dialect) {
					continue
				}
				answer := answerOf(s, e.Bad)
				if answer == "" || strings.Contains(e.Bad, "; ") || len(findings(t, s.dialect, []*check.Check{c}, e.Bad)) == 0 {
					continue
				}
				var declared []string
				for _, code := range c.Errors {
					if form.MatchString(code) {
						declared = append(declared, code)
					}
				}
				if len(declared) > 0 {
					tried++
					assert.Contains(t, declared, answer, "%s: %s", c.ID, e.Bad)
				}
			}
		}
		require.Greater(t, tried, 15)
	})
}

// answerOf gives the number by which a server refuses a query, "" if it runs.
func answerOf(s *server, query string) string {
	_, err := s.rows(query)
	var p *pgconn.PgError
	var m *mysql.MySQLError
	switch {
	case errors.As(err, &p):
		return p.Code
	case errors.As(err, &m):
		return fmt.Sprint(m.Number)
	}
	return ""
}
