package cli

import (
	"bufio"
	"fmt"
	"io"
	"strings"

	"justlens/core/review"
	"justlens/report"
)

// reports are the renderers of one review.
type reports struct {
	renderers []report.Renderer
	files     []*pendingFile
	buffers   []*bufio.Writer
}

// openReports makes the renderers that --report asks for.
func openReports(kinds []string, stdout io.Writer, color string, noColor bool) (*reports, error) {
	r := &reports{}
	toStdout := 0
	for _, k := range kinds {
		kind, path, named := strings.Cut(k, "=")
		w, style := stdout, report.StyleFor(stdout, color, noColor)
		switch {
		case named && path == "":
			return nil, fmt.Errorf("--report %s: name the file behind the =", k)
		case named:
			f, err := createPending(path)
			if err != nil {
				r.discard()
				return nil, fmt.Errorf("--report %s", plainError(path, err))
			}
			r.files = append(r.files, f)
			w, style = f, report.StyleFor(f, color, noColor)
		default:
			toStdout++
		}
		buffered := bufio.NewWriter(w)
		r.buffers = append(r.buffers, buffered)
		switch kind {
		case "text":
			r.renderers = append(r.renderers, report.NewText(buffered, style))
		case "json":
			r.renderers = append(r.renderers, report.NewJSON(buffered))
		default:
			r.discard()
			return nil, fmt.Errorf("unknown report %q: choose text or json", kind)
		}
	}
	if toStdout > 1 {
		r.discard()
		return nil, fmt.Errorf("two reports cannot share standard output: give one a file, as --report json=FILE")
	}
	return r, nil
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
	for _, f := range r.files {
		if err := f.commit(); err != nil {
			return err
		}
	}
	return nil
}

// discard drops files that were not put in their places.
func (r *reports) discard() {
	for _, f := range r.files {
		f.discard()
	}
}
