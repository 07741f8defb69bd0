package cli

import (
	"context"
	"errors"
	"fmt"
	"runtime"
	"slices"
	"strings"

	"github.com/spf13/cobra"

	"justlens/core/check"
	"justlens/core/compare"
	"justlens/core/review"
	"justlens/core/text"
	"justlens/database"
	"justlens/report"
)

type reviewOptions struct {
	reviewFlags
	color   colorFlag
	reports []string
	gate    string
	jobs    int
	limit   int
	brief   bool
	stdin   string // the name of standard input
	known   string
	since   string
	show    bool // the configuration
	keep    bool // reviewing whenever something changes
	rows    bool // evidence is looked for
	// database is that whose plans are shown.
	database string
}

// usualLimit is how many findings a text report tells of unless told otherwise.
const usualLimit = 1000

func newReview(p *Program) *cobra.Command {
	var o reviewOptions
	cmd := &cobra.Command{
		Use:   "review [PATH…]",
		Short: "Review SQL: files, folders, globs, standard input, or one query",
		Long: "Reviews SQL text. A PATH is a file, a folder (its *.sql files are read, and\n" +
			"those of the folders in it, but what git ignores), a glob in quotes, or - for\n" +
			"standard input. Of a file of Markdown the fenced blocks of SQL are read.\n\n" +
			"Exit status: 0 nothing at or above the gate, 1 findings at or above it,\n" +
			"2 not all could be reviewed.",
		Example: "  justlens review queries --schema schema.sql\n" +
			"  justlens review --query \"SELECT name FROM hives WHERE moved_on = NULL\"\n" +
			"  justlens review 'queries/**/*.sql' --dialect mariadb --report json=found.json",
		RunE: func(cmd *cobra.Command, paths []string) error { return o.run(cmd, p, paths) },
	}
	o.reviewFlags.add(cmd)
	o.color.add(cmd)
	flags := cmd.Flags()
	flags.StringArrayVar(&o.reports, "report", []string{"text"}, "`KIND[=FILE]` of report: "+strings.Join(report.Kinds, ", ")+"; may be given several times")
	flags.StringVar(&o.gate, "gate", "wrong", "exit 1 on findings of this consequence or a worse one: refused, wrong, slow, unclear")
	flags.IntVar(&o.jobs, "jobs", runtime.NumCPU(), "files to review at a time")
	flags.IntVar(&o.limit, "limit", usualLimit, "findings to tell of in a text report, 0 for all")
	flags.BoolVar(&o.brief, "brief", false, "one line a finding in a text report, for editors and grep")
	flags.StringVar(&o.stdin, "stdin-name", "", "the `PATH` that standard input is to be taken for")
	flags.StringVar(&o.known, "known", "", "tell of findings only that this `FILE` of justlens known save does not have")
	flags.StringVar(&o.since, "since", "", "tell of statements only that have changed since this `REVISION` of git, or are not committed")
	flags.BoolVar(&o.show, "show-config", false, "print what holds for each file, and where each value comes from, instead of reviewing")
	flags.BoolVar(&o.keep, "watch", false, "review again whenever a file changes, until Ctrl-C")
	flags.BoolVar(&o.rows, "evidence", false, "show what is wrong on the fewest made rows: what the query gives as written, and as meant")
	flags.StringVar(&o.database, "rows", "", "with --evidence, the `DATABASE` whose plans are shown of what is slow, as written and as mended: a SQLite file, postgres://…, mysql://…")
	completes(cmd, "report", report.Kinds)
	completes(cmd, "gate", []string{"refused", "wrong", "slow", "unclear"})
	return cmd
}

func (o *reviewOptions) run(cmd *cobra.Command, p *Program, paths []string) error {
	if o.keep {
		return o.watch(cmd, p, paths)
	}
	return o.once(cmd, p, paths)
}

func (o *reviewOptions) once(cmd *cobra.Command, p *Program, paths []string) error {
	if err := o.configure(cmd, paths); err != nil {
		return err
	}
	gate, err := o.validate()
	if err != nil {
		return err
	}
	if err := o.sources(paths); err != nil {
		return err
	}
	in, unread := inputs(paths, o.query, p.Stdin)
	if err := named(in, paths, o.stdin); err != nil {
		return err
	}
	if o.show {
		p.tellAll(unread)
		return o.showConfig(p, in)
	}
	out, err := p.openReports(o.reports, in, reportOptions{o.color.value, p.Env("NO_COLOR") != "", report.Options{Limit: o.limit, Brief: o.brief, Version: Version}})
	if err != nil {
		return err
	}
	defer out.discard()
	options, problems, err := o.options(cmd.Context(), p)
	if err != nil {
		return err
	}
	problems = append(problems, unread...)
	in, skipped, err := o.admitted(in, &options)
	if err != nil {
		return err
	}
	if skipped > 0 {
		p.tell(fmt.Sprintf("%s left out by skip in the configuration", report.Count(skipped, "file")))
	}
	if err := o.gather(cmd.Context(), p, in, &options); err != nil {
		return err
	}
	in, sift, err := o.sift(cmd.Context(), in, &options)
	if err != nil {
		return err
	}
	progress := p.showProgress("reviewing", len(in))
	defer progress.end()
	summary := report.Summary{Next: o.next(cmd, paths)}
	err = review.Run(cmd.Context(), in, options, o.jobs, func(outcome review.Outcome) error {
		progress.done()
		if outcome.Err != nil {
			problems = append(problems, errors.New(plainError(outcome.Path, outcome.Err)))
			return nil
		}
		problems = append(problems, unreviewed(outcome.File)...)
		summary.Known += sift(outcome.File)
		if o.rows {
			outcome.File.Show(cmd.Context(), options)
			if err := o.plans(cmd.Context(), p, outcome.File); err != nil {
				return err
			}
		}
		summary.Add(outcome.File)
		if out.toTerminal && len(outcome.File.Findings) > 0 {
			progress.pause()
		}
		return out.file(outcome.File)
	})
	progress.end()
	if err != nil {
		return err
	}
	for _, problem := range problems {
		summary.Problems = append(summary.Problems, problem.Error())
	}
	if err := out.close(summary); err != nil {
		return err
	}
	p.tellAll(problems)
	switch {
	case len(problems) > 0:
		return errFailed
	case summary.Worst() >= gate:
		return errFindings
	}
	return nil
}

// validate reads the flags of review alone, and what the configuration says in their place.
func (o *reviewOptions) validate() (gate check.Consequence, err error) {
	if c := o.config; c != nil {
		if c.Gate != "" && !o.given("gate") {
			o.gate = c.Gate
		}
		if c.Known != "" && !o.given("known") {
			o.known = besideConfig(c, c.Known)
		}
	}
	gate, err = check.ParseConsequence(o.gate)
	if err != nil {
		return 0, err
	}
	if o.jobs < 1 {
		return 0, fmt.Errorf("--jobs %d: at least 1 is needed", o.jobs)
	}
	if o.database != "" && (!o.rows || !database.IsSource(o.database)) {
		return 0, usageError{errors.New("--rows names the database of --evidence: a SQLite file, postgres://…, or mysql://…")}
	}
	if o.limit < 0 {
		return 0, fmt.Errorf("--limit %d: a number of findings, or 0 for all, is needed", o.limit)
	}
	if err := o.color.check(); err != nil {
		return 0, err
	}
	for _, k := range o.reports {
		kind, _, _ := strings.Cut(k, "=")
		if _, err := choose("report", kind, report.Kinds...); err != nil {
			return 0, err
		}
	}
	return gate, nil
}

// sift reads what --known and --since name. It gives the inputs that may have changed, and what drops
// the findings that are not to be told, counting the known ones.
func (o *reviewOptions) sift(ctx context.Context, in []review.Input, options *review.Options) ([]review.Input, func(*review.File) int, error) {
	var known *review.Known
	most := options.Most
	if o.known != "" {
		file, err := readKnown(o.known, !o.given("known"))
		if err != nil {
			return nil, nil, err
		}
		known, options.Most = file.Known(), 0
	}
	var changes *changed
	if o.since != "" {
		var err error
		if in, changes, err = onlyChanged(ctx, o.since, in); err != nil {
			return nil, nil, err
		}
	}
	return in, func(f *review.File) int {
		o.settle(f)
		if changes != nil {
			list, _ := changes.of(f.Text.Path)
			keepChanged(f, list)
		}
		if known == nil {
			return 0
		}
		return known.Drop(f, most)
	}, nil
}

// named gives standard input its name.
func named(in []review.Input, paths []string, name string) error {
	if name == "" {
		return nil
	}
	for i := range in {
		if in[i].Path == stdinName && slices.Contains(paths, "-") {
			in[i].Path = name
			return nil
		}
	}
	return usageError{errors.New("--stdin-name names standard input, which is not read: say - where a path would stand")}
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

// next gives the command that mends in its place what is reviewed, "" where that
// cannot be.
func (o *reviewOptions) next(cmd *cobra.Command, paths []string) string {
	words := []string{"justlens", "mend"}
	for _, path := range paths {
		if path == "-" {
			return ""
		}
		words = append(words, shellWord(path))
	}
	if len(paths) == 0 {
		return ""
	}
	return strings.Join(append(words, o.again(cmd)...), " ")
}

// shellWord quotes a word that a shell would take apart.
func shellWord(s string) string {
	if s != "" && !strings.ContainsAny(s, " \t\n'\"\\*?[]{}()<>|&;$`!#~") {
		return s
	}
	return "'" + strings.ReplaceAll(s, "'", `'\''`) + "'"
}

// plans asks the database for its plans of what is slow in a file, as it is and as mended. What it does
// not take is left as it is.
func (o *reviewOptions) plans(ctx context.Context, p *Program, f *review.File) error {
	if o.database == "" {
		return nil
	}
	for i := range f.Findings {
		found := &f.Findings[i]
		if found.Consequence != check.Slow || len(found.Mends) == 0 || len(found.Mends[0].Edits) == 0 {
			continue
		}
		mended, err := text.Apply(f.Text.Bytes(), found.Mends[0].Edits)
		if err != nil {
			continue
		}
		end := int(found.Of.End) + len(mended) - len(f.Text.Bytes())
		queries := []string{f.Text.Slice(found.Of), string(mended[found.Of.Start:end])}
		plans, err := database.Explain(ctx, o.database, p.Env, queries, database.Timeout)
		switch {
		case ctx.Err() != nil:
			return ctx.Err()
		case err != nil:
			found.Evidence = &compare.Evidence{Why: "no plan: " + err.Error()}
		default:
			found.Evidence = &compare.Evidence{Plans: &[2][]string{report.PlanLines(plans[0]), report.PlanLines(plans[1])}}
		}
	}
	return nil
}
