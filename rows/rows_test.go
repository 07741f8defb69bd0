package rows_test

import (
	"context"
	"database/sql"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	_ "github.com/go-sql-driver/mysql"
	_ "github.com/jackc/pgx/v5/stdlib"
	"github.com/stretchr/testify/require"
	_ "modernc.org/sqlite"

	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/database"
	"justlens/demo"
	"justlens/rows"
)

// TestDatabasesGiveWhatInsertsGive loads the demo from INSERTs and from each database, which hold the
// same rows.
func TestDatabasesGiveWhatInsertsGive(t *testing.T) {
	for _, c := range []struct {
		dialect              dialect.Dialect
		driver, admin, under string
		source               string
	}{
		{dialect.SQLite, "sqlite", "", "", ""},
		{dialect.Postgres, "pgx", "postgres://root@127.0.0.1:5432/postgres?sslmode=disable", "postgres://root@127.0.0.1:5432/justlens_rows?sslmode=disable", "postgres://root@127.0.0.1:5432/justlens_rows?sslmode=disable"},
		{dialect.MariaDB, "mysql", "root@tcp(127.0.0.1:3306)/", "root@tcp(127.0.0.1:3306)/justlens_rows", "mysql://root@127.0.0.1:3306/justlens_rows?tls=false"},
	} {
		t.Run(c.dialect.String(), func(t *testing.T) {
			if c.admin == "" {
				c.source = filepath.Join(t.TempDir(), "bees.db")
				c.under = c.source
			} else {
				recreate(t, c.driver, c.admin)
			}
			db, err := sql.Open(c.driver, c.under)
			require.NoError(t, err)
			defer db.Close()
			for _, stmt := range strings.Split(demo.Schema()+demo.Data(), ";\n") {
				if strings.TrimSpace(stmt) != "" {
					_, err := db.Exec(stmt)
					require.NoError(t, err, stmt)
				}
			}
			tables := schema.New(nil)
			tables.Load([]byte(demo.Schema()), c.dialect)
			source := rows.Source{Name: c.source, Env: func(string) string { return "" }, Schema: tables, Dialect: c.dialect, Tables: tables.Tables(), Timeout: 10 * time.Second}
			theirs, err := rows.Load(context.Background(), source)
			require.NoError(t, err)
			file := filepath.Join(t.TempDir(), "data.sql")
			require.NoError(t, os.WriteFile(file, []byte(demo.Data()), 0o644))
			source.Name = file
			ours, err := rows.Load(context.Background(), source)
			require.NoError(t, err)
			for _, table := range tables.Tables() {
				require.Len(t, theirs[table], len(ours[table]), table.Name)
				require.ElementsMatch(t, keys(theirs[table]), keys(ours[table]), table.Name)
			}
			plans, err := database.Explain(context.Background(), c.source, source.Env, []string{
				"SELECT h.name FROM hives h WHERE h.hive_id = 3", "SELECT h.name, i.mites FROM hives h JOIN inspections i ON i.hive_id = h.hive_id WHERE i.mites + 0 > 3"}, 10*time.Second)
			require.NoError(t, err)
			require.Equal(t, "h", plans[0].Access[0].Table)
			require.NotEmpty(t, plans[0].Access[0].Index)
			require.Len(t, plans[1].Access, 2)
			require.True(t, plans[1].Access[0].Index == "" || plans[1].Access[1].Index == "", "one of them is read from end to end")
			_, err = database.Explain(context.Background(), c.source, source.Env, []string{"SELECT nothing FROM nowhere"}, 10*time.Second)
			require.Error(t, err)
		})
	}
}

func keys(rows [][]run.Value) (keys []string) {
	for _, row := range rows {
		keys = append(keys, run.RowKey(row))
	}
	return keys
}

// recreate makes the scratch database anew. Without a server the test is skipped, which CI does not
// allow.
func recreate(t *testing.T, driver, admin string) {
	db, err := sql.Open(driver, admin)
	require.NoError(t, err)
	defer db.Close()
	if err := db.Ping(); err != nil {
		if os.Getenv("CI") != "" {
			t.Fatalf("no %s server, and CI must not skip: %v", driver, err)
		}
		t.Skipf("no %s server here: %v", driver, err)
	}
	for _, stmt := range []string{"DROP DATABASE IF EXISTS justlens_rows", "CREATE DATABASE justlens_rows"} {
		_, err := db.Exec(stmt)
		require.NoError(t, err)
	}
}

// TestWhatIsGivenUpEndsOnTheServer gives a query up that waits for a lock: the server ends it, too.
func TestWhatIsGivenUpEndsOnTheServer(t *testing.T) {
	recreate(t, "pgx", "postgres://root@127.0.0.1:5432/postgres?sslmode=disable")
	const under = "postgres://root@127.0.0.1:5432/justlens_rows?sslmode=disable"
	db, err := sql.Open("pgx", under)
	require.NoError(t, err)
	defer db.Close()
	_, err = db.Exec("CREATE TABLE hives (hive_id integer PRIMARY KEY)")
	require.NoError(t, err)
	tx, err := db.Begin()
	require.NoError(t, err)
	defer tx.Rollback()
	_, err = tx.Exec("LOCK TABLE hives IN ACCESS EXCLUSIVE MODE")
	require.NoError(t, err)
	tables := schema.New(nil)
	tables.Load([]byte("CREATE TABLE hives (hive_id integer PRIMARY KEY)"), dialect.Postgres)
	source := rows.Source{Name: under, Env: func(string) string { return "" }, Schema: tables, Dialect: dialect.Postgres, Tables: tables.Tables(), Timeout: 300 * time.Millisecond}
	_, err = rows.Load(context.Background(), source)
	require.ErrorContains(t, err, "no answer within")
	require.Eventually(t, func() bool {
		var waiting int
		err := db.QueryRow("SELECT COUNT(*) FROM pg_stat_activity WHERE datname = 'justlens_rows' AND state = 'active' AND query LIKE 'SELECT hive_id::text%'").Scan(&waiting)
		return err == nil && waiting == 0
	}, 5*time.Second, 20*time.Millisecond)
}
