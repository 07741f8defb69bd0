package cli

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"runtime"

	"github.com/spf13/cobra"

	"justlens/core/review"
	"justlens/known"
	"justlens/report"
)

// usualKnown is the file of known findings unless another is named.
const usualKnown = "justlens-known.json"

type knownOptions struct {
	reviewFlags
	file string
}

func newKnown(p *Program) *cobra.Command {
	cmd := &cobra.Command{
		Use:   "known",
		Short: "Keep today's findings, so that later reviews tell of new ones only",
		Long: "Keeps what review finds today in a file. review --known FILE then tells of, and\n" +
			"counts, new findings only. A finding is known again by its check and the words\n" +
			"of its statement: however it is moved, laid out or commented, and whatever its\n" +
			"file is called.",
		Args: knownCommand,
		RunE: func(cmd *cobra.Command, _ []string) error { return cmd.Help() },
	}
	cmd.AddCommand(
		newKnownAction(p, "save", "Write down what is found today", "what of other files is known stays", false),
		newKnownAction(p, "prune", "Drop what is no longer found", "nothing is added", true),
	)
	return cmd
}

func newKnownAction(p *Program, name, short, note string, prune bool) *cobra.Command {
	var o knownOptions
	cmd := &cobra.Command{
		Use:     name + " [PATH…]",
		Short:   short,
		Long:    short + "; " + note + ".\nThe paths are those that review takes.",
		Example: "  justlens known " + name + " queries --schema schema.sql",
		RunE:    func(cmd *cobra.Command, paths []string) error { return o.run(cmd, p, paths, prune) },
	}
	o.reviewFlags.add(cmd)
	cmd.Flags().StringVar(&o.file, "file", usualKnown, "the `FILE` of known findings")
	return cmd
}

func (o *knownOptions) run(cmd *cobra.Command, p *Program, paths []string, prune bool) error {
	if err := o.configure(cmd, paths); err != nil {
		return err
	}
	if err := o.sources(paths); err != nil {
		return err
	}
	if c := o.config; c != nil && c.Known != "" && !o.given("file") {
		o.file = besideConfig(c, c.Known)
	}
	before, err := readKnown(o.file, !prune)
	if err != nil {
		return err
	}
	in, options, problems, err := o.texts(cmd.Context(), p, paths)
	if err != nil {
		return err
	}
	options.Most = 0
	progress := p.showProgress("reviewing", len(in))
	defer progress.end()
	now := known.File{}
	reviewed := map[string]bool{}
	err = review.Run(cmd.Context(), in, options, runtime.NumCPU(), func(outcome review.Outcome) error {
		progress.done()
		if outcome.Err != nil {
			problems = append(problems, errors.New(plainError(outcome.Path, outcome.Err)))
			return nil
		}
		o.settle(outcome.File)
		path := besideKnown(o.file, outcome.Path)
		reviewed[path] = true
		problems = append(problems, unreviewed(outcome.File)...)
		now.Add(path, outcome.File.Findings)
		return nil
	})
	progress.end()
	if err != nil {
		return err
	}
	p.tellAll(problems)
	if len(problems) > 0 {
		p.tell(o.file + " stays as it is, for not all could be reviewed")
		return errFailed
	}
	after, dropped := joined(before, &now, reviewed, filepath.Dir(o.file), prune)
	if err := p.writeKnown(o.file, after); err != nil {
		return err
	}
	n := 0
	for _, k := range after.Findings {
		n += k.Count
	}
	if prune {
		fmt.Fprintf(p.Stdout, "%s: known are %s; gone were %s.\n", o.file, report.Count(n, "finding"), report.Count(dropped, "finding"))
		return nil
	}
	fmt.Fprintf(p.Stdout, "%s: known are %s.\nNext: justlens review … --known %s   tells of new ones only.\n", o.file, report.Count(n, "finding"), shellWord(o.file))
	return nil
}

// joined gives what is to be known: of the files that were reviewed what was found now, or with
// prune what was known and was found now; of other files that are still there what was known.
func joined(before, now *known.File, reviewed map[string]bool, folder string, prune bool) (after *known.File, dropped int) {
	after = &known.File{}
	if !prune {
		after.Findings = append(after.Findings, now.Findings...)
	}
	found := map[[2]string]int{}
	for _, k := range now.Findings {
		found[[2]string{k.Check, k.Statement}] += k.Count
	}
	for _, k := range before.Findings {
		_, err := os.Stat(filepath.Join(folder, k.Path))
		there := err == nil && !reviewed[k.Path]
		switch {
		case there:
			after.Findings = append(after.Findings, k)
		case prune:
			key := [2]string{k.Check, k.Statement}
			stay := min(k.Count, found[key])
			found[key] -= stay
			dropped += k.Count - stay
			if k.Count = stay; stay > 0 {
				after.Findings = append(after.Findings, k)
			}
		}
	}
	return after, dropped
}

// besideKnown gives the path of a text as it is kept: from the folder of the file of known findings.
func besideKnown(file, path string) string {
	absolute, err := filepath.Abs(path)
	if err != nil {
		return path
	}
	folder, err := filepath.Abs(filepath.Dir(file))
	if err != nil {
		return path
	}
	short, err := filepath.Rel(folder, absolute)
	if err != nil {
		return path
	}
	return filepath.ToSlash(short)
}

// readKnown reads a file of known findings; one that is not there holds none, if it may be missing.
func readKnown(path string, mayMiss bool) (*known.File, error) {
	src, err := os.ReadFile(path)
	if mayMiss && errors.Is(err, os.ErrNotExist) {
		return &known.File{}, nil
	}
	if errors.Is(err, os.ErrNotExist) {
		return nil, fmt.Errorf("%s: no such file; justlens known save writes one", path)
	}
	if err != nil {
		return nil, errors.New(plainError(path, err))
	}
	file, err := known.Read(src)
	if err != nil {
		return nil, fmt.Errorf("%s: %w; justlens known save writes it anew once it is removed", path, err)
	}
	return file, nil
}

func (p *Program) writeKnown(path string, file *known.File) error {
	out, err := file.Bytes()
	if err != nil {
		return err
	}
	f, err := p.spool.create(path)
	if err != nil {
		return writeError(path, err)
	}
	defer f.discard()
	if _, err := f.Write(out); err != nil {
		return writeError(path, err)
	}
	if err := f.commit(); err != nil {
		return writeError(path, err)
	}
	return nil
}
