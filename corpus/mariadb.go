package main

import (
	"database/sql"
	"fmt"
	"os"
	"path/filepath"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// parseError is the number of the error by which MariaDB says that it cannot
// read a statement ("Error Codes": ER_PARSE_ERROR).
const parseError = 1064

// mariadb compares the parser with the server on the statements of the
// server's test suite.
func mariadb(shared, dsn string, verbose bool) error {
	statements, err := suite(filepath.Join(shared, "mysql/mysql-test"))
	if err != nil {
		return err
	}
	db, err := sql.Open("mysql", dsn+"?interpolateParams=true")
	if err != nil {
		return err
	}
	defer db.Close()
	db.SetMaxOpenConns(1)
	p := syntax.NewParser(syntax.NewNames())
	accepted, read, refused, reported := 0, 0, 0, 0
	for _, s := range statements {
		ok, err := canRead(db, s.text)
		if err != nil {
			return err
		}
		problem := problemIn(p, s.text)
		switch {
		case ok && problem == nil:
			accepted, read = accepted+1, read+1
		case ok:
			accepted++
			if verbose {
				fmt.Printf("unread %s: %s\n", s.path, describe(*problem, []byte(s.text)))
			}
		case problem != nil:
			refused, reported = refused+1, reported+1
		default:
			refused++
			if verbose {
				fmt.Printf("unreported %s: %s\n", s.path, oneLine(s.text))
			}
		}
	}
	fmt.Printf("MariaDB: %d statements; of those the server can read: %s read; of those it cannot: %s reported\n",
		len(statements), percent(read, accepted), percent(reported, refused))
	return nil
}

// canRead asks the server to prepare a statement, which parses it and runs
// nothing.
func canRead(db *sql.DB, statement string) (bool, error) {
	refused, err := preparing(db, statement)
	return refused != parseError, err
}

// problemIn gives the first error of a statement; a text that falls into
// several statements is one too.
func problemIn(p *syntax.Parser, statement string) *syntax.Error {
	p.Reset([]byte(statement), dialect.MariaDB)
	count := 0
	var first *syntax.Error
	for s := p.Next(); s != nil; s = p.Next() {
		if count++; first == nil && len(s.Errors) > 0 {
			e := s.Errors[0]
			first = &e
		}
	}
	if first == nil && count > 1 {
		first = &syntax.Error{Expected: fmt.Sprintf("one statement, not %d", count)}
	}
	return first
}

// testFile is a file of the test suite.
type testFile struct {
	path       string
	statements []string
	fails      []bool // by statement: the file says that it is refused
}

// suiteFiles reads the test files.
func suiteFiles(root string) ([]testFile, error) {
	var files []testFile
	for _, pattern := range []string{"main/*.test", "suite/*/*.test", "suite/*/t/*.test", "suite/*/*/*.test"} {
		paths, err := filepath.Glob(filepath.Join(root, pattern))
		if err != nil {
			return nil, err
		}
		for _, path := range paths {
			src, err := os.ReadFile(path)
			if err != nil {
				return nil, err
			}
			statements, fails := testStatements(string(src))
			files = append(files, testFile{filepath.Base(path), statements, fails})
		}
	}
	return files, nil
}

// suite collects the statements of the test files, each text once.
func suite(root string) ([]statement, error) {
	files, err := suiteFiles(root)
	if err != nil {
		return nil, err
	}
	seen := map[string]bool{}
	var all []statement
	for _, f := range files {
		for _, text := range f.statements {
			if !seen[text] {
				seen[text] = true
				all = append(all, statement{f.path, text})
			}
		}
	}
	return all, nil
}
