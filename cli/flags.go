package cli

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"slices"
	"strings"

	"github.com/spf13/cobra"

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
	certainty string
	only      []string
	skip      []string
	query     string
}

func (f *reviewFlags) add(cmd *cobra.Command) {
	flags := cmd.Flags()
	flags.StringVar(&f.dialect, "dialect", "auto", "whose SQL it is: auto, "+strings.Join(dialectNames(), ", ")+"; a version may follow, as in postgres@15")
	flags.StringArrayVar(&f.schemas, "schema", nil, "`SOURCE` that tells of the tables: DDL text, a folder of it, a SQLite file, postgres://…, mysql://…; may be given several times")
	flags.StringVar(&f.certainty, "certainty", "likely", "least certainty to tell of: certain, likely, possible")
	flags.StringSliceVar(&f.only, "only", nil, "only these `CHECKS` or families, as null.equals,join")
	flags.StringSliceVar(&f.skip, "skip", nil, "without these `CHECKS` or families")
	flags.StringVar(&f.query, "query", "", "SQL `TEXT` to read in the place of files")
}

func dialectNames() []string {
	var names []string
	for _, d := range dialect.All() {
		names = append(names, d.String())
	}
	return names
}

// options turns the flags into review options. What it warns of goes to warn.
func (f *reviewFlags) options(ctx context.Context, warn io.Writer) (review.Options, error) {
	o := review.Options{Most: review.Told, Auto: strings.EqualFold(f.dialect, "auto")}
	var err error
	if !o.Auto {
		if o.Dialect, o.Version, err = dialect.ParseWithVersion(f.dialect); err != nil {
			return o, err
		}
	}
	if o.Certainty, err = check.ParseCertainty(f.certainty); err != nil {
		return o, err
	}
	if o.Checks, err = chosenChecks(f.only, f.skip); err != nil {
		return o, err
	}
	var d dialect.Dialect
	o.Schema, d, err = loadSchemas(ctx, f.schemas, o.Dialect, o.Auto, warn)
	if o.Auto && slices.ContainsFunc(f.schemas, database.IsSource) {
		o.Auto, o.Dialect = false, d // the SQL is most likely that database's
	}
	return o, err
}

// chosenChecks gives the checks that --only and --skip leave.
func chosenChecks(only, skip []string) ([]*check.Check, error) {
	all := checks.All()
	for _, name := range slices.Concat(only, skip) {
		if !slices.ContainsFunc(all, func(c *check.Check) bool { return named(c, name) }) {
			return nil, fmt.Errorf("no check or family is called %q; justlens guide lists them", name)
		}
	}
	chosen := slices.DeleteFunc(all, func(c *check.Check) bool {
		is := func(name string) bool { return named(c, name) }
		return len(only) > 0 && !slices.ContainsFunc(only, is) || slices.ContainsFunc(skip, is)
	})
	if len(chosen) == 0 {
		return nil, errors.New("--only and --skip leave no check to run")
	}
	return chosen, nil
}

func named(c *check.Check, name string) bool {
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
}

func (c *colorFlag) check() error {
	if !slices.Contains([]string{"auto", "always", "never"}, c.value) {
		return fmt.Errorf("unknown --color %q: choose auto, always or never", c.value)
	}
	return nil
}
