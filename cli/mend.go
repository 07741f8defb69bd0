package cli

import (
	"errors"
	"fmt"
	"io"

	"github.com/aymanbagabas/go-udiff"
	"github.com/spf13/cobra"

	"justlens/core/check"
	"justlens/core/mend"
	"justlens/core/review"
	"justlens/core/text"
)

type mendOptions struct {
	reviewFlags
	write  bool
	effect string
}

func newMend() *cobra.Command {
	var o mendOptions
	cmd := &cobra.Command{
		Use:   "mend [PATH…]",
		Short: "Show the mends that keep the rows as a unified diff, or write them",
		Long: "Shows the mends of what review finds as a unified diff; --write puts them into the files. Only mends that are\n" +
			"proved to keep every result are taken, unless --effect new-rows asks for those too that change it to what was\n" +
			"evidently meant. Each mended text is reviewed again; a mend that does not hold is withdrawn.",
		Example: "  justlens mend queries --schema schema.sql\n  justlens mend queries/keeper_workload.sql --write",
		RunE:    func(cmd *cobra.Command, paths []string) error { return o.run(cmd, paths) },
	}
	o.reviewFlags.add(cmd)
	cmd.Flags().BoolVar(&o.write, "write", false, "write the mended files in the place of showing a diff")
	cmd.Flags().StringVar(&o.effect, "effect", "same-rows", "which mends: same-rows, or new-rows for those that change the result too")
	return cmd
}

func (o *mendOptions) run(cmd *cobra.Command, paths []string) error {
	wanted, err := o.wanted()
	if err != nil {
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
	options.Most = 0 // each is to be mended
	in, problems := inputs(paths, o.query, cmd.InOrStdin())
	m := mender{options: options, wanted: wanted, write: o.write, out: cmd.OutOrStdout()}
	for _, input := range in {
		if err := cmd.Context().Err(); err != nil {
			return err
		}
		if err := m.one(input); err != nil {
			problems = append(problems, errors.New(plainError(input.Path, err)))
		}
	}
	m.summary(stderr)
	tell(stderr, problems)
	if len(problems) > 0 {
		return errFailed
	}
	return nil
}

func (o *mendOptions) wanted() ([]check.Effect, error) {
	switch o.effect {
	case "same-rows":
		return []check.Effect{check.SameRows}, nil
	case "new-rows":
		return []check.Effect{check.SameRows, check.NewRows}, nil
	}
	return nil, fmt.Errorf("unknown --effect %q: choose same-rows or new-rows", o.effect)
}

// mender mends one text after another.
type mender struct {
	options                   review.Options
	wanted                    []check.Effect
	write                     bool
	out                       io.Writer
	applied, withdrawn, files int
}

func (m *mender) one(in review.Input) error {
	stored, err := in.Read()
	if err != nil {
		return err
	}
	file, err := text.NewFile(in.Path, stored)
	if err != nil {
		return err
	}
	src := file.Bytes()
	options := m.options
	reviewText := func(src []byte) ([]review.Finding, error) {
		f, err := text.NewFile(in.Path, src)
		if err != nil {
			return nil, err
		}
		out := review.New(options).Review(f)
		options.Auto, options.Dialect = false, out.Dialect // a mend must not change the guess
		return out.Findings, nil
	}
	result, err := mend.Mend(src, m.wanted, reviewText)
	if err != nil {
		return err
	}
	applied := result.Count(mend.Applied)
	m.withdrawn += result.Count(mend.Withdrawn)
	if applied == 0 {
		return nil
	}
	if m.write {
		if in.Path == stdinName || in.Path == queryName {
			return errors.New("there is no file to write to; leave --write out to see the diff")
		}
		err = replaceFile(in.Path, stored, file.Encode(result.Text))
	} else {
		_, err = io.WriteString(m.out, udiff.Unified("a/"+in.Path, "b/"+in.Path, string(src), string(result.Text)))
	}
	if err == nil {
		m.applied += applied
		m.files++
	}
	return err
}

// summary says what was done, and what to type next.
func (m *mender) summary(w io.Writer) {
	withdrawn := ""
	if m.withdrawn > 0 {
		withdrawn = fmt.Sprintf(" Left out because they did not hold: %d.", m.withdrawn)
	}
	switch {
	case m.applied == 0 && len(m.wanted) == 1:
		fmt.Fprintf(w, "No mend that keeps the rows is needed.%s\n", withdrawn)
	case m.applied == 0:
		fmt.Fprintf(w, "No mend is needed.%s\n", withdrawn)
	case m.write:
		fmt.Fprintf(w, "Wrote mends: %d, files: %d.%s\n", m.applied, m.files, withdrawn)
	default:
		fmt.Fprintf(w, "Mends: %d, files: %d.%s Add --write to put them into the files.\n", m.applied, m.files, withdrawn)
	}
}
