package database

import (
	"context"
	"database/sql"
	"encoding/binary"
	"fmt"
	"net"
	"os"
	"path/filepath"
	"runtime"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"
)

func noEnv(string) string { return "" }

// stub is a false server: answer is called with each connection.
func stub(t *testing.T, answer func(net.Conn)) string {
	t.Helper()
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	t.Cleanup(func() { listener.Close() })
	go func() {
		for {
			conn, err := listener.Accept()
			if err != nil {
				return
			}
			go func() {
				defer conn.Close()
				answer(conn)
			}()
		}
	}()
	return listener.Addr().String()
}

// message gives a message of PostgreSQL's protocol that claims a length.
func message(kind byte, length int, body string) string {
	return string(binary.BigEndian.AppendUint32([]byte{kind}, uint32(length))) + body
}

// afterStartup answers a request for encryption with no, and what follows with a text.
func afterStartup(text string) func(net.Conn) {
	return func(conn net.Conn) {
		head := make([]byte, 8)
		for {
			if _, err := conn.Read(head); err != nil {
				return
			}
			if binary.BigEndian.Uint32(head) == 8 {
				fmt.Fprint(conn, "N")
				continue
			}
			break
		}
		fmt.Fprint(conn, text)
		time.Sleep(time.Second)
	}
}

// packet gives a packet of MySQL's protocol.
func packet(body string) string {
	n := len(body)
	return string([]byte{byte(n), byte(n >> 8), byte(n >> 16), 0}) + body
}

// TestFalseServers take neither time nor memory, and what they say drives no terminal.
func TestFalseServers(t *testing.T) {
	t.Parallel()
	say := func(text string) func(net.Conn) {
		return func(conn net.Conn) { fmt.Fprint(conn, text); time.Sleep(time.Second) }
	}
	silent := func(net.Conn) { time.Sleep(3 * time.Second) }
	trickle := func(conn net.Conn) {
		for range 60 {
			if _, err := conn.Write([]byte{'R'}); err != nil {
				return
			}
			time.Sleep(50 * time.Millisecond)
		}
	}
	hostile := "SFATAL\x00C28P01\x00Mpwned \x1b]0;title\x07\x00\x00"
	otherwise := "SFATAL\x00CXX000\x00M" + strings.Repeat("long ", 1000) + "\x00\x00"
	cases := []struct {
		name, scheme string
		answer       func(net.Conn)
		want         string
	}{
		{"silence", "postgres", silent, "no answer within"},
		{"silence", "mysql", silent, "no answer within"},
		{"trickle", "postgres", trickle, "does not answer as PostgreSQL does"},
		{"trickle", "mysql", trickle, ""},
		{"garbage", "postgres", say("HTTP/1.1 400 Bad Request\r\n\r\n"), "does not answer as PostgreSQL does"},
		{"garbage", "mysql", say("HTTP/1.1 400 Bad Request\r\n\r\n"), "no answer within"}, // it reads as the length of a packet
		{"nothing", "postgres", func(net.Conn) {}, ""},
		{"nothing", "mysql", func(net.Conn) {}, ""},
		{"a gigabyte announced", "postgres", afterStartup(message('R', 1<<30, "")), "does not answer as PostgreSQL does"},
		{"a negative length", "postgres", afterStartup(message('R', -5, "")), "does not answer as PostgreSQL does"},
		{"a great packet announced", "mysql", say("\xff\xff\xff\x00"), "no answer within"},
		{"a hostile refusal", "postgres", afterStartup(message('E', 4+len(hostile), hostile)), "refused for user"},
		{"a long refusal", "postgres", afterStartup(message('E', 4+len(otherwise), otherwise)), "it answers"},
		{"a hostile refusal", "mysql", say(packet("\xff\x15\x04#28000pwned \x1b]0;title\x07")), "refused for user"},
	}
	for _, c := range cases {
		t.Run(c.scheme+", "+c.name, func(t *testing.T) {
			t.Parallel()
			ctx, cancel := context.WithTimeout(context.Background(), 700*time.Millisecond)
			defer cancel()
			var before, after runtime.MemStats
			runtime.ReadMemStats(&before)
			_, err := Read(ctx, c.scheme+"://keeper:geheim@"+stub(t, c.answer)+"/bees", noEnv)
			runtime.ReadMemStats(&after)
			require.ErrorContains(t, err, c.want)
			require.Less(t, after.TotalAlloc-before.TotalAlloc, uint64(300<<20))
			require.NotContains(t, err.Error(), "geheim")
			require.NotContains(t, err.Error(), "\x1b")
			require.Less(t, len(err.Error()), 500)
		})
	}
}

func TestFramesAreBelievedToALimit(t *testing.T) {
	t.Parallel()
	whole := message('T', 4+6, "abcdef") + message('Z', 5, "I")
	f := &framed{r: strings.NewReader(whole)}
	got := make([]byte, len(whole))
	for n := 0; n < len(whole); {
		k, err := f.Read(got[n:min(n+3, len(whole))])
		require.NoError(t, err)
		n += k
	}
	require.Equal(t, whole, string(got))
}

func sqliteFile(t *testing.T, statements ...string) (string, *sql.DB) {
	t.Helper()
	path := filepath.Join(t.TempDir(), "bees.db")
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	db.SetMaxOpenConns(1)
	t.Cleanup(func() { db.Close() })
	for _, s := range statements {
		_, err := db.Exec(s)
		require.NoError(t, err)
	}
	return path, db
}

func folderOf(t *testing.T, path string) []string {
	t.Helper()
	entries, err := os.ReadDir(filepath.Dir(path))
	require.NoError(t, err)
	var names []string
	for _, e := range entries {
		names = append(names, e.Name())
	}
	return names
}

// TestSQLiteFilesAreNotTouched reads files in every mode: nothing stands beside them
// afterwards that did not before, and they are as they were.
func TestSQLiteFilesAreNotTouched(t *testing.T) {
	t.Parallel()
	const table = "CREATE TABLE hives (hive_id INTEGER PRIMARY KEY)"
	cases := map[string]struct {
		statements []string
		closed     bool
	}{
		"plain":                   {[]string{table}, true},
		"plain, open":             {[]string{table}, false},
		"a log that is used":      {[]string{"PRAGMA journal_mode = wal", table}, false},
		"a log that is gone":      {[]string{"PRAGMA journal_mode = wal", table}, true},
		"a change that goes on":   {[]string{table, "BEGIN IMMEDIATE", "CREATE TABLE queens (queen_id)"}, false},
		"a change in the journal": {[]string{"PRAGMA journal_mode = persist", table}, true},
	}
	for name, c := range cases {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			path, db := sqliteFile(t, c.statements...)
			if c.closed {
				require.NoError(t, db.Close())
			}
			before, names := mustRead(t, path), folderOf(t, path)
			require.NoError(t, os.Chmod(filepath.Dir(path), 0o555))
			defer os.Chmod(filepath.Dir(path), 0o755)
			s, err := Read(context.Background(), path, noEnv)
			require.NoError(t, err)
			require.Equal(t, table+";\n", string(s.DDL))
			require.Equal(t, names, folderOf(t, path))
			require.Equal(t, before, mustRead(t, path))
		})
	}
}

func mustRead(t *testing.T, path string) []byte {
	t.Helper()
	data, err := os.ReadFile(path)
	require.NoError(t, err)
	return data
}

func TestSQLiteFilesThatCannotBeRead(t *testing.T) {
	t.Parallel()
	path, db := sqliteFile(t, "CREATE TABLE hives (hive_id INTEGER PRIMARY KEY)", "BEGIN EXCLUSIVE")
	err := openSQLite(path, "mode=ro&_pragma=busy_timeout(10)", func(db *sql.DB) error {
		_, err := sqliteMaster(context.Background(), db)
		return err
	})
	_ = db
	require.ErrorContains(t, sqliteFailure(err), "another program has locked it")

	damaged, db := sqliteFile(t, "CREATE TABLE hives (hive_id INTEGER PRIMARY KEY)")
	require.NoError(t, db.Close())
	text := mustRead(t, damaged)
	copy(text[100:], strings.Repeat("\xff", 200))
	require.NoError(t, os.WriteFile(damaged, text, 0o644))
	_, err = Read(context.Background(), damaged, noEnv)
	require.ErrorContains(t, err, "bees.db: a SQLite file that is damaged")
}

func TestAddresses(t *testing.T) {
	t.Parallel()
	env := func(name string) string { return map[string]string{"SECRET": "a b@/?#%"}[name] }
	u, err := parseAddress("mariadb://keeper:${SECRET}@h:1/bees?tls=true", env)
	require.NoError(t, err)
	password, _ := u.User.Password()
	require.Equal(t, []string{"mysql", "a b@/?#%", "h:1", "/bees"}, []string{u.Scheme, password, u.Host, u.Path})
	for _, socket := range []string{"postgres:///bees?host=/run/postgresql", "mysql://keeper@/bees?socket=/run/mysqld.sock"} {
		_, err := parseAddress(socket, env)
		require.NoError(t, err)
	}
	for address, want := range map[string]string{
		"postgres://h":                "names no database",
		"postgres:///bees":            "names no host",
		"postgres://h/bees?sslmod=on": `unknown option "sslmod"; choose host, port`,
		"db2://h/bees":                "of databases, justlens reads",
		"postgres://${SECRET/bees":    "a ${ is not closed",
		"postgres://${OTHER}@h/bees":  "the environment has no OTHER",
		"postgres://a@b:c@h/bees":     "write @ as %40",
	} {
		_, err := parseAddress(address, env)
		require.ErrorContains(t, err, want, address)
	}
	require.Equal(t, "x postgres://…@h/b and y://…@z", RedactedText("x postgres://u:p@w@h/b and y://q@z"))
	require.Equal(t, "nothing@all", Redacted("nothing@all"))
	require.True(t, IsAddress("mysql+ssl://h") && !IsAddress("/tmp/a://b") && !IsAddress("://"))
}
