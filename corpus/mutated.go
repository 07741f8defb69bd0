package main

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"path/filepath"
	"slices"
	"sort"
	"strings"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	_ "modernc.org/sqlite" // registers the driver

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/syntax"
	"justlens/core/text"
)

// seeds are statements that the databases read, a file a dialect.
const seeds = "core/syntax/testdata/taken"

// mutated spoils statements, a token at a time, and compares what the servers refuse as
// syntax with what is told of it.
func mutated(postgresDSN, mariaDSN string, verbose bool) error {
	pg, err := pgx.Connect(context.Background(), postgresDSN)
	if err != nil {
		return err
	}
	defer pg.Close(context.Background())
	maria, err := sql.Open("mysql", mariaDSN)
	if err != nil {
		return err
	}
	defer maria.Close()
	maria.SetMaxOpenConns(1)
	lite, err := sql.Open("sqlite", ":memory:")
	if err != nil {
		return err
	}
	defer lite.Close()
	for _, server := range []struct {
		d   dialect.Dialect
		ask func(string) (answer, error)
	}{
		{dialect.Postgres, func(s string) (answer, error) { return askPostgres(pg, s) }},
		{dialect.MariaDB, func(s string) (answer, error) { return askMariaDB(maria, s) }},
		{dialect.SQLite, func(s string) (answer, error) { return askSQLite(lite, s) }},
	} {
		if err := mutate(server.d, server.ask, verbose); err != nil {
			return fmt.Errorf("%s: %w", server.d.Title(), err)
		}
	}
	return nil
}

// answer is what a server says of a statement that it is to prepare and not to run.
type answer uint8

const (
	takes           answer = iota
	refusesAsSyntax        // it cannot parse it
	refusesElse            // for another reason, as a table that is not there
)

func mutate(d dialect.Dialect, ask func(string) (answer, error), verbose bool) error {
	src, err := os.ReadFile(filepath.Join(seeds, d.String()+".sql"))
	if err != nil {
		return err
	}
	type count struct{ refused, told, taken, wronged int }
	var all count
	kinds := map[string]*count{}
	rng := rand.New(rand.NewPCG(1, uint64(d)))
	p := syntax.NewParser(syntax.NewNames())
	r := review.New(review.Options{Dialect: d, Certainty: check.Likely, Checks: checks.All()})
	for line := range strings.Lines(string(src)) {
		line = strings.TrimSpace(line)
		if line == "" || strings.HasPrefix(line, "--") {
			continue
		}
		kind := strings.ToUpper(strings.Join(strings.Fields(line + " ")[:min(2, len(strings.Fields(line)))], " "))
		if kinds[kind] == nil {
			kinds[kind] = &count{}
		}
		seen := map[string]bool{}
		for _, spoiled := range spoil(p, line, d, rng) {
			if seen[spoiled] {
				continue
			}
			seen[spoiled] = true
			said, err := ask(spoiled)
			if err != nil {
				return fmt.Errorf("%s: %w", spoiled, err)
			}
			told, err := tells(r, spoiled)
			if err != nil {
				return err
			}
			for _, c := range []*count{&all, kinds[kind]} {
				switch said {
				case refusesAsSyntax:
					c.refused++
					c.told += one(told)
				case takes:
					c.taken++
					c.wronged += one(told)
				}
			}
			if verbose && (said == takes && told || said == refusesAsSyntax && !told) {
				fmt.Printf("%s\trefused %v\t%s\n", d, !told, spoiled)
			}
		}
	}
	fmt.Printf("%s: told %s of what the server refuses as syntax; %d of %d that it takes said to be refused\n",
		d.Title(), percent(all.told, all.refused), all.wronged, all.taken)
	var names []string
	for k := range kinds {
		names = append(names, k)
	}
	sort.Slice(names, func(i, k int) bool {
		a, b := kinds[names[i]], kinds[names[k]]
		return a.refused-a.told > b.refused-b.told
	})
	for _, k := range names[:min(12, len(names))] {
		if c := kinds[k]; c.refused > c.told {
			fmt.Printf("  %-28s %s\n", k, percent(c.told, c.refused))
		}
	}
	return nil
}

// spoil drops, doubles and misspells tokens of a statement, one at a time.
func spoil(p *syntax.Parser, statement string, d dialect.Dialect, rng *rand.Rand) []string {
	p.Reset([]byte(statement), d)
	s := p.Next()
	if s == nil {
		return nil
	}
	var out []string
	for _, t := range s.Tokens {
		before, token, after := statement[:t.Span.Start], statement[t.Span.Start:t.Span.End], statement[t.Span.End:]
		out = append(out, before+after, before+token+" "+token+after)
		if t.Kind == syntax.WordToken && len(token) > 2 {
			at := 1 + rng.IntN(len(token)-2)
			out = append(out, before+token[:at]+token[at+1:]+after)
		}
	}
	return out
}

// tells reports whether a review says of a text that the database refuses it, or reads
// several statements where one was meant.
func tells(r *review.Reviewer, statement string) (bool, error) {
	f, err := text.NewFile("mutated.sql", []byte(statement))
	if err != nil {
		return false, err
	}
	out := r.Review(f)
	refused := func(found review.Finding) bool { return found.Consequence == check.Refused }
	return out.Statements != 1 || slices.ContainsFunc(out.Findings, refused), nil
}

// syntaxError is the class of errors by which PostgreSQL refuses what it cannot parse.
const syntaxError = "42601"

func askPostgres(c *pgx.Conn, statement string) (answer, error) {
	_, err := c.Prepare(context.Background(), "", statement)
	var refusal *pgconn.PgError
	switch {
	case err == nil:
		return takes, nil
	case !errors.As(err, &refusal):
		return 0, err
	case refusal.Code == syntaxError && strings.Contains(refusal.Message, "syntax error"):
		return refusesAsSyntax, nil
	}
	return refusesElse, nil
}

func askMariaDB(db *sql.DB, statement string) (answer, error) {
	refused, err := preparing(db, statement)
	switch {
	case err != nil:
		return 0, err
	case refused == 0:
		return takes, nil
	case refused == parseError:
		return refusesAsSyntax, nil
	}
	return refusesElse, nil
}

func askSQLite(db *sql.DB, statement string) (answer, error) {
	prepared, err := db.Prepare(statement)
	if err == nil {
		return takes, prepared.Close()
	}
	for _, said := range []string{"syntax error", "incomplete input", "unrecognized token"} {
		if strings.Contains(err.Error(), said) {
			return refusesAsSyntax, nil
		}
	}
	return refusesElse, nil
}

func one(yes bool) int {
	if yes {
		return 1
	}
	return 0
}
