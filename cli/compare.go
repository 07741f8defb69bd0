package cli

import (
	"context"
	"errors"
	"fmt"

	"github.com/spf13/cobra"

	"justlens/core/compare"
	"justlens/core/dialect"
	"justlens/core/fault"
	"justlens/core/review"
	"justlens/core/run"
	"justlens/core/syntax"
	"justlens/core/text"
	"justlens/database"
	"justlens/report"
)

type compareOptions struct {
	reviewFlags
	rowsFlags
	color    colorFlag
	on       string
	old, new string // queries
	tries    int
	kind     string // of report
	plans    bool
}

func newCompare(p *Program) *cobra.Command {
	var o compareOptions
	cmd := &cobra.Command{
		Use:   "compare OLD NEW",
		Short: "Tell whether two queries give the same rows",
		Long: "Compares two queries: their columns from the texts, their rows on thousands of\n" +
			"small databases that are made from the schema and from what both queries\n" +
			"compare with: NULLs, ties, doubles, missing partners, empty tables. A\n" +
			"difference is shown on the fewest rows and the simplest values that have it.\n" +
			"OLD and NEW are files; of files with several queries the first is compared\n" +
			"with the first, and so on.\n\n" +
			"Exit status: 0 no difference found, 1 they differ, 2 not all could be compared.",
		Example: "  justlens compare before.sql after.sql --schema schema.sql\n" +
			"  justlens compare --schema schema.sql \\\n" +
			"    --old-query \"SELECT name FROM hives WHERE frame_count > 8\" \\\n" +
			"    --new-query \"SELECT name FROM hives WHERE NOT frame_count <= 8\"",
		RunE: func(cmd *cobra.Command, paths []string) error { return o.run(cmd, p, paths) },
	}
	o.addText(cmd)
	o.rowsFlags.add(cmd)
	o.color.add(cmd)
	flags := cmd.Flags()
	flags.StringVar(&o.old, "old-query", "", "SQL `TEXT` to read as OLD")
	flags.StringVar(&o.new, "new-query", "", "SQL `TEXT` to read as NEW")
	flags.IntVar(&o.tries, "tries", 5000, "made databases to try")
	flags.StringVar(&o.on, "on", "both", "which rows: made, rows for those of --rows alone, both")
	flags.BoolVar(&o.plans, "plans", false, "with --rows of a database, show how it would read the tables for each")
	completes(cmd, "on", compareOn)
	flags.StringVar(&o.kind, "report", "text", "`KIND` of report: text, json")
	completes(cmd, "report", []string{"text", "json"})
	return cmd
}

func (o *compareOptions) run(cmd *cobra.Command, p *Program, paths []string) error {
	if err := o.color.check(); err != nil {
		return err
	}
	if _, err := choose("--report", o.kind, "text", "json"); err != nil {
		return err
	}
	if _, err := choose("--on", o.on, compareOn...); err != nil {
		return err
	}
	if o.on == "rows" && o.rows == "" {
		return usageError{errors.New("--on rows: --rows says where they are")}
	}
	if o.plans && !database.IsSource(o.rows) {
		return usageError{errors.New("--plans asks a database: --rows says which")}
	}
	o.rowsFlags.tellTables(&o.reviewFlags)
	if o.tries < 1 {
		return usageError{errors.New("--tries is at least 1")}
	}
	if err := o.configure(cmd, paths); err != nil {
		return err
	}
	sides, err := o.sides(cmd.Context(), p, paths)
	if err != nil {
		return err
	}
	all, err := o.compare(cmd.Context(), p, sides[0], sides[1])
	if err != nil {
		return err
	}
	if o.kind == "json" {
		err = report.ComparedJSON(p.Stdout, Version, all)
	}
	style := report.StyleFor(p.Stdout, o.color.value, p.Env("NO_COLOR") != "")
	status := error(nil)
	for i, c := range all {
		if o.kind == "text" && err == nil {
			if i > 0 {
				fmt.Fprintln(p.Stdout)
			}
			err = report.Compared(p.Stdout, style, c)
		}
		if o.plans && o.kind == "text" && err == nil {
			err = o.showPlans(cmd.Context(), p, style, c)
		}
		switch {
		case c.Word == compare.Unsaid:
			status = errFailed
		case c.Word == compare.Differ && status == nil:
			status = errFindings
		}
	}
	return errors.Join(err, status)
}

// side is the text of OLD or NEW with its queries.
type side struct {
	file    *text.File
	queries []*run.Query
}

// sides reads both texts, in one dialect and with the same tables.
func (o *compareOptions) sides(ctx context.Context, p *Program, paths []string) (sides [2]side, err error) {
	var in []review.Input
	switch {
	case o.old != "" && o.new != "" && len(paths) == 0:
		for _, query := range []string{o.old, o.new} {
			in = append(in, review.Input{Path: map[bool]string{true: "old query", false: "new query"}[len(in) == 0], Read: func() ([]byte, error) { return []byte(query), nil }})
		}
	case o.old != "" || o.new != "":
		return sides, usageError{errors.New("--old-query and --new-query stand together, in place of files")}
	case len(paths) != 2:
		return sides, usageError{fmt.Errorf("two files are compared, OLD and NEW, not %d", len(paths))}
	default:
		var unread []error
		if in, unread = inputs(paths, "", p.Stdin); len(unread) > 0 {
			return sides, errors.Join(unread...)
		}
		if len(in) != 2 {
			return sides, usageError{errors.New("OLD and NEW are two files, each named by itself")}
		}
	}
	options, problems, err := o.options(ctx, p)
	if err != nil {
		return sides, err
	}
	if len(problems) > 0 {
		return sides, errors.Join(problems...)
	}
	for i := range 2 { // the tables of the folder of each
		if options.Schema == nil {
			if err := o.gather(ctx, p, in[i:i+1], &options); err != nil {
				return sides, err
			}
		}
	}
	dialects := [2]dialect.Dialect{options.Dialect, options.Dialect}
	version := options.Version
	for i := range sides {
		src, err := in[i].Read()
		if err != nil {
			return sides, errors.New(plainError(in[i].Path, err))
		}
		if sides[i].file, err = text.NewFile(in[i].Path, src); err != nil {
			return sides, errors.New(plainError(in[i].Path, err))
		}
		if options.Auto {
			dialects[i], version = guessed(in[i], sides[i].file)
		}
	}
	d := dialects[0]
	if d == dialect.ANSI {
		d = dialects[1]
	}
	d = o.rowsFlags.dialect(d)
	if dialects[1] != d && dialects[1] != dialect.ANSI {
		return sides, fmt.Errorf("OLD reads as %s, NEW as %s: --dialect says whose SQL both are", d.Title(), dialects[1].Title())
	}
	for i := range sides {
		s := &sides[i]
		if s.queries = run.Read(s.file.Bytes(), d, version, options.Schema); len(s.queries) == 0 {
			return sides, fmt.Errorf("%s: there is no query in it", s.file.Path)
		}
		options.Auto, options.Dialect, options.Version = false, d, version
		found := byStatement(review.New(options).Review(s.file).Findings)
		for _, q := range s.queries {
			if refused := refusal(found[q.Stmt.Span]); refused != nil && q.Err == nil {
				q.Err = refused
			}
		}
	}
	return sides, nil
}

// guessed gives the dialect that a text is most likely written in.
func guessed(in review.Input, f *text.File) (dialect.Dialect, dialect.Version) {
	if in.Guess != nil {
		return in.Guess.Dialect, in.Guess.Version
	}
	d, _ := syntax.Guess(f.Path, f.Bytes(), syntax.NewNames())
	return d, 0
}

// compare compares the queries of two texts one by one.
func (o *compareOptions) compare(ctx context.Context, p *Program, old, now side) (all []*compare.Comparison, err error) {
	if len(old.queries) != len(now.queries) {
		return nil, fmt.Errorf("%s has %s, %s has %s: there are to be as many in both", old.file.Path, report.Count(len(old.queries), "query"), now.file.Path, report.Count(len(now.queries), "query"))
	}
	progress := p.showProgress("comparing", len(old.queries))
	defer progress.end()
	for i := range old.queries {
		var c *compare.Comparison
		caught := fault.Guard("comparing queries", func() {
			c, err = o.pair(ctx, p, compare.Side{Query: old.queries[i], File: old.file}, compare.Side{Query: now.queries[i], File: now.file})
		})
		if caught != nil {
			return nil, caught
		}
		if err != nil {
			return nil, err
		}
		if err := ctx.Err(); err != nil {
			return nil, err
		}
		all = append(all, c)
		progress.done()
	}
	return all, nil
}

var compareOn = []string{"made", "rows", "both"}

// pair compares two queries on the rows that are asked for.
func (o *compareOptions) pair(ctx context.Context, p *Program, old, now compare.Side) (*compare.Comparison, error) {
	options := compare.Options{Tries: o.tries, Seed: o.seed, Plain: plain}
	if o.rows == "" || o.on == "made" {
		return compare.Queries(ctx, old, now, nil, options), nil
	}
	data, err := o.load(ctx, p, old.Schema, old.Query, now.Query)
	if err != nil {
		return nil, err
	}
	if o.on == "rows" {
		options.Tries = -1
	}
	return compare.Queries(ctx, old, now, data, options), nil
}

// showPlans shows how the database would work both queries out.
func (o *compareOptions) showPlans(ctx context.Context, p *Program, style report.Style, c *compare.Comparison) error {
	var texts []string
	for _, side := range []compare.Side{c.Old, c.New} {
		texts = append(texts, side.File.Slice(side.Stmt.Span))
	}
	plans, err := database.Explain(ctx, o.rows, p.Env, texts, o.timeout)
	if err != nil {
		return err
	}
	return report.Plans(p.Stdout, style, plans[0], plans[1])
}
