package cli

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"strings"

	"github.com/spf13/cobra"

	"justlens/demo"
	"justlens/report"
)

func newDemo(p *Program) *cobra.Command {
	var color colorFlag
	cmd := &cobra.Command{
		Use:   "demo [DIR]",
		Short: "Write the built-in example to a folder and walk through it",
		Long: "Writes the example of a made-up beekeeping cooperative to DIR, or to a temporary\n" +
			"folder, and runs the commands a newcomer needs on it, naming each. It never\n" +
			"writes over a file.",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) > 1 {
				return usageError{fmt.Errorf("one folder at most, not %d", len(args))}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			if err := color.check(); err != nil {
				return err
			}
			dir, err := demoFolder(args)
			if err != nil {
				return err
			}
			if err := writeDemo(dir); err != nil {
				return err
			}
			t := tour{dir: dir, program: p, color: "--color=" + p.colorOf(color.value)}
			return t.run(cmd.Context())
		},
	}
	color.add(cmd)
	return cmd
}

func (p *Program) colorOf(value string) string {
	if report.StyleFor(p.Stdout, value, p.Env("NO_COLOR") != "").Color {
		return "always"
	}
	return "never"
}

func demoFolder(args []string) (string, error) {
	if len(args) == 1 {
		return args[0], nil
	}
	return os.MkdirTemp("", "justlens-demo-")
}

// writeDemo writes the example's files. If one of them, or one that the tour makes, is
// there already, nothing is written.
func writeDemo(dir string) error {
	files := demo.Files()
	var paths []string
	err := fs.WalkDir(files, ".", func(path string, d fs.DirEntry, err error) error {
		if err == nil && !d.IsDir() {
			paths = append(paths, path)
		}
		return err
	})
	if err != nil {
		return err
	}
	for _, path := range append(made, paths...) {
		if _, err := os.Lstat(filepath.Join(dir, path)); err == nil {
			return fmt.Errorf("%s is there already; name another folder", filepath.Join(dir, path))
		}
	}
	for _, path := range paths {
		data, err := fs.ReadFile(files, path)
		if err != nil {
			return err
		}
		target := filepath.Join(dir, path)
		if err := os.MkdirAll(filepath.Dir(target), 0o777); err != nil {
			return writeError(filepath.Dir(target), err)
		}
		f, err := os.OpenFile(target, os.O_WRONLY|os.O_CREATE|os.O_EXCL, 0o666)
		if err != nil {
			return writeError(target, err)
		}
		_, err = f.Write(data)
		if err := errors.Join(err, f.Close()); err != nil {
			return writeError(target, err)
		}
	}
	return nil
}

// made are the files that the tour makes beside the example's own.
var made = []string{"findings.txt", "findings.json"}

// tour runs the commands of the example.
type tour struct {
	dir     string
	program *Program
	color   string
}

// step is a command with what it teaches; status is how it ends.
type step struct {
	about  string
	args   []string
	status int
}

var steps = []step{
	{"One query, straight from the command line.",
		[]string{"review", "--query", "SELECT name FROM hives WHERE moved_on = NULL"}, exitFindings},
	{"A file, with the tables known: now the check can be certain, and show the rows on which it goes wrong.",
		[]string{"review", "queries/spare_queens.sql", "--schema", "schema.sql", "--evidence"}, exitFindings},
	{"Why that is so, with examples.",
		[]string{"guide", "null.not-in-subquery"}, exitFine},
	{"A query, clause by clause on the example's rows: a join multiplies, and a sum goes wrong.",
		[]string{"follow", "queries/income_by_keeper.sql", "--schema", "schema.sql", "--rows", "data.sql"}, exitFine},
	{"Why hive 4 is not in a result: some of its rows are false, one is unknown.",
		[]string{"follow", "--query", "SELECT h.name, i.mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id WHERE i.mites < 3", "--schema", "schema.sql", "--rows", "data.sql", "--track", "h.hive_id = 4"}, exitFine},
	{"A rewrite that gives the same rows, as far as thousands of made databases tell.",
		[]string{"compare", "rewrites/idle_queens.sql", "rewrites/idle_queens_good.sql", "--schema", "schema.sql"}, exitFine},
	{"And one that does not, on the fewest rows.",
		[]string{"compare", "rewrites/idle_queens.sql", "rewrites/idle_queens_bad.sql", "--schema", "schema.sql", "--rows", "data.sql"}, exitFindings},
	{"The mends that keep the rows, as a diff; --write would put them into the files.",
		[]string{"mend", "queries", "--schema", "schema.sql"}, exitFine},
	{"Everything, the report kept in files for people and for programs.",
		[]string{"review", "queries", "--schema", "schema.sql", "--report", "text=" + made[0], "--report", "json=" + made[1]}, exitFindings},
	{"The worst of it: what a database would refuse.",
		[]string{"review", "queries", "--schema", "schema.sql", "--only", "clause,syntax"}, exitFindings},
}

func (t tour) run(ctx context.Context) error {
	back, err := os.Getwd()
	if err != nil {
		return err
	}
	if err := os.Chdir(t.dir); err != nil {
		return err
	}
	defer os.Chdir(back)
	var problem error
	say := func(format string, args ...any) {
		if _, err := fmt.Fprintf(t.program.Stdout, format, args...); problem == nil {
			problem = err
		}
	}
	shown := report.Visible(t.dir)
	say("The example is in %s: schema.sql, data.sql, a folder of queries and one of rewrites.\nThe commands below were run there.\n", shown)
	for i, s := range steps {
		say("\n%d. %s\n\n   $ justlens %s\n\n", i+1, s.about, commandLine(s.args))
		if problem != nil {
			return problem
		}
		args := s.args
		if s.args[0] != "mend" {
			args = append(args[:len(args):len(args)], t.color)
		}
		step := Program{Stdin: strings.NewReader(""), Stdout: t.program.Stdout, Stderr: t.program.Stdout, Env: t.program.Env, spool: t.program.spool}
		if got := step.Run(ctx, args); got != s.status {
			return fmt.Errorf("the step ended with status %d where %d was expected", got, s.status)
		}
		if s.status == exitFindings {
			why := "findings at or above the gate"
			if s.args[0] == "compare" {
				why = "they differ"
			}
			say("(exit status %d: %s)\n", s.status, why)
		}
	}
	say("\nYour turn: cd %s, and try justlens review on a query of your own.\n", report.Visible(shellWord(t.dir)))
	return problem
}

func commandLine(args []string) string {
	words := make([]string, len(args))
	for i, a := range args {
		words[i] = shellWord(a)
	}
	return strings.Join(words, " ")
}
