// Package database reads what databases know of their tables: SQLite files,
// PostgreSQL, MariaDB and MySQL. It gives DDL text in the database's own
// dialect, which core/schema reads like any other.
//
//	database.go  sources, and what can go wrong with them
//	sqlite.go    SQLite files
//	postgres.go  PostgreSQL
//	mysql.go     MariaDB and MySQL
package database

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"net/url"
	"os"
	"strings"
	"time"

	"justlens/core/dialect"
)

// Timeout bounds how long a database may take to answer.
const Timeout = 20 * time.Second

// Schema is what a database says of its tables.
type Schema struct {
	Dialect dialect.Dialect
	DDL     []byte
	// Path is where the database looks for unqualified names, nil for the usual.
	Path []string
}

// sqliteHeader begins every SQLite file ("Database File Format", 1.3).
const sqliteHeader = "SQLite format 3\x00"

// IsSource reports whether a name is that of a database, not of DDL text: a URL
// such as postgres://… or mysql://…, or a SQLite file.
func IsSource(name string) bool {
	if _, ok := schemeOf(name); ok {
		return true
	}
	f, err := os.Open(name)
	if err != nil {
		return false
	}
	defer f.Close()
	head := make([]byte, len(sqliteHeader))
	_, err = io.ReadFull(f, head)
	return err == nil && bytes.Equal(head, []byte(sqliteHeader))
}

func schemeOf(name string) (string, bool) {
	scheme, _, ok := strings.Cut(name, "://")
	switch scheme {
	case "postgres", "postgresql", "mysql", "mariadb":
		return scheme, ok
	}
	return "", false
}

// Read asks a database for its tables; it changes nothing there. Errors are one
// line for people and never hold a password.
func Read(ctx context.Context, source string) (Schema, error) {
	ctx, cancel := context.WithTimeout(ctx, Timeout)
	defer cancel()
	scheme, ok := schemeOf(source)
	if !ok {
		return readSQLite(ctx, source)
	}
	u, err := url.Parse(source)
	if err != nil || u.Host == "" {
		return Schema{}, fmt.Errorf("%s://…: not an address that can be read; write %[1]s://user:password@host:port/database", scheme)
	}
	if strings.Trim(u.Path, "/") == "" {
		return Schema{}, fmt.Errorf("%s: names no database; write it behind the host, as in %s/bees", Redacted(source), Redacted(source))
	}
	if strings.HasPrefix(scheme, "postgres") {
		return readPostgres(ctx, u)
	}
	return readMySQL(ctx, u)
}

// Redacted gives a source as it may be shown: without its password.
func Redacted(source string) string {
	scheme, ok := schemeOf(source)
	if !ok {
		return source
	}
	u, err := url.Parse(source)
	if err != nil {
		return scheme + "://…"
	}
	return fmt.Sprintf("%s://%s%s", u.Scheme, u.Host, u.Path)
}

// failure says in one line why a database gave no answer.
func failure(u *url.URL, err error, refused, unknown bool) error {
	where := Redacted(u.String())
	switch {
	case refused:
		return fmt.Errorf("%s: refused for user %q; check user and password", where, u.User.Username())
	case unknown:
		return fmt.Errorf("%s: no database %q there", where, strings.Trim(u.Path, "/"))
	case errors.Is(err, context.DeadlineExceeded):
		return fmt.Errorf("%s: no answer within %s", where, Timeout)
	case isNetwork(err):
		return fmt.Errorf("%s: nobody answers at %s; is the server running?", where, u.Host)
	}
	return fmt.Errorf("%s: %s", where, withoutPassword(u, err))
}

func withoutPassword(u *url.URL, err error) string {
	message := strings.Join(strings.Fields(err.Error()), " ")
	if password, ok := u.User.Password(); ok && password != "" {
		message = strings.ReplaceAll(message, password, "…")
		message = strings.ReplaceAll(message, url.QueryEscape(password), "…")
	}
	return message
}
