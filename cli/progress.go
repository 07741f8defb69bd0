package cli

import (
	"os"
	"sync"
	"time"

	"github.com/vbauerster/mpb/v8"
	"github.com/vbauerster/mpb/v8/decor"
	"golang.org/x/term"
)

// quiet is how long a run may last before it shows that it goes on.
const quiet = time.Second

// progress shows on a terminal what a long run is at.
type progress struct {
	mu          sync.Mutex
	what        string
	out         *os.File
	count       int64
	total       int64
	timer       *time.Timer
	bars        *mpb.Progress
	bar         *mpb.Bar
	unavailable bool
}

// showProgress begins to count some pieces of work. Nothing is shown in the first second,
// nor where standard error is no terminal.
func (p *Program) showProgress(what string, total int) *progress {
	g := &progress{what: what, total: int64(total)}
	out, ok := p.Stderr.(*os.File)
	if !ok || !term.IsTerminal(int(out.Fd())) {
		g.unavailable = true
		return g
	}
	g.out = out
	g.timer = time.AfterFunc(quiet, g.show)
	return g
}

func (g *progress) show() {
	g.mu.Lock()
	defer g.mu.Unlock()
	if g.unavailable || g.bars != nil {
		return
	}
	g.bars = mpb.New(mpb.WithOutput(g.out), mpb.WithWidth(40))
	g.bar = g.bars.AddBar(g.total,
		mpb.PrependDecorators(decor.Name("justlens: "+g.what), decor.CountersNoUnit(" %d of %d ")),
		mpb.AppendDecorators(decor.Elapsed(decor.ET_STYLE_GO)),
		mpb.BarRemoveOnComplete())
	g.bar.SetCurrent(g.count)
}

// done counts a piece of work.
func (g *progress) done() {
	if g.unavailable {
		return
	}
	g.mu.Lock()
	defer g.mu.Unlock()
	g.count++
	if g.bar != nil && g.count < g.total {
		g.bar.SetCurrent(g.count)
	}
}

// pause clears what is shown, before something else is written to the terminal. It is shown
// again when the run is quiet for long enough.
func (g *progress) pause() {
	if g.unavailable {
		return
	}
	g.mu.Lock()
	defer g.mu.Unlock()
	g.clear()
	g.timer.Reset(quiet)
}

func (g *progress) end() {
	if g.unavailable {
		return
	}
	g.mu.Lock()
	defer g.mu.Unlock()
	g.unavailable = true
	g.timer.Stop()
	g.clear()
}

func (g *progress) clear() {
	if g.bars != nil {
		g.bar.Abort(true)
		g.bars.Wait()
		g.bars, g.bar = nil, nil
	}
}
