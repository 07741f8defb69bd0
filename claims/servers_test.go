package claims

import (
	"context"
	"database/sql"
	"fmt"
	"os"
	"sort"
	"strings"
	"sync"
	"testing"
	"time"

	_ "github.com/go-sql-driver/mysql"
	_ "github.com/jackc/pgx/v5/stdlib"
	"github.com/stretchr/testify/require"
	_ "modernc.org/sqlite"

	"justlens/core/dialect"
	"justlens/demo"
)

// server is a real database that holds the demo, in a database of its own.
type server struct {
	dialect dialect.Dialect
	db      *sql.DB
	mu      sync.Mutex // one statement at a time: each is undone before the next
}

// scratch is the name of the scratch database.
const scratch = "justlens_claims"

// env gives a setting or what this machine has.
func env(name, otherwise string) string {
	if v := os.Getenv(name); v != "" {
		return v
	}
	return otherwise
}

// open connects to a database and loads the demo. Without a server the test is
// skipped, which CI does not allow.
func open(t *testing.T, d dialect.Dialect) *server {
	t.Helper()
	var db *sql.DB
	var err error
	switch d {
	case dialect.Postgres:
		url := env("JUSTLENS_TEST_POSTGRES", "postgres://root@127.0.0.1:5432/postgres?sslmode=disable")
		recreate(t, "pgx", url)
		at := strings.LastIndex(url, "/")
		db, err = sql.Open("pgx", url[:at+1]+scratch+url[at+len("/postgres"):])
	case dialect.MariaDB:
		dsn := env("JUSTLENS_TEST_MARIADB", "root@tcp(127.0.0.1:3306)/")
		recreate(t, "mysql", dsn)
		db, err = sql.Open("mysql", dsn+scratch+"?multiStatements=true")
	case dialect.SQLite:
		db, err = sql.Open("sqlite", ":memory:")
	}
	require.NoError(t, err)
	db.SetMaxOpenConns(1)
	t.Cleanup(func() { db.Close() })
	for _, script := range []string{demo.Schema(), demo.Data()} {
		for _, stmt := range strings.Split(script, ";\n") {
			if strings.TrimSpace(stmt) == "" {
				continue
			}
			_, err := db.Exec(stmt)
			require.NoError(t, err, stmt)
		}
	}
	return &server{dialect: d, db: db}
}

// recreate makes the scratch database anew.
func recreate(t *testing.T, driver, dsn string) {
	t.Helper()
	db, err := sql.Open(driver, dsn)
	require.NoError(t, err)
	defer db.Close()
	ctx, cancel := context.WithTimeout(context.Background(), 10*time.Second)
	defer cancel()
	if err := db.PingContext(ctx); err != nil {
		if os.Getenv("CI") != "" {
			t.Fatalf("no %s server, and CI must not skip: %v", driver, err)
		}
		t.Skipf("no %s server here: %v", driver, err)
	}
	_, err = db.ExecContext(ctx, "DROP DATABASE IF EXISTS "+scratch)
	require.NoError(t, err)
	_, err = db.ExecContext(ctx, "CREATE DATABASE "+scratch)
	require.NoError(t, err)
}

// rows runs statements and gives the rows of the last as sorted lines, or the
// error with which the database refused one. What they change is undone.
func (s *server) rows(query string) ([]string, error) {
	lines, err := s.lines(query, func(v any) string { return fmt.Sprint(v) })
	sort.Strings(lines)
	return lines, err
}

// lines runs statements and gives the rows of the last as lines, each value as write has it.
func (s *server) lines(query string, write func(any) string) (lines []string, err error) {
	s.mu.Lock()
	defer s.mu.Unlock()
	tx, err := s.db.Begin()
	if err != nil {
		return nil, err
	}
	defer tx.Rollback()
	if words := strings.Fields(query); s.dialect == dialect.MariaDB && len(words) > 2 && strings.EqualFold(words[0], "CREATE") {
		defer tx.Exec("DROP " + words[1] + " IF EXISTS " + words[2]) // which no rollback undoes
	}
	before, last := "", query
	if parts := statements([]byte(query), s.dialect); len(parts) > 1 {
		last = parts[len(parts)-1]
		before = query[:strings.LastIndex(query, last)]
	}
	if before != "" {
		if _, err := tx.Exec(before); err != nil {
			return nil, err
		}
	}
	rows, err := tx.Query(last)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	columns, err := rows.Columns()
	if err != nil {
		return nil, err
	}
	for rows.Next() {
		values := make([]any, len(columns))
		for i := range values {
			values[i] = new(any)
		}
		if err := rows.Scan(values...); err != nil {
			return nil, err
		}
		line := ""
		for _, v := range values {
			value := *v.(*any)
			if b, ok := value.([]byte); ok {
				value = string(b)
			}
			line += write(value) + "|"
		}
		lines = append(lines, line)
	}
	return lines, rows.Err()
}

// everyServer runs a test on each database that is at hand.
func everyServer(t *testing.T, run func(*testing.T, *server)) {
	for _, d := range []dialect.Dialect{dialect.Postgres, dialect.MariaDB, dialect.SQLite} {
		t.Run(d.String(), func(t *testing.T) { run(t, open(t, d)) })
	}
}
