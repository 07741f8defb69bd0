package claims

import (
	"errors"
	"os"
	"strings"
	"testing"

	"github.com/go-sql-driver/mysql"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
)

// TestSyntaxOnServers tries the parser's lists of statements that a database
// reads and that it refuses as syntax on the database itself.
func TestSyntaxOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		for _, statement := range lines(t, "../core/syntax/testdata/taken/"+s.dialect.String()+".sql", "--") {
			assert.NoError(t, s.syntaxError(statement), statement)
		}
		for _, statement := range lines(t, "../core/syntax/testdata/refused/"+s.dialect.String()+".txt", "#") {
			statement = strings.NewReplacer("»", "", "«", "").Replace(statement)
			assert.Error(t, s.syntaxError(statement), statement)
		}
	})
}

// lines gives the lines of a file that are neither blank nor comments.
func lines(t *testing.T, path, comment string) []string {
	t.Helper()
	src, err := os.ReadFile(path)
	require.NoError(t, err)
	var out []string
	for line := range strings.Lines(string(src)) {
		if line = strings.TrimSpace(line); line != "" && !strings.HasPrefix(line, comment) {
			out = append(out, line)
		}
	}
	require.NotEmpty(t, out)
	return out
}

// syntaxError lets the database read a statement without running it, and gives
// the error by which it says that it cannot.
func (s *server) syntaxError(statement string) error {
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.dialect == dialect.MariaDB { // the driver's own Prepare does not take all statements
		_, err := s.db.Exec("PREPARE statement FROM '" + strings.NewReplacer(`\`, `\\`, "'", "''").Replace(statement) + "'")
		var refusal *mysql.MySQLError
		if errors.As(err, &refusal) && refusal.Number == 1064 {
			return err
		}
		return nil
	}
	prepared, err := s.db.Prepare(statement)
	if err == nil {
		return prepared.Close()
	}
	var refusal *pgconn.PgError
	switch {
	case errors.As(err, &refusal):
		// 42601 syntax_error, 42809 wrong_object_type: a window function without OVER
		if refusal.Code != "42601" && refusal.Code != "42809" && refusal.Code != "22P02" {
			return nil
		}
	case !strings.Contains(err.Error(), "syntax error") && !strings.Contains(err.Error(), "incomplete input") &&
		!strings.Contains(err.Error(), "unrecognized token") && !strings.Contains(err.Error(), "misuse of window function"):
		return nil
	}
	return err
}
