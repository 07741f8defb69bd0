package database

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"
	"justlens/core/dialect"
)

// Table is a table whose rows are asked for.
type Table struct {
	Name string // as it is written in SQL, with its schema and in quotes where it needs them
	// Columns are written likewise.
	Columns []string
}

// Rows are those of a table, their values as text, nil for NULL.
type Rows [][]*string

// ReadRows gives the rows of tables, each all of them, in one transaction that only reads and sees one
// state. A table of more than most rows, and an answer that takes longer than timeout, are errors
// in one line for people.
func ReadRows(ctx context.Context, source string, env func(string) string, tables []Table, most int, timeout time.Duration) (all []Rows, err error) {
	ctx, cancel := context.WithTimeout(ctx, timeout)
	defer cancel()
	if !IsAddress(source) {
		err := withSQLite(source, func(db *sql.DB) error {
			all, err = sqlRows(ctx, db, dialect.SQLite, tables, most)
			return err
		})
		var many tooMany
		if err != nil && !errors.As(err, &many) {
			err = sqliteFailure(err)
		}
		if err != nil {
			err = fmt.Errorf("%s: %w", source, err)
		}
		return all, err
	}
	u, err := parseAddress(source, env)
	if err != nil {
		return nil, err
	}
	var many tooMany
	note := func(err error) error {
		errors.As(err, &many)
		return err
	}
	if u.Scheme == "postgres" {
		err = withPostgres(ctx, u, func(conn *pgx.Conn) error {
			all, err = postgresRows(ctx, conn, tables, most)
			return note(err)
		})
	} else {
		err = withMySQL(u, env, func(db *sql.DB) error {
			all, err = sqlRows(ctx, db, dialect.MySQL, tables, most)
			return note(err)
		})
	}
	if many.table != "" {
		return nil, fmt.Errorf("%s: %w", Redacted(u.String()), many)
	}
	return all, err
}

// tooMany is the error of a table that is too large.
type tooMany struct {
	table string
	most  int
}

func (t tooMany) Error() string {
	return fmt.Sprintf("%s has more than %d rows, which is the most that is followed", t.table, t.most)
}

// query asks for the rows of a table as text.
func (t Table) query(cast string, most int) string {
	columns := make([]string, len(t.Columns))
	for i, c := range t.Columns {
		columns[i] = fmt.Sprintf(cast, c)
	}
	return fmt.Sprintf("SELECT %s FROM %s LIMIT %d", strings.Join(columns, ", "), t.Name, most+1)
}

func postgresRows(ctx context.Context, conn *pgx.Conn, tables []Table, most int) (all []Rows, err error) {
	tx, err := conn.BeginTx(ctx, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly})
	if err != nil {
		return nil, err
	}
	defer tx.Rollback(context.WithoutCancel(ctx))
	if _, err := tx.Exec(ctx, "SET LOCAL TimeZone = 'UTC'"); err != nil {
		return nil, err
	}
	for _, t := range tables {
		found, err := tx.Query(ctx, t.query("%s::text", most))
		if err != nil {
			return nil, err
		}
		var rows Rows
		for found.Next() {
			row := make([]*string, len(t.Columns))
			into := make([]any, len(row))
			for i := range row {
				into[i] = &row[i]
			}
			if err := found.Scan(into...); err != nil {
				return nil, err
			}
			if rows = append(rows, row); len(rows) > most {
				found.Close()
				return nil, tooMany{t.Name, most}
			}
		}
		if err := found.Err(); err != nil {
			return nil, err
		}
		all = append(all, rows)
	}
	return all, nil
}

func sqlRows(ctx context.Context, db *sql.DB, d dialect.Dialect, tables []Table, most int) (all []Rows, err error) {
	conn, err := db.Conn(ctx)
	if err != nil {
		return nil, err
	}
	defer conn.Close()
	begin, cast := "BEGIN", "CAST(%s AS text)"
	if d == dialect.MySQL {
		begin, cast = "START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY", "CAST(%s AS char)"
	}
	if _, err := conn.ExecContext(ctx, begin); err != nil {
		return nil, err
	}
	defer conn.ExecContext(context.WithoutCancel(ctx), "ROLLBACK")
	for _, t := range tables {
		rows, err := textRows(ctx, conn, t, t.query(cast, most), most)
		if err != nil {
			return nil, err
		}
		all = append(all, rows)
	}
	return all, nil
}

func textRows(ctx context.Context, conn *sql.Conn, t Table, query string, most int) (rows Rows, err error) {
	found, err := conn.QueryContext(ctx, query)
	if err != nil {
		return nil, err
	}
	defer found.Close()
	for found.Next() {
		row := make([]*string, len(t.Columns))
		into := make([]any, len(row))
		for i := range row {
			into[i] = &row[i]
		}
		if err := found.Scan(into...); err != nil {
			return nil, err
		}
		if rows = append(rows, row); len(rows) > most {
			return nil, tooMany{t.Name, most}
		}
	}
	return rows, found.Err()
}

// Count asks queries of one number each, in one transaction that only reads and sees one state.
func Count(ctx context.Context, source string, env func(string) string, queries []string, timeout time.Duration) (counts []int, err error) {
	ctx, cancel := context.WithTimeout(ctx, timeout)
	defer cancel()
	if !IsAddress(source) {
		err := withSQLite(source, func(db *sql.DB) error {
			counts, err = sqlCounts(ctx, db, "BEGIN", queries)
			return err
		})
		if err != nil {
			err = fmt.Errorf("%s: %w", source, sqliteFailure(err))
		}
		return counts, err
	}
	u, err := parseAddress(source, env)
	if err != nil {
		return nil, err
	}
	if u.Scheme != "postgres" {
		err = withMySQL(u, env, func(db *sql.DB) error {
			counts, err = sqlCounts(ctx, db, "START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY", queries)
			return err
		})
		return counts, err
	}
	err = withPostgres(ctx, u, func(conn *pgx.Conn) error {
		tx, err := conn.BeginTx(ctx, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly})
		if err != nil {
			return err
		}
		defer tx.Rollback(context.WithoutCancel(ctx))
		for _, q := range queries {
			var n int
			if err := tx.QueryRow(ctx, q).Scan(&n); err != nil {
				return err
			}
			counts = append(counts, n)
		}
		return nil
	})
	return counts, err
}

func sqlCounts(ctx context.Context, db *sql.DB, begin string, queries []string) (counts []int, err error) {
	conn, err := db.Conn(ctx)
	if err != nil {
		return nil, err
	}
	defer conn.Close()
	if _, err := conn.ExecContext(ctx, begin); err != nil {
		return nil, err
	}
	defer conn.ExecContext(context.WithoutCancel(ctx), "ROLLBACK")
	for _, q := range queries {
		var n int
		if err := conn.QueryRowContext(ctx, q).Scan(&n); err != nil {
			return nil, err
		}
		counts = append(counts, n)
	}
	return counts, nil
}

// IsTooMany reports whether an error tells that a table has more rows than are read.
func IsTooMany(err error) bool {
	var many tooMany
	return errors.As(err, &many)
}
