package database

import (
	"bytes"
	"context"
	"database/sql"
	"fmt"
	"net/url"

	_ "modernc.org/sqlite" // the driver

	"justlens/core/dialect"
)

// readSQLite gives the statements by which everything in a file was created, as
// the file keeps them ("The Schema Table" of SQLite's documentation).
func readSQLite(ctx context.Context, path string) (Schema, error) {
	address := url.URL{Scheme: "file", Opaque: (&url.URL{Path: path}).EscapedPath(), RawQuery: "mode=ro"}
	db, err := sql.Open("sqlite", address.String())
	if err != nil {
		return Schema{}, fmt.Errorf("%s: %w", path, err)
	}
	defer db.Close()
	rows, err := db.QueryContext(ctx, "SELECT sql FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite@_%' ESCAPE '@' "+
		"ORDER BY CASE type WHEN 'table' THEN 1 WHEN 'index' THEN 2 ELSE 3 END, rowid")
	if err != nil {
		return Schema{}, fmt.Errorf("%s: not a SQLite file that can be read: %w", path, err)
	}
	defer rows.Close()
	var ddl bytes.Buffer
	for rows.Next() {
		var statement string
		if err := rows.Scan(&statement); err != nil {
			return Schema{}, fmt.Errorf("%s: %w", path, err)
		}
		fmt.Fprintf(&ddl, "%s;\n", statement)
	}
	if err := rows.Err(); err != nil {
		return Schema{}, fmt.Errorf("%s: not a SQLite file that can be read: %w", path, err)
	}
	return Schema{Dialect: dialect.SQLite, DDL: ddl.Bytes()}, nil
}
