package cli

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"

	"github.com/spf13/cobra"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/fault"
	"justlens/core/follow"
	"justlens/core/review"
	"justlens/core/run"
	"justlens/core/sample"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/database"
	"justlens/report"
	"justlens/rows"
)

type followOptions struct {
	reviewFlags
	rowsFlags
	color colorFlag
	track string
	stage int
	limit int
	kind  string // of report
}

// rowsFlags say on which rows queries are worked out.
type rowsFlags struct {
	rows    string
	seed    uint64
	timeout time.Duration
}

func (r *rowsFlags) add(cmd *cobra.Command) {
	flags := cmd.Flags()
	flags.StringVar(&r.rows, "rows", "", "`SOURCE` of rows: a file of INSERTs, a folder of CSV files, a SQLite file, postgres://…, mysql://…, or made for rows made from the schema")
	flags.Uint64Var(&r.seed, "seed", 1, "`NUMBER` from which rows are made: the same gives the same")
	flags.DurationVar(&r.timeout, "timeout", 10*time.Second, "how long a database may take")
}

// tellTables takes a database of rows for the tables as well, where no schema is named.
func (r *rowsFlags) tellTables(f *reviewFlags) {
	if len(f.schemas) == 0 && r.rows != "" && database.IsSource(r.rows) {
		f.schemas = []string{r.rows}
	}
}

// dialect gives the dialect of the database that rows come from, for a text that does not tell its
// own.
func (r *rowsFlags) dialect(d dialect.Dialect) dialect.Dialect {
	switch {
	case d != dialect.ANSI || r.rows == "" || !database.IsSource(r.rows):
		return d
	case strings.HasPrefix(r.rows, "postgres"):
		return dialect.Postgres
	case database.IsAddress(r.rows):
		return dialect.MariaDB
	}
	return dialect.SQLite
}

// load reads the rows of the tables that queries need.
func (r *rowsFlags) load(ctx context.Context, p *Program, tables *schema.Schema, queries ...*run.Query) (run.Database, error) {
	s := rows.Source{Name: r.rows, Env: p.Env, Schema: tables, Seed: r.seed, Timeout: r.timeout}
	for _, q := range queries {
		s.Dialect = q.Dialect
		if q.Plan == nil {
			continue
		}
		if q.Plan.Generated != "" && !database.IsSource(r.rows) {
			return nil, fmt.Errorf("%s: the database works %s out, which such rows do not have: follow the query on a database", r.rows, q.Plan.Generated)
		}
		for _, t := range q.Plan.Tables {
			if !slices.Contains(s.Tables, t) {
				s.Tables = append(s.Tables, t)
			}
		}
		s.Constants = append(s.Constants, sample.ConstantsOf(q.Info, q.Stmt.Node)...)
	}
	return rows.Load(ctx, s)
}

func newFollow(p *Program) *cobra.Command {
	var o followOptions
	cmd := &cobra.Command{
		Use:   "follow [FILE]",
		Short: "Follow the rows of a query through its clauses",
		Long: "Tells what each clause of a query does to the rows, in the order in which a\n" +
			"database works: where rows are lost, where they come twice, and what may be\n" +
			"NULL from there on. With --rows it works the query out on rows, and counts.\n" +
			"The rows of databases are only read, up to 10,000 of a table; UPDATE, DELETE\n" +
			"and MERGE are never run, the rows that they would touch are followed.",
		Example: "  justlens follow query.sql --schema schema.sql\n" +
			"  justlens follow query.sql --schema schema.sql --rows data.sql\n" +
			"  justlens follow query.sql --rows bees.db --schema bees.db \\\n" +
			"    --track 'h.hive_id = 7'",
		RunE: func(cmd *cobra.Command, paths []string) error { return o.run(cmd, p, paths) },
	}
	o.addText(cmd)
	o.rowsFlags.add(cmd)
	o.color.add(cmd)
	flags := cmd.Flags()
	flags.StringVar(&o.query, "query", "", "SQL `TEXT` to read instead of a file")
	flags.StringVar(&o.track, "track", "", "`CONDITION` on the rows of one source whose way is told, as h.hive_id = 7")
	flags.IntVar(&o.stage, "stage", 0, "show the rows of step `N`, kept and lost")
	flags.IntVar(&o.limit, "limit", 10, "rows of a step to show, 50 at the most")
	flags.StringVar(&o.kind, "report", "text", "`KIND` of report: text, json")
	completes(cmd, "report", []string{"text", "json"})
	return cmd
}

func (o *followOptions) check(paths []string) error {
	switch {
	case len(paths) > 1:
		return usageError{fmt.Errorf("one file is followed at a time, not %d", len(paths))}
	case o.limit < 1 || o.limit > 50:
		return usageError{fmt.Errorf("--limit %d: from 1 to 50", o.limit)}
	case o.track != "" && o.rows == "":
		return usageError{errors.New("--track follows rows: --rows says where they are")}
	case o.stage < 0:
		return usageError{fmt.Errorf("--stage %d: steps are numbered from 1", o.stage)}
	case o.stage > 0 && o.rows == "":
		return usageError{errors.New("--stage shows rows: --rows says where they are")}
	}
	if err := o.color.check(); err != nil {
		return err
	}
	if _, err := choose("--report", o.kind, "text", "json"); err != nil {
		return err
	}
	return o.sources(paths)
}

func (o *followOptions) run(cmd *cobra.Command, p *Program, paths []string) error {
	if err := o.configure(cmd, paths); err != nil {
		return err
	}
	if err := o.check(paths); err != nil {
		return err
	}
	o.rowsFlags.tellTables(&o.reviewFlags)
	in, options, problems, err := o.texts(cmd.Context(), p, paths)
	if err != nil {
		return err
	}
	if len(problems) > 0 {
		return errors.Join(problems...)
	}
	if len(in) != 1 {
		return usageError{errors.New("one file is followed at a time")}
	}
	// What is told is kept till the end, so that an error stands alone; the queries are not.
	var told bytes.Buffer
	document := report.FollowedJSON{Version: Version}
	style := report.StyleFor(p.Stdout, o.color.value, p.Env("NO_COLOR") != "")
	status := error(nil)
	tell := func(f report.Follow) error {
		if o.stage > len(f.Steps) {
			return fmt.Errorf("--stage %d: the query has %s", o.stage, report.Count(len(f.Steps), "step"))
		}
		if f.Err != nil {
			status = errFailed
		}
		if o.kind == "json" {
			document.Add(f)
			return nil
		}
		if told.Len() > 0 {
			told.WriteByte('\n')
		}
		return report.FollowedText(&told, style, f, o.stage, o.limit)
	}
	caught := fault.Guard("following a query", func() { err = o.follow(cmd.Context(), p, in[0], options, tell) })
	if caught != nil {
		return caught
	}
	if err != nil {
		return err
	}
	if o.kind == "json" {
		return errors.Join(document.Write(p.Stdout), status)
	}
	_, err = told.WriteTo(p.Stdout)
	return errors.Join(err, status)
}

// follow reads the queries of a text, works them out where there are rows, and tells of each.
func (o *followOptions) follow(ctx context.Context, p *Program, in review.Input, options review.Options, tell func(report.Follow) error) error {
	src, err := in.Read()
	if err != nil {
		return errors.New(plainError(in.Path, err))
	}
	f, err := text.NewFile(in.Path, src)
	if err != nil {
		return errors.New(plainError(in.Path, err))
	}
	if options.Auto {
		options.Dialect, options.Version = guessed(in, f)
		options.Auto, options.Dialect = false, o.rowsFlags.dialect(options.Dialect)
	}
	tables := run.WithTables(f.Bytes(), options.Dialect, options.Schema)
	read := func(src string) []*run.Query {
		return run.Read([]byte(src), options.Dialect, options.Version, tables)
	}
	found := byStatement(review.New(options).Review(f).Findings)
	none := true
	for q := range run.Each(f.Bytes(), options.Dialect, options.Version, tables) {
		none = false
		if err := ctx.Err(); err != nil {
			return err
		}
		one := report.Follow{Followed: follow.Read(q), File: f, Findings: found[q.Stmt.Span]}
		refused := refusal(one.Findings)
		if refused != nil && o.rows != "" {
			one.Err = refused
		}
		if o.rows != "" && q.Plan != nil && refused == nil {
			if one.Rows = database.Redacted(o.rows); strings.EqualFold(o.rows, rows.Made) {
				one.Rows = "made"
			}
			data, err := o.load(ctx, p, tables, q)
			if err != nil && (!database.IsTooMany(err) || o.track != "" || o.stage > 0) {
				return err
			}
			if err == nil {
				one.Run(data, run.Limits{})
			}
			if database.IsSource(o.rows) {
				if one.Counted, err = o.count(ctx, p, one.Followed); err != nil {
					return err
				}
			}
			if o.track != "" && one.Err == nil {
				tracked, err := one.Track(o.track, data, func(query string) *run.Query {
					if found := read(query); len(found) == 1 {
						return found[0]
					}
					return nil
				})
				if err != nil {
					return err
				}
				one.Follow(tracked, data, run.Limits{})
			}
		}
		if err := tell(one); err != nil {
			return err
		}
	}
	if none {
		return fmt.Errorf("%s: there is no query in it", in.Path)
	}
	return nil
}

// count has the database count the rows of the steps, by queries of the query's own clauses.
func (o *followOptions) count(ctx context.Context, p *Program, f *follow.Followed) (counted bool, err error) {
	questions := f.Questions()
	texts := make([]string, len(questions))
	for i, q := range questions {
		texts[i] = q.Query
	}
	counts, err := database.Count(ctx, o.rows, p.Env, texts, o.timeout)
	if err != nil {
		return false, err
	}
	for i, n := range counts {
		questions[i].Answer(n)
	}
	return len(counts) > 0, nil
}

// byStatement gives findings by the span of their statement.
func byStatement(found []review.Finding) map[text.Span][]review.Finding {
	by := map[text.Span][]review.Finding{}
	for _, f := range found {
		by[f.Of] = append(by[f.Of], f)
	}
	return by
}

// refusal gives the first refusal that is certain among what a review found of a query, nil if there
// is none: what a database refuses gives no rows.
func refusal(found []review.Finding) error {
	for _, f := range found {
		if f.Consequence == check.Refused && f.Certainty == check.Certain {
			return run.Refusal{What: f.Message, Span: f.Span}
		}
	}
	return nil
}
