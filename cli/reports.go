package cli

import (
	"bufio"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"

	"justlens/core/review"
	"justlens/report"
)

// reports are the renderers of one review.
type reports struct {
	renderers []report.Renderer
	targets   []target
	buffers   []*bufio.Writer
	// toTerminal tells that one of them goes where progress would be shown.
	toTerminal bool
}

// target is where a report goes.
type target interface {
	io.Writer
	commit() error
	discard()
}

// passing is a target that is written to as it is: standard output, a device, a pipe.
type passing struct{ io.Writer }

func (p passing) commit() error { return p.close() }
func (p passing) discard()      { _ = p.close() }

func (p passing) close() error {
	if f, ok := p.Writer.(*os.File); ok && f != os.Stdout && f != os.Stderr {
		return f.Close()
	}
	return nil
}

// reportOptions say how reports look.
type reportOptions struct {
	color   string
	noColor bool
	report.Options
}

// openReports makes the renderers that --report asks for. Each file is begun here, so
// that one which cannot be written is told of before the work.
func (p *Program) openReports(kinds []string, in []review.Input, o reportOptions) (*reports, error) {
	r := &reports{}
	toStdout := 0
	files := map[string]bool{}
	for _, k := range kinds {
		kind, path, named := strings.Cut(k, "=")
		kind, err := choose("report", kind, report.Kinds...)
		if err == nil && named {
			err = r.open(p, kind, path, files, in)
		} else if err == nil {
			toStdout++
			r.targets = append(r.targets, passing{p.Stdout})
		}
		if err == nil && toStdout > 1 {
			err = errors.New("two reports cannot share standard output: give one a file, as --report json=FILE")
		}
		if err != nil {
			r.discard()
			return nil, err
		}
		t := r.targets[len(r.targets)-1]
		style := report.StyleFor(underneath(t), o.color, o.noColor)
		r.toTerminal = r.toTerminal || style.Terminal
		buffered := bufio.NewWriter(t)
		r.buffers = append(r.buffers, buffered)
		r.renderers = append(r.renderers, report.New(kind, buffered, style, o.Options))
	}
	return r, nil
}

// underneath gives what a target writes to.
func underneath(t target) io.Writer {
	if p, ok := t.(passing); ok {
		return p.Writer
	}
	return t
}

// open begins a report in a file, or opens a device or pipe.
func (r *reports) open(p *Program, kind, path string, files map[string]bool, in []review.Input) error {
	fail := func(why string) error { return fmt.Errorf("--report %s=%s: %s", kind, path, why) }
	switch path {
	case "":
		return fail("name the file behind the =")
	case "/dev/stdout", "/dev/fd/1", "/proc/self/fd/1":
		r.targets = append(r.targets, passing{p.Stdout})
		return nil
	case "/dev/stderr", "/dev/fd/2", "/proc/self/fd/2":
		r.targets = append(r.targets, passing{p.Stderr})
		return nil
	}
	target, err := followed(path)
	if err != nil {
		return fail(err.Error())
	}
	if real := namedFile(filepath.Dir(target)).real; files[filepath.Join(real, filepath.Base(target))] {
		return fail("another report goes there")
	} else {
		files[filepath.Join(real, filepath.Base(target))] = true
	}
	info, err := os.Stat(target)
	switch {
	case err == nil && info.IsDir():
		return fail("it is a folder; name a file in it")
	case strings.EqualFold(filepath.Ext(target), ".sql"):
		return fail("a file of SQL is not replaced by a report; choose another ending")
	case err == nil && !info.Mode().IsRegular():
		f, err := os.OpenFile(target, os.O_WRONLY, 0)
		if err != nil {
			return fail(plainError(path, err))
		}
		r.targets = append(r.targets, passing{f})
		return nil
	case err == nil && isReviewed(info, in):
		return fail("it is under review")
	case err == nil && info.Mode().Perm()&0o222 == 0:
		return fail(errReadOnly.Error())
	case err == nil && info.Size() > 0:
		if known, err := isReport(kind, target); err != nil || !known {
			return fail("what is there is no " + kind + " report; remove it, or name another file")
		}
	}
	f, err := p.spool.create(target)
	if err != nil {
		return fmt.Errorf("--report %s=%w", kind, writeError(path, err))
	}
	r.targets = append(r.targets, f)
	return nil
}

// isReviewed reports whether a file is one of those to review. Files of SQL are refused
// by their ending.
func isReviewed(info os.FileInfo, in []review.Input) bool {
	for _, i := range in {
		if strings.EqualFold(filepath.Ext(i.Path), ".sql") {
			continue
		}
		if other, err := os.Stat(i.Path); err == nil && os.SameFile(info, other) {
			return true
		}
	}
	return false
}

// isReport reports whether a file holds an earlier report of the kind.
func isReport(kind, path string) (bool, error) {
	f, err := os.Open(path)
	if err != nil {
		return false, err
	}
	defer f.Close()
	head := make([]byte, 4096)
	n, err := io.ReadFull(f, head)
	if n == 0 {
		return false, err
	}
	return report.IsOne(kind, string(head[:n])), nil
}

func (r *reports) file(f *review.File) error {
	for _, renderer := range r.renderers {
		if err := renderer.File(f); err != nil {
			return err
		}
	}
	return nil
}

// close ends the reports and puts those that go to files in their places.
func (r *reports) close(s report.Summary) error {
	for i, renderer := range r.renderers {
		if err := renderer.Close(s); err != nil {
			return err
		}
		if err := r.buffers[i].Flush(); err != nil {
			return err
		}
	}
	for _, t := range r.targets {
		if err := t.commit(); err != nil {
			if f, ok := t.(*pendingFile); ok {
				return writeError(f.path, err)
			}
			return err
		}
	}
	return nil
}

// discard drops files that were not put in their places.
func (r *reports) discard() {
	for _, t := range r.targets {
		t.discard()
	}
}
