package cli

import (
	"errors"
	"fmt"
	"io"
	"runtime"
	"strings"

	"github.com/spf13/cobra"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/core/text"
	"justlens/report"
)

type reviewOptions struct {
	reviewFlags
	color   colorFlag
	reports []string
	gate    string
	jobs    int
}

func newReview(env func(string) string) *cobra.Command {
	var o reviewOptions
	cmd := &cobra.Command{
		Use:   "review [PATH…]",
		Short: "Review SQL: files, folders, globs, - for standard input, or --query TEXT",
		Long: "Reviews SQL text. A PATH is a file, a folder (its *.sql files are read, and those of the folders in it),\n" +
			"a glob in quotes, or - for standard input.\n\n" +
			"Exit status: 0 nothing at or above the gate, 1 findings at or above it, 2 not all could be reviewed.",
		Example: "  justlens review queries --schema schema.sql\n" +
			"  justlens review --query \"SELECT name FROM hives WHERE moved_on = NULL\"\n" +
			"  justlens review 'queries/**/*.sql' --dialect mariadb --gate refused --report json=findings.json",
		RunE: func(cmd *cobra.Command, paths []string) error { return o.run(cmd, paths, env) },
	}
	o.reviewFlags.add(cmd)
	o.color.add(cmd)
	flags := cmd.Flags()
	flags.StringArrayVar(&o.reports, "report", []string{"text"}, "`KIND[=FILE]` of report: text, json; may be given several times")
	flags.StringVar(&o.gate, "gate", "wrong", "exit 1 on findings of this consequence or a worse one: refused, wrong, slow, unclear")
	flags.IntVar(&o.jobs, "jobs", runtime.NumCPU(), "files to review at a time")
	return cmd
}

func (o *reviewOptions) run(cmd *cobra.Command, paths []string, env func(string) string) error {
	gate, err := check.ParseConsequence(o.gate)
	if err != nil {
		return err
	}
	if o.jobs < 1 {
		return fmt.Errorf("--jobs %d: at least 1 is needed", o.jobs)
	}
	if err := o.color.check(); err != nil {
		return err
	}
	if err := requirePaths(paths, o.query); err != nil {
		return err
	}
	stderr := cmd.ErrOrStderr()
	options, err := o.options(cmd.Context(), stderr)
	if err != nil {
		return err
	}
	out, err := openReports(o.reports, cmd.OutOrStdout(), o.color.value, env("NO_COLOR") != "")
	if err != nil {
		return err
	}
	defer out.discard()
	in, problems := inputs(paths, o.query, cmd.InOrStdin())
	summary := report.Summary{Paths: mendable(paths, o.schemas)}
	err = review.Run(cmd.Context(), in, options, o.jobs, func(outcome review.Outcome) error {
		if outcome.Err != nil {
			problems = append(problems, errors.New(plainError(outcome.Path, outcome.Err)))
			return nil
		}
		problems = append(problems, unreviewed(outcome.File)...)
		summary.Add(outcome.File)
		return out.file(outcome.File)
	})
	if err != nil {
		return err
	}
	if err := out.close(summary); err != nil {
		return err
	}
	tell(stderr, problems)
	switch {
	case len(problems) > 0:
		return errFailed
	case summary.Worst() >= gate:
		return errFindings
	}
	return nil
}

func requirePaths(paths []string, query string) error {
	if len(paths) == 0 && query == "" {
		return usageError{errors.New("nothing to read: name a file or a folder, - for standard input, or --query TEXT")}
	}
	return nil
}

// unreviewed tells of what was not reviewed in a file, and why, each with its place.
func unreviewed(f *review.File) []error {
	var told []error
	tell := func(at text.Pos, why string) {
		place := f.Text.Place(at)
		told = append(told, fmt.Errorf("%s, line %d, column %d: %s", f.Text.Path, place.Line, place.Column, why))
	}
	for _, span := range f.Unread {
		tell(span.Start, "this statement was not reviewed: it is nested more deeply than databases read")
	}
	for _, fault := range f.Faults {
		tell(fault.Span.Start, fault.Error()+"; the rest was reviewed")
	}
	return told
}

func tell(w io.Writer, problems []error) {
	for _, p := range problems {
		fmt.Fprintf(w, "justlens: %v\n", p)
	}
}

// mendable gives the arguments for justlens mend, if what was reviewed can be
// mended in its place.
func mendable(paths, schemas []string) []string {
	for _, p := range paths {
		if p == "-" {
			return nil
		}
	}
	if len(paths) == 0 {
		return nil
	}
	args := make([]string, 0, len(paths)+2*len(schemas))
	for _, p := range paths {
		args = append(args, shellWord(p))
	}
	for _, s := range schemas {
		args = append(args, "--schema", shellWord(s))
	}
	return args
}

// shellWord quotes a word that a shell would take apart.
func shellWord(s string) string {
	if s != "" && !strings.ContainsAny(s, " \t\n'\"\\*?[]{}()<>|&;$`!#~") {
		return s
	}
	return "'" + strings.ReplaceAll(s, "'", `'\''`) + "'"
}
