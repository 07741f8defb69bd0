package main

import (
	"database/sql"
	"errors"
	"fmt"
	"path/filepath"
	"sort"
	"strings"
	"time"

	"github.com/go-sql-driver/mysql"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// afterParsing are the numbers of the errors by which MariaDB refuses a
// statement that it could read, as far as a reviewer can know why ("Error Codes").
var afterParsing = map[uint16]string{
	1054: "unknown column", 1109: "unknown table in a qualifier", 1051: "unknown table before .*", 1052: "ambiguous column",
	1066: "doubled alias", 1060: "doubled column", 1222: "branches of different width", 1241: "wrong number of columns",
	1111: "misplaced aggregate", 1056: "grouping by an aggregate", 1247: "reference to an aggregate", 4015: "misplaced window function",
	4016: "misplaced window function", 4009: "unknown window", 4002: "wrong number of names", 4004: "doubled common table expression",
	1248: "derived table without a name", 1463: "HAVING on an ungrouped column", 1221: "ORDER BY or LIMIT in a branch",
}

// ofTypes are those by which it refuses one for the types of its values.
var ofTypes = map[uint16]string{
	4078: "types that an operator does not take", 4079: "an argument of a type that a function does not take",
}

// tally counts what came of a comparison.
type tally struct{ accepted, wronged, refused, reported, ofTypes, typesReported int }

// bound runs the statements of the test suite that make tables, file by file in
// a database of its own, lets the server prepare the queries and writes between
// them, and compares what it says with the review.
func bound(shared, dsn string, verbose bool) error {
	files, err := suiteFiles(filepath.Join(shared, "mysql/mysql-test"))
	if err != nil {
		return err
	}
	var all tally
	missed := map[string]int{}
	for _, f := range files {
		if err := boundFile(dsn, f, &all, missed, verbose); err != nil {
			return fmt.Errorf("%s: %w", f.path, err)
		}
	}
	fmt.Printf("MariaDB: of %d statements that the server takes %d were said to be refused; of those it refuses after parsing: %s reported, for types: %s\n",
		all.accepted, all.wronged, percent(all.reported, all.refused), percent(all.typesReported, all.ofTypes))
	var kinds []string
	for kind, n := range missed {
		kinds = append(kinds, fmt.Sprintf("%6d  %s", n, kind))
	}
	sort.Sort(sort.Reverse(sort.StringSlice(kinds)))
	fmt.Println(strings.Join(kinds, "\n"))
	return nil
}

const scratch = "justlens_corpus"

func boundFile(dsn string, f testFile, all *tally, missed map[string]int, verbose bool) error {
	db, err := sql.Open("mysql", dsn+"?interpolateParams=true") // a session for each file: temporary tables outlive the database
	if err != nil {
		return err
	}
	defer db.Close()
	db.SetMaxOpenConns(1)
	for _, setup := range []string{"DROP DATABASE IF EXISTS " + scratch, "CREATE DATABASE " + scratch, "USE " + scratch, "SET SESSION max_statement_time = 2"} {
		if _, err := db.Exec(setup); err != nil {
			return err
		}
	}
	tables := schema.New(nil).For(dialect.MariaDB)
	tables.SetWhole()
	parser := syntax.NewParser(syntax.NewNames())
	started := time.Now()
	for i, statement := range f.statements {
		switch kind := kindOfStatement(statement); {
		case kind == leaves || time.Since(started) > 20*time.Second:
			return nil
		case kind == makes:
			if _, err := db.Exec(statement); err == nil {
				parser.Reset([]byte(statement), dialect.MariaDB)
				if stmt := parser.Next(); stmt != nil {
					tables.Apply(stmt, []byte(statement))
				}
			}
		case kind == asks:
			refused, err := preparing(db, statement)
			if err != nil {
				return err
			}
			found := refusals(tables, statement)
			why, judged := afterParsing[refused]
			types, byTypes := ofTypes[refused]
			switch {
			case byTypes:
				all.ofTypes++
				if len(found) > 0 {
					all.typesReported++
					break
				}
				missed[types]++
				if verbose {
					fmt.Printf("unreported %s: %s: %s\n", f.path, types, oneLine(statement))
				}
			case refused == 0 && f.fails[i]: // prepared, but refused when it is run
			case refused == 0:
				all.accepted++
				if len(found) > 0 && runs(db, statement) {
					all.wronged++
					if verbose {
						fmt.Printf("wronged %s: %s: %s\n", f.path, strings.Join(found, "; "), oneLine(statement))
					}
				}
			case judged:
				all.refused++
				if len(found) > 0 {
					all.reported++
					break
				}
				missed[why]++
				if verbose {
					fmt.Printf("unreported %s: %s: %s\n", f.path, why, oneLine(statement))
				}
			}
		}
	}
	return nil
}

// What a statement is for.
const (
	passes = iota // not looked at
	makes         // changes tables, and is run
	asks          // only prepared
	leaves        // the file goes where the comparison does not follow
)

func kindOfStatement(statement string) int {
	words := strings.Fields(strings.ToLower(statement))
	if len(words) < 2 || strings.Contains(statement, "/*!") {
		return passes
	}
	switch words[0] {
	case "use", "connect":
		return leaves
	case "create":
		rest := strings.Join(words[1:min(len(words), 5)], " ")
		if strings.Contains(rest, "database") || strings.Contains(rest, "schema ") {
			return leaves
		}
		if strings.Contains(rest, "table") || strings.Contains(rest, "view") || strings.Contains(rest, "index") {
			return makes
		}
	case "drop", "alter", "rename":
		if words[1] == "table" || words[1] == "view" || words[1] == "index" || words[1] == "tables" {
			return makes
		}
	case "select", "with", "insert", "replace", "update", "delete", "values", "(select":
		return asks
	}
	return passes
}

// preparing gives the number of the error by which the server refuses to prepare
// a statement, 0 if it does not.
func preparing(db *sql.DB, statement string) (uint16, error) {
	if _, err := db.Exec("SET @statement = ?", statement); err != nil {
		return 0, err
	}
	_, err := db.Exec("PREPARE statement FROM @statement")
	var refusal *mysql.MySQLError
	switch {
	case !errors.As(err, &refusal):
		return 0, err
	case refusal.Number == unknownTable && strings.HasSuffix(refusal.Message, "in information_schema"):
		return otherwiseRefused, nil // what is there depends on the plugins that are installed
	}
	return refusal.Number, nil
}

// runs reports whether the server runs a statement that it has prepared, of which values alone may
// be refused. What it changes is taken back.
func runs(db *sql.DB, statement string) bool {
	tx, err := db.Begin()
	if err != nil {
		return true
	}
	defer func() { _ = tx.Rollback() }()
	_, err = tx.Exec(statement)
	var refusal *mysql.MySQLError
	return !errors.As(err, &refusal)
}

const (
	unknownTable     = 1109
	otherwiseRefused = 1 // the number of no error
)

// refusals lists the checks that say that the server refuses a statement.
func refusals(tables *schema.Schema, statement string) []string {
	f, err := text.NewFile("statement.sql", []byte(statement))
	if err != nil {
		return nil
	}
	r := review.New(review.Options{Dialect: dialect.MariaDB, Schema: tables, Certainty: check.Likely, Checks: checks.All()})
	var out []string
	for _, found := range r.Review(f).Findings {
		if found.Consequence == check.Refused {
			out = append(out, found.Check.ID+" "+found.Message)
		}
	}
	return out
}
