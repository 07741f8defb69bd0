package database

import (
	"bytes"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"io"
	"net/url"
	"os"
	"path/filepath"
	"time"

	"modernc.org/sqlite"
	sqlite3 "modernc.org/sqlite/lib"

	"justlens/core/dialect"
)

// lockWait is how long the lock of a program that writes to a file is waited for.
const lockWait = 5 * time.Second

// readSQLite gives the statements by which everything in a file was created, as
// the file keeps them ("The Schema Table" of SQLite's documentation). Nothing is left
// beside the file, and nothing there is changed.
func readSQLite(ctx context.Context, path string) (Schema, error) {
	s := Schema{Dialect: dialect.SQLite}
	err := withSQLite(path, func(db *sql.DB) (err error) {
		if s.DDL, err = sqliteMaster(ctx, db); err == nil {
			s.Rows, err = sqliteRows(ctx, db)
		}
		return err
	})
	if err != nil {
		return Schema{}, fmt.Errorf("%s: %w", path, sqliteFailure(err))
	}
	return s, nil
}

// sqliteRows takes the last number of a row for their number, which is quick to find and too
// high only where rows were deleted. Tables WITHOUT ROWID have none.
func sqliteRows(ctx context.Context, db *sql.DB) (all []TableRows, err error) {
	tables, err := db.QueryContext(ctx, "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite@_%' ESCAPE '@' AND sql LIKE 'CREATE TABLE%'")
	if err != nil {
		return nil, err
	}
	defer tables.Close()
	for tables.Next() {
		var t TableRows
		if err := tables.Scan(&t.Name); err != nil {
			return nil, err
		}
		all = append(all, t)
	}
	if err := tables.Err(); err != nil {
		return nil, err
	}
	for i := range all {
		var last sql.NullInt64
		if err := db.QueryRowContext(ctx, "SELECT MAX(rowid) FROM "+dialect.SQLite.Quote(all[i].Name)).Scan(&last); err == nil {
			all[i].Rows = last.Int64
		}
	}
	return all, ctx.Err()
}

// withSQLite opens a file so that nothing there is changed, and gives it to use; where that cannot
// be, a copy of it.
func withSQLite(path string, use func(*sql.DB) error) error {
	logged, err := isLogged(path)
	switch _, missing := os.Stat(path + "-wal"); {
	case err != nil:
		return err
	case !logged:
		err := openSQLite(path, "mode=ro", use)
		if code := sqliteCode(err); code == sqlite3.SQLITE_READONLY || code == sqlite3.SQLITE_CANTOPEN {
			return sqliteCopy(path, "-journal", use) // what a program that was killed left is to be rolled back first
		}
		return err
	case missing != nil:
		return openSQLite(path, "immutable=1", use) // nobody has it open, else its log would be there
	}
	return sqliteCopy(path, "-wal", use) // SQLite would make an index of the log beside it
}

// isLogged reports whether a file is in WAL mode, by its read version ("Database File
// Format", 1.3.3).
func isLogged(path string) (bool, error) {
	f, err := os.Open(path)
	if err != nil {
		return false, err
	}
	defer f.Close()
	head := make([]byte, 20)
	if _, err := io.ReadFull(f, head); err != nil {
		return false, err
	}
	return head[19] == 2, nil
}

// sqliteCopy reads a private copy of a file and of what belongs to it.
func sqliteCopy(path, companion string, use func(*sql.DB) error) error {
	folder, err := os.MkdirTemp("", "justlens-*")
	if err != nil {
		return err
	}
	defer os.RemoveAll(folder)
	copied := filepath.Join(folder, "copy.db")
	for _, suffix := range []string{"", companion} {
		if err := copyFile(copied+suffix, path+suffix); err != nil && !(suffix != "" && errors.Is(err, os.ErrNotExist)) {
			return err
		}
	}
	return openSQLite(copied, "mode=rw", use)
}

func copyFile(to, from string) error {
	src, err := os.Open(from)
	if err != nil {
		return err
	}
	defer src.Close()
	dst, err := os.OpenFile(to, os.O_WRONLY|os.O_CREATE|os.O_EXCL, 0o600)
	if err != nil {
		return err
	}
	_, err = io.Copy(dst, src)
	return errors.Join(err, dst.Close())
}

func openSQLite(path, mode string, use func(*sql.DB) error) error {
	query := fmt.Sprintf("%s&_pragma=busy_timeout(%d)", mode, lockWait.Milliseconds())
	address := url.URL{Scheme: "file", Opaque: (&url.URL{Path: path}).EscapedPath(), RawQuery: query}
	db, err := sql.Open("sqlite", address.String())
	if err != nil {
		return err
	}
	defer db.Close()
	return use(db)
}

func sqliteMaster(ctx context.Context, db *sql.DB) ([]byte, error) {
	rows, err := db.QueryContext(ctx, "SELECT sql FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite@_%' ESCAPE '@' "+
		"ORDER BY CASE type WHEN 'table' THEN 1 WHEN 'index' THEN 2 ELSE 3 END, rowid")
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	var ddl bytes.Buffer
	for rows.Next() {
		var statement string
		if err := rows.Scan(&statement); err != nil {
			return nil, err
		}
		fmt.Fprintf(&ddl, "%s;\n", statement)
	}
	return ddl.Bytes(), rows.Err()
}

// sqliteCode gives the primary code of an error ("Result and Error Codes" of SQLite's
// documentation), 0 if it is none of SQLite's.
func sqliteCode(err error) int {
	var failed *sqlite.Error
	if errors.As(err, &failed) {
		return failed.Code() & 0xff
	}
	return 0
}

// sqliteFailure says in our own words why a file could not be read.
func sqliteFailure(err error) error {
	switch code := sqliteCode(err); {
	case errors.Is(err, os.ErrPermission), code == sqlite3.SQLITE_CANTOPEN, code == sqlite3.SQLITE_PERM:
		return errors.New("not allowed to read it")
	case code == sqlite3.SQLITE_BUSY, code == sqlite3.SQLITE_LOCKED:
		return fmt.Errorf("another program has locked it for more than %s; run the command again when that is done", lockWait)
	case code == sqlite3.SQLITE_CORRUPT, code == sqlite3.SQLITE_NOTADB:
		return errors.New("a SQLite file that is damaged")
	case code != 0:
		return fmt.Errorf("a SQLite file that cannot be read (SQLite's code %d)", code)
	case errors.Is(err, context.DeadlineExceeded):
		return fmt.Errorf("it was not read within %s", Timeout)
	}
	return err
}
