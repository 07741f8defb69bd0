package claims

import (
	"context"
	"database/sql"
	"fmt"
	"net/url"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/database"
)

// shelf is a database made for one test, with the address by which it is read.
type shelf struct {
	dialect dialect.Dialect
	source  string
	db      *sql.DB
}

// newShelf makes an empty database of a kind.
func newShelf(t *testing.T, d dialect.Dialect) shelf {
	t.Helper()
	s := shelf{dialect: d}
	var err error
	switch d {
	case dialect.Postgres:
		address := env("JUSTLENS_TEST_POSTGRES", "postgres://root@127.0.0.1:5432/postgres?sslmode=disable")
		recreate(t, "pgx", address)
		u, err := url.Parse(address)
		require.NoError(t, err)
		u.Path = "/" + scratch
		s.source = u.String()
		s.db, err = sql.Open("pgx", s.source)
		require.NoError(t, err)
	case dialect.MariaDB:
		dsn := env("JUSTLENS_TEST_MARIADB", "root@tcp(127.0.0.1:3306)/")
		recreate(t, "mysql", dsn)
		user, host, _ := strings.Cut(dsn, "@tcp(")
		s.source = fmt.Sprintf("mysql://%s@%s/%s", user, strings.TrimSuffix(host, ")/"), scratch)
		s.db, err = sql.Open("mysql", dsn+scratch+"?multiStatements=true")
	case dialect.SQLite:
		s.source = filepath.Join(t.TempDir(), "bees.db")
		s.db, err = sql.Open("sqlite", s.source)
	}
	require.NoError(t, err)
	s.db.SetMaxOpenConns(1)
	t.Cleanup(func() { s.db.Close() })
	return s
}

// fill runs a script statement by statement.
func (s shelf) fill(t *testing.T, script string) {
	t.Helper()
	for _, stmt := range strings.Split(script, ";\n") {
		if strings.TrimSpace(stmt) != "" {
			_, err := s.db.Exec(stmt)
			require.NoError(t, err, stmt)
		}
	}
}

// read gives what the database says of its tables.
func (s shelf) read(t *testing.T) *schema.Schema {
	t.Helper()
	said, err := database.Read(context.Background(), s.source, os.Getenv)
	require.NoError(t, err)
	require.Equal(t, s.dialect, said.Dialect)
	tables := schema.New(nil)
	tables.Search(said.Path)
	tables.Load(said.DDL, said.Dialect)
	require.Empty(t, tables.Problems, "%s", said.DDL)
	for _, n := range said.Rows {
		tables.SetRows(n.Qualifier, n.Name, n.Rows)
	}
	return tables
}

// TestRowsAreCounted asks each database about how many rows its tables have.
func TestRowsAreCounted(t *testing.T) {
	for d, count := range map[dialect.Dialect]string{dialect.Postgres: "ANALYZE", dialect.MariaDB: "ANALYZE TABLE hives", dialect.SQLite: "ANALYZE"} {
		t.Run(d.String(), func(t *testing.T) {
			s := newShelf(t, d)
			s.fill(t, "CREATE TABLE hives (hive_id integer PRIMARY KEY);\nCREATE TABLE queens (queen_id integer)")
			for i := range 300 {
				s.fill(t, fmt.Sprintf("INSERT INTO hives VALUES (%d)", i+1))
			}
			s.fill(t, count)
			tables := s.read(t)
			require.EqualValues(t, 300, tables.Table("", "hives").Rows)
			require.Zero(t, tables.Table("", "queens").Rows)
		})
	}
}

// TestNamesAreKnown asks for the names of sequences, which FROM takes like tables, and of
// functions that a database has.
func TestNamesAreKnown(t *testing.T) {
	for d, script := range map[dialect.Dialect]string{
		dialect.Postgres: "CREATE FUNCTION unix_timestamp(timestamp) RETURNS int LANGUAGE sql AS 'SELECT 1';\nSELECT last_value, is_called FROM hive_numbers",
		dialect.MariaDB:  "CREATE FUNCTION initcap(s text) RETURNS text RETURN s;\nSELECT minimum_value, increment FROM hive_numbers",
	} {
		t.Run(d.String(), func(t *testing.T) {
			s := newShelf(t, d)
			s.fill(t, "CREATE TABLE hives (hive_id integer PRIMARY KEY);\nCREATE SEQUENCE hive_numbers;\n"+script)
			tables := s.read(t)
			assert.Equal(t, d == dialect.Postgres, tables.HasRoutine("unix_timestamp"))
			assert.Equal(t, d == dialect.MariaDB, tables.HasRoutine("initcap"))
			assert.True(t, tables.HasRelation("hive_numbers"))
			assert.False(t, tables.HasRelation("hives"))
		})
	}
}

// TestPrintedSchemaIsTheSame asks that what a server says of its tables, printed,
// loaded into a fresh database and read again is equal.
func TestPrintedSchemaIsTheSame(t *testing.T) {
	for _, d := range []dialect.Dialect{dialect.Postgres, dialect.MariaDB, dialect.SQLite} {
		t.Run(d.String(), func(t *testing.T) {
			script, err := os.ReadFile("testdata/schema/" + d.String() + ".sql")
			require.NoError(t, err)
			first := newShelf(t, d)
			first.fill(t, string(script))
			before := first.read(t)
			var printed strings.Builder
			require.NoError(t, before.Print(&printed, d))

			again := schema.New(nil)
			again.Load([]byte(printed.String()), d)
			require.Empty(t, again.Problems, printed.String())
			assert.Equal(t, before.Tables(), again.Tables(), "read from what is printed:\n%s", printed.String())
			assert.Equal(t, before.Types(), again.Types())

			first.db.Close()
			second := newShelf(t, d)
			if d == dialect.Postgres {
				second.fill(t, "CREATE SCHEMA store;\n")
			}
			second.fill(t, printed.String())
			after := second.read(t)
			assert.Equal(t, before.Tables(), after.Tables(), "read from the fresh database after:\n%s", printed.String())
			assert.Equal(t, before.Types(), after.Types())
		})
	}
}
