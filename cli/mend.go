package cli

import (
	"errors"
	"fmt"
	"io"
	"path/filepath"
	"slices"

	"github.com/aymanbagabas/go-udiff"
	"github.com/spf13/cobra"

	"justlens/core/check"
	"justlens/core/fault"
	"justlens/core/mend"
	"justlens/core/review"
	"justlens/core/text"
	"justlens/report"
)

type mendOptions struct {
	reviewFlags
	write  bool
	effect string
	pick   bool
	force  bool
}

func newMend(p *Program) *cobra.Command {
	var o mendOptions
	cmd := &cobra.Command{
		Use:   "mend [PATH…]",
		Short: "Show the mends that keep the rows as a unified diff, or write them",
		Long: "Shows the mends of what review finds as a unified diff; --write puts them into\n" +
			"the files. Only mends that are proved to keep every result are taken, unless\n" +
			"--effect new-rows asks for those too that change it to what was evidently\n" +
			"meant. Each mended text is reviewed again; a mend that does not hold is left\n" +
			"out, and told. Of standard input --write writes the mended text to standard\n" +
			"output. In a work tree of git a file with changes that are not committed is\n" +
			"left alone, unless --force is given.",
		Example: "  justlens mend queries --schema schema.sql\n  justlens mend queries/keeper_workload.sql --write",
		RunE:    func(cmd *cobra.Command, paths []string) error { return o.run(cmd, p, paths) },
	}
	o.reviewFlags.add(cmd)
	cmd.Flags().BoolVar(&o.write, "write", false, "write the mended files instead of showing a diff")
	cmd.Flags().StringVar(&o.effect, "effect", "same-rows", "which mends: same-rows, or new-rows for those that change the result too")
	cmd.Flags().BoolVar(&o.pick, "pick", false, "show each mend and ask: yes, no, all of its check, quit")
	cmd.Flags().BoolVar(&o.force, "force", false, "with --write, also mend files whose changes are not committed to git")
	completes(cmd, "effect", []string{"same-rows", "new-rows"})
	return cmd
}

func (o *mendOptions) run(cmd *cobra.Command, p *Program, paths []string) error {
	effect, err := choose("--effect", o.effect, "same-rows", "new-rows")
	if err != nil {
		return err
	}
	if err := o.configure(cmd, paths); err != nil {
		return err
	}
	if err := o.sources(paths); err != nil {
		return err
	}
	if o.pick && slices.Contains(paths, "-") {
		return usageError{errors.New("--pick reads its answers from standard input, which is to be mended")}
	}
	in, options, problems, err := o.texts(cmd.Context(), p, paths)
	if err != nil {
		return err
	}
	options.Most = 0 // each is to be mended
	m := mender{options: options, settle: o.settle, wanted: []check.Effect{check.SameRows}, write: o.write, spool: p.spool, out: report.ForPeople(p.Stdout)}
	if effect == "new-rows" {
		m.wanted = append(m.wanted, check.NewRows)
	}
	if o.write && !o.force {
		var spared []error
		in, spared = committed(cmd.Context(), in)
		problems = append(problems, spared...)
	}
	steps := len(in)
	if o.pick {
		m.picker, steps = newPicker(p), 0
	}
	progress := p.showProgress("mending", steps)
	defer progress.end()
	for _, input := range in {
		if m.picker != nil && m.picker.quit {
			break
		}
		if err := cmd.Context().Err(); err != nil {
			return err
		}
		failed := m.one(input)
		for _, err := range failed {
			problems = append(problems, err)
		}
		progress.done()
		if m.diff != "" {
			progress.pause()
			if _, err := io.WriteString(m.out, m.diff); err != nil {
				return err
			}
			m.diff = ""
		}
	}
	progress.end()
	if m.picker != nil && m.picker.err != nil {
		return m.picker.err
	}
	m.summary(p, len(problems) > 0)
	p.tellAll(problems)
	if len(problems) > 0 {
		return errFailed
	}
	return nil
}

// mender mends one text after another.
type mender struct {
	options review.Options
	settle  func(*review.File) // by the configuration
	picker  *picker            // nil to take all
	wanted  []check.Effect
	write   bool
	spool   *spool
	out     io.Writer

	diff           string // of the text in hand
	applied, files int
	leftOut        []string
	found          int // findings that stay
	changing       int // of them those whose mend changes the result
}

// one mends a text, and gives what went wrong.
func (m *mender) one(in review.Input) (problems []error) {
	isFile := in.Path != stdinName && in.Path != queryName
	if m.write && isFile {
		m.spool.tidyUp(filepath.Dir(in.Path))
	}
	if isFile && isMarkdown(in.Path) {
		return []error{fmt.Errorf("%s: what stands in Markdown is reviewed, and not mended", in.Path)}
	}
	stored, err := in.Read()
	if err == nil {
		var file *text.File
		if file, err = text.NewFile(in.Path, stored); err == nil {
			caught := fault.Guard("mending", func() { problems, err = m.mend(file, in.Guess, stored, isFile) })
			if caught != nil {
				err = caught
			}
		}
	}
	if err != nil {
		problems = append(problems, errors.New(plainError(in.Path, err)))
	}
	return problems
}

func (m *mender) mend(file *text.File, guess *review.Guess, stored []byte, isFile bool) (problems []error, err error) {
	options := m.options
	if options.Auto && guess != nil {
		options.Auto, options.Dialect, options.Version = false, guess.Dialect, guess.Version
	}
	first := true
	again := func(src []byte) ([]review.Finding, error) {
		f, err := text.NewFile(file.Path, src)
		if err != nil {
			return nil, err
		}
		out := review.New(options).Review(f)
		m.settle(out)
		options.Auto, options.Dialect = false, out.Dialect // a mend must not change the guess
		if first {
			problems, first = unreviewed(out), false
		}
		return out.Findings, nil
	}
	src := file.Bytes()
	trial := &trial{path: file.Path, options: &options}
	pick := trial.keeps
	if m.picker != nil {
		m.picker.begin(file)
		pick = func(src []byte, f review.Finding, mend check.Mend) bool {
			return trial.keeps(src, f, mend) && m.picker.pick(src, f, mend)
		}
	}
	result, err := mend.Picked(src, m.wanted, again, pick)
	if err != nil {
		return problems, err
	}
	m.count(file, result)
	m.leftOut = append(m.leftOut, trial.told...)
	applied := result.Count(mend.Applied)
	switch {
	case m.write && file.Path == stdinName:
		m.diff = string(file.Encode(result.Text)) // the text itself, mended or not
		if applied == 0 {
			return problems, nil
		}
	case applied == 0:
		return problems, nil
	case m.write && !isFile:
		return problems, errors.New("there is no file to write to; leave --write out to see the diff")
	case m.write:
		if err := m.spool.replaceFile(file.Path, stored, file.Encode(result.Text)); err != nil {
			return append(problems, writeError(file.Path, err)), nil
		}
	default:
		m.diff = udiff.Unified("a/"+file.Path, "b/"+file.Path, string(src), string(result.Text))
	}
	m.applied += applied
	m.files++
	return problems, nil
}

// count notes what stays, and what was left out.
func (m *mender) count(file *text.File, result mend.Result) {
	m.found += len(result.Left)
	for _, f := range result.Left {
		if len(f.Mends) > 0 && len(f.Mends[0].Edits) > 0 && f.Mends[0].Effect == check.NewRows {
			m.changing++
		}
	}
	mended, err := text.NewFile(file.Path, result.Text)
	if err != nil {
		return
	}
	for _, w := range result.Mends {
		if w.Fate == mend.Withdrawn {
			at := mended.Place(w.Finding.Span.Start)
			m.leftOut = append(m.leftOut, fmt.Sprintf("%s, line %d, column %d: left out, as it would not have held: %s (%s)", file.Path, at.Line, at.Column, w.Mend.Title, w.Finding.Check.ID))
		}
	}
}

// mostLeftOut is how many mends that were left out are told one by one.
const mostLeftOut = 20

// summary says what was done, and what to type next.
func (m *mender) summary(p *Program, failed bool) {
	for i, line := range m.leftOut {
		if i == mostLeftOut {
			p.tell(fmt.Sprintf("%d more were left out", len(m.leftOut)-i))
			break
		}
		p.tell(line)
	}
	say := func(format string, args ...any) { fmt.Fprintf(p.Stderr, format+"\n", args...) }
	switch {
	case m.applied > 0 && m.write:
		say("Wrote mends: %d, files: %d.", m.applied, m.files)
	case m.applied > 0:
		say("Mends: %d, files: %d. Add --write to put them into the files.", m.applied, m.files)
	case failed:
	case m.found == 0:
		say("Nothing to mend: nothing was found.")
	case m.changing > 0 && len(m.wanted) == 1:
		say("No mend keeps the rows. Findings: %d; %d have a mend that changes the result: --effect new-rows shows it.", m.found, m.changing)
	default:
		say("Nothing can be mended unasked. Findings: %d; justlens review tells them.", m.found)
	}
}
