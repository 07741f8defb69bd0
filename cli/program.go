package cli

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"os/signal"
	"strings"
	"time"

	"justlens/database"
	"justlens/report"
)

// Program is one run of the program: what it reads and writes.
type Program struct {
	Stdin          io.Reader
	Stdout, Stderr io.Writer
	Env            func(string) string

	spool *spool
	args  []string // as given, which may hold passwords
}

// checkedWriter keeps the first error of writing, which the help of a command drops.
type checkedWriter struct {
	w   io.Writer
	err error
}

func (c *checkedWriter) Write(b []byte) (int, error) {
	n, err := c.w.Write(b)
	if c.err == nil {
		c.err = err
	}
	return n, err
}

// Main runs the program as a process does, and gives its exit status. A signal ends it
// at once, whatever it is waiting for; a second one kills it.
func Main() int {
	p := &Program{Stdin: os.Stdin, Stdout: os.Stdout, Stderr: os.Stderr, Env: os.Getenv, spool: &spool{}}
	ctx, cancel := context.WithCancel(context.Background())
	defer cancel()
	signals := make(chan os.Signal, 1)
	for _, s := range endSignals {
		if !signal.Ignored(s) { // as under nohup
			signal.Notify(signals, s)
		}
	}
	ended := make(chan int, 1)
	go func() { ended <- p.Run(ctx, os.Args[1:]) }()
	select {
	case status := <-ended:
		return status
	case s := <-signals:
		signal.Reset(endSignals...)
		cancel()
		select {
		case <-ended:
		case <-time.After(patience):
		}
		p.spool.end()
		how, status := endedBy(s)
		fmt.Fprintf(os.Stderr, "justlens: stopped by %s; no file is half-written\n", how)
		return status
	}
}

// patience is how long a run that was stopped may take to end by itself.
const patience = 150 * time.Millisecond

// Run runs a command and gives the exit status. It says on standard error, in one
// line, why it could not do its work.
func (p *Program) Run(ctx context.Context, args []string) int {
	if p.spool == nil {
		p.spool = &spool{}
	}
	p.args = args
	help := &checkedWriter{w: p.Stdout}
	root := newRoot(p)
	root.SetArgs(args)
	root.SetIn(p.Stdin)
	root.SetOut(help)
	root.SetErr(p.Stderr)
	command, err := root.ExecuteContextC(ctx)
	if err == nil {
		err = help.err
	}
	for _, note := range p.spool.notes {
		p.tell(note)
	}
	p.spool.notes = nil
	switch {
	case err == nil:
		return exitFine
	case ctx.Err() != nil:
		return exitFailed // whoever stopped it tells so
	case errors.Is(err, errFindings):
		return exitFindings
	case errors.Is(err, errFailed):
		return exitFailed
	}
	if isDiskFull(err) {
		err = errors.New("not all could be written: the disk is full")
	}
	p.tell(explained(err, command).Error())
	return exitFailed
}

// tell says something in one line on standard error: nothing that drives a terminal, and
// no password.
func (p *Program) tell(what string) {
	for _, arg := range p.args {
		if shown := database.Redacted(arg); shown != arg {
			what = strings.ReplaceAll(what, arg, shown)
		}
	}
	fmt.Fprintf(p.Stderr, "justlens: %s\n", report.Visible(database.RedactedText(what)))
}

func (p *Program) tellAll(problems []error) {
	for _, problem := range problems {
		p.tell(problem.Error())
	}
}

// Run runs a command with what it reads and writes.
func Run(ctx context.Context, args []string, stdin io.Reader, stdout, stderr io.Writer, env func(string) string) int {
	p := Program{Stdin: stdin, Stdout: stdout, Stderr: stderr, Env: env}
	return p.Run(ctx, args)
}
