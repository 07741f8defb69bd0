// Package database reads what databases know of their tables: SQLite files,
// PostgreSQL, MariaDB and MySQL. It gives DDL text in the database's own
// dialect, which core/schema reads like any other.
//
//	database.go  sources, and what can go wrong with them
//	address.go   addresses of servers, and what of them may be shown
//	sqlite.go    SQLite files
//	postgres.go  PostgreSQL
//	mysql.go     MariaDB and MySQL
//	rows.go      the rows of tables
//	plan.go      the plans of queries
package database

import (
	"bytes"
	"context"
	"crypto/tls"
	"crypto/x509"
	"errors"
	"fmt"
	"io"
	"net"
	"net/url"
	"os"
	"strings"
	"time"

	"github.com/go-sql-driver/mysql"

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
	// Rows are about how many rows tables have, as far as the database keeps count.
	Rows []TableRows
	// Missing tells of what could not be read, and which right is missing.
	Missing []string
}

// TableRows is about how many rows a table has.
type TableRows struct {
	Qualifier, Name string
	Rows            int64
}

// sqliteHeader begins every SQLite file ("Database File Format", 1.3).
const sqliteHeader = "SQLite format 3\x00"

// IsSource reports whether a name is that of a database, not of DDL text: an address
// such as postgres://… or mysql://…, or a SQLite file.
func IsSource(name string) bool {
	if IsAddress(name) {
		return true
	}
	if info, err := os.Stat(name); err != nil || !info.Mode().IsRegular() {
		return false // a pipe can be read once
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

// Read asks a database for its tables; it changes nothing there. ${NAME} in an address
// stands for what env gives. Errors are one line for people and never hold a password.
func Read(ctx context.Context, source string, env func(string) string) (Schema, error) {
	ctx, cancel := context.WithTimeout(ctx, Timeout)
	defer cancel()
	if !IsAddress(source) {
		return readSQLite(ctx, source)
	}
	u, err := parseAddress(source, env)
	if err != nil {
		return Schema{}, err
	}
	if u.Scheme == "postgres" {
		return readPostgres(ctx, u)
	}
	return readMySQL(ctx, u, env)
}

// refusal is what a server gave as the reason for not answering a question.
type refusal struct {
	user, unknown bool // wrong user or password; no such database
	message       string
}

// failure says in one line, in our own words, why a database gave no answer; r is nil
// where the server gave no reason.
func failure(u *url.URL, err error, r *refusal) error {
	where, product := Redacted(u.String()), "MariaDB or MySQL"
	if u.Scheme == "postgres" {
		product = "PostgreSQL"
	}
	var tooLarge *frameError
	switch {
	case r != nil && r.user:
		return fmt.Errorf("%s: refused for user %q; check user and password", where, u.User.Username())
	case r != nil && r.unknown:
		return fmt.Errorf("%s: no database %q there", where, strings.Trim(u.Path, "/"))
	case errors.Is(err, errMuch):
		return fmt.Errorf("%s: tells more of its tables than the %d MB that are read", where, mostCatalogue>>20)
	case errors.As(err, &tooLarge):
		return fmt.Errorf("%s: does not answer as %s does", where, product)
	case errors.Is(err, context.Canceled):
		return fmt.Errorf("%s: stopped while waiting for an answer", where)
	case errors.Is(err, context.DeadlineExceeded), isTimeout(err):
		return fmt.Errorf("%s: no answer within %s; is it %s, and is a table locked there?", where, Timeout, product)
	case r != nil:
		return fmt.Errorf("%s: it answers %q", where, shortened(r.message))
	case isTLS(err):
		return fmt.Errorf("%s: no encrypted connection with a certificate that can be trusted; see sslmode= and tls= in the README", where)
	case isNetwork(err):
		return fmt.Errorf("%s: nobody answers there; is the server running?", where)
	}
	return fmt.Errorf("%s: does not answer as %s does", where, product)
}

func isTimeout(err error) bool {
	var network net.Error
	return errors.As(err, &network) && network.Timeout()
}

func isTLS(err error) bool {
	var record tls.RecordHeaderError
	var verification *tls.CertificateVerificationError
	var authority x509.UnknownAuthorityError
	var host x509.HostnameError
	return errors.As(err, &record) || errors.As(err, &verification) || errors.As(err, &authority) || errors.As(err, &host) ||
		errors.Is(err, mysql.ErrNoTLS) || strings.Contains(err.Error(), "TLS")
}

func isNetwork(err error) bool {
	var operation *net.OpError
	var lookup *net.DNSError
	return errors.As(err, &operation) || errors.As(err, &lookup)
}

// shortened gives the beginning of what a server says, on one line.
func shortened(s string) string {
	const most = 200
	r := []rune(strings.Join(strings.Fields(s), " "))
	if len(r) > most {
		return string(r[:most]) + "…"
	}
	return string(r)
}

// mostCatalogue bounds what is read of a server: a false one could go on for ever.
const mostCatalogue = 256 << 20

var errMuch = errors.New("more than is read")

// budget counts what is read of a server.
type budget struct{ bytes int }

func (b *budget) take(texts ...string) error {
	for _, t := range texts {
		b.bytes += len(t) + 16
	}
	if b.bytes > mostCatalogue {
		return errMuch
	}
	return nil
}
