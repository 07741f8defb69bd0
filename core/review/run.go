package review

import (
	"context"

	"justlens/core/dialect"
	"justlens/core/text"
)

// Input is a text to review. Read is called once, by a worker.
type Input struct {
	Path string
	Read func() ([]byte, error)
	// Guess is what the text is most likely written in, by more than the text alone; nil
	// to guess from that. It counts with [Options].Auto only.
	Guess *Guess
}

// Guess is a dialect and what spoke for it.
type Guess struct {
	Dialect dialect.Dialect
	Version dialect.Version // zero for the newest
	Clue    string
	// Unsure tells that the files around it may outweigh the clue.
	Unsure bool
	// Named tells that a person says so.
	Named bool
}

// Outcome is what came of an input: a File, or the error that kept it from
// being read.
type Outcome struct {
	Path string
	File *File
	Err  error
}

// Run reviews the inputs with as many workers as jobs says, at least one, those that are
// not needed for inputs of their own helping with large texts, and
// hands over the outcomes in the order of the inputs, one at a time. It holds
// no more than a few texts a worker at a time. It ends early when the context
// is done or each returns an error, and returns that error.
func Run(ctx context.Context, inputs []Input, o Options, jobs int, each func(Outcome) error) error {
	all := max(1, jobs)
	jobs = max(1, min(jobs, len(inputs)))
	spare := all / jobs // for large texts
	if jobs == 1 {
		return runAlone(ctx, inputs, New(o), spare, each)
	}
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	type task struct {
		input Input
		done  chan Outcome
	}
	tasks := make(chan task)
	queue := make(chan chan Outcome, 2*jobs) // bounds how far workers run ahead
	go func() {
		defer close(queue)
		defer close(tasks)
		for _, in := range inputs {
			t := task{in, make(chan Outcome, 1)}
			select {
			case queue <- t.done:
			case <-ctx.Done():
				return
			}
			select {
			case tasks <- t:
			case <-ctx.Done():
				return
			}
		}
	}()
	for range jobs {
		go func() {
			r := New(o)
			for t := range tasks {
				t.done <- r.one(t.input, spare)
			}
		}()
	}
	for done := range queue {
		select {
		case outcome := <-done:
			if err := each(outcome); err != nil {
				return err
			}
		case <-ctx.Done():
			return ctx.Err()
		}
	}
	return ctx.Err()
}

// runAlone needs no goroutine, which a short run would feel.
func runAlone(ctx context.Context, inputs []Input, r *Reviewer, spare int, each func(Outcome) error) error {
	for _, in := range inputs {
		if err := ctx.Err(); err != nil {
			return err
		}
		if err := each(r.one(in, spare)); err != nil {
			return err
		}
	}
	return nil
}

func (r *Reviewer) one(in Input, workers int) Outcome {
	src, err := in.Read()
	if err != nil {
		return Outcome{Path: in.Path, Err: err}
	}
	f, err := text.NewFile(in.Path, src)
	if err != nil {
		return Outcome{Path: in.Path, Err: err}
	}
	return Outcome{Path: in.Path, File: r.review(f, in.Guess, workers)}
}
