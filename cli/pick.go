package cli

import (
	"bufio"
	"errors"
	"fmt"
	"io"
	"strings"

	"justlens/core/check"
	"justlens/core/review"
	"justlens/core/text"
	"justlens/report"
)

// picker asks a person of each mend.
type picker struct {
	in    *bufio.Reader
	out   io.Writer
	style report.Style

	file     *text.File
	answered map[string][]bool // of one text, by what was asked
	round    map[string]int    // how often each was asked of in the round in hand
	src      string            // that of the round
	all      map[*check.Check]bool
	quit     bool
	err      error
}

func newPicker(p *Program) *picker {
	return &picker{in: bufio.NewReader(p.Stdin), out: p.Stdout, style: report.StyleFor(p.Stdout, "auto", p.Env("NO_COLOR") != ""), all: map[*check.Check]bool{}}
}

// begin turns to the next text.
func (p *picker) begin(f *text.File) {
	p.file, p.answered, p.src = f, map[string][]bool{}, ""
}

// pick shows a mend and asks. What was answered of it holds when it comes up again.
func (p *picker) pick(src []byte, f review.Finding, m check.Mend) bool {
	if string(src) != p.src {
		p.src, p.round = string(src), map[string]int{}
	}
	key := f.Check.ID + "\x00" + f.Message + "\x00" + m.Title
	n := p.round[key]
	p.round[key]++
	if n < len(p.answered[key]) {
		return p.answered[key][n]
	}
	yes := p.all[f.Check]
	if !yes && !p.quit {
		yes = p.ask(src, f, m)
	}
	if !yes {
		p.answered[key] = append(p.answered[key], false)
	}
	return yes
}

// ask shows a finding with its mend, and reads an answer.
func (p *picker) ask(src []byte, f review.Finding, m check.Mend) bool {
	file, err := text.NewFile(p.file.Path, src)
	if err != nil {
		return false
	}
	f.Mends = []check.Mend{m}
	if err := report.One(p.out, p.style, &review.File{Text: file}, &f); err != nil {
		p.err, p.quit = err, true
		return false
	}
	for {
		fmt.Fprintf(p.out, "\nMend this? y yes, n no, a all of %s, q quit: ", f.Check.ID)
		line, err := p.in.ReadString('\n')
		if err != nil && !(errors.Is(err, io.EOF) && strings.TrimSpace(line) != "") {
			p.quit = true
			fmt.Fprintln(p.out)
			return false
		}
		switch strings.ToLower(strings.TrimSpace(line)) {
		case "y", "yes":
			return true
		case "n", "no":
			return false
		case "a", "all":
			p.all[f.Check] = true
			return true
		case "q", "quit":
			p.quit = true
			return false
		}
	}
}
