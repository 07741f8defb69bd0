// Package cli is the door of the command line: flags in, one call of the
// core, one renderer out.
//
//	program.go     one run of the program: signals, errors, exit statuses
//	root.go        the command, its help and what it completes
//	flags.go       flags that commands share
//	inputs.go      what is read: files, folders, globs, standard input
//	ignored.go     what of a folder git ignores
//	markdown.go    SQL in fenced blocks
//	reports.go     where reports go
//	review.go      justlens review
//	watch.go       reviewing again when something changes
//	mend.go        justlens mend
//	pick.go        mends picked by a person
//	guide.go       justlens guide
//	demo.go        justlens demo
//	known.go       justlens known
//	init.go        justlens init
//	config.go      what a configuration says where no flag does
//	since.go       what has changed since a revision
//	schema.go      justlens schema, and the sources of --schema
//	progress.go    what a long run shows meanwhile
//	write.go       files written whole or not at all
//	write_unix.go  owners, links and locks of files, and signals
package cli

import (
	"errors"
	"fmt"
	"runtime"
	"runtime/debug"
	"strings"

	"github.com/spf13/cobra"
	"github.com/spf13/pflag"

	"justlens/core/checks"
	"justlens/core/text"
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

// usageError is an error that the command's help explains.
type usageError struct{ error }

func explained(err error, command *cobra.Command) error {
	var usage usageError
	if errors.As(err, &usage) {
		return fmt.Errorf("%w; see %s --help", err, command.CommandPath())
	}
	return err
}

func newRoot(p *Program) *cobra.Command {
	root := &cobra.Command{
		Use:   "justlens",
		Short: "Reviews SQL: what would be refused, wrong or slow, and what to write",
		Long: "Just Lens reads SQL text and says what a database would refuse, where rows\n" +
			"would be other than the text tells, what would be slow, and what the next\n" +
			"reader will misread, each with what to write instead.\n\n" +
			"Begin with: justlens demo",
		Version:       versionLine(),
		SilenceErrors: true,
		SilenceUsage:  true,
		Args:          knownCommand,
		RunE:          func(cmd *cobra.Command, _ []string) error { return cmd.Help() },
	}
	root.SetFlagErrorFunc(func(cmd *cobra.Command, err error) error { return usageError{flagError(cmd, err)} })
	root.SetVersionTemplate("justlens {{.Version}}\n")
	root.SetUsageTemplate(strings.NewReplacer(
		".LocalFlags.FlagUsages", fmt.Sprintf("(.LocalFlags.FlagUsagesWrapped %d)", helpWidth),
		".InheritedFlags.FlagUsages", fmt.Sprintf("(.InheritedFlags.FlagUsagesWrapped %d)", helpWidth),
	).Replace(root.UsageTemplate()))
	root.AddCommand(newReview(p), newMend(p), newGuide(p), newSchema(p), newDemo(p), newKnown(p), newInit(p), newCompare(p), newFollow(p))
	root.InitDefaultCompletionCmd()
	if completion, _, err := root.Find([]string{"completion"}); err == nil {
		completion.Args = knownCommand
		completion.RunE = root.RunE
		completion.Short = "Write a script by which a shell completes commands and names"
	}
	return root
}

// helpWidth is how many columns help takes.
const helpWidth = 80

// versionLine tells the version, the commit it was built from, and the compiler.
func versionLine() string {
	built := []string{runtime.Version()}
	if info, ok := debug.ReadBuildInfo(); ok {
		for _, s := range info.Settings {
			if s.Key == "vcs.revision" {
				built = append([]string{"commit " + s.Value[:min(len(s.Value), 12)]}, built...)
			}
		}
	}
	return fmt.Sprintf("%s (%s)", Version, strings.Join(built, ", "))
}

func knownCommand(cmd *cobra.Command, args []string) error {
	if len(args) == 0 {
		return nil
	}
	var names []string
	for _, c := range cmd.Commands() {
		names = append(names, c.Name())
	}
	return usageError{fmt.Errorf("unknown command %q%s", args[0], meant(args[0], names))}
}

// meant asks for the name that is nearest to one that is not known.
func meant(name string, names []string) string {
	if near := text.Nearest(name, names); near != "" {
		return fmt.Sprintf("; did you mean %s?", near)
	}
	return ""
}

// flagError says in our own words what is wrong with a flag.
func flagError(cmd *cobra.Command, err error) error {
	var unknown *pflag.NotExistError
	var value *pflag.InvalidValueError
	switch {
	case errors.As(err, &unknown) && len(unknown.GetSpecifiedName()) > 1:
		var names []string
		cmd.Flags().VisitAll(func(f *pflag.Flag) { names = append(names, "--"+f.Name) })
		flag := "--" + unknown.GetSpecifiedName()
		return fmt.Errorf("unknown flag: %s%s", flag, meant(flag, names))
	case errors.As(err, &value) && value.GetFlag().Value.Type() == "int":
		return fmt.Errorf("--%s %s: a whole number is needed", value.GetFlag().Name, value.GetValue())
	case errors.As(err, &value):
		return fmt.Errorf("--%s %s: %s", value.GetFlag().Name, value.GetValue(), "not a value that it takes")
	}
	return err
}

// choose reads a value that must be one of some.
func choose(flag, value string, choices ...string) (string, error) {
	for _, c := range choices {
		if strings.EqualFold(c, value) {
			return c, nil
		}
	}
	last := len(choices) - 1
	return "", fmt.Errorf("unknown %s %q: choose %s or %s%s", flag, value, strings.Join(choices[:last], ", "), choices[last], meant(value, choices))
}

// completes lets a shell complete a flag with some values.
func completes(cmd *cobra.Command, flag string, values []string) {
	err := cmd.RegisterFlagCompletionFunc(flag, cobra.FixedCompletions(values, cobra.ShellCompDirectiveNoFileComp))
	if err != nil {
		panic(err) // the flag is not there
	}
}

// checkNames gives the names of checks and families, as --only takes them.
func checkNames() []string {
	var names []string
	for _, f := range checks.Families {
		names = append(names, f.Name)
	}
	for _, c := range checks.All() {
		names = append(names, c.ID)
	}
	return names
}
