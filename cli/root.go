// Package cli is the door of the command line: flags in, one call of the
// core, one renderer out.
//
//	root.go     the command and its exit statuses
//	flags.go    flags that commands share
//	inputs.go   what is read: files, folders, globs, standard input
//	review.go   justlens review
//	mend.go     justlens mend
//	guide.go    justlens guide
//	demo.go     justlens demo
//	schema.go   justlens schema, and the sources of --schema
//	write.go    files written whole or not at all
package cli

import (
	"context"
	"errors"
	"fmt"
	"io"

	"github.com/spf13/cobra"
)

// Version is the version of the program.
const Version = "0.1.0"

// Exit statuses.
const (
	exitFine     = 0 // nothing at or above the gate
	exitFindings = 1 // findings at or above the gate
	exitFailed   = 2 // the work could not be done, or not all of it
)

// errFindings and errFailed end a command that has said all there is to say.
var (
	errFindings = errors.New("findings at or above the gate")
	errFailed   = errors.New("some of the work could not be done")
)

// Run runs the program and gives its exit status. It says on stderr, in one
// line, why it could not do its work.
func Run(ctx context.Context, args []string, stdin io.Reader, stdout, stderr io.Writer, env func(string) string) int {
	root := newRoot(env)
	root.SetArgs(args)
	root.SetIn(stdin)
	root.SetOut(stdout)
	root.SetErr(stderr)
	command, err := root.ExecuteContextC(ctx)
	switch {
	case err == nil:
		return exitFine
	case errors.Is(err, errFindings):
		return exitFindings
	case errors.Is(err, errFailed):
		return exitFailed
	}
	fmt.Fprintf(stderr, "justlens: %v\n", explained(err, command))
	return exitFailed
}

// usageError is an error that the command's help explains.
type usageError struct{ error }

func explained(err error, command *cobra.Command) error {
	var usage usageError
	if errors.As(err, &usage) {
		return fmt.Errorf("%w; see %s --help", err, command.CommandPath())
	}
	return err
}

func newRoot(env func(string) string) *cobra.Command {
	root := &cobra.Command{
		Use:   "justlens",
		Short: "Reviews SQL: what a database would refuse, return wrongly, or do slowly, and what to write instead",
		Long: "Just Lens reads SQL text and says what a database would refuse, where rows would be other than the text\n" +
			"tells, what would be slow, and what the next reader will misread, each with what to write instead.\n\n" +
			"Begin with: justlens demo",
		Version:       Version,
		SilenceErrors: true,
		SilenceUsage:  true,
		Args: func(cmd *cobra.Command, args []string) error {
			if len(args) > 0 {
				return usageError{fmt.Errorf("unknown command %q", args[0])}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, _ []string) error { return cmd.Help() },
	}
	root.SetFlagErrorFunc(func(_ *cobra.Command, err error) error { return usageError{err} })
	root.SetVersionTemplate("justlens {{.Version}}\n")
	root.CompletionOptions.HiddenDefaultCmd = true
	root.AddCommand(newReview(env), newMend(), newGuide(env), newSchema(), newDemo(env))
	return root
}
