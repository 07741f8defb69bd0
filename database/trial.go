package database

import (
	"context"
	"database/sql"
	"fmt"
)

// Trial is an SQLite database in memory on which queries are tried.
type Trial struct{ db *sql.DB }

// NewTrial makes one of a script of tables and rows. Close it.
func NewTrial(ctx context.Context, script string) (*Trial, error) {
	db, err := sql.Open("sqlite", ":memory:")
	if err != nil {
		return nil, err
	}
	db.SetMaxOpenConns(1) // each connection has a database of its own
	if _, err := db.ExecContext(ctx, script); err != nil {
		db.Close()
		return nil, err
	}
	return &Trial{db}, nil
}

func (t *Trial) Close() error { return t.db.Close() }

// Rows gives what a query gives, each row as its values in text, NULL as "NULL".
func (t *Trial) Rows(ctx context.Context, query string) (rows [][]string, err error) {
	found, err := t.db.QueryContext(ctx, query)
	if err != nil {
		return nil, err
	}
	defer found.Close()
	columns, err := found.Columns()
	if err != nil {
		return nil, err
	}
	for found.Next() {
		values := make([]any, len(columns))
		places := make([]any, len(columns))
		for i := range values {
			places[i] = &values[i]
		}
		if err := found.Scan(places...); err != nil {
			return nil, err
		}
		row := make([]string, len(columns))
		for i, v := range values {
			switch v := v.(type) {
			case nil:
				row[i] = "NULL"
			case []byte:
				row[i] = string(v)
			default:
				row[i] = fmt.Sprint(v)
			}
		}
		rows = append(rows, row)
	}
	return rows, found.Err()
}
