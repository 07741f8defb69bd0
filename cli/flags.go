package cli

import (
	"context"
	"errors"
	"fmt"
	"os"
	"slices"
	"strings"

	"github.com/spf13/cobra"

	"justlens/config"
	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/database"
)

// reviewFlags are the flags that review and mend share.
type reviewFlags struct {
	dialect   string
	schemas   []string
	tablesOf  string
	certainty string
	only      []string
	skip      []string
	query     string

	configPath string
	config     *config.File            // that of the run, nil if there is none
	onlyConfig bool                    // no other is looked for
	byFolder   map[string]*config.File // what was found for folders
	given      func(flag string) bool  // whether a flag was typed
}

func (f *reviewFlags) add(cmd *cobra.Command) {
	f.addText(cmd)
	flags := cmd.Flags()
	flags.StringVar(&f.certainty, "certainty", "likely", "show findings that are at least this certain: certain, likely, possible")
	flags.StringSliceVar(&f.only, "only", nil, "only these `CHECKS` or families, as null.equals,join")
	flags.StringSliceVar(&f.skip, "skip", nil, "without these `CHECKS` or families")
	flags.StringVar(&f.query, "query", "", "SQL `TEXT` to read instead of files")
	completes(cmd, "certainty", []string{"certain", "likely", "possible"})
	completes(cmd, "only", checkNames())
	completes(cmd, "skip", checkNames())
	completes(cmd, "query", nil)
}

// addText adds the flags by which a text is understood.
func (f *reviewFlags) addText(cmd *cobra.Command) {
	f.certainty = "likely"
	flags := cmd.Flags()
	flags.StringVar(&f.dialect, "dialect", "auto", "whose SQL it is: auto, "+strings.Join(dialectNames(), ", ")+"; a version may follow, as in postgres@15")
	flags.StringArrayVar(&f.schemas, "schema", nil, "`SOURCE` that tells of the tables: DDL text, a folder of it, - for standard input, a SQLite file, postgres://…, mysql://…; may be given several times")
	flags.StringVar(&f.tablesOf, "tables-of", "folder", "with no --schema, `WHOSE` tables help to judge: the run's, and the folder's of a single file (folder), the run's alone (run), none")
	flags.StringVar(&f.configPath, "config", "", "the configuration, a `FILE` as justlens init writes it; without, it is looked for from what is reviewed upwards; none for none")
	completes(cmd, "dialect", append([]string{"auto"}, dialectNames()...))
	completes(cmd, "tables-of", tablesOf)
}

// again gives the flags as they were given, for a command to type next. What an address
// holds before its @ is left out.
func (f *reviewFlags) again(cmd *cobra.Command) []string {
	var args []string
	for _, name := range []string{"dialect", "tables-of", "certainty"} {
		if flag := cmd.Flags().Lookup(name); flag.Changed {
			args = append(args, "--"+name, shellWord(flag.Value.String()))
		}
	}
	for _, s := range f.schemas {
		args = append(args, "--schema", shellWord(database.Redacted(s)))
	}
	if len(f.only) > 0 {
		args = append(args, "--only", shellWord(strings.Join(f.only, ",")))
	}
	if len(f.skip) > 0 {
		args = append(args, "--skip", shellWord(strings.Join(f.skip, ",")))
	}
	return args
}

var tablesOf = []string{"folder", "run", "none"}

func dialectNames() []string {
	var names []string
	for _, d := range dialect.All() {
		names = append(names, d.String())
	}
	return names
}

// options turns the flags into review options. What could not be taken whole comes as
// problems.
func (f *reviewFlags) options(ctx context.Context, p *Program) (o review.Options, problems []error, err error) {
	o = review.Options{Most: review.Told, Auto: strings.EqualFold(f.dialect, "auto")}
	if !o.Auto {
		if o.Dialect, o.Version, err = dialect.ParseWithVersion(f.dialect); err != nil {
			return o, nil, err
		}
	}
	if o.Certainty, err = check.ParseCertainty(f.certainty); err != nil {
		return o, nil, err
	}
	if f.tablesOf, err = choose("--tables-of", f.tablesOf, tablesOf...); err != nil {
		return o, nil, err
	}
	if o.Checks, err = chosenChecks(f.only, f.skip); err != nil {
		return o, nil, err
	}
	o.Acceptable = checks.All()
	f.dropOff(&o)
	if f.config != nil {
		o.Limits = f.config.Limits
	}
	o.ReasonOptional = f.config != nil && f.config.Reasons == "optional"
	loaded, err := p.loadSchemas(ctx, f.schemas, o.Dialect, o.Auto)
	o.Schema = loaded.schema
	if o.Auto && slices.ContainsFunc(f.schemas, database.IsSource) {
		o.Auto, o.Dialect = false, loaded.dialect // the SQL is most likely that database's
	}
	return o, loaded.faults, err
}

// texts gives what is to be read and how, with each text knowing of the others. What could not be taken
// whole comes as problems.
func (f *reviewFlags) texts(ctx context.Context, p *Program, paths []string) (in []review.Input, o review.Options, problems []error, err error) {
	in, unread := inputs(paths, f.query, p.Stdin)
	if o, problems, err = f.options(ctx, p); err != nil {
		return nil, o, nil, err
	}
	problems = append(problems, unread...)
	if in, _, err = f.admitted(in, &o); err != nil {
		return nil, o, nil, err
	}
	return in, o, problems, f.gather(ctx, p, in, &o)
}

// sources checks where the text is to come from.
func (f *reviewFlags) sources(paths []string) error {
	switch {
	case len(paths) == 0 && f.query == "":
		return usageError{errors.New("nothing to read: name a file or a folder, - for standard input, or --query TEXT")}
	case len(paths) > 0 && f.query != "":
		return usageError{errors.New("--query and a path both say what to read; use one of them")}
	case slices.Contains(paths, "-") && slices.Contains(f.schemas, "-"):
		return usageError{errors.New("standard input can be read once: as what to review, or as --schema")}
	}
	return nil
}

// chosenChecks gives the checks that --only and --skip leave.
func chosenChecks(only, skip []string) ([]*check.Check, error) {
	all := checks.All()
	for _, name := range slices.Concat(only, skip) {
		if !slices.ContainsFunc(all, func(c *check.Check) bool { return isNamed(c, name) }) {
			return nil, fmt.Errorf("no check or family is called %q%s; justlens guide lists them", name, meant(name, checkNames()))
		}
	}
	chosen := slices.DeleteFunc(all, func(c *check.Check) bool {
		is := func(name string) bool { return isNamed(c, name) }
		return len(only) > 0 && !slices.ContainsFunc(only, is) || slices.ContainsFunc(skip, is)
	})
	if len(chosen) == 0 {
		return nil, errors.New("--only and --skip leave no check to run")
	}
	return chosen, nil
}

func isNamed(c *check.Check, name string) bool {
	return strings.EqualFold(c.ID, name) || strings.EqualFold(c.Family(), name)
}

// plainError says of a file error what is wrong, in our own words where the
// cause is a common one.
func plainError(path string, err error) string {
	switch {
	case errors.Is(err, os.ErrNotExist):
		return path + ": no such file or folder"
	case errors.Is(err, os.ErrPermission):
		return path + ": not allowed to read it"
	}
	var pathError *os.PathError
	if errors.As(err, &pathError) {
		err = pathError.Err
	}
	return fmt.Sprintf("%s: %v", path, err)
}

// colorFlag is --color, which every command that prints for people has.
type colorFlag struct{ value string }

func (c *colorFlag) add(cmd *cobra.Command) {
	cmd.Flags().StringVar(&c.value, "color", "auto", "colours: auto, always, never")
	completes(cmd, "color", colors)
}

var colors = []string{"auto", "always", "never"}

func (c *colorFlag) check() (err error) {
	c.value, err = choose("--color", c.value, colors...)
	return err
}
