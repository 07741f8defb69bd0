package cli_test

import (
	"bytes"
	"database/sql"
	"encoding/binary"
	"errors"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"unicode/utf16"

	"github.com/rogpeppe/go-internal/testscript"

	"justlens/cli"
)

// TestMain lets the test binary be the program, so that the scripts run the
// real thing in a folder of their own.
func TestMain(m *testing.M) {
	testscript.Main(m, map[string]func(){
		"justlens": func() {
			os.Exit(cli.Main())
		},
	})
}

// TestScripts runs testdata/script: a text archive a case, commands on top,
// files below. Set UPDATE=1 to rewrite the outputs that cmp compares.
func TestScripts(t *testing.T) {
	testscript.Run(t, testscript.Params{
		Dir:                 "testdata/script",
		RequireExplicitExec: true,
		Setup:               setup,
		UpdateScripts:       os.Getenv("UPDATE") != "",
		Cmds: map[string]func(*testscript.TestScript, bool, []string){
			"database": database,
			"status":   status,
		},
	})
}

// status runs a command and asserts its exit status: status 2 justlens ….
// database FILE SCRIPT… makes a SQLite file of scripts.
func database(ts *testscript.TestScript, _ bool, args []string) {
	db, err := sql.Open("sqlite", ts.MkAbs(args[0]))
	ts.Check(err)
	defer db.Close()
	for _, script := range args[1:] {
		_, err := db.Exec(ts.ReadFile(script))
		ts.Check(err)
	}
}

func status(ts *testscript.TestScript, _ bool, args []string) {
	if len(args) < 2 {
		ts.Fatalf("usage: status N command args…")
	}
	err := ts.Exec(args[1], args[2:]...)
	got := "0"
	if err != nil {
		got = err.Error()
	}
	if want := args[0]; got != want && got != "exit status "+want {
		ts.Fatalf("%v: got %s, want status %s", args[1:], got, want)
	}
}

// root is that of the project; tests run in the folder of their package.
var root, _ = filepath.Abs("..")

// setup makes the files that an archive cannot hold.
func setup(e *testscript.Env) error {
	large := "SELECT 1" + strings.Repeat(", hive_id + 1", 10<<20/13) + " FROM hives;"
	pipelines, err := os.ReadFile(filepath.Join(root, "docs/pipelines.md"))
	return errors.Join(err,
		os.WriteFile(e.Getenv("WORK")+"/pre-commit", firstBlock(pipelines), 0o755),
		os.WriteFile(e.Getenv("WORK")+"/binary.sql", []byte("\x7fELF\x02\x01\x01\x00\x00\x00\x00\x00\x00\x00\x00\x00\x02"), 0o644),
		os.WriteFile(e.Getenv("WORK")+"/wide.sql", utf16Text("SELECT name FROM hives WHERE name = 'é' AND moved_on = NULL;\r\n"), 0o644),
		os.WriteFile(e.Getenv("WORK")+"/latin1.sql", []byte("SELECT 'caf\xe9' AS caf\xe9 FROM hives WHERE moved_on = NULL;\n"), 0o644),
		os.WriteFile(e.Getenv("WORK")+"/large.sql", []byte(large), 0o644),
		os.WriteFile(e.Getenv("WORK")+"/escape1.sql", []byte("SELECT name AS \"\x1b]0;hive\x07\u202e\x7f\" FROM hives WHERE moved_on = NULL;\n"), 0o644),
		os.WriteFile(e.Getenv("WORK")+"/deep.sql", []byte("SELECT "+strings.Repeat("(", 20_000)+"1"+strings.Repeat(")", 20_000)+";\nSELECT 1;\n"), 0o644),
	)
}

// firstBlock gives the first fenced block of a page, the hook of docs/pipelines.md.
func firstBlock(page []byte) []byte {
	_, block, _ := bytes.Cut(page, []byte("```sh\n"))
	block, _, _ = bytes.Cut(block, []byte("```"))
	return block
}

// utf16Text gives text as Windows programs save it.
func utf16Text(s string) []byte {
	out := []byte{0xFF, 0xFE}
	for _, unit := range utf16.Encode([]rune(s)) {
		out = binary.LittleEndian.AppendUint16(out, unit)
	}
	return out
}
