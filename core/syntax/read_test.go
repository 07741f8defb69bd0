package syntax_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// TestScriptsAreRead reads testdata/read, a file a dialect with what its
// scripts hold, without an error.
func TestScriptsAreRead(t *testing.T) {
	t.Parallel()
	paths, err := filepath.Glob("testdata/read/*.sql")
	require.NoError(t, err)
	require.Len(t, paths, 6)
	for _, path := range paths {
		src, err := os.ReadFile(path)
		require.NoError(t, err)
		d, err := dialect.Parse(strings.TrimSuffix(filepath.Base(path), ".sql"))
		require.NoError(t, err)
		p := syntax.NewParser(syntax.NewNames())
		p.Reset(src, d)
		statements := 0
		for s := p.Next(); s != nil; s = p.Next() {
			statements++
			for _, e := range s.Errors {
				t.Errorf("%s: expected %s, found %s, in %.80s", path, e.Expected, e.Found, src[e.Span.Start:])
			}
		}
		require.Greater(t, statements, 3, path)
	}
}

// TestGuess tells the dialects of the same scripts from their text.
func TestGuess(t *testing.T) {
	t.Parallel()
	names := syntax.NewNames()
	for _, d := range []dialect.Dialect{dialect.Postgres, dialect.SQLite, dialect.SQLServer, dialect.Oracle, dialect.Spark} {
		src, err := os.ReadFile("testdata/read/" + d.String() + ".sql")
		require.NoError(t, err)
		got, clue := syntax.Guess("", src, names)
		require.Equal(t, d.String(), got.String(), "by %s", clue)
		require.Contains(t, clue, " on line ")
	}
	for _, c := range []struct{ path, text, want, clue string }{
		{"", "SELECT name FROM hives WHERE hive_id = 1", "ansi", ""},
		{"sql/mysql/hives.sql", "SELECT name FROM hives", "mysql", "mysql in its path"},
		{"hives.pgsql.sql", "SELECT name FROM hives", "postgres", "pgsql in its path"},
		{"sqlite/a.sql", "CREATE TABLE `hives` (`hive_id` int, `name` text)", "sqlite", "sqlite in its path"},
		{"schema.sqlite.sql", "# a\n# b\n# c\n# d\nSELECT name FROM hives", "sqlite", "sqlite in its path"},
		{"", "CREATE TABLE hives (name text COLLATE NOCASE)", "sqlite", "NOCASE"},
		{"", "SELECT name FROM bees.hives@far_db WHERE kg = 7", "oracle", "@far_db"},
		{"", "CONNECT bee/honey@far_db", "oracle", "@far_db"},
		{"", "GRANT SELECT ON hives TO bee@localhost", "mysql", "@localhost"},
		{"sql/hives.cockroach.sql", "SELECT name FROM hives", "ansi", "cockroach in its path"},
		{"h2/a.sql", "SELECT x::int FROM @a; SELECT y::int, z::text FROM hives WHERE name ILIKE 'x' AND name ILIKE 'y'", "postgres", "::"},
		{"mysql/a.sql", "SELECT x::int FROM @a; SELECT y::int, z::text FROM hives WHERE name ILIKE 'x'", "postgres", "::"},
		{"", "SET @n = (SELECT IF(1 = 1, 2, 3)); PREPARE s FROM @n;", "mysql", "@n"},
		{"", "CREATE PROCEDURE p @n int AS SELECT name FROM hives WHERE hive_id = @n", "sqlserver", "@n"},
		{"", "DELIMITER $$\nCREATE PROCEDURE p() SELECT 1$$\nCREATE PROCEDURE q() SELECT 2$$", "mysql", "DELIMITER on line 1"},
		{"", "CREATE FUNCTION @extschema@.f() RETURNS int LANGUAGE sql AS $$ SELECT 1 FROM hives WHERE 1 = 1 AND 2 = 2 $$", "postgres", "$$ on line 1"},
		{"", "INSERT INTO hives (engine, note) VALUES ('engine', 2)", "ansi", ""},
		{"", "CREATE TABLE hives (hive_id int) ENGINE = InnoDB", "mysql", "= on line 1"},
		{"", "SELECT name FROM hives WHERE hive_id = $1", "postgres", "$1 on line 1"},
		{"store/sqlite3/hives.sql", "SELECT name FROM hives WHERE hive_id = $1 AND name > $2 AND name < $3 OR name = $4", "sqlite", "sqlite3 in its path"},
		{"", "SELECT name FROM hives WHERE NOT isnull(COALESCE(a, b))", "mysql", "isnull on line 1"},
		{"", "SELECT ISNULL(COALESCE(a, b), 0) FROM hives", "sqlserver", "ISNULL on line 1"},
		{"", "INSERT OR IGNORE INTO hives (name) VALUES ('Ash')", "sqlite", "IGNORE on line 1"},
		{"", "CREATE TRIGGER t AFTER INSERT OR UPDATE ON hives EXECUTE FUNCTION f()", "ansi", ""},
		{"", "INSERT INTO hives (name) VALUES ('Ash') ON DUPLICATE KEY UPDATE name = 'Ash'", "mysql", "DUPLICATE on line 1"},
		{"", "INSERT INTO hives (name) VALUES ('Ash') ON CONFLICT DO NOTHING RETURNING hive_id", "postgres", "CONFLICT on line 1"},
		{"", "SELECT relname FROM pg_class", "postgres", "pg_class on line 1"},
		{"", "SELECT name FROM sqlite_master", "sqlite", "sqlite_master on line 1"},
		{"", "# a remark\nSELECT name FROM hives", "mysql", "# on line 1"},
		{"", `INSERT INTO hives (name) VALUES ('the queen\'s own')`, "mysql", "'the queen\\' on line 1"},
		{"", `INSERT INTO hives (name) VALUES ('C:\', 'x')`, "ansi", ""},
		{"", "CREATE TABLE `hives` (`name` VARCHAR)", "sqlite", "`hives` on line 1"},
		{"", "CREATE TABLE `hives` (`name` LONG VARCHAR, code VARCHAR(3))", "mysql", "`hives` on line 1"},
		{"", `CREATE TABLE hives (hive_id serial, sold boolean DEFAULT 0)`, "ansi", ""},
		{"", `CREATE TABLE hives (hive_id serial, note text DEFAULT "")`, "ansi", ""},
		{"", "ATTACH DATABASE 'old.db' AS old; SELECT name FROM old.hives", "sqlite", "DATABASE on line 1"},
		{"", "SELECT IFNULL(`name`, julianday('now')) FROM hives", "sqlite", "IFNULL on line 1"},
		{"mysql/hives.sql", "BEGIN NOT ATOMIC SELECT 1; END", "mariadb", "ATOMIC on line 1"},
	} {
		got, clue := syntax.Guess(c.path, []byte(c.text), names)
		require.Equal(t, c.want, got.String(), "%s: by %s", c.text, clue)
		require.Contains(t, clue, c.clue, c.text)
	}
}

// TestParserForgets the text before: what a text holds ends in it.
func TestParserForgets(t *testing.T) {
	t.Parallel()
	p := syntax.NewParser(syntax.NewNames())
	for _, text := range []string{"SELECT name FROM hives WHERE hive_id = 1", "FROM", ";", ")", "INSERT FIRST WHEN hive_id > ' 3 THEN "} {
		p.Reset([]byte(text), dialect.Postgres)
		for s := p.Next(); s != nil; s = p.Next() {
			syntax.Inspect(s.Node, func(n syntax.Node) bool {
				require.LessOrEqual(t, int(n.Span().End), len(text), text)
				return true
			})
		}
	}
}

// TestStatementsFollowEachOther reads each two statements of testdata/follow.sqlserver.txt one
// behind the other without a semicolon, as Transact-SQL is written, on lines of their own and on
// one, in the places where statements stand; the query behind them is read as one of its own.
func TestStatementsFollowEachOther(t *testing.T) {
	t.Parallel()
	list, err := os.ReadFile("testdata/follow.sqlserver.txt")
	require.NoError(t, err)
	statements := strings.Split(strings.TrimSpace(string(list)), "\n")
	const last = "SELECT name FROM swarms WHERE kg = 7"
	p := syntax.NewParser(syntax.NewNames())
	for _, form := range []string{
		"FIRST SECOND LAST",
		"CREATE PROC p AS BEGIN FIRST SECOND LAST END",
		"IF @x = 1 FIRST ELSE SECOND LAST",
		"IF @x = 1 BEGIN FIRST END ELSE BEGIN SECOND END LAST",
		"CREATE PROC p AS BEGIN TRY FIRST END TRY BEGIN CATCH SECOND END CATCH LAST",
		"WHILE @x < 3 FIRST SECOND LAST",
	} {
		for _, between := range []string{" ", "\n"} {
			for _, first := range statements {
				for _, second := range statements {
					src := strings.NewReplacer(" ", between, "FIRST", first, "SECOND", second, "LAST", last).Replace(form)
					p.Reset([]byte(src), dialect.SQLServer)
					found := 0
					for s := p.Next(); s != nil; s = p.Next() {
						require.Empty(t, s.Errors, src)
						syntax.Inspect(s.Node, func(n syntax.Node) bool {
							if n.Kind() == syntax.KindSelectStmt && src[n.Span().Start:n.Span().End] == last {
								found++
							}
							return true
						})
					}
					require.Equal(t, 1, found, src)
				}
			}
		}
	}
}

// TestClientLinesEndWithTheirLine reads each line of testdata/client, which is the client
// program's and no statement, between two queries: it takes nothing of the second with it.
func TestClientLinesEndWithTheirLine(t *testing.T) {
	t.Parallel()
	paths, err := filepath.Glob("testdata/client/*.txt")
	require.NoError(t, err)
	require.Len(t, paths, 5)
	const last = "SELECT name FROM swarms WHERE kg = 7"
	for _, path := range paths {
		list, err := os.ReadFile(path)
		require.NoError(t, err)
		d, err := dialect.Parse(strings.TrimSuffix(filepath.Base(path), ".txt"))
		require.NoError(t, err)
		p := syntax.NewParser(syntax.NewNames())
		for line := range strings.Lines(string(list)) {
			src := "SELECT 1 FROM hives;\n" + line + last + ";\n"
			p.Reset([]byte(src), d)
			texts := []string{}
			for s := p.Next(); s != nil; s = p.Next() {
				require.Empty(t, s.Errors, src)
				texts = append(texts, src[s.Span.Start:s.Span.End])
			}
			require.Equal(t, []string{"SELECT 1 FROM hives", last}, texts, src)
		}
	}
}

// TestStatementsHaveTheirOwnComments reads statements that no semicolon ends, and that are scanned
// together: each has the comments before, within and behind it, and none of those of the next.
func TestStatementsHaveTheirOwnComments(t *testing.T) {
	t.Parallel()
	const each = "-- before\nSELECT 1 /* within */ FROM hives -- behind\n"
	src := strings.Repeat(each, 100)
	p := syntax.NewParser(syntax.NewNames())
	p.Reset([]byte(src), dialect.SQLServer)
	for n := range 100 {
		s := p.Next()
		require.Len(t, s.Comments, 3, "statement %d", n)
		require.Len(t, s.Tokens, 4)
		for _, c := range s.Comments {
			require.Equal(t, n, int(c.Start)/len(each), "a comment of statement %d", n)
		}
	}
	require.Nil(t, p.Next())
}
