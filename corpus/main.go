package main

import (
	"flag"
	"fmt"
	"log"
	"os"
	"path/filepath"
	"strings"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

func main() {
	log.SetFlags(0)
	verbose := flag.Bool("v", false, "print every miss")
	shared := flag.String("from", "/usr/share", "where the packages put their files")
	dsn := flag.String("mariadb", "root@tcp(127.0.0.1:3306)/test", "the server that says what it can read")
	pg := flag.String("postgres", "postgres://postgres@127.0.0.1:5432/test", "the server that says what it refuses as syntax")
	cache := flag.String("field", "", "where the field's packages are unpacked, the user's cache unless told otherwise")
	flag.Usage = func() {
		fmt.Fprintln(os.Stderr, "usage: corpus [flags] postgres|mariadb|bound|mutated|types|field")
		flag.PrintDefaults()
	}
	flag.Parse()
	var err error
	switch flag.Arg(0) {
	case "postgres":
		err = postgres(*shared, *verbose)
	case "mariadb":
		err = mariadb(*shared, *dsn, *verbose)
	case "bound":
		err = bound(*shared, *dsn, *verbose)
	case "mutated":
		err = mutated(*pg, *dsn, *verbose)
	case "types":
		err = types(*pg)
	case "field":
		err = field(*cache, *verbose)
	default:
		flag.Usage()
		os.Exit(2)
	}
	if err != nil {
		log.Fatal("corpus: ", err)
	}
}

// postgres counts what is read of the scripts that PostgreSQL ships.
func postgres(shared string, verbose bool) error {
	var paths []string
	for _, pattern := range []string{"postgresql/*/*.sql", "postgresql/*/extension/*.sql"} {
		found, err := filepath.Glob(filepath.Join(shared, pattern))
		if err != nil {
			return err
		}
		paths = append(paths, found...)
	}
	statements, missed := 0, 0
	p := syntax.NewParser(syntax.NewNames())
	for _, path := range paths {
		src, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		p.Reset(src, dialect.Postgres)
		for s := p.Next(); s != nil; s = p.Next() {
			statements++
			if len(s.Errors) == 0 {
				continue
			}
			missed++
			if verbose {
				fmt.Printf("%s: %s\n", path, describe(s.Errors[0], src))
			}
		}
	}
	fmt.Printf("PostgreSQL: %d files, %d statements, %s read\n", len(paths), statements, percent(statements-missed, statements))
	return nil
}

// describe shows an error with the text around it.
func describe(e syntax.Error, src []byte) string {
	start, end := max(int(e.Span.Start)-60, 0), min(int(e.Span.End)+30, len(src))
	around := string(src[start:e.Span.Start]) + " >>> " + string(src[e.Span.Start:end])
	return fmt.Sprintf("expected %s in: %s", e.Expected, oneLine(around))
}

func oneLine(s string) string { return strings.Join(strings.Fields(s), " ") }

func percent(part, whole int) string {
	if whole == 0 {
		return "none"
	}
	return fmt.Sprintf("%d of %d (%.2f percent)", part, whole, 100*float64(part)/float64(whole))
}
