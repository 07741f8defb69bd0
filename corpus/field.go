package main

import (
	_ "embed"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
	"time"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// fieldPackages are packages of Debian 12 whose applications ship SQL.
var fieldPackages = []string{
	"ledgersmb", "gnumed-server", "zoneminder", "request-tracker5", "roundcube-core", "freeradius-postgresql", "freeradius-mysql",
	"freeradius-config", "freeradius", "bacula-director-pgsql", "bacula-director-mysql", "pgtap", "postgresql-15-pgtap", "postgis",
	"postgresql-15-postgis-3-scripts",
}

// judgements are the findings shown by default that a person judged, one a line:
//
//	verdict package path:line:column check word
//
// The verdict is true, idle (true, and not worth a person's time) or false; the word says why.
//
//go:embed testdata/field.judged
var judgements string

// judgement is what a person said of a finding.
type judgement struct{ verdict, why string }

// fieldFinding is a finding of a report in JSON.
type fieldFinding struct {
	Check     string
	Certainty string
	Message   string
	Object    string
	Span      struct{ Start struct{ Line, Column int } }
}

// fieldReport is what is read of a report in JSON.
type fieldReport struct {
	Files []struct {
		Path, Dialect string
		Statements    int
		PassedOver    struct {
			Statements map[string]int
			Bodies     int
		}
		Findings []fieldFinding
	}
}

// field reviews the SQL that applications ship, as a user would, and compares what is shown
// by default with what a person judged.
func field(dir string, verbose bool) error {
	if dir == "" {
		cache, err := os.UserCacheDir()
		if err != nil {
			return err
		}
		dir = filepath.Join(cache, "justlens-field")
	}
	if err := unpackField(dir); err != nil {
		return err
	}
	program := filepath.Join(dir, "justlens")
	if out, err := exec.Command("go", "build", "-o", program, "./cmd/justlens").CombinedOutput(); err != nil {
		return fmt.Errorf("building: %w\n%s", err, out)
	}
	judged, err := readJudgements()
	if err != nil {
		return err
	}
	for _, tables := range []string{"none", "folder"} {
		fmt.Printf("\n== tables of: %s\n", tables)
		if err := reviewField(program, dir, tables, judged, verbose); err != nil {
			return err
		}
	}
	return nil
}

// unpackField downloads and unpacks what is not there yet. Nothing is installed.
func unpackField(dir string) error {
	for _, pkg := range fieldPackages {
		into := filepath.Join(dir, pkg)
		if _, err := os.Stat(into); err == nil {
			continue
		}
		work, err := os.MkdirTemp("", "field")
		if err != nil {
			return err
		}
		defer os.RemoveAll(work)
		download := exec.Command("apt-get", "download", pkg)
		download.Dir = work
		if out, err := download.CombinedOutput(); err != nil {
			return fmt.Errorf("apt-get download %s: %w\n%s", pkg, err, out)
		}
		found, err := filepath.Glob(filepath.Join(work, "*.deb"))
		if err != nil || len(found) != 1 {
			return fmt.Errorf("apt-get download %s gave %d files: %w", pkg, len(found), err)
		}
		if err := os.MkdirAll(dir, 0o755); err != nil {
			return err
		}
		if out, err := exec.Command("dpkg-deb", "-x", found[0], into).CombinedOutput(); err != nil {
			return errors.Join(fmt.Errorf("dpkg-deb -x %s: %w\n%s", found[0], err, out), os.RemoveAll(into))
		}
	}
	return nil
}

func readJudgements() (map[string]judgement, error) {
	judged := map[string]judgement{}
	for line := range strings.Lines(judgements) {
		parts := strings.Fields(line)
		if len(parts) == 0 || parts[0] == "#" {
			continue
		}
		if len(parts) != 5 || !slices.Contains([]string{"true", "idle", "false"}, parts[0]) {
			return nil, fmt.Errorf("field.judged: cannot read %q", strings.TrimSpace(line))
		}
		judged[strings.Join(parts[1:4], " ")] = judgement{parts[0], parts[4]}
	}
	return judged, nil
}

func reviewField(program, dir, tables string, judged map[string]judgement, verbose bool) error {
	type key struct{ check, certainty string }
	counts := map[key]map[string]int{}
	total, dialects := map[string]int{}, map[string]int{}
	var statements, passed, bodies, files, size int
	var routines inRoutines
	var took time.Duration
	for _, pkg := range fieldPackages {
		root := filepath.Join(dir, pkg)
		report, spent, err := runReview(program, root, tables)
		if err != nil {
			return fmt.Errorf("%s: %w", pkg, err)
		}
		took += spent
		for _, f := range report.Files {
			files++
			statements += f.Statements
			bodies += f.PassedOver.Bodies
			for _, n := range f.PassedOver.Statements {
				passed += n
			}
			path, err := filepath.Rel(root, f.Path)
			if err != nil {
				return err
			}
			src, err := os.ReadFile(f.Path)
			if err != nil {
				return err
			}
			size += len(src)
			d, err := dialect.Parse(f.Dialect)
			if err != nil {
				return err
			}
			dialects[rightDialect(pkg, path, d)]++
			routines.count(src, d)
			for _, finding := range f.Findings {
				place := fmt.Sprintf("%s %s:%d:%d %s", pkg, path, finding.Span.Start.Line, finding.Span.Start.Column, finding.Check)
				verdict, known := judged[place]
				if !known {
					verdict.verdict = "unjudged"
					if verbose {
						fmt.Printf("%s\t%s\n", place, finding.Message)
					}
				}
				k := key{finding.Check, finding.Certainty}
				if counts[k] == nil {
					counts[k] = map[string]int{}
				}
				counts[k][verdict.verdict]++
				total[verdict.verdict]++
				routines.found(finding.Object, verdict.verdict)
			}
		}
	}
	fmt.Printf("%-28s %-9s %6s %6s %6s %9s\n", "check", "certainty", "true", "idle", "false", "unjudged")
	row := func(name, certainty string, n map[string]int) {
		fmt.Printf("%-28s %-9s %6d %6d %6d %9d\n", name, certainty, n["true"], n["idle"], n["false"], n["unjudged"])
	}
	for _, k := range slices.SortedFunc(maps.Keys(counts), func(a, b key) int { return strings.Compare(a.check+a.certainty, b.check+b.certainty) }) {
		row(k.check, k.certainty, counts[k])
	}
	row("all", "", total)
	told := total["true"] + total["idle"] + total["false"]
	fmt.Printf("true: %s; worth telling: %s\n", percent(told-total["false"], told), percent(total["true"], told))
	fmt.Printf("%d files, %d statements, %d of kinds that are passed over, %d bodies not read; %.1f MB in %.2f s\n",
		files, statements, passed, bodies, float64(size)/1e6, took.Seconds())
	fmt.Printf("dialect: %d right, %d standard, %d wrong\n", dialects["right"], dialects["standard"], dialects["wrong"])
	fmt.Printf("routines: %d, with %d queries and writes in them; found there: %d true, %d idle, %d false, %d unjudged\n",
		routines.bodies, routines.queries, routines.told["true"], routines.told["idle"], routines.told["false"], routines.told["unjudged"])
	return nil
}

// runReview reviews a folder as a user would.
func runReview(program, root, tables string) (report fieldReport, took time.Duration, err error) {
	cmd := exec.Command(program, "review", root, "--tables-of", tables, "--report", "json")
	var stderr strings.Builder
	cmd.Stderr = &stderr
	start := time.Now()
	out, err := cmd.Output()
	took = time.Since(start)
	if exit := new(exec.ExitError); err != nil && (!errors.As(err, &exit) || len(out) == 0) {
		if exit != nil && strings.Contains(stderr.String(), "no *.sql file in it") {
			return report, took, nil
		}
		return report, took, err
	}
	if cmd.ProcessState.ExitCode() > 1 && len(report.Files) > 0 {
		fmt.Fprintln(os.Stderr, "not all was reviewed:", stderr.String())
	}
	return report, took, json.Unmarshal(out, &report)
}

// rightDialect judges the guess of a file's dialect by what its package says of itself.
func rightDialect(pkg, path string, d dialect.Dialect) string {
	if d == dialect.ANSI {
		return "standard"
	}
	right := dialect.Postgres
	switch pkg {
	case "zoneminder":
		right = dialect.MySQL
	case "roundcube-core", "freeradius-config", "freeradius", "freeradius-mysql", "freeradius-postgresql":
		for part, named := range map[string]dialect.Dialect{"mysql": dialect.MySQL, "ndb": dialect.MySQL, "mssql": dialect.SQLServer,
			"oracle": dialect.Oracle, "sqlite": dialect.SQLite} {
			if strings.Contains(path, part) {
				right = named
			}
		}
	}
	if d == right || d == dialect.MariaDB && right == dialect.MySQL {
		return "right"
	}
	return "wrong"
}

// inRoutines counts what stands in the bodies of routines.
type inRoutines struct {
	bodies, queries int
	told            map[string]int
}

func (r *inRoutines) count(src []byte, d dialect.Dialect) {
	p := syntax.NewParser(syntax.NewNames())
	p.Reset(src, d)
	for s := p.Next(); s != nil; s = p.Next() {
		if _, ok := s.Node.(*syntax.Routine); !ok {
			continue
		}
		r.bodies++
		syntax.Walk(s.Node, func(_ syntax.Node, k syntax.Kind) {
			switch k {
			case syntax.KindSelect, syntax.KindInsert, syntax.KindUpdate, syntax.KindDelete, syntax.KindMerge:
				r.queries++
			}
		})
	}
}

func (r *inRoutines) found(object, verdict string) {
	if r.told == nil {
		r.told = map[string]int{}
	}
	for _, kind := range []string{"function", "procedure", "trigger", "package"} {
		if strings.HasPrefix(object, kind) {
			r.told[verdict]++
		}
	}
}
